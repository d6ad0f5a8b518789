import { randomUUID } from 'node:crypto'
import { cpSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { freePort, stopProcess } from '../../scripts/lib/processes.mjs'
import { startServer } from '../../scripts/lib/server.mjs'

export interface OwnDatabase {
  readonly ownerUrl: string
  readonly dailyUrl: string
}

const nameOf = (given: string) => `e2e_${given.replaceAll('-', '')}`
const template = nameOf(`demo_${process.env.E2E_RUN}`)
/** Where the template's sign-ins lie. */
const templateData = join(tmpdir(), `binoculum-${template}`)
const TEMPLATE_LOCK = 7_340_002

function urlsOf(name: string): OwnDatabase {
  const admin = process.env.TEST_DATABASE_URL
  if (!admin) throw new Error('TEST_DATABASE_URL is missing; run npm run test:e2e, which starts a database')
  const on = (url: string) => url.replace(/\/postgres$/, `/${name}`)
  return { ownerUrl: on(admin), dailyUrl: on(process.env.TEST_DAILY_URL ?? admin) }
}

async function asAdmin<T>(work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: process.env.TEST_DATABASE_URL })
  await client.connect()
  try {
    return await work(client)
  } finally {
    await client.end()
  }
}

/** An empty database on the cluster of this run. */
export async function makeDatabase(): Promise<OwnDatabase> {
  const name = nameOf(randomUUID())
  const urls = urlsOf(name)
  await asAdmin((client) => client.query(`CREATE DATABASE ${name}`))
  return urls
}

/** A database with the demo in it and a folder with its sign-ins: a copy of what the first one asked for in this run was
 * filled with. The others wait for that one. */
export async function makeDemo(): Promise<OwnDatabase & { readonly data: string }> {
  const name = nameOf(randomUUID())
  await asAdmin(async (client) => {
    await client.query('SELECT pg_advisory_lock($1)', [TEMPLATE_LOCK])
    const { rowCount } = await client.query('SELECT 1 FROM pg_database WHERE datname = $1', [template])
    if (rowCount === 0) {
      const half = await makeDatabase()
      const { stop } = await startOn(half, { data: templateData })
      await stop()
      await client.query(`ALTER DATABASE ${new URL(half.ownerUrl).pathname.slice(1)} RENAME TO ${template}`)
    }
    await client.query(`CREATE DATABASE ${name} TEMPLATE ${template}`)
  })
  const data = mkdtempSync(join(tmpdir(), 'binoculum-e2e-'))
  cpSync(templateData, data, { recursive: true })
  return { ...urlsOf(name), data }
}

export interface RunningServer {
  readonly base: string
  readonly signInsPath: string
  readonly pid: number
  readonly stop: () => Promise<void>
}

/** The built server on a database, with the demo in it where it is empty. */
export async function startOn(
  { ownerUrl, dailyUrl, data: ownData }: OwnDatabase & { readonly data?: string },
  given: { data?: string; env?: Record<string, string> } = {},
): Promise<RunningServer> {
  const port = await freePort()
  const data = given.data ?? ownData ?? mkdtempSync(join(tmpdir(), 'binoculum-e2e-'))
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
  const database = await makeDemo()
  const { base, signInsPath, stop } = await startOn(database)
  process.env.BASE_URL = base
  process.env.SIGN_INS = signInsPath
  process.env.E2E_DATABASE_URL = database.ownerUrl
  return stop
}
