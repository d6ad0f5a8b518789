import { solved, solver } from '../../shared/linear-system.ts'
/** Taken out of the global object once: inner loops ask for them millions of times. */
const { abs, hypot, max, min, sqrt } = Math

/** A point on an edge, with how strongly it is to be believed. */
export interface EdgePoint {
  readonly x: number
  readonly y: number
  readonly weight: number
}

export interface Circle {
  readonly x: number
  readonly y: number
  readonly r: number
}

export interface FittedCircle extends Circle {
  /** Spread of the points that were believed, px. */
  readonly rms: number
  /** Points that were believed. */
  readonly inliers: number
  /** One standard error of the centre along either axis, px; neighbours on an edge are not independent. */
  readonly centreSigma: number
}

const ROUNDS = 12
/** Tukey's biweight keeps 95 % of the efficiency at this many spreads [Huber & Ronchetti, 2nd ed., §4.8, from memory]. */
const TUKEY = 4.685
/** Edge points so near each other that their errors go together count as one. */
const POINTS_TOGETHER = 3

/** Circle through three points, or null where they are in line. */
export function circleThrough(a: EdgePoint, b: EdgePoint, c: EdgePoint): Circle | null {
  const d = 2 * (a.x * (b.y - c.y) + b.x * (c.y - a.y) + c.x * (a.y - b.y))
  if (abs(d) < 1e-6) return null
  const aa = a.x * a.x + a.y * a.y
  const bb = b.x * b.x + b.y * b.y
  const cc = c.x * c.x + c.y * c.y
  const x = (aa * (b.y - c.y) + bb * (c.y - a.y) + cc * (a.y - b.y)) / d
  const y = (aa * (c.x - b.x) + bb * (a.x - c.x) + cc * (b.x - a.x)) / d
  return { x, y, r: hypot(a.x - x, a.y - y) }
}

/**
 * Circle with the least squared distances of its points, those far off left out by Tukey's weights.
 * @param start a circle near the right one @param tolerancePx spread of distances to begin with; it falls to the points' own
 * @returns null for fewer than six believed points. Geometric distances, Gauss–Newton.
 */
export function fitCircle(
  points: readonly EdgePoint[],
  start: Circle,
  { tolerancePx, floorPx = 0.15 }: { readonly tolerancePx: number; readonly floorPx?: number },
): FittedCircle | null {
  let { x, y, r } = start
  let spread = tolerancePx / 2
  const offs = new Float64Array(points.length)
  for (let round = 0; round < ROUNDS; round++) {
    const limit = TUKEY * spread
    let [xx, xy, x1, yy, y1, n, bx, by, b1] = [0, 0, 0, 0, 0, 0, 0, 0, 0]
    for (const point of points) {
      const dx = point.x - x
      const dy = point.y - y
      const distance = sqrt(dx * dx + dy * dy) || 1e-9
      const off = distance - r
      if (abs(off) >= limit) continue
      const weight = point.weight * (1 - (off / limit) ** 2) ** 2
      const u = dx / distance
      const v = dy / distance
      xx += weight * u * u
      xy += weight * u * v
      x1 += weight * u
      yy += weight * v * v
      y1 += weight * v
      n += weight
      bx += weight * u * off
      by += weight * v * off
      b1 += weight * off
    }
    const step = solved(
      [
        [xx, xy, x1],
        [xy, yy, y1],
        [x1, y1, n],
      ],
      [bx, by, b1],
    )
    if (!step) return null
    x += step[0] ?? 0
    y += step[1] ?? 0
    r += step[2] ?? 0
    if (!(r > 0) || !Number.isFinite(x + y)) return null
    let near = 0
    for (const point of points) {
      const off = abs(sqrt((point.x - x) ** 2 + (point.y - y) ** 2) - r)
      if (off < limit) offs[near++] = off
    }
    const median = offs.subarray(0, near).sort()[near >> 1] ?? spread
    // Falls step by step, so that a start some way off is not left with the wrong few.
    const most = max(floorPx, (tolerancePx / 2) * 0.75 ** (round + 1))
    spread = max(floorPx, min(most, max(median / 0.6745, spread * 0.5)))
  }
  return withQuality(points, { x, y, r }, TUKEY * spread)
}

function withQuality(points: readonly EdgePoint[], circle: Circle, limit: number): FittedCircle | null {
  const { x, y, r } = circle
  let inliers = 0
  let squares = 0
  let [xx, xy, x1, yy, y1] = [0, 0, 0, 0, 0]
  for (const point of points) {
    const distance = sqrt((point.x - x) ** 2 + (point.y - y) ** 2) || 1e-9
    const off = distance - r
    if (abs(off) >= limit) continue
    inliers++
    squares += off * off
    const u = (point.x - x) / distance
    const v = (point.y - y) / distance
    xx += u * u
    xy += u * v
    x1 += u
    yy += v * v
    y1 += v
  }
  if (inliers < 6) return null
  const rms = sqrt(squares / max(inliers - 3, 1))
  const matrix = [
    [xx, xy, x1],
    [xy, yy, y1],
    [x1, y1, inliers],
  ]
  const solve = solver(matrix)
  const varX = solve?.([1, 0, 0])[0] ?? Infinity
  const varY = solve?.([0, 1, 0])[1] ?? Infinity
  const centreSigma = rms * sqrt((max(varX, 0) + max(varY, 0)) / 2) * sqrt(POINTS_TOGETHER)
  return { ...circle, rms, inliers, centreSigma }
}
