import { randomUUID } from 'node:crypto'
import type { LoanSheet, Outbox, WaitingList } from '@binoculum/contract'
import { planLoans } from '@binoculum/core'
import { Waiting } from '../src/features/waiting/service.ts'
import { kitOf, startTestServer, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kofi: Agent
let branchId: string
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  kofi = await server.signIn('kofi')
  branchId = (await kitOf(ines, 'M-06')).branchId
})
afterAll(() => server.close())

type Refusal = { error: { code: string } }
const list = async (agent = ines) => (await agent.get<WaitingList>(`/api/branches/${branchId}/waiting`)).body
const key = () => ({ idempotencyKey: randomUUID() })
/** What a plan suggests for the first who can be served. */
async function firstSuggestion() {
  const waiting = await list()
  const line = planLoans(waiting.plan).plan.find((each) => 'kitId' in each)
  const request = waiting.requests.find(({ id }) => id === line?.requestId)
  if (!line || !('kitId' in line) || !request) throw new Error('the demo’s list can’t serve anybody')
  return {
    request,
    body: { ...key(), version: request.version, kitId: line.kitId, fromOn: line.from, untilOn: line.until },
  }
}

describe('the waiting list', () => {
  it('stands in strict order of asking, and brings all that a plan needs', async () => {
    const { requests, plan } = await list()
    expect(requests).toHaveLength(9)
    expect(requests.map(({ askedAtUtc }) => askedAtUtc)).toEqual(requests.map(({ askedAtUtc }) => askedAtUtc).sort())
    expect(plan.requests.map(({ id }) => id)).toEqual(requests.map(({ id }) => id))
    expect(plan.dark?.length).toBeGreaterThan(80)
    const planned = planLoans({ ...plan, maxExtraDays: 14 })
    expect(planned.served).toBeGreaterThanOrEqual(planLoans(plan).strict.filter((line) => 'kitId' in line).length)
  })

  it('an offer holds the kit, writes a letter, and is taken', async () => {
    const { request, body } = await firstSuggestion()
    const offered = await ines.post<WaitingList>(`/api/waiting/${request.id}/offer`, body)
    const { offer, version } = offered.body.requests.find(({ id }) => id === request.id) ?? {}
    expect(offer).toMatchObject({ fromOn: body.fromOn, untilOn: body.untilOn, endsAtUtc: '2026-03-15T14:00:00.000Z' })
    const letters = (await ines.get<Outbox>('/api/messages')).body.messages
    expect(letters[0]).toMatchObject({
      state: 'draft',
      by: 'by itself',
      subject: expect.stringContaining('is free for you'),
    })
    const done = await ines.post<WaitingList>(`/api/waiting/${request.id}/answer`, { version, answer: 'yes' })
    expect(done.body.requests.some(({ id }) => id === request.id)).toBe(false)
    expect((await ines.get<LoanSheet>(`/api/loans/${offer?.loanId}`)).body.state).toBe('promised')
  })

  it('two desks that offer to the same person at once: one does', async () => {
    const { request, body } = await firstSuggestion()
    const answers = await Promise.all(
      [ines, kofi].map((agent) => agent.post<Refusal>(`/api/waiting/${request.id}/offer`, { ...body, ...key() })),
    )
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409])
    const { version } = (await list()).requests.find(({ id }) => id === request.id) ?? { version: 0 }
    const after = await ines.post<WaitingList>(`/api/waiting/${request.id}/answer`, { version, answer: 'later' })
    // Whoever says *not these days* keeps their place, and the kit is free again.
    expect(after.body.requests.find(({ id }) => id === request.id)).toMatchObject({ state: 'waiting', offer: null })
  })

  it('a kit that can’t be had leaves whoever waits as they were', async () => {
    const { request, body } = await firstSuggestion()
    const refused = await ines.post<Refusal>(`/api/waiting/${request.id}/offer`, { ...body, untilOn: body.fromOn })
    expect([refused.status, refused.body.error.code]).toEqual([422, 'RETURN_BEFORE_PICK_UP'])
    expect((await list()).requests.find(({ id }) => id === request.id)).toMatchObject({
      state: 'waiting',
      offer: null,
    })
  })

  it('an offer that nobody answers ends by itself: the kit is free, the place is kept', async () => {
    const { request, body } = await firstSuggestion()
    const offered = await ines.post<WaitingList>(`/api/waiting/${request.id}/offer`, body)
    const loanId = offered.body.requests.find(({ id }) => id === request.id)?.offer?.loanId
    server.time.now = new Date('2026-03-16T14:00:00Z')
    ines = await server.signIn('ines')
    await server.app.house.use(Waiting).endOffers()
    expect((await list()).requests.find(({ id }) => id === request.id)).toMatchObject({
      state: 'waiting',
      offer: null,
    })
    const sheet = (await ines.get<LoanSheet>(`/api/loans/${loanId}`)).body
    expect([sheet.state, sheet.history[0]?.act]).toEqual(['cancelled', 'promise-cancelled'])
  })

  it('whoever fetched the kit before anybody noted their answer waits no more', async () => {
    const { request, body } = await firstSuggestion()
    const offered = await ines.post<WaitingList>(`/api/waiting/${request.id}/offer`, body)
    const loanId = offered.body.requests.find(({ id }) => id === request.id)?.offer?.loanId
    await server.source.query(
      `UPDATE loan SET state = 'back', out_at = now(), due_at = now(), back_at = now() WHERE id = $1`,
      [loanId],
    )
    server.time.now = new Date('2026-03-20T14:00:00Z')
    ines = await server.signIn('ines')
    await server.app.house.use(Waiting).endOffers()
    expect((await list()).requests.some(({ id }) => id === request.id)).toBe(false)
    expect((await ines.get<LoanSheet>(`/api/loans/${loanId}`)).body.state).toBe('back')
  })

  it('somebody asks, and takes their name off again', async () => {
    kofi = await server.signIn('kofi')
    const asked = await kofi.post<WaitingList>(`/api/branches/${branchId}/waiting`, {
      ...key(),
      borrower: { name: 'Nell Teague', contact: 'nell@post.example' },
      ...{
        kinds: ['floor-reflector'],
        earliestOn: '2026-04-01',
        latestOn: '2026-05-01',
        lengthDays: 7,
        wantsDark: true,
      },
    })
    const mine = asked.body.requests.at(-1)
    expect(mine).toMatchObject({ borrower: 'Nell Teague', state: 'waiting' })
    const left = await kofi.post<WaitingList>(`/api/waiting/${mine?.id}/leave`, { version: mine?.version })
    expect(left.body.requests.some(({ id }) => id === mine?.id)).toBe(false)
  })
})
