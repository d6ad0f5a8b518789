import { randomUUID } from 'node:crypto'
import type { Drawer, KitSheet, ModelSheet, Printed, Sites } from '@binoculum/contract'
import { balanceOf, setUpParts } from '@binoculum/core'
import { kitOf, startTestServer, type Agent } from './support.ts'

type Refusal = { error: { code: string; issues?: { path: string; message: string }[]; details?: unknown } }
let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kofi: Agent
let jun: Agent

beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  kofi = await server.signIn('kofi')
  jun = await server.signIn('jun')
})
afterAll(() => server.close())

const modelOf = async (code: string) => {
  const { modelId } = await kitOf(ines, code)
  return (await ines.get<ModelSheet>(`/api/models/${modelId}`)).body
}

describe('places', () => {
  const field = async (rest: object = {}) => {
    const kit = await kitOf(ines, 'M-03')
    return {
      branchId: kit.branchId,
      name: 'Hill meadow',
      zone: 'Europe/Dublin',
      latitudeDeg: 52.8,
      longitudeDeg: -8.3,
      heightM: 210,
      needleDeg: null,
      needleOn: null,
      version: null,
      ...rest,
    }
  }

  it('are listed with the needle from the world’s model, and a typed one wins', async () => {
    const { sites } = (await jun.get<Sites>('/api/sites')).body
    const yard = sites.find(({ name }) => name === 'Library yard')
    expect(yard?.needle).toMatchObject({ source: 'model', reason: null })
    const made = (await ines.post<Sites>('/api/sites', await field({ needleDeg: -3.5, needleOn: '2026-02-01' }))).body
    expect(made.sites.find(({ name }) => name === 'Hill meadow')?.needle).toEqual({
      declinationDeg: -3.5,
      source: 'typed',
      changeDegPerYear: null,
      reason: null,
    })
  })

  it.each([
    { change: { latitudeDeg: 91 }, path: 'latitudeDeg' },
    { change: { longitudeDeg: 361 }, path: 'longitudeDeg' },
    { change: { zone: 'Mars/Olympus' }, path: 'zone' },
    { change: { name: ' ' }, path: 'name' },
    { change: { name: 'Library yard' }, path: 'name' },
  ])('$change is refused at $path', async ({ change, path }) => {
    const reply = await ines.post<Refusal>('/api/sites', await field(change))
    expect([reply.status, reply.body.error.issues?.[0]?.path]).toEqual([400, path])
  })

  it('changed by two at once: the later one is told', async () => {
    const { sites } = (await ines.post<Sites>('/api/sites', await field({ name: 'Quarry' }))).body
    const quarry = sites.find(({ name }) => name === 'Quarry')
    const body = await field({ name: 'Quarry', heightM: 80, version: quarry?.version })
    expect((await ines.put(`/api/sites/${quarry?.id}`, body)).status).toBe(200)
    const late = await ines.put<Refusal>(`/api/sites/${quarry?.id}`, body)
    expect([late.status, late.body.error.code]).toEqual([409, 'SITE_CHANGED'])
    const left = (await ines.delete<Sites>(`/api/sites/${quarry?.id}`)).body
    expect(left.sites.map(({ name }) => name)).not.toContain('Quarry')
  })

  it('are written by coordinators only', async () => {
    expect((await kofi.post('/api/sites', await field({ name: 'Roof' }))).status).toBe(403)
    const { sites } = (await kofi.get<Sites>('/api/sites')).body
    expect((await kofi.delete(`/api/sites/${sites[0]?.id}`)).status).toBe(403)
  })
})

describe('a model’s mount', () => {
  it('is kept for all its kits, with their record', async () => {
    const model = await modelOf('M-03')
    if (!model.mount) throw new Error('measured in the demo')
    const mount = { ...model.mount, ratedLoadG: 5000 }
    const reply = await ines.put<ModelSheet>(`/api/models/${model.id}/mount`, { version: model.version, mount })
    expect(reply.body.mount?.ratedLoadG).toBe(5000)
    const kit = await kitOf(ines, 'M-03')
    expect(kit.mount?.ratedLoadG).toBe(5000)
    expect(kit.history[0]).toMatchObject({ act: 'model-changed', after: { changed: 'mount' } })
  })

  it.each([
    { what: 'a shaft that begins beyond its end', change: { shaftStartMm: 400 }, path: 'shaftStartMm' },
    { what: 'a weight longer than the shaft', change: { weightThicknessMm: 300 }, path: 'weightThicknessMm' },
    { what: 'a tube on the axis', change: { tubeAxisMm: 0 }, path: 'tubeAxisMm' },
    {
      what: 'a scale that ends before it begins',
      change: { latitudeScale: { minDeg: 70, maxDeg: 20, stepDeg: 2 } },
      path: 'latitudeScale.minDeg',
    },
  ])('$what is refused at its field', async ({ change, path }) => {
    const model = await modelOf('M-03')
    const mount = { ...model.mount, equatorial: { ...model.mount?.equatorial, ...change } }
    const reply = await ines.put<Refusal>(`/api/models/${model.id}/mount`, { version: model.version, mount })
    expect(reply.status).toBe(400)
    expect(reply.body.error.issues?.map((issue) => issue.path)).toContain(`mount.equatorial.${path}`)
  })

  it('is not changed over another’s change, nor by a volunteer', async () => {
    const { id, version, mount } = await modelOf('M-03')
    expect((await ines.put(`/api/models/${id}/mount`, { version: version - 1, mount })).status).toBe(409)
    expect((await kofi.put(`/api/models/${id}/mount`, { version, mount })).status).toBe(403)
  })
})

describe('a model’s steps', () => {
  it('begin as the family’s, become its own, reach the guide, and go back', async () => {
    const model = await modelOf('M-06')
    expect(model.procedureIsTemplate).toBe(true)
    const { procedure, version, id } = model
    const setUp = procedure.setUp.map((step) =>
      step.key === 'finder' ? { ...step, title: 'Clip the finder on' } : step,
    )
    const body = { version, procedure: { ...procedure, setUp } }
    const own = (await ines.put<ModelSheet>(`/api/models/${id}/procedure`, body)).body
    expect(own.procedureIsTemplate).toBe(false)
    expect((await kitOf(kofi, 'M-06')).procedure.setUp.map(({ title }) => title)).toContain('Clip the finder on')
    const back = { version: own.version, procedure: null }
    expect((await ines.put<ModelSheet>(`/api/models/${id}/procedure`, back)).body.procedure).toEqual(procedure)
  })

  it('tell honestly how long they take', async () => {
    const { stepTimes } = await modelOf('M-03')
    expect(stepTimes.length).toBeGreaterThan(8)
    for (const { medianSeconds, times } of stepTimes) {
      expect(medianSeconds).toBeGreaterThan(2)
      expect(times).toBeGreaterThan(3)
    }
  })

  it.each([
    { what: 'a step without a name', change: { title: '' }, path: 'procedure.setUp.0.title' },
    { what: 'a step without lines', change: { lines: [] }, path: 'procedure.setUp.0.lines' },
    { what: 'a feel nobody knows', change: { feel: 'gorilla' }, path: 'procedure.setUp.0.feel' },
  ])('$what is refused', async ({ change, path }) => {
    const { procedure, version, id } = await modelOf('M-06')
    const setUp = procedure.setUp.map((step, index) => (index === 0 ? { ...step, ...change } : step))
    const reply = await ines.put<Refusal>(`/api/models/${id}/procedure`, {
      version,
      procedure: { ...procedure, setUp },
    })
    expect(reply.body.error.issues?.[0]?.path).toBe(path)
  })

  it('two steps under one key are refused', async () => {
    const { procedure, version, id } = await modelOf('M-06')
    const setUp = [...procedure.setUp, ...procedure.setUp.slice(0, 1)]
    expect(
      (await ines.put(`/api/models/${id}/procedure`, { version, procedure: { ...procedure, setUp } })).status,
    ).toBe(400)
  })
})

describe('balance and place in a check', () => {
  const check = async (code: string, stations: object[]) => {
    const kit = await kitOf(kofi, code)
    const body = {
      idempotencyKey: randomUUID(),
      kitVersion: kit.version,
      stations,
      doneJobIds: [],
      backToShelf: true,
    }
    return kofi.post<{ kit: KitSheet } & Refusal>(`/api/kits/${kit.id}/checks`, body)
  }
  const shaft = (kit: KitSheet, found: number, left: number, stays: boolean) => ({
    station: 'balance',
    way: 'shaft',
    on: setUpParts(kit.parts, 'usual'),
    asFound: { bareShaftMm: found },
    asLeft: { bareShaftMm: left },
    stays,
    minutes: 4,
    note: '',
  })
  const latitude = (setDeg: number) => ({
    station: 'place',
    way: 'latitude',
    latitudeDeg: 52.7,
    asFound: { setDeg },
    asLeft: { setDeg },
    minutes: 1,
    note: '',
  })

  it('what stayed teaches the head’s moment, and the right place follows from it ever after', async () => {
    const before = await kitOf(kofi, 'M-03')
    const { kit } = (await check('M-03', [shaft(before, 70, 52, true)])).body
    const head = kit.mount?.equatorial
    if (!kit.mount || !head) throw new Error('measured in the demo')
    const { wantedMm } = balanceOf(
      { mount: kit.mount, headMomentGmm: kit.headMomentGmm, parts: kit.parts },
      setUpParts(kit.parts, 'usual'),
    )
    expect(wantedMm).toBeCloseTo(head.shaftEndMm - 52 - head.weightThicknessMm / 2, 6)
    expect(kit.readings.find(({ kind }) => kind === 'balance')).toMatchObject({
      asLeft: expect.closeTo(0, 6),
      unit: 'mm',
    })
    expect(kit.history[0]).toMatchObject({ act: 'checked', after: { headMomentGmm: kit.headMomentGmm } })
  })

  it('left out of balance keeps the kit at the bench, with the figure', async () => {
    const { kit } = (await check('M-03', [shaft(await kitOf(kofi, 'M-03'), 90, 90, false)])).body
    expect(kit).toMatchObject({ condition: 'crescent', group: 'bench' })
    expect(kit.reasons[0]).toMatchObject({
      code: 'BALANCE_OFF',
      figures: { value: expect.closeTo(38, 6), limit: 10 },
    })
    await check('M-03', [shaft(kit, 52, 52, true)])
  })

  it('the last borrower’s latitude is worth a note', async () => {
    const { kit } = (await check('M-03', [latitude(47)])).body
    expect(kit.condition).toBe('half')
    expect(kit.reasons[0]).toMatchObject({ code: 'PLACE_OFF', figures: { value: expect.closeTo(5.7, 9), limit: 2 } })
    expect((await check('M-03', [latitude(52.7)])).body.kit.condition).toBe('full')
  })

  it.each([
    { what: 'a latitude of 91°', station: { ...latitude(50), latitudeDeg: 91 }, path: 'latitudeDeg' },
    { what: 'a scale at 95°', station: latitude(95), path: 'setDeg' },
    {
      what: 'a negative bare shaft',
      station: {
        station: 'balance',
        way: 'shaft',
        on: [],
        asFound: { bareShaftMm: -1 },
        asLeft: { bareShaftMm: 1 },
        stays: false,
      },
      path: 'bareShaftMm',
    },
  ])('$what is refused by name', async ({ station, path }) => {
    const reply = await check('M-03', [station])
    expect(reply.status).toBe(400)
    expect(JSON.stringify(reply.body)).toContain(path)
  })

  it('steps that took time leave it with the model, those ticked in passing don’t', async () => {
    const count = async () => (await modelOf('M-06')).stepTimes.find(({ key }) => key === 'finder')?.times ?? 0
    const step = (seconds: number) => ({
      station: 'assembly',
      steps: [
        { key: 'finder', title: 'Finder', phase: 'fit-out', asFound: 'fine', asLeft: 'fine', said: [], seconds },
      ],
    })
    const before = await count()
    await check('M-06', [step(1)])
    expect(await count()).toBe(before)
    await check('M-06', [step(31)])
    expect(await count()).toBe(before + 1)
  })
})

it('a weight from the drawer becomes a part of the kit, in one recorded act, once', async () => {
  const kit = await kitOf(kofi, 'M-03')
  const { spares } = (await kofi.get<Drawer>('/api/spares')).body
  const weight = spares.find(({ role, branchId }) => role === 'counterweight' && branchId === kit.branchId)
  const body = { idempotencyKey: randomUUID(), kitId: kit.id, kitVersion: kit.version }
  const replies = await Promise.all(
    [1, 2].map(() => kofi.post<{ kit: KitSheet; drawer: Drawer }>(`/api/spares/${weight?.id}/add`, body)),
  )
  expect(replies.map(({ status }) => status)).toEqual([200, 200])
  const after = await kitOf(kofi, 'M-03')
  const added = after.parts.filter(({ role }) => role === 'counterweight')
  expect(added.map(({ massG, mark, place }) => [Math.round((massG ?? 0) / 100), mark, place])).toEqual([
    [19, 'present', 'Mount well'],
    [9, 'present', 'Mount well'],
  ])
  expect(after.differences).toContainEqual({ kind: 'has-besides', name: weight?.name })
  const drawer = (await kofi.get<Drawer>('/api/spares')).body
  expect(drawer.spares.find(({ id }) => id === weight?.id)?.count).toBe(0)
  const empty = { idempotencyKey: randomUUID(), kitId: kit.id, kitVersion: after.version }
  expect((await kofi.post<Refusal>(`/api/spares/${weight?.id}/add`, empty)).body.error.code).toBe('NO_SPARE')
})

describe('tapes', () => {
  it('carry the marks of the kit’s own parts', async () => {
    const printed = (await kofi.get<Printed>('/api/prints?kind=tapes&codes=M-03')).body
    const words = printed.pages[0]?.items.flatMap((item) => (item.kind === 'text' ? [item.text] : []))
    expect(words?.join(' ')).toMatch(/Sorrel.*lightest −\d+ mm.*usual 0.*heaviest \+\d+ mm/)
  })
  it('of a kit without measured tube say what to do', async () => {
    const reply = await kofi.get<Refusal>('/api/prints?kind=tapes&codes=M-01')
    expect([reply.status, reply.body.error.code]).toEqual([422, 'NOT_MEASURED'])
  })
})
