import { dateOfDay, dayNumber, isoWeekday } from '../shared/day-number.ts'

/** A loan by its days: `until` is the day of return, which still belongs to it. */
export interface LoanDays {
  readonly from: string
  readonly until: string
}

/** When a desk is open, and how long a kit needs between two loans. */
export interface DeskDays {
  /** Whole days after the day of return in which nobody gets the kit: 0 … 60. */
  readonly turnaroundDays: number
  /** Monday 1 … Sunday 7 [ISO 8601]. */
  readonly openWeekdays: readonly number[]
  readonly closedDates?: readonly string[] | undefined
}

export interface FreeSlotsInput extends DeskDays {
  /** In any order; they may overlap. */
  readonly bookings: readonly LoanDays[]
  /** First day of pick-up and last day of return that are looked at: at most MOST_DAYS apart. */
  readonly from: string
  readonly until: string
  /** The day of return lies so many days after that of pick-up: a fortnight is 14. */
  readonly lengthDays: number
}

/** Two years: whoever looks further has mistyped. */
const MOST_DAYS = 740
const MOST_TURNAROUND_DAYS = 60
const MOST_LOAN_DAYS = 366

/** Days on which the desk hands out and takes back. @throws RangeError for weekdays or dates that are none */
export function openDays({
  openWeekdays,
  closedDates = [],
}: Omit<DeskDays, 'turnaroundDays'>): (day: number) => boolean {
  if (
    openWeekdays.length === 0 ||
    openWeekdays.some((weekday) => !Number.isInteger(weekday) || weekday < 1 || weekday > 7)
  )
    throw new RangeError(`openWeekdays must name one of 1 (Monday) to 7 at least; got ${openWeekdays.join(', ')}`)
  const weekdays = new Set(openWeekdays)
  const closed = new Set(closedDates.map(dayNumber))
  return (day) => weekdays.has(isoWeekday(day)) && !closed.has(day)
}

export interface DayNumberSpan {
  readonly from: number
  readonly until: number
}

/** @throws RangeError where the return lies before the pick-up */
export function spanOf({ from, until }: LoanDays): DayNumberSpan {
  const span = { from: dayNumber(from), until: dayNumber(until) }
  if (span.until < span.from) throw new RangeError(`until must not lie before from; got ${from} to ${until}`)
  return span
}

/** Whether two loans of one kit leave the days between them that it needs. */
export const leaveRoom = (a: DayNumberSpan, b: DayNumberSpan, turnaroundDays: number): boolean =>
  a.from > b.until + turnaroundDays || b.from > a.until + turnaroundDays

export function requireWhole(name: string, value: number, least: number, most: number): void {
  if (!Number.isInteger(value) || value < least || value > most)
    throw new RangeError(`${name} must be a whole number from ${least} to ${most}; got ${value}`)
}

/**
 * Every way to lend a kit for a given number of days within a stretch of time: pick-up and return fall on open days, and
 * to every booking before and after the turnaround is kept: pick-up ≥ earlier return + turnaroundDays + 1.
 * @returns slots by their day of pick-up
 * @throws RangeError for days that are none, lengths out of range or a stretch of more than two years
 * Common practice of lending desks, no source; checked against trying every pair of days.
 */
export function freeSlots(input: FreeSlotsInput): readonly LoanDays[] {
  const { turnaroundDays, lengthDays } = input
  requireWhole('turnaroundDays', turnaroundDays, 0, MOST_TURNAROUND_DAYS)
  requireWhole('lengthDays', lengthDays, 1, MOST_LOAN_DAYS)
  const window = spanOf(input)
  if (window.until - window.from > MOST_DAYS)
    throw new RangeError(`at most ${MOST_DAYS} days are looked at in one go`)
  const isOpen = openDays(input)
  const booked = input.bookings.map(spanOf).sort((a, b) => a.from - b.from)
  const slots: LoanDays[] = []
  let next = 0
  let freeFrom = -Infinity
  for (let from = window.from; from + lengthDays <= window.until; from++) {
    const until = from + lengthDays
    for (; (booked[next]?.from ?? Infinity) <= until + turnaroundDays; next++)
      freeFrom = Math.max(freeFrom, (booked[next]?.until ?? 0) + turnaroundDays + 1)
    if (from >= freeFrom && isOpen(from) && isOpen(until))
      slots.push({ from: dateOfDay(from), until: dateOfDay(until) })
  }
  return slots
}
