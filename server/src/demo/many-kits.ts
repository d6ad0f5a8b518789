import type { Tx } from '../platform/database.ts'

/** Copies the demo's kits with their parts and readings until the shelf is as large as a large programme's. */
export async function addKits(tx: Tx, count: number): Promise<void> {
  await tx.query(
    `WITH model_kit AS (SELECT k.*, row_number() OVER (ORDER BY k.code) - 1 AS place_no, count(*) OVER () AS n FROM kit k),
     copy AS (
       SELECT gen_random_uuid() AS id, m.id AS from_id, m.branch_id, m.model_id, 'X-' || i AS code, m.name || ' ' || i AS name, m.place
       FROM generate_series(1, $1) i JOIN model_kit m ON m.place_no = i % m.n
     ),
     kits AS (
       INSERT INTO kit (id, branch_id, model_id, code, name, place, stands_at)
       SELECT id, branch_id, model_id, code, name, place, 'shelf' FROM copy RETURNING id
     ),
     parts AS (
       INSERT INTO part (id, kit_id, position, name, role, criticality, count, present_count, mass_g, place, mark, optics)
       SELECT gen_random_uuid(), c.id, p.position, p.name, p.role, p.criticality, p.count, p.present_count, p.mass_g,
         p.place, p.mark, p.optics
       FROM copy c JOIN part p ON p.kit_id = c.from_id
     )
     INSERT INTO reading (id, kit_id, check_id, kind, as_found, as_left, limit_value, good, unit, source, by_staff_id, at, current)
     SELECT gen_random_uuid(), c.id, r.check_id, r.kind, r.as_found, r.as_left, r.limit_value, r.good, r.unit, r.source,
       r.by_staff_id, r.at, r.current
     FROM copy c JOIN reading r ON r.kit_id = c.from_id`,
    [count],
  )
}
