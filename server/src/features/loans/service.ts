import { randomUUID } from 'node:crypto'
import {
  cardName,
  type BorrowersFound,
  type Desk,
  type DeskLoan,
  type HandOut,
  type LendableKit,
  type Session,
  type Slip,
} from '@binoculum/contract'
import { branchIdsOf, deskBranchIds, deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { hashToken, newToken } from '../../platform/secrets.ts'
import { daysLate, isGone, judgeRow, loanCode, shelfKit, type ShelfRow } from '../judgement/service.ts'
import { BorrowerRow, Loan } from './entities.ts'
import type { KitRooms, LoanDesk } from './loan-rooms.ts'
import * as queries from './queries.ts'
import { guidePath, linkEnd, slipOf } from './slip.ts'

/** So many fit kits stand on the desk's page; the shelf has them all. */
const MOST_LENDABLE = 10

const outLater = (rows: readonly ShelfRow[], dueNow: ReadonlySet<string>): DeskLoan[] =>
  rows
    .flatMap((row) => {
      const { loan } = row
      if (!loan || isGone(row) || dueNow.has(loan.id)) return []
      const { branchId, code: kitCode, name: kitName, modelName } = row
      const atUtc = new Date(loan.dueAt).toISOString()
      const { id, number, borrower } = loan
      const line = { id, code: loanCode(number), branchId, kitCode, kitName, modelName, borrower, atUtc, daysLate: 0 }
      return [{ ...line, state: 'out' as const }]
    })
    .sort((a, b) => a.atUtc.localeCompare(b.atUtc))

/** Judged one by one, and only until there are enough. */
function lendable(rows: readonly ShelfRow[], branchIds: readonly string[], now: Date): LendableKit[] {
  const found: LendableKit[] = []
  for (const row of rows) {
    if (found.length === MOST_LENDABLE) break
    if (row.loan || row.standsAt !== 'shelf' || !branchIds.includes(row.branchId)) continue
    const { group, condition } = shelfKit(row, now)
    if (group !== 'shelf' || (condition !== 'full' && condition !== 'half')) continue
    const { id, branchId, code, name, modelName, next } = row
    const nextUtc = next && new Date(next.at).toISOString()
    found.push({ id, branchId, code, name, modelName, condition, nextUtc })
  }
  return found
}

/** Loans as the desk sees them, their borrowers and their links. Handing out and taking back have files of their own. */
export class Loans implements LoanDesk {
  constructor(
    private readonly context: Context,
    readonly rooms: KitRooms,
  ) {}

  /** What the desk has before it: today's hand-outs and take-backs, everything late, and what could go out or come in
   * unasked. All that its page shows, and no kit more. */
  async desk(session: Session): Promise<Desk> {
    const { database, clock } = this.context
    const now = clock()
    const branchIds = branchIdsOf(session)
    const [loans, waiting, rows] = await Promise.all([
      queries.deskRows(database.reader, branchIds, now),
      queries.kitsToGoThrough(database.reader, branchIds),
      this.rooms.shelf.rows(session),
    ])
    const lineOf = ({ number, at, ...rest }: queries.DeskRow): DeskLoan => {
      const late = rest.state === 'out' ? daysLate(at, now) : 0
      return { ...rest, code: loanCode(number), atUtc: at.toISOString(), daysLate: late }
    }
    const byCode = new Map(rows.map((row) => [row.code, row]))
    const handOuts = loans.flatMap((loan) => {
      const row = loan.state === 'promised' ? byCode.get(loan.kitCode) : undefined
      if (!row) return []
      const { condition, reasons } = judgeRow(row, now)
      return [{ ...lineOf(loan), condition, reasons: [...reasons] }]
    })
    const takeBacks = loans.filter(({ state }) => state === 'out').map(lineOf)
    return {
      toGoThrough: waiting.map(({ backAt, ...kit }) => ({ ...kit, backAtUtc: backAt.toISOString() })),
      handOuts,
      takeBacks,
      outLater: outLater(rows, new Set(takeBacks.map(({ id }) => id))),
      lendable: lendable(rows, deskBranchIds(session), now),
    }
  }

  async borrowers(session: Session, branchId: string, text: string): Promise<BorrowersFound> {
    requireRole(session, branchId, deskRoles)
    const { reader } = this.context.database
    return {
      borrowers: await queries.findBorrowers(reader, { branchId, branchIds: deskBranchIds(session), text }),
      cardOnly: await queries.isCardOnly(reader, branchId),
      hasDirectory: this.context.cards !== null,
    }
  }

  /** The loan, for those who may act on it. @throws Problem NOT_FOUND, NOT_ALLOWED */
  async loanFor(tx: Tx, session: Session, loanId: string): Promise<queries.LoanRow> {
    const loan = await queries.loanById(tx, loanId)
    if (!loan) throw new Problem('NOT_FOUND')
    requireRole(session, loan.branchId, deskRoles)
    return loan
  }

  /** For letters: whose kit it is, and at which branch. */
  async branchAndKit(tx: Tx, loanId: string): Promise<{ kitId: string; branchName: string }> {
    const loan = await queries.loanById(tx, loanId)
    if (!loan) throw new Problem('NOT_FOUND')
    const { branchName } = await this.rooms.shelf.rowById(tx, loan.kitId)
    return { kitId: loan.kitId, branchName }
  }

  /** The same, with the loan held until the transaction ends. */
  async lockedLoan(tx: Tx, session: Session, loanId: string): Promise<queries.LoanRow> {
    await queries.lockLoan(tx, loanId)
    return this.loanFor(tx, session, loanId)
  }

  /** Somebody known anywhere in the programme, as far as this person may see, or somebody new. */
  async borrowerFor(tx: Tx, session: Session, branchId: string, given: HandOut['borrower']): Promise<string> {
    if ('id' in given) {
      if (await queries.borrowerById(tx, given.id, deskBranchIds(session))) return given.id
      throw new Problem('NOT_FOUND')
    }
    const who = await this.knownOrNew(tx, branchId, given, await queries.isCardOnly(tx, branchId))
    if ('id' in who) return who.id
    const id = randomUUID()
    await tx.insert(BorrowerRow, { id, branchId, ...who })
    return id
  }

  /** Who is meant, where a branch may know its borrowers by their cards alone. @throws Problem CARD_ONLY, BAD_INPUT */
  async knownOrNew(
    tx: Tx,
    branchId: string,
    given: HandOut['borrower'],
    cardOnly: boolean,
  ): Promise<{ readonly id: string } | queries.Newcomer> {
    if ('id' in given) return given
    if ('name' in given) {
      if (cardOnly) throw new Problem('CARD_ONLY')
      return given
    }
    const { cardNumber } = given
    if (!cardOnly)
      throw new Problem('BAD_INPUT', { issues: [{ path: 'borrower.name', message: 'must not be empty' }] })
    const id = await queries.borrowerWithCard(tx, branchId, cardNumber)
    return id ? { id } : { name: cardName(cardNumber), contact: '', cardNumber }
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
      const row = await this.rooms.shelf.rowById(tx, kitId)
      const parts = await this.rooms.store.parts(tx, kitId)
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

export { BorrowerRow } from './entities.ts'
export { isCardOnly } from './queries.ts'
export { Promises } from './promises.ts'
export { linkEnd } from './slip.ts'
