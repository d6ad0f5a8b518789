import { lengthOf, type PointXY } from '../shared/angles.ts'
import { requireFinite, requirePositive } from '../shared/require.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { exp, sqrt } = Math

export type RepeatVerdict = 'holds' | 'check-each-time' | 'mend'

export interface Repeatability {
  readonly meanMm: PointXY
  /** Of one opening, along either axis, with the interval that holds the true one in 90 of 100 tests. */
  readonly spreadMm: { readonly value: number; readonly low: number; readonly high: number }
  /** What an opening may be off by, in nine of ten openings. */
  readonly nineOfTenMm: number
  readonly limitMm: number
  readonly verdict: RepeatVerdict
}

/** Limit of an f/5 paraboloid, as the usual collapsible tube is. */
const USUAL_LIMIT_MM = 1.33
const NINE_OF_TEN = 0.9
/** Two that agree agree by chance. Common practice, no source. */
export const FEWEST_OPENINGS = 3
/** Readings that differ by rounding only. */
const SAME_MM2 = 1e-18

/**
 * How well a tube that is opened and closed comes back to its line-up.
 *
 * The readings are taken as normal about their mean with the same spread along both axes. With n readings the squares about
 * the mean have 2(n − 1) degrees of freedom, which gives the spread and, by χ², its interval. *Holds*: even with the widest
 * spread of that interval nine of ten openings stay within the limit, mean included. *Mend*: even with the narrowest they
 * don't, about a mean put right. Otherwise *check each time*, also where there are too few readings to tell.
 *
 * @param input readings in mm at the focal plane, one after each opening, two at least; limitMm of the kit (default: f/5)
 * @throws RangeError for fewer than two readings or a limit that isn't positive
 * Source: χ² interval for a spread, Abramowitz & Stegun §26.4 */
export function collimationRepeat(input: {
  readonly readings: readonly PointXY[]
  readonly limitMm?: number | undefined
}): Repeatability {
  const { readings, limitMm = USUAL_LIMIT_MM } = input
  requirePositive({ limitMm })
  if (readings.length < 2) throw new RangeError(`readings: two openings at least; got ${readings.length}`)
  readings.forEach(({ x, y }, i) => requireFinite({ [`readings.${i}.x`]: x, [`readings.${i}.y`]: y }))
  const n = readings.length
  const meanMm = {
    x: readings.reduce((sum, { x }) => sum + x, 0) / n,
    y: readings.reduce((sum, { y }) => sum + y, 0) / n,
  }
  const squares = readings.reduce((sum, { x, y }) => sum + (x - meanMm.x) ** 2 + (y - meanMm.y) ** 2, 0)
  const freedom = 2 * (n - 1)
  const value = squares < SAME_MM2 ? 0 : sqrt(squares / freedom)
  const low = value && sqrt(squares / chiSquareQuantile(0.95, freedom))
  const high = value && sqrt(squares / chiSquareQuantile(0.05, freedom))
  const nineOfTen = (meanLength: number, spread: number) => lengthWithin(NINE_OF_TEN, meanLength, spread)
  const mean = lengthOf(meanMm)
  const verdict =
    n >= FEWEST_OPENINGS && nineOfTen(mean, high) <= limitMm
      ? 'holds'
      : nineOfTen(0, low) > limitMm
        ? 'mend'
        : 'check-each-time'
  return { meanMm, spreadMm: { value, low, high }, nineOfTenMm: nineOfTen(mean, value), limitMm, verdict }
}

/** χ² with an even number of degrees of freedom has the closed form 1 − e^(−x/2)·Σ (x/2)^k/k!; bisected. */
function chiSquareQuantile(probability: number, freedom: number): number {
  const below = (x: number) => {
    let term = 1
    let sum = 1
    for (let k = 1; k < freedom / 2; k++) {
      term *= x / 2 / k
      sum += term
    }
    return 1 - exp(-x / 2) * sum
  }
  return bisected((x) => below(x) - probability, 0, 10 * freedom + 50)
}

/** The length that a point, normal about a mean with a spread along each axis, stays within at a given chance: Rice's
 * distribution, summed over rings. */
function lengthWithin(chance: number, mean: number, spread: number): number {
  if (spread <= 0) return mean
  const a = mean / spread
  const within = (r: number) => {
    const steps = 400
    const width = r / steps
    let sum = 0
    for (let i = 0; i < steps; i++) {
      const x = (i + 0.5) * width
      sum += x * exp(-((x - a) ** 2) / 2) * scaledBessel(a * x) * width
    }
    return sum
  }
  return spread * bisected((r) => within(r) - chance, 0, a + 8)
}

/** I₀(x)·e^(−x) [Abramowitz & Stegun 9.8.1, 9.8.2]. */
function scaledBessel(x: number): number {
  if (x < 3.75) {
    const t = (x / 3.75) ** 2
    const series =
      1 + t * (3.5156229 + t * (3.0899424 + t * (1.2067492 + t * (0.2659732 + t * (0.0360768 + t * 0.0045813)))))
    return series * exp(-x)
  }
  const t = 3.75 / x
  const series =
    0.39894228 +
    t *
      (0.01328592 +
        t *
          (0.00225319 +
            t *
              (-0.00157565 +
                t * (0.00916281 + t * (-0.02057706 + t * (0.02635537 + t * (-0.01647633 + t * 0.00392377)))))))
  return series / sqrt(x)
}

function bisected(f: (x: number) => number, from: number, until: number): number {
  let low = from
  let high = until
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2
    if (f(middle) < 0) low = middle
    else high = middle
  }
  return (low + high) / 2
}
