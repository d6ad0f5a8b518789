import { defaultOpening, type Closing, type LoanInClosing, type OpeningFields } from '@binoculum/contract'
import { selectRows, type Tx } from '../../platform/database.ts'

export interface OpeningOfBranch extends OpeningFields {
  readonly branchId: string
  readonly branchName: string
  readonly zone: string
  readonly returnTime: string
  readonly loanDays: number
}

/** What each branch goes by: its own decisions, or the defaults. */
export async function openingsOf(tx: Tx, branchIds: readonly string[]): Promise<OpeningOfBranch[]> {
  const rows = await selectRows<OpeningOfBranch & { openWeekdays: number[] | null }>(
    tx,
    `SELECT b.id AS "branchId", b.name AS "branchName", b.zone, b.return_time AS "returnTime", b.loan_days AS "loanDays",
       o.open_weekdays AS "openWeekdays", o.pick_up_from AS "pickUpFrom", o.pick_up_until AS "pickUpUntil",
       o.turnaround_days AS "turnaroundDays", o.longest_loan_days AS "longestLoanDays", o.ahead_days AS "aheadDays"
     FROM branch b LEFT JOIN opening o ON o.branch_id = b.id WHERE b.id = ANY($1) ORDER BY b.name`,
    [branchIds],
  )
  return rows.map((row) => (row.openWeekdays === null ? { ...row, ...defaultOpening } : row))
}

/** Closings that aren't over on a day, soonest first. */
export const closingsFrom = (
  tx: Tx,
  branchIds: readonly string[],
  day: string,
): Promise<(Closing & { branchId: string })[]> =>
  selectRows(
    tx,
    `SELECT id, branch_id AS "branchId", from_on::text AS "fromOn", until_on::text AS "untilOn", why FROM closing
     WHERE branch_id = ANY($1) AND until_on >= $2 ORDER BY from_on, id LIMIT 500`,
    [branchIds, day],
  )

/** Open loans and promises with a pick-up or a return on a day that the branch's week or its closings leave out. */
export const loansOnClosedDays = (tx: Tx, branchId: string, opening: OpeningFields): Promise<LoanInClosing[]> =>
  selectRows(
    tx,
    `SELECT l.id AS "loanId", 'L-' || lpad(l.number::text, 4, '0') AS "loanCode", k.code AS "kitCode", k.name AS "kitName",
       day.what, day.on_day::text AS on
     FROM loan l JOIN kit k ON k.id = l.kit_id
     CROSS JOIN LATERAL (VALUES ('pick-up', l.from_on, l.state = 'promised'), ('return', l.until_on, true)) day(what, on_day, counts)
     WHERE l.branch_id = $1 AND l.state IN ('promised', 'out') AND day.counts AND day.on_day >= current_date - 1
       AND (extract(isodow FROM day.on_day)::int <> ALL($2)
         OR EXISTS (SELECT 1 FROM closing c WHERE c.branch_id = $1 AND day.on_day BETWEEN c.from_on AND c.until_on))
     ORDER BY day.on_day, k.code LIMIT 100`,
    [branchId, opening.openWeekdays],
  )
