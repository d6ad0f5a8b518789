import type { ShelfKit } from '@binoculum/contract'
import { readingText } from '../../shared/reading-text.ts'
import { filterKits, groupKits } from './shelf-groups.ts'

const kit = (name: string, rest: Partial<ShelfKit> = {}): ShelfKit => ({
  id: name,
  branchId: 'library',
  code: name.slice(0, 1),
  name,
  family: 'tabletop-reflector',
  modelName: 'tabletop reflector 110/480',
  group: 'shelf',
  place: 'bay 1',
  condition: 'full',
  reasons: [],
  readings: [],
  loan: null,
  next: null,
  version: 1,
  look: null,
  ...rest,
})
const next = (atUtc: string) => ({ loanId: 'l', borrower: 'Mira', atUtc })
const loan = (dueAtUtc: string) => ({ id: 'l', code: 'L-1', borrower: 'Mira Quill', dueAtUtc, daysLate: 0 })

it('groups by where kits are, in the order people ask, and leaves empty groups out', () => {
  const groups = groupKits([
    kit('A', { group: 'held' }),
    kit('B'),
    kit('C', { group: 'out', loan: loan('2026-01-01') }),
  ])
  expect(groups.map(({ key }) => key)).toEqual(['shelf', 'out', 'held'])
})

it('puts the soonest hand-out first at the bench and the soonest return first among those out', () => {
  const bench = ['2026-03-05', '2026-03-01'].map((at, index) => kit(`B${index}`, { group: 'bench', next: next(at) }))
  const out = ['2026-03-09', '2026-03-02'].map((at, index) => kit(`O${index}`, { group: 'out', loan: loan(at) }))
  const groups = groupKits([kit('B9', { group: 'bench' }), ...bench, ...out])
  expect(groups.map(({ kits }) => kits.map(({ name }) => name))).toEqual([
    ['O1', 'O0'],
    ['B1', 'B0', 'B9'],
  ])
})

it('filters by all words, branch and condition together', () => {
  const kits = [
    kit('Yarrow'),
    kit('Tansy', { branchId: 'club' }),
    kit('Hazel', { loan: loan('2026-01-01'), condition: 'half' }),
  ]
  const names = (filter: Partial<Parameters<typeof filterKits>[1]>) =>
    filterKits(kits, { text: '', branchId: '', condition: '', ...filter }).map(({ name }) => name)
  expect(names({ text: 'TAB yar' })).toEqual(['Yarrow'])
  expect(names({ text: 'quill' })).toEqual(['Hazel'])
  expect(names({ branchId: 'club' })).toEqual(['Tansy'])
  expect(names({ condition: 'half' })).toEqual(['Hazel'])
})

it('shows figures with their unit and judged ones as a word', () => {
  const reading = {
    asFound: null,
    limit: 1,
    good: null,
    source: 'typed' as const,
    atUtc: '',
    by: '',
    uncertainty: null,
  }
  expect(readingText({ ...reading, kind: 'collimation', asLeft: 0.44, unit: 'mm' })).toBe('0.4 mm')
  expect(readingText({ ...reading, kind: 'finder', asLeft: 12.4, unit: 'arcmin' })).toBe('12′')
  expect(readingText({ ...reading, kind: 'glass', asLeft: 1, unit: 'judged' })).toBe('not fine')
})
