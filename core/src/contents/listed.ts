import type { ListField } from './list-fields.ts'
import type { ColumnMap } from './list-header.ts'
import type { Role, Criticality, Family } from './roles.ts'
import type { DecimalSign } from './units.ts'

export interface ListedPart {
  readonly line: number
  readonly name: string
  readonly role: Role
  /** How surely the free word names the role, 0 to 1; 1 where a person decided. */
  readonly confidence: number
  /** The list itself says what it is, in a column of its own. */
  readonly stated: boolean
  readonly criticality: Criticality
  readonly count: number
  readonly massG: number | null
  readonly place: string
  readonly note: string
  /** Whether the list itself says how much it is needed. */
  readonly criticalityGiven: boolean
  readonly focalLengthMm?: number
  readonly barlow?: number
}

export interface ListedKit {
  readonly code: string
  readonly name: string
  readonly parts: readonly ListedPart[]
  readonly massG: number
  readonly proposedFamily: Family
  readonly proposedTube: { readonly apertureMm: number; readonly focalLengthMm: number } | null
}

export type RowProblemCode =
  | 'NO_KIT_CODE'
  | 'NO_PART'
  | 'COUNT_NOT_WHOLE'
  | 'MASS_NOT_A_NUMBER'
  | 'MASS_NO_UNIT'
  | 'MASS_UNKNOWN_UNIT'
  | 'MASS_NEGATIVE'
  | 'MASS_AMBIGUOUS'
  | 'LENGTH_UNREADABLE'
  | 'WORD_UNKNOWN'
  | 'ROLE_UNKNOWN'
  | 'LENGTH_ZERO'
  | 'DATE_UNREADABLE'
export interface RowProblem {
  readonly line: number
  readonly field: ListField
  readonly code: RowProblemCode
  readonly value: string
}

/** A word of the list and the part it is taken for. */
export interface ListedWord {
  readonly word: string
  readonly role: Role
  readonly confidence: number
  readonly others: readonly Role[]
  readonly rows: number
  readonly decided: boolean
}

/** Something that only a person can say. `key` goes with the answer; `answers` are what can be said. */
export type ListQuestion =
  | {
      readonly code: 'SAME_CODE_TWICE'
      readonly key: string
      readonly line: number
      readonly kit: string
      readonly name: string
      readonly answers: readonly ['join', 'own-kit', 'spares']
    }
  | {
      readonly code: 'SUN_FILTER'
      readonly key: string
      readonly line: number
      readonly kit: string
      readonly name: string
      readonly answers: readonly ['held', 'destroyed']
    }
  | {
      readonly code: 'UNSURE_WORD'
      readonly key: string
      readonly line: number
      readonly kit: string
      readonly name: string
      readonly answers: readonly Role[]
    }

/** Answers by the questions' keys. */
export type ListDecisions = Readonly<Record<string, string>>
export interface ContentsList {
  readonly columns: ColumnMap
  readonly missingColumns: readonly ListField[]
  readonly decimal: DecimalSign
  /** Codes stand only on the first row of each kit's block. */
  readonly filledDown: boolean
  readonly kits: readonly ListedKit[]
  /** Parts that a person said are no kit of their own. */
  readonly spares: readonly ListedPart[]
  readonly words: readonly ListedWord[]
  readonly questions: readonly ListQuestion[]
  readonly problems: readonly RowProblem[]
}

/** One row of the file with the number of the line on which it begins. */
export interface ListRow {
  readonly line: number
  readonly cells: readonly string[]
}
