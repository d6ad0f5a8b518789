import { changedRows, selectRows, type Tx } from '../../platform/database.ts'

export interface WaitingRow {
  readonly id: string
  readonly branchId: string
  readonly borrowerId: string
  readonly borrower: string
  readonly contact: string
  readonly language: string
  readonly level: string | null
  readonly askedAt: Date
  readonly kinds: string[]
  readonly earliestOn: string
  readonly latestOn: string
  readonly lengthDays: number
  readonly wantsDark: boolean
  readonly note: string
  readonly state: 'waiting' | 'offered'
  readonly offerLoanId: string | null
  readonly offerEndsAt: Date | null
  readonly offerKitName: string | null
  readonly offerKitCode: string | null
  readonly offerFromOn: string | null
  readonly offerUntilOn: string | null
  /** The kit that was offered went out to them. */
  readonly isFetched: boolean
  readonly version: number
}

const waitingSql = (where: string) => `
  SELECT w.id, w.branch_id AS "branchId", w.borrower_id AS "borrowerId", b.name AS borrower, b.contact, b.language, b.level,
    w.asked_at AS "askedAt", w.kinds, w.earliest_on::text AS "earliestOn", w.latest_on::text AS "latestOn",
    w.length_days AS "lengthDays", w.wants_dark AS "wantsDark", w.note, w.state, w.offer_loan_id AS "offerLoanId",
    w.offer_ends_at AS "offerEndsAt", k.name AS "offerKitName", k.code AS "offerKitCode", l.from_on::text AS "offerFromOn",
    l.until_on::text AS "offerUntilOn", coalesce(l.state IN ('out', 'back'), false) AS "isFetched", w.version
  FROM waiting_request w JOIN borrower b ON b.id = w.borrower_id
  LEFT JOIN loan l ON l.id = w.offer_loan_id LEFT JOIN kit k ON k.id = l.kit_id
  WHERE ${where} ORDER BY w.asked_at, w.id LIMIT 500`

/** In strict order of asking. */
export const waitingAt = (tx: Tx, branchId: string): Promise<WaitingRow[]> =>
  selectRows(tx, waitingSql(`w.branch_id = $1 AND w.state IN ('waiting', 'offered')`), [branchId])

export async function requestById(tx: Tx, id: string): Promise<WaitingRow | null> {
  return (await selectRows<WaitingRow>(tx, waitingSql('w.id = $1'), [id]))[0] ?? null
}

/** Changes a request that is still as it was seen; false where somebody was faster. */
export async function changeRequest(
  tx: Tx,
  seen: { readonly id: string; readonly version: number; readonly state: 'waiting' | 'offered' },
  to: {
    readonly state: 'waiting' | 'offered' | 'served' | 'gone'
    readonly offerLoanId?: string | null
    readonly offerEndsAt?: Date | null
  },
): Promise<boolean> {
  const sql = `UPDATE waiting_request SET state = $4, offer_loan_id = $5, offer_ends_at = $6, version = version + 1
    WHERE id = $1 AND version = $2 AND state = $3 RETURNING id`
  const values = [seen.id, seen.version, seen.state, to.state, to.offerLoanId ?? null, to.offerEndsAt ?? null]
  return (await changedRows(tx, sql, values)).length === 1
}

/** Offers whose time is over. */
export const overdueOffers = (tx: Tx, now: Date): Promise<WaitingRow[]> =>
  selectRows(tx, waitingSql(`w.state = 'offered' AND w.offer_ends_at < $1`), [now])
