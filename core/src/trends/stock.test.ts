import fc from 'fast-check'
import jstat from 'jstat'
import { costPerLoan } from './cost.ts'
import { daysByState, dayStates, type StateSpan } from './days-by-state.ts'
import { stockToKeep } from './stock.ts'

interface Distributions {
  readonly poisson: { cdf: (count: number, mean: number) => number }
  readonly chisquare: { inv: (share: number, of: number) => number }
}
const { poisson, chisquare } = (jstat as { jStat: Distributions }).jStat

const year = 365.25 / 7

describe('how many to keep', () => {
  // Cumulative Poisson probabilities as printed in tables: P(X ≤ 4 | 2) = 0.9473, P(X ≤ 5 | 2) = 0.9834,
  // P(X ≤ 1 | 0.5) = 0.9098, P(X ≤ 2 | 0.5) = 0.9856, P(X ≤ 9 | 5) = 0.9682 (from memory).
  it.each([
    [2, 0.94, 4],
    [2, 0.95, 5],
    [0.5, 0.9, 1],
    [0.5, 0.95, 2],
    [5, 0.96, 9],
  ])('%d expected, %d of the time: %d', (ratePerYear, serviceLevel, keep) => {
    expect(stockToKeep({ ratePerYear, leadWeeks: year, serviceLevel }).keep).toBe(keep)
  })

  it('is the least number whose cumulative probability reaches the level, by another library', () => {
    const cdf = (k: number, mean: number) => (k < 0 ? 0 : poisson.cdf(k, mean))
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 30, noNaN: true }),
        fc.double({ min: 0.5, max: 0.99, noNaN: true }),
        (mean, level) => {
          const { keep, expected } = stockToKeep({ ratePerYear: mean, leadWeeks: year, serviceLevel: level })
          expect(expected).toBeCloseTo(mean, 9)
          expect(cdf(keep, mean)).toBeGreaterThanOrEqual(level - 1e-9)
          expect(cdf(keep - 1, mean)).toBeLessThan(level + 1e-9)
        },
      ),
    )
  })

  it('nothing lost, nothing kept; a lead time of none is none', () => {
    expect(stockToKeep({ ratePerYear: 0, leadWeeks: 6, serviceLevel: 0.95 }).keep).toBe(0)
    expect(() => stockToKeep({ ratePerYear: 1, leadWeeks: 0, serviceLevel: 0.95 })).toThrow(RangeError)
    expect(() => stockToKeep({ ratePerYear: 1, leadWeeks: 6, serviceLevel: 1 })).toThrow(RangeError)
  })
})

describe('what a loan costs', () => {
  it('a year of the price and what is lost, over a year’s loans', () => {
    // 480.00 over 8 years is 60.00 a year; 20 loans a year: 3.00 each, and 10.00 lost in 40 loans: 0.25 each.
    const cost = costPerLoan({ priceMinor: 48_000, lifeYears: 8, loans: 40, years: 2, lostMinor: 1000 })
    expect(cost?.middle).toBeCloseTo(325, 9)
    // Garwood's interval of 40 events, nine in ten: 30.20 and 52.07 [from jStat's chi-square below].
    const [low, high] = [chisquare.inv(0.05, 80) / 2, chisquare.inv(0.95, 82) / 2]
    expect(cost?.low).toBeCloseTo(6000 / (high / 2) + 25, 3)
    expect(cost?.high).toBeCloseTo(6000 / (low / 2) + 25, 3)
  })

  it('without a price or with too few loans nothing is said', () => {
    const given = { priceMinor: 48_000, lifeYears: 8, loans: 4, years: 2, lostMinor: 0 }
    expect(costPerLoan(given)).toBeNull()
    expect(costPerLoan({ ...given, loans: 40, priceMinor: null })).toBeNull()
    expect(() => costPerLoan({ ...given, years: 0 })).toThrow(RangeError)
  })
})

describe('days by state', () => {
  it('a day counts once, for what is first', () => {
    const spans: StateSpan[] = [
      { state: 'out', from: 3, until: 5 },
      { state: 'waiting', from: 5, until: 7 },
      { state: 'bench', from: 7, until: 20 },
    ]
    expect(daysByState(spans, 1, 10)).toEqual({ out: 3, waiting: 1, bench: 4, fit: 2 })
  })

  it('counts as somebody would who goes through day by day', () => {
    const span = fc.record({
      state: fc.constantFrom('out' as const, 'bench' as const, 'waiting' as const),
      from: fc.integer({ min: -5, max: 40 }),
      until: fc.integer({ min: -5, max: 40 }),
    })
    fc.assert(
      fc.property(
        fc.array(span, { maxLength: 8 }),
        fc.integer({ min: 0, max: 20 }),
        fc.nat(20),
        (spans, from, length) => {
          const slow = { out: 0, bench: 0, waiting: 0, fit: 0 }
          for (let day = from; day <= from + length; day++) {
            const held = dayStates.find((state) =>
              spans.some((each) => each.state === state && each.from <= day && day <= each.until),
            )
            slow[held ?? 'fit']++
          }
          expect(daysByState(spans, from, from + length)).toEqual(slow)
        },
      ),
    )
  })

  it('days that end before they begin are none', () => {
    expect(() => daysByState([], 5, 4)).toThrow(RangeError)
  })
})
