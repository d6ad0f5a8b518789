import PgBoss from 'pg-boss'
import { buildApp } from '../src/app.ts'
import { features } from '../src/features.ts'
import { Jobs } from '../src/platform/jobs.ts'
import { startTestServer, testNow } from './support.ts'

it('two servers do a job once between them; what is over is swept, what is open stays', async () => {
  const server = await startTestServer({ jobsEverySeconds: 0.5 })
  const { database, source } = server
  const second = await buildApp({
    ...{ database, clock: () => testNow, demo: true, publicUrl: null, webFolder: 'none', log: false },
    jobsEverySeconds: 0.5,
  })
  const asking = new Jobs(database.url, [], (error) => {
    throw error
  })
  try {
    await source.query(
      `INSERT INTO invitation (token_hash, kind, expires_at, used_at) VALUES
         ('over', 'invite', '2026-01-01', NULL), ('used', 'invite', '2026-03-15', '2026-01-02'), ('open', 'invite', '2026-03-15', NULL)`,
    )
    await source.query(
      `INSERT INTO session (token_hash, staff_id, expires_at) SELECT 'old', id, '2026-03-01' FROM staff LIMIT 1`,
    )
    await asking.start(second.house)
    await asking.ask('sweep-sign-ins')
    const left = async (): Promise<string[]> =>
      (await source.query('SELECT token_hash FROM invitation UNION SELECT token_hash FROM session ORDER BY 1')).map(
        (row: { token_hash: string }) => row.token_hash,
      )
    for (let tries = 0; tries < 40 && (await left()).length > 1; tries++)
      await new Promise((done) => setTimeout(done, 250))
    expect(await left()).toEqual(['open'])
    // pg-boss keeps what was done: one job, done once.
    for (let tries = 0; tries < 40; tries++) {
      const [row] = await source.query(`SELECT state, retry_count FROM jobs.job WHERE name = 'sweep-sign-ins'`)
      if (row?.state === 'completed') break
      await new Promise((done) => setTimeout(done, 250))
    }
    expect(await source.query(`SELECT state, retry_count FROM jobs.job WHERE name = 'sweep-sign-ins'`)).toEqual([
      { state: 'completed', retry_count: 0 },
    ])
  } finally {
    await asking.stop()
    await second.close()
    await server.close()
  }
}, 60_000)

it('a letter that was under way when its server ended says that nobody knows', async () => {
  const server = await startTestServer()
  const settle = features.flatMap(({ jobs = [] }) => jobs).find(({ name }) => name === 'settle-letters')
  const [row] = await server.source.query(
    `INSERT INTO message (id, branch_id, borrower_id, loan_id, kit_id, subject, body, state, by_staff_id, made_at, tried_at)
     SELECT gen_random_uuid(), l.branch_id, l.borrower_id, l.id, l.kit_id, 's', 'b', 'sending', s.id, now(), now() - interval '6 minutes'
     FROM loan l, staff s WHERE l.borrower_id IS NOT NULL LIMIT 1 RETURNING id`,
  )
  await settle?.work(server.app.house)
  const [after] = await server.source.query('SELECT state, problem FROM message WHERE id = $1', [row.id])
  expect(after.state).toBe('failed')
  expect(after.problem).toContain('not known whether it left')
  await server.close()
}, 60_000)

it('a job whose server died in it is done by another one, once its time is over', async () => {
  const server = await startTestServer({ jobsEverySeconds: 0.5 })
  const { database, source } = server
  try {
    await source.query(
      `INSERT INTO session (token_hash, staff_id, expires_at) SELECT 'old', id, '2026-03-01' FROM staff LIMIT 1`,
    )
    // As a server leaves it that was killed in the middle: taken, begun eleven minutes ago, never ended.
    await source.query(
      `INSERT INTO jobs.job (name, data, state, retry_limit, expire_in, created_on, started_on, policy)
       VALUES ('sweep-sign-ins', '{}', 'active', 2, interval '10 minutes', now() - interval '11 minutes', now() - interval '11 minutes', 'singleton')`,
    )
    const keeper = new PgBoss({ connectionString: database.url, schema: 'jobs', max: 1, schedule: false })
    keeper.on('error', (error) => {
      throw error
    })
    await keeper.start()
    await keeper.maintain()
    await keeper.stop({ graceful: false })
    const isSwept = async () => (await source.query(`SELECT 1 FROM session WHERE token_hash = 'old'`)).length === 0
    for (let tries = 0; tries < 40 && !(await isSwept()); tries++) await new Promise((done) => setTimeout(done, 250))
    expect(await isSwept()).toBe(true)
    const [{ retry_count: retries }] = await source.query(
      `SELECT retry_count FROM jobs.job WHERE name = 'sweep-sign-ins' AND started_on > now() - interval '1 minute'`,
    )
    expect(retries).toBe(1)
  } finally {
    await server.close()
  }
}, 60_000)
