import { randomUUID } from 'node:crypto'
import type { PartMark } from '@binoculum/contract'
import { DRYING_HOURS, type HazardCode, type OpenJob } from '@binoculum/core'
import { changedRows, type Tx } from '../../platform/database.ts'

const HOUR_MS = 3_600_000

/** Writes all marks of a take-back in one statement. */
export const writeMarks = (tx: Tx, kitId: string, marks: readonly PartMark[], at: Date) =>
  changedRows(
    tx,
    `UPDATE part p SET mark = m.mark, present_count = m.present_count, note = m.note, wrong_item = m.wrong_item,
       seen_at = CASE WHEN m.mark = 'unseen' THEN p.seen_at ELSE $8 END,
       picture_ids = ARRAY(SELECT (jsonb_array_elements_text(m.pictures))::uuid)
     FROM unnest($2::uuid[], $3::text[], $4::int[], $5::text[], $6::text[], $7::jsonb[])
       AS m(id, mark, present_count, note, wrong_item, pictures)
     WHERE p.id = m.id AND p.kit_id = $1 RETURNING p.id`,
    [
      kitId,
      marks.map(({ partId }) => partId),
      marks.map(({ mark }) => mark),
      marks.map(({ presentCount }) => presentCount),
      marks.map(({ note }) => note),
      marks.map(({ wrongItem }) => wrongItem),
      marks.map(({ pictureIds }) => JSON.stringify(pictureIds)),
      at,
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
      `INSERT INTO job (id, kit_id, code, text, opened_at, not_before) SELECT $1, $2, $3, $4, $5, $6
       WHERE NOT EXISTS (SELECT 1 FROM job WHERE kit_id = $2 AND code = $3 AND text = $4 AND closed_at IS NULL)`,
      [
        randomUUID(),
        kitId,
        code,
        text,
        at,
        code === 'drying' ? new Date(at.getTime() + DRYING_HOURS * HOUR_MS) : null,
      ],
    )
}

export const placeKit = (tx: Tx, kitId: string, standsAt: 'shelf' | 'desk' | 'bench') =>
  changedRows(tx, 'UPDATE kit SET stands_at = $2 WHERE id = $1 RETURNING id', [kitId, standsAt])

/** Closes what an outcome opened, by the words it opened it with. */
export const closeOutcomeJobs = async (tx: Tx, kitId: string, jobs: readonly OpenJob[], at: Date): Promise<void> => {
  for (const { code, text = '' } of jobs)
    await changedRows(
      tx,
      `UPDATE job SET closed_at = $4, version = version + 1
       WHERE kit_id = $1 AND code = $2 AND text = $3 AND closed_at IS NULL RETURNING id`,
      [kitId, code, text, at],
    )
}
