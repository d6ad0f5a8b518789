import type { DraftEntries } from '@binoculum/contract'
import { changedRows, selectRows, type Tx } from '../../platform/database.ts'

export interface DraftRow {
  readonly entries: DraftEntries
  readonly version: number
}

export async function draftOf(tx: Tx, loanId: string): Promise<DraftRow | null> {
  const sql = 'SELECT entries, version FROM take_back_draft WHERE loan_id = $1'
  return (await selectRows<DraftRow>(tx, sql, [loanId]))[0] ?? null
}

/** Keeps a loan from being closed until the transaction ends; false where it is closed. */
export async function holdOpen(tx: Tx, loanId: string): Promise<boolean> {
  const sql = `SELECT id FROM loan WHERE id = $1 AND state = 'out' FOR SHARE`
  return (await selectRows(tx, sql, [loanId])).length === 1
}

/** The draft, made if there is none, and locked until the transaction ends: two desks write one after the other. */
export async function lockDraft(tx: Tx, loanId: string, at: Date): Promise<DraftRow> {
  await tx.query(
    `INSERT INTO take_back_draft (loan_id, entries, version, changed_at) VALUES ($1, '{}', 0, $2) ON CONFLICT DO NOTHING`,
    [loanId, at],
  )
  const sql = 'SELECT entries, version FROM take_back_draft WHERE loan_id = $1 FOR UPDATE'
  return (await selectRows<DraftRow>(tx, sql, [loanId]))[0] ?? { entries: {}, version: 0 }
}

export const writeDraft = (tx: Tx, loanId: string, draft: DraftRow, at: Date) =>
  changedRows(
    tx,
    'UPDATE take_back_draft SET entries = $2, version = $3, changed_at = $4 WHERE loan_id = $1 RETURNING loan_id',
    [loanId, draft.entries, draft.version, at],
  )
