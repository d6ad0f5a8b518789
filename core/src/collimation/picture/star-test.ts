import { VISUAL_WAVELENGTH_NM } from '../../optics/view.ts'
import { degToRad, type PointXY } from '../../shared/angles.ts'
import { requireFinite, requirePositive } from '../../shared/require.ts'
import type { Circle } from './circle-fit.ts'
import { readStar, type StarCircle, type StarRefusal, type StarTestInput, type StarWarning } from './read-star.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { abs, cos, hypot, min, sin } = Math

export interface StarTested {
  readonly disc: StarCircle | null
  readonly shadow: StarCircle | null
  /** Centre of the dark middle − centre of the disc, as a share of the disc's radius; picture frame. Both sides: their mean. */
  readonly offsetFraction: PointXY
  readonly staticOffsetFraction: PointXY | null
  readonly comaWaves: number | null
  readonly axisErrorMm: number | null
  readonly confidence: number
  readonly refused: StarRefusal | null
  readonly warnings: readonly StarWarning[]
}

/** One side alone: from half to nearly three times the truth. Both: a fifth. Common practice for the latter, no source. */
export const STAR_DOUBT_SHARE = { one: 0.6, both: 0.2 } as const

const WAVELENGTH_MM = VISUAL_WAVELENGTH_NM * 1e-6

/**
 * Measures a star a little out of focus: the disc, its dark middle, how far one sits off the other, and what that means.
 *
 * Coma moves the dark middle by 3h(1−ε²)/(16F²) in the focal plane, the same way on both sides of focus. The disc's radius
 * there is 4Fλ·W₀₂₀, so as a share of it: 1.5(1−ε²)·W₁₃₁/W₀₂₀. A secondary set back by s (away from the focuser) shifts its
 * shadow by 2s/D of the radius: towards the focuser's side outside of focus, away from it inside. The mean of both sides
 * at equal defocus is free of it; one side alone needs it known.
 *
 * @param input lengths in mm; `openEndDeg` clockwise from up in the picture; `image` on `side`, `otherSide` on the other
 * @returns circles at their geometric edges, px; fractions in the picture's frame; `axisErrorMm` at the focal plane, null
 *   without the defocus. Where `refused` is not null, the figures mean nothing
 * @throws RangeError for sizes out of range
 * Source: derivation above; checked against wave-optical pictures in the test */
export function starTest(input: StarTestInput): StarTested {
  const { apertureMm, focalLengthMm, defocusWaves, secondaryMinorAxisMm, secondaryOffsetMm, openEndDeg } = input
  requirePositive({ apertureMm, focalLengthMm })
  if (defocusWaves !== undefined) requirePositive({ defocusWaves })
  if (secondaryMinorAxisMm !== undefined) requirePositive({ secondaryMinorAxisMm })
  requireFinite({ secondaryOffsetMm: secondaryOffsetMm ?? 0, openEndDeg: openEndDeg ?? 0 })

  const first = readStar(input.image, input)
  if (typeof first === 'string') return refusal(first)
  const warnings: StarWarning[] = []
  const second = input.otherSide ? readStar(input.otherSide, input) : null
  const other = second !== null && typeof second !== 'string' ? second : null
  if (typeof second === 'string') warnings.push('other-side-unreadable')
  if (other && abs(other.disc.r / first.disc.r - 1) > 0.2) warnings.push('sides-differ')
  if (!other) warnings.push('one-sided')
  if (first.noisy) warnings.push('noisy')
  if (first.ragged) warnings.push('ragged')

  const figures = starFigures([first, ...(other ? [other] : [])], input)
  if (!other && !figures.staticOffsetFraction) warnings.push('static-unknown')
  if (figures.comaWaves === null) warnings.push('defocus-unknown')
  if (secondaryMinorAxisMm === undefined) warnings.push('tone-unknown')
  return {
    disc: seen(first.disc),
    shadow: seen(first.shadow),
    ...figures,
    confidence: min(first.confidence, other?.confidence ?? 1) * (other || figures.staticOffsetFraction ? 1 : 0.5),
    refused: null,
    warnings,
  }
}

export type StarFigures = Pick<StarTested, 'offsetFraction' | 'staticOffsetFraction' | 'comaWaves' | 'axisErrorMm'>

/**
 * What a star's disc and dark middle mean, wherever the circles come from: a fit, or a hand.
 * @param stars circles at their geometric edges, px; a second one from as far on the other side of focus
 */
export function starFigures(
  stars: readonly { readonly disc: Circle; readonly shadow: Circle }[],
  input: Omit<StarTestInput, 'image' | 'otherSide'>,
): StarFigures {
  const { apertureMm, focalLengthMm, defocusWaves, secondaryMinorAxisMm } = input
  const [first] = stars
  if (!first) throw new RangeError('stars: one at least is needed')
  const offsets = stars.map(({ disc, shadow }) => ({
    x: (shadow.x - disc.x) / disc.r,
    y: (shadow.y - disc.y) / disc.r,
  }))
  const mean = (axis: 'x' | 'y') => offsets.reduce((sum, offset) => sum + offset[axis], 0) / offsets.length
  const offset = { x: mean('x'), y: mean('y') }
  const fixed = stars.length > 1 ? null : staticOffset(input)
  const coma = { x: offset.x - (fixed?.x ?? 0), y: offset.y - (fixed?.y ?? 0) }
  const obstruction =
    secondaryMinorAxisMm === undefined ? first.shadow.r / first.disc.r : secondaryMinorAxisMm / apertureMm
  const clear = 1 - min(obstruction, 0.9) ** 2
  const comaWaves = defocusWaves === undefined ? null : (hypot(coma.x, coma.y) * defocusWaves) / (1.5 * clear)
  return {
    offsetFraction: offset,
    staticOffsetFraction: fixed,
    comaWaves,
    axisErrorMm: comaWaves === null ? null : comaWaves * WAVELENGTH_MM * 32 * (focalLengthMm / apertureMm) ** 3,
  }
}

const seen = ({ x, y, r }: Circle): StarCircle => ({ xPx: x, yPx: y, radiusPx: r })

const refusal = (refused: StarRefusal): StarTested => ({
  disc: null,
  shadow: null,
  offsetFraction: { x: 0, y: 0 },
  staticOffsetFraction: null,
  comaWaves: null,
  axisErrorMm: null,
  confidence: 0,
  refused,
  warnings: [],
})

/** Where the design alone puts the dark middle, as a share of the radius; null where side, direction or offset is unknown. */
function staticOffset({
  apertureMm,
  secondaryOffsetMm,
  side,
  openEndDeg,
}: Omit<StarTestInput, 'image' | 'otherSide'>): PointXY | null {
  if (secondaryOffsetMm === undefined) return null
  if (secondaryOffsetMm === 0) return { x: 0, y: 0 }
  if (side === undefined || openEndDeg === undefined) return null
  const share = (secondaryOffsetMm / (apertureMm / 2)) * (side === 'outside' ? 1 : -1)
  const angleRad = degToRad(openEndDeg)
  return { x: share * sin(angleRad), y: -share * cos(angleRad) }
}
