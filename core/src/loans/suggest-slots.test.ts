import { slotReason } from '../words/loans.ts'
import { moonIsUp, skyEvening, type Evening } from '../sky/evening.ts'
import { dateOfDay, dayNumber } from '../shared/day-number.ts'
import { bodyPlace, almanacTime } from '../sky/positions.ts'
import { localMs } from '../sky/night.ts'
import { slotNights, suitsWish } from './suggest-slots.ts'

const place = { latitudeDeg: 52, longitudeDeg: -8.5, zone: 'Europe/Dublin' }
const evening = (date: string) => skyEvening({ ...place, date })
const nightsFrom = (first: string, days: number): ReadonlyMap<string, Evening> =>
  new Map(
    Array.from({ length: days }, (_, index) => dateOfDay(dayNumber(first) + index)).map((date) => [
      date,
      evening(date),
    ]),
  )

describe('evenings', () => {
  it('know when the Moon is up, as its own altitude says at every hour', () => {
    for (const date of ['2026-03-28', '2026-04-02', '2026-04-09', '2026-04-17', '2026-04-24', '2026-10-24']) {
      const night = evening(date)
      for (let hours = 0; hours < 24; hours += 0.5) {
        const atUtc = new Date(localMs(place.zone, date, 12) + hours * 3_600_000).toISOString()
        const { altitudeDeg } = bodyPlace('Moon', almanacTime(atUtc), place)
        // Within a degree of the horizon refraction and the disc decide.
        if (Math.abs(altitudeDeg) > 1.2)
          expect([date, hours, moonIsUp(night, hours)]).toEqual([date, hours, altitudeDeg > 0])
      }
    }
  })

  it('tell a waxing Moon from a waning one: full on 2 April 2026 [IMCCE, from memory]', () => {
    expect(evening('2026-03-28').moonWaxing).toBe(true)
    expect(evening('2026-04-05').moonWaxing).toBe(false)
    expect(evening('2026-04-02').moonLit).toBeGreaterThan(0.98)
  })

  it('have no darkness in June far north, and none of it counts', () => {
    const white = skyEvening({ latitudeDeg: 60, longitudeDeg: 10, zone: 'Europe/Oslo', date: '2026-06-21' })
    expect([white.state, white.moonlessDarkHours, white.darkFromH]).toEqual(['never-dark', 0, null])
  })
})

describe('what the nights of a loan hold', () => {
  it('around full Moon little for faint things, around new Moon much', () => {
    const nights = nightsFrom('2026-03-20', 45)
    const full = slotNights({ from: '2026-03-27', until: '2026-04-07' }, 'faint', nights)
    const dark = slotNights({ from: '2026-04-10', until: '2026-04-21' }, 'faint', nights)
    expect(dark.darkHours).toBeGreaterThan(3 * full.darkHours)
    expect(dark.evenings).toBeGreaterThan(full.evenings)
  })

  it('the night of the return is nobody’s any more', () => {
    const nights = nightsFrom('2026-04-10', 12)
    const one = slotNights({ from: '2026-04-12', until: '2026-04-13' }, 'any', nights)
    expect(one.darkHours).toBe(nights.get('2026-04-12')?.moonlessDarkHours)
  })

  it('children want it dark enough by eight: in winter, not in June', () => {
    const winter = nightsFrom('2026-12-14', 10)
    const summer = nightsFrom('2026-06-14', 10)
    expect(slotNights({ from: '2026-12-14', until: '2026-12-24' }, 'children', winter).evenings).toBeGreaterThan(4)
    expect(slotNights({ from: '2026-06-14', until: '2026-06-24' }, 'children', summer).evenings).toBe(0)
  })

  it('the Moon is for evenings on which it is up at nine and has shadows', () => {
    expect(suitsWish('moon', evening('2026-03-26'))).toBe(true)
    expect(suitsWish('moon', evening('2026-04-02'))).toBe(false)
    expect(suitsWish('moon', evening('2026-04-13'))).toBe(false)
  })

  it('each suggestion says its reason', () => {
    expect(slotReason('moon', { darkHours: 3, evenings: 1 })).toBe('1 evening with shadows along the Moon’s edge')
    expect(slotReason('any', { darkHours: 40.4, evenings: 3 })).toBe('40 dark hours without the Moon')
  })
})
