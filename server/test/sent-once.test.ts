import { randomUUID } from 'node:crypto'
import type { KitSheet, Slip } from '@binoculum/contract'
import { handOutBody, kitOf, startTestServer, type Agent } from './support.ts'

/** What is sent twice is done once: for the same person, the same act and the same thing, while the rights last. */
let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kofi: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  kofi = await server.signIn('kofi')
})
afterAll(() => server.close())

type Refusal = { error: { code: string } }
const packed = [{ station: 'pack', asFound: 'fine', asLeft: 'fine', what: '', note: '', minutes: 1 }]
const checkBody = (kit: KitSheet, idempotencyKey: string) => ({
  ...{ idempotencyKey, kitVersion: kit.version, stations: packed, doneJobIds: [], backToShelf: false },
})
const checksOf = async (kit: KitSheet): Promise<number> => {
  const rows: { n: number }[] = await server.source.query(
    'SELECT count(*)::int AS n FROM bench_check WHERE kit_id = $1',
    [kit.id],
  )
  return rows[0]?.n ?? NaN
}

it('a key of one kit opens no other one, of one’s own branch or of another', async () => {
  const key = randomUUID()
  const [own, other] = [await kitOf(kofi, 'M-06'), await kitOf(kofi, 'M-03')]
  expect((await kofi.post(`/api/kits/${own.id}/checks`, checkBody(own, key))).status).toBe(200)
  const checks = await checksOf(other)
  const [far]: { id: string }[] = await server.source.query(`SELECT id FROM kit WHERE code = 'F-05'`)
  for (const id of [other.id, far?.id]) {
    const reply = await kofi.post<Refusal>(`/api/kits/${id}/checks`, checkBody(other, key))
    expect([reply.status, reply.body.error.code]).toEqual([409, 'KEY_REUSED'])
    expect(JSON.stringify(reply.body)).not.toContain('parts')
  }
  expect(await checksOf(other)).toBe(checks)
  // Nor another act on the same kit.
  const weighing = { idempotencyKey: key, kitVersion: own.version + 1, weighings: [], sure: false }
  const scale = { group: '', measuredG: 100, scaleStepG: 1, containerG: 0, source: 'typed' }
  const reply = await kofi.post<Refusal>(`/api/kits/${own.id}/weighings`, { ...weighing, weighings: [scale] })
  expect(reply.body.error.code).toBe('KEY_REUSED')
})

it('a spare’s key is bound to the kit it went into too: no kept answer of one kit behind the rights for another', async () => {
  const { spares } = (await ines.get<{ spares: { id: string; branchId: string; count: number }[] }>('/api/spares'))
    .body
  const [into, other] = [await kitOf(ines, 'M-06'), await kitOf(ines, 'M-03')]
  const spare = spares.find(({ branchId, count }) => branchId === into.branchId && count > 1)
  const body = { idempotencyKey: randomUUID(), kitId: into.id, kitVersion: into.version }
  expect((await ines.post(`/api/spares/${spare?.id}/add`, body)).status).toBe(200)
  const reply = await ines.post<Refusal>(`/api/spares/${spare?.id}/add`, { ...body, kitId: other.id })
  expect([reply.status, reply.body.error.code]).toEqual([409, 'KEY_REUSED'])
})

it('a kept answer is given only while the rights last', async () => {
  const key = randomUUID()
  const kit = await kitOf(kofi, 'M-09')
  const before = await checksOf(kit)
  expect((await kofi.post(`/api/kits/${kit.id}/checks`, checkBody(kit, key))).status).toBe(200)
  expect((await kofi.post(`/api/kits/${kit.id}/checks`, checkBody(kit, key))).status).toBe(200)
  expect(await checksOf(kit)).toBe(before + 1)
  await server.source.query(
    `UPDATE membership SET role = 'read-only' FROM staff s
     WHERE s.id = membership.staff_id AND s.email LIKE 'kofi%' AND membership.branch_id = $1`,
    [kit.branchId],
  )
  const refused = await kofi.post<Refusal>(`/api/kits/${kit.id}/checks`, checkBody(kit, key))
  expect([refused.status, refused.body.error.code]).toEqual([403, 'NOT_ALLOWED'])
})

it('what is kept of a hand-out names nobody; sent again it gives the same loan with a link of its own', async () => {
  const { kitId, body } = await handOutBody(ines, 'M-03', {
    borrower: { name: 'Odo Quill', contact: 'odo@post.example' },
  })
  const first = await ines.post<Slip>(`/api/kits/${kitId}/hand-out`, body)
  const again = await ines.post<Slip>(`/api/kits/${kitId}/hand-out`, body)
  expect([first.status, again.status]).toEqual([200, 200])
  expect(again.body).toMatchObject({ loanId: first.body.loanId, borrower: 'Odo Quill' })
  expect(again.body.guidePath).toMatch(/^\/g\//)
  expect(again.body.guidePath).not.toBe(first.body.guidePath)
  const [kept]: { answer: object }[] = await server.source.query('SELECT answer FROM sent_once WHERE key = $1', [
    body.idempotencyKey,
  ])
  expect(kept?.answer).toEqual({ loanId: first.body.loanId })
})

it('old answers go with new keys', async () => {
  await server.source.query(`UPDATE sent_once SET created_at = now() - interval '8 days'`)
  const kit = await kitOf(ines, 'M-06')
  const key = randomUUID()
  expect((await ines.post(`/api/kits/${kit.id}/checks`, checkBody(kit, key))).status).toBe(200)
  expect(await server.source.query('SELECT key FROM sent_once')).toEqual([{ key }])
})
