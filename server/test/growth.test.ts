import { randomUUID } from 'node:crypto'
import type { Found } from '@binoculum/contract'
import { recountLosses } from '../src/features/contents/weigh-queries.ts'
import { recountStepMedians } from '../src/features/checks/queries.ts'
import { kitOf, openLoanOf, startTestServer, takeBackBody, type Agent } from './support.ts'

/** What is kept small beside the history agrees with the history. */
let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kofi: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  kofi = await server.signIn('kofi')
})
afterAll(() => server.close())

const rowsOf = (table: string): Promise<unknown[]> => server.source.query(`SELECT * FROM ${table} ORDER BY 1, 2, 3`)
/** Of one role this year, at whichever branch. */
const caps = async (role: string): Promise<{ losses: number; loans: number }> => {
  const [row]: { losses: number; loans: number }[] = await server.source.query(
    `SELECT coalesce(sum(losses), 0)::int AS losses, coalesce(sum(piece_loans), 0)::int AS loans
     FROM role_loss WHERE role = $1 AND year = 2026`,
    [role],
  )
  return row ?? { losses: 0, loans: 0 }
}

it('losses by role are counted with each take-back, once, and agree with all take-backs', async () => {
  const before = await caps('front-cap')
  const loanId = await openLoanOf(kofi, 'M-10')
  const body = await takeBackBody(kofi, loanId, { missing: ['front-cap'], outcome: 'hold' })
  expect((await kofi.post(`/api/loans/${loanId}/take-back`, body)).status).toBe(200)
  // Sent again by a line that broke: counted no second time.
  expect((await kofi.post(`/api/loans/${loanId}/take-back`, body)).status).toBe(200)
  expect(await caps('front-cap')).toEqual({ losses: before.losses + 1, loans: before.loans + 1 })
  const counted = await rowsOf('role_loss')
  await server.database.inTransaction(recountLosses)
  expect(await rowsOf('role_loss')).toEqual(counted)
})

it('a step’s median is kept with each check, and is that of its times', async () => {
  const kept = await rowsOf('step_median')
  expect(kept.length).toBeGreaterThan(20)
  const kit = await kitOf(kofi, 'M-06')
  const steps = ['finder', 'caps'].map((key, index) => ({
    ...{ key, title: key, phase: 'fit-out', asFound: 'fine', asLeft: 'fine', said: [], seconds: 300 + index },
  }))
  const stations = [{ station: 'assembly', steps, note: '', minutes: 10 }]
  const body = { idempotencyKey: randomUUID(), kitVersion: kit.version, stations, doneJobIds: [], backToShelf: true }
  expect((await kofi.post(`/api/kits/${kit.id}/checks`, body)).status).toBe(200)
  const after = await rowsOf('step_median')
  expect(after).not.toEqual(kept)
  await server.database.inTransaction(recountStepMedians)
  expect(await rowsOf('step_median')).toEqual(after)
})

describe('what is found', () => {
  const find = async (text: string) =>
    (await ines.get<Found>(`/api/find?text=${encodeURIComponent(text)}`)).body.loans
  it('a loan by its number, with or without its letter, and no other one', async () => {
    const [newest] = await find('a')
    if (!newest) throw new Error('no loan')
    const number = newest.code.replace(/^L-0*/, '')
    for (const words of [newest.code, newest.code.toLowerCase(), `l${number}`])
      expect((await find(words)).map(({ code }) => code)).toEqual([newest.code])
    expect((await find(number)).map(({ code }) => code)).toContain(newest.code)
    expect(await find('L-999999')).toEqual([])
  })
  it('loans by a borrower’s name: those that are out first, eight at most', async () => {
    const loans = await find('a')
    expect(loans).toHaveLength(8)
    const states = loans.map(({ state }) => ['out', 'promised'].includes(state))
    expect(states).toEqual([...states].sort().reverse())
    expect(states).toContain(true)
  })
})

describe('words in any order, and misspelt', () => {
  const all = async (text: string) => (await ines.get<Found>(`/api/find?text=${encodeURIComponent(text)}`)).body
  it('every word has to fit, wherever it stands', async () => {
    const { kits } = await all('110 yarrow')
    expect(kits.map(({ name }) => name)).toEqual(['Yarrow'])
    expect((await all('yarrow 999')).isNearly).toBe(true)
    expect((await all('focuser cap')).parts.length).toBeGreaterThan(0)
    expect((await all('cap focuser')).parts).toEqual((await all('focuser cap')).parts)
  })
  it('what nobody is called is answered with what is written nearly so, and said to be', async () => {
    const { kits, isNearly } = await all('Yarow')
    expect([isNearly, kits[0]?.name]).toEqual([true, 'Yarrow'])
    expect((await all('xqzt')).kits).toEqual([])
  })
  it('models, places and borrowers are found, borrowers only by who works at a desk', async () => {
    expect((await all('maksutov')).others.map(({ kind }) => kind)).toContain('model')
    expect((await all('yard')).others.map(({ kind }) => kind)).toContain('place')
    const [someone] = (await all('umber')).others.filter(({ kind }) => kind === 'borrower')
    expect(someone?.detail).toMatch(/^card \d+$/)
    const jun = await server.signIn('jun')
    const seen = (await jun.get<Found>('/api/find?text=umber')).body.others
    expect(seen.filter(({ kind }) => kind === 'borrower')).toEqual([])
  })
})

describe('what somebody wrote', () => {
  const others = async (text: string) =>
    (await ines.get<Found>(`/api/find?text=${encodeURIComponent(text)}`)).body.others.map(
      ({ kind, id, name, detail }) => [kind, id, name, detail].join(' | '),
    )
  it('notes of kits, parts and open jobs are found by their words, and lead to their kit', async () => {
    await server.source.query(`UPDATE kit SET note = 'latch mended with brass wire' WHERE code = 'M-03'`)
    await server.source.query(
      `UPDATE part SET note = 'zebra sticker' WHERE id = (SELECT p.id FROM part p JOIN kit k ON k.id = p.kit_id WHERE k.code = 'M-04' ORDER BY position LIMIT 1)`,
    )
    const [first] = await others('wire brass')
    expect(first).toMatch(/^note \| M-03 \| \w+ \| latch mended with brass wire$/)
    expect((await others('zebra'))[0]).toMatch(/^note \| M-04 \| .*: zebra sticker$/)
  })
  it('a coordinator’s own words in guides are found as they count now, and lead to a kit that has them', async () => {
    const text = { kitCode: 'M-03', scope: 'programme', key: 'place', language: 'en', title: 'A place', inUse: true }
    await ines.post('/api/guide-texts', { ...text, text: 'Take a quokka along.' })
    expect((await others('quokka'))[0]).toMatch(/^guide \| [MF]-\d+ \| A place \| all guides$/)
    server.time.now = new Date(server.time.now.getTime() + 1000)
    await ines.post('/api/guide-texts', { ...text, text: 'Take a chair along.' })
    expect(await others('quokka')).toEqual([])
  })
})

/** Every loan that came back, so many times over, as if the programme had run for years. */
const YEARS_OF_LOANS = `INSERT INTO loan
  SELECT (jsonb_populate_record(past, jsonb_build_object('id', gen_random_uuid(), 'guarded', false, 'link_hash', null,
    'from_on', past.from_on - times, 'until_on', past.until_on - times))).*
  FROM loan past, generate_series(1, 60) times WHERE past.state = 'back'`

it('searching borrowers, loans and parts walks indexes, whatever their number', async () => {
  const runner = server.source.createQueryRunner()
  await runner.startTransaction()
  try {
    // Which of two indexes serves is a matter of numbers, and few rows give none; all this is taken back at the end.
    await runner.query(YEARS_OF_LOANS)
    await runner.query('ANALYZE loan')
    // The other tables stay small, where a scan is cheaper: what is asked is whether an index could serve at all.
    await runner.query('SET LOCAL enable_seqscan = off')
    const planOf = async (sql: string) => JSON.stringify(await runner.query(`EXPLAIN ${sql}`))
    const [someone]: { branchId: string; kitId: string }[] = await runner.query(
      `SELECT branch_id AS "branchId", kit_id AS "kitId" FROM loan LIMIT 1`,
    )
    expect(
      await planOf(`SELECT 1 FROM borrower WHERE name ILIKE '%teague%' OR card_number ILIKE '%teague%'`),
    ).toMatch(/ix_borrower_name_letters.*ix_borrower_card_number_letters/)
    expect(await planOf(`SELECT 1 FROM part WHERE name ILIKE '%barlow%'`)).toContain('ix_part_name_letters')
    expect(await planOf(`SELECT 1 FROM kit WHERE upper(code) = upper('m-01')`)).toContain('uq_kit_code_upper')
    expect(
      await planOf(
        `SELECT 1 FROM loan WHERE branch_id = '${someone?.branchId}' AND from_on BETWEEN current_date - 366 AND current_date`,
      ),
    ).toContain('ix_loan_branch_id_from_on')
    expect(
      await planOf(`SELECT back_at FROM loan WHERE kit_id = '${someone?.kitId}' ORDER BY from_on DESC LIMIT 3`),
    ).toMatch(/ix_loan_(from_on_kit_id|kit_id_state)/)
    expect(await planOf(`SELECT 1 FROM loan WHERE borrower_id = gen_random_uuid()`)).toContain('ix_loan_borrower_id')
  } finally {
    await runner.rollbackTransaction()
    await runner.release()
  }
})

it('no statement waits to be compiled: a shelf’s took longer for it than it takes', async () => {
  expect(await server.database.reader.query('SHOW jit')).toEqual([{ jit: 'off' }])
})
