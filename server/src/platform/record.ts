import type { acts } from '@binoculum/contract'
import type { Tx } from './database.ts'
import { ActRecord } from './record-entities.ts'

export interface Act {
  readonly act: (typeof acts)[number]
  readonly at: Date
  readonly branchId: string
  readonly staffId: string | null
  readonly kitId?: string
  readonly loanId?: string
  /** Keys and figures only: borrowers are referred to by key, so that unlinking deletes them everywhere. */
  readonly before?: object
  readonly after?: object
}

/** Appends one act, in the transaction that does it. */
export async function appendRecord(tx: Tx, act: Act): Promise<void> {
  const { kitId = null, loanId = null, before = null, after = null, ...rest } = act
  await tx.insert(ActRecord, { ...rest, kitId, loanId, before: before as never, after: after as never })
}
