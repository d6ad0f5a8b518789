import { degToRad, radToArcmin, type PointXY } from '../shared/angles.ts'
import { requireFinite, requireNotNegative, requirePositive } from '../shared/require.ts'

const MM_PER_M = 1000
const HOURS_ON_A_DIAL = 12

/** What light goes through on its way to the eye. */
export type OpticalTrain = 'newtonian' | 'mirror-diagonal' | 'erecting-diagonal' | 'straight' | 'correct'

export interface Train {
  readonly train: OpticalTrain
  /** Where focuser or diagonal sticks out, degrees from up, clockwise, seen from behind. */
  readonly outDeg: number
}

/**
 * Directions in the sky from what an eye sees: how a thing that stands r right and u up in the view lies from the axis, right
 * and up, as the naked eye sees it from behind the tube.
 *
 * Up in the view is towards the tube's open end, wherever a focuser or a diagonal sticks out sideways; a hand before the open
 * end shows which side that is. Straight through, up is up.
 * @param seen x right, y up in the view, any unit. Exact geometry: an inversion by mirror or lens, and a fold at 45°
 */
export function fromView(seen: PointXY, { train, outDeg }: Train): PointXY {
  requireFinite({ x: seen.x, y: seen.y, outDeg })
  if (train === 'correct') return { x: seen.x, y: seen.y }
  if (train === 'straight') return { x: -seen.x + 0, y: -seen.y + 0 }
  const sin = Math.sin(degToRad(outDeg))
  const cos = Math.cos(degToRad(outDeg))
  // Up in the view lies along the way out, right in the view across it; a mirror alone turns one of them over.
  const up = train === 'newtonian' ? -seen.y : seen.y
  const right = train === 'erecting-diagonal' ? seen.x : -seen.x
  return { x: up * sin + right * cos, y: up * cos - right * sin }
}

/** The other way round: where a thing that lies so from the axis stands in the view. */
export function toView(lies: PointXY, train: Train): PointXY {
  const right = fromView({ x: 1, y: 0 }, train)
  const up = fromView({ x: 0, y: 1 }, train)
  // Both are unit vectors at right angles, so the inverse is the transpose.
  return { x: lies.x * right.x + lies.y * right.y, y: lies.x * up.x + lies.y * up.y }
}

/** How the finder must point beside a near thing, arcminutes right and up: nothing for a star. */
export function aimArcmin(offsetMm: PointXY, distanceM: number | null): PointXY {
  if (distanceM === null) return { x: 0, y: 0 }
  requirePositive({ distanceM })
  const towards = (mm: number) => radToArcmin(Math.atan2(mm, distanceM * MM_PER_M))
  return { x: towards(offsetMm.x), y: towards(offsetMm.y) }
}

export interface Misaligned {
  /** Finder − tube at infinity, arcminutes right (x) and up (y), as the naked eye sees. */
  readonly misalignmentArcmin: PointXY
  readonly uncertaintyArcmin: number
}

interface Target {
  readonly offsetMm: PointXY
  /** Null for a star. */
  readonly distanceM: number | null
  /** How well the distance is known, one half-width as a share of it. */
  readonly distanceDoubt?: number | undefined
}

/** An eye lays a dot to a few arcminutes, and a tenth of how far it stands off. Common practice, no source. */
const EYE_FLOOR_ARCMIN = 2
const EYE_SHARE = 0.1
/** A fraction of the field is told to a tenth of its half. Common practice, no source. */
const FIELD_SHARE = 0.1

/**
 * From the finder: the thing is in the middle of the eyepiece, and the dot or the cross stands beside it.
 * @param seenArcmin where dot or cross stands from the thing, x right, y up in the finder's own view
 */
export function fromFinder(seenArcmin: PointXY, finder: Train, target: Target): Misaligned {
  const lies = fromView(seenArcmin, finder)
  const floor = Math.hypot(EYE_FLOOR_ARCMIN, EYE_SHARE * Math.hypot(seenArcmin.x, seenArcmin.y))
  return against(lies, floor, target)
}

/**
 * From the eyepiece: the finder's dot or cross is on the thing, and the thing stands off the field's middle.
 * @param fraction of the field's half, 0 in the middle, 1 at the edge @param clockHours 12 towards the tube's open end (up,
 *   straight through)
 */
export function fromField(
  given: { readonly fraction: number; readonly clockHours: number; readonly trueFieldDeg: number },
  tube: Train,
  target: Target,
): Misaligned {
  const { fraction, clockHours, trueFieldDeg } = given
  requireNotNegative({ fraction })
  requirePositive({ trueFieldDeg })
  requireFinite({ clockHours })
  const half = (trueFieldDeg * 60) / 2
  const angle = (clockHours / HOURS_ON_A_DIAL) * 2 * Math.PI
  const seen = { x: fraction * half * Math.sin(angle), y: fraction * half * Math.cos(angle) }
  return against(fromView(seen, tube), FIELD_SHARE * half, target)
}

/** By marks on the finder's own scale; a mark is told to its half. */
export function fromScale(
  marks: PointXY,
  given: { readonly arcminPerMark: number },
  finder: Train,
  target: Target,
): Misaligned {
  const { arcminPerMark } = given
  requirePositive({ arcminPerMark })
  const seen = { x: marks.x * arcminPerMark, y: marks.y * arcminPerMark }
  return against(fromView(seen, finder), arcminPerMark / 2, target)
}

function against(
  lies: PointXY,
  readingDoubt: number,
  { offsetMm, distanceM, distanceDoubt = 0 }: Target,
): Misaligned {
  const aim = aimArcmin(offsetMm, distanceM)
  const fromDistance = Math.hypot(aim.x, aim.y) * distanceDoubt
  return {
    misalignmentArcmin: { x: lies.x - aim.x, y: lies.y - aim.y },
    uncertaintyArcmin: Math.hypot(readingDoubt, fromDistance),
  }
}
