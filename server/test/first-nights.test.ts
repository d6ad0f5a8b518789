import type { FirstNights, IssuedGuide } from '@binoculum/contract'
import { toldKey } from '@binoculum/core'
import { handOutBody, kitOf, openLoanOf, startTestServer, testNow, type Agent } from './support.ts'

/** What borrowers tell after an evening. */
let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let token: string
let guide: IssuedGuide
const kitCode = 'M-01'
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  const { kitId, body } = await handOutBody(ines, kitCode)
  const slip = await ines.post<{ guidePath: string }>(`/api/kits/${kitId}/hand-out`, body)
  token = slip.body.guidePath.split('/').at(-1) ?? ''
  guide = (await ines.get<IssuedGuide>(`/api/loans/${await openLoanOf(ines, kitCode)}/guide`)).body
})
afterAll(() => server.close())
afterEach(() => void (server.time.now = testNow))

const tell = (told: object, of = token) =>
  server.agent().post<{ error: { issues: { path: string }[] } }>(`/api/guides/${of}/nights`, {
    ...{ date: guide.nights[0]?.date, tried: [], saw: [], stop: null },
    ...told,
  })
const toldOf = async () => (await ines.get<FirstNights>(`/api/kits/${kitCode}/first-nights`)).body
const keysOf = (night: IssuedGuide['nights'][number] | undefined) =>
  (night?.targets ?? []).map(({ id }) => toldKey(id))

it('is counted once for each evening, without a word of who told it', async () => {
  const [first = '', second = ''] = keysOf(guide.nights[0])
  const step = guide.texts.en?.setUp[2]
  const told = { tried: [first, second], saw: [first], stop: step?.key }
  expect((await tell(told)).status).toBe(204)
  expect((await tell({ ...told, saw: [first, second] })).status).toBe(204)
  const now = await toldOf()
  expect(now.nights).toBe(1)
  expect(now.targets.map(({ key, tried, saw }) => [key, tried, saw]).sort()).toEqual(
    [
      [first, 1, 1],
      [second, 1, 0],
    ].sort(),
  )
  expect(now.stops).toEqual([expect.objectContaining({ key: step?.key, nights: 1 })])
  const columns = await server.source.query<{ column_name: string }[]>(
    `SELECT column_name FROM information_schema.columns WHERE table_name IN ('told_target', 'told_stop')`,
  )
  expect([...new Set(columns.map((each) => each.column_name))].sort()).toEqual(
    ['key', 'model_id', 'name', 'nights', 'saw', 'title', 'tried'].sort(),
  )
})

it.each([
  ['an evening to come, by the server’s clock', () => ({ date: guide.nights[1]?.date }), 'date'],
  ['an evening of no loan', () => ({ date: '2026-01-01' }), 'date'],
  ['a target of no such evening', () => ({ date: guide.nights[1]?.date, tried: ['atlantis'] }), 'tried'],
  ['a step that isn’t in the guide', () => ({ date: guide.nights[1]?.date, stop: 'launch' }), 'stop'],
  ['something seen that nobody looked for', () => ({ saw: ['moon'] }), 'saw'],
])('refuses %s', async (what, told, path) => {
  if (!what.startsWith('an evening to come')) server.time.now = new Date(testNow.getTime() + 86_400_000)
  const reply = await tell(told())
  expect(reply.status).toBe(400)
  expect(reply.body.error.issues[0]?.path).toBe(path)
  server.time.now = testNow
  expect((await toldOf()).nights).toBe(1)
})

it('an ended link tells nothing, and another branch reads nothing', async () => {
  expect((await tell({}, 'x'.repeat(30))).status).toBe(404)
  expect((await (await server.signIn('petra')).get(`/api/kits/${kitCode}/first-nights`)).status).toBe(404)
})

it('ranks the targets of the next guide of the model', async () => {
  const evening = guide.nights[0]
  const [best = '', ...others] = keysOf(evening)
  const last = others.at(-1) ?? ''
  const { modelId } = await server.source
    .query<{ modelId: string }[]>('SELECT model_id AS "modelId" FROM kit WHERE id = $1', [
      (await kitOf(ines, kitCode)).id,
    ])
    .then(([row]) => row ?? { modelId: '' })
  await server.source.query(
    `INSERT INTO told_target (model_id, key, name, tried, saw) VALUES ($1, $2, 'a', 20, 1), ($1, $3, 'b', 20, 20)
     ON CONFLICT (model_id, key) DO UPDATE SET tried = excluded.tried, saw = excluded.saw`,
    [modelId, best, last],
  )
  const other = await server.source.query<{ code: string }[]>(
    'SELECT code FROM kit WHERE model_id = $1 AND code <> $2 ORDER BY code',
    [modelId, kitCode],
  )
  expect(other.length).toBeGreaterThan(0)
  // The same kit once more: its loan is taken back and it goes out again.
  await server.source.query(
    `UPDATE loan SET state = 'back', back_at = $1 WHERE state = 'out' AND kit_id = (SELECT id FROM kit WHERE code = $2)`,
    [testNow, kitCode],
  )
  const { kitId, body } = await handOutBody(ines, kitCode)
  const slip = await ines.post<{ loanId: string }>(`/api/kits/${kitId}/hand-out`, body)
  const next = (await ines.get<IssuedGuide>(`/api/loans/${slip.body.loanId}/guide`)).body.nights[0]
  const keys = keysOf(next)
  expect(keys[0]).toBe(last)
  expect(keys.at(-1)).toBe(best)
  expect(next?.targets[0]?.told).toEqual({ tried: 20, saw: 20 })
})
