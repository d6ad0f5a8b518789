import type { StandData } from '../mount/stand.ts'
import type { FinderKind } from '../finder/finder-data.ts'
import type { MirrorData } from '../collimation/mirror-data.ts'
import type { RepeatVerdict } from '../collimation/repeat.ts'
import type { Family, Mark, Role } from '../contents/roles.ts'
import type { DrawnKit } from '../drawings/dimensions.ts'
import type { MountData } from '../mount/mount-data.ts'
import type { HeldPart } from '../optics/phone-holder.ts'
import type { OpticalPart } from '../optics/powers.ts'
import type { PowerVerdict } from '../optics/view.ts'
import type { Feel, Procedure, StepDrawing } from '../procedures/procedure.ts'
import type { JudgedModel } from '../readiness/judged.ts'
import type { ToldTargets } from './first-night.ts'
import type { HelpSheet } from './help-sheet.ts'
import type { LegsRoom } from '../mount/near-legs.ts'
import type { KitReach } from './kit-reach.ts'
import type { GuideNight, GuidePlace } from './nights.ts'
import type { LiesSo, PackingPicture } from './packing-picture.ts'
import type { Said } from './said.ts'

export interface GuidePart extends OpticalPart, HeldPart {
  readonly finderKind?: FinderKind | undefined
  readonly role: Role
  readonly count: number
  readonly mark: Mark
  readonly massG: number | null
  readonly place: string
  /** Of an extension tube; left out, nobody measured it. */
  readonly lengthMm?: number | undefined
  /** What it has had for long; left out or empty, nothing. */
  readonly knownWear?: string | undefined
}

/** Who borrows, as far as a guide needs it. */
export interface GuideBorrower {
  readonly ageGroup: 'child' | 'family' | 'adult'
  readonly level: 'first' | 'some' | 'expert'
  readonly eye: 'left' | 'right'
  readonly seated: boolean
}

export const usualBorrower: GuideBorrower = { ageGroup: 'family', level: 'first', eye: 'right', seated: false }

/** A block as coordinators changed it, for one language; the narrowest scope wins. */
export interface OwnBlock {
  readonly scope: 'programme' | 'model' | 'kit'
  readonly key: string
  readonly language: string
  readonly title: string
  /** Null: left out, with a reason kept elsewhere. */
  readonly text: string | null
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
  /** How its sliding tube came back in the last test of it; left out, nobody tested it. */
  readonly repeat?: RepeatVerdict | null | undefined
  /** Ways to look that didn't come to focus at the last check of it, by `chainName`; left out, nobody tried. */
  readonly withoutFocus?: readonly string[] | undefined
  /** Pictures of how it is packed; left out, nobody took one. */
  readonly packing?: readonly PackingPicture[] | undefined
  /** What borrowers of this model saw of what they looked for; left out, nobody told. */
  readonly told?: ToldTargets | undefined
  /** What its mirrors measure; left out, nobody did. */
  readonly mirror?: MirrorData | null | undefined
  /** How its stand is locked and its tube fixed; left out, as its family's usually are. */
  readonly stand?: StandData | null | undefined
  /** What its mount and tube measure; left out, nobody did. */
  readonly mount?: MountData | null | undefined
  readonly branchName: string
  readonly emergencyLine: string
  readonly issuedOn: string
  readonly dueOn: string
  readonly dueTime?: string | undefined
  readonly firstName?: string | undefined
  readonly language?: string | undefined
  readonly borrower?: GuideBorrower | undefined
  /** Left out, no nights are worked out. */
  readonly place?: GuidePlace | undefined
  readonly ownBlocks?: readonly OwnBlock[] | undefined
  /** Order of blocks, where coordinators changed it. */
  readonly order?: readonly string[] | undefined
  /** Translations that coordinators typed, by language and English sentence. */
  readonly ownWords?: Readonly<Record<string, Readonly<Record<string, string>>>> | undefined
}

export interface GuideStep {
  readonly key: string
  readonly title: Said
  readonly lines: readonly Said[]
  readonly feel: Feel | null
  readonly caution: Said | null
  readonly drawing: StepDrawing | null
  readonly undo: boolean
  /** How it looks when it is right; null where nobody took a picture. */
  readonly lies: LiesSo | null
}

export interface GuidePower {
  readonly eyepiece: string
  readonly barlow: string | null
  readonly magnification: number
  readonly trueFieldDeg: number | null
  readonly exitPupilMm: number
  readonly driftSeconds: number | null
  readonly verdict: PowerVerdict
  readonly start: boolean
  readonly wholeMoon: boolean
  /** 2 inches: it goes in without the adapter that narrow ones need. */
  readonly wideBarrel: boolean
}

export interface GuideBlock {
  readonly key: string
  readonly title: Said
  /** Cautions: first, and always there. */
  readonly stays: readonly Said[]
  readonly lines: readonly Said[]
}

export interface GuideTrouble {
  readonly key: string
  readonly sign: Said
  readonly checks: readonly Said[]
  readonly question: Said
  readonly answers: readonly {
    readonly key: string
    readonly answer: Said
    readonly hint: Said
    readonly then: readonly Said[]
  }[]
  readonly besides: Said | null
}

export interface GuideContents {
  readonly place: Said
  /** How it looks when it is right; null where nobody took a picture. */
  readonly lies: LiesSo | null
  readonly parts: readonly { readonly name: Said; readonly count: number; readonly look: boolean }[]
}

export interface GuideControllerLine {
  readonly asks: Said
  readonly entry: Said
  readonly hint: Said | null
  readonly careful: boolean
}

/** All words of a guide in one language. */
export interface GuideText {
  readonly blocks: readonly GuideBlock[]
  readonly notes: readonly Said[]
  readonly contents: readonly GuideContents[]
  readonly setUp: readonly GuideStep[]
  readonly putAway: readonly GuideStep[]
  readonly trouble: readonly GuideTrouble[]
  readonly controller: readonly GuideControllerLine[]
  readonly home: readonly Said[]
  readonly targets: Readonly<Record<string, { readonly name: Said; readonly find: Said; readonly look: Said }>>
  readonly helpSheet: HelpSheet | null
  /** English sentences that nobody translated yet. */
  readonly missing: readonly string[]
}

/** A guide as issued. It is stored whole and never made again for the same loan. */
export interface Guide {
  readonly version: 2
  readonly kitName: string
  readonly kitCode: string
  readonly modelName: string
  readonly branchName: string
  readonly emergencyLine: string
  readonly issuedOn: string
  readonly dueOn: string
  readonly dueTime: string | null
  readonly firstName: string | null
  readonly language: string
  /** What its drawings are made from; null for guides from before there were drawings. */
  readonly drawn: DrawnKit | null
  readonly powers: readonly GuidePower[]
  readonly place: GuidePlace | null
  readonly nights: readonly GuideNight[]
  /** How high its eyepiece stands; null on an equatorial head, and in guides from before it was worked out. */
  readonly reach: KitReach | null
  /** What of an equatorial kit can meet its own legs; null on other heads, and where nobody measured it. */
  readonly legs: LegsRoom | null
  readonly sightingScope: 'none' | 'upright' | 'turned'
  readonly texts: Readonly<Record<string, GuideText>>
}
