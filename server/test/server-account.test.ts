import { buildApp } from '../src/app.ts'
import { isTooMighty } from '../src/platform/accounts.ts'
import { handOutBody, startTestServer, testNow, type Agent } from './support.ts'

/** What bad people and bad nights did, each once seen. */

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
})
afterAll(() => server.close())

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

  it('say who was refused by which rule, by a key and nothing else', async () => {
    const lines: string[] = []
    const app = await buildApp({
      ...{ database: server.database, clock: () => testNow, demo: true, publicUrl: null, webFolder: 'none' },
      log: { write: (line: string) => void lines.push(line) },
    })
    const jun = await server.signIn('jun')
    const { kitId, body } = await handOutBody(ines, 'M-05')
    const url = `/api/kits/${kitId}/hand-out`
    const asJun = { cookie: jun.cookie ?? '' }
    const reply = await app.inject({ method: 'POST', url, headers: asJun, payload: body })
    expect(reply.statusCode).toBe(403)
    const [{ id }] = await server.source.query(`SELECT id FROM staff WHERE email LIKE 'jun@%'`)
    expect(lines.map((line) => JSON.parse(line))).toEqual([
      expect.objectContaining({
        staffId: id,
        refused: 'NOT_ALLOWED',
        req: { method: 'POST', route: '/api/kits/:id/hand-out' },
      }),
    ])
    await app.close()
  })

  it('say who tries one password after another, and never which', async () => {
    const lines: string[] = []
    const app = await buildApp({
      ...{ database: server.database, clock: () => testNow, demo: true, publicUrl: null, webFolder: 'none' },
      ...{ log: { write: (line: string) => void lines.push(line) }, requestsAMinute: 1e6 },
    })
    const guess = (at: number) =>
      app.inject({
        ...{ method: 'POST', url: '/api/session', remoteAddress: `10.0.0.${at}` },
        payload: { email: 'kofi@marrowdale.example', password: `gulliver ${at}` },
      })
    const codes = []
    for (let at = 1; at <= 14; at++) codes.push((await guess(at)).statusCode)
    expect(codes.at(-1)).toBe(429)
    expect(lines.map((line) => JSON.parse(line))).toContainEqual(
      expect.objectContaining({ refused: 'TOO_MANY', req: { method: 'POST', route: '/api/session' } }),
    )
    expect(lines.join('')).not.toMatch(/gulliver|kofi/)
    await server.source.query('DELETE FROM sign_in_try')
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
