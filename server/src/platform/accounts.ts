import type { DataSource } from 'typeorm'

/** A number of our own choice. */
const GRANT_LOCK = 8_460_003
const SCHEMAS = ['public', 'jobs']

/**
 * Lets an account do a day's work: read and write rows, and nothing else. It owns nothing, so it can neither change a table
 * nor take a guard away; the record it can only read and append to, and of what migrations did it can only read.
 * @param source connected as the owner of the tables
 * @param account a role that exists and may sign in
 */
export async function allowDaily(source: DataSource, account: string): Promise<void> {
  const [role] = await source.query('SELECT quote_ident(rolname) AS name FROM pg_roles WHERE rolname = $1', [account])
  if (!role) throw new Error(`The database has no account “${account}”, which DATABASE_URL names.`)
  const { name } = role as { name: string }
  const there: { name: string }[] = await source.query(
    'SELECT quote_ident(nspname) AS name FROM pg_namespace WHERE nspname = ANY($1)',
    [SCHEMAS],
  )
  await source.transaction(async (tx) => {
    // Servers that start at the same time grant one after the other: PostgreSQL refuses two grants at once.
    await tx.query('SELECT pg_advisory_xact_lock($1)', [GRANT_LOCK])
    for (const { name: schema } of there) {
      await tx.query(`GRANT USAGE ON SCHEMA ${schema} TO ${name}`)
      await tx.query(`GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA ${schema} TO ${name}`)
      await tx.query(`GRANT USAGE ON ALL SEQUENCES IN SCHEMA ${schema} TO ${name}`)
    }
    await tx.query(`REVOKE UPDATE, DELETE ON record FROM ${name}`)
    await tx.query(`REVOKE INSERT, UPDATE, DELETE ON migrations FROM ${name}`)
  })
}

/** What the connected account could do beyond a day's work. */
export async function isTooMighty(source: DataSource): Promise<boolean> {
  const [row] = await source.query(
    `SELECT r.rolsuper OR r.rolcreaterole OR has_table_privilege('record', 'UPDATE') OR has_table_privilege('record', 'DELETE') AS mighty
     FROM pg_roles r WHERE r.rolname = current_user`,
  )
  return (row as { mighty: boolean }).mighty
}
