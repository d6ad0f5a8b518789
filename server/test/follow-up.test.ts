import { randomUUID } from 'node:crypto'
import type { FollowUpList, LoanSheet, Message, Outbox } from '@binoculum/contract'
import { extract } from 'letterparser'
import type { Mail } from '../src/platform/mail.ts'
import { kitOf, openLoanOf, startTestServer, takeBackBody, testNow, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kofi: Agent
const sent: Mail[] = []
let mailServer: 'up' | 'down' = 'up'
beforeAll(async () => {
  const send = async (mail: Mail) => {
    if (mailServer === 'down') throw new Error('connection refused')
    sent.push(mail)
  }
  server = await startTestServer({ mail: { way: 'smtp', send }, mailFrom: 'Desk <desk@marrowdale.example>' })
  ines = await server.signIn('ines')
  kofi = await server.signIn('kofi')
})
afterAll(() => server.close())

type Refusal = { error: { code: string; details?: { untilUtc?: string } } }
const jobs = async (code: string) => {
  const list = (await kofi.get<FollowUpList>('/api/jobs')).body
  return list.jobs.filter(({ kitCode }) => kitCode === code)
}
const settle = (job: { id: string; version: number }, result: string, agent = kofi) =>
  agent.post<FollowUpList & Refusal>(`/api/jobs/${job.id}/settle`, {
    idempotencyKey: randomUUID(),
    version: job.version,
    result,
  })
async function takeBack(code: string, change: Parameters<typeof takeBackBody>[2] & { cellAnswer?: object }) {
  const loanId = await openLoanOf(kofi, code)
  const { cellAnswer = null, ...rest } = change
  const body = { ...(await takeBackBody(kofi, loanId, rest)), cellAnswer }
  return kofi.post<Refusal>(`/api/loans/${loanId}/take-back`, body)
}

describe('what a take-back missed', () => {
  it('becomes a job with an owner and a day, and goes from step to step', async () => {
    await takeBack('M-12', { missing: ['focuser-cap', 'moon-filter'], outcome: 'shelf-with-note' })
    const open = await jobs('M-12')
    expect(open.map(({ code, partName, owner, dueOn }) => [code, partName, owner, dueOn])).toEqual([
      ['look-for-part', 'Focuser cap', 'Kofi Arden', '2026-03-12'],
      ['look-for-part', 'Moon filter, grey', 'Kofi Arden', '2026-03-12'],
    ])
    await settle(open[0]!, 'not-helped')
    const asked = (await jobs('M-12')).find(({ partName }) => partName === 'Focuser cap')!
    expect([asked.code, asked.dueOn]).toEqual(['ask-borrower', '2026-03-13'])
    await settle(asked, 'not-helped')
    const replaced = (await jobs('M-12')).find(({ partName }) => partName === 'Focuser cap')!
    expect([replaced.code, replaced.spares]).toEqual(['replace-from-drawer', 2])
  })

  it('found again is one act: the part is there and the job is gone', async () => {
    const filter = (await jobs('M-12')).find(({ partName }) => partName === 'Moon filter, grey')!
    expect((await settle(filter, 'found')).status).toBe(200)
    const kit = await kitOf(kofi, 'M-12')
    expect(kit.parts.find(({ name }) => name === 'Moon filter, grey')).toMatchObject({ mark: 'present' })
    expect((await jobs('M-12')).map(({ partName }) => partName)).toEqual(['Focuser cap'])
    expect((await settle(filter, 'found')).body.error.code).toBe('JOB_CHANGED')
  })
})

describe('a letter to the borrower', () => {
  it('is drafted from the jobs, sent once, and read back by another library than the one that wrote it', async () => {
    const ids = (await jobs('M-12')).map(({ id }) => id)
    const letter = (await kofi.post<Message>('/api/messages', { jobIds: ids })).body
    expect(letter).toMatchObject({ state: 'draft', kitName: 'Juniper' })
    expect(letter.body).toContain('Focuser cap')
    // The kept text names nobody: unlinking a borrower unlinks their letters.
    const [{ body }] = await server.source.query('SELECT body FROM message WHERE id = $1', [letter.id])
    expect(body).not.toContain(letter.to)
    const both = await Promise.all([
      kofi.post(`/api/messages/${letter.id}/send`),
      kofi.post(`/api/messages/${letter.id}/send`),
    ])
    expect(both.map(({ status }) => status)).toEqual([200, 200])
    expect(sent).toHaveLength(1)
    const file = await kofi.get<string>(`/api/messages/${letter.id}/eml`)
    const read = extract(file.body)
    expect(read.from).toMatchObject({ address: 'desk@marrowdale.example' })
    expect(read.to?.[0]).toMatchObject({ address: letter.toAddress, name: letter.to })
    expect(read.subject).toBe(letter.subject)
    expect(read.text?.replaceAll('\r\n', '\n')).toContain(`Dear ${letter.to},`)
    expect(read.text).toContain('– Focuser cap')
  })

  it('a mail server that is down loses nothing', async () => {
    const ids = (await jobs('M-12')).map(({ id }) => id)
    const letter = (await kofi.post<Message>('/api/messages', { jobIds: ids })).body
    mailServer = 'down'
    const failed = (await kofi.post<Message>(`/api/messages/${letter.id}/send`)).body
    expect(failed).toMatchObject({ state: 'failed', problem: 'connection refused' })
    mailServer = 'up'
    expect((await kofi.post<Message>(`/api/messages/${letter.id}/send`)).body.state).toBe('sent')
    const outbox = (await kofi.get<Outbox>('/api/messages')).body
    expect(outbox.messages.filter(({ state }) => state === 'sent')).toHaveLength(2)
  })

  it('needs an address', async () => {
    await server.source.query(`UPDATE borrower SET contact = '01 234 567'`)
    const ids = (await jobs('M-12')).map(({ id }) => id)
    const letter = (await kofi.post<Message>('/api/messages', { jobIds: ids })).body
    expect((await kofi.post<Refusal>(`/api/messages/${letter.id}/send`)).body.error.code).toBe('NO_ADDRESS')
  })
})

describe('a missing coin cell', () => {
  it('stops the take-back until the borrower’s answer is written down, and holds the kit', async () => {
    const refused = await takeBack('F-03', { missing: ['coin-cell'], outcome: 'hold' })
    expect([refused.status, refused.body.error.code]).toEqual([422, 'CELL_UNANSWERED'])
    expect((await kitOf(kofi, 'F-03')).group).toBe('out')
    const cellAnswer = {
      whereIsIt: 'in the drawer at home, will bring it',
      couldAChildHaveIt: 'no',
      spokeTo: 'the borrower',
    }
    expect((await takeBack('F-03', { missing: ['coin-cell'], outcome: 'hold', cellAnswer })).status).toBe(200)
    const kit = await kitOf(kofi, 'F-03')
    expect(kit.condition).toBe('new')
    expect(kit.history.find(({ act }) => act === 'coin-cell-asked')?.after).toEqual(cellAnswer)
  })

  it('is asked for where only a correction finds it gone, too', async () => {
    const { id, parts } = await kitOf(kofi, 'F-03')
    const cell = parts.find(({ role }) => role === 'coin-cell')
    const [{ loanId }] = await server.source.query(
      `SELECT id AS "loanId" FROM loan WHERE kit_id = $1 AND state = 'back' ORDER BY back_at DESC LIMIT 1`,
      [id],
    )
    const correct = async (mark: string) => {
      const { version: loanVersion } = (await kofi.get<LoanSheet>(`/api/loans/${loanId}`)).body
      const marks = [{ partId: cell?.id, mark, note: '', presentCount: mark === 'present' ? cell?.count : 0 }]
      const body = { idempotencyKey: randomUUID(), loanVersion, marks }
      return kofi.post<Refusal>(`/api/loans/${loanId}/take-back/corrections`, body)
    }
    expect((await correct('present')).body).toMatchObject({ outcome: 'hold' })
    const refused = await correct('missing')
    expect([refused.status, refused.body.error.code]).toEqual([422, 'CELL_UNANSWERED'])
  })
})

describe('wet', () => {
  it('dries for a day before anything is closed', async () => {
    await takeBack('M-10', { answers: { wet: true }, outcome: 'bench' })
    const kit = await kitOf(kofi, 'M-10')
    const cure = (version: number) =>
      kofi.post<Refusal>(`/api/kits/${kit.id}/cure`, {
        kitVersion: version,
        hazard: 'wet',
        cure: 'dried in the hall',
      })
    const early = await cure(kit.version)
    expect(early.body.error).toMatchObject({ code: 'TOO_EARLY', details: { untilUtc: '2026-03-13T14:00:00.000Z' } })
    const drying = (await jobs('M-10')).find(({ code }) => code === 'drying')!
    expect((await settle(drying, 'done')).body.error.code).toBe('TOO_EARLY')
    server.time.now = new Date(testNow.getTime() + 25 * 3_600_000)
    const late = await server.signIn('kofi')
    expect((await settle(drying, 'done', late)).status).toBe(200)
    expect((await kitOf(late, 'M-10')).hazards).toEqual([])
    server.time.now = testNow
    // Signing in late has ended the older sessions.
    ines = await server.signIn('ines')
    kofi = await server.signIn('kofi')
  })
})

describe('for many kits at once', () => {
  it('a notice opens a job for each kit of the model, once, and a stop holds them', async () => {
    const { modelId } = await kitOf(ines, 'M-03')
    const notice = {
      idempotencyKey: randomUUID(),
      modelId,
      text: 'clamp screws cracking',
      dueOn: '2026-03-20',
      stops: true,
    }
    const first = await ines.post('/api/notices', notice)
    expect((await ines.post('/api/notices', notice)).body).toEqual(first.body)
    expect(first.body).toEqual({ jobs: 2, kits: ['F-04', 'M-03'] })
    expect((await kitOf(ines, 'M-03')).condition).toBe('new')
    const [job] = await jobs('M-03')
    await settle(job!, 'done')
    expect((await kitOf(ines, 'M-03')).condition).toBe('full')
    expect((await kofi.post('/api/notices', { ...notice, idempotencyKey: randomUUID() })).status).toBe(403)
  })

  it('a battery round asks for cells that are too old, and doing it dates them', async () => {
    const { branchId } = await kitOf(ines, 'M-01')
    const round = { idempotencyKey: randomUUID(), branchId, olderThanDays: 180, dueOn: '2026-03-31' }
    const { jobs: opened } = (await ines.post<{ jobs: number }>('/api/battery-rounds', round)).body
    expect(opened).toBeGreaterThan(5)
    const cells = (await jobs('M-01')).find(({ code }) => code === 'battery-round')!
    expect(cells.text).toBe('1 × CR2032')
    await settle(cells, 'done')
    const finder = (await kitOf(ines, 'M-01')).parts.find(({ role }) => role === 'coin-cell')
    expect(finder?.consumable).toEqual({ kind: 'CR2032', pieces: 1, changedOn: '2026-03-12' })
  })

  it('a stolen kit is held, and nobody lends it all the same', async () => {
    const kit = await kitOf(ines, 'M-02')
    const loss = {
      idempotencyKey: randomUUID(),
      kitVersion: kit.version,
      kind: 'kit-stolen',
      text: 'taken from the car',
      reportNumber: '17/B',
    }
    expect((await kofi.post(`/api/kits/${kit.id}/loss`, loss)).status).toBe(403)
    await ines.post(`/api/kits/${kit.id}/loss`, loss)
    const held = await kitOf(ines, 'M-02')
    expect(held.reasons[0]).toMatchObject({
      condition: 'new',
      overrule: 'never',
      figures: { text: 'taken from the car (report 17/B)' },
    })
    const job = (await jobs('M-02')).find(({ code }) => code === 'kit-stolen')
    expect((await settle(job!, 'done')).status).toBe(403)
    expect((await settle(job!, 'done', ines)).status).toBe(200)
  })
})
