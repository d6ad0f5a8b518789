import type { PartMark } from '@binoculum/contract'
import { DRYING_HOURS, type OpenJob } from '@binoculum/core'
import { changedRows, type Tx } from '../../platform/database.ts'

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

/** Opens jobs that aren't open already, all in one statement. */
export const openJobs = async (tx: Tx, kitId: string, jobs: readonly OpenJob[], at: Date): Promise<void> => {
  if (jobs.length === 0) return
  await tx.query(
    `INSERT INTO job (id, kit_id, code, text, opened_at, not_before)
     SELECT gen_random_uuid(), $1, wanted.code, wanted.text, $4::timestamptz,
       CASE WHEN wanted.code = 'drying' THEN $4::timestamptz + make_interval(hours => $5) END
     FROM (SELECT DISTINCT code, text FROM unnest($2::text[], $3::text[]) AS each(code, text)) wanted
     WHERE NOT EXISTS (
       SELECT 1 FROM job WHERE kit_id = $1 AND code = wanted.code AND text = wanted.text AND closed_at IS NULL
     )`,
    [kitId, jobs.map(({ code }) => code), jobs.map(({ text = '' }) => text), at, DRYING_HOURS],
  )
}

export const placeKit = (tx: Tx, kitId: string, standsAt: 'shelf' | 'desk' | 'bench') =>
  changedRows(tx, 'UPDATE kit SET stands_at = $2 WHERE id = $1 RETURNING id', [kitId, standsAt])

/** Closes what an outcome opened, by the words it opened it with. */
export const closeOutcomeJobs = async (tx: Tx, kitId: string, jobs: readonly OpenJob[], at: Date): Promise<void> => {
  if (jobs.length === 0) return
  await changedRows(
    tx,
    `UPDATE job SET closed_at = $4, version = version + 1 WHERE kit_id = $1 AND closed_at IS NULL
       AND (code, text) IN (SELECT * FROM unnest($2::text[], $3::text[])) RETURNING id`,
    [kitId, jobs.map(({ code }) => code), jobs.map(({ text = '' }) => text), at],
  )
}
