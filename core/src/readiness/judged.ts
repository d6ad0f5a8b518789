import type { Criticality, Family, Role, Mark } from '../contents/roles.ts'
import type { CantBalance } from '../mount/kit-balance.ts'
import type { Condition } from './condition.ts'
import type { JobCode } from './jobs.ts'

export const readingKinds = [
  'glass',
  'stand',
  'shake',
  'mount',
  'tube',
  'fit-out',
  'balance',
  'let-go',
  'place',
  'alignment',
  'polar',
  'collimation',
  'repeat',
  'star',
  'finder',
  'focus',
  'power',
  'pack',
] as const
export type ReadingKind = (typeof readingKinds)[number]
export type ReadingSource = 'measured' | 'typed' | 'photo' | 'judged' | 'assumed'
export interface JudgedModel {
  readonly family: Family
  readonly optics: {
    readonly apertureMm: number
    readonly focalLengthMm: number
    readonly kind: 'newtonian' | 'refractor' | 'maksutov'
    /** Whether the primary has adjusting screws; others are judged on a star only. */
    readonly collimatable: boolean
  }
  readonly highestMagnification: number
  /** What nobody has said of it yet, or only guessed. */
  readonly unknown?: readonly ModelUnknown[] | undefined
}

export const modelUnknowns = ['aperture', 'focal-length', 'family', 'eyepiece'] as const

export type ModelUnknown = (typeof modelUnknowns)[number]
export interface JudgedPart {
  readonly role: Role
  readonly mark: Mark
  readonly name?: string | undefined
  readonly criticality?: Criticality | undefined
  readonly count?: number | undefined
  /** When somebody last saw it, for parts that are *unseen* now; null where nobody ever did. */
  readonly seenAtUtc?: string | null | undefined
}

/** Something in the case that isn't on the card, and the kits it may belong to, by name. */
export interface ExtraPart {
  readonly name: string
  readonly belongsTo: string
}

/** A reading as left. Judged kinds have value 0 (fine) or 1 (not fine) and limit 0. */
export interface Reading {
  readonly kind: ReadingKind
  readonly value: number
  readonly limit: number
  readonly uncertainty?: number | null | undefined
  readonly source: ReadingSource
  readonly atUtc: string
}

export const hazardCodes = [
  'screw-in-sun-filter',
  'battery-door-open',
  'wet',
  'laser-in-case',
  'insects-or-smoke',
] as const
export type HazardCode = (typeof hazardCodes)[number]
export interface OpenJob {
  readonly code: JobCode
  readonly text?: string | undefined
}

export interface Policies {
  readonly limits?: Partial<Record<ReadingKind, number>> | undefined
  /** Days after which a reading no longer speaks for the kit; one figure, or one per kind. */
  readonly maxAgeDays: number | Partial<Record<ReadingKind, number>>
  readonly collimation: 'leave-it-to-us' | 'with-help-sheet'
  /** Whether full-aperture front filters go out with their kits; left out, they stay here. */
  readonly frontFilters?: 'stay-here' | 'lent' | undefined
  /** Whether what a picture of the open case shows as it should be may be marked at one key; left out, it may. */
  readonly sameByPicture?: 'mark' | 'look' | undefined
  /** From which chance on a look at a mirror is due before its next loan. It judges nothing. */
  readonly dueChance?: number | undefined
}

export type ReasonCode =
  | 'ALL_GOOD'
  | 'NOT_MEASURED'
  | 'NOT_COUNTED'
  | 'NOT_GONE_THROUGH'
  | 'EXTRA_PART'
  | 'PART_MISSING'
  | 'PART_DAMAGED'
  | 'PART_WRONG'
  | 'HAZARD'
  | 'FILTER_UNSAFE'
  | 'FILTER_STAYS'
  | 'MODEL_INCOMPLETE'
  | 'COLLIMATION_BEYOND'
  | 'COLLIMATION_UNSURE'
  | 'FINDER_OFF'
  | 'BALANCE_OFF'
  | 'CANT_BALANCE'
  | 'PLACE_OFF'
  | 'JUDGED_NOT_FINE'
  | 'COMES_BACK_ELSEWHERE'
  | 'SHAKES'
  | 'TIPS_OVER'
  | 'ALIGNMENT_OFF'
  | 'POLAR_OFF'
  | 'FOCUS_SHORT'
  | 'POWER_LOW'
  | 'READING_OLD'
  | 'OPEN_JOB'
export type Remedy =
  | 'none'
  | 'measure'
  | 'count-contents'
  | 'go-through-case'
  | 'take-out-extra'
  | 'find-or-replace'
  | 'replace-soon'
  | 'mend-or-replace'
  | 'swap-back'
  | 'ask-for-cell-now'
  | 'withdraw-filter'
  | 'withdraw-front-filter'
  | 'keep-front-filter'
  | 'complete-model'
  | 'remove-laser'
  | 'screw-door-shut'
  | 'dry-open'
  | 'set-apart'
  | 'check-for-notice'
  | 'report-found'
  | 'line-up-primary'
  | 'measure-again'
  | 'line-up-finder'
  | 'balance-again'
  | 'fit-weight'
  | 'set-latitude'
  | 'see-to-station'
  | 'mend-locks'
  | 'steady-stand'
  | 'leave-eyepiece'
  | 'charge'
  | 'line-up-again'
  | 'turn-to-pole'
  | 'do-job'
export interface Reason {
  readonly code: ReasonCode
  readonly condition: Condition
  readonly figures: Readonly<Record<string, string | number>>
  readonly source: string
  readonly remedy: Remedy
  readonly minutes: number
  readonly overrule: 'coordinator' | 'never'
}

export interface Judgement {
  readonly condition: Condition
  readonly reasons: readonly Reason[]
}

export interface JudgeInput {
  readonly model: JudgedModel
  readonly parts: readonly JudgedPart[]
  /** Parts that are plainly present and need not be listed, to be counted only. */
  readonly presentBesides?: number | undefined
  /** Things in the case that its card doesn't list. */
  readonly extras?: readonly ExtraPart[] | undefined
  readonly readings: readonly Reading[]
  /** A set-up of its case that its weight can't balance. */
  readonly cantBalance?: CantBalance | null | undefined
  readonly hazards: readonly HazardCode[]
  readonly openJobs: readonly OpenJob[]
  readonly policies: Policies
  readonly atUtc: string
}
