import { selectRows, type Tx } from '../../platform/database.ts'

export interface CalendarLoanRow {
  readonly id: string
  readonly number: number
  readonly kitId: string
  readonly state: 'promised' | 'out' | 'back'
  readonly borrower: string
  readonly promisedFor: Date | null
  readonly dueAt: Date | null
  readonly fromOn: string
  readonly untilOn: string
  readonly turnaroundDays: number
  readonly version: number
}

/** No loan is longer: what began earlier is over. */
const LONGEST_DAYS = 366

/** Loans of a branch that touch some days, and all that are out, late ones too. A returned loan ends when it came back. */
export const loansBetween = (
  tx: Tx,
  given: { readonly branchId: string; readonly zone: string; readonly from: string; readonly until: string },
): Promise<CalendarLoanRow[]> =>
  selectRows(
    tx,
    `SELECT l.id, l.number, l.kit_id AS "kitId", l.state, b.name AS borrower, l.promised_for AS "promisedFor",
       l.due_at AS "dueAt", l.from_on::text AS "fromOn",
       (CASE WHEN l.state = 'back' THEN greatest(l.from_on, (l.back_at AT TIME ZONE $4)::date) ELSE l.until_on END)::text AS "untilOn",
       l.turnaround_days AS "turnaroundDays", l.version
     FROM (
       SELECT * FROM loan WHERE branch_id = $1 AND from_on BETWEEN $2::date - ${LONGEST_DAYS} AND $3::date
         AND (until_on + turnaround_days >= $2::date OR back_at >= $2::date) AND state IN ('promised', 'back')
       UNION ALL SELECT * FROM loan WHERE branch_id = $1 AND state = 'out'
     ) l JOIN borrower b ON b.id = l.borrower_id
     ORDER BY l.from_on, l.number`,
    [given.branchId, given.from, given.until, given.zone],
  )

/** What each kit of a branch weighs packed, as its card says; null where nothing is known. */
export const massesOf = (tx: Tx, branchId: string): Promise<{ kitId: string; massG: number | null }[]> =>
  selectRows(
    tx,
    `SELECT k.id AS "kitId", sum(p.mass_g * p.present_count) AS "massG"
     FROM kit k JOIN part p ON p.kit_id = k.id WHERE k.branch_id = $1 GROUP BY k.id`,
    [branchId],
  )

/** Where a branch's nights are looked up: its first place. */
export async function firstPlace(
  tx: Tx,
  branchId: string,
): Promise<{ name: string; zone: string; latitudeDeg: number; longitudeDeg: number } | null> {
  const sql = `SELECT name, zone, latitude_deg AS "latitudeDeg", longitude_deg AS "longitudeDeg" FROM site
    WHERE branch_id = $1 ORDER BY name LIMIT 1`
  return (await selectRows<NonNullable<Awaited<ReturnType<typeof firstPlace>>>>(tx, sql, [branchId]))[0] ?? null
}
