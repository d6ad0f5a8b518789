import type { Database } from './database.ts'
import type { MailDriver } from './mail.ts'

/** What every feature gets when it is registered. */
export interface Context {
  readonly database: Database
  readonly clock: () => Date
  readonly secure: boolean
  readonly demo: boolean
  readonly mail: MailDriver
  /** Sender of letters: an address, with or without a name before it. */
  readonly mailFrom: string
}
