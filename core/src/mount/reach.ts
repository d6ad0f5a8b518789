import { degToRad } from '../shared/angles.ts'
import { requireFinite, requirePositive } from '../shared/require.ts'

/** From where somebody looks: the nearest of three heights of the eye, or a step where none comes near. */
export type Posture = 'standing' | 'seated' | 'kneeling' | 'step'

/** Heights of a grown person's eye above the ground, in mm; common practice, no source. */
export const EYE_HEIGHTS_MM = { standing: 1500, seated: 1150, kneeling: 850 } as const
/** A chin lifted, a toe stood on: what is higher than this above the standing eye wants a step. */
const STRETCH_MM = 100

export interface ReachInput {
  /** The altitude axis above the ground. */
  readonly pivotHeightMm: number
  /** Along the tube from the axis to where the eyepiece sticks out, + towards the sky. */
  readonly pivotToEyepieceMm: number
  /** The eyepiece's eye from the tube's axis. */
  readonly eyepieceOffsetMm: number
  /** Where about the tube it sticks out: 0 straight up, clockwise seen from behind. */
  readonly rollDeg: number
  /** −90 to 90. */
  readonly altitudeDeg: number
  readonly standingEyeMm?: number | undefined
  readonly seatedEyeMm?: number | undefined
  readonly kneelingEyeMm?: number | undefined
}

export interface Reach {
  readonly eyepieceHeightMm: number
  readonly posture: Posture
  /** The eyepiece above the eye in that posture; with a step above the standing eye. */
  readonly differenceMm: number
}

/** How high the eyepiece stands, and from where one looks into it.
 *
 * The tube turns about the altitude axis in an upright plane. Its length lifts the eyepiece by the sine of the altitude;
 * what sticks out sideways by the cosine of its roll and of the altitude. Among postures that are equally near the more
 * restful one wins: seated, standing, kneeling.
 * @throws RangeError where a figure isn't finite, a height isn't positive, or the altitude is past the zenith. Source: geometry */
export function mountReach(input: ReachInput): Reach {
  const { pivotHeightMm, pivotToEyepieceMm, eyepieceOffsetMm, rollDeg, altitudeDeg } = input
  const { standingEyeMm = EYE_HEIGHTS_MM.standing } = input
  const { seatedEyeMm = EYE_HEIGHTS_MM.seated, kneelingEyeMm = EYE_HEIGHTS_MM.kneeling } = input
  requireFinite({ pivotHeightMm, pivotToEyepieceMm, eyepieceOffsetMm, rollDeg, altitudeDeg })
  requirePositive({ pivotHeightMm, standingEyeMm, seatedEyeMm, kneelingEyeMm })
  if (Math.abs(altitudeDeg) > 90) throw new RangeError(`altitudeDeg must be −90 to 90; got ${altitudeDeg}`)
  const altitude = degToRad(altitudeDeg)
  const eyepieceHeightMm =
    pivotHeightMm +
    pivotToEyepieceMm * Math.sin(altitude) +
    eyepieceOffsetMm * Math.cos(degToRad(rollDeg)) * Math.cos(altitude)
  return { eyepieceHeightMm, ...postureAt(eyepieceHeightMm, { standingEyeMm, seatedEyeMm, kneelingEyeMm }) }
}

/** From where one looks into an eyepiece at some height above the ground. */
export function postureAt(
  eyepieceHeightMm: number,
  eyesMm: { readonly standingEyeMm: number; readonly seatedEyeMm: number; readonly kneelingEyeMm: number } = {
    standingEyeMm: EYE_HEIGHTS_MM.standing,
    seatedEyeMm: EYE_HEIGHTS_MM.seated,
    kneelingEyeMm: EYE_HEIGHTS_MM.kneeling,
  },
): Pick<Reach, 'posture' | 'differenceMm'> {
  const { standingEyeMm, seatedEyeMm, kneelingEyeMm } = eyesMm
  if (eyepieceHeightMm - standingEyeMm > STRETCH_MM)
    return { posture: 'step', differenceMm: eyepieceHeightMm - standingEyeMm }
  const eyes: readonly [Posture, number][] = [
    ['seated', seatedEyeMm],
    ['standing', standingEyeMm],
    ['kneeling', kneelingEyeMm],
  ]
  const [posture, eyeMm] = eyes.reduce((best, next) =>
    Math.abs(eyepieceHeightMm - next[1]) < Math.abs(eyepieceHeightMm - best[1]) ? next : best,
  )
  return { posture, differenceMm: eyepieceHeightMm - eyeMm }
}
