import type { ReceivedMessages } from '@binoculum/contract'
import { benchWords } from './words.ts'

const t = benchWords('nextForMessage')

type Message = ReceivedMessages['messages'][number]

/** What whoever reads a borrower's message does next. */
export function nextForMessage({ kind, look, missing, pictureId, walked, words }: Message): string {
  if (look) return nextForLook(look)
  if (kind === 'contents') return missing.length === 0 ? t('nothingToDo') : t('lookForItHereFirst')
  if (walked.length === 0 && words === '' && pictureId !== null) return t('lookAtThePictureAnd')
  return t('ringThemIfAWord')
}

/** They read at once what it means for them; this is what remains for the house. */
function nextForLook({ look, meaning }: NonNullable<Message['look']>): string {
  if (look === 'case') return meaning === 'off' ? t('theyWereToldWhereTo') : t('nothingToDoAPicture')
  if (meaning === 'good' || meaning === 'usable') return t('nothingToDoTheyRead')
  if (meaning === 'unsure') return t('theyMaySendAnotherMeasured')
  return t('itsCheckIsAJob')
}
