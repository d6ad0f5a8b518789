import { solver } from '../../shared/linear-system.ts'
import type { Circle } from './circle-fit.ts'
import type { Plane } from './planes.ts'
import type { Rim } from './rim.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { abs, ceil, floor, hypot, max, min, sqrt } = Math

/** A ring stuck on the mirror, over a ground that changes at the edge of the cap's reflection. */
interface MarkModel extends Circle {
  /** Radius of its hole as a share of its own; 0 for a solid dot. */
  readonly hole: number
}

export interface MarkStart extends Circle {
  /** Bounds of its radius, px. */
  readonly least: number
  readonly most: number
}

/** Width over which an edge rises in the blurred picture, px. */
const SOFT_PX = 3
/** What is looked at about the mark, px. */
const MARGIN_PX = 4
/** The peephole's own dot is left out: this share of the cap's radius. */
const DOT_SHARE = 0.2
/** A blurred picture's neighbours tell the same: this many count as one. */
const PIXELS_TOGETHER = 8
const ROUNDS = 6
const MOST_STRIDE = 4

interface Fit {
  readonly squares: number
  /** Brightest difference between the mark and either ground, over the colours. */
  readonly contrast: number
}

/**
 * The mark as a whole: of all rings near a start the one which, with one brightness of its own and one for each ground,
 * leaves the least of the picture unexplained. Where mark and ground are alike, no edge is missed: the other parts speak.
 * @returns null where a mark explains hardly more than the bare ground. `coverage` is the share of the ground's unevenness
 *   that the mark explains
 */
export function fitMark(planes: readonly Plane[], cap: Circle | null, start: MarkStart): Rim | null {
  const about = { x: start.x, y: start.y, reach: start.most + MARGIN_PX }
  // Some of the pixels are enough as long as the steps are coarse.
  const stride = min(MOST_STRIDE, max(1, ceil(start.r / 8)))
  let looked = pixelsAbout(planes, cap, { ...about, stride })
  const unexplained = (model: MarkModel) => explained(looked, model)
  let best: MarkModel = { x: start.x, y: start.y, r: start.r, hole: 0.5 }
  let fit = unexplained(best)
  let step = { place: max(1, 0.25 * start.r), r: 0.06 * start.r, hole: 0.15 }
  for (let round = 0; round < ROUNDS; round++) {
    if (round === ROUNDS - 2 && stride > 1) {
      looked = pixelsAbout(planes, cap, { ...about, stride: 1 })
      fit = unexplained(best)
    }
    let improved = true
    for (let tries = 0; improved && tries < 4; tries++) {
      improved = false
      for (const [dx, dy, dr, dHole] of DIRECTIONS) {
        const r = best.r + dr * step.r
        const hole = best.hole + dHole * step.hole
        if (r < start.least || r > start.most || hole < 0 || hole > 0.8) continue
        const tried = { x: best.x + dx * step.place, y: best.y + dy * step.place, r, hole }
        if (hypot(tried.x - start.x, tried.y - start.y) > 0.6 * start.r + 2) continue
        const its = unexplained(tried)
        if (its.squares < fit.squares * (1 - 1e-6)) {
          best = tried
          fit = its
          improved = true
        }
      }
    }
    step = { place: step.place / 2, r: step.r / 2, hole: step.hole / 2 }
  }
  const bare = unexplained({ ...best, r: 0, hole: 0 }).squares
  const pixels = Math.PI * about.reach ** 2 * planes.length
  const spread = sqrt(fit.squares / pixels)
  const curve = (dx: number, dy: number) => {
    const shifted = unexplained({ ...best, x: best.x + dx, y: best.y + dy }).squares
    const back = unexplained({ ...best, x: best.x - dx, y: best.y - dy }).squares
    return max((shifted + back - 2 * fit.squares) / 0.25, 1e-9)
  }
  const variance = (2 * spread ** 2 * PIXELS_TOGETHER * (1 / curve(0.5, 0) + 1 / curve(0, 0.5))) / 2
  const coverage = bare > 0 ? 1 - fit.squares / bare : 0
  return {
    x: best.x,
    y: best.y,
    r: best.r,
    rms: spread / max(fit.contrast, 1e-3),
    inliers: Math.round(pixels),
    centreSigma: sqrt(variance),
    coverage,
    contrast: fit.contrast,
  }
}

const DIRECTIONS = [
  [1, 0, 0, 0],
  [-1, 0, 0, 0],
  [0, 1, 0, 0],
  [0, -1, 0, 0],
  [0, 0, 1, 0],
  [0, 0, -1, 0],
  [0, 0, 0, 1],
  [0, 0, 0, -1],
] as const

/** 1 inside, 0 outside, in between over the width of a soft edge. */
const within = (distance: number, radius: number): number =>
  radius <= 0 ? 0 : min(1, max(0, (radius - distance) / SOFT_PX + 0.5))

/** What is looked at about a place, pixel by pixel: the same for every mark that is tried there. */
interface Looked {
  readonly xs: Float64Array
  readonly ys: Float64Array
  /** 1 on the cap's reflection, 0 beside it. */
  readonly onCap: Float64Array
  /** 1 where the peephole's own dot may be. */
  readonly onDot: Uint8Array
  /** Brightness by pixel, colour after colour. */
  readonly values: Float64Array
  readonly colours: number
}

function pixelsAbout(
  planes: readonly Plane[],
  cap: Circle | null,
  about: { readonly x: number; readonly y: number; readonly reach: number; readonly stride: number },
): Looked {
  const { width = 0, height = 0 } = planes[0] ?? {}
  const left = max(0, floor(about.x - about.reach))
  const right = min(width - 1, ceil(about.x + about.reach))
  const top = max(0, floor(about.y - about.reach))
  const bottom = min(height - 1, ceil(about.y + about.reach))
  const most = max(0, ceil((right - left + 1) / about.stride)) * max(0, ceil((bottom - top + 1) / about.stride))
  const [xs, ys, onCap] = [new Float64Array(most), new Float64Array(most), new Float64Array(most)]
  const onDot = new Uint8Array(most)
  const values = new Float64Array(most * planes.length)
  let count = 0
  for (let row = top; row <= bottom; row += about.stride)
    for (let column = left; column <= right; column += about.stride) {
      const x = column + 0.5
      const y = row + 0.5
      if ((x - about.x) ** 2 + (y - about.y) ** 2 > about.reach ** 2) continue
      const fromCap = cap ? sqrt((x - cap.x) ** 2 + (y - cap.y) ** 2) : 0
      xs[count] = x
      ys[count] = y
      onCap[count] = cap ? within(fromCap, cap.r) : 1
      onDot[count] = cap && fromCap < DOT_SHARE * cap.r ? 1 : 0
      for (let k = 0; k < planes.length; k++)
        values[count * planes.length + k] = planes[k]?.values[row * width + column] ?? 0
      count++
    }
  const only = (some: Float64Array) => some.subarray(0, count)
  return { xs: only(xs), ys: only(ys), onCap: only(onCap), onDot, values, colours: planes.length }
}

/** Least squares of the picture about a place against mark and grounds, with the brightnesses free. */
function explained({ xs, ys, onCap, onDot, values, colours }: Looked, model: MarkModel): Fit {
  let [aa, ab, am, bb, bm, mm] = [1e-6, 0, 0, 1e-6, 0, 1e-6]
  /** By colour: what each of the three brightnesses meets, and the squares of all. */
  const sums = new Float64Array(4 * colours)
  const holeRadius = model.r * model.hole
  for (let i = 0; i < xs.length; i++) {
    const dx = (xs[i] as number) - model.x
    const dy = (ys[i] as number) - model.y
    const distance = sqrt(dx * dx + dy * dy)
    const mark = within(distance, model.r) - within(distance, holeRadius)
    if (onDot[i] === 1 && mark < 0.5) continue
    const a = (onCap[i] as number) * (1 - mark)
    const b = (1 - (onCap[i] as number)) * (1 - mark)
    aa += a * a
    ab += a * b
    am += a * mark
    bb += b * b
    bm += b * mark
    mm += mark * mark
    for (let k = 0; k < colours; k++) {
      const value = values[i * colours + k] as number
      const to = 4 * k
      sums[to] = (sums[to] as number) + a * value
      sums[to + 1] = (sums[to + 1] as number) + b * value
      sums[to + 2] = (sums[to + 2] as number) + mark * value
      sums[to + 3] = (sums[to + 3] as number) + value * value
    }
  }
  const solve = solver([
    [aa, ab, am],
    [ab, bb, bm],
    [am, bm, mm],
  ])
  let squares = 0
  let contrast = 0
  for (let k = 0; k < colours; k++) {
    const [onA = 0, onB = 0, onMark = 0, total = 0] = sums.subarray(4 * k, 4 * k + 4)
    const [ground = 0, beside = 0, mark = 0] = solve?.([onA, onB, onMark]) ?? []
    squares += max(0, total - ground * onA - beside * onB - mark * onMark)
    const seenOn = aa > 2 ? abs(mark - ground) : 0
    const seenBeside = bb > 2 ? abs(mark - beside) : 0
    contrast = max(contrast, seenOn, seenBeside)
  }
  return { squares, contrast }
}
