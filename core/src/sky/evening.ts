import { MoonPhase } from 'astronomy-engine'
import { dayAfter, localMs, skyNight, type NightState } from './night.ts'
import { almanacTime, bodyPlace, type PlaceOnEarth } from './positions.ts'
import { planets } from './planet-targets.ts'

export type Planet = (typeof planets)[number]

/** A night as a column is drawn from it: everything in hours after the local noon of its date, null where it doesn't
 * happen before the next noon. */
export interface Evening {
  readonly date: string
  readonly state: NightState
  readonly moonlessDarkHours: number
  /** At the midnight that ends the date, 0 … 1. */
  readonly moonLit: number
  readonly moonWaxing: boolean
  readonly sunsetH: number | null
  readonly sunriseH: number | null
  readonly darkFromH: number | null
  readonly darkUntilH: number | null
  readonly moonriseH: number | null
  readonly moonsetH: number | null
  readonly moonUpAtNoon: boolean
  /** Planets 15° up or more when it has just become dark, or at ten where it doesn't become dark. */
  readonly planets: readonly Planet[]
}

const MS_PER_HOUR = 3_600_000
const UP_DEG = 15
const JUST_DARK_H = 0.5
const TEN_IN_THE_EVENING_H = 10

/**
 * Sun, Moon, darkness and planets of the night that begins on a date.
 * @throws RangeError for places, dates or zones that are none
 * Rise, set and darkness as `sky.night`; places of the planets by the same almanac.
 */
export function skyEvening(input: PlaceOnEarth & { readonly date: string; readonly zone: string }): Evening {
  const night = skyNight(input)
  const noonMs = localMs(input.zone, input.date, 12)
  const midnight = almanacTime(new Date(localMs(input.zone, dayAfter(input.date), 0)).toISOString())
  const hours = (utc: string | null) => (utc === null ? null : (Date.parse(utc) - noonMs) / MS_PER_HOUR)
  const darkFromH = hours(night.darkFromUtc)
  const lookMs = noonMs + (darkFromH === null ? TEN_IN_THE_EVENING_H : darkFromH + JUST_DARK_H) * MS_PER_HOUR
  const noon = almanacTime(new Date(noonMs).toISOString())
  return {
    date: input.date,
    state: night.state,
    moonlessDarkHours: night.moonlessDarkHours,
    moonLit: night.moonIlluminatedFraction,
    moonWaxing: MoonPhase(midnight) < 180,
    sunsetH: hours(night.sunsetUtc),
    sunriseH: hours(night.sunriseUtc),
    darkFromH,
    darkUntilH: hours(night.darkUntilUtc),
    moonriseH: hours(night.moonriseUtc),
    moonsetH: hours(night.moonsetUtc),
    moonUpAtNoon: bodyPlace('Moon', noon, input).altitudeDeg > 0,
    planets: planetsUp(input, new Date(lookMs).toISOString()),
  }
}

function planetsUp(place: PlaceOnEarth, atUtc: string): Planet[] {
  const time = almanacTime(atUtc)
  return planets.filter((planet) => bodyPlace(planet, time, place).altitudeDeg >= UP_DEG)
}

/** Whether the Moon is above the horizon so many hours after the local noon. */
export function moonIsUp(
  { moonriseH, moonsetH, moonUpAtNoon }: Pick<Evening, 'moonriseH' | 'moonsetH' | 'moonUpAtNoon'>,
  hours: number,
): boolean {
  const [rise, set] = [moonriseH ?? Infinity, moonsetH ?? Infinity]
  if (moonUpAtNoon) return hours < set || (rise > set && hours >= rise)
  return hours >= rise && (hours < set || set < rise)
}
