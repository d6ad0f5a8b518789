import type { Act as ActName, RecordLine } from '@binoculum/contract'
import { insertMany } from './bulk.ts'
import type { Tx } from './database.ts'
import { ActRecord } from './record-entities.ts'

export interface Act {
  readonly act: ActName
  readonly at: Date
  readonly branchId: string
  readonly staffId: string | null
  readonly kitId?: string
  readonly loanId?: string
  /** Keys and figures only: borrowers are referred to by key, so that unlinking deletes them everywhere. */
  readonly before?: object
  readonly after?: object
}

/** Appends the same kind of act for many things at once. */
export const appendRecords = (tx: Tx, acts: readonly Act[]): Promise<void> =>
  insertMany(
    tx,
    ActRecord,
    acts.map((act) => ({ kitId: null, loanId: null, before: null, after: null, ...act })),
  )

/** Appends one act, in the transaction that does it. @returns its line, as the page of a kit shows it */
export async function appendRecord(tx: Tx, act: Act, by = ''): Promise<RecordLine> {
  const { kitId = null, loanId = null, before = null, after = null, ...rest } = act
  const row = { ...rest, kitId, loanId, before: before as never, after: after as never }
  const { identifiers } = await tx.insert(ActRecord, row)
  const id = String(identifiers[0]?.id)
  return { id, atUtc: act.at.toISOString(), act: act.act, by, before: before as never, after: after as never }
}
