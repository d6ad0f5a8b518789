import type { HandOutForm } from '@binoculum/contract'
import { testKit } from '../../testing/kit-sheet.ts'
import { draftSlip } from './draft-slip.ts'

const dueAt = (zone: string, dueOn: string, returnTime = '17:00') =>
  draftSlip({ kit: testKit({ zone }), dueOn: '2026-03-26', returnTime } as HandOutForm, {
    borrower: 'Mira Quill',
    dueOn,
    missing: 0,
    massG: 0,
    outAtUtc: '2026-03-12T12:00:00.000Z',
  }).dueAtUtc

it('a draft’s return is the branch’s wall clock, before and after its summer time begins', () => {
  expect(dueAt('Europe/Dublin', '')).toBe('2026-03-26T17:00:00.000Z')
  expect(dueAt('Europe/Dublin', '2026-03-30')).toBe('2026-03-30T16:00:00.000Z')
  expect(dueAt('Pacific/Auckland', '2026-03-30')).toBe('2026-03-30T04:00:00.000Z')
})

it('an hour that the clocks skip is moved on with them', () => {
  expect(dueAt('Europe/Dublin', '2026-03-29', '01:30')).toBe('2026-03-29T01:30:00.000Z')
})
