import type { OwnFinder, RecordLine } from '@binoculum/contract'
import type { FinderPart } from '@binoculum/core'
import { selectRows, type Tx } from '../../platform/database.ts'

export const historyOf = (
  tx: Tx,
  kitId: string,
  limit: number,
): Promise<(Omit<RecordLine, 'atUtc'> & { at: Date })[]> =>
  selectRows(
    tx,
    `SELECT r.id, r.at, r.act, coalesce(s.name, '–') AS by, r.before, r.after
     FROM record r LEFT JOIN staff s ON s.id = r.staff_id
     WHERE r.kit_id = $1 ORDER BY r.id DESC LIMIT $2`,
    [kitId, limit],
  )

/** Finders of many kits at once: their models', and where each sits. */
export const findersOfKits = (
  tx: Tx,
  kitIds: readonly string[],
): Promise<{ kitId: string; finder: unknown; ownFinder: OwnFinder | null; finderPart: FinderPart[] }[]> =>
  selectRows(
    tx,
    `SELECT k.id AS "kitId", m.finder, k.own_finder AS "ownFinder",
       coalesce((SELECT json_agg(json_build_object('name', p.name, 'role', p.role, 'optics', p.optics) ORDER BY p.position)
         FROM part p WHERE p.kit_id = k.id AND p.role IN ('finder', 'coin-cell')), '[]') AS "finderPart"
     FROM kit k JOIN model m ON m.id = k.model_id WHERE k.id = ANY($1)`,
    [kitIds],
  )
