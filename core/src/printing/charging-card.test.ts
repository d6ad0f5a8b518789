import { chargingCardPage, type ChargingCardKit } from './charging-card.ts'

const printer = {
  measure: (text: string, _font: string, sizeMm: number) => text.length * sizeMm * 0.5,
  codes: { qr: () => ({ d: '', width: 1, height: 1 }), code128: () => ({ d: '', width: 1, height: 1 }) },
}
const pack = { role: 'power-pack', name: '12 V pack', mark: 'present' } as const
const charger = { role: 'charger', name: 'Charger of the 12 V pack', mark: 'present' } as const
const kit = (parts: ChargingCardKit['parts']): ChargingCardKit => ({
  ...{ code: 'M-11', name: 'Larkspur', branchName: 'Marrowdale Library', parts },
})
const words = (page: ReturnType<typeof chargingCardPage>) =>
  (page?.items ?? []).flatMap((item) => (item.kind === 'text' ? [item.text] : []))

it('names the pack with its charger, and says where one is missing', () => {
  expect(words(chargingCardPage(kit([pack, charger]), 'a4', printer))).toContain('with: Charger of the 12 V pack')
  const gone = { ...charger, mark: 'missing' } as const
  expect(words(chargingCardPage(kit([pack, gone]), 'a4', printer)).join(' ')).toContain('find it before you charge')
})

it('there is none without a pack in the case', () => {
  expect(chargingCardPage(kit([charger]), 'a4', printer)).toBeNull()
  expect(chargingCardPage(kit([{ ...pack, mark: 'missing' }, charger]), 'a4', printer)).toBeNull()
})

it.each(['a4', 'letter'] as const)(
  'nothing runs over the edge of %s, and the table begins below the words',
  (paper) => {
    const page = chargingCardPage(kit([pack, charger]), paper, printer)
    const lines = (page?.items ?? []).flatMap((item) => (item.kind === 'line' ? [item] : []))
    const rows = lines.filter(({ y1, y2, x1, x2 }) => y1 === y2 && x2 - x1 > 100 && y1 > 60)
    expect(rows.length).toBeGreaterThan(14)
    expect(Math.max(...rows.map(({ y1 }) => y1))).toBeLessThan((page?.heightMm ?? 0) - 14)
    const above = (page?.items ?? []).flatMap((item) => (item.kind === 'text' && item.y < 123 ? [item.y] : []))
    const top = Math.min(...rows.map(({ y1 }) => y1))
    expect(Math.max(...above.filter((y) => y < top - 3))).toBeLessThan(top - 5)
    expect(words(page)).toEqual(expect.arrayContaining(['gauge before', 'off at']))
  },
)
