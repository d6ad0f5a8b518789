import { randomUUID } from 'node:crypto'
import type { KitChange, KitSheet } from '@binoculum/contract'
import { kitOf, startTestServer, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let kofi: Agent
beforeAll(async () => {
  server = await startTestServer()
  kofi = await server.signIn('kofi')
})
afterAll(() => server.close())

const fine = { asFound: 'fine', asLeft: 'fine' }
const step = (key: string, phase: string) => ({
  key,
  title: key,
  phase,
  asFound: 'fine',
  asLeft: 'fine',
  seconds: 20,
})
const assembled = {
  station: 'assembly',
  steps: [step('legs', 'stand'), step('head', 'mount'), step('tube', 'tube'), step('moves', 'fit-out')],
}
const mirror = (found: number, left: number) => ({
  station: 'collimation',
  sun: { shaded: true },
  asFound: { offsetMm: found, clockHours: 4 },
  asLeft: { offsetMm: left, clockHours: 12 },
})
/** Indoors, where no Sun is to be asked about. */
const sheet = { kind: 'sheet', name: 'its sheet of two marks', distanceM: 9 }
const finder = (arcmin: number) => ({
  station: 'finder',
  asFound: { way: 'typed', misalignmentArcmin: 44, target: sheet },
  asLeft: { way: 'typed', misalignmentArcmin: arcmin, target: sheet },
})
const focus = (rest: object) => {
  const state = { looks: [{ chain: 'Eyepiece 25 mm', eyepieceMm: 25, drawtubeMm: 30 }], rack: 'smooth' }
  return { station: 'focus', travelMm: 60, distanceM: null, asFound: state, asLeft: state, ...rest }
}
const power = (asFound: object, asLeft = asFound) => ({
  ...{ station: 'power', chemistry: 'lead', cellCount: 6, capacityAh: 7, drawA: 0.35, neededHours: 6 },
  ...{ asFound, asLeft },
})
async function check(code: string, stations: object[], rest: object = {}) {
  const kit = await kitOf(kofi, code)
  const doneJobIds = kit.jobs.map(({ id }) => id)
  const body = {
    idempotencyKey: randomUUID(),
    kitVersion: kit.version,
    stations,
    doneJobIds,
    backToShelf: true,
    ...rest,
  }
  return kofi.post<{ kit: KitSheet; error: { code: string } }>(`/api/kits/${kit.id}/checks`, body)
}

it('a mirror put right makes the kit fit, and both readings are kept', async () => {
  expect(await kitOf(kofi, 'M-07')).toMatchObject({ group: 'bench', condition: 'crescent' })
  const { kit } = (await check('M-07', [mirror(5.1, 0.6)])).body
  expect(kit).toMatchObject({ group: 'shelf', condition: 'full' })
  const reading = kit.readings.find(({ kind }) => kind === 'collimation')
  // 600 mm with the peephole 15 mm outside: h = A(1 − k)/(2(1 + k)), k = 15/600.
  expect(reading?.asFound).toBeCloseTo((5.1 * (1 - 15 / 600)) / (2 * (1 + 15 / 600)), 9)
  expect(reading?.asLeft).toBeLessThan(reading?.limit ?? 0)
  expect(kit.history[0]).toMatchObject({
    act: 'checked',
    before: { condition: 'crescent' },
    after: { condition: 'full' },
  })
  expect(kit.past.filter(({ kind }) => kind === 'collimation').length).toBeGreaterThan(5)
})

it('a finder left off keeps the kit at the bench', async () => {
  const { kit } = (await check('M-09', [finder(38)], { backToShelf: false })).body
  expect(kit).toMatchObject({ group: 'bench', condition: 'crescent' })
  expect(kit.reasons[0]).toMatchObject({ code: 'FINDER_OFF', figures: { value: 38 } })
})

it('a job stays open unless the check did it', async () => {
  const open = (await check('M-13', [{ station: 'glass', ...fine }], { doneJobIds: [] })).body.kit
  expect(open.jobs.map(({ code }) => code)).toEqual(['reported-trouble', 'bench-wanted'])
  const done = (await check('M-13', [finder(5), assembled])).body.kit
  expect([done.jobs, done.condition]).toEqual([[], 'full'])
})

it('power that won’t last a loan keeps it in; charged, it goes out again', async () => {
  const low = { way: 'gauge', step: 1, of: 4 }
  const { kit } = (await check('M-13', [power(low)])).body
  expect(kit.condition).toBe('crescent')
  expect(kit.reasons[0]).toMatchObject({ code: 'POWER_LOW', remedy: 'charge' })
  const charged = (await check('M-13', [power(low, { way: 'gauge', step: 4, of: 4 })])).body.kit
  expect(charged.condition).toBe('full')
  expect(charged.readings.find(({ kind }) => kind === 'power')).toMatchObject({ asFound: 1, asLeft: 0 })
})

it('an eyepiece that doesn’t come to focus is a word at the desk and in the guide, and no reason to keep it in', async () => {
  const eyepiece = (await kitOf(kofi, 'F-05')).parts.find(({ role }) => role === 'eyepiece')?.name ?? ''
  const draft = {
    kitCode: 'F-05',
    scope: 'kit',
    key: 'own-x',
    language: 'en',
    title: 'x',
    text: 'y',
    reason: 'to see',
  }
  const powers = async () =>
    (
      await kofi.post<{ powers: { eyepiece: string; barlow: string | null }[] }>('/api/guide-texts/preview', {
        ...draft,
        inUse: false,
      })
    ).body.powers.flatMap(({ eyepiece: name, barlow }) => (barlow === null ? [name] : []))
  expect(await powers()).toContain(eyepiece)
  const state = { looks: [{ chain: eyepiece, eyepieceMm: 10, drawtubeMm: null }], rack: 'smooth' }
  const { kit } = (await check('F-05', [focus({ asFound: state, asLeft: state })])).body
  expect(kit.reasons.map(({ code }) => code)).toContain('FOCUS_SHORT')
  expect(kit.condition).toBe('half')
  expect(await powers()).not.toContain(eyepiece)
  await check('F-05', [focus({})])
  expect(await powers()).toContain(eyepiece)
})

it('kept twice with the same key is kept once', async () => {
  const kit = await kitOf(kofi, 'F-05')
  const stations = [{ station: 'pack', ...fine }]
  const body = { idempotencyKey: randomUUID(), kitVersion: kit.version, stations, doneJobIds: [], backToShelf: true }
  const replies = await Promise.all([1, 2].map(() => kofi.post(`/api/kits/${kit.id}/checks`, body)))
  expect(replies.map(({ status }) => status)).toEqual([200, 200])
  expect((await kitOf(kofi, 'F-05')).version).toBe(kit.version + 1)
})

it('on a kit that changed meanwhile is refused with its present state', async () => {
  const stale = await check('F-05', [{ station: 'pack', ...fine }], { kitVersion: 1 })
  expect(stale.body).toMatchObject({ error: { code: 'KIT_CHANGED', details: { now: { code: 'F-05' } } } })
})

it.each([
  { what: 'no station', stations: [], path: 'stations' },
  { what: 'a negative offset', stations: [mirror(-1, 0)], path: 'offsetMm' },
  {
    what: 'a landmark at no distance',
    stations: [{ ...finder(1), asLeft: { way: 'landmark', distanceM: 0, seenMm: { x: 0, y: 0 } } }],
    path: 'distanceM',
  },
  {
    what: '13 o’clock',
    stations: [{ ...mirror(1, 1), asLeft: { offsetMm: 1, clockHours: 13 } }],
    path: 'clockHours',
  },
  { what: 'a lamp nearer than twice the focal length', stations: [focus({ distanceM: 0.8 })], path: 'stations.0' },
  { what: 'a drawtube beyond its scale', stations: [focus({ travelMm: 20 })], path: 'drawtubeMm' },
  { what: 'volts of another kind of cell', stations: [power({ way: 'volts', volts: 3 })], path: 'asFound' },
])('$what is refused by name', async ({ stations, path }) => {
  const reply = await check('F-05', stations)
  expect(reply.status).toBe(400)
  expect(JSON.stringify(reply.body)).toContain(path)
})

it('a kit that is out can’t be checked', async () => {
  expect((await check('M-08', [{ station: 'pack', ...fine }])).body).toMatchObject({ error: { code: 'KIT_OUT' } })
})

it('a missing slug found again leaves only the check that was asked for', async () => {
  const kit = await kitOf(kofi, 'M-04')
  const slug = kit.parts.find(({ role }) => role === 'weight-slug')
  expect(kit.condition).toBe('new')
  const url = `/api/kits/${kit.id}/parts/${slug?.id}/mark`
  const found = (await kofi.post<KitChange>(url, { kitVersion: kit.version, mark: 'present' })).body
  expect(found.head).toMatchObject({ condition: 'crescent', group: 'bench' })
  expect(found.parts).toEqual([
    { ...slug, mark: 'present', presentCount: slug?.count, seenAtUtc: expect.any(String) },
  ])
  expect(found.line).toEqual((await kitOf(kofi, 'M-04')).history[0])
  const { kit: checked } = (await check('M-04', [{ station: 'pack', ...fine }])).body
  expect(checked).toMatchObject({ condition: 'full', group: 'shelf' })
})

it('more pieces than there are is refused by name', async () => {
  const kit = await kitOf(kofi, 'F-05')
  const caps = kit.parts.find(({ role }) => role === 'eyepiece-cap')
  const body = { kitVersion: kit.version, mark: 'present', presentCount: 9 }
  const reply = await kofi.post(`/api/kits/${kit.id}/parts/${caps?.id}/mark`, body)
  expect(reply.body).toMatchObject({ error: { issues: [{ path: 'presentCount' }] } })
})

it('a shake is a reading in seconds, and a stand that trembles too long goes out with a word', async () => {
  const shake = {
    way: 'sensor',
    asFoundS: 5.2,
    asLeftS: 3.6,
    frequencyHz: 2.4,
    tried: [{ what: 'feet', settleS: 3.6 }],
  }
  const { kit } = (await check('M-05', [{ ...assembled, shake }])).body
  expect(kit.readings.find(({ kind }) => kind === 'shake')).toMatchObject({
    ...{ asFound: 5.2, asLeft: 3.6, limit: 3, good: 2, unit: 's', source: 'measured' },
  })
  expect(kit.reasons.map(({ code }) => code)).toContain('SHAKES')
  const steady = (await check('M-05', [{ ...assembled, shake: { ...shake, asLeftS: 1.4 } }])).body.kit
  expect(steady.reasons.map(({ code }) => code)).not.toContain('SHAKES')
})

it('a star that was photographed stands beside the next one', async () => {
  const look = { ringOffset: 0.04, axisRatio: 0.98, verdict: 'fit', pictureId: null }
  await check('M-05', [{ station: 'star', ...fine, look }])
  server.time.now = new Date(server.time.now.getTime() + 1000)
  const { kit } = (await check('M-05', [{ station: 'star', ...fine, look: { ...look, ringOffset: 0.08 } }])).body
  expect(kit.starLooks.map(({ ringOffset }) => ringOffset)).toEqual([0.08, 0.04])
  expect((await check('M-05', [{ station: 'star', ...fine, look: { ...look, axisRatio: 1.2 } }])).status).toBe(400)
})

describe('the glass by torch', () => {
  const look = (rest: object) => ({
    ...{ dust: 'little', fungus: 'none', scratches: 'none', coating: 'none', cleaned: null },
    ...rest,
  })
  const looks = async () =>
    (
      await kofi.get<{ looks: { dust: string; by: string }[]; cleanings: { how: string; why: string }[] }>(
        '/api/kits/F-05/glass-looks',
      )
    ).body
  it('each look stays beside the next, and each cleaning with its reason', async () => {
    expect(await looks()).toEqual({ looks: [], cleanings: [] })
    const cleaned = { how: 'blown', why: 'sand from a beach' }
    await check('F-05', [{ station: 'glass', ...fine, look: look({ dust: 'much', cleaned }) }])
    server.time.now = new Date(server.time.now.getTime() + 1000)
    await check('F-05', [{ station: 'glass', ...fine, look: look({}) }])
    await check('F-05', [{ station: 'glass', ...fine }])
    const { looks: kept, cleanings } = await looks()
    expect(kept.map(({ dust }) => dust)).toEqual(['little', 'much'])
    expect(kept[0]?.by).toBe('Kofi Arden')
    expect(cleanings).toEqual([expect.objectContaining(cleaned)])
  })
  it('a cleaning without its reason is refused by name', async () => {
    const reply = await check('F-05', [
      { station: 'glass', ...fine, look: look({ cleaned: { how: 'wiped', why: ' ' } }) },
    ])
    expect(reply.status).toBe(400)
    expect(JSON.stringify(reply.body)).toContain('why')
  })
})
