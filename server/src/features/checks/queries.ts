import { benchJobCodes } from '@binoculum/core'
import { type Tx, changedRows, selectRows } from '../../platform/database.ts'
import { BenchCheck, KnobStepRow, ReadingRow, StepTimeRow, TurnedStepRow } from './entities.ts'

/** Keeps new readings as the current ones of their kinds. The older ones stay, as history. */
export async function keepReadings(tx: Tx, kitId: string, readings: readonly ReadingRow[]): Promise<void> {
  const kinds = readings.map(({ kind }) => kind)
  const sql = 'UPDATE reading SET current = false WHERE kit_id = $1 AND kind = ANY($2) AND current RETURNING id'
  await changedRows(tx, sql, [kitId, kinds])
  await tx.insert(ReadingRow, readings as never)
}

/** A step's median is that of so many newest times: hands get quicker, and no check counts years. */
const NEWEST_TIMES = 100

/** Keeps times of one model's steps, and their medians. */
export async function keepStepTimes(tx: Tx, rows: readonly StepTimeRow[]): Promise<void> {
  const [first] = rows
  if (!first) return
  await tx.insert(StepTimeRow, [...rows])
  await tx.query(
    `INSERT INTO step_median AS kept (model_id, step_key, median_seconds, times)
     SELECT $1::uuid, step.key, newest.median, step.times
     FROM (SELECT key, count(*)::int AS times FROM unnest($2::text[]) key GROUP BY key ORDER BY key) step
     CROSS JOIN LATERAL (
       SELECT percentile_cont(0.5) WITHIN GROUP (ORDER BY seconds) AS median FROM (
         SELECT seconds FROM step_time WHERE model_id = $1::uuid AND step_key = step.key ORDER BY at DESC LIMIT $3
       ) recent
     ) newest
     ON CONFLICT (model_id, step_key)
     DO UPDATE SET median_seconds = excluded.median_seconds, times = kept.times + excluded.times`,
    [first.modelId, rows.map(({ stepKey }) => stepKey), NEWEST_TIMES],
  )
}

/** The same medians anew from the history, where rows came in by the thousand. */
export const recountStepMedians = (tx: Tx): Promise<unknown> =>
  tx.query(
    `INSERT INTO step_median (model_id, step_key, median_seconds, times)
     SELECT model_id, step_key,
       percentile_cont(0.5) WITHIN GROUP (ORDER BY seconds) FILTER (WHERE place <= $1), count(*)::int
     FROM (
       SELECT *, row_number() OVER (PARTITION BY model_id, step_key ORDER BY at DESC) AS place FROM step_time
     ) newest
     GROUP BY model_id, step_key
     ON CONFLICT (model_id, step_key)
     DO UPDATE SET median_seconds = excluded.median_seconds, times = excluded.times`,
    [NEWEST_TIMES],
  )

export const keepTurnedSteps = async (tx: Tx, rows: readonly TurnedStepRow[]): Promise<void> => {
  if (rows.length > 0) await tx.insert(TurnedStepRow, rows as never)
}

/** What a cell taught falls away; the checks it was seen in stay as they are. */
export const forgetTurnedSteps = (tx: Tx, kitId: string): Promise<{ id: string }[]> =>
  changedRows(tx, 'DELETE FROM turned_step WHERE kit_id = $1 RETURNING id', [kitId])

export const keepKnobSteps = async (tx: Tx, rows: readonly KnobStepRow[]): Promise<void> => {
  if (rows.length > 0) await tx.insert(KnobStepRow, rows as never)
}

export const insertCheck = (tx: Tx, check: BenchCheck) => tx.insert(BenchCheck, check)

export const closeJobs = (tx: Tx, kitId: string, jobIds: readonly string[], at: Date) =>
  changedRows(
    tx,
    'UPDATE job SET closed_at = $3 WHERE kit_id = $1 AND id = ANY($2) AND code = ANY($4) AND closed_at IS NULL RETURNING id',
    [kitId, jobIds, at, benchJobCodes],
  )

export const placeOnShelf = (tx: Tx, kitId: string) =>
  changedRows(tx, `UPDATE kit SET stands_at = 'shelf' WHERE id = $1 RETURNING id`, [kitId])

/** Looks at a kit's glass by torch, newest first. A kit's checks are few hundred at most; so many are read at once. */
export const glassLooksOf = (tx: Tx, kitId: string): Promise<{ look: unknown; atUtc: string; by: string }[]> =>
  selectRows(
    tx,
    `SELECT each->'look' AS look, s.name AS by, to_char(c.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') AS "atUtc"
     FROM (SELECT at, by_staff_id, stations FROM bench_check WHERE kit_id = $1 ORDER BY at DESC LIMIT 60) c
     JOIN staff s ON s.id = c.by_staff_id
     CROSS JOIN LATERAL jsonb_array_elements(c.stations) each
     WHERE each->>'station' = 'glass' AND jsonb_typeof(each->'look') = 'object' ORDER BY c.at DESC`,
    [kitId],
  )
