import { randomUUID } from 'node:crypto'
import type { BorrowerSheet, CardAnswer, Desk, LoanSheet, Unlinkings } from '@binoculum/contract'
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
    // Its guide can be read as before, and greets nobody.
    const guide = await ines.get<{ firstName: string | null }>(`/api/loans/${sheet.loans[0]?.id}/guide`)
    expect([guide.status, guide.body.firstName]).toEqual([200, null])
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
    expect((await ines.put(`/api/branches/${branchId}/unlinking`, { unlinkDays: 0, cardOnly: false })).status).toBe(
      400,
    )
    const decided = await ines.put<{ branches: { branchId: string; unlinkDays: number }[] }>(
      `/api/branches/${branchId}/unlinking`,
      { unlinkDays: 90, cardOnly: false },
    )
    expect(decided.body.branches.find((each) => each.branchId === branchId)?.unlinkDays).toBe(90)
  })
})

interface Refusal {
  error: { code: string }
}

describe('a card', () => {
  const ask = async (cardNumber: string) => {
    const { branchId } = await kitOf(ines, 'M-06')
    return (await ines.post<CardAnswer>(`/api/branches/${branchId}/card`, { cardNumber })).body
  }

  it('is asked for in the directory, whose answer is read with care', async () => {
    expect(await ask('70001')).toEqual({
      state: 'good',
      person: { name: 'Ximena Roldan', contact: 'ximena@roldan.example', language: 'es' },
      validUntil: null,
    })
    expect(await ask('70008')).toMatchObject({ state: 'expired', validUntil: '2020-01-31' })
    expect((await ask('12345')).state).toBe('unknown')
    // What it says can't be read: no half of it is taken.
    expect(await ask('70007')).toEqual({ state: 'silent', person: null, validUntil: null })
    expect(await tablesWith('Ximena', '70001')).toEqual([])
  })

  it('keeps nobody waiting for longer than two seconds', async () => {
    const began = Date.now()
    expect((await ask('70009')).state).toBe('silent')
    expect(Date.now() - began).toBeLessThan(3500)
  })

  it('is enough where a branch keeps no names, and the names that it had are gone', async () => {
    const { branchId } = await kitOf(ines, 'M-06')
    const named = { name: 'Ludovica Tarn', contact: 'ludovica@tarn.example', cardNumber: 'T-1' }
    const promise = (borrower: object, fromOn: string, untilOn: string) =>
      ines.post<{ loanId: string } & Refusal>('/api/promises', {
        ...{ idempotencyKey: randomUUID(), kitId: kitIdOf, fromOn, untilOn, borrower },
      })
    const kitIdOf = (await kitOf(ines, 'M-06')).id
    const [a, b] = ['2027-04-01', '2027-04-08']
    expect((await promise(named, a, b)).status).toBe(200)
    expect((await promise({ cardNumber: 'T-2' }, a, b)).status).toBe(400)
    const path = `/api/branches/${branchId}/unlinking`
    const on = await ines.put<Unlinkings>(path, { unlinkDays: 30, cardOnly: true })
    expect(on.body.branches.find((each) => each.branchId === branchId)).toMatchObject({ cardOnly: true })
    expect(await tablesWith('Ludovica', 'tarn.example')).toEqual([])
    expect((await promise(named, '2027-04-20', '2027-04-27')).body.error.code).toBe('CARD_ONLY')
    const first = await promise({ cardNumber: 'T-1' }, '2027-04-20', '2027-04-27')
    const second = await promise({ cardNumber: 'T-9' }, '2027-05-04', '2027-05-11')
    const borrowers: { name: string; contact: string; n: number }[] = await server.source.query(
      `SELECT b.name, b.contact, count(*)::int AS n FROM borrower b JOIN loan l ON l.borrower_id = b.id
       WHERE b.card_number IN ('T-1', 'T-9') GROUP BY b.id ORDER BY b.name`,
    )
    expect(borrowers).toEqual([
      { name: 'card T-1', contact: '', n: 2 },
      { name: 'card T-9', contact: '', n: 1 },
    ])
    expect([first.status, second.status]).toEqual([200, 200])
    // The directory tells such a branch that the card is good, and nothing more.
    expect(await ask('70001')).toMatchObject({ state: 'good', person: null })
    // A name typed over it isn't kept either.
    const sheet = (await ines.get<LoanSheet>(`/api/loans/${second.body.loanId}`)).body.borrower
    const change = { cardNumber: 'T-9', language: 'es', level: 'some' }
    const refused = await ines.put<Refusal>(`/api/borrowers/${sheet.id}`, { ...change, ...named, cardNumber: 'T-9' })
    expect(refused.body.error.code).toBe('CARD_ONLY')
    const kept = await ines.put<BorrowerSheet>(`/api/borrowers/${sheet.id}`, change)
    expect(kept.body).toMatchObject({ name: 'card T-9', language: 'es', level: 'some', cardOnly: true })
    await ines.put(path, { unlinkDays: 30, cardOnly: false })
  })

  it('alone hands a kit out, with a guide that greets nobody by name', async () => {
    await at('2026-03-12T14:00:00Z')
    const borrower = { cardNumber: 'T-10' }
    const free = (await ines.get<Desk>('/api/desk')).body.lendable.find(
      ({ nextUtc }) => nextUtc === null || nextUtc > '2026-04-10',
    )
    await ines.put(`/api/branches/${free?.branchId}/unlinking`, { unlinkDays: 30, cardOnly: true })
    const { kitId, body } = await handOutBody(ines, free?.code ?? '', { promisedLoanId: null, borrower })
    const slip = await ines.post<{ borrower: string; guidePath: string }>(`/api/kits/${kitId}/hand-out`, body)
    expect(slip.body).toMatchObject({ borrower: 'card T-10' })
    const guides: { first: string | null }[] = await server.source.query(
      `SELECT g.content->>'firstName' AS first FROM guide g JOIN loan l ON l.id = g.loan_id
       JOIN borrower b ON b.id = l.borrower_id WHERE b.card_number = 'T-10'`,
    )
    expect(guides).toEqual([{ first: null }])
  })
})
