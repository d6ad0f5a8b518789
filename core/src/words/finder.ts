import type { FinderKnob, KnobTurn } from '../finder/knobs.ts'
import type { SunDoubt } from '../finder/sun-question.ts'
import type { NearFocus } from '../finder/near-focus.ts'
import type { PointXY } from '../shared/angles.ts'
import { turnWords, wayWord } from './collimation.ts'
import { arcminText, mmText } from './figures.ts'

/** “19′ left and 11′ up”. */
export function besideWords({ x, y }: PointXY, text: (size: number) => string = arcminText): string {
  const side = Math.abs(x) < 0.5 ? '' : `${text(Math.abs(x))} ${x > 0 ? 'right' : 'left'}`
  const height = Math.abs(y) < 0.5 ? '' : `${text(Math.abs(y))} ${y > 0 ? 'up' : 'down'}`
  return [side, height].filter(Boolean).join(' and ') || 'nothing'
}
export const aimWords = (offsetMm: PointXY): string => besideWords(offsetMm, mmText)

/** Why it counts as day whatever the clock says, and what to do about it. */
export const sunDoubtWords: Readonly<Record<SunDoubt, string>> = {
  'no-place': 'No place is written down, so nobody knows where the Sun stands: it counts as day.',
  'no-clock': 'The server’s clock was not heard, and this machine’s alone is not believed: it counts as day.',
  'clocks-differ':
    'This machine’s clock and the server’s are more than 5 minutes apart: it counts as day. Set the clock right.',
  'zone-far':
    'The place’s longitude and its time zone don’t belong together: it counts as day. Correct it in Set-up, Places.',
}

/** The question before a look, by what is looked at. */
export const sunQuestionWords = (target: string, kind: 'landmark' | 'moon' | 'star' | 'sheet' | null): string =>
  kind === 'star'
    ? 'Is it night where you stand, the Sun well down?'
    : `Is the tube in shade, or does your shadow point towards ${target}?`

export interface KnobLine {
  readonly name: string
  readonly turns: number
  /** “half a turn”. */
  readonly howFar: string
  /** “anticlockwise; the dot goes 19′ left”. */
  readonly what: string
}

/** One line for each knob that is to be turned, in the hand's own words: seen at the knob's head. */
export function knobLines(turns: readonly KnobTurn[], knobs: readonly FinderKnob[], thing = 'dot'): KnobLine[] {
  return turns.flatMap(({ name, turns: count }) => {
    const knob = knobs.find((each) => each.name === name)
    if (!knob || count === 0) return []
    const sense = (knob.clockwise === 'towards' ? 1 : -1) * count * knob.arcminPerTurn
    const angle = (knob.angleDeg * Math.PI) / 180
    const moves = besideWords({ x: sense * Math.sin(angle), y: sense * Math.cos(angle) })
    return [{ name, turns: count, howFar: turnWords(count), what: `${wayWord(count)}; the ${thing} goes ${moves}` }]
  })
}

const nearFocusReasons: Readonly<Record<NearFocus['reason'], string>> = {
  formula: 'worked out from its drawtube',
  known: 'from its model, or a trial',
  'travel-unknown': 'measure how far the drawtube goes out beyond where a star is sharp',
  'trial-needed': 'it focuses by moving its mirror: try how near it comes sharp, and write it down',
  'inside-focal-length': 'nearer than its own focal length',
}
export const nearFocusWords = ({ nearestM, reason }: NearFocus): string =>
  nearestM === null
    ? `How near it comes sharp isn’t known: ${nearFocusReasons[reason]}.`
    : `Sharp from ${nearestM < 10 ? nearestM.toFixed(1) : Math.ceil(nearestM)} m on, ${nearFocusReasons[reason]}.`

/** “99 of 100 first looks”. */
export const firstLooksWords = (share: number): string =>
  share > 0.995
    ? 'Nearly every first look will show the target.'
    : `${Math.round(share * 100)} of 100 first looks will show the target.`
