import { randomUUID } from 'node:crypto'
import type {
  BranchView,
  HandOutForm,
  KitSheet,
  ModelList,
  ModelSheet,
  StaffMember,
  TakeBackForm,
} from '@binoculum/contract'
import { cantBalance, judgeKit, powersThere } from '@binoculum/core'
import {
  handOutBody,
  kitOf,
  openLoanOf,
  shelfOf,
  startTestServer,
  takeBackBody,
  testNow,
  type Agent,
} from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kofi: Agent
let branchId: string
beforeAll(async () => {
  server = await startTestServer()
  ;[ines, kofi] = [await server.signIn('ines'), await server.signIn('kofi')]
  branchId = (await kitOf(ines, 'M-01')).branchId
})
afterAll(() => server.close())

interface Refusal {
  readonly error: { readonly code: string; readonly message: string }
}
const modelFields = {
  name: 'Plum 100',
  family: 'tabletop-reflector',
  apertureMm: 100,
  focalLengthMm: 420,
  kind: 'newtonian',
} as const
const newModel = (rest: object = {}) =>
  ines.post<ModelSheet & Refusal>('/api/models', {
    idempotencyKey: randomUUID(),
    branchId,
    ...modelFields,
    eyepiecesMm: [21, 8],
    ...rest,
  })
const newKit = (modelId: string, rest: object = {}, agent = ines) =>
  agent.post<KitSheet & Refusal>('/api/kits', {
    idempotencyKey: randomUUID(),
    branchId,
    modelId,
    code: 'Q-01',
    name: 'Plum',
    place: 'cupboard',
    ...rest,
  })

describe('a kit from nothing', () => {
  it('stands at the desk with its starter card, until every part was looked at', async () => {
    const { body: model } = await newModel()
    const { body: kit } = await newKit(model.id)
    expect(kit).toMatchObject({ code: 'Q-01', group: 'desk', condition: 'new' })
    expect(kit.parts.every(({ mark }) => mark === 'unseen')).toBe(true)
    expect(kit.parts.filter(({ role }) => /eyepiece/.test(role) && role !== 'eyepiece-cap')).toHaveLength(2)
    expect(kit.reasons.map(({ code }) => code)).toContain('NOT_GONE_THROUGH')
    expect((await kitOf(kofi, 'Q-01')).history[0]).toMatchObject({ act: 'brought-in' })
  })
  it('is made once, however often it is sent', async () => {
    const { body: model } = await newModel()
    const key = { code: 'Q-02', idempotencyKey: randomUUID() }
    const [first, again] = [await newKit(model.id, key), await newKit(model.id, key)]
    expect([first.body.id, again.status]).toEqual([again.body.id, 200])
  })
  it('a code is one kit’s, a volunteer makes none, and a code has no spaces', async () => {
    const { body: model } = await newModel()
    expect((await newKit(model.id)).body.error.code).toBe('CODE_TAKEN')
    expect((await newKit(model.id, { code: 'Q-03' }, kofi)).status).toBe(403)
    expect((await newKit(model.id, { code: 'Q 3' })).status).toBe(400)
    expect((await newKit(randomUUID(), { code: 'Q-03' })).status).toBe(404)
  })
  it('without an eyepiece’s focal length nothing is said of its powers, and it says what is asked', async () => {
    const { body: model } = await newModel({ eyepiecesMm: [] })
    const { body: kit } = await newKit(model.id, { code: 'Q-04' })
    expect(kit.reasons.map(({ code }) => code)).toContain('MODEL_INCOMPLETE')
  })
})

describe('what is written on a kit', () => {
  it('changes by name, with a record of what it was', async () => {
    const kit = await kitOf(ines, 'M-02')
    const details = { owner: 'Friends of the library', serialNumber: 'A1', priceMinor: 24_900, note: '' }
    const body = { kitVersion: kit.version, branchId, code: 'M-02B', name: 'Rowan', place: 'shelf 3', details }
    expect((await kofi.put(`/api/kits/${kit.id}`, body)).status).toBe(403)
    const { body: after } = await ines.put<KitSheet>(`/api/kits/${kit.id}`, body)
    expect(after).toMatchObject({ code: 'M-02B', name: 'Rowan', details })
    expect(after.history[0]).toMatchObject({ act: 'kit-changed' })
    const stale = await ines.put<Refusal>(`/api/kits/${kit.id}`, body)
    expect(stale.status).toBe(409)
    await ines.put(`/api/kits/${kit.id}`, { ...body, kitVersion: after.version, code: 'M-02', name: kit.name })
  })
  it('no kit gets another one’s code, and only who coordinates both ends moves one', async () => {
    await server.source.query(
      `UPDATE membership m SET role = 'coordinator' FROM staff s WHERE s.id = m.staff_id AND s.email LIKE 'petra%'`,
    )
    const petra = await server.signIn('petra')
    const [here, there] = [await kitOf(ines, 'M-02'), await kitOf(ines, 'F-05')]
    const change = (agent: Agent, kit: KitSheet, rest: object) =>
      agent.put<Refusal>(`/api/kits/${kit.id}`, {
        ...{ kitVersion: kit.version, branchId: kit.branchId, code: kit.code, name: kit.name },
        ...{ place: '', details: kit.details, ...rest },
      })
    expect((await change(ines, here, { code: 'M-03' })).body.error.code).toBe('CODE_TAKEN')
    expect((await change(petra, here, { branchId: there.branchId })).status).toBe(404)
    expect((await change(petra, there, { branchId })).status).toBe(404)
  })
  it('a branch keeps a clock that there is', async () => {
    const fields = {
      ...{ name: 'The far side', zone: 'Mars/Olympus', emergencyLine: '112', currency: 'EUR' },
      ...{ loanDays: 14, returnTime: '17:00', frontFilters: 'stay-here' },
    }
    for (const reply of [
      await ines.post('/api/branches', fields),
      await ines.put(`/api/branches/${branchId}`, fields),
    ])
      expect([reply.status, reply.body]).toMatchObject([400, { error: { issues: [{ path: 'zone' }] } }])
  })
  it('what is out does not change hands', async () => {
    const out = (await shelfOf(ines)).kits.find((kit) => kit.group === 'out' && kit.branchId === branchId)!
    const kit = await kitOf(ines, out.code)
    const { body } = await ines.post<{ branches: BranchView[] }>('/api/branches', {
      ...{ name: 'Mill Lane', zone: 'Europe/Dublin', emergencyLine: '112', currency: 'EUR' },
      ...{ loanDays: 14, returnTime: '17:00', frontFilters: 'stay-here' },
    })
    const other = body.branches.find(({ name }) => name === 'Mill Lane')!
    const fields = { code: kit.code, name: kit.name, place: '', details: kit.details }
    const moved = await ines.put<Refusal>(`/api/kits/${kit.id}`, {
      kitVersion: kit.version,
      branchId: other.id,
      ...fields,
    })
    expect(moved.body.error.code).toBe('KIT_OUT')
    const inside = await kitOf(ines, 'M-01')
    const change = () =>
      ines.put<KitSheet & Refusal>(`/api/kits/${inside.id}`, {
        kitVersion: inside.version,
        branchId: other.id,
        ...{ code: 'M-01', name: inside.name, place: 'new shelf', details: inside.details },
      })
    // It is promised here: whoever was promised it would stand before the wrong desk.
    expect((await change()).body.error.code).toBe('TRANSFER_IN_THE_WAY')
    await server.source.query(`UPDATE loan SET state = 'cancelled' WHERE kit_id = $1 AND state = 'promised'`, [
      inside.id,
    ])
    const gone = await change()
    expect(gone.body.branchId).toBe(other.id)
    // Kofi knows the old branch only.
    expect((await kofi.get('/api/kits/M-01')).status).toBe(404)
  })
})

describe('what a model is', () => {
  it('told by hand, it is no guess any more', async () => {
    const { body: model } = await newModel({ name: 'Quince 100' })
    const { name, family, kind } = modelFields
    const head = { version: model.version, name, family, kind, apertureMm: 102, focalLengthMm: 440 }
    const { body: after } = await ines.put<ModelSheet>(`/api/models/${model.id}/head`, {
      ...head,
      collapsible: true,
      focuserFemaleMm: 31.75,
    })
    expect(after.optics).toMatchObject({ apertureMm: 102, focalLengthMm: 440, primaryFocalLengthMm: 440 })
    const wrong = await ines.put<Refusal>(`/api/models/${model.id}/head`, { ...head, apertureMm: 0 })
    expect(wrong.status).toBe(400)
  })
})

describe('who may do what', () => {
  const people = async () => (await ines.get<{ people: StaffMember[] }>('/api/people')).body.people
  it('a branch keeps a coordinator, and a person a role', async () => {
    const theirs = (name: string) => people().then((all) => all.find((each) => each.name.startsWith(name))!)
    const own = await theirs('In')
    const last = await ines.post<Refusal>(`/api/people/${own.id}/role`, { branchId, role: 'volunteer' })
    expect(last.body.error.code).toBe('LAST_COORDINATOR')
    const helper = await theirs('Ko')
    const petra = await theirs('Pe')
    const { branchId: club } = await kitOf(ines, 'F-02')
    const alone = await ines.post<Refusal>(`/api/people/${petra.id}/role`, { branchId: club, role: null })
    expect(alone.body.error.code).toBe('LAST_ROLE')
    expect((await kofi.post(`/api/people/${helper.id}/role`, { branchId, role: 'coordinator' })).status).toBe(403)
  })
  it('a read-only role reads and writes nothing', async () => {
    const helper = (await people()).find((each) => each.name.startsWith('Ko'))!
    await ines.post(`/api/people/${helper.id}/role`, { branchId, role: 'read-only' })
    const loanId = await openLoanOf(kofi, 'M-08')
    expect((await kofi.post(`/api/loans/${loanId}/take-back`, await takeBackBody(ines, loanId))).status).toBe(403)
    await ines.post(`/api/people/${helper.id}/role`, { branchId, role: 'volunteer' })
    expect((await kofi.post(`/api/loans/${loanId}/take-back`, await takeBackBody(ines, loanId))).status).toBe(200)
  })
})

describe('light that blinds', () => {
  it('a front filter goes out only where it is lent, and only after it was held to the light', async () => {
    const kit = await kitOf(ines, 'F-02')
    expect(kit.parts.some(({ role }) => role === 'front-filter')).toBe(true)
    expect(kit.reasons.map(({ code }) => code)).not.toContain('FILTER_STAYS')
    const { kitId, body } = await handOutBody(ines, 'F-02', { overruleReason: 'checked by hand' })
    const unheld = await ines.post<Refusal>(`/api/kits/${kitId}/hand-out`, body)
    expect([unheld.status, unheld.body.error.code]).toEqual([422, 'FILTER_UNCHECKED'])
    const held = await ines.post(`/api/kits/${kitId}/hand-out`, { ...body, filterChecked: true })
    expect(held.status).toBe(200)
  })
  it('a laser in the case holds the kit until it is out', async () => {
    const loanId = await openLoanOf(kofi, 'M-12')
    const body = await takeBackBody(kofi, loanId, { answers: { laserFound: true } })
    await kofi.post(`/api/loans/${loanId}/take-back`, { ...body, outcome: 'hold' })
    expect((await kitOf(kofi, 'M-12')).reasons).toContainEqual(
      expect.objectContaining({ condition: 'new', overrule: 'never' }),
    )
  })
})

it('a model without a kit yet is its own branch’s: others don’t see it, and readers change nothing of it', async () => {
  const made = (await ines.get<ModelList>('/api/models')).body.models[0]
  const copy = (await ines.post<ModelSheet>(`/api/models/${made?.id}/copy`, { name: 'Not yet bought' })).body
  expect(copy.mayChange).toBe(true)
  const jun = await server.signIn('jun')
  const petra = await server.signIn('petra')
  const [row] = await server.source.query(
    'SELECT b.name FROM model m JOIN branch b ON b.id = m.branch_id WHERE m.id = $1',
    [copy.id],
  )
  const [there, elsewhere] = row.name.startsWith('Ferncliff') ? [petra, jun] : [jun, petra]
  const seen = await there.get<ModelSheet>(`/api/models/${copy.id}`)
  expect([seen.status, seen.body.mayChange]).toEqual([200, false])
  expect((await elsewhere.get(`/api/models/${copy.id}`)).status).toBe(404)
  const { models } = (await elsewhere.get<ModelList>('/api/models')).body
  expect(models.map(({ id }) => id)).not.toContain(copy.id)
})

it('the desk judges a kit as the server does, for every kit of the shelf', async () => {
  const { kits } = await shelfOf(ines)
  expect(kits.length).toBeGreaterThan(10)
  for (const { code, group, branchId: ofBranch } of kits) {
    const form = await ines.get<HandOutForm>(`/api/kits/${code}/hand-out`)
    if (form.status !== 200 || group === 'gone') continue
    const { kit } = form.body
    const { condition, reasons } = judgeKit({
      ...kit,
      powers: powersThere(kit.optics, kit.parts),
      cantBalance: kit.mount && cantBalance({ mount: kit.mount, headMomentGmm: kit.headMomentGmm, parts: kit.parts }),
      eyepieceKnown: kit.parts.some(({ optics }) => optics.focalLengthMm !== undefined),
      openJobs: kit.jobs,
      atUtc: testNow.toISOString(),
    })
    expect([code, ofBranch, condition]).toEqual([code, ofBranch, kit.condition])
    expect(reasons.map((reason) => reason.code)).toEqual(kit.reasons.map((reason) => reason.code))
  }
})

it('things of other kits come with their own mass and owner; a second one of its own may lie there besides', async () => {
  const { body: form } = await kofi.get<TakeBackForm>(`/api/loans/${await openLoanOf(kofi, 'M-10')}/take-back`)
  const { kit, lookAlikes } = form
  expect(lookAlikes.length).toBeGreaterThan(3)
  for (const { owners, name, replaces } of lookAlikes) {
    expect(owners.length).toBeGreaterThan(0)
    expect(owners.map(({ code }) => code)).not.toContain('M-10')
    // It looks like something here, or it is a second one of what is here.
    expect(replaces.length > 0 || kit.parts.some((part) => part.name === name)).toBe(true)
  }
  expect(lookAlikes.some(({ name }) => kit.parts.some((part) => part.name === name))).toBe(true)
})
