import { solved } from '../shared/linear-system.ts'
import { roundedTurns } from '../collimation/screws.ts'
import { degToRad, lengthOf, type PointXY } from '../shared/angles.ts'
import { requireFinite, requirePositive } from '../shared/require.ts'

export interface FinderKnob {
  readonly name: string
  /** Direction in which it moves the finder's line of sight, degrees from up, clockwise, as the naked eye sees. */
  readonly angleDeg: number
  readonly arcminPerTurn: number
  /** What turning clockwise, seen at the knob's own head, does: `towards` that direction, or `away` from it. */
  readonly clockwise: 'towards' | 'away'
}

/** + is clockwise, seen at the knob's own head. */
export interface KnobTurn {
  readonly name: string
  readonly turns: number
}

export interface KnobTurns {
  readonly turns: readonly KnobTurn[]
  readonly residualArcmin: number
  /** As a hand can turn them. */
  readonly rounded: readonly KnobTurn[]
  readonly roundedResidualArcmin: number
}

/** Knobs in line with each other can't move a finder across that line. */
const LEAST_SPREAD = 1e-9

/** How far a thread tilts a finder in one turn, arcminutes. @param leverMm from the knob to where the finder pivots */
export function arcminPerTurn(given: { readonly pitchMm: number; readonly leverMm: number }): number {
  requirePositive(given)
  return (Math.atan2(given.pitchMm, given.leverMm) * 180 * 60) / Math.PI
}

const pullOf = ({ angleDeg, arcminPerTurn: perTurn, clockwise }: FinderKnob): PointXY => {
  const sense = clockwise === 'towards' ? perTurn : -perTurn
  return { x: sense * Math.sin(degToRad(angleDeg)), y: sense * Math.cos(degToRad(angleDeg)) }
}

/** Where the finder points after some turns, arcminutes right and up of the tube. */
export function afterKnobTurns(
  misalignment: PointXY,
  knobs: readonly FinderKnob[],
  turns: readonly KnobTurn[],
): PointXY {
  return turns.reduce((at, { name, turns: count }) => {
    const knob = knobs.find((each) => each.name === name)
    if (!knob) throw new RangeError(`turns: there is no knob ${name}`)
    const pull = pullOf(knob)
    return { x: at.x + count * pull.x, y: at.y + count * pull.y }
  }, misalignment)
}

/**
 * Which knobs to turn, and how far, so that the finder points where the tube points.
 *
 * The turns with the least sum of squares that bring both axes to nothing; where all knobs pull in one line, as near as they
 * can bring it. Opposed screws get opposite turns: one is let go as far as the other goes in.
 * @param input misalignment: finder − tube, arcminutes right (x) and up (y), as the naked eye sees
 * @throws RangeError for no knobs, or a knob that moves nothing. Linear algebra. */
export function finderKnobs(input: {
  readonly misalignment: PointXY
  readonly knobs: readonly FinderKnob[]
}): KnobTurns {
  const { misalignment, knobs } = input
  requireFinite({ 'misalignment.x': misalignment.x, 'misalignment.y': misalignment.y })
  if (knobs.length === 0) throw new RangeError('knobs: one at least is needed; a sight without any can’t be turned')
  for (const { arcminPerTurn: perTurn, angleDeg } of knobs) {
    requirePositive({ arcminPerTurn: perTurn })
    requireFinite({ angleDeg })
  }
  const pulls = knobs.map(pullOf)
  const turns = leastTurns(pulls, { x: -misalignment.x, y: -misalignment.y })
  const named = knobs.map(({ name }, i) => ({ name, turns: (turns[i] ?? 0) + 0 }))
  const rounded = named.map(({ name, turns: count }) => ({ name, turns: roundedTurns(count) }))
  const left = (given: readonly KnobTurn[]) => lengthOf(afterKnobTurns(misalignment, knobs, given))
  return { turns: named, residualArcmin: left(named), rounded, roundedResidualArcmin: left(rounded) }
}

/** Pseudo-inverse of the 2 × n matrix of pulls, by the eigenvalues of its 2 × 2 product. */
function leastTurns(pulls: readonly PointXY[], wanted: PointXY): number[] {
  let [xx, xy, yy] = [0, 0, 0]
  for (const { x, y } of pulls) {
    xx += x * x
    xy += x * y
    yy += y * y
  }
  const trace = xx + yy
  const spread = Math.hypot(xx - yy, 2 * xy)
  const angle = Math.atan2(2 * xy, xx - yy) / 2
  const axes = [
    { value: (trace + spread) / 2, x: Math.cos(angle), y: Math.sin(angle) },
    { value: (trace - spread) / 2, x: -Math.sin(angle), y: Math.cos(angle) },
  ].filter(({ value }) => value > LEAST_SPREAD * trace)
  const goal = axes.reduce(
    (sum, { value, x, y }) => {
      const along = (x * wanted.x + y * wanted.y) / value
      return { x: sum.x + along * x, y: sum.y + along * y }
    },
    { x: 0, y: 0 },
  )
  return pulls.map(({ x, y }) => x * goal.x + y * goal.y)
}

/** One step between two looks at a finder, arcminutes. */
export interface KnobStep {
  readonly before: PointXY
  readonly turns: readonly KnobTurn[]
  readonly after: PointXY
  readonly uncertaintyArcmin: number
}

/** A thread or a lever is known to a third; that a knob turns the other way is possible, but seldom. Common practice. */
const PRIOR_SPREAD = 0.6
/** Under this share of what the model says, a knob slips; below nothing it works the other way. */
const SLIPS_UNDER = 0.3

export interface LearntKnobs {
  readonly knobs: readonly FinderKnob[]
  /** Knobs that moved the other way than the model says. */
  readonly reversed: readonly string[]
  /** Knobs that moved the finder hardly at all. */
  readonly slipping: readonly string[]
  readonly steps: number
}

/** One turning the other way is a slip of the hand as likely as a knob that works so: it takes two, and most of that knob's. */
const FEWEST_REVERSED = 2

/** Movement against its own sense by more than this share is the other way. */
const OTHER_WAY_SHARE = 0.2

/** Steps without those in which a knob went the other way once: what the others should have done is taken off first. */
function withoutSlips(knobs: readonly FinderKnob[], steps: readonly KnobStep[]): readonly KnobStep[] {
  const told = steps.map((step) => {
    const moves = step.turns.flatMap(({ name, turns }) => {
      const knob = knobs.find((each) => each.name === name)
      const pull = knob && pullOf(knob)
      return pull && turns !== 0 ? [{ name, x: turns * pull.x, y: turns * pull.y }] : []
    })
    const left = {
      x: step.after.x - step.before.x - moves.reduce((sum, { x }) => sum + x, 0),
      y: step.after.y - step.before.y - moves.reduce((sum, { y }) => sum + y, 0),
    }
    const reversed = moves.filter(
      ({ x, y }) => (x * (left.x + x) + y * (left.y + y)) / (x * x + y * y) < -OTHER_WAY_SHARE,
    )
    return { step, turned: moves.map(({ name }) => name), reversed: reversed.map(({ name }) => name) }
  })
  const isBelieved = (name: string): boolean => {
    const turned = told.filter((each) => each.turned.includes(name)).length
    const reversed = told.filter((each) => each.reversed.includes(name)).length
    return reversed >= FEWEST_REVERSED && reversed * 2 > turned
  }
  return told.flatMap(({ step, reversed }) => (reversed.every(isBelieved) ? [step] : []))
}

/**
 * What a kit's own knobs do, learnt from what the last turns did: a factor for each on what the model says, drawn towards
 * one until the steps say otherwise.
 * @returns the model's knobs with their learnt sensitivities and senses. Least squares with a prior. */
export function learnKnobs(knobs: readonly FinderKnob[], steps: readonly KnobStep[]): LearntKnobs {
  const n = knobs.length
  const pulls = knobs.map(pullOf)
  const matrix = Array.from({ length: n }, (_, i) =>
    Array.from({ length: n }, (__, k) => (i === k ? 1 / PRIOR_SPREAD ** 2 : 0)),
  )
  const right = Array.from({ length: n }, () => 1 / PRIOR_SPREAD ** 2)
  for (const { before, turns, after, uncertaintyArcmin } of withoutSlips(knobs, steps)) {
    const weight = 1 / Math.max(uncertaintyArcmin, 1) ** 2
    const moves = knobs.map(({ name }, i) => {
      const count = turns.find((turn) => turn.name === name)?.turns ?? 0
      return { x: count * (pulls[i]?.x ?? 0), y: count * (pulls[i]?.y ?? 0) }
    })
    const moved = { x: after.x - before.x, y: after.y - before.y }
    moves.forEach((a, i) => {
      right[i] = (right[i] ?? 0) + weight * (a.x * moved.x + a.y * moved.y)
      moves.forEach((b, k) => {
        const row = matrix[i]
        if (row) row[k] = (row[k] ?? 0) + weight * (a.x * b.x + a.y * b.y)
      })
    })
  }
  const factors = solved(matrix, right) ?? knobs.map(() => 1)
  const turned = (name: string) => steps.some(({ turns }) => turns.some((turn) => turn.name === name && turn.turns))
  const of = (test: (factor: number) => boolean) =>
    knobs.flatMap(({ name }, i) => (turned(name) && test(factors[i] ?? 1) ? [name] : []))
  return {
    knobs: knobs.map((knob, i) => {
      const factor = factors[i] ?? 1
      const sense = factor < 0 ? (knob.clockwise === 'towards' ? 'away' : 'towards') : knob.clockwise
      const size = Math.max(Math.abs(factor), SLIPS_UNDER)
      return { ...knob, clockwise: sense, arcminPerTurn: knob.arcminPerTurn * size }
    }),
    reversed: of((factor) => factor < 0),
    slipping: of((factor) => factor >= 0 && factor < SLIPS_UNDER),
    steps: steps.length,
  }
}
