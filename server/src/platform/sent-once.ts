import { changedRows, selectRows, type Tx } from './database.ts'
import { Problem } from './errors.ts'

/**
 * Does `work` once for a key: a second try with the same key and person gets the first answer. The key is taken
 * first, in the same transaction, so that two tries at the same instant wait for each other.
 */
export async function once<T extends object>(
  tx: Tx,
  sent: { readonly key: string; readonly staffId: string },
  work: () => Promise<T>,
): Promise<T> {
  const taken = await takeKey(tx, sent)
  if (!taken) {
    const rows = await selectRows<{ answer: T | null }>(
      tx,
      'SELECT answer FROM sent_once WHERE key = $1 AND staff_id = $2',
      [sent.key, sent.staffId],
    )
    const answer = rows[0]?.answer
    if (answer) return answer
    throw new Problem('BAD_INPUT', { issues: [{ path: 'idempotencyKey', message: 'is in use; send a new one' }] })
  }
  const answer = await work()
  await changedRows(tx, 'UPDATE sent_once SET answer = $2 WHERE key = $1 RETURNING key', [sent.key, answer])
  return answer
}

async function takeKey(tx: Tx, sent: { readonly key: string; readonly staffId: string }): Promise<boolean> {
  const rows = await selectRows<{ key: string }>(
    tx,
    'INSERT INTO sent_once (key, staff_id) VALUES ($1, $2) ON CONFLICT DO NOTHING RETURNING key',
    [sent.key, sent.staffId],
  )
  return rows.length === 1
}
