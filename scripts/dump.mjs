import { spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { ensureBuild } from './lib/build.mjs'
import { startCluster } from './lib/postgres.mjs'
import { Explained, runMain, say } from './lib/say.mjs'
import { ensurePackages, ensurePostgres, rootFolder } from './lib/setup.mjs'

/** Keeps a small dump of today's tables in e2e/dumps, for the test that migrates every dump to its own day. */
await runMain(async () => {
  const name = process.argv[2]
  if (!/^[a-z0-9-]+$/.test(name ?? '')) throw new Explained('Name the dump: npm run dump -- 0001-round-trip', 2)
  await ensurePackages()
  const binFolder = await ensurePostgres()
  await ensureBuild({ web: false })
  const folder = join(mkdtempSync('/var/tmp/binoculum-dump-'), 'postgres')
  const cluster = await startCluster({ binFolder, folder, throwAway: true })
  try {
    const script = join(rootFolder, 'server', 'dist', 'demo', 'fill-small.js')
    const env = { ...process.env, DATABASE_URL: cluster.url }
    const filled = spawnSync(process.execPath, [script], { env, stdio: ['ignore', 2, 2] })
    if (filled.status !== 0) throw new Explained('The database could not be filled; the reason stands above.')
    // INSERTs instead of COPY, so that any client can read it back.
    const args = ['--inserts', '--rows-per-insert=100', '--no-owner', '--no-privileges', cluster.url]
    const dump = spawnSync(join(binFolder, 'pg_dump'), args, { maxBuffer: 200_000_000 })
    if (dump.status !== 0) throw new Explained(`pg_dump failed: ${dump.stderr}`)
    // \restrict and \unrestrict are for psql only.
    const sql = dump.stdout.toString('utf8').replaceAll(/^\\(un)?restrict.*$/gm, '')
    const path = join(rootFolder, 'e2e', 'dumps', `${name}.sql.gz`)
    writeFileSync(path, gzipSync(sql, { level: 9 }))
    say(`Kept ${path}`)
  } finally {
    await cluster.stop()
  }
})
