import type { CellResponse, ResponseVerdict } from '../collimation/cell-response.ts'
import type { StarJudgeRefusal, StarJudgeWarning, StarVerdict } from '../collimation/picture/star-judge.ts'
import type { PhotoRefusal, PhotoWarning } from '../collimation/picture/measure-photo.ts'
import type { StarWarning, StarRefusal } from '../collimation/picture/read-star.ts'
import type { Quality } from '../collimation/quality.ts'
import type { RepeatVerdict } from '../collimation/repeat.ts'
import { SCREW_TRAVEL_TURNS, type ScrewTurn } from '../collimation/screws.ts'
import type { SecondaryTurns } from '../collimation/secondary.ts'
import { radToDeg, type PointXY } from '../shared/angles.ts'
import { mmText, powerText } from './figures.ts'

/** Clock hour, 1 to 12, of a direction in the cell frame: 12 = focuser's side, clockwise as seen from behind. */
export function clockHourOf(direction: PointXY): number {
  const deg = radToDeg(Math.atan2(direction.y, direction.x))
  const hour = Math.round((deg < 0 ? deg + 360 : deg) / 30) % 12
  return hour === 0 ? 12 : hour
}

/** Which way the primary must go, without knowing its screws: the side towards which the mark is displaced goes
 * towards the sky (docs/frames.md). */
export function primaryAdvice(offsetAtPrimaryMm: PointXY): string {
  const hour = clockHourOf(offsetAtPrimaryMm)
  const where = hour === 12 ? 'on the focuser’s side' : `at ${hour} o’clock (focuser’s side at 12)`
  return (
    `From behind, the part of the cell ${where} must go towards the sky. ` +
    'Loosen the locks, turn a little, look again; lock, and look again.'
  )
}

const sixteenths = [
  '',
  '1⁄16',
  '⅛',
  '3⁄16',
  '¼',
  '5⁄16',
  '⅜',
  '7⁄16',
  '½',
  '9⁄16',
  '⅝',
  '11⁄16',
  '¾',
  '13⁄16',
  '⅞',
  '15⁄16',
]

/** A rounded number of turns as people write it: ⅛, 3⁄16, 1¼. */
export function turnFraction(turns: number): string {
  const total = Math.round(Math.abs(turns) * 16)
  const whole = Math.floor(total / 16)
  return `${whole === 0 ? '' : whole}${sixteenths[total % 16] ?? ''}` || '0'
}

export function turnWords(turns: number): string {
  const total = Math.round(Math.abs(turns) * 16)
  if (total === 16) return 'one turn'
  if (total === 8) return 'half a turn'
  if (total === 4) return 'a quarter turn'
  if (total === 2) return 'an eighth of a turn'
  if (total === 1) return 'a sixteenth of a turn'
  return total > 16 ? `${turnFraction(turns)} turns` : `${turnFraction(turns)} of a turn`
}

export const wayWord = (turns: number): 'clockwise' | 'anticlockwise' => (turns < 0 ? 'anticlockwise' : 'clockwise')

/** “turn screw B anticlockwise ⅜ of a turn, then C clockwise an eighth of a turn”; empty where nothing is to be turned. */
export function turnsClause(turns: readonly ScrewTurn[]): string {
  const moved = turns.filter(({ turns: by }) => by !== 0)
  return moved
    .map(({ name, turns: by }, i) => `${i === 0 ? 'turn screw' : 'then'} ${name} ${wayWord(by)} ${turnWords(by)}`)
    .join(', ')
}

/** In place of turns that no screw has. */
export const primaryBeyondTravelSentence = (): string =>
  `More than the ${SCREW_TRAVEL_TURNS} turns that a screw has: the mirror sits wrong in its cell. Turn nothing; look how it lies between its clips.`

/** Advice for the primary's screws: always from behind, with what is left afterwards. */
export function primaryTurnsSentence(turns: readonly ScrewTurn[], residualMm: number): string {
  const clause = turnsClause(turns)
  if (clause === '') return `Nothing to turn: less than a sixteenth. ${mmText(residualMm)} stays.`
  return `From behind, ${clause}.`
}

/** Advice for the secondary's screws, in the order of the hands. */
export function secondaryTurnSentences({ due, limitMm, rounded, residualMm, rotateDeg }: SecondaryTurns): string[] {
  if (!due) return [`The secondary is within ${mmText(limitMm)}: leave it.`]
  const clause = turnsClause(rounded)
  const sentences = [
    'Tube level, open end not over the mirror: a dropped key breaks it. Never undo the centre bolt.',
    clause === '' ? 'Nothing to turn: less than a sixteenth.' : `Looking into the open end, ${clause}.`,
    'Let one go before the next is tightened.',
    `Then about ${mmText(residualMm)} stays. Look at the primary anew: its reading has changed.`,
  ]
  if (Math.abs(rotateDeg) >= 1)
    sentences.push(
      `If the holder turns by hand, ${Math.abs(rotateDeg).toFixed(0)}° ${wayWord(rotateDeg)} does the sideways part.`,
    )
  return sentences
}

/** What a borrower would see of it, at the most the kit's own case gives. */
export function noticedSentence(
  quality: Pick<Quality, 'verdict' | 'comaRmsWaves'>,
  given: {
    readonly highestMagnification: number
    readonly apertureMm: number
    readonly mirrorSetsSharpness: boolean
  },
): string {
  const { highestMagnification, apertureMm, mirrorSetsSharpness } = given
  const power = powerText(highestMagnification)
  const low = highestMagnification <= 0.5 * apertureMm
  if (quality.verdict === 'good') return `At its highest power, ${power}, nobody sees a difference.`
  if (quality.verdict === 'usable')
    return low
      ? `At its highest power, ${power}, nobody sees a difference.`
      : `At ${power} a keen eye sees stars with a faint tail; planets look right.`
  if (low) return `Its case gives ${power} at most: stars look a little lopsided, the Moon looks right.`
  if (mirrorSetsSharpness) return `At ${power} planets smear, more than this mirror smears them by itself.`
  return quality.comaRmsWaves > 0.2
    ? `At ${power} every star has a tail to one side and planets smear.`
    : `At ${power} planets lose their finer markings; at low power nobody notices.`
}

export const photoRefusalWords: Readonly<Record<PhotoRefusal, string>> = {
  'too-dark':
    'This picture is nearly black. Point the tube at a lit wall or shaded sky away from the Sun, and take another.',
  'no-contrast': 'This picture is all one brightness. Hold the phone right behind the hole and take another.',
  'no-primary':
    'No round edge was found that could be a mirror’s. Hold the phone’s lens close behind the peephole, so that the whole mirror shows.',
  'no-reflection':
    'A round edge was found, but no reflection of the cap in it, so it may be anything. The cap’s inner side must be light: put white paper behind its hole.',
  'too-little-seen':
    'No centre mark, and less than half of the mirror’s edge: there is nothing to measure from. Square the secondary by eye first.',
}

export const photoWarningWords: Readonly<Record<PhotoWarning, string>> = {
  'no-mark': 'No centre mark found: the middle of the mirror’s edge stands for it.',
  'mark-off-centre':
    'The mark is not in the mirror’s middle. Check that it is the mark and not dirt; move the circle if not.',
  'primary-partly-hidden': 'Part of the mirror’s edge is hidden: the secondary wants looking at first.',
  soft: 'The picture is soft.',
  noisy: 'The picture is grainy: more light would help.',
  small: 'The mirror is small in this picture: go closer or zoom in.',
  'no-drawtube': 'The drawtube’s end was not found: no figure for the secondary.',
  'open-end-unknown': 'Say where the tube’s open end is in the picture.',
  'faint-cap':
    'The cap’s reflection is hardly seen, so it may be another ring. Look whether its circle lies on it, or put white paper behind the hole.',
  'too-near-limit': 'Too uncertain to say which side of the limit it is on: take another picture.',
}

export const starRefusalWords: Readonly<Record<StarRefusal, string>> = {
  'too-dark': 'No star in this picture: expose longer.',
  'no-disc': 'The star’s disc has no clear edge.',
  'no-dark-middle': 'The disc has no dark middle: defocus a little more, five rings or so.',
  'too-small': 'The disc is too small in this picture: zoom in.',
  'cut-off': 'The disc is cut off by the picture’s edge.',
}

export const starWarningWords: Readonly<Record<StarWarning, string>> = {
  'one-sided':
    'One side of focus only: the figure may be from half to nearly three times the truth. Take the other side too.',
  'static-unknown': 'The secondary’s own offset is not known, so it is still in the figure.',
  noisy: 'The picture is grainy.',
  'sides-differ': 'The two discs are not equally large: defocus as much on both sides.',
  'other-side-unreadable': 'The other side’s picture could not be read.',
  'defocus-unknown': 'Without the defocus there is no figure in millimetres. Count the rings and type them.',
  'tone-unknown':
    'The secondary’s size is not typed in, so a phone’s tone curve can’t be told: the disc may read a tenth too wide.',
  ragged: 'The disc is ragged: wait for steadier air.',
}

const responseWords: Readonly<Record<ResponseVerdict, string>> = {
  'as-expected': 'It moved as it should.',
  weaker: 'It moved less than its thread says: play in the screw, or a finer thread.',
  stronger: 'It moved more than its thread says: a coarser thread than the model’s.',
  reversed: 'It moved the other way: on this cell clockwise does the opposite of what the model says.',
  mirrored: 'It moved as in a mirror: was this picture turned over, or the open end taken the wrong way round?',
  'no-answer': 'It hardly moved: a lock is still tight, or the screw turns without gripping.',
  'too-small-to-tell': 'The turn was too small to judge the cell by it.',
}

export const stepResponseSentence = (verdict: ResponseVerdict): string => responseWords[verdict]

/** What is known of a kit's own cell; empty while there is nothing worth saying. */
export function cellResponseSentence({ verdict, share, steps, backlashTurns }: CellResponse): string {
  if (steps === 0) return ''
  const times = steps === 1 ? 'once' : `${steps} times`
  const play =
    backlashTurns !== null && backlashTurns >= 1 / 16
      ? ` After changing its way a screw idles for about ${turnFraction(Math.max(1 / 16, Math.round(backlashTurns * 16) / 16))} turn.`
      : ''
  if (verdict === 'as-expected') return `Seen ${times}: this cell does what its thread says.${play}`
  if (verdict === 'weaker' || verdict === 'stronger')
    return `Seen ${times}: a turn does ${share.toFixed(1)} of what the thread says; the advice allows for it.${play}`
  if (verdict === 'reversed')
    return `Seen ${times}: clockwise does the opposite of what the model says; the advice allows for it.${play}`
  if (verdict === 'mirrored') return 'Pictures of this kit came turned over: check the open end’s direction.'
  return verdict === 'no-answer' ? `Seen ${times}: its screws hardly move the mirror. Look at the cell.` : ''
}

export const repeatVerdictWords: Readonly<Record<RepeatVerdict, string>> = {
  holds: 'Holds: it comes back within the limit, opening after opening.',
  'check-each-time': 'Look each time: an opening may well land beyond the limit.',
  mend: 'Mend: its locks let it come back somewhere else each time.',
}

/** What follows from it for the kit. */
export const repeatMeansWords: Readonly<Record<RepeatVerdict, string>> = {
  holds: '',
  'check-each-time': 'The borrower’s guide says so.',
  mend: 'The kit stays at the bench until its locks are seen to.',
}

/** What a star says of a lens or a closed tube. Never a screw: those are a workshop's. */
export const starVerdictWords: Readonly<Record<StarVerdict, string>> = {
  fit: 'Fit.',
  watch: 'Neither good nor bad enough. Let it cool, wait for stiller air, and look again.',
  workshop: 'For a workshop, if it stays so in still air with the tube cooled down.',
}

export const starJudgeRefusalWords: Readonly<Record<StarJudgeRefusal, string>> = {
  'too-dark': 'No star is in this picture. Take it at night, the star in the middle, a little out of focus.',
  'too-small': 'The star is too small. Turn it farther out of focus, until it is a disc, and zoom in.',
  'cut-off': 'The disc is cut off. Bring the star to the middle.',
  'no-disc': 'What is bright here is no round disc. Take a star, not a lamp or a window.',
  'no-rings': 'No rings can be seen in the disc. Less out of focus, and hold the phone still.',
}

export const starJudgeWarningWords: Readonly<Record<StarJudgeWarning, string>> = {
  'one-sided': 'One side of focus alone: a picture from the other side tells the glass from the air.',
  'other-side-unreadable': 'The picture from the other side can’t be read.',
  'sides-differ': 'The two discs are of different size: take both equally far out of focus.',
  'oval-stays': 'It is oval the same way on both sides: the phone was held at a slant, or the air was warm.',
  noisy: 'The picture is grainy: a brighter star would help.',
}
