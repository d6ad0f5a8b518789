import { directionFromUpDeg, lengthOf, radToArcmin, type PointXY } from '../shared/angles.ts'
import { requireFinite, requirePositive } from '../shared/require.ts'

const MM_PER_M = 1000

export interface ParallaxInput {
  readonly offsetMm: PointXY
  readonly distanceM: number
}

export interface Parallax {
  readonly angleArcmin: number
  readonly directionDeg: number
  readonly aimOffsetMm: PointXY
}

/** How a finder beside the tube must aim at a near landmark so that both point alike at the stars.
 *
 * Two parallel lines r apart stay r apart: the finder's line passes the landmark r beside the spot in the eyepiece,
 * on the finder's own side, at any distance. A finder put *on* the spot errs by atan(r/d) the opposite way.
 * @param input offsetMm of the finder from the tube's axis, x right, y up, seen from behind; distanceM > 0
 * @returns the angle in arcminutes; direction from the spot to where the finder's line must pass, degrees from up,
 *   clockwise, as the naked eye sees, in [0, 360); the place at the landmark in mm
 * @throws RangeError for a distance that is not positive. Exact geometry. */
export function finderParallax({ offsetMm, distanceM }: ParallaxInput): Parallax {
  requirePositive({ distanceM })
  requireFinite({ offsetX: offsetMm.x, offsetY: offsetMm.y })
  return {
    angleArcmin: radToArcmin(Math.atan2(lengthOf(offsetMm), distanceM * MM_PER_M)),
    directionDeg: directionFromUpDeg(offsetMm),
    aimOffsetMm: { x: offsetMm.x, y: offsetMm.y },
  }
}

/** Misalignment for the stars, read at a landmark that stands in the middle of the eyepiece.
 * @param input offsetMm as above; seenMm = where the finder's dot or cross stands at the landmark, from the spot in
 *   the eyepiece's centre, x right, y up, mm; distanceM > 0
 * @returns arcminutes by which the finder points right (x) and up (y) of the tube, and their length. Exact to
 *   second order (under 0.1 % up to 2°). @throws RangeError for a distance that is not positive. */
export function misalignmentAtLandmark(input: ParallaxInput & { readonly seenMm: PointXY }): {
  readonly misalignmentArcmin: PointXY
  readonly lengthArcmin: number
} {
  const { offsetMm, seenMm, distanceM } = input
  requirePositive({ distanceM })
  requireFinite({ offsetX: offsetMm.x, offsetY: offsetMm.y, seenX: seenMm.x, seenY: seenMm.y })
  const distanceMm = distanceM * MM_PER_M
  const towards = (seen: number, aim: number) => radToArcmin(Math.atan2(seen - aim, distanceMm))
  const misalignmentArcmin = { x: towards(seenMm.x, offsetMm.x), y: towards(seenMm.y, offsetMm.y) }
  return { misalignmentArcmin, lengthArcmin: lengthOf(misalignmentArcmin) }
}
