import type { BranchBenchPlan } from '@binoculum/contract'
import { selectRows, type Tx } from '../../platform/database.ts'

/** A branch's next evenings, soonest first. */
export const eveningsFrom = (
  tx: Tx,
  { branchId, from, most }: { branchId: string; from: string; most: number },
): Promise<BranchBenchPlan['evenings']> =>
  selectRows(
    tx,
    `SELECT id, on_day::text AS "onDay", seats, minutes_each AS "minutesEach", note FROM bench_evening
     WHERE branch_id = $1 AND on_day >= $2 ORDER BY on_day, id LIMIT $3`,
    [branchId, from, most],
  )
