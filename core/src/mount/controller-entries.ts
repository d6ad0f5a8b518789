import { localAsUtcMs, offsetsOfLocal, standardOffsetHours } from '../sky/zone-time.ts'
import { requirePlace, type PlaceOnEarth } from '../sky/positions.ts'

export interface ControllerInput extends PlaceOnEarth {
  /** IANA name. */
  readonly zone: string
  /** What the clock on the wall says: 2026-04-17T22:00, without an offset. */
  readonly local: string
  /** Which one, where a clock shows the same time twice. */
  readonly occurrence?: 'earlier' | 'later' | undefined
}

export interface Dms {
  readonly degrees: number
  readonly minutes: number
  readonly seconds: number
  readonly hemisphere: 'N' | 'S' | 'E' | 'W'
}

export interface ControllerEntries {
  readonly date: string
  readonly time24: string
  readonly time12: string
  /** What controllers call the time zone: without daylight saving, negative west. */
  readonly standardOffsetHours: number
  readonly daylightSaving: boolean
  readonly latitudeDms: Dms
  readonly longitudeDms: Dms
  readonly atUtc: string
  readonly note: string | null
}

export type ControllerAnswer =
  | ControllerEntries
  | { readonly ambiguous: readonly { readonly utcOffsetHours: number }[] }
  | { readonly reason: 'NO_SUCH_TIME' }

const MS_PER_HOUR = 3_600_000

/** What to key into a hand controller: it asks for *standard* time zone and daylight saving apart.
 *
 * standardOffsetHours + (daylightSaving ? 1 : 0) is always the offset in force. Where clocks shift by other than an hour
 * no controller can be told so: then daylightSaving is false, the full offset stands in its place, and a note says it.
 * @returns the entries; or both offsets where the local time happens twice and no `occurrence` is given; or NO_SUCH_TIME
 *   for one that clocks skip
 * @throws RangeError for an unknown zone, an unreadable time, a place off the Earth. Source: IANA data of the runtime */
export function controllerEntries(input: ControllerInput): ControllerAnswer {
  requirePlace(input)
  const offsets = offsetsOfLocal(input.zone, input.local)
  if (offsets.length === 0) return { reason: 'NO_SUCH_TIME' }
  if (offsets.length > 1 && input.occurrence === undefined)
    return { ambiguous: offsets.map((utcOffsetHours) => ({ utcOffsetHours })) }
  const inForce = (input.occurrence === 'later' ? offsets.at(-1) : offsets[0]) ?? 0
  const localMs = localAsUtcMs(input.local)
  const utcMs = localMs - inForce * MS_PER_HOUR
  const shiftHours = inForce - standardOffsetHours(input.zone, utcMs)
  const oddShift = shiftHours !== 0 && shiftHours !== 1
  const [date = '', time24 = ''] = new Date(localMs).toISOString().slice(0, 19).split('T')
  return {
    date,
    time24,
    time12: in12Hours(time24),
    standardOffsetHours: shiftHours === 1 ? inForce - 1 : inForce,
    daylightSaving: shiftHours === 1,
    latitudeDms: degreesMinutesSeconds(input.latitudeDeg, ['N', 'S']),
    longitudeDms: degreesMinutesSeconds(input.longitudeDeg, ['E', 'W']),
    atUtc: new Date(utcMs).toISOString(),
    note: oddShift
      ? `Clocks here are ${shiftHours * 60} minutes ahead of standard time; controllers know only an hour. Key in the full offset and answer no to daylight saving.`
      : null,
  }
}

function in12Hours(time24: string): string {
  const hour = Number(time24.slice(0, 2))
  return `${String(hour % 12 || 12).padStart(2, '0')}${time24.slice(2)} ${hour < 12 ? 'AM' : 'PM'}`
}

/** To the nearest second, carried over: 59.9996° is 60° 0′ 0″. */
export function degreesMinutesSeconds(
  deg: number,
  [plus, minus]: readonly [Dms['hemisphere'], Dms['hemisphere']],
): Dms {
  const seconds = Math.round(Math.abs(deg) * 3600)
  return {
    degrees: Math.floor(seconds / 3600),
    minutes: Math.floor(seconds / 60) % 60,
    seconds: seconds % 60,
    hemisphere: deg < 0 && seconds > 0 ? minus : plus,
  }
}
