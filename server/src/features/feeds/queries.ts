import type { Feed } from '@binoculum/contract'
import { changedRows, selectRows, type Tx } from '../../platform/database.ts'
import type { FeedEvening, FeedLoan } from './calendar-files.ts'

/** As much of a hash as tells feeds apart. */
export const ID_LENGTH = 12

export const feedsOf = (tx: Tx, branchId: string): Promise<(Omit<Feed, 'madeAtUtc'> & { madeAt: Date })[]> =>
  selectRows(
    tx,
    `SELECT left(f.token_hash, ${ID_LENGTH}) AS id, f.kind, k.code AS "kitCode", k.name AS "kitName", s.name AS by, f.made_at AS "madeAt"
     FROM calendar_feed f JOIN staff s ON s.id = f.by_staff_id LEFT JOIN kit k ON k.id = f.kit_id
     WHERE f.branch_id = $1 ORDER BY f.made_at DESC LIMIT 100`,
    [branchId],
  )

export const endFeed = async (tx: Tx, branchId: string, id: string): Promise<boolean> =>
  (
    await changedRows(
      tx,
      `DELETE FROM calendar_feed WHERE branch_id = $1 AND left(token_hash, ${ID_LENGTH}) = $2 RETURNING token_hash`,
      [branchId, id],
    )
  ).length > 0

export interface FeedOfToken {
  readonly branchId: string
  readonly branchName: string
  readonly kind: 'loans' | 'kit'
  readonly kitId: string | null
}

export async function feedByHash(tx: Tx, tokenHash: string): Promise<FeedOfToken | null> {
  const sql = `SELECT f.branch_id AS "branchId", b.name AS "branchName", f.kind, f.kit_id AS "kitId"
    FROM calendar_feed f JOIN branch b ON b.id = f.branch_id WHERE f.token_hash = $1`
  return (await selectRows<FeedOfToken>(tx, sql, [tokenHash]))[0] ?? null
}

/** Evenings at a branch's bench, of late and to come. */
export const benchEvenings = (tx: Tx, branchId: string, from: string): Promise<FeedEvening[]> =>
  selectRows(
    tx,
    `SELECT id, on_day::text AS "onDay", seats, minutes_each AS "minutesEach" FROM bench_evening
     WHERE branch_id = $1 AND on_day >= $2 ORDER BY on_day LIMIT 100`,
    [branchId, from],
  )

/** Open loans and promises of a branch, or of one kit. */
export const openLoans = (tx: Tx, { branchId, kitId }: FeedOfToken): Promise<FeedLoan[]> =>
  selectRows(
    tx,
    `SELECT l.id, 'L-' || lpad(l.number::text, 4, '0') AS code, k.code AS "kitCode", k.name AS "kitName", l.state,
       l.from_on::text AS "fromOn", l.until_on::text AS "untilOn"
     FROM loan l JOIN kit k ON k.id = l.kit_id
     WHERE l.branch_id = $1 AND l.state IN ('promised', 'out') AND ($2::uuid IS NULL OR l.kit_id = $2)
     ORDER BY l.from_on LIMIT 2000`,
    [branchId, kitId],
  )
