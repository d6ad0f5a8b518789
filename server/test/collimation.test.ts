import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { KitSheet, ModelSheet, PracticeLog } from '@binoculum/contract'
import { kitOf, startTestServer, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let kofi: Agent
let coordinator: Agent
beforeAll(async () => {
  server = await startTestServer()
  kofi = await server.signIn('kofi')
  coordinator = await server.signIn('ines')
})
afterAll(() => server.close())

const photo = (x: number, y: number, uncertaintyMm = 0.2) => ({
  way: 'photo',
  axisErrorMm: { x, y },
  uncertaintyMm,
  byHand: false,
})
async function check(code: string, station: object) {
  const kit = await kitOf(kofi, code)
  const body = {
    idempotencyKey: randomUUID(),
    kitVersion: kit.version,
    stations: [{ station: 'collimation', sun: { shaded: true }, ...station }],
    doneJobIds: kit.jobs.map(({ id }) => id),
    backToShelf: true,
  }
  return kofi.post<{ kit: KitSheet }>(`/api/kits/${kit.id}/checks`, body)
}

it('a picture’s figure is kept with its doubt, and what the screws did is learnt', async () => {
  const turned = [
    { before: { x: 2, y: -1 }, turns: [{ name: 'B', turns: 0.375 }], after: { x: 0.1, y: 0.1 }, uncertaintyMm: 0.28 },
  ]
  const { kit } = (await check('M-07', { asFound: photo(2, -1), asLeft: photo(0.1, 0.1), turned })).body
  const reading = kit.readings.find(({ kind }) => kind === 'collimation')
  expect(reading).toMatchObject({ source: 'photo', uncertainty: 0.2 })
  expect(reading?.asFound).toBeCloseTo(Math.sqrt(5), 9)
  expect(kit.turned).toEqual(turned)
  expect(kit.past.at(-1)).toMatchObject({ kind: 'collimation', uncertainty: 0.2 })
})

it('what a cell taught is forgotten by whoever works there, on record, and by nobody elsewhere', async () => {
  const turned = [
    { before: { x: 2, y: 0 }, turns: [{ name: 'A', turns: 1 }], after: { x: 3, y: 0 }, uncertaintyMm: 0.2 },
  ]
  const { kit } = (await check('M-07', { asFound: photo(2, 0), asLeft: photo(0.1, 0.1), turned })).body
  expect(kit.turned.length).toBeGreaterThan(0)
  const path = `/api/kits/${kit.id}/cell/forget`
  const petra = await server.signIn('petra')
  expect((await petra.post(path, { kitVersion: kit.version })).status).toBeGreaterThanOrEqual(403)
  expect((await kofi.post(path, { kitVersion: kit.version - 1 })).status).toBe(409)
  const forgot = (await kofi.post<{ kit: KitSheet }>(path, { kitVersion: kit.version })).body.kit
  expect(forgot.turned).toEqual([])
  expect(forgot.history[0]).toMatchObject({ act: 'cell-forgotten', after: { steps: kit.turned.length } })
})

it('by day no way of looking counts without the yes to the question of the Sun', async () => {
  const looks = [photo(1, 0), { way: 'eye', place: 'middle', clockHours: 3 }, { offsetMm: 1, clockHours: 4 }]
  for (const look of looks)
    for (const sun of [undefined, { shaded: false }, { shaded: false, lookedAtUtc: '2026-03-12T04:00:00Z' }]) {
      const { status, body } = await check('M-07', { asFound: look, asLeft: look, sun })
      expect([status, body]).toMatchObject([422, { error: { code: 'SUN_NOT_ASKED' } }])
    }
})

it('a limit inside the doubt is said, and neither fit nor unfit', async () => {
  const { kit } = (await check('M-07', { asFound: photo(1.1, 0), asLeft: photo(1.1, 0) })).body
  expect(kit.reasons.map(({ code }) => code)).toContain('COLLIMATION_UNSURE')
  expect(kit.condition).toBe('half')
})

it('a look by eye is judged, with the doubt of the kit’s own mark', async () => {
  const eye = { way: 'eye', place: 'on-edge', clockHours: 3 }
  const { kit } = (await check('M-07', { asFound: eye, asLeft: { ...eye, place: 'middle' } })).body
  const reading = kit.readings.find(({ kind }) => kind === 'collimation')
  // A mark of 8 mm: its rim lies 4 mm off, h = A(1 − k)/(2(1 + k)).
  expect(reading?.asFound).toBeCloseTo((4 * (1 - 15 / 600)) / (2 * (1 + 15 / 600)), 9)
  expect(reading).toMatchObject({ source: 'judged', asLeft: 0, uncertainty: 0.5 })
})

it.each([
  { what: 'half a direction', asFound: { way: 'photo', axisErrorMm: { x: 1 }, uncertaintyMm: 0.2, byHand: false } },
  { what: 'a place eyes don’t know', asFound: { way: 'eye', place: 'somewhere', clockHours: 3 } },
  { what: 'a doubt below nothing', asFound: photo(1, 0, -1) },
])('$what is refused', async ({ asFound }) => {
  expect((await check('M-07', { asFound, asLeft: photo(0, 0) })).status).toBe(400)
})

describe('a model’s mirrors and cell', () => {
  it('a coordinator writes them; what is impossible is named by its field, and another’s change isn’t lost', async () => {
    const { modelId } = await kitOf(kofi, 'M-07')
    const path = `/api/models/${modelId}`
    const sheet = (await coordinator.get<ModelSheet>(path)).body
    const { collimatable, mirrorFigure, peepholeOutsideFocusMm } = sheet.optics
    const optics = { collimatable, mirrorFigure, peepholeOutsideFocusMm, primaryFocalLengthMm: 648 }
    const mirror = sheet.mirror && {
      ...sheet.mirror,
      cell: sheet.mirror.cell && { ...sheet.mirror.cell, clockwise: 'towards-sky' },
    }
    const written = await coordinator.put<ModelSheet>(`${path}/mirror`, { version: sheet.version, mirror, optics })
    expect(written.body).toMatchObject({ optics: { primaryFocalLengthMm: 648 }, mirror, version: sheet.version + 1 })
    expect((await kitOf(kofi, 'M-07')).mirror).toEqual(mirror)
    const stale = await coordinator.put(`${path}/mirror`, { version: sheet.version, mirror, optics })
    expect(stale.status).toBe(409)
    const two = { ...mirror, cell: { ...mirror?.cell, screws: mirror?.cell?.screws.slice(0, 2) } }
    const refused = await coordinator.put<{ error: { issues: { path: string }[] } }>(`${path}/mirror`, {
      version: sheet.version + 1,
      mirror: two,
      optics,
    })
    expect(refused.status).toBe(400)
    expect(JSON.stringify(refused.body)).toContain('three screws at least')
    expect((await kofi.put(`${path}/mirror`, { version: sheet.version + 1, mirror, optics })).status).toBe(403)
  })
})

it('only a coordinator says whether borrowers may line a kit up, and it is on record', async () => {
  const kit = await kitOf(kofi, 'M-01')
  const path = `/api/kits/${kit.id}/collimation-policy`
  const body = { kitVersion: kit.version, policy: 'with-help-sheet' }
  expect((await kofi.post(path, body)).status).toBe(403)
  const { body: changed } = await coordinator.post<KitSheet>(path, body)
  expect(changed.policies.collimation).toBe('with-help-sheet')
  expect(changed.history[0]).toMatchObject({
    act: 'collimation-policy-set',
    before: { policy: 'leave-it-to-us' },
    after: { policy: 'with-help-sheet' },
  })
})

it('practice is private: one’s own, and the coordinator’s', async () => {
  const run = {
    level: 'one-screw',
    sixteenthsUsed: 9,
    sixteenthsLeast: 8,
    startMm: 3.1,
    leftMm: 0.2,
    limitMm: 1.33,
    helpLines: 1,
    seconds: 80,
  }
  const { body: mine } = await kofi.post<PracticeLog>('/api/practice', run)
  expect(mine.results).toEqual([expect.objectContaining({ ...run, mine: true })])
  expect((await coordinator.get<PracticeLog>('/api/practice')).body.results).toEqual([
    expect.objectContaining({ sixteenthsUsed: 9, mine: false }),
  ])
  await kofi.post('/api/practice', { ...run, sixteenthsUsed: 15, leftMm: 1.6, helpLines: 0 })
  const { body: later } = await kofi.post<PracticeLog>('/api/practice', { ...run, sixteenthsLeast: 16, leftMm: 0.4 })
  const summed = { level: 'one-screw', tubes: 3, within: 2, timesLeast: 33 / 32, middleLeftMm: 0.4, unaided: 1 }
  expect(later.summaries).toEqual([expect.objectContaining({ ...summed, mine: true })])
  expect((await coordinator.get<PracticeLog>('/api/practice')).body.summaries).toEqual([
    expect.objectContaining({ ...summed, mine: false }),
  ])
  const petra = await server.signIn('petra')
  expect((await petra.get<PracticeLog>('/api/practice')).body).toEqual({ results: [], summaries: [] })
  expect((await kofi.post('/api/practice', { ...run, leftMm: -1 })).status).toBe(400)
})

describe('pictures at the edges', () => {
  const folder = new URL('./pictures/', import.meta.url)
  const known = {
    apertureMm: 114,
    focalLengthMm: 450,
    peepholeOutsideFocusMm: 8,
    openEndDeg: -6,
    markOuterDiameterMm: 6.5,
    capRingDiameterMm: 21.4,
  }
  const bytes = readFileSync(new URL('peephole/pub_01.jpg', folder))

  it('over HTTP a picture is base64, and measured like everywhere', async () => {
    const { body } = await kofi.post<{ cell: { axisErrorMm: { x: number; y: number } } }>(
      '/api/calculators/collimation.measurePhoto',
      { ...known, image: bytes.toString('base64') },
    )
    expect(body.cell.axisErrorMm.x).toBeCloseTo(1.27, 1)
    expect(body.cell.axisErrorMm.y).toBeCloseTo(-1.82, 1)
  })

  it.each([
    { what: 'a path', given: { path: '/etc/hostname' }, says: 'path' },
    { what: 'no picture', given: { image: Buffer.from('not a picture at all').toString('base64') }, says: 'image' },
    { what: 'half a picture', given: { image: bytes.subarray(0, 2000).toString('base64') }, says: 'image' },
    { what: 'nothing', given: {}, says: 'image' },
  ])('$what is refused with 400', async ({ given, says }) => {
    const { status, body } = await kofi.post('/api/calculators/collimation.measurePhoto', { ...known, ...given })
    expect(status).toBe(400)
    expect(JSON.stringify(body)).toContain(says)
  })

  it('a picture of 100 megapixels in a few bytes is refused by its header, not unpacked', async () => {
    const { status, body } = await kofi.post('/api/calculators/collimation.measurePhoto', {
      ...known,
      image: bombPng(10_000, 10_000).toString('base64'),
    })
    expect(status).toBe(400)
    expect(JSON.stringify(body)).toContain('64 megapixels')
  })
})

/** A PNG whose header claims a size that its few bytes don't hold. */
function bombPng(width: number, height: number): Buffer {
  const head = Buffer.alloc(25)
  head.writeUInt32BE(13, 0)
  head.write('IHDR', 4, 'latin1')
  head.writeUInt32BE(width, 8)
  head.writeUInt32BE(height, 12)
  head.set([8, 2, 0, 0, 0], 16)
  head.writeUInt32BE(crc32(head.subarray(4, 21)), 21)
  return Buffer.concat([Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]), head])
}

function crc32(bytes: Uint8Array): number {
  let crc = 0xffffffff
  for (const byte of bytes) {
    crc ^= byte
    for (let bit = 0; bit < 8; bit++) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1
  }
  return (crc ^ 0xffffffff) >>> 0
}
