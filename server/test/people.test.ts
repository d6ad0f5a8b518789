import { handOutBody, passwordOf, startTestServer, testNow, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
})
afterAll(() => server.close())
afterEach(() => {
  server.time.now = testNow
})

const inviteSomebody = async (email: string, role = 'volunteer') => {
  const { body } = await ines.get<{ session: { memberships: { branchId: string }[] } }>('/api/session')
  const branchId = body.session.memberships[0]?.branchId
  const reply = await ines.post<{ path: string }>('/api/people', { branchId, role, name: 'Pia Castell', email })
  return {
    reply,
    token:
      String(reply.body.path ?? '')
        .split('/')
        .at(-1) ?? '',
  }
}
const tokenFrom = (path: string) => path.split('/').at(-1) ?? ''

describe('every route', () => {
  it('declares who may call it', () => {
    expect(server.app.routeRules.length).toBeGreaterThan(25)
    expect(server.app.routeRules.filter(({ access }) => access === undefined)).toEqual([])
  })

  it('refuses to start with a route that doesn’t', async () => {
    const other = await import('fastify').then(({ fastify }) => fastify())
    const { accessRules } = await import('../src/platform/access.ts')
    await other.register(accessRules)
    expect(() => other.get('/api/forgotten', async () => 'open')).toThrow('/api/forgotten')
  })

  it('that is not public answers 401 to strangers', async () => {
    const stranger = server.agent()
    const rules = server.app.routeRules.filter(({ access, method }) => access !== 'public' && method !== 'HEAD')
    const id = '00000000-0000-4000-8000-000000000000'
    for (const { method, url } of rules) {
      const path = url
        .replaceAll(/:(id|partId)/g, id)
        .replace(':code', 'M-01')
        .replace(':name', 'optics.view')
      const ask = { GET: stranger.get, POST: stranger.post, PUT: stranger.put, DELETE: stranger.delete }[method]
      if (!ask) throw new Error(`nobody asks by ${method}`)
      const reply = await ask(path)
      expect([method, url, reply.status]).toEqual([method, url, 401])
    }
  })

  it('that changes something is closed to those who may look only', async () => {
    const jun = await server.signIn('jun')
    const sheet = await ines.get<{ id: string; version: number; parts: { id: string }[] }>('/api/kits/M-01')
    const { id, version, parts } = sheet.body
    const reply = await jun.post(`/api/kits/${id}/parts/${parts[0]?.id}/mark`, {
      kitVersion: version,
      mark: 'missing',
    })
    expect([reply.status, reply.body]).toMatchObject([403, { error: { code: 'NOT_ALLOWED' } }])
    expect((await jun.get('/api/kits')).status).toBe(200)
  })
})

describe('branches', () => {
  it('are closed to those who have no role there', async () => {
    const petra = await server.signIn('petra')
    const { body } = await petra.get<{ kits: { code: string }[] }>('/api/kits')
    expect(body.kits.map(({ code }) => code).sort()).toEqual(['F-01', 'F-02', 'F-03', 'F-04', 'F-05'])
    expect((await petra.get('/api/kits/M-01')).status).toBe(404)
    expect((await petra.get('/api/find?text=Yarrow')).body).toEqual({
      kits: [],
      parts: [],
      loans: [],
      others: [],
      isNearly: true,
    })
  })
})

describe('sign-in', () => {
  const email = 'kofi@marrowdale.example'

  it('gives an HttpOnly, SameSite=Strict cookie', async () => {
    const reply = await server.agent().post('/api/session', { email, password: passwordOf(email) })
    const cookie = String(reply.headers['set-cookie'])
    expect(cookie).toMatch(/^binoculum=/)
    expect(cookie).toMatch(/HttpOnly/)
    expect(cookie).toMatch(/SameSite=Strict/)
    expect(cookie).not.toMatch(/Secure/)
  })

  it('takes the address in any case and refuses a wrong password without saying which was wrong', async () => {
    const right = await server
      .agent()
      .post('/api/session', { email: 'KOFI@Marrowdale.example', password: passwordOf(email) })
    const wrong = await server.agent().post('/api/session', { email, password: 'guess' })
    const nobody = await server.agent().post('/api/session', { email: 'nobody@x.example', password: 'guess' })
    expect([right.status, wrong.status, nobody.status]).toEqual([200, 401, 401])
    expect(nobody.body).toEqual(wrong.body)
  })

  it('ends after twelve hours, and with signing out', async () => {
    const kofi = await server.signIn('kofi')
    expect((await kofi.get('/api/kits')).status).toBe(200)
    server.time.now = new Date(testNow.getTime() + 12 * 3_600_000 + 1)
    expect((await kofi.get('/api/kits')).body).toMatchObject({ error: { code: 'SIGN_IN' } })
    server.time.now = testNow
    await kofi.delete('/api/session')
    expect((await kofi.get('/api/kits')).status).toBe(401)
  })

  it('keeps only a hash of the session’s token', async () => {
    const rows: unknown = await server.source.query('SELECT token_hash FROM session LIMIT 1')
    expect(rows).toEqual([{ token_hash: expect.stringMatching(/^[0-9a-f]{64}$/) }])
  })

  it('refuses writes from another origin', async () => {
    const reply = await server.app.inject({
      method: 'POST',
      url: '/api/session',
      headers: { origin: 'http://elsewhere.example', host: '127.0.0.1:8460' },
      payload: { email, password: passwordOf(email) },
    })
    expect(reply.statusCode).toBe(403)
  })
})

describe('links', () => {
  it('let somebody in once, with the role they were made for', async () => {
    const { token } = await inviteSomebody('pia@marrowdale.example', 'read-only')
    const stranger = server.agent()
    expect((await stranger.get(`/api/invitations/${token}`)).body).toMatchObject({
      kind: 'invite',
      role: 'read-only',
    })
    expect((await stranger.post(`/api/invitations/${token}`, { password: 'short' })).status).toBe(400)
    const joined = await stranger.post(`/api/invitations/${token}`, { password: 'long enough to keep' })
    expect(joined.body).toMatchObject({ name: 'Pia Castell', memberships: [{ role: 'read-only' }] })
    expect((await stranger.post(`/api/invitations/${token}`, { password: 'long enough again' })).status).toBe(404)
  })

  it('end after seven days', async () => {
    const { token } = await inviteSomebody('late@marrowdale.example')
    server.time.now = new Date(testNow.getTime() + 7 * 86_400_000 + 1)
    expect((await server.agent().get(`/api/invitations/${token}`)).body).toMatchObject({
      error: { code: 'LINK_OVER' },
    })
  })

  it('refuse a second person with the same address', async () => {
    const { reply } = await inviteSomebody('Kofi@marrowdale.example')
    expect([reply.status, reply.body]).toMatchObject([409, { error: { code: 'EMAIL_TAKEN' } }])
  })
})

describe('the coordinator', () => {
  const idOf = async (name: string) => {
    const { body } = await ines.get<{ people: { id: string; name: string }[] }>('/api/people')
    return body.people.find((person) => person.name.startsWith(name))?.id ?? ''
  }

  it('gives a new password, and the old sessions end', async () => {
    const petra = await server.signIn('petra')
    const link = await ines.post<{ path: string }>(`/api/people/${await idOf('Petra')}/reset`)
    await server.agent().post(`/api/invitations/${tokenFrom(link.body.path)}`, { password: 'another long one' })
    expect((await petra.get('/api/kits')).status).toBe(401)
    const email = 'petra@ferncliff.example'
    expect((await server.agent().post('/api/session', { email, password: passwordOf(email) })).status).toBe(401)
    expect((await server.agent().post('/api/session', { email, password: 'another long one' })).status).toBe(200)
  })

  it('closes leavers, at once', async () => {
    const jun = await server.signIn('jun')
    await ines.post(`/api/people/${await idOf('Jun')}/close`)
    expect((await jun.get('/api/kits')).status).toBe(401)
    const email = 'jun@marrowdale.example'
    expect((await server.agent().post('/api/session', { email, password: passwordOf(email) })).status).toBe(401)
  })

  it('can’t invite a leaver’s address as somebody new', async () => {
    const { reply } = await inviteSomebody('Jun@marrowdale.example')
    expect([reply.status, reply.body]).toMatchObject([409, { error: { code: 'EMAIL_TAKEN' } }])
  })

  it('of one branch has no hold on those who also work in another', async () => {
    const { token } = await inviteSomebody('second@ferncliff.example', 'coordinator')
    const joined = await server.agent().post(`/api/invitations/${token}`, { password: 'long enough to keep' })
    const second = server.agent(String(joined.headers['set-cookie']).split(';')[0])
    for (const name of ['Ines', 'Kofi'])
      for (const way of ['reset', 'close'])
        expect((await second.post(`/api/people/${await idOf(name)}/${way}`)).body).toMatchObject({
          error: { code: 'NOT_ALLOWED' },
        })
    expect((await second.post(`/api/people/${await idOf('Petra')}/reset`)).status).toBe(200)
  })

  it('can’t leave a branch without one', async () => {
    const reply = await ines.post(`/api/people/${await idOf('Ines')}/close`)
    expect(reply.body).toMatchObject({ error: { code: 'LAST_COORDINATOR' } })
  })

  it('is alone in inviting', async () => {
    const kofi = await server.signIn('kofi')
    const { body } = await kofi.get<{ session: { memberships: { branchId: string }[] } }>('/api/session')
    const invitation = {
      branchId: body.session.memberships[0]?.branchId,
      role: 'coordinator',
      name: 'X',
      email: 'x@x.example',
    }
    expect((await kofi.post('/api/people', invitation)).status).toBe(403)
  })
})

it('guessing is slowed down: ten tries a minute from one address', async () => {
  const other = await startTestServer({ filled: false })
  const tries = []
  const guesser = other.agent()
  for (let i = 0; i < 12; i++)
    tries.push((await guesser.post('/api/session', { email: 'a@a.example', password: 'guess' })).status)
  await other.close()
  expect(tries.slice(0, 10)).toEqual(Array(10).fill(401))
  expect(tries.slice(10)).toEqual([429, 429])
})

it('an idempotency key of somebody else is refused by name, not as our fault', async () => {
  const kofi = await server.signIn('kofi')
  const { kitId, body } = await handOutBody(ines, 'M-05')
  expect((await ines.post(`/api/kits/${kitId}/hand-out`, body)).status).toBe(200)
  const reply = await kofi.post(`/api/kits/${kitId}/hand-out`, body)
  expect([reply.status, reply.body]).toMatchObject([409, { error: { code: 'KEY_REUSED' } }])
})

describe('an empty programme behind https', () => {
  it('has one link for the first coordinator, secure cookies, and no link after that', async () => {
    const { People } = await import('../src/features/people/service.ts')
    const other = await startTestServer({ filled: false, publicUrl: 'https://kits.example', demo: false })
    const people = other.app.house.use(People)
    const path = await people.firstCoordinatorLink()
    const given = {
      name: 'Ola Umber',
      email: 'ola@x.example',
      password: 'long enough to keep',
      branchName: 'Hollin Library',
      zone: 'Europe/Dublin',
      emergencyLine: 'the emergency number',
    }
    const url = `/api/invitations/${tokenFrom(path ?? '')}`
    const badZone = await other.agent().post(url, { ...given, zone: 'Mars/Olympus' })
    expect(badZone.body).toMatchObject({ error: { issues: [{ path: 'zone' }] } })
    const joined = await other.agent().post(url, given)
    expect(joined.body).toMatchObject({ memberships: [{ role: 'coordinator', branchName: 'Hollin Library' }] })
    expect(String(joined.headers['set-cookie'])).toMatch(/^__Host-binoculum=.*Secure/)
    expect(joined.headers['strict-transport-security']).toBe('max-age=31536000; includeSubDomains')
    expect(await people.firstCoordinatorLink()).toBeNull()
    const agreements: { version: number }[] = await other.source.query('SELECT version FROM agreement')
    expect(agreements).toEqual([{ version: 1 }])
    await other.close()
  })
})

describe('the loan agreement', () => {
  it('gets a new version from the coordinator only, and a hand-out with the old one is refused', async () => {
    const kofi = await server.signIn('kofi')
    interface Agreements {
      agreements: { branchId: string; version: number; text: string }[]
    }
    const [first] = (await ines.get<Agreements>('/api/agreements')).body.agreements
    const text = 'You bring it back by the day on the slip, and never point it at the Sun.'
    expect((await kofi.post('/api/agreements', { branchId: first?.branchId, text })).status).toBe(403)
    const { agreements } = (await ines.post<Agreements>('/api/agreements', { branchId: first?.branchId, text })).body
    expect(agreements[0]).toMatchObject({ version: 2, text })
    expect(agreements[1]).toMatchObject({ version: 1 })
  })
})
