import { selectRows, type Tx } from '../../platform/database.ts'

/** A promise whose borrower has the lesson's link. */
export interface PromisedLesson {
  readonly loanId: string
  readonly kitId: string
  readonly branchId: string
  readonly fromOn: string
  readonly untilOn: string
  /** In which its letters are written. */
  readonly language: string
  readonly doneAt: Date | null
}

/** The promise behind a link that isn't over: once the kit is out, its guide has a link of its own. */
export async function promiseByLink(tx: Tx, linkHash: string, now: Date): Promise<PromisedLesson | null> {
  const sql = `SELECT l.id AS "loanId", l.kit_id AS "kitId", l.branch_id AS "branchId", l.from_on::text AS "fromOn",
      l.until_on::text AS "untilOn", b.language, l.lesson_done_at AS "doneAt"
    FROM loan l JOIN borrower b ON b.id = l.borrower_id
    WHERE l.link_hash = $1 AND l.link_ends_at > $2 AND l.state = 'promised'`
  return (await selectRows<PromisedLesson>(tx, sql, [linkHash, now]))[0] ?? null
}

export const setLessonLink = (tx: Tx, loanId: string, linkHash: string, endsAt: Date): Promise<unknown> =>
  tx.query('UPDATE loan SET link_hash = $2, link_ends_at = $3 WHERE id = $1', [loanId, linkHash, endsAt])

/** Notes that it was done, the first time only. @returns whether it was the first */
export async function noteDone(tx: Tx, loanId: string, at: Date): Promise<boolean> {
  const sql = `WITH done AS (
      UPDATE loan SET lesson_done_at = $2 WHERE id = $1 AND lesson_done_at IS NULL AND state = 'promised' RETURNING id
    ) SELECT id FROM done`
  return (await selectRows(tx, sql, [loanId, at])).length === 1
}
