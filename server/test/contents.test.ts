import { randomUUID } from 'node:crypto'
import { crc32 } from 'node:zlib'
import type { Drawer, KitSheet, ModelList, ModelSheet, WriteModel } from '@binoculum/contract'
import sharp from 'sharp'
import { kitOf, openLoanOf, startTestServer, takeBackBody, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kofi: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  kofi = await server.signIn('kofi')
})
afterAll(() => server.close())

type Refusal = { error: { code: string; issues?: { path: string }[]; details?: unknown } }

async function modelOf(code: string): Promise<ModelSheet> {
  const { modelId } = await kitOf(ines, code)
  return (await ines.get<ModelSheet>(`/api/models/${modelId}`)).body
}
const asWritten = ({ version, name, parts, weighGroups }: ModelSheet): WriteModel => ({
  version,
  name,
  parts,
  weighGroups,
})

describe('a model', () => {
  it('lists its kits and what really differs', async () => {
    const { models } = (await ines.get<ModelList>('/api/models')).body
    expect(models.find(({ name }) => name.includes('122/640') && name.startsWith('equatorial'))).toMatchObject({
      kits: ['Sorrel', 'Woodruff'],
    })
    expect((await modelOf('M-03')).kits.flatMap(({ differences }) => differences)).toEqual([])
  })

  it('a change goes into its kits, new parts wait to be counted, and masses weighed there stay', async () => {
    const sheet = await modelOf('M-03')
    const before = await kitOf(ines, 'M-03')
    const parts = sheet.parts.map((part) =>
      part.name === 'Eyepiece 11 mm' ? { ...part, name: 'Eyepiece 11 mm, wide', massG: 99 } : part,
    )
    const torch = {
      ...sheet.parts[0]!,
      id: null,
      name: 'Red torch',
      role: 'other' as const,
      massG: 60,
      place: 'Pouch',
    }
    const moved = [...parts.slice(1), parts[0]!]
    const reply = await ines.put<ModelSheet>(`/api/models/${sheet.id}`, {
      ...asWritten(sheet),
      parts: [...moved, torch],
    })
    expect(reply.body).toMatchObject({ version: sheet.version + 1 })
    const after = await kitOf(ines, 'M-03')
    expect(after.parts.map(({ name }) => name)).toEqual([...moved, torch].map(({ name }) => name))
    expect(after.parts.find(({ name }) => name === 'Red torch')).toMatchObject({ mark: 'unseen', presentCount: 0 })
    const ten = (kit: KitSheet) => kit.parts.find(({ name }) => name.startsWith('Eyepiece 11 mm'))
    expect(ten(after)).toMatchObject({ massG: ten(before)?.massG, weighed: true })
    expect(after.history[0]).toMatchObject({ act: 'model-changed' })
    expect(after.baselines).toEqual([])
  })

  it('two people at once: the second sees the first', async () => {
    const sheet = await modelOf('M-04')
    await ines.put(`/api/models/${sheet.id}`, { ...asWritten(sheet), name: 'renamed' })
    const late = await ines.put<Refusal>(`/api/models/${sheet.id}`, asWritten(sheet))
    expect([late.status, late.body.error.code]).toEqual([409, 'MODEL_CHANGED'])
    expect(late.body.error.details).toMatchObject({ now: { name: 'renamed' } })
  })

  it('is a coordinator’s to change, and copied with its whole card', async () => {
    const sheet = await modelOf('M-01')
    expect((await kofi.put(`/api/models/${sheet.id}`, asWritten(sheet))).status).toBe(403)
    const copy = (await ines.post<ModelSheet>(`/api/models/${sheet.id}/copy`, { name: 'another one' })).body
    expect(copy.parts.map(({ name }) => name)).toEqual(sheet.parts.map(({ name }) => name))
    expect(copy.kits).toEqual([])
  })

  it('refuses what is no card: ids of others, no name, a count of none', async () => {
    const sheet = await modelOf('M-01')
    const other = await modelOf('M-02')
    const send = (part: object) =>
      ines.put<Refusal>(`/api/models/${sheet.id}`, { ...asWritten(sheet), parts: [{ ...sheet.parts[0], ...part }] })
    for (const part of [{ id: other.parts[0]!.id }, { name: ' ' }, { count: 0 }, { massG: -5 }])
      expect((await send(part)).status).toBe(400)
    expect((await modelOf('M-01')).version).toBe(sheet.version)
  })
})

describe('the drawer', () => {
  const spareNamed = async (name: string) => {
    const { spares } = (await ines.get<Drawer>('/api/spares')).body
    const spare = spares.find((each) => each.name === name)
    if (!spare) throw new Error(`no ${name} in the drawer`)
    return spare
  }

  it('knows which kits want its parts, and moving one in is one recorded act', async () => {
    const cap = await spareNamed('Focuser cap')
    expect(cap.wantedBy.map(({ name }) => name)).toEqual(['Comfrey'])
    const kit = await kitOf(ines, 'M-05')
    const body = {
      idempotencyKey: randomUUID(),
      partId: cap.wantedBy[0]!.partId,
      kitVersion: kit.version,
      count: 1,
      way: 'into-kit',
    }
    const send = () => kofi.post<{ kit: KitSheet; drawer: Drawer }>(`/api/spares/${cap.id}/move`, body)
    const [first, second] = [await send(), await send()]
    expect(second.body).toEqual(first.body)
    expect((await spareNamed('Focuser cap')).count).toBe(cap.count - 1)
    expect(first.body.kit).toMatchObject({ condition: 'full' })
    expect(first.body.kit.history[0]).toMatchObject({ act: 'part-moved', after: { drawer: cap.count - 1 } })
  })

  it('gives no more than it has, and no more than the kit lacks', async () => {
    const slug = await spareNamed('Slug in the weight’s screw')
    const { partId } = slug.wantedBy[0]!
    const { version } = await kitOf(ines, 'M-04')
    const move = (count: number) =>
      ines.post<Refusal>(`/api/spares/${slug.id}/move`, {
        idempotencyKey: randomUUID(),
        partId,
        kitVersion: version,
        count,
        way: 'into-kit',
      })
    expect((await move(2)).body.error.issues).toMatchObject([{ path: 'count' }])
    const none = {
      branchId: slug.branchId,
      name: slug.name,
      role: slug.role,
      count: 0,
      massG: 9,
      costMinor: 300,
      version: slug.version,
    }
    expect((await ines.post(`/api/spares/${slug.id}`, none)).status).toBe(200)
    expect((await move(1)).body.error.code).toBe('NO_SPARE')
  })
})

describe('weighing', () => {
  const groupsOf = (kit: KitSheet) =>
    kit.weighGroups.map(({ name, scaleStepG }) => {
      const inside = kit.parts.filter(({ weighGroup }) => weighGroup === name)
      const massG = inside.reduce((sum, part) => sum + (part.massG ?? 0) * part.count, 0)
      return {
        group: name,
        measuredG: Math.round(massG / scaleStepG) * scaleStepG,
        scaleStepG,
        containerG: 0,
        source: 'typed',
      }
    })

  it('complete, it becomes what later weighings are compared with, and corrects the masses', async () => {
    const kit = await kitOf(ines, 'F-05')
    expect(kit.baselines).toEqual([])
    const tray = groupsOf(kit).find(({ group }) => group === 'tray')!
    const weighings = [{ ...tray, measuredG: tray.measuredG + 3 }]
    const reply = await ines.post<KitSheet>(`/api/kits/${kit.id}/weighings`, {
      idempotencyKey: randomUUID(),
      kitVersion: kit.version,
      weighings,
    })
    expect(reply.body.baselines).toMatchObject([{ group: 'tray', measuredG: tray.measuredG + 3 }])
    const sum = reply.body.parts
      .filter(({ weighGroup }) => weighGroup === 'tray')
      .reduce((total, part) => total + (part.massG ?? 0) * part.count, 0)
    expect(Math.abs(sum - (tray.measuredG + 3))).toBeLessThan(0.5)
    expect(reply.body.history[0]).toMatchObject({ act: 'weighed' })
  })

  it('a weight that doesn’t fit is doubted, and kept only if somebody is sure', async () => {
    const kit = await kitOf(ines, 'F-01')
    const pouch = groupsOf(kit).find(({ group }) => group === 'pouch')!
    const send = (rest: object) =>
      ines.post<KitSheet & Refusal>(`/api/kits/${kit.id}/weighings`, {
        idempotencyKey: randomUUID(),
        kitVersion: kit.version,
        weighings: [{ ...pouch, measuredG: pouch.measuredG + 60 }],
        ...rest,
      })
    expect((await send({})).body.error.code).toBe('WEIGHT_DOUBTFUL')
    expect((await send({ sure: true })).status).toBe(200)
  })

  it('only a kit that is counted complete can be the one to compare with', async () => {
    const kit = await kitOf(ines, 'M-04')
    const reply = await ines.post<Refusal>(`/api/kits/${kit.id}/weighings`, {
      idempotencyKey: randomUUID(),
      kitVersion: kit.version,
      weighings: groupsOf(kit),
    })
    expect(reply.body.error).toMatchObject({ code: 'NOT_COMPLETE', issues: [{ path: 'Slug in the weight’s screw' }] })
  })

  it('at a take-back it is kept with what it should have been; a light one is nobody’s baseline', async () => {
    const kit = await kitOf(ines, 'M-10')
    const loanId = await openLoanOf(ines, 'M-10')
    const tray = groupsOf(kit).find(({ group }) => group === 'tray')!
    const body = { ...(await takeBackBody(ines, loanId)), weighings: [{ ...tray, measuredG: tray.measuredG - 80 }] }
    expect((await ines.post(`/api/loans/${loanId}/take-back`, body)).status).toBe(200)
    const after = await kitOf(ines, 'M-10')
    expect(after.baselines).toEqual([])
    expect(after.history.find(({ act }) => act === 'weighed')?.after).toMatchObject({
      groups: [{ group: 'tray', measuredG: tray.measuredG - 80 }],
    })
  })
})

describe('pictures', () => {
  const upload = (bytes: Buffer, branchId: string, type = 'image/jpeg') =>
    server.app.inject({
      method: 'POST',
      url: `/api/pictures?branchId=${branchId}`,
      headers: { cookie: cookieOf(kofi), 'content-type': type },
      payload: bytes,
    })
  const cookieOf = (agent: Agent) => agent.cookie ?? ''

  it('are made small and lose where and with what they were taken', async () => {
    const { branchId } = await kitOf(ines, 'M-01')
    const camera = { IFD0: { Make: 'Somebody', Copyright: 'secret place' } }
    const photo = await sharp({ create: { width: 3000, height: 2000, channels: 3, background: '#804020' } })
      .jpeg()
      .withExif(camera)
      .toBuffer()
    expect(photo.includes('secret place')).toBe(true)
    const { id } = (await upload(photo, branchId)).json<{ id: string }>()
    const reply = await server.app.inject({
      method: 'GET',
      url: `/api/pictures/${id}`,
      headers: { cookie: cookieOf(kofi) },
    })
    expect(reply.headers['content-type']).toBe('image/jpeg')
    const kept = await sharp(reply.rawPayload).metadata()
    expect([kept.width, kept.height, kept.exif]).toEqual([1600, 1067, undefined])
    expect(reply.rawPayload.includes('secret place')).toBe(false)
  })

  it('what is no picture, or one that would unpack without end, is refused', async () => {
    const { branchId } = await kitOf(ines, 'M-01')
    expect((await upload(Buffer.from('hello'), branchId)).statusCode).toBe(400)
    expect((await upload(hugePng(60_000), branchId, 'image/png')).json()).toMatchObject({
      error: { code: 'NOT_A_PICTURE' },
    })
    expect((await upload(Buffer.alloc(13_000_000), branchId)).statusCode).toBe(413)
  })

  /** A tiny file that says it is 60,000 pixels square. */
  function hugePng(sizePx: number): Buffer {
    const chunk = (type: string, data: Buffer) => {
      const body = Buffer.concat([Buffer.from(type), data])
      const length = Buffer.alloc(4)
      const sum = Buffer.alloc(4)
      length.writeUInt32BE(data.length)
      sum.writeUInt32BE(crc32(body))
      return Buffer.concat([length, body, sum])
    }
    const head = Buffer.alloc(13)
    head.writeUInt32BE(sizePx, 0)
    head.writeUInt32BE(sizePx, 4)
    head.set([8, 2, 0, 0, 0], 8)
    const signature = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])
    return Buffer.concat([
      signature,
      chunk('IHDR', head),
      chunk('IDAT', Buffer.alloc(20)),
      chunk('IEND', Buffer.alloc(0)),
    ])
  }
})
