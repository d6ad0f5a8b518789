import type { StoryCheck } from '@binoculum/contract'
import { checkRows, comparedSentence } from './compare-words.ts'

const reading = (
  kind: 'collimation' | 'finder' | 'glass',
  asFound: number | null,
  asLeft: number,
  limit: number,
) => ({
  ...{ kind, asFound, asLeft, limit },
  unit: ({ collimation: 'mm', finder: 'arcmin', glass: 'judged' } as const)[kind],
})
const check = (readings: StoryCheck['readings'], stations: StoryCheck['stations'] = []): StoryCheck => ({
  ...{ id: '00000000-0000-4000-8000-000000000001', atUtc: '2026-03-01T18:00:00Z', by: 'Kofi', stations, readings },
})
const earlier = check([
  reading('collimation', 2, 0.4, 1.5),
  reading('finder', 30, 5, 40),
  reading('glass', 0, 0, 0.5),
])
const later = check([
  reading('collimation', 1.9, 0.3, 1.5),
  reading('finder', 15, 4, 40),
  reading('glass', 1, 0, 0.5),
])

it('each figure as found and left, and what became of it in between', () => {
  expect(checkRows(earlier, later)).toEqual([
    {
      what: 'mirror',
      earlier: 'found 2.0 mm, left 0.4 mm',
      later: 'found 1.9 mm, left 0.3 mm',
      limit: '1.5 mm',
      between: '+1.5 mm',
    },
    { what: 'finder', earlier: 'found 30′, left 5′', later: 'found 15′, left 4′', limit: '40′', between: '+10′' },
    { what: 'glass', earlier: 'fine', later: 'found not fine, left fine', limit: '', between: '' },
  ])
})

it('names what moved furthest against its limit', () => {
  expect(comparedSentence(earlier, later)).toBe(
    'Mirror moved most: left at 0.4 mm, found at 1.9 mm, beyond its limit of 1.5 mm.',
  )
  expect(comparedSentence(check([]), later)).toBe('No figure was taken both times.')
})

it('a figure of another limit says both, and one that was only left has no change', () => {
  const changed = check([reading('collimation', null, 0.3, 1.2)])
  expect(checkRows(earlier, changed)[0]).toMatchObject({
    later: 'left 0.3 mm',
    limit: '1.5 mm, then 1.2 mm',
    between: '',
  })
})

it('what was worked at stands below, with its minutes and note', () => {
  const worked = check([], [{ station: 'finder', minutes: 6.2, note: 'knob loose' }])
  expect(checkRows(check([]), worked)).toEqual([
    { what: 'finder, work', earlier: '–', later: '6 min, knob loose', limit: '', between: '' },
  ])
})
