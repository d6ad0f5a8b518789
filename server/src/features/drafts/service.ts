import { mergeEntries, type Draft, type DraftEntries, type Session } from '@binoculum/contract'
import type { Context } from '../../platform/context.ts'
import { Problem } from '../../platform/errors.ts'
import { announce } from '../../platform/live.ts'
import type { Loans } from '../loans/service.ts'
import { draftOf, holdOpen, lockDraft, writeDraft } from './queries.ts'

/** A clock that runs ahead must not make its marks win for ever. */
const MOST_AHEAD_MS = 60_000

/** Open take-backs, field by field, so that any desk can go on with them. */
export class Drafts {
  constructor(
    private readonly context: Context,
    private readonly loans: Loans,
  ) {}

  async read(session: Session, loanId: string): Promise<Draft> {
    await this.openLoan(session, loanId)
    return (await draftOf(this.context.database.reader, loanId)) ?? { entries: {}, version: 0 }
  }

  /** Adds what a desk has; the later value of each field wins. Sending the same again changes nothing. */
  async send(session: Session, loanId: string, sent: DraftEntries): Promise<Draft> {
    const { branchId } = await this.openLoan(session, loanId)
    const at = this.context.clock()
    const latestMs = at.getTime() + MOST_AHEAD_MS
    const entries = Object.fromEntries(
      Object.entries(sent).map(([key, entry]) => [
        key,
        { ...entry, by: session.name, atMs: Math.min(entry.atMs, latestMs) },
      ]),
    )
    return this.context.database.inTransaction(async (tx) => {
      // Whoever closes the loan waits for this, or was first: then there is no draft any more.
      if (!(await holdOpen(tx, loanId))) throw new Problem('LOAN_CLOSED')
      const kept = await lockDraft(tx, loanId, at)
      const merged = mergeEntries(kept.entries, entries)
      if (JSON.stringify(merged) === JSON.stringify(kept.entries)) return kept
      const draft = { entries: merged, version: kept.version + 1 }
      await writeDraft(tx, loanId, draft, at)
      await announce(tx, { kind: 'draft', loanId, branchId, version: draft.version })
      return draft
    })
  }

  /** Who may act on it, the loans know. */
  private async openLoan(session: Session, loanId: string) {
    const loan = await this.loans.loanFor(this.context.database.reader, session, loanId)
    if (loan.state !== 'out') throw new Problem('LOAN_CLOSED')
    return loan
  }
}
