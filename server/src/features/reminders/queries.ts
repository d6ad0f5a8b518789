import type { ReminderText } from '@binoculum/contract'
import { selectRows, type Tx } from '../../platform/database.ts'

export interface BranchPolicy {
  readonly branchId: string
  readonly branchName: string
  readonly zone: string
  /** Null where nothing was decided. */
  readonly policy: unknown
}

export const policiesOf = (tx: Tx, branchIds: readonly string[] | null): Promise<BranchPolicy[]> =>
  selectRows(
    tx,
    `SELECT b.id AS "branchId", b.name AS "branchName", b.zone, p.policy
     FROM branch b LEFT JOIN reminder_policy p ON p.branch_id = b.id
     WHERE $1::uuid[] IS NULL OR b.id = ANY($1) ORDER BY b.name`,
    [branchIds],
  )

export const textsOf = (tx: Tx, branchIds: readonly string[]): Promise<(ReminderText & { branchId: string })[]> =>
  selectRows(
    tx,
    `SELECT branch_id AS "branchId", kind, language, subject, body FROM reminder_text WHERE branch_id = ANY($1)`,
    [branchIds],
  )

export interface Candidate {
  readonly loanId: string
  readonly kitId: string
  readonly kitName: string
  readonly borrowerId: string
  readonly language: string
  readonly state: 'promised' | 'out'
  readonly fromOn: string
  readonly untilOn: string
  readonly promisedFor: Date | null
  readonly promisedAt: Date | null
}

/** Open loans of a branch that might want a letter on a day: promises of today and tomorrow or made lately, and what is out
 * and due before long or late. Whoever's name is gone is never written to. */
export const candidatesOf = (
  tx: Tx,
  { branchId, today, dueInDays, now }: { branchId: string; today: string; dueInDays: number; now: Date },
): Promise<Candidate[]> =>
  selectRows(
    tx,
    `SELECT l.id AS "loanId", l.kit_id AS "kitId", k.name AS "kitName", l.borrower_id AS "borrowerId", b.language, l.state,
       l.from_on::text AS "fromOn", l.until_on::text AS "untilOn", l.promised_for AS "promisedFor", l.promised_at AS "promisedAt"
     FROM loan l JOIN kit k ON k.id = l.kit_id JOIN borrower b ON b.id = l.borrower_id
     WHERE l.branch_id = $1 AND b.unlinked_at IS NULL
       AND ((l.state = 'promised' AND (l.from_on BETWEEN $2::date AND $2::date + 1 OR l.promised_at > $4::timestamptz - interval '1 day'))
         OR (l.state = 'out' AND l.until_on <= $2::date + $3::int))`,
    [branchId, today, dueInDays, now],
  )

/** Letters of a branch that the house wrote and that haven't left. */
export const ownDrafts = (tx: Tx, branchId: string): Promise<{ id: string }[]> =>
  selectRows(
    tx,
    `SELECT id FROM message WHERE branch_id = $1 AND state = 'draft' AND once_key IS NOT NULL ORDER BY made_at`,
    [branchId],
  )
