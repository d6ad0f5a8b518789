import type { Condition } from '../readiness/condition.ts'
import type { DayNumberSpan } from './free-slots.ts'

export const clashCodes = ['late', 'turnaround', 'bench', 'held', 'overlap', 'closed'] as const
export type ClashCode = (typeof clashCodes)[number]

export interface Clash {
  readonly code: ClashCode
  /** The first day on which the kit can be there; null where nobody can say, or where its own day is to be changed. */
  readonly readyOn: number | null
}

/** A promise and all that is known of its kit, in day numbers. */
export interface PromiseFacts extends DayNumberSpan {
  readonly today: number
  /** The loan it is out on, if it is out. */
  readonly out: (DayNumberSpan & { readonly turnaroundDays: number }) | null
  /** Other promises of the same kit. */
  readonly others: readonly (DayNumberSpan & { readonly turnaroundDays: number })[]
  readonly turnaroundDays: number
  readonly condition: Condition
  /** Whether it is the kit's next promise: what is held now is asked about for that one only. */
  readonly isNext: boolean
  /** Whether the branch hands out on the day of pick-up, and takes back on that of return. */
  readonly onOpenDays: boolean
}

/**
 * Why a promise can't be kept as things stand, the worst first; null where it can.
 *
 * A kit that is late is expected today at the earliest. One that stands at the bench is expected to be ready when it has
 * had the days that its model usually needs, from today on. What is held has no day: its next promise is told, later ones
 * may well be kept.
 */
export function promiseClash(facts: PromiseFacts): Clash | null {
  const { from, until, today, out, others, turnaroundDays, condition, onOpenDays, isNext } = facts
  if (out) {
    const isLate = out.until < today
    const readyOn = (isLate ? today : out.until) + out.turnaroundDays + 1
    if (from < readyOn) return { code: isLate ? 'late' : 'turnaround', readyOn }
  } else if (condition === 'new' && isNext) return { code: 'held', readyOn: null }
  else if (condition === 'crescent') {
    const readyOn = today + turnaroundDays
    if (from < readyOn) return { code: 'bench', readyOn }
  }
  const first = others.find(
    (other) => other.from <= until + turnaroundDays && from <= other.until + other.turnaroundDays,
  )
  if (first) return { code: 'overlap', readyOn: first.until + first.turnaroundDays + 1 }
  return onOpenDays ? null : { code: 'closed', readyOn: null }
}
