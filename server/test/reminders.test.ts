import type { Outbox, Reminders as RemindersView } from '@binoculum/contract'
import { defaultReminderPolicy, reminderKinds } from '@binoculum/core'
import { Letters } from '../src/features/follow-up/service.ts'
import { Reminders } from '../src/features/reminders/service.ts'
import { kitOf, openLoanOf, startTestServer, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let branchId: string
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  branchId = (await kitOf(ines, 'M-08')).branchId
})
afterAll(() => server.close())

interface Refusal {
  error: { code: string; issues: { path: string; message: string }[] }
}
type Sent = { subject: string; text: string; to: string }
let sent: Sent[] = []
let refuses = false
const run = async () => {
  sent = []
  const mail = {
    way: 'outbox' as const,
    send: async (mail: { subject: string; text: string; to: { address: string } }) => {
      if (refuses) throw new Error('450 try again later')
      sent.push({ subject: mail.subject, text: mail.text, to: mail.to.address })
    },
  }
  const context = {
    ...{ database: server.database, clock: () => server.time.now, secure: false, demo: true, mail, cards: null },
    mailFrom: 'Library <desk@marrowdale.example>',
  }
  await new Reminders(context, new Letters(context)).run()
  return sent
}
const decide = (policy: object) => ines.put<RemindersView & Refusal>(`/api/branches/${branchId}/reminders`, policy)
const all = { ...defaultReminderPolicy, kinds: [...reminderKinds] }
/** Sessions end while nobody is there. */
const at = async (iso: string) => {
  server.time.now = new Date(iso)
  ines = await server.signIn('ines')
}

describe('letters that loans make by themselves', () => {
  it('are none before the branch has decided it', async () => {
    expect(await run()).toEqual([])
  })

  it('go to who is late, due soon or expected tomorrow, in their language, once', async () => {
    await server.source.query(
      `UPDATE borrower SET language = 'es' WHERE id = (SELECT borrower_id FROM loan WHERE id = $1)`,
      [await openLoanOf(ines, 'M-08')],
    )
    expect((await decide(all)).status).toBe(200)
    const first = await run()
    const late = first.find(({ subject }) => subject.startsWith('Thistle'))
    expect(late?.subject).toMatch(/^Thistle debía volver el \w+, \d+ de marzo$/)
    expect(late?.text).toMatch(/^Hola, \w+ \w+:/)
    expect(first.some(({ subject }) => /is ready for you: Friday,? 13 March, 16:00$/.test(subject))).toBe(true)
    expect(await run()).toEqual([])
    // Kept without the name.
    const kept: { n: number }[] = await server.source.query(
      `SELECT count(*)::int AS n FROM message m JOIN borrower b ON b.id = m.borrower_id WHERE m.body LIKE '%' || b.name || '%'`,
    )
    expect(kept[0]?.n).toBe(0)
    const box = (await ines.get<Outbox>('/api/messages')).body
    expect(box.messages.filter(({ by }) => by === 'by itself').every(({ state }) => state === 'sent')).toBe(true)
  })

  it('thank for a report, and say that a finder is off, once each', async () => {
    const reported = await openLoanOf(ines, 'M-08')
    await server.source.query(
      `INSERT INTO borrower_message (id, branch_id, kit_id, loan_id, kind, body, at)
       SELECT gen_random_uuid(), branch_id, kit_id, id, 'report', '{}', $2 FROM loan WHERE id = $1`,
      [reported, server.time.now],
    )
    const [out]: { name: string }[] = await server.source
      .query(
        `UPDATE reading SET as_left = limit_value + 20 FROM kit k
       WHERE kit_id = (SELECT l.kit_id FROM loan l JOIN reading r ON r.kit_id = l.kit_id AND r.kind = 'finder' AND r.current
                       JOIN borrower b ON b.id = l.borrower_id
                       WHERE l.state = 'out' AND l.branch_id = $1 AND b.language = 'en' AND b.contact LIKE '%@%' LIMIT 1)
         AND kind = 'finder' AND current AND k.id = kit_id RETURNING k.name`,
        [branchId],
      )
      .then(([rows]: [{ name: string }[]]) => rows)
    const letters = await run()
    expect(letters.filter(({ subject }) => subject.startsWith('Gracias'))).toHaveLength(1)
    expect(
      letters.filter(({ subject }) => subject === `The finder of ${out?.name} points a little beside`),
    ).toHaveLength(1)
    expect(await run()).toEqual([])
  })

  it('take the next step when the days are over, and none at night', async () => {
    await at('2026-03-17T22:30:00Z')
    expect(await run()).toEqual([])
    await at('2026-03-17T10:00:00Z')
    expect((await run()).filter(({ subject }) => subject.includes('Thistle'))).toMatchObject([
      { subject: expect.stringContaining('sigue prestado') },
    ])
    expect(await run()).toEqual([])
  })

  it('that were refused are told and tried again by a press, never by themselves', async () => {
    refuses = true
    await at('2026-03-24T10:00:00Z')
    expect(await run()).toEqual([])
    refuses = false
    expect((await run()).filter(({ subject }) => subject.includes('Thistle'))).toEqual([])
    const failed = (await ines.get<Outbox>('/api/messages')).body.messages.filter(({ state }) => state === 'failed')
    expect(failed[0]?.problem).toContain('450')
    const again = await ines.post<{ state: string }>(`/api/messages/${failed[0]?.id}/send`)
    expect(again.body.state).toBe('sent')
  })

  it('of two servers that write at once one writes', async () => {
    await at('2026-03-26T10:00:00Z')
    await Promise.all([run(), run(), run()])
    const twice: unknown[] = await server.source.query(
      `SELECT once_key FROM message WHERE once_key IS NOT NULL GROUP BY once_key HAVING count(*) > 1`,
    )
    expect(twice).toEqual([])
  })

  it('are written in the branch’s own words, whose blanks are checked', async () => {
    const text = { kind: 'due-soon', language: 'en', subject: 'Bring {{kit}}', body: 'Dear {{name}}, by {{until}}.' }
    const put = (change: object) =>
      ines.put<RemindersView & Refusal>(`/api/branches/${branchId}/reminder-texts`, { ...text, ...change })
    const wrong = await put({ body: 'Dear {{nmae}}' })
    expect([wrong.status, JSON.stringify(wrong.body.error.issues)]).toEqual([
      400,
      expect.stringContaining('{{nmae}}'),
    ])
    const own = (await put({})).body.branches.find((branch) => branch.branchId === branchId)?.texts
    expect(own?.filter(({ isOwn }) => isOwn)).toMatchObject([{ kind: 'due-soon', subject: 'Bring {{kit}}' }])
  })

  it('steps come one after the other', async () => {
    const reply = await decide({ ...all, lateAfterDays: [7, 7, 14] })
    expect([reply.status, reply.body.error.issues[0]?.path]).toEqual([400, 'lateAfterDays'])
  })
})
