import { randomUUID } from 'node:crypto'
import { connect } from 'node:net'
import { gzipSync } from 'node:zlib'
import type { ModelSheet } from '@binoculum/contract'
import { handOutBody, kitOf, startTestServer, type Agent } from './support.ts'

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
      socket.once('data', (bytes) => {
        // An open line would keep the server waiting for it at its end.
        socket.destroy()
        resolve(String(bytes))
      })
      socket.once('error', reject)
    })
    expect(answer).toMatch(/^HTTP\/1.1 401/)
  })

  it('a role that may not is told so, whatever it sends', async () => {
    const reply = await kofi.post<Refusal>(`/api/archive?branchId=${randomUUID()}`, { format: 'none' })
    expect([reply.status, reply.body.error.code]).toEqual([403, 'NOT_ALLOWED'])
  })
})

it('a packed body is never unpacked: a few bytes can’t become a full memory', async () => {
  const reply = await server.app.inject({
    ...{ method: 'POST', url: '/api/session' },
    headers: { 'content-type': 'application/json', 'content-encoding': 'gzip' },
    payload: gzipSync(JSON.stringify({ email: 'nobody@marrowdale.example', password: 'not a word of it' })),
  })
  expect([reply.statusCode, reply.json<Refusal>().error.code]).toEqual([400, 'NOT_JSON'])
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

  it('a body that names what all objects share, and a method that nothing has', async () => {
    const inject = (method: string, payload?: string) =>
      server.app.inject({
        ...{ method: method as 'POST', url: '/api/session' },
        ...(payload === undefined ? {} : { payload, headers: { 'content-type': 'application/json' } }),
      })
    for (const name of ['{"__proto__":{"x":1}}', '{"constructor":{"prototype":{"x":1}}}'])
      expect((await inject('POST', name)).statusCode).toBe(400)
    expect((await inject('TRACE')).statusCode).toBe(404)
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

  it.each(['/api/kits', '/api/nowhere', '/health'])(
    'and every answer says what a browser may do with it: %s',
    async (url) => {
      const { headers } = await server.app.inject({ method: 'GET', url })
      expect(headers).toMatchObject({
        'content-security-policy': expect.stringContaining("default-src 'none';script-src 'self' 'wasm-unsafe-eval'"),
        'referrer-policy': 'no-referrer',
        'x-content-type-options': 'nosniff',
        'x-frame-options': 'SAMEORIGIN',
      })
    },
  )

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
