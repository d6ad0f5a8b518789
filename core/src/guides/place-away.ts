import { requirePlace, type PlaceOnEarth } from '../sky/positions.ts'
import { roundedPlace } from './nights.ts'

const EARTH_RADIUS_KM = 6371
const RAD = Math.PI / 180

/** Within this the sky's hours and heights are the same to a minute and half a degree: a guide needs no other place. */
export const SAME_SKY_KM = 40

/** A place so far away in a direction, no finer than a town (0.1°), along the great circle on a round Earth.
 * @param km 0 to 20 000; @param bearingDeg from north through east
 * @throws RangeError for what is no place or distance */
export function placeAway(from: PlaceOnEarth, km: number, bearingDeg: number): PlaceOnEarth {
  requirePlace(from)
  if (!(km >= 0 && km <= 20_000)) throw new RangeError(`km must be 0 to 20000; got ${km}`)
  if (!Number.isFinite(bearingDeg)) throw new RangeError(`bearingDeg must be a number; got ${bearingDeg}`)
  const [latitude, longitude] = [from.latitudeDeg * RAD, from.longitudeDeg * RAD]
  const [arc, bearing] = [km / EARTH_RADIUS_KM, bearingDeg * RAD]
  const sine = Math.sin(latitude) * Math.cos(arc) + Math.cos(latitude) * Math.sin(arc) * Math.cos(bearing)
  const there = Math.asin(Math.min(Math.max(sine, -1), 1))
  const turned = Math.atan2(
    Math.sin(bearing) * Math.sin(arc) * Math.cos(latitude),
    Math.cos(arc) - Math.sin(latitude) * sine,
  )
  const east = (longitude + turned) / RAD
  return roundedPlace({ latitudeDeg: there / RAD, longitudeDeg: ((east + 540) % 360) - 180 })
}
