import type { Circle } from './circle-fit.ts'
import type { Plane } from './planes.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { abs, cos, exp, floor, max, min, sin } = Math

/** Share of the directions that may show nothing: a dark mark half over a dark ground has no edge there. */
const BLIND_SHARE = 0.3
/** Steps beyond this say no more: an edge is an edge. */
const PLAIN_STEP = 0.12
const DIRECTIONS = 40
/** A plain mark far off the middle still wins over a faint shadow in it. */
const LEAST_LIKELY = 0.3
/** Half of what is compared across an edge, px. */
const HALF_SPAN_PX = 1.25
const HOLES = [0.35, 0.45, 0.55, 0.65] as const

export interface MarkMatch extends Circle {
  /** Step in brightness at its rims, 0 to 0.12, less where the place is unlikely. */
  readonly step: number
}

/**
 * The ring that agrees best with the picture in all directions at once, among all places near one and the radii given. A
 * faint mark shows little anywhere, but shows it all the way round; a shadow's edge shows much, on one side.
 */
export function matchMark(
  planes: readonly Plane[],
  about: { readonly x: number; readonly y: number; readonly reach: number; readonly spread: number },
  radii: readonly number[],
): MarkMatch | null {
  let best: MarkMatch | null = null
  const consider = (x: number, y: number, r: number) => {
    // Stuck on with care, a mark is more likely near the middle than beside it.
    const nearness = exp(-((x - about.x) ** 2 + (y - about.y) ** 2) / (2 * about.spread ** 2))
    const likely = max(nearness, LEAST_LIKELY)
    const outer = stepRound(planes, x, y, r, best ? best.step / likely : 0)
    if (best && outer * likely <= best.step) return
    let inner = 0
    for (const hole of HOLES) if (hole * r > 1.2) inner = max(inner, stepRound(planes, x, y, hole * r, inner))
    // A solid dot has no hole: its rim alone may speak, though a ring's two rims say more.
    const step = (0.6 * outer + 0.4 * min(inner, outer)) * likely
    if (!best || step > best.step) best = { x, y, r, step }
  }
  const stride = max(1, about.reach / 14)
  for (let dy = -about.reach; dy <= about.reach; dy += stride)
    for (let dx = -about.reach; dx <= about.reach; dx += stride) {
      if (dx * dx + dy * dy > about.reach * about.reach) continue
      for (const r of radii) consider(about.x + dx, about.y + dy, r)
    }
  for (const finer of [0.5 * stride, 0.5, 0.25]) {
    const from = best as MarkMatch | null
    if (!from) return null
    for (let v = -1; v <= 1; v++)
      for (let u = -1; u <= 1; u++)
        for (const grown of [-1, 0, 1]) consider(from.x + u * finer, from.y + v * finer, from.r + grown * finer)
  }
  return best
}

const steps = new Float64Array(DIRECTIONS)
/** Each direction far from the one before it: what shows nothing on one side is soon seen. */
const SCATTERED = 17
const angles = Array.from(steps, (_step, i) => (2 * Math.PI * (((i * SCATTERED) % DIRECTIONS) + 0.5)) / DIRECTIONS)
const across = Float64Array.from(angles, cos)
const down = Float64Array.from(angles, sin)
/** Brightness just inside a circle, plane by plane. */
const inside = new Float64Array(4)

/** How much of a step in brightness a circle shows: half what all but the blind share of its directions reach, half the mean.
 * 0 as soon as it can't come above `least`. */
function stepRound(planes: readonly Plane[], x: number, y: number, r: number, least: number): number {
  const [first] = planes
  if (!first) return 0
  const { width, height } = first
  const mostColumn = max(width - 2, 0)
  const mostRow = max(height - 2, 0)
  const right = width > 1 ? 1 : 0
  const below = height > 1 ? width : 0
  let sum = 0
  for (let i = 0; i < DIRECTIONS; i++) {
    const cosine = across[i] as number
    const sine = down[i] as number
    let most = 0
    for (let side = 0; side < 2; side++) {
      const radius = side === 0 ? r - HALF_SPAN_PX : r + HALF_SPAN_PX
      const u = min(max(x + cosine * radius - 0.5, 0), width - 1)
      const v = min(max(y + sine * radius - 0.5, 0), height - 1)
      const column = min(floor(u), mostColumn)
      const row = min(floor(v), mostRow)
      const a = u - column
      const b = v - row
      const at = row * width + column
      for (let p = 0; p < planes.length; p++) {
        const { values } = planes[p] as Plane
        const top = (values[at] as number) * (1 - a) + (values[at + right] as number) * a
        const bottom = (values[at + below] as number) * (1 - a) + (values[at + below + right] as number) * a
        const value = top * (1 - b) + bottom * b
        if (side === 0) inside[p] = value
        else most = max(most, abs(value - (inside[p] as number)))
      }
    }
    steps[i] = most < PLAIN_STEP ? most : PLAIN_STEP
    sum += steps[i] as number
    const atMost = PLAIN_STEP + (sum + (DIRECTIONS - 1 - i) * PLAIN_STEP) / DIRECTIONS
    if (0.5 * atMost <= least) return 0
  }
  steps.sort()
  return 0.5 * (steps[floor(BLIND_SHARE * DIRECTIONS)] ?? 0) + (0.5 * sum) / DIRECTIONS
}
