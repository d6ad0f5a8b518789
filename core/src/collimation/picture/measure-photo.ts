import type { PointXY } from '../../shared/angles.ts'
import { requireFinite, requirePositive } from '../../shared/require.ts'
import { collimationQuality } from '../quality.ts'
import type { FoundCircles } from './circles.ts'
import { figuresFromCircles, type PhotoFigures } from './figures.ts'
import { findCircles } from './find-circles.ts'
import type { Picture } from './planes.ts'
import type { Rim } from './rim.ts'

export interface MeasurePhotoInput {
  readonly image: Picture
  readonly apertureMm: number
  /** The *primary's* own. */
  readonly focalLengthMm: number
  readonly peepholeOutsideFocusMm?: number | undefined
  readonly openEndDeg?: number | undefined
  readonly mirrored?: boolean | undefined
  readonly markOuterDiameterMm?: number | undefined
  readonly capRingDiameterMm?: number | undefined
  readonly drawtubeInnerDiameterMm?: number | undefined
  readonly secondaryMinorAxisMm?: number | undefined
}

export interface SeenCircle {
  readonly xPx: number
  readonly yPx: number
  readonly radiusPx: number
  /** 0 to 1: how much of it was seen, how clearly, and how round. */
  readonly confidence: number
}

export type PhotoRefusal = 'too-dark' | 'no-contrast' | 'no-primary' | 'no-reflection' | 'too-little-seen'
export type PhotoWarning =
  | 'no-mark'
  | 'mark-off-centre'
  | 'primary-partly-hidden'
  | 'soft'
  | 'noisy'
  | 'small'
  | 'no-drawtube'
  | 'open-end-unknown'
  | 'too-near-limit'
  | 'faint-cap'

export interface MeasuredPhoto extends PhotoFigures {
  readonly primaryEdge: SeenCircle | null
  readonly secondaryEdge: SeenCircle | null
  readonly drawtube: SeenCircle | null
  readonly centreMark: SeenCircle | null
  readonly capRing: SeenCircle | null
  readonly peepholeReflection: SeenCircle | null
  readonly confidence: number
  readonly refused: PhotoRefusal | null
  readonly warnings: readonly PhotoWarning[]
  /** Good, usable or poor; *unsure* where a limit lies inside the doubt. */
  readonly verdict: 'good' | 'usable' | 'poor' | 'unsure' | null
  readonly limitMm: number
}

/** Darkest and flattest picture that is looked at; below, only the sensor's own noise is there. */
const LEAST_RANGE = 0.06
/** Share of the primary's edge that must be seen: less, and with it the scale, and no centre without a mark. */
const LEAST_EDGE = { withMark: 0.3, withoutMark: 0.5 }
/** Centre of a fitted edge as the mark's stand-in: perspective and a cell that hides one side, mm per mm of aperture. */
const STAND_IN_SHARE = 0.003
/** A mark farther off the edge's centre than this share of the radius is told, and doubted. */
const MARK_OFF_SHARE = 0.035
/** A mark that explains this share of the ground's unevenness is plain to see all the way round. */
const PLAIN_MARK_SHARE = 0.75
/** Jaggedness that a fit's own spread doesn't know of, px of the measured picture. */
const SYSTEMATIC_PX = 0.25
/** A mirror smaller than this in the picture: edges run together, and a fit's spread doesn't tell. By the scenes of
 * `testing/peephole-sweep`. */
const SMALL_MIRROR = { radiusPx: 60, doubts: 1.6 } as const
/** A reflection of the cap seen less clearly than this may be another ring, and nothing is judged by it. By the same. */
const LEAST_CAP_CONFIDENCE = 0.45

/**
 * Measures a phone's picture through the peephole: finds the circles, and says what they mean, how surely, or why not.
 *
 * @param input `image` upright (its EXIF turn undone); lengths in mm, `focalLengthMm` the primary's own; `openEndDeg`
 *   clockwise from up in the picture; `mirrored` for a picture that a front camera turned over
 * @returns circles in px of the picture; figures in the picture's frame, and in the cell's where `openEndDeg` is given.
 *   Where `refused` is not null the figures are zero and mean nothing; what was found is given all the same, so that a hand
 *   can go on from there
 * @throws RangeError for sizes out of range or bytes that are no picture
 * Accuracy: axis error within 0.25 mm of the truth on clear pictures, limited by a lens beside the hole's middle */
export function measurePhoto(
  input: MeasurePhotoInput,
  onProgress: (fraction: number) => void = () => undefined,
): MeasuredPhoto {
  const { image, apertureMm, focalLengthMm, peepholeOutsideFocusMm = 0 } = input
  requirePositive({ apertureMm, focalLengthMm })
  requireFinite({ peepholeOutsideFocusMm })
  if (Math.abs(peepholeOutsideFocusMm) >= focalLengthMm)
    throw new RangeError(
      `peepholeOutsideFocusMm must be shorter than the focal length; got ${peepholeOutsideFocusMm}`,
    )
  const found = findCircles(
    image,
    {
      apertureMm,
      focalLengthMm,
      peepholeOutsideFocusMm,
      markOuterDiameterMm: input.markOuterDiameterMm ?? null,
      capRingDiameterMm: input.capRingDiameterMm ?? null,
      drawtubeInnerDiameterMm: input.drawtubeInnerDiameterMm ?? null,
      secondaryMinorAxisMm: input.secondaryMinorAxisMm ?? null,
    },
    onProgress,
  )
  const { limitMm } = collimationQuality({ apertureMm, focalLengthMm, axisErrorMm: 0 })
  const refused = refusalOf(found)
  const seen = seenCircles(found)
  if (refused) return { ...seen, ...nothing, confidence: 0, refused, warnings: [], verdict: null, limitMm }
  const primaryEdge = found.primaryEdge as Rim
  const reflection = (found.capRing ?? found.peepholeReflection) as Rim
  const mmPerPx = apertureMm / 2 / primaryEdge.r
  const figures = figuresFromCircles(
    { primaryEdge, centreMark: found.centreMark, reflection, drawtube: found.drawtube },
    {
      widthPx: image.widthPx,
      heightPx: image.heightPx,
      apertureMm,
      focalLengthMm,
      peepholeOutsideFocusMm,
      openEndDeg: input.openEndDeg ?? null,
      mirrored: input.mirrored ?? false,
    },
    {
      markPx: found.centreMark
        ? Math.hypot(
            found.centreMark.centreSigma,
            SYSTEMATIC_PX * found.reducedBy,
            markDoubtPx(found.centreMark, primaryEdge),
          )
        : Math.hypot(primaryEdge.centreSigma, (STAND_IN_SHARE * apertureMm) / mmPerPx),
      reflectionPx: Math.hypot(reflection.centreSigma, reflection.rms * 0.25, SYSTEMATIC_PX * found.reducedBy),
      drawtubePx: found.drawtube ? Math.hypot(found.drawtube.centreSigma, 1) : 0,
    },
  )
  const axisErrorLength = Math.hypot(figures.axisErrorMm.x, figures.axisErrorMm.y)
  const faintCap = confidenceOf(reflection, found) < LEAST_CAP_CONFIDENCE
  const axisErrorUncertaintyMm = Math.max(
    figures.axisErrorUncertaintyMm * (primaryEdge.r < SMALL_MIRROR.radiusPx ? SMALL_MIRROR.doubts : 1),
    rivalDoubtMm(found, figures, input),
    // Perhaps another ring altogether: both sides of the limit stay open.
    faintCap ? axisErrorLength + limitMm : 0,
  )
  const verdict = verdictWithDoubt({
    axisErrorMm: axisErrorLength,
    uncertaintyMm: axisErrorUncertaintyMm,
    limitMm,
  })
  const parts = [seen.primaryEdge, seen.capRing ?? seen.peepholeReflection, seen.centreMark]
  return {
    ...seen,
    ...figures,
    axisErrorUncertaintyMm,
    confidence: Math.min(...parts.map((circle) => circle?.confidence ?? 0.4)),
    refused: null,
    warnings: warningsOf(found, input, { unsure: verdict === 'unsure', faintCap }),
    verdict,
    limitMm,
  }
}

/** How far the answer would lie away if a rival reading of the picture were the right one. */
function rivalDoubtMm(found: FoundCircles, { axisErrorMm }: PhotoFigures, input: MeasurePhotoInput): number {
  const { image, apertureMm, focalLengthMm, peepholeOutsideFocusMm = 0, mirrored = false } = input
  const geometry = {
    ...{ widthPx: image.widthPx, heightPx: image.heightPx, apertureMm, focalLengthMm, peepholeOutsideFocusMm },
    ...{ openEndDeg: null, mirrored },
  }
  const away = found.rivals.map(({ primaryEdge, capRing, centreMark }) => {
    const laid = { primaryEdge, reflection: capRing, centreMark: centreMark ?? found.centreMark, drawtube: null }
    const its = figuresFromCircles(laid, geometry, { markPx: 0, reflectionPx: 0, drawtubePx: 0 }).axisErrorMm
    return Math.hypot(its.x - axisErrorMm.x, its.y - axisErrorMm.y)
  })
  return Math.max(0, ...away)
}

/** A mark far off the middle is stuck on badly, or is some speck; half of the way to the middle says which may be wrong. */
const markDoubtPx = (mark: Rim, primaryEdge: Rim): number => {
  const off = Math.hypot(mark.x - primaryEdge.x, mark.y - primaryEdge.y)
  const misplaced = off > MARK_OFF_SHARE * primaryEdge.r ? off / 2 : 0
  // A white mark on a white cap shows half of its rim: the other half may be anywhere.
  const unseen = mark.r * Math.max(0, PLAIN_MARK_SHARE - mark.coverage)
  return Math.hypot(misplaced, unseen)
}

/** A verdict that is honest about its doubt: *unsure* as long as the limit lies inside it. */
export function verdictWithDoubt(given: {
  readonly axisErrorMm: number
  readonly uncertaintyMm: number
  readonly limitMm: number
}): 'good' | 'usable' | 'poor' | 'unsure' {
  const { axisErrorMm, uncertaintyMm, limitMm } = given
  if (Math.abs(axisErrorMm - limitMm) < uncertaintyMm) return 'unsure'
  if (axisErrorMm > limitMm) return 'poor'
  return axisErrorMm <= limitMm / 2 ? 'good' : 'usable'
}

const zero: PointXY = { x: 0, y: 0 }
const nothing: PhotoFigures = {
  offsetAtPrimaryMm: zero,
  axisErrorMm: zero,
  axisErrorUncertaintyMm: 0,
  secondaryErrorMm: null,
  secondaryUncertaintyMm: null,
  cell: null,
}

function refusalOf(found: FoundCircles): PhotoRefusal | null {
  if (found.range < LEAST_RANGE) return found.brightest < 0.15 ? 'too-dark' : 'no-contrast'
  const { primaryEdge, capRing, peepholeReflection, centreMark } = found
  if (!primaryEdge || primaryEdge.coverage < LEAST_EDGE.withMark) return 'no-primary'
  if (!centreMark && primaryEdge.coverage < LEAST_EDGE.withoutMark) return 'too-little-seen'
  if (!capRing && !peepholeReflection) return 'no-reflection'
  // A ring in a ring is anybody's picture; a view through a peephole has at least two of the three seen well.
  const well = [primaryEdge, capRing, centreMark].filter((rim) => rim && rim.coverage > 0.6).length
  return well < 2 ? 'no-primary' : null
}

function warningsOf(
  found: FoundCircles,
  input: MeasurePhotoInput,
  { unsure, faintCap }: { readonly unsure: boolean; readonly faintCap: boolean },
): PhotoWarning[] {
  const { primaryEdge, capRing, centreMark, drawtube, noise, reducedBy } = found
  const warnings: PhotoWarning[] = []
  if (!centreMark) warnings.push('no-mark')
  if (primaryEdge && primaryEdge.coverage < 0.6) warnings.push('primary-partly-hidden')
  if (primaryEdge && primaryEdge.r < 90) warnings.push('small')
  if (primaryEdge && centreMark) {
    const off = Math.hypot(centreMark.x - primaryEdge.x, centreMark.y - primaryEdge.y)
    if (off > MARK_OFF_SHARE * primaryEdge.r) warnings.push('mark-off-centre')
  }
  if (noise > 0.015) warnings.push('noisy')
  if (capRing && capRing.rms > 1.2 * reducedBy) warnings.push('soft')
  if (!drawtube) warnings.push('no-drawtube')
  if (input.openEndDeg === undefined) warnings.push('open-end-unknown')
  if (faintCap) warnings.push('faint-cap')
  else if (unsure) warnings.push('too-near-limit')
  return warnings
}

type Seen = Pick<
  MeasuredPhoto,
  'primaryEdge' | 'secondaryEdge' | 'drawtube' | 'centreMark' | 'capRing' | 'peepholeReflection'
>

function seenCircles(found: FoundCircles): Seen {
  const seen = (rim: Rim | null): SeenCircle | null =>
    rim && {
      xPx: rim.x,
      yPx: rim.y,
      radiusPx: rim.r,
      confidence: confidenceOf(rim, found),
    }
  return {
    primaryEdge: seen(found.primaryEdge),
    secondaryEdge: seen(found.secondaryEdge),
    drawtube: seen(found.drawtube),
    centreMark: seen(found.centreMark),
    capRing: seen(found.capRing),
    peepholeReflection: seen(found.peepholeReflection),
  }
}

function confidenceOf(rim: Rim, { noise, reducedBy }: FoundCircles): number {
  const clear = 1 - Math.exp(-rim.contrast / (0.05 + 3 * noise))
  const round = 1 / (1 + (rim.rms / reducedBy / 1.5) ** 2)
  return Math.min(1, rim.coverage) * clear * round
}
