import { zoneOffsetHours } from '../sky/zone-time.ts'
import type { GuideNight } from './nights.ts'

const HOUR_MS = 3_600_000
/** A night belongs to the date on which it began, until this hour of the morning. */
const NIGHT_ENDS_HOUR = 6

/** Which of a guide's nights it is now: the first before the loan, the last after it.
 * @param nights in the order of their dates
 * @returns its index; 0 where there are none */
export function nightNow(nights: readonly Pick<GuideNight, 'date'>[], zone: string, nowMs: number): number {
  const localMs = nowMs + (zoneOffsetHours(zone, nowMs) - NIGHT_ENDS_HOUR) * HOUR_MS
  const began = new Date(localMs).toISOString().slice(0, 10)
  return Math.max(nights.filter(({ date }) => date <= began).length - 1, 0)
}
