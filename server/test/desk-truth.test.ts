import { randomUUID } from 'node:crypto'
import type { Desk, KitChange, KitSheet, LoanSheet, ShelfKit, TakeBackForm } from '@binoculum/contract'
import { reasonSentence } from '@binoculum/core'
import {
  kitOf,
  openLoanOf,
  shelfOf,
  startTestServer,
  takeBackBody,
  handOutBody,
  testNow,
  type Agent,
} from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kofi: Agent
let petra: Agent
beforeAll(async () => {
  server = await startTestServer()
  ;[ines, kofi, petra] = [await server.signIn('ines'), await server.signIn('kofi'), await server.signIn('petra')]
})
afterAll(() => server.close())

const close = (agent: Agent, loanId: string, body: object) =>
  agent.post<{ outcome: string; condition: string }>(`/api/loans/${loanId}/take-back`, body)
const correct = (agent: Agent, loanId: string, body: object) =>
  agent.post<{ outcome: string; proposed: string; condition: string }>(`/api/loans/${loanId}/take-back/corrections`, {
    idempotencyKey: randomUUID(),
    ...body,
  })

describe('a case that nobody looked through', () => {
  it('is taken in to be gone through, may not go out, and says how much was seen and since when', async () => {
    const loanId = await openLoanOf(kofi, 'M-08')
    const body = await takeBackBody(kofi, loanId, { outcome: 'to-go-through' })
    const shelved = await close(kofi, loanId, { ...body, idempotencyKey: randomUUID(), marks: [], outcome: 'shelf' })
    expect([shelved.status, shelved.body]).toMatchObject([422, { error: { code: 'MARKS_INCOMPLETE' } }])
    const four = body.marks.slice(0, 4)
    expect((await close(kofi, loanId, { ...body, marks: four })).body).toMatchObject({
      outcome: 'to-go-through',
      condition: 'new',
    })
    const kit = await kitOf(kofi, 'M-08')
    const total = kit.parts.length
    expect(kit).toMatchObject({ group: 'desk', place: 'desk', condition: 'new' })
    const reason = kit.reasons.find(({ code }) => code === 'NOT_GONE_THROUGH')
    expect(reason && reasonSentence(reason)).toMatch(
      new RegExp(`^${total - 4} of ${total} parts not looked at since \\w{3} \\d+ \\w{3}\\. Go through the case`),
    )
    const unseen = kit.parts.filter(({ mark }) => mark === 'unseen')
    expect(unseen).toHaveLength(total - 4)
    for (const { seenAtUtc } of unseen) expect(seenAtUtc && seenAtUtc < testNow.toISOString()).toBe(true)
    const { body: desk } = await kofi.get<Desk>('/api/desk')
    expect(desk.toGoThrough).toEqual([expect.objectContaining({ kitCode: 'M-08', unseen: total - 4, parts: total })])
    const out = await handOutBody(kofi, 'M-08')
    expect((await kofi.post(`/api/kits/${out.kitId}/hand-out`, out.body)).status).toBe(422)
  })

  it('is gone through later, at its loan: then it goes where it belongs and nothing waits any more', async () => {
    const kit = await kitOf(kofi, 'M-08')
    const loanId = kit.lastLoan?.id ?? ''
    const form = (await kofi.get<TakeBackForm>(`/api/loans/${loanId}/take-back`)).body
    expect(form).toMatchObject({ isLatest: true, kept: { outcome: 'to-go-through', by: 'Kofi Arden' } })
    const marks = kit.parts
      .filter(({ mark }) => mark === 'unseen')
      .map(({ id, count }) => ({ partId: id, mark: 'present', presentCount: count }))
    const reply = await correct(kofi, loanId, { loanVersion: form.loan.version, marks, outcome: 'shelf' })
    expect(reply.body).toMatchObject({ outcome: 'shelf', condition: 'full' })
    const after = await kitOf(kofi, 'M-08')
    expect(after).toMatchObject({ group: 'shelf', condition: 'full' })
    expect(after.jobs.filter(({ code }) => code === 'go-through')).toEqual([])
    expect(after.history[0]).toMatchObject({ act: 'take-back-corrected', before: { outcome: 'to-go-through' } })
  })

  it('what was known to be off stays off, looked at or not', async () => {
    const loanId = await openLoanOf(kofi, 'M-10')
    const { parts, id } = await kitOf(kofi, 'M-10')
    await server.source.query(
      `UPDATE part SET mark = 'missing', present_count = 0 WHERE kit_id = $1 AND role = 'barlow'`,
      [id],
    )
    const body = await takeBackBody(kofi, loanId, { outcome: 'to-go-through' })
    await close(kofi, loanId, { ...body, marks: [] })
    const after = await kitOf(kofi, 'M-10')
    expect(after.parts.filter(({ mark }) => mark === 'missing').map(({ role }) => role)).toEqual(['barlow'])
    expect(after.parts.filter(({ mark }) => mark === 'unseen')).toHaveLength(parts.length - 1)
  })
})

describe('what lies in a case beside its card', () => {
  it('is kept with whose it may be, counts beyond the card among it, until it is put where it belongs', async () => {
    const loanId = await openLoanOf(kofi, 'F-03')
    const body = await takeBackBody(kofi, loanId, { outcome: 'shelf-with-note' })
    const caps = (await kitOf(kofi, 'F-03')).parts.find(({ role }) => role === 'eyepiece-cap')
    const marks = body.marks.map((mark) =>
      mark.partId === caps?.id ? { ...mark, presentCount: caps.count + 1 } : mark,
    )
    const extras = [{ name: 'Eyepiece 9 mm', belongsTo: 'Tansy' }]
    expect((await close(kofi, loanId, { ...body, marks, extras })).body).toMatchObject({ condition: 'half' })
    const kit = await kitOf(kofi, 'F-03')
    expect(kit.parts.find(({ id }) => id === caps?.id)).toMatchObject({ mark: 'present', presentCount: caps?.count })
    expect(kit.extras.map(({ name, count, belongsTo }) => [name, count, belongsTo])).toEqual([
      ['Eyepiece 9 mm', 1, 'Tansy'],
      [caps?.name, 1, ''],
    ])
    let sheet: KitSheet = kit
    for (const { id } of kit.extras)
      sheet = (await kofi.post<KitSheet>(`/api/kits/${kit.id}/extras/${id}/settle`, { kitVersion: sheet.version }))
        .body
    expect([sheet.extras, sheet.condition]).toEqual([[], 'full'])
    expect(sheet.history[0]).toMatchObject({ act: 'extra-settled', before: { part: 'Eyepiece end caps' } })
  })
})

describe('what was written down wrongly', () => {
  it('a take-back sent to the bench by mistake goes to the shelf, as a new row', async () => {
    const loanId = await openLoanOf(kofi, 'M-11')
    await close(kofi, loanId, await takeBackBody(kofi, loanId, { outcome: 'bench' }))
    expect((await kitOf(kofi, 'M-11')).group).toBe('bench')
    const { version } = (await kofi.get<LoanSheet>(`/api/loans/${loanId}`)).body
    const reply = await correct(kofi, loanId, { loanVersion: version, marks: [], outcome: 'shelf' })
    expect(reply.body).toMatchObject({ outcome: 'shelf', condition: 'full' })
    const kit = await kitOf(kofi, 'M-11')
    expect(kit.group).toBe('shelf')
    const loan = (await kofi.get<LoanSheet>(`/api/loans/${loanId}`)).body
    expect(loan.history.map(({ act }) => act).slice(0, 2)).toEqual(['take-back-corrected', 'taken-back'])
  })

  it('an earlier loan says nothing of the case any more', async () => {
    const loanId = (await kitOf(kofi, 'M-11')).lastLoan?.id ?? ''
    const out = await handOutBody(kofi, 'M-11')
    expect((await kofi.post(`/api/kits/${out.kitId}/hand-out`, out.body)).status).toBe(200)
    const { version, isLatest } = (await kofi.get<LoanSheet>(`/api/loans/${loanId}`)).body
    expect(isLatest).toBe(false)
    const reply = await correct(kofi, loanId, { loanVersion: version, marks: [], outcome: 'shelf' })
    expect(reply.body).toMatchObject({ error: { code: 'LATER_LOAN' } })
  })

  it('a hand-out: its day, its borrower, and that it never left', async () => {
    const loanId = await openLoanOf(kofi, 'M-11')
    const url = `/api/loans/${loanId}/hand-out/corrections`
    const read = async () => (await kofi.get<LoanSheet>(`/api/loans/${loanId}`)).body
    const send = async (change: object) =>
      kofi.post<LoanSheet>(url, {
        idempotencyKey: randomUUID(),
        loanVersion: (await read()).version,
        reason: 'typed in a hurry',
        ...change,
      })
    expect((await send({})).status).toBe(400)
    expect((await send({ dueOn: '2026-03-20' })).body.dueAtUtc).toContain('2026-03-20')
    const other = { name: 'Sami Brandt the younger', contact: '0555 0100' }
    expect((await send({ borrower: other })).body.borrower).toMatchObject({ name: other.name })
    const stale = await kofi.post(url, {
      idempotencyKey: randomUUID(),
      loanVersion: 1,
      reason: 'late',
      neverLeft: true,
    })
    expect(stale.body).toMatchObject({ error: { code: 'LOAN_CHANGED' } })
    const cancelled = (await send({ neverLeft: true })).body
    expect(cancelled.state).toBe('cancelled')
    expect(cancelled.history.map(({ act }) => act).slice(0, 3)).toEqual(Array(3).fill('hand-out-corrected'))
    expect((await kitOf(kofi, 'M-11')).loan).toBeNull()
  })

  it('is put right by the branch’s own desk only', async () => {
    const loanId = await openLoanOf(ines, 'M-12')
    expect((await petra.get(`/api/loans/${loanId}`)).status).toBe(404)
    const body = { idempotencyKey: randomUUID(), loanVersion: 1, reason: 'none of mine', neverLeft: true }
    expect((await petra.post(`/api/loans/${loanId}/hand-out/corrections`, body)).status).toBe(404)
  })
})

describe('lost and retired kits', () => {
  const report = async (code: string, kind: string) => {
    const kit = await kitOf(ines, code)
    const given = {
      idempotencyKey: randomUUID(),
      kitVersion: kit.version,
      kind,
      text: 'gone since the fair',
      reportNumber: '',
    }
    expect((await ines.post(`/api/kits/${kit.id}/loss`, given)).status).toBe(200)
    return kit
  }

  it('leave the shelf, and what is due of them leaves the desk', async () => {
    const kit = await report('M-12', 'kit-lost')
    expect((await shelfOf(ines)).kits.find(({ code }) => code === 'M-12')?.group).toBe('gone')
    await server.source.query(`UPDATE loan SET due_at = $1 WHERE id = $2`, [testNow, kit.loan?.id])
    const { takeBacks } = (await ines.get<Desk>('/api/desk')).body
    expect(takeBacks.map(({ kitCode }) => kitCode)).not.toContain('M-12')
  })

  it('a job that is done never makes a retired kit fit; only its sheet brings it back, unseen and unchecked', async () => {
    const kit = await report('M-02', 'retired')
    interface List {
      jobs: { id: string; code: string; version: number; kitCode: string }[]
    }
    const { jobs } = (await ines.get<List>('/api/jobs')).body
    expect(jobs.filter(({ code }) => code === 'retired')).toEqual([])
    const [job] = (await server.source.query(
      `SELECT id, version FROM job WHERE kit_id = $1 AND code = 'retired' AND closed_at IS NULL`,
      [kit.id],
    )) as [{ id: string; version: number }]
    const settle = { idempotencyKey: randomUUID(), version: job.version, result: 'done', note: '' }
    expect((await ines.post(`/api/jobs/${job.id}/settle`, settle)).status).toBe(400)
    const now = await kitOf(ines, 'M-02')
    expect(now).toMatchObject({ group: 'gone', condition: 'new' })
    const back = { kitVersion: now.version, reason: 'mended after all' }
    expect((await kofi.post(`/api/kits/${kit.id}/back-in-service`, back)).status).toBe(403)
    const sheet = (await ines.post<KitSheet>(`/api/kits/${kit.id}/back-in-service`, back)).body
    expect(sheet).toMatchObject({ group: 'desk', condition: 'new' })
    expect(sheet.parts.every(({ mark }) => mark === 'unseen')).toBe(true)
    await ines.post(`/api/kits/${kit.id}/count-rest`, { kitVersion: sheet.version })
    const counted = await kitOf(ines, 'M-02')
    let last: ShelfKit = counted
    for (const part of counted.parts.filter(({ mark }) => mark === 'unseen')) {
      const marked = { kitVersion: last.version, mark: 'present' }
      last = (await ines.post<KitChange>(`/api/kits/${kit.id}/parts/${part.id}/mark`, marked)).body.head
    }
    expect(last).toMatchObject({ group: 'bench', condition: 'crescent' })
  })
})

describe('borrowers of the programme', () => {
  interface Borrowers {
    borrowers: { id: string; name: string; branchName: string }[]
  }
  const find = async (agent: Agent, branchCode: string, text: string) => {
    const { branchId } = await kitOf(agent, branchCode)
    return (await agent.get<Borrowers>(`/api/borrowers?branchId=${branchId}&text=${encodeURIComponent(text)}`)).body
      .borrowers
  }

  it('are found at the other branch by who works there too, and by nobody else', async () => {
    const [known] = (await server.source.query(
      `SELECT b.name FROM borrower b JOIN branch br ON br.id = b.branch_id WHERE br.name LIKE 'Marrowdale%' LIMIT 1`,
    )) as [{ name: string }]
    expect(await find(kofi, 'F-01', known.name)).toContainEqual(
      expect.objectContaining({ name: known.name, branchName: 'Marrowdale Library' }),
    )
    expect(
      (await find(petra, 'F-01', known.name)).filter(({ branchName }) => branchName !== 'Ferncliff Sky Circle'),
    ).toEqual([])
  })

  it('entered twice are joined by a coordinator of both: loans move, the second entry goes', async () => {
    const twin = { name: 'Nell Teague-Twice', contact: 'nell@post.example' }
    const out = await handOutBody(kofi, 'F-05', { borrower: twin })
    expect((await kofi.post(`/api/kits/${out.kitId}/hand-out`, out.body)).status).toBe(200)
    const [other] = await find(kofi, 'F-05', twin.name)
    const first = (await find(kofi, 'F-05', 'Nell')).find(({ id }) => id !== other?.id)
    if (!other || !first) throw new Error('both must be known')
    const body = { otherId: other.id }
    expect((await kofi.post(`/api/borrowers/${first.id}/join`, body)).status).toBe(403)
    expect((await ines.post(`/api/borrowers/${first.id}/join`, body)).status).toBe(204)
    expect(await find(kofi, 'F-05', twin.name)).toEqual([])
    expect((await kitOf(kofi, 'F-05')).loan?.borrower).toBe(first.name)
  })
})
