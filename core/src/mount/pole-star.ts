import { almanacTime, requirePlace, skyFrame, starPlace, type SkyMoment } from '../sky/positions.ts'
import { polaris, sigmaOctantis } from '../sky/stars.ts'

export interface PoleStar {
  readonly star: string
  /** In [0, 24). */
  readonly hourAngleHours: number
  /** Without refraction. */
  readonly altitudeDeg: number
  readonly azimuthDeg: number
  /** From the pole it belongs to. */
  readonly polarDistanceDeg: number
  /** Where it stands on a ring round the pole as the eye sees it, 12 above the pole, in [0, 12). */
  readonly ringClock: number
  readonly magnitude: number
}

/** Where the pole's star stands on its ring: Polaris north of the equator and on it, Sigma Octantis south of it.
 *
 * Looking north the sky turns against the clock, so hour angle H stands at (12 − H/2) mod 12; looking south with it: H/2.
 * @param input latitude in [−90, 90], longitude in [−180, 180] east +, an instant between 1900 and 2100
 * @returns the position of date: in 2026 Polaris stands 0.62° from the pole, Sigma Octantis 1.16°
 * @throws RangeError naming the field. Source: DOMAIN section 6; places as in `starOfDate` */
export function poleStar(input: SkyMoment): PoleStar {
  requirePlace(input)
  const north = input.latitudeDeg >= 0
  const star = north ? polaris : sigmaOctantis
  const { altitudeDeg, azimuthDeg, decDeg, hourAngleHours } = starPlace(
    star,
    skyFrame(almanacTime(input.atUtc)),
    input,
  )
  return {
    star: star.name,
    hourAngleHours,
    altitudeDeg,
    azimuthDeg,
    polarDistanceDeg: 90 - Math.abs(decDeg),
    ringClock: north ? (12 - hourAngleHours / 2) % 12 : (hourAngleHours / 2) % 12,
    magnitude: star.magnitude,
  }
}
