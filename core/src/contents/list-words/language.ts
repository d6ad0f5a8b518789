import type { ListField } from '../list-fields.ts'
import type { Criticality, Role } from '../roles.ts'

/** Words that clubs write in their lists, one file a language. Common practice, no source. */
export interface ListWords {
  readonly language: string
  readonly headings: Readonly<Partial<Record<ListField, readonly string[]>>>
  /** Words that give a part's role away, the narrower before the wider; matched in lower case without accents. */
  readonly roles: readonly (readonly [RegExp, Role])[]
  readonly criticality: Readonly<Record<string, Criticality>>
  /** Small things that hold others: they are never the thing they hold. */
  readonly hardware: RegExp
}
