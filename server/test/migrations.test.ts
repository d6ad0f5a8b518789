import { readdirSync, readFileSync } from 'node:fs'
import { gunzipSync } from 'node:zlib'
import { migrate } from '../src/platform/database.ts'
import { migrations } from '../src/migrations/index.ts'
import { makeDatabase } from './support.ts'
import { longTest } from '../../core/src/testing/sweep.ts'

const dumpFolder = new URL('../../e2e/dumps/', import.meta.url)
const dumps = readdirSync(dumpFolder).filter((name) => name.endsWith('.sql.gz'))

it('migrations and entities agree: nothing is left to change', async () => {
  const { source, drop } = await makeDatabase()
  await migrate(source)
  const { upQueries } = await source.driver.createSchemaBuilder().log()
  expect(upQueries.map(({ query }) => query)).toEqual([])
  await drop()
})

it('every migration goes down and up again', async () => {
  const { source, drop } = await makeDatabase()
  await migrate(source)
  for (const _migration of migrations) await source.undoLastMigration()
  const tables: { n: number }[] = await source.query(
    `SELECT count(*)::int AS n FROM information_schema.tables WHERE table_schema = 'public' AND table_name <> 'migrations'`,
  )
  expect(tables[0]?.n).toBe(0)
  await migrate(source)
  await drop()
})

it('two servers that start at once migrate one after the other', async () => {
  const { source, drop } = await makeDatabase()
  await Promise.all([migrate(source), migrate(source)])
  await drop()
})

it('past guides go into pieces and come out of them as they were', async () => {
  const { source, drop } = await makeDatabase()
  await source.query(gunzipSync(readFileSync(new URL('0010-sent-for.sql.gz', dumpFolder))).toString('utf8'))
  await source.query(`SELECT set_config('search_path', 'public', false)`)
  const guides = (): Promise<unknown> => source.query('SELECT id, content FROM guide ORDER BY id')
  const before = await guides()
  await migrate(source)
  const [row]: { packed: number }[] = await source.query(
    `SELECT count(*) FILTER (WHERE pieces <> '{}')::int AS packed FROM guide`,
  )
  expect(row?.packed).toBeGreaterThan(10)
  expect(await guides()).not.toEqual(before)
  while ((await source.query(`SELECT to_regclass('guide_piece') AS t`))[0].t) await source.undoLastMigration()
  expect(await guides()).toEqual(before)
  await drop()
})

const migrates = async (name: string) => {
  const { source, drop } = await makeDatabase()
  const counts = async () => {
    const tables: { name: string }[] = await source.query(
      `SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' AND table_name <> 'migrations'`,
    )
    const rows = await Promise.all(
      tables.map(async (table) => {
        const [row]: { n: number }[] = await source.query(`SELECT count(*)::int AS n FROM "${table.name}"`)
        return [table.name, row?.n ?? 0] as const
      }),
    )
    return new Map(rows)
  }
  await source.query(gunzipSync(readFileSync(new URL(name, dumpFolder))).toString('utf8'))
  await source.query(`SELECT set_config('search_path', 'public', false)`)
  const before = await counts()
  expect(before.get('kit')).toBeGreaterThan(0)
  await migrate(source)
  const after = await counts()
  for (const [table, n] of before) expect([table, after.get(table)]).toEqual([table, n])
  await drop()
}
const ends = [dumps[0] ?? '', dumps.at(-1) ?? '']
it.each(ends)('the dump %s migrates to today with everything in it', migrates)
longTest().each(dumps.filter((name) => !ends.includes(name)))('so does %s, between those', migrates)
