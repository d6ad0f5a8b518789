import { randomUUID } from 'node:crypto'
import type { CancelPromise, ExtendLoan, MovePromise, PromiseKit, PromiseMade, Session } from '@binoculum/contract'
import { dayNumber } from '@binoculum/core'
import { DateTime } from 'luxon'
import { deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { once } from '../../platform/sent-once.ts'
import { isGone, loanCode } from '../judgement/service.ts'
import { requireOpenDay, type BranchDays } from '../opening/service.ts'
import { branchThen, requireBranch } from '../transfers/service.ts'
import { Loan } from './entities.ts'
import { turnaroundOf, whileFree, type WantedDays } from './loan-days.ts'
import type { LoanDesk } from './loan-rooms.ts'
import { lockLoan, type LoanRow } from './queries.ts'
import { dueInstant, linkEnd } from './slip.ts'

/** Kits promised for days to come, and loans that are put off. The database refuses days that somebody else has. */
export class Promises {
  constructor(
    private readonly context: Context,
    private readonly loans: LoanDesk,
  ) {}

  async promise(session: Session, given: PromiseKit): Promise<PromiseMade> {
    const { kitId, fromOn, untilOn, pickUpTime } = given
    const { row, branchId, days, turnaroundDays } = await this.kitFor(session, given)
    requireDays(days, given)
    const time = pickUpTime ?? days.pickUpFrom
    if (time < days.pickUpFrom || time > days.pickUpUntil)
      throw new Problem('OUTSIDE_PICK_UP', { details: { from: days.pickUpFrom, until: days.pickUpUntil } })
    const loanId = randomUUID()
    const wanted = { kitId, fromOn, untilOn, turnaroundDays, loanId: null }
    const kept = await whileFree(
      this.context,
      { wanted, days: async () => days, shelf: this.loans.rooms.shelf, code: 'KIT_TAKEN' },
      (tx) =>
        once(
          tx,
          {
            key: given.idempotencyKey,
            staffId: session.staffId,
            sentFor: `promise ${kitId}`,
            may: async () => requireRole(session, branchId, deskRoles),
            answer: { loanId },
          },
          async () => {
            const borrowerId = await this.loans.borrowerFor(tx, session, branchId, given.borrower)
            const promisedFor = instantOf(fromOn, time, days.zone)
            const of = { id: loanId, branchId, kitId, borrowerId }
            await tx.insert(Loan, {
              ...of,
              state: 'promised',
              promisedAt: this.context.clock(),
              promisedFor,
              fromOn,
              untilOn,
              turnaroundDays,
            })
            // A van that was planned meanwhile has waited for this row or is seen now.
            await requireBranch(tx, row, given, branchId)
            await this.append(tx, session, 'promised', of, { after: { borrowerId, fromOn, untilOn } })
            return { loanId }
          },
        ),
    )
    return this.made(kept.loanId)
  }

  /** Other days, another kit of the same branch, or both. */
  async move(session: Session, loanId: string, given: MovePromise): Promise<PromiseMade> {
    const { kitId, fromOn, untilOn } = given
    const seen = await this.loans.loanFor(this.context.database.reader, session, loanId)
    const { row, branchId, days, turnaroundDays } = await this.kitFor(session, given)
    if (branchId !== seen.branchId) throw new Problem('NOT_FOUND')
    requireDays(days, given)
    const wanted = { kitId, fromOn, untilOn, turnaroundDays, loanId }
    await this.change(
      session,
      { loanId, given, what: 'move-promise', state: 'promised', wanted, days },
      async (tx, loan) => {
        const time = DateTime.fromJSDate(loan.promisedFor ?? new Date(), { zone: days.zone }).toFormat('HH:mm')
        const promisedFor = instantOf(fromOn, time, days.zone)
        const moved = {
          kitId,
          fromOn,
          untilOn,
          turnaroundDays,
          promisedFor,
          guarded: true,
          version: loan.version + 1,
        }
        await tx.update(Loan, { id: loanId }, moved)
        await requireBranch(tx, row, given, branchId)
        const before = { kitId: loan.kitId, fromOn: loan.fromOn, untilOn: loan.untilOn }
        await this.append(
          tx,
          session,
          'promise-moved',
          { ...loan, kitId },
          { before, after: { kitId, fromOn, untilOn } },
        )
      },
    )
    return this.made(loanId)
  }

  async cancel(session: Session, loanId: string, given: CancelPromise): Promise<PromiseMade> {
    const change = { loanId, given, what: 'cancel-promise', state: 'promised', wanted: null, days: null } as const
    await this.change(session, change, async (tx, loan) => {
      await tx.update(Loan, { id: loanId }, { state: 'cancelled', version: loan.version + 1 })
      const { fromOn, untilOn } = loan
      await this.append(tx, session, 'promise-cancelled', loan, {
        before: { fromOn, untilOn },
        after: { reason: given.reason },
      })
    })
    return this.made(loanId)
  }

  /** A promise that ends by what another feature knows, in its transaction; one that was fetched meanwhile stays. */
  async release(tx: Tx, loanId: string, staffId: string | null, reason: string): Promise<void> {
    await lockLoan(tx, loanId)
    const loan = await tx.findOneBy(Loan, { id: loanId, state: 'promised' })
    if (!loan) return
    await tx.update(Loan, { id: loanId }, { state: 'cancelled', version: loan.version + 1 })
    const { branchId, kitId } = loan
    const at = this.context.clock()
    await appendRecord(tx, { act: 'promise-cancelled', at, branchId, staffId, kitId, loanId, after: { reason } })
  }

  /** A later day of return, or an earlier one, for a kit that is out; the guide's link lives along. */
  async extend(session: Session, loanId: string, given: ExtendLoan): Promise<PromiseMade> {
    const { untilOn } = given
    const { kitId, fromOn } = await this.loans.loanFor(this.context.database.reader, session, loanId)
    const { row, branchId, days, turnaroundDays } = await this.kitFor(session, { kitId, fromOn, untilOn })
    const dueAt = dueInstant(untilOn, days, this.context.clock())
    const wanted = { kitId, fromOn, untilOn, turnaroundDays, loanId }
    await this.change(session, { loanId, given, what: 'extend', state: 'out', wanted, days }, async (tx, loan) => {
      const put = {
        untilOn,
        dueAt,
        turnaroundDays,
        linkEndsAt: linkEnd(dueAt),
        guarded: true,
        version: loan.version + 1,
      }
      await tx.update(Loan, { id: loanId }, put)
      await requireBranch(tx, row, { fromOn, untilOn }, branchId)
      await this.append(tx, session, 'extended', loan, { before: { dueOn: loan.untilOn }, after: { dueOn: untilOn } })
    })
    return this.made(loanId)
  }

  /** The branch at which the kit is on some days, for those who work at its desk. @throws NOT_FOUND, NOT_ALLOWED, KIT_GONE,
   * KIT_TRAVELS */
  private async kitFor(
    session: Session,
    wanted: { readonly kitId: string; readonly fromOn: string; readonly untilOn: string },
  ) {
    const { kitId } = wanted
    const { reader } = this.context.database
    const { rooms } = this.loans
    const row = await rooms.shelf.rowById(reader, kitId)
    const branchId = await branchThen(reader, row, wanted)
    requireRole(session, branchId, deskRoles)
    if (isGone(row)) throw new Problem('KIT_GONE')
    const days = await rooms.opening.daysOf(reader, branchId)
    return { row, branchId, days, turnaroundDays: await turnaroundOf(reader, kitId, days) }
  }

  /** One change of one loan that is still as it was seen, once for its key. */
  private async change(
    session: Session,
    change: {
      readonly loanId: string
      readonly given: { readonly idempotencyKey: string; readonly loanVersion: number }
      readonly what: string
      readonly state: LoanRow['state']
      readonly wanted: WantedDays | null
      readonly days: BranchDays | null
    },
    work: (tx: Tx, loan: LoanRow) => Promise<void>,
  ): Promise<void> {
    const { loanId, given, what, state, wanted, days } = change
    const { staffId } = session
    const inTransaction = (tx: Tx) =>
      once(
        tx,
        {
          key: given.idempotencyKey,
          staffId,
          sentFor: `${what} ${loanId}`,
          may: () => this.loans.loanFor(tx, session, loanId),
        },
        async () => {
          const loan = await this.loans.lockedLoan(tx, session, loanId)
          if (loan.state !== state || loan.version !== given.loanVersion) throw new Problem('LOAN_CHANGED')
          await work(tx, loan)
          return { loanId }
        },
      )
    if (wanted && days)
      await whileFree(
        this.context,
        { wanted, days: async () => days, shelf: this.loans.rooms.shelf, code: 'KIT_TAKEN' },
        inTransaction,
      )
    else await this.context.database.inTransaction(inTransaction)
  }

  private append(
    tx: Tx,
    session: Session,
    act: 'promised' | 'promise-moved' | 'promise-cancelled' | 'extended',
    { id: loanId, branchId, kitId }: Pick<LoanRow, 'id' | 'branchId' | 'kitId'>,
    rest: { readonly before?: object; readonly after: object },
  ) {
    const at = this.context.clock()
    return appendRecord(tx, { act, at, branchId, staffId: session.staffId, kitId, loanId, ...rest })
  }

  private async made(loanId: string): Promise<PromiseMade> {
    const { number, version } = await this.context.database.reader.findOneByOrFail(Loan, { id: loanId })
    return { loanId, loanCode: loanCode(number), version }
  }
}

/** By the branch’s own clock; a time that the clocks skip happens when they go on. */
const instantOf = (day: string, time: string, zone: string): Date =>
  DateTime.fromISO(`${day}T${time}`, { zone }).toJSDate()

/** Days that a branch lends for. @throws Problem naming what is wrong with them */
function requireDays(
  days: BranchDays,
  { fromOn, untilOn }: { readonly fromOn: string; readonly untilOn: string },
): void {
  const [today, from, until] = [days.today, fromOn, untilOn].map(dayNumber) as [number, number, number]
  if (from < today) throw new Problem('PROMISE_IN_PAST', { details: { fromOn } })
  if (until <= from) throw new Problem('RETURN_BEFORE_PICK_UP', { details: { fromOn, untilOn } })
  if (until - from > days.longestLoanDays)
    throw new Problem('DUE_TOO_FAR', { details: { longestLoanDays: days.longestLoanDays } })
  if (from - today > days.aheadDays) throw new Problem('TOO_FAR_AHEAD', { details: { aheadDays: days.aheadDays } })
  requireOpenDay(days, fromOn)
  requireOpenDay(days, untilOn)
}
