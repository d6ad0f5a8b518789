import { randomUUID } from 'node:crypto'
import { cardName, type HandOut, type HandOutForm, type Part, type Session, type Slip } from '@binoculum/contract'
import { dateOfDay, dayNumber, plain, sunWarning, type Guide, type Judgement } from '@binoculum/core'
import { DateTime } from 'luxon'
import { deskBranchIds, deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { hashToken, newToken } from '../../platform/secrets.ts'
import { once } from '../../platform/sent-once.ts'
import type { Guides } from '../guides/service.ts'
import { judgeRow, type OneKit, type ShelfRow } from '../judgement/service.ts'
import { branchDays, lastOpenDay, nextOpenDay, type BranchDays } from '../opening/service.ts'
import * as queries from './queries.ts'
import { isInTheWay, takenDays, turnaroundFrom, turnaroundOf, whileFree, type WantedDays } from './loan-days.ts'
import type { Loans } from './service.ts'
import { dueInstant, guidePath, linkEnd, slipOf } from './slip.ts'

/** Everything of a hand-out that is read, judged and composed before anything is locked. */
interface Prepared {
  readonly row: OneKit
  readonly parts: readonly Part[]
  readonly judgement: Judgement
  readonly agreement: number
  readonly borrower: { readonly id: string } | queries.Newcomer
  readonly borrowerName: string
  readonly dueAt: Date
  readonly turnaroundDays: number
  readonly today: string
  readonly hasFilter: boolean
  readonly guide: Guide
}

/** Kits that go out: what the form needs, and the act itself. */
export class HandOuts {
  constructor(
    private readonly context: Context,
    private readonly loans: Loans,
    private readonly guides: Guides,
  ) {}

  async form(session: Session, kitCode: string): Promise<HandOutForm> {
    const { database } = this.context
    const kit = await this.loans.rooms.sheets.sheet(session, kitCode)
    requireRole(session, kit.branchId, deskRoles)
    const agreement = await queries.newestAgreement(database.reader, kit.branchId)
    if (!agreement) throw new Problem('NOT_FOUND')
    const days = await this.loans.rooms.opening.daysOf(database.reader, kit.branchId)
    const promised = await this.nearPromise(kit.id, days)
    const due = dateOfDay(dayNumber(days.today) + days.loanDays)
    const isItsDay = promised && promised.fromOn <= days.today && promised.untilOn > days.today
    return {
      kit,
      agreement,
      sunWarning: [...sunWarning],
      dueOn: nextOpenDay(days, isItsDay ? promised.untilOn : due),
      returnTime: days.returnTime,
      promised,
      replacementMinor: kit.parts.reduce((sum, part) => sum + (part.costMinor ?? 0) * part.count, 0),
    }
  }

  /** The kit's next promise, where it lies within a usual loan from today on, and what would do for somebody else. */
  private async nearPromise(kitId: string, days: BranchDays) {
    const { reader } = this.context.database
    const promise = await queries.nextPromise(reader, kitId)
    if (!promise) return null
    const turnaroundDays = await turnaroundOf(reader, kitId, days)
    const today = dayNumber(days.today)
    const latest = dayNumber(promise.fromOn) - turnaroundDays - 1
    if (latest >= today + days.loanDays) return null
    const borrower = await queries.borrowerById(reader, promise.borrowerId)
    if (!borrower) return null
    const untilOn = dateOfDay(today + days.loanDays)
    const wanted = { kitId, fromOn: days.today, untilOn, turnaroundDays, loanId: promise.id }
    const { others } = await takenDays(reader, wanted, this.around(days))
    const freeUntilOn = lastOpenDay(days, today + 1, latest)
    const { id: loanId, promisedFor, fromOn, untilOn: promisedUntil, lessonDoneAt } = promise
    const atUtc = (promisedFor ?? this.context.clock()).toISOString()
    const lessonDoneAtUtc = lessonDoneAt?.toISOString() ?? null
    return { loanId, borrower, atUtc, fromOn, untilOn: promisedUntil, lessonDoneAtUtc, freeUntilOn, others }
  }

  /** Hands a kit out: loan, guide and record in one transaction, once per key. What takes long, judging the kit and composing
   * its guide, is done before: the kit's version says whether that still holds. */
  async handOut(session: Session, kitId: string, given: HandOut): Promise<Slip> {
    const { database } = this.context
    const { rooms } = this.loans
    const at = this.context.clock()
    const row = await rooms.shelf.rowById(database.reader, kitId)
    requireRole(session, row.branchId, deskRoles)
    const loanId = given.promisedLoanId ?? randomUUID()
    const token = newToken()
    let slip: Slip | null = null
    // Somebody was faster, or this was sent before: the transaction finds out which.
    const prepared = row.loan || row.version !== given.kitVersion ? null : await this.prepare(session, row, given, at)
    const days = () => rooms.opening.daysOf(database.reader, row.branchId)
    const wanted = wantedBy(given, kitId, prepared?.today ?? given.dueOn, prepared?.turnaroundDays ?? 0)
    const { loanId: keptLoanId } = await whileFree(
      this.context,
      { wanted, days, shelf: rooms.shelf, code: 'KIT_PROMISED' },
      (tx) =>
        once(
          tx,
          {
            key: given.idempotencyKey,
            staffId: session.staffId,
            sentFor: `hand-out ${kitId}`,
            may: () => rooms.shelf.mayWorkOn(tx, session, kitId),
            answer: { loanId },
          },
          async () => {
            const now = prepared ? row : await rooms.shelf.rowById(tx, kitId)
            if (now.loan) throw new Problem('KIT_OUT', { details: { dueAtUtc: now.loan.dueAt } })
            await rooms.sheets.claim(tx, kitId, given.kitVersion)
            if (!prepared) throw new Problem('KIT_CHANGED')
            slip = await this.write(tx, session, given, { ...prepared, loanId, token, at })
            return { loanId }
          },
        ),
    )
    // A retry gets the same loan. Its link was shown in the lost answer only, so it gets a new one.
    return slip ?? this.loans.renewLink(session, keptLoanId)
  }

  private async prepare(session: Session, row: OneKit, given: HandOut, at: Date): Promise<Prepared> {
    const { reader } = this.context.database
    const judgement = judgeRow(row, at)
    this.refuseUnfit(session, row, judgement, given.overruleReason)
    const knownId = 'id' in given.borrower ? given.borrower.id : null
    const { branchId, id: kitId } = row
    const asked = { branchId, kitId, borrowerId: knownId, branchIds: deskBranchIds(session) }
    const facts = await queries.handOutFacts(reader, asked)
    if (!facts) throw new Problem('NOT_FOUND')
    const days = branchDays(facts, at)
    const dueAt = dueInstant(given.dueOn, days, at)
    const turnaroundDays = turnaroundFrom(facts.usualTurnaround, days)
    const wanted = wantedBy(given, kitId, days.today, turnaroundDays)
    // Asked first, so that nobody has to find out at the counter: the database would refuse it anyway.
    if (facts.promises.some((promise) => promise.id !== wanted.loanId && isInTheWay(promise, wanted)))
      throw new Problem('KIT_PROMISED', { details: await takenDays(reader, wanted, this.around(days)) })
    if (facts.trip && given.dueOn >= facts.trip.onDay) throw new Problem('KIT_TRAVELS', { details: facts.trip })
    if (facts.agreementId !== given.agreementId) throw new Problem('AGREEMENT_OLD')
    const borrower = await this.loans.knownOrNew(reader, branchId, given.borrower, facts.cardOnly)
    const borrowerName =
      'name' in borrower
        ? borrower.name
        : 'id' in given.borrower
          ? facts.borrowerName
          : cardName(given.borrower.cardNumber)
    if (borrowerName === null) throw new Problem('NOT_FOUND')
    const { model, parts } = await this.loans.rooms.sheets.guideModel(reader, row)
    const hasFilter = parts.some(({ role, mark }) => role === 'front-filter' && mark !== 'missing')
    if (hasFilter && !given.filterChecked) throw new Problem('FILTER_UNCHECKED')
    const guide = await this.guides.compose(reader, {
      row,
      model,
      parts,
      issuedOn: DateTime.fromJSDate(at, { zone: row.zone }).toISODate() ?? '',
      dueOn: given.dueOn,
      dueTime: facts.returnTime,
      // A card has no first name to be greeted with.
      borrowerName: facts.cardOnly ? '' : borrowerName,
      wishes: given.guide,
      place: facts.place,
    })
    const { today } = days
    const of = { row, parts, judgement, agreement: facts.agreement, borrower, borrowerName }
    return { ...of, dueAt, turnaroundDays, today, hasFilter, guide }
  }

  private async write(
    tx: Tx,
    session: Session,
    given: HandOut,
    made: Prepared & { readonly loanId: string; readonly token: string; readonly at: Date },
  ): Promise<Slip> {
    const { row, parts, dueAt, guide, loanId, at, token, borrower } = made
    const borrowerId = 'id' in borrower ? borrower.id : randomUUID()
    const opened = await queries.openLoan(tx, {
      loanId,
      promised: given.promisedLoanId !== null,
      branchId: row.branchId,
      kitId: row.id,
      borrowerId,
      newBorrower: 'id' in borrower ? null : borrower,
      outAt: at,
      dueAt,
      fromOn: made.today,
      untilOn: given.dueOn,
      turnaroundDays: made.turnaroundDays,
      handedOutBy: session.staffId,
      agreementId: given.agreementId,
      acceptance: given.acceptance,
      overruleReason: given.overruleReason,
      linkHash: hashToken(token),
      linkEndsAt: linkEnd(dueAt),
    })
    if (opened === null) throw new Problem('KIT_CHANGED')
    await this.guides.issue(tx, { loanId, guide, at })
    await appendRecord(tx, {
      act: 'handed-out',
      at,
      branchId: row.branchId,
      staffId: session.staffId,
      kitId: row.id,
      loanId,
      before: { condition: made.judgement.condition },
      after: {
        borrowerId,
        dueOn: given.dueOn,
        agreement: made.agreement,
        overruleReason: given.overruleReason,
        ...(made.hasFilter ? { filterChecked: true } : {}),
      },
    })
    const loan = { id: loanId, number: opened, borrower: made.borrowerName, outAt: at, dueAt }
    const notes = (guide.texts.en?.notes ?? []).map(plain)
    return { ...slipOf(loan, row, parts, notes), guidePath: guidePath(token) }
  }

  private around(days: BranchDays) {
    return { days, shelf: this.loans.rooms.shelf, now: this.context.clock() }
  }

  private refuseUnfit(session: Session, row: ShelfRow, judgement: Judgement, overruleReason: string): void {
    if (judgement.condition === 'full' || judgement.condition === 'half') return
    const details = { reasons: judgement.reasons }
    if (judgement.reasons.some(({ overrule }) => overrule === 'never')) throw new Problem('NEVER', { details })
    if (overruleReason === '') throw new Problem('NOT_FIT', { details })
    requireRole(session, row.branchId, ['coordinator'])
  }
}

/** The days from today on that a hand-out takes. */
const wantedBy = (given: HandOut, kitId: string, today: string, turnaroundDays: number): WantedDays => ({
  ...{ kitId, fromOn: today, untilOn: given.dueOn, turnaroundDays, loanId: given.promisedLoanId },
})
