import { followUpsOf, nextFollowUp } from './follow-up.ts'
import { judgeReadiness } from '../readiness/judge.ts'

const part = (
  id: string,
  role: Parameters<typeof followUpsOf>[0][number]['role'],
  mark: 'missing' | 'damaged' | 'wrong' | 'present',
) => ({
  id,
  role,
  mark,
})

it('missing and wrong are looked for, damaged is mended, present needs nothing', () => {
  const found = followUpsOf([
    part('a', 'focuser-cap', 'missing'),
    part('b', 'eyepiece', 'wrong'),
    part('c', 'front-cap', 'damaged'),
    part('d', 'tube', 'present'),
    part('e', 'screw-in-sun-filter', 'missing'),
  ])
  expect(found.map(({ partId, code }) => [partId, code])).toEqual([
    ['a', 'look-for-part'],
    ['b', 'look-for-part'],
    ['c', 'mend-part'],
  ])
})

it('look, ask, then the drawer or the shop; an order that came is put in', () => {
  expect(nextFollowUp('look-for-part', { spareThere: true })).toBe('ask-borrower')
  expect(nextFollowUp('ask-borrower', { spareThere: true })).toBe('replace-from-drawer')
  expect(nextFollowUp('ask-borrower', { spareThere: false })).toBe('order-part')
  expect(nextFollowUp('order-part', { spareThere: false })).toBeNull()
})

const judged = (code: 'look-for-part' | 'fleet-notice' | 'fleet-stop' | 'kit-stolen') =>
  judgeReadiness({
    model: {
      family: 'tabletop-reflector',
      optics: { apertureMm: 110, focalLengthMm: 480, kind: 'newtonian', collimatable: true },
      highestMagnification: 45,
    },
    parts: [{ role: 'tube', mark: 'present' }],
    readings: (['glass', 'stand', 'collimation', 'finder', 'pack'] as const).map((kind) => ({
      kind,
      value: 0,
      limit: 1,
      source: 'measured' as const,
      atUtc: '2026-03-01T10:00:00Z',
    })),
    hazards: [],
    openJobs: [{ code, text: '' }],
    policies: { maxAgeDays: 365, collimation: 'leave-it-to-us' },
    atUtc: '2026-03-02T10:00:00Z',
  })

it.each([
  ['look-for-part', 'full', 'coordinator'],
  ['fleet-notice', 'half', 'coordinator'],
  ['fleet-stop', 'new', 'coordinator'],
  ['kit-stolen', 'new', 'never'],
] as const)('an open job %s makes the kit %s', (code, condition, overrule) => {
  const { condition: found, reasons } = judged(code)
  expect([found, reasons[0]?.overrule]).toEqual([condition, overrule])
})

it('what can’t be mended is replaced: from the drawer where one lies there, else ordered', () => {
  expect(nextFollowUp('mend-part', { spareThere: true })).toBe('replace-from-drawer')
  expect(nextFollowUp('mend-part', { spareThere: false })).toBe('order-part')
  expect(nextFollowUp('replace-from-drawer', { spareThere: true })).toBe('order-part')
  expect(nextFollowUp('order-part', { spareThere: true })).toBe('replace-from-drawer')
})
