import { requireFinite, requireNotNegative, requirePositive } from '../shared/require.ts'
import { lossChanceSeen } from './loss-chance.ts'
import type { Explanation, ExplainWeightInput, WeightExplained } from './weighing.ts'
import { DEFAULT_LOSS_CHANCE, DEFAULT_TOGETHER_CHANCE, groupWeight, loadsOf, WHOLE } from './weight-loads.ts'
import { countSets, tryAllSets, type SetBounds, type WeightSet } from './weight-sets.ts'
import { mergeTallies, type WeightTally } from './weight-tally.ts'

/** Sets that may be tried at all: some seconds on an ordinary machine. */
const MOST_SETS = 250_000_000
const MAX_MISSING = 4
const MAX_SWAPS = 1
const LIMIT = 20

/**
 * What is most likely missing, exchanged or too many in a kit, from its weight: every set of up to `maxMissing` losses (a
 * piece gone, or things that go `together` gone as one) and `maxSwaps` foreign things (each exchanged for a part, or lying
 * there besides) is tried; none is left out.
 *
 * A piece's mass is normal about `massG` with σ = `toleranceG`/2, and so is a reading about the true sum, with a variance
 * of 0.173 squared steps. Where the complete group was weighed before, the reading is compared with that one, which
 * leaves little more than the scale's own doubt (see `expectation`).
 *
 * @param input grams; groups of the weighings don't overlap, but for one of the whole kit, from which the groups weighed
 *   beside it are taken off first; parts in groups that were not weighed are not judged
 * @param onProgress fraction done, 0 to 1, now and then
 * @returns explanations best first, *nothing missing* (three empty lists) always among them. Probabilities are shares of
 *   all sets tried; `restProbability` is what the shown ones leave. What is known is allowed for in `expectedG`, and
 *   explanations name only what goes beyond it. `smallestVisibleG` is the largest of the groups'
 * @throws RangeError for numbers out of range, unknown ids or groups, or more sets than can be tried
 * Source: conditional normal distribution [Anderson 1958, theorem 2.5.1], from memory; checked by brute force */
export function explainWeight(
  input: ExplainWeightInput,
  onProgress: (fraction: number) => void = () => undefined,
): WeightExplained {
  const { maxMissing = MAX_MISSING, maxSwaps = MAX_SWAPS, limit = LIMIT, foreign = [] } = input
  checkInput(input)
  const loads = loadsOf(asSeen(input))
  const bounds: SetBounds = { foreign, maxMissing, maxSwaps, limit, groups: loads.length }
  const sets = loads.reduce((sum, load) => sum + countSets(load, bounds), 0)
  if (sets > MOST_SETS)
    throw new RangeError(`${sets} sets are too many to try; lower maxMissing or maxSwaps, or weigh in groups`)
  const tallies = loads.map((load, at) =>
    tryAllSets(load, bounds, (fraction) => onProgress((at + fraction) / loads.length)),
  )
  const explanations = ranked(tallies, bounds)
  const groups = loads.map((load, at) => ({
    ...groupWeight(load),
    explanations: ranked(tallies.slice(at, at + 1), bounds),
  }))
  const sum = (pick: (group: (typeof groups)[number]) => number) =>
    groups.reduce((total, group) => total + pick(group), 0)
  return {
    expectedG: sum(({ expectedG }) => expectedG),
    differenceG: sum(({ differenceG }) => differenceG),
    consistent: groups.every(({ consistent }) => consistent),
    smallestVisibleG: Math.max(...groups.map(({ smallestVisibleG }) => smallestVisibleG)),
    groups,
    explanations,
    restProbability: Math.max(0, 1 - explanations.reduce((total, { probability }) => total + probability, 0)),
  }
}

/** What a picture says of a place is weighed in before the scale is asked. */
function asSeen(input: ExplainWeightInput): ExplainWeightInput {
  const seen = new Map((input.known?.different ?? []).map(({ id, chance }) => [id, chance]))
  if (seen.size === 0) return input
  const parts = input.parts.map((part) => {
    const chance = seen.get(part.id)
    if (chance === undefined) return part
    return { ...part, lossChanceFraction: lossChanceSeen(part.lossChanceFraction ?? DEFAULT_LOSS_CHANCE, chance) }
  })
  return { ...input, parts }
}

/** The likeliest explanations of these groups' weights, best first. */
function ranked(tallies: readonly WeightTally<WeightSet>[], bounds: SetBounds): readonly Explanation[] {
  const { best, logTotal } = mergeTallies(tallies, bounds)
  const describe = (sets: readonly WeightSet[], logWeight: number) => inOne(sets, Math.exp(logWeight - logTotal))
  const nothing = tallies.flatMap((tally) => (tally.nothing ? [tally.nothing] : []))
  const nothingMissing = describe(
    nothing.map(({ value }) => value),
    nothing.reduce((sum, { logWeight }) => sum + logWeight, 0),
  )
  const different = sameAsOne(best.map(({ value, logWeight }) => describe(value, logWeight)))
  return withNothing(different.slice(0, bounds.limit), nothingMissing, bounds.limit)
}

/** What is gone may be gone piece by piece or as one set: it is one explanation, with the chances of both. */
function sameAsOne(explanations: readonly Explanation[]): readonly Explanation[] {
  const byWhat = new Map<string, Explanation>()
  for (const each of explanations) {
    const { missing, swapped, extra } = each
    const key = JSON.stringify([missing, swapped, extra])
    const known = byWhat.get(key)
    byWhat.set(key, known ? { ...known, probability: known.probability + each.probability } : each)
  }
  return [...byWhat.values()].sort((a, b) => b.probability - a.probability)
}

function inOne(sets: readonly WeightSet[], probability: number): Explanation {
  return {
    missing: sets.flatMap(({ missing }) => missing),
    swapped: sets.flatMap(({ swapped }) => swapped),
    extra: sets.flatMap(({ extra }) => extra),
    residualG: sets.reduce((sum, { residualG }) => sum + residualG, 0),
    probability,
  }
}

export const saysNothing = ({ missing, swapped, extra }: Omit<Explanation, 'residualG' | 'probability'>): boolean =>
  missing.length + swapped.length + extra.length === 0

/** *Nothing missing* is an explanation too, however unlikely; where it fell off the list it takes the last place. */
function withNothing(best: readonly Explanation[], nothing: Explanation, limit: number): readonly Explanation[] {
  if (best.some(saysNothing)) return best
  return best.length < limit || limit === 1 ? [...best, nothing] : [...best.slice(0, -1), nothing]
}

function checkInput({ parts, weighings, foreign = [], known, ...bounds }: ExplainWeightInput): void {
  if (weighings.length === 0) throw new RangeError('weighings must hold one at least')
  const ids = new Set(parts.map(({ id }) => id))
  if (ids.size < parts.length) throw new RangeError('parts: every id at most once')
  for (const { togetherChanceFraction: chance = DEFAULT_TOGETHER_CHANCE } of parts)
    if (!(chance > 0 && chance < 1))
      throw new RangeError(`togetherChanceFraction must lie between 0 and 1; got ${chance}`)
  for (const { id, massG, toleranceG, count, lossChanceFraction: chance = DEFAULT_LOSS_CHANCE } of parts) {
    requireNotNegative({ massG, toleranceG })
    requireWhole(`count of ${id}`, count, 1)
    if (!(chance > 0 && chance < 1))
      throw new RangeError(`lossChanceFraction must lie between 0 and 1; got ${chance}`)
  }
  for (const { massG, toleranceG } of foreign) requireNotNegative({ massG, toleranceG })
  const groups = weighings.map(({ group }) => group ?? WHOLE)
  if (new Set(groups).size < groups.length) throw new RangeError('weighings: every group at most once')
  for (const { group, measuredG, scaleResolutionG, containerG = 0, baselineG = 0 } of weighings) {
    if (group !== undefined && !parts.some((part) => part.group === group))
      throw new RangeError(`weighings: no part is in group ${group}`)
    requireFinite({ measuredG, baselineG })
    requirePositive({ scaleResolutionG })
    requireNotNegative({ containerG })
  }
  if (parts.length === 0) throw new RangeError('parts must hold one at least')
  requireWhole('maxMissing', bounds.maxMissing ?? MAX_MISSING, 0)
  requireWhole('maxSwaps', bounds.maxSwaps ?? MAX_SWAPS, 0)
  requireWhole('limit', bounds.limit ?? LIMIT, 1)
  checkKnown(parts, foreign, known)
}

function checkKnown(
  parts: ExplainWeightInput['parts'],
  foreign: NonNullable<ExplainWeightInput['foreign']>,
  known: ExplainWeightInput['known'],
): void {
  for (const { id, by } of known?.swapped ?? [])
    if (!parts.some((part) => part.id === id) || !foreign.some((thing) => thing.id === by))
      throw new RangeError(`known.swapped: ${id} by ${by} names no part or no foreign part`)
  const swapped = (id: string) => (known?.swapped ?? []).filter((swap) => swap.id === id).length
  for (const { id, chance } of known?.different ?? [])
    if (!parts.some((part) => part.id === id) || !(chance >= 0 && chance <= 1))
      throw new RangeError(`known.different: ${id} names no part, or ${chance} is no chance`)
  for (const { id, count } of known?.missing ?? []) {
    const most = (parts.find((part) => part.id === id)?.count ?? 0) - swapped(id)
    if (!(Number.isInteger(count) && count >= 0 && count <= most))
      throw new RangeError(`known.missing: ${count} of ${id}, which has ${most}`)
  }
}

function requireWhole(name: string, value: number, least: number): void {
  if (!Number.isInteger(value) || value < least)
    throw new RangeError(`${name} must be a whole number from ${least} on; got ${value}`)
}
