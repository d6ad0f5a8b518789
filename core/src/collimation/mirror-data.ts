import { degToRad } from '../shared/angles.ts'
import type { PeepholeTube } from './peephole-view.ts'
import type { PrimaryCell } from './screws.ts'

/** What a model's mirrors, cell and cap measure, as far as lining up needs it. Lengths in mm. */
export interface MirrorData {
  /** A lens in the drawtube makes the focal length: it comes out before anything is lined up. */
  readonly correctorLens: boolean
  /** Null where the primary can't be adjusted by a user, or nobody measured its cell. */
  readonly cell: {
    readonly screws: readonly { readonly name: string; readonly angleDeg: number }[]
    readonly circleRadiusMm: number
    readonly pitchMm: number
    readonly clockwise: 'towards-sky' | 'away-from-sky'
    readonly locks: boolean
  } | null
  readonly holder: {
    readonly screws: readonly { readonly name: string; readonly angleDeg: number }[]
    readonly circleRadiusMm: number
    readonly pitchMm: number
    readonly clockwise: 'towards-primary' | 'away-from-primary'
  } | null
  readonly secondary: {
    readonly minorAxisMm: number
    readonly offsetMm: number
    readonly toFocusMm: number
    readonly vanes: number
  }
  /** Null: the primary has no centre mark. */
  readonly mark: { readonly outerDiameterMm: number; readonly innerDiameterMm: number } | null
  /** Ring of the cap's inner side that shows bright, and its hole. */
  readonly cap: { readonly ringDiameterMm: number; readonly holeDiameterMm: number }
  readonly drawtube: { readonly innerDiameterMm: number; readonly endToFocusMm: number }
  readonly clips: number
}

/** ISO 261/262 coarse and the inch threads met on cells: name and pitch, mm. */
export const cellThreads: readonly { readonly name: string; readonly pitchMm: number }[] = [
  { name: 'M3', pitchMm: 0.5 },
  { name: 'M4', pitchMm: 0.7 },
  { name: 'M5', pitchMm: 0.8 },
  { name: 'M6', pitchMm: 1 },
  { name: '8-32', pitchMm: 25.4 / 32 },
  { name: '10-32', pitchMm: 25.4 / 32 },
  { name: '1/4-20', pitchMm: 25.4 / 20 },
]

/** The tube as the peephole view draws it. */
export function peepholeTubeOf(
  mirror: MirrorData,
  optics: {
    readonly apertureMm: number
    readonly primaryFocalLengthMm: number
    readonly peepholeOutsideFocusMm: number
  },
): PeepholeTube {
  const { secondary, drawtube, cap, mark, cell } = mirror
  const firstScrew = cell?.screws[0]?.angleDeg ?? 0
  return {
    apertureMm: optics.apertureMm,
    focalLengthMm: optics.primaryFocalLengthMm,
    secondaryMinorAxisMm: secondary.minorAxisMm,
    secondaryOffsetMm: secondary.offsetMm,
    secondaryToFocusMm: secondary.toFocusMm,
    peepholeOutsideFocusMm: optics.peepholeOutsideFocusMm,
    drawtubeInnerDiameterMm: drawtube.innerDiameterMm,
    drawtubeEndToFocusMm: drawtube.endToFocusMm,
    capRingDiameterMm: cap.ringDiameterMm,
    peepholeDiameterMm: cap.holeDiameterMm,
    markOuterDiameterMm: mark?.outerDiameterMm ?? 0,
    markInnerDiameterMm: mark?.innerDiameterMm ?? 0,
    tubeInnerDiameterMm: optics.apertureMm * 1.16,
    vanes: { count: secondary.vanes, firstAngleDeg: 0, thicknessMm: 1 },
    clips: { count: mirror.clips, firstAngleDeg: firstScrew + 60, lengthMm: 3.5, widthMm: 9 },
  }
}

/** The primary's cell as the turns are reckoned with; null without one. */
export const primaryCellOf = (mirror: MirrorData, primaryFocalLengthMm: number): PrimaryCell | null =>
  mirror.cell && {
    focalLengthMm: primaryFocalLengthMm,
    screws: mirror.cell.screws,
    circleRadiusMm: mirror.cell.circleRadiusMm,
    pitchMm: mirror.cell.pitchMm,
    clockwise: mirror.cell.clockwise,
  }

/** What measuring a picture through the peephole needs of a tube; what its mirrors don't tell is left out. */
export const photoSizesOf = (
  mirror: MirrorData | null,
  optics: {
    readonly apertureMm: number
    readonly primaryFocalLengthMm: number
    readonly peepholeOutsideFocusMm: number
  },
) => ({
  apertureMm: optics.apertureMm,
  focalLengthMm: optics.primaryFocalLengthMm,
  peepholeOutsideFocusMm: optics.peepholeOutsideFocusMm,
  ...(mirror && {
    capRingDiameterMm: mirror.cap.ringDiameterMm,
    drawtubeInnerDiameterMm: mirror.drawtube.innerDiameterMm,
    secondaryMinorAxisMm: mirror.secondary.minorAxisMm,
    ...(mirror.mark && { markOuterDiameterMm: mirror.mark.outerDiameterMm }),
  }),
})

/** What measuring a star out of focus needs of a tube. */
export const starSizesOf = (
  mirror: MirrorData | null,
  optics: { readonly apertureMm: number; readonly primaryFocalLengthMm: number },
) => ({
  apertureMm: optics.apertureMm,
  focalLengthMm: optics.primaryFocalLengthMm,
  ...(mirror && {
    secondaryMinorAxisMm: mirror.secondary.minorAxisMm,
    secondaryOffsetMm: mirror.secondary.offsetMm,
  }),
})

/** A vector of the cell's frame as it shows in the view with the open end up: x right, y down. */
export const inView = ({ x, y }: { readonly x: number; readonly y: number }) => ({ x: y + 0, y: -x + 0 })

/** How far off the edge of the hole's reflection a mark stands, for eyes without a photo. */
export const eyePlaces = ['middle', 'inside', 'on-edge', 'beside'] as const
export type EyePlace = (typeof eyePlaces)[number]

/** Offset on the primary that a coarse look stands for, in units of the mark's radius, and its doubt: eyes tell a quarter of
 * the mark from its half, no finer. Common practice, no source. */
const eyeOffsets: Readonly<Record<EyePlace, { readonly radii: number; readonly doubtRadii: number }>> = {
  middle: { radii: 0, doubtRadii: 0.25 },
  inside: { radii: 0.5, doubtRadii: 0.3 },
  'on-edge': { radii: 1, doubtRadii: 0.4 },
  beside: { radii: 2, doubtRadii: 1 },
}

/** @returns offset and half-width of its doubt, mm on the primary */
export function eyeOffsetMm(place: EyePlace, markOuterDiameterMm: number) {
  const { radii, doubtRadii } = eyeOffsets[place]
  const radius = markOuterDiameterMm / 2
  return { offsetMm: radii * radius, doubtMm: doubtRadii * radius }
}

/** Where a direction of the cell's frame lies on a clock, open end at 12, seen from behind. */
export const screwPlace = (angleDeg: number, radius: number) => ({
  x: radius * Math.sin(degToRad(angleDeg)),
  y: -radius * Math.cos(degToRad(angleDeg)),
})
