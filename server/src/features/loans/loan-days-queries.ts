import type { Taken } from '@binoculum/contract'
import { jobCodes, jobFacts } from '@binoculum/core'
import { selectRows, type Tx } from '../../platform/database.ts'

const goneCodes = jobCodes.filter((code) => jobFacts(code).never)
/** Looked at for being fit, until enough are. */
const OTHERS = 12

/** So many returns of each kit of a model say how long it usually takes until it is ready. */
const RETURNS_A_KIT = 3

/** Days from a return to the next check within which eight of ten of a model's newest returns were checked; null where
 * none was. Of each kit of the model the newest few: the work doesn't grow with its past. */
export const usualTurnaroundOf = (kitId: string) => `(
  SELECT percentile_disc(0.8) WITHIN GROUP (ORDER BY checked.days)::int
  FROM kit own JOIN kit k ON k.model_id = own.model_id AND k.branch_id = own.branch_id
  CROSS JOIN LATERAL (
    SELECT back_at FROM loan WHERE kit_id = k.id AND state = 'back' ORDER BY from_on DESC LIMIT ${RETURNS_A_KIT}
  ) l
  CROSS JOIN LATERAL (
    SELECT (c.at::date - l.back_at::date) AS days FROM bench_check c
    WHERE c.kit_id = k.id AND c.at >= l.back_at ORDER BY c.at LIMIT 1
  ) checked
  WHERE own.id = ${kitId})`

export async function usualTurnaround(tx: Tx, kitId: string): Promise<number | null> {
  const sql = `SELECT ${usualTurnaroundOf('$1')} AS days`
  return (await selectRows<{ days: number | null }>(tx, sql, [kitId]))[0]?.days ?? null
}

/** The days of a kit that somebody wants. */
export interface WantedDays {
  readonly kitId: string
  readonly fromOn: string
  readonly untilOn: string
  readonly turnaroundDays: number
  /** The loan that wants them, where there is one already: it stands in nobody's way. */
  readonly loanId: string | null
}

export interface OpenLoan {
  readonly id: string
  readonly number: number
  readonly borrower: string
  readonly state: 'promised' | 'out'
  readonly from: string
  readonly until: string
  readonly turnaroundDays: number
  readonly version: number
}

/** A late kit comes back today at the earliest. */
const expectedBack = (today: string) =>
  `CASE WHEN l.state = 'out' THEN greatest(l.until_on, ${today}::date) ELSE l.until_on END`

/** A kit's loans that aren't over, soonest first. */
export const openLoansOf = (tx: Tx, kitId: string, today: string): Promise<OpenLoan[]> =>
  selectRows(
    tx,
    `SELECT l.id, l.number, b.name AS borrower, l.state, l.from_on::text AS from, (${expectedBack('$2')})::text AS until,
       l.turnaround_days AS "turnaroundDays", l.version
     FROM loan l JOIN borrower b ON b.id = l.borrower_id
     WHERE l.kit_id = $1 AND l.state IN ('promised', 'out') ORDER BY l.from_on`,
    [kitId, today],
  )

/** Other kits of the branch and the family that nobody has on the days wanted, the same model first. */
export const kitsFreeThen = (
  tx: Tx,
  wanted: WantedDays & { readonly branchId: string; readonly today: string },
): Promise<Taken['others']> =>
  selectRows(
    tx,
    `SELECT k.id, k.code, k.name, m.name AS "modelName", k.model_id = own.model_id AS "sameModel"
     FROM kit own JOIN model om ON om.id = own.model_id
     JOIN kit k ON k.branch_id = $2 AND k.id <> own.id JOIN model m ON m.id = k.model_id AND m.family = om.family
     WHERE own.id = $1
       AND NOT EXISTS (SELECT 1 FROM job j WHERE j.kit_id = k.id AND j.closed_at IS NULL AND j.code = ANY($7))
       AND NOT EXISTS (
         SELECT 1 FROM loan l WHERE l.kit_id = k.id AND l.state IN ('promised', 'out')
           AND l.from_on <= $4::date + $5::int AND (${expectedBack('$6')}) + l.turnaround_days >= $3::date)
     ORDER BY k.model_id = own.model_id DESC, k.name LIMIT ${OTHERS}`,
    [wanted.kitId, wanted.branchId, wanted.fromOn, wanted.untilOn, wanted.turnaroundDays, wanted.today, goneCodes],
  )
