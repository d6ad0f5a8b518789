import 'fake-indexeddb/auto'
import type { DraftEntries, TakeBackForm } from '@binoculum/contract'
import { createPinia, setActivePinia } from 'pinia'
import { effectScope, type EffectScope } from 'vue'
import { z } from 'zod'
import { draftStore } from '../../shared/draft-store.ts'
import { idOf } from '../../testing/ids.ts'
import { sentKit, testPart } from '../../testing/kit-sheet.ts'
import { useTakeBack } from './use-take-back.ts'

class SilentSource {
  close() {}
}
Object.assign(globalThis, { EventSource: SilentSource })

interface Sent {
  readonly idempotencyKey: string
  readonly outcome: string
  readonly marks: readonly { partId: string; mark: string; presentCount: number }[]
  readonly cellAnswer: unknown
}

let loans = 0
let loanId: string
let scope: EffectScope
let form: TakeBackForm
let sent: Sent[]
/** What the server does with the next take-back. */
let answers: ('taken' | 'lost' | 'refused' | 'other desk was first')[]
let entries: DraftEntries

const json = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status })
const refusal = (code: string, status: number, details?: unknown) =>
  json({ error: { code, message: code, details } }, status)

beforeEach(() => {
  setActivePinia(createPinia())
  loanId = idOf(`loan-${++loans}`)
  scope = effectScope()
  sent = []
  answers = []
  entries = {}
  form = {
    loan: {
      id: loanId,
      code: 'L-0001',
      state: 'out',
      borrower: 'Nell Teague',
      contact: 'nell@post.example',
      outAtUtc: '2026-03-01T10:00:00Z',
      dueAtUtc: '2026-03-12T10:00:00Z',
      daysLate: 0,
      version: 3,
    },
    kit: sentKit({
      parts: [
        testPart('tube', { role: 'tube', criticality: 'essential', optics: { focalLengthMm: 25 } }),
        testPart('caps', { role: 'eyepiece-cap', criticality: 'protective', count: 4 }),
        testPart('slug', { role: 'weight-slug', criticality: 'essential', lookEveryTime: true }),
        testPart('cell', { role: 'coin-cell', criticality: 'consumable', lookEveryTime: true }),
        testPart('rod', { role: 'slow-motion-rod' }),
      ],
    }),
    kept: null,
    isLatest: true,
    lookAlikes: [],
    lossChances: {},
  }
  const readings = form.kit.readings.map((reading) => ({ ...reading, atUtc: new Date().toISOString() }))
  form = { ...form, kit: { ...form.kit, readings } }
  globalThis.fetch = (async (path: string, options: RequestInit) => {
    if (path.endsWith('/draft')) {
      if (options.method === 'POST') {
        entries = { ...entries, ...(JSON.parse(String(options.body)) as { entries: DraftEntries }).entries }
      }
      return json({ entries, version: Object.keys(entries).length })
    }
    if (options.method === 'GET') return json(form)
    sent.push(JSON.parse(String(options.body)) as Sent)
    const answer = answers.shift() ?? 'taken'
    if (answer === 'lost') throw new TypeError('failed to fetch')
    if (answer === 'refused') return refusal('MARKS_INCOMPLETE', 422)
    if (answer === 'other desk was first')
      return refusal('LOAN_CLOSED', 409, { theirs: { by: 'Kofi', marks: [] }, yours: { marks: [] }, loanVersion: 4 })
    return json({ loanId, kitCode: 'M-03', proposed: 'shelf', outcome: sent.at(-1)?.outcome, condition: 'full' })
  }) as typeof fetch
})
afterEach(() => scope.stop())

async function open() {
  const back = scope.run(() => useTakeBack(loanId))
  if (!back) throw new Error('not opened')
  await until(() => back.form.value !== null && back.shared.ready.value)
  await new Promise((resolve) => setTimeout(resolve, 0))
  return back
}
async function until(is: () => boolean) {
  for (let tries = 0; tries < 200 && !is(); tries++) await new Promise((resolve) => setTimeout(resolve, 5))
  expect(is()).toBe(true)
}
type Back = Awaited<ReturnType<typeof open>>
const marksOf = (back: Back) =>
  Object.fromEntries(
    Object.entries(back.draft.value.marks).map(([id, { mark }]) => [
      form.kit.parts.find((part) => part.id === id)?.name,
      mark,
    ]),
  )
const current = (back: Back) => back.current.value?.name

it('all the rest, and Space at each part that needs its look: then the pencil goes on by itself', async () => {
  const back = await open()
  back.markRest()
  expect([marksOf(back), current(back)]).toEqual([{ tube: 'present', caps: 'present' }, 'slug'])
  back.mark('present')
  expect(current(back)).toBe('cell')
  back.mark('present')
  expect(marksOf(back)).toEqual({
    tube: 'present',
    caps: 'present',
    slug: 'present',
    cell: 'present',
    rod: 'present',
  })
  expect([back.looked.value, back.proposed.value]).toEqual([5, 'shelf'])
})

it('a part that is off ends “all the rest”: the rest is not ticked behind one’s back', async () => {
  const back = await open()
  back.markRest()
  back.mark('missing')
  expect(marksOf(back)).toEqual({ tube: 'present', caps: 'present', slug: 'missing' })
  back.mark('present')
  expect(marksOf(back)).not.toHaveProperty('rod')
})

it('every act is undone in its turn, back to nothing', async () => {
  const back = await open()
  back.markRest()
  back.mark('missing')
  back.count(1)
  while (back.undoable.value.length > 0) back.undo()
  expect(marksOf(back)).toEqual({})
})

it('a missing slug holds the kit, whatever is chosen', async () => {
  const back = await open()
  back.goTo(idOf('slug'))
  back.mark('missing')
  back.choose('shelf')
  expect(back.never.value.length).toBeGreaterThan(0)
  expect(back.chosen.value).toBe('hold')
  await back.finish()
  expect(sent[0]?.outcome).toBe('hold')
})

it('a laxer outcome than proposed is told apart, a stricter one is not', async () => {
  const back = await open()
  back.goTo(idOf('tube'))
  back.mark('damaged')
  for (const id of ['caps', 'slug', 'cell', 'rod']) {
    back.goTo(idOf(id))
    back.mark('present')
  }
  expect(back.proposed.value).toBe('bench')
  back.choose('shelf')
  expect(back.isLax.value).toBe(true)
  back.choose('hold')
  expect(back.isLax.value).toBe(false)
})

it('a missing coin cell stops everything until it is answered; found again, the answer is not sent', async () => {
  const back = await open()
  back.goTo(idOf('cell'))
  back.mark('missing')
  expect(back.asksForCell.value).toBe(true)
  await back.finish()
  expect(sent).toEqual([])
  const cell = { whereIsIt: 'at home', couldAChildHaveIt: 'not-sure', spokeTo: 'Nell' }
  back.shared.set('cell', cell)
  expect(back.asksForCell.value).toBe(false)
  back.goTo(idOf('cell'))
  back.mark('present')
  await back.finish()
  expect(sent[0]?.cellAnswer).toBeNull()
})

it('after a lost answer the next try carries the same key, even in another window; then it is forgotten', async () => {
  answers = ['lost', 'taken']
  const first = await open()
  await first.finish()
  expect(first.problem.value?.code).toBe('NO_CONNECTION')
  scope.stop()
  scope = effectScope()
  const second = await open()
  await second.finish()
  expect(sent).toHaveLength(2)
  expect(sent[1]?.idempotencyKey).toBe(sent[0]?.idempotencyKey)
  expect(second.result.value).toMatchObject({ kitCode: 'M-03' })
  expect(await draftStore.read(z.string(), `take-back key ${loanId}`)).toBeNull()
  expect(await draftStore.read(z.string(), `take-back ${loanId}`)).toBeNull()
})

it('after a refusal the corrected form is a new write', async () => {
  answers = ['refused', 'taken']
  const back = await open()
  await back.finish()
  expect(back.problem.value?.code).toBe('MARKS_INCOMPLETE')
  await back.finish()
  expect(sent[1]?.idempotencyKey).not.toBe(sent[0]?.idempotencyKey)
})

it('when another desk was first both versions are there, and the own marks stay', async () => {
  answers = ['other desk was first']
  const back = await open()
  back.mark('damaged')
  await back.finish()
  expect(back.conflict.value).toMatchObject({ theirs: { by: 'Kofi' } })
  expect(marksOf(back)).toEqual({ tube: 'damaged' })
})

it('a double key on Done sends once', async () => {
  const back = await open()
  await Promise.all([back.finish(), back.finish()])
  expect(sent).toHaveLength(1)
})

it('what the weight points at is looked for first: a tick there is taken back, other marks stay', async () => {
  const back = await open()
  back.markRest()
  back.goTo(idOf('rod'))
  back.mark('damaged')
  back.lookFirst([idOf('caps'), idOf('rod')])
  expect([current(back), marksOf(back)]).toEqual(['caps', { tube: 'present', rod: 'damaged' }])
  back.undo()
  expect(marksOf(back)).toMatchObject({ caps: 'present' })
})

it('a weighing is kept by its group, replaced and cleared', async () => {
  const back = await open()
  const taken = { group: 'tray', measuredG: 500, scaleStepG: 1, containerG: 0, source: 'typed' }
  back.weigh(taken)
  back.weigh({ ...taken, measuredG: 510 } as never)
  expect(back.draft.value.weighings).toEqual([{ ...taken, measuredG: 510 }])
  back.clearWeighing('tray')
  expect(back.draft.value.weighings).toEqual([])
})

it('what was off when the kit left is marked from the start, and the pencil begins where it was left', async () => {
  form = {
    ...form,
    kit: {
      ...form.kit,
      parts: form.kit.parts.map((part) =>
        part.name === 'rod' ? { ...part, mark: 'missing', presentCount: 0 } : part,
      ),
    },
  }
  const first = await open()
  expect(marksOf(first)).toEqual({ rod: 'missing' })
  first.mark('present')
  await until(() => first.shared.unsent.value === 0)
  scope.stop()
  scope = effectScope()
  const second = await open()
  expect(second.shared.wasKept.value).toBe(true)
  expect([current(second), marksOf(second)]).toEqual(['caps', { rod: 'missing', tube: 'present' }])
})

it('Done on an untouched card is “to be gone through”: nothing is called present that nobody looked at', async () => {
  const back = await open()
  expect([back.unseen.value, back.proposed.value]).toEqual([5, 'to-go-through'])
  back.choose('shelf')
  expect(back.choices.value).toEqual(['to-go-through', 'bench', 'hold'])
  await back.finish()
  expect(sent[0]).toMatchObject({ outcome: 'to-go-through', marks: [] })
})

it('a note and a picture leave the mark as it is, made or not', async () => {
  const back = await open()
  back.detail({ note: 'label half off' })
  expect(marksOf(back)).toEqual({ tube: 'unseen' })
  expect(back.unseen.value).toBe(5)
  back.goTo(idOf('rod'))
  back.mark('present')
  back.goTo(idOf('rod'))
  back.detail({ pictureIds: [idOf('picture')] })
  expect(back.draft.value.marks[idOf('rod')]).toMatchObject({ mark: 'present', pictureIds: [idOf('picture')] })
  await back.finish()
  expect(sent[0]?.marks).toContainEqual(
    expect.objectContaining({ partId: idOf('tube'), mark: 'unseen', note: 'label half off' }),
  )
})

it('a note that was being typed stays with its part when a scan moves the pencil', async () => {
  const back = await open()
  back.goTo(idOf('rod'))
  back.detail({ note: 'bent' }, idOf('tube'))
  expect(back.draft.value.marks[idOf('tube')]).toMatchObject({ note: 'bent', mark: 'unseen' })
  expect(back.draft.value.marks[idOf('rod')]).toBeUndefined()
})

it('a cell that is here after all is cured from the card, at any desk and after a reload; and undo outlives it too', async () => {
  const first = await open()
  first.goTo(idOf('cell'))
  first.mark('missing')
  await until(() => first.shared.unsent.value === 0)
  scope.stop()
  scope = effectScope()
  const second = await open()
  expect(second.asksForCell.value).toBe(true)
  await until(() => second.undoable.value.length === 1)
  second.cellFound()
  expect([marksOf(second).cell, second.asksForCell.value]).toEqual(['present', false])
  second.undo()
  second.undo()
  expect(marksOf(second)).toEqual({})
})

it('what isn’t on the card is kept with whose it may be, and can be taken off again', async () => {
  const back = await open()
  back.addExtra({ name: 'Eyepiece 9 mm', count: 1, belongsTo: 'Tansy', note: '', pictureIds: [] })
  const [id = ''] = Object.keys(back.draft.value.extras)
  expect(back.judgement.value?.reasons).toContainEqual(
    expect.objectContaining({ code: 'EXTRA_PART', figures: { part: 'Eyepiece 9 mm', belongsTo: 'Tansy' } }),
  )
  back.dropExtra(id)
  expect(back.draft.value.extras).toEqual({})
})

it('more pieces than the card says are counted, not refused', async () => {
  const back = await open()
  back.goTo(idOf('caps'))
  back.count(1)
  expect(back.draft.value.marks[idOf('caps')]).toMatchObject({ mark: 'present', presentCount: 5 })
})

it('a correction begins with the card as it stands and sends only what differs', async () => {
  form = { ...form, loan: { ...form.loan, state: 'back' } }
  const back = scope.run(() => useTakeBack(loanId, { correcting: true }))
  if (!back) throw new Error('not opened')
  await until(() => Object.keys(back.draft.value.marks).length === 5)
  back.goTo(idOf('rod'))
  back.mark('missing')
  await back.finish()
  expect(sent).toHaveLength(1)
  expect(sent[0]?.marks).toEqual([expect.objectContaining({ partId: idOf('rod'), mark: 'missing', presentCount: 0 })])
})
