import type { FollowUpList } from '@binoculum/contract'
import pg from 'pg'
import { buildApp } from '../src/app.ts'
import { loadDemo } from '../src/demo/load.ts'
import { Database, migrate } from '../src/platform/database.ts'
import {
  handOutBody,
  makeDatabase,
  openLoanOf,
  startTestServer,
  takeBackBody,
  testNow,
  type Agent,
} from './support.ts'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { longTest } from '../../core/src/testing/sweep.ts'

/** What bad people and bad nights did, each once seen. */

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
})
afterAll(() => server.close())

describe('two at the same instant', () => {
  it('a draft never outlives its closing', async () => {
    const loanId = await openLoanOf(ines, 'M-12')
    const body = await takeBackBody(ines, loanId, { outcome: 'hold' })
    const entries = { outcomeReason: { value: 'late', atMs: 1, by: '' } }
    const replies = await Promise.all([
      ines.post(`/api/loans/${loanId}/take-back`, body),
      ...Array.from({ length: 20 }, (_, i) =>
        ines.post(`/api/loans/${loanId}/draft`, {
          entries: { ...entries, [`mark ${i}`]: { value: i, atMs: i, by: '' } },
        }),
      ),
    ])
    expect(replies[0]?.status).toBe(200)
    expect(await server.source.query('SELECT * FROM take_back_draft WHERE loan_id = $1', [loanId])).toEqual([])
  })

  it('transactions that stand in each other’s way are tried again', async () => {
    const [a, b] = (await ines.get<FollowUpList>('/api/jobs')).body.jobs
    const both = [a?.id, b?.id]
    const swap = (first: unknown, second: unknown) =>
      server.database.inTransaction(async (tx) => {
        await tx.query('UPDATE job SET version = version + 1 WHERE id = $1', [first])
        await new Promise((done) => setTimeout(done, 100))
        await tx.query('UPDATE job SET version = version + 1 WHERE id = $1', [second])
      })
    const before = await server.source.query('SELECT sum(version)::int AS n FROM job WHERE id = ANY($1)', [both])
    await Promise.all([swap(a?.id, b?.id), swap(b?.id, a?.id)])
    const after = await server.source.query('SELECT sum(version)::int AS n FROM job WHERE id = ANY($1)', [both])
    expect(after[0].n - before[0].n).toBe(4)
  })

  longTest()(
    'two servers that start on an empty database fill it once',
    async () => {
      const { source, drop } = await makeDatabase()
      await migrate(source)
      const given = { database: new Database(source), now: testNow }
      await Promise.all([1, 2].map(() => loadDemo({ ...given, dataFolder: mkdtempSync(join(tmpdir(), 'demo-')) })))
      expect(await source.query('SELECT count(*)::int AS n FROM branch')).toEqual([{ n: 2 }])
      await drop()
    },
    60_000,
  )
})

describe('a clock that is set back', () => {
  it('what is done goes on, in the order it was done in', async () => {
    const { kitId, body } = await handOutBody(ines, 'F-05')
    const out = await ines.post<{ loanId: string }>(`/api/kits/${kitId}/hand-out`, body)
    expect(out.status).toBe(200)
    const { now } = server.time
    server.time.now = new Date(now.getTime() - 2 * 86_400_000)
    try {
      const { loanId } = out.body
      const back = await ines.post(`/api/loans/${loanId}/take-back`, await takeBackBody(ines, loanId))
      expect(back.status).toBe(200)
      const acts: { act: string }[] = await server.source.query(
        `SELECT act FROM record WHERE kit_id = $1 AND act IN ('handed-out', 'taken-back') ORDER BY id DESC LIMIT 2`,
        [kitId],
      )
      expect(acts.map(({ act }) => act)).toEqual(['taken-back', 'handed-out'])
      // Nobody is late by a negative number of days, and nobody is asked to sign in again.
      expect((await ines.get('/api/desk')).status).toBe(200)
    } finally {
      server.time.now = now
    }
  })
})

describe('a lost connection', () => {
  const listening = async (): Promise<number[]> => {
    const rows: { pid: number }[] = await server.source.query(
      `SELECT pid FROM pg_stat_activity WHERE query LIKE 'LISTEN%' AND datname = current_database()`,
    )
    return rows.map(({ pid }) => pid)
  }

  it('is made again once, however often it is lost; what isn’t for us is passed over', async () => {
    const client = new pg.Client({ connectionString: server.database.url })
    await client.connect()
    for (let turn = 0; turn < 3; turn++) {
      const [before] = await listening()
      await client.query('SELECT pg_terminate_backend($1)', [before])
      for (let tries = 0; tries < 60; tries++) {
        const [now] = await listening()
        if (now && now !== before) break
        await new Promise((done) => setTimeout(done, 100))
      }
      await new Promise((done) => setTimeout(done, 700))
      expect(await listening()).toEqual([expect.any(Number)])
      expect(await listening()).not.toEqual([before])
    }
    await client.query(`SELECT pg_notify('binoculum', 'not JSON'), pg_notify('binoculum', '{"kind":"none"}')`)
    await client.end()
    expect((await ines.get('/api/kits')).status).toBe(200)
    expect(await listening()).toHaveLength(1)
  })

  it('an answer without the database says so, and when to ask again', async () => {
    const { source, url, drop } = await makeDatabase('demo')
    const app = await buildApp({
      ...{
        database: new Database(source),
        clock: () => testNow,
        demo: true,
        publicUrl: null,
        webFolder: 'none',
        log: false,
      },
    })
    const admin = new pg.Client({ connectionString: url.replace(/\/[^/]+$/, '/postgres') })
    await admin.connect()
    const name = url.split('/').at(-1)
    await admin.query(`ALTER DATABASE ${name} ALLOW_CONNECTIONS false`)
    await admin.query('SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = $1', [name])
    const away = await app.inject({ method: 'GET', url: '/api/invitations/aaaaaaaaaaaaaaaaaaaaaaaaaaa' })
    expect([away.statusCode, away.json().error.code, away.headers['retry-after']]).toEqual([
      503,
      'DATABASE_AWAY',
      '5',
    ])
    const guide = await app.inject({ method: 'GET', url: '/g/aaaaaaaaaaaaaaaaaaaaaaaaaaa' })
    expect([guide.statusCode, guide.headers['content-type']]).toEqual([503, 'text/html; charset=utf-8'])
    expect(guide.body).toContain('can’t be reached just now')
    await admin.query(`ALTER DATABASE ${name} ALLOW_CONNECTIONS true`)
    const back = await app.inject({ method: 'GET', url: '/api/invitations/aaaaaaaaaaaaaaaaaaaaaaaaaaa' })
    expect(back.statusCode).toBe(404)
    await app.close()
    await admin.end()
    await drop()
  }, 60_000)
})
