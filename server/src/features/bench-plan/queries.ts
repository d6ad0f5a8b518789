import type { BranchBenchPlan } from '@binoculum/contract'
import type { BenchSkill } from '@binoculum/core'
import { selectRows, type Tx } from '../../platform/database.ts'

/** A branch's next evenings, soonest first. */
export const eveningsFrom = (
  tx: Tx,
  { branchId, from, most }: { branchId: string; from: string; most: number },
): Promise<BranchBenchPlan['evenings']> =>
  selectRows(
    tx,
    `SELECT id, on_day::text AS "onDay", seats, minutes_each AS "minutesEach", note,
       coalesce((SELECT array_agg(s.staff_id ORDER BY s.seat) FROM bench_seat s WHERE s.evening_id = bench_evening.id), '{}') AS "staffIds"
     FROM bench_evening WHERE branch_id = $1 AND on_day >= $2 ORDER BY on_day, id LIMIT $3`,
    [branchId, from, most],
  )

/** Who may work at a branch's bench, and what they said that they can do. */
export const handsOf = (
  tx: Tx,
  branchId: string,
): Promise<{ staffId: string; name: string; skills: BenchSkill[] | null }[]> =>
  selectRows(
    tx,
    `SELECT s.id AS "staffId", s.name, k.skills FROM membership m JOIN staff s ON s.id = m.staff_id
     LEFT JOIN bench_skill k ON k.staff_id = s.id AND k.branch_id = m.branch_id
     WHERE m.branch_id = $1 AND m.role IN ('coordinator', 'volunteer') AND s.closed_at IS NULL ORDER BY s.name, s.id LIMIT 100`,
    [branchId],
  )
