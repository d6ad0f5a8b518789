import { driftPairs, type FoundAndLeft } from './pairs.ts'

const check = (day: number, asFound: number | null, asLeft: number, withDirection = true): FoundAndLeft => ({
  atUtc: `2026-03-${String(day).padStart(2, '0')}T18:00:00.000Z`,
  ...{ asFound, asLeft },
  asFoundAt: withDirection && asFound !== null ? { x: asFound, y: 0 } : null,
  asLeftAt: withDirection ? { x: asLeft, y: 0 } : null,
})
const back = (day: number) => `2026-03-${String(day).padStart(2, '0')}T10:00:00.000Z`

describe('what each check found of what was left', () => {
  it('joins a check with the one before, and counts the loans between', () => {
    const checks = [check(20, 0.9, 0.2), check(1, 0.4, 0.1), check(10, 0.6, 0.3)]
    expect(driftPairs(checks, [back(5), back(12), back(15), back(25)])).toEqual({
      history: [
        { asLeftMm: { x: 0.1, y: 0 }, asFoundMm: { x: 0.6, y: 0 }, loans: 1 },
        { asLeftMm: { x: 0.3, y: 0 }, asFoundMm: { x: 0.9, y: 0 }, loans: 2 },
      ],
      now: { asLeftMm: { x: 0.2, y: 0 }, loansSince: 1 },
    })
  })
  it('of one check there is where it stands, and no history', () => {
    expect(driftPairs([check(1, 0.4, 0.1)], [back(5), back(9)])).toEqual({
      history: [],
      now: { asLeftMm: { x: 0.1, y: 0 }, loansSince: 2 },
    })
  })
  it('of none there is nothing', () => expect(driftPairs([], [back(5)])).toBeNull())
  it('lengths that were typed in stay lengths', () => {
    const { history, now } = driftPairs([check(1, 0.4, 0.1, false), check(9, 0.6, 0.2, false)], [back(5)]) ?? {}
    expect(history).toEqual([{ asLeftMm: { lengthMm: 0.1 }, asFoundMm: { lengthMm: 0.6 }, loans: 1 }])
    expect(now?.asLeftMm).toEqual({ lengthMm: 0.2 })
  })
  it('two looks without a loan between them are the measuring’s, not the loan’s', () => {
    expect(driftPairs([check(1, 0.4, 0.1), check(2, 0.3, 0.1), check(9, 0.6, 0.2)], [back(5)])?.history).toHaveLength(
      1,
    )
  })
  it('a check before the return that it followed, by a clock that was set back, is left out', () => {
    expect(driftPairs([check(1, 0.4, 0.1), check(4, 0.6, 0.2)], [back(5)])).toMatchObject({
      history: [],
      now: { loansSince: 1 },
    })
  })
  it('a check that left a figure and found none begins anew', () => {
    expect(driftPairs([check(1, 0.4, 0.1), check(9, null, 0.2)], [back(5)])?.history).toEqual([])
  })
})
