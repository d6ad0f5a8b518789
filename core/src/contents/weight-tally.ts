/** A set with its weight; `value` only for those good enough to be shown. */
export interface Ranked<T> {
  readonly logWeight: number
  readonly value: T
}

/** Weights below e⁻⁴⁰ of the heaviest add nothing to a sum of doubles. */
const NEGLIGIBLE = 40

interface Class<T> {
  readonly lost: number
  readonly arrived: number
  /** Sum of weights over e^reference, and the heaviest weight so far. */
  sum: number
  reference: number
  best: Ranked<T>[]
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

  constructor(private readonly limit: number) {}

  get classes(): readonly Class<T>[] {
    return this.byNumbers.filter((known) => known !== undefined)
  }

  /** Whether a set of at most this log weight could add anything to its class that a double would hold. */
  matters(lost: number, arrived: number, mostLog: number): boolean {
    const known = this.byNumbers[lost * MOST_ARRIVED + arrived]
    return known === undefined || mostLog > known.reference - NEGLIGIBLE
  }

  add(
    lost: number,
    arrived: number,
    { logWeight, residualG }: { readonly logWeight: number; readonly residualG: number },
    describe: (residualG: number) => T,
  ): void {
    this.nothing ??= { logWeight, value: describe(residualG) }
    const known = this.classOf(lost, arrived)
    if (logWeight > known.reference) {
      known.sum = known.sum * Math.exp(known.reference - logWeight) + 1
      known.reference = logWeight
    } else known.sum += Math.exp(logWeight - known.reference)
    const worst = known.best.length < this.limit ? -Infinity : (known.best.at(-1)?.logWeight ?? -Infinity)
    if (logWeight > worst) insert(known.best, { logWeight, value: describe(residualG) }, this.limit)
  }

  private classOf(lost: number, arrived: number): Class<T> {
    const at = lost * MOST_ARRIVED + arrived
    const known = this.byNumbers[at] ?? { lost, arrived, sum: 0, reference: -Infinity, best: [] }
    this.byNumbers[at] = known
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
