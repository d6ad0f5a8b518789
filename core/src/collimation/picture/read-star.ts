import { fitCircle, type Circle, type FittedCircle, type EdgePoint } from './circle-fit.ts'
import { noiseOf, blurred, reducedPlanes, smaller, sampled, type Picture, type Plane } from './planes.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { abs, ceil, cos, exp, hypot, max, min, sin, sqrt } = Math

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
export function readStar(picture: Picture, input: StarTestInput): ReadStar | StarRefusal {
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

export const scaled = ({ x, y, r }: Circle, by: number): Circle => ({ x: x * by, y: y * by, r: r * by })
export function groundOf({ values }: Plane): number {
  const stride = max(1, Math.floor(values.length / 30000))
  const some: number[] = []
  for (let at = 0; at < values.length; at += stride) some.push(values[at] ?? 0)
  some.sort((a, b) => a - b)
  return some[some.length >> 1] ?? 0
}

/** The largest bright patch with its holes filled, as a circle of the same width. */
export function brightBlob(grey: Plane, ground: number): Circle | null {
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
export function ringLevels(plane: Plane, about: Circle, ground: number): readonly number[] {
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

interface Levels {
  readonly rings: readonly number[]
  readonly ground: number
}

/** The outermost place on each ray where the brightness rises through its level. */
export function outlinePoints(plane: Plane, about: Circle, { rings, ground }: Levels): EdgePoint[] {
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
  return points
}

/** The circle that the outline comes nearest to. */
export function outline(plane: Plane, blob: Circle, levels: Levels): FittedCircle | null {
  let about = blob
  let fitted: FittedCircle | null = null
  for (let round = 0; round < 2; round++) {
    const points = outlinePoints(plane, about, levels)
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

/** Longest side at which a star is measured. */
export const MEASURED_PX = 1000

/** Outline and shadow are read at this share of the ring's brightness. */
const EDGE_LEVEL = 0.25

/** There the outline lies this share of the radius inside the geometric edge, and the shadow's as much outside its own; a
 * middle value for a defocus that nobody typed. Wave optics, 4 to 5 %. */
const EDGE_SHIFT = 0.045
const SHADOW_LEVEL = 0.3
const SMALLEST_RADIUS_PX = 12

/** Directions to either side that are averaged over: vanes are narrow, coma is wide. */
const NEIGHBOURS = 10
export const RAYS = 180
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

export type StarRefusal = 'too-dark' | 'no-disc' | 'no-dark-middle' | 'too-small' | 'cut-off'
export type FocusSide = 'inside' | 'outside'
export type StarWarning =
  | 'one-sided'
  | 'static-unknown'
  | 'noisy'
  | 'sides-differ'
  | 'other-side-unreadable'
  | 'defocus-unknown'
  | 'ragged'
  | 'tone-unknown'
export interface StarCircle {
  readonly xPx: number
  readonly yPx: number
  readonly radiusPx: number
}
