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
import { shelfWords } from './words.ts'

const t = shelfWords('historyWords')

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
  return asLeft === 0 ? null : t('notFine', { words })
}

const dayOf = (value: unknown): string => (text(value) ? dateText(text(value)) : '–')

const kitFieldWords: Readonly<Record<string, string>> = {
  code: t('code'),
  name: t('name'),
  place: t('place'),
  branch: t('branch'),
  owner: t('owner'),
  serialNumber: t('serialNumber'),
  priceMinor: t('price'),
  note: t('note'),
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
      return t('broughtInWithParts', {
        parts: text(is.parts),
        file: is.file ? t('fromFile', { file: text(is.file) }) : '',
      })
    case 'handed-out': {
      const due = text(is.dueOn)
      const overruled = text(is.overruleReason)
      return t('handedOut', {
        due: due ? t('dueDue', { due: dateText(due) }) : '',
        overruled: overruled ? t('overruledOverruled', { overruled }) : '',
      })
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
        ...(Number(is.unseen ?? 0) > 0 ? [t('notLookedAt', { unseen: text(is.unseen) })] : []),
        ...list(is.extras).map(({ name }) => t('layThereToo', { name: text(name) })),
        ...(answers.sunFilterFound ? [t('sunFilterFound')] : []),
        ...(said ? [`“${said}”`] : []),
      ]
      const what = `${act === 'taken-back' ? t('takenBack') : t('takeBackCorrected')}${outcome}`
      return [what, ...details].join('; ')
    }
    case 'borrower-wrote': {
      const look = keptLookSchema.safeParse(is)
      if (look.success) return t('theBorrowerLooked', { data: remoteLookWords(look.data) })
      const missing = Array.isArray(is.missing) ? is.missing.map(text) : []
      if (is.missing !== undefined)
        return missing.length > 0
          ? t('theBorrowerLookedThroughThe', { missing: missing.join(', ') })
          : t('theBorrowerLookedThroughTheCase')
      const walked = Array.isArray(is.walked) ? is.walked.map(text).join(' › ') : ''
      return t('theBorrowerReports', {
        reports: [walked, is.words ? `“${text(is.words)}”` : ''].filter(Boolean).join('; ') || t('aPicture'),
      })
    }
    case 'hand-out-corrected': {
      const what = [
        ...(is.neverLeft ? [t('itNeverLeft')] : []),
        ...(is.dueOn ? [t('dueMoved', { from: dateText(text(was.dueOn)), to: dateText(text(is.dueOn)) })] : []),
        ...(is.borrowerId ? [t('anotherBorrower')] : []),
      ]
      return t('handOutCorrected', { what: what.join(', '), reason: text(is.reason) })
    }
    case 'extra-settled':
      return t('whichWasntOnItsCard', { part: text(was.part) })
    case 'kit-changed':
      if (is.backInService !== undefined) return t('backInService', { backInService: text(is.backInService) })
      return t('changedIs', {
        is: Object.entries(is)
          .map(
            ([field, value]) => `${kitFieldWords[field] ?? field} ${text(was[field]) || '–'} → ${text(value) || '–'}`,
          )
          .join(', '),
      })
    case 'link-revoked':
      return t('theGuidesLinkEnded')
    case 'part-marked':
      if (was.unseen !== undefined) return t('countedAsPresent', { part: text(is.part) })
      return `${text(is.part)}: ${text(was.mark)} → ${text(is.mark)}${is.note ? `, ${text(is.note)}` : ''}`
    case 'wear-noted':
      return is.knownWear
        ? t('knownWearOf', { part: text(is.part), knownWear: text(is.knownWear) })
        : t('hasNoKnownWearAny', { part: text(is.part) })
    case 'hazard-cured':
      return t('hazardCured', { hazard: text(was.hazard).replaceAll('-', ' '), cure: text(is.cure) })
    case 'checked': {
      const readings = list(is.readings).flatMap((reading) => readingWords(reading) ?? [])
      const condition = is.condition ? conditionWords[is.condition as Condition].toLowerCase() : ''
      return [t('checkedCondition', { condition }), ...readings].join(', ')
    }
    case 'cell-forgotten':
      return t('forgottenWhatItsScrewsDid', { steps: text(is.steps) })
    case 'finder-offset-measured':
      return t('findersPlaceMeasured')
    case 'weighed': {
      const groups = list(is.groups).map(({ group, measuredG }) =>
        typeof measuredG === 'number' ? `${text(group) || t('wholeKit')} ${massText(measuredG)}` : text(group),
      )
      return t('weighedGroups', { groups: groups.join(', ') })
    }
    case 'part-moved': {
      const way = is.way === 'into-kit' ? t('putInFromTheDrawer') : t('laidIntoTheDrawer')
      return t('thereNow', { part: text(is.part), way, drawer: text(is.drawer) })
    }
    case 'model-changed':
      return is.changed === undefined
        ? t('modelChanged', { model: text(is.model) })
        : t('modelChangedOf', {
            what: { mount: t('mountAndTube'), mirror: t('mirrorsAndCell') }[text(is.changed)] ?? t('steps'),
            model: text(is.model),
          })
    case 'job-opened':
      return `${text(is.job) || t('toDo')}: ${text(is.text)}${is.dueOn ? t('toBeDoneBy', { dueOn: dateText(text(is.dueOn)) }) : ''}`
    case 'job-settled': {
      const result = text(is.result) === 'not-helped' ? t('didNotHelp') : text(is.result)
      return `${text(is.part)}, ${text(is.job)}: ${result}${is.note ? `; ${text(is.note)}` : ''}`
    }
    case 'job-changed':
      return [
        `${text(is.part)}, ${text(is.job)}: ${text(is.owner) || t('nobody')}`,
        is.dueOn ? t('byDay', { dueOn: dateText(text(is.dueOn)) }) : t('noDay'),
        ...(is.note ? [text(is.note)] : []),
      ].join(', ')
    case 'guide-words-changed':
      return t('guidesWordsChanged', { block: text(is.block) })
    case 'coin-cell-asked':
      return t('coinCellMissingWasAsked', { spokeTo: text(is.spokeTo), whereIsIt: text(is.whereIsIt) })
    case 'message-sent':
      return t('letterSent', { subject: text(is.subject) })
    case 'cells-changed':
      return t('cellsChanged', { part: text(is.part) })
    case 'brought-up-to-date':
      return t('broughtUpToDateFrom', { file: text(is.file) || t('aList') })
    case 'collimation-policy-set':
      return is.policy === 'with-help-sheet' ? t('borrowersMayLineItUp') : t('liningUpIsLeftTo')
    case 'case-drawn':
      return t('compartmentsOfItsOpenCase', { places: text(is.places) })
    case 'case-seen':
      return is.reference
        ? is.whole
          ? t('itsCompleteCasePhotographed')
          : t('aPictureOfItsCase')
        : t('itsOpenCasePhotographed')
    case 'case-view-forgotten':
      return t('aPictureOfItsComplete')
    case 'transfer-planned':
      return t('goesToAnotherBranchWith', { onDay: dayOf(is.onDay) })
    case 'transfer-arrived':
      return t('cameWithTheVan')
    case 'transfer-cancelled':
      return t('doesntGoWithTheVan', { onDay: dayOf(is.onDay) })
    case 'promised':
      return t('promisedFromTo', { fromOn: dayOf(is.fromOn), untilOn: dayOf(is.untilOn) })
    case 'promise-moved':
      return t('promiseMovedTo', {
        fromOn: dayOf(is.fromOn),
        untilOn: dayOf(is.untilOn),
        kit: is.kitId === was.kitId ? '' : t('anotherKit'),
      })
    case 'promise-cancelled':
      return t('promiseCancelled', { reason: text(is.reason) })
    case 'extended':
      return t('putOffDueInsteadOf', { dueOn: dayOf(is.dueOn), was: dayOf(was.dueOn) })
    case 'branch-archived':
      return is.withBorrowers ? t('archiveTakenOutWithBorrowers') : t('archiveTakenOutWithoutBorrowers')
    case 'spread-read':
      return t('lossesAndDriftOfRead', { origin: text(is.origin) })
    case 'spread-forgotten':
      return t('lossesAndDriftOfForgotten', { origin: text(was.origin) })
    case 'branch-brought-in':
      return t('readInFromAnArchive', { kits: text(is.kits), loans: text(is.loans) })
    case 'packing-shown':
      return t('pictureKeptOfHowIt', { of: text(is.of) })
    case 'packing-unshown':
      return t('pictureOfHowItIs', { of: text(is.of) })
    case 'lesson-offered':
      return t('linkToItsLessonMade')
    case 'lesson-done':
      return t('theBorrowerWentThroughIts')
    case 'link-renewed':
      return t('newLinkToTheGuide')
    default:
      return act.replaceAll('-', ' ')
  }
}
