import type { FinderDrift, KitSheet, KnobStepView, ReadingView, TurnedStepView } from '@binoculum/contract'
import type { StationTime } from '@binoculum/core'
import { selectRows, type Tx } from '../../platform/database.ts'
import { STATION_KEY } from './step-times.ts'

export interface StepTimes {
  readonly key: string
  readonly medianSeconds: number
  readonly times: number
}

/** How long each step of a model took, over all its kits. */
export const stepTimesOfModel = (tx: Tx, modelId: string): Promise<StepTimes[]> =>
  selectRows(
    tx,
    `SELECT step_key AS key, median_seconds AS "medianSeconds", times
     FROM step_median WHERE model_id = $1 AND step_key NOT LIKE '${STATION_KEY}%' ORDER BY step_key`,
    [modelId],
  )

/** How long each station of some models took, over all their kits. */
export async function stationMinutesOf(
  tx: Tx,
  modelIds: readonly string[],
): Promise<ReadonlyMap<string, StationTime[]>> {
  const rows = await selectRows<StationTime & { modelId: string }>(
    tx,
    `SELECT model_id AS "modelId", substr(step_key, ${STATION_KEY.length + 1}) AS station,
       median_seconds / 60 AS "medianMinutes", times
     FROM step_median WHERE model_id = ANY($1) AND step_key LIKE '${STATION_KEY}%'`,
    [modelIds],
  )
  const found = new Map<string, StationTime[]>()
  for (const { modelId, ...time } of rows) found.set(modelId, [...(found.get(modelId) ?? []), time])
  return found
}

/** What a cell's screws did lately, oldest first. */
export const newestTurnedSteps = (tx: Tx, kitId: string): Promise<TurnedStepView[]> =>
  selectRows(
    tx,
    `SELECT before, turns, after, uncertainty_mm AS "uncertaintyMm" FROM (
       SELECT * FROM turned_step WHERE kit_id = $1 ORDER BY at DESC, position DESC LIMIT 20
     ) newest ORDER BY at, position`,
    [kitId],
  )

/** What a finder's knobs did lately, oldest first. */
export const newestKnobSteps = (tx: Tx, kitId: string): Promise<{ step: KnobStepView }[]> =>
  selectRows(
    tx,
    `SELECT step FROM (
       SELECT * FROM knob_step WHERE kit_id = $1 ORDER BY at DESC, position DESC LIMIT 20
     ) newest ORDER BY at, position`,
    [kitId],
  )

export const pastReadings = (
  tx: Tx,
  kitId: string,
  limit: number,
): Promise<(Omit<ReadingView, 'atUtc'> & { at: Date })[]> =>
  selectRows(
    tx,
    `SELECT * FROM (
       SELECT r.kind, r.as_found AS "asFound", r.as_left AS "asLeft", r.limit_value AS "limit", r.good, r.unit,
         r.source, r.at, s.name AS by, r.uncertainty
       FROM reading r JOIN staff s ON s.id = r.by_staff_id
       WHERE r.kit_id = $1 AND r.kind IN ('collimation', 'finder') ORDER BY r.at DESC, r.kind LIMIT $2
     ) latest ORDER BY at, kind`,
    [kitId, limit],
  )

/** What finder a kit's card says it has; its model's where the card doesn't tell. */
const cardFinderKind = `coalesce((SELECT p.optics->>'finderKind' FROM part p
  WHERE p.kit_id = k.id AND p.role = 'finder' LIMIT 1), m.finder->>'kind')`

const LEAST_LOANS = 3
/** Of each kit so many are counted: how a finder comes back today, and no read that grows with the years. */
const NEWEST_OF_KIT = 12

/** How finders of this kit's kind come back, over the branch's kits: the middle of what was found lately. */
export async function finderDrift(tx: Tx, kitId: string): Promise<FinderDrift | null> {
  const [row] = await selectRows<FinderDrift & { kind: FinderDrift['kind'] | null }>(
    tx,
    `WITH own AS (
       SELECT k.id, k.branch_id, ${cardFinderKind} AS kind FROM kit k JOIN model m ON m.id = k.model_id WHERE k.id = $1
     ), found AS (
       SELECT r.kit_id, r.as_found FROM own
       JOIN kit k ON k.branch_id = own.branch_id
       JOIN model m ON m.id = k.model_id AND ${cardFinderKind} = own.kind
       CROSS JOIN LATERAL (
         SELECT kit_id, as_found FROM reading WHERE kit_id = k.id AND kind = 'finder' AND as_found IS NOT NULL
         ORDER BY at DESC LIMIT ${NEWEST_OF_KIT}
       ) r
     )
     SELECT own.kind, count(found.as_found)::int AS loans,
       percentile_cont(0.5) WITHIN GROUP (ORDER BY found.as_found) AS "medianArcmin",
       (count(*) FILTER (WHERE found.kit_id = own.id))::int AS "ownLoans",
       percentile_cont(0.5) WITHIN GROUP (ORDER BY found.as_found) FILTER (WHERE found.kit_id = own.id) AS "ownMedianArcmin"
     FROM own LEFT JOIN found ON true GROUP BY own.kind`,
    [kitId],
  )
  return row?.kind && row.loans >= LEAST_LOANS ? row : null
}

/** Stars that were photographed at a kit's newest checks, newest first. */
export const newestStarLooks = (tx: Tx, kitId: string): Promise<KitSheet['starLooks']> =>
  selectRows(
    tx,
    `SELECT each->'look'->'ringOffset' AS "ringOffset", each->'look'->'axisRatio' AS "axisRatio",
       each->'look'->>'verdict' AS verdict, each->'look'->>'pictureId' AS "pictureId",
       to_char(at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') AS "atUtc"
     FROM (SELECT at, stations FROM bench_check WHERE kit_id = $1 ORDER BY at DESC LIMIT 8) newest
     CROSS JOIN LATERAL jsonb_array_elements(stations) each
     WHERE each->>'station' = 'star' AND jsonb_typeof(each->'look') = 'object' ORDER BY at DESC LIMIT 3`,
    [kitId],
  )
