import type { CaseMarks, CaseView, OpenCase } from '@binoculum/contract'
import { selectRows, type Tx } from '../../platform/database.ts'

/** Lines of a kit's card, as they are numbered. */
export const cardLines = (tx: Tx, kitId: string): Promise<OpenCase['parts']> =>
  selectRows(
    tx,
    `SELECT id, (row_number() OVER (ORDER BY position, id))::int AS number, name, place FROM part
     WHERE kit_id = $1 ORDER BY position, id`,
    [kitId],
  )

/** Pictures of the complete case, newest first. */
export const referencesOf = (tx: Tx, kitId: string, most: number): Promise<CaseView[]> =>
  selectRows(
    tx,
    `SELECT v.id, v.picture_id AS "pictureId", v.marks, v.reference_for AS "referenceFor",
       to_char(v.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') AS "atUtc", s.name AS by
     FROM case_view v JOIN staff s ON s.id = v.by_staff_id
     WHERE v.kit_id = $1 AND v.is_reference ORDER BY v.at DESC, v.id LIMIT $2`,
    [kitId, most],
  )

export async function loanIsOf(tx: Tx, loanId: string, kitId: string): Promise<boolean> {
  const rows = await selectRows(tx, 'SELECT 1 FROM loan WHERE id = $1 AND kit_id = $2', [loanId, kitId])
  return rows.length > 0
}

export interface ReferencePicture {
  readonly bytes: Uint8Array
  readonly marks: CaseMarks
  readonly referenceFor: readonly string[] | null
}

/** The pictures of the complete case themselves, newest first; one whose bytes an archive has yet to bring is left out. */
export const referencePictures = (tx: Tx, kitId: string, most: number): Promise<ReferencePicture[]> =>
  selectRows(
    tx,
    `SELECT p.bytes, v.marks, v.reference_for AS "referenceFor" FROM case_view v JOIN picture p ON p.id = v.picture_id
     WHERE v.kit_id = $1 AND v.is_reference AND length(p.bytes) > 0 ORDER BY v.at DESC, v.id LIMIT $2`,
    [kitId, most],
  )

/** Whether a kit's case is drawn, with so many pictures of all of it. */
export async function hasReferences(tx: Tx, kitId: string, least: number): Promise<boolean> {
  const sql = `SELECT 1 FROM open_case o WHERE o.kit_id = $1 AND jsonb_array_length(o.places) > 0
    AND (SELECT count(*) FROM case_view v WHERE v.kit_id = $1 AND v.is_reference AND v.reference_for IS NULL) >= $2`
  return (await selectRows(tx, sql, [kitId, least])).length > 0
}
