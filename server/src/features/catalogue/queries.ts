import type { Family } from '@binoculum/core'
import { selectRows, type Tx } from '../../platform/database.ts'

export interface CataloguedModel {
  readonly id: string
  readonly name: string
  readonly family: Family
  readonly apertureMm: number
  readonly focalLengthMm: number
  readonly parts: readonly { readonly name: string; readonly count: number }[]
  readonly kits: readonly { readonly code: string; readonly name: string }[]
}

/** A branch's models that it has kits of, with what their cards list. */
export const cataloguedModels = (tx: Tx, branchId: string): Promise<CataloguedModel[]> =>
  selectRows(
    tx,
    `SELECT m.id, m.name, m.family, (m.optics->>'apertureMm')::float AS "apertureMm", (m.optics->>'focalLengthMm')::float AS "focalLengthMm",
       coalesce((SELECT json_agg(json_build_object('name', p.name, 'count', p.count) ORDER BY p.position)
         FROM model_part p WHERE p.model_id = m.id), '[]') AS parts,
       (SELECT json_agg(json_build_object('code', k.code, 'name', k.name) ORDER BY k.code)
         FROM kit k WHERE k.model_id = m.id AND k.branch_id = $1) AS kits
     FROM model m WHERE EXISTS (SELECT 1 FROM kit k WHERE k.model_id = m.id AND k.branch_id = $1) ORDER BY m.name, m.id`,
    [branchId],
  )

export async function nameOfBranch(tx: Tx, branchId: string): Promise<string> {
  const rows = await selectRows<{ name: string }>(tx, 'SELECT name FROM branch WHERE id = $1', [branchId])
  return rows[0]?.name ?? ''
}
