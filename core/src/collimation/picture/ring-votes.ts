import type { Circle } from './circle-fit.ts'
import type { Plane } from './planes.ts'
import type { Polarity } from './rim.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { abs, ceil, floor, hypot, max, round, sqrt } = Math

export interface VotedRing extends Circle {
  /** Edge pixels that point at the centre, as a share of the circle's length. */
  readonly share: number
}

export interface Edges {
  readonly xs: Float32Array
  readonly ys: Float32Array
  /** Unit vector towards the brighter side. */
  readonly us: Float32Array
  readonly vs: Float32Array
  readonly count: number
}

/** Ridges of the gradient: each crossing of an edge once. Of several colours the one with the steepest slope speaks. */
export function edgesOf(planes: readonly Plane[], leastSlope: number): Edges {
  const { width = 0, height = 0 } = planes[0] ?? {}
  const gx = new Float32Array(width * height)
  const gy = new Float32Array(width * height)
  const size = new Float32Array(width * height)
  for (const { values } of planes) {
    for (let row = 1; row < height - 1; row++)
      for (let column = 1; column < width - 1; column++) {
        const at = row * width + column
        const nw = values[at - width - 1] ?? 0
        const n = values[at - width] ?? 0
        const ne = values[at - width + 1] ?? 0
        const w = values[at - 1] ?? 0
        const e = values[at + 1] ?? 0
        const sw = values[at + width - 1] ?? 0
        const s = values[at + width] ?? 0
        const se = values[at + width + 1] ?? 0
        // Scharr's weights: the direction is right to a tenth of a degree.
        const x = (3 * (ne - nw) + 10 * (e - w) + 3 * (se - sw)) / 32
        const y = (3 * (sw - nw) + 10 * (s - n) + 3 * (se - ne)) / 32
        const slope = sqrt(x * x + y * y)
        if (slope <= (size[at] ?? 0)) continue
        gx[at] = x
        gy[at] = y
        size[at] = slope
      }
  }
  const xs: number[] = []
  const ys: number[] = []
  const us: number[] = []
  const vs: number[] = []
  for (let row = 2; row < height - 2; row++)
    for (let column = 2; column < width - 2; column++) {
      const at = row * width + column
      const here = size[at] ?? 0
      if (here < leastSlope) continue
      const u = (gx[at] ?? 0) / here
      const v = (gy[at] ?? 0) / here
      const ahead = at + round(u) + round(v) * width
      const behind = at - round(u) - round(v) * width
      if (here < (size[ahead] ?? 0) || here <= (size[behind] ?? 0)) continue
      xs.push(column + 0.5)
      ys.push(row + 0.5)
      us.push(u)
      vs.push(v)
    }
  return {
    xs: Float32Array.from(xs),
    ys: Float32Array.from(ys),
    us: Float32Array.from(us),
    vs: Float32Array.from(vs),
    count: xs.length,
  }
}

/** Fewer edges than this share of a circle's length point at its centre by chance. */
const LEAST_SHARE = 0.12

interface Votes {
  readonly polarity: Polarity
  readonly radii: readonly number[]
  /** Where a centre may be. */
  readonly within: { readonly x: number; readonly y: number; readonly reach: number }
  readonly cell: number
  readonly most: number
}

/** Edges whose own line passes the place where centres may be, at one of the radii: all others vote for nothing. */
function edgesThatReach(
  { xs, ys, us, vs, count }: Edges,
  sign: number,
  { radii, within, cell }: Pick<Votes, 'radii' | 'within' | 'cell'>,
): Int32Array {
  const [least = 0, most = 0] = [radii[0], radii.at(-1)]
  /** To the corners of the square that is voted in, and a cell beyond. */
  const reach = Math.SQRT2 * (within.reach + cell)
  const kept = new Int32Array(count)
  let keeps = 0
  for (let i = 0; i < count; i++) {
    const x = within.x - (xs[i] as number)
    const y = within.y - (ys[i] as number)
    const aside = x * (vs[i] as number) - y * (us[i] as number)
    const half = reach * reach - aside * aside
    if (half < 0) continue
    const ahead = sign * (x * (us[i] as number) + y * (vs[i] as number))
    const depth = sqrt(half)
    if (ahead + depth >= least && ahead - depth <= most) kept[keeps++] = i
  }
  return kept.subarray(0, keeps)
}

/** Edges that may vote, counted in cells from the square's corner, and how far their votes move with each pixel of radius. */
function votersOf(edges: Edges, sign: number, where: Pick<Votes, 'radii' | 'within' | 'cell'>) {
  const { within, cell } = where
  const { xs, ys, us, vs } = edges
  const indexes = edgesThatReach(edges, sign, where)
  const corner = { x: within.x - within.reach, y: within.y - within.reach }
  return {
    columns: Float64Array.from(indexes, (i) => ((xs[i] as number) - corner.x) / cell),
    rows: Float64Array.from(indexes, (i) => ((ys[i] as number) - corner.y) / cell),
    across: Float64Array.from(indexes, (i) => (sign * (us[i] as number)) / cell),
    down: Float64Array.from(indexes, (i) => (sign * (vs[i] as number)) / cell),
  }
}

/**
 * Circles that many edges point at, best first: each edge votes, along its own gradient, for the centres it could belong to,
 * one radius after the other. Peaks near a better one are left out.
 */
export function votedRings(edges: Edges, { polarity, radii, within, cell, most }: Votes): VotedRing[] {
  const side = max(3, ceil((2 * within.reach) / cell))
  const left = within.x - within.reach
  const top = within.y - within.reach
  const signs = polarity === 'bright-inside' ? [1] : polarity === 'dark-inside' ? [-1] : [1, -1]
  const voters = signs.map((sign) => votersOf(edges, sign, { radii, within, cell }))
  const votes = new Float32Array(side * side)
  /** Votes of a cell and its neighbours to either side. */
  const across = new Float32Array(side * side)
  const found: VotedRing[] = []
  for (const r of radii) {
    votes.fill(0)
    for (const { columns, rows, across: u, down: v } of voters)
      for (let i = 0; i < columns.length; i++) {
        const column = (columns[i] as number) + r * (u[i] as number)
        const row = (rows[i] as number) + r * (v[i] as number)
        if (column < 0 || row < 0 || column >= side || row >= side) continue
        const at = floor(row) * side + floor(column)
        votes[at] = (votes[at] as number) + 1
      }
    for (let at = 1; at < votes.length - 1; at++)
      across[at] = (votes[at - 1] as number) + (votes[at] as number) + (votes[at + 1] as number)
    const length = 2 * Math.PI * r
    for (let row = 1; row < side - 1; row++)
      for (let column = 1; column < side - 1; column++) {
        const at = row * side + column
        if (votes[at] === 0) continue
        const [above, below] = [at - side, at + side]
        const share = ((across[above] as number) + (across[at] as number) + (across[below] as number)) / length
        if (share < LEAST_SHARE) continue
        const sum = share * length
        let sumX = 0
        for (const middle of [above, at, below]) sumX += (votes[middle + 1] as number) - (votes[middle - 1] as number)
        const sumY = (across[below] as number) - (across[above] as number)
        const x = left + (column + 0.5 + sumX / sum) * cell
        const y = top + (row + 0.5 + sumY / sum) * cell
        found.push({ x, y, r, share })
      }
  }
  found.sort((a, b) => b.share - a.share)
  const kept: VotedRing[] = []
  for (const ring of found) {
    const near = kept.some(
      (other) =>
        hypot(other.x - ring.x, other.y - ring.y) < max(3 * cell, 0.05 * ring.r) &&
        abs(other.r - ring.r) < max(2 * cell, 0.06 * ring.r),
    )
    if (!near) kept.push(ring)
    if (kept.length >= most) break
  }
  return kept
}

export const radiiBetween = (from: number, to: number, step: number): number[] => {
  const count = max(1, round((to - from) / step) + 1)
  return Array.from({ length: count }, (_, i) => from + i * step)
}
