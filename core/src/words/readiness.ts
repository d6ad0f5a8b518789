import type { KeptReading } from '../checks/kept-reading.ts'
import { repeatVerdicts } from '../checks/station-collimation.ts'
import type { BesideKind, BesideUnit } from '../checks/seen-beside.ts'
import type { RepeatVerdict } from '../collimation/repeat.ts'
import { jobFacts, type JobCode } from '../readiness/jobs.ts'
import type { Condition } from '../readiness/condition.ts'
import type { Reason } from '../readiness/judged.ts'
import type { Remedy } from '../readiness/judged.ts'
import type { HazardCode } from '../readiness/judged.ts'
import type { ModelUnknown } from '../readiness/judged.ts'
import type { ReadingKind } from '../readiness/judged.ts'
import type { Outcome } from '../loans/take-back.ts'
import {
  arcminText,
  dateText,
  daysText,
  degText,
  hoursText,
  massText,
  mmPairText,
  mmText,
  powerText,
  secondsText,
  voltsText,
} from './figures.ts'

/** Plain English for judgements. Another language is one more file like this one. */

export const conditionWords: Readonly<Record<Condition, string>> = {
  full: 'Fit to lend',
  half: 'Lend with a note',
  crescent: 'Needs the bench',
  new: 'Held',
}

export const outcomeWords: Readonly<Record<Outcome, string>> = {
  shelf: 'Back to the shelf',
  'shelf-with-note': 'Shelf, with a note',
  'to-go-through': 'Taken in, to be gone through',
  bench: 'To the bench',
  hold: 'Hold it here',
}

export const kindWords: Readonly<Record<ReadingKind, string>> = {
  glass: 'glass',
  stand: 'stand',
  shake: 'shake',
  mount: 'mount',
  tube: 'tube',
  'fit-out': 'fit-out',
  balance: 'balance',
  'let-go': 'staying where it is let go',
  place: 'setting for the place',
  alignment: 'going to objects',
  polar: 'axis to the pole',
  collimation: 'mirror',
  repeat: 'opened again',
  star: 'star test',
  finder: 'finder',
  focus: 'focus',
  power: 'power',
  pack: 'packing',
}

/** What is kept beside readings, as a list names it. */
export const keptBesideWords: Readonly<Record<BesideKind, string>> = {
  'ring-place': 'place of ring or clamp',
  charge: 'hours its cells last',
  'coin-cell': 'cell of the red dot',
  'dot-put-away': 'red dot put away',
  'front-cell': 'finder’s front cell',
  'finder-o-ring': 'finder’s O-ring',
  'finder-caps': 'finder’s caps',
  'at-highest-power': 'finder at the highest power',
}

const modelUnknownWords: Readonly<Record<ModelUnknown, string>> = {
  aperture: 'its aperture',
  'focal-length': 'its focal length',
  family: 'which family it is of',
  eyepiece: 'an eyepiece with its focal length',
}

const hazardWords: Readonly<Record<HazardCode, string>> = {
  'screw-in-sun-filter': 'screw-in sun filter found in its case; such filters crack in use',
  'battery-door-open': 'battery door of the finder stands open',
  'laser-in-case': 'a laser lies in its case',
  wet: 'came back wet',
  'insects-or-smoke': 'insects or smoke in its case',
}

const remedyWords: Readonly<Record<Remedy, string>> = {
  none: '',
  measure: 'Do a bench check.',
  'count-contents': 'Count the case once.',
  'go-through-case': 'Go through the case at the desk; until then it may not go out.',
  'take-out-extra': 'Put it where it belongs.',
  'find-or-replace': 'Find it or put in a spare, then mark it found.',
  'replace-soon': 'Put in a spare soon.',
  'mend-or-replace': 'Mend it at the bench or put in a spare.',
  'swap-back': 'Swap it back.',
  'ask-for-cell-now': 'Speak to the borrower now: where is the cell, could a child have it?',
  'withdraw-front-filter': 'Withdraw it for good: take it off the card.',
  'keep-front-filter':
    'Keep it back and take it off this card, or decide in Set-up, under People, that front filters are lent.',
  'complete-model': 'Say it on its model’s page in Set-up.',
  'withdraw-filter': 'Take the filter out for good and record it.',
  'remove-laser': 'Take the laser out and record it.',
  'screw-door-shut': 'Count the cell in and screw the door shut.',
  'dry-open': 'Dry it in the open with its caps off for a day at least.',
  'set-apart': 'Seal it in a bag, away from other kits, until it is clean.',
  'check-for-notice': 'Check it for this, then mark the notice done.',
  'report-found': 'It goes out again only when it is back and the report is closed.',
  'line-up-primary': 'Line up the primary at the bench.',
  'measure-again': 'Measure it again.',
  'line-up-finder': 'Line up the finder at the bench.',
  'fit-weight': 'Give it a weight that fits from the drawer, or leave out of the case what is too much.',
  'balance-again': 'Balance it at the bench, or find it a weight that fits.',
  'set-latitude': 'Set the latitude of this place on the head’s scale.',
  'see-to-station': 'Put it right at the bench.',
  'leave-eyepiece': 'Say at the desk which eyepiece doesn’t come to focus, or put another in.',
  'line-up-again': 'Look through what was keyed in, then line it up on two stars anew.',
  'turn-to-pole': 'Turn its bolts until a star stays, then watch it again.',
  charge: 'Charge it or change all its cells, then read it again.',
  'steady-stand': 'Tighten it from the ground up; until then only low powers are any use.',
  'mend-locks': 'See to the locks of its sliding rods, then test it again with five openings.',
  'do-job': 'Check it at the bench.',
}

const text = (reason: Reason, name: string) => String(reason.figures[name] ?? '')
const number = (reason: Reason, name: string) => Number(reason.figures[name] ?? 0)

/** The reason as a clause without its remedy, beginning small: “primary off by 1.9 mm (limit 0.7 mm)”. */
export function reasonClause(reason: Reason): string {
  const part = text(reason, 'part')
  const is = number(reason, 'count') > 1 ? 'are' : 'is'
  switch (reason.code) {
    case 'ALL_GOOD':
      return `all ${number(reason, 'parts')} parts there, checked ${dateText(text(reason, 'checkedAtUtc'))}`
    case 'NOT_MEASURED':
      return notMeasuredClause(reason)
    case 'NOT_COUNTED':
      return number(reason, 'parts') === 0
        ? 'no contents known yet'
        : `${number(reason, 'unseen')} of ${number(reason, 'parts')} parts not looked at yet`
    case 'NOT_GONE_THROUGH': {
      const since = text(reason, 'sinceUtc')
      const when = since === '' ? '' : ` since ${dateText(since)}`
      return `${number(reason, 'unseen')} of ${number(reason, 'parts')} parts not looked at${when}`
    }
    case 'EXTRA_PART': {
      const whose = text(reason, 'belongsTo')
      return `${part} lies in its case and isn’t on its card${whose === '' ? '' : `; it may belong to ${whose}`}`
    }
    case 'PART_MISSING':
      return `${part} ${is} missing`
    case 'PART_DAMAGED':
      return `${part} ${is} damaged`
    case 'PART_WRONG':
      return `the wrong item is in place of ${part}`
    case 'FILTER_UNSAFE':
      return `${part} isn’t whole: through a pinhole the Sun blinds in a moment`
    case 'FILTER_STAYS':
      return `${part} lies in its case, and this programme doesn’t lend front filters`
    case 'MODEL_INCOMPLETE':
      return `of its model nobody has said yet: ${text(reason, 'unknown')
        .split(',')
        .map((each) => modelUnknownWords[each as ModelUnknown])
        .join(', ')}`
    case 'HAZARD':
      return hazardWords[reason.figures.hazard as HazardCode]
    case 'COLLIMATION_BEYOND':
      return beyondClause(reason)
    case 'COLLIMATION_UNSURE':
      return `primary off by ${mmText(number(reason, 'value'))} ± ${mmText(number(reason, 'uncertainty'))}: too uncertain to say which side of the limit, ${mmText(number(reason, 'limit'))}, it is on`
    case 'FINDER_OFF':
      return `finder stands ${arcminText(number(reason, 'value'))} off (usable up to ${arcminText(number(reason, 'limit'))})`
    case 'BALANCE_OFF':
      return `weight stands ${mmText(number(reason, 'value'))} from its right place (limit ${mmText(number(reason, 'limit'))})`
    case 'CANT_BALANCE':
      return text(reason, 'why') === 'too-heavy'
        ? `its weight is too heavy for its ${text(reason, 'setUp')} set-up`
        : `its weight is ${massText(number(reason, 'extraMassG'))} too light for its ${text(reason, 'setUp')} set-up`
    case 'PLACE_OFF':
      return `head is set ${degText(number(reason, 'value'))} off this place’s latitude (limit ${degText(number(reason, 'limit'))})`
    case 'JUDGED_NOT_FINE':
      return `${kindWords[reason.figures.kind as ReadingKind]} was not fine at the last check`
    case 'SHAKES':
      return `it shakes for ${secondsText(number(reason, 'value'))} after a tap (limit ${secondsText(number(reason, 'limit'))})`
    case 'TIPS_OVER':
      return 'its tube doesn’t stay where it is let go'
    case 'ALIGNMENT_OFF':
      return `what it goes to lands ${degText(number(reason, 'value'))} aside (limit ${degText(number(reason, 'limit'))}, the edge of its lowest field)`
    case 'POLAR_OFF':
      return `its axis points ${degText(number(reason, 'value') / 60)} beside the pole (limit ${degText(number(reason, 'limit') / 60)})`
    case 'FOCUS_SHORT':
      return 'one of its eyepieces doesn’t come to focus'
    case 'POWER_LOW':
      return 'its power won’t last through a loan'
    case 'COMES_BACK_ELSEWHERE':
      return 'its sliding tube comes back lined up differently each time it is opened'
    case 'READING_OLD':
      return `${kindWords[reason.figures.kind as ReadingKind]} last looked at ${daysText(number(reason, 'ageDays'))} ago (limit ${daysText(number(reason, 'oldestDays'))})`
    case 'OPEN_JOB':
      return jobClause(reason)
  }
}

function beyondClause(reason: Reason): string {
  const [value, limit] = mmPairText(number(reason, 'value'), number(reason, 'limit'))
  const power = powerText(number(reason, 'highestMagnification'))
  return `primary off by ${value} at the focal plane (limit ${limit}); its case gives ${power}`
}

function notMeasuredClause(reason: Reason): string {
  if (number(reason, 'missing') === number(reason, 'needed')) return 'not measured: nothing on record yet'
  const kinds = text(reason, 'kinds').split(',') as ReadingKind[]
  return `not measured: ${kinds.map((kind) => kindWords[kind]).join(', ')}`
}

function jobClause(reason: Reason): string {
  const { words } = jobFacts(reason.figures.job as JobCode)
  const said = text(reason, 'text').trim().replace(/[.!]$/, '')
  if (said === '') return words
  if (reason.figures.job === 'bench-wanted') return said
  return reason.figures.job === 'reported-trouble' ? `${words}: “${said}”` : `${words}: ${said}`
}

const repeatWords: Readonly<Record<RepeatVerdict, string>> = {
  holds: 'holds',
  'check-each-time': 'look each time',
  mend: 'mend',
}

/** A reading's figure with its unit; a judged one is a word. */
export function readingFigureText(unit: KeptReading['unit'] | BesideUnit, value: number, kind?: ReadingKind): string {
  if (kind === 'repeat') return repeatWords[repeatVerdicts[value] ?? 'check-each-time']
  if (unit === 'mm') return mmText(value)
  if (unit === 'arcmin') return arcminText(value)
  if (unit === 'deg') return degText(value)
  if (unit === 's') return secondsText(value)
  if (unit === 'V') return voltsText(value)
  if (unit === 'h') return hoursText(value)
  return value === 0 ? 'fine' : 'not fine'
}

export const remedySentence = (reason: Reason): string => remedyWords[reason.remedy]

const capital = (clause: string) => clause.charAt(0).toUpperCase() + clause.slice(1)

/** One plain sentence with the figure, and what to do next. */
export const reasonSentence = (reason: Reason): string =>
  [`${capital(reasonClause(reason))}.`, remedySentence(reason)].filter(Boolean).join(' ')
