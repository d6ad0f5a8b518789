import type { KitStory, ModelTrend, MonthTrend } from '@binoculum/contract'
import { idOf } from '../../testing/ids.ts'
import {
  beyondText,
  forecastBasis,
  forecastTitle,
  modelsSentence,
  monthsSentence,
  readingsSentence,
  whatIfSentence,
} from './story-words.ts'

type Forecast = NonNullable<KitStory['forecast']>
const forecast = (rest: Partial<Forecast> = {}): Forecast => ({
  ...{
    chanceBeyondLimit: 0.3,
    expectedMm: 0.5,
    sigmaPerLoanMm: 0.36,
    loansUntilDue: 2,
    limitMm: 0.7,
    loansSince: 0,
    chanceNow: 0,
  },
  ...{ dueChance: 1 / 3, after: [0.3, 0.55, 0.69], basis: { kind: 'own', pairs: 10, loans: 10, lengthsOnly: 0 } },
  ...rest,
})

describe('a forecast in words', () => {
  it.each([
    [forecast(), 'A look is due after 2 more loans: it comes back beyond the limit about three times in ten.'],
    [
      forecast({ chanceBeyondLimit: 0.41, chanceNow: 0.36, loansUntilDue: 1 }),
      'Look at the mirror before its next loan: by now it is beyond the limit about four times in ten.',
    ],
    [
      forecast({ chanceBeyondLimit: 0.41, loansUntilDue: 1 }),
      'A look is due after its next loan: it comes back beyond the limit about four times in ten.',
    ],
    [
      forecast({ chanceBeyondLimit: 0.02, loansUntilDue: null }),
      'No look is needed for a long while: it comes back beyond the limit hardly ever.',
    ],
    [
      forecast({ chanceBeyondLimit: 0.12, loansUntilDue: 5 }),
      'A look is due after 5 more loans: it comes back beyond the limit about once in ten.',
    ],
    [forecast({ chanceBeyondLimit: 0.98, chanceNow: 1 }), 'It was left beyond its limit: line up the primary first.'],
    [forecast({ chanceBeyondLimit: null }), 'Too few looks to say how it holds.'],
  ])('%#', (given, title) => expect(forecastTitle(given)).toBe(title))
  it('says what it goes by', () => {
    expect(forecastBasis(forecast())).toBe('10 pairs as left, as found · 0.36 mm a loan in each direction')
    const thin = forecast({ basis: { kind: 'both', pairs: 1, loans: 1, lengthsOnly: 1 }, loansSince: 1 })
    expect(forecastBasis(thin)).toBe(
      'one pair as left, as found, and other kits of its model · 0.36 mm a loan in each direction · of 1 only the length is known · 1 loan since the last look',
    )
  })
})

const spread = (share: number | null, n = 12) => ({
  ...{ n, middle: 0.4, low: 0.1, high: 0.9 },
  beyond: share === null ? null : { share, low: share / 2, high: Math.min(1, share * 2) },
})
const model = (modelName: string, share: number | null): ModelTrend => ({
  ...{ modelId: idOf(modelName), modelName, family: 'tabletop-reflector', kits: [], loans: 12, benchMinutes: 20 },
  ...{ mirrorMm: spread(share), mirrorLimitMm: 0.7, finderArcmin: spread(null, 2), finderLimitArcmin: 30 },
  lostPerHundred: null,
})

describe('models compared', () => {
  it('names the one that is surely worst, with what is known of it', () => {
    expect(modelsSentence([model('A', 0.1), model('B', 0.4), model('C', null)])).toBe(
      'B comes back beyond its limit most often: 40 % of 12 looks, between 20 % and 80 %.',
    )
    expect(modelsSentence([model('C', null)])).toBe('Too few looks at mirrors to compare models yet.')
  })
  it('says nothing of too few', () => {
    expect(beyondText(spread(null, 3))).toBe('3, too few to say')
    expect(beyondText(spread(0.25))).toBe('25 % (13–50 %)')
  })
})

describe('loans by month', () => {
  const months = (...loans: number[]): MonthTrend[] =>
    loans.map((count, index) => ({ month: `2025-${String(index + 1).padStart(2, '0')}`, loans: count, late: 1 }))
  it('are held against dark hours only where there are months enough, the last one left out', () => {
    expect(monthsSentence(months(1, 2, 3), [1, 2, 3])).toBe('6 loans in 3 months, 50 % of them late.')
    expect(monthsSentence(months(1, 2, 3, 4, 5, 6, 7, 0), [10, 20, 30, 40, 50, 60, 70, 999])).toContain(
      'More is lent in months with more dark hours.',
    )
    expect(monthsSentence(months(7, 6, 5, 4, 3, 2, 1, 0), [10, 20, 30, 40, 50, 60, 70, 0])).toContain('Less is lent')
    expect(monthsSentence(months(5, 5, 5, 5, 5, 5, 5, 5), [1, 2, 3, 4, 5, 6, 7, 8])).toContain('don’t go together')
  })
})

it('a year under other rules says what is saved and what it costs', () => {
  const line = (
    rule: 'every-loan' | 'every-third' | 'by-forecast',
    benchHours: number,
    spoiltPerHundred: number,
  ) => ({
    ...{ rule, benchHours, spoiltPerHundred, looks: 1 },
  })
  const rules = [line('every-loan', 12, 0), line('every-third', 4, 9.25), line('by-forecast', 3, 2.5)]
  expect(whatIfSentence(rules)).toBe(
    'Looking when a look is due takes 3.0 hours a year instead of 12.0, and spoils 2.5 first nights in 100 loans; after every third loan it would be 4.0 hours and 9.3.',
  )
})

describe('what a chart of figures shows', () => {
  const reading = (asFound: number | null, asLeft: number, limit = 1) => ({
    ...{
      kind: 'collimation' as const,
      atUtc: '2026-03-01T18:00:00Z',
      asFound,
      asLeft,
      limit,
      limitIsLeast: false,
      unit: 'mm' as const,
      by: 'Kofi',
    },
  })
  it('how often it was found beyond the limit of its day, and where it was left', () => {
    const readings = [reading(2, 0.4), reading(0.5, 0.3), reading(1.4, 0.2, 1.5)]
    expect(readingsSentence(readings)).toBe(
      'Found beyond its limit in 1 of 3 looks. Last left at 0.2 mm, within its limit of 1.5 mm.',
    )
  })
  it('of figures that were only left, nothing is said of what was found', () => {
    expect(readingsSentence([reading(null, 1.2)])).toBe('Last left at 1.2 mm, beyond its limit of 1.0 mm.')
    expect(readingsSentence([reading(0.3, 0.2)])).toMatch(/^Never found beyond its limit in the one look\./)
    expect(readingsSentence([])).toBe('')
  })
  it('of what there must be enough of, less is too little; of what has no limit only where it was left', () => {
    const hours = { ...reading(4, 8, 6), kind: 'charge' as const, unit: 'h' as const, limitIsLeast: true }
    expect(readingsSentence([hours])).toBe(
      'Found below what it needs in the one look. Last left at 8.0 h, above the 6.0 h it needs.',
    )
    const ring = { ...reading(212, 205), kind: 'ring-place' as const, limit: null }
    expect(readingsSentence([ring])).toBe('Last left at 205 mm.')
  })
})
