import {
  AstroTime,
  BaryState,
  Body,
  Equator,
  Horizon,
  Illumination,
  MakeTime,
  Observer,
  RotateVector,
  RotationMatrix,
  Rotation_EQJ_EQD,
  SiderealTime,
  Vector,
} from 'astronomy-engine'
import { degToRad, radToDeg } from '../shared/angles.ts'
import { requireFinite } from '../shared/require.ts'
import { horizontalPlace, hourAngleHours, type HorizontalPlace } from './horizontal.ts'
import type { Star } from './stars.ts'

export { horizontalPlace, hourAngleHours, separationDeg, type HorizontalPlace } from './horizontal.ts'

/** Where things stand in the sky. The almanac (astronomy-engine, MIT) gives Earth, Sun, Moon, precession and nutation;
 * stars are carried along here, because its own list of stars is state that callers would share. */

/** Apparent place in the equator and equinox of date. */
export interface EquatorialOfDate {
  readonly raHours: number
  readonly decDeg: number
}

export interface PlaceOnEarth {
  /** In [−90, 90], north +. */
  readonly latitudeDeg: number
  /** East +, in [−180, 180]. */
  readonly longitudeDeg: number
}

export interface SkyMoment extends PlaceOnEarth {
  readonly atUtc: string
}

const DEG_PER_HOUR = 15
const HOURS_PER_TURN = 24
const MAS_PER_DEG = 3_600_000
const DAYS_PER_YEAR = 365.25
/** Speed of light in astronomical units a day. IAU 2012: 299 792 458 m/s, au 149 597 870 700 m. */
const LIGHT_AU_PER_DAY = 173.144_632_674

/** @throws RangeError naming the field */
export function requirePlace({ latitudeDeg, longitudeDeg }: PlaceOnEarth): void {
  requireFinite({ latitudeDeg, longitudeDeg })
  if (Math.abs(latitudeDeg) > 90) throw new RangeError(`latitudeDeg must lie between -90 and 90; got ${latitudeDeg}`)
  if (Math.abs(longitudeDeg) > 180)
    throw new RangeError(`longitudeDeg must lie between -180 and 180, east +; got ${longitudeDeg}`)
}

/** @throws RangeError for what is no instant, or lies outside the years for which the star list holds */
export function almanacTime(atUtc: string): AstroTime {
  const ms = Date.parse(atUtc)
  if (Number.isNaN(ms) || !/(Z|[+-]\d\d:?\d\d)$/.test(atUtc))
    throw new RangeError(`atUtc must be an ISO 8601 instant with Z or its offset; got ${atUtc}`)
  const year = new Date(ms).getUTCFullYear()
  if (year < 1900 || year > 2100) throw new RangeError(`atUtc must lie between 1900 and 2100; got ${atUtc}`)
  return MakeTime(new Date(ms))
}

/** What all stars share at one instant: the Earth's velocity, the equator of date, sidereal time. */
export interface SkyFrame {
  readonly time: AstroTime
  readonly earthAuPerDay: readonly [number, number, number]
  readonly equatorOfDate: RotationMatrix
  readonly siderealHours: number
}

export function skyFrame(time: AstroTime): SkyFrame {
  const { vx, vy, vz } = BaryState(Body.Earth, time)
  return {
    time,
    earthAuPerDay: [vx, vy, vz],
    equatorOfDate: Rotation_EQJ_EQD(time),
    siderealHours: SiderealTime(time),
  }
}

/** Apparent place of a star: proper motion, aberration, precession and nutation; parallax (under 1″) is left out.
 * Within 2″ of the second almanac in the tests, over 30 years.
 * Source: Meeus, Astronomical Algorithms, 2nd ed., ch. 23; vectors instead of its series. */
export function starOfDate(star: Star, { time, earthAuPerDay, equatorOfDate }: SkyFrame): EquatorialOfDate {
  const years = time.tt / DAYS_PER_YEAR
  const ra = degToRad(star.raJ2000Deg)
  const dec = degToRad(star.decJ2000Deg)
  const alongRa = degToRad(star.properMotionRaMas / MAS_PER_DEG) * years
  const alongDec = degToRad(star.properMotionDecMas / MAS_PER_DEG) * years
  const inward = Math.cos(dec) - alongDec * Math.sin(dec)
  const [vx, vy, vz] = earthAuPerDay
  const seen = new Vector(
    inward * Math.cos(ra) - alongRa * Math.sin(ra) + vx / LIGHT_AU_PER_DAY,
    inward * Math.sin(ra) + alongRa * Math.cos(ra) + vy / LIGHT_AU_PER_DAY,
    Math.sin(dec) + alongDec * Math.cos(dec) + vz / LIGHT_AU_PER_DAY,
    time,
  )
  const { x, y, z } = RotateVector(equatorOfDate, seen)
  const raHours = radToDeg(Math.atan2(y, x)) / DEG_PER_HOUR
  return { raHours: (raHours + HOURS_PER_TURN) % HOURS_PER_TURN, decDeg: radToDeg(Math.atan2(z, Math.hypot(x, y))) }
}

/** Where a star stands for one place and instant. */
export function starPlace(star: Star, frame: SkyFrame, { latitudeDeg, longitudeDeg }: PlaceOnEarth) {
  const { raHours, decDeg } = starOfDate(star, frame)
  const hours = hourAngleHours(raHours, frame.siderealHours, longitudeDeg)
  const place = horizontalPlace({ hourAngleHours: hours, decDeg, latitudeDeg })
  return { ...place, decDeg, raHours, hourAngleHours: hours }
}

/** Sun, Moon or planet as seen from the place, without refraction. */
export function bodyPlace(
  body: 'Sun' | 'Moon' | 'Mercury' | 'Venus' | 'Mars' | 'Jupiter' | 'Saturn',
  time: AstroTime,
  { latitudeDeg, longitudeDeg }: PlaceOnEarth,
): HorizontalPlace {
  const observer = new Observer(latitudeDeg, longitudeDeg, 0)
  const { ra, dec } = Equator(Body[body], time, observer, true, true)
  const { altitude, azimuth } = Horizon(time, observer, ra, dec)
  return { altitudeDeg: altitude, azimuthDeg: azimuth }
}

/** Lit share of the Moon's disc, 0 to 1. */
export const moonLitFraction = (time: AstroTime): number => Illumination(Body.Moon, time).phase_fraction
