import { randomUUID } from 'node:crypto'
import {
  partMarkSchema,
  type Borrower,
  type Desk,
  type HandOut,
  type HandOutForm,
  type Part,
  type PartMark,
  type Session,
  type Slip,
  type TakeBack,
  type TakeBackForm,
} from '@binoculum/contract'
import {
  hazardsFrom,
  jobsForOutcome,
  jobsFrom,
  outcomes,
  plain,
  proposeOutcome,
  sunWarning,
  type Judgement,
  type Outcome,
} from '@binoculum/core'
import { DateTime } from 'luxon'
import { z } from 'zod'
import { branchIdsOf, deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { hashToken, newToken } from '../../platform/secrets.ts'
import { once } from '../../platform/sent-once.ts'
import type { Guides } from '../guides/service.ts'
import type { Weighings } from '../contents/service.ts'
import { bumpKitVersion, daysLate, judgeRow, loanCode, lockKit, type Kits, type ShelfRow } from '../kits/service.ts'
import { BorrowerRow, Loan, TakeBackRow } from './entities.ts'
import * as queries from './queries.ts'
import { addHazards, deleteDraft, openJobs, placeKit, writeMarks } from './take-back-queries.ts'

/** The guide's link lives a little longer than the loan, for those who are late. */
const LINK_DAYS_AFTER_DUE = 14

export class Loans {
  constructor(
    private readonly context: Context,
    private readonly kits: Kits,
    private readonly guides: Guides,
    private readonly weighings: Weighings,
  ) {}

  /** What the desk has before it: today's hand-outs and take-backs, and everything late. */
  async desk(session: Session): Promise<Desk> {
    const now = this.context.clock()
    const endOfDay = new Date(now.getTime() + 24 * 3_600_000)
    const rows = await queries.deskRows(this.context.database.reader, branchIdsOf(session), endOfDay)
    const loans = rows.map(({ number, at, ...rest }) => {
      const late = rest.state === 'out' ? daysLate(at, now) : 0
      return { ...rest, code: loanCode(number), atUtc: at.toISOString(), daysLate: late }
    })
    return {
      handOuts: loans.filter(({ state }) => state === 'promised'),
      takeBacks: loans.filter(({ state }) => state === 'out'),
    }
  }

  async borrowers(session: Session, branchId: string, text: string): Promise<Borrower[]> {
    requireRole(session, branchId, deskRoles)
    return queries.findBorrowers(this.context.database.reader, branchId, text)
  }

  async handOutForm(session: Session, kitCode: string): Promise<HandOutForm> {
    const { database, clock } = this.context
    const kit = await this.kits.sheet(session, kitCode)
    requireRole(session, kit.branchId, deskRoles)
    const branch = await queries.branchOf(database.reader, kit.branchId)
    const agreement = await queries.newestAgreement(database.reader, kit.branchId)
    if (!agreement) throw new Problem('NOT_FOUND')
    const promise = await queries.nextPromise(database.reader, kit.id)
    const borrower = promise && (await queries.borrowerById(database.reader, promise.borrowerId, kit.branchId))
    const due = DateTime.fromJSDate(clock(), { zone: branch.zone }).plus({ days: branch.loanDays })
    return {
      kit,
      agreement,
      sunWarning: [...sunWarning],
      dueOn: due.toISODate() ?? '',
      returnTime: branch.returnTime,
      promised:
        promise && borrower
          ? { loanId: promise.id, borrower, atUtc: (promise.promisedFor ?? clock()).toISOString() }
          : null,
      replacementMinor: kit.parts.reduce((sum, part) => sum + (part.costMinor ?? 0) * part.count, 0),
    }
  }

  /** Hands a kit out: loan, guide and record in one transaction, once per key. */
  async handOut(session: Session, kitId: string, given: HandOut): Promise<Slip> {
    let token: string | null = null
    const { database } = this.context
    const slip = await database.inTransaction((tx) =>
      once(tx, { key: given.idempotencyKey, staffId: session.staffId }, async () => {
        token = newToken()
        return this.handOutIn(tx, session, kitId, given, token)
      }),
    )
    // A retry gets the same loan. Its link was shown in the lost answer only, so it gets a new one.
    return token ? { ...slip, guidePath: guidePath(token) } : this.renewLink(session, slip.loanId)
  }

  private async handOutIn(tx: Tx, session: Session, kitId: string, given: HandOut, token: string): Promise<Slip> {
    const at = this.context.clock()
    await lockKit(tx, kitId)
    const row = await this.kits.rowById(tx, kitId)
    requireRole(session, row.branchId, deskRoles)
    if (row.loan) throw new Problem('KIT_OUT', { details: { dueAtUtc: row.loan.dueAt } })
    await this.kits.claim(tx, kitId, given.kitVersion)
    const judgement = judgeRow(row, at)
    this.refuseUnfit(session, row, judgement, given.overruleReason)
    const dueAt = dueInstant(given.dueOn, await queries.branchOf(tx, row.branchId), at)
    const agreement = await queries.newestAgreement(tx, row.branchId)
    if (agreement?.id !== given.agreementId) throw new Problem('AGREEMENT_OLD')
    const borrowerId = await this.borrowerFor(tx, row.branchId, given.borrower)

    const loanId = await this.openLoan(tx, given, {
      branchId: row.branchId,
      kitId,
      borrowerId,
      state: 'out',
      outAt: at,
      dueAt,
      handedOutBy: session.staffId,
      agreementId: given.agreementId,
      acceptance: given.acceptance,
      overruleReason: given.overruleReason,
      linkHash: hashToken(token),
      linkEndsAt: linkEnd(dueAt),
    })
    const parts = await this.kits.parts(tx, kitId)
    const issuedOn = DateTime.fromJSDate(at, { zone: row.zone }).toISODate() ?? ''
    const model = await this.kits.guideModel(tx, row)
    const { returnTime } = await queries.branchOf(tx, row.branchId)
    const borrowerName = 'name' in given.borrower ? given.borrower.name : ''
    const guide = await this.guides.issue(tx, {
      loanId,
      row,
      model,
      parts,
      issuedOn,
      dueOn: given.dueOn,
      dueTime: returnTime,
      borrowerName: borrowerName || ((await queries.borrowerById(tx, borrowerId, row.branchId))?.name ?? ''),
      wishes: given.guide,
      at,
    })
    await appendRecord(tx, {
      act: 'handed-out',
      at,
      branchId: row.branchId,
      staffId: session.staffId,
      kitId,
      loanId,
      before: { condition: judgement.condition },
      after: { borrowerId, dueOn: given.dueOn, agreement: agreement.version, overruleReason: given.overruleReason },
    })
    const loan = await queries.loanById(tx, loanId)
    if (!loan) throw new Error('the loan just written can’t be read')
    return slipOf(loan, row, parts, (guide.texts.en?.notes ?? []).map(plain))
  }

  private refuseUnfit(session: Session, row: ShelfRow, judgement: Judgement, overruleReason: string): void {
    if (judgement.condition === 'full' || judgement.condition === 'half') return
    const details = { reasons: judgement.reasons }
    if (judgement.reasons.some(({ overrule }) => overrule === 'never')) throw new Problem('NEVER', { details })
    if (overruleReason === '') throw new Problem('NOT_FIT', { details })
    requireRole(session, row.branchId, ['coordinator'])
  }

  private async borrowerFor(tx: Tx, branchId: string, given: HandOut['borrower']): Promise<string> {
    if ('id' in given) {
      if (await queries.borrowerById(tx, given.id, branchId)) return given.id
      throw new Problem('NOT_FOUND')
    }
    const id = randomUUID()
    await tx.insert(BorrowerRow, { id, branchId, ...given })
    return id
  }

  private async openLoan(
    tx: Tx,
    given: HandOut,
    loan: Omit<Loan, 'id' | 'number' | 'promisedFor' | 'backAt' | 'version'>,
  ) {
    if (!given.promisedLoanId) {
      const id = randomUUID()
      await tx.insert(Loan, { id, promisedFor: null, backAt: null, ...loan })
      return id
    }
    const kept = await tx.update(
      Loan,
      { id: given.promisedLoanId, kitId: loan.kitId, state: 'promised' },
      { ...loan, version: () => 'version + 1' },
    )
    if (kept.affected !== 1) throw new Problem('KIT_CHANGED')
    return given.promisedLoanId
  }

  async takeBackForm(session: Session, loanId: string): Promise<TakeBackForm> {
    const { database, clock } = this.context
    const loan = await this.loanFor(database.reader, session, loanId)
    const kit = await this.kits.sheetById(database.reader, loan.kitId)
    const row = await this.kits.rowById(database.reader, loan.kitId)
    const [lookAlikes, lossChances] = await Promise.all([
      this.weighings.lookAlikes(database.reader, row, kit.parts),
      this.weighings.lossChances(database.reader, loan.branchId, kit.parts),
    ])
    return {
      lookAlikes,
      lossChances,
      loan: {
        id: loan.id,
        code: loanCode(loan.number),
        state: loan.state,
        borrower: loan.borrower,
        contact: loan.contact,
        outAtUtc: loan.outAt?.toISOString() ?? null,
        dueAtUtc: loan.dueAt?.toISOString() ?? null,
        daysLate: loan.state === 'out' && loan.dueAt ? daysLate(loan.dueAt, clock()) : 0,
        version: loan.version,
      },
      kit,
    }
  }

  /** The loan, for those who may act on it. @throws Problem NOT_FOUND, NOT_ALLOWED */
  async loanFor(tx: Tx, session: Session, loanId: string): Promise<queries.LoanRow> {
    const loan = await queries.loanById(tx, loanId)
    if (!loan) throw new Problem('NOT_FOUND')
    requireRole(session, loan.branchId, deskRoles)
    return loan
  }

  /** Takes a kit back: marks, hazards, jobs, place and record in one transaction, once per key. */
  async takeBack(session: Session, loanId: string, given: TakeBack) {
    return this.context.database.inTransaction((tx) =>
      once(tx, { key: given.idempotencyKey, staffId: session.staffId }, () =>
        this.takeBackIn(tx, session, loanId, given),
      ),
    )
  }

  private async takeBackIn(tx: Tx, session: Session, loanId: string, given: TakeBack) {
    const at = this.context.clock()
    const loan = await this.loanFor(tx, session, loanId)
    if (!(await queries.closeLoan(tx, { id: loanId, version: given.loanVersion, at })))
      await this.refuseSecondTakeBack(tx, loan.id, given)
    const parts = await this.kits.parts(tx, loan.kitId)
    const marks = settleMarks(parts, given.marks)
    const before = parts.filter(({ mark }) => mark !== 'present').map(({ name, mark }) => ({ part: name, mark }))
    refuseUnansweredCell(parts, marks, given)
    await writeMarks(tx, loan.kitId, marks)
    await addHazards(tx, loan.kitId, hazardsFrom(given.answers))
    await openJobs(tx, loan.kitId, jobsFrom(given.answers), at)

    const judgement = judgeRow(await this.kits.rowById(tx, loan.kitId), at)
    const proposed = proposeOutcome(judgement)
    this.refuseLaxOutcome(session, loan.branchId, { judgement, proposed, given })
    await openJobs(tx, loan.kitId, jobsForOutcome(given.outcome), at)
    await placeKit(
      tx,
      loan.kitId,
      given.outcome === 'shelf' || given.outcome === 'shelf-with-note' ? 'shelf' : 'bench',
    )
    const row = await this.kits.rowById(tx, loan.kitId)
    const marked = await this.kits.parts(tx, loan.kitId)
    await this.kits.followParts(tx, session, { row, loanId }, marked)
    await this.weighings.keepAll(tx, session, { row, loanId }, marked, given.weighings, { sure: false })
    await deleteDraft(tx, loanId)
    await bumpKitVersion(tx, loan.kitId)
    const { answers, outcome, outcomeReason, cellAnswer } = given
    await tx.insert(TakeBackRow, {
      id: randomUUID(),
      loanId,
      marks,
      answers,
      proposed,
      outcome,
      outcomeReason,
      correction: false,
      byStaffId: session.staffId,
      at,
    })
    const off = marks.flatMap((mark) => {
      const part = parts.find(({ id }) => id === mark.partId)
      const wrongItem = mark.wrongItem ? { wrongItem: mark.wrongItem } : {}
      return part && mark.mark !== 'present'
        ? [{ part: part.name, mark: mark.mark, note: mark.note, ...wrongItem }]
        : []
    })
    if (cellAnswer)
      await appendRecord(tx, {
        act: 'coin-cell-asked',
        at,
        branchId: loan.branchId,
        staffId: session.staffId,
        kitId: loan.kitId,
        loanId,
        after: cellAnswer,
      })
    await appendRecord(tx, {
      act: 'taken-back',
      at,
      branchId: loan.branchId,
      staffId: session.staffId,
      kitId: loan.kitId,
      loanId,
      before: { off: before },
      after: { off, proposed, outcome, outcomeReason, answers },
    })
    const after = judgeRow(await this.kits.rowById(tx, loan.kitId), at)
    const kit = await this.kits.rowById(tx, loan.kitId)
    return { loanId, kitCode: kit.code, proposed, outcome, condition: after.condition }
  }

  /** A laxer outcome than the proposed one is a coordinator's, with a reason; nobody's where only a cure helps. */
  private refuseLaxOutcome(
    session: Session,
    branchId: string,
    { judgement, proposed, given }: { judgement: Judgement; proposed: Outcome; given: TakeBack },
  ): void {
    if (outcomes.indexOf(given.outcome) >= outcomes.indexOf(proposed)) return
    if (judgement.reasons.some(({ overrule }) => overrule === 'never'))
      throw new Problem('NEVER', { details: { reasons: judgement.reasons } })
    requireRole(session, branchId, ['coordinator'])
    if (given.outcomeReason === '')
      throw new Problem('BAD_INPUT', {
        issues: [{ path: 'outcomeReason', message: 'say why it goes there all the same' }],
      })
  }

  /** Both versions, so that nothing is lost: the other desk's as kept, and the one just sent. */
  private async refuseSecondTakeBack(
    tx: Tx,
    loanId: string,
    given: { marks: PartMark[]; outcome?: Outcome },
  ): Promise<never> {
    const theirs = await queries.newestTakeBack(tx, loanId)
    const loan = await queries.loanById(tx, loanId)
    throw new Problem('LOAN_CLOSED', {
      details: {
        theirs: theirs && {
          by: theirs.by,
          atUtc: theirs.at.toISOString(),
          outcome: theirs.outcome,
          marks: z.array(partMarkSchema).parse(theirs.marks),
        },
        yours: { outcome: given.outcome ?? theirs?.outcome, marks: given.marks },
        loanVersion: loan?.version ?? 0,
      },
    })
  }

  /** Marks that a second desk saw differently, added to a take-back that is already kept. */
  async correctTakeBack(
    session: Session,
    loanId: string,
    given: { idempotencyKey: string; loanVersion: number; marks: PartMark[] },
  ) {
    return this.context.database.inTransaction((tx) =>
      once(tx, { key: given.idempotencyKey, staffId: session.staffId }, async () => {
        const at = this.context.clock()
        const loan = await this.loanFor(tx, session, loanId)
        const claimed = await queries.claimReturnedLoan(tx, { id: loanId, version: given.loanVersion })
        const kept = await queries.newestTakeBack(tx, loanId)
        if (!claimed || !kept) return this.refuseSecondTakeBack(tx, loanId, given)
        const parts = await this.kits.parts(tx, loan.kitId)
        const changed = settleChangedMarks(parts, given.marks)
        await writeMarks(tx, loan.kitId, changed)
        const row = await this.kits.rowById(tx, loan.kitId)
        const marked = (await this.kits.parts(tx, loan.kitId)).filter(({ id }) =>
          changed.some(({ partId }) => partId === id),
        )
        await this.kits.followParts(tx, session, { row, loanId }, marked)
        await bumpKitVersion(tx, loan.kitId)
        const keptMarks = z.array(partMarkSchema).parse(kept.marks)
        const marks = [
          ...keptMarks.filter((mark) => !changed.some(({ partId }) => partId === mark.partId)),
          ...changed,
        ]
        const judgement = judgeRow(await this.kits.rowById(tx, loan.kitId), at)
        const outcome = kept.outcome as Outcome
        const proposed = proposeOutcome(judgement)
        await tx.insert(TakeBackRow, {
          id: randomUUID(),
          loanId,
          marks,
          answers: null,
          proposed,
          outcome,
          correction: true,
          byStaffId: session.staffId,
          at,
        })
        const describe = (mark: PartMark) => ({
          part: parts.find(({ id }) => id === mark.partId)?.name,
          mark: mark.mark,
        })
        await appendRecord(tx, {
          act: 'take-back-corrected',
          at,
          branchId: loan.branchId,
          staffId: session.staffId,
          kitId: loan.kitId,
          loanId,
          before: {
            off: keptMarks.filter(({ partId }) => changed.some((mark) => mark.partId === partId)).map(describe),
          },
          after: { off: changed.map(describe) },
        })
        const kit = await this.kits.rowById(tx, loan.kitId)
        return { loanId, kitCode: kit.code, proposed, outcome, condition: judgement.condition }
      }),
    )
  }

  /** A new link for a loan; the old one ends. */
  async renewLink(session: Session, loanId: string): Promise<Slip> {
    return this.context.database.inTransaction(async (tx) => {
      const loan = await this.loanFor(tx, session, loanId)
      if (loan.state !== 'out') throw new Problem('LINK_OVER')
      const token = newToken()
      const at = this.context.clock()
      const linkEndsAt = linkEnd(new Date(Math.max(at.getTime(), loan.dueAt?.getTime() ?? 0)))
      await tx.update(Loan, { id: loanId }, { linkHash: hashToken(token), linkEndsAt })
      const { branchId, kitId } = loan
      await appendRecord(tx, { act: 'link-renewed', at, branchId, staffId: session.staffId, kitId, loanId })
      const row = await this.kits.rowById(tx, kitId)
      const parts = await this.kits.parts(tx, kitId)
      return { ...slipOf(loan, row, parts, []), guidePath: guidePath(token) }
    })
  }

  /** Ends a loan's link: whoever has it opens nothing more, and their phone's copy goes when it next asks. */
  async revokeLink(session: Session, loanId: string): Promise<void> {
    await this.context.database.inTransaction(async (tx) => {
      const { branchId, kitId } = await this.loanFor(tx, session, loanId)
      await tx.update(Loan, { id: loanId }, { linkHash: null, linkEndsAt: null })
      const at = this.context.clock()
      await appendRecord(tx, { act: 'link-revoked', at, branchId, staffId: session.staffId, kitId, loanId })
    })
  }
}

const linkEnd = (after: Date) => new Date(after.getTime() + LINK_DAYS_AFTER_DUE * 24 * 3_600_000)

const guidePath = (token: string) => `/g/${token}`

function dueInstant(dueOn: string, branch: { zone: string; returnTime: string }, now: Date): Date {
  const due = DateTime.fromISO(`${dueOn}T${branch.returnTime}`, { zone: branch.zone })
  const today = DateTime.fromJSDate(now, { zone: branch.zone }).startOf('day')
  if (!due.isValid || due.startOf('day') <= today) throw new Problem('DUE_IN_PAST', { details: { dueOn } })
  return due.toJSDate()
}

/** Checks the marks against the card: every part that is looked at every time has its own, and counts fit. */
function settleMarks(parts: readonly Part[], given: readonly PartMark[]): PartMark[] {
  const marks = settleChangedMarks(parts, given)
  const unlooked = parts.filter(
    (part) => part.lookEveryTime && !marks.some(({ partId, mark }) => partId === part.id && mark !== 'unseen'),
  )
  if (unlooked.length > 0) {
    const issues = unlooked.map((part) => ({
      path: `marks.${part.id}`,
      message: `${part.name}: look at it every time`,
    }))
    throw new Problem('MARKS_INCOMPLETE', { issues })
  }
  return marks
}

function settleChangedMarks(parts: readonly Part[], given: readonly PartMark[]): PartMark[] {
  return given.map((mark) => {
    const part = parts.find(({ id }) => id === mark.partId)
    if (!part)
      throw new Problem('BAD_INPUT', { issues: [{ path: 'marks', message: `no part ${mark.partId} in this kit` }] })
    if (mark.presentCount > part.count) {
      const issues = [{ path: `marks.${part.id}.presentCount`, message: `${part.name}: at most ${part.count}` }]
      throw new Problem('BAD_INPUT', { issues })
    }
    // Three of four caps is a cap missing, whatever the mark says.
    const short = mark.mark === 'present' && mark.presentCount < part.count
    const presentCount = mark.mark === 'missing' && mark.presentCount === part.count ? 0 : mark.presentCount
    return { ...mark, mark: short ? 'missing' : mark.mark, presentCount }
  })
}

/** A missing coin cell is an alarm: the take-back waits until the borrower has been asked and the answer is written. */
function refuseUnansweredCell(parts: readonly Part[], marks: readonly PartMark[], given: TakeBack): void {
  const missing = parts.some(
    (part) => part.role === 'coin-cell' && marks.some(({ partId, mark }) => partId === part.id && mark === 'missing'),
  )
  if (missing && !given.cellAnswer) throw new Problem('CELL_UNANSWERED')
}

function slipOf(loan: queries.LoanRow, row: ShelfRow, parts: readonly Part[], notes: readonly string[]): Slip {
  const there = parts.filter(({ mark }) => mark !== 'missing')
  return {
    loanId: loan.id,
    loanCode: loanCode(loan.number),
    kitCode: row.code,
    kitName: row.name,
    modelName: row.modelName,
    branchName: row.branchName,
    borrower: loan.borrower,
    outAtUtc: (loan.outAt ?? new Date(0)).toISOString(),
    dueAtUtc: (loan.dueAt ?? new Date(0)).toISOString(),
    zone: row.zone,
    partCount: there.length,
    massG: there.reduce((sum, part) => sum + (part.massG ?? 0) * part.presentCount, 0),
    eyepieces: there.filter(({ optics }) => optics.focalLengthMm || optics.barlow).map(({ name }) => name),
    notes: [...notes],
    guidePath: null,
  }
}
