import { tapePages, type Tape } from './tape.ts'

const printer = {
  measure: (text: string, _font: string, sizeMm: number) => text.length * sizeMm * 0.5,
  codes: { qr: () => ({ d: '', width: 0, height: 0 }), code128: () => ({ d: '', width: 0, height: 0 }) },
}
const tape = (rest: Partial<Tape> = {}): Tape => ({
  kit: 'Sorrel',
  code: 'M-03',
  marks: [
    { name: 'lightest', mm: -7, usual: false },
    { name: 'usual', mm: 0, usual: true },
    { name: 'heaviest', mm: 24, usual: false },
  ],
  ...rest,
})
const upright = (pages: ReturnType<typeof tapePages>) =>
  (pages[0]?.items ?? []).flatMap((item) =>
    item.kind === 'line' && item.x1 === item.x2 && item.strokeMm >= 0.35 ? [item] : [],
  )

it('is drawn at true size: marks as far apart as they are on the tube, the usual one heaviest', () => {
  const marks = upright(tapePages([tape()], 'a4', printer)).sort((a, b) => a.x1 - b.x1)
  expect(marks.map(({ x1 }) => x1 - 105)).toEqual([-7, 0, 24])
  expect(marks[1]?.strokeMm).toBeGreaterThan(marks[0]?.strokeMm ?? 1)
})

it('has a bar of 100 mm to check the printer by, and says which end is the sky', () => {
  const items = tapePages([tape()], 'letter', printer)[0]?.items ?? []
  const bars = items.filter((item) => item.kind === 'line' && Math.abs(item.x2 - item.x1 - 100) < 1e-9)
  expect(bars).toHaveLength(1)
  const words = items.flatMap((item) => (item.kind === 'text' ? [item.text] : []))
  expect(words).toContain('sky')
  // The paper's font has no arrows: a sign it lacks is printed as a question mark.
  expect(words.filter((each) => /[\u2190-\u21ff]/.test(each))).toEqual([])
})

it('many kits go on several pages, none off its edge', () => {
  const pages = tapePages(
    Array.from({ length: 20 }, () => tape()),
    'a4',
    printer,
  )
  expect(pages.length).toBeGreaterThan(1)
  for (const { items, heightMm } of pages)
    for (const item of items) if (item.kind === 'rect') expect(item.y + item.height).toBeLessThan(heightMm)
})

it('marks further apart than the paper is wide are refused by name', () => {
  const wide = tape({ marks: [{ name: 'heaviest', mm: 140, usual: false }] })
  expect(() => tapePages([wide], 'a4', printer)).toThrow(/Sorrel.*140 mm/)
})
