import type { Archive } from '@binoculum/contract'
import { kitOf, shelfOf, startTestServer, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
})
afterAll(() => server.close())

type Refusal = { error: { code: string; issues?: { path: string }[]; details?: unknown } }

describe('the archive of kits', () => {
  it('goes out, and comes into an empty place without loss', async () => {
    const branchId = (await kitOf(ines, 'F-01')).branchId
    const text = { kitCode: 'F-01', scope: 'kit', key: 'place', language: 'en', title: 'A good place', inUse: true }
    for (const words of ['Take a stool.', 'Take a chair.'])
      expect((await ines.post('/api/guide-texts', { ...text, text: words })).status).toBe(204)
    await ines.post('/api/guide-texts', { ...text, text: 'Only a draft.', inUse: false })
    await server.source.query(
      `UPDATE kit SET own_finder = '{"offsetMm":{"x":-60,"y":96},"measuredAtUtc":"2026-03-01T12:00:00Z","by":"Nell"}' WHERE code = 'F-02'`,
    )
    await server.source.query(
      `INSERT INTO picture (id, branch_id, bytes, width_px, height_px, by_staff_id, at)
       VALUES (gen_random_uuid(), $1, '\\x00', 1, 1, NULL, now())`,
      [branchId],
    )
    const written = (await ines.get<Archive>(`/api/archive?branchId=${branchId}`)).body
    const own = written.guideTexts.filter(({ key }) => key === 'place')
    expect(own).toMatchObject([{ scope: 'kit', kit: 'F-01', model: null, text: 'Take a chair.' }])
    expect(written.kits.find(({ code }) => code === 'F-02')?.ownFinder).toEqual({
      offsetMm: { x: -60, y: 96 },
      measuredAtUtc: '2026-03-01T12:00:00Z',
    })
    expect(written.places.flatMap(({ landmarks }) => landmarks).length).toBeGreaterThan(0)
    // Nobody's name, and no picture that belongs to no part and no place, such as a borrower's.
    expect(JSON.stringify(written)).not.toMatch(/Nell|Petra/)
    const named = JSON.stringify([written.models, written.kits, written.places])
    expect(written.pictures.filter(({ key }) => !named.includes(`"${key}"`))).toEqual([])
    expect(written.kits.map(({ code }) => code)).toEqual(['F-01', 'F-02', 'F-03', 'F-04', 'F-05'])
    const other = await startTestServer({ filled: true })
    await other.source.query('UPDATE kit SET code = code || $1', ['-old'])
    const there = await other.signIn('ines')
    const [{ id: target }] = await other.source.query(
      `INSERT INTO branch (id, name, zone, emergency_line, policies)
       SELECT gen_random_uuid(), 'Ferncliff Sky Circle', zone, emergency_line, policies FROM branch WHERE name LIKE 'Ferncliff%' RETURNING id`,
    )
    await other.source.query(
      `INSERT INTO membership (staff_id, branch_id, role) SELECT id, $1, 'coordinator' FROM staff WHERE email LIKE 'ines%'`,
      [target],
    )
    const reply = await there.post(`/api/archive?branchId=${target}`, written)
    expect(reply.body).toMatchObject({ kits: ['F-01', 'F-02', 'F-03', 'F-04', 'F-05'], spares: 4 })
    const again = (await there.get<Archive>(`/api/archive?branchId=${target}`)).body
    expect({ ...again, writtenAtUtc: '' }).toEqual({ ...written, writtenAtUtc: '' })
    // A kit is as fit here as it was there, and no fitter.
    for (const { code, loan } of (await shelfOf(ines)).kits.filter((kit) => kit.branchId === branchId && !kit.loan)) {
      const [was, is] = [await kitOf(ines, code), await kitOf(there, code)]
      expect([code, loan, is.condition, is.reasons.map((reason) => reason.code)]).toEqual([
        ...[code, null, was.condition],
        was.reasons.map((reason) => reason.code),
      ])
    }
    expect(reply.body).toMatchObject({ places: written.places.length, guideTexts: written.guideTexts.length })
    const twice = await there.post<Refusal>(`/api/archive?branchId=${target}`, written)
    expect(twice.body.error.code).toBe('CODE_TAKEN')
    await other.close()
  })

  it('what is no archive says where', async () => {
    const branchId = (await kitOf(ines, 'F-01')).branchId
    const written = (await ines.get<Archive>(`/api/archive?branchId=${branchId}`)).body
    const broken = {
      ...written,
      kits: written.kits.map((kit) => ({ ...kit, code: `N-${kit.code}`, model: 'nowhere' })),
    }
    const send = (body: object) => ines.post<Refusal>(`/api/archive?branchId=${branchId}`, body)
    expect((await send(broken)).body.error).toMatchObject({ code: 'NOT_AN_ARCHIVE', issues: [{ path: 'nowhere' }] })
    expect((await send({ ...written, version: 2 })).body.error).toMatchObject({
      code: 'NOT_AN_ARCHIVE',
      issues: [{ path: 'version' }],
    })
    expect((await send([])).body.error.code).toBe('NOT_AN_ARCHIVE')
  })
})
