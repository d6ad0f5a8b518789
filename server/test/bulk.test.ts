import { randomUUID } from 'node:crypto'
import { BorrowerRow } from '../src/features/loans/entities.ts'
import { PartRow } from '../src/features/store/service.ts'
import { insertMany } from '../src/platform/bulk.ts'
import { startTestServer } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => void (server = await startTestServer()))
afterAll(() => server.close())

const kitId = async (): Promise<string> => (await server.source.query("SELECT id FROM kit WHERE code = 'M-03'"))[0].id

it('every kind of column comes back as it was: text, figures, lists, JSON, nothing, days', async () => {
  const id = randomUUID()
  const pictures = [randomUUID(), randomUUID()]
  const part = {
    id,
    kitId: await kitId(),
    position: 900,
    name: 'O’Brien’s “cap”, 10 % \\ \u0007 off\n',
    role: 'focuser-cap',
    criticality: 'useful',
    count: 3,
    presentCount: 2,
    massG: 4.25,
    toleranceG: null,
    weighed: false,
    weighGroup: '',
    lookEveryTime: true,
    lookFor: '',
    wrongItem: '',
    pictureIds: pictures,
    modelPartId: null,
    consumable: { kind: 'AA', pieces: 2, changedOn: '2026-03-12' },
    place: 'Tray',
    mark: 'missing',
    note: '{"a": [1]}',
    costMinor: 150,
    optics: { focalLengthMm: 12.5 },
  }
  await server.database.inTransaction((tx) => insertMany(tx, PartRow, [part]))
  const found = await server.source.manager.findOneByOrFail(PartRow, { id })
  expect(found).toMatchObject(part)
})

it('columns that no row names get their defaults; rows that differ are all kept', async () => {
  const branchId = (await server.source.query('SELECT branch_id FROM kit LIMIT 1'))[0].branch_id
  const rows = ['Ada Umber', 'Bo Teague'].map((name, index) => ({
    id: randomUUID(),
    branchId,
    name,
    contact: `${index}@post.example`,
    ...(index === 1 ? { cardNumber: 'C-2' } : { cardNumber: '' }),
  }))
  await server.database.inTransaction((tx) => insertMany(tx, BorrowerRow, rows))
  const found = await server.source.query('SELECT name, card_number FROM borrower WHERE id = ANY($1) ORDER BY name', [
    rows.map(({ id }) => id),
  ])
  expect(found).toEqual([
    { name: 'Ada Umber', card_number: '' },
    { name: 'Bo Teague', card_number: 'C-2' },
  ])
})

it('no rows are no statement, and a row that breaks a rule lets none in', async () => {
  await server.database.inTransaction((tx) => insertMany(tx, PartRow, []))
  const before = (await server.source.query('SELECT count(*)::int AS n FROM part'))[0].n
  const bad = [{ id: randomUUID(), kitId: randomUUID(), name: 'nobody’s' }]
  await expect(server.database.inTransaction((tx) => insertMany(tx, PartRow, bad))).rejects.toThrow()
  expect((await server.source.query('SELECT count(*)::int AS n FROM part'))[0].n).toBe(before)
})
