import { lengthOf, type PointXY } from '../shared/angles.ts'
import { axisErrorAfter, type PrimaryCell, type ScrewTurn } from './screws.ts'

/** One turning of the primary's screws between two readings, cell frame. */
export interface TurnedStep {
  readonly before: PointXY
  readonly turns: readonly ScrewTurn[]
  readonly after: PointXY
  /** Half-width of what either reading may be wrong by, mm. */
  readonly uncertaintyMm: number
}

export type ResponseVerdict =
  'as-expected' | 'weaker' | 'stronger' | 'reversed' | 'mirrored' | 'no-answer' | 'too-small-to-tell'

export interface StepResponse {
  readonly expectedMm: PointXY
  readonly verdict: ResponseVerdict
  /** Movement seen along the movement expected, as a share of it; null where the movement was too small to tell. */
  readonly share: number | null
}

export interface CellResponse {
  readonly verdict: ResponseVerdict
  /** What a turn of this cell does against what its thread says; 1 until something else is known. */
  readonly share: number
  readonly steps: number
  /** Turns that a screw idles after it changes its way; null before two ways were seen. */
  readonly backlashTurns: number | null
}

/** Within these shares of the expected movement a cell does what its thread says. Common practice, no source. */
const AS_EXPECTED = { least: 0.7, most: 1.35 }
const NO_ANSWER = 0.2
/** A mirrored picture shows the movement turned over: it must fit this much better. */
const MIRRORED_RATIO = 0.5

/**
 * Compares a new reading with what the turns should have done. The sense is judged by the sign of the share, a mirrored
 * picture by whether the movement fits the expected one turned over along the focuser's side.
 */
export function stepResponse(cell: PrimaryCell, step: TurnedStep): StepResponse {
  const { before, turns, after, uncertaintyMm } = step
  const expectedMm = axisErrorAfter(cell, before, turns)
  const expected = minus(expectedMm, before)
  const seen = minus(after, before)
  const length = lengthOf(expected)
  if (length < 2 * uncertaintyMm || length === 0) return { expectedMm, verdict: 'too-small-to-tell', share: null }
  const share = (expected.x * seen.x + expected.y * seen.y) / length ** 2
  const missed = lengthOf(minus(seen, expected))
  const turnedOver = lengthOf(minus(seen, { x: expected.x, y: -expected.y }))
  const verdict = verdictOf({ share, missed, turnedOver, length, seen: lengthOf(seen), uncertaintyMm })
  return { expectedMm, verdict, share }
}

function verdictOf(given: {
  readonly share: number
  readonly missed: number
  readonly turnedOver: number
  readonly length: number
  readonly seen: number
  readonly uncertaintyMm: number
}): ResponseVerdict {
  const { share, missed, turnedOver, length, seen, uncertaintyMm } = given
  const within = missed <= 1.5 * uncertaintyMm
  if (within) return 'as-expected'
  if (seen < Math.max(NO_ANSWER * length, uncertaintyMm)) return 'no-answer'
  if (turnedOver < MIRRORED_RATIO * missed && turnedOver < 0.5 * length) return 'mirrored'
  if (share < -NO_ANSWER) return 'reversed'
  if (share < AS_EXPECTED.least) return 'weaker'
  return share > AS_EXPECTED.most ? 'stronger' : 'as-expected'
}

const minus = (a: PointXY, b: PointXY): PointXY => ({ x: a.x - b.x, y: a.y - b.y })

/**
 * What a kit's own cell does, learnt from its turnings: a thread other than the model's, screws that work the other way,
 * idle play. Reversed screws are believed from two turnings on, where most say so. Steps in which every screw went on the way it went before tell the thread; what the others fall short tells the
 * play.
 * @param steps oldest first; steps too small to tell are left out
 */
export function learntResponse(cell: PrimaryCell, steps: readonly TurnedStep[]): CellResponse {
  let squares = 0
  let products = 0
  let mirrored = 0
  let told = 0
  const shortfalls: number[] = []
  const lastWay = new Map<string, number>()
  const turnsRound = isReversed(cell, steps)
  for (const step of steps) {
    const expected = minus(axisErrorAfter(cell, step.before, step.turns), step.before)
    const seen = minus(step.after, step.before)
    const length = lengthOf(expected)
    const turned = step.turns.filter(({ turns }) => turns !== 0)
    const changedWay = turned.some(({ name, turns }) => lastWay.has(name) && Math.sign(turns) !== lastWay.get(name))
    for (const { name, turns } of turned) lastWay.set(name, Math.sign(turns))
    if (length < 2 * step.uncertaintyMm || length === 0) continue
    const along = (expected.x * seen.x + expected.y * seen.y) / length
    // A hand that slipped to the other way is no trait of the cell.
    if (along / length < -NO_ANSWER !== turnsRound && (turnsRound || along / length < -NO_ANSWER)) continue
    if (stepResponse(cell, step).verdict === 'mirrored') mirrored++
    told++
    if (changedWay) {
      const largest = Math.max(...turned.map(({ turns }) => Math.abs(turns)))
      shortfalls.push(((length - along) / length) * largest)
      continue
    }
    squares += length * length
    products += along * length
  }
  if (told === 0) return { verdict: 'too-small-to-tell', share: 1, steps: 0, backlashTurns: null }
  const share = squares > 0 ? products / squares : 1
  const backlashTurns =
    shortfalls.length > 0 ? Math.max(0, shortfalls.reduce((sum, value) => sum + value, 0) / shortfalls.length) : null
  if (mirrored * 2 > told) return { verdict: 'mirrored', share: 1, steps: told, backlashTurns }
  const verdict: ResponseVerdict =
    share < -NO_ANSWER
      ? 'reversed'
      : share < NO_ANSWER
        ? 'no-answer'
        : share < AS_EXPECTED.least
          ? 'weaker'
          : share > AS_EXPECTED.most
            ? 'stronger'
            : 'as-expected'
  return { verdict, share, steps: told, backlashTurns }
}

/** One turning the other way is a slip of the hand as likely as a cell that works so: it takes two, and most of all. */
const FEWEST_REVERSED = 2

function isReversed(cell: PrimaryCell, steps: readonly TurnedStep[]): boolean {
  const verdicts = steps.map((step) => stepResponse(cell, step).verdict)
  const told = verdicts.filter((verdict) => verdict !== 'too-small-to-tell' && verdict !== 'mirrored')
  const reversed = told.filter((verdict) => verdict === 'reversed').length
  return reversed >= FEWEST_REVERSED && reversed * 2 > told.length
}

/** The cell as it really answers: its thread by the learnt share, its sense turned where it works the other way. */
export function cellAsLearnt(cell: PrimaryCell, { verdict, share }: CellResponse): PrimaryCell {
  if (verdict === 'weaker' || verdict === 'stronger') return { ...cell, pitchMm: cell.pitchMm * share }
  if (verdict !== 'reversed') return cell
  const clockwise = cell.clockwise === 'towards-sky' ? 'away-from-sky' : 'towards-sky'
  return { ...cell, clockwise, pitchMm: cell.pitchMm * Math.max(Math.abs(share), NO_ANSWER) }
}
