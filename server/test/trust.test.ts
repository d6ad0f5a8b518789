import { randomUUID } from 'node:crypto'
import { connect } from 'node:net'
import type { FollowUpList, ModelSheet, OwnSessions, StaffMember } from '@binoculum/contract'
import { Secret, TOTP } from 'otpauth'
import pg from 'pg'
import { buildApp } from '../src/app.ts'
import { loadDemo } from '../src/demo/load.ts'
import { isTooMighty } from '../src/platform/accounts.ts'
import { Database, migrate } from '../src/platform/database.ts'
import { hashToken } from '../src/platform/secrets.ts'
import {
  handOutBody,
  kitOf,
  makeDatabase,
  openLoanOf,
  passwordOf,
  startTestServer,
  takeBackBody,
  testNow,
  type Agent,
} from './support.ts'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** What bad people and bad nights did, each once seen. */

type Refusal = { error: { code: string; issues?: { path: string }[] } }
let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kofi: Agent
beforeAll(async () => {
  server = await startTestServer()
  ;[ines, kofi] = [await server.signIn('ines'), await server.signIn('kofi')]
})
afterAll(() => server.close())

describe('rights before bodies', () => {
  it('a stranger’s archive is refused before a byte of it is read', async () => {
    await server.app.listen({ port: 0, host: '127.0.0.1' })
    const { port } = server.app.server.address() as { port: number }
    const answer = await new Promise<string>((resolve, reject) => {
      const socket = connect(port, '127.0.0.1', () => {
        socket.write(
          `POST /api/archive?branchId=${randomUUID()} HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\nContent-Length: 57000000\r\n\r\n`,
        )
        // Nothing of the body is sent: whoever waits for it waits for ever.
      })
      socket.setTimeout(5000, () => reject(new Error('the server waits for the body')))
      socket.once('data', (bytes) => resolve(String(bytes)))
      socket.once('error', reject)
    })
    expect(answer).toMatch(/^HTTP\/1.1 401/)
  })

  it('a role that may not is told so, whatever it sends', async () => {
    const reply = await kofi.post<Refusal>(`/api/archive?branchId=${randomUUID()}`, { format: 'none' })
    expect([reply.status, reply.body.error.code]).toEqual([403, 'NOT_ALLOWED'])
  })
})

describe('what can’t be kept is refused, never our fault', () => {
  const notes = (note: string) => kitOf(kofi, 'M-03').then((kit) => mark(kit, { note }))
  const mark = (kit: { id: string; version: number; parts: { id: string }[] }, rest: object) =>
    kofi.post<Refusal>(`/api/kits/${kit.id}/parts/${kit.parts[0]?.id}/mark`, {
      ...{ kitVersion: kit.version, mark: 'present' },
      ...rest,
    })

  it.each([
    ['a zero byte', 'a\u0000b'],
    ['half a letter', 'a\ud800b'],
    ['the other half', '\udc00'],
  ])('%s in a text', async (_what, note) => {
    const reply = await notes(note)
    expect([reply.status, reply.body.error]).toMatchObject([400, { code: 'BAD_INPUT', issues: [{ path: 'note' }] }])
  })

  it('whole letters of every kind are', async () => {
    expect((await notes('🔭 Ω – ﷽')).status).toBe(200)
  })

  it('a number that no table holds', async () => {
    const kit = await kitOf(kofi, 'M-03')
    const reply = await mark({ ...kit, version: 2 ** 40 }, {})
    expect([reply.status, reply.body.error.code]).toEqual([400, 'BAD_INPUT'])
  })

  it('brackets without end', async () => {
    const deep = '['.repeat(5000) + ']'.repeat(5000)
    const reply = await server.app.inject({
      method: 'POST',
      url: '/api/calculators/optics.view',
      headers: { cookie: kofi.cookie ?? '', 'content-type': 'application/json' },
      payload: deep,
    })
    expect(reply.statusCode).toBe(400)
  })

  it.each(['/api/kits/%ff', '/api/kits/M%00', '/g/%zz'])('the address %s', async (url) => {
    const reply = await server.app.inject({ method: 'GET', url, headers: { cookie: kofi.cookie ?? '' } })
    expect([reply.statusCode, reply.json().error.code]).toEqual([400, 'BAD_INPUT'])
    expect(reply.headers['x-content-type-options']).toBe('nosniff')
  })

  it('a loan for ten years', async () => {
    const { kitId, body } = await handOutBody(ines, 'M-03', { dueOn: '2036-03-26' })
    const reply = await ines.post<Refusal>(`/api/kits/${kitId}/hand-out`, body)
    expect([reply.status, reply.body.error.code]).toEqual([422, 'DUE_TOO_FAR'])
  })

  it.each([
    ['another branch’s', true],
    ['nobody’s', false],
  ])('%s picture on a part', async (_whose, exists) => {
    const kit = await kitOf(kofi, 'M-03')
    const id = randomUUID()
    if (exists)
      await server.source.query(
        `INSERT INTO picture (id, branch_id, bytes, width_px, height_px, at)
         SELECT $1, id, 'x', 1, 1, now() FROM branch WHERE id <> $2 LIMIT 1`,
        [id, kit.branchId],
      )
    // Kofi works at both of the demo's branches: here at the library alone.
    await server.source.query(
      `DELETE FROM membership m USING staff s WHERE s.id = m.staff_id AND s.email LIKE 'kofi%' AND m.branch_id <> $1`,
      [kit.branchId],
    )
    const reply = await mark(kit, { pictureIds: [id] })
    expect([reply.status, reply.body.error.code]).toEqual([400, 'BAD_INPUT'])
  })
})

describe('what is meant is kept', () => {
  it('a year that nobody means is asked about', async () => {
    const { kitId, body } = await handOutBody(ines, 'M-03')
    const reply = await ines.post(`/api/kits/${kitId}/hand-out`, { ...body, dueOn: '0226-03-26' })
    expect(reply.body).toMatchObject({
      error: { issues: [{ path: 'dueOn', message: expect.stringContaining('2000') }] },
    })
  })

  it('a longitude past the edge of the map is the same meridian', async () => {
    const { branchId } = await kitOf(ines, 'M-03')
    const place = { name: 'An island', zone: 'Pacific/Fiji', latitudeDeg: -16.8, longitudeDeg: 190, heightM: null }
    const given = { ...place, needleDeg: null, needleOn: null, branchId, version: null }
    const { sites } = (await ines.post<{ sites: { name: string; longitudeDeg: number }[] }>('/api/sites', given)).body
    expect(sites.find(({ name }) => name === 'An island')?.longitudeDeg).toBe(-170)
  })

  it('a picture of another branch is on no card and at no landmark', async () => {
    const { branchId, modelId } = await kitOf(ines, 'M-03')
    const [other] = await server.source.query(
      `INSERT INTO branch (id, name, zone, emergency_line, policies)
       SELECT gen_random_uuid(), 'Far away', zone, emergency_line, policies FROM branch WHERE id = $1 RETURNING id`,
      [branchId],
    )
    const pictureId = randomUUID()
    await server.source.query(
      `INSERT INTO picture (id, branch_id, bytes, width_px, height_px, at) VALUES ($1, $2, '', 4, 3, now())`,
      [pictureId, other.id],
    )
    const { version, name, parts, weighGroups } = (await ines.get<ModelSheet>(`/api/models/${modelId}`)).body
    const card = parts.map((part, index) => (index === 0 ? { ...part, pictureId } : part))
    expect((await ines.put(`/api/models/${modelId}`, { version, name, weighGroups, parts: card })).status).toBe(400)
    const [site] = await server.source.query('SELECT id FROM site WHERE branch_id = $1 LIMIT 1', [branchId])
    const mast = {
      name: 'A mast',
      what: '',
      distanceM: 900,
      bearingDeg: 10,
      heightDeg: 1,
      source: 'typed',
      pictureId,
    }
    const landmark = { ...mast, latitudeDeg: null, longitudeDeg: null, version: null }
    expect((await ines.post(`/api/sites/${site.id}/landmarks`, landmark)).status).toBe(400)
  })
})

describe('who is signed in', () => {
  const email = 'petra@ferncliff.example'
  const tries = (password: string, remoteAddress: string) =>
    server.app.inject({ method: 'POST', url: '/api/session', payload: { email, password }, remoteAddress })

  it('answers are kept nowhere on the way', async () => {
    expect((await ines.get('/api/session')).headers['cache-control']).toBe('no-store')
  })

  it('a password is guessed ten times in a quarter of an hour, from however many addresses', async () => {
    for (let i = 0; i < 10; i++) expect((await tries('wrong', `127.9.0.${i}`)).statusCode).toBe(401)
    expect((await tries(passwordOf(email), '127.9.1.1')).statusCode).toBe(429)
    // Another server on the same database counts on.
    const other = await buildApp({
      ...{
        database: server.database,
        clock: () => testNow,
        demo: true,
        publicUrl: null,
        webFolder: 'none',
        log: false,
      },
    })
    const reply = await other.inject({
      ...{ method: 'POST', url: '/api/session', remoteAddress: '127.9.1.2' },
      payload: { email, password: passwordOf(email) },
    })
    expect(reply.statusCode).toBe(429)
    await other.close()
    server.time.now = new Date(testNow.getTime() + 16 * 60_000)
    expect((await tries(passwordOf(email), '127.9.1.3')).statusCode).toBe(200)
    server.time.now = testNow
  })

  it('a desk at which many people sign in all day is not slowed down', async () => {
    // One after the other, each a minute later: the general limit of requests is another matter.
    for (let i = 0; i < 70; i++) {
      server.time.now = new Date(testNow.getTime() + i * 1000)
      const reply = await server.app.inject({
        ...{ method: 'POST', url: '/api/session', remoteAddress: `127.8.0.${Math.floor(i / 9)}` },
        payload: { email: 'jun@marrowdale.example', password: passwordOf('jun@marrowdale.example') },
      })
      expect(reply.statusCode).toBe(200)
    }
    server.time.now = testNow
    const [{ most }] = await server.source.query('SELECT max(tries)::int AS most FROM sign_in_try')
    expect(most).toBeLessThan(15)
  })

  it('a new sign-in takes the place of the old one, an unused one ends, and the others can be ended', async () => {
    const first = await server.signIn('petra')
    const body = { email, password: passwordOf(email) }
    const second = await first.post('/api/session', body)
    expect((await first.get<{ session: unknown }>('/api/session')).body.session).toBeNull()
    const petra = server.agent(String(second.headers['set-cookie']).split(';')[0])
    const elsewhere = await server.signIn('petra')
    const { sessions } = (await petra.get<OwnSessions>('/api/session/all')).body
    expect(sessions.filter(({ isThis }) => isThis)).toHaveLength(1)
    expect(sessions.length).toBeGreaterThanOrEqual(2)
    expect((await petra.delete<OwnSessions>('/api/session/others')).body.sessions).toHaveLength(1)
    expect((await elsewhere.get('/api/kits')).status).toBe(401)
    // A page that only stands open asks whether its session is: that is no use of it.
    const token = /binoculum=([^;]+)/.exec(petra.cookie ?? '')?.[1] ?? ''
    server.time.now = new Date(testNow.getTime() + 3 * 3_600_000)
    expect(await server.app.sessionIsOpen(hashToken(token))).toBe(true)
    server.time.now = new Date(testNow.getTime() + 4.5 * 3_600_000)
    expect(await server.app.sessionIsOpen(hashToken(token))).toBe(false)
    expect((await petra.get('/api/kits')).status).toBe(401)
    server.time.now = testNow
    const [{ n }] = await server.source.query(
      `SELECT count(*)::int AS n FROM record r JOIN staff s ON s.id = r.staff_id WHERE act = 'signed-in' AND s.email = $1`,
      [email],
    )
    expect(n).toBeGreaterThanOrEqual(3)
  })

  it('with a second factor the password alone is not enough; each code and each backup code works once', async () => {
    const path = '/api/session/second-factor'
    const kofi = await server.signIn('kofi')
    const { secret, address } = (await kofi.post<{ secret: string; address: string }>(path)).body
    expect(address).toContain('otpauth://totp/')
    const codeNow = () => {
      const totp = new TOTP({ secret: Secret.fromBase32(secret) })
      return totp.generate({ timestamp: server.time.now.getTime() })
    }
    const halfMinuteLater = () => (server.time.now = new Date(server.time.now.getTime() + 30_000))
    expect((await kofi.post(`${path}/confirm`, { code: '000000' })).status).toBe(401)
    const { backupCodes } = (await kofi.post<{ backupCodes: string[] }>(`${path}/confirm`, { code: codeNow() })).body
    expect(backupCodes).toHaveLength(8)

    const { email } = (await kofi.get<{ session: { email: string } }>('/api/session')).body.session
    const signIn = async (code?: string) => {
      const reply = await server
        .agent()
        .post<{ error?: { code: string } }>('/api/session', { email, password: passwordOf(email), code })
      return reply.body.error?.code ?? reply.status
    }
    expect(await signIn()).toBe('CODE_NEEDED')
    expect(await signIn(codeNow())).toBe('WRONG_CODE')
    halfMinuteLater()
    expect(await signIn(codeNow())).toBe(200)
    expect(await signIn(codeNow())).toBe('WRONG_CODE')
    expect(await signIn(backupCodes[3])).toBe(200)
    expect(await signIn(backupCodes[3])).toBe('WRONG_CODE')
    expect((await kofi.get(path)).body).toEqual({ on: true, backupCodesLeft: 7 })
    halfMinuteLater()
    expect((await kofi.post(`${path}/end`, { code: codeNow() })).body).toEqual({ on: false, backupCodesLeft: 0 })
    expect(await signIn()).toBe(200)
    const [{ n }] = await server.source.query(
      `SELECT count(*)::int AS n FROM record WHERE act IN ('second-factor-on', 'second-factor-off')`,
    )
    expect(n).toBe(2)
  })

  it('what somebody is in another branch is not shown to this one', async () => {
    const jun = await server.signIn('jun')
    const [own] = (await jun.get<{ session: { memberships: { branchId: string }[] } }>('/api/session')).body.session
      .memberships
    const { people } = (await jun.get<{ people: StaffMember[] }>('/api/people')).body
    const shown = people.flatMap(({ memberships }) => memberships.map(({ branchId }) => branchId))
    expect(new Set(shown)).toEqual(new Set([own?.branchId]))
  })
})

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

  it('two servers that start on an empty database fill it once', async () => {
    const { source, drop } = await makeDatabase()
    await migrate(source)
    const given = { database: new Database(source), now: testNow }
    await Promise.all([1, 2].map(() => loadDemo({ ...given, dataFolder: mkdtempSync(join(tmpdir(), 'demo-')) })))
    expect(await source.query('SELECT count(*)::int AS n FROM branch')).toEqual([{ n: 2 }])
    await drop()
  }, 60_000)
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

describe('logs', () => {
  it('say which rule of the database was broken, and nobody’s name', async () => {
    const lines: string[] = []
    const app = await buildApp({
      ...{ database: server.database, clock: () => testNow, demo: true, publicUrl: null, webFolder: 'none' },
      log: { write: (line: string) => void lines.push(line) },
    })
    const asInes = { cookie: ines.cookie ?? '' }
    await server.source.query(`ALTER TABLE borrower ADD CONSTRAINT ck_test CHECK (name <> 'Wilhelmina Quartz')`)
    const { kitId, body } = await handOutBody(ines, 'M-03', {
      borrower: { name: 'Wilhelmina Quartz', contact: 'w@quartz.example' },
    })
    const reply = await app.inject({
      method: 'POST',
      url: `/api/kits/${kitId}/hand-out`,
      headers: asInes,
      payload: body,
    })
    expect(reply.statusCode).toBe(400)
    await server.source.query('ALTER TABLE branch RENAME TO branch_gone')
    await app.inject({ method: 'GET', url: '/api/find?text=Wilhelmina', headers: asInes })
    await server.source.query('ALTER TABLE branch_gone RENAME TO branch')
    const log = lines.join('')
    expect(log).toContain('ck_test')
    expect(lines.length).toBeGreaterThanOrEqual(2)
    expect(log).not.toMatch(/Wilhelmina|quartz|INSERT INTO|SELECT |parameters|find\?text/i)
    await app.close()
  })
})

describe('the account a server works with', () => {
  it('owns nothing, and can neither change nor end a line of the record', async () => {
    const { source } = server.database
    const refusal = async (sql: string): Promise<string> =>
      source.query(sql).then(
        () => 'let in',
        (error: { driverError: { code: string } }) => error.driverError.code,
      )
    const [{ n }] = await source.query(
      `SELECT count(*)::int AS n FROM pg_class c JOIN pg_roles r ON r.oid = c.relowner WHERE r.rolname = current_user`,
    )
    expect(n).toBe(0)
    expect(await isTooMighty(source)).toBe(false)
    expect(await isTooMighty(server.source)).toBe(true)
    const forbidden = [
      `UPDATE record SET act = 'checked'`,
      'DELETE FROM record',
      'TRUNCATE record',
      'ALTER TABLE record DISABLE TRIGGER ALL',
      'DROP TABLE kit',
      'CREATE TABLE public.mine (id int)',
      'DELETE FROM migrations',
      'CREATE ROLE another',
    ]
    for (const sql of forbidden) expect([sql, await refusal(sql)]).toEqual([sql, '42501'])
  })
})
