import { Body, Observer, SearchAltitude, SearchRiseSet, type AstroTime } from 'astronomy-engine'
import { almanacTime, bodyPlace, moonLitFraction, requirePlace, type PlaceOnEarth } from './positions.ts'
import { offsetsOfLocal } from './zone-time.ts'

export type NightState = 'normal' | 'never-dark' | 'always-dark'

export interface Night {
  /** The Sun's upper edge on a level horizon; null where it doesn't set or rise between both noons. */
  readonly sunsetUtc: string | null
  readonly sunriseUtc: string | null
  /** The Sun's middle 12° down. */
  readonly darkFromUtc: string | null
  readonly darkUntilUtc: string | null
  readonly moonriseUtc: string | null
  readonly moonsetUtc: string | null
  readonly state: NightState
  /** Lit share of the Moon at the midnight that ends the date. */
  readonly moonIlluminatedFraction: number
  /** Dark hours with the Moon down, or with less than a tenth of it lit. */
  readonly moonlessDarkHours: number
}

const DARK_DEG = -12
/** So thin it takes no star away. Common practice, no source. */
const THIN = 0.1
const MS_PER_HOUR = 3_600_000
const MS_PER_DAY = 24 * MS_PER_HOUR

/**
 * Sun and Moon from the local noon of a date to the next noon.
 *
 * *Never dark*: the Sun stays above −12° all the time; *always dark*: it stays below all the time. Darkness that began
 * before the first noon, or goes on past the second, has no beginning or end here.
 * @param input date as YYYY-MM-DD in `zone`, an IANA name; degrees, east +
 * @throws RangeError for places, dates or zones that are none
 * Rise and set with 34′ of refraction at the horizon, by the almanac's own search. */
export function skyNight(input: PlaceOnEarth & { readonly date: string; readonly zone: string }): Night {
  requirePlace(input)
  const noonMs = localMs(input.zone, input.date, 12)
  const nextNoonMs = localMs(input.zone, dayAfter(input.date), 12)
  const midnightMs = localMs(input.zone, dayAfter(input.date), 0)
  const observer = new Observer(input.latitudeDeg, input.longitudeDeg, 0)
  const start = almanacTime(iso(noonMs))
  const days = (nextNoonMs - noonMs) / MS_PER_DAY
  const within = (time: AstroTime | null) => {
    const ms = time?.date.getTime() ?? Infinity
    return ms >= noonMs && ms < nextNoonMs ? iso(Math.round(ms / 1000) * 1000) : null
  }
  const riseOrSet = (body: Body, direction: 1 | -1) => within(SearchRiseSet(body, observer, direction, start, days))
  const darkAt = (direction: 1 | -1) => within(SearchAltitude(Body.Sun, observer, direction, start, days, DARK_DEG))
  const darkFromUtc = darkAt(-1)
  const darkUntilUtc = darkAt(1)
  const isDark = (ms: number) => bodyPlace('Sun', almanacTime(iso(ms)), input).altitudeDeg < DARK_DEG
  const state =
    darkFromUtc === null && darkUntilUtc === null ? (isDark(noonMs) ? 'always-dark' : 'never-dark') : 'normal'
  const moonIlluminatedFraction = moonLitFraction(almanacTime(iso(midnightMs)))
  const found = {
    sunsetUtc: riseOrSet(Body.Sun, -1),
    sunriseUtc: riseOrSet(Body.Sun, 1),
    darkFromUtc,
    darkUntilUtc,
    moonriseUtc: riseOrSet(Body.Moon, 1),
    moonsetUtc: riseOrSet(Body.Moon, -1),
    state,
    moonIlluminatedFraction,
  } as const
  const span = { fromMs: noonMs, untilMs: nextNoonMs, thin: moonIlluminatedFraction < THIN }
  return { ...found, moonlessDarkHours: moonlessHours(input, found, span) }
}

const iso = (ms: number) => new Date(ms).toISOString()

export function dayAfter(date: string): string {
  const ms = Date.parse(`${date}T00:00:00Z`)
  if (!/^\d{4}-\d{2}-\d{2}$/.test(date) || Number.isNaN(ms) || !iso(ms).startsWith(date))
    throw new RangeError(`date must be a day like 2026-04-17; got ${date}`)
  return iso(ms + MS_PER_DAY).slice(0, 10)
}

/** An hour of a local date; one that the clocks skip happens when they go on. */
export function localMs(zone: string, date: string, hour: number): number {
  dayAfter(date)
  const local = `${date}T${String(hour).padStart(2, '0')}:00`
  const asUtcMs = Date.parse(`${local}:00Z`)
  const [offset] = offsetsOfLocal(zone, local)
  const later = offset ?? offsetsOfLocal(zone, `${date}T${String(hour + 1).padStart(2, '0')}:00`)[0] ?? 0
  return asUtcMs - later * MS_PER_HOUR
}

/** Dark hours less those in which the Moon is up, from the same risings and settings. */
function moonlessHours(
  place: PlaceOnEarth,
  night: Pick<Night, 'darkFromUtc' | 'darkUntilUtc' | 'moonriseUtc' | 'moonsetUtc' | 'state'>,
  { fromMs, untilMs, thin }: { readonly fromMs: number; readonly untilMs: number; readonly thin: boolean },
): number {
  if (night.state === 'never-dark') return 0
  const at = (utc: string | null, otherwise: number) => (utc === null ? otherwise : Date.parse(utc))
  const [darkFrom, darkUntil] = [at(night.darkFromUtc, fromMs), at(night.darkUntilUtc, untilMs)]
  // Where it doesn't get dark before the first noon's darkness ends, two stretches are dark: both ends of the night.
  const dark: readonly (readonly [number, number])[] =
    darkFrom <= darkUntil
      ? [[darkFrom, darkUntil]]
      : [
          [fromMs, darkUntil],
          [darkFrom, untilMs],
        ]
  const total = dark.reduce((sum, [from, until]) => sum + until - from, 0)
  if (thin) return total / MS_PER_HOUR
  const [rise, set] = [at(night.moonriseUtc, Infinity), at(night.moonsetUtc, Infinity)]
  // What sets first has been up; a Moon that neither rises nor sets is above or below all night, far from the edge.
  const stays = rise === set && bodyPlace('Moon', almanacTime(iso(fromMs)), place).altitudeDeg > 0
  const upAtStart = set < rise || stays
  const up: readonly (readonly [number, number])[] = upAtStart
    ? [[fromMs, Math.min(set, untilMs)], ...(rise > set && rise < untilMs ? [[rise, untilMs] as const] : [])]
    : rise < untilMs
      ? [[rise, set > rise ? Math.min(set, untilMs) : untilMs]]
      : []
  const shared = ([a, b]: readonly [number, number], [c, d]: readonly [number, number]) =>
    Math.max(0, Math.min(b, d) - Math.max(a, c))
  const lit = dark.reduce((sum, span) => sum + up.reduce((more, each) => more + shared(span, each), 0), 0)
  return (total - lit) / MS_PER_HOUR
}
