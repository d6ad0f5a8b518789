import jstat from 'jstat'
import { rateInterval, shareInterval, spreadOf } from './rates.ts'

const { jStat } = jstat as { jStat: { chisquare: { inv: (share: number, of: number) => number } } }

describe('the interval of a rate', () => {
  // Garwood's table at 95 % in each tail, from memory: 0 events 0 to 2.996, 1: 0.051 to 4.744, 5: 1.970 to 10.513, 10: 5.425 to 16.962.
  it.each([
    [0, 0, 2.996],
    [1, 0.051, 4.744],
    [5, 1.97, 10.513],
    [10, 5.425, 16.962],
  ])('of %d events is that of the table', (events, low, high) => {
    const interval = rateInterval(events, 1)
    expect(interval.low).toBeCloseTo(low, 2)
    expect(interval.high).toBeCloseTo(high, 2)
  })
  it.each([1, 3, 17, 120])('of %d events is that of another library’s chi-squared quantiles', (events) => {
    const interval = rateInterval(events, 4)
    expect(interval.low).toBeCloseTo(jStat.chisquare.inv(0.05, 2 * events) / 8, 6)
    expect(interval.high).toBeCloseTo(jStat.chisquare.inv(0.95, 2 * events + 2) / 8, 6)
  })
  it('needs an exposure', () => expect(() => rateInterval(1, 0)).toThrow(RangeError))
})

describe('the interval of a share', () => {
  it('solves Wilson’s equation: both ends lie z of their own spreads away', () => {
    for (const [hits, of] of [
      [0, 8],
      [3, 8],
      [8, 8],
      [40, 100],
    ] as const) {
      const { low, high } = shareInterval(hits, of)
      for (const end of [low, high].filter((share) => share > 0 && share < 1))
        expect(Math.abs(hits / of - end) / Math.sqrt((end * (1 - end)) / of)).toBeCloseTo(1.6448536, 5)
      expect(low).toBeLessThanOrEqual(hits / of)
      expect(high).toBeGreaterThanOrEqual(hits / of)
    }
  })
  it('of nothing is none', () => expect(() => shareInterval(0, 0)).toThrow(RangeError))
})

describe('how figures spread', () => {
  const figures = (...values: number[]) => values.map((value) => ({ value, limit: 3.5 }))
  it('is the middle one and eight of ten, and how many lie beyond', () => {
    expect(spreadOf(figures(5, 1, 3, 2, 4))).toMatchObject({ n: 5, middle: 3, low: 1.4, high: 4.6 })
    expect(spreadOf(figures(5, 1, 3, 2, 4)).beyond?.share).toBe(0.4)
  })
  it('isn’t said of too few', () => {
    expect(spreadOf(figures(1, 2, 3, 4))).toEqual({ n: 4, middle: null, low: null, high: null, beyond: null })
    expect(spreadOf([])).toMatchObject({ n: 0, middle: null })
  })
})
