import { randomUUID } from 'node:crypto'
import type { Message, Outbox, Session } from '@binoculum/contract'
import { missingPartsLetter, withName } from '@binoculum/core'
import { deskBranchIds, deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { composeMessage, type Mail } from '../../platform/mail.ts'
import { appendRecord } from '../../platform/record.ts'
import { MessageRow } from './entities.ts'
import { pageKey, pageOf } from '../../platform/paging.ts'
import * as queries from './queries.ts'

const isAddress = (contact: string) => /^[^\s@<>]+@[^\s@<>]+\.[^\s@<>]+$/.test(contact)

/** Letters to borrowers: drafted from what is missing, changed by a person, sent once, kept without a name. */
export class Letters {
  constructor(private readonly context: Context) {}

  /** @param before what an earlier page said comes next */
  async outbox(session: Session, before?: string): Promise<Outbox> {
    const key = pageKey(before)
    const found = await queries.lettersOf(this.context.database.reader, deskBranchIds(session), key)
    const { rows, next } = pageOf(found, queries.MOST_LETTERS)
    return { messages: rows.map(letterView), way: this.context.mail.way, next }
  }

  /** A letter about the parts of some open jobs of one kit. */
  async draft(session: Session, jobIds: readonly string[]): Promise<Message> {
    return this.context.database.inTransaction(async (tx) => {
      const jobs = (await Promise.all(jobIds.map((id) => queries.openJob(tx, id)))).filter((job) => job !== null)
      const first = jobs[0]
      if (!first || jobs.some(({ kitId }) => kitId !== first.kitId)) throw new Problem('JOB_CHANGED')
      requireRole(session, first.branchId, deskRoles)
      const loan = await queries.loanBehind(tx, first)
      if (!loan) throw new Problem('NO_ADDRESS')
      const named = (isDamage: boolean) =>
        jobs.filter(({ code }) => (code === 'mend-part') === isDamage).map(({ partName, text }) => partName ?? text)
      const letter = missingPartsLetter({
        kitName: first.kitName,
        kitCode: first.kitCode,
        branchName: loan.branchName,
        missing: named(false),
        damaged: named(true),
      })
      const id = randomUUID()
      await tx.insert(MessageRow, {
        id,
        branchId: first.branchId,
        borrowerId: loan.borrowerId,
        loanId: loan.loanId,
        kitId: first.kitId,
        ...letter,
        state: 'draft',
        problem: '',
        byStaffId: session.staffId,
        madeAt: this.context.clock(),
        sentAt: null,
        triedAt: null,
      })
      return letterView(await written(tx, id))
    })
  }

  async write(session: Session, id: string, given: { subject: string; body: string }): Promise<Message> {
    return this.context.database.inTransaction(async (tx) => {
      const letter = await this.letter(tx, session, id)
      if (letter.state === 'sent' || letter.state === 'sending') throw new Problem('JOB_CHANGED')
      await tx.update(MessageRow, { id }, given)
      return letterView(await written(tx, id))
    })
  }

  private async letter(tx: Tx, session: Session, id: string): Promise<queries.LetterRow> {
    const letter = await written(tx, id)
    requireRole(session, letter.branchId, deskRoles)
    return letter
  }

  /** Sends a letter. It is marked as under way before, and as sent or failed after: nothing stays locked while a mail
   * server takes its time, and of two clicks one sends. A failure is kept and can be tried again. */
  async send(session: Session, id: string): Promise<Message> {
    const { database } = this.context
    const taken = await database.inTransaction(async (tx) => {
      await this.letter(tx, session, id)
      if (!(await queries.takeLetter(tx, id))) return null
      const letter = await this.letter(tx, session, id)
      if (!isAddress(letter.toAddress)) throw new Problem('NO_ADDRESS')
      return letter
    })
    if (taken) await this.deliver(taken, session.staffId)
    return letterView(await this.letter(database.reader, session, id))
  }

  /** A letter that the house writes by itself, once for its key. */
  async draftOnce(letter: queries.OwnLetter): Promise<void> {
    await queries.insertOnce(this.context.database.reader, letter, this.context.clock())
  }

  /** Sends one of those. Without a mail address it stays, and says that somebody has to ring. */
  async sendOwn(id: string): Promise<void> {
    const { database } = this.context
    const taken = await database.inTransaction(async (tx) =>
      (await queries.takeLetter(tx, id)) ? queries.letterById(tx, id) : null,
    )
    if (!taken) return
    if (isAddress(taken.toAddress)) return this.deliver(taken, null)
    await database.reader.update(
      MessageRow,
      { id },
      { state: 'failed', problem: 'There is no mail address: ring them.' },
    )
  }

  private async deliver(taken: queries.LetterRow, staffId: string | null): Promise<void> {
    const { database, clock, mail } = this.context
    const at = clock()
    const { id, branchId, kitId, loanId, subject } = taken
    const problem = await mail.send(this.mailOf(taken, at)).then(
      () => null,
      (error: unknown) => (error instanceof Error ? error.message : String(error)),
    )
    await database.inTransaction(async (tx) => {
      if (problem !== null)
        return void (await tx.update(MessageRow, { id }, { state: 'failed', problem: problem.slice(0, 300) }))
      await tx.update(MessageRow, { id }, { state: 'sent', problem: '', sentAt: at })
      await appendRecord(tx, {
        act: 'message-sent',
        at,
        branchId,
        staffId,
        kitId,
        loanId,
        after: { subject, way: mail.way },
      })
    })
  }

  /** Letters whose server ended while they were under way: nobody knows whether they left, and that is what they say. */
  async settleForgotten(): Promise<void> {
    await queries.settleForgotten(this.context.database.reader)
  }

  /** The letter as a file for any mail program. */
  async asFile(session: Session, id: string): Promise<{ fileName: string; bytes: Buffer }> {
    const letter = await this.letter(this.context.database.reader, session, id)
    if (!isAddress(letter.toAddress)) throw new Problem('NO_ADDRESS')
    const bytes = await composeMessage(this.mailOf(letter, letter.sentAt ?? this.context.clock()))
    return { fileName: `${letter.kitCode.replaceAll(/[^A-Za-z0-9-]/g, '_')}-${id.slice(0, 8)}.eml`, bytes }
  }

  private mailOf(letter: queries.LetterRow, date: Date): Mail {
    const { mailFrom } = this.context
    return {
      from: mailFrom,
      to: { name: letter.to, address: letter.toAddress },
      subject: withName(letter.subject, letter.to),
      text: withName(letter.body, letter.to),
      messageId: `${letter.id}@${mailFrom.split('@')[1]?.replace('>', '') ?? 'binoculum.invalid'}`,
      date,
    }
  }
}

function letterView({
  madeAt,
  sentAt,
  branchName: _branch,
  loanId: _loan,
  kitId: _kit,
  ...letter
}: Omit<queries.LetterRow, 'key'>): Message {
  return {
    ...letter,
    subject: withName(letter.subject, letter.to),
    body: letter.body,
    madeAtUtc: madeAt.toISOString(),
    sentAtUtc: sentAt?.toISOString() ?? null,
  }
}

async function written(tx: Tx, id: string): Promise<queries.LetterRow> {
  const letter = await queries.letterById(tx, id)
  if (!letter) throw new Problem('NOT_FOUND')
  return letter
}
