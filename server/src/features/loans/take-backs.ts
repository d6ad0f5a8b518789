import { randomUUID } from 'node:crypto'
import {
  partMarkSchema,
  type Part,
  type PartMark,
  type Session,
  type TakeBack,
  type TakeBackForm,
} from '@binoculum/contract'
import {
  goThroughJob,
  hazardsFrom,
  jobsForOutcome,
  jobsFrom,
  outcomes,
  proposeOutcome,
  standsAfter,
  type Judgement,
  type Outcome,
} from '@binoculum/core'
import { z } from 'zod'
import { requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { once } from '../../platform/sent-once.ts'
import { requireOwnPictures, type Weighings } from '../contents/service.ts'
import type { Guides } from '../guides/service.ts'
import { daysLate, judgeRow, loanCode, type OneKit } from '../judgement/service.ts'
import { addHazards, bumpKitVersion, endGoingThrough } from '../store/service.ts'
import { TakeBackRow } from './entities.ts'
import {
  keepExtras,
  markedParts,
  offInWords,
  refuseUnansweredCell,
  refuseUnlooked,
  freshPictures,
  settleMarks,
  withUnseen,
} from './marks.ts'
import * as queries from './queries.ts'
import type { Loans } from './service.ts'
import { openJobs, placeKit, writeMarks } from './take-back-queries.ts'

/** Kits that come back: what the form needs, and the act itself. */
export class TakeBacks {
  constructor(
    private readonly context: Context,
    private readonly loans: Loans,
    private readonly weighings: Weighings,
    private readonly guides: Guides,
  ) {}

  async form(session: Session, loanId: string): Promise<TakeBackForm> {
    const { database, clock } = this.context
    const loan = await this.loans.loanFor(database.reader, session, loanId)
    const row = await this.loans.rooms.shelf.rowById(database.reader, loan.kitId)
    const kit = await this.loans.rooms.sheets.sheetOf(database.reader, row)
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

  /** Takes a kit back: marks, hazards, jobs, place and record in one transaction, once per key. */
  async takeBack(session: Session, loanId: string, given: TakeBack) {
    return this.context.database.inTransaction((tx) =>
      once(
        tx,
        {
          key: given.idempotencyKey,
          staffId: session.staffId,
          sentFor: `take-back ${loanId}`,
          may: () => this.loans.loanFor(tx, session, loanId),
        },
        () => this.takeBackIn(tx, session, loanId, given),
      ),
    )
  }

  private async takeBackIn(tx: Tx, session: Session, loanId: string, given: TakeBack) {
    const at = this.context.clock()
    const { store, shelf } = this.loans.rooms
    const loan = await this.loans.loanFor(tx, session, loanId)
    if (!(await queries.closeLoan(tx, { id: loanId, version: given.loanVersion, at })))
      await refuseSecondTakeBack(tx, loan.id, given)
    const parts = await store.parts(tx, loan.kitId)
    await requireOwnPictures(tx, [loan.branchId], freshPictures(parts, given), 'pictureIds')
    const settled = settleMarks(parts, given.marks)
    const marks = withUnseen(parts, settled.marks)
    const before = parts.filter(({ mark }) => mark !== 'present').map(({ name, mark }) => ({ part: name, mark }))
    refuseUnansweredCell(parts, marks, given)
    await writeMarks(tx, loan.kitId, marks, at)
    const marked = markedParts(parts, marks, at)
    const extras = [...given.extras, ...settled.surplus]
    await keepExtras(tx, { kitId: loan.kitId, loanId, at }, extras)
    const hazards = hazardsFrom(given.answers)
    if (hazards.length > 0) await addHazards(tx, loan.kitId, hazards)
    await openJobs(tx, loan.kitId, jobsFrom(given.answers), at)
    const { row, proposed } = await this.place(tx, session, { loan, given, at, parts: marked })
    await store.followParts(tx, session, { row, loanId }, marked)
    await this.weighings.keepAll(tx, session, { row, loanId }, marked, given.weighings, { sure: false })
    await queries.deleteDraftOf(tx, loanId)
    await this.guides.compact(tx, loanId)
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
    const act = { at, branchId: loan.branchId, staffId: session.staffId, kitId: loan.kitId, loanId }
    if (cellAnswer) await appendRecord(tx, { ...act, act: 'coin-cell-asked', after: cellAnswer })
    await appendRecord(tx, {
      ...act,
      act: 'taken-back',
      before: { off: before },
      after: { off, unseen, extras, proposed, outcome, outcomeReason, answers },
    })
    const kit = await shelf.rowById(tx, loan.kitId)
    return { loanId, kitCode: kit.code, proposed, outcome, condition: judgeRow(kit, at).condition }
  }

  /** Opens the going-through while parts are unseen, closes it with the last one, and judges what that makes of the kit.
   * @param parts as they are marked now */
  async settleGoingThrough(
    tx: Tx,
    kitId: string,
    at: Date,
    parts: readonly Part[],
  ): Promise<{ row: OneKit; judgement: Judgement; proposed: Outcome }> {
    await openJobs(tx, kitId, goThroughJob(parts), at)
    await endGoingThrough(tx, kitId, at)
    const row = await this.loans.rooms.shelf.rowById(tx, kitId)
    const judgement = judgeRow(row, at)
    return { row, judgement, proposed: proposeOutcome(judgement) }
  }

  /** Judges what the desk found, holds the chosen outcome against it, and puts the kit where it goes. */
  async place(
    tx: Tx,
    session: Session,
    {
      loan,
      given,
      at,
      parts,
    }: {
      readonly loan: queries.LoanRow
      readonly given: Pick<TakeBack, 'outcome' | 'outcomeReason'>
      readonly at: Date
      readonly parts: readonly Part[]
    },
  ): Promise<{ row: OneKit; proposed: Outcome }> {
    const { row, judgement, proposed } = await this.settleGoingThrough(tx, loan.kitId, at, parts)
    refuseUnlooked(parts, given.outcome)
    this.refuseLaxOutcome(session, loan.branchId, { judgement, proposed, given })
    await openJobs(tx, loan.kitId, jobsForOutcome(given.outcome), at)
    await placeKit(tx, loan.kitId, standsAfter(given.outcome))
    return { row, proposed }
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
