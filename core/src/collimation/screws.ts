import { degToRad, lengthOf, type PointXY } from '../shared/angles.ts'
import { requireFinite, requirePositive } from '../shared/require.ts'
import { solved } from '../shared/linear-system.ts'

export type TurnSense = 'clockwise' | 'anticlockwise'

export interface CellScrew {
  readonly name: string
  /** Clockwise from the focuser's side, seen from behind. */
  readonly angleDeg: number
  /** Way it can't go: at its end, or stuck. */
  readonly blocked?: TurnSense | undefined
}

/** Turns from behind, + clockwise. */
export interface ScrewTurn {
  readonly name: string
  readonly turns: number
}

export interface PrimaryCell {
  readonly focalLengthMm: number
  readonly screws: readonly CellScrew[]
  readonly circleRadiusMm: number
  readonly pitchMm: number
  /** What turning clockwise, from behind, does to the mirror at that screw. */
  readonly clockwise: 'towards-sky' | 'away-from-sky'
  /** How far behind the vertex the mirror pivots; 0 where nobody measured it. */
  readonly pivotBehindMm?: number | undefined
}

export interface TurnsInput extends PrimaryCell {
  readonly axisErrorMm: PointXY
}

export interface TurnsAdvice {
  /** All screws, their sum zero: the mirror keeps its place along the tube. */
  readonly turns: readonly ScrewTurn[]
  /** At most two of three screws. */
  readonly fewest: readonly ScrewTurn[]
  /** The one screw that does most, and what it leaves. */
  readonly single: { readonly name: string; readonly turns: number; readonly residualMm: number }
  /** All screws as a hand can turn them. */
  readonly rounded: readonly ScrewTurn[]
  /** Left over after the rounded turns. */
  readonly residualMm: number
  readonly fewestRounded: readonly ScrewTurn[]
  readonly fewestResidualMm: number
  readonly singleRounded: ScrewTurn
  readonly singleRoundedResidualMm: number
}

const QUARTER = 0.25
/** So many turns from the middle a screw has before its spring is slack or its thread ends. Common practice, no source. */
export const SCREW_TRAVEL_TURNS = 4
const EIGHTHS = 8
const SIXTEENTHS = 16
/** Screws on a line through the axis can't tilt a mirror across it. */
const LEAST_SPREAD = 0.05

/** What a hand can turn: eighths of a turn from a quarter up, sixteenths below. */
export function roundedTurns(turns: number): number {
  const parts = Math.abs(turns) >= QUARTER ? EIGHTHS : SIXTEENTHS
  return Math.round(turns * parts) / parts + 0
}

/**
 * How turning screws moves the axis: mm at the focal plane, cell frame, of h for one turn clockwise of each screw alone.
 *
 * The mirror rests on its screws: heights zᵢ over places r·uᵢ make a plane of slope g (least squares where there are more
 * than three), whose normal, and with it the axis at the focal length, moves by −g·f. A mirror that pivots v behind its
 * vertex carries the vertex along and moves the axis by v/f more.
 */
export function axisPerTurn(cell: PrimaryCell): readonly PointXY[] {
  const { focalLengthMm, screws, circleRadiusMm, pitchMm, clockwise, pivotBehindMm = 0 } = cell
  requirePositive({ focalLengthMm, circleRadiusMm, pitchMm })
  requireFinite({ pivotBehindMm })
  if (screws.length < 3)
    throw new RangeError(
      `screws: three at least are needed to line up a mirror; ${screws.length} known. Add the others in the model`,
    )
  const places = screws.map(({ angleDeg, name }) => {
    requireFinite({ [`angle of screw ${name}`]: angleDeg })
    const rad = degToRad(angleDeg)
    return { x: circleRadiusMm * Math.cos(rad), y: circleRadiusMm * Math.sin(rad) }
  })
  const sum = (of: (place: PointXY) => number) => places.reduce((total, place) => total + of(place), 0)
  const normal = [
    [sum(({ x }) => x * x), sum(({ x, y }) => x * y), sum(({ x }) => x)],
    [sum(({ x, y }) => x * y), sum(({ y }) => y * y), sum(({ y }) => y)],
    [sum(({ x }) => x), sum(({ y }) => y), screws.length],
  ]
  const sense = clockwise === 'towards-sky' ? 1 : -1
  const perSlope = focalLengthMm * (1 + pivotBehindMm / focalLengthMm)
  const moves = places.map(({ x, y }) => {
    const slope = solved(
      normal,
      [x, y, 1].map((value) => value * pitchMm * sense),
    )
    return { x: -(slope?.[0] ?? NaN) * perSlope, y: -(slope?.[1] ?? NaN) * perSlope }
  })
  const usual = (2 * pitchMm * focalLengthMm) / (3 * circleRadiusMm)
  const spans = moves.every(({ x, y }) => Number.isFinite(x + y) && Math.hypot(x, y) < usual / LEAST_SPREAD)
  if (!spans) throw new RangeError('screws: their angles lie together; three must be spread round the cell')
  return moves
}

/** Whether an advice asks more of a screw than it has: then not the screws are off, but the mirror in its cell. */
export const isBeyondTravel = (turns: readonly ScrewTurn[]): boolean =>
  turns.some(({ turns: count }) => Math.abs(count) > SCREW_TRAVEL_TURNS)

/** The largest axis error that a cell's screws can make, all on one side at their ends, mm at the focal plane. More was not
 * measured but mistyped, or the mirror has left its cell. */
export const mostAxisErrorMm = (cell: PrimaryCell): number =>
  2 * SCREW_TRAVEL_TURNS * Math.max(...axisPerTurn(cell).map(lengthOf))

/** Axis error after turns, cell frame. Screws that aren't named stay. */
export function axisErrorAfter(cell: PrimaryCell, axisErrorMm: PointXY, turns: readonly ScrewTurn[]): PointXY {
  const moves = axisPerTurn(cell)
  return cell.screws.reduce<PointXY>((error, { name }, i) => {
    const turned = turns.find((turn) => turn.name === name)?.turns ?? 0
    return { x: error.x + (moves[i]?.x ?? 0) * turned, y: error.y + (moves[i]?.y ?? 0) * turned }
  }, axisErrorMm)
}

/**
 * Which screw of a primary's cell, which way and how far.
 *
 * Raising the mirror (towards the sky) by zᵢ = r·(h·uᵢ)/f at each screw tilts it so that its axis moves by −h: that brings
 * it back. In turns tᵢ = r(hₓcos ψᵢ + h_y sin ψᵢ)/(f·p). A turn common to all moves the mirror along the tube and changes
 * nothing: taken so that they sum to zero for *turns*, and so that as few screws as possible move for *fewest*. One screw
 * alone moves the axis by 2fp/(3r) a turn.
 *
 * @param input lengths in mm, angles clockwise from the focuser's side seen from behind, axisErrorMm in the same frame
 * @returns turns from behind, + clockwise. A screw is never advised the way it is blocked: the common turn is chosen so that
 *   all others do its part; where that can't be, the least error that the free ones reach is what remains
 * @throws RangeError for fewer than three screws, angles on one side, or sizes out of range
 * Source: geometry above; checked against an exact ray trace of the tilted mirror */
export function collimationTurns(input: TurnsInput): TurnsAdvice {
  const { axisErrorMm: error, screws } = input
  requireFinite({ axisErrorX: error.x, axisErrorY: error.y })
  const moves = axisPerTurn(input)
  const after = (turns: readonly number[]): number =>
    lengthOf({
      x: error.x + moves.reduce((sum, move, i) => sum + move.x * (turns[i] ?? 0), 0),
      y: error.y + moves.reduce((sum, move, i) => sum + move.y * (turns[i] ?? 0), 0),
    })
  const named = (turns: readonly number[]): ScrewTurn[] =>
    screws.map(({ name }, i) => ({ name, turns: (turns[i] ?? 0) + 0 }))
  const free = feasibleTurns(error, moves, screws)
  const fewestTurns = withFewest(free, screws)
  const single = bestSingle(error, moves, screws)
  const roundedAll = free.map((turn, i) => roundedWithin(turn, screws[i]))
  const roundedFewest = fewestTurns.map((turn, i) => roundedWithin(turn, screws[i]))
  const singleRounded = roundedTurns(single.turns)
  return {
    turns: named(free),
    fewest: named(fewestTurns).filter(({ turns }) => Math.abs(turns) > 1e-9),
    single: { name: screws[single.at]?.name ?? '', turns: single.turns, residualMm: single.residualMm },
    rounded: named(roundedAll),
    residualMm: after(roundedAll),
    fewestRounded: named(roundedFewest).filter(({ turns }) => turns !== 0),
    fewestResidualMm: after(roundedFewest),
    singleRounded: { name: screws[single.at]?.name ?? '', turns: singleRounded },
    singleRoundedResidualMm: after(screws.map((_, i) => (i === single.at ? singleRounded : 0))),
  }
}

const roundedWithin = (turns: number, screw: CellScrew | undefined): number => {
  const rounded = roundedTurns(turns)
  return screw && isBlocked(rounded, screw) ? 0 : rounded
}

const isBlocked = (turns: number, { blocked }: CellScrew): boolean =>
  (blocked === 'clockwise' && turns > 1e-9) || (blocked === 'anticlockwise' && turns < -1e-9)

/** Turns whose common part is as near to none as the blocked screws allow; where none is allowed, blocked screws stay
 * and the others do what they can. */
function feasibleTurns(error: PointXY, moves: readonly PointXY[], screws: readonly CellScrew[]): number[] {
  const exact = leastTurns(error, moves)
  const { least, most } = commonBounds(exact, screws)
  if (least <= most) {
    const common = Math.min(Math.max(0, least), most)
    return exact.map((turn) => turn + common)
  }
  // Blocked against each other: hold some of them still, the fewest that leave the rest allowed.
  let best: number[] | null = null
  let bestError = Infinity
  for (let held = 1; held < 1 << screws.length; held++) {
    const still = screws.map((screw, i) => ((held >> i) & 1) === 1 && screw.blocked !== undefined)
    if (!still.some(Boolean)) continue
    const partial = leastTurns(
      error,
      moves.map((move, i) => (still[i] ? { x: 0, y: 0 } : move)),
    ).map((turn, i) => (still[i] ? 0 : turn))
    if (partial.some((turn, i) => isBlocked(turn, screws[i] as CellScrew))) continue
    const left = lengthOf({
      x: error.x + moves.reduce((sum, move, i) => sum + move.x * (partial[i] ?? 0), 0),
      y: error.y + moves.reduce((sum, move, i) => sum + move.y * (partial[i] ?? 0), 0),
    })
    if (left < bestError - 1e-9) {
      bestError = left
      best = partial
    }
  }
  return best && bestError < lengthOf(error) ? best : screws.map(() => 0)
}

/** How much may be added to all turns before a blocked screw goes the way it can't. */
function commonBounds(turns: readonly number[], screws: readonly CellScrew[]): { least: number; most: number } {
  let least = -Infinity
  let most = Infinity
  screws.forEach(({ blocked }, i) => {
    const turn = turns[i] ?? 0
    if (blocked === 'clockwise') most = Math.min(most, -turn)
    if (blocked === 'anticlockwise') least = Math.max(least, -turn)
  })
  return { least, most }
}

/** The smallest turns (least squares) that bring the error to nothing, or as near as they can: moves·t = −error. */
function leastTurns(error: PointXY, moves: readonly PointXY[]): number[] {
  const xx = moves.reduce((sum, { x }) => sum + x * x, 0)
  const xy = moves.reduce((sum, { x, y }) => sum + x * y, 0)
  const yy = moves.reduce((sum, { y }) => sum + y * y, 0)
  // One screw left, or two in line: a tiny share of the whole keeps the system solvable and changes nothing else.
  const ridge = 1e-9 * (xx + yy)
  const way = solved(
    [
      [xx + ridge, xy],
      [xy, yy + ridge],
    ],
    [-error.x, -error.y],
  )
  return moves.map(({ x, y }) => x * (way?.[0] ?? 0) + y * (way?.[1] ?? 0))
}

/** The common turn that leaves most screws alone; of several the one with the least turning. */
function withFewest(turns: readonly number[], screws: readonly CellScrew[]): number[] {
  const { least, most } = commonBounds(turns, screws)
  const choices = turns
    .map((turn) => -turn)
    .filter((common) => common >= least - 1e-9 && common <= most + 1e-9)
    .map((common) => turns.map((turn) => (Math.abs(turn + common) < 1e-9 ? 0 : turn + common)))
  const moved = (set: readonly number[]) => set.filter((turn) => turn !== 0).length
  const total = (set: readonly number[]) => set.reduce((sum, turn) => sum + Math.abs(turn), 0)
  return choices.sort((a, b) => moved(a) - moved(b) || total(a) - total(b))[0] ?? [...turns]
}

function bestSingle(error: PointXY, moves: readonly PointXY[], screws: readonly CellScrew[]) {
  const options = moves.map((move, at) => {
    const wanted = -(error.x * move.x + error.y * move.y) / (move.x ** 2 + move.y ** 2)
    const turns = isBlocked(wanted, screws[at] as CellScrew) ? 0 : wanted
    return { at, turns, residualMm: Math.hypot(error.x + move.x * turns, error.y + move.y * turns) }
  })
  return options.sort((a, b) => a.residualMm - b.residualMm)[0] ?? { at: 0, turns: 0, residualMm: lengthOf(error) }
}
