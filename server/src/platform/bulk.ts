import type { EntityTarget, ObjectLiteral } from 'typeorm'
import { selectRows, type Tx } from './database.ts'

/** PostgreSQL takes 65,535 values in one statement; the widest table has under 25 columns. */
const ROWS_AT_ONCE = 1000

/** Inserts many rows in few statements, in order. */
export async function insertMany<T extends ObjectLiteral>(
  tx: Tx,
  target: EntityTarget<T>,
  rows: readonly Record<string, unknown>[],
): Promise<void> {
  for (let start = 0; start < rows.length; start += ROWS_AT_ONCE) {
    const some = rows.slice(start, start + ROWS_AT_ONCE)
    await tx
      .createQueryBuilder()
      .insert()
      .into(target)
      .values(some as never)
      .updateEntity(false)
      .execute()
  }
}

/** True when a table has no rows. The name is ours, never a user's. */
export async function isEmpty(tx: Tx, table: 'staff' | 'kit'): Promise<boolean> {
  const rows = await selectRows<{ any: boolean }>(tx, `SELECT EXISTS (SELECT 1 FROM ${table}) AS any`)
  return rows[0]?.any === false
}
