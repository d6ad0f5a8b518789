import { lossChanceOfTicked } from './loss-chance.ts'
import type { Mark } from './roles.ts'
import { saysNothing } from './explain-weight.ts'
import { expectation, groupWeight, loadsOf, varianceOf, type Load } from './weight-loads.ts'
import type { ExplainWeightInput, Explanation, ForeignPart, Weighing, WeightExplained } from './weighing.ts'

/** A part of a card as the desk has marked it so far. */
export interface WeighedLine {
  readonly id: string
  readonly name: string
  readonly massG: number | null
  readonly toleranceG: number | null
  readonly count: number
  readonly group: string
  readonly mark: Mark
  readonly presentCount: number
  /** The thing of another kit that lies in its place, where it was recognised. */
  readonly wrongItemId?: string | null | undefined
  readonly lossChanceFraction: number
}

/** The marked card as a question to `explainWeight`: what is missing is known, what is ticked is unlikely to be gone.
 * Parts without a mass can't be weighed and are left out. */
export function weighInInput(given: {
  readonly lines: readonly WeighedLine[]
  readonly weighings: readonly Weighing[]
  readonly foreign: readonly ForeignPart[]
}): ExplainWeightInput {
  const { weighings, foreign } = given
  const lines = given.lines.filter(({ massG }) => massG !== null)
  const swapped = lines.flatMap(({ id, mark, wrongItemId }) =>
    mark === 'wrong' && wrongItemId && foreign.some((thing) => thing.id === wrongItemId)
      ? [{ id, by: wrongItemId }]
      : [],
  )
  const missing = lines.flatMap(({ id, mark, count, presentCount }) =>
    mark === 'missing' && presentCount < count ? [{ id, count: count - presentCount }] : [],
  )
  return {
    parts: lines.map(({ id, massG, toleranceG, count, group, mark, lossChanceFraction }) => ({
      id,
      massG: massG ?? 0,
      toleranceG: toleranceG ?? 0,
      count,
      group,
      lossChanceFraction: mark === 'unseen' ? lossChanceFraction : lossChanceOfTicked(lossChanceFraction),
    })),
    weighings,
    foreign,
    known: { missing, swapped },
  }
}

export type WeightVerdict =
  | { readonly code: 'ALL_THERE'; readonly smallestVisibleG: number }
  | { readonly code: 'LIKELY'; readonly explanation: Explanation }
  | { readonly code: 'ONE_OF_SEVERAL'; readonly explanations: readonly Explanation[] }
  | { readonly code: 'CANNOT_TELL'; readonly smallestVisibleG: number; readonly differenceG: number }
  | { readonly code: 'NOTHING_FITS'; readonly differenceG: number }

/** From this probability on one explanation is named alone. Common practice, no source. */
const LIKELY = 0.5
/** Explanations less likely than this are not worth a look. */
const WORTH_A_LOOK = 0.05
const SHOWN = 3
/** Beyond four sigma no set that was tried explains the weight. */
const FITS_SIGMAS = 4

/** What the weight says, in one of five ways. */
export function weightVerdict(explained: WeightExplained): WeightVerdict {
  const { explanations, differenceG, smallestVisibleG, consistent } = explained
  const best = explanations[0]
  if (!best) return { code: 'CANNOT_TELL', differenceG, smallestVisibleG }
  const sigmas = (Math.abs(best.residualG) / Math.max(smallestVisibleG, Number.MIN_VALUE)) * 2
  if (!consistent && sigmas > FITS_SIGMAS) return { code: 'NOTHING_FITS', differenceG }
  if (saysNothing(best)) {
    if (best.probability >= LIKELY && consistent) return { code: 'ALL_THERE', smallestVisibleG }
    return { code: 'CANNOT_TELL', differenceG, smallestVisibleG }
  }
  if (best.probability >= LIKELY) return { code: 'LIKELY', explanation: best }
  const worth = explanations.filter(({ probability }) => probability >= WORTH_A_LOOK).slice(0, SHOWN)
  return worth.length > 0
    ? { code: 'ONE_OF_SEVERAL', explanations: worth }
    : { code: 'CANNOT_TELL', differenceG, smallestVisibleG }
}

/** Parts so light that their loss would not show, though nobody has looked at them yet. */
export function tooLightToTell(lines: readonly WeighedLine[], explained: WeightExplained): readonly string[] {
  const visible = new Map(explained.groups.map(({ group, smallestVisibleG }) => [group, smallestVisibleG]))
  const limit = (group: string) => visible.get(group) ?? visible.get('')
  return lines
    .filter(({ mark, massG, group }) => mark === 'unseen' && massG !== null && massG < (limit(group) ?? 0))
    .map(({ id }) => id)
}

/** The smallest loss that weighing a complete group can show, g: two sigma of declared masses and scale, or of the scale
 * alone where the group has been weighed complete before. @throws RangeError for a step that is not above 0 */
export function smallestLossSeenG(
  parts: readonly { readonly massG: number | null; readonly toleranceG: number | null; readonly count: number }[],
  scale: { readonly stepG: number; readonly weighedBefore: boolean },
): number {
  const weighable = parts.map((part, index) => ({
    id: String(index),
    massG: part.massG ?? 0,
    toleranceG: part.toleranceG ?? 0,
    count: part.count,
  }))
  const fullG = weighable.reduce((sum, { massG, count }) => sum + massG * count, 0)
  const baseline = scale.weighedBefore ? { baselineG: fullG } : {}
  const weighing = { measuredG: fullG, scaleResolutionG: scale.stepG, ...baseline }
  const load = loadsOf({ parts: weighable, weighings: [weighing] })[0]
  if (!load) throw new RangeError('parts must hold one at least')
  return groupWeight(load).smallestVisibleG
}

/** Masses of one piece after a complete group was weighed: each takes its share, by variance, of what the sum was off.
 * @returns mass and 2σ tolerance, both in grams, for every part that was on the scale */
export function correctedMasses(
  parts: ExplainWeightInput['parts'],
  weighing: Weighing,
): readonly { readonly id: string; readonly massG: number; readonly toleranceG: number }[] {
  const load = loadsOf({ parts, weighings: [{ ...weighing, baselineG: undefined }] })[0]
  if (!load) return []
  const { meanG, varianceG2 } = expectation(load)
  const off = load.measuredG - meanG
  return parts
    .filter(({ id }) => isOn(load, id))
    .map((part) => {
      const own = varianceOf(part)
      // The group's doubt about one piece: all pieces of the part share its correction.
      const share = own / varianceG2
      return {
        id: part.id,
        massG: Math.max(part.massG + share * off, 0),
        toleranceG: 2 * Math.sqrt(Math.max(own - own * share, 0)),
      }
    })
}

const isOn = (load: Load, id: string) => load.items.some((item) => item.id === id)
