import type { WatchFinding } from '@binoculum/contract'
import { setupWords } from './words.ts'

const t = setupWords('watchWords')

interface Said {
  readonly what: string
  readonly why: string
  readonly next: string
}

const ago = (hours: number) =>
  hours < 72 ? t('hoursHours', { hours }) : t('hoursDays', { hours: Math.round(hours / 24) })

/** What is wrong with the installation, in plain words: what, why it matters, what to do next. */
const words: Readonly<Record<WatchFinding['code'], (figures: Record<string, number>) => Said>> = {
  LETTERS_NOT_LEAVING: ({ letters = 0 }) => ({
    what: t('lettersCouldNotBeSent', { n: letters }),
    why: t('borrowersWaitForThemAnd'),
    next: t('openDeskLettersEachSays'),
  }),
  BACKUP_OLD: ({ hours = 0 }) => ({
    what: t('theLastBackupIsOld', { hours: ago(hours) }),
    why: t('ifThisMachineBrokeNow'),
    next: t('askWhoeverLooksAfterThe'),
  }),
  NEVER_BACKED_UP: () => ({
    what: t('thereHasNeverBeenA'),
    why: t('ifThisMachineBrokeNowThe'),
    next: t('askWhoeverLooksAfterTheMachine'),
  }),
  DISK_LOW: ({ freeGb = 0, percent = 0 }) => ({
    what: t('theDiskIsNearlyFull', { freeGb, percent }),
    why: t('whenItIsFullNothing'),
    next: t('askWhoeverLooksAfterTheMachineTo'),
  }),
  CLOCK_OFF: ({ seconds = 0 }) => ({
    what: t('thisServersClockAndThe', { seconds }),
    why: t('daysOfReturnAndWhether'),
    next: t('haveBothSetByA'),
  }),
  JOBS_BEHIND: ({ hours = 0 }) => ({
    what: t('whatIsDoneEachNight', { hours: ago(hours) }),
    why: t('oldLinksAndSessionsStay'),
    next: t('haveTheServerStartedAgain'),
  }),
  SLOW_STATEMENTS: ({ statements = 0 }) => ({
    what: t('theDatabaseWasSlowTimes', { statements }),
    why: t('desksWaitItMayBe'),
    next: t('haveTheServersLogLooked'),
  }),
  ACCOUNT_TOO_MIGHTY: () => ({
    what: t('theServerWorksWithAn'),
    why: t('somebodyWhoGotIntoThe'),
    next: t('giveItAnAccountOf'),
  }),
  NO_MAIL_SERVER: () => ({
    what: t('noMailServerIsSet'),
    why: t('remindersHaveToBeSaved'),
    next: t('ifLettersShouldLeaveBy'),
  }),
}

export const watchWords = ({ code, figures }: WatchFinding): Said => words[code](figures)

/** How far a device's clock may be off before its hints about light and dark mislead. */
const DEVICE_OFF_S = 90
export function deviceClockWords(serverUtc: string, deviceMs: number): Said | null {
  const offS = Math.round((deviceMs - new Date(serverUtc).getTime()) / 1000)
  if (Math.abs(offS) <= DEVICE_OFF_S) return null
  const minutes = Math.round(Math.abs(offS) / 60)
  return {
    what: t('thisDevicesClockIsMinutes', { offS: offS > 0 ? t('fast') : t('slow'), n: minutes }),
    why: t('theRecordGoesByThe'),
    next: t('setItByTheNetwork'),
  }
}
