import { DateTime } from 'luxon'
import { dateOfDay, dayNumber, isoWeek, isoWeekday } from '../shared/day-number.ts'
import { seeded } from '../shared/seeded.ts'
import { freeSlots, leaveRoom, spanOf, type FreeSlotsInput } from './free-slots.ts'
import { cases } from '../testing/sweep.ts'

const base: FreeSlotsInput = {
  bookings: [],
  from: '2026-04-13',
  until: '2026-05-10',
  lengthDays: 14,
  turnaroundDays: 2,
  openWeekdays: [1, 2, 3, 4, 5, 6],
}

/** Every pair of days held against every rule, one after the other. */
function everySlot(input: FreeSlotsInput) {
  const found = []
  for (let from = dayNumber(input.from); from <= dayNumber(input.until); from++)
    for (let until = from + 1; until <= dayNumber(input.until); until++) {
      const open = [from, until].every(
        (day) =>
          input.openWeekdays.includes(DateTime.fromISO(dateOfDay(day)).weekday) &&
          !(input.closedDates ?? []).includes(dateOfDay(day)),
      )
      const free = input.bookings.every((booking) => {
        const [start, end] = [dayNumber(booking.from), dayNumber(booking.until)]
        return end < from ? from >= end + input.turnaroundDays + 1 : start >= until + input.turnaroundDays + 1
      })
      if (until - from === input.lengthDays && open && free)
        found.push({ from: dateOfDay(from), until: dateOfDay(until) })
    }
  return found
}

describe('free slots', () => {
  it('are what trying every pair of days finds', () => {
    const random = seeded(7)
    const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1))
    for (let round = 0; round < cases(200, 2000, 15); round++) {
      const start = dayNumber('2026-03-01')
      const bookings = Array.from({ length: whole(0, 5) }, () => {
        const from = start + whole(-20, 70)
        return { from: dateOfDay(from), until: dateOfDay(from + whole(0, 20)) }
      })
      const input = {
        bookings,
        from: dateOfDay(start),
        until: dateOfDay(start + whole(5, 60)),
        lengthDays: whole(1, 16),
        turnaroundDays: whole(0, 4),
        openWeekdays: [1, 2, 3, 4, 5, 6, 7].filter(() => random() > 0.3).concat(3),
        closedDates: [dateOfDay(start + whole(0, 40)), dateOfDay(start + whole(0, 40))],
      }
      expect(freeSlots(input)).toEqual(everySlot(input))
    }
  })

  it('keep the turnaround to the loan before and to the one after', () => {
    const bookings = [
      { from: '2026-04-01', until: '2026-04-14' },
      { from: '2026-05-05', until: '2026-05-19' },
    ]
    // Back on Tue 14, two days of turnaround: Fri 17 at the earliest; out on 5 May: back on Sat 2 May at the latest.
    const slots = freeSlots({ ...base, bookings })
    expect(slots.map(({ from }) => from)).toEqual(['2026-04-17', '2026-04-18'])
    expect(
      leaveRoom(
        spanOf({ from: '2026-04-17', until: '2026-05-02' }),
        spanOf({ from: '2026-05-05', until: '2026-05-06' }),
        2,
      ),
    ).toBe(true)
    expect(
      leaveRoom(
        spanOf({ from: '2026-04-17', until: '2026-05-03' }),
        spanOf({ from: '2026-05-05', until: '2026-05-06' }),
        2,
      ),
    ).toBe(false)
  })

  it('go over a change of the clocks without gaining or losing a day', () => {
    const slots = freeSlots({ ...base, from: '2026-03-27', until: '2026-04-12', lengthDays: 7, openWeekdays: [6] })
    expect(slots).toEqual([
      { from: '2026-03-28', until: '2026-04-04' },
      { from: '2026-04-04', until: '2026-04-11' },
    ])
  })

  it('are refused by name for what can’t be meant', () => {
    expect(() => freeSlots({ ...base, from: '2026-02-30' })).toThrow('2026-02-30')
    expect(() => freeSlots({ ...base, until: '2029-01-01' })).toThrow('740 days')
    for (const openWeekdays of [[], [0], [8], [2.5]])
      expect(() => freeSlots({ ...base, openWeekdays })).toThrow('openWeekdays')
    expect(() => freeSlots({ ...base, lengthDays: 0 })).toThrow('lengthDays')
    expect(() => freeSlots({ ...base, bookings: [{ from: '2026-04-14', until: '2026-04-13' }] })).toThrow('before')
  })
})

describe('weeks and weekdays', () => {
  it('are those of ISO 8601, as a second library counts them', () => {
    for (let day = dayNumber('2019-12-20'); day < dayNumber('2033-01-20'); day++) {
      const other = DateTime.fromISO(dateOfDay(day), { zone: 'utc' })
      expect([isoWeekday(day), isoWeek(day)]).toEqual([
        other.weekday,
        { year: other.weekYear, week: other.weekNumber },
      ])
    }
  })
})
