import type { Borrower, HandOutForm, Slip } from '@binoculum/contract'
import { effectScope, ref } from 'vue'
import { FakeStorage, testKit } from '../../testing/kit-sheet.ts'
import { idOf } from '../../testing/ids.ts'
import { useHandOut } from './use-hand-out.ts'

const borrower: Borrower = {
  id: 'mira',
  name: 'Mira Quill',
  contact: 'mira@post.example',
  cardNumber: '2100',
  loansBefore: 2,
  level: null,
  branchName: 'Marrowdale Library',
}
const formWith = (rest: Partial<HandOutForm> = {}): HandOutForm => ({
  kit: testKit(),
  agreement: { id: 'agreement', version: 1, text: 'You bring it back.' },
  sunWarning: ['Never.', 'Ever.'],
  dueOn: '2026-03-26',
  returnTime: '17:00',
  promised: null,
  replacementMinor: 0,
  ...rest,
})
const slip: Slip = {
  ...{ loanId: idOf('loan'), loanCode: 'L-0002', kitCode: 'M-03', kitName: 'Sorrel', modelName: '125/600' },
  ...{ branchName: 'Marrowdale', borrower: 'Mira Quill', outAtUtc: '2026-03-12T14:00:00Z' },
  ...{ dueAtUtc: '2026-03-26T17:00:00Z', zone: 'Europe/Dublin', partCount: 5, massG: 9000 },
  ...{ eyepieces: [], notes: [], guidePath: null },
}
let sent: Record<string, unknown> = {}

beforeEach(() => {
  globalThis.localStorage = new FakeStorage()
  globalThis.fetch = (async (_path: string, options: RequestInit) => {
    sent = JSON.parse(String(options.body)) as Record<string, unknown>
    return Response.json(slip)
  }) as typeof fetch
})

function open(form: HandOutForm) {
  const scope = effectScope()
  const made = scope.run(() => useHandOut('M-03', ref(form)))
  if (!made) throw new Error('no scope')
  made.startFrom(form)
  return made
}
const complete = (made: ReturnType<typeof open>) =>
  Object.assign(made.draft.value, {
    adultSeen: true,
    contentsAgreed: true,
    sunAcknowledged: true,
    acceptance: 'screen',
  })

const promiseOf = (to: typeof borrower) => ({
  ...{ loanId: 'loan', borrower: to, atUtc: '2026-03-12T16:00:00Z', fromOn: '2026-03-12' },
  ...{ lessonDoneAtUtc: null, freeUntilOn: null, others: [] },
})

it('starts with whom it was promised to and the usual day', () => {
  const { draft, lines } = open(formWith({ promised: promiseOf(borrower) }))
  expect(draft.value).toMatchObject({ borrower, dueOn: '2026-03-26' })
  expect(lines.value).toMatchObject({ fit: true, borrower: false, return: true, sun: false })
})

it('leads from line to line, the Sun never skipped', () => {
  const made = open(formWith({ promised: promiseOf(borrower) }))
  Object.assign(made.draft.value, { adultSeen: true, contentsAgreed: true, acceptance: 'paper' })
  expect(made.firstOpen.value).toBe('sun')
  made.draft.value.sunAcknowledged = true
  expect(made.firstOpen.value).toBeNull()
})

it('keeps a promise only for the one it was made to', async () => {
  const promised = promiseOf(borrower)
  const kept = open(formWith({ promised }))
  complete(kept)
  await kept.send('key')
  expect(sent).toMatchObject({ promisedLoanId: 'loan', borrower: { id: 'mira' }, idempotencyKey: 'key' })
  kept.discard()

  const other = open(formWith({ promised }))
  complete(other)
  other.draft.value.borrower = { ...borrower, id: 'teo' }
  await other.send('key')
  expect(sent).toMatchObject({ promisedLoanId: null, borrower: { id: 'teo' } })
})

it('somebody new needs a name and a way to be reached', async () => {
  const made = open(formWith())
  complete(made)
  Object.assign(made.draft.value, { isNew: true, name: 'Dara Umber', contact: 'x' })
  expect(made.lines.value.borrower).toBe(false)
  made.draft.value.contact = 'dara@post.example'
  expect(made.lines.value.borrower).toBe(true)
  await made.send('key')
  expect(sent).toMatchObject({ borrower: { name: 'Dara Umber', contact: 'dara@post.example' } })
})

it('an unfit kit opens with a reason; one held for safety never', () => {
  const reason = { code: 'HAZARD', condition: 'new', figures: {}, source: '', remedy: 'none', minutes: 0 } as const
  const unfit = open(
    formWith({ kit: testKit({ condition: 'crescent', reasons: [{ ...reason, overrule: 'coordinator' }] }) }),
  )
  expect(unfit.lines.value.fit).toBe(false)
  unfit.draft.value.overruleReason = 'Moon only'
  expect(unfit.lines.value.fit).toBe(true)
  unfit.discard()
  const held = open(formWith({ kit: testKit({ condition: 'new', reasons: [{ ...reason, overrule: 'never' }] }) }))
  held.draft.value.overruleReason = 'please'
  expect([held.never.value, held.lines.value.fit]).toEqual([true, false])
})

it('an incomplete form is never sent', async () => {
  sent = {}
  await expect(open(formWith()).send('key')).rejects.toThrow('not complete')
  expect(sent).toEqual({})
})
