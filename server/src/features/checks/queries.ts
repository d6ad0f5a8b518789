import { benchJobCodes } from '@binoculum/core'
import { changedRows, type Tx } from '../../platform/database.ts'
import { BenchCheck, KnobStepRow, ReadingRow, StepTimeRow, TurnedStepRow } from './entities.ts'

/** Keeps new readings as the current ones of their kinds. The older ones stay, as history. */
export async function keepReadings(tx: Tx, kitId: string, readings: readonly ReadingRow[]): Promise<void> {
  const kinds = readings.map(({ kind }) => kind)
  const sql = 'UPDATE reading SET current = false WHERE kit_id = $1 AND kind = ANY($2) AND current RETURNING id'
  await changedRows(tx, sql, [kitId, kinds])
  await tx.insert(ReadingRow, readings as never)
}

export const keepStepTimes = async (tx: Tx, rows: readonly StepTimeRow[]): Promise<void> => {
  if (rows.length > 0) await tx.insert(StepTimeRow, [...rows])
}

export const keepTurnedSteps = async (tx: Tx, rows: readonly TurnedStepRow[]): Promise<void> => {
  if (rows.length > 0) await tx.insert(TurnedStepRow, rows as never)
}

/** What a cell taught falls away; the checks it was seen in stay as they are. */
export const forgetTurnedSteps = (tx: Tx, kitId: string): Promise<{ id: string }[]> =>
  changedRows(tx, 'DELETE FROM turned_step WHERE kit_id = $1 RETURNING id', [kitId])

export const keepKnobSteps = async (tx: Tx, rows: readonly KnobStepRow[]): Promise<void> => {
  if (rows.length > 0) await tx.insert(KnobStepRow, rows as never)
}

export const insertCheck = (tx: Tx, check: BenchCheck) => tx.insert(BenchCheck, check)

export const closeJobs = (tx: Tx, kitId: string, jobIds: readonly string[], at: Date) =>
  changedRows(
    tx,
    'UPDATE job SET closed_at = $3 WHERE kit_id = $1 AND id = ANY($2) AND code = ANY($4) AND closed_at IS NULL RETURNING id',
    [kitId, jobIds, at, benchJobCodes],
  )

export const placeOnShelf = (tx: Tx, kitId: string) =>
  changedRows(tx, `UPDATE kit SET stands_at = 'shelf' WHERE id = $1 RETURNING id`, [kitId])
