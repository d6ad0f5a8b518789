import { lossChanceOfTicked } from './loss-chance.ts'
import type { Mark } from './roles.ts'
import { saysNothing } from './explain-weight.ts'
import { DEFAULT_TOGETHER_CHANCE, expectation, groupWeight, loadsOf, varianceOf, type Load } from './weight-loads.ts'
import type { ExplainWeightInput, Explanation, ForeignPart, Weighing, WeightExplained } from './weighing.ts'

/** A part of a card as the desk has marked it so far. */
export interface WeighedLine {
  readonly id: string
  readonly name: string
  readonly massG: number | null
  readonly toleranceG: number | null
  readonly count: number
  readonly group: string
  /** Name of the set that goes missing as one; empty where it goes by itself. */
  readonly together?: string
  readonly mark: Mark
  readonly presentCount: number
  /** The thing of another kit that lies in its place, where it was recognised. */
  readonly wrongItemId?: string | null | undefined
  readonly lossChanceFraction: number
  /** What a picture of the open case says of its place; none taken: null. */
  readonly chanceDifferent?: number | null | undefined
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
  // A set of which one part was seen is hardly gone as a whole.
  const seenSets = new Set(lines.flatMap(({ together, mark }) => (together && mark === 'present' ? [together] : [])))
  const setOf = (together: string) => ({
    together,
    togetherChanceFraction: seenSets.has(together)
      ? lossChanceOfTicked(DEFAULT_TOGETHER_CHANCE)
      : DEFAULT_TOGETHER_CHANCE,
  })
  return {
    parts: lines.map(({ id, massG, toleranceG, count, group, together, mark, lossChanceFraction }) => ({
      id,
      massG: massG ?? 0,
      toleranceG: toleranceG ?? 0,
      count,
      group,
      lossChanceFraction: mark === 'unseen' ? lossChanceFraction : lossChanceOfTicked(lossChanceFraction),
      ...(together ? setOf(together) : {}),
    })),
    weighings,
    foreign,
    // Who has looked knows more than the picture.
    known: { missing, swapped, different: lines.flatMap(seenByCamera) },
  }
}

/** A reading of the desk as a question to `explainWeight`: with the group's own last complete weighing, where there is one.
 * A whole kit without one is compared with its groups', where all its parts lie in groups that were weighed complete.
 * @param taken grams; `group` is empty for the whole kit
 * @param baselines complete weighings that still hold, containers taken off */
export function weighingOf(
  taken: {
    readonly group: string
    readonly measuredG: number
    readonly containerG: number
    readonly scaleStepG: number
  },
  baselines: readonly { readonly group: string; readonly measuredG: number }[],
  parts: readonly { readonly group: string }[],
): Weighing {
  const own = (name: string) => baselines.find(({ group }) => group === name)?.measuredG
  const groups = [...new Set(parts.map(({ group }) => group))]
  const ofGroups = groups.includes('') ? [undefined] : groups.map(own)
  const sum = ofGroups.reduce<number | undefined>(
    (total, each) => (total === undefined || each === undefined ? undefined : total + each),
    0,
  )
  const baselineG = own(taken.group) ?? (taken.group === '' ? sum : undefined)
  return {
    ...(taken.group === '' ? {} : { group: taken.group }),
    measuredG: taken.measuredG - taken.containerG,
    scaleResolutionG: taken.scaleStepG,
    ...(baselineG === undefined ? {} : { baselineG }),
  }
}

export type WeightVerdict =
  | { readonly code: 'ALL_THERE'; readonly smallestVisibleG: number }
  | { readonly code: 'LIKELY'; readonly explanation: Explanation }
  | {
      readonly code: 'ONE_OF_SEVERAL'
      readonly explanations: readonly Explanation[]
      /** Parts, and things of other kits, that some of the explanations name and others don't: a look tells. */
      readonly lookAt: readonly string[]
    }
  | { readonly code: 'CANNOT_TELL'; readonly smallestVisibleG: number; readonly differenceG: number }
  | { readonly code: 'NOTHING_FITS'; readonly differenceG: number }

/** From this probability on one explanation is named alone. Common practice, no source. */
const LIKELY = 0.5
/** Explanations less likely than this are not worth a look. */
const WORTH_A_LOOK = 0.05
const SHOWN = 3
/** Beyond four sigma no set that was tried explains the weight. */
const FITS_SIGMAS = 4

/** What the weight says of a group, or of all groups together, in one of five ways. Explanations between which the weight
 * can't choose are given as one of several, however much likelier the first of them is by experience alone. */
export function weightVerdict(
  explained: Pick<WeightExplained, 'explanations' | 'differenceG' | 'smallestVisibleG' | 'consistent'>,
): WeightVerdict {
  const { explanations, differenceG, smallestVisibleG, consistent } = explained
  const best = explanations[0]
  if (!best) return { code: 'CANNOT_TELL', differenceG, smallestVisibleG }
  const sigmas = (Math.abs(best.residualG) / Math.max(smallestVisibleG, Number.MIN_VALUE)) * 2
  if (!consistent && sigmas > FITS_SIGMAS) return { code: 'NOTHING_FITS', differenceG }
  if (saysNothing(best)) {
    if (best.probability >= LIKELY && consistent) return { code: 'ALL_THERE', smallestVisibleG }
    return { code: 'CANNOT_TELL', differenceG, smallestVisibleG }
  }
  const worth = explanations.filter(({ probability }) => probability >= WORTH_A_LOOK)
  const sameWeight = worth.filter(({ residualG }) => Math.abs(residualG - best.residualG) <= smallestVisibleG)
  if (best.probability >= LIKELY && sameWeight.length < 2) return { code: 'LIKELY', explanation: best }
  const shown = (best.probability >= LIKELY ? sameWeight : worth).slice(0, SHOWN)
  return shown.length > 0
    ? { code: 'ONE_OF_SEVERAL', explanations: shown, lookAt: tellApart(shown) }
    : { code: 'CANNOT_TELL', differenceG, smallestVisibleG }
}

/** What to look at to tell explanations apart: named by some and not by all, what splits them best first. */
function tellApart(explanations: readonly Explanation[]): readonly string[] {
  const named = explanations.map(({ missing, swapped, extra }) => [
    ...new Set([...missing.map(({ id }) => id), ...swapped.map(({ id }) => id), ...extra]),
  ])
  const times = new Map<string, number>()
  for (const id of named.flat()) times.set(id, (times.get(id) ?? 0) + 1)
  const uneven = (id: string) => Math.abs((times.get(id) ?? 0) - explanations.length / 2)
  return [...times.keys()]
    .filter((id) => times.get(id) !== explanations.length)
    .sort((a, b) => uneven(a) - uneven(b))
    .slice(0, SHOWN)
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

const seenByCamera = ({ id, mark, chanceDifferent }: WeighedLine) =>
  mark === 'unseen' && typeof chanceDifferent === 'number' ? [{ id, chance: chanceDifferent }] : []
