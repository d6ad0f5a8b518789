import type { CaseRefusal, CompartmentVerdict } from '../contents/open-case/compare-case.ts'
import type { StarJudged } from '../collimation/picture/star-judge.ts'
import { STAR_DOUBT_SHARE, type StarTested } from '../collimation/picture/star-test.ts'
import { verdictWithDoubt, type MeasuredPhoto, type PhotoRefusal } from '../collimation/picture/measure-photo.ts'
import { collimationTurns, isBeyondTravel, type PrimaryCell } from '../collimation/screws.ts'
import { finderVerdict, usableMisalignmentArcmin } from '../finder/verdict.ts'
import type { Misaligned } from '../finder/seen.ts'
import { lengthOf, type PointXY } from '../shared/angles.ts'
import { turnFraction } from '../words/collimation.ts'
import { arcminText, mmText } from '../words/figures.ts'
import type { Variables } from './said.ts'

/** What a borrower's own look from afar means for the night. */
export const lookMeanings = ['good', 'usable', 'off', 'unsure', 'unreadable'] as const
export type LookMeaning = (typeof lookMeanings)[number]

/** A sentence of the guide, to be said in the borrower's language. */
export interface LookLine {
  readonly sentence: string
  readonly variables: Variables
}

/** What a look comes to: the figure for the bench, the sentences for whoever looked. */
export interface JudgedLook {
  readonly meaning: LookMeaning
  /** Null where nothing was measured. */
  readonly figure: {
    readonly value: number
    readonly uncertainty: number
    readonly limit: number
    readonly unit: 'mm' | 'arcmin'
  } | null
  readonly lines: readonly LookLine[]
}

/** What may be said of screws: nothing without the branch's leave, and nothing before the picture's frame is known. */
export interface ScrewLeave {
  readonly cell: PrimaryCell
  readonly locks: boolean
}

const line = (sentence: string, variables: Variables = {}): LookLine => ({ sentence, variables })

const photoRefusals: Readonly<Record<PhotoRefusal, string>> = {
  'too-dark': 'The photo is nearly black. Point the tube at a bright wall, away from the Sun, and take another.',
  'no-contrast': 'The photo is all one brightness. Hold the phone close behind the hole and take another.',
  'no-primary': 'No mirror was found in the photo. Hold the phone close, so that the whole mirror shows.',
  'no-reflection':
    'The cap’s light ring was not found in the photo. Put white paper behind the cap’s hole, and take another.',
  'too-little-seen': 'Too little of the mirror shows. Hold the phone straight and close, and take another.',
}
const UNREADABLE_STAR =
  'No star with rings was found. Turn the focus a little, until the star is a small round disc. Take another photo.'

const meaningLines: Readonly<Record<'good' | 'usable' | 'off' | 'unsure', string>> = {
  good: 'It is lined up well. If the view is soft, let the tube cool and wait for calm air.',
  usable: 'That is fine for the Moon and low powers tonight. Planets may look a little soft.',
  off: 'The Moon and low powers still work tonight; planets will look soft. You did nothing wrong.',
  unsure: 'The photo can’t tell which side of the limit it is on. Use low powers tonight.',
}
const LEAVE_IT = 'Turn nothing. We will line it up when it is back.'
const MAY_FOLLOW_SHEET = 'If you like, follow the steps on this page. If not, leave it to us.'
const FIGURE = 'Measured: {error} off, give or take {doubt}. Up to {limit} is fine.'
const LOCKS_FIRST = 'Loosen the small locks a little.'
const TURN = {
  clockwise: 'From behind, turn screw {screw} clockwise: {turn} of a turn. Then take another photo.',
  anticlockwise: 'From behind, turn screw {screw} anticlockwise: {turn} of a turn. Then take another photo.',
} as const
const ANOTHER = 'Another photo tells more.'

const closedLines: Readonly<Record<'fit' | 'watch' | 'workshop', readonly [LookMeaning, string]>> = {
  fit: ['good', 'The rings lie in the middle of a round disc: nothing is wrong with it.'],
  watch: ['usable', 'The rings lie a little off the middle. That is fine for tonight; we will look at it.'],
  workshop: ['off', 'It looks out of line. The Moon still works tonight. Turn nothing: a workshop has to see it.'],
}
const ONE_SIDE_ONLY =
  'One photo alone may show the air or a slanted phone. Turn the focus the other way and take a second one.'

const finderLines = {
  good: 'The finder points where the telescope points. Leave it as it is.',
  usable: 'Measured: {error} off; the Moon is 30′ wide. With the lowest power things are still in view.',
  off: 'Measured: {error} off; the Moon is 30′ wide. What the finder shows will not be in view.',
  nothing: 'Not in view at all: the finder is more than {limit} off; the Moon is 30′ wide.',
  set: 'Set it as this page says, then look once more. Or leave it to us.',
  leave: 'This finder has nothing to turn. Sweep a little with the lowest power; we will set it.',
} as const

const caseLines = {
  same: 'All places look as they did when it was complete.',
  different: 'Some places look different. Look there first: {parts}.',
  unsure: 'The photo can’t tell about all of them. Look there yourself: {parts}.',
} as const
const caseRefusals: Readonly<Record<CaseRefusal, string>> = {
  'no-marks': 'The corner marks can’t be read. Take it from straight above, with all four corners in the photo.',
  'other-case': 'These are another kit’s marks. Is it the right case?',
  mirrored: 'Take it with the camera at the phone’s back.',
  slanted: 'Hold the phone level, straight above the middle of the case.',
  'too-small': 'Go nearer, until the case fills the photo.',
  'too-dark': 'It is too dark. Put a lamp on, or go to the window.',
  'kept-before': 'This is a picture of an earlier picture. Take one of the case itself.',
  'marks-off': 'This photo can’t be compared. Look through the list instead.',
}

/** Every sentence that a look may be answered with; each language has to know them. */
export const remoteLookSentences: readonly string[] = [
  ...Object.values(photoRefusals),
  ...Object.values(meaningLines),
  ...Object.values(closedLines).map(([, sentence]) => sentence),
  ...Object.values(finderLines),
  ...Object.values(TURN),
  ...Object.values(caseLines),
  ...Object.values(caseRefusals),
  ...[UNREADABLE_STAR, LEAVE_IT, MAY_FOLLOW_SHEET, FIGURE, LOCKS_FIRST, ANOTHER, ONE_SIDE_ONLY],
]

const unreadable = (sentence: string): JudgedLook => ({
  meaning: 'unreadable',
  figure: null,
  lines: [line(sentence)],
})

const figureLine = (value: number, uncertainty: number, limit: number) =>
  line(FIGURE, { error: mmText(value), doubt: mmText(uncertainty), limit: mmText(limit) })

/** A picture through the peephole, as its borrower is told of it.
 * @param leave only where the branch lets this borrower turn screws
 * @returns a screw only where the picture's open end was told: seen in a mirror, the other one would be named */
export function mirrorLook(photo: MeasuredPhoto, leave: ScrewLeave | null): JudgedLook {
  if (photo.refused) return unreadable(photoRefusals[photo.refused])
  const { limitMm, axisErrorUncertaintyMm: doubtMm } = photo
  const errorMm = lengthOf(photo.axisErrorMm)
  const meaning = photo.verdict === 'poor' ? 'off' : (photo.verdict ?? 'unsure')
  const figure = { value: errorMm, uncertainty: doubtMm, limit: limitMm, unit: 'mm' as const }
  // First what it means tonight, then what to do, then the figure.
  const lines = [line(meaningLines[meaning])]
  if (meaning === 'unsure') lines.push(line(ANOTHER))
  if (meaning === 'off') lines.push(...whatToTurn(photo.cell?.axisErrorMm ?? null, leave))
  return { meaning, figure, lines: [...lines, figureLine(errorMm, doubtMm, limitMm)] }
}

/** One screw at a time, as the help sheet teaches; more than a screw has is for the bench. */
function whatToTurn(axisErrorMm: PointXY | null, leave: ScrewLeave | null): LookLine[] {
  if (!leave) return [line(LEAVE_IT)]
  if (!axisErrorMm) return [line(MAY_FOLLOW_SHEET)]
  const { singleRounded } = collimationTurns({ ...leave.cell, axisErrorMm })
  if (singleRounded.turns === 0 || isBeyondTravel([singleRounded])) return [line(LEAVE_IT)]
  const { name, turns } = singleRounded
  return [
    ...(leave.locks ? [line(LOCKS_FIRST)] : []),
    line(TURN[turns > 0 ? 'clockwise' : 'anticlockwise'], { screw: name, turn: turnFraction(turns) }),
  ]
}

/** A star out of focus in an open tube. One side of focus alone, or an unknown offset of the secondary, says little. */
export function starLook(
  star: StarTested,
  given: { readonly limitMm: number; readonly bothSides: boolean },
): JudgedLook {
  const { refused, axisErrorMm, warnings } = star
  if (refused || axisErrorMm === null) return unreadable(UNREADABLE_STAR)
  const { limitMm, bothSides } = given
  const uncertaintyMm = axisErrorMm * (bothSides ? STAR_DOUBT_SHARE.both : STAR_DOUBT_SHARE.one)
  const seen = verdictWithDoubt({ axisErrorMm, uncertaintyMm, limitMm })
  const isMixed = warnings.includes('static-unknown') && seen === 'poor'
  const meaning = isMixed ? 'unsure' : seen === 'poor' ? 'off' : seen
  return {
    meaning,
    figure: { value: axisErrorMm, uncertainty: uncertaintyMm, limit: limitMm, unit: 'mm' },
    lines: [
      line(meaningLines[meaning]),
      ...(meaning === 'unsure' && !bothSides ? [line(ONE_SIDE_ONLY)] : []),
      ...(meaning === 'off' ? [line(LEAVE_IT)] : []),
      figureLine(axisErrorMm, uncertaintyMm, limitMm),
    ],
  }
}

/** A star of a lens or a closed tube: never a screw, and one side of focus alone condemns nothing. */
export function closedTubeLook({ refused, verdict, warnings }: StarJudged): JudgedLook {
  if (refused) return unreadable(UNREADABLE_STAR)
  const oneSided = warnings.includes('one-sided') || warnings.includes('other-side-unreadable')
  if (oneSided && verdict !== 'fit') return { meaning: 'unsure', figure: null, lines: [line(ONE_SIDE_ONLY)] }
  const [meaning, sentence] = closedLines[verdict]
  return { meaning, figure: null, lines: [line(sentence)] }
}

/** Dot or cross laid on something far away, and where that stood in the eyepiece.
 * @param seen null where it wasn't in view
 * @param given the lowest power's true field, degrees */
export function finderLook(
  seen: Misaligned | null,
  given: { readonly trueFieldDeg: number; readonly canBeSet: boolean },
): JudgedLook {
  const limit = usableMisalignmentArcmin(given.trueFieldDeg)
  const next = line(given.canBeSet ? finderLines.set : finderLines.leave)
  if (!seen)
    return { meaning: 'off', figure: null, lines: [line(finderLines.nothing, { limit: arcminText(limit) }), next] }
  const value = lengthOf(seen.misalignmentArcmin)
  const { verdict } = finderVerdict({ misalignmentArcmin: value, trueFieldDeg: given.trueFieldDeg })
  return {
    meaning: verdict,
    figure: { value, uncertainty: seen.uncertaintyArcmin, limit, unit: 'arcmin' },
    lines: [line(finderLines[verdict], { error: arcminText(value) }), ...(verdict === 'off' ? [next] : [])],
  }
}

/** A picture of the open case: where to look, never what is there. Names of parts are said by the page, in its language. */
export function caseLook(
  refused: CaseRefusal | null,
  places: readonly { readonly name: string; readonly verdict: CompartmentVerdict }[],
): JudgedLook {
  if (refused) return unreadable(caseRefusals[refused])
  const namesOf = (verdict: CompartmentVerdict) =>
    places
      .filter((each) => each.verdict === verdict)
      .map(({ name }) => name)
      .join(', ')
  const [different, unsure] = [namesOf('different'), namesOf('can’t-tell')]
  return {
    meaning: different !== '' ? 'off' : unsure !== '' ? 'unsure' : 'good',
    figure: null,
    lines: [
      ...(different === '' ? [] : [line(caseLines.different, { parts: different })]),
      ...(unsure === '' ? [] : [line(caseLines.unsure, { parts: unsure })]),
      ...(different === '' && unsure === '' ? [line(caseLines.same)] : []),
    ],
  }
}
