import { spawn } from 'node:child_process'
import { closeSync, mkdirSync, openSync, readdirSync, readSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { writeOneFile } from './lib/one-file.mjs'
import { forCommand, ownDatabaseUrl } from './lib/own-database.mjs'
import { Explained, runMain, say } from './lib/say.mjs'
import { dataFolder, ensurePackages, ensurePostgres } from './lib/setup.mjs'

/** Everything into one file, while it is in use:
 *
 *     npm run backup                          into .data/backups, of the database that runs from this folder
 *     npm run backup -- --to /mnt/elsewhere --keep 14
 *
 * DATABASE_OWNER_URL or DATABASE_URL name another database; BACKUP_PASSPHRASE encrypts. One consistent instant
 * [pg_dump takes one snapshot]. */
await runMain(async () => {
  const { values } = parseArgs({
    options: { to: { type: 'string' }, keep: { type: 'string' }, empty: { type: 'boolean', default: false } },
  })
  const keep = values.keep === undefined ? null : Number(values.keep)
  if (keep !== null && !(Number.isInteger(keep) && keep >= 1))
    throw new Explained('--keep takes a whole number of backups, 1 at least.', 2)
  await ensurePackages()
  const binFolder = await ensurePostgres()
  const url = process.env.DATABASE_OWNER_URL ?? process.env.DATABASE_URL ?? ownDatabaseUrl(values.empty)
  const folder = values.to ?? join(dataFolder, 'backups')
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const madeAt = new Date()
  const name = `binoculum-${madeAt.toISOString().replaceAll(/[-:.]/g, '')}.backup`
  const path = join(folder, name)
  const { address, env } = forCommand(url)
  const dump = spawn(join(binFolder, 'pg_dump'), ['--format=custom', '--no-owner', '--no-privileges', address], {
    ...{ env, stdio: ['ignore', 'pipe', 'pipe'] },
  })
  let said = ''
  dump.stderr.on('data', (chunk) => (said = (said + chunk).slice(-2000)))
  const ended = new Promise((resolve) => dump.on('exit', resolve))
  try {
    const { migrations } = await whatIsThere(url)
    const about = { madeAtUtc: madeAt.toISOString(), migrations }
    const passphrase = process.env.BACKUP_PASSPHRASE ?? ''
    const { bytes, sha256 } = await writeOneFile(path, dump.stdout, { about, passphrase })
    if ((await ended) !== 0) throw new Explained(`The database could not be read:\n${said}`, 4)
    await markBackup(url, madeAt)
    say(`Backed up ${(bytes / 1e6).toFixed(1)} MB${passphrase ? ', encrypted,' : ''} to ${path}\nSHA-256 ${sha256}`)
    if (!passphrase) say('It holds names of borrowers: keep it where nobody else reads, or set BACKUP_PASSPHRASE.')
    if (keep !== null) sweep(folder, keep)
  } catch (error) {
    dump.kill()
    rmSync(path, { force: true })
    throw error
  }
})

async function whatIsThere(url) {
  return withClient(url, async (client) => {
    const { rows } = await client.query('SELECT name FROM migrations ORDER BY id')
    return { migrations: rows.map(({ name }) => name) }
  })
}

/** The page “What is wrong” says how old the last one is. */
async function markBackup(url, at) {
  const sql = `INSERT INTO upkeep_mark (name, at) VALUES ('backup', $1) ON CONFLICT (name) DO UPDATE SET at = excluded.at`
  await withClient(url, (client) => client.query(sql, [at]))
}

async function withClient(url, work) {
  const { default: pg } = await import('pg')
  const client = new pg.Client({ connectionString: url })
  await client.connect().catch((error) => {
    throw new Explained(`The database can’t be reached: ${error.message}`, 4)
  })
  try {
    return await work(client)
  } finally {
    await client.end()
  }
}

/** Only files that this command made are ever taken away, the oldest first. */
function sweep(folder, keep) {
  const ours = readdirSync(folder)
    .filter((name) => /^binoculum-\d{8}T\d{9}Z\.backup$/.test(name))
    .sort()
  for (const name of ours.slice(0, -keep)) {
    if (!beginning(join(folder, name)).includes('binoculum-backup')) continue
    rmSync(join(folder, name))
    say(`Taken away, as ${keep} are kept: ${name}`)
  }
}

/** The first signs of a file, however large it is. */
function beginning(path) {
  const file = openSync(path, 'r')
  const bytes = Buffer.alloc(40)
  readSync(file, bytes)
  closeSync(file)
  return bytes
}
