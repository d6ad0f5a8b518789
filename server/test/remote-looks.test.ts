import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type {
  GuideList,
  KitSheet,
  ReceivedMessages,
  RemoteLookAnswer,
  RemoteLookOffers,
  RemoteLooks,
  Slip,
} from '@binoculum/contract'
import sharp from 'sharp'
import { peepholePhoto, type PhotoOf } from '../../e2e/support/peephole-photo.ts'
import { decodePicture, readCaseMarks } from '../src/features/calculators/service.ts'
import { handOutBody, kitOf, startTestServer, testNow, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
})
afterAll(() => server.close())
/** Few looks a minute are taken: each test is a little later than the one before. */
let minutes = 0
beforeEach(() => {
  minutes += 2
  server.time.now = new Date(testNow.getTime() + minutes * 60_000)
})

const pathOf = (guidePath: string) => guidePath.replace('/g/', '/api/guides/')
const outNow = async (code: string): Promise<string> => {
  const { guides } = (await ines.get<GuideList>('/api/guides')).body
  const { loanId } = guides.find(({ kitCode }) => kitCode === code) ?? {}
  const { guidePath } = (await ines.post<{ guidePath: string }>(`/api/loans/${loanId}/link`)).body
  return pathOf(guidePath)
}
const base64 = (bytes: Buffer) => bytes.toString('base64')
/** A picture is traced once, however often it is sent. */
const traced = new Map<string, Promise<Buffer>>()
function photoOf(given: PhotoOf): Promise<Buffer> {
  const key = JSON.stringify(given)
  const photo = traced.get(key) ?? peepholePhoto(given)
  traced.set(key, photo)
  return photo
}
const peephole = async (
  axisErrorMm: { x: number; y: number },
  change: object = {},
  model: PhotoOf['model'] = 'table-110',
) => ({
  ...{ key: randomUUID(), kind: 'peephole', sunSafe: true, openEndDeg: 0 },
  picture: base64(await photoOf({ model, axisErrorMm, px: 480 })),
  ...change,
})
const take = (path: string, look: object) => server.agent().post<RemoteLookAnswer>(`${path}/looks`, look)
const looksOf = async (code: string) => (await ines.get<RemoteLooks>(`/api/kits/${code}/remote-looks`)).body.looks
const said = ({ lines }: RemoteLookAnswer) => lines.map(({ sentence }) => sentence).join(' ')
/** A kit of the public model with a mirror, handed out anew. */
async function lentAnew(code: string): Promise<{ path: string; kit: KitSheet }> {
  const kit = await kitOf(ines, code)
  if (kit.loan) return { path: await outNow(code), kit }
  const { kitId, body } = await handOutBody(ines, code)
  const slip = (await ines.post<Slip & { guidePath: string }>(`/api/kits/${kitId}/hand-out`, body)).body
  return { path: pathOf(slip.guidePath), kit }
}
/** The next kit on the shelf whose mirror was measured, and the model that its pictures are drawn after. */
const mirrorKit = async (): Promise<{ code: string; model: PhotoOf['model'] }> => {
  const { kits } = (await ines.get<{ kits: { code: string; group: string }[] }>('/api/kits')).body
  for (const { code, group } of kits) {
    if (group !== 'shelf') continue
    const { mirror, optics } = await kitOf(ines, code)
    const model = optics.apertureMm === 110 ? 'table-110' : optics.apertureMm === 125 ? 'slide-125' : null
    if (mirror?.cell && model) return { code, model }
  }
  throw new Error('the demo’s shelf has no kit with a measured mirror')
}

let mirrorModel: { branchId: string; modelId: string; model: PhotoOf['model'] }

/** A kit that has just been counted, all there. */
async function newKit(code: string, of: { branchId: string; modelId: string }): Promise<KitSheet> {
  const details = { owner: '', serialNumber: '', priceMinor: null, note: '' }
  await ines.post('/api/kits', { idempotencyKey: randomUUID(), ...of, code, name: code, place: 'bay 9', details })
  const kit = await kitOf(ines, code)
  await ines.post(`/api/kits/${kit.id}/count-rest`, { kitVersion: kit.version })
  for (const part of (await kitOf(ines, code)).parts.filter(({ mark }) => mark === 'unseen')) {
    const { version } = await kitOf(ines, code)
    await ines.post(`/api/kits/${kit.id}/parts/${part.id}/mark`, { kitVersion: version, mark: 'present', note: '' })
  }
  return kitOf(ines, code)
}

it('a photo through the peephole is measured at once, told to the borrower, and on the collimation station', async () => {
  const { code, model } = await mirrorKit()
  const { branchId, modelId } = await kitOf(ines, code)
  mirrorModel = { branchId, modelId, model }
  const { path, kit } = await lentAnew(code)
  const offers = (await server.agent().get<RemoteLookOffers>(`${path}/looks`)).body
  // Two in the afternoon: the Sun is up.
  expect(offers).toMatchObject({ sunAsked: true, kinds: ['peephole', 'star', 'finder'] })
  expect(offers.finder?.nearestM).toBeGreaterThanOrEqual(100)

  const look = await peephole({ x: 1.9, y: 0.6 }, {}, model)
  const answer = (await take(path, look)).body
  const truthMm = Math.hypot(1.9, 0.6)
  expect(answer.meaning).toBe('off')
  expect(Math.abs((answer.figure?.value ?? 0) - truthMm)).toBeLessThan(0.25)
  expect(said(answer)).toMatch(/Turn nothing/)

  // Sent twice it is one look, answered as before.
  expect((await take(path, look)).body).toEqual(answer)
  const looks = await looksOf(kit.code)
  expect(looks).toMatchObject([{ look: 'peephole', meaning: 'off', figure: answer.figure }])
  expect((await ines.get(`/api/pictures/${looks[0]?.pictureId}`)).status).toBe(200)
  const { jobs } = await kitOf(ines, kit.code)
  expect(jobs.find((job) => job.code === 'reported-trouble')?.text).toMatch(/Through the peephole: .* off/)
  const { messages } = (await ines.get<ReceivedMessages>('/api/borrower-messages')).body
  expect(messages.find(({ kitCode }) => kitCode === kit.code)).toMatchObject({
    kind: 'look',
    look: { look: 'peephole', meaning: 'off' },
  })
})

it('a screw is named only by the branch’s leave and where the open end was told', async () => {
  const { model, ...of } = mirrorModel
  const { id, version } = await newKit('P-2', of)
  await ines.post(`/api/kits/${id}/collimation-policy`, { policy: 'with-help-sheet', kitVersion: version })
  const { path } = await lentAnew('P-2')
  const told = (await take(path, await peephole({ x: 1.9, y: 0.6 }, {}, model))).body
  expect(said(told)).toMatch(/turn screw \{screw\}/)
  const untold = (await take(path, await peephole({ x: 1.9, y: 0.6 }, { openEndDeg: null }, model))).body
  expect([untold.meaning, said(untold)]).toEqual(['off', expect.not.stringMatching(/turn screw/)])
  const fine = (await take(path, await peephole({ x: 0.1, y: 0.1 }, {}, model))).body
  expect(fine.meaning).toBe('good')
})

it('by day nothing is measured before the Sun’s question is answered; at night it isn’t asked of a mirror', async () => {
  const path = await outNow('M-10')
  const finder = { key: randomUUID(), kind: 'finder', seen: null, distanceM: null, sunSafe: false }
  const refused = (await take(path, finder)) as unknown as { status: number; body: { error: { code: string } } }
  expect([refused.status, refused.body.error.code]).toEqual([422, 'SUN_NOT_ASKED'])
  server.time.now = new Date('2026-03-12T22:00:00Z')
  const night = (await server.agent().get<RemoteLookOffers>(`${path}/looks`)).body
  expect(night.sunAsked).toBe(false)
  // A landmark is looked at by day or not at all: it always needs the yes.
  expect((await take(path, finder)).status).toBe(422)
})

it('the finder at a landmark: a figure against the lowest power’s field, and a job where it is off', async () => {
  const path = await outNow('M-08')
  const look = { kind: 'finder', sunSafe: true, distanceM: 500 }
  const near = await take(path, { ...look, key: randomUUID(), seen: { fraction: 0.2, clockHours: 3 } })
  expect(near.body).toMatchObject({ meaning: 'good', figure: { unit: 'arcmin' } })
  server.time.now = new Date(server.time.now.getTime() + 1000)
  const lost = await take(path, { ...look, key: randomUUID(), seen: null })
  expect(lost.body).toMatchObject({ meaning: 'off', figure: null })
  const { jobs } = await kitOf(ines, 'M-08')
  expect(jobs.map(({ code }) => code)).toContain('reported-trouble')
  expect((await looksOf('M-08')).map(({ meaning }) => meaning)).toEqual(['off', 'good'])
})

it('what can’t be read is answered, and kept from the bench; what is no picture is refused', async () => {
  const path = await outNow('M-11')
  const black = await sharp({ create: { width: 600, height: 600, channels: 3, background: '#050505' } })
    .jpeg()
    .toBuffer()
  const answer = (await take(path, await peephole({ x: 0, y: 0 }, { picture: base64(black) }))).body
  expect(answer).toMatchObject({ meaning: 'unreadable', figure: null })
  const star = { key: randomUUID(), kind: 'star', picture: base64(black), otherSide: null, rings: 5 }
  expect((await take(path, star)).body.meaning).toBe('unreadable')
  expect(await looksOf('M-11')).toEqual([])
  const text = base64(Buffer.from('no picture at all '.repeat(20)))
  expect((await take(path, { ...star, key: randomUUID(), picture: text })).status).toBe(400)
  expect((await take(path, { ...star, picture: 'A'.repeat(3_000_000) })).status).toBe(413)
  expect((await server.agent().post('/api/guides/nobodys-link-of-this-length/looks', star)).status).toBe(404)
})

it('the open case before it goes back: which places differ, beside how it looked when complete', async () => {
  const { branchId, modelId } = await kitOf(ines, 'M-12')
  const kit = await newKit('KA', { branchId, modelId })
  const { path } = await lentAnew('KA')
  expect((await server.agent().get<RemoteLookOffers>(`${path}/looks`)).body.kinds).not.toContain('case')

  const folder = new URL('pictures/case/', import.meta.url)
  const { cases } = JSON.parse(readFileSync(new URL('truth.json', folder), 'utf8')) as {
    cases: { A: { compartments: { id: string; outlineMm: [number, number][] }[] } }
  }
  const places = cases.A.compartments.map(({ outlineMm }, i) => ({
    ...{ id: randomUUID(), partId: kit.parts[i + 1]?.id ?? null },
    outlineMm: outlineMm.map(([x, y]) => ({ x, y })),
  }))
  await ines.put(`/api/kits/${kit.id}/case-drawing`, { version: 0, caseMm: { width: 560, height: 400 }, places })
  for (const name of ['ref-1', 'ref-2', 'ref-3', 'ref-4']) {
    const bytes = readFileSync(new URL(`A-${name}.jpg`, folder))
    const pictureId = (await ines.upload<{ id: string }>(`/api/pictures?branchId=${branchId}`, bytes)).body.id
    const marks = await readCaseMarks(await decodePicture(bytes, 1600))
    const view = { id: randomUUID(), pictureId, marks, referenceFor: null, loanId: null, compared: null }
    expect((await ines.post(`/api/kits/${kit.id}/case-views`, view)).status).toBe(200)
  }
  expect((await server.agent().get<RemoteLookOffers>(`${path}/looks`)).body.kinds).toContain('case')

  const picture = base64(readFileSync(new URL('A-test-3.jpg', folder)))
  const answer = (await take(path, { key: randomUUID(), kind: 'case', picture })).body
  const missing = kit.parts[2]?.name
  expect(answer.caseSeen?.places.filter(({ verdict }) => verdict === 'different').map(({ name }) => name)).toEqual([
    missing,
  ])
  expect(answer.lines[0]?.variables).toEqual({ parts: missing })
  for (const jpeg of [answer.caseSeen?.now, answer.caseSeen?.before])
    expect((await sharp(Buffer.from(jpeg ?? '', 'base64')).metadata()).width).toBe(672)
  // A picture says where to look, not what is there.
  expect(await looksOf('KA')).toMatchObject([{ look: 'case', meaning: 'off' }])
  expect((await kitOf(ines, 'KA')).jobs.map(({ code }) => code)).not.toContain('reported-trouble')
})
