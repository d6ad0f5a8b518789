import fc from 'fast-check'
import { mergeEntries, type DraftEntries } from './drafts.ts'

const entries = fc.dictionary(
  fc.constantFrom('mark a', 'mark b', 'answer wet', 'outcome'),
  fc.record({
    value: fc.constantFrom<unknown>('present', 'missing', null, true),
    atMs: fc.nat(5),
    by: fc.constantFrom('ines', 'kofi'),
  }),
) as fc.Arbitrary<DraftEntries>

it('two desks come to the same draft, whichever hears of the other first', () => {
  fc.assert(
    fc.property(entries, entries, entries, (a, b, c) => {
      expect(mergeEntries(a, b)).toEqual(mergeEntries(b, a))
      expect(mergeEntries(mergeEntries(a, b), c)).toEqual(mergeEntries(a, mergeEntries(b, c)))
      expect(mergeEntries(a, a)).toEqual(a)
    }),
  )
})

it('the later mark wins, field by field', () => {
  const mine = {
    'mark a': { value: 'present', atMs: 2, by: 'ines' },
    'mark b': { value: 'present', atMs: 1, by: 'ines' },
  }
  const theirs = {
    'mark b': { value: 'missing', atMs: 3, by: 'kofi' },
    'mark a': { value: 'missing', atMs: 1, by: 'kofi' },
  }
  expect(mergeEntries(mine, theirs)).toEqual({ 'mark a': mine['mark a'], 'mark b': theirs['mark b'] })
})
