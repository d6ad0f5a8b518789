import type { Desk, HandOutForm, LoanSheet } from '@binoculum/contract'
import { handOutBody, startTestServer, testNow, type Agent } from './support.ts'

/** The lesson before a promised kit is fetched. */
let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let loanId: string
let code: string
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  // Promised for today and fit: nothing else stands in its way.
  const { handOuts } = (await ines.get<Desk>('/api/desk')).body
  const promised = handOuts.find(({ condition }) => condition === 'full' || condition === 'half')
  if (!promised) throw new Error('the demo promises no fit kit for today')
  loanId = promised.id
  code = promised.kitCode
})
afterAll(() => server.close())

const offer = async (agent = ines) => agent.post<{ lessonPath: string }>(`/api/promises/${loanId}/lesson`)
const tokenOf = async () => (await offer()).body.lessonPath.split('/').at(-1) ?? ''
const doneAt = async () => (await ines.get<LoanSheet>(`/api/loans/${loanId}`)).body.lessonDoneAtUtc
const done = (token: string) => server.agent().post(`/api/lessons/${token}/done`)

it('another link ends the one before, and nobody of another branch makes one', async () => {
  const first = await tokenOf()
  const second = await tokenOf()
  expect((await done(first)).status).toBe(404)
  expect((await offer(await server.signIn('petra'))).status).toBe(404)
  expect((await server.agent().post(`/api/promises/${loanId}/lesson`)).status).toBe(401)
  expect(await doneAt()).toBeNull()
  // The lesson isn't the guide: its link opens none and tells nothing else.
  for (const path of [`/api/guides/${second}`, `/g/${second}`])
    expect((await server.agent().get(path)).status).toBe(404)
})

it('is done once, by the server’s clock, and the desk sees it when the kit goes out', async () => {
  const token = await tokenOf()
  expect((await done(token)).status).toBe(204)
  server.time.now = new Date(testNow.getTime() + 60_000)
  expect((await done(token)).status).toBe(204)
  expect(await doneAt()).toBe(testNow.toISOString())
  const [{ count } = { count: 0 }] = await server.source.query<{ count: number }[]>(
    `SELECT count(*)::int AS count FROM record WHERE act = 'lesson-done'`,
  )
  expect(count).toBe(1)
  const form = (await ines.get<HandOutForm>(`/api/kits/${code}/hand-out`)).body
  expect(form.promised?.lessonDoneAtUtc).toBe(testNow.toISOString())
})

it('ends with the hand-out, which needs no lesson, and with a time of its own', async () => {
  const token = await tokenOf()
  server.time.now = new Date(testNow.getTime() + 40 * 86_400_000)
  expect((await done(token)).status).toBe(404)
  server.time.now = testNow
  const { kitId, body } = await handOutBody(ines, code)
  expect((await ines.post(`/api/kits/${kitId}/hand-out`, body)).status).toBe(200)
  expect((await done(token)).status).toBe(404)
  expect((await offer()).status).toBe(404)
})

it('a made-up link opens a page that says what to do', async () => {
  const reply = await server.agent().get<string>(`/l/${'x'.repeat(27)}`)
  expect(reply.status).toBe(404)
  expect(reply.body).toContain('This lesson is over')
})
