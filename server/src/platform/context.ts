import type { Database } from './database.ts'

/** What every feature gets when it is registered. */
export interface Context {
  readonly database: Database
  readonly clock: () => Date
  readonly secure: boolean
  readonly demo: boolean
}
