import poissonQuantile from '@stdlib/stats-base-dists-poisson-quantile'

export interface StockQuestion {
  /** How many are wanted in a year. */
  readonly ratePerYear: number
  /** From ordering one until it lies in the drawer. */
  readonly leadWeeks: number
  /** How often it shall be there when it is wanted, above 0 and below 1. */
  readonly serviceLevel: number
}

const WEEKS_A_YEAR = 365.25 / 7

/**
 * How many of a part to keep, so that those wanted until new ones come are there as often as chosen: the least number that a
 * Poisson count of the lead time doesn't exceed with that chance (base stock with orders one for one).
 * @returns expected: wanted in the lead time; keep: how many to have or to have ordered
 * @throws RangeError
 * Source: C. C. Sherbrooke, Optimal Inventory Modeling of Systems (2004), chapter 2, from memory.
 */
export function stockToKeep({ ratePerYear, leadWeeks, serviceLevel }: StockQuestion): {
  readonly expected: number
  readonly keep: number
} {
  if (!(ratePerYear >= 0 && leadWeeks > 0 && serviceLevel > 0 && serviceLevel < 1))
    throw new RangeError('stock needs a rate of 0 or more, a lead time above 0, and a level between 0 and 1')
  const expected = (ratePerYear * leadWeeks) / WEEKS_A_YEAR
  return { expected, keep: expected === 0 ? 0 : poissonQuantile(serviceLevel, expected) }
}
