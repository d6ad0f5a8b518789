import { readFileSync } from 'node:fs'
import Papa from 'papaparse'
import type { ImportLine, ListPreview } from '@binoculum/contract'
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
    branchId,
    ...rest,
  })
const kitCount = async (): Promise<number> => (await server.source.query('SELECT count(*)::int AS n FROM kit'))[0].n
const wrn12 = { code: 'WRN-12', name: 'Wren', family: 'equatorial-reflector', apertureMm: 130, focalLengthMm: 650 }
/** Sends a list; gives the last line of what streams back, or the refusal. */
async function confirm(contentBase64: string, rest: object = {}) {
  const reply = await ines.post<unknown>('/api/lists/confirm', {
    fileName: 'list.csv',
    contentBase64,
    branchId,
    leaveOutProblemRows: false,
    kits: [wrn12],
    ...rest,
  })
  if (typeof reply.body !== 'string') return { lines: [], last: reply.body as Record<string, unknown> }
  const lines = reply.body
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as ImportLine)
  return { lines, last: lines.at(-1) as Record<string, unknown> & ImportLine }
}

it('the preview writes nothing', async () => {
  const before = await kitCount()
  const { body } = await preview(sample)
  expect(body).toMatchObject({ delimiter: ',', rowCount: 29, problems: [], missingColumns: [] })
  expect(body.kits[0]).toMatchObject({ code: 'WRN-12', state: 'new', massG: 16_173 })
  expect(body.questions).toEqual([])
  expect(await kitCount()).toBe(before)
})

it('the sample comes in whole, its parts not counted yet, and is on record', async () => {
  const { lines, last } = await confirm(sample)
  expect(last).toMatchObject({ kind: 'done', kitCodes: ['WRN-12'], partCount: 29, failed: [] })
  expect(lines[0]).toEqual({ kind: 'progress', done: 1, total: 1 })
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

it('the same list again changes nothing; a changed one updates instead of doubling', async () => {
  expect((await preview(sample)).body.kits[0]).toMatchObject({ state: 'same', changes: [] })
  expect((await confirm(sample)).last).toMatchObject({ kitCodes: [], same: ['WRN-12'] })
  const text = Buffer.from(sample, 'base64').toString('utf8')
  const changed = base64(`${text.replace('Hex key 4 mm,1,', 'Hex key 4 mm,2,')}WRN-12,Red torch,1,60,g,,,\r\n`)
  const plan = (await preview(changed)).body.kits[0]
  expect(plan).toMatchObject({ state: 'changes', changes: ['Hex key 4 mm: count 2', 'Red torch: comes in'] })
  const before = await kitOf(ines, 'WRN-12')
  expect((await confirm(changed, { decisions: { 'word red torch': 'other' } })).last).toMatchObject({
    updated: ['WRN-12'],
  })
  const after = await kitOf(ines, 'WRN-12')
  expect(after.parts).toHaveLength(before.parts.length + 1)
  expect(after.parts.find(({ name }) => name === 'Hex key 4 mm')).toMatchObject({ count: 2, mark: 'unseen' })
  expect(after.history[0]).toMatchObject({ act: 'brought-up-to-date' })
})

it('a code of another branch doesn’t come in', async () => {
  const list = base64('Kit code;Part\nF-01;Tube 114/900\n')
  expect((await preview(list)).body.kits[0]).toMatchObject({ state: 'elsewhere' })
  const reply = await confirm(list, { kits: [{ ...wrn12, code: 'F-01' }] })
  expect(reply.last).toMatchObject({ error: { code: 'CODE_TAKEN' } })
})

it('a list with a row that can’t be read comes in only without it, if asked to', async () => {
  const list = base64('Kit code;Part;pcs;Mass\nZ-1;Tube 114/450;1;3,1 kg\nZ-1;Cap;1;92 stone\n')
  const { problems } = (await preview(list)).body
  expect(problems).toEqual([{ line: 3, field: 'mass', sentence: expect.stringContaining('92 stone') }])
  const z1 = { ...wrn12, code: 'Z-1', name: 'Zinnia' }
  expect((await confirm(list, { kits: [z1] })).last).toMatchObject({ error: { code: 'LIST_HAS_PROBLEMS' } })
  const reply = await confirm(list, { kits: [z1], leaveOutProblemRows: true })
  expect(reply.last).toMatchObject({ kitCodes: ['Z-1'], partCount: 1 })
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
    'lastSeen',
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
  expect((await kofi.post('/api/lists/preview', { fileName: 'x', contentBase64: sample, branchId })).status).toBe(403)
})

describe('a whole club’s sheet', () => {
  const club = readFileSync(new URL('../../e2e/samples/club-inventory.csv', import.meta.url)).toString('base64')
  const decisions = {
    'filter T3': 'held',
    'code T3-2': 'spares',
    'word bench for eyepieces': 'tray',
    'word felt cloth': 'other',
    'word hexkey + spanner': 'hex-key',
    'word lid of tube': 'front-cap',
    'word mak 84 on driven arm': 'tube',
    'word rail under clamps': 'other',
    'word soft case': 'case',
    'word wing screw m8': 'spare-screws',
  }
  const chosen = [
    ['T1', 'Heron', 'tabletop-reflector', 108, 470],
    ['T2', 'Dunlin', 'tripod-refractor', 76, 430],
    ['T3', 'Curlew', 'equatorial-reflector', 140, 680],
    ['T4', 'Godwit', 'computer-driven', 84, 1120],
  ].map(([code, name, family, apertureMm, focalLengthMm]) => ({ code, name, family, apertureMm, focalLengthMm }))

  it('is asked about what only a person can say, and nothing is written before the answers', async () => {
    const { body } = await preview(club, { openCells: true })
    expect(body).toMatchObject({ delimiter: ';', decimal: ',', titleLines: 2, filledDown: true })
    expect(body.questions.map(({ key }) => key).sort()).toEqual(Object.keys(decisions).sort())
    const refused = await confirm(club, { kits: chosen, openCells: true, leaveOutProblemRows: true })
    expect(refused.last).toMatchObject({ error: { code: 'LIST_HAS_QUESTIONS' } })
  })
  it('comes in with the answers; the filter holds its kit, the doubled block goes into the drawer', async () => {
    const { last } = await confirm(club, { kits: chosen, openCells: true, leaveOutProblemRows: true, decisions })
    expect(last).toMatchObject({ kitCodes: ['T1', 'T2', 'T3', 'T4'], spares: 2, failed: [] })
    expect(await kitOf(ines, 'T3')).toMatchObject({ condition: 'new' })
    const ten = (await kitOf(ines, 'T1')).parts.find(({ name }) => name === 'ocular 7 mm')
    expect(ten).toMatchObject({ massG: null, optics: { focalLengthMm: 7 } })
  })
  it('words and columns are remembered for the next list', async () => {
    const { body } = await preview(club, { openCells: true })
    expect(body.columnsRemembered).toBe(true)
    expect(body.questions).toEqual([])
    const bench = body.words.find(({ word }) => word === 'bench for eyepieces')
    expect(bench).toMatchObject({ role: 'tray', decided: true })
  })
})

it('an export comes in again as “the same”, and runs as a formula nowhere', async () => {
  const list = base64('Kit code;Part;Remarks\nZ-9;=cmd|calc!A1;@SUM(1)\n')
  await confirm(list, { kits: [{ ...wrn12, code: 'Z-9' }], decisions: { 'word =cmd|calc!a1': 'other' } })
  const { body } = await ines.get<string>(`/api/lists/export?branchId=${branchId}`)
  expect(body).toContain("'=cmd|calc!A1")
  // RFC 4180 read by another library than the one that wrote it.
  const rows = Papa.parse<string[]>(body.replace('\uFEFF', ''), { skipEmptyLines: true }).data
  expect(rows.flat().filter((cell) => /^[=@+]/.test(cell))).toEqual([])
  const again = (await preview(base64(body), { openCells: true })).body
  expect(again.problems).toEqual([])
  // The held filter, the odd words: all answered once, and said in a column of its own.
  expect(again.questions).toEqual([])
  expect(body).toContain('screw-in-sun-filter')
  expect(again.kits.filter(({ state }) => state !== 'same')).toEqual([])
})
