import 'reflect-metadata'
import { randomUUID } from 'node:crypto'
import type { HandOutForm, KitSheet, Shelf, TakeBackForm } from '@binoculum/contract'
import type { InjectOptions } from 'fastify'
import { DataSource } from 'typeorm'
import { buildApp, type AppOptions } from '../src/app.ts'
import { fillDemo } from '../src/demo/load.ts'
import { demoStaff } from '../src/demo/scenario.ts'
import { makeDataSource } from '../src/data-source.ts'
import { Database } from '../src/platform/database.ts'
import { prepareDatabase } from '../src/prepare-database.ts'

/** A Thursday afternoon, far from clock changes; loans and promises of the demo lie around it. */
export const testNow = new Date('2026-03-12T14:00:00Z')
export const passwordOf = (email: string) => `secret-of-${email}`

const baseUrl = () => {
  const url = process.env.TEST_DATABASE_URL
  if (!url) throw new Error('TEST_DATABASE_URL is missing; run npm run test:integration, which starts a database')
  return url
}

type Kind = 'empty' | 'migrated' | 'demo'

/** As which a server works; the tests themselves look and prepare as the owner. */
const dailyUrlOf = (name: string) => {
  const url = process.env.TEST_DAILY_URL
  if (!url) throw new Error('TEST_DAILY_URL is missing; run npm run test:integration, which starts a database')
  return url.replace(/\/postgres$/, `/${name}`)
}

const cluster = () => new DataSource({ type: 'postgres', url: baseUrl() })
const urlOf = (name: string) => baseUrl().replace(/\/postgres$/, `/${name}`)
/** All workers of one run share its templates; another run, of other code, makes its own, unless it says whose it takes. */
const runId = process.env.TEMPLATES_OF ?? (process.send ? process.ppid : process.pid)

/** A database of its own for each test file, dropped at the end: empty, with today's tables, or with the demo in them. The
 * latter two are made once a run and copied. */
export async function makeDatabase(
  kind: Kind = 'empty',
): Promise<{ url: string; dailyUrl: string; source: DataSource; drop: () => Promise<void> }> {
  const name = `test_${randomUUID().replaceAll('-', '')}`
  const admin = await cluster().initialize()
  if (kind === 'empty') await admin.query(`CREATE DATABASE ${name}`)
  else await copyTemplate(admin, kind, name)
  const url = urlOf(name)
  const source = await makeDataSource(url).initialize()
  const dailyUrl = dailyUrlOf(name)
  const drop = async () => {
    if (source.isInitialized) await source.destroy()
    await admin.query(`DROP DATABASE ${name} WITH (FORCE)`)
    await admin.destroy()
  }
  return { url, dailyUrl, source, drop }
}

/** Copies this run's template, made by whoever comes first; the others wait. */
async function copyTemplate(admin: DataSource, kind: Exclude<Kind, 'empty'>, name: string): Promise<void> {
  const template = `template_${kind}_${runId}`
  const runner = admin.createQueryRunner()
  await runner.query('SELECT pg_advisory_lock($1)', [TEMPLATE_LOCK])
  try {
    const there: unknown[] = await runner.query('SELECT 1 FROM pg_database WHERE datname = $1', [template])
    if (there.length === 0) {
      const half = `${template}_half`
      await runner.query(`CREATE DATABASE ${half}`)
      const source = await makeDataSource(urlOf(half)).initialize()
      await prepareDatabase({ ownerUrl: urlOf(half), databaseUrl: dailyUrlOf(half) })
      if (kind === 'demo') await new Database(source).inTransaction((tx) => fillDemo(tx, testNow, signIns()))
      await source.destroy()
      await runner.query(`ALTER DATABASE ${half} RENAME TO ${template}`)
    }
    await runner.query(`CREATE DATABASE ${name} TEMPLATE ${template}`)
  } finally {
    await runner.query('SELECT pg_advisory_unlock($1)', [TEMPLATE_LOCK])
    await runner.release()
  }
}
const TEMPLATE_LOCK = 7_340_001
const signIns = () => demoStaff.map(({ email, role }) => ({ email, role, password: passwordOf(email) }))

export interface Reply<T = Record<string, unknown>> {
  readonly status: number
  readonly body: T
  readonly headers: Record<string, unknown>
}

export type Agent = ReturnType<Awaited<ReturnType<typeof startTestServer>>['agent']>

export async function startTestServer(options: Partial<AppOptions> & { demo?: boolean; filled?: boolean } = {}) {
  const { source, dailyUrl, drop } = await makeDatabase((options.filled ?? true) ? 'demo' : 'migrated')
  const daily = await makeDataSource(dailyUrl).initialize()
  const database = new Database(daily)
  const time = { now: testNow }
  const app = await buildApp({
    database,
    clock: () => time.now,
    demo: true,
    publicUrl: null,
    webFolder: 'none',
    log: false,
    ...options,
  })

  const send = async <T>(request: InjectOptions): Promise<Reply<T>> => {
    const reply = await app.inject(request)
    const isJson = String(reply.headers['content-type']).includes('application/json')
    return { status: reply.statusCode, body: (isJson ? reply.json() : reply.body) as T, headers: reply.headers }
  }
  // Each agent sits at an address of its own, so that one's guesses don't slow another down.
  let agents = 0
  const agent = (cookie?: string) => {
    const from = { remoteAddress: `127.0.1.${++agents}`, headers: cookie ? { cookie } : {} }
    return {
      cookie,
      get: <T>(url: string) => send<T>({ method: 'GET', url, ...from }),
      post: <T>(url: string, payload: object = {}) => send<T>({ method: 'POST', url, ...from, payload }),
      put: <T>(url: string, payload: object = {}) => send<T>({ method: 'PUT', url, ...from, payload }),
      upload: <T>(url: string, payload: Buffer, type = 'image/jpeg') =>
        send<T>({
          method: 'POST',
          url,
          ...from,
          headers: { ...from.headers, 'content-type': type },
          payload,
        }),
      bytes: async (url: string) => (await app.inject({ method: 'GET', url, ...from })).rawPayload,
      delete: <T>(url: string) => send<T>({ method: 'DELETE', url, ...from }),
    }
  }
  const signIn = async (name: 'ines' | 'kofi' | 'petra' | 'jun') => {
    const person = demoStaff.find(({ email }) => email.startsWith(name))
    if (!person) throw new Error(`no ${name} in the demo`)
    const { email } = person
    const reply = await agent().post('/api/session', { email, password: passwordOf(email) })
    return agent(String(reply.headers['set-cookie']).split(';')[0])
  }
  const close = async () => {
    await app.close()
    await daily.destroy()
    await drop()
  }
  return { app, database, source, dailyUrl, time, agent, signIn, close }
}

export const kitOf = async (agent: Agent, code: string): Promise<KitSheet> =>
  (await agent.get<KitSheet>(`/api/kits/${code}`)).body
export const shelfOf = async (agent: Agent): Promise<Shelf> => (await agent.get<Shelf>('/api/kits')).body

/** A complete hand-out of a kit, with whatever should differ. */
export async function handOutBody(agent: Agent, code: string, rest: object = {}) {
  const form = (await agent.get<HandOutForm>(`/api/kits/${code}/hand-out`)).body
  const body = {
    idempotencyKey: randomUUID(),
    kitVersion: form.kit.version,
    promisedLoanId: form.promised?.loanId ?? null,
    borrower: form.promised
      ? { id: form.promised.borrower.id }
      : { name: 'Nell Teague', contact: 'nell@post.example' },
    adultSeen: true,
    sunAcknowledged: true,
    agreementId: form.agreement.id,
    acceptance: 'screen',
    contentsAgreed: true,
    dueOn: '2026-03-26',
    ...rest,
  }
  return { kitId: form.kit.id, body }
}

/** A take-back in which every part is present, with whatever should differ. */
export async function takeBackBody(
  agent: Agent,
  loanId: string,
  change: { missing?: string[]; answers?: object; outcome?: string; outcomeReason?: string } = {},
) {
  const form = (await agent.get<TakeBackForm>(`/api/loans/${loanId}/take-back`)).body
  const answers = {
    whatDidNotWork: '',
    dropped: false,
    wet: false,
    glassWhole: true,
    batteryDoorShut: true,
    sunFilterFound: false,
    ...change.answers,
  }
  const marks = form.kit.parts.map((part) => {
    const isMissing = change.missing?.includes(part.role) ?? false
    const mark = isMissing ? 'missing' : 'present'
    return {
      partId: part.id,
      mark,
      presentCount: isMissing ? 0 : part.count,
      note: '',
      wrongItem: '',
      pictureIds: [],
    }
  })
  const { outcome = 'shelf', outcomeReason = '' } = change
  return { idempotencyKey: randomUUID(), loanVersion: form.loan.version, marks, answers, outcome, outcomeReason }
}

/** The open loan of a kit that is out. */
export async function openLoanOf(agent: Agent, code: string): Promise<string> {
  const { loan } = await kitOf(agent, code)
  if (!loan) throw new Error(`${code} is not out`)
  return loan.id
}

/** What a server asks its database from now on, in order. */
export function watchStatements(source: DataSource): string[] {
  interface Client {
    query: (...given: unknown[]) => unknown
  }
  const driver = source.driver as unknown as {
    master: { on: (event: string, listener: (client: Client) => void) => void }
  }
  const statements: string[] = []
  const seen = new WeakSet<Client>()
  driver.master.on('acquire', (client) => {
    if (seen.has(client)) return
    seen.add(client)
    const original = client.query.bind(client)
    client.query = (...given: unknown[]) => {
      statements.push(String(given[0]))
      return original(...given)
    }
  })
  return statements
}
