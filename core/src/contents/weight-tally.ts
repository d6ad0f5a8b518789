/** A set with its weight; `value` only for those good enough to be shown. */
export interface Ranked<T> {
  readonly logWeight: number
  readonly value: T
}

/** A weight below e⁻²⁸ of one that is always allowed where it is adds nothing that is shown: there are far fewer sets. */
const NEGLIGIBLE = 28

/** Sets with so many pieces lost and things arrived. */
export interface Class<T> {
  readonly lost: number
  readonly arrived: number
  /** Sum of weights over e^reference, and the heaviest weight so far. */
  sum: number
  reference: number
  best: Ranked<T>[]
  /** Weight over e^reference that the list's last one has; what is lighter only counts. */
  worstShare: number
}

/** More foreign things than this are never tried at once. */
const MOST_ARRIVED = 8

/**
 * Sums the weights of sets and keeps the heaviest, apart for each number of pieces lost and things arrived, so that
 * groups can be put together later under a common bound.
 */
export class WeightTally<T> {
  /** The set in which nothing happened: it is the first one added. */
  nothing: Ranked<T> | null = null
  private readonly byNumbers: (Class<T> | undefined)[] = []
  private readonly leastOf: number[] = []
  private outdated = true

  constructor(private readonly limit: number) {}

  get classes(): readonly Class<T>[] {
    return this.byNumbers.filter((known) => known !== undefined)
  }

  /** The least log weight that still adds something to a class; −∞ while its list isn't full. Whatever may be put together
   * with a set may be put together with one of fewer losses and arrivals as well: the heaviest of those is what it is held
   * against. */
  least(lost: number, arrived: number): number {
    if (this.outdated) this.reckonLeast()
    return this.leastOf[lost * MOST_ARRIVED + arrived] ?? -Infinity
  }

  private reckonLeast(): void {
    this.outdated = false
    for (const { lost, arrived, best } of this.classes) {
      let heaviest = -Infinity
      for (const other of this.classes)
        if (other.lost <= lost && other.arrived <= arrived) heaviest = Math.max(heaviest, other.reference)
      this.leastOf[lost * MOST_ARRIVED + arrived] = best.length < this.limit ? -Infinity : heaviest - NEGLIGIBLE
    }
  }

  add(into: Class<T>, logWeight: number, residualG: number, describe: (residualG: number) => T): void {
    this.nothing ??= { logWeight, value: describe(residualG) }
    if (logWeight > into.reference) {
      into.sum = into.sum * Math.exp(into.reference - logWeight) + 1
      into.reference = logWeight
      this.outdated = true
    } else into.sum += Math.exp(logWeight - into.reference)
    const worst = into.best.length < this.limit ? -Infinity : (into.best.at(-1)?.logWeight ?? -Infinity)
    if (logWeight > worst) insert(into.best, { logWeight, value: describe(residualG) }, this.limit)
    if (worst === -Infinity) this.outdated = true
    const last = into.best.length < this.limit ? -Infinity : (into.best.at(-1)?.logWeight ?? -Infinity)
    into.worstShare = Math.exp(last - into.reference)
  }

  classOf(lost: number, arrived: number): Class<T> {
    const at = lost * MOST_ARRIVED + arrived
    const known = this.byNumbers[at] ?? { lost, arrived, sum: 0, reference: -Infinity, best: [], worstShare: 0 }
    this.byNumbers[at] = known
    this.outdated ||= this.leastOf[at] === undefined
    return known
  }
}

/** Keeps a list in order, heaviest first, and no longer than `limit`. */
function insert<T>(best: Ranked<T>[], ranked: Ranked<T>, limit: number): void {
  let low = 0
  let high = best.length
  while (low < high) {
    const middle = (low + high) >> 1
    if ((best[middle]?.logWeight ?? -Infinity) >= ranked.logWeight) low = middle + 1
    else high = middle
  }
  best.splice(low, 0, ranked)
  if (best.length > limit) best.pop()
}

const logSum = (a: number, b: number) => {
  const [more, less] = a > b ? [a, b] : [b, a]
  return less === -Infinity ? more : more + Math.log1p(Math.exp(less - more))
}

interface Merged<T> {
  readonly lost: number
  readonly arrived: number
  readonly logTotal: number
  readonly best: Ranked<readonly T[]>[]
}

/**
 * Puts the groups' sets together: every combination with at most so many pieces lost and things arrived in all.
 * Exact: the heaviest combinations use only each class's own heaviest sets.
 */
export function mergeTallies<T>(
  tallies: readonly WeightTally<T>[],
  bounds: { readonly maxMissing: number; readonly maxSwaps: number; readonly limit: number },
): { readonly best: readonly Ranked<readonly T[]>[]; readonly logTotal: number } {
  let merged: Merged<T>[] = [{ lost: 0, arrived: 0, logTotal: 0, best: [{ logWeight: 0, value: [] }] }]
  for (const tally of tallies) merged = addGroup(merged, tally, bounds)
  const best = merged.flatMap((each) => each.best).sort((a, b) => b.logWeight - a.logWeight)
  return {
    best: best.slice(0, bounds.limit),
    logTotal: merged.reduce((sum, { logTotal }) => logSum(sum, logTotal), -Infinity),
  }
}

function addGroup<T>(
  merged: readonly Merged<T>[],
  tally: WeightTally<T>,
  { maxMissing, maxSwaps, limit }: { maxMissing: number; maxSwaps: number; limit: number },
): Merged<T>[] {
  const next = new Map<string, { lost: number; arrived: number; logTotal: number; best: Ranked<readonly T[]>[] }>()
  for (const before of merged)
    for (const own of tally.classes) {
      const lost = before.lost + own.lost
      const arrived = before.arrived + own.arrived
      if (lost > maxMissing || arrived > maxSwaps) continue
      const key = `${lost} ${arrived}`
      const into = next.get(key) ?? { lost, arrived, logTotal: -Infinity, best: [] }
      next.set(key, into)
      into.logTotal = logSum(into.logTotal, before.logTotal + own.reference + Math.log(own.sum))
      for (const first of before.best)
        for (const second of own.best) {
          const logWeight = first.logWeight + second.logWeight
          if (into.best.length >= limit && logWeight <= (into.best.at(-1)?.logWeight ?? -Infinity)) break
          insert(into.best, { logWeight, value: [...first.value, second.value] }, limit)
        }
    }
  return [...next.values()]
}
