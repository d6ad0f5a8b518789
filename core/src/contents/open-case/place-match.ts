import type { Place } from './place.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { abs, atan2, cos, floor, hypot, log, max, min, sin, sqrt } = Math

/** How a place has to be turned and shifted about its middle to lie on another: mm and radians. */
export interface Laid {
  readonly dx: number
  readonly dy: number
  readonly turn: number
  /** Mean of two correlations, of brightness and of its slopes; 1 is the same picture. */
  readonly likeness: number
}

/** Brightness and its slopes at some coarseness. */
interface Level {
  readonly width: number
  readonly height: number
  readonly mmPerCell: number
  readonly value: Float32Array
  readonly slopeX: Float32Array
  readonly slopeY: Float32Array
  readonly weight: Float32Array
}
export interface Levels {
  readonly coarse: Level
  readonly middle: Level
  readonly fine: Level
}

/** Logarithms of brightness over the foam's are cut off here: deep shadow is only shadow, and a glint only bright. */
const [DARKEST, BRIGHTEST] = [-0.3, 1.2]
const [COARSE_MM, MIDDLE_MM] = [4, 2]
const FARTHEST_MM = 14
const SHIFT_CELLS = 3
const TURNS_DEG = [-20, -10, 0, 10, 20] as const
/** Wells about as long as wide let a part lie in them by quarters, others by halves. */
const SQUARE_WITHIN = 1.3
const CANDIDATES = 2
/** Variance that an even piece of foam has by its grain. */
const [GRAIN, SLOPE_GRAIN] = [0.01, 0.0016]

export function levelsOf({ width, height, tone, weight: wall }: Omit<Place, 'foam' | 'covered' | 'burnt'>): Levels {
  const value = tone.map((ratio) => max(DARKEST, min(BRIGHTEST, log(max(ratio, 0.01)))))
  const at = (mmPerCell: number) => levelOf({ width, height, value, wall }, mmPerCell)
  return { coarse: at(COARSE_MM), middle: at(MIDDLE_MM), fine: at(1) }
}

function levelOf(
  from: {
    readonly width: number
    readonly height: number
    readonly value: Float32Array
    readonly wall: Float32Array
  },
  mmPerCell: number,
): Level {
  const width = max(2, floor(from.width / mmPerCell))
  const height = max(2, floor(from.height / mmPerCell))
  const value = new Float32Array(width * height)
  const weight = new Float32Array(width * height)
  const [spareX, spareY] = [(from.width - width * mmPerCell) / 2, (from.height - height * mmPerCell) / 2]
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      let [sum, walls, count] = [0, 0, 0]
      for (let v = 0; v < mmPerCell; v++)
        for (let u = 0; u < mmPerCell; u++) {
          const column = min(from.width - 1, max(0, floor(spareX + x * mmPerCell + u)))
          const row = min(from.height - 1, max(0, floor(spareY + y * mmPerCell + v)))
          sum += from.value[row * from.width + column] as number
          walls += from.wall[row * from.width + column] as number
          count++
        }
      value[y * width + x] = sum / count
      weight[y * width + x] = walls / count
    }
  const slopeX = new Float32Array(width * height)
  const slopeY = new Float32Array(width * height)
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      const i = y * width + x
      slopeX[i] = ((value[i + 1] as number) - (value[i - 1] as number)) / 2
      slopeY[i] = ((value[i + width] as number) - (value[i - width] as number)) / 2
    }
  return { width, height, mmPerCell, value, slopeX, slopeY, weight }
}

/** Lays one place on another as well as it goes: parts lie loosely, and may be put in the other way round.
 * @returns how `moved` has to be shifted and turned to lie on `still`; both of one size */
export function laidOn(still: Levels, moved: Levels): Laid {
  const { width, height } = still.fine
  const quarters = max(width, height) / min(width, height) < SQUARE_WITHIN ? [0, 90, 180, 270] : [0, 180]
  const turns = quarters.flatMap((quarter) => TURNS_DEG.map((deg) => ((quarter + deg) * Math.PI) / 180))
  const tried = turns.flatMap((turn) => shiftedAbout(still.coarse, moved.coarse, turn))
  tried.sort((a, b) => b.likeness - a.likeness)
  const apart: Laid[] = []
  for (const next of tried) {
    if (apart.length >= CANDIDATES) break
    if (apart.every((taken) => isApart(taken, next))) apart.push(next)
  }
  const refined = apart.map((start) =>
    climbed(still.middle, moved.middle, start, { stepMm: 2, least: 0.5, mostMoves: 8 }),
  )
  const best = refined.reduce((a, b) => (b.likeness > a.likeness ? b : a))
  return climbed(still.fine, moved.fine, best, { stepMm: 0.5, least: 0.5, mostMoves: 3 })
}

const isApart = (a: Laid, b: Laid) => {
  const turn = abs(atan2(sin(a.turn - b.turn), cos(a.turn - b.turn)))
  return hypot(a.dx - b.dx, a.dy - b.dy) > 1.5 * COARSE_MM || turn > 0.3
}

const TURN_PER_MM = (2.5 * Math.PI) / 180

function climbed(
  still: Level,
  moved: Level,
  start: Laid,
  by: { readonly stepMm: number; readonly least: number; readonly mostMoves: number },
): Laid {
  let best: Laid = { ...start, likeness: likenessAt(still, moved, start.dx, start.dy, start.turn) }
  for (let step = by.stepMm; step >= by.least; step /= 2) {
    for (let moves = 0; moves < by.mostMoves; moves++) {
      let next = best
      for (const [x, y, t] of STEPS) {
        const [dx, dy, turn] = [best.dx + x * step, best.dy + y * step, best.turn + t * step * TURN_PER_MM]
        if (abs(dx) > FARTHEST_MM || abs(dy) > FARTHEST_MM) continue
        const likeness = likenessAt(still, moved, dx, dy, turn)
        if (likeness > next.likeness) next = { dx, dy, turn, likeness }
      }
      if (next === best) break
      best = next
    }
  }
  return best
}
const STEPS = [
  [1, 0, 0],
  [-1, 0, 0],
  [0, 1, 0],
  [0, -1, 0],
  [0, 0, 1],
  [0, 0, -1],
] as const

/** All shifts by whole cells at one turn: it is turned once, onto a sheet with room about it. */
function shiftedAbout(still: Level, moved: Level, turn: number): Laid[] {
  const { width, height, mmPerCell, weight, value: stillValue, slopeX: stillX, slopeY: stillY } = still
  const sheetWidth = width + 2 * SHIFT_CELLS
  const sheet = turned(moved, turn)
  const laid: Laid[] = []
  for (let v = -SHIFT_CELLS; v <= SHIFT_CELLS; v++)
    for (let u = -SHIFT_CELLS; u <= SHIFT_CELLS; u++) {
      // Plain numbers, one by one: this is where the time goes.
      let sw = 0
      let sa = 0
      let sb = 0
      let saa = 0
      let sbb = 0
      let sab = 0
      let gaa = 0
      let gbb = 0
      let gab = 0
      for (let y = 0; y < height; y++) {
        const below = (y + v + SHIFT_CELLS) * sheetWidth + u + SHIFT_CELLS
        for (let x = 0; x < width; x++) {
          const i = y * width + x
          const k = below + x
          const q = weight[i] as number
          const a = stillValue[i] as number
          const b = sheet.value[k] as number
          const ax = stillX[i] as number
          const ay = stillY[i] as number
          const bx = sheet.slopeX[k] as number
          const by = sheet.slopeY[k] as number
          sw += q
          sa += q * a
          sb += q * b
          saa += q * a * a
          sbb += q * b * b
          sab += q * a * b
          gaa += q * (ax * ax + ay * ay)
          gbb += q * (bx * bx + by * by)
          gab += q * (ax * bx + ay * by)
        }
      }
      const sums = { weight: sw, a: sa, b: sb, aa: saa, bb: sbb, ab: sab, slopesA: gaa, slopesB: gbb, slopesAB: gab }
      // The sheet's shift is taken before the turn: the place's own, after it.
      const [dx, dy] = [u * mmPerCell, v * mmPerCell]
      const [c, s] = [cos(turn), sin(turn)]
      laid.push({ dx: c * dx - s * dy, dy: s * dx + c * dy, turn, likeness: correlation(sums, mmPerCell) })
    }
  return laid
}

/** A level turned about its middle, on a sheet that is wider by the shifts on each side. */
function turned({ width, height, value, slopeX, slopeY }: Level, turn: number) {
  const [sheetWidth, sheetHeight] = [width + 2 * SHIFT_CELLS, height + 2 * SHIFT_CELLS]
  const sheet = () => new Float32Array(sheetWidth * sheetHeight)
  const out = { value: sheet(), slopeX: sheet(), slopeY: sheet() }
  const [c, s] = [cos(turn), sin(turn)]
  const [cx, cy] = [(width - 1) / 2, (height - 1) / 2]
  for (let row = 0; row < sheetHeight; row++)
    for (let column = 0; column < sheetWidth; column++) {
      const x = column - SHIFT_CELLS - cx
      const y = row - SHIFT_CELLS - cy
      const u = c * x - s * y + cx
      const v = s * x + c * y + cy
      const iu = floor(u)
      const iv = floor(v)
      if (iu < 0 || iv < 0 || iu >= width - 1 || iv >= height - 1) continue
      const fu = u - iu
      const fv = v - iv
      const k = iv * width + iu
      const at = (plane: Float32Array) =>
        (1 - fu) * (1 - fv) * (plane[k] as number) +
        fu * (1 - fv) * (plane[k + 1] as number) +
        (1 - fu) * fv * (plane[k + width] as number) +
        fu * fv * (plane[k + width + 1] as number)
      const i = row * sheetWidth + column
      const bu = at(slopeX)
      const bv = at(slopeY)
      out.value[i] = at(value)
      out.slopeX[i] = c * bu + s * bv
      out.slopeY[i] = -s * bu + c * bv
    }
  return out
}

interface Sums {
  readonly weight: number
  readonly a: number
  readonly b: number
  readonly aa: number
  readonly bb: number
  readonly ab: number
  readonly slopesA: number
  readonly slopesB: number
  readonly slopesAB: number
}

function correlation(sums: Sums, mmPerCell: number): number {
  const { weight, a, b } = sums
  const [va, vb, vab] = [sums.aa - (a * a) / weight, sums.bb - (b * b) / weight, sums.ab - (a * b) / weight]
  // Slopes are per cell: those of a coarser level are steeper.
  const slopeGrain = SLOPE_GRAIN * weight * mmPerCell
  return (
    0.5 * (vab / sqrt((va + GRAIN * weight) * (vb + GRAIN * weight))) +
    0.5 * (sums.slopesAB / sqrt((sums.slopesA + slopeGrain) * (sums.slopesB + slopeGrain)))
  )
}

/** Correlation of brightness and of its slopes, `moved` shifted and turned; beyond its border there is plain foam. */
function likenessAt(still: Level, moved: Level, dxMm: number, dyMm: number, turn: number): number {
  const { width, height, mmPerCell, weight } = still
  const [c, s] = [cos(turn), sin(turn)]
  const [cx, cy] = [(width - 1) / 2, (height - 1) / 2]
  const [dx, dy] = [dxMm / mmPerCell, dyMm / mmPerCell]
  let sw = 0
  let sa = 0
  let sb = 0
  let saa = 0
  let sbb = 0
  let sab = 0
  let gaa = 0
  let gbb = 0
  let gab = 0
  const { value, slopeX, slopeY } = moved
  const { value: stillValue, slopeX: stillX, slopeY: stillY } = still
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = y * width + x
      const q = weight[i] as number
      const a = stillValue[i] as number
      const ax = stillX[i] as number
      const ay = stillY[i] as number
      const u = c * (x - cx) - s * (y - cy) + cx + dx
      const v = s * (x - cx) + c * (y - cy) + cy + dy
      const iu = floor(u)
      const iv = floor(v)
      let b = 0
      let bu = 0
      let bv = 0
      if (iu >= 0 && iv >= 0 && iu < width - 1 && iv < height - 1) {
        const fu = u - iu
        const fv = v - iv
        const k = iv * width + iu
        const w00 = (1 - fu) * (1 - fv)
        const w10 = fu * (1 - fv)
        const w01 = (1 - fu) * fv
        const w11 = fu * fv
        const k10 = k + 1
        const k01 = k + width
        const k11 = k01 + 1
        b =
          w00 * (value[k] as number) +
          w10 * (value[k10] as number) +
          w01 * (value[k01] as number) +
          w11 * (value[k11] as number)
        bu =
          w00 * (slopeX[k] as number) +
          w10 * (slopeX[k10] as number) +
          w01 * (slopeX[k01] as number) +
          w11 * (slopeX[k11] as number)
        bv =
          w00 * (slopeY[k] as number) +
          w10 * (slopeY[k10] as number) +
          w01 * (slopeY[k01] as number) +
          w11 * (slopeY[k11] as number)
      }
      // Slopes turn with what they belong to.
      const bx = c * bu + s * bv
      const by = -s * bu + c * bv
      sw += q
      sa += q * a
      sb += q * b
      saa += q * a * a
      sbb += q * b * b
      sab += q * a * b
      gaa += q * (ax * ax + ay * ay)
      gbb += q * (bx * bx + by * by)
      gab += q * (ax * bx + ay * by)
    }
  return correlation(
    { weight: sw, a: sa, b: sb, aa: saa, bb: sbb, ab: sab, slopesA: gaa, slopesB: gbb, slopesAB: gab },
    mmPerCell,
  )
}
