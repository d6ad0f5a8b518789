/** Local times and zones, from the runtime's IANA data (Intl, part of the language). No clock: every instant is given. */

const MS_PER_MINUTE = 60_000
const MS_PER_HOUR = 60 * MS_PER_MINUTE
const MS_PER_DAY = 24 * MS_PER_HOUR

const formats = new Map<string, Intl.DateTimeFormat>()

/** @throws RangeError for a zone that IANA doesn't know */
function formatOf(zone: string): Intl.DateTimeFormat {
  const known = formats.get(zone)
  if (known) return known
  try {
    const made = new Intl.DateTimeFormat('en-US', {
      timeZone: zone,
      calendar: 'gregory',
      hourCycle: 'h23',
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: 'numeric',
      minute: 'numeric',
      second: 'numeric',
    })
    formats.set(zone, made)
    return made
  } catch {
    throw new RangeError(`zone must be an IANA name such as Europe/Paris; got ${zone}`)
  }
}

/** Hours by which a zone's clocks are ahead of UTC at an instant. */
export function zoneOffsetHours(zone: string, utcMs: number): number {
  const parts = Object.fromEntries(
    formatOf(zone)
      .formatToParts(utcMs)
      .map(({ type, value }) => [type, Number(value)]),
  )
  const { year = 0, month = 1, day = 1, hour = 0, minute = 0, second = 0 } = parts
  const localMs = Date.UTC(year, month - 1, day, hour, minute, second)
  return Math.round((localMs - Math.floor(utcMs / 1000) * 1000) / MS_PER_MINUTE) / 60
}

/** A wall clock's date and time as if it were UTC. @throws RangeError for what is no date */
export function localAsUtcMs(local: string): number {
  const match = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})(?::(\d{2}))?$/.exec(local)
  const [year = 0, month = 0, day = 0, hour = 0, minute = 0, second = 0] = (match ?? [])
    .slice(1)
    .map((text) => Number(text ?? 0))
  const ms = Date.UTC(year, month - 1, day, hour, minute, second)
  const date = new Date(ms)
  if (
    !match ||
    date.getUTCMonth() !== month - 1 ||
    date.getUTCDate() !== day ||
    hour > 23 ||
    minute > 59 ||
    second > 59
  )
    throw new RangeError(`local must be a date and time like 2026-04-17T22:00, without an offset; got ${local}`)
  return ms
}

/** Offsets under which a local time happens in its zone: one as a rule, none in the missing hour, two in the repeated one,
 * the earlier first. */
export function offsetsOfLocal(zone: string, local: string): readonly number[] {
  const localMs = localAsUtcMs(local)
  const around = [localMs - MS_PER_DAY, localMs, localMs + MS_PER_DAY].map((ms) => zoneOffsetHours(zone, ms))
  const possible = [...new Set(around)].filter(
    (hours) => zoneOffsetHours(zone, localMs - hours * MS_PER_HOUR) === hours,
  )
  return possible.sort((a, b) => b - a)
}

/** How far winter lies away at most: the longest summer time in use lasts about 240 days, so 300 reach over it. */
const SEASON_DAYS = 300
const SEASON_STEP_DAYS = 5

/** The zone's standard offset at an instant. Clocks are on summer time when they were behind before and will be again:
 * standard is the later of both lower offsets. A lasting change of the zone is no summer time. */
export function standardOffsetHours(zone: string, utcMs: number): number {
  const now = zoneOffsetHours(zone, utcMs)
  let before = now
  let after = now
  for (let days = SEASON_STEP_DAYS; days <= SEASON_DAYS; days += SEASON_STEP_DAYS) {
    before = Math.min(before, zoneOffsetHours(zone, utcMs - days * MS_PER_DAY))
    after = Math.min(after, zoneOffsetHours(zone, utcMs + days * MS_PER_DAY))
  }
  return Math.max(before, after)
}
