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
  goThroughJob,
  hazardsFrom,
  jobsForOutcome,
  jobsFrom,
  outcomes,
  plain,
  proposeOutcome,
  standsAfter,
  sunWarning,
  type Judgement,
  type Outcome,
} from '@binoculum/core'
import { DateTime } from 'luxon'
import { z } from 'zod'
import { branchIdsOf, deskBranchIds, deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { hashToken, newToken } from '../../platform/secrets.ts'
import { once } from '../../platform/sent-once.ts'
import type { Guides } from '../guides/service.ts'
import type { Weighings } from '../contents/service.ts'
import {
  bumpKitVersion,
  daysLate,
  endGoingThrough,
  judgeRow,
  loanCode,
  lockKit,
  type Kits,
  type ShelfRow,
} from '../kits/service.ts'
import { BorrowerRow, Loan, TakeBackRow } from './entities.ts'
import { keepExtras, offInWords, refuseUnansweredCell, refuseUnlooked, settleMarks, withUnseen } from './marks.ts'
import * as queries from './queries.ts'
import { addHazards, openJobs, placeKit, writeMarks } from './take-back-queries.ts'

/** The guide's link lives a little longer than the loan, for those who are late. */
const LINK_DAYS_AFTER_DUE = 14

export class Loans {
  constructor(
    private readonly context: Context,
    readonly kits: Kits,
    private readonly guides: Guides,
    private readonly weighings: Weighings,
  ) {}

  /** What the desk has before it: today's hand-outs and take-backs, and everything late. */
  async desk(session: Session): Promise<Desk> {
    const now = this.context.clock()
    const rows = await queries.deskRows(this.context.database.reader, branchIdsOf(session), now)
    const loans = rows.map(({ number, at, ...rest }) => {
      const late = rest.state === 'out' ? daysLate(at, now) : 0
      return { ...rest, code: loanCode(number), atUtc: at.toISOString(), daysLate: late }
    })
    const waiting = await queries.kitsToGoThrough(this.context.database.reader, branchIdsOf(session))
    return {
      toGoThrough: waiting.map(({ backAt, ...kit }) => ({ ...kit, backAtUtc: backAt.toISOString() })),
      handOuts: loans.filter(({ state }) => state === 'promised'),
      takeBacks: loans.filter(({ state }) => state === 'out'),
    }
  }

  async borrowers(session: Session, branchId: string, text: string): Promise<Borrower[]> {
    requireRole(session, branchId, deskRoles)
    return queries.findBorrowers(this.context.database.reader, { branchId, branchIds: deskBranchIds(session), text })
  }

  async handOutForm(session: Session, kitCode: string): Promise<HandOutForm> {
    const { database, clock } = this.context
    const kit = await this.kits.sheet(session, kitCode)
    requireRole(session, kit.branchId, deskRoles)
    const branch = await queries.branchOf(database.reader, kit.branchId)
    const agreement = await queries.newestAgreement(database.reader, kit.branchId)
    if (!agreement) throw new Problem('NOT_FOUND')
    const promise = await queries.nextPromise(database.reader, kit.id)
    const borrower = promise && (await queries.borrowerById(database.reader, promise.borrowerId))
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
    let made: Slip | null = null
    const { database } = this.context
    const { loanId } = await database.inTransaction((tx) =>
      once(
        tx,
        {
          key: given.idempotencyKey,
          staffId: session.staffId,
          sentFor: `hand-out ${kitId}`,
          may: () => this.kits.mayWorkOn(tx, session, kitId),
        },
        async () => {
          const token = newToken()
          made = { ...(await this.handOutIn(tx, session, kitId, given, token)), guidePath: guidePath(token) }
          return { loanId: made.loanId }
        },
      ),
    )
    // A retry gets the same loan. Its link was shown in the lost answer only, so it gets a new one.
    return made ?? this.renewLink(session, loanId)
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
    const borrowerId = await this.borrowerFor(tx, session, row.branchId, given.borrower)

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
    const hasFilter = parts.some(({ role, mark }) => role === 'front-filter' && mark !== 'missing')
    if (hasFilter && !given.filterChecked) throw new Problem('FILTER_UNCHECKED')
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
      borrowerName: borrowerName || ((await queries.borrowerById(tx, borrowerId))?.name ?? ''),
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
      after: {
        borrowerId,
        dueOn: given.dueOn,
        agreement: agreement.version,
        overruleReason: given.overruleReason,
        ...(hasFilter ? { filterChecked: true } : {}),
      },
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

  /** Somebody known anywhere in the programme, as far as this person may see, or somebody new. */
  async borrowerFor(tx: Tx, session: Session, branchId: string, given: HandOut['borrower']): Promise<string> {
    if ('id' in given) {
      if (await queries.borrowerById(tx, given.id, deskBranchIds(session))) return given.id
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
    const kept = await queries.newestTakeBack(database.reader, loanId)
    const [lookAlikes, lossChances] = await Promise.all([
      this.weighings.lookAlikes(database.reader, row, kit.parts),
      this.weighings.lossChances(database.reader, loan.branchId, kit.parts),
    ])
    return {
      kept: kept && keptTakeBack(kept),
      isLatest: kit.lastLoan?.id === loanId,
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
      once(
        tx,
        {
          key: given.idempotencyKey,
          staffId: session.staffId,
          sentFor: `take-back ${loanId}`,
          may: () => this.loanFor(tx, session, loanId),
        },
        () => this.takeBackIn(tx, session, loanId, given),
      ),
    )
  }

  private async takeBackIn(tx: Tx, session: Session, loanId: string, given: TakeBack) {
    const at = this.context.clock()
    const loan = await this.loanFor(tx, session, loanId)
    if (!(await queries.closeLoan(tx, { id: loanId, version: given.loanVersion, at })))
      await refuseSecondTakeBack(tx, loan.id, given)
    const parts = await this.kits.parts(tx, loan.kitId)
    const settled = settleMarks(parts, given.marks)
    const marks = withUnseen(parts, settled.marks)
    const before = parts.filter(({ mark }) => mark !== 'present').map(({ name, mark }) => ({ part: name, mark }))
    refuseUnansweredCell(parts, marks, given)
    await writeMarks(tx, loan.kitId, marks, at)
    const extras = [...given.extras, ...settled.surplus]
    await keepExtras(tx, { kitId: loan.kitId, loanId, at }, extras)
    await addHazards(tx, loan.kitId, hazardsFrom(given.answers))
    await openJobs(tx, loan.kitId, jobsFrom(given.answers), at)
    const { proposed } = await this.place(tx, session, { loan, given, at })
    const row = await this.kits.rowById(tx, loan.kitId)
    const marked = await this.kits.parts(tx, loan.kitId)
    await this.kits.followParts(tx, session, { row, loanId }, marked)
    await this.weighings.keepAll(tx, session, { row, loanId }, marked, given.weighings, { sure: false })
    await queries.deleteDraftOf(tx, loanId)
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
    await this.weighings.countLosses(tx, { branchId: loan.branchId, at }, parts, marks)
    const off = offInWords(parts, marks)
    const unseen = marks.filter(({ mark }) => mark === 'unseen').length
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
      after: { off, unseen, extras, proposed, outcome, outcomeReason, answers },
    })
    const kit = await this.kits.rowById(tx, loan.kitId)
    return { loanId, kitCode: kit.code, proposed, outcome, condition: judgeRow(kit, at).condition }
  }

  /** Opens the going-through while parts are unseen, closes it with the last one, and judges what that makes of the kit. */
  async settleGoingThrough(tx: Tx, kitId: string, at: Date): Promise<{ judgement: Judgement; proposed: Outcome }> {
    await openJobs(tx, kitId, goThroughJob(await this.kits.parts(tx, kitId)), at)
    await endGoingThrough(tx, kitId, at)
    const judgement = judgeRow(await this.kits.rowById(tx, kitId), at)
    return { judgement, proposed: proposeOutcome(judgement) }
  }

  /** Judges what the desk found, holds the chosen outcome against it, and puts the kit where it goes. */
  async place(
    tx: Tx,
    session: Session,
    { loan, given, at }: { loan: queries.LoanRow; given: Pick<TakeBack, 'outcome' | 'outcomeReason'>; at: Date },
  ): Promise<{ proposed: Outcome }> {
    const { judgement, proposed } = await this.settleGoingThrough(tx, loan.kitId, at)
    refuseUnlooked(await this.kits.parts(tx, loan.kitId), given.outcome)
    this.refuseLaxOutcome(session, loan.branchId, { judgement, proposed, given })
    await openJobs(tx, loan.kitId, jobsForOutcome(given.outcome), at)
    await placeKit(tx, loan.kitId, standsAfter(given.outcome))
    return { proposed }
  }

  /** A laxer outcome than the proposed one is a coordinator's, with a reason; nobody's where only a cure helps. */
  private refuseLaxOutcome(
    session: Session,
    branchId: string,
    {
      judgement,
      proposed,
      given,
    }: { judgement: Judgement; proposed: Outcome; given: Pick<TakeBack, 'outcome' | 'outcomeReason'> },
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

/** Both versions, so that nothing is lost: the other desk's as kept, and the one just sent. */
export async function refuseSecondTakeBack(
  tx: Tx,
  loanId: string,
  given: { marks: PartMark[]; outcome?: Outcome | undefined },
): Promise<never> {
  const theirs = await queries.newestTakeBack(tx, loanId)
  const loan = await queries.loanById(tx, loanId)
  throw new Problem('LOAN_CLOSED', {
    details: {
      theirs: theirs && keptTakeBack(theirs),
      yours: { outcome: given.outcome ?? theirs?.outcome, marks: given.marks },
      loanVersion: loan?.version ?? 0,
    },
  })
}

/** A take-back as it was written down last. */
export const keptTakeBack = ({ by, at, outcome, marks }: queries.TakeBackView) => ({
  by,
  atUtc: at.toISOString(),
  outcome: outcome as Outcome,
  marks: z.array(partMarkSchema).parse(marks),
})

export const linkEnd = (after: Date) => new Date(after.getTime() + LINK_DAYS_AFTER_DUE * 24 * 3_600_000)

const guidePath = (token: string) => `/g/${token}`

export function dueInstant(dueOn: string, branch: { zone: string; returnTime: string }, now: Date): Date {
  const due = DateTime.fromISO(`${dueOn}T${branch.returnTime}`, { zone: branch.zone })
  const today = DateTime.fromJSDate(now, { zone: branch.zone }).startOf('day')
  if (!due.isValid || due.startOf('day') <= today) throw new Problem('DUE_IN_PAST', { details: { dueOn } })
  return due.toJSDate()
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
