import type { PointXY } from '@binoculum/core'
import { selectRows, type Tx } from '../../platform/database.ts'

export interface MirrorLook {
  readonly kitId: string
  readonly at: Date
  readonly asFound: number | null
  readonly asLeft: number
  readonly limit: number
  readonly asFoundAt: PointXY | null
  readonly asLeftAt: PointXY | null
}

/** Of each kit so many newest are looked at: what holds today, and no read that grows with the years. */
const NEWEST_OWN = 40
const NEWEST_OF_OTHERS = 12

/** The newest looks at a kit's mirror, and at those of its model's other kits. */
export const mirrorLooks = (tx: Tx, { id, modelId }: { id: string; modelId: string }): Promise<MirrorLook[]> =>
  selectRows(
    tx,
    `SELECT r.* FROM kit k CROSS JOIN LATERAL (
       SELECT kit_id AS "kitId", at, as_found AS "asFound", as_left AS "asLeft", limit_value AS "limit",
         as_found_at AS "asFoundAt", as_left_at AS "asLeftAt"
       FROM reading WHERE kit_id = k.id AND kind = 'collimation' ORDER BY at DESC
       LIMIT CASE WHEN k.id = $1 THEN ${NEWEST_OWN} ELSE ${NEWEST_OF_OTHERS} END
     ) r WHERE k.model_id = $2`,
    [id, modelId],
  )

/** When some kits came back lately. */
export const returnsOf = (tx: Tx, kitIds: readonly string[]): Promise<{ kitId: string; backAt: Date }[]> =>
  selectRows(
    tx,
    `SELECT l.* FROM unnest($1::uuid[]) own(id) CROSS JOIN LATERAL (
       SELECT kit_id AS "kitId", back_at AS "backAt" FROM loan
       WHERE kit_id = own.id AND state = 'back' ORDER BY from_on DESC LIMIT 100
     ) l`,
    [kitIds],
  )

export const kitsWithMirrors = (tx: Tx): Promise<{ id: string; modelId: string }[]> =>
  selectRows(
    tx,
    `SELECT k.id, k.model_id AS "modelId" FROM kit k
     WHERE EXISTS (SELECT 1 FROM reading r WHERE r.kit_id = k.id AND r.kind = 'collimation') ORDER BY k.id`,
  )
