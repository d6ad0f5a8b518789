import gammaQuantile from '@stdlib/stats-base-dists-gamma-quantile'

export interface Interval {
  readonly low: number
  readonly high: number
}

/** Fewer than these are too few to say. Common practice, no source. */
export const FEWEST_TO_SAY = 5
/** Nine in ten. */
const LEVEL = 0.9

/**
 * Between which rates a count of events of so much exposure lies nine times in ten: the exact interval of a Poisson rate.
 * @param events whole, 0 or more
 * @param exposure above 0, in whatever the rate is per
 * @throws RangeError
 * Source: F. Garwood, Biometrika 28 (1936) 437, by quantiles of the gamma distribution.
 */
export function rateInterval(events: number, exposure: number): Interval {
  if (!(Number.isInteger(events) && events >= 0 && exposure > 0))
    throw new RangeError(`a rate needs whole events and an exposure above 0; ${events} and ${exposure} aren't`)
  const tail = (1 - LEVEL) / 2
  return {
    low: events === 0 ? 0 : gammaQuantile(tail, events, 1) / exposure,
    high: gammaQuantile(1 - tail, events + 1, 1) / exposure,
  }
}

/** The standard normal's 95 % point. */
const Z = 1.6448536269514722

/**
 * Between which shares the truth lies nine times in ten, of which some of a number were seen.
 * @throws RangeError
 * Source: E. B. Wilson, J. Am. Stat. Assoc. 22 (1927) 209.
 */
export function shareInterval(hits: number, of: number): Interval {
  if (!(Number.isInteger(hits) && Number.isInteger(of) && hits >= 0 && of >= hits && of > 0))
    throw new RangeError(`a share needs some of a number; ${hits} of ${of} isn't one`)
  const share = hits / of
  const middle = (share + Z ** 2 / (2 * of)) / (1 + Z ** 2 / of)
  const half = (Z / (1 + Z ** 2 / of)) * Math.sqrt((share * (1 - share)) / of + Z ** 2 / (4 * of ** 2))
  return { low: Math.max(0, middle - half), high: Math.min(1, middle + half) }
}

export interface Spread {
  readonly n: number
  /** The middle one, and the tenth and ninetieth of a hundred; null where there are too few to say. */
  readonly middle: number | null
  readonly low: number | null
  readonly high: number | null
  /** Share beyond the limit with its interval; null where there are too few. */
  readonly beyond: (Interval & { readonly share: number }) | null
}

/** How figures spread, and how many lie beyond a limit of their own. */
export function spreadOf(figures: readonly { readonly value: number; readonly limit: number }[]): Spread {
  const n = figures.length
  if (n < FEWEST_TO_SAY) return { n, middle: null, low: null, high: null, beyond: null }
  const sorted = figures.map(({ value }) => value).sort((a, b) => a - b)
  const at = (share: number) => {
    const place = share * (n - 1)
    const [below, above] = [sorted[Math.floor(place)] ?? 0, sorted[Math.ceil(place)] ?? 0]
    return below + (place - Math.floor(place)) * (above - below)
  }
  const beyond = figures.filter(({ value, limit }) => value > limit).length
  return {
    ...{ n, middle: at(0.5), low: at(0.1), high: at(0.9) },
    beyond: { share: beyond / n, ...shareInterval(beyond, n) },
  }
}
