import {
  benchSchema,
  borrowersFoundSchema,
  guideSchema,
  kitSheetSchema,
  shelfSchema,
  takeBackFormSchema,
  type BorrowersFound,
  type KitSheet,
  type Shelf,
} from '@binoculum/contract'
import type { z } from 'zod'
import { handOutBody, startTestServer, type Agent } from './support.ts'

/** Answers that leave as they were made hold to the schema of their route, with nothing beside it: of every kit of the demo. */
let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kits: Shelf['kits']
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  ;({ kits } = (await ines.get<Shelf>('/api/kits')).body)
})
afterAll(() => server.close())

/** The schema cuts off what it doesn't know: what comes out of it is what went in, or something was too much. */
async function holds(path: string, schema: z.ZodType): Promise<void> {
  const { status, body } = await ines.get(path)
  expect([path, status]).toEqual([path, 200])
  expect(schema.parse(body)).toEqual(body)
}

it('the Shelf and the bench', async () => {
  await holds('/api/kits', shelfSchema)
  await holds('/api/bench', benchSchema)
})

it('the sheet of every kit', async () => {
  expect(kits.length).toBeGreaterThan(15)
  for (const { code } of kits) await holds(`/api/kits/${encodeURIComponent(code)}`, kitSheetSchema)
})

it('guide and take-back form of every open loan', async () => {
  const loans = kits.flatMap(({ loan }) => (loan ? [loan.id] : []))
  expect(loans.length).toBeGreaterThan(3)
  for (const id of loans) {
    await holds(`/api/loans/${id}/guide`, guideSchema)
    await holds(`/api/loans/${id}/take-back`, takeBackFormSchema)
  }
})

it('borrowers found by their names', async () => {
  const { branchId } = kits.find(({ code }) => code === 'M-01')!
  const path = `/api/borrowers?branchId=${branchId}&text=an`
  expect((await ines.get<BorrowersFound>(path)).body.borrowers.length).toBeGreaterThan(3)
  await holds(path, borrowersFoundSchema)
})

it('a guide leaves as text where it was issued in the shape of today, and reads the same where that is not known', async () => {
  const { kitId, body } = await handOutBody(ines, 'M-01')
  const { loanId } = (await ines.post<{ loanId: string }>(`/api/kits/${kitId}/hand-out`, body)).body
  const path = `/api/loans/${loanId}/guide`
  const asIssued = (await ines.get(path)).body
  const { length } = (await server.source.query(`SELECT FROM guide WHERE loan_id = $1 AND shape <> ''`, [
    loanId,
  ])) as []
  expect(length).toBe(1)
  await server.source.query(`UPDATE guide SET shape = '' WHERE loan_id = $1`, [loanId])
  expect((await ines.get(path)).body).toEqual(asIssued)
  // What a schema to come calls for and this guide lacks is filled in, not left out.
  await server.source.query(
    `UPDATE guide SET content = content - 'legs', shape = 'of a former day' WHERE loan_id = $1`,
    [loanId],
  )
  await holds(path, guideSchema)
})

it('a kit that was given out with marks, notes and extra things', async () => {
  const { id, version } = (await ines.get<KitSheet>('/api/kits/M-01')).body
  const [, part] = (await ines.get<KitSheet>('/api/kits/M-01')).body.parts
  const note = { kitVersion: version, mark: 'damaged', note: 'torn' }
  expect((await ines.post(`/api/kits/${id}/parts/${part?.id}/mark`, note)).status).toBe(200)
  await holds('/api/kits/M-01', kitSheetSchema)
})
