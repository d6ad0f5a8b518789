import type { Family, Mark, Role } from '../contents/roles.ts'
import type { PowerVerdict } from '../optics/view.ts'
import type { OpticalPart } from '../optics/powers.ts'
import type { MirrorData } from '../collimation/mirror-data.ts'
import type { HelpSheet } from './help-sheet.ts'
import type { Feel, Procedure } from '../procedures/procedure.ts'
import type { JudgedModel } from '../readiness/judge.ts'

export interface GuidePart extends OpticalPart {
  readonly role: Role
  readonly count: number
  readonly mark: Mark
  readonly massG: number | null
  readonly place: string
}

/** All that a guide is made from: this kit and this loan, nothing general. */
export interface GuideInput {
  readonly kitName: string
  readonly kitCode: string
  readonly modelName: string
  readonly family: Family
  readonly optics: JudgedModel['optics'] & {
    readonly collapsible: boolean
    readonly primaryFocalLengthMm?: number
    readonly peepholeOutsideFocusMm?: number
  }
  readonly parts: readonly GuidePart[]
  /** The model's own steps; left out, its family's. */
  readonly procedure?: Procedure | undefined
  readonly collimationPolicy: 'leave-it-to-us' | 'with-help-sheet'
  /** What its mirrors measure; left out, nobody did. */
  readonly mirror?: MirrorData | null | undefined
  readonly branchName: string
  readonly emergencyLine: string
  readonly issuedOn: string
  readonly dueOn: string
}

export interface GuideStep {
  readonly title: string
  readonly lines: readonly string[]
  readonly feel: Feel | null
  readonly caution: string | null
}

export interface GuidePower {
  readonly eyepiece: string
  readonly barlow: string | null
  readonly magnification: number
  readonly trueFieldDeg: number | null
  readonly exitPupilMm: number
  readonly verdict: PowerVerdict
  readonly start: boolean
  readonly wholeMoon: boolean
}

/** A guide as issued. It is stored whole and never made again for the same loan. */
export interface Guide {
  readonly version: 1
  readonly kitName: string
  readonly kitCode: string
  readonly modelName: string
  readonly branchName: string
  readonly emergencyLine: string
  readonly issuedOn: string
  readonly dueOn: string
  readonly sun: readonly string[]
  readonly safety: readonly string[]
  readonly contents: readonly { readonly place: string; readonly parts: readonly string[] }[]
  readonly notes: readonly string[]
  readonly setUp: readonly GuideStep[]
  readonly place: readonly string[]
  readonly firstLook: readonly string[]
  readonly powers: readonly GuidePower[]
  readonly expect: readonly string[]
  readonly trouble: readonly { readonly sign: string; readonly tries: readonly string[] }[]
  readonly putAway: readonly GuideStep[]
  readonly collimation: readonly string[]
  /** Only where this kit's borrowers may line it up, and its mirrors are measured. */
  readonly helpSheet: HelpSheet | null
}
