import type { Transfer } from '@binoculum/contract'
import { selectRows, type Tx } from '../../platform/database.ts'

/** A planned transfer as those see it who ask where a kit will be. */
export interface Trip {
  readonly kitId: string
  readonly fromBranchId: string
  readonly toBranchId: string
  readonly toBranchName: string
  readonly onDay: string
}

const tripColumns = `t.kit_id AS "kitId", t.from_branch_id AS "fromBranchId", t.to_branch_id AS "toBranchId",
  b.name AS "toBranchName", t.on_day::text AS "onDay"`

export async function tripOf(tx: Tx, kitId: string): Promise<Trip | null> {
  const sql = `SELECT ${tripColumns} FROM transfer t JOIN branch b ON b.id = t.to_branch_id
    WHERE t.kit_id = $1 AND t.state = 'planned'`
  return (await selectRows<Trip>(tx, sql, [kitId]))[0] ?? null
}

/** Trips from or to a branch. */
export const tripsAt = (tx: Tx, branchId: string): Promise<Trip[]> =>
  selectRows(
    tx,
    `SELECT ${tripColumns} FROM transfer t JOIN branch b ON b.id = t.to_branch_id
     WHERE t.state = 'planned' AND (t.from_branch_id = $1 OR t.to_branch_id = $1)`,
    [branchId],
  )

export const plannedTransfers = (
  tx: Tx,
  branchIds: readonly string[],
): Promise<Omit<Transfer, 'mayArrive' | 'mayCancel' | 'daysLate'>[]> =>
  selectRows(
    tx,
    `SELECT t.id, t.kit_id AS "kitId", k.code AS "kitCode", k.name AS "kitName", t.from_branch_id AS "fromBranchId",
       f.name AS "fromBranchName", t.to_branch_id AS "toBranchId", b.name AS "toBranchName", t.on_day::text AS "onDay", t.version
     FROM transfer t JOIN kit k ON k.id = t.kit_id JOIN branch f ON f.id = t.from_branch_id JOIN branch b ON b.id = t.to_branch_id
     WHERE t.state = 'planned' AND (t.from_branch_id = ANY($1) OR t.to_branch_id = ANY($1))
     ORDER BY t.on_day, k.name LIMIT 500`,
    [branchIds],
  )

/** Kits that could be sent: those of some branches that aren't on their way already. */
export const kitsToSend = (
  tx: Tx,
  branchIds: readonly string[],
): Promise<{ id: string; branchId: string; code: string; name: string }[]> =>
  selectRows(
    tx,
    `SELECT k.id, k.branch_id AS "branchId", k.code, k.name FROM kit k
     WHERE k.branch_id = ANY($1) AND NOT EXISTS (SELECT 1 FROM transfer t WHERE t.kit_id = k.id AND t.state = 'planned')
     ORDER BY k.name`,
    [branchIds],
  )

/** Open loans of a kit that aren't over before a day; one that is late never is. */
export const loansNotOver = (
  tx: Tx,
  kitId: string,
  day: string,
  today: string,
): Promise<{ loanCode: string; fromOn: string; untilOn: string }[]> =>
  selectRows(
    tx,
    `SELECT 'L-' || lpad(number::text, 4, '0') AS "loanCode", from_on::text AS "fromOn", until_on::text AS "untilOn" FROM loan
     WHERE kit_id = $1 AND state IN ('promised', 'out')
       AND (until_on >= $2::date OR (state = 'out' AND (until_on < $3::date OR $2::date <= $3::date)))
     ORDER BY from_on LIMIT 20`,
    [kitId, day, today],
  )

/** Open loans of a kit at one branch. */
export const loansAt = (
  tx: Tx,
  kitId: string,
  branchId: string,
): Promise<{ loanCode: string; fromOn: string; untilOn: string }[]> =>
  selectRows(
    tx,
    `SELECT 'L-' || lpad(number::text, 4, '0') AS "loanCode", from_on::text AS "fromOn", until_on::text AS "untilOn" FROM loan
     WHERE kit_id = $1 AND branch_id = $2 AND state IN ('promised', 'out') ORDER BY from_on LIMIT 20`,
    [kitId, branchId],
  )
