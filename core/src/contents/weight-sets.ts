import type { ForeignPart, PartCount, Swap } from './weighing.ts'
import type { Load, LoadItem, LoadSet } from './weight-loads.ts'
import { WeightTally } from './weight-tally.ts'

/** One set of things gone and arrived in one group. */
export interface WeightSet {
  readonly missing: readonly PartCount[]
  readonly swapped: readonly Swap[]
  readonly extra: readonly string[]
  readonly residualG: number
}

export interface SetBounds {
  readonly foreign: readonly ForeignPart[]
  readonly maxMissing: number
  readonly maxSwaps: number
  readonly limit: number
  /** Groups among which a thing too many may lie. */
  readonly groups: number
}

/** A part exchanged for one of another kit, and a thing too many, per part and per thing. Common practice, no source. */
const SWAP_CHANCE = 0.004
const EXTRA_CHANCE = 0.004
const LOG_TWO_PI = Math.log(2 * Math.PI)

/** Foreign things as they may lie in a group: instead of a piece of a part, or besides. */
interface Placement {
  readonly swapped: readonly Swap[]
  readonly extra: readonly string[]
  readonly gainG: number
  readonly gainVarianceG2: number
  readonly logOdds: number
}

const nothingArrived: Placement = { swapped: [], extra: [], gainG: 0, gainVarianceG2: 0, logOdds: 0 }

/** Number of sets that `tryAllSets` would try, at most: for refusing what takes too long. */
export function countSets(load: Load, bounds: SetBounds): number {
  const ways: number[] = Array.from({ length: bounds.maxMissing + 1 }, (_, lost) => (lost === 0 ? 1 : 0))
  for (const { count } of [...load.sets.map(() => ({ count: 1 })), ...load.items])
    for (let lost = bounds.maxMissing; lost > 0; lost--)
      for (let own = 1; own <= Math.min(count, lost); own++) ways[lost] = (ways[lost] ?? 0) + (ways[lost - own] ?? 0)
  return placementsOf(load, bounds).length * ways.reduce((sum, each) => sum + each, 0)
}

/** Tries every set of a group: up to `maxSwaps` foreign things, and up to `maxMissing` losses: a piece gone, or a set
 * gone as one. */
export function tryAllSets(
  load: Load,
  bounds: SetBounds,
  onProgress: (fraction: number) => void,
): WeightTally<WeightSet> {
  const tally = new WeightTally<WeightSet>(bounds.limit)
  const placements = placementsOf(load, bounds)
  placements.forEach((placement, at) => {
    for (const together of setsGone(load.sets, bounds.maxMissing))
      tryLosses(load, placement, { together, most: bounds.maxMissing }, tally)
    onProgress((at + 1) / placements.length)
  })
  return tally
}

/** Every way in which up to `maxSwaps` foreign things lie in this group. */
function placementsOf(load: Load, { foreign, maxSwaps, groups }: SetBounds): readonly Placement[] {
  const fits = (thing: ForeignPart, id: string) => !thing.replaces || thing.replaces.includes(id)
  const rivals = new Map(load.items.map(({ id }) => [id, foreign.filter((thing) => fits(thing, id)).length]))
  const all: Placement[] = []
  const add = (placement: Placement, from: number) => {
    all.push(placement)
    if (placement.swapped.length + placement.extra.length >= maxSwaps) return
    foreign.slice(from).forEach((thing, offset) => {
      const gainG = placement.gainG + thing.massG
      const gainVarianceG2 = placement.gainVarianceG2 + (thing.toleranceG / 2) ** 2
      const grown = { ...placement, gainG, gainVarianceG2 }
      const next = from + offset + 1
      add(
        {
          ...grown,
          extra: [...placement.extra, thing.id],
          logOdds: placement.logOdds + Math.log(EXTRA_CHANCE / foreign.length / groups),
        },
        next,
      )
      for (const { id, count } of load.items) {
        const given = placement.swapped.filter((swap) => swap.id === id).length
        if (!fits(thing, id) || given >= count) continue
        const logOdds = placement.logOdds + Math.log(SWAP_CHANCE / (rivals.get(id) ?? 1))
        add({ ...grown, swapped: [...placement.swapped, { id, by: thing.id }], logOdds }, next)
      }
    })
  }
  add(nothingArrived, 0)
  return all
}

/** Every choice of up to `most` sets that are gone as one, the empty choice first. Sets that share an item don't go
 * together in one choice: the parts of a kit name one set each. */
function setsGone(sets: readonly LoadSet[], most: number): readonly (readonly LoadSet[])[] {
  return sets.reduce<readonly (readonly LoadSet[])[]>(
    (all, set) => [...all, ...all.filter(({ length }) => length < most).map((before) => [...before, set])],
    [[]],
  )
}

/** All losses of up to `most` pieces and sets beside one placement, where these sets are gone as one. The inner loop of
 * everything: plain numbers, no objects. Pieces are taken in the order of their mass: where even the heaviest of those left
 * can't bring the sum near what was read, or the lightest already goes too far, nothing further on would add a digit. */
function tryLosses(
  load: Load,
  placement: Placement,
  { together, most: mostLost }: { readonly together: readonly LoadSet[]; readonly most: number },
  tally: WeightTally<WeightSet>,
): void {
  const isGone = new Set(together.flatMap((set) => set.items))
  const { order, tail } = load
  const items = order.map((place) => ({ ...load.items[place], place }) as LoadItem & { readonly place: number })
  const exchanged = items.map(({ id }) => placement.swapped.filter((swap) => swap.id === id).length)
  const goneWithSet = items.map(({ count, place }, at) => (isGone.has(place) ? count - (exchanged[at] ?? 0) : 0))
  const given = exchanged.map((count, at) => count + (goneWithSet[at] ?? 0))
  const most = mostLost - together.length
  const setOdds = placement.logOdds + together.reduce((sum, { logOdds }) => sum + logOdds, 0)
  const arrived = placement.swapped.length + placement.extra.length
  const start = given.reduce(
    (sum, count, at) => ({
      lossG: sum.lossG + count * (items[at]?.massG ?? 0),
      lossVarianceG2: sum.lossVarianceG2 + count * (items[at]?.varianceG2 ?? 0),
    }),
    { lossG: 0, lossVarianceG2: 0 },
  )
  const { gainG, gainVarianceG2 } = placement
  const arrivedVariance = load.knownGainVarianceG2 + gainVarianceG2 + load.readingVarianceG2
  const fullG = load.measuredG - load.fullG - load.knownG - gainG
  const startKept = load.fullVarianceG2 - load.knownLossVarianceG2
  const hasBaseline = load.baselineG !== null
  const perVariance = 1 / (load.fullVarianceG2 + load.readingVarianceG2)
  const shift = hasBaseline ? (load.baselineG - load.fullG) * perVariance : 0
  // No set's variance is smaller than the reading's, so its weight can't exceed this times its odds.
  const logReading = 0.5 * Math.log(load.readingVarianceG2)
  const mostLog = setOdds - 0.5 * LOG_TWO_PI - logReading
  // And none is larger than this: what is kept counts most where half of it is known from the baseline.
  const mostVariance =
    arrivedVariance + (hasBaseline ? Math.min(Math.max(startKept, 0), 0.25 / perVariance) : Math.max(startKept, 0))

  const lost = new Int32Array(load.items.length)
  /** Mass, variance, odds, and whether one is there, of every item in turn. */
  const single = Float64Array.from(
    items.flatMap(({ massG, varianceG2, logOdds, count }, at) => [
      ...[massG, varianceG2, logOdds[1] ?? 0, count > (given[at] ?? 0) ? 1 : 0],
    ]),
  )
  const spare = Int32Array.from(items.map(({ count }, at) => count - (given[at] ?? 0)))
  /** The first of the items from one on that weighs as much. */
  const firstAbove = (massG: number, from: number): number => {
    let low = from / 4
    let high = items.length
    while (low < high) {
      const middle = (low + high) >> 1
      if ((single[4 * middle] as number) < massG) low = middle + 1
      else high = middle
    }
    return 4 * low
  }
  const keptAgain = hasBaseline ? perVariance : 0
  const placeOf = order.map((_place, at) => order.indexOf(at))
  const describe = (residualG: number): WeightSet => ({
    missing: placeOf.flatMap((at, place) => {
      const count = (lost[at] ?? 0) + (goneWithSet[at] ?? 0)
      return count > 0 ? [{ id: load.items[place]?.id ?? '', count }] : []
    }),
    swapped: placement.swapped,
    extra: placement.extra,
    residualG,
  })
  /** How far the sum may stay from the reading, in g, so that sets of up to `left` more pieces from here on still matter. */
  const reach = (from: number, left: number, logOdds: number): number => {
    const each = tail.mostOdds[from] ?? 0
    let furthest = -Infinity
    for (let more = 1; more <= left; more++) {
      const over = mostLog + logOdds + more * each - tally.least(mostLost - left + more, arrived)
      if (over > furthest) furthest = over
    }
    return furthest <= 0 ? -Infinity : Math.sqrt(2 * mostVariance * furthest)
  }
  const ofLast = tally.classOf(mostLost, arrived)
  const lastOdds = setOdds - 0.5 * LOG_TWO_PI
  /** One piece more, the last one: nearly all sets are of these. Numbers side by side, no logarithm and no object but for
   * sets that are shown. */
  const visitLast = (from: number, lossG: number, lossVarianceG2: number, logOdds: number, near: number): void => {
    const odds = lastOdds + logOdds
    const least = tally.least(mostLost, arrived) - odds + logReading
    const sumG = fullG + lossG
    const startVarianceG2 = startKept - lossVarianceG2
    const residualNowG = sumG - shift * startVarianceG2
    let { reference, worstShare } = ofLast
    let added = 0
    for (let at = firstAbove(-near - residualNowG, from); at < single.length; at += 4) {
      if (single[at + 3] === 0) continue
      const varianceG2 = single[at + 1] as number
      const kept = startVarianceG2 - varianceG2
      const residualG = sumG + (single[at] as number) - shift * kept
      if (residualG > near) break
      const variance = arrivedVariance + kept - keptAgain * kept * kept
      const exponent = (single[at + 2] as number) - (0.5 * residualG * residualG) / variance
      if (exponent < least) continue
      const share = Math.exp(odds + exponent - reference) / Math.sqrt(variance)
      if (share <= worstShare && share <= 1) {
        added += share
        continue
      }
      ofLast.sum += added
      added = 0
      lost[at / 4] = 1
      tally.add(ofLast, odds + exponent - 0.5 * Math.log(variance), residualG, describe)
      lost[at / 4] = 0
      ;({ reference, worstShare } = ofLast)
    }
    ofLast.sum += added
  }
  const visit = (from: number, left: number, lossG: number, lossVarianceG2: number, logOdds: number): void => {
    const kept = startKept - lossVarianceG2
    const residualG = fullG + lossG - shift * kept
    const variance = arrivedVariance + kept - (hasBaseline ? kept * kept * perVariance : 0)
    const halfSquare = (0.5 * residualG * residualG) / variance
    const losses = mostLost - left
    if (mostLog + logOdds - halfSquare >= tally.least(losses, arrived)) {
      const logWeight = setOdds + logOdds - 0.5 * (LOG_TWO_PI + Math.log(variance)) - halfSquare
      tally.add(tally.classOf(losses, arrived), logWeight, residualG, describe)
    }
    if (left === 0 || from >= items.length) return
    const near = reach(from, left, logOdds)
    // Pieces gone are no longer kept: the shift towards the baseline moves by so much at most.
    const drift = Math.abs(shift) * left * (tail.mostVarianceG2[from] ?? 0)
    if (residualG + left * tail.mostMassG + drift < -near) return
    if (left === 1) return visitLast(4 * from, lossG, lossVarianceG2, logOdds, near + drift)
    const first = firstAbove(-near - drift - residualG - (left - 1) * tail.mostMassG, 4 * from)
    for (let at = first / 4; at < items.length; at++) {
      const massG = single[4 * at] as number
      if (residualG + massG - drift > near) return
      const varianceG2 = single[4 * at + 1] as number
      const most = Math.min(spare[at] as number, left)
      for (let count = 1; count <= most; count++) {
        lost[at] = count
        const odds = count === 1 ? (single[4 * at + 2] as number) : (items[at]?.logOdds[count] ?? 0)
        visit(at + 1, left - count, lossG + count * massG, lossVarianceG2 + count * varianceG2, logOdds + odds)
      }
      lost[at] = 0
    }
  }
  visit(0, most, start.lossG, start.lossVarianceG2, 0)
}
