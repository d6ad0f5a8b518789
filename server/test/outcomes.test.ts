import type { KitSheet } from '@binoculum/contract'
import { outcomes, type Outcome } from '@binoculum/core'
import { kitOf, openLoanOf, startTestServer, takeBackBody, type Agent } from './support.ts'

/** Where a kit goes after a loan: the proposed step or a stricter one is anybody's, a laxer one a coordinator's with a reason. */

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kofi: Agent
beforeEach(async () => {
  server = await startTestServer()
  ;[ines, kofi] = [await server.signIn('ines'), await server.signIn('kofi')]
})
afterEach(() => server.close())

type Closed = { proposed: Outcome; outcome: Outcome; error: { code: string; issues?: { path: string }[] } }
const close = async (agent: Agent, code: string, change: Parameters<typeof takeBackBody>[2]) => {
  const loanId = await openLoanOf(agent, code)
  return agent.post<Closed>(`/api/loans/${loanId}/take-back`, await takeBackBody(agent, loanId, change))
}
/** M-12 without its Moon filter goes to the shelf with a note. */
const filter = { missing: ['moon-filter'] }

it('the proposal itself is anybody’s, and needs no reason', async () => {
  const reply = await close(kofi, 'M-12', { ...filter, outcome: 'shelf-with-note' })
  expect(reply.body).toMatchObject({ proposed: 'shelf-with-note', outcome: 'shelf-with-note' })
})

it('one step laxer is no volunteer’s, with whatever reason', async () => {
  const reply = await close(kofi, 'M-12', { ...filter, outcome: 'shelf', outcomeReason: 'nobody will miss it' })
  expect([reply.status, reply.body.error.code]).toEqual([403, 'NOT_ALLOWED'])
  expect((await kitOf(kofi, 'M-12')).group).toBe('out')
})

it('one step laxer is a coordinator’s, who says why', async () => {
  const silent = await close(ines, 'M-12', { ...filter, outcome: 'shelf' })
  expect([silent.status, silent.body.error.issues?.[0]?.path]).toEqual([400, 'outcomeReason'])
  const said = await close(ines, 'M-12', {
    ...filter,
    outcome: 'shelf',
    outcomeReason: 'the next one brings their own',
  })
  expect(said.body).toMatchObject({ proposed: 'shelf-with-note', outcome: 'shelf' })
})

it.each(outcomes.slice(3))('stricter is anybody’s: %s', async (outcome) => {
  expect((await close(kofi, 'M-12', { ...filter, outcome })).body).toMatchObject({ outcome })
})

describe('pieces that are counted', () => {
  const counted = async (present: number): Promise<KitSheet['parts'][number] | undefined> => {
    const loanId = await openLoanOf(kofi, 'M-12')
    const body = await takeBackBody(kofi, loanId, { outcome: 'hold' })
    const part = (await kitOf(kofi, 'M-12')).parts.find(({ count }) => count > 1)
    const marks = body.marks.map((mark) =>
      mark.partId === part?.id ? { ...mark, presentCount: part.count + present } : mark,
    )
    const reply = await kofi.post(`/api/loans/${loanId}/take-back`, { ...body, marks })
    expect(reply.status).toBe(200)
    return (await kitOf(kofi, 'M-12')).parts.find(({ id }) => id === part?.id)
  }

  it('one of several gone is missing, whatever the tick says', async () => {
    const part = await counted(-1)
    expect(part).toMatchObject({ mark: 'missing', presentCount: (part?.count ?? 0) - 1 })
  })

  it('all of them are present', async () => {
    const part = await counted(0)
    expect(part).toMatchObject({ mark: 'present', presentCount: part?.count })
  })

  it('one over lies in the case besides', async () => {
    const part = await counted(1)
    expect(part).toMatchObject({ mark: 'present', presentCount: part?.count })
    expect((await kitOf(kofi, 'M-12')).extras).toMatchObject([{ name: part?.name, count: 1 }])
  })
})
