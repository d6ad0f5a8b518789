import { committeeReportPages } from '../printing/committee-report.ts'
import { costSentence, costText, sparesSentence, type BuyingFacts } from './buying.ts'

const model = (modelName: string, middle: number, low: number, high: number): BuyingFacts['models'][number] => ({
  ...{ modelName, kits: 2, kitsWithoutPrice: 0, loans: 40, years: 2 },
  costMinor: { middle, low, high },
  ...{ beyond: null, benchMinutes: 20 },
})
const spare = (order: number, pieceMinor: number | null): BuyingFacts['spares'][number] => ({
  ...{ role: 'front-cap', losses: 6, aYear: { rate: 2, low: 1, high: 4 } },
  ...{ keep: order + 1, have: 1, order, pieceMinor },
})
const facts = (models: BuyingFacts['models'], spares: BuyingFacts['spares'] = []): BuyingFacts => ({
  ...{ currency: 'EUR', assumed: { lifeYears: 8, leadWeeks: 6, serviceLevel: 0.95 } },
  ...{ models, spares },
})

it('tells models apart only where their bars don’t lie over each other', () => {
  expect(costSentence(facts([model('wide', 300, 250, 360), model('long', 900, 700, 1200)]))).toBe(
    'A loan costs from 3 EUR (wide) to 9 EUR (long).',
  )
  expect(costSentence(facts([model('wide', 300, 200, 800), model('long', 900, 700, 1200)]))).toMatch(
    /They may cost the same/,
  )
  expect(costSentence(facts([]))).toMatch(/^No model has prices/)
  expect(costText({ ...model('wide', 1, 1, 1), costMinor: null, kitsWithoutPrice: 1 }, 'EUR')).toBe(
    'a price is missing',
  )
  expect(costText({ ...model('wide', 1, 1, 1), costMinor: null }, 'EUR')).toBe('too few loans')
})

it('says what to order and what it costs, as far as prices are known', () => {
  expect(sparesSentence(facts([], [spare(2, 350), spare(1, 1000)]))).toBe(
    'Order 3 pieces for about 17 EUR: then each part is there 95 times in 100.',
  )
  expect(sparesSentence(facts([], [spare(2, 350), spare(1, null)]))).toMatch(
    /about 7 EUR and what 1 without a price cost/,
  )
  expect(sparesSentence(facts([], [spare(0, null)]))).toMatch(/in the drawer is enough/)
  expect(sparesSentence(facts([]))).toMatch(/^Nothing has gone missing/)
})

describe('the committee’s two pages', () => {
  const measure = (text: string, _font: string, sizeMm: number) => text.length * sizeMm * 0.5
  const codes = { qr: () => ({ d: '', width: 1, height: 1 }), code128: () => ({ d: '', width: 1, height: 1 }) }
  const report = (count: number) => ({
    ...facts(
      Array.from({ length: count }, (_, i) => ({
        ...model(`model ${i}`, 300 + i, 250, 400),
        beyond: { share: 0.3, low: 0.2, high: 0.5 },
      })),
      [spare(2, 350)],
    ),
    ...{ branchName: 'Marrowdale Library', printedOn: 'Thu 12 Mar 2026', sinceYear: 2024, recordYears: 2.2 },
  })

  it('have every bar within its room and nothing beyond the paper, however many models there are', () => {
    const pages = committeeReportPages(report(80), 'a4', { measure, codes })
    expect(pages).toHaveLength(2)
    for (const { items, heightMm, widthMm } of pages)
      for (const item of items) {
        if (item.kind === 'text') expect(item.y).toBeLessThan(heightMm - 8)
        if (item.kind === 'rect') expect(item.x + item.width).toBeLessThan(widthMm - 18)
      }
    const words = pages[0]?.items.flatMap((item) => (item.kind === 'text' ? [item.text] : [])).join(' ')
    expect(words).toMatch(/and \d+ more, on the page of the logbook/)
  })

  it('draw the stroke where the figure is between its ends', () => {
    const [page] = committeeReportPages(report(1), 'a4', { measure, codes })
    const bar = page?.items.find((item) => item.kind === 'rect')
    const stroke = page?.items.find((item) => item.kind === 'line' && item.strokeMm === 0.7)
    if (bar?.kind !== 'rect' || stroke?.kind !== 'line') throw new Error('no bar')
    // 250 to 400 with 300 between: a third of the way.
    expect((stroke.x1 - bar.x) / bar.width).toBeCloseTo(1 / 3, 6)
  })
})
