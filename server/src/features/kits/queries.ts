import type { Found, Part, ReadingView, RecordLine } from '@binoculum/contract'
import { changedRows, selectRows, type Tx } from '../../platform/database.ts'
import { Kit, Model, PartRow } from './entities.ts'

/** All that the shelf shows of a kit, in one row. Only parts that are not plainly present travel. */
export interface ShelfRow {
  readonly id: string
  readonly branchId: string
  readonly branchName: string
  readonly zone: string
  readonly emergencyLine: string
  readonly currency: string
  readonly policies: unknown
  readonly code: string
  readonly name: string
  readonly place: string
  readonly standsAt: 'shelf' | 'bench'
  readonly collimationPolicy: 'leave-it-to-us' | 'with-help-sheet'
  readonly hazards: string[]
  readonly version: number
  readonly modelName: string
  readonly family: string
  readonly optics: unknown
  readonly partCount: number
  readonly offParts: readonly { name: string; role: string; criticality: string; count: number; mark: string }[]
  readonly powerParts: readonly ({ name: string; mark: string } & Record<string, unknown>)[]
  readonly readings: readonly (Omit<ReadingView, 'atUtc' | 'by'> & { at: string; by: string })[]
  readonly jobs: readonly { id: string; code: string; text: string; openedAtUtc: string }[]
  readonly loan: { id: string; number: number; borrower: string; dueAt: string } | null
  readonly next: { loanId: string; borrower: string; at: string } | null
}

const shelfSql = (where: string) => `
  WITH chosen AS (SELECT k.* FROM kit k WHERE ${where}),
  part_facts AS (
    SELECT p.kit_id, count(*)::int AS part_count,
      coalesce(json_agg(json_build_object('name', p.name, 'role', p.role, 'criticality', p.criticality,
        'count', p.count, 'mark', p.mark) ORDER BY p.position)
        FILTER (WHERE p.mark <> 'present' OR p.role = 'screw-in-sun-filter'), '[]') AS off_parts,
      coalesce(json_agg(p.optics || jsonb_build_object('name', p.name, 'mark', p.mark) ORDER BY p.position)
        FILTER (WHERE p.optics <> '{}'), '[]') AS power_parts
    FROM part p WHERE p.kit_id IN (SELECT id FROM chosen) GROUP BY p.kit_id
  ),
  reading_facts AS (
    SELECT r.kit_id, json_agg(json_build_object('kind', r.kind, 'asFound', r.as_found, 'asLeft', r.as_left,
      'limit', r.limit_value, 'good', r.good, 'unit', r.unit, 'source', r.source, 'at', r.at, 'by', s.name)) AS readings
    FROM reading r JOIN staff s ON s.id = r.by_staff_id
    WHERE r.current AND r.kit_id IN (SELECT id FROM chosen) GROUP BY r.kit_id
  ),
  job_facts AS (
    SELECT j.kit_id, json_agg(json_build_object('id', j.id, 'code', j.code, 'text', j.text,
      'openedAtUtc', j.opened_at) ORDER BY j.opened_at) AS jobs
    FROM job j WHERE j.closed_at IS NULL AND j.kit_id IN (SELECT id FROM chosen) GROUP BY j.kit_id
  ),
  out_loan AS (
    SELECT l.kit_id, json_build_object('id', l.id, 'number', l.number, 'borrower', b.name, 'dueAt', l.due_at) AS loan
    FROM loan l JOIN borrower b ON b.id = l.borrower_id
    WHERE l.state = 'out' AND l.kit_id IN (SELECT id FROM chosen)
  ),
  next_loan AS (
    SELECT DISTINCT ON (l.kit_id) l.kit_id,
      json_build_object('loanId', l.id, 'borrower', b.name, 'at', l.promised_for) AS next
    FROM loan l JOIN borrower b ON b.id = l.borrower_id
    WHERE l.state = 'promised' AND l.kit_id IN (SELECT id FROM chosen)
    ORDER BY l.kit_id, l.promised_for
  )
  SELECT k.id, k.branch_id AS "branchId", br.name AS "branchName", br.zone, br.emergency_line AS "emergencyLine",
    br.currency, br.policies, k.code, k.name, k.place, k.stands_at AS "standsAt",
    k.collimation_policy AS "collimationPolicy", k.hazards, k.version, m.name AS "modelName", m.family, m.optics,
    coalesce(pf.part_count, 0) AS "partCount", coalesce(pf.off_parts, '[]') AS "offParts",
    coalesce(pf.power_parts, '[]') AS "powerParts", coalesce(rf.readings, '[]') AS readings,
    coalesce(jf.jobs, '[]') AS jobs, ol.loan, nl.next
  FROM chosen k
  JOIN model m ON m.id = k.model_id
  JOIN branch br ON br.id = k.branch_id
  LEFT JOIN part_facts pf ON pf.kit_id = k.id
  LEFT JOIN reading_facts rf ON rf.kit_id = k.id
  LEFT JOIN job_facts jf ON jf.kit_id = k.id
  LEFT JOIN out_loan ol ON ol.kit_id = k.id
  LEFT JOIN next_loan nl ON nl.kit_id = k.id
  ORDER BY k.name, k.code`

/** The whole shelf of some branches in one round trip. */
export const shelfOfBranches = (tx: Tx, branchIds: readonly string[]): Promise<ShelfRow[]> =>
  selectRows<ShelfRow>(tx, shelfSql('k.branch_id = ANY($1)'), [branchIds])

export async function shelfRowOf(tx: Tx, code: string): Promise<ShelfRow | null> {
  return (await selectRows<ShelfRow>(tx, shelfSql('upper(k.code) = upper($1)'), [code]))[0] ?? null
}

export async function shelfRowById(tx: Tx, kitId: string): Promise<ShelfRow | null> {
  return (await selectRows<ShelfRow>(tx, shelfSql('k.id = $1'), [kitId]))[0] ?? null
}

export const partsOf = (tx: Tx, kitId: string): Promise<Omit<Part, 'lookEveryTime' | 'lookFor'>[]> =>
  selectRows(
    tx,
    `SELECT id, position, name, role, criticality, count, present_count AS "presentCount", mass_g AS "massG", place,
       mark, note, cost_minor AS "costMinor", optics
     FROM part WHERE kit_id = $1 ORDER BY position`,
    [kitId],
  )

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

export const pastReadings = (
  tx: Tx,
  kitId: string,
  limit: number,
): Promise<(Omit<ReadingView, 'atUtc'> & { at: Date })[]> =>
  selectRows(
    tx,
    `SELECT * FROM (
       SELECT r.kind, r.as_found AS "asFound", r.as_left AS "asLeft", r.limit_value AS "limit", r.good, r.unit,
         r.source, r.at, s.name AS by
       FROM reading r JOIN staff s ON s.id = r.by_staff_id
       WHERE r.kit_id = $1 AND r.kind IN ('collimation', 'finder') ORDER BY r.at DESC LIMIT $2
     ) latest ORDER BY at`,
    [kitId, limit],
  )

/** Counts the kit's version up if it is still the one seen; false when someone else was faster. */
export async function claimKitVersion(tx: Tx, kitId: string, version: number): Promise<boolean> {
  const sql = 'UPDATE kit SET version = version + 1 WHERE id = $1 AND version = $2 RETURNING id'
  return (await changedRows(tx, sql, [kitId, version])).length === 1
}

/** Locks a kit for the rest of the transaction. */
export const lockKit = (tx: Tx, kitId: string) =>
  selectRows(tx, 'SELECT id FROM kit WHERE id = $1 FOR UPDATE', [kitId])

export const bumpKitVersion = (tx: Tx, kitId: string) =>
  changedRows(tx, 'UPDATE kit SET version = version + 1 WHERE id = $1 RETURNING id', [kitId])

const like = (text: string) => `%${text.replaceAll(/[\\%_]/g, (sign) => `\\${sign}`)}%`

export async function find(tx: Tx, branchIds: readonly string[], text: string): Promise<Found> {
  const values = [branchIds, like(text)]
  const [kits, parts, loans] = await Promise.all([
    selectRows<Found['kits'][number]>(
      tx,
      `SELECT k.code, k.name, m.name AS "modelName" FROM kit k JOIN model m ON m.id = k.model_id
       WHERE k.branch_id = ANY($1) AND (k.code ILIKE $2 OR k.name ILIKE $2 OR m.name ILIKE $2)
       ORDER BY k.name LIMIT 8`,
      values,
    ),
    selectRows<Found['parts'][number]>(
      tx,
      `SELECT k.code AS "kitCode", k.name AS "kitName", p.name AS part, p.mark
       FROM part p JOIN kit k ON k.id = p.kit_id
       WHERE k.branch_id = ANY($1) AND p.name ILIKE $2 ORDER BY p.mark = 'present', k.name LIMIT 8`,
      values,
    ),
    selectRows<Found['loans'][number] & { number: number }>(
      tx,
      `SELECT l.id, 'L-' || lpad(l.number::text, 4, '0') AS code, k.code AS "kitCode", b.name AS borrower, l.state
       FROM loan l JOIN kit k ON k.id = l.kit_id JOIN borrower b ON b.id = l.borrower_id
       WHERE l.branch_id = ANY($1)
         AND (b.name ILIKE $2 OR b.card_number ILIKE $2 OR 'L-' || lpad(l.number::text, 4, '0') ILIKE $2)
       ORDER BY l.state IN ('out', 'promised') DESC, coalesce(l.out_at, l.promised_for) DESC LIMIT 8`,
      values,
    ),
  ])
  return { kits, parts, loans }
}

export type NewKit = { readonly model: Model; readonly kit: Kit; readonly parts: PartRow[] }

export async function insertKit(tx: Tx, made: NewKit): Promise<void> {
  await tx.insert(Model, made.model as never)
  await tx.insert(Kit, made.kit)
  await tx.insert(PartRow, made.parts as never)
}
