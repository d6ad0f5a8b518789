import { randomUUID } from 'node:crypto'
import type { KitSheet, Landmarks, LandmarkFile, ModelSheet, Printed, Sites } from '@binoculum/contract'
import { distanceAndBearing } from '@binoculum/core'
import { kitOf, startTestServer, testNow, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let kofi: Agent
let coordinator: Agent
beforeAll(async () => {
  server = await startTestServer()
  kofi = await server.signIn('kofi')
  coordinator = await server.signIn('ines')
})
afterAll(() => server.close())

const landmark = { kind: 'landmark', name: 'Chapel gable', distanceM: 140, shaded: true }
const seen = (x: number, y: number, target: object = landmark) => ({
  way: 'seen',
  how: 'finder',
  misalignmentArcmin: { x, y },
  uncertaintyArcmin: 3,
  target,
})
async function check(code: string, station: object, rest: object = {}) {
  const kit = await kitOf(kofi, code)
  return kofi.post<{ kit: KitSheet; error?: unknown }>(`/api/kits/${kit.id}/checks`, {
    idempotencyKey: randomUUID(),
    kitVersion: kit.version,
    stations: [{ station: 'finder', ...station }],
    doneJobIds: kit.jobs.map(({ id }) => id),
    backToShelf: true,
    ...rest,
  })
}

describe('the finder’s station', () => {
  it('keeps what was seen with its direction, and what the knobs did', async () => {
    const turned = [
      {
        before: { x: 40, y: -20 },
        turns: [{ name: 'Side knob', turns: -1 }],
        after: { x: 4, y: -3 },
        uncertaintyArcmin: 4,
      },
    ]
    const { kit } = (await check('M-07', { asFound: seen(40, -20), asLeft: seen(4, -3), turned })).body
    const reading = kit.readings.find(({ kind }) => kind === 'finder')
    expect(reading).toMatchObject({ source: 'measured', asLeft: 5, asFound: expect.closeTo(Math.hypot(40, 20), 9) })
    expect(kit.knobSteps).toEqual(turned)
    expect(kit.past.at(-1)).toMatchObject({ kind: 'finder', asLeft: 5 })
    expect(kit.finderDrift).toMatchObject({ kind: 'red-dot', ownLoans: expect.any(Number) })
  })

  it('by day nothing is taken before the question of the Sun is answered with yes', async () => {
    for (const shaded of [false, null, undefined]) {
      const target = { ...landmark, shaded }
      const reply = await check('M-07', { asFound: seen(1, 1, target), asLeft: seen(1, 1, target) })
      expect(reply.status).toBe(400)
    }
  })

  it('an angle that somebody knows, or a star, is no way round the question by day', async () => {
    const star = { kind: 'star', name: 'the pole star', distanceM: null }
    const typed = { way: 'typed', misalignmentArcmin: 4 }
    const deviceUtc = testNow.toISOString()
    const { sites } = (await kofi.get<Sites>('/api/sites')).body
    const siteId = sites[0]?.id
    for (const reading of [seen(1, 1, star), typed, { ...typed, target: star }])
      for (const clock of [{}, { deviceUtc }, { deviceUtc: '2026-03-12T22:00:00Z' }]) {
        const reply = await check('M-07', { asFound: reading, asLeft: reading, siteId }, clock)
        expect([reply.status, reply.body.error]).toMatchObject([422, { code: 'SUN_NOT_ASKED' }])
      }
    const said = { ...typed, target: { ...star, shaded: true } }
    expect((await check('M-07', { asFound: said, asLeft: said })).status).toBe(200)
    const indoors = { ...typed, target: { ...star, kind: 'sheet', distanceM: 9 } }
    expect((await check('M-07', { asFound: indoors, asLeft: indoors })).status).toBe(200)
  })

  it('at night it goes unasked where both clocks and the place agree; what was seen at night may be sent by day', async () => {
    const star = { kind: 'star', name: 'the pole star', distanceM: null }
    const { sites } = (await kofi.get<Sites>('/api/sites')).body
    const kit = await kitOf(kofi, 'M-07')
    const siteId = sites.find(({ branchId }) => branchId === kit.branchId)?.id
    const reading = { ...seen(1, 1, star), lookedAtUtc: '2026-03-12T04:00:00Z' }
    const sent = { asFound: reading, asLeft: reading, siteId }
    const deviceUtc = testNow.toISOString()
    expect((await check('M-07', sent, { deviceUtc: '2026-03-12T14:06:00Z' })).status).toBe(422)
    expect((await check('M-07', { ...sent, siteId: null }, { deviceUtc })).status).toBe(422)
    expect((await check('M-07', sent, { deviceUtc })).status).toBe(200)
  })

  it('one that is off is told, and says what to do', async () => {
    const { kit } = (await check('M-07', { asFound: seen(200, 0), asLeft: seen(200, 0) })).body
    expect(kit.reasons.map(({ code }) => code)).toContain('FINDER_OFF')
    expect(kit.condition).toBe('crescent')
    await check('M-07', { asFound: seen(200, 0), asLeft: seen(2, 0) })
  })

  it('a battery’s door that isn’t screwed shut holds the kit', async () => {
    const care = { brightness: 'dim', switchedOff: true, tabIn: true, doorScrewed: false }
    const { kit } = (await check('F-02', { asFound: seen(1, 1), asLeft: seen(1, 1), care })).body ?? {}
    expect(kit.hazards).toContain('battery-door-open')
    expect(kit.group).toBe('held')
  })
})

describe('where a kit’s own finder sits', () => {
  it('is measured by whoever is at the bench, and is on record', async () => {
    const kit = await kitOf(kofi, 'M-03')
    const path = `/api/kits/${kit.id}/finder-offset`
    const offsetMm = { x: -86, y: 81 }
    const { body } = await kofi.post<KitSheet>(path, { kitVersion: kit.version, offsetMm })
    expect(body.optics.finderOffsetMm).toEqual(offsetMm)
    expect(body.ownFinder).toMatchObject({ offsetMm, by: expect.stringContaining('Kofi') })
    expect(body.history[0]).toMatchObject({ act: 'finder-offset-measured', after: { offsetMm } })
    // Its model, and the model's other kits, keep theirs.
    const model = (await kofi.get<ModelSheet>(`/api/models/${body.modelId}`)).body
    expect(model.finderOffsetMm).not.toEqual(offsetMm)
  })
  it('is never in the tube’s own middle', async () => {
    const kit = await kitOf(kofi, 'M-03')
    const body = { kitVersion: kit.version, offsetMm: { x: 3, y: 4 } }
    expect((await kofi.post(`/api/kits/${kit.id}/finder-offset`, body)).status).toBe(400)
  })
})

it('only a coordinator writes what a model’s finder is; kits follow', async () => {
  const kit = await kitOf(coordinator, 'M-03')
  const { body: sheet } = await coordinator.get<ModelSheet>(`/api/models/${kit.modelId}`)
  const finder = { ...sheet.finder, spareTravelMm: 20, knownNearestM: null }
  const body = { version: sheet.version, finder, finderOffsetMm: { x: -70, y: 90 } }
  expect((await kofi.put(`/api/models/${sheet.id}/finder`, body)).status).toBe(403)
  const wrong = { ...body, finder: { ...finder, kind: 'peep' } }
  expect((await coordinator.put(`/api/models/${sheet.id}/finder`, wrong)).status).toBe(400)
  expect((await coordinator.put(`/api/models/${sheet.id}/finder`, body)).status).toBe(200)
  expect((await kitOf(coordinator, 'M-03')).finder?.spareTravelMm).toBe(20)
})

describe('landmarks', () => {
  let siteId = ''
  let site: Sites['sites'][number]
  const given = {
    name: 'Old kiln',
    what: 'stack',
    distanceM: 320,
    bearingDeg: 118,
    heightDeg: 3,
    source: 'typed',
    latitudeDeg: null,
    longitudeDeg: null,
    pictureId: null,
    version: null,
  }
  beforeAll(async () => {
    const { sites } = (await coordinator.get<Sites>('/api/sites')).body
    site = sites.find(({ name }) => name === 'Library yard') as typeof site
    siteId = site.id
  })
  const path = () => `/api/sites/${siteId}/landmarks`

  it('are kept, farthest first, by coordinators only', async () => {
    expect((await kofi.post(path(), given)).status).toBe(403)
    const { landmarks } = (await coordinator.post<Landmarks>(path(), given)).body
    expect(landmarks.map(({ distanceM }) => distanceM)).toEqual(
      landmarks.map(({ distanceM }) => distanceM).sort((a, b) => b - a),
    )
    const [own] = landmarks.filter(({ name }) => name === 'Old kiln')
    const changed = { ...given, distanceM: 330, version: own?.version }
    expect((await coordinator.put<Landmarks>(`${path()}/${own?.id}`, changed)).status).toBe(200)
    expect((await coordinator.put<Landmarks>(`${path()}/${own?.id}`, changed)).status).toBe(409)
  })

  it.each([
    { what: 'at 3 m', change: { name: 'near', distanceM: 3 }, says: '5 m away at least' },
    { what: 'at 400°', change: { name: 'round', bearingDeg: 400 }, says: 'between 0 and 360' },
    { what: 'a name twice', change: {}, says: 'the name of another landmark' },
  ])('$what is refused, with what to do', async ({ change, says }) => {
    const reply = await coordinator.post(path(), { ...given, ...change })
    expect(reply.status).toBe(400)
    expect(JSON.stringify(reply.body)).toContain(says)
  })

  it('go out as GeoJSON and come in again as they were', async () => {
    const reply = await coordinator.get<string>(`${path()}.geojson`)
    expect(reply.headers['content-type']).toContain('application/geo+json')
    const file = JSON.parse(reply.body) as LandmarkFile
    const before = (await coordinator.get<Landmarks>(path())).body.landmarks
    expect(file.features).toHaveLength(before.length)
    for (const { geometry, properties } of file.features) {
      const [longitudeDeg, latitudeDeg] = geometry.coordinates
      const at = distanceAndBearing(site, { latitudeDeg, longitudeDeg, heightM: site.heightM })
      const own = before.find(({ name }) => name === properties?.name)
      expect(Math.abs(at.distanceM - (own?.distanceM ?? 0))).toBeLessThan(1.5)
    }
    const { body } = await coordinator.post<Landmarks>(`${path()}.geojson`, file)
    const plain = ({ landmarks }: Landmarks) =>
      landmarks.map(({ name, distanceM, bearingDeg, heightDeg }) => ({ name, distanceM, bearingDeg, heightDeg }))
    expect(plain(body)).toEqual(plain({ landmarks: before }))
  })

  it('a plain file of points is reckoned from its coordinates', async () => {
    const feature = {
      type: 'Feature',
      geometry: { type: 'Point', coordinates: [site.longitudeDeg, site.latitudeDeg + 0.01] },
      properties: { name: 'Due north' },
    }
    const { body } = await coordinator.post<Landmarks>(`${path()}.geojson`, {
      type: 'FeatureCollection',
      features: [feature],
    })
    const own = body.landmarks.find(({ name }) => name === 'Due north')
    // A hundredth of a degree of latitude here is 1,112.7 m.
    expect(own?.distanceM).toBeCloseTo(1112.7, 0)
    expect(own?.bearingDeg).toBeCloseTo(0, 3)
  })

  it.each([
    { what: 'no collection', file: { type: 'Point' }, says: 'FeatureCollection' },
    {
      what: 'a line among the points',
      file: {
        type: 'FeatureCollection',
        features: [{ type: 'Feature', geometry: { type: 'LineString', coordinates: [[0, 0]] }, properties: {} }],
      },
      says: 'features.0.geometry',
    },
  ])('$what changes nothing and says where it is wrong', async ({ file, says }) => {
    const before = (await coordinator.get<Landmarks>(path())).body
    const reply = await coordinator.post(`${path()}.geojson`, file)
    expect(reply.status).toBe(400)
    expect(JSON.stringify(reply.body)).toContain(says)
    expect((await coordinator.get<Landmarks>(path())).body).toEqual(before)
  })

  it('a thing at the place itself is none, and nothing of its file comes in', async () => {
    const point = (name: string, lift: number) => ({
      type: 'Feature',
      geometry: { type: 'Point', coordinates: [site.longitudeDeg, site.latitudeDeg + lift] },
      properties: { name },
    })
    const file = { type: 'FeatureCollection', features: [point('Good one', 0.01), point('Here', 0)] }
    expect((await coordinator.post(`${path()}.geojson`, file)).status).toBe(400)
    const names = (await coordinator.get<Landmarks>(path())).body.landmarks.map(({ name }) => name)
    expect(names).not.toContain('Good one')
  })

  it('another branch’s stay closed', async () => {
    const petra = await server.signIn('petra')
    expect((await petra.get(path())).status).toBe(404)
  })
})

describe('sheets of two marks', () => {
  it.each(['a4', 'letter'])('on %s the marks stand as far apart as the kit’s finder from its tube', async (paper) => {
    const kit = await kitOf(kofi, 'M-03')
    const path = `/api/prints?kind=finders&codes=M-03&paper=${paper}&first=1`
    const [page] = (await kofi.get<Printed>(path)).body.pages
    const circles = (page?.items ?? []).flatMap((item) => (item.kind === 'circle' ? [item] : []))
    const ring = circles.find(({ r }) => r === 13)
    const cross = circles.find(({ r }) => r === 11)
    expect((ring?.x ?? 0) - (cross?.x ?? 0)).toBeCloseTo(kit.optics.finderOffsetMm.x, 6)
    expect((cross?.y ?? 0) - (ring?.y ?? 0)).toBeCloseTo(kit.optics.finderOffsetMm.y, 6)
    expect(JSON.stringify(page)).toContain('Offset measured')
  })

  it('for all kits at once, a page each', async () => {
    const { kits } = (await kofi.get<{ kits: { code: string }[] }>('/api/kits')).body
    const codes = kits.map(({ code }) => code).join(',')
    const { pages } = (await kofi.get<Printed>(`/api/prints?kind=finders&codes=${codes}&paper=a4&first=1`)).body
    expect(pages).toHaveLength(kits.length)
    expect((await kofi.get(`/api/prints/pdf?kind=finders&codes=${codes}&paper=a4&first=1`)).status).toBe(200)
  })
})
