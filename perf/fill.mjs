import 'reflect-metadata'
import { fillDemo } from '../server/dist/demo/load.js'
import { addKits } from '../server/dist/demo/many-kits.js'
import { demoKits, demoStaff } from '../server/dist/demo/scenario.js'
import { makeDataSource } from '../server/dist/data-source.js'
import { Database, migrate } from '../server/dist/platform/database.js'

/** Fills the benchmark's database: the demo, and copies of its kits up to the wanted number. */
const source = await makeDataSource(process.env.DATABASE_URL).initialize()
await migrate(source)
const signIns = demoStaff.map(({ email, role }) => ({ email, role, password: process.env.PERF_PASSWORD }))
await new Database(source).inTransaction(async (tx) => {
  await fillDemo(tx, new Date(), signIns)
  await addKits(tx, Number(process.env.PERF_KITS) - demoKits.length)
})
await source.query('ANALYZE')
await source.destroy()
