import type { BorrowerSheet, LoanSheet } from '@binoculum/contract'
import { Borrowers } from '../src/features/borrowers/service.ts'
import { handOutBody, kitOf, startTestServer, takeBackBody, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let jun: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  jun = await server.signIn('jun')
})
afterAll(() => server.close())

const NAME = 'Zenobia Quartermain'
const CONTACT = 'zenobia@quartermain.example'
const forget = () => server.app.house.use(Borrowers).forget()
const at = async (iso: string) => {
  server.time.now = new Date(iso)
  ines = await server.signIn('ines')
}

/** Every table's rows as text: where one of the words stands. */
async function tablesWith(...words: string[]): Promise<string[]> {
  const tables: { name: string }[] = await server.source.query(
    `SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' AND table_type = 'BASE TABLE'`,
  )
  const found = []
  for (const { name } of tables) {
    const [row]: { n: number }[] = await server.source.query(
      `SELECT count(*)::int AS n FROM "${name}" t WHERE t::text ILIKE ANY($1)`,
      [words.map((word) => `%${word}%`)],
    )
    if ((row?.n ?? 0) > 0) found.push(name)
  }
  return found.sort()
}

/** A loan of F-05 to somebody who is known nowhere yet, with a report from the guide, and back again. */
async function lentAndBack(): Promise<{ loanId: string; borrowerId: string }> {
  const { kitId, body } = await handOutBody(ines, 'F-05', {
    promisedLoanId: null,
    borrower: { name: NAME, contact: CONTACT, cardNumber: 'Z-77' },
    filterChecked: true,
  })
  const slip = await ines.post<{ loanId: string; guidePath: string }>(`/api/kits/${kitId}/hand-out`, body)
  expect(slip.status).toBe(200)
  const { loanId } = slip.body
  // Their own look through the case, with a word of theirs.
  await server.source.query(
    `INSERT INTO borrower_message (id, branch_id, kit_id, loan_id, kind, body, at)
     SELECT gen_random_uuid(), branch_id, kit_id, id, 'contents', jsonb_build_object('note', $2::text), now() FROM loan WHERE id = $1`,
    [loanId, NAME],
  )
  await ines.post(`/api/loans/${loanId}/take-back`, await takeBackBody(ines, loanId))
  const { borrower } = (await ines.get<LoanSheet>(`/api/loans/${loanId}`)).body
  return { loanId, borrowerId: borrower.id }
}

describe('a borrower', () => {
  it('has a page for those at the desk, and who looked is on record', async () => {
    const { borrowerId } = await lentAndBack()
    const sheet = (await ines.get<BorrowerSheet>(`/api/borrowers/${borrowerId}`)).body
    expect(sheet).toMatchObject({
      name: NAME,
      contact: CONTACT,
      cardNumber: 'Z-77',
      language: 'en',
      unlinksOn: '2026-04-11',
    })
    expect(sheet.loans).toMatchObject([{ kitCode: 'F-05', state: 'back', daysLate: 0 }])
    expect((await jun.get(`/api/borrowers/${borrowerId}`)).status).toBe(403)
    const looked: { n: number }[] = await server.source.query(
      `SELECT count(*)::int AS n FROM record WHERE act = 'borrower-looked-at' AND after->>'borrowerId' = $1`,
      [borrowerId],
    )
    expect(looked[0]?.n).toBe(1)
  })

  it('is forgotten everywhere thirty days after everything is closed; what was counted stays', async () => {
    expect(await tablesWith('Zenobia', 'Quartermain')).toEqual(['borrower', 'borrower_message', 'guide'])
    const loans = async (): Promise<{ n: number }[]> => server.source.query('SELECT count(*)::int AS n FROM loan')
    const before = await loans()
    await at('2026-04-11T10:00:00Z')
    await forget()
    expect(await tablesWith('Zenobia', 'Quartermain')).not.toEqual([])
    await at('2026-04-12T10:00:00Z')
    expect(await forget()).toBeGreaterThan(0)
    expect(await tablesWith('Zenobia', 'Quartermain', 'Z-77')).toEqual([])
    expect(await loans()).toEqual(before)
    const [{ id } = { id: '' }]: { id: string }[] = await server.source.query(
      `SELECT borrower_id AS id FROM loan l JOIN kit k ON k.id = l.kit_id WHERE k.code = 'F-05' ORDER BY out_at DESC LIMIT 1`,
    )
    const sheet = (await ines.get<BorrowerSheet>(`/api/borrowers/${id}`)).body
    expect(sheet).toMatchObject({ name: 'somebody', contact: '', unlinkedAtUtc: '2026-04-12T10:00:00.000Z' })
    expect(sheet.loans).toHaveLength(1)
    expect(
      (await ines.put(`/api/borrowers/${id}`, { name: 'X', contact: 'x@y.example', cardNumber: '', language: 'en' }))
        .status,
    ).toBe(404)
  })

  it('stays known while a kit is out, promised, waited for, or a part is asked for', async () => {
    const open: { id: string }[] = await server.source.query(
      `SELECT DISTINCT borrower_id AS id FROM loan WHERE state IN ('promised', 'out')
       UNION SELECT borrower_id FROM waiting_request WHERE state IN ('waiting', 'offered')
       UNION SELECT l.borrower_id FROM job j JOIN loan l ON l.id = j.loan_id WHERE j.closed_at IS NULL`,
    )
    expect(open.length).toBeGreaterThan(20)
    await at('2027-03-12T10:00:00Z')
    await forget()
    const kept: { n: number }[] = await server.source.query(
      `SELECT count(*)::int AS n FROM borrower WHERE id = ANY($1) AND unlinked_at IS NULL`,
      [open.map(({ id }) => id)],
    )
    expect(kept[0]?.n).toBe(open.length)
  })

  it('is kept as long as the branch decides', async () => {
    const { branchId } = await kitOf(ines, 'M-06')
    expect((await ines.put(`/api/branches/${branchId}/unlinking`, { unlinkDays: 0 })).status).toBe(400)
    const decided = await ines.put<{ branches: { branchId: string; unlinkDays: number }[] }>(
      `/api/branches/${branchId}/unlinking`,
      { unlinkDays: 90 },
    )
    expect(decided.body.branches.find((each) => each.branchId === branchId)?.unlinkDays).toBe(90)
  })
})
