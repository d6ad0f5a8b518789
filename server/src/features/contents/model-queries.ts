import type { ModelPart, WeighGroup } from '@binoculum/contract'
import type { TemplatePart } from '@binoculum/core'
import { selectRows, type Tx } from '../../platform/database.ts'

export interface ModelRow {
  readonly id: string
  readonly branchId: string
  readonly name: string
  readonly family: string
  readonly optics: unknown
  readonly weighGroups: WeighGroup[]
  readonly mount: unknown
  readonly mirror: unknown
  readonly finder: unknown
  readonly stand: unknown
  readonly procedure: unknown
  readonly version: number
}

const modelColumns = `m.id, m.branch_id AS "branchId", m.name, m.family, m.optics, m.weigh_groups AS "weighGroups", m.mount, m.mirror, m.finder, m.stand, m.procedure,
  m.version`

/** Models of these branches, and those that their kits have. */
export const modelsOfBranches = (
  tx: Tx,
  branchIds: readonly string[],
): Promise<{ id: string; name: string; family: string; parts: number; kits: string[] }[]> =>
  selectRows(
    tx,
    `SELECT m.id, m.name, m.family, (SELECT count(*)::int FROM model_part p WHERE p.model_id = m.id) AS parts,
       ARRAY(SELECT k.name FROM kit k WHERE k.model_id = m.id AND k.branch_id = ANY($1) ORDER BY k.name) AS kits
     FROM model m
     WHERE m.branch_id = ANY($1) OR EXISTS (SELECT 1 FROM kit k WHERE k.model_id = m.id AND k.branch_id = ANY($1))
     ORDER BY m.name`,
    [branchIds],
  )

export async function modelById(tx: Tx, id: string, lock = false): Promise<ModelRow | null> {
  const sql = `SELECT ${modelColumns} FROM model m WHERE m.id = $1 ${lock ? 'FOR UPDATE' : ''}`
  return (await selectRows<ModelRow>(tx, sql, [id]))[0] ?? null
}

export const modelParts = (tx: Tx, modelId: string): Promise<ModelPart[]> =>
  selectRows(
    tx,
    `SELECT id, position, name, role, criticality, count, mass_g AS "massG", tolerance_g AS "toleranceG",
       weigh_group AS "weighGroup", together, place, look_every_time AS "lookEveryTime", look_for AS "lookFor",
       cost_minor AS "costMinor", consumable, optics, picture_id AS "pictureId"
     FROM model_part WHERE model_id = $1 ORDER BY position`,
    [modelId],
  )

export interface KitOfModel {
  readonly id: string
  readonly branchId: string
  readonly code: string
  readonly name: string
}

export const kitsOfModel = (tx: Tx, modelId: string): Promise<KitOfModel[]> =>
  selectRows(tx, 'SELECT id, branch_id AS "branchId", code, name FROM kit WHERE model_id = $1 ORDER BY name, code', [
    modelId,
  ])

export type KitPartOfModel = TemplatePart & {
  readonly id: string
  readonly kitId: string
  readonly modelPartId: string | null
  readonly position: number
  readonly weighed: boolean
  readonly presentCount: number
  readonly mark: string
}

export const kitPartsOfModel = (tx: Tx, modelId: string): Promise<KitPartOfModel[]> =>
  selectRows(
    tx,
    `SELECT p.id, p.kit_id AS "kitId", p.model_part_id AS "modelPartId", p.position, p.name, p.role, p.criticality,
       p.count, p.mass_g AS "massG", p.tolerance_g AS "toleranceG", p.weigh_group AS "weighGroup", p.place,
       p.look_every_time AS "lookEveryTime", p.cost_minor AS "costMinor", p.weighed,
       p.present_count AS "presentCount", p.mark
     FROM part p JOIN kit k ON k.id = p.kit_id WHERE k.model_id = $1 ORDER BY p.kit_id, p.position`,
    [modelId],
  )
