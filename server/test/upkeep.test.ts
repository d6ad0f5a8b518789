import type { Watch } from '@binoculum/contract'
import { startTestServer, testNow, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
beforeAll(async () => {
  server = await startTestServer({ demo: false, metricsToken: 'a token of twenty characters' })
  ines = await server.signIn('ines')
})
afterAll(() => server.close())

const codes = async () => (await ines.get<Watch>('/api/watch')).body.findings.map(({ code }) => code)

describe('what is wrong', () => {
  it('a backup that was never made, then is fresh, then old', async () => {
    expect(await codes()).toContain('NEVER_BACKED_UP')
    const madeAt = (hoursAgo: number) =>
      server.source.query(
        `INSERT INTO upkeep_mark (name, at) VALUES ('backup', $1) ON CONFLICT (name) DO UPDATE SET at = excluded.at`,
        [new Date(testNow.getTime() - hoursAgo * 3_600_000)],
      )
    await madeAt(3)
    expect(await codes()).not.toContain('NEVER_BACKED_UP')
    expect(await codes()).not.toContain('BACKUP_OLD')
    await madeAt(50)
    const { findings } = (await ines.get<Watch>('/api/watch')).body
    expect(findings).toContainEqual({ code: 'BACKUP_OLD', weight: 'fault', figures: { hours: 50 } })
  })

  it('letters that failed, of one’s own branches only', async () => {
    await server.source.query(
      `INSERT INTO message (id, branch_id, borrower_id, loan_id, kit_id, subject, body, state, by_staff_id, made_at, tried_at)
       SELECT gen_random_uuid(), l.branch_id, l.borrower_id, l.id, l.kit_id, 's', 'b', 'failed', s.id, now(), now()
       FROM loan l, staff s, branch b WHERE l.borrower_id IS NOT NULL AND b.id = l.branch_id AND b.name NOT LIKE 'Ferncliff%' LIMIT 1`,
    )
    expect(await codes()).toContain('LETTERS_NOT_LEAVING')
    await server.source.query(
      `UPDATE membership m SET role = 'coordinator' FROM staff s WHERE s.id = m.staff_id AND s.email LIKE 'petra%'`,
    )
    const petra = await server.signIn('petra')
    const theirs = (await petra.get<Watch>('/api/watch')).body.findings.map(({ code }) => code)
    expect(theirs).not.toContain('LETTERS_NOT_LEAVING')
  })

  it('nightly jobs that missed two nights', async () => {
    expect(await codes()).not.toContain('JOBS_BEHIND')
    await server.source.query(`UPDATE jobs.queue SET created_on = now() - interval '4 days'`)
    expect(await codes()).toContain('JOBS_BEHIND')
    await server.source.query(`UPDATE jobs.queue SET created_on = now()`)
  })

  it('no mail server is a notice, no fault', async () => {
    const { findings } = (await ines.get<Watch>('/api/watch')).body
    expect(findings.find(({ code }) => code === 'NO_MAIL_SERVER')?.weight).toBe('notice')
    expect(findings.at(-1)?.weight).toBe('notice')
  })
})

describe('being watched', () => {
  const ask = (url: string, remoteAddress: string, token?: string) =>
    server.app.inject({ url, remoteAddress, headers: token ? { authorization: `Bearer ${token}` } : {} })

  it('figures are told to this machine and to whoever has the token, by route and never by address', async () => {
    await ines.get('/api/find?text=Teague')
    const here = await ask('/metrics', '127.0.0.1')
    expect(here.body).toContain('binoculum_request_seconds_bucket')
    expect(here.body).toContain('route="/api/find"')
    expect(here.body).toContain('binoculum_connections_waited_for 0')
    expect(here.body).not.toContain('Teague')
    expect((await ask('/metrics', '203.0.113.5')).statusCode).toBe(404)
    expect((await ask('/metrics', '203.0.113.5', 'another token of twenty')).statusCode).toBe(404)
    expect((await ask('/metrics', '203.0.113.5', 'a token of twenty characters')).statusCode).toBe(200)
  })

  it('it runs, and is ready as long as its database is', async () => {
    expect((await ask('/healthz', '203.0.113.5')).json()).toEqual({ runs: true })
    expect((await ask('/readyz', '203.0.113.5')).statusCode).toBe(200)
  })

  it('a slow statement is counted, with its text and none of its values', async () => {
    const before = server.database.slowStatements
    await server.database.reader.query('SELECT pg_sleep(0.6), $1::text AS secret', ['Wilhelmina'])
    expect(server.database.slowStatements).toBe(before + 1)
    expect((await ask('/metrics', '127.0.0.1')).body).toContain(`binoculum_slow_statements ${before + 1}`)
  })
})
