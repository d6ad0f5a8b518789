import type { PracticeResult } from '@binoculum/contract'
import { selectRows, type Tx } from '../../platform/database.ts'

const SHOWN = 100

/** One's own runs, and those of everybody in the branches that one leads. */
const VISIBLE = `(p.staff_id = $1 OR EXISTS (
  SELECT 1 FROM membership m WHERE m.staff_id = p.staff_id AND m.branch_id = ANY($2)))`

export const latestRuns = (reader: Tx, staffId: string, led: readonly string[]) =>
  selectRows<{ result: unknown; by: string; staffId: string; at: Date }>(
    reader,
    `SELECT p.result, s.name AS by, p.staff_id AS "staffId", p.at FROM practice_run p JOIN staff s ON s.id = p.staff_id
     WHERE ${VISIBLE} ORDER BY p.at DESC LIMIT ${SHOWN}`,
    [staffId, led],
  )

interface SummaryRow {
  readonly staffId: string
  readonly by: string
  readonly level: PracticeResult['level']
  readonly tubes: number
  readonly within: number
  readonly timesLeast: number | null
  readonly middleLeftMm: number
  readonly unaided: number
  readonly lastAt: Date
}

/** Per person and level, whoever practised last first. */
export const summaries = (reader: Tx, staffId: string, led: readonly string[]) =>
  selectRows<SummaryRow>(
    reader,
    `WITH run AS (
       SELECT p.staff_id, s.name, p.at, p.result->>'level' AS level,
         (p.result->>'sixteenthsUsed')::float8 AS used, (p.result->>'sixteenthsLeast')::float8 AS least,
         (p.result->>'leftMm')::float8 AS left_mm, (p.result->>'limitMm')::float8 AS limit_mm,
         (p.result->>'helpLines')::float8 AS help_lines
       FROM practice_run p JOIN staff s ON s.id = p.staff_id WHERE ${VISIBLE})
     SELECT staff_id AS "staffId", name AS by, level, count(*)::int AS tubes,
       (count(*) FILTER (WHERE left_mm <= limit_mm))::int AS within,
       sum(used) / nullif(sum(least), 0) AS "timesLeast",
       percentile_cont(0.5) WITHIN GROUP (ORDER BY left_mm) AS "middleLeftMm",
       (count(*) FILTER (WHERE help_lines = 0))::int AS unaided, max(at) AS "lastAt"
     FROM run GROUP BY staff_id, name, level ORDER BY max(max(at)) OVER (PARTITION BY staff_id) DESC, name, level`,
    [staffId, led],
  )
