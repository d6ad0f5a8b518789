import type { ExistingPart } from '@binoculum/core'
import { changedRows, selectRows, type Tx } from '../../platform/database.ts'

export interface KnownKit {
  readonly id: string
  readonly code: string
  readonly branchId: string
  readonly modelId: string
  readonly version: number
}

/** Kits that use these codes, in any branch: codes stand on labels and must be unique. */
export const kitsWithCodes = (tx: Tx, codes: readonly string[]): Promise<KnownKit[]> =>
  selectRows(
    tx,
    `SELECT id, upper(code) AS code, branch_id AS "branchId", model_id AS "modelId", version FROM kit
     WHERE upper(code) = ANY($1)`,
    [codes.map((code) => code.toUpperCase())],
  )

/** Which of these kit codes are in use. */
export async function takenCodes(tx: Tx, codes: readonly string[]): Promise<ReadonlySet<string>> {
  return new Set((await kitsWithCodes(tx, codes)).map(({ code }) => code))
}

export type PartToCompare = ExistingPart & {
  readonly kitId: string
  readonly presentCount: number
  readonly mark: string
  readonly position: number
}

export const partsToCompare = (tx: Tx, kitIds: readonly string[]): Promise<PartToCompare[]> =>
  selectRows(
    tx,
    `SELECT kit_id AS "kitId", id, name, count, mass_g AS "massG", place, criticality, weighed,
       present_count AS "presentCount", mark, position
     FROM part WHERE kit_id = ANY($1) ORDER BY position`,
    [kitIds],
  )

/** Models by their name, as far as kits of this branch or of nobody use them. */
export const modelsByName = (
  tx: Tx,
  branchId: string,
  names: readonly string[],
): Promise<{ id: string; name: string; family: string }[]> =>
  selectRows(
    tx,
    `SELECT DISTINCT ON (m.name) m.id, m.name, m.family FROM model m
     WHERE m.name = ANY($2)
       AND (m.branch_id = $1 OR EXISTS (SELECT 1 FROM kit k WHERE k.model_id = m.id AND k.branch_id = $1))
     ORDER BY m.name, m.id`,
    [branchId, names],
  )

export const deleteUnusedModels = (tx: Tx, ids: readonly string[]) =>
  changedRows(
    tx,
    `DELETE FROM model m WHERE m.id = ANY($1) AND NOT EXISTS (SELECT 1 FROM kit k WHERE k.model_id = m.id) RETURNING id`,
    [ids],
  )

export const deletePartsOfModels = (tx: Tx, ids: readonly string[]) =>
  changedRows(
    tx,
    `DELETE FROM model_part p WHERE p.model_id = ANY($1)
       AND NOT EXISTS (SELECT 1 FROM kit k WHERE k.model_id = p.model_id) RETURNING id`,
    [ids],
  )

export const addSpare = (
  tx: Tx,
  spare: { branchId: string; name: string; role: string; count: number; massG: number | null; note: string },
) =>
  selectRows<{ id: string }>(
    tx,
    `INSERT INTO spare (id, branch_id, name, role, count, mass_g, note)
     VALUES (gen_random_uuid(), $1, $2, $3, $4, $5, $6) ON CONFLICT DO NOTHING RETURNING id`,
    [spare.branchId, spare.name, spare.role, spare.count, spare.massG, spare.note],
  )

export async function remembered(
  tx: Tx,
  branchId: string,
  kind: 'columns' | 'word',
): Promise<ReadonlyMap<string, unknown>> {
  const sql = 'SELECT key, value FROM remembered WHERE branch_id = $1 AND kind = $2'
  const rows = await selectRows<{ key: string; value: unknown }>(tx, sql, [branchId, kind])
  return new Map(rows.map(({ key, value }) => [key, value]))
}

export const remember = (tx: Tx, branchId: string, kind: 'columns' | 'word', key: string, value: unknown) =>
  selectRows(
    tx,
    `INSERT INTO remembered (branch_id, kind, key, value) VALUES ($1, $2, $3, $4)
     ON CONFLICT (branch_id, kind, key) DO UPDATE SET value = $4 RETURNING key`,
    [branchId, kind, key, JSON.stringify(value)],
  )

export interface ExportRow {
  readonly kitCode: string
  readonly kitName: string
  readonly part: string
  readonly role: string
  readonly count: number
  readonly massG: number | null
  readonly place: string
  readonly criticality: string
  readonly focalLengthMm: number | null
  readonly note: string
}

export const exportRows = (tx: Tx, branchId: string): Promise<ExportRow[]> =>
  selectRows(
    tx,
    `SELECT k.code AS "kitCode", k.name AS "kitName", p.name AS part, p.role, p.count, p.mass_g AS "massG", p.place,
       p.criticality, (p.optics->>'focalLengthMm')::float AS "focalLengthMm", p.note
     FROM kit k JOIN part p ON p.kit_id = k.id WHERE k.branch_id = $1 ORDER BY k.code, p.position`,
    [branchId],
  )
