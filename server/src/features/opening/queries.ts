import { type Closing, type LoanInClosing, type OpeningFields } from '@binoculum/contract'
import { selectRows, type Tx } from '../../platform/database.ts'

export interface OpeningOfBranch extends OpeningFields {
  readonly branchId: string
  readonly branchName: string
  readonly zone: string
  readonly returnTime: string
  readonly loanDays: number
}

/** A branch's own decisions and its closings, which are a few hundred at most, for statements that read `branch` as `br`. */
export const openingColumns = `br.id AS "branchId", br.name AS "branchName", br.zone, br.return_time AS "returnTime", br.loan_days AS "loanDays",
  (SELECT json_build_object('openWeekdays', o.open_weekdays, 'pickUpFrom', o.pick_up_from, 'pickUpUntil', o.pick_up_until,
     'turnaroundDays', o.turnaround_days, 'longestLoanDays', o.longest_loan_days, 'aheadDays', o.ahead_days, 'vanWeekdays', o.van_weekdays)
   FROM opening o WHERE o.branch_id = br.id) AS opening,
  coalesce((SELECT json_agg(json_build_object('fromOn', c.from_on, 'untilOn', c.until_on)) FROM closing c
   WHERE c.branch_id = br.id), '[]') AS closings`

export interface OpeningColumns extends Pick<
  OpeningOfBranch,
  'branchId' | 'branchName' | 'zone' | 'returnTime' | 'loanDays'
> {
  readonly opening: OpeningFields | null
  readonly closings: readonly { readonly fromOn: string; readonly untilOn: string }[]
}

export const openingOf = (tx: Tx, branchIds: readonly string[]): Promise<OpeningColumns[]> =>
  selectRows(tx, `SELECT ${openingColumns} FROM branch br WHERE br.id = ANY($1) ORDER BY br.name`, [branchIds])

export const branchesWithVan = async (tx: Tx): Promise<string[]> =>
  (await selectRows<{ id: string }>(tx, `SELECT branch_id AS id FROM opening WHERE van_weekdays <> '{}'`)).map(
    ({ id }) => id,
  )

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
export const loansOnClosedDays = (
  tx: Tx,
  branchId: string,
  opening: OpeningFields,
  today: string,
): Promise<LoanInClosing[]> =>
  selectRows(
    tx,
    `SELECT l.id AS "loanId", 'L-' || lpad(l.number::text, 4, '0') AS "loanCode", k.code AS "kitCode", k.name AS "kitName",
       day.what, day.on_day::text AS on
     FROM loan l JOIN kit k ON k.id = l.kit_id
     CROSS JOIN LATERAL (VALUES ('pick-up', l.from_on, l.state = 'promised'), ('return', l.until_on, true)) day(what, on_day, counts)
     WHERE l.branch_id = $1 AND l.state IN ('promised', 'out') AND day.counts AND day.on_day >= $3::date
       AND (extract(isodow FROM day.on_day)::int <> ALL($2)
         OR EXISTS (SELECT 1 FROM closing c WHERE c.branch_id = $1 AND day.on_day BETWEEN c.from_on AND c.until_on))
     ORDER BY day.on_day, k.code LIMIT 100`,
    [branchId, opening.openWeekdays, today],
  )
