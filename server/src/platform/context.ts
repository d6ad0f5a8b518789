import type { CardDirectory } from './card-directory.ts'
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
  /** Null where the programme has none. */
  readonly cards: CardDirectory | null
}
