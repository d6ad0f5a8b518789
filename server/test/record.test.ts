import type { Desk, Drawer, FollowUpList, RecordLine, StaffMember } from '@binoculum/contract'
import { kitOf, openLoanOf, startTestServer, takeBackBody, testNow, type Agent } from './support.ts'

/** What changes is on record, with who did it; days are those of the branch's own clocks. */
let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kofi: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  kofi = await server.signIn('kofi')
})
afterAll(() => server.close())

const recordOf = async (act: string): Promise<Pick<RecordLine, 'before' | 'after'>[]> =>
  server.source.query('SELECT before, after FROM record WHERE act = $1 ORDER BY id', [act])
const jobsOf = async () => (await kofi.get<FollowUpList>('/api/jobs')).body

it('a job’s owner, day and note: as they were and as they are', async () => {
  const loanId = await openLoanOf(kofi, 'M-12')
  const body = await takeBackBody(kofi, loanId, { missing: ['focuser-cap'], outcome: 'shelf-with-note' })
  await kofi.post(`/api/loans/${loanId}/take-back`, body)
  const { jobs, people } = await jobsOf()
  const job = jobs.find(({ partName }) => partName === 'Focuser cap')
  const other = people.find(({ id, branchId }) => id !== job?.ownerId && branchId === job?.branchId)
  if (!job || !other) throw new Error('no job, or nobody to give it to')
  const change = { version: job.version, ownerId: other.id, dueOn: '2026-03-20', note: 'look in the lid' }
  expect((await kofi.post(`/api/jobs/${job.id}`, change)).status).toBe(200)
  const [line] = await recordOf('job-changed')
  expect(line?.before).toMatchObject({ ownerId: job.ownerId, dueOn: job.dueOn, note: '' })
  expect(line?.after).toMatchObject({ owner: other.name, dueOn: '2026-03-20', note: 'look in the lid' })
  // What was refused leaves no line.
  await kofi.post(`/api/jobs/${job.id}`, change)
  expect(await recordOf('job-changed')).toHaveLength(1)
})

it('a reset link that is issued, and for whom; never the link', async () => {
  const { people } = (await ines.get<{ people: StaffMember[] }>('/api/people')).body
  const person = people.find(({ name }) => name.startsWith('Kofi'))
  const reply = await ines.post(`/api/people/${person?.id}/reset`)
  expect(reply.status).toBe(200)
  const [line] = await recordOf('reset-issued')
  expect(line?.after).toEqual({ issuedFor: person?.id })
})

it('what is written into the drawer', async () => {
  const { spares } = (await ines.get<Drawer>('/api/spares')).body
  const [spare] = spares
  if (!spare) throw new Error('no spare')
  const { id, version, branchId, name, role, count, massG, costMinor, note } = spare
  const form = { version, branchId, name, role, massG, costMinor, note, count: count + 3 }
  expect((await ines.post(`/api/spares/${id}`, form)).status).toBe(200)
  const [line] = await recordOf('drawer-changed')
  expect(line).toEqual({ before: { spare: name, count }, after: { spare: name, count: count + 3 } })
})

it('a guide’s own words', async () => {
  const kit = await kitOf(ines, 'M-03')
  const form = { kitCode: kit.code, scope: 'kit', key: 'place', language: 'en', title: '', text: 'On the lawn.' }
  expect((await ines.post('/api/guide-texts', { ...form, inUse: true })).status).toBe(204)
  const [line] = await recordOf('guide-words-changed')
  expect(line?.after).toMatchObject({ block: 'place', scope: 'kit', language: 'en', leftOut: false, inUse: true })
})

describe('at half past eleven at night by UTC, half past midnight in Dublin', () => {
  beforeAll(() => (server.time.now = new Date('2026-07-01T23:30:00Z')))
  afterAll(() => (server.time.now = testNow))
  it('the follow-up’s today is the branch’s', async () => {
    // The session of March is over by July.
    kofi = await server.signIn('kofi')
    expect((await jobsOf()).today).toBe('2026-07-02')
  })
  it('what is due this evening is on the desk, what is due tomorrow is not', async () => {
    const loanId = await openLoanOf(kofi, 'M-11')
    await server.source.query(`UPDATE loan SET due_at = '2026-07-03T16:00:00Z' WHERE id = $1`, [loanId])
    const dueCodes = async () => {
      // A session ends within the day.
      const agent = await server.signIn('kofi')
      return (await agent.get<Desk>('/api/desk')).body.takeBacks.map(({ kitCode }) => kitCode)
    }
    // Nine in the evening before: within a day of being due, and yet not today's.
    server.time.now = new Date('2026-07-02T20:00:00Z')
    expect(await dueCodes()).not.toContain('M-11')
    server.time.now = new Date('2026-07-02T23:30:00Z')
    expect(await dueCodes()).toContain('M-11')
  })
})
