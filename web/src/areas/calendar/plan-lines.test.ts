import type { WaitingRequest } from '@binoculum/contract'
import { idOf } from '../../testing/ids.ts'
import { suggestedLines, wishWordsOf } from './plan-lines.ts'

const request = (name: string): WaitingRequest => ({
  ...{
    id: idOf(name),
    borrower: name,
    contact: '',
    level: 'first',
    askedAtUtc: '2026-04-01T10:00:00Z',
    kinds: ['tabletop-reflector'],
  },
  ...{
    earliestOn: '2026-04-20',
    latestOn: '2026-05-20',
    lengthDays: 14,
    wantsDark: true,
    note: '',
    state: 'waiting',
  },
  ...{ offer: null, version: 1 },
})
const kits = [
  { id: idOf('Yarrow'), code: 'M-01', name: 'Yarrow', modelName: 'tabletop', family: 'tabletop-reflector' as const },
]
const at = (name: string, from: string) => ({
  requestId: idOf(name),
  kitId: idOf('Yarrow'),
  from,
  until: '2026-06-01',
})
const none = (name: string) => ({ requestId: idOf(name), unserved: true as const })
const names = ['Mira', 'Teo', 'Nell', 'Rhys', 'Ola']

it('each line says who gains what against the order of asking', () => {
  const lines = suggestedLines(
    { requests: names.map(request), kits },
    {
      strict: [
        at('Mira', '2026-04-20'),
        at('Teo', '2026-05-04'),
        at('Nell', '2026-05-05'),
        none('Rhys'),
        at('Ola', '2026-05-06'),
      ],
      plan: [
        at('Mira', '2026-04-20'),
        at('Teo', '2026-05-01'),
        at('Nell', '2026-05-07'),
        at('Rhys', '2026-05-08'),
        at('Ola', '2026-05-06'),
      ],
      gains: [
        { requestId: idOf('Teo'), daysSooner: 3, darkHoursMore: 12.4 },
        { requestId: idOf('Nell'), daysSooner: -2, darkHoursMore: 0 },
        { requestId: idOf('Rhys'), daysSooner: 0, darkHoursMore: 20 },
        { requestId: idOf('Ola'), daysSooner: 0, darkHoursMore: 0.1 },
      ],
      ...{ served: 5, waitDays: 20, proven: true },
    },
  )
  expect(lines.map(({ gain }) => gain)).toEqual([
    'as in the order of asking',
    '3 days sooner, 12 dark hours more',
    '2 days later, so that somebody else is served',
    'would go without in the order of asking',
    'another kit on the same day',
  ])
  expect(lines[0]).toMatchObject({ kitName: 'Yarrow', fromOn: '2026-04-20' })
})

it('who isn’t served has no line', () => {
  const nobody = { strict: [none('Mira')], plan: [none('Mira')], gains: [], served: 0, waitDays: 0, proven: true }
  expect(suggestedLines({ requests: [request('Mira')], kits }, nobody)).toEqual([])
})

it('a wish is said in a line', () => {
  expect(wishWordsOf(request('Mira'))).toBe('Mon 20 Apr to Wed 20 May, for 14 days, dark nights')
})
