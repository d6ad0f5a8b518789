import { dateOfDay, dayNumber } from '@binoculum/core'
import ICAL from 'ical.js'
import icalGenerator, { ICalCalendarMethod } from 'ical-generator'

/** A loan as a calendar program may know it: codes and days, never a name. */
export interface FeedLoan {
  readonly id: string
  readonly code: string
  readonly kitCode: string
  readonly kitName: string
  readonly state: 'promised' | 'out'
  readonly fromOn: string
  readonly untilOn: string
}

export interface FeedEvening {
  readonly id: string
  readonly onDay: string
  readonly seats: number
  readonly minutesEach: number
}

const dayAfter = (date: string): string => dateOfDay(dayNumber(date) + 1)

/** Days as an iCalendar file [RFC 5545]: a pick-up, a return or an evening at the bench is an event of a whole day, which has no zone. */
export function calendarFile(
  name: string,
  loans: readonly FeedLoan[],
  evenings: readonly FeedEvening[] = [],
): string {
  const calendar = icalGenerator({
    name,
    prodId: { company: 'Binoculum', product: 'Calendar', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  })
  const add = (id: string, on: string, summary: string) =>
    calendar.createEvent({ id: `${id}@binoculum`, start: on, end: dayAfter(on), allDay: true, summary })
  for (const { id, code, kitCode, kitName, state, fromOn, untilOn } of loans) {
    if (state === 'promised') add(`out-${id}`, fromOn, `${kitName} (${kitCode}) goes out, ${code}`)
    add(`back-${id}`, untilOn, `${kitName} (${kitCode}) is due back, ${code}`)
  }
  for (const { id, onDay, seats, minutesEach } of evenings)
    add(`bench-${id}`, onDay, `Evening at the bench: ${seats} × ${minutesEach} min`)
  return calendar.toString()
}

export interface ReadClosings {
  readonly closings: readonly { readonly fromOn: string; readonly untilOn: string; readonly why: string }[]
  readonly leftOut: readonly string[]
}

const MOST_CLOSINGS = 200
/** A rule that never ends is followed for so long. */
const MOST_DAYS_AHEAD = 740
const MOST_STEPS = 4000

/**
 * Closings of a calendar file [RFC 5545]: every event from today on for two years, rules followed that far. A timed event
 * closes each day that it touches, by its own clock.
 * @throws RangeError for what is no calendar file
 */
export function readClosings(text: string, today: string): ReadClosings {
  const events = eventsOf(text)
  const last = dateOfDay(dayNumber(today) + MOST_DAYS_AHEAD)
  const closings: ReadClosings['closings'][number][] = []
  const leftOut: string[] = []
  for (const event of events) {
    const why = (event.summary || 'closed').trim().slice(0, 120)
    if (event.component.getFirstPropertyValue('status') === 'CANCELLED') {
      leftOut.push(`${why}: cancelled`)
      continue
    }
    if (!event.startDate) {
      leftOut.push(`${why}: has no day`)
      continue
    }
    const steps = event.iterator()
    let taken = 0
    for (let step = 0; step < MOST_STEPS; step++) {
      const start = steps.next() as ICAL.Time | null
      if (!start) break
      const fromOn = start.toString().slice(0, 10)
      if (fromOn > last) break
      const end = start.clone()
      end.addDuration(event.duration)
      const endOn = end.toString().slice(0, 10)
      // The end is not part of it: midnight, or the day after, closes the day before.
      const endsBefore = start.isDate || end.toString().slice(11, 19) === '00:00:00'
      const untilOn = endsBefore && endOn > fromOn ? dateOfDay(dayNumber(endOn) - 1) : endOn
      if (untilOn < today) continue
      if (closings.length >= MOST_CLOSINGS) {
        leftOut.push(`${why}: more than ${MOST_CLOSINGS} closings`)
        break
      }
      closings.push({ fromOn, untilOn, why })
      taken++
      if (!event.isRecurring()) break
    }
    if (taken === 0) leftOut.push(`${why}: is over`)
  }
  return { closings, leftOut: leftOut.slice(0, 50) }
}

function eventsOf(text: string): ICAL.Event[] {
  try {
    const calendar = new ICAL.Component(ICAL.parse(text))
    return calendar
      .getAllSubcomponents('vevent')
      .slice(0, 1000)
      .map((component) => new ICAL.Event(component))
  } catch {
    throw new RangeError('this is no calendar file (.ics)')
  }
}
