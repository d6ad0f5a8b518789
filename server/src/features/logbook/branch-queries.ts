import { jobCodes, jobFacts, type StateSpan, type JobCode } from '@binoculum/core'
import { selectRows, type Tx } from '../../platform/database.ts'

/** A branch's days from one to another, in its own zone. */
export interface BranchDays {
  readonly branchId: string
  readonly from: string
  readonly until: string
  readonly zone: string
}

/** Jobs that keep a kit in while they are open. */
const keepIn = jobCodes.filter((code) => ['crescent', 'new'].includes(jobFacts(code).condition ?? ''))
/** A loan or a job that began longer before is not looked for: none lasts so long. */
const LONGEST_DAYS = 366

/** What kept a branch's kits in, how often, and for how many days. */
export const heldFor = (
  tx: Tx,
  { branchId, from, until, zone }: BranchDays,
): Promise<{ code: JobCode; times: number; days: number }[]> =>
  selectRows(
    tx,
    `SELECT j.code, count(*)::int AS times,
       sum(least(coalesce((j.closed_at AT TIME ZONE $4)::date, $3::date), $3::date) - greatest((j.opened_at AT TIME ZONE $4)::date, $2::date) + 1)::int AS days
     FROM kit k JOIN job j ON j.kit_id = k.id
     WHERE k.branch_id = $1 AND j.code = ANY($5) AND j.opened_at >= $2::date - ${LONGEST_DAYS}
       AND (j.opened_at AT TIME ZONE $4)::date <= $3 AND coalesce((j.closed_at AT TIME ZONE $4)::date, $3::date) >= $2
     GROUP BY j.code ORDER BY days DESC, j.code`,
    [branchId, from, until, zone, keepIn],
  )

/** Where each kit of a branch was on its days, from the first day anything is known of it. */
export const kitSpans = (
  tx: Tx,
  { branchId, from, until, zone }: BranchDays,
): Promise<{ sinceDay: number; spans: StateSpan[] }[]> =>
  selectRows(
    tx,
    `SELECT known.since - DATE '1970-01-01' AS "sinceDay", coalesce((
       SELECT json_agg(json_build_object('state', state, 'from', first - DATE '1970-01-01', 'until', last - DATE '1970-01-01')) FROM (
         SELECT 'out' AS state, (out_at AT TIME ZONE $4)::date AS first, coalesce((back_at AT TIME ZONE $4)::date, $3::date) AS last
         FROM loan WHERE kit_id = k.id AND state IN ('out', 'back') AND from_on >= $2::date - ${LONGEST_DAYS}
         UNION ALL
         SELECT 'waiting', (back_at AT TIME ZONE $4)::date + 1, (back_at AT TIME ZONE $4)::date + turnaround_days
         FROM loan WHERE kit_id = k.id AND state = 'back' AND from_on >= $2::date - ${LONGEST_DAYS}
         UNION ALL
         SELECT 'bench', (opened_at AT TIME ZONE $4)::date, coalesce((closed_at AT TIME ZONE $4)::date, $3::date)
         FROM job WHERE kit_id = k.id AND code = ANY($5) AND opened_at >= $2::date - ${LONGEST_DAYS}
       ) was WHERE last >= $2 AND first <= $3), '[]') AS spans
     FROM kit k CROSS JOIN LATERAL (
       SELECT least((SELECT from_on FROM loan WHERE kit_id = k.id ORDER BY from_on LIMIT 1),
         (SELECT at::date FROM bench_check WHERE kit_id = k.id ORDER BY at LIMIT 1)) AS since
     ) known WHERE k.branch_id = $1 AND known.since IS NOT NULL`,
    [branchId, from, until, zone, keepIn],
  )

/** By how many days loans came back late, for each number of days. */
export const daysLate = (
  tx: Tx,
  { branchId, from, until, zone }: BranchDays,
): Promise<{ days: number; loans: number }[]> =>
  selectRows(
    tx,
    `SELECT greatest(0, (l.back_at AT TIME ZONE $4)::date - l.until_on) AS days, count(*)::int AS loans
     FROM loan l WHERE l.branch_id = $1 AND l.from_on BETWEEN $2 AND $3 AND l.state = 'back' GROUP BY 1 ORDER BY 1`,
    [branchId, from, until, zone],
  )

/** Minutes that each station takes, by model. */
export const stationMinutes = (
  tx: Tx,
  branchId: string,
): Promise<{ modelId: string; modelName: string; station: string; minutes: number; times: number }[]> =>
  selectRows(
    tx,
    `SELECT m.id AS "modelId", m.name AS "modelName", substr(s.step_key, 9) AS station,
       round((s.median_seconds / 60)::numeric, 1)::float AS minutes, s.times
     FROM step_median s JOIN model m ON m.id = s.model_id
     WHERE s.step_key LIKE 'station %' AND EXISTS (SELECT 1 FROM kit k WHERE k.model_id = m.id AND k.branch_id = $1)
     ORDER BY m.name, m.id, s.step_key`,
    [branchId],
  )

export interface KeptModel {
  readonly modelId: string
  readonly modelName: string
  readonly kits: number
  readonly kitsWithoutPrice: number
  readonly priceMinor: number | null
  readonly loans: number
  /** Of the first of those loans; null where there is none. */
  readonly firstOn: string | null
  readonly lostMinor: number
}

/** What a branch's models cost, and what they were lent and lost since a day. A part that came back later counts as lost: it
 * was gone when somebody waited for it. */
export const keptModels = (tx: Tx, branchId: string, from: string): Promise<KeptModel[]> =>
  selectRows(
    tx,
    `SELECT k.model_id AS "modelId", mo.name AS "modelName", count(*)::int AS kits,
       (count(*) FILTER (WHERE k.price_minor IS NULL))::int AS "kitsWithoutPrice", sum(k.price_minor)::int AS "priceMinor",
       coalesce(sum(lent.loans), 0)::int AS loans, min(lent."firstOn")::text AS "firstOn", coalesce(sum(lent.lost), 0)::int AS "lostMinor"
     FROM kit k JOIN model mo ON mo.id = k.model_id CROSS JOIN LATERAL (
       SELECT count(*) AS loans, min(l.from_on) AS "firstOn", sum(gone.cost) AS lost FROM loan l
       LEFT JOIN LATERAL (SELECT marks FROM take_back WHERE loan_id = l.id ORDER BY at DESC LIMIT 1) t ON true
       LEFT JOIN LATERAL (
         SELECT sum(p.cost_minor * (p.count - (m->>'presentCount')::int)) AS cost
         FROM jsonb_array_elements(t.marks) m JOIN part p ON p.id = (m->>'partId')::uuid WHERE m->>'mark' = 'missing'
       ) gone ON true
       WHERE l.kit_id = k.id AND l.state IN ('out', 'back') AND l.from_on >= $2
     ) lent WHERE k.branch_id = $1 GROUP BY k.model_id, mo.name ORDER BY mo.name, k.model_id`,
    [branchId, from],
  )

/** What lies in a branch's drawer by kind of part, and what a piece costs there or on its models' cards. */
export const drawerByRole = (
  tx: Tx,
  branchId: string,
): Promise<{ role: string; have: number; pieceMinor: number | null }[]> =>
  selectRows(
    tx,
    `SELECT role, sum(have)::int AS have, coalesce(round(avg(spare_minor)), round(avg(part_minor)))::int AS "pieceMinor" FROM (
       SELECT role, count AS have, cost_minor AS spare_minor, NULL::int AS part_minor FROM spare WHERE branch_id = $1
       UNION ALL
       SELECT role, 0, NULL, cost_minor FROM model_part WHERE model_id IN (SELECT model_id FROM kit WHERE branch_id = $1)
     ) known GROUP BY role`,
    [branchId],
  )

/** The first day of a branch's loans. */
export async function firstLoanOn(tx: Tx, branchId: string): Promise<string | null> {
  const sql = 'SELECT from_on::text AS day FROM loan WHERE branch_id = $1 ORDER BY from_on LIMIT 1'
  return (await selectRows<{ day: string }>(tx, sql, [branchId]))[0]?.day ?? null
}

export async function currencyOf(tx: Tx, branchId: string): Promise<string> {
  const sql = 'SELECT currency FROM branch WHERE id = $1'
  return (await selectRows<{ currency: string }>(tx, sql, [branchId]))[0]?.currency ?? 'EUR'
}
