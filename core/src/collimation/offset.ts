import { degToRad, type PointXY } from '../shared/angles.ts'
import { requireFinite, requireNotNegative, requirePositive } from '../shared/require.ts'

const DEG_PER_CLOCK_HOUR = 30

/** The offset of the centre mark from the peephole's reflection, as a vector in the cell frame.
 *
 * Looking through the peephole with the tube's open end at 12 shows the same picture as the cell seen from behind
 * with the focuser's side up, unmirrored. So 12 o'clock is +x (the focuser's side), 3 o'clock +y (clockwise).
 * @param input lengthMm ≥ 0 on the primary; clockHours in (0, 12], direction of the mark seen from the reflection
 * @returns mm on the primary, cell frame. @throws RangeError outside these intervals. Source: docs/frames.md. */
export function offsetInCellFrame(input: { readonly lengthMm: number; readonly clockHours: number }): PointXY {
  const { lengthMm, clockHours } = input
  requireNotNegative({ lengthMm })
  if (!(clockHours > 0 && clockHours <= 12)) throw new RangeError(`clockHours must be in (0, 12]; got ${clockHours}`)
  const angleRad = degToRad(clockHours * DEG_PER_CLOCK_HOUR)
  return { x: lengthMm * Math.cos(angleRad), y: lengthMm * Math.sin(angleRad) }
}

export interface OffsetInput {
  readonly offsetAtPrimaryMm: PointXY
  readonly focalLengthMm: number
  readonly peepholeOutsideFocusMm?: number
  readonly secondaryErrorMm?: PointXY
}

/** Axis error h at the focal plane from the offset A seen at the primary.
 *
 * Derivation. With k = d/f, A = 2(h + (h + e)k)/(1 − k), so h = (A(1 − k) − 2ek)/(2(1 + k)); for d = 0, h = A/2: a
 * mirror tilted by h/f swings the reflection of the peephole by twice that angle, at distance f.
 * @param input offsetAtPrimaryMm = mark − reflection, mm; focalLengthMm of the primary itself (> 0);
 *   peepholeOutsideFocusMm d, + away from the secondary, |d| < f (default 0); secondaryErrorMm e (default none)
 * @returns h in mm, in the frame of the offset. @throws RangeError outside these intervals. Accuracy: small angles. */
export function axisErrorFromOffset(input: OffsetInput): PointXY {
  const { offsetAtPrimaryMm: offset, focalLengthMm, peepholeOutsideFocusMm = 0 } = input
  const secondary = input.secondaryErrorMm ?? { x: 0, y: 0 }
  requirePositive({ focalLengthMm })
  requireFinite({ offsetX: offset.x, offsetY: offset.y, peepholeOutsideFocusMm })
  if (Math.abs(peepholeOutsideFocusMm) >= focalLengthMm)
    throw new RangeError(
      `peepholeOutsideFocusMm must be shorter than the focal length; got ${peepholeOutsideFocusMm}`,
    )
  const k = peepholeOutsideFocusMm / focalLengthMm
  const along = (a: number, e: number) => (a * (1 - k) - 2 * e * k) / (2 * (1 + k))
  return { x: along(offset.x, secondary.x), y: along(offset.y, secondary.y) }
}
