import type { EntityMetadata, EntityTarget, ObjectLiteral } from 'typeorm'
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

/** Inserts rows of many tables, each after those it refers to. */
export async function insertAlongKeys(
  tx: Tx,
  parts: readonly (readonly [EntityTarget<ObjectLiteral>, readonly Record<string, unknown>[]])[],
): Promise<void> {
  const rowsOf = new Map(parts.map(([entity, rows]) => [tx.connection.getMetadata(entity), rows]))
  for (const table of referredFirst([...rowsOf.keys()])) await insertMany(tx, table.target, rowsOf.get(table) ?? [])
}

/** Tables in an order in which each stands after those it refers to. */
function referredFirst(tables: readonly EntityMetadata[]): EntityMetadata[] {
  const order = new Set<EntityMetadata>()
  const put = (table: EntityMetadata) => {
    if (order.has(table) || !tables.includes(table)) return
    for (const { referencedEntityMetadata: other } of table.foreignKeys) if (other !== table) put(other)
    order.add(table)
  }
  for (const table of tables) put(table)
  return [...order]
}

/** Updates many rows by their id in few statements; every row names the same columns. Not for binary columns. */
export async function updateMany<T extends ObjectLiteral>(
  tx: Tx,
  target: EntityTarget<T>,
  rows: readonly ({ readonly id: string } & Record<string, unknown>)[],
): Promise<void> {
  const [first] = rows
  if (!first) return
  const { columns, tableName } = tx.connection.getMetadata(target)
  const named = columns.filter(({ propertyName }) => first[propertyName] !== undefined && propertyName !== 'id')
  const sets = named.map(({ databaseName }) => `"${databaseName}" = new."${databaseName}"`).join(', ')
  const record = (row: Record<string, unknown>) => ({
    id: row.id,
    ...Object.fromEntries(named.map(({ databaseName, propertyName }) => [databaseName, row[propertyName]])),
  })
  for (let start = 0; start < rows.length; start += ROWS_AT_ONCE) {
    const some = rows.slice(start, start + ROWS_AT_ONCE).map(record)
    await tx.query(
      `UPDATE "${tableName}" old SET ${sets} FROM jsonb_populate_recordset(null::public."${tableName}", $1) new
       WHERE new.id = old.id`,
      [JSON.stringify(some)],
    )
  }
}

/** True when a table has no rows. The name is ours, never a user's. */
export async function isEmpty(tx: Tx, table: 'staff' | 'kit'): Promise<boolean> {
  const rows = await selectRows<{ any: boolean }>(tx, `SELECT EXISTS (SELECT 1 FROM ${table}) AS any`)
  return rows[0]?.any === false
}
