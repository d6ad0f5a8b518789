import type { Act } from '@binoculum/contract'
import type { EntityTarget, ObjectLiteral } from 'typeorm'
import type { App } from './app-type.ts'
import type { House } from './house.ts'

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
}
