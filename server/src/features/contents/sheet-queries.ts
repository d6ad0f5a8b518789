import type { KitSheet } from '@binoculum/contract'
import type { TemplatePart } from '@binoculum/core'
import { selectRows, type Tx } from '../../platform/database.ts'

export const partsOfModel = (tx: Tx, modelId: string): Promise<(TemplatePart & { id: string })[]> =>
  selectRows(
    tx,
    `SELECT id, name, role, criticality, count, mass_g AS "massG", tolerance_g AS "toleranceG",
       weigh_group AS "weighGroup", place, look_every_time AS "lookEveryTime", cost_minor AS "costMinor"
     FROM model_part WHERE model_id = $1 ORDER BY position`,
    [modelId],
  )

/** The last complete weighing of each group that still holds, without what it lay in. */
export async function baselinesOf(tx: Tx, kitId: string): Promise<KitSheet['baselines']> {
  const rows = await selectRows<{ group: string; measuredG: number; scaleStepG: number; at: Date }>(
    tx,
    `SELECT DISTINCT ON (weigh_group) weigh_group AS "group", measured_g - container_g AS "measuredG",
       scale_step_g AS "scaleStepG", at
     FROM weighing WHERE kit_id = $1 AND complete AND NOT outdated ORDER BY weigh_group, at DESC`,
    [kitId],
  )
  return rows.map(({ at, ...weighing }) => ({ ...weighing, atUtc: at.toISOString() }))
}
