import fc from 'fast-check'
import type { CardPart } from './case-plan.ts'
import { contentsCardPages, type CardKit } from './contents-card.ts'
import { labelPages, labelSheet, SMALLEST_MM, type Label } from './label-sheet.ts'
import { fitted, papers, sizeThatFits, wrapped, type PageItem, type PrintedPage, type Printer } from './page-items.ts'

/** Every letter half as wide as its size: near enough to a sans for layout. */
const measure = (text: string, _font: unknown, sizeMm: number) => [...text].length * sizeMm * 0.5
const code = { d: 'M0 0H1V1H0Z', width: 21, height: 21 }
const printer: Printer = { measure, codes: { qr: () => code, code128: () => ({ ...code, width: 90, height: 1 }) } }
const style = { font: 'sans', sizeMm: 4, measure } as const

const part = (index: number, rest: Partial<CardPart> = {}): CardPart => ({
  id: `p${index}`,
  name: `Part ${index}`,
  role: 'other',
  criticality: 'useful',
  count: 1,
  massG: 100,
  place: index < 5 ? 'Lid' : 'Tray',
  lookFor: '',
  lookEveryTime: false,
  ...rest,
})
const kit = (parts: readonly CardPart[], rest: Partial<CardKit> = {}): CardKit => ({
  code: 'M-12',
  name: 'Juniper',
  modelName: 'tabletop reflector 110/480',
  branchName: 'Marrowdale Library',
  emergencyLine: 'call 112',
  printedOn: 'Thu 16 Apr 2026',
  parts,
  ...rest,
})
const texts = (page: PrintedPage) => page.items.flatMap((item) => (item.kind === 'text' ? [item.text] : []))

/** Left, right, top and bottom of an item, as far as its kind says. */
function extent(item: PageItem): readonly [number, number, number, number] {
  switch (item.kind) {
    case 'text': {
      const width = measure(item.text, item.font, item.sizeMm)
      const left = item.x - (item.anchor === 'end' ? width : item.anchor === 'middle' ? width / 2 : 0)
      return [left, left + width, item.y - item.sizeMm, item.y]
    }
    case 'line':
      return [item.x1, item.x2, Math.min(item.y1, item.y2), Math.max(item.y1, item.y2)]
    case 'rect':
      return [item.x, item.x + item.width, item.y, item.y + item.height]
    case 'circle':
      return [item.x - item.r, item.x + item.r, item.y - item.r, item.y + item.r]
    case 'path':
      return [item.x, item.x + 90 * item.scaleX * 0, item.y, item.y]
  }
}

const label = (index: number, name = `Part ${index}`): Label => ({
  kind: 'code',
  code: `M-12/${index}`,
  name,
  of: 'Juniper · M-12',
})

it('a sheet begins at the chosen cell, goes on to the next sheet, and leaves no label out', () => {
  const { columns, rows, leftMm, pitchXMm } = labelSheet('a4', 'code')
  const labels = Array.from({ length: columns * rows }, (_, index) => label(index + 1))
  const pages = labelPages(labels, { paper: 'a4', firstCell: 3 }, printer)
  expect(pages).toHaveLength(2)
  const codesOn = (page: PrintedPage) => texts(page).filter((text) => /^M-12\/\d+$/.test(text))
  expect(codesOn(pages[0]!)).toHaveLength(columns * rows - 2)
  expect(codesOn(pages[1]!)).toEqual([`M-12/${columns * rows - 1}`, `M-12/${columns * rows}`])
  const first = pages[0]?.items.find((item) => item.kind === 'text')
  expect(first && extent(first)[0]).toBeGreaterThan(leftMm + 2 * pitchXMm)
})

it('refuses a cell that the sheet has not, and no labels at all', () => {
  expect(() => labelPages([label(1)], { paper: 'letter', firstCell: 31 }, printer)).toThrow('from 1 to 30; got 31')
  expect(() => labelPages([], { paper: 'a4', firstCell: 1 }, printer)).toThrow('one at least')
})

it('whatever the names, labels stay inside their cells and no print is too small for arm’s length', () => {
  const given = fc.record({
    paper: fc.constantFrom('a4' as const, 'letter' as const),
    names: fc.array(fc.string({ minLength: 1, maxLength: 120 }), { minLength: 1, maxLength: 12 }),
    kind: fc.constantFrom('code' as const, 'pouch' as const),
  })
  fc.assert(
    fc.property(given, ({ paper, names, kind }) => {
      const labels = names.map((name, index): Label => {
        const parts = names.map((each, number) => ({ number, name: each, count: 2 }))
        return kind === 'code' ? label(index, name) : { kind, code: 'M-12', place: name, of: 'Juniper', parts }
      })
      const sheet = labelSheet(paper, kind)
      const [page] = labelPages(labels.slice(0, 1), { paper, firstCell: 1 }, printer)
      for (const item of page?.items ?? []) {
        const [left, right, top, bottom] = extent(item)
        expect(left).toBeGreaterThanOrEqual(sheet.leftMm - 0.01)
        expect(right).toBeLessThanOrEqual(sheet.leftMm + sheet.widthMm + 0.01)
        expect(top).toBeGreaterThanOrEqual(sheet.topMm - 0.5)
        expect(bottom).toBeLessThanOrEqual(sheet.topMm + sheet.heightMm + 0.01)
        if (item.kind === 'text') expect(item.sizeMm).toBeGreaterThanOrEqual(SMALLEST_MM)
      }
    }),
    { numRuns: 200 },
  )
})

it('a card of 28 parts is one page; of 90 it goes on, every part once, at a size that can be read', () => {
  const short = contentsCardPages(kit(Array.from({ length: 28 }, (_, index) => part(index + 1))), 'a4', printer)
  expect(short).toHaveLength(1)
  expect(texts(short[0]!)).toEqual(expect.arrayContaining(['Juniper', 'M-12', 'weighed packed, kg', 'Lid', 'Tray']))
  const pages = contentsCardPages(kit(Array.from({ length: 90 }, (_, index) => part(index + 1))), 'letter', printer)
  expect(pages.length).toBeGreaterThan(1)
  const names = pages.flatMap(texts).filter((text) => /^Part \d+$/.test(text))
  expect(names).toEqual(Array.from({ length: 90 }, (_, index) => `Part ${index + 1}`))
  for (const page of pages)
    for (const item of page.items) {
      const [left, right, top, bottom] = extent(item)
      expect(left).toBeGreaterThanOrEqual(0)
      expect(right).toBeLessThanOrEqual(page.widthMm)
      expect(top).toBeGreaterThanOrEqual(0)
      expect(bottom).toBeLessThanOrEqual(page.heightMm)
    }
})

it('cautions follow from what is in the case', () => {
  const heavy = kit([part(1, { role: 'counterweight', massG: 11_000 }), part(2, { role: 'coin-cell' })])
  const words = texts(contentsCardPages(heavy, 'a4', printer)[0]!).join(' ')
  expect(words).toContain('Two people 11.10 kg')
  expect(words).toContain('Weight on before the tube')
  expect(words).toContain('call 112')
  const light = texts(contentsCardPages(kit([part(1)]), 'a4', printer)[0]!).join(' ')
  expect(light).not.toMatch(/Two people|Coin cell/)
  expect(() => contentsCardPages(kit([]), 'a4', printer)).toThrow('one part at least')
})

it('texts are shortened, broken and sized to their room', () => {
  expect(fitted('Eyepiece', 8, style)).toBe('Eye…')
  expect(wrapped('finder with bracket and screws', 24, style)).toEqual(['finder with', 'bracket and', 'screws'])
  expect(sizeThatFits('abcd', 4, { font: 'sans', mostMm: 9, leastMm: 1, measure })).toBeCloseTo(2)
  expect(sizeThatFits('a'.repeat(100), 4, { font: 'sans', mostMm: 9, leastMm: 3, measure })).toBe(3)
})

it('papers are ISO 216 A4 and ANSI Letter, 8½ × 11 in', () => {
  expect(papers.a4).toEqual({ widthMm: 210, heightMm: 297 })
  expect(papers.letter.widthMm).toBeCloseTo(215.9)
  expect(papers.letter.heightMm).toBeCloseTo(279.4)
})
