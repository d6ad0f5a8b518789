import type { PointXY, ToldSpread } from '@binoculum/core'
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
/** So many other kits of the model are enough to lend what a kit has too little of; those of its own branch come first. */
const MOST_OTHERS = 12

/** The newest looks at a kit's mirror, and at those of its model's other kits. */
export const mirrorLooks = (tx: Tx, { id, modelId }: { id: string; modelId: string }): Promise<MirrorLook[]> =>
  selectRows(
    tx,
    `SELECT r.* FROM (
       SELECT id FROM kit WHERE id = $1 UNION ALL (
         SELECT other.id FROM kit other JOIN kit own ON own.id = $1 WHERE other.model_id = $2 AND other.id <> $1
         ORDER BY (other.branch_id = own.branch_id) DESC, other.id LIMIT ${MOST_OTHERS})
     ) k CROSS JOIN LATERAL (
       SELECT kit_id AS "kitId", at, as_found AS "asFound", as_left AS "asLeft", limit_value AS "limit",
         as_found_at AS "asFoundAt", as_left_at AS "asLeftAt"
       FROM reading WHERE kit_id = k.id AND kind = 'collimation' ORDER BY at DESC
       LIMIT CASE WHEN k.id = $1 THEN ${NEWEST_OWN} ELSE ${NEWEST_OF_OTHERS} END
     ) r`,
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

/** Kits of a branch whose mirrors were looked at, with their class; so many are enough to tell how a class wanders. */
export const kitsOfBranchWithMirrors = (
  tx: Tx,
  branchId: string,
  most: number,
): Promise<{ id: string; family: string }[]> =>
  selectRows(
    tx,
    `SELECT k.id, m.family FROM kit k JOIN model m ON m.id = k.model_id WHERE k.branch_id = $1
       AND EXISTS (SELECT 1 FROM reading r WHERE r.kit_id = k.id AND r.kind = 'collimation') ORDER BY k.id LIMIT $2`,
    [branchId, most],
  )

/** The newest looks at some kits' mirrors. */
export const looksOfKits = (tx: Tx, kitIds: readonly string[]): Promise<MirrorLook[]> =>
  selectRows(
    tx,
    `SELECT r.* FROM unnest($1::uuid[]) own(id) CROSS JOIN LATERAL (
       SELECT kit_id AS "kitId", at, as_found AS "asFound", as_left AS "asLeft", limit_value AS "limit",
         as_found_at AS "asFoundAt", as_left_at AS "asLeftAt"
       FROM reading WHERE kit_id = own.id AND kind = 'collimation' ORDER BY at DESC LIMIT ${NEWEST_OF_OTHERS}
     ) r`,
    [kitIds],
  )

/** What other programmes told a kit's branch of its class. */
export const driftTold = (tx: Tx, kitId: string): Promise<{ family: string; drift: ToldSpread['drift'] }[]> =>
  selectRows(
    tx,
    `SELECT m.family, p.drift FROM kit k JOIN model m ON m.id = k.model_id JOIN spread p ON p.branch_id = k.branch_id
     WHERE k.id = $1`,
    [kitId],
  )
