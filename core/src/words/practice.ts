import { inView } from '../collimation/mirror-data.ts'
import {
  practiceAlignment,
  practiceErrorMm,
  practiceLimits,
  practiceStage,
  shortestWay,
  type PracticeState,
  type PracticeTube,
} from '../practice/practice-tube.ts'
import { lengthOf, type PointXY } from '../shared/angles.ts'
import { turnFraction, wayWord } from './collimation.ts'

/** Help for a made-up telescope, a sentence about the telescope at a time. */

/** Half an eighth of a turn away from a direction, nothing is said of the other. */
const TO_THE_SIDE = Math.sin(Math.PI / 8)

/** “to the upper right of”, or “above”, for a direction in the view, x right, y down. */
function whereWords({ x, y }: PointXY): string {
  const length = Math.hypot(x, y) || 1
  const across = Math.abs(x) / length > TO_THE_SIDE ? (x > 0 ? 'right' : 'left') : ''
  const along = Math.abs(y) / length > TO_THE_SIDE ? (y > 0 ? 'lower' : 'upper') : ''
  if (across && along) return `to the ${along} ${across} of`
  if (across) return `to the ${across} of`
  return along === 'upper' ? 'above' : 'below'
}

export const PRACTICE_HELP_LINES = 4

/** Help from the first hint to the very turn; `line` 1 to 4. */
export function practiceHelp(practice: PracticeTube, state: PracticeState, line: number): string {
  const { goodMm, limitMm } = practiceLimits(practice)
  if (practiceStage(practice, state) === 'secondary') return secondaryHelp(practice, state, line)
  const leftMm = practiceErrorMm(practice, state)
  if (leftMm <= goodMm)
    return state.locked
      ? 'Lined up and locked. That is all.'
      : 'Lined up. Lock it, and look again: locking may shift it.'
  if (state.locked) return 'The locks are tight: loosen them before a screw can move the mirror.'
  const { axisErrorMm } = practiceAlignment(practice, state)
  const where = whereWords(inView(axisErrorMm))
  if (line === 1)
    return `The primary is off by ${leftMm.toFixed(1)} mm (limit ${limitMm.toFixed(1)}): the mark must come to lie round the hole’s reflection.`
  if (line === 2)
    return `The mark lies ${where} the peephole’s reflection: that side must go towards the sky, the other side away from it.`
  const moves = practice.cell.clockwise === 'towards-sky' ? 'towards the sky' : 'away from the sky'
  if (line === 3)
    return `On this cell turning clockwise, from behind, moves the mirror ${moves}. Turn the screw nearest to that line.`
  const [first] = [...shortestWay(practice, state).primary].sort(
    (a, b) => Math.abs(b.sixteenths) - Math.abs(a.sixteenths),
  )
  return first
    ? `From behind, turn ${first.name} ${wayWord(first.sixteenths)} by ${turnFraction(first.sixteenths / 16)} of a turn.`
    : 'Nothing is left that a sixteenth would better.'
}

function secondaryHelp(practice: PracticeTube, state: PracticeState, line: number): string {
  const { secondaryMm } = practiceLimits(practice)
  const off = lengthOf(state.secondaryErrorMm)
  // The focuser's axis meets the primary at e: seen from there, the primary stands the other way.
  const where = whereWords(inView({ x: -state.secondaryErrorMm.x, y: -state.secondaryErrorMm.y }))
  if (line === 1)
    return `The secondary comes first: it is off by ${off.toFixed(1)} mm at the primary (limit ${secondaryMm.toFixed(1)}). The whole primary must stand in the middle of the drawtube.`
  if (line === 2)
    return `The primary stands ${where} the drawtube’s middle: tilt the secondary so that it comes back.`
  if (line === 3)
    return 'Looking into the open end, clockwise pushes that side of the holder towards the primary. Let one screw go before the next.'
  const [first] = [...shortestWay(practice, state).secondary].sort(
    (a, b) => Math.abs(b.sixteenths) - Math.abs(a.sixteenths),
  )
  return first
    ? `Looking into the open end, turn ${first.name} ${wayWord(first.sixteenths)} by ${turnFraction(first.sixteenths / 16)} of a turn.`
    : 'Nothing is left that a sixteenth would better.'
}
