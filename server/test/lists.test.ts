import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { ListPreview } from '@binoculum/contract'
import { kitOf, startTestServer, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let branchId: string
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  branchId = (await kitOf(ines, 'M-01')).branchId
})
afterAll(() => server.close())

const sample = readFileSync(new URL('../../e2e/samples/contents-list.csv', import.meta.url)).toString('base64')
const base64 = (text: string) => Buffer.from(text).toString('base64')
const preview = (contentBase64: string, rest: object = {}) =>
  ines.post<ListPreview & { error: { code: string } }>('/api/lists/preview', {
    fileName: 'list.csv',
    contentBase64,
    ...rest,
  })
const kitCount = async (): Promise<number> => (await server.source.query('SELECT count(*)::int AS n FROM kit'))[0].n
const wrn12 = { code: 'WRN-12', name: 'Wren', family: 'equatorial-reflector', apertureMm: 130, focalLengthMm: 650 }
const confirm = (contentBase64: string, rest: object = {}) =>
  ines.post('/api/lists/confirm', {
    fileName: 'list.csv',
    contentBase64,
    idempotencyKey: randomUUID(),
    branchId,
    leaveOutProblemRows: false,
    kits: [wrn12],
    ...rest,
  })

it('the preview writes nothing', async () => {
  const before = await kitCount()
  const { body } = await preview(sample)
  expect(body).toMatchObject({ delimiter: ',', rowCount: 29, problems: [], missingColumns: [] })
  expect(body.kits[0]).toMatchObject({ code: 'WRN-12', codeTaken: false, massG: 16_173 })
  expect(await kitCount()).toBe(before)
})

it('the sample comes in whole, its parts not counted yet, and is on record', async () => {
  expect((await confirm(sample)).body).toEqual({ kitCodes: ['WRN-12'], partCount: 29 })
  const kit = await kitOf(ines, 'WRN-12')
  expect(kit).toMatchObject({ name: 'Wren', modelName: 'equatorial reflector 130/650', condition: 'half' })
  expect(kit.reasons.map(({ code }) => code)).toEqual(['NOT_COUNTED', 'NOT_MEASURED'])
  expect(kit.parts.reduce((sum, part) => sum + (part.massG ?? 0) * part.count, 0)).toBe(16_173)
  expect(kit.history[0]).toMatchObject({ act: 'brought-in', after: { parts: 29 } })
})

it('is counted in one act, but for parts that need their own look', async () => {
  const kit = await kitOf(ines, 'WRN-12')
  await ines.post(`/api/kits/${kit.id}/count-rest`, { kitVersion: kit.version })
  const counted = await kitOf(ines, 'WRN-12')
  const unseen = counted.parts.filter(({ mark }) => mark === 'unseen').map(({ role }) => role)
  expect(unseen).toEqual(['ring-clamp-screw', 'weight-slug', 'shaft-end-stop', 'coin-cell'])
})

it('the same code doesn’t come in twice', async () => {
  expect((await preview(sample)).body.kits[0]?.codeTaken).toBe(true)
  expect((await confirm(sample)).body).toMatchObject({ error: { code: 'CODE_TAKEN' } })
})

it('a list with a row that can’t be read comes in only without it, if asked to', async () => {
  const list = base64('Kit code;Part;pcs;Mass\nZ-1;Tube 114/450;1;3,1 kg\nZ-1;Cap;1;92 stone\n')
  const { problems } = (await preview(list)).body
  expect(problems).toEqual([{ line: 3, sentence: expect.stringContaining('92 stone') }])
  const z1 = { ...wrn12, code: 'Z-1', name: 'Zinnia' }
  expect((await confirm(list, { kits: [z1] })).body).toMatchObject({ error: { code: 'LIST_HAS_PROBLEMS' } })
  const reply = await confirm(list, { kits: [z1], leaveOutProblemRows: true })
  expect(reply.body).toEqual({ kitCodes: ['Z-1'], partCount: 1 })
  expect((await kitOf(ines, 'Z-1')).parts[0]).toMatchObject({ massG: 3100, role: 'tube' })
})

it('columns can be told where their headings say nothing', async () => {
  const list = base64('A,B\nZ-2,Tube 70/400\n')
  expect((await preview(list)).body.missingColumns).toEqual(['kitCode', 'part'])
  const fields = [
    'kitCode',
    'kitName',
    'part',
    'count',
    'mass',
    'unit',
    'place',
    'criticality',
    'focalLength',
    'note',
  ]
  const columns = { ...Object.fromEntries(fields.map((field) => [field, null])), kitCode: 0, part: 1 }
  expect((await preview(list, { columns })).body.kits[0]).toMatchObject({
    code: 'Z-2',
    proposedTube: { apertureMm: 70 },
  })
})

it('a picture is refused as a picture', async () => {
  const png = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13]).toString('base64')
  const reply = await preview(png)
  expect([reply.status, reply.body]).toMatchObject([
    400,
    { error: { code: 'NOT_A_LIST', issues: [{ path: 'file' }] } },
  ])
})

it('only coordinators bring lists in', async () => {
  const kofi = await server.signIn('kofi')
  expect((await kofi.post('/api/lists/preview', { fileName: 'x', contentBase64: sample })).status).toBe(403)
})
