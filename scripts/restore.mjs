import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { readOneFile } from './lib/one-file.mjs'
import { forCommand, ownDatabaseRuns } from './lib/own-database.mjs'
import { startCluster } from './lib/postgres.mjs'
import { Explained, runMain, say } from './lib/say.mjs'
import { dataFolder, ensurePackages, ensurePostgres } from './lib/setup.mjs'

/** A backup into an empty installation: `npm run restore -- FILE`, with DATABASE_OWNER_URL or DATABASE_URL, or else into the
 * private database of this folder that `npm start -- --empty` uses. What is there is never written over. Start the server after it: it
 * brings the tables to its own day. */
await runMain(async () => {
  const args = process.argv.slice(2).filter((word) => word !== '--empty')
  const [path] = args
  if (!path || args.length !== 1) throw new Explained('Name the backup: npm run restore -- FILE', 2)
  await ensurePackages()
  const binFolder = await ensurePostgres()
  const { about, stream } = await readOneFile(path, { passphrase: process.env.BACKUP_PASSPHRASE ?? '' })
  const given = process.env.DATABASE_OWNER_URL ?? process.env.DATABASE_URL
  if (!given && ownDatabaseRuns(true))
    throw new Explained('Binoculum runs from this folder. Stop it first, and start it after this.', 6)
  const folder = join(dataFolder, 'postgres-empty')
  const cluster = given ? null : await startCluster({ binFolder, folder })
  try {
    await restoreInto(given ?? cluster.url, { about, stream, binFolder })
  } finally {
    await cluster?.stop()
  }
})

async function restoreInto(url, { about, stream, binFolder }) {
  const { default: pg } = await import('pg')
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    const tables = (await client.query(`SELECT tablename FROM pg_tables WHERE schemaname = 'public'`)).rows
    const people = tables.some(({ tablename }) => tablename === 'staff')
      ? (await client.query('SELECT count(*)::int AS n FROM staff')).rows[0].n
      : 0
    if (people > 0)
      throw new Explained('This installation is not empty, and a backup never goes over what is there.', 8)
    // Only empty tables of an installation that nobody joined yet.
    await client.query('DROP SCHEMA IF EXISTS jobs CASCADE; DROP SCHEMA public CASCADE; CREATE SCHEMA public')
    const { address, env } = forCommand(url)
    const restore = spawn(
      join(binFolder, 'pg_restore'),
      ['--no-owner', '--no-privileges', '--exit-on-error', '--single-transaction', '--dbname', address],
      { env, stdio: ['pipe', 'ignore', 'pipe'] },
    )
    let said = ''
    restore.stderr.on('data', (chunk) => (said = (said + chunk).slice(-2000)))
    const ended = new Promise((resolve) => restore.on('exit', resolve))
    await pipeline(stream, restore.stdin).catch(() => undefined)
    if ((await ended) !== 0) throw new Explained(`The database refused the backup:\n${said}`, 4)
    const { rows } = await client.query('SELECT count(*)::int AS n FROM kit')
    say(`Restored what was made ${about.madeAtUtc}: ${rows[0].n} kits. Start the server now.`)
  } finally {
    await client.end()
  }
}
