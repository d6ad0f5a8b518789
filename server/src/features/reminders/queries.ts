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

const candidateColumns = `l.id AS "loanId", l.kit_id AS "kitId", k.name AS "kitName", l.borrower_id AS "borrowerId", b.language,
  l.state, l.from_on::text AS "fromOn", l.until_on::text AS "untilOn", l.promised_for AS "promisedFor", l.promised_at AS "promisedAt"`
const candidateLoans = 'loan l JOIN kit k ON k.id = l.kit_id JOIN borrower b ON b.id = l.borrower_id'
const mayBeWritten = `l.branch_id = $1 AND b.unlinked_at IS NULL AND b.contact <> ''`

/** Open loans of a branch that might want a letter on a day: promises of today and tomorrow or made lately, and what is out
 * and due before long or late. Whoever's name is gone is never written to. */
export const candidatesOf = (
  tx: Tx,
  { branchId, today, dueInDays, now }: { branchId: string; today: string; dueInDays: number; now: Date },
): Promise<Candidate[]> =>
  selectRows(
    tx,
    `SELECT ${candidateColumns} FROM ${candidateLoans}
     WHERE ${mayBeWritten}
       AND ((l.state = 'promised' AND (l.from_on BETWEEN $2::date AND $2::date + 1 OR l.promised_at > $4::timestamptz - interval '1 day'))
         OR (l.state = 'out' AND l.until_on <= $2::date + $3::int))`,
    [branchId, today, dueInDays, now],
  )

/** Loans from whose guides somebody wrote lately. */
export const reportedOf = (
  tx: Tx,
  { branchId, now }: { branchId: string; now: Date },
): Promise<(Candidate & { messageId: string })[]> =>
  selectRows(
    tx,
    `SELECT ${candidateColumns}, m.id AS "messageId" FROM borrower_message m JOIN loan l ON l.id = m.loan_id
     JOIN kit k ON k.id = l.kit_id JOIN borrower b ON b.id = l.borrower_id
     WHERE ${mayBeWritten} AND m.branch_id = $1 AND m.kind = 'report' AND m.at > $2::timestamptz - interval '2 days'`,
    [branchId, now],
  )

/** Loans that are out with a finder whose newest reading lies beyond its limit. */
export const finderOffOf = (tx: Tx, branchId: string): Promise<Candidate[]> =>
  selectRows(
    tx,
    `SELECT ${candidateColumns} FROM ${candidateLoans}
       JOIN reading r ON r.kit_id = l.kit_id AND r.kind = 'finder' AND r.current AND r.as_left > r.limit_value
     WHERE ${mayBeWritten} AND l.state = 'out'`,
    [branchId],
  )

/** Letters of a branch that the house wrote and that haven't left. */
export const ownDrafts = (tx: Tx, branchId: string): Promise<{ id: string }[]> =>
  selectRows(
    tx,
    `SELECT id FROM message WHERE branch_id = $1 AND state = 'draft' AND once_key IS NOT NULL ORDER BY made_at`,
    [branchId],
  )
