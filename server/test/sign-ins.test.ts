import type { OwnSessions, StaffMember } from '@binoculum/contract'
import { Secret, TOTP } from 'otpauth'
import { buildApp } from '../src/app.ts'
import { hashToken } from '../src/platform/secrets.ts'
import { passwordOf, startTestServer, testNow, type Agent } from './support.ts'

/** What bad people and bad nights did, each once seen. */

interface Refused {
  error: { code: string }
}

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
})
afterAll(() => server.close())

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
    const begin = (current: string) => kofi.post<{ secret: string; address: string } & Refused>(path, { current })
    const guessed = await begin('not the one')
    expect([guessed.status, guessed.body.error.code]).toEqual([422, 'WRONG_OLD_PASSWORD'])
    const { secret, address } = (await begin(passwordOf('kofi@marrowdale.example'))).body
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
    // Whoever knows the password guesses no code at leisure: the right password doesn't forgive a wrong code.
    const guesses = []
    for (let at = 0; at < 12; at++) {
      const given = { current: passwordOf(email), password: 'heron quarry lantern', code: '000000' }
      const headers = { cookie: kofi.cookie ?? '' }
      const request = { method: 'PUT' as const, url: '/api/session/password', headers, payload: given }
      guesses.push((await server.app.inject({ ...request, remoteAddress: `10.0.1.${at}` })).statusCode)
    }
    expect([guesses[0], guesses.at(-1)]).toEqual([401, 429])
    await server.source.query('DELETE FROM sign_in_try')
    halfMinuteLater()
    expect((await kofi.post(`${path}/end`, { code: codeNow() })).body).toEqual({ on: false, backupCodesLeft: 0 })
    expect(await signIn()).toBe(200)
    const [{ n }] = await server.source.query(
      `SELECT count(*)::int AS n FROM record WHERE act IN ('second-factor-on', 'second-factor-off')`,
    )
    expect(n).toBe(2)
  })

  it('one’s own password is changed by the one of now; every other session ends, this one by its token too', async () => {
    const kofi = await server.signIn('kofi')
    const elsewhere = await server.signIn('kofi')
    const address = 'kofi@marrowdale.example'
    const old = passwordOf(address)
    const change = (current: string, password: string) =>
      kofi.put<Refused>('/api/session/password', { current, password })
    const signIn = (password: string) =>
      server.app.inject({ method: 'POST', url: '/api/session', payload: { email: address, password } })
    const refused = [
      await change('not the one', 'heron quarry lantern'),
      await change(old, 'password1234'),
      await change(old, 'short'),
    ]
    expect(refused.map(({ status, body }) => [status, body.error.code])).toEqual([
      [422, 'WRONG_OLD_PASSWORD'],
      [422, 'WEAK_PASSWORD'],
      [400, 'BAD_INPUT'],
    ])
    const before = kofi.cookie
    const changed = await change(old, 'heron quarry lantern')
    expect(changed.status).toBe(200)
    const fresh = String(changed.headers['set-cookie']).split(';')[0]
    expect(fresh).not.toBe(before)
    const open = async (cookie: string | null | undefined) =>
      (await server.agent(cookie ?? '').get<{ session: object | null }>('/api/session')).body.session !== null
    expect([await open(fresh), await open(before), await open(elsewhere.cookie)]).toEqual([true, false, false])
    expect([(await signIn(old)).statusCode, (await signIn('heron quarry lantern')).statusCode]).toEqual([401, 200])
    const acts = await server.source.query(
      `SELECT act FROM record WHERE staff_id = (SELECT id FROM staff WHERE email = $1) ORDER BY id DESC LIMIT 2`,
      [address],
    )
    expect(acts.map(({ act }: { act: string }) => act)).toContain('password-changed')
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
