import type { ConfirmList, ListPreview } from '@binoculum/contract'
import { useBringIn } from './use-bring-in.ts'

type Sent = { path: string; body: Record<string, unknown> }
let sent: Sent[]
let preview: ListPreview
let lines: unknown[]

const kit = (code: string, rest: Partial<ListPreview['kits'][number]> = {}): ListPreview['kits'][number] => ({
  code,
  name: code,
  parts: [],
  massG: 5000,
  proposedFamily: 'equatorial-reflector',
  proposedTube: { apertureMm: 125, focalLengthMm: 600 },
  state: 'new',
  changes: [],
  held: false,
  partCount: 20,
  ...rest,
})
const question = { key: 'word red torch', title: '“red torch”', why: '', line: 3, answers: [], answer: null }

beforeEach(() => {
  sent = []
  lines = [
    { kind: 'progress', done: 1, total: 1 },
    { kind: 'done', kitCodes: ['T1'], partCount: 20, updated: [], same: [], spares: 0, failed: [] },
  ]
  preview = {
    delimiter: ';',
    decimal: ',',
    header: ['Nr', 'Item'],
    rows: [],
    rowCount: 20,
    titleLines: 0,
    filledDown: true,
    columnsRemembered: false,
    columns: { kitCode: 0, kitName: null, part: 1 } as unknown as ListPreview['columns'],
    missingColumns: [],
    kits: [kit('T1')],
    spares: 0,
    words: [],
    questions: [],
    problems: [],
  }
  globalThis.fetch = (async (path: string, options: RequestInit) => {
    sent.push({ path, body: JSON.parse(String(options.body)) as Record<string, unknown> })
    if (path.endsWith('/preview')) return new Response(JSON.stringify(preview))
    return new Response(lines.map((line) => JSON.stringify(line)).join('\n'))
  }) as typeof fetch
})
const file = (text = 'Nr;Item\r\nT1;Röhre') => new File([text], 'club.csv', { type: 'text/csv' })

it('a file travels byte by byte, and nothing is written by looking', async () => {
  const list = useBringIn(() => 'branch')
  await list.read(file())
  const base64 = String(sent[0]?.body.contentBase64)
  expect(Buffer.from(base64, 'base64').toString()).toBe('Nr;Item\r\nT1;Röhre')
  expect(sent.map(({ path }) => path)).toEqual(['/api/lists/preview'])
  expect(list.choices.value).toMatchObject([{ code: 'T1', chosen: true, apertureMm: 125 }])
})

it('comes in only when every question is answered; the answers go with it', async () => {
  preview = { ...preview, questions: [question] }
  const list = useBringIn(() => 'branch')
  await list.read(file())
  expect(list.complete.value).toBe(false)
  await list.bringIn()
  expect(sent).toHaveLength(1)
  await list.decide('word red torch', 'other')
  expect(list.complete.value).toBe(true)
  await list.bringIn()
  expect(sent.at(-1)).toMatchObject({
    path: '/api/lists/confirm',
    body: { decisions: { 'word red torch': 'other' } },
  })
  expect(list.result.value).toMatchObject({ kitCodes: ['T1'] })
  expect(list.progress.value).toBeNull()
})

it('what was typed into a kit’s fields stays when the list is looked at again', async () => {
  preview = { ...preview, kits: [kit('T1', { proposedTube: null })] }
  const list = useBringIn(() => 'branch')
  await list.read(file())
  expect(list.complete.value).toBe(false)
  Object.assign(list.choices.value[0]!, { name: 'Heron', apertureMm: 110, focalLengthMm: 480 })
  await list.look()
  expect(list.choices.value[0]).toMatchObject({ name: 'Heron', apertureMm: 110 })
  expect(list.complete.value).toBe(true)
  await list.bringIn()
  expect((sent.at(-1)?.body as unknown as ConfirmList).kits).toMatchObject([{ name: 'Heron', apertureMm: 110 }])
})

it('kits that are here as they are, or in another branch, are not sent', async () => {
  preview = {
    ...preview,
    kits: [kit('T1', { state: 'same' }), kit('T2', { state: 'elsewhere' }), kit('T3', { state: 'changes' })],
  }
  const list = useBringIn(() => 'branch')
  await list.read(file())
  expect(list.ready.value.map(({ code }) => code)).toEqual(['T3'])
})

it('unreadable cells stay open unless that is unticked; a row without a code must be left out expressly', async () => {
  preview = {
    ...preview,
    problems: [{ line: 4, field: 'mass', sentence: 'line 4, mass: “heavy” is no mass' }],
  }
  const list = useBringIn(() => 'branch')
  await list.read(file())
  expect([list.badRows.value.length, list.complete.value]).toEqual([0, true])
  list.openCells.value = false
  expect([list.badRows.value.length, list.complete.value]).toEqual([1, false])
  list.leaveOut.value = true
  expect(list.complete.value).toBe(true)
  list.openCells.value = true
  list.leaveOut.value = false
  preview = { ...preview, problems: [{ line: 5, field: 'kitCode', sentence: 'line 5: no kit code' }] }
  await list.look()
  expect(list.complete.value).toBe(false)
})

it('a column that is moved leaves its old place, and a field stands in one column only', async () => {
  const list = useBringIn(() => 'branch')
  await list.read(file())
  await list.setColumn(1, 'kitName')
  expect(sent.at(-1)?.body.columns).toMatchObject({ kitName: 1, part: null, kitCode: 0 })
  preview = { ...preview, columns: { kitCode: 0, kitName: 1, part: null } as unknown as ListPreview['columns'] }
  await list.look()
  await list.setColumn(1, '')
  expect(sent.at(-1)?.body.columns).toMatchObject({ kitName: null })
})

it('kits that failed are named in what comes back', async () => {
  lines = [
    {
      kind: 'done',
      kitCodes: [],
      partCount: 0,
      updated: [],
      same: [],
      spares: 0,
      failed: [{ code: 'T1', message: 'in use' }],
    },
  ]
  const list = useBringIn(() => 'branch')
  await list.read(file())
  await list.bringIn()
  expect(list.result.value?.failed).toEqual([{ code: 'T1', message: 'in use' }])
  list.startOver()
  expect([list.preview.value, list.choices.value]).toEqual([null, []])
})
