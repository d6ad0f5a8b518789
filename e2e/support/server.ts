import { randomUUID } from 'node:crypto'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { freePort, stopProcess } from '../../scripts/lib/processes.mjs'
import { startServer } from '../../scripts/lib/server.mjs'

/** The built server with the demo in a database of its own, for one worker; its tests find both through the environment.
 * @returns stops it */
export async function startOwnServer(): Promise<() => Promise<void>> {
  const admin = process.env.TEST_DATABASE_URL
  if (!admin) throw new Error('TEST_DATABASE_URL is missing; run npm run test:e2e, which starts a database')
  const name = `e2e_${randomUUID().replaceAll('-', '')}`
  const client = new pg.Client({ connectionString: admin })
  await client.connect()
  await client.query(`CREATE DATABASE ${name}`)
  await client.end()

  const port = await freePort()
  const data = mkdtempSync(join(tmpdir(), 'binoculum-e2e-'))
  const ownerUrl = admin.replace(/\/postgres$/, `/${name}`)
  const dailyUrl = process.env.TEST_DAILY_URL?.replace(/\/postgres$/, `/${name}`)
  const env = {
    DATABASE_URL: dailyUrl ?? ownerUrl,
    DATABASE_OWNER_URL: ownerUrl,
    PORT: String(port),
    HOST: '127.0.0.1',
    BINOCULUM_DATA: data,
  }
  const server = await startServer({ env, args: ['--demo'] })
  process.env.BASE_URL = `http://127.0.0.1:${port}`
  process.env.SIGN_INS = join(data, 'demo-sign-ins.json')
  process.env.E2E_DATABASE_URL = ownerUrl
  return async () => {
    if (server.pid) await stopProcess(server.pid, 'SIGTERM')
  }
}
