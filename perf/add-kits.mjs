import 'reflect-metadata'
import { makeDataSource } from '../server/dist/data-source.js'
import { addKits } from '../server/dist/demo/many-kits.js'

/** Copies the kits of a filled database until there are as many as wanted. */
const source = await makeDataSource(process.env.DATABASE_URL).initialize()
const [{ n }] = await source.query('SELECT count(*)::int AS n FROM kit')
await source.transaction((tx) => addKits(tx, Number(process.env.PERF_KITS) - n))
await source.query('ANALYZE')
await source.destroy()
