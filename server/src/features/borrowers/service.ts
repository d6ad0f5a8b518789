import {
  cardName,
  type BorrowerLoans,
  type BorrowerSheet,
  type ChangeBorrower,
  type Session,
  type Unlinking,
  type Unlinkings,
} from '@binoculum/contract'
import { borrowerLevels } from '@binoculum/core'
import { coordinatorOnly, deskBranchIds, requireRole, signedInAs } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { loanCode } from '../judgement/service.ts'
import { BorrowerRow } from '../loans/service.ts'
import { localDay } from '../opening/service.ts'
import { BorrowerPolicyRow } from './entities.ts'
import { pageKey, pageOf, type PageKey } from '../../platform/paging.ts'
import * as queries from './queries.ts'

const MOST_LOANS = 50
/** So many at a time: the job comes again. */
const UNLINKED_AT_ONCE = 500

/** What is known of borrowers, for whoever needs it; and that it is forgotten in time. */
export class Borrowers {
  constructor(private readonly context: Context) {}

  /** One borrower's page. Who looked is on record, with the borrower's key only. */
  async sheet(session: Session, id: string): Promise<BorrowerSheet> {
    const { database, clock } = this.context
    const facts = await this.factsFor(database.reader, session, id)
    const at = clock()
    await appendRecord(database.reader, {
      ...{ act: 'borrower-looked-at', at, branchId: facts.branchId, staffId: session.staffId },
      after: { borrowerId: id },
    })
    const { loans, next } = await this.loansBefore(session, facts, null)
    const { zone: _zone, unlinkedAt, language, level, ...known } = facts
    return {
      ...known,
      language: language === 'es' ? 'es' : 'en',
      level: borrowerLevels.find((each) => each === level) ?? null,
      unlinkedAtUtc: unlinkedAt?.toISOString() ?? null,
      ...{ loans, next },
    }
  }

  /** What comes after a page of a borrower's loans. */
  async loans(session: Session, id: string, before: string | undefined): Promise<BorrowerLoans> {
    const facts = await this.factsFor(this.context.database.reader, session, id)
    return this.loansBefore(session, facts, pageKey(before))
  }

  private async loansBefore(
    session: Session,
    { id, zone }: Pick<queries.BorrowerFacts, 'id' | 'zone'>,
    before: PageKey | null,
  ): Promise<BorrowerLoans> {
    const { database, clock } = this.context
    const today = localDay(clock(), zone)
    const asked = { id, branchIds: deskBranchIds(session), today, before, most: MOST_LOANS + 1 }
    const { rows, next } = pageOf(await queries.loansOf(database.reader, asked), MOST_LOANS)
    return { loans: rows.map(({ number, ...loan }) => ({ ...loan, code: loanCode(number) })), next }
  }

  async change(session: Session, id: string, given: ChangeBorrower): Promise<BorrowerSheet> {
    await this.context.database.inTransaction(async (tx) => {
      const { branchId, unlinkedAt, cardOnly } = await this.factsFor(tx, session, id)
      if (unlinkedAt !== null) throw new Problem('NOT_FOUND')
      if (cardOnly && (given.name !== undefined || given.contact !== undefined || given.cardNumber === ''))
        throw new Problem('CARD_ONLY')
      await tx.update(BorrowerRow, { id }, { ...given, ...(cardOnly && { name: cardName(given.cardNumber) }) })
      // That something was changed, never what: the record keeps no name.
      const at = this.context.clock()
      await appendRecord(tx, {
        act: 'borrower-changed',
        at,
        branchId,
        staffId: session.staffId,
        after: { borrowerId: id },
      })
    })
    return this.sheet(session, id)
  }

  private async factsFor(tx: Tx, session: Session, id: string): Promise<queries.BorrowerFacts> {
    const facts = await queries.borrowerFacts(tx, id, deskBranchIds(session))
    if (!facts) throw new Problem('NOT_FOUND')
    return facts
  }

  async unlinkings(session: Session): Promise<Unlinkings> {
    const rows = await queries.unlinkingsOf(this.context.database.reader, deskBranchIds(session))
    return { branches: rows.map((row) => ({ ...row, mayChange: signedInAs(session, row.branchId, 'coordinator') })) }
  }

  async decide(session: Session, branchId: string, given: Unlinking): Promise<Unlinkings> {
    requireRole(session, branchId, coordinatorOnly)
    await this.context.database.inTransaction(async (tx) => {
      await tx.upsert(BorrowerPolicyRow, { branchId, ...given }, ['branchId'])
      const at = this.context.clock()
      const takenOut = given.cardOnly ? await queries.takeOutNames(tx, branchId) : 0
      await appendRecord(tx, {
        act: 'unlinking-decided',
        at,
        branchId,
        staffId: session.staffId,
        after: { ...given, takenOut },
      })
    })
    return this.unlinkings(session)
  }

  /** The nightly round of one branch at a press. */
  async forgetNow(session: Session, branchId: string): Promise<Unlinkings> {
    requireRole(session, branchId, coordinatorOnly)
    while ((await this.forget(branchId)) === UNLINKED_AT_ONCE);
    return this.unlinkings(session)
  }

  /** Forgets whoever may be forgotten. @returns how many */
  async forget(branchId: string | null = null): Promise<number> {
    const { database, clock } = this.context
    const now = clock()
    const found = await queries.toUnlink(database.reader, now, { branchId, most: UNLINKED_AT_ONCE })
    for (const { id, branchId: known } of found)
      await database.inTransaction(async (tx) => {
        await queries.unlink(tx, id, now)
        await appendRecord(tx, {
          act: 'borrowers-unlinked',
          at: now,
          branchId: known,
          staffId: null,
          after: { borrowerId: id },
        })
      })
    return found.length
  }
}
