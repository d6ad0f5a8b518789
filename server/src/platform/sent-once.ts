import { changedRows, selectRows, type Tx } from './database.ts'
import { Problem } from './errors.ts'

export interface Sent {
  readonly key: string
  readonly staffId: string
  /** What is asked for and of which thing: the same key for anything else is refused. */
  readonly sentFor: string
  /** Refuses whom the work itself would refuse: asked before a kept answer is given, since rights may have ended meanwhile.
   * *own* where the rights are checked before, or where the answer tells nothing that this person doesn't see anyway. */
  readonly may: (() => Promise<unknown>) | 'own'
}

/** Longer than this nobody sends a thing again; a few old answers go with each new key. */
const KEPT_DAYS = 7
const SWEPT_AT_ONCE = 20

/**
 * Does `work` once for a key: a second try with the same key, person and aim gets the first answer. The key is taken
 * first, in the same transaction, so that two tries at the same instant wait for each other.
 * @param sent.answer where it is known before the work is done: one statement less
 * @param work gives what is kept as the answer: keys and figures, never a name
 * @throws KEY_REUSED for a key that was sent for something else
 */
export async function once<T extends object>(
  tx: Tx,
  sent: Sent & { readonly answer?: T },
  work: () => Promise<T>,
): Promise<T> {
  if (!(await takeKey(tx, sent))) return keptAnswer<T>(tx, sent)
  const answer = await work()
  if (!sent.answer)
    await changedRows(tx, 'UPDATE sent_once SET answer = $2 WHERE key = $1 RETURNING key', [sent.key, answer])
  return answer
}

/** Deletes all answers that are kept no longer. */
export const sweepKeptAnswers = (tx: Tx) =>
  changedRows(tx, 'DELETE FROM sent_once WHERE created_at < now() - make_interval(days => $1) RETURNING key', [
    KEPT_DAYS,
  ])

async function keptAnswer<T extends object>(tx: Tx, { key, staffId, sentFor, may }: Sent): Promise<T> {
  const [kept] = await selectRows<{ answer: T | null }>(
    tx,
    'SELECT answer FROM sent_once WHERE key = $1 AND staff_id = $2 AND sent_for = $3',
    [key, staffId, sentFor],
  )
  if (!kept?.answer) throw new Problem('KEY_REUSED')
  if (may !== 'own') await may()
  return kept.answer
}

async function takeKey(
  tx: Tx,
  { key, staffId, sentFor, answer }: Sent & { readonly answer?: object },
): Promise<boolean> {
  const rows = await selectRows<{ key: string }>(
    tx,
    `WITH swept AS (
       DELETE FROM sent_once WHERE key IN (
         SELECT key FROM sent_once WHERE created_at < now() - make_interval(days => $4) AND key <> $1
         LIMIT $5 FOR UPDATE SKIP LOCKED
       )
     ), taken AS (
       INSERT INTO sent_once (key, staff_id, sent_for, answer) VALUES ($1, $2, $3, $6) ON CONFLICT DO NOTHING RETURNING key
     ) SELECT key FROM taken`,
    [key, staffId, sentFor, KEPT_DAYS, SWEPT_AT_ONCE, answer ?? null],
  )
  return rows.length === 1
}
