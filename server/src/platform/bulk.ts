import type { EntityTarget, ObjectLiteral } from 'typeorm'
import { selectRows, type Tx } from './database.ts'

const ROWS_AT_ONCE = 5000

/** Inserts many rows in few statements, in order: all values of a statement travel as one JSON text, which is
 * far quicker than a parameter for each. Columns that no row names get their defaults. Not for binary columns. */
export async function insertMany<T extends ObjectLiteral>(
  tx: Tx,
  target: EntityTarget<T>,
  rows: readonly Record<string, unknown>[],
): Promise<void> {
  if (rows.length === 0) return
  const { columns, tableName } = tx.connection.getMetadata(target)
  const named = columns.filter(({ propertyName }) => rows.some((row) => row[propertyName] !== undefined))
  const names = named.map(({ databaseName }) => `"${databaseName}"`).join(', ')
  const record = (row: Record<string, unknown>) =>
    Object.fromEntries(named.map(({ databaseName, propertyName }) => [databaseName, row[propertyName]]))
  for (let start = 0; start < rows.length; start += ROWS_AT_ONCE) {
    const some = rows.slice(start, start + ROWS_AT_ONCE).map(record)
    await tx.query(
      `INSERT INTO "${tableName}" (${names}) SELECT ${names} FROM jsonb_populate_recordset(null::public."${tableName}", $1)`,
      [JSON.stringify(some)],
    )
  }
}

/** True when a table has no rows. The name is ours, never a user's. */
export async function isEmpty(tx: Tx, table: 'staff' | 'kit'): Promise<boolean> {
  const rows = await selectRows<{ any: boolean }>(tx, `SELECT EXISTS (SELECT 1 FROM ${table}) AS any`)
  return rows[0]?.any === false
}
