import { seeded } from '../../shared/seeded.ts'
import { circleThrough, fitCircle, type Circle, type EdgePoint, type FittedCircle } from './circle-fit.ts'
import { fitEllipse } from './ellipse-fit.ts'
import { sampledAlong, type Plane } from './planes.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { abs, cos, floor, hypot, max, min, round, sin, sqrt } = Math

/** Which side of an edge is the brighter one; *either* where a thing may be brighter or darker than what lies behind it. */
export type Polarity = 'bright-inside' | 'dark-inside' | 'either'

export interface RimPoint extends EdgePoint {
  /** Index of its direction from the centre that was looked from. */
  readonly ray: number
  /** Step in brightness across it, 0 to 1. */
  readonly step: number
}

export interface Rim extends FittedCircle {
  /** Share of the directions in which the edge was seen where the circle is. */
  readonly coverage: number
  /** Middle step in brightness across it. */
  readonly contrast: number
}

interface RimSearch {
  readonly polarity: Polarity
  /** Half-width of the band about the circle that is looked at, px. */
  readonly bandPx: number
  readonly rays?: number
  /** Steps below this are noise. */
  readonly leastStep: number
}

const RAYS = 180
/** Less of a rim doesn't say how flat it is. */
const LEAST_ROUND_SEEN = 0.5
/** An ellipse has two more figures than a circle: it must fit this much better. */
const LEAST_GAIN = 0.9
const EDGES_PER_RAY = 3
const TRIPLES = 64
/** Half-width of what is compared across an edge, px: wide enough for a soft picture, narrow enough for a small mark. */
const SPAN_PX = 1.5

/** The strongest edges in each direction from a circle's centre, within a band about it. `planes` are the colours that
 * count; the strongest of them speaks. */
export function rimPoints(planes: readonly Plane[], about: Circle, search: RimSearch): RimPoint[] {
  const { polarity, bandPx, rays = RAYS, leastStep } = search
  const [first] = planes
  if (!first) return []
  const STEP = about.r < 40 ? 0.25 : about.r < 150 ? 0.5 : 1
  const inner = max(about.r - bandPx, SPAN_PX)
  const count = max(3, round((about.r + bandPx - inner) / STEP) + 1)
  const lag = max(1, round(SPAN_PX / STEP))
  const found: RimPoint[] = []
  const slopes = new Float32Array(count)
  const long = count + 2 * lag
  const profiles = new Float32Array(long * planes.length)
  for (let ray = 0; ray < rays; ray++) {
    const angle = (2 * Math.PI * (ray + 0.5)) / rays
    const u = cos(angle)
    const v = sin(angle)
    const endX = about.x + u * (about.r + bandPx)
    const endY = about.y + v * (about.r + bandPx)
    if (endX < -bandPx || endY < -bandPx || endX > first.width + bandPx || endY > first.height + bandPx) continue
    slopes.fill(0)
    const from = inner - lag * STEP
    sampledAlong(
      planes,
      { x: about.x + u * from, y: about.y + v * from, dx: u * STEP, dy: v * STEP, count: long },
      profiles,
    )
    for (let plane = 0; plane < planes.length; plane++)
      for (let i = 0; i < count; i++) {
        const at = plane * long + i
        const step = (profiles[at] as number) - (profiles[at + 2 * lag] as number)
        if (abs(step) > abs(slopes[i] as number)) slopes[i] = step
      }
    const strength = (i: number) => {
      const step = slopes[i] ?? 0
      return polarity === 'either' ? abs(step) : polarity === 'bright-inside' ? step : -step
    }
    const peaks: { at: number; step: number }[] = []
    for (let i = 1; i < count - 1; i++) {
      const here = strength(i)
      if (here < leastStep || here < strength(i - 1) || here <= strength(i + 1)) continue
      const curve = strength(i - 1) - 2 * here + strength(i + 1)
      const shift = curve < 0 ? (0.5 * (strength(i - 1) - strength(i + 1))) / curve : 0
      peaks.push({ at: i + min(max(shift, -0.5), 0.5), step: here })
    }
    peaks.sort((a, b) => b.step - a.step)
    for (const { at, step } of peaks.slice(0, EDGES_PER_RAY)) {
      const radius = inner + at * STEP
      const x = about.x + u * radius
      const y = about.y + v * radius
      if (x < 0 || y < 0 || x > first.width || y > first.height) continue
      found.push({ x, y, ray, step, weight: 1 })
    }
  }
  return found
}

/** The circle that most directions agree on, found from triples of edges and then fitted. */
export function traceRim(planes: readonly Plane[], about: Circle, search: RimSearch): Rim | null {
  const rays = search.rays ?? RAYS
  const points = rimPoints(planes, about, search)
  if (points.length < rays / 6) return null
  const tolerance = max(1, about.r * 0.012)
  const start = bestTriple(points, about, { tolerance, bandPx: search.bandPx })
  if (!start) return null
  const fitted = fitCircle(points, start, { tolerancePx: tolerance })
  if (!fitted || abs(fitted.r - about.r) > search.bandPx * 1.3) return null
  return qualified(points, fitted, rays)
}

/**
 * A traced rim as the nearly round ellipse it is: a lens held askew, or a hole's slanted edge, is no circle. `r` is the mean
 * of the half axes. What can't be told from a circle stays one.
 */
export function flattened(planes: readonly Plane[], rim: Rim, search: Omit<RimSearch, 'bandPx'>): Rim {
  if (rim.coverage < LEAST_ROUND_SEEN) return rim
  const bandPx = max(4, 0.025 * rim.r)
  const fit = fitEllipse(rimPoints(planes, rim, { ...search, bandPx }), rim, max(1, 0.012 * rim.r))
  if (!fit || fit.inliers < rim.inliers * 0.8 || hypot(fit.x - rim.x, fit.y - rim.y) > bandPx) return rim
  return fit.rms < rim.rms * LEAST_GAIN
    ? { ...rim, x: fit.x, y: fit.y, r: fit.r, rms: fit.rms, centreSigma: fit.centreSigma }
    : rim
}

function qualified(points: readonly RimPoint[], circle: FittedCircle, rays: number): Rim {
  const limit = max(1.2, 3 * circle.rms)
  const seen = new Map<number, number>()
  for (const point of points) {
    const off = abs(sqrt((point.x - circle.x) ** 2 + (point.y - circle.y) ** 2) - circle.r)
    if (off < limit) seen.set(point.ray, max(seen.get(point.ray) ?? 0, point.step))
  }
  const steps = [...seen.values()].sort((a, b) => a - b)
  return { ...circle, coverage: seen.size / rays, contrast: steps[steps.length >> 1] ?? 0 }
}

function bestTriple(
  points: readonly RimPoint[],
  about: Circle,
  { tolerance, bandPx }: { readonly tolerance: number; readonly bandPx: number },
): Circle | null {
  const next = seeded(points.length + 1)
  const pick = () => points[floor(next() * points.length)]
  const steps = points.map(({ step }) => step).sort((a, b) => a - b)
  // One strong edge counts as much as the next, so that a bright neighbour doesn't draw the circle away.
  const strong = steps[floor(steps.length * 0.75)] ?? 1
  const xs = Float64Array.from(points, ({ x }) => x)
  const ys = Float64Array.from(points, ({ y }) => y)
  const rays = Int32Array.from(points, ({ ray }) => ray)
  const shares = Float64Array.from(points, ({ step }) => min(step / strong, 1))
  let best: Circle | null = null
  let bestScore = 0
  const consider = (circle: Circle) => {
    const { x, y, r } = circle
    let score = 0
    let ray = -1
    let ofRay = 0
    for (let i = 0; i < xs.length; i++) {
      if (rays[i] !== ray) {
        score += ofRay
        ofRay = 0
        ray = rays[i] as number
      }
      const dx = (xs[i] as number) - x
      const dy = (ys[i] as number) - y
      const off = abs(sqrt(dx * dx + dy * dy) - r)
      if (off < tolerance) ofRay = max(ofRay, (shares[i] as number) * (1 - off / tolerance / 2))
    }
    score += ofRay
    if (score > bestScore) {
      bestScore = score
      best = circle
    }
  }
  consider(about)
  for (let i = 0; i < TRIPLES; i++) {
    const [a, b, c] = [pick(), pick(), pick()]
    if (!a || !b || !c) continue
    const circle = circleThrough(a, b, c)
    if (!circle || abs(circle.r - about.r) > bandPx) continue
    if (hypot(circle.x - about.x, circle.y - about.y) > bandPx * 1.5) continue
    consider(circle)
  }
  return best
}
