import { selectRows, type Tx } from '../../platform/database.ts'

/** The guide behind a link that isn't over. */
export async function guideByLink(tx: Tx, linkHash: string, now: Date): Promise<unknown> {
  const sql = `SELECT g.content FROM guide g JOIN loan l ON l.id = g.loan_id
    WHERE l.link_hash = $1 AND l.link_ends_at > $2`
  return (await selectRows<{ content: unknown }>(tx, sql, [linkHash, now]))[0]?.content ?? null
}

export async function guideOfLoan(tx: Tx, loanId: string): Promise<{ content: unknown; branchId: string } | null> {
  const sql = `SELECT g.content, l.branch_id AS "branchId" FROM guide g JOIN loan l ON l.id = g.loan_id WHERE l.id = $1`
  return (await selectRows<{ content: unknown; branchId: string }>(tx, sql, [loanId]))[0] ?? null
}

export interface OpenGuideRow {
  readonly loanId: string
  readonly number: number
  readonly kitCode: string
  readonly kitName: string
  readonly borrower: string
  readonly issuedAt: Date
  readonly steps: number
  readonly linkEndsAt: Date | null
}

export const guidesOfOpenLoans = (tx: Tx, branchIds: readonly string[]): Promise<OpenGuideRow[]> =>
  selectRows(
    tx,
    `SELECT l.id AS "loanId", l.number, k.code AS "kitCode", k.name AS "kitName", b.name AS borrower,
       g.issued_at AS "issuedAt", jsonb_array_length(g.content->'setUp') AS steps, l.link_ends_at AS "linkEndsAt"
     FROM guide g JOIN loan l ON l.id = g.loan_id JOIN kit k ON k.id = l.kit_id JOIN borrower b ON b.id = l.borrower_id
     WHERE l.state = 'out' AND l.branch_id = ANY($1) ORDER BY g.issued_at DESC`,
    [branchIds],
  )
