import type { Draft, DraftEntries, LiveEvent } from '@binoculum/contract'
import { effectScope, type EffectScope } from 'vue'
import type { Reads } from './api/client.ts'
import { useSharedDraft, type SharedDraft } from './use-shared-draft.ts'

const loanId = '11111111-1111-4111-8111-111111111111'
const path = `/api/loans/${loanId}/draft`
let kept: Map<string, unknown>
let theirs: Draft
let line: 'up' | 'down' | 'closed'
let tell: (event: LiveEvent | 'reconnected') => void
let scopes: EffectScope[] = []
let gets = 0
/** What a server tells everybody, also who asked, before its answer is back. */
let tellsFirst = false

const store = {
  read: async <T>(reads: Reads<T>, key: string) => {
    const read = reads.safeParse(structuredClone(kept.get(key)))
    return read.success ? read.data : null
  },
  write: async (key: string, value: unknown) => void kept.set(key, structuredClone(value)),
  remove: async (key: string) => void kept.delete(key),
}

beforeEach(() => {
  kept = new Map()
  theirs = { entries: {}, version: 0 }
  line = 'up'
  globalThis.fetch = (async (_path: string, options: RequestInit) => {
    if (line === 'down') throw new TypeError('failed to fetch')
    if (line === 'closed')
      return new Response(JSON.stringify({ error: { code: 'LOAN_CLOSED', message: '' } }), { status: 409 })
    if (options.method !== 'POST') gets++
    else {
      const sent = (JSON.parse(String(options.body)) as { entries: DraftEntries }).entries
      theirs = { entries: { ...theirs.entries, ...sent }, version: theirs.version + 1 }
      if (tellsFirst) tell({ kind: 'draft', loanId, branchId: '', version: theirs.version })
    }
    return new Response(JSON.stringify(theirs))
  }) as typeof fetch
})
afterEach(() => {
  scopes.forEach((scope) => scope.stop())
  scopes = []
})

async function open(): Promise<SharedDraft> {
  const scope = effectScope()
  scopes.push(scope)
  const draft = scope.run(() =>
    useSharedDraft(path, 'take-back 1', () => 'Kofi', { store, hear: (listener) => void (tell = listener) }),
  )
  if (!draft) throw new Error('no draft')
  await until(() => draft.ready.value)
  return draft
}
async function until(is: () => boolean) {
  for (let tries = 0; tries < 200 && !is(); tries++) await new Promise((resolve) => setTimeout(resolve, 10))
  expect(is()).toBe(true)
}

it('is kept here at once and on the server soon after', async () => {
  const draft = await open()
  draft.set('mark a', 'present')
  expect(draft.get('mark a', 'unseen')).toBe('present')
  await until(() => draft.unsent.value === 0)
  expect(theirs.entries['mark a']).toMatchObject({ value: 'present', by: 'Kofi' })
})

it('without a line it goes on, survives a closed window, and sends what waits when the line is back', async () => {
  const first = await open()
  line = 'down'
  first.set('mark a', 'missing')
  await until(() => first.offlineSince.value !== null)
  scopes.forEach((scope) => scope.stop())
  const second = await open()
  expect(second.get('mark a', 'unseen')).toBe('missing')
  expect([second.wasKept.value, second.unsent.value]).toEqual([true, 1])
  line = 'up'
  await second.tryNow()
  await until(() => second.unsent.value === 0 && second.offlineSince.value === null)
  expect(theirs.entries['mark a']?.value).toBe('missing')
})

it('another desk’s mark comes in, and the later one stays', async () => {
  const draft = await open()
  draft.set('mark a', 'present')
  await until(() => draft.unsent.value === 0)
  const later = { value: 'missing', atMs: Date.now() + 50, by: 'Ines' }
  theirs = { entries: { ...theirs.entries, 'mark a': later }, version: theirs.version + 1 }
  tell({ kind: 'draft', loanId, branchId: '', version: theirs.version })
  await until(() => draft.get<string>('mark a', '') === 'missing')
})

it('what this desk sent itself is not fetched again, though everybody is told of it', async () => {
  const draft = await open()
  tellsFirst = true
  gets = 0
  draft.set('mark a', 'present')
  await until(() => draft.unsent.value === 0)
  await new Promise((resolve) => setTimeout(resolve, 20))
  expect(gets).toBe(0)
  tellsFirst = false
  tell({ kind: 'draft', loanId, branchId: '', version: theirs.version + 1 })
  await until(() => gets === 1)
})

it('a draft on this machine that can’t be read any more is no draft', async () => {
  kept.set('take-back 1', { entries: 'all of them' })
  const draft = await open()
  expect([draft.wasKept.value, draft.entries.value]).toEqual([false, {}])
})

it('two changes within a millisecond keep their order', async () => {
  const draft = await open()
  draft.set('mark a', 'present')
  draft.set('mark a', 'missing')
  draft.set('mark a', 'present')
  await until(() => draft.unsent.value === 0)
  expect(theirs.entries['mark a']?.value).toBe('present')
})

it('a loan that another desk has closed is no draft any more', async () => {
  const draft = await open()
  line = 'closed'
  draft.set('mark a', 'present')
  await until(() => draft.closed.value)
  expect(kept.size).toBe(1)
  await draft.discard()
  draft.set('mark b', 'present')
  expect(kept.size).toBe(0)
})
