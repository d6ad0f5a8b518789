/** How well something that was set holds from one loan to the next, by how it was found. */
export interface Holding {
  readonly verdict: 'too-few' | 'well' | 'fairly' | 'badly'
  /** Times it came back within the limit, of all times it was found. */
  readonly within: number
  readonly times: number
  /** The middle of what was found, in the limit's unit; the upper one of two. */
  readonly median: number
}

/** Fewer times say nothing yet; a share from here on is fair. Common practice, no source. */
const LEAST_TIMES = 3
const FAIR_SHARE = 0.6

/** @param found as found, not negative, in the unit of `limit` */
export function howItHolds(found: readonly number[], limit: number): Holding {
  const within = found.filter((each) => each <= limit).length
  const sorted = [...found].sort((a, b) => a - b)
  const holding = { within, times: found.length, median: sorted[sorted.length >> 1] ?? 0 }
  if (found.length < LEAST_TIMES) return { verdict: 'too-few', ...holding }
  if (within === found.length) return { verdict: 'well', ...holding }
  return { verdict: within >= FAIR_SHARE * found.length ? 'fairly' : 'badly', ...holding }
}
