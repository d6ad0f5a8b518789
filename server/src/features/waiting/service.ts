import { randomUUID } from 'node:crypto'
import type {
  AnswerOffer,
  AskForKit,
  OfferKit,
  Session,
  WaitingList,
  WaitingRequest as RequestView,
} from '@binoculum/contract'
import { dateOfDay, dayNumber, offerLetter } from '@binoculum/core'
import { deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { once } from '../../platform/sent-once.ts'
import type { Calendar } from '../calendar/service.ts'
import type { Letters } from '../follow-up/service.ts'
import type { Loans, Promises } from '../loans/service.ts'
import { WaitingRequest } from './entities.ts'
import * as queries from './queries.ts'

/** Days within which an offer is answered. Common practice, no source. */
const OFFER_DAYS = 3
const PLAN_WEEKS = 12
const MS_PER_DAY = 86_400_000

/** Who waits for which kind of kit: in strict order of asking, offered by a person, held for some days, no penalties. */
export class Waiting {
  constructor(
    private readonly context: Context,
    private readonly rooms: {
      readonly loans: Loans
      readonly promises: Promises
      readonly calendar: Calendar
      readonly letters: Letters
    },
  ) {}

  async list(session: Session, branchId: string): Promise<WaitingList> {
    requireRole(session, branchId, deskRoles)
    const requests = await queries.waitingAt(this.context.database.reader, branchId)
    const { days, kits, dark } = await this.rooms.calendar.forPlan(branchId, PLAN_WEEKS * 7)
    const { zone, today, loanDays, longestLoanDays, turnaroundDays, openWeekdays, closedDates } = days
    const latest = dateOfDay(dayNumber(today) + PLAN_WEEKS * 7)
    return {
      ...{ branchId, zone, today, loanDays, longestLoanDays },
      requests: requests.map(viewOf),
      kits: kits.map(({ id, code, name, modelName, family }) => ({
        id,
        code,
        name,
        modelName,
        family: family as never,
      })),
      plan: {
        ...{ turnaroundDays, openWeekdays: [...openWeekdays], closedDates: [...closedDates], dark },
        kits: kits.map(({ id, family, bookings }) => ({ id, kinds: [family], bookings })),
        requests: requests
          .filter(
            ({ state, latestOn, earliestOn }) => state === 'waiting' && latestOn >= today && earliestOn <= latest,
          )
          .map(({ id, kinds, earliestOn, latestOn, lengthDays, wantsDark }) => ({
            ...{ id, kinds, lengthDays, wantsDark },
            earliest: earliestOn < today ? today : earliestOn,
            latest: latestOn > latest ? latest : latestOn,
          })),
      },
    }
  }

  async ask(session: Session, branchId: string, given: AskForKit): Promise<WaitingList> {
    requireRole(session, branchId, deskRoles)
    await this.context.database.inTransaction((tx) =>
      once(
        tx,
        { key: given.idempotencyKey, staffId: session.staffId, sentFor: `ask ${branchId}`, may: 'own' },
        async () => {
          const { idempotencyKey: _key, borrower, ...fields } = given
          const id = randomUUID()
          const borrowerId = await this.rooms.loans.borrowerFor(tx, session, branchId, borrower)
          const askedAt = this.context.clock()
          await tx.insert(WaitingRequest, {
            id,
            branchId,
            borrowerId,
            askedAt,
            ...fields,
            state: 'waiting',
            version: 1,
          })
          await this.keep(tx, 'waiting-asked', { branchId, staffId: session.staffId }, { requestId: id, borrowerId })
          return { id }
        },
      ),
    )
    return this.list(session, branchId)
  }

  /** Promises a kit to somebody who waits, holds it for some days and writes to them. */
  async offer(session: Session, requestId: string, given: OfferKit): Promise<WaitingList> {
    const { database, clock } = this.context
    const request = await this.requestFor(session, requestId)
    const offerEndsAt = new Date(clock().getTime() + OFFER_DAYS * MS_PER_DAY)
    const seen = { id: requestId, version: given.version, state: 'waiting' } as const
    // Taken first, so that two desks never offer two kits; given back where the kit can't be had.
    if (!(await queries.changeRequest(database.reader, seen, { state: 'offered', offerEndsAt })))
      throw new Problem('CHANGED_MEANWHILE')
    const held = { id: requestId, version: given.version + 1, state: 'offered' } as const
    const { idempotencyKey, kitId, fromOn, untilOn } = given
    const borrower = { id: request.borrowerId }
    const { loanId } = await this.rooms.promises
      .promise(session, { idempotencyKey, kitId, fromOn, untilOn, borrower })
      .catch(async (error: unknown) => {
        await queries.changeRequest(database.reader, held, { state: 'waiting' })
        throw error
      })
    await database.inTransaction(async (tx) => {
      await queries.changeRequest(tx, held, { state: 'offered', offerLoanId: loanId, offerEndsAt })
      const { branchId } = request
      await this.keep(
        tx,
        'waiting-offered',
        { branchId, staffId: session.staffId, kitId, loanId },
        { requestId, fromOn, untilOn },
      )
    })
    await this.write(requestId)
    return this.list(session, request.branchId)
  }

  async answer(session: Session, requestId: string, { version, answer }: AnswerOffer): Promise<WaitingList> {
    const request = await this.requestFor(session, requestId)
    const { branchId, offerLoanId } = request
    const seen = { id: requestId, version, state: 'offered' } as const
    const state = ({ yes: 'served', no: 'gone', later: 'waiting' } as const)[answer]
    await this.context.database.inTransaction(async (tx) => {
      const kept = answer === 'yes' ? { offerLoanId } : {}
      if (!(await queries.changeRequest(tx, seen, { state, ...kept }))) throw new Problem('CHANGED_MEANWHILE')
      if (answer !== 'yes' && offerLoanId)
        await this.rooms.promises.release(tx, offerLoanId, session.staffId, 'the offer was not taken')
      await this.keep(tx, 'waiting-answered', { branchId, staffId: session.staffId }, { requestId, answer })
    })
    return this.list(session, branchId)
  }

  /** They don't wait any more. */
  async leave(session: Session, requestId: string, version: number): Promise<WaitingList> {
    const { branchId, state } = await this.requestFor(session, requestId)
    if (state !== 'waiting') throw new Problem('CHANGED_MEANWHILE')
    await this.context.database.inTransaction(async (tx) => {
      if (!(await queries.changeRequest(tx, { id: requestId, version, state }, { state: 'gone' })))
        throw new Problem('CHANGED_MEANWHILE')
      await this.keep(tx, 'waiting-gone', { branchId, staffId: session.staffId }, { requestId })
    })
    return this.list(session, branchId)
  }

  /** Offers that nobody answered end: the kit is free again, and whoever waited keeps their place. */
  async endOffers(): Promise<void> {
    const { database, clock } = this.context
    for (const { id, version, branchId, offerLoanId, isFetched } of await queries.overdueOffers(
      database.reader,
      clock(),
    ))
      await database.inTransaction(async (tx) => {
        // Whoever fetched it has said yes, whether or not somebody wrote that down.
        const to = isFetched ? ({ state: 'served', offerLoanId } as const) : ({ state: 'waiting' } as const)
        if (!(await queries.changeRequest(tx, { id, version, state: 'offered' }, to))) return
        if (offerLoanId && !isFetched)
          await this.rooms.promises.release(tx, offerLoanId, null, 'the offer was not answered in time')
        await this.keep(
          tx,
          'waiting-answered',
          { branchId, staffId: null },
          {
            ...{ requestId: id, answer: isFetched ? 'fetched' : 'none' },
          },
        )
      })
  }

  private async write(requestId: string): Promise<void> {
    const request = await queries.requestById(this.context.database.reader, requestId)
    if (!request?.offerLoanId || !request.offerFromOn || !request.offerUntilOn || !request.offerEndsAt) return
    const language = request.language === 'es' ? 'es' : 'en'
    const loan = await this.rooms.loans.branchAndKit(this.context.database.reader, request.offerLoanId)
    const dayOf = (day: string) =>
      new Intl.DateTimeFormat(language === 'es' ? 'es-ES' : 'en-GB', {
        weekday: 'long',
        day: 'numeric',
        month: 'long',
        timeZone: 'UTC',
      }).format(new Date(`${day}T12:00:00Z`))
    const letter = offerLetter(language, {
      kit: request.offerKitName ?? '',
      from: dayOf(request.offerFromOn),
      until: dayOf(request.offerUntilOn),
      answerBy: dayOf(request.offerEndsAt.toISOString().slice(0, 10)),
      branch: loan.branchName,
    })
    const { branchId, borrowerId, offerLoanId: loanId } = request
    await this.rooms.letters.draftOnce({
      ...{
        id: randomUUID(),
        branchId,
        borrowerId,
        loanId,
        kitId: loan.kitId,
        ...letter,
        onceKey: `offer ${requestId} ${loanId}`,
      },
    })
  }

  private async requestFor(session: Session, id: string): Promise<queries.WaitingRow> {
    const request = await queries.requestById(this.context.database.reader, id)
    if (!request) throw new Problem('NOT_FOUND')
    requireRole(session, request.branchId, deskRoles)
    return request
  }

  private keep(
    tx: Tx,
    act: 'waiting-asked' | 'waiting-offered' | 'waiting-answered' | 'waiting-gone',
    of: { branchId: string; staffId: string | null; kitId?: string; loanId?: string },
    after: object,
  ) {
    return appendRecord(tx, { act, at: this.context.clock(), ...of, after })
  }
}

function viewOf(row: queries.WaitingRow): RequestView {
  const { id, borrower, contact, kinds, earliestOn, latestOn, lengthDays, wantsDark, note, state, version } = row
  const {
    offerLoanId: loanId,
    offerKitName: kitName,
    offerKitCode: kitCode,
    offerFromOn: fromOn,
    offerUntilOn: untilOn,
    offerEndsAt,
  } = row
  const offer =
    loanId && kitName && kitCode && fromOn && untilOn && offerEndsAt
      ? { loanId, kitName, kitCode, fromOn, untilOn, endsAtUtc: offerEndsAt.toISOString() }
      : null
  const of = { id, borrower, contact, earliestOn, latestOn, lengthDays, wantsDark, note, state, version, offer }
  return {
    ...of,
    kinds: kinds as RequestView['kinds'],
    level: row.level as RequestView['level'],
    askedAtUtc: row.askedAt.toISOString(),
  }
}
