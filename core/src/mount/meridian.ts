import { degToRad, radToDeg } from '../shared/angles.ts'
import { requireFinite } from '../shared/require.ts'
import { sideOfMount, type TubeSide } from './side.ts'

/** A sidereal hour in hours of the clock. Source: IERS, 86 164.1 s of 86 400 s */
const CLOCK_HOURS_PER_SIDEREAL = 0.99727
const DEG_PER_HOUR = 15
/** Further ahead nobody plans an evening. Common practice, no source. */
const SOON_HOURS = 2

export interface OnTheHead {
  /** On which side of its stand the tube hangs while it looks there. */
  readonly tubeSide: TubeSide
  /** Hours of the clock until it stands on the meridian and the tube has to change sides; null where that isn't soon. */
  readonly crossesInHours: number | null
}

/** Which side of an equatorial head the tube is on for something in the sky, and when it crosses.
 * @param input latitudeDeg within ±90; altitudeDeg and azimuthDeg from north through east, without refraction
 * @throws RangeError for figures that are none. Source: Meeus, ch. 13, turned round; DOMAIN section 6 */
export function onTheHead(input: {
  readonly latitudeDeg: number
  readonly altitudeDeg: number
  readonly azimuthDeg: number
}): OnTheHead {
  requireFinite(input)
  const [latitude, altitude, azimuth] = [input.latitudeDeg, input.altitudeDeg, input.azimuthDeg].map(degToRad) as [
    number,
    number,
    number,
  ]
  const west = -Math.sin(azimuth) * Math.cos(altitude)
  const south = -Math.cos(azimuth) * Math.cos(altitude)
  const up = Math.sin(altitude)
  // Towards the meridian point of the equator, which stands 90° − latitude above the south.
  const towards = south * Math.sin(latitude) + up * Math.cos(latitude)
  const hourAngleHours = radToDeg(Math.atan2(west, towards)) / DEG_PER_HOUR
  const { tubeSide } = sideOfMount({ latitudeDeg: input.latitudeDeg, hourAngleHours })
  const isSoon = hourAngleHours < 0 && -hourAngleHours <= SOON_HOURS
  return { tubeSide, crossesInHours: isSoon ? -hourAngleHours * CLOCK_HOURS_PER_SIDEREAL : null }
}
