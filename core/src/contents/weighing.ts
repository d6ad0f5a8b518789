/** What goes into the explanation of a weight, and what comes out of it. */

/** One line of a card. `toleranceG` is the 2σ doubt of one piece's mass; `lossChanceFraction` that of one piece. */
export interface WeighedPart {
  readonly id: string
  readonly massG: number
  readonly toleranceG: number
  readonly count: number
  readonly group?: string | undefined
  readonly lossChanceFraction?: number | undefined
  /** Name of the set that tends to be lost as one (both clamp screws in their bag, a Barlow with its caps). */
  readonly together?: string | undefined
  /** Chance that the whole set is gone at once; a set's parts share the largest that one of them names. */
  readonly togetherChanceFraction?: number | undefined
}

export interface Weighing {
  /** Parts of this group were on the scale; without a group, the whole kit. */
  readonly group?: string | undefined
  readonly measuredG: number
  readonly scaleResolutionG: number
  readonly containerG?: number | undefined
  /** The same group, complete, weighed before, container included where one is named. */
  readonly baselineG?: number | undefined
}

/** A thing of another kit that might lie in this case. */
export interface ForeignPart {
  readonly id: string
  readonly massG: number
  readonly toleranceG: number
  /** Parts that it looks like; without this it may stand for any. */
  readonly replaces?: readonly string[] | undefined
}

export interface PartCount {
  readonly id: string
  readonly count: number
}

export interface Swap {
  readonly id: string
  readonly by: string
}

export interface ExplainWeightInput {
  readonly parts: readonly WeighedPart[]
  readonly weighings: readonly Weighing[]
  readonly foreign?: readonly ForeignPart[] | undefined
  /** What was seen already. It is allowed for in the expected mass; explanations name only what goes beyond it. */
  readonly known?:
    | {
        readonly missing: readonly PartCount[]
        readonly swapped: readonly Swap[]
        /** How likely a picture says that a part's place differs: 0.5 says nothing. */
        readonly different?: readonly { readonly id: string; readonly chance: number }[] | undefined
      }
    | undefined
  readonly maxMissing?: number | undefined
  readonly maxSwaps?: number | undefined
  readonly limit?: number | undefined
}

export interface Explanation {
  readonly missing: readonly PartCount[]
  readonly swapped: readonly Swap[]
  readonly extra: readonly string[]
  /** Measured less what this explanation expects, all weighings together. */
  readonly residualG: number
  readonly probability: number
}

export interface GroupWeight {
  readonly group: string
  readonly expectedG: number
  readonly measuredG: number
  readonly differenceG: number
  readonly smallestVisibleG: number
  readonly consistent: boolean
  readonly compared: 'declared' | 'baseline'
  /** What this group alone says, best first: no other group's parts are named. */
  readonly explanations: readonly Explanation[]
}

export interface WeightExplained {
  readonly expectedG: number
  readonly differenceG: number
  readonly consistent: boolean
  readonly smallestVisibleG: number
  readonly groups: readonly GroupWeight[]
  readonly explanations: readonly Explanation[]
  readonly restProbability: number
}
