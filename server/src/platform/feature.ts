import type { Act } from '@binoculum/contract'
import type { EntityTarget, ObjectLiteral } from 'typeorm'
import type { App } from './app-type.ts'
import type { CardDirectory } from './card-directory.ts'
import type { MailDriver } from './mail.ts'
import type { DemoPart } from './demo-story.ts'
import type { House } from './house.ts'
import type { HouseJob } from './jobs.ts'

/** All that the house knows of a feature: it is written down beside it, and the list of features is the only other place. */
export interface Feature {
  readonly name: string
  /** Tables it owns. */
  readonly entities?: readonly (EntityTarget<ObjectLiteral> & (new () => object))[]
  /** Acts that it writes into the record. */
  readonly acts?: readonly Act[]
  /** Makes its services, from those of features before it in the list. */
  readonly open?: (house: House) => void
  readonly routes?: (app: App, house: House) => Promise<void>
  /** What it does by itself, by the clock. */
  readonly jobs?: readonly HouseJob[]
  readonly demo?: DemoPart
  /** Simulated devices and services that it ships with, for where there is no real one. */
  readonly standIns?: Partial<Drivers>
}

/** Ways to what is outside: each behind one interface, chosen by configuration. */
export interface Drivers {
  readonly mail: MailDriver
  readonly cards: CardDirectory
}
