import type { WatchFinding } from '@binoculum/contract'

interface Said {
  readonly what: string
  readonly why: string
  readonly next: string
}

const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`
const ago = (hours: number) => (hours < 72 ? `${hours} hours` : `${Math.round(hours / 24)} days`)

/** What is wrong with the installation, in plain words: what, why it matters, what to do next. */
const words: Readonly<Record<WatchFinding['code'], (figures: Record<string, number>) => Said>> = {
  LETTERS_NOT_LEAVING: ({ letters = 0 }) => ({
    what: `${count(letters, 'letter', 'letters')} could not be sent.`,
    why: 'Borrowers wait for them and nobody tells you.',
    next: 'Open Desk › Letters: each says what the mail server answered. Send it again there, or ring the borrower.',
  }),
  BACKUP_OLD: ({ hours = 0 }) => ({
    what: `The last backup is ${ago(hours)} old.`,
    why: 'If this machine broke now, everything since then would be lost.',
    next: 'Ask whoever looks after the machine to run “npm run backup”, and to see why it does not run each night.',
  }),
  NEVER_BACKED_UP: () => ({
    what: 'There has never been a backup.',
    why: 'If this machine broke now, the whole record would be lost.',
    next: 'Ask whoever looks after the machine to run “npm run backup” each night and to keep the file elsewhere.',
  }),
  DISK_LOW: ({ freeGb = 0, percent = 0 }) => ({
    what: `The disk is nearly full: ${freeGb} GB are free, ${percent} %.`,
    why: 'When it is full nothing more can be written down; what is written stays.',
    next: 'Ask whoever looks after the machine to make room or to add a disk.',
  }),
  CLOCK_OFF: ({ seconds = 0 }) => ({
    what: `This server’s clock and the database’s are ${seconds} s apart.`,
    why: 'Days of return, and whether the Sun is up, are judged by the clock.',
    next: 'Have both set by a time server.',
  }),
  JOBS_BEHIND: ({ hours = 0 }) => ({
    what: `What is done each night was not done for ${ago(hours)}.`,
    why: 'Old links and sessions stay longer than they should, and letters that got lost are not found.',
    next: 'Have the server started again; if that does not help, its log says why.',
  }),
  SLOW_STATEMENTS: ({ statements = 0 }) => ({
    what: `The database was slow ${statements} times in the last hour.`,
    why: 'Desks wait. It may be a full disk, a backup that runs by day, or another program on the machine.',
    next: 'Have the server’s log looked at: it says which statements they were.',
  }),
  ACCOUNT_TOO_MIGHTY: () => ({
    what: 'The server works with an account that could change the record.',
    why: 'Somebody who got into the server could also wipe what they did.',
    next: 'Give it an account of its own: docs/deployment.md, “Two accounts”.',
  }),
  NO_MAIL_SERVER: () => ({
    what: 'No mail server is set: letters stay in the outbox.',
    why: 'Reminders have to be saved and sent by hand.',
    next: 'If letters should leave by themselves, have SMTP_URL set.',
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
    what: `This device’s clock is ${count(minutes, 'minute', 'minutes')} ${offS > 0 ? 'fast' : 'slow'}.`,
    why: 'The record goes by the server’s clock, but hours shown here may mislead you.',
    next: 'Set it by the network.',
  }
}
