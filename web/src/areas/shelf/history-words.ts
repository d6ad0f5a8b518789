import { keptLookSchema, type RecordLine } from '@binoculum/contract'
import {
  conditionWords,
  dateText,
  kindWords,
  massText,
  outcomeWords,
  readingFigureText,
  remoteLookWords,
  type Condition,
  type Outcome,
  type ReadingKind,
} from '@binoculum/core'

const list = (value: unknown): Record<string, unknown>[] =>
  Array.isArray(value) ? (value as Record<string, unknown>[]) : []
const text = (value: unknown): string => (typeof value === 'string' || typeof value === 'number' ? String(value) : '')

const readingWords = (reading: Record<string, unknown>): string | null => {
  const { kind, asFound, asLeft, unit } = reading
  if (typeof asFound !== 'number' || typeof asLeft !== 'number') return null
  const words = kindWords[kind as ReadingKind] ?? text(kind)
  if (unit === 'mm' || unit === 'arcmin' || unit === 'deg' || unit === 's')
    return `${words} ${readingFigureText(unit, asFound)} → ${readingFigureText(unit, asLeft)}`
  if (kind === 'repeat') return `${words}: ${readingFigureText('judged', asLeft, kind)}`
  return asLeft === 0 ? null : `${words} not fine`
}

const dayOf = (value: unknown): string => (text(value) ? dateText(text(value)) : '–')

const kitFieldWords: Readonly<Record<string, string>> = {
  code: 'code',
  name: 'name',
  place: 'place',
  branch: 'branch',
  owner: 'owner',
  serialNumber: 'serial number',
  priceMinor: 'price',
  note: 'note',
}

/** Pictures that a check's figures were read from. */
export const recordPictures = ({ after }: RecordLine): string[] =>
  Array.isArray(after?.pictures) ? after.pictures.filter((id): id is string => typeof id === 'string') : []

/** One line of the record in plain words. */
export function recordSentence({ act, before, after }: RecordLine): string {
  const was = before ?? {}
  const is = after ?? {}
  switch (act) {
    case 'brought-in':
      return `brought in with ${text(is.parts)} parts${is.file ? ` from ${text(is.file)}` : ''}`
    case 'handed-out': {
      const due = text(is.dueOn)
      const overruled = text(is.overruleReason)
      return `handed out${due ? `, due ${dateText(due)}` : ''}${overruled ? `; overruled: “${overruled}”` : ''}`
    }
    case 'taken-back':
    case 'take-back-corrected': {
      const off = list(is.off).map(({ part, mark }) => `${text(part)} ${text(mark)}`)
      const answers = (is.answers ?? {}) as Record<string, unknown>
      const said = text(answers.whatDidNotWork)
      const isNew = act === 'taken-back' || is.outcome !== was.outcome
      const outcome = is.outcome && isNew ? `: ${outcomeWords[is.outcome as Outcome].toLowerCase()}` : ''
      const details = [
        ...off,
        ...(Number(is.unseen ?? 0) > 0 ? [`${text(is.unseen)} not looked at`] : []),
        ...list(is.extras).map(({ name }) => `${text(name)} lay there too`),
        ...(answers.sunFilterFound ? ['sun filter found'] : []),
        ...(said ? [`“${said}”`] : []),
      ]
      const what = `${act === 'taken-back' ? 'taken back' : 'take-back corrected'}${outcome}`
      return [what, ...details].join('; ')
    }
    case 'borrower-wrote': {
      const look = keptLookSchema.safeParse(is)
      if (look.success) return `the borrower looked. ${remoteLookWords(look.data)}`
      const missing = Array.isArray(is.missing) ? is.missing.map(text) : []
      if (is.missing !== undefined)
        return missing.length > 0
          ? `the borrower looked through the case: ${missing.join(', ')} missing`
          : 'the borrower looked through the case: all there'
      const walked = Array.isArray(is.walked) ? is.walked.map(text).join(' › ') : ''
      return `the borrower reports: ${[walked, is.words ? `“${text(is.words)}”` : ''].filter(Boolean).join('; ') || 'a picture'}`
    }
    case 'hand-out-corrected': {
      const what = [
        ...(is.neverLeft ? ['it never left'] : []),
        ...(is.dueOn ? [`due ${dateText(text(was.dueOn))} → ${dateText(text(is.dueOn))}`] : []),
        ...(is.borrowerId ? ['another borrower'] : []),
      ]
      return `hand-out corrected: ${what.join(', ')}; “${text(is.reason)}”`
    }
    case 'extra-settled':
      return `${text(was.part)}, which wasn’t on its card, put where it belongs`
    case 'kit-changed':
      if (is.backInService !== undefined) return `back in service: “${text(is.backInService)}”`
      return `changed: ${Object.entries(is)
        .map(
          ([field, value]) => `${kitFieldWords[field] ?? field} ${text(was[field]) || '–'} → ${text(value) || '–'}`,
        )
        .join(', ')}`
    case 'link-revoked':
      return 'the guide’s link ended'
    case 'part-marked':
      if (was.unseen !== undefined) return `${text(is.part)} counted as present`
      return `${text(is.part)}: ${text(was.mark)} → ${text(is.mark)}${is.note ? `, ${text(is.note)}` : ''}`
    case 'wear-noted':
      return is.knownWear
        ? `known wear of ${text(is.part)}: ${text(is.knownWear)}`
        : `${text(is.part)} has no known wear any more`
    case 'hazard-cured':
      return `${text(was.hazard).replaceAll('-', ' ')} cured: ${text(is.cure)}`
    case 'checked': {
      const readings = list(is.readings).flatMap((reading) => readingWords(reading) ?? [])
      const condition = is.condition ? conditionWords[is.condition as Condition].toLowerCase() : ''
      return [`checked: ${condition}`, ...readings].join(', ')
    }
    case 'cell-forgotten':
      return `forgotten what its screws did: ${text(is.steps)} turnings`
    case 'finder-offset-measured':
      return 'finder’s place measured'
    case 'weighed': {
      const groups = list(is.groups).map(({ group, measuredG }) =>
        typeof measuredG === 'number' ? `${text(group) || 'whole kit'} ${massText(measuredG)}` : text(group),
      )
      return `weighed: ${groups.join(', ')}`
    }
    case 'part-moved': {
      const way = is.way === 'into-kit' ? 'put in from the drawer' : 'laid into the drawer'
      return `${text(is.part)} ${way}; ${text(is.drawer)} there now`
    }
    case 'model-changed':
      return is.changed === undefined
        ? `model changed: ${text(is.model)}`
        : `model changed: ${{ mount: 'mount and tube', mirror: 'mirrors and cell' }[text(is.changed)] ?? 'steps'} of ${text(is.model)}`
    case 'job-opened':
      return `${text(is.job) || 'to do'}: ${text(is.text)}${is.dueOn ? `, by ${dateText(text(is.dueOn))}` : ''}`
    case 'job-settled': {
      const result = text(is.result) === 'not-helped' ? 'did not help' : text(is.result)
      return `${text(is.part)}, ${text(is.job)}: ${result}${is.note ? `; ${text(is.note)}` : ''}`
    }
    case 'job-changed':
      return [
        `${text(is.part)}, ${text(is.job)}: ${text(is.owner) || 'nobody'}`,
        is.dueOn ? `by ${dateText(text(is.dueOn))}` : 'no day',
        ...(is.note ? [text(is.note)] : []),
      ].join(', ')
    case 'guide-words-changed':
      return `guide’s words changed: ${text(is.block)}`
    case 'coin-cell-asked':
      return `coin cell missing; ${text(is.spokeTo)} was asked: “${text(is.whereIsIt)}”`
    case 'message-sent':
      return `letter sent: ${text(is.subject)}`
    case 'cells-changed':
      return `cells changed: ${text(is.part)}`
    case 'brought-up-to-date':
      return `brought up to date from ${text(is.file) || 'a list'}`
    case 'collimation-policy-set':
      return is.policy === 'with-help-sheet'
        ? 'borrowers may line it up, with the help sheet'
        : 'lining up is left to us'
    case 'case-drawn':
      return `compartments of its open case drawn: ${text(is.places)}`
    case 'case-seen':
      return is.reference
        ? is.whole
          ? 'its complete case photographed'
          : 'a picture of its case learnt from'
        : 'its open case photographed'
    case 'case-view-forgotten':
      return 'a picture of its complete case is compared with no more'
    case 'transfer-planned':
      return `goes to another branch with the van on ${dayOf(is.onDay)}`
    case 'transfer-arrived':
      return 'came with the van'
    case 'transfer-cancelled':
      return `doesn’t go with the van on ${dayOf(is.onDay)} after all`
    case 'promised':
      return `promised from ${dayOf(is.fromOn)} to ${dayOf(is.untilOn)}`
    case 'promise-moved':
      return `promise moved: ${dayOf(is.fromOn)} to ${dayOf(is.untilOn)}${is.kitId === was.kitId ? '' : ', another kit'}`
    case 'promise-cancelled':
      return `promise cancelled: “${text(is.reason)}”`
    case 'extended':
      return `put off: due ${dayOf(is.dueOn)} instead of ${dayOf(was.dueOn)}`
    case 'branch-archived':
      return is.withBorrowers ? 'archive taken out, with borrowers' : 'archive taken out, without borrowers'
    case 'spread-read':
      return `losses and drift of ${text(is.origin)} read in`
    case 'spread-forgotten':
      return `losses and drift of ${text(was.origin)} forgotten`
    case 'branch-brought-in':
      return `read in from an archive: ${text(is.kits)} kits, ${text(is.loans)} loans`
    case 'packing-shown':
      return `picture kept of how it is packed: ${text(is.of)}`
    case 'packing-unshown':
      return `picture of how it is packed taken off: ${text(is.of)}`
    case 'lesson-offered':
      return 'link to its lesson made'
    case 'lesson-done':
      return 'the borrower went through its lesson'
    case 'link-renewed':
      return 'new link to the guide'
    default:
      return act.replaceAll('-', ' ')
  }
}
