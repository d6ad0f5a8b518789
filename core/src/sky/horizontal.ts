import { degToRad, radToDeg } from '../shared/angles.ts'

/** Directions over the horizon: plain geometry, without an almanac. */

/** Without refraction; azimuth from north through east in [0, 360). */
export interface HorizontalPlace {
  readonly altitudeDeg: number
  readonly azimuthDeg: number
}

const DEG_PER_HOUR = 15
const HOURS_PER_TURN = 24

/** Local hour angle in hours, in [0, 24). */
export function hourAngleHours(raHours: number, siderealHours: number, longitudeDeg: number): number {
  const hours = siderealHours + longitudeDeg / DEG_PER_HOUR - raHours
  return ((hours % HOURS_PER_TURN) + HOURS_PER_TURN) % HOURS_PER_TURN
}

/** Altitude and azimuth from hour angle and declination. Source: Meeus, ch. 13, azimuth turned to begin at north. */
export function horizontalPlace(given: {
  readonly hourAngleHours: number
  readonly decDeg: number
  readonly latitudeDeg: number
}): HorizontalPlace {
  const hour = degToRad(given.hourAngleHours * DEG_PER_HOUR)
  const dec = degToRad(given.decDeg)
  const latitude = degToRad(given.latitudeDeg)
  const south = Math.cos(hour) * Math.cos(dec) * Math.sin(latitude) - Math.sin(dec) * Math.cos(latitude)
  const west = Math.sin(hour) * Math.cos(dec)
  const up = Math.sin(latitude) * Math.sin(dec) + Math.cos(latitude) * Math.cos(dec) * Math.cos(hour)
  const azimuthDeg = radToDeg(Math.atan2(-west, -south))
  return { altitudeDeg: radToDeg(Math.atan2(up, Math.hypot(south, west))), azimuthDeg: (azimuthDeg + 360) % 360 }
}

/** Angle between two directions in the sky, in degrees [0, 180]. Vectors, so that small and large angles are exact. */
export function separationDeg(a: HorizontalPlace, b: HorizontalPlace): number {
  const [u, v] = [unit(a), unit(b)]
  const cross = Math.hypot(u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0])
  return radToDeg(Math.atan2(cross, u[0] * v[0] + u[1] * v[1] + u[2] * v[2]))
}

/** A direction of a circle in the sky, and how far round from its middle it lies, in degrees (−180, 180]. */
export interface AroundPlace {
  readonly altitudeDeg: number
  readonly azimuthFromCentreDeg: number
}

const CIRCLE_STEPS = 72

/**
 * All directions at one distance from another, closed. Azimuths are counted from the middle, so that a drawing may cut the
 * horizon open anywhere. Source: spherical triangle zenith, middle, point.
 * @param radiusDeg in (0, 180)
 */
export function circleAbout(centre: HorizontalPlace, radiusDeg: number): readonly AroundPlace[] {
  const [altitude, radius] = [degToRad(centre.altitudeDeg), degToRad(radiusDeg)]
  return Array.from({ length: CIRCLE_STEPS + 1 }, (_, step) => {
    const around = (step / CIRCLE_STEPS) * 2 * Math.PI
    const sinAltitude =
      Math.sin(altitude) * Math.cos(radius) + Math.cos(altitude) * Math.sin(radius) * Math.cos(around)
    const turn = Math.atan2(
      Math.sin(around) * Math.sin(radius) * Math.cos(altitude),
      Math.cos(radius) - Math.sin(altitude) * sinAltitude,
    )
    return { altitudeDeg: radToDeg(Math.asin(sinAltitude)), azimuthFromCentreDeg: radToDeg(turn) }
  })
}

function unit({ altitudeDeg, azimuthDeg }: HorizontalPlace): readonly [number, number, number] {
  const [altitude, azimuth] = [degToRad(altitudeDeg), degToRad(azimuthDeg)]
  return [Math.cos(altitude) * Math.cos(azimuth), Math.cos(altitude) * Math.sin(azimuth), Math.sin(altitude)]
}
