import { requirePositive } from '../shared/require.ts'

/** One way to look: an eyepiece, alone or behind what lengthens the focal length. */
export const chainName = (eyepieceName: string, barlowName: string | null): string =>
  barlowName === null ? eyepieceName : `${eyepieceName} + ${barlowName}`

/** Where one eyepiece, with what is before it, came to focus on the drawtube's scale. */
export interface FocusLook {
  readonly chain: string
  /** Null: it doesn't come to focus at all. */
  readonly drawtubeMm: number | null
  /** Focal length of the eyepiece, mm. */
  readonly eyepieceMm: number
}

export interface FocusTube {
  readonly focalLengthMm: number
  /** All the drawtube can do: fully in is 0. */
  readonly travelMm: number
  /** Distance of what was looked at; null for a star. */
  readonly distanceM: number | null
}

export interface FocusReach {
  readonly chain: string
  /** Drawtube reading for a star, mm; null where it isn't known. */
  readonly starMm: number | null
  /** Travel to spare towards either end, for a star; below 0 is lacking. */
  readonly spareInMm: number | null
  readonly spareOutMm: number | null
  /** Travel that eyes without their glasses need to either side. */
  readonly eyesMm: number
  readonly reaches: 'all-eyes' | 'good-eyes' | 'no'
  /** The nearest thing it still comes to focus on, m; null where it reaches no star either. */
  readonly nearestM: number | null
}

/** Three dioptres either way are most people's glasses. Common practice, no source. */
const EYES_DIOPTRES = 3
const MM_PER_M = 1000

/** How much further out the image of something near lies than that of a star, mm: f²/(D − f), by Newton's lens formula.
 * @throws RangeError where it lies within twice the focal length */
export function nearShiftMm(focalLengthMm: number, distanceM: number): number {
  requirePositive({ focalLengthMm, distanceM })
  const distanceMm = distanceM * MM_PER_M
  if (distanceMm <= 2 * focalLengthMm) throw new RangeError('distanceM must be more than twice the focal length')
  return focalLengthMm ** 2 / (distanceMm - focalLengthMm)
}

/** Which eyepieces come to focus, by how much travel, for whose eyes, and how near.
 *
 * A reading on something near is brought to a star's by f²/(D − f). An eye of ±d dioptres moves the eyepiece by d·f_e²/1000.
 * @throws RangeError for a reading outside the drawtube's scale. Source: geometrical optics */
export function focusReach(look: FocusLook, { focalLengthMm, travelMm, distanceM }: FocusTube): FocusReach {
  requirePositive({ focalLengthMm, travelMm, eyepieceMm: look.eyepieceMm })
  const { chain, drawtubeMm, eyepieceMm } = look
  const eyesMm = (EYES_DIOPTRES * eyepieceMm ** 2) / MM_PER_M
  if (drawtubeMm === null)
    return { chain, starMm: null, spareInMm: null, spareOutMm: null, eyesMm, reaches: 'no', nearestM: null }
  if (!(drawtubeMm >= 0 && drawtubeMm <= travelMm))
    throw new RangeError(`the drawtube’s scale goes from 0 to ${travelMm} mm; got ${drawtubeMm}`)
  const starMm = drawtubeMm - (distanceM === null ? 0 : nearShiftMm(focalLengthMm, distanceM))
  const spareInMm = starMm
  const spareOutMm = travelMm - starMm
  const least = Math.min(spareInMm, spareOutMm)
  const reaches = least >= eyesMm ? 'all-eyes' : least >= 0 ? 'good-eyes' : 'no'
  const nearestM =
    reaches === 'no' || spareOutMm <= 0 ? null : (focalLengthMm + focalLengthMm ** 2 / spareOutMm) / MM_PER_M
  return { chain, starMm, spareInMm, spareOutMm, eyesMm, reaches, nearestM }
}
