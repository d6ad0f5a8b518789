import {
  calculators,
  shelfSchema,
  type Found,
  type IssuedGuide,
  type KitChange,
  type KitSheet,
  type Shelf,
} from '@binoculum/contract'
import { addKits } from '../src/demo/many-kits.ts'
import { handOutBody, kitOf, startTestServer, watchStatements, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
})
afterAll(() => server.close())

it('the shelf takes two round trips beyond the session’s, however many kits there are', async () => {
  await server.database.inTransaction((tx) => addKits(tx, 482))
  const statements = watchStatements(server.database.source)
  const shelf = (await ines.get<Shelf>('/api/kits')).body
  expect(shelfSchema.parse(shelf)).toEqual(shelf)
  const { kits } = shelf
  expect(kits).toHaveLength(500)
  expect(statements).toHaveLength(3)
  expect(statements[0]).toContain('FROM session')
})

describe('find', () => {
  const find = async (text: string) => (await ines.get<Found>(`/api/find?text=${encodeURIComponent(text)}`)).body
  it('finds kits by code and name, parts, and loans by borrower', async () => {
    expect((await find('M-04')).kits[0]).toMatchObject({ code: 'M-04', name: 'Bracken' })
    expect((await find('slug')).parts[0]).toMatchObject({ kitCode: 'M-04', mark: 'missing' })
    expect((await find('Quill')).loans.length).toBeGreaterThan(0)
  })
  it('takes % and _ as the signs they are', async () => {
    expect(await find('%')).toEqual({ kits: [], parts: [], loans: [], others: [], isNearly: true })
  })
})

it('a change from an old look is refused and carries the present state', async () => {
  const kit = await kitOf(ines, 'M-02')
  const url = `/api/kits/${kit.id}/parts/${kit.parts[0]?.id}/mark`
  await ines.post(url, { kitVersion: kit.version, mark: 'damaged', note: 'torn' })
  const stale = await ines.post<{ error: { code: string; details: { now: KitSheet } } }>(url, {
    kitVersion: kit.version,
    mark: 'missing',
  })
  expect(stale.status).toBe(409)
  expect(stale.body.error.details.now.parts[0]).toMatchObject({ mark: 'damaged', note: 'torn' })
})

it.each([
  { what: 'an unknown kit', url: '/api/kits/Q-99', status: 404 },
  { what: 'an unknown place', url: '/api/nowhere', status: 404 },
  { what: 'a find for nothing', url: '/api/find?text=', status: 400 },
])('$what is answered with $status and a sentence', async ({ url, status }) => {
  const reply = await ines.get<{ error: { message: string } }>(url)
  expect(reply.status).toBe(status)
  expect(reply.body.error.message).toMatch(/\.$/)
})

it('a cure of a hazard that isn’t there is refused', async () => {
  const kit = await kitOf(ines, 'M-01')
  const cure = { kitVersion: kit.version, hazard: 'wet', cure: 'dried for a day' }
  expect((await ines.post(`/api/kits/${kit.id}/cure`, cure)).status).toBe(404)
})

describe('calculators over HTTP', () => {
  const input = { apertureMm: 76, focalLengthMm: 300, eyepieceMm: 20 }
  it('answer as the register does', async () => {
    expect((await ines.post('/api/calculators/optics.view', input)).body).toMatchObject({
      magnification: 15,
      verdict: 'good',
    })
    expect((await ines.get<{ calculators: object[] }>('/api/calculators')).body.calculators).toHaveLength(
      calculators.size,
    )
  })
  it.each([
    { name: 'optics.view', body: { ...input, eyepieceMm: 0 }, code: 'BAD_INPUT', path: 'eyepieceMm' },
    { name: 'optics.view', body: { ...input, apertureMm: -1 }, code: 'BAD_INPUT', path: 'apertureMm' },
    { name: 'optics.nothing', body: input, code: 'UNKNOWN_CALCULATOR', path: 'name' },
  ])('refuse $code with 400 and the field $path', async ({ name, body, code, path }) => {
    const reply = await ines.post(`/api/calculators/${name}`, body)
    expect([reply.status, reply.body]).toMatchObject([400, { error: { code, issues: [{ path }] } }])
  })
  it('refuse what is no JSON, without a stack', async () => {
    for (const payload of ['{"apertureMm": NaN}', '{', 'apertureMm=1']) {
      const reply = await server.app.inject({
        method: 'POST',
        url: '/api/calculators/optics.view',
        headers: { 'content-type': 'application/json', cookie: ines.cookie ?? '' },
        payload,
      })
      expect([reply.statusCode, reply.json()]).toMatchObject([400, { error: { code: 'NOT_JSON' } }])
      expect(reply.body).not.toMatch(/at .*\.ts|node_modules/)
    }
  })
})

it('a zero byte, which no database takes, is refused as bad input', async () => {
  const kit = await kitOf(ines, 'M-01')
  const url = `/api/kits/${kit.id}/parts/${kit.parts[0]?.id}/mark`
  const reply = await ines.post(url, { kitVersion: kit.version, mark: 'damaged', note: 'a \u0000 byte' })
  expect([reply.status, reply.body]).toMatchObject([400, { error: { code: 'BAD_INPUT' } }])
})

it('a failure of ours is a 500 with a number, and tells nothing inside', async () => {
  const broken = await startTestServer()
  const someone = await broken.signIn('ines')
  await broken.source.query('ALTER TABLE reading RENAME TO reading_gone')
  const reply = await someone.get('/api/kits')
  await broken.close()
  expect(reply).toMatchObject({ status: 500, body: { error: { code: 'OUR_FAULT', requestId: expect.any(String) } } })
  expect(JSON.stringify(reply.body)).not.toMatch(/reading|relation|stack/i)
})

it('known wear of a part stands on its card, in the record and in the next guide; it says nothing of the part being there', async () => {
  const { id, version, parts } = await kitOf(ines, 'M-01')
  const part = parts.find(({ role }) => role === 'low-eyepiece')
  const path = `/api/kits/${id}/parts/${part?.id}/wear`
  const noted = await ines.post<KitChange>(path, { kitVersion: version, knownWear: '  scratch along the barrel ' })
  expect(noted.status).toBe(200)
  expect(noted.body.parts).toEqual([{ ...part, knownWear: 'scratch along the barrel' }])
  expect(noted.body.line.act).toBe('wear-noted')
  expect((await ines.post(path, { kitVersion: version, knownWear: 'again' })).status).toBe(409)
  const { kitId, body } = await handOutBody(ines, 'M-01')
  const slip = await ines.post<{ loanId: string }>(`/api/kits/${kitId}/hand-out`, body)
  const guide = (await ines.get<IssuedGuide>(`/api/loans/${slip.body.loanId}/guide`)).body
  expect(guide.texts.en?.notes).toContainEqual(
    expect.stringContaining('scratch along the barrel. It was so before you.'),
  )
})
