import 'reflect-metadata'
import { makeDataSource } from '../data-source.ts'
import { Database, migrate } from '../platform/database.ts'
import { readablePassword } from '../platform/secrets.ts'
import { fillDemo } from './load.ts'
import { demoKits, demoStaff } from './scenario.ts'

/** Fills a database with three kits of the demo: what `npm run dump` keeps of each state of the tables. */
const KIT_CODES = ['M-04', 'M-06', 'F-03']

const source = await makeDataSource(process.env.DATABASE_URL ?? '').initialize()
await migrate(source)
const signIns = demoStaff.map(({ email, role }) => ({ email, role, password: readablePassword() }))
const kits = demoKits.filter(({ code }) => KIT_CODES.includes(code))
await new Database(source).inTransaction((tx) => fillDemo(tx, new Date(), signIns, kits))
await source.destroy()
