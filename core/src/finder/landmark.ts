import { degToRad, radToDeg } from '../shared/angles.ts'
import { requireFinite, requirePositive } from '../shared/require.ts'
import { requirePlace, type PlaceOnEarth } from '../sky/positions.ts'

/** How a landmark's distance was come by, and with it how well it is known. */
export const landmarkSources = ['typed', 'coordinates', 'paced', 'phone'] as const
export type LandmarkSource = (typeof landmarkSources)[number]

/** Half-widths as shares of the distance. Common practice, no source. */
const doubts: Readonly<Record<LandmarkSource, number>> = { typed: 0.05, coordinates: 0.02, paced: 0.1, phone: 0.15 }
export const distanceDoubt = (source: LandmarkSource): number => doubts[source]

/** Nearer ones are no landmarks: a sheet on a wall does better. */
export const NEAREST_LANDMARK_M = 5
const LONGEST_PACE_M = 1.3
const SHORTEST_PACE_M = 0.4

/** WGS 84 [NIMA TR8350.2]. */
const EQUATOR_M = 6_378_137
const FLATTENING = 1 / 298.257223563
const E2 = FLATTENING * (2 - FLATTENING)

export interface PlaceAt extends PlaceOnEarth {
  readonly heightM?: number | null | undefined
}

function geocentric({ latitudeDeg, longitudeDeg, heightM }: PlaceAt) {
  const [latitude, longitude] = [degToRad(latitudeDeg), degToRad(longitudeDeg)]
  const height = heightM ?? 0
  const normal = EQUATOR_M / Math.sqrt(1 - E2 * Math.sin(latitude) ** 2)
  return {
    x: (normal + height) * Math.cos(latitude) * Math.cos(longitude),
    y: (normal + height) * Math.cos(latitude) * Math.sin(longitude),
    z: (normal * (1 - E2) + height) * Math.sin(latitude),
  }
}

/**
 * How far, in which direction and how high a thing stands, in a straight line through the air, on the ellipsoid.
 * @param thing without a height: as high as the place
 * @returns distance in m, bearing from true north through east in [0, 360), height angle without refraction
 * @throws RangeError for places off the Earth or one and the same. Exact vectors; WGS 84 */
export function distanceAndBearing(place: PlaceAt, thing: PlaceAt) {
  requirePlace(place)
  requirePlace(thing)
  const from = geocentric(place)
  const to = geocentric({ ...thing, heightM: thing.heightM ?? place.heightM })
  const [dx, dy, dz] = [to.x - from.x, to.y - from.y, to.z - from.z]
  const [latitude, longitude] = [degToRad(place.latitudeDeg), degToRad(place.longitudeDeg)]
  const east = -Math.sin(longitude) * dx + Math.cos(longitude) * dy
  const north =
    -Math.sin(latitude) * Math.cos(longitude) * dx -
    Math.sin(latitude) * Math.sin(longitude) * dy +
    Math.cos(latitude) * dz
  const up =
    Math.cos(latitude) * Math.cos(longitude) * dx +
    Math.cos(latitude) * Math.sin(longitude) * dy +
    Math.sin(latitude) * dz
  const distanceM = Math.hypot(east, north, up)
  if (distanceM < 0.01) throw new RangeError('the thing stands at the place itself: check both coordinates')
  return {
    distanceM,
    // What is a hair west of north is north: 0, not 360 less a hair.
    bearingDeg: (Math.round((radToDeg(Math.atan2(east, north)) + 360) * 1e9) / 1e9) % 360,
    heightDeg: radToDeg(Math.atan2(up, Math.hypot(east, north))),
  }
}

/** The other way: where on the Earth a thing so far away stands, on the local plane; good to centimetres within 5 km. */
export function placeAt(
  place: PlaceAt,
  { distanceM, bearingDeg }: { readonly distanceM: number; readonly bearingDeg: number },
): PlaceOnEarth {
  requirePlace(place)
  requirePositive({ distanceM })
  requireFinite({ bearingDeg })
  const latitude = degToRad(place.latitudeDeg)
  const root = 1 - E2 * Math.sin(latitude) ** 2
  const meridianM = (EQUATOR_M * (1 - E2)) / root ** 1.5
  const normalM = EQUATOR_M / Math.sqrt(root)
  const bearing = degToRad(bearingDeg)
  const north = distanceM * Math.cos(bearing)
  const middle = latitude + north / meridianM / 2
  const east = (distanceM * Math.sin(bearing)) / (normalM * Math.max(Math.cos(middle), 1e-9))
  return {
    latitudeDeg: place.latitudeDeg + radToDeg(north / meridianM),
    longitudeDeg: place.longitudeDeg + radToDeg(east),
  }
}

/** A distance in paces. @throws RangeError for paces that nobody takes */
export function pacedM(paces: number, paceM: number): number {
  requirePositive({ paces })
  if (!(paceM >= SHORTEST_PACE_M && paceM <= LONGEST_PACE_M))
    throw new RangeError(`paceM must lie between ${SHORTEST_PACE_M} and ${LONGEST_PACE_M}; got ${paceM}`)
  return paces * paceM
}
