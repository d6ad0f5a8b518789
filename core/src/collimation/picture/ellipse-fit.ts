import { solved } from '../../shared/linear-system.ts'
import type { Circle, EdgePoint } from './circle-fit.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { abs, atan2, cos, hypot, max, sin, sqrt } = Math

/** A nearly round ellipse: its radius in the direction θ (from +x towards +y) is r + along · cos 2θ + across · sin 2θ. */
export interface FittedEllipse extends Circle {
  readonly along: number
  readonly across: number
  /** Spread of the points that were believed, px. */
  readonly rms: number
  readonly inliers: number
  /** One standard error of the centre along either axis, px. */
  readonly centreSigma: number
}

const ROUNDS = 10
/** As for circles: Tukey's biweight at 95 % efficiency, and neighbours on an edge that count as one. */
const TUKEY = 4.685
const POINTS_TOGETHER = 3
/** How far out of round a rim may be before a fit needs much to say so, one spread as a share of the radius. A lens held
 * 8° askew makes a circle 1 % narrower. */
const OUT_OF_ROUND = 0.012
const FLOOR_PX = 0.15

/**
 * The nearly round ellipse with the least squared distances of its points, those far off left out.
 * Points on an arc alone leave the shape open: it then stays round, by a prior on its flattening.
 * @param start a circle near the right one, px @param tolerancePx spread of distances to begin with
 * @returns null for fewer than eight believed points. Distances along the radius: to second order in the flattening those
 *   to the ellipse itself
 */
export function fitEllipse(points: readonly EdgePoint[], start: Circle, tolerancePx: number): FittedEllipse | null {
  let [x, y, r, along, across] = [start.x, start.y, start.r, 0, 0]
  let spread = tolerancePx / 2
  let sums = emptySums()
  for (let round = 0; round < ROUNDS; round++) {
    const limit = TUKEY * spread
    sums = emptySums()
    for (const point of points) {
      const { basis, off } = against(point, { x, y, r, along, across })
      if (abs(off) >= limit) continue
      sums.add(basis, off, point.weight * (1 - (off / limit) ** 2) ** 2)
    }
    if (sums.count < 8) return null
    const prior = (spread / (OUT_OF_ROUND * r)) ** 2
    const step = solved(sums.matrix(prior), [
      ...sums.right.slice(0, 3),
      (sums.right[3] ?? 0) - prior * along,
      (sums.right[4] ?? 0) - prior * across,
    ])
    if (!step) return null
    x += step[0] ?? 0
    y += step[1] ?? 0
    r += step[2] ?? 0
    along += step[3] ?? 0
    across += step[4] ?? 0
    if (!(r > 0) || !Number.isFinite(x + y + along + across)) return null
    spread = max(FLOOR_PX, sqrt(sums.squares / max(sums.weight, 1)))
  }
  const prior = (spread / (OUT_OF_ROUND * r)) ** 2
  const variance = (axis: 0 | 1) =>
    solved(
      sums.matrix(prior),
      [0, 1, 2, 3, 4].map((i) => (i === axis ? 1 : 0)),
    )?.[axis] ?? Infinity
  const centreSigma = spread * sqrt((max(variance(0), 0) + max(variance(1), 0)) / 2) * sqrt(POINTS_TOGETHER)
  return { x, y, r, along, across, rms: spread, inliers: sums.count, centreSigma }
}

function against(point: EdgePoint, at: Circle & { along: number; across: number }) {
  const dx = point.x - at.x
  const dy = point.y - at.y
  const angle = atan2(dy, dx)
  const [twice, twiceSin] = [cos(2 * angle), sin(2 * angle)]
  const off = hypot(dx, dy) - at.r - at.along * twice - at.across * twiceSin
  return { basis: [cos(angle), sin(angle), 1, twice, twiceSin], off }
}

function emptySums() {
  const products = Array.from({ length: 5 }, () => [0, 0, 0, 0, 0])
  const sums = {
    right: [0, 0, 0, 0, 0],
    count: 0,
    weight: 0,
    squares: 0,
    add(basis: readonly number[], off: number, weight: number) {
      sums.count++
      sums.weight += weight
      sums.squares += weight * off * off
      basis.forEach((a, i) => {
        sums.right[i] = (sums.right[i] ?? 0) + weight * a * off
        const row = products[i] ?? []
        basis.forEach((b, k) => (row[k] = (row[k] ?? 0) + weight * a * b))
      })
    },
    matrix: (prior: number) =>
      products.map((row, i) => row.map((value, k) => (i === k && i > 2 ? value + prior : value))),
  }
  return sums
}
