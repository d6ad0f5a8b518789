import type { ExplainWeightInput, GroupWeight, Swap, WeighedPart, Weighing } from './weighing.ts'

/** Of one piece, where a part names no chance of its own. Common practice, no source. */
export const DEFAULT_LOSS_CHANCE = 0.03
/** That a set of things that go together is lost as one. Common practice, no source. */
export const DEFAULT_TOGETHER_CHANCE = 0.02
/** A scale shows the true value with a spread of 0.3 steps and rounds to a step: variances 0.09 and 1/12. */
const READING_VARIANCE_STEPS = 0.3 ** 2 + 1 / 12
/** A difference beyond two sigma can be told from nothing. */
const VISIBLE_SIGMAS = 2
/** Group name of a weighing without one: what the other weighings leave of the kit. */
export const WHOLE = ''

/** Pieces of one part that may be missing from the scale. */
export interface LoadItem {
  readonly id: string
  readonly massG: number
  readonly varianceG2: number
  readonly count: number
  /** Log odds of losing k = 0…count pieces against losing none. */
  readonly logOdds: readonly number[]
  /** Log of the chance that none of `count` is lost by itself. */
  readonly logNoneLost: number
}

/** Items, by their places in the load, that may be gone as one. */
export interface LoadSet {
  readonly items: readonly number[]
  readonly logOdds: number
}

export interface LoadTail {
  readonly mostMassG: number
  readonly mostVarianceG2: readonly number[]
  readonly mostOdds: readonly number[]
}

/** A group on the scale: what the whole of it weighs and how surely, what is known to differ, and what was read. */
export interface Load {
  readonly name: string
  readonly items: readonly LoadItem[]
  readonly sets: readonly LoadSet[]
  /** Places of the items, lightest first. */
  readonly order: readonly number[]
  /** What the items from a place in that order on can do at most, piece by piece. */
  readonly tail: LoadTail
  readonly fullG: number
  readonly fullVarianceG2: number
  /** Known missing and exchanged things, as a change of the full mass. */
  readonly knownG: number
  readonly knownLossVarianceG2: number
  readonly knownGainVarianceG2: number
  readonly measuredG: number
  readonly readingVarianceG2: number
  readonly baselineG: number | null
}

export const varianceOf = ({ toleranceG }: { readonly toleranceG: number }): number => (toleranceG / 2) ** 2

const readingVariance = (stepG: number) => READING_VARIANCE_STEPS * stepG ** 2

/** Weighings as loads that share no part: groups weighed by themselves are taken off a weighing of the whole kit. */
export function loadsOf(input: ExplainWeightInput): readonly Load[] {
  const { parts, weighings } = input
  const named = weighings.filter(({ group }) => group !== undefined)
  const loads = named.map((weighing) =>
    makeLoad(input, { name: weighing.group ?? WHOLE, isIn: ({ group }) => group === weighing.group, weighing }),
  )
  const whole = weighings.find(({ group }) => group === undefined)
  const isRest = ({ group }: WeighedPart) => !named.some((weighing) => weighing.group === group)
  if (!whole || !parts.some(isRest)) return loads
  const own = (reading: number | undefined, containerG = 0) => (reading === undefined ? null : reading - containerG)
  const sum = (readings: readonly (number | null)[]) =>
    readings.reduce<number | null>((total, each) => (total === null || each === null ? null : total + each), 0)
  const taken = sum(named.map(({ measuredG, containerG }) => own(measuredG, containerG))) ?? 0
  const takenBaseline = sum(named.map(({ baselineG, containerG }) => own(baselineG, containerG)))
  const { baselineG, ...rest } = whole
  const hasBaseline = baselineG !== undefined && takenBaseline !== null
  const weighing: Weighing = {
    ...rest,
    measuredG: whole.measuredG - taken,
    ...(hasBaseline ? { baselineG: baselineG - takenBaseline } : {}),
  }
  const moreVarianceG2 = named.reduce((total, { scaleResolutionG }) => total + readingVariance(scaleResolutionG), 0)
  return [...loads, makeLoad(input, { name: WHOLE, isIn: isRest, weighing, moreVarianceG2 })]
}

function makeLoad(
  { parts, foreign = [], known }: ExplainWeightInput,
  given: {
    readonly name: string
    readonly isIn: (part: WeighedPart) => boolean
    readonly weighing: Weighing
    readonly moreVarianceG2?: number
  },
): Load {
  const { name, weighing, moreVarianceG2 = 0 } = given
  const { measuredG, containerG = 0, baselineG, scaleResolutionG } = weighing
  const inside = parts.filter(given.isIn)
  const swaps = (known?.swapped ?? []).filter(({ id }) => inside.some((part) => part.id === id))
  const gone = goneOf(inside, known?.missing ?? [], swaps)
  const arrived = swaps.flatMap(({ by }) => foreign.filter(({ id }) => id === by))
  const over = (pick: (part: WeighedPart) => number) => inside.reduce((sum, part) => sum + pick(part), 0)
  const lost = over(({ id, massG }) => (gone.get(id) ?? 0) * massG)
  const items = inside.flatMap((part) => itemOf(part, part.count - (gone.get(part.id) ?? 0)))
  const order = items.map((_item, place) => place).sort((a, b) => (items[a]?.massG ?? 0) - (items[b]?.massG ?? 0))
  return {
    name,
    items,
    order,
    tail: tailOf(order.flatMap((place) => items[place] ?? [])),
    sets: setsOf(inside, items),
    fullG: over(({ massG, count }) => massG * count),
    fullVarianceG2: over((part) => varianceOf(part) * part.count),
    knownG: arrived.reduce((sum, { massG }) => sum + massG, -lost),
    knownLossVarianceG2: over((part) => (gone.get(part.id) ?? 0) * varianceOf(part)),
    knownGainVarianceG2: arrived.reduce((sum, thing) => sum + varianceOf(thing), 0),
    measuredG: measuredG - containerG,
    readingVarianceG2: readingVariance(scaleResolutionG) + moreVarianceG2,
    baselineG: baselineG === undefined ? null : baselineG - containerG,
  }
}

function tailOf(items: readonly LoadItem[]): LoadTail {
  const fromHere = (of: (item: LoadItem) => number) => {
    const most: number[] = Array.from({ length: items.length }, () => 0)
    for (let at = items.length - 1; at >= 0; at--) {
      const item = items[at]
      most[at] = Math.max(item ? of(item) : 0, most[at + 1] ?? -Infinity)
    }
    return most
  }
  return {
    mostMassG: items.at(-1)?.massG ?? 0,
    mostVarianceG2: fromHere(({ varianceG2 }) => varianceG2),
    mostOdds: fromHere(({ logOdds }) => Math.max(...logOdds.slice(1).map((odds, at) => odds / (at + 1)))),
  }
}

function goneOf(
  inside: readonly WeighedPart[],
  missing: readonly { readonly id: string; readonly count: number }[],
  swaps: readonly Swap[],
): ReadonlyMap<string, number> {
  const gone = new Map<string, number>()
  const all = [...missing, ...swaps.map(({ id }) => ({ id, count: 1 }))]
  for (const { id, count } of all)
    if (inside.some((part) => part.id === id)) gone.set(id, (gone.get(id) ?? 0) + count)
  return gone
}

function itemOf(part: WeighedPart, count: number): LoadItem[] {
  if (count < 1) return []
  const { id, massG, lossChanceFraction: chance = DEFAULT_LOSS_CHANCE } = part
  const one = Math.log(chance / (1 - chance))
  // Binomial: k of `count` pieces. Factors that all sets share are left out.
  const logOdds = [0]
  let logWays = 0
  for (let lost = 1; lost <= count; lost++) {
    logWays += Math.log((count - lost + 1) / lost)
    logOdds.push(logWays + lost * one)
  }
  return [{ id, massG, varianceG2: varianceOf(part), count, logOdds, logNoneLost: count * Math.log(1 - chance) }]
}

/** Sets that are lost as one, as far as they lie in this load: of a set in two groups each group judges its own part. */
function setsOf(inside: readonly WeighedPart[], items: readonly LoadItem[]): readonly LoadSet[] {
  const named = [...new Set(inside.flatMap(({ together }) => (together ? [together] : [])))]
  return named.flatMap((name) => {
    const members = inside.filter(({ together }) => together === name)
    const places = items.flatMap(({ id }, at) => (members.some((part) => part.id === id) ? [at] : []))
    const chance = Math.max(
      ...members.map(({ togetherChanceFraction }) => togetherChanceFraction ?? 0),
      members.every(({ togetherChanceFraction }) => togetherChanceFraction === undefined)
        ? DEFAULT_TOGETHER_CHANCE
        : 0,
    )
    // What is gone with its set is not lost by itself as well: its own odds are taken out.
    const alone = places.reduce((sum, at) => sum + (items[at]?.logNoneLost ?? 0), 0)
    return places.length === 0 ? [] : [{ items: places, logOdds: Math.log(chance / (1 - chance)) - alone }]
  })
}

export interface Change {
  readonly lossG: number
  readonly lossVarianceG2: number
  readonly gainG: number
  readonly gainVarianceG2: number
}

const noChange: Change = { lossG: 0, lossVarianceG2: 0, gainG: 0, gainVarianceG2: 0 }

/** Mean and variance of the reading, had the group changed so. Given the baseline B of the full group of mass M and
 * variance V, the mean moves by (V−Vₛ)/(V+σ²)·(B−M) and the variance falls by (V−Vₛ)²/(V+σ²). */
export function expectation(load: Load, change: Change = noChange): { meanG: number; varianceG2: number } {
  const kept = load.fullVarianceG2 - load.knownLossVarianceG2 - change.lossVarianceG2
  const varianceG2 = kept + load.knownGainVarianceG2 + change.gainVarianceG2 + load.readingVarianceG2
  const meanG = load.fullG + load.knownG - change.lossG + change.gainG
  if (load.baselineG === null) return { meanG, varianceG2 }
  const share = kept / (load.fullVarianceG2 + load.readingVarianceG2)
  return { meanG: meanG + share * (load.baselineG - load.fullG), varianceG2: varianceG2 - share * kept }
}

/** What a group should weigh, what it does, and the smallest loss that could be seen. */
export function groupWeight(load: Load): Omit<GroupWeight, 'explanations'> {
  const { meanG, varianceG2 } = expectation(load)
  const differenceG = load.measuredG - meanG
  const smallestVisibleG = VISIBLE_SIGMAS * Math.sqrt(varianceG2)
  return {
    group: load.name,
    expectedG: meanG,
    measuredG: load.measuredG,
    differenceG,
    smallestVisibleG,
    consistent: Math.abs(differenceG) <= smallestVisibleG,
    compared: load.baselineG === null ? 'declared' : 'baseline',
  }
}
