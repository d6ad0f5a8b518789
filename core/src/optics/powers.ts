import { opticalView, type View } from './view.ts'

/** A part that makes or changes a power. A zoom is given by its longest and shortest focal length. */
export interface OpticalPart {
  readonly name: string
  readonly focalLengthMm?: number | undefined
  readonly shortestFocalLengthMm?: number | undefined
  readonly apparentFieldDeg?: number | undefined
  /** Apparent field at a zoom's shortest focal length. */
  readonly apparentFieldAtShortestDeg?: number | undefined
  readonly fieldStopMm?: number | undefined
  readonly barlow?: number | undefined
  /** 31.75 (1¼ inch) or 50.8 (2 inch); left out, 31.75. */
  readonly barrelMm?: number | undefined
}

export interface Tube {
  readonly apertureMm: number
  readonly focalLengthMm: number
}

export interface Power extends View {
  readonly eyepieceName: string
  readonly eyepieceMm: number
  /** 1¼ inch where the part doesn't say. */
  readonly barrelMm: number
  readonly barlowName: string | null
  readonly barlow: number
  /** The one to start with: no Barlow, lowest power. */
  readonly start: boolean
}

/** Every power that a kit's own eyepieces and Barlows give, lowest first.
 * @param tube mm; @param parts only those with a focal length or a Barlow factor count
 * @returns views as `opticalView`; exactly one of them is marked as the start if there is any eyepiece */
export function powersOf(tube: Tube, parts: readonly OpticalPart[]): readonly Power[] {
  const barlows = [null, ...parts.filter((part) => part.barlow !== undefined)]
  const powers = parts.flatMap(focalLengths).flatMap((eyepiece) =>
    barlows.map((barlowPart) => {
      const barlow = barlowPart?.barlow ?? 1
      const { name, barrelMm, ...optics } = eyepiece
      const view = opticalView({ ...tube, ...optics, barlow })
      return {
        ...view,
        eyepieceName: name,
        eyepieceMm: eyepiece.eyepieceMm,
        barrelMm,
        barlowName: barlowPart?.name ?? null,
        barlow,
      }
    }),
  )
  const sorted = powers.sort((a, b) => a.magnification - b.magnification)
  const startIndex = sorted.findIndex((power) => power.barlowName === null)
  return sorted.map((power, index) => ({ ...power, start: index === startIndex }))
}

/** 1¼ inch. */
const NARROW_BARREL_MM = 31.75
/** 2 inches, less what a rule reads short. */
export const WIDE_BARREL_FROM_MM = 50

function focalLengths(part: OpticalPart) {
  if (part.focalLengthMm === undefined) return []
  const { name, apparentFieldDeg, fieldStopMm, barrelMm = NARROW_BARREL_MM } = part
  const longest = { name, barrelMm, eyepieceMm: part.focalLengthMm, apparentFieldDeg, fieldStopMm }
  if (part.shortestFocalLengthMm === undefined) return [longest]
  // A zoom's field stop differs along its range; only the apparent fields are known at both ends.
  const shortest = {
    name,
    barrelMm,
    eyepieceMm: part.shortestFocalLengthMm,
    apparentFieldDeg: part.apparentFieldAtShortestDeg ?? apparentFieldDeg,
    fieldStopMm: undefined,
  }
  return [longest, shortest]
}

/** The highest power the case gives; 0 where there is no eyepiece. Decides whether a mirror's error will be noticed. */
export const highestMagnification = (powers: readonly Power[]): number => powers.at(-1)?.magnification ?? 0

/** True field of the lowest power; falls back to 50° of apparent field where none is known. */
export function lowestPowerFieldDeg(powers: readonly Power[]): number | null {
  const start = powers.find((power) => power.start)
  if (!start) return null
  return start.trueFieldDeg ?? ASSUMED_APPARENT_FIELD_DEG / start.magnification
}

/** Simple eyepieces show about 50°. Common practice, no source. */
const ASSUMED_APPARENT_FIELD_DEG = 50
