import type { Spare as SpareView } from '@binoculum/contract'
import { selectRows, type Tx } from '../../platform/database.ts'
import type { Spare } from './entities.ts'

/** Spares with the kits that lack such a part: of the same role, and of the same name where the role has several. */
export const sparesOf = (tx: Tx, branchIds: readonly string[]): Promise<SpareView[]> =>
  selectRows(
    tx,
    // What the branches' kits lack is looked up kit by kit, once: the parts of all others are none of its business.
    `WITH lacking AS MATERIALIZED (
       SELECT p.id AS "partId", k.id AS "kitId", k.branch_id, k.code, k.name, p.role, lower(p.name) AS part_name, p.missing
       FROM kit k CROSS JOIN LATERAL (
         SELECT id, role, name, count - present_count AS missing FROM part
         WHERE kit_id = k.id AND mark = 'missing' AND present_count < count
       ) p
       WHERE k.branch_id = ANY($1) AND NOT EXISTS (SELECT 1 FROM loan l WHERE l.kit_id = k.id AND l.state = 'out')
     )
     SELECT s.id, s.branch_id AS "branchId", b.name AS "branchName", b.currency, s.name, s.role, s.count, s.mass_g AS "massG", s.cost_minor AS "costMinor",
       s.note, s.version, coalesce(wanted.list, '[]') AS "wantedBy"
     FROM spare s JOIN branch b ON b.id = s.branch_id
     LEFT JOIN LATERAL (
       SELECT json_agg(json_build_object('partId', l."partId", 'kitId', l."kitId", 'code', l.code, 'name', l.name,
         'missing', l.missing) ORDER BY l.name) AS list
       FROM lacking l
       WHERE l.branch_id = s.branch_id AND l.role = s.role
         AND (l.role NOT IN ('eyepiece', 'low-eyepiece', 'barlow', 'other') OR l.part_name = lower(s.name))
     ) wanted ON true
     WHERE s.branch_id = ANY($1) ORDER BY s.name`,
    [branchIds],
  )

export async function lockSpare(tx: Tx, id: string): Promise<Spare | null> {
  const sql = `SELECT id, branch_id AS "branchId", name, role, count, mass_g AS "massG", cost_minor AS "costMinor", note,
    version FROM spare WHERE id = $1 FOR UPDATE`
  return (await selectRows<Spare>(tx, sql, [id]))[0] ?? null
}
