import type { Borrower } from '@binoculum/contract'
import { changedRows, selectRows, type Tx } from '../../platform/database.ts'

export interface DeskRow {
  readonly id: string
  readonly number: number
  readonly kitCode: string
  readonly kitName: string
  readonly modelName: string
  readonly borrower: string
  readonly state: 'promised' | 'out'
  readonly at: Date
}

/** Promised hand-outs and open loans that matter until `until`: today's, and all that is late. */
export const deskRows = (tx: Tx, branchIds: readonly string[], until: Date): Promise<DeskRow[]> =>
  selectRows(
    tx,
    `SELECT l.id, l.number, k.code AS "kitCode", k.name AS "kitName", m.name AS "modelName", b.name AS borrower,
       l.state, coalesce(CASE WHEN l.state = 'out' THEN l.due_at END, l.promised_for) AS at
     FROM loan l JOIN kit k ON k.id = l.kit_id JOIN model m ON m.id = k.model_id JOIN borrower b ON b.id = l.borrower_id
     WHERE l.branch_id = ANY($1)
       AND ((l.state = 'promised' AND l.promised_for <= $2) OR (l.state = 'out' AND l.due_at <= $2))
     ORDER BY at`,
    [branchIds, until],
  )

const borrowerColumns = `b.id, b.name, b.contact, b.card_number AS "cardNumber",
  (SELECT count(*)::int FROM loan l WHERE l.borrower_id = b.id AND l.state IN ('out', 'back')) AS "loansBefore"`

export const findBorrowers = (tx: Tx, branchId: string, text: string): Promise<Borrower[]> =>
  selectRows(
    tx,
    `SELECT ${borrowerColumns} FROM borrower b
     WHERE b.branch_id = $1 AND (b.name ILIKE $2 OR b.card_number ILIKE $2) ORDER BY b.name LIMIT 8`,
    [branchId, `%${text.replaceAll(/[\\%_]/g, (sign) => `\\${sign}`)}%`],
  )

export async function borrowerById(tx: Tx, id: string, branchId: string): Promise<Borrower | null> {
  const sql = `SELECT ${borrowerColumns} FROM borrower b WHERE b.id = $1 AND b.branch_id = $2`
  return (await selectRows<Borrower>(tx, sql, [id, branchId]))[0] ?? null
}

export async function newestAgreement(
  tx: Tx,
  branchId: string,
): Promise<{ id: string; version: number; text: string } | null> {
  const sql = 'SELECT id, version, text FROM agreement WHERE branch_id = $1 ORDER BY version DESC LIMIT 1'
  return (await selectRows<{ id: string; version: number; text: string }>(tx, sql, [branchId]))[0] ?? null
}

export async function branchOf(
  tx: Tx,
  branchId: string,
): Promise<{ name: string; zone: string; emergencyLine: string; loanDays: number; returnTime: string }> {
  const sql = `SELECT name, zone, emergency_line AS "emergencyLine", loan_days AS "loanDays",
    return_time AS "returnTime" FROM branch WHERE id = $1`
  const row = (await selectRows<Awaited<ReturnType<typeof branchOf>>>(tx, sql, [branchId]))[0]
  if (!row) throw new RangeError(`branchId must be a branch; got ${branchId}`)
  return row
}

export interface LoanRow {
  readonly id: string
  readonly number: number
  readonly branchId: string
  readonly kitId: string
  readonly borrowerId: string
  readonly borrower: string
  readonly contact: string
  readonly state: 'promised' | 'out' | 'back' | 'cancelled'
  readonly promisedFor: Date | null
  readonly outAt: Date | null
  readonly dueAt: Date | null
  readonly version: number
}

const loanSql = `SELECT l.id, l.number, l.branch_id AS "branchId", l.kit_id AS "kitId", l.borrower_id AS "borrowerId",
  b.name AS borrower, b.contact, l.state, l.promised_for AS "promisedFor", l.out_at AS "outAt", l.due_at AS "dueAt",
  l.version
  FROM loan l JOIN borrower b ON b.id = l.borrower_id`

export async function loanById(tx: Tx, id: string): Promise<LoanRow | null> {
  return (await selectRows<LoanRow>(tx, `${loanSql} WHERE l.id = $1`, [id]))[0] ?? null
}

/** The promise that a hand-out of this kit would keep: the earliest one. */
export async function nextPromise(tx: Tx, kitId: string): Promise<LoanRow | null> {
  const sql = `${loanSql} WHERE l.kit_id = $1 AND l.state = 'promised' ORDER BY l.promised_for LIMIT 1`
  return (await selectRows<LoanRow>(tx, sql, [kitId]))[0] ?? null
}

/** Closes an open loan if it still is as it was seen; false when another desk was faster. */
export async function closeLoan(tx: Tx, loan: { id: string; version: number; at: Date }): Promise<boolean> {
  const sql = `UPDATE loan SET state = 'back', back_at = $3, version = version + 1
    WHERE id = $1 AND version = $2 AND state = 'out' RETURNING id`
  return (await changedRows(tx, sql, [loan.id, loan.version, loan.at])).length === 1
}

export async function claimReturnedLoan(tx: Tx, loan: { id: string; version: number }): Promise<boolean> {
  const sql = `UPDATE loan SET version = version + 1 WHERE id = $1 AND version = $2 AND state = 'back' RETURNING id`
  return (await changedRows(tx, sql, [loan.id, loan.version])).length === 1
}

export interface TakeBackView {
  readonly by: string
  readonly at: Date
  readonly outcome: string
  readonly marks: unknown
}

export async function newestTakeBack(tx: Tx, loanId: string): Promise<TakeBackView | null> {
  const sql = `SELECT s.name AS by, t.at, t.outcome, t.marks FROM take_back t JOIN staff s ON s.id = t.by_staff_id
    WHERE t.loan_id = $1 ORDER BY t.at DESC LIMIT 1`
  return (await selectRows<TakeBackView>(tx, sql, [loanId]))[0] ?? null
}
