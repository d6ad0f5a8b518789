import { degToRad, type PointXY } from '../../shared/angles.ts'
import { requireFinite, requirePositive } from '../../shared/require.ts'
import { VISUAL_WAVELENGTH_NM } from '../../optics/view.ts'
import { fitCircle, type Circle, type EdgePoint, type FittedCircle } from './circle-fit.ts'
import { blurred, noiseOf, reducedPlanes, sampled, smaller, type Picture, type Plane } from './planes.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { abs, ceil, cos, exp, hypot, max, min, sin, sqrt } = Math

export type FocusSide = 'inside' | 'outside'

export interface StarTestInput {
  readonly image: Picture
  readonly apertureMm: number
  /** The *primary's* own. */
  readonly focalLengthMm: number
  readonly side?: FocusSide | undefined
  /** Defocus W₀₂₀ at 550 nm. */
  readonly defocusWaves?: number | undefined
  readonly secondaryMinorAxisMm?: number | undefined
  /** Set back by design, away from the focuser. */
  readonly secondaryOffsetMm?: number | undefined
  readonly otherSide?: Picture | undefined
  readonly openEndDeg?: number | undefined
}

export interface StarCircle {
  readonly xPx: number
  readonly yPx: number
  readonly radiusPx: number
}

export type StarRefusal = 'too-dark' | 'no-disc' | 'no-dark-middle' | 'too-small' | 'cut-off'
export type StarWarning =
  | 'one-sided'
  | 'static-unknown'
  | 'noisy'
  | 'sides-differ'
  | 'other-side-unreadable'
  | 'defocus-unknown'
  | 'ragged'
  | 'tone-unknown'

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

/** Longest side at which a star is measured. */
const MEASURED_PX = 1000
/** Outline and shadow are read at this share of the ring's brightness. */
const EDGE_LEVEL = 0.25
/** There the outline lies this share of the radius inside the geometric edge, and the shadow's as much outside its own; a
 * middle value for a defocus that nobody typed. Wave optics, 4 to 5 %. */
const EDGE_SHIFT = 0.045
const SHADOW_LEVEL = 0.3
const SMALLEST_RADIUS_PX = 12
/** Directions to either side that are averaged over: vanes are narrow, coma is wide. */
const NEIGHBOURS = 10
const RAYS = 180
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

interface ReadStar {
  readonly disc: Circle
  readonly shadow: Circle
  readonly noisy: boolean
  readonly ragged: boolean
  readonly confidence: number
}

/**
 * A phone writes pictures with a tone curve: what lies at a quarter of the light stands at more than half of the brightness,
 * so the disc reads a tenth too wide and its dark middle too narrow. Where the secondary's size is known, the reading whose
 * ratio of both fits it better is taken: as it is, or with the usual curve undone.
 */
function readStar(picture: Picture, input: StarTestInput): ReadStar | StarRefusal {
  const { grey, reducedBy } = reducedPlanes(picture, MEASURED_PX)
  const plain = readPlane(grey, reducedBy, input)
  if (input.secondaryMinorAxisMm === undefined) return plain
  const linear = readPlane(linearised(grey), reducedBy, input)
  if (typeof linear === 'string') return plain
  if (typeof plain === 'string') return linear
  const misfit = ({ disc, shadow }: ReadStar) =>
    abs(Math.log(((shadow.r / disc.r) * input.apertureMm) / (input.secondaryMinorAxisMm ?? 1)))
  return misfit(linear) < misfit(plain) ? linear : plain
}

/** The exponent that screens and most cameras' curves come to (IEC 61966-2-1, from memory). */
const TONE_EXPONENT = 2.2
const linearised = ({ width, height, values }: Plane): Plane => ({
  width,
  height,
  values: values.map((value) => value ** TONE_EXPONENT),
})

function readPlane(
  grey: Plane,
  reducedBy: number,
  { defocusWaves, secondaryMinorAxisMm, apertureMm }: StarTestInput,
): ReadStar | StarRefusal {
  const ground = groundOf(grey)
  const blob = brightBlob(grey, ground)
  if (blob === null) return 'too-dark'
  if (blob.r < SMALLEST_RADIUS_PX) return 'too-small'
  const { width, height } = grey
  if (blob.x < blob.r || blob.y < blob.r || blob.x > width - blob.r || blob.y > height - blob.r) return 'cut-off'
  const noise = noiseOf(grey)
  // Rings of diffraction and noise are smoothed over, edges hardly.
  const smooth = blurred(grey, max(1, blob.r * (noise > 0.02 ? 0.06 : 0.025)))
  const rings = ringLevels(smooth, blob, ground)
  const ring = [...rings].sort((a, b) => a - b)[RAYS >> 1] ?? ground
  const outer = outline(smooth, blob, { rings, ground })
  if (!outer) return 'no-disc'
  const expected = secondaryMinorAxisMm === undefined ? null : (secondaryMinorAxisMm / apertureMm) * outer.r
  const inner = shadowOf(smooth, outer, { rings: ringLevels(smooth, outer, ground), expected })
  if (!inner) return 'no-dark-middle'
  const shift = defocusWaves === undefined ? EDGE_SHIFT : min(0.3, 0.13 / sqrt(defocusWaves))
  const disc = { x: outer.x, y: outer.y, r: outer.r / (1 - shift) }
  const shadow = { x: inner.x, y: inner.y, r: max(inner.r - shift * disc.r, 0.3 * inner.r) }
  const jagged = (outer.rms + inner.rms) / disc.r
  return {
    disc: scaled(disc, reducedBy),
    shadow: scaled(shadow, reducedBy),
    noisy: noise > 0.25 * (ring - ground),
    ragged: jagged > 0.08,
    confidence: exp(-jagged * 6) * min(1, (ring - ground) / (4 * noise + 1e-6)),
  }
}

const scaled = ({ x, y, r }: Circle, by: number): Circle => ({ x: x * by, y: y * by, r: r * by })

function groundOf({ values }: Plane): number {
  const stride = max(1, Math.floor(values.length / 30_000))
  const some: number[] = []
  for (let at = 0; at < values.length; at += stride) some.push(values[at] ?? 0)
  some.sort((a, b) => a - b)
  return some[some.length >> 1] ?? 0
}

/** The largest bright patch with its holes filled, as a circle of the same width. */
function brightBlob(grey: Plane, ground: number): Circle | null {
  const by = max(1, ceil(max(grey.width, grey.height) / 250))
  const coarse = blurred(smaller(grey, by), 1.2)
  const { width, height, values } = coarse
  let most = 0
  for (const value of values) if (value > most) most = value
  if (most - ground < 0.05) return null
  const level = ground + 0.25 * (most - ground)
  const patch = new Int32Array(values.length)
  let best: { count: number; left: number; right: number; top: number; bottom: number } | null = null
  let name = 0
  for (let seed = 0; seed < values.length; seed++) {
    if ((values[seed] ?? 0) < level || patch[seed]) continue
    name++
    const found = { count: 0, left: width, right: 0, top: height, bottom: 0 }
    const stack = [seed]
    patch[seed] = name
    while (stack.length > 0) {
      const at = stack.pop() ?? 0
      const x = at % width
      const y = (at - x) / width
      found.count++
      found.left = min(found.left, x)
      found.right = max(found.right, x)
      found.top = min(found.top, y)
      found.bottom = max(found.bottom, y)
      const near = [x > 0 ? at - 1 : -1, x < width - 1 ? at + 1 : -1, at - width, at + width]
      for (const next of near)
        if (next >= 0 && next < values.length && !patch[next] && (values[next] ?? 0) >= level) {
          patch[next] = name
          stack.push(next)
        }
    }
    if (!best || found.count > best.count) best = found
  }
  if (!best) return null
  const across = (best.right - best.left + 1) * by
  const down = (best.bottom - best.top + 1) * by
  return {
    x: ((best.left + best.right + 1) / 2) * by,
    y: ((best.top + best.bottom + 1) / 2) * by,
    r: (across + down) / 4,
  }
}

/** Brightness of the ring in each direction: coma makes one side brighter, and an edge is a share of its own side. */
function ringLevels(plane: Plane, about: Circle, ground: number): readonly number[] {
  const peaks = Array.from({ length: RAYS }, (_, ray) => {
    const angle = (2 * Math.PI * ray) / RAYS
    let most = ground
    for (let r = 0.4 * about.r; r < 1.1 * about.r; r += 1)
      most = max(most, sampled(plane, about.x + r * cos(angle), about.y + r * sin(angle)))
    return most
  })
  return peaks.map((_, ray) => {
    const near = Array.from(
      { length: 2 * NEIGHBOURS + 1 },
      (_n, k) => peaks[(ray + k - NEIGHBOURS + RAYS) % RAYS] ?? 0,
    )
    return near.sort((a, b) => a - b)[NEIGHBOURS] ?? ground
  })
}

/** The outermost place on each ray where the brightness rises through its level. */
function outline(
  plane: Plane,
  blob: Circle,
  { rings, ground }: { readonly rings: readonly number[]; readonly ground: number },
): FittedCircle | null {
  let about = blob
  let fitted: FittedCircle | null = null
  for (let round = 0; round < 2; round++) {
    const points: EdgePoint[] = []
    for (let ray = 0; ray < RAYS; ray++) {
      const level = ground + EDGE_LEVEL * ((rings[ray] ?? ground) - ground)
      const angle = (2 * Math.PI * ray) / RAYS
      const u = cos(angle)
      const v = sin(angle)
      const valueAt = (r: number) => sampled(plane, about.x + r * u, about.y + r * v)
      for (let r = 1.4 * about.r; r > 0.4 * about.r; r -= 0.5) {
        const inside = valueAt(r)
        if (inside < level) continue
        const outside = valueAt(r + 0.5)
        const at = inside > outside ? r + (0.5 * (inside - level)) / (inside - outside) : r
        points.push({ x: about.x + at * u, y: about.y + at * v, weight: 1 })
        break
      }
    }
    fitted = fitCircle(points, about, { tolerancePx: 0.25 * about.r, floorPx: 0.02 * about.r })
    if (!fitted) return null
    about = fitted
  }
  return fitted
}

/** The dark middle: from the ring inwards, the first place on each ray where the brightness falls below its level. */
function shadowOf(
  plane: Plane,
  disc: Circle,
  { rings, expected }: { readonly rings: readonly number[]; readonly expected: number | null },
): FittedCircle | null {
  let about: Circle = { x: disc.x, y: disc.y, r: expected ?? 0.3 * disc.r }
  const levelOf = floorLevels(plane, disc, rings)
  let fitted: FittedCircle | null = null
  for (let round = 0; round < 4; round++) {
    const points: EdgePoint[] = []
    for (let ray = 0; ray < RAYS; ray++) {
      const angle = (2 * Math.PI * ray) / RAYS
      const u = cos(angle)
      const v = sin(angle)
      const level = levelOf(ray)
      const valueAt = (r: number) => sampled(plane, about.x + r * u, about.y + r * v)
      // Inwards from the ring: the bright speck in the shadow's middle is diffraction, not its edge.
      const start = min(0.5 * (about.r + disc.r), 0.8 * disc.r)
      let peak = start
      for (let r = about.r; r < start + 0.15 * disc.r; r += 0.5) if (valueAt(r) > valueAt(peak)) peak = r
      for (let r = peak; r > 0.15 * about.r; r -= 0.5) {
        const inside = valueAt(r)
        if (inside >= level) continue
        const outside = valueAt(r + 0.5)
        const at = outside > inside ? r + (0.5 * (level - inside)) / (outside - inside) : r
        points.push({ x: about.x + at * u, y: about.y + at * v, weight: 1 })
        break
      }
    }
    if (points.length < RAYS / 3) return fitted
    fitted = fitCircle(points, about, { tolerancePx: 0.5 * about.r, floorPx: 0.02 * disc.r })
    if (!fitted || hypot(fitted.x - disc.x, fitted.y - disc.y) > 0.7 * disc.r) return null
    about = fitted
  }
  return fitted
}

/** A soft or small star's middle isn't black: the level is a share of the way from its floor to the ring. */
function floorLevels(plane: Plane, disc: Circle, rings: readonly number[]): (ray: number) => number {
  let floor = Infinity
  for (let y = -0.5 * disc.r; y <= 0.5 * disc.r; y += 1)
    for (let x = -0.5 * disc.r; x <= 0.5 * disc.r; x += 1)
      if (x * x + y * y < 0.25 * disc.r * disc.r) floor = min(floor, sampled(plane, disc.x + x, disc.y + y))
  return (ray) => floor + SHADOW_LEVEL * ((rings[ray] ?? 0) - floor)
}
