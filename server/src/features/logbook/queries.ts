import type { RecordLine, StoryCheck, StoryLoan, StoryReading } from '@binoculum/contract'
import { DEFAULT_DUE_CHANCE, readingKinds } from '@binoculum/core'
import { selectRows, type Tx } from '../../platform/database.ts'

/** Loans of a kit that touch the days from one on, oldest first; the newest of them where there are very many. */
export const storyLoans = (
  tx: Tx,
  kitId: string,
  { from, zone, today }: { readonly from: string; readonly zone: string; readonly today: string },
): Promise<(Omit<StoryLoan, 'code'> & { number: number })[]> =>
  selectRows(
    tx,
    `SELECT * FROM (SELECT l.id, l.number, l.state, l.from_on::text AS "fromOn",
       (CASE WHEN l.state = 'back' THEN greatest(l.from_on, (l.back_at AT TIME ZONE $3)::date) ELSE l.until_on END)::text AS "untilOn",
       (CASE WHEN l.state = 'promised' THEN 0 ELSE greatest(0, coalesce((l.back_at AT TIME ZONE $3)::date, $4::date) - l.until_on) END) AS "daysLate",
       l.overrule_reason AS "overruleReason",
       coalesce((SELECT json_agg(json_build_object('part', p.name, 'mark', m->>'mark') ORDER BY p.position)
         FROM jsonb_array_elements(t.marks) m JOIN part p ON p.id = (m->>'partId')::uuid
         WHERE m->>'mark' IN ('missing', 'damaged', 'wrong')), '[]') AS off
     FROM loan l LEFT JOIN LATERAL (SELECT marks FROM take_back WHERE loan_id = l.id ORDER BY at DESC LIMIT 1) t ON true
     WHERE l.kit_id = $1 AND l.state <> 'cancelled' AND l.from_on >= $2
     ORDER BY l.from_on DESC, l.number DESC LIMIT 400) newest ORDER BY "fromOn", number`,
    [kitId, from, zone, today],
  )

/** A kit's readings from an instant on, oldest first; where there are very many, the newest 300 of each kind, since each
 * kind is a chart of its own. */
export const storyReadings = (
  tx: Tx,
  kitId: string,
  from: Date,
): Promise<(Omit<StoryReading, 'atUtc'> & { at: Date })[]> =>
  selectRows(
    tx,
    `SELECT r.kind, r.at, r.as_found AS "asFound", r.as_left AS "asLeft", r.limit_value AS "limit",
       false AS "limitIsLeast", r.unit, s.name AS by
     FROM unnest($3::text[]) each(kind) CROSS JOIN LATERAL (
       SELECT * FROM reading WHERE kit_id = $1 AND kind = each.kind AND at >= $2 ORDER BY at DESC LIMIT 300
     ) r JOIN staff s ON s.id = r.by_staff_id
     ORDER BY r.at, r.kind`,
    [kitId, from, readingKinds],
  )

/** What a kit's newest checks from an instant on kept beside their readings, oldest first. */
export const storyStations = (
  tx: Tx,
  kitId: string,
  from: Date,
): Promise<{ at: Date; by: string; stations: unknown[] }[]> =>
  selectRows(
    tx,
    `SELECT * FROM (SELECT c.at, s.name AS by,
       jsonb_path_query_array(c.stations, '$[*] ? (@.station == "let-go" || @.station == "power" || @.station == "finder")') AS stations
     FROM bench_check c JOIN staff s ON s.id = c.by_staff_id
     WHERE c.kit_id = $1 AND c.at >= $2 ORDER BY c.at DESC LIMIT 200) newest ORDER BY at`,
    [kitId, from],
  )

/** A kit's bench checks from an instant on, newest first, each with all that it measured. */
export const storyChecks = (
  tx: Tx,
  kitId: string,
  from: Date,
): Promise<(Omit<StoryCheck, 'atUtc'> & { at: Date })[]> =>
  selectRows(
    tx,
    `SELECT c.id, c.at, s.name AS by,
       (SELECT coalesce(json_agg(json_build_object('station', each->>'station', 'minutes', (each->>'minutes')::float, 'note', coalesce(each->>'note', ''))), '[]')
        FROM jsonb_array_elements(c.stations) each) AS stations,
       (SELECT coalesce(json_agg(json_build_object('kind', r.kind, 'asFound', r.as_found, 'asLeft', r.as_left, 'limit', r.limit_value, 'unit', r.unit) ORDER BY r.kind), '[]')
        FROM reading r WHERE r.check_id = c.id) AS readings
     FROM bench_check c JOIN staff s ON s.id = c.by_staff_id
     WHERE c.kit_id = $1 AND c.at >= $2 ORDER BY c.at DESC LIMIT 200`,
    [kitId, from],
  )

/** On a page. */
export const MOST_LINES = 200

/** What was done to a kit from an instant on, newest first, before a line of a number: one more than a page has. */
export const storyLines = (
  tx: Tx,
  kitId: string,
  { from, before }: { readonly from: Date; readonly before: string | null },
): Promise<(Omit<RecordLine, 'atUtc'> & { at: Date })[]> =>
  selectRows(
    tx,
    `SELECT r.id, r.at, r.act, coalesce(s.name, '–') AS by, r.before, r.after
     FROM record r LEFT JOIN staff s ON s.id = r.staff_id
     WHERE r.kit_id = $1 AND r.at >= $2 AND ($3::bigint IS NULL OR r.id < $3) ORDER BY r.id DESC LIMIT ${MOST_LINES + 1}`,
    [kitId, from, before],
  )

/** When the kit's life in the records begins. */
export async function firstDay(tx: Tx, kitId: string): Promise<string | null> {
  const sql = `SELECT least((SELECT min(from_on) FROM loan WHERE kit_id = $1),
    (SELECT min(at)::date FROM reading WHERE kit_id = $1))::text AS day`
  return (await selectRows<{ day: string | null }>(tx, sql, [kitId]))[0]?.day ?? null
}

export interface ModelFigures {
  readonly modelId: string
  readonly modelName: string
  readonly family: string
  readonly kits: { readonly code: string; readonly name: string }[]
  readonly mirror: { readonly value: number; readonly limit: number }[]
  readonly finder: { readonly value: number; readonly limit: number }[]
  readonly loans: number
  readonly lost: number
  readonly benchMinutes: number | null
}

const foundLately = (kind: string) => `coalesce((
    SELECT json_agg(json_build_object('value', r.as_found, 'limit', r.limit_value) ORDER BY r.at DESC) FROM kit k CROSS JOIN LATERAL (
      SELECT as_found, limit_value, at FROM reading
      WHERE kit_id = k.id AND kind = '${kind}' AND as_found IS NOT NULL ORDER BY at DESC LIMIT 20
    ) r WHERE k.model_id = m.id AND k.branch_id = $1), '[]')`

/** What the models of a branch did lately: of each kit the newest twenty of everything. */
export const modelFigures = (tx: Tx, branchId: string): Promise<ModelFigures[]> =>
  selectRows(
    tx,
    `SELECT m.id AS "modelId", m.name AS "modelName", m.family,
       (SELECT json_agg(json_build_object('code', k.code, 'name', k.name) ORDER BY k.name) FROM kit k
        WHERE k.model_id = m.id AND k.branch_id = $1) AS kits,
       ${foundLately('collimation')} AS mirror, ${foundLately('finder')} AS finder,
       counted.loans, counted.lost,
       (SELECT sum(median_seconds) / 60 FROM step_median WHERE model_id = m.id AND step_key LIKE 'station %') AS "benchMinutes"
     FROM model m CROSS JOIN LATERAL (
       SELECT count(*)::int AS loans, coalesce(sum(t.missing), 0)::int AS lost
       FROM kit k CROSS JOIN LATERAL (
         SELECT id FROM loan WHERE kit_id = k.id AND state = 'back' ORDER BY from_on DESC LIMIT 20
       ) l CROSS JOIN LATERAL (
         SELECT (SELECT count(*) FROM jsonb_array_elements(marks) mark WHERE mark->>'mark' = 'missing') AS missing
         FROM take_back WHERE loan_id = l.id ORDER BY at DESC LIMIT 1
       ) t WHERE k.model_id = m.id AND k.branch_id = $1
     ) counted
     WHERE EXISTS (SELECT 1 FROM kit k WHERE k.model_id = m.id AND k.branch_id = $1)
     ORDER BY counted.loans DESC, m.name`,
    [branchId],
  )

/** Loans that began in each of a branch's last months, and those of them that were late. */
export const loansByMonth = (
  tx: Tx,
  { branchId, from, until, zone }: { branchId: string; from: string; until: string; zone: string },
): Promise<{ month: string; loans: number; late: number }[]> =>
  selectRows(
    tx,
    `SELECT to_char(l.from_on, 'YYYY-MM') AS month, count(*)::int AS loans,
       (count(*) FILTER (WHERE (coalesce(l.back_at, now()) AT TIME ZONE $4)::date > l.until_on))::int AS late
     FROM loan l WHERE l.branch_id = $1 AND l.from_on BETWEEN $2 AND $3 AND l.state IN ('out', 'back')
     GROUP BY 1 ORDER BY 1`,
    [branchId, from, until, zone],
  )

export interface LentKit {
  readonly id: string
  readonly modelId: string
  readonly code: string
  readonly name: string
  readonly loansAYear: number
  readonly lookMinutes: number | null
}

/** A branch's kits whose mirrors somebody has looked at, how often each went out in a year, and what a look took. */
export const lentKits = (tx: Tx, branchId: string, today: string): Promise<LentKit[]> =>
  selectRows(
    tx,
    `SELECT k.id, k.model_id AS "modelId", k.code, k.name,
       (SELECT count(*)::int FROM loan l WHERE l.kit_id = k.id AND l.state IN ('out', 'back')
          AND l.from_on BETWEEN $2::date - 365 AND $2::date) AS "loansAYear",
       (SELECT median_seconds / 60 FROM step_median WHERE model_id = k.model_id AND step_key = 'station collimation') AS "lookMinutes"
     FROM kit k JOIN kit_drift d ON d.kit_id = k.id WHERE k.branch_id = $1 ORDER BY k.name`,
    [branchId, today],
  )

export async function dueChanceOf(tx: Tx, branchId: string): Promise<number> {
  const sql = `SELECT (policies->>'dueChance')::float AS chance FROM branch WHERE id = $1`
  return (await selectRows<{ chance: number | null }>(tx, sql, [branchId]))[0]?.chance ?? DEFAULT_DUE_CHANCE
}
