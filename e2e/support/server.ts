import { randomUUID } from 'node:crypto'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { freePort, stopProcess } from '../../scripts/lib/processes.mjs'
import { startServer } from '../../scripts/lib/server.mjs'

export interface OwnDatabase {
  readonly ownerUrl: string
  readonly dailyUrl: string
}

/** An empty database on the cluster of this run. */
export async function makeDatabase(): Promise<OwnDatabase> {
  const admin = process.env.TEST_DATABASE_URL
  if (!admin) throw new Error('TEST_DATABASE_URL is missing; run npm run test:e2e, which starts a database')
  const name = `e2e_${randomUUID().replaceAll('-', '')}`
  const client = new pg.Client({ connectionString: admin })
  await client.connect()
  await client.query(`CREATE DATABASE ${name}`)
  await client.end()
  const on = (url: string) => url.replace(/\/postgres$/, `/${name}`)
  return { ownerUrl: on(admin), dailyUrl: on(process.env.TEST_DAILY_URL ?? admin) }
}

export interface RunningServer {
  readonly base: string
  readonly signInsPath: string
  readonly pid: number
  readonly stop: () => Promise<void>
}

/** The built server on a database, with the demo in it where it is empty. */
export async function startOn(
  { ownerUrl, dailyUrl }: OwnDatabase,
  given: { data?: string; env?: Record<string, string> } = {},
): Promise<RunningServer> {
  const port = await freePort()
  const data = given.data ?? mkdtempSync(join(tmpdir(), 'binoculum-e2e-'))
  const env = {
    ...{ DATABASE_URL: dailyUrl, DATABASE_OWNER_URL: ownerUrl, PORT: String(port), HOST: '127.0.0.1' },
    ...{ BINOCULUM_DATA: data, ...given.env },
  }
  const server = await startServer({ env, args: ['--demo'] })
  const pid = server.pid ?? 0
  return {
    base: `http://127.0.0.1:${port}`,
    signInsPath: join(data, 'demo-sign-ins.json'),
    pid,
    stop: () => stopProcess(pid, 'SIGTERM'),
  }
}

/** A server of its own for one worker; its tests find both through the environment. @returns stops it */
export async function startOwnServer(): Promise<() => Promise<void>> {
  const database = await makeDatabase()
  const { base, signInsPath, stop } = await startOn(database)
  process.env.BASE_URL = base
  process.env.SIGN_INS = signInsPath
  process.env.E2E_DATABASE_URL = database.ownerUrl
  return stop
}
