import { randomUUID } from 'node:crypto'
import type { Drawer, FollowUpList, KitSheet, ModelList, ModelSheet, Spare } from '@binoculum/contract'
import { kitOf, startTestServer, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kofi: Agent
let petra: Agent
let jun: Agent
beforeAll(async () => {
  server = await startTestServer()
  ;[ines, kofi, petra, jun] = await Promise.all([
    server.signIn('ines'),
    server.signIn('kofi'),
    server.signIn('petra'),
    server.signIn('jun'),
  ])
})
afterAll(() => server.close())

type Refusal = { error: { code: string; issues?: { path: string; message: string }[] } }
const spares = async (agent = ines): Promise<Spare[]> => (await agent.get<Drawer>('/api/spares')).body.spares
const spareOf = async (code: string, role: string): Promise<Spare> => {
  const { branchId } = await kitOf(ines, code)
  const found = (await spares()).find((spare) => spare.role === role && spare.branchId === branchId)
  if (!found) throw new Error(`no ${role} in the drawer of ${code}`)
  return found
}
const partOf = (kit: KitSheet, role: string) => {
  const found = kit.parts.find((part) => part.role === role)
  if (!found) throw new Error(`no ${role} in ${kit.code}`)
  return found
}
const move = (agent: Agent, spareId: string, body: object) =>
  agent.post<{ kit: KitSheet; drawer: Drawer } & Refusal>(`/api/spares/${spareId}/move`, {
    idempotencyKey: randomUUID(),
    count: 1,
    ...body,
  })

describe('moving pieces', () => {
  it('of two who take the last piece at once, one gets it', async () => {
    const spare = await spareOf('M-04', 'weight-slug')
    expect(spare.count).toBe(1)
    const kit = await kitOf(ines, 'M-04')
    const body = { partId: partOf(kit, 'weight-slug').id, kitVersion: kit.version, way: 'into-kit' }
    const replies = await Promise.all([move(ines, spare.id, body), move(kofi, spare.id, body)])
    expect(replies.map(({ status }) => status).sort()).toEqual([200, 409])
    const after = await spareOf('M-04', 'weight-slug')
    expect([after.count, partOf(await kitOf(ines, 'M-04'), 'weight-slug').presentCount]).toEqual([0, 1])
  })

  it('not into a kit that is out, nor across branches, nor by those who only look', async () => {
    const cap = await spareOf('M-05', 'focuser-cap')
    const out = await kitOf(ines, 'M-08')
    const lent = await move(ines, cap.id, {
      partId: partOf(out, 'focuser-cap').id,
      kitVersion: out.version,
      way: 'into-drawer',
    })
    expect(lent.body.error.code).toBe('KIT_OUT')
    const other = await kitOf(ines, 'F-01')
    const across = { partId: partOf(other, 'focuser-cap').id, kitVersion: other.version, way: 'into-drawer' }
    expect((await move(ines, cap.id, across)).status).toBe(404)
    const own = await kitOf(ines, 'M-05')
    const body = { partId: partOf(own, 'focuser-cap').id, kitVersion: own.version, way: 'into-kit' }
    expect((await move(jun, cap.id, body)).status).toBe(403)
    expect((await move(petra, cap.id, body)).status).toBe(404)
    expect((await spareOf('M-05', 'focuser-cap')).count).toBe(cap.count)
  })

  it('into the drawer leaves the kit short, with a job to replace it and its weighing outdated', async () => {
    const kit = await kitOf(ines, 'M-09')
    const cap = await spareOf('M-09', 'focuser-cap')
    const part = partOf(kit, 'focuser-cap')
    const reply = await move(kofi, cap.id, { partId: part.id, kitVersion: kit.version, way: 'into-drawer' })
    expect(reply.status).toBe(200)
    const after = partOf(reply.body.kit, 'focuser-cap')
    expect([after.mark, after.presentCount]).toEqual(['missing', 0])
    expect(reply.body.kit.baselines.map(({ group }) => group)).not.toContain(part.weighGroup)
    const { jobs } = (await kofi.get<FollowUpList>('/api/jobs')).body
    expect(jobs.find(({ partId }) => partId === part.id)).toMatchObject({
      code: 'replace-from-drawer',
      owner: 'Kofi Arden',
      spares: cap.count + 1,
    })
  })

  it('an older look at the kit is refused, and nothing has moved', async () => {
    const kit = await kitOf(ines, 'M-09')
    const cap = await spareOf('M-09', 'focuser-cap')
    const body = { partId: partOf(kit, 'focuser-cap').id, kitVersion: kit.version - 1, way: 'into-kit' }
    expect((await move(ines, cap.id, body)).body.error.code).toBe('KIT_CHANGED')
    expect((await spareOf('M-09', 'focuser-cap')).count).toBe(cap.count)
  })
})

describe('the drawer', () => {
  const given = (branchId: string, rest: object = {}) => ({
    branchId,
    name: 'Red torch',
    role: 'other',
    count: 2,
    massG: null,
    costMinor: null,
    note: '',
    version: null,
    ...rest,
  })

  it('is a coordinator’s to fill; a thing lies there once, and an older look is refused', async () => {
    const { branchId } = await kitOf(ines, 'M-03')
    expect((await kofi.post('/api/spares', given(branchId))).status).toBe(403)
    expect((await ines.post('/api/spares', given(branchId))).status).toBe(200)
    const twin = await ines.post<Refusal>('/api/spares', given(branchId))
    expect(twin.body.error.issues).toMatchObject([{ path: 'name' }])
    const spare = (await spares()).find(({ name }) => name === 'Red torch')!
    const change = (version: number, count: number) =>
      ines.post<Refusal>(`/api/spares/${spare.id}`, given(branchId, { version, count }))
    expect((await change(spare.version, 5)).status).toBe(200)
    expect((await change(spare.version, 9)).status).toBe(409)
    expect((await spares()).find(({ id }) => id === spare.id)?.count).toBe(5)
  })

  it.each([
    { change: { count: -1 }, path: 'count' },
    { change: { count: 1.5 }, path: 'count' },
    { change: { name: '   ' }, path: 'name' },
    { change: { role: 'lightsaber' }, path: 'role' },
    { change: { massG: -4 }, path: 'massG' },
  ])('refuses $change and names $path', async ({ change, path }) => {
    const { branchId } = await kitOf(ines, 'M-03')
    const reply = await ines.post<Refusal>('/api/spares', given(branchId, change))
    expect([reply.status, reply.body.error.issues?.[0]?.path]).toEqual([400, path])
  })

  it('shows nobody the drawers of other branches', async () => {
    const own = new Set((await spares(petra)).map(({ branchName }) => branchName))
    expect([...own]).toEqual(['Ferncliff Sky Circle'])
    expect(new Set((await spares()).map(({ branchName }) => branchName)).size).toBe(2)
  })
})

describe('models that several branches share', () => {
  it('are changed by somebody who coordinates all of them, and by nobody else', async () => {
    const { models } = (await ines.get<ModelList>('/api/models')).body
    const shared = models.find(({ kits }) => kits.includes('Sorrel') && kits.includes('Woodruff'))
    const sheet = (await ines.get<ModelSheet>(`/api/models/${shared?.id}`)).body
    const { version, name, parts, weighGroups } = sheet
    const body = { version, name, parts, weighGroups }
    expect((await kofi.put(`/api/models/${sheet.id}`, body)).status).toBe(403)
    const seen = (await petra.get<ModelSheet>(`/api/models/${sheet.id}`)).body
    expect(seen.mayChange).toBe(false)
    expect((await ines.put(`/api/models/${sheet.id}`, body)).status).toBe(200)
    expect((await ines.put<Refusal>(`/api/models/${sheet.id}`, body)).body.error.code).toBe('MODEL_CHANGED')
  })
})

describe('a notice', () => {
  it('sent twice with one key makes one job per kit; of another branch’s model none', async () => {
    const { models } = (await ines.get<ModelList>('/api/models')).body
    const model = models.find(({ kits }) => kits.includes('Yarrow'))!
    const body = {
      idempotencyKey: randomUUID(),
      modelId: model.id,
      text: 'crack at the foot of the base',
      dueOn: '2026-04-01',
      stops: false,
    }
    const [first, second] = [await ines.post('/api/notices', body), await ines.post('/api/notices', body)]
    expect(second.body).toEqual(first.body)
    const { jobs } = (await ines.get<FollowUpList>('/api/jobs')).body
    expect(
      jobs
        .filter(({ text }) => text.includes('crack at the foot'))
        .map(({ kitName }) => kitName)
        .sort(),
    ).toEqual([...model.kits].sort())
    expect((await kofi.post('/api/notices', { ...body, idempotencyKey: randomUUID() })).status).toBe(403)
  })

  it('goes to somebody, on another day, with a note; not to people of another branch', async () => {
    const list = (await ines.get<FollowUpList>('/api/jobs')).body
    const job = list.jobs.find(({ text }) => text.includes('crack at the foot'))!
    const owner = list.people.find(({ branchId }) => branchId === job.branchId)!
    const change = (rest: object) =>
      ines.post<FollowUpList & Refusal>(`/api/jobs/${job.id}`, {
        version: job.version,
        ownerId: owner.id,
        dueOn: '2026-04-03',
        note: 'bring a lens',
        ...rest,
      })
    const stranger = list.people.find(
      ({ branchId, id }) =>
        branchId !== job.branchId && !list.people.some((each) => each.id === id && each.branchId === job.branchId),
    )
    expect(stranger).toBeDefined()
    expect((await change({ ownerId: stranger?.id })).status).toBeGreaterThanOrEqual(400)
    const after = (await change({})).body.jobs.find(({ id }) => id === job.id)
    expect(after).toMatchObject({ ownerId: owner.id, dueOn: '2026-04-03', note: 'bring a lens' })
    expect((await change({})).body.error.code).toBe('JOB_CHANGED')
  })
})
