import { Body, EquatorFromVector, GeoVector, RotateVector, Rotation_EQJ_EQD } from 'astronomy-engine'
import { degToRad, radToDeg } from '../shared/angles.ts'
import { horizontalPlace, hourAngleHours, type HorizontalPlace } from './horizontal.ts'
import { almanacTime, type PlaceOnEarth } from './positions.ts'

/** Where a body stands among the stars, and how far away it is. */
export interface DriftPlace {
  readonly raHours: number
  readonly decDeg: number
  readonly distanceKm: number
}

const KM_PER_AU = 149_597_870.7
/** The Earth's equatorial radius [IAU 1976]. */
const EARTH_RADIUS_KM = 6378.14
const HOURS_PER_TURN = 24

/** A body's way among the stars over some hours, straight between its two ends: an almanac asked twice instead of at every
 * moment. Over 18 hours the Sun is right to 0.001°, over 8 the Moon to 0.01°.
 * @param fromMs, untilMs epoch milliseconds, fromMs < untilMs */
export function drift(
  body: 'Sun' | 'Moon' | 'Venus' | 'Mars' | 'Jupiter' | 'Saturn',
  fromMs: number,
  untilMs: number,
): { at(ms: number): DriftPlace } {
  const end = (ms: number): DriftPlace => {
    const time = almanacTime(new Date(ms).toISOString())
    const { ra, dec, dist } = EquatorFromVector(
      RotateVector(Rotation_EQJ_EQD(time), GeoVector(Body[body], time, true)),
    )
    return { raHours: ra, decDeg: dec, distanceKm: dist * KM_PER_AU }
  }
  const [a, b] = [end(fromMs), end(untilMs)]
  // The short way round, also where right ascension begins anew.
  const turn = ((b.raHours - a.raHours + HOURS_PER_TURN * 1.5) % HOURS_PER_TURN) - HOURS_PER_TURN / 2
  return {
    at(ms) {
      const share = (ms - fromMs) / (untilMs - fromMs)
      return {
        raHours: (a.raHours + turn * share + HOURS_PER_TURN) % HOURS_PER_TURN,
        decDeg: a.decDeg + (b.decDeg - a.decDeg) * share,
        distanceKm: a.distanceKm + (b.distanceKm - a.distanceKm) * share,
      }
    },
  }
}

/** For an observer on the ground: near bodies stand a little lower than from the Earth's middle. Without refraction.
 * Source: parallax in altitude, Meeus ch. 40, for a round Earth. */
export function seenFromGround(
  { raHours, decDeg, distanceKm }: DriftPlace,
  siderealHours: number,
  { latitudeDeg, longitudeDeg }: PlaceOnEarth,
): HorizontalPlace {
  const place = horizontalPlace({
    hourAngleHours: hourAngleHours(raHours, siderealHours, longitudeDeg),
    decDeg,
    latitudeDeg,
  })
  const parallax = Math.asin((EARTH_RADIUS_KM / distanceKm) * Math.cos(degToRad(place.altitudeDeg)))
  return { ...place, altitudeDeg: place.altitudeDeg - radToDeg(parallax) }
}
