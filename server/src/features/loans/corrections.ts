import { randomUUID } from 'node:crypto'
import type { CorrectHandOut, CorrectTakeBack, LoanSheet, Session } from '@binoculum/contract'
import { jobsForOutcome, outcomes, type Outcome } from '@binoculum/core'
import { coordinatorOnly, deskBranchIds, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { once } from '../../platform/sent-once.ts'
import { requireOwnPictures } from '../contents/service.ts'
import type { Guides } from '../guides/service.ts'
import { daysLate, judgeRow, loanCode } from '../judgement/service.ts'
import { bumpKitVersion, lockKit } from '../store/service.ts'
import { Loan, TakeBackRow } from './entities.ts'
import { freshPictures, keepExtras, markedParts, offInWords, refuseUnansweredCell, settleMarks } from './marks.ts'
import { requireBranch } from '../transfers/service.ts'
import * as queries from './queries.ts'
import type { Loans } from './service.ts'
import { dueInstant, linkEnd } from './slip.ts'
import { keptTakeBack, refuseSecondTakeBack, type TakeBacks } from './take-backs.ts'
import { closeOutcomeJobs, writeMarks } from './take-back-queries.ts'

/** What was written down wrongly at the desk, put right afterwards: always as new rows, never over the old ones. */
export class Corrections {
  constructor(
    private readonly context: Context,
    private readonly loans: Loans,
    private readonly takeBacks: TakeBacks,
    private readonly guides: Guides,
  ) {}

  async loanSheet(session: Session, loanId: string): Promise<LoanSheet> {
    const { reader } = this.context.database
    const loan = await this.loans.loanFor(reader, session, loanId)
    const row = await this.loans.rooms.shelf.rowById(reader, loan.kitId)
    const borrower = await queries.borrowerById(reader, loan.borrowerId)
    if (!borrower) throw new Problem('NOT_FOUND')
    const history = await queries.recordOfLoan(reader, loanId)
    const { id, state, fromOn, untilOn, outAt, dueAt, backAt, lessonDoneAt, version, branchId } = loan
    return {
      ...{ id, state, version, branchId, borrower, fromOn, untilOn },
      code: loanCode(loan.number),
      branchName: row.branchName,
      zone: row.zone,
      kitCode: row.code,
      kitName: row.name,
      outAtUtc: outAt?.toISOString() ?? null,
      dueAtUtc: dueAt?.toISOString() ?? null,
      backAtUtc: backAt?.toISOString() ?? null,
      lessonDoneAtUtc: lessonDoneAt?.toISOString() ?? null,
      daysLate: state === 'out' && dueAt ? daysLate(dueAt, this.context.clock()) : 0,
      isLatest: await queries.isLatestLoan(reader, loanId),
      history: history.map(({ at, ...line }) => ({ ...line, atUtc: at.toISOString() })),
    }
  }

  /** Marks that were wrong, or that are made only now because nobody went through the case; and where the kit goes then.
   * Only a kit's newest loan says what is in its case: an older one is refused. */
  async takeBack(session: Session, loanId: string, given: CorrectTakeBack) {
    return this.context.database.inTransaction((tx) =>
      once(
        tx,
        {
          key: given.idempotencyKey,
          staffId: session.staffId,
          sentFor: `take-back-correction ${loanId}`,
          may: () => this.loans.loanFor(tx, session, loanId),
        },
        () => this.takeBackIn(tx, session, loanId, given),
      ),
    )
  }

  private async takeBackIn(tx: Tx, session: Session, loanId: string, given: CorrectTakeBack) {
    const { rooms } = this.loans
    const at = this.context.clock()
    const seen = await this.loans.loanFor(tx, session, loanId)
    await lockKit(tx, seen.kitId)
    const loan = await this.loans.loanFor(tx, session, loanId)
    const claimed = await queries.claimReturnedLoan(tx, { id: loanId, version: given.loanVersion })
    const kept = await queries.newestTakeBack(tx, loanId)
    if (!claimed || !kept) return refuseSecondTakeBack(tx, loanId, given)
    if (!(await queries.isLatestLoan(tx, loanId))) throw new Problem('LATER_LOAN')
    const parts = await rooms.store.parts(tx, loan.kitId)
    await requireOwnPictures(tx, [loan.branchId], freshPictures(parts, given), 'pictureIds')
    const { marks: changed, surplus } = settleMarks(parts, given.marks)
    refuseUnansweredCell(parts, changed, given)
    await writeMarks(tx, loan.kitId, changed, at)
    const after = markedParts(parts, changed, at)
    const extras = [...given.extras, ...surplus]
    await keepExtras(tx, { kitId: loan.kitId, loanId, at }, extras)
    const was = keptTakeBack(kept)
    const outcome =
      given.outcome ??
      this.stillAfter(
        was.outcome,
        after.some(({ mark }) => mark === 'unseen'),
      )
    // Decided anew: what the first decision opened doesn't count against it.
    if (given.outcome) await closeOutcomeJobs(tx, loan.kitId, jobsForOutcome(was.outcome), at)
    const { row, proposed } = given.outcome
      ? await this.takeBacks.place(tx, session, {
          loan,
          given: { ...given, outcome: given.outcome },
          at,
          parts: after,
        })
      : await this.takeBacks.settleGoingThrough(tx, loan.kitId, at, after)
    const ids = new Set(changed.map(({ partId }) => partId))
    const marked = after.filter(({ id }) => ids.has(id))
    await rooms.store.followParts(tx, session, { row, loanId }, marked)
    await bumpKitVersion(tx, loan.kitId)
    const before = was.marks.filter(({ partId }) => ids.has(partId))
    await tx.insert(TakeBackRow, {
      id: randomUUID(),
      loanId,
      marks: [...was.marks.filter(({ partId }) => !ids.has(partId)), ...changed],
      answers: null,
      proposed,
      outcome,
      outcomeReason: given.outcomeReason,
      correction: true,
      byStaffId: session.staffId,
      at,
    })
    const describe = (marks: typeof before) =>
      marks.map(({ partId, mark }) => ({ part: parts.find(({ id }) => id === partId)?.name, mark }))
    await appendRecord(tx, {
      act: 'take-back-corrected',
      at,
      branchId: loan.branchId,
      staffId: session.staffId,
      kitId: loan.kitId,
      loanId,
      before: { off: describe(before), outcome: was.outcome },
      after: { off: describe([...changed]), details: offInWords(parts, changed), extras, outcome },
    })
    if (given.cellAnswer)
      await appendRecord(tx, {
        act: 'coin-cell-asked',
        at,
        branchId: loan.branchId,
        staffId: session.staffId,
        kitId: loan.kitId,
        loanId,
        after: given.cellAnswer,
      })
    const now = await rooms.shelf.rowById(tx, loan.kitId)
    return { loanId, kitCode: now.code, proposed, outcome, condition: judgeRow(now, at).condition }
  }

  /** A kit that was gone through no longer waits; where it goes follows from its judgement. */
  private stillAfter(was: Outcome, isUnseen: boolean): Outcome {
    return was === 'to-go-through' && !isUnseen ? outcomes[0] : was
  }

  /** The day of return, the borrower, or that it went out at all. */
  async handOut(session: Session, loanId: string, given: CorrectHandOut): Promise<LoanSheet> {
    await this.context.database.inTransaction((tx) =>
      once(
        tx,
        {
          key: given.idempotencyKey,
          staffId: session.staffId,
          sentFor: `hand-out-correction ${loanId}`,
          may: () => this.loans.loanFor(tx, session, loanId),
        },
        async () => {
          const seen = await this.loans.loanFor(tx, session, loanId)
          await lockKit(tx, seen.kitId)
          const loan = await this.loans.loanFor(tx, session, loanId)
          if (loan.state !== 'out' || loan.version !== given.loanVersion) throw new Problem('LOAN_CHANGED')
          const changed = given.neverLeft ? await this.cancel(tx, loan) : await this.rewrite(tx, session, loan, given)
          await bumpKitVersion(tx, loan.kitId)
          await appendRecord(tx, {
            act: 'hand-out-corrected',
            at: this.context.clock(),
            branchId: loan.branchId,
            staffId: session.staffId,
            kitId: loan.kitId,
            loanId,
            before: changed.before,
            after: { ...changed.after, reason: given.reason },
          })
          return { loanId }
        },
      ),
    )
    return this.loanSheet(session, loanId)
  }

  private async cancel(tx: Tx, loan: queries.LoanRow) {
    await queries.deleteDraftOf(tx, loan.id)
    const change = { state: 'cancelled', linkHash: null, linkEndsAt: null, version: loan.version + 1 } as const
    await tx.update(Loan, { id: loan.id }, change)
    await this.guides.compact(tx, loan.id)
    return { before: { state: 'out' }, after: { neverLeft: true } }
  }

  private async rewrite(tx: Tx, session: Session, loan: queries.LoanRow, given: CorrectHandOut) {
    const before: Record<string, unknown> = {}
    const after: Record<string, unknown> = {}
    const change: Partial<Loan> = { version: loan.version + 1 }
    if (given.dueOn !== undefined) {
      const days = await this.loans.rooms.opening.daysOf(tx, loan.branchId)
      const dueAt = dueInstant(given.dueOn, days, this.context.clock())
      const kit = { id: loan.kitId, branchId: loan.branchId }
      await requireBranch(tx, kit, { fromOn: loan.fromOn, untilOn: given.dueOn }, loan.branchId)
      before.dueOn = loan.untilOn
      after.dueOn = given.dueOn
      Object.assign(change, { dueAt, untilOn: given.dueOn, linkEndsAt: linkEnd(dueAt) })
    }
    if (given.borrower !== undefined) {
      before.borrowerId = loan.borrowerId
      change.borrowerId = await this.loans.borrowerFor(tx, session, loan.branchId, given.borrower)
      after.borrowerId = change.borrowerId
    }
    if (Object.keys(after).length === 0)
      throw new Problem('BAD_INPUT', {
        issues: [{ path: 'dueOn', message: 'say what was wrong: day, borrower, or that it never left' }],
      })
    await tx.update(Loan, { id: loan.id }, change)
    return { before, after }
  }

  /** One person who was entered twice: all of the second one's loans and letters become the first one's. */
  async joinBorrowers(session: Session, keepId: string, otherId: string): Promise<void> {
    await this.context.database.inTransaction(async (tx) => {
      const branchIds = deskBranchIds(session)
      const kept = await queries.borrowerRowById(tx, keepId, branchIds)
      const other = await queries.borrowerRowById(tx, otherId, branchIds)
      if (!kept || !other) throw new Problem('NOT_FOUND')
      for (const { branchId } of [kept, other]) requireRole(session, branchId, coordinatorOnly)
      if (keepId === otherId)
        throw new Problem('BAD_INPUT', {
          issues: [{ path: 'otherId', message: 'choose somebody else: this is the same entry' }],
        })
      const moved = await queries.moveBorrower(tx, { from: otherId, to: keepId })
      await appendRecord(tx, {
        act: 'borrowers-joined',
        at: this.context.clock(),
        branchId: kept.branchId,
        staffId: session.staffId,
        before: { borrowerId: otherId, loans: moved },
        after: { borrowerId: keepId },
      })
    })
  }
}
