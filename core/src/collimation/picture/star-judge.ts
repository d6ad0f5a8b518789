import { radToDeg, type PointXY } from '../../shared/angles.ts'
import { requireNotNegative, requirePositive } from '../../shared/require.ts'
import type { Circle } from './circle-fit.ts'
import { fitEllipse } from './ellipse-fit.ts'
import { blurred, noiseOf, reducedPlanes, sampled, type Picture, type Plane } from './planes.ts'
import {
  brightBlob,
  groundOf,
  MEASURED_PX,
  outline,
  outlinePoints,
  ringLevels,
  type StarCircle,
} from './read-star.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { abs, atan2, cos, hypot, max, sin } = Math

export type ClosedTube = 'refractor' | 'maksutov'
/** A lens or closed tube has nothing to turn at a library's bench: it is fit, watched, or sent away. */
export type StarVerdict = 'fit' | 'watch' | 'workshop'
export type StarJudgeRefusal = 'too-dark' | 'too-small' | 'cut-off' | 'no-disc' | 'no-rings'
export type StarJudgeWarning = 'one-sided' | 'other-side-unreadable' | 'sides-differ' | 'oval-stays' | 'noisy'

export interface StarJudgeInput {
  readonly image: Picture
  readonly kind: ClosedTube
  readonly apertureMm: number
  readonly focalLengthMm: number
  /** Diameter of what stands in the light ÷ aperture; a lens has none. */
  readonly obstructionFraction?: number | undefined
  /** The same star as far on the other side of focus. */
  readonly otherSide?: Picture | undefined
}

export interface StarJudged {
  readonly disc: StarCircle | null
  /** Centre of the inner rings − centre of the disc, as a share of its radius; picture frame. Both sides: their mean. */
  readonly ringOffsetFraction: PointXY
  /** Short ÷ long axis of the disc. Both sides: what turns by a right angle between them, which the air and a slanted phone don't. */
  readonly axisRatio: number
  /** Of the long axis on `image`, clockwise from up in the picture, 0 to 180. */
  readonly axisDeg: number
  readonly verdict: StarVerdict
  readonly refused: StarJudgeRefusal | null
  readonly warnings: readonly StarJudgeWarning[]
}

/** Coma shifts a lens' rings by 0.75·W₁₃₁/W₀₂₀ of the radius, and a shadow's edge, at a third of the aperture, by 1.2: as
 * diffraction pictures show. At the five waves of defocus of a usual look the limit of λ/14 RMS (W₁₃₁ = √72/14 λ) comes to
 * these shares; half of them is good. */
export const RING_OFFSET_LIMITS = { refractor: 0.09, maksutov: 0.145 } as const
/** Astigmatism W₂₂₂ makes the disc 1 − W₂₂₂/W₀₂₀ as wide as long: at five waves λ/14 RMS (W₂₂₂ = √24/14 λ) comes to 0.93. */
export const AXIS_RATIO_LIMITS = { fit: 0.965, watch: 0.93 } as const

/** Out of round alike on both sides by more than this: the phone was held askew, or the air was warm. */
const OVAL_STAYS = 0.02
const LEAST_RADIUS_PX = 12
/** An outline that strays more than this share of the radius from its ellipse is no star's. */
const MOST_JAGGED = 0.06
const LEAST_AXIS_RATIO = 0.5
/** The inner pattern: rings between these shares of the radius. A lens' innermost rings tell its middle best. */
const [INNER, OUTER] = [0.06, 0.5]
const RADII = 16
const ANGLES = 48
const FARTHEST_OFFSET = 0.4
/** Brighter and darker by a smaller share than this, the inside is even: there is no ring to judge by. */
const LEAST_RING_CONTRAST = 0.02
/** How much of the inner pattern has to be round about its own middle. */
const LEAST_ROUND = 0.15
/** Wider than a ring, narrower than the disc, as a share of its radius. */
const EVENED_OVER = 0.22

/** Judges a lens or a closed tube by a star a little out of focus: whether its rings lie in the middle of a round disc.
 *
 * The middle of the rings is where the brightness changes least along circles about it. Nothing is said of screws: off-centre
 * rings after a knock are for a workshop, and warm air mimics both faults.
 * @param input lengths in mm; obstructionFraction in [0, 1)
 * @returns where `refused` is not null the figures mean nothing
 * @throws RangeError for sizes out of range
 * Source: Born & Wolf, Principles of Optics, §5.3, §9.2 (Seidel terms); checked against diffraction pictures in the test */
export function starJudge(input: StarJudgeInput): StarJudged {
  const { apertureMm, focalLengthMm, obstructionFraction = 0 } = input
  requirePositive({ apertureMm, focalLengthMm })
  requireNotNegative({ obstructionFraction })
  if (obstructionFraction >= 1)
    throw new RangeError(`obstructionFraction must be under 1; got ${obstructionFraction}`)
  const first = readRings(input.image)
  if (typeof first === 'string') return refusal(first)
  const warnings: StarJudgeWarning[] = []
  const second = input.otherSide ? readRings(input.otherSide) : null
  if (typeof second === 'string') warnings.push('other-side-unreadable')
  const other = typeof second === 'string' ? null : second
  if (!other) warnings.push('one-sided')
  if (first.noisy) warnings.push('noisy')
  if (other && abs(other.disc.r / first.disc.r - 1) > 0.2) warnings.push('sides-differ')

  const ringOffsetFraction = other
    ? { x: (first.offset.x + other.offset.x) / 2, y: (first.offset.y + other.offset.y) / 2 }
    : first.offset
  // Astigmatism's line turns by a right angle through focus: what is the same on both sides isn't the glass.
  const oval = other
    ? { along: (first.oval.along - other.oval.along) / 2, across: (first.oval.across - other.oval.across) / 2 }
    : first.oval
  if (other && hypot(first.oval.along + other.oval.along, first.oval.across + other.oval.across) / 2 > OVAL_STAYS)
    warnings.push('oval-stays')
  const flattening = hypot(oval.along, oval.across)
  const axisRatio = (1 - flattening) / (1 + flattening)
  const axisDeg = (radToDeg(atan2(oval.across, oval.along) / 2) + 90 + 180) % 180
  const { disc } = first
  const verdict = verdictOf(
    hypot(ringOffsetFraction.x, ringOffsetFraction.y) / RING_OFFSET_LIMITS[input.kind],
    axisRatio,
  )
  return {
    ...{ disc: { xPx: disc.x, yPx: disc.y, radiusPx: disc.r }, ringOffsetFraction, axisRatio, axisDeg, verdict },
    ...{ refused: null, warnings },
  }
}

function verdictOf(offsetOfLimit: number, axisRatio: number): StarVerdict {
  if (offsetOfLimit > 1 || axisRatio < AXIS_RATIO_LIMITS.watch) return 'workshop'
  return offsetOfLimit > 0.5 || axisRatio < AXIS_RATIO_LIMITS.fit ? 'watch' : 'fit'
}

const refusal = (refused: StarJudgeRefusal): StarJudged => ({
  ...{
    disc: null,
    ringOffsetFraction: { x: 0, y: 0 },
    axisRatio: 1,
    axisDeg: 0,
    verdict: 'watch',
    refused,
    warnings: [],
  },
})

interface Rings {
  readonly disc: Circle
  readonly offset: PointXY
  /** The outline's second harmonic, as a share of the radius. */
  readonly oval: { readonly along: number; readonly across: number }
  readonly noisy: boolean
}

function readRings(picture: Picture): Rings | StarJudgeRefusal {
  const { grey, reducedBy } = reducedPlanes(picture, MEASURED_PX)
  const ground = groundOf(grey)
  const blob = brightBlob(grey, ground)
  if (blob === null) return 'too-dark'
  if (blob.r < LEAST_RADIUS_PX) return 'too-small'
  const { width, height } = grey
  if (blob.x < blob.r || blob.y < blob.r || blob.x > width - blob.r || blob.y > height - blob.r) return 'cut-off'
  const noise = noiseOf(grey)
  const smooth = blurred(grey, max(1, blob.r * (noise > 0.02 ? 0.05 : 0.02)))
  const levels = { rings: ringLevels(smooth, blob, ground), ground }
  const round = outline(smooth, blob, levels)
  if (!round) return 'no-disc'
  const shape = fitEllipse(outlinePoints(smooth, round, levels), round, 0.25 * round.r)
  if (!shape || shape.rms > MOST_JAGGED * shape.r) return 'no-disc'
  const oval = { along: shape.along / shape.r, across: shape.across / shape.r }
  if (hypot(oval.along, oval.across) > (1 - LEAST_AXIS_RATIO) / (1 + LEAST_AXIS_RATIO)) return 'no-disc'
  const middle = middleOfRings(evened(smooth, shape), shape)
  const bright = (levels.rings.toSorted((a, b) => a - b)[levels.rings.length >> 1] ?? ground) - ground
  if (middle.contrast < LEAST_RING_CONTRAST || middle.roundness < LEAST_ROUND) return 'no-rings'
  return {
    disc: { x: shape.x * reducedBy, y: shape.y * reducedBy, r: shape.r * reducedBy },
    ...{ offset: middle.offset, oval, noisy: noise > 0.25 * bright },
  }
}

interface Middle {
  readonly offset: PointXY
  /** Share of the inner brightness' variance that lies between circles and not along them. */
  readonly roundness: number
  /** Spread of the inner brightness. */
  readonly contrast: number
}

/** Coma makes one side brighter: rings are told against what lies about them. */
function evened(plane: Plane, disc: Circle): Plane {
  const about = blurred(plane, EVENED_OVER * disc.r).values
  const values = plane.values.map((value, i) => value / max(about[i] ?? 1, 1e-3))
  return { ...plane, values }
}

/** The point about which the inner brightness changes least along circles: a coarse grid, then halved steps. */
function middleOfRings(plane: Plane, disc: Circle): Middle {
  const at = (x: number, y: number): Middle & { x: number; y: number } => {
    const told = roundnessAbout(plane, disc, { x, y })
    return { x, y, offset: { x, y }, ...told }
  }
  let best = at(0, 0)
  const take = (x: number, y: number) => {
    if (hypot(x, y) > FARTHEST_OFFSET) return false
    const next = at(x, y)
    if (next.roundness <= best.roundness) return false
    best = next
    return true
  }
  const coarse = 0.04
  for (let y = -FARTHEST_OFFSET; y <= FARTHEST_OFFSET; y += coarse)
    for (let x = -FARTHEST_OFFSET; x <= FARTHEST_OFFSET; x += coarse) take(x, y)
  for (let step = coarse / 2; step > 0.0005; step /= 2) {
    let moved = true
    while (moved) {
      const { x, y } = best
      moved = [take(x + step, y), take(x - step, y), take(x, y + step), take(x, y - step)].some(Boolean)
    }
  }
  return best
}

/** Analysis of variance of the brightness on circles about a point: between them, and along them. */
function roundnessAbout(plane: Plane, disc: Circle, off: PointXY): { roundness: number; contrast: number } {
  const [x, y] = [disc.x + off.x * disc.r, disc.y + off.y * disc.r]
  let [all, allSquares, along, count] = [0, 0, 0, 0]
  for (let k = 0; k < RADII; k++) {
    const r = (INNER + ((OUTER - INNER) * k) / (RADII - 1)) * disc.r
    let [sum, squares] = [0, 0]
    for (let a = 0; a < ANGLES; a++) {
      const angle = (2 * Math.PI * a) / ANGLES
      const value = sampled(plane, x + r * cos(angle), y + r * sin(angle))
      sum += value
      squares += value * value
    }
    along += squares - (sum * sum) / ANGLES
    all += sum
    allSquares += squares
    count += ANGLES
  }
  const total = allSquares - (all * all) / count
  return { roundness: total > 0 ? 1 - along / total : 0, contrast: Math.sqrt(max(total, 0) / count) }
}
