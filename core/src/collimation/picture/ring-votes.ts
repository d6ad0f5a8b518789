import type { Circle } from './circle-fit.ts'
import type { Plane } from './planes.ts'
import type { Polarity } from './rim.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { abs, ceil, floor, hypot, max, min, round, sqrt } = Math

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
        const nw = values[at - width - 1] as number
        const n = values[at - width] as number
        const ne = values[at - width + 1] as number
        const w = values[at - 1] as number
        const e = values[at + 1] as number
        const sw = values[at + width - 1] as number
        const s = values[at + width] as number
        const se = values[at + width + 1] as number
        // Scharr's weights: the direction is right to a tenth of a degree.
        const x = (3 * (ne - nw) + 10 * (e - w) + 3 * (se - sw)) / 32
        const y = (3 * (sw - nw) + 10 * (s - n) + 3 * (se - ne)) / 32
        const slope = sqrt(x * x + y * y)
        if (slope <= (size[at] as number)) continue
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
      const here = size[at] as number
      if (here < leastSlope) continue
      const u = (gx[at] as number) / here
      const v = (gy[at] as number) / here
      const ahead = at + round(u) + round(v) * width
      const behind = at - round(u) - round(v) * width
      if (here < (size[ahead] as number) || here <= (size[behind] as number)) continue
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
interface Voters {
  readonly columns: Float64Array
  readonly rows: Float64Array
  readonly across: Float64Array
  readonly down: Float64Array
  /** Indexes of the radii between which a vote may lie in the square. */
  readonly first: Int32Array
  readonly last: Int32Array
}

function votersOf(edges: Edges, signs: readonly number[], where: Pick<Votes, 'radii' | 'within' | 'cell'>): Voters {
  const { within, cell, radii } = where
  const { xs, ys, us, vs } = edges
  const side = sideOf(where)
  const [left, top] = [within.x - within.reach, within.y - within.reach]
  const from = radii[0] ?? 0
  const step = (radii[1] ?? from + 1) - from
  const reaching = signs.map((sign) => ({ sign, indexes: edgesThatReach(edges, sign, where) }))
  const count = reaching.reduce((sum, { indexes }) => sum + indexes.length, 0)
  const figures = () => new Float64Array(count)
  const [columns, rows, across, down] = [figures(), figures(), figures(), figures()]
  const [first, last] = [new Int32Array(count), new Int32Array(count)]
  let at = 0
  for (const { sign, indexes } of reaching)
    for (let j = 0; j < indexes.length; j++, at++) {
      const i = indexes[j] as number
      const column = (columns[at] = ((xs[i] as number) - left) / cell)
      const row = (rows[at] = ((ys[i] as number) - top) / cell)
      const u = (across[at] = (sign * (us[i] as number)) / cell)
      const v = (down[at] = (sign * (vs[i] as number)) / cell)
      const enters = max(entersAt(column, u, side), entersAt(row, v, side))
      const leaves = min(leavesAt(column, u, side), leavesAt(row, v, side))
      // One radius more to either side: whether a vote lies in the square is asked again where it is cast.
      first[at] = min(radii.length, max(0, ceil((enters - from) / step) - 1))
      last[at] = min(radii.length, floor((leaves - from) / step) + 1)
    }
  return { columns, rows, across, down, first, last }
}

/** The radius from which a vote lies between 0 and `side`, and the one up to which: it begins at `place` and moves by `pace`. */
const entersAt = (place: number, pace: number, side: number): number =>
  pace === 0 ? -Infinity : pace > 0 ? -place / pace : (side - place) / pace
const leavesAt = (place: number, pace: number, side: number): number =>
  pace === 0 ? Infinity : pace > 0 ? (side - place) / pace : -place / pace

/** Voters in the order of their first radius. */
function byFirstRadius({ first }: Voters, radii: number): Int32Array {
  const starts = new Int32Array(radii + 2)
  for (let i = 0; i < first.length; i++)
    starts[(first[i] as number) + 1] = (starts[(first[i] as number) + 1] as number) + 1
  for (let k = 1; k < starts.length; k++) starts[k] = (starts[k] as number) + (starts[k - 1] as number)
  const order = new Int32Array(first.length)
  for (let i = 0; i < first.length; i++) {
    const to = starts[first[i] as number] as number
    order[to] = i
    starts[first[i] as number] = to + 1
  }
  return order
}

const sideOf = ({ within, cell }: Pick<Votes, 'within' | 'cell'>): number => max(3, ceil((2 * within.reach) / cell))

/**
 * Circles that many edges point at, best first: each edge votes, along its own gradient, for the centres it could belong to,
 * one radius after the other. Peaks near a better one are left out.
 */
export function votedRings(edges: Edges, { polarity, radii, within, cell, most }: Votes): VotedRing[] {
  const side = sideOf({ within, cell })
  const left = within.x - within.reach
  const top = within.y - within.reach
  const signs = polarity === 'bright-inside' ? [1] : polarity === 'dark-inside' ? [-1] : [1, -1]
  const voters = votersOf(edges, signs, { radii, within, cell })
  const { columns, rows, across: u, down: v, last } = voters
  const order = byFirstRadius(voters, radii.length)
  /** Those whose votes may lie in the square at this radius, and how many they are. */
  const voting = new Int32Array(order.length)
  let count = 0
  let next = 0
  const votes = new Float32Array(side * side)
  /** Votes of a cell and its neighbours to either side. */
  const across = new Float32Array(side * side)
  const found: VotedRing[] = []
  for (const [k, r] of radii.entries()) {
    votes.fill(0)
    while (next < order.length && (voters.first[order[next] as number] as number) <= k)
      voting[count++] = order[next++] as number
    for (let j = 0; j < count; j++) {
      const i = voting[j] as number
      if ((last[i] as number) < k) {
        voting[j--] = voting[--count] as number
        continue
      }
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
