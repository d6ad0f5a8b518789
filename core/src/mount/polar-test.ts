import { degToRad, radToDeg } from '../shared/angles.ts'
import { requireNotNegative, requirePositive } from '../shared/require.ts'
import { polarDrift } from './polar-drift.ts'

/** Where the star of a drift test stands: high near the meridian, or low in the east or the west. */
export const driftPlaces = ['meridian', 'east', 'west'] as const
export type DriftPlace = (typeof driftPlaces)[number]

/** One star watched near the celestial equator, its drift towards the north positive. */
export interface DriftWatch {
  readonly at: DriftPlace
  readonly northArcmin: number
  readonly minutes: number
}

/** Where the axis points beside the pole of its half of the Earth. */
export interface PolarError {
  /** + too high; null where no star low in the east or west was watched. */
  readonly altitudeArcmin: number | null
  /** On the sky, + too far east; null where no star near the meridian was watched. */
  readonly eastArcmin: number | null
  /** Whole error, as far as it is known. */
  readonly lengthArcmin: number
}

/** Minutes of arc that the sky turns in a minute of time for each minute of arc that the axis is off. */
const perMinute = () => polarDrift({ errorDeg: 1 }).maxDeclinationDriftArcminPerHour / 60 / 60

/** What drifting stars tell of the axis.
 *
 * A mount turns about its own pole P′, the sky about P. A star then drifts in declination at ω times the part of P P′ that
 * lies square to the star's own meridian. Near the meridian that is the part east–west: in the north a star drifts south
 * where the axis points too far east. Six hours to the east it is the part up–down: it drifts south where the axis is too low;
 * to the west the other way round. South of the equator the axis points to the other pole, and north and south change places.
 * @param input watches of stars within about 15° of the equator; latitudeDeg south −
 * @throws RangeError for watches without time, at the equator, or none. Source: geometry, small angles */
export function polarErrorFromDrift(input: {
  readonly watches: readonly DriftWatch[]
  readonly latitudeDeg: number
}): PolarError {
  const { watches, latitudeDeg } = input
  if (watches.length === 0) throw new RangeError('watch one star at least')
  if (latitudeDeg === 0)
    throw new RangeError('at the equator the axis lies on the horizon: latitudeDeg must not be 0')
  const hemisphere = Math.sign(latitudeDeg)
  const rate = perMinute()
  const partOf = ({ northArcmin, minutes }: DriftWatch) => {
    requirePositive({ minutes })
    return northArcmin / (rate * minutes)
  }
  const mean = (found: readonly number[]) =>
    found.length === 0 ? null : found.reduce((sum, each) => sum + each, 0) / found.length
  const high = watches.filter(({ at }) => at === 'meridian').map((watch) => -hemisphere * partOf(watch))
  const low = watches
    .filter(({ at }) => at !== 'meridian')
    .map((watch) => (watch.at === 'east' ? 1 : -1) * hemisphere * partOf(watch))
  const eastArcmin = mean(high)
  const altitudeArcmin = mean(low)
  return { altitudeArcmin, eastArcmin, lengthArcmin: Math.hypot(eastArcmin ?? 0, altitudeArcmin ?? 0) }
}

/** How far the head has to be turned about the upright for its axis to move so far on the sky, minutes of arc. */
export const azimuthTurnArcmin = (eastArcmin: number, latitudeDeg: number): number =>
  eastArcmin / Math.cos(degToRad(latitudeDeg))

/** Longest exposure before the worst star runs further than a blur at the focal plane, seconds; ∞ for a perfect axis.
 * @param input blurMm what nobody sees in the picture. Source: geometry */
export function longestExposureS(input: {
  readonly errorArcmin: number
  readonly focalLengthMm: number
  readonly blurMm: number
}): number {
  const { errorArcmin, focalLengthMm, blurMm } = input
  requireNotNegative({ errorArcmin })
  requirePositive({ focalLengthMm, blurMm })
  const blurArcmin = radToDeg(blurMm / focalLengthMm) * 60
  return errorArcmin === 0 ? Infinity : (blurArcmin / (perMinute() * errorArcmin)) * 60
}
