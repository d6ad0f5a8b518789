import 'reflect-metadata'
import { readFileSync } from 'node:fs'
import { DataSource } from 'typeorm'
import { makeDataSource } from '../server/dist/data-source.js'
import { addKits } from '../server/dist/demo/many-kits.js'

/** A database `large` beside the filled one: the demo grown to a large programme that ran for years. The demo's own branches
 * keep their kits: what one of their screens shows stays the same, and only history and neighbours grow. */
const size = {
  ...{ branches: 40, kits: 1_000, loansOfKit: 200, checksOfKit: 100, readingsOfCheck: 4 },
  // For trying the measurement itself: PERF_SIZE='{"loansOfKit":2}'.
  ...JSON.parse(process.env.PERF_SIZE ?? '{}'),
}

const url = process.env.DATABASE_URL
const from = new URL(url).pathname.slice(1)
const admin = await new DataSource({ type: 'postgres', url: url.replace(/\/[^/]*$/, '/template1') }).initialize()
await admin.query(`CREATE DATABASE large TEMPLATE "${from}"`)
await admin.destroy()

const source = await makeDataSource(url.replace(/\/[^/]*$/, '/large')).initialize()
const [{ n }] = await source.query('SELECT count(*)::int AS n FROM kit')
await source.transaction((tx) => addKits(tx, size.kits - n))
for (const text of readFileSync(new URL('large.sql', import.meta.url), 'utf8').split(/^-- then\n/m)) {
  const sql = text.replaceAll(/:(\w+)/g, (whole, name) => (name in size ? String(size[name]) : whole))
  const startedAt = performance.now()
  await source.query(sql)
  const took = ((performance.now() - startedAt) / 1000).toFixed(1)
  process.stderr.write(`  ${sql.split('\n')[0].slice(3).padEnd(56)} ${took.padStart(6)} s\n`)
}
const [counts] = await source.query(
  `SELECT (SELECT count(*) FROM branch)::int AS branches, (SELECT count(*) FROM kit)::int AS kits,
     (SELECT count(*) FROM loan)::int AS loans, (SELECT count(*) FROM guide)::int AS guides,
     (SELECT sum(jsonb_array_length(marks)) FROM take_back)::int AS marks, (SELECT count(*) FROM reading)::int AS readings,
     pg_size_pretty(pg_database_size(current_database())) AS size`,
)
process.stderr.write(`  ${JSON.stringify(counts)}\n`)
await source.destroy()
