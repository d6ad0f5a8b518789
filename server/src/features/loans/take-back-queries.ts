import { randomUUID } from 'node:crypto'
import type { PartMark } from '@binoculum/contract'
import type { HazardCode, OpenJob } from '@binoculum/core'
import { changedRows, type Tx } from '../../platform/database.ts'

/** Writes all marks of a take-back in one statement. */
export const writeMarks = (tx: Tx, kitId: string, marks: readonly PartMark[]) =>
  changedRows(
    tx,
    `UPDATE part p SET mark = m.mark, present_count = m.present_count, note = m.note
     FROM unnest($2::uuid[], $3::text[], $4::int[], $5::text[]) AS m(id, mark, present_count, note)
     WHERE p.id = m.id AND p.kit_id = $1 RETURNING p.id`,
    [
      kitId,
      marks.map(({ partId }) => partId),
      marks.map(({ mark }) => mark),
      marks.map(({ presentCount }) => presentCount),
      marks.map(({ note }) => note),
    ],
  )

export const addHazards = (tx: Tx, kitId: string, hazards: readonly HazardCode[]) =>
  changedRows(
    tx,
    `UPDATE kit SET hazards = ARRAY(SELECT DISTINCT unnest(hazards || $2::text[])) WHERE id = $1 RETURNING id`,
    [kitId, hazards],
  )

export const openJobs = async (tx: Tx, kitId: string, jobs: readonly OpenJob[], at: Date): Promise<void> => {
  for (const { code, text = '' } of jobs)
    await tx.query(
      `INSERT INTO job (id, kit_id, code, text, opened_at) SELECT $1, $2, $3, $4, $5
       WHERE NOT EXISTS (SELECT 1 FROM job WHERE kit_id = $2 AND code = $3 AND text = $4 AND closed_at IS NULL)`,
      [randomUUID(), kitId, code, text, at],
    )
}

export const placeKit = (tx: Tx, kitId: string, standsAt: 'shelf' | 'bench') =>
  changedRows(tx, 'UPDATE kit SET stands_at = $2 WHERE id = $1 RETURNING id', [kitId, standsAt])
