import { selectRows, type Tx } from '../../platform/database.ts'

const templateColumns = (alias: string) => `${alias}.name, ${alias}.role, ${alias}.criticality, ${alias}.count,
  ${alias}.mass_g AS "massG", ${alias}.tolerance_g AS "toleranceG", ${alias}.weigh_group AS "weighGroup", ${alias}.place,
  ${alias}.look_every_time AS "lookEveryTime", ${alias}.look_for AS "lookFor", ${alias}.cost_minor AS "costMinor",
  ${alias}.consumable, ${alias}.optics`

type Row = Record<string, unknown> & { readonly id: string }

/** Everything of a branch's contents, in the order of its codes and cards. */
export async function archiveRows(tx: Tx, branchId: string) {
  const rows = <T>(sql: string) => selectRows<T>(tx, sql, [branchId])
  const ofKits = 'SELECT id FROM kit WHERE branch_id = $1'
  const ofModels = 'SELECT model_id FROM kit WHERE branch_id = $1'
  const [branch] = await rows<{ name: string; zone: string; currency: string }>(
    'SELECT name, zone, currency FROM branch WHERE id = $1',
  )
  return {
    branch,
    models: await rows<Row>(
      `SELECT id, name, family, optics, mount, mirror, finder, procedure, weigh_groups AS "weighGroups" FROM model WHERE id IN (${ofModels}) ORDER BY name, id`,
    ),
    modelParts: await rows<Row & { modelId: string; pictureId: string | null }>(
      `SELECT p.id, p.model_id AS "modelId", p.picture_id AS "pictureId", ${templateColumns('p')}
       FROM model_part p JOIN model m ON m.id = p.model_id WHERE p.model_id IN (${ofModels}) ORDER BY m.name, m.id, p.position`,
    ),
    kits: await rows<Row & { modelId: string }>(
      `SELECT id, model_id AS "modelId", code, name, place, stands_at AS "standsAt",
         collimation_policy AS "collimationPolicy", hazards,
         head_moment_gmm AS "headMomentGmm" FROM kit WHERE branch_id = $1 ORDER BY code`,
    ),
    parts: await rows<Row & { kitId: string; modelPartId: string | null; pictureIds: string[] }>(
      `SELECT p.id, p.kit_id AS "kitId", p.model_part_id AS "modelPartId", p.weighed, p.mark,
         p.present_count AS "presentCount", p.note, p.wrong_item AS "wrongItem", p.picture_ids AS "pictureIds",
         ${templateColumns('p')}
       FROM part p JOIN kit k ON k.id = p.kit_id WHERE k.branch_id = $1 ORDER BY k.code, p.position`,
    ),
    weighings: await rows<{ kitId: string; at: Date }>(
      `SELECT kit_id AS "kitId", weigh_group AS "group", measured_g AS "measuredG", scale_step_g AS "scaleStepG",
         container_g AS "containerG", expected_g AS "expectedG", source, at
       FROM weighing WHERE kit_id IN (${ofKits}) AND complete AND NOT outdated ORDER BY at, weigh_group`,
    ),
    jobs: await rows<{ kitId: string; partId: string | null; openedAt: Date; notBefore: Date | null }>(
      `SELECT kit_id AS "kitId", part_id AS "partId", code, text, note, to_char(due_on, 'YYYY-MM-DD') AS "dueOn",
         not_before AS "notBefore", opened_at AS "openedAt"
       FROM job WHERE kit_id IN (${ofKits}) AND closed_at IS NULL ORDER BY opened_at, code, text`,
    ),
    spares: await rows<Row>(
      `SELECT id, name, role, count, mass_g AS "massG", cost_minor AS "costMinor", note FROM spare
       WHERE branch_id = $1 ORDER BY name`,
    ),
    pictures: await rows<{ id: string; bytes: Buffer }>(
      'SELECT id, bytes FROM picture WHERE branch_id = $1 ORDER BY at, id',
    ),
  }
}
