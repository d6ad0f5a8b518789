import { randomUUID } from 'node:crypto'
import type { IssuedGuide, Slip, TakeBackConflict } from '@binoculum/contract'
import { handOutBody, kitOf, openLoanOf, startTestServer, takeBackBody, testNow, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kofi: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  kofi = await server.signIn('kofi')
})
afterAll(() => server.close())
afterEach(() => {
  server.time.now = testNow
})

const handOut = async (agent: Agent, code: string, rest: object = {}) => {
  const { kitId, body } = await handOutBody(agent, code, rest)
  return agent.post<Slip & { error: { code: string } }>(`/api/kits/${kitId}/hand-out`, body)
}
const outCount = async (code: string): Promise<number> => {
  const rows: { n: number }[] = await server.source.query(
    `SELECT count(*)::int AS n FROM loan l JOIN kit k ON k.id = l.kit_id WHERE k.code = $1 AND l.state = 'out'`,
    [code],
  )
  return rows[0]?.n ?? 0
}

describe('hand-out', () => {
  it('keeps the promise, gives a guide behind a hashed link, and is on record', async () => {
    const slip = (await handOut(kofi, 'M-03')).body
    expect(slip).toMatchObject({ kitCode: 'M-03', partCount: 37 })
    const token = slip.guidePath?.split('/').at(-1) ?? ''
    expect(Buffer.from(token, 'base64url').length * 8).toBeGreaterThanOrEqual(128)
    const dump: { found: boolean }[] = await server.source.query(
      `SELECT EXISTS (SELECT 1 FROM loan WHERE link_hash = $1 OR link_hash IS NULL AND false) AS found`,
      [token],
    )
    expect(dump[0]?.found).toBe(false)
    const answers: { text: string }[] = await server.source.query('SELECT answer::text AS text FROM sent_once')
    expect(answers.map(({ text }) => text).join()).not.toContain(token)

    const guide = await server.agent().get<IssuedGuide>(`/api/guides/${token}`)
    expect(guide.body).toMatchObject({ kitName: 'Sorrel', dueOn: '2026-03-26' })
    expect(JSON.stringify(guide.body)).not.toContain(slip.borrower)
    expect(guide.headers).toMatchObject({
      'x-robots-tag': expect.stringContaining('noindex'),
      'referrer-policy': 'no-referrer',
    })
    const { history, loan, next } = await kitOf(kofi, 'M-03')
    expect(history[0]).toMatchObject({ act: 'handed-out', by: 'Kofi Arden' })
    expect(loan?.code).toBe(slip.loanCode)
    expect(next?.loanId).not.toBe(slip.loanId)
    expect(JSON.stringify(history)).not.toContain(slip.borrower)
  })

  it('freezes the guide as issued', async () => {
    const slip = (await handOut(kofi, 'M-02')).body
    const token = slip.guidePath?.split('/').at(-1)
    const before = (await server.agent().get<IssuedGuide>(`/api/guides/${token}`)).body
    await server.source.query(`UPDATE part SET name = 'Another eyepiece' WHERE role = 'low-eyepiece'`)
    expect((await server.agent().get<IssuedGuide>(`/api/guides/${token}`)).body).toEqual(before)
    await server.source.query(`UPDATE part SET name = 'Eyepiece 25 mm' WHERE role = 'low-eyepiece'`)
  })

  it('ends the old link when a new one is made, and every link two weeks after the loan is due', async () => {
    const loanId = await openLoanOf(kofi, 'M-02')
    const first = (await kofi.post<Slip>(`/api/loans/${loanId}/link`)).body.guidePath?.replace('/g/', '/api/guides/')
    const second = (await kofi.post<Slip>(`/api/loans/${loanId}/link`)).body.guidePath?.replace('/g/', '/api/guides/')
    expect((await server.agent().get(first ?? '')).status).toBe(404)
    expect((await server.agent().get(second ?? '')).status).toBe(200)
    server.time.now = new Date('2026-04-09T20:00:00Z')
    expect((await server.agent().get(second ?? '')).body).toMatchObject({ error: { code: 'LINK_OVER' } })
  })

  it('clicked twice makes one loan and answers both times with it', async () => {
    const { kitId, body } = await handOutBody(kofi, 'M-05')
    const [one, two] = await Promise.all([
      kofi.post<Slip>(`/api/kits/${kitId}/hand-out`, body),
      kofi.post<Slip>(`/api/kits/${kitId}/hand-out`, body),
    ])
    expect([one.status, two.status]).toEqual([200, 200])
    expect(one.body.loanId).toBe(two.body.loanId)
    expect(await outCount('M-05')).toBe(1)
  })

  it('from two desks at once makes one loan; the other is told', async () => {
    const first = await handOutBody(kofi, 'F-01')
    const second = await handOutBody(ines, 'F-01')
    const replies = await Promise.all([
      kofi.post(`/api/kits/${first.kitId}/hand-out`, first.body),
      ines.post(`/api/kits/${second.kitId}/hand-out`, second.body),
    ])
    expect(replies.map(({ status }) => status).sort()).toEqual([200, 409])
    expect(await outCount('F-01')).toBe(1)
  })

  it('of a kit that is out already is refused', async () => {
    expect((await handOut(kofi, 'M-08')).body).toMatchObject({ error: { code: 'KIT_OUT' } })
  })

  it('of a kit that changed since it was looked at shows how it is now', async () => {
    const { kitId, body } = await handOutBody(kofi, 'F-05')
    const kit = await kitOf(ines, 'F-05')
    await ines.post(`/api/kits/${kitId}/parts/${kit.parts[0]?.id}/mark`, { kitVersion: kit.version, mark: 'damaged' })
    const reply = await kofi.post(`/api/kits/${kitId}/hand-out`, body)
    expect(reply.body).toMatchObject({
      error: { code: 'KIT_CHANGED', details: { now: { version: kit.version + 1 } } },
    })
  })

  it('of an unfit kit needs a coordinator and a reason, and both stay on record', async () => {
    expect((await handOut(kofi, 'M-07')).body).toMatchObject({ error: { code: 'NOT_FIT' } })
    expect((await handOut(kofi, 'M-07', { overruleReason: 'looks fine' })).body).toMatchObject({
      error: { code: 'NOT_ALLOWED' },
    })
    expect((await handOut(ines, 'M-07')).body).toMatchObject({ error: { code: 'NOT_FIT' } })
    expect((await handOut(ines, 'M-07', { overruleReason: 'Moon only' })).status).toBe(200)
    const { history } = await kitOf(ines, 'M-07')
    expect(history[0]).toMatchObject({ before: { condition: 'crescent' }, after: { overruleReason: 'Moon only' } })
  })

  it.each(['M-04', 'M-06'])('of %s, held for safety, is refused to everybody', async (code) => {
    const reply = await handOut(ines, code, { overruleReason: 'please' })
    expect([reply.status, reply.body]).toMatchObject([422, { error: { code: 'NEVER' } }])
  })

  it('of another branch’s kit is refused before anything is told of it', async () => {
    const petra = await server.signIn('petra')
    const { kitId, body } = await handOutBody(kofi, 'M-04')
    const reply = await petra.post<{ error: object }>(`/api/kits/${kitId}/hand-out`, body)
    expect([reply.status, reply.body.error]).toEqual([404, { code: 'NOT_FOUND', message: expect.any(String) }])
  })

  it.each([
    { change: { adultSeen: false }, path: 'adultSeen' },
    { change: { sunAcknowledged: false }, path: 'sunAcknowledged' },
    { change: { contentsAgreed: false }, path: 'contentsAgreed' },
    { change: { acceptance: null }, path: 'acceptance' },
    { change: { dueOn: '31 March' }, path: 'dueOn' },
    { change: { borrower: { name: '', contact: 'x' } }, path: 'borrower' },
  ])('without $path is refused by name', async ({ change, path }) => {
    const { body, status } = await handOut(kofi, 'M-01', change)
    expect(status).toBe(400)
    expect(JSON.stringify(body)).toContain(path)
  })

  it('due back today or earlier is refused', async () => {
    expect((await handOut(kofi, 'M-01', { dueOn: '2026-03-12' })).body).toMatchObject({
      error: { code: 'DUE_IN_PAST' },
    })
  })

  it('with an agreement that has a newer version is refused', async () => {
    expect((await handOut(kofi, 'M-01', { agreementId: randomUUID() })).body).toMatchObject({
      error: { code: 'AGREEMENT_OLD' },
    })
  })
})

describe('take-back', () => {
  const takeBack = async (agent: Agent, code: string, change: Parameters<typeof takeBackBody>[2] = {}) => {
    const loanId = await openLoanOf(agent, code)
    return agent.post<Record<string, unknown>>(
      `/api/loans/${loanId}/take-back`,
      await takeBackBody(agent, loanId, change),
    )
  }

  it('of a clean kit puts it back on the shelf', async () => {
    expect((await takeBack(kofi, 'M-10')).body).toMatchObject({
      proposed: 'shelf',
      outcome: 'shelf',
      condition: 'full',
    })
    expect(await kitOf(kofi, 'M-10')).toMatchObject({ group: 'shelf', loan: null })
  })

  it('with the leg-locking tray missing holds the kit; putting it elsewhere is refused', async () => {
    const lax = await takeBack(ines, 'M-11', {
      missing: ['tray'],
      outcome: 'shelf',
      outcomeReason: 'why not',
    })
    expect(lax.body).toMatchObject({ error: { code: 'NEVER' } })
    expect((await kitOf(ines, 'M-11')).group).toBe('out')
    const held = await takeBack(ines, 'M-11', { missing: ['tray'], outcome: 'hold' })
    expect(held.body).toMatchObject({ proposed: 'hold', condition: 'new' })
  })

  it('to a laxer place than proposed is a coordinator’s, with a reason', async () => {
    const answers = { dropped: true }
    const refused = await takeBack(kofi, 'M-12', { answers, outcomeReason: 'fell on a cushion' })
    expect(refused.body).toMatchObject({ error: { code: 'NOT_ALLOWED' } })
    expect((await takeBack(ines, 'M-12', { answers })).body).toMatchObject({
      error: { issues: [{ path: 'outcomeReason' }] },
    })
    const reply = await takeBack(ines, 'M-12', { answers, outcomeReason: 'fell on a cushion' })
    expect(reply.body).toMatchObject({ proposed: 'bench', outcome: 'shelf', condition: 'crescent' })
  })

  it('with a sun filter found keeps the hazard until the cure is recorded', async () => {
    await takeBack(kofi, 'M-08', { answers: { sunFilterFound: true }, outcome: 'hold' })
    const held = await kitOf(kofi, 'M-08')
    expect(held).toMatchObject({ condition: 'new', hazards: ['screw-in-sun-filter'] })
    const cure = { kitVersion: held.version, hazard: 'screw-in-sun-filter', cure: 'withdrawn and destroyed' }
    const cured = (await kofi.post<typeof held>(`/api/kits/${held.id}/cure`, cure)).body
    expect(cured).toMatchObject({ condition: 'crescent', hazards: [] })
    expect(cured.history[0]).toMatchObject({ act: 'hazard-cured', after: { cure: 'withdrawn and destroyed' } })
  })

  it('needs its own look at the parts that are looked at every time', async () => {
    const loanId = await openLoanOf(kofi, 'F-03')
    const body = await takeBackBody(kofi, loanId)
    const { parts } = await kitOf(kofi, 'F-03')
    const cell = parts.find(({ role }) => role === 'coin-cell')
    const reply = await kofi.post(`/api/loans/${loanId}/take-back`, {
      ...body,
      marks: body.marks.filter(({ partId }) => partId !== cell?.id),
    })
    expect(reply.body).toMatchObject({
      error: { code: 'MARKS_INCOMPLETE', issues: [{ message: `${cell?.name}: not looked at` }] },
    })
  })

  it('sent twice is done once', async () => {
    const loanId = await openLoanOf(kofi, 'M-05')
    const body = await takeBackBody(kofi, loanId, { outcome: 'shelf-with-note' })
    const one = await kofi.post(`/api/loans/${loanId}/take-back`, body)
    const two = await kofi.post(`/api/loans/${loanId}/take-back`, body)
    expect([one.status, two.status]).toEqual([200, 200])
    expect(two.body).toEqual(one.body)
    const { history } = await kitOf(kofi, 'M-05')
    expect(history.filter(({ act, atUtc }) => act === 'taken-back' && atUtc === testNow.toISOString())).toHaveLength(
      1,
    )
  })

  it('by two desks at once keeps the first, shows both, and takes corrections', async () => {
    const loanId = await openLoanOf(kofi, 'F-01')
    // Its weight is too light for its heaviest set-up: a word goes with it.
    const first = await takeBackBody(kofi, loanId, { outcome: 'shelf-with-note' })
    const second = await takeBackBody(ines, loanId, { missing: ['slow-motion-rod'], outcome: 'shelf-with-note' })
    expect((await kofi.post(`/api/loans/${loanId}/take-back`, first)).status).toBe(200)
    const late = await ines.post<{ error: { code: string; details: TakeBackConflict } }>(
      `/api/loans/${loanId}/take-back`,
      second,
    )
    expect(late.status).toBe(409)
    const { theirs, yours, loanVersion } = late.body.error.details
    expect(theirs).toMatchObject({ by: 'Kofi Arden', outcome: 'shelf-with-note' })
    expect(yours).toEqual({ outcome: 'shelf-with-note', marks: second.marks })
    expect(theirs.marks).toEqual(first.marks)

    const mine = second.marks.filter(({ mark }) => mark === 'missing')
    const url = `/api/loans/${loanId}/take-back/corrections`
    const corrected = await ines.post(url, { idempotencyKey: randomUUID(), loanVersion, marks: mine })
    expect(corrected.body).toMatchObject({ proposed: 'shelf-with-note', condition: 'half' })
    const { parts, history } = await kitOf(ines, 'F-01')
    expect(parts.filter(({ mark }) => mark === 'missing').map(({ role }) => role)).toEqual([
      'slow-motion-rod',
      'slow-motion-rod',
    ])
    expect(history[0]).toMatchObject({ act: 'take-back-corrected', by: 'Ines Marlow' })
    const stale = await kofi.post(url, { idempotencyKey: randomUUID(), loanVersion, marks: mine })
    expect(stale.status).toBe(409)
  })
})

describe('the desk', () => {
  it('sees today’s hand-outs and what is late', async () => {
    const fresh = await startTestServer()
    const desk = (await (await fresh.signIn('kofi')).get<{ takeBacks: object[]; handOuts: object[] }>('/api/desk'))
      .body
    expect(desk.takeBacks).toEqual([
      expect.objectContaining({ kitCode: 'M-08', daysLate: 2 }),
      expect.objectContaining({ kitCode: 'M-10', daysLate: 0 }),
    ])
    expect(desk.handOuts).toEqual([expect.objectContaining({ kitCode: 'M-02' })])
    await fresh.close()
  })
})

it('the record can’t be changed or deleted, by anybody', async () => {
  await expect(server.source.query(`UPDATE record SET act = 'nothing'`)).rejects.toThrow('append-only')
  await expect(server.source.query('DELETE FROM record')).rejects.toThrow('append-only')
})
