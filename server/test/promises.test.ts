import { randomUUID } from 'node:crypto'
import { DateTime } from 'luxon'
import type {
  Calendar,
  HandOutForm,
  LoanSheet,
  Openings,
  PromiseMade,
  SuggestedSlot,
  Taken,
} from '@binoculum/contract'
import { buildApp } from '../src/app.ts'
import { makeDataSource } from '../src/data-source.ts'
import { Database } from '../src/platform/database.ts'
import { handOutBody, kitOf, openLoanOf, startTestServer, testNow, type Agent } from './support.ts'
import { cases } from '../../core/src/testing/sweep.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kofi: Agent
let jun: Agent
let branchId: string
let borrowerId: string
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  kofi = await server.signIn('kofi')
  jun = await server.signIn('jun')
  branchId = (await kitOf(ines, 'M-06')).branchId
  const found = await ines.get<{ borrowers: { id: string }[] }>(`/api/borrowers?branchId=${branchId}&text=Quill`)
  borrowerId = found.body.borrowers[0]?.id ?? ''
})
afterAll(() => server.close())

interface Refusal<T = Taken> {
  error: { code: string; details: T }
}
const RACES = cases(60, 1000, 20)

/** M-06 is promised to nobody in the demo. Today is Thu 12 March 2026; the desk is closed on Sundays. */
const promise = async (agent: Agent, days: { fromOn: string; untilOn: string }, rest: object = {}) => {
  const kitId = (await kitOf(ines, 'M-06')).id
  const body = { idempotencyKey: randomUUID(), kitId, ...days, borrower: { id: borrowerId }, ...rest }
  return agent.post<PromiseMade & Refusal>('/api/promises', body)
}
const calendarOf = async (agent: Agent, from = '2026-03-10', days = 70) =>
  (await agent.get<Calendar>(`/api/branches/${branchId}/calendar?from=${from}&days=${days}`)).body
const cancel = async ({ loanId, version }: PromiseMade) =>
  ines.post(`/api/promises/${loanId}/cancel`, {
    idempotencyKey: randomUUID(),
    loanVersion: version,
    reason: 'the test is over',
  })

describe('a promise', () => {
  it('is refused to the second desk, who sees who, when and what would do', async () => {
    const made = await promise(ines, { fromOn: '2026-04-06', untilOn: '2026-04-20' })
    expect(made.status).toBe(200)
    const second = await promise(kofi, { fromOn: '2026-04-18', untilOn: '2026-04-25' })
    expect([second.status, second.body.error.code]).toEqual([409, 'KIT_TAKEN'])
    // Another branch's desk is told nothing of it.
    const newcomer = { borrower: { name: 'Walk In', contact: 'in@post.example' } }
    const petra = await server.signIn('petra')
    const far = await promise(petra, { fromOn: '2026-04-18', untilOn: '2026-04-25' }, newcomer)
    expect([far.status, far.body.error.code]).toEqual([404, 'NOT_FOUND'])
    const { taken, nearest, others } = second.body.error.details
    expect(taken).toMatchObject([
      { loanCode: made.body.loanCode, fromOn: '2026-04-06', untilOn: '2026-04-20', state: 'promised' },
    ])
    const freeOn = taken[0]?.freeOn ?? ''
    expect(freeOn > '2026-04-20').toBe(true)
    expect(nearest.length).toBeGreaterThan(0)
    expect(nearest.every(({ from, until }) => until < '2026-04-06' || from >= freeOn)).toBe(true)
    expect(others.every(({ code }) => code !== 'M-06')).toBe(true)
    // What was offered is taken.
    const [slot] = nearest
    const third = await promise(kofi, { fromOn: slot?.from ?? '', untilOn: slot?.until ?? '' })
    expect(third.status).toBe(200)
    await cancel(third.body)
    expect((await cancel(made.body)).status).toBe(200)
  })

  it('is offered shorter where nothing so long is free as far ahead as anybody is promised', async () => {
    const made: PromiseMade[] = []
    // Five weeks at a time, and a fortnight less the turnarounds between them, until nobody is promised any more.
    for (let day = DateTime.fromISO('2026-03-16'); ; day = day.plus({ weeks: 7 })) {
      const days = { fromOn: day.toISODate() ?? '', untilOn: day.plus({ weeks: 5 }).toISODate() ?? '' }
      const answer = await promise(ines, days)
      if (answer.body.error?.code === 'TOO_FAR_AHEAD') break
      expect(answer.status).toBe(200)
      made.push(answer.body)
    }
    expect(made.length).toBeGreaterThan(3)
    const second = await promise(kofi, { fromOn: '2026-04-06', untilOn: '2026-04-20' })
    expect(second.body.error.code).toBe('KIT_TAKEN')
    const { nearest } = second.body.error.details
    expect(nearest).toHaveLength(3)
    for (const { from, until } of nearest) {
      expect(DateTime.fromISO(until).diff(DateTime.fromISO(from), 'days').days).toBe(7)
      const taken = await promise(kofi, { fromOn: from, untilOn: until })
      expect(taken.status).toBe(200)
      await cancel(taken.body)
    }
    for (const each of made) await cancel(each)
  })

  it('is the one of two desks only, however they race', async () => {
    const daily = await makeDataSource(server.dailyUrl).initialize()
    const options = { clock: () => testNow, demo: true, publicUrl: null, webFolder: 'none', log: false }
    const twin = await buildApp({ database: new Database(daily), ...options })
    const kitId = (await kitOf(ines, 'M-06')).id
    const send = (desk: typeof twin, agent: Agent) =>
      desk.inject({
        method: 'POST',
        url: '/api/promises',
        headers: { cookie: agent.cookie ?? '' },
        payload: {
          idempotencyKey: randomUUID(),
          kitId,
          fromOn: '2026-06-01',
          untilOn: '2026-06-08',
          borrower: { id: borrowerId },
        },
      })
    try {
      for (let race = 0; race < RACES; race++) {
        const answers = await Promise.all([send(server.app, ines), send(twin, kofi)])
        const codes = answers.map(({ statusCode }) => statusCode).sort()
        expect([race, ...codes]).toEqual([race, 200, 409])
        const winner = answers.find(({ statusCode }) => statusCode === 200)?.json() as PromiseMade
        expect((await cancel(winner)).status).toBe(200)
      }
    } finally {
      await twin.close()
      await daily.destroy()
    }
  }, 240_000)

  it('sent twice is made once', async () => {
    const key = { idempotencyKey: randomUUID() }
    const days = { fromOn: '2026-05-04', untilOn: '2026-05-11' }
    const [first, second] = [await promise(ines, days, key), await promise(ines, days, key)]
    expect(second.body).toEqual(first.body)
    await cancel(first.body)
  })

  it.each([
    ['PROMISE_IN_PAST', { fromOn: '2026-03-11', untilOn: '2026-03-20' }],
    ['RETURN_BEFORE_PICK_UP', { fromOn: '2026-03-20', untilOn: '2026-03-19' }],
    ['RETURN_BEFORE_PICK_UP', { fromOn: '2026-03-20', untilOn: '2026-03-20' }],
    ['CLOSED_DAY', { fromOn: '2026-03-15', untilOn: '2026-03-20' }],
    ['CLOSED_DAY', { fromOn: '2026-03-16', untilOn: '2026-03-22' }],
    ['DUE_TOO_FAR', { fromOn: '2026-03-16', untilOn: '2026-04-28' }],
    ['TOO_FAR_AHEAD', { fromOn: '2026-12-01', untilOn: '2026-12-08' }],
  ])('%s: %j', async (code, days) => {
    const reply = await promise(ines, days)
    expect([reply.status, reply.body.error.code]).toEqual([422, code])
  })

  it('is fetched within the hours in which kits are handed out', async () => {
    const reply = await promise(ines, { fromOn: '2026-05-04', untilOn: '2026-05-11' }, { pickUpTime: '08:30' })
    expect([reply.status, reply.body.error.code]).toEqual([422, 'OUTSIDE_PICK_UP'])
  })

  it('counts days, not hours: over a change of the clocks neither gains nor loses one', async () => {
    // Clocks go on in the night to Sun 29 March.
    const made = await promise(ines, { fromOn: '2026-03-27', untilOn: '2026-03-30' }, { pickUpTime: '18:00' })
    expect(made.status).toBe(200)
    const early = await promise(kofi, {
      fromOn: '2026-03-31',
      untilOn: '2026-04-07',
    })
    expect(early.status).toBe(409)
    const freeOn = early.body.error.details.taken[0]?.freeOn ?? ''
    const after = await promise(kofi, { fromOn: freeOn, untilOn: '2026-04-10' })
    expect([freeOn, after.status]).toEqual([freeOn, 200])
    await cancel(made.body)
    await cancel(after.body)
  })

  it('is moved to other days and to another kit, unless that one is taken', async () => {
    const made = (await promise(ines, { fromOn: '2026-05-04', untilOn: '2026-05-11' })).body
    const other = await kitOf(ines, 'M-12')
    const move = (loanVersion: number, days: object) =>
      ines.post<PromiseMade & Refusal>(`/api/promises/${made.loanId}/move`, {
        idempotencyKey: randomUUID(),
        loanVersion,
        ...days,
      })
    const onLoan = await move(made.version, { kitId: other.id, fromOn: '2026-03-16', untilOn: '2026-03-23' })
    expect([onLoan.status, onLoan.body.error.code]).toEqual([409, 'KIT_TAKEN'])
    const { kitId } = (await calendarOf(ines)).loans.find(({ id }) => id === made.loanId) ?? { kitId: '' }
    const moved = await move(made.version, { kitId, fromOn: '2026-05-05', untilOn: '2026-05-12' })
    expect(moved.body.version).toBe(made.version + 1)
    const stale = await move(made.version, { kitId, fromOn: '2026-05-06', untilOn: '2026-05-13' })
    expect([stale.status, stale.body.error.code]).toEqual([409, 'LOAN_CHANGED'])
    const sheet = (await ines.get<LoanSheet>(`/api/loans/${made.loanId}`)).body
    expect(sheet.history.map(({ act }) => act)).toEqual(['promise-moved', 'promised'])
    expect(sheet.history[0]).toMatchObject({ before: { fromOn: '2026-05-04' }, after: { fromOn: '2026-05-05' } })
    await cancel(moved.body)
  })
})

describe('a kit that is promised', () => {
  it('goes to somebody else only when it is back in time', async () => {
    // M-04 is held; M-03 is promised for Sat 14 March, M-05 for later: take whichever walks in.
    const form = (await kofi.get<HandOutForm>('/api/kits/M-05/hand-out')).body
    expect(form.promised?.fromOn).toBeDefined()
    const { kitId, body } = await handOutBody(kofi, 'M-05', {
      promisedLoanId: null,
      borrower: { name: 'Walk In', contact: 'walk@post.example' },
    })
    const refused = await kofi.post<Refusal>(`/api/kits/${kitId}/hand-out`, body)
    expect([refused.status, refused.body.error.code]).toEqual([409, 'KIT_PROMISED'])
    expect(refused.body.error.details.taken[0]).toMatchObject({
      loanId: form.promised?.loanId,
      fromOn: form.promised?.fromOn,
    })
    const freeUntilOn = form.promised?.freeUntilOn
    expect(freeUntilOn && freeUntilOn < (form.promised?.fromOn ?? '')).toBe(true)
    const sooner = await kofi.post(`/api/kits/${kitId}/hand-out`, {
      ...body,
      idempotencyKey: randomUUID(),
      dueOn: freeUntilOn,
    })
    expect(sooner.status).toBe(200)
  })

  it('is not put off over the next one’s days, but as long as it is free', async () => {
    const loanId = await openLoanOf(ines, 'M-12')
    const sheet = (await ines.get<LoanSheet>(`/api/loans/${loanId}`)).body
    const extend = (untilOn: string) =>
      ines.post<PromiseMade & Refusal>(`/api/loans/${loanId}/extend`, {
        idempotencyKey: randomUUID(),
        loanVersion: sheet.version,
        untilOn,
      })
    const { id: kitId } = await kitOf(ines, 'M-12')
    const next = await promise(kofi, { fromOn: '2026-03-27', untilOn: '2026-03-31' }, { kitId })
    expect(next.status).toBe(200)
    const over = await extend('2026-03-26')
    expect([over.status, over.body.error.code]).toEqual([409, 'KIT_TAKEN'])
    expect(over.body.error.details.taken).toMatchObject([{ loanId: next.body.loanId }])
    expect((await extend('2026-03-29')).body.error.code).toBe('CLOSED_DAY')
    expect((await extend('2026-06-29')).body.error.code).toBe('DUE_TOO_FAR')
    const done = await extend('2026-03-24')
    expect(done.status).toBe(200)
    const after = (await ines.get<LoanSheet>(`/api/loans/${loanId}`)).body
    expect(after.dueAtUtc?.slice(0, 10)).toBe('2026-03-24')
    expect(after.history[0]).toMatchObject({ act: 'extended', after: { dueOn: '2026-03-24' } })
  })
})

describe('the calendar', () => {
  it('shows each loan by its days, and tells what can’t be kept', async () => {
    const calendar = await calendarOf(ines)
    expect(calendar).toMatchObject({ today: '2026-03-12', from: '2026-03-10', days: 70, place: expect.any(String) })
    expect(calendar.nights.map(({ date }) => date).slice(0, 2)).toEqual(['2026-03-10', '2026-03-11'])
    const late = calendar.loans.find(({ daysLate }) => daysLate > 0)
    expect(late?.state).toBe('out')
    const [held] = calendar.loans.filter(({ clash }) => clash?.code === 'held')
    expect(calendar.kits.find(({ id }) => id === held?.kitId)?.condition).toBe('new')
  })

  it('names borrowers only to those who work at the desk', async () => {
    expect((await calendarOf(jun)).loans.every(({ borrower }) => borrower === '')).toBe(true)
    expect((await calendarOf(kofi)).loans.every(({ borrower }) => borrower !== '')).toBe(true)
  })

  it('suggests days by what somebody wants to see: dark nights for faint things', async () => {
    const ask = async (wish: string) =>
      (
        await kofi.get<{ slots: SuggestedSlot[] }>(
          `/api/branches/${branchId}/slots?wish=${wish}&from=2026-03-12&until=2026-05-20&lengthDays=7&level=first&carries=car`,
        )
      ).body.slots
    const [faint] = await ask('faint')
    const [moon] = await ask('moon')
    expect(faint?.darkHours).toBeGreaterThan((moon?.darkHours ?? 0) + 10)
    expect(moon?.evenings).toBeGreaterThan(3)
    expect(faint?.reason).toContain('dark hours without the Moon')
  })
})

describe('a closing', () => {
  it('put over loans lists them and changes nothing', async () => {
    const before = await server.source.query('SELECT id, from_on, until_on, state, version FROM loan ORDER BY id')
    const closing = { fromOn: '2026-03-13', untilOn: '2026-03-28', why: 'the roof' }
    const answer = await ines.post<Openings>(`/api/branches/${branchId}/closings`, closing)
    const branch = answer.body.branches.find((each) => each.branchId === branchId)
    expect(branch?.onClosedDays.length).toBeGreaterThan(2)
    expect(branch?.onClosedDays.every(({ on }) => on >= '2026-03-13')).toBe(true)
    expect(await server.source.query('SELECT id, from_on, until_on, state, version FROM loan ORDER BY id')).toEqual(
      before,
    )
    const refused = await promise(ines, { fromOn: '2026-03-16', untilOn: '2026-03-31' })
    expect(refused.body.error).toMatchObject({ code: 'CLOSED_DAY', details: { nextOpenOn: '2026-03-30' } })
    const { id } = branch?.closings.find(({ why }) => why === 'the roof') ?? { id: '' }
    expect((await ines.delete(`/api/branches/${branchId}/closings/${id}`)).status).toBe(200)
  })

  it('ends where it begins, at the latest', async () => {
    const reply = await ines.post(`/api/branches/${branchId}/closings`, {
      fromOn: '2026-05-02',
      untilOn: '2026-05-01',
      why: 'x',
    })
    expect(reply.status).toBe(400)
  })
})
