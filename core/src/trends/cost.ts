import { FEWEST_TO_SAY, rateInterval, type Interval } from './rates.ts'

export interface KeepingCost {
  /** What its kits cost together, in the smallest unit of money; null where a price isn't written down. */
  readonly priceMinor: number | null
  /** Over so many years a kit is paid. */
  readonly lifeYears: number
  /** Loans of all of them in so many years. */
  readonly loans: number
  readonly years: number
  /** What was lost in those loans, by what it costs to buy anew. */
  readonly lostMinor: number
}

/**
 * What a loan costs: a year's share of the price and what is lost, spread over a year's loans. What it lies between says how
 * few loans there were: it is the exact interval of their rate, nine times in ten.
 * @returns null where a price is missing or the loans are too few to say
 * @throws RangeError
 * Source: straight-line depreciation, common practice; interval as in `rateInterval`.
 */
export function costPerLoan({
  priceMinor,
  lifeYears,
  loans,
  years,
  lostMinor,
}: KeepingCost): (Interval & { readonly middle: number }) | null {
  if (!(lifeYears > 0 && years > 0 && loans >= 0 && lostMinor >= 0 && (priceMinor ?? 0) >= 0))
    throw new RangeError('a cost needs years above 0, and no loans or money below 0')
  if (priceMinor === null || loans < FEWEST_TO_SAY) return null
  const lost = lostMinor / loans
  const ofRate = (loansAYear: number) => priceMinor / lifeYears / loansAYear + lost
  const { low, high } = rateInterval(loans, years)
  return { middle: ofRate(loans / years), low: ofRate(high), high: ofRate(low) }
}
