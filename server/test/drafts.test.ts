import { get } from 'node:http'
import type { Draft, LiveEvent } from '@binoculum/contract'
import { openLoanOf, startTestServer, takeBackBody, testNow, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kofi: Agent
let address = ''
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  kofi = await server.signIn('kofi')
  address = await server.app.listen({ host: '127.0.0.1', port: 0 })
})
afterAll(() => server.close())

const atMs = testNow.getTime()
const entry = (value: unknown, later = 0) => ({ value, atMs: atMs + later, by: 'whoever' })

it('is taken up on another machine where it was left', async () => {
  const loanId = await openLoanOf(kofi, 'M-10')
  await kofi.post(`/api/loans/${loanId}/draft`, {
    entries: { 'mark a': entry('present'), 'answer wet': entry(true) },
  })
  const there = (await ines.get<Draft>(`/api/loans/${loanId}/draft`)).body
  expect(there.entries).toEqual({
    'mark a': { value: 'present', atMs, by: 'Kofi Arden' },
    'answer wet': { value: true, atMs, by: 'Kofi Arden' },
  })
})

it('of two desks the later mark stays, part by part, and sending again changes nothing', async () => {
  const loanId = await openLoanOf(kofi, 'M-11')
  const send = (agent: Agent, entries: object) => agent.post<Draft>(`/api/loans/${loanId}/draft`, { entries })
  await Promise.all([
    send(kofi, { 'mark a': entry('present', 5), 'mark b': entry('present', 1) }),
    send(ines, { 'mark a': entry('missing', 2), 'mark b': entry('missing', 9) }),
  ])
  const { body } = await ines.get<Draft>(`/api/loans/${loanId}/draft`)
  expect([body.entries['mark a']?.value, body.entries['mark b']?.value]).toEqual(['present', 'missing'])
  const again = await send(ines, { 'mark b': entry('missing', 9) })
  expect(again.body.version).toBe(body.version)
})

it('a clock that runs ahead does not win for ever', async () => {
  const loanId = await openLoanOf(kofi, 'M-08')
  const send = (agent: Agent, entries: object) => agent.post<Draft>(`/api/loans/${loanId}/draft`, { entries })
  await send(kofi, { 'mark a': entry('missing', 40 * 86_400_000) })
  server.time.now = new Date(atMs + 120_000)
  const { body } = await send(ines, { 'mark a': entry('present', 120_000) })
  server.time.now = testNow
  expect(body.entries['mark a']?.value).toBe('present')
})

it('is gone when the kit is back, and a late mark is refused instead of lost', async () => {
  const loanId = await openLoanOf(kofi, 'M-12')
  await kofi.post(`/api/loans/${loanId}/draft`, { entries: { 'mark a': entry('present') } })
  await kofi.post(`/api/loans/${loanId}/take-back`, await takeBackBody(kofi, loanId))
  expect((await server.source.query('SELECT 1 FROM take_back_draft WHERE loan_id = $1', [loanId])).length).toBe(0)
  const late = await ines.post(`/api/loans/${loanId}/draft`, { entries: { 'mark a': entry('missing', 9) } })
  expect([late.status, late.body]).toMatchObject([409, { error: { code: 'LOAN_CLOSED' } }])
})

it('is nobody’s business in other branches', async () => {
  const petra = await server.signIn('petra')
  const loanId = await openLoanOf(kofi, 'M-10')
  expect((await petra.get(`/api/loans/${loanId}/draft`)).status).toBe(404)
})

describe('live updates', () => {
  /** Opens the stream and gives what comes until `count` events are there. */
  function listen(agent: Agent, count: number): { opened: Promise<void>; events: Promise<LiveEvent[]> } {
    let open: () => void
    const opened = new Promise<void>((resolve) => (open = resolve))
    const events = new Promise<LiveEvent[]>((resolve, reject) => {
      const request = get(`${address}/api/live`, { headers: { cookie: agent.cookie ?? '' } }, (reply) => {
        let text = ''
        open()
        reply.setEncoding('utf8')
        reply.on('data', (chunk: string) => {
          text += chunk
          const found = [...text.matchAll(/data: (.*)\n\n/g)].map((match) => JSON.parse(match[1] ?? '') as LiveEvent)
          if (found.length < count) return
          request.destroy()
          resolve(found)
        })
      })
      request.on('error', reject)
    })
    return { opened, events }
  }

  it('tell a second desk of a mark, and say nothing to other branches', async () => {
    const loanId = await openLoanOf(kofi, 'M-10')
    const clubLoanId = await openLoanOf(kofi, 'F-03')
    const petra = await server.signIn('petra')
    const [desk, club] = [listen(ines, 1), listen(petra, 1)]
    await Promise.all([desk.opened, club.opened])
    await kofi.post(`/api/loans/${loanId}/draft`, { entries: { 'mark z': entry('present') } })
    expect((await desk.events)[0]).toMatchObject({ kind: 'draft', loanId })
    await kofi.post(`/api/loans/${clubLoanId}/draft`, { entries: { 'mark z': entry('present') } })
    // The first thing the club hears of is its own.
    expect((await club.events)[0]).toMatchObject({ kind: 'draft', loanId: clubLoanId })
  })
})
