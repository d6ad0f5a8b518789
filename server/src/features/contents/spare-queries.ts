import type { Spare as SpareView } from '@binoculum/contract'
import { selectRows, type Tx } from '../../platform/database.ts'
import type { Spare } from './entities.ts'

/** Spares with the kits that lack such a part: of the same role, and of the same name where the role has several. */
export const sparesOf = (tx: Tx, branchIds: readonly string[]): Promise<SpareView[]> =>
  selectRows(
    tx,
    `SELECT s.id, s.branch_id AS "branchId", b.name AS "branchName", b.currency, s.name, s.role, s.count, s.mass_g AS "massG", s.cost_minor AS "costMinor",
       s.note, s.version, coalesce(wanted.list, '[]') AS "wantedBy"
     FROM spare s JOIN branch b ON b.id = s.branch_id
     LEFT JOIN LATERAL (
       SELECT json_agg(json_build_object('partId', p.id, 'kitId', k.id, 'code', k.code, 'name', k.name,
         'missing', p.count - p.present_count) ORDER BY k.name) AS list
       FROM part p JOIN kit k ON k.id = p.kit_id
       WHERE k.branch_id = s.branch_id AND p.mark = 'missing' AND p.present_count < p.count AND p.role = s.role
         AND (p.role NOT IN ('eyepiece', 'low-eyepiece', 'barlow', 'other') OR lower(p.name) = lower(s.name))
         AND NOT EXISTS (SELECT 1 FROM loan l WHERE l.kit_id = k.id AND l.state = 'out')
     ) wanted ON true
     WHERE s.branch_id = ANY($1) ORDER BY s.name`,
    [branchIds],
  )

export async function lockSpare(tx: Tx, id: string): Promise<Spare | null> {
  const sql = `SELECT id, branch_id AS "branchId", name, role, count, mass_g AS "massG", cost_minor AS "costMinor", note,
    version FROM spare WHERE id = $1 FOR UPDATE`
  return (await selectRows<Spare>(tx, sql, [id]))[0] ?? null
}
