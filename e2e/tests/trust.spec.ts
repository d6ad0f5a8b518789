import { spawn, spawnSync } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { createServer, request as ask } from 'node:http'
import { chmodSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { statfs } from 'node:fs/promises'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, test } from '@playwright/test'
import pg from 'pg'
import { startCluster } from '../../scripts/lib/postgres.mjs'
import { freePort } from '../../scripts/lib/processes.mjs'
import { ensurePostgres } from '../../scripts/lib/setup.mjs'
import { makeDatabase, startOn, type OwnDatabase, type RunningServer } from '../support/server.ts'

/** Bad nights, with real processes: what was acknowledged is there afterwards. More of each with TEST_SLOW=1. */
const slow = !!process.env.TEST_SLOW
const scripts = fileURLToPath(new URL('../../scripts/', import.meta.url))

type Call = (method: string, path: string, body?: object) => Promise<Response>

async function signedIn(base: string, signInsPath: string): Promise<Call> {
  const people = JSON.parse(readFileSync(signInsPath, 'utf8')) as { email: string; password: string }[]
  const ines = people.find(({ email }) => email.startsWith('ines'))
  const json = { 'content-type': 'application/json' }
  const session = await fetch(`${base}/api/session`, { method: 'POST', headers: json, body: JSON.stringify(ines) })
  expect(session.status).toBe(200)
  const cookie = session.headers.get('set-cookie')?.split(';')[0] ?? ''
  return (method, path, body) =>
    fetch(base + path, { method, headers: { ...json, cookie }, ...(body ? { body: JSON.stringify(body) } : {}) })
}

interface KitHead {
  readonly code: string
  readonly loan: { readonly id: string } | null
}
const loanOut = async (call: Call): Promise<string> => {
  const { kits } = (await (await call('GET', '/api/kits')).json()) as { kits: KitHead[] }
  return kits.find(({ loan, code }) => loan && code.startsWith('M-'))?.loan?.id ?? ''
}
const entry = (key: string) => ({ entries: { [key]: { value: 'present', atMs: Date.now(), by: 'desk' } } })
const keysOf = async (call: Call, loanId: string): Promise<Set<string>> => {
  const { entries } = (await (await call('GET', `/api/loans/${loanId}/draft`)).json()) as { entries: object }
  return new Set(Object.keys(entries))
}

/** Every row of every table, as one line for each table. */
async function digests({ ownerUrl }: OwnDatabase): Promise<Record<string, string>> {
  const client = new pg.Client({ connectionString: ownerUrl })
  await client.connect()
  const { rows } = await client.query(
    `SELECT tablename AS name FROM pg_tables WHERE schemaname = 'public' ORDER BY 1`,
  )
  const found: Record<string, string> = {}
  for (const { name } of rows as { name: string }[]) {
    const sql = `SELECT count(*)::int AS n, md5(coalesce(string_agg(t::text, '|' ORDER BY t::text), '')) AS sum FROM "${name}" t`
    const [row] = (await client.query(sql)).rows as { n: number; sum: string }[]
    found[name] = `${row?.n} ${row?.sum}`
  }
  await client.end()
  return found
}

const run = (script: string, args: string[], env: Record<string, string>) =>
  new Promise<{ code: number | null; said: string }>((resolve) => {
    const child = spawn(process.execPath, [join(scripts, script), ...args], { env: { ...process.env, ...env } })
    let said = ''
    child.stdout.on('data', (chunk) => (said += chunk))
    child.stderr.on('data', (chunk) => (said += chunk))
    child.on('exit', (code) => resolve({ code, said }))
  })

test('killed in the middle of five hundred writes: what was acknowledged is kept, and the rest can be sent again', async () => {
  const database = await makeDatabase()
  const first = await startOn(database)
  const call = await signedIn(first.base, first.signInsPath)
  const loanId = await loanOut(call)
  const acknowledged: string[] = []
  let isKilled = false
  const all = Array.from({ length: 500 }, (_, index) => `mark-${index}`)
  const writes = all.map(async (key) => {
    const reply = await call('POST', `/api/loans/${loanId}/draft`, entry(key)).catch(() => null)
    if (reply?.ok) acknowledged.push(key)
    if (acknowledged.length >= 120 && !isKilled) isKilled = process.kill(first.pid, 'SIGKILL')
  })
  await Promise.all(writes)
  expect(acknowledged.length).toBeGreaterThanOrEqual(120)
  expect(acknowledged.length).toBeLessThan(500)
  const second = await startOn(database, { data: dirname(first.signInsPath) })
  try {
    const again = await signedIn(second.base, second.signInsPath)
    const kept = await keysOf(again, loanId)
    expect(acknowledged.filter((key) => !kept.has(key))).toEqual([])
    await Promise.all(
      all.filter((key) => !kept.has(key)).map((key) => again('POST', `/api/loans/${loanId}/draft`, entry(key))),
    )
    const whole = await keysOf(again, loanId)
    expect(all.filter((key) => !whole.has(key))).toEqual([])
  } finally {
    await second.stop()
  }
})

/** What `npm start` runs, with data of its own. */
async function npmStart(data: string) {
  const port = await freePort()
  const child = spawn(process.execPath, [join(scripts, 'start.mjs')], {
    env: { ...process.env, DATABASE_URL: '', DATABASE_OWNER_URL: '', BINOCULUM_DATA: data, PORT: String(port) },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let text = ''
  child.stdout.on('data', (chunk) => (text += chunk))
  child.stderr.on('data', (chunk) => (text += chunk))
  const ended = new Promise<void>((resolve) => child.on('exit', () => resolve()))
  const stop = async () => {
    child.kill('SIGTERM')
    await ended
  }
  await expect.poll(() => text, { timeout: 60_000 }).toContain('Binoculum is ready')
  return { base: `http://127.0.0.1:${port}`, said: () => text, stop }
}

test('a database that is killed again and again is started again, and nothing acknowledged is lost', async () => {
  const times = slow ? 10 : 2
  const data = mkdtempSync(join(tmpdir(), 'binoculum-trust-'))
  // Open to the account that runs the database.
  chmodSync(data, 0o755)
  const { base, said, stop } = await npmStart(data)
  try {
    const call = await signedIn(base, join(data, 'demo-sign-ins.json'))
    const loanId = await loanOut(call)
    const acknowledged: string[] = []
    for (let time = 0; time < times; time++) {
      for (const key of Array.from({ length: 5 }, (_, index) => `mark-${time}-${index}`)) {
        const reply = await call('POST', `/api/loans/${loanId}/draft`, entry(key))
        if (reply.ok) acknowledged.push(key)
      }
      process.kill(databasePid(data), 'SIGKILL')
      const away = await call('POST', `/api/loans/${loanId}/draft`, entry('while-away'))
      // A refusal with a time to come back, or already there again: never a fault of ours.
      expect([200, 503]).toContain(away.status)
      await expect.poll(async () => (await call('GET', '/readyz')).status, { timeout: 60_000 }).toBe(200)
      // More than five ends in a minute are no accident: it would be left alone then.
      if (slow) await new Promise((done) => setTimeout(done, 13_000))
    }
    expect(acknowledged).toHaveLength(5 * times)
    const kept = await keysOf(call, loanId)
    expect(acknowledged.filter((key) => !kept.has(key))).toEqual([])
    expect(said()).toContain('The database is back.')
  } finally {
    await stop()
  }
})

/** The database's own process, from the file it keeps while it runs. */
const databasePid = (data: string) =>
  Number(readFileSync(join(data, 'postgres', 'cluster', 'postmaster.pid'), 'utf8').split('\n')[0])

test('a full disk refuses what is new, keeps what is there, and goes on when there is room', async () => {
  const database = await makeDatabase()
  const server = await startOn(database)
  const owner = new pg.Client({ connectionString: database.ownerUrl })
  await owner.connect()
  try {
    const call = await signedIn(server.base, server.signInsPath)
    const loanId = await loanOut(call)
    await owner.query(`CREATE FUNCTION no_room() RETURNS trigger LANGUAGE plpgsql AS
      $$ BEGIN RAISE EXCEPTION 'could not extend file' USING ERRCODE = '53100'; END $$`)
    await owner.query(
      'CREATE TRIGGER no_room BEFORE INSERT OR UPDATE ON take_back_draft FOR EACH ROW EXECUTE FUNCTION no_room()',
    )
    const refused = await call('POST', `/api/loans/${loanId}/draft`, entry('mark-1'))
    expect([refused.status, refused.headers.get('retry-after')]).toEqual([503, '5'])
    expect(await refused.text()).not.toContain('extend file')
    expect((await call('GET', '/api/kits')).status).toBe(200)
    await owner.query('DROP TRIGGER no_room ON take_back_draft')
    expect((await call('POST', `/api/loans/${loanId}/draft`, entry('mark-1'))).status).toBe(200)
  } finally {
    await owner.end()
    await server.stop()
  }
})

test('a disk that really fills up: nothing acknowledged is lost, and it goes on when there is room', async () => {
  const disk = mkdtempSync(join(tmpdir(), 'binoculum-disk-'))
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=130m,mode=755', 'none', disk]).status === 0
  test.skip(!mounted, 'this account may not mount a small disk; the refusal itself is tried above')
  let running: Awaited<ReturnType<typeof npmStart>> | undefined
  try {
    running = await npmStart(disk)
    const call = await signedIn(running.base, join(disk, 'demo-sign-ins.json'))
    const loanId = await loanOut(call)
    writeFileSync(join(disk, 'ballast'), Buffer.alloc(Math.max(0, (await statfs(disk)).bavail * 4096 - 4_000_000)))
    const acknowledged: string[] = []
    const refusals: number[] = []
    const noise = randomBytes(60_000).toString('base64')
    for (let count = 0; count < 300 && refusals.length < 3; count++) {
      const key = `mark-${count}`
      const body = { entries: { [key]: { value: noise, atMs: Date.now(), by: 'desk' } } }
      const reply = await call('POST', `/api/loans/${loanId}/draft`, body).catch(() => null)
      if (reply?.ok) acknowledged.push(key)
      else refusals.push(reply?.status ?? 0)
    }
    expect(refusals.length).toBe(3)
    // Refused with a time to come back, or no line; never a fault of ours.
    expect(refusals.filter((status) => status !== 503 && status !== 0)).toEqual([])
    rmSync(join(disk, 'ballast'))
    await running.stop()
    running = await npmStart(disk)
    const again = await signedIn(running.base, join(disk, 'demo-sign-ins.json'))
    const kept = await keysOf(again, loanId)
    expect(acknowledged.filter((key) => !kept.has(key))).toEqual([])
    expect((await again('POST', `/api/loans/${loanId}/draft`, entry('with-room'))).status).toBe(200)
  } finally {
    await running?.stop()
    spawnSync('umount', [disk])
  }
})

/** A balancer in the smallest: each request to the next server. */
async function balanced(servers: readonly RunningServer[]) {
  let next = 0
  const seen = new Map<string, number>()
  const proxy = createServer((incoming, answer) => {
    const { base } = servers[next++ % servers.length] as RunningServer
    seen.set(base, (seen.get(base) ?? 0) + 1)
    const to = ask(base + incoming.url, { method: incoming.method, headers: incoming.headers }, (reply) => {
      answer.writeHead(reply.statusCode ?? 502, reply.headers)
      reply.pipe(answer)
    })
    to.on('error', () => answer.writeHead(502).end())
    incoming.pipe(to)
  })
  await new Promise<void>((listening) => proxy.listen(0, '127.0.0.1', listening))
  return { base: `http://127.0.0.1:${(proxy.address() as AddressInfo).port}`, seen, close: () => proxy.close() }
}

test('two servers behind a balancer are one: sessions, drafts, live marks, and the count of wrong passwords', async () => {
  const database = await makeDatabase()
  const one = await startOn(database)
  const two = await startOn(database, { data: dirname(one.signInsPath) })
  const proxy = await balanced([one, two])
  try {
    const call = await signedIn(proxy.base, one.signInsPath)
    const statuses = await Promise.all(
      Array.from({ length: 20 }, async () => (await call('GET', '/api/desk')).status),
    )
    expect(new Set(statuses)).toEqual(new Set([200]))
    expect(Math.min(...proxy.seen.values())).toBeGreaterThan(5)

    // Who listens at one server hears of what was marked at the other.
    const loanId = await loanOut(call)
    const listener = await (await signedIn(one.base, one.signInsPath))('GET', '/api/live')
    const reader = listener.body?.getReader()
    const other = await signedIn(two.base, two.signInsPath)
    expect((await other('POST', `/api/loans/${loanId}/draft`, entry('mark-1'))).status).toBe(200)
    let heard = ''
    while (!heard.includes(loanId)) heard += new TextDecoder().decode((await reader?.read())?.value)
    await reader?.cancel()

    const people = JSON.parse(readFileSync(one.signInsPath, 'utf8')) as { email: string }[]
    const email = people.find((each) => each.email.startsWith('petra'))?.email
    const tries: number[] = []
    for (let count = 0; count < 12; count++)
      tries.push((await call('POST', '/api/session', { email, password: 'wrong every time' })).status)
    expect(tries.slice(0, 10)).toEqual(Array.from({ length: 10 }, () => 401))
    expect(tries.slice(10)).toEqual([429, 429])

    // One of them dies: the balancer's next ones go to the other, and nobody signs in again.
    process.kill(two.pid, 'SIGKILL')
    const left = []
    for (let count = 0; count < 6; count++) left.push((await call('GET', '/api/desk')).status)
    expect(left.filter((status) => status === 200).length).toBe(3)
  } finally {
    proxy.close()
    await one.stop()
  }
})

test('a backup made in use is one instant, comes back identical, and is refused when it was touched', async () => {
  const database = await makeDatabase()
  const server = await startOn(database)
  const folder = mkdtempSync(join(tmpdir(), 'binoculum-backup-'))
  const made = () =>
    readdirSync(folder)
      .filter((name) => name.endsWith('.backup'))
      .sort()
  try {
    const call = await signedIn(server.base, server.signInsPath)
    const loanId = await loanOut(call)
    let sent = 0
    let isOver = false
    const writing = (async () => {
      while (!isOver)
        if ((await call('POST', `/api/loans/${loanId}/draft`, entry(`mark-${sent++}`))).status !== 200) break
    })()
    const inUse = await run('backup.mjs', ['--to', folder], {
      DATABASE_OWNER_URL: database.ownerUrl,
      DATABASE_URL: '',
    })
    isOver = true
    await writing
    expect([inUse.code, inUse.said]).toEqual([0, expect.stringContaining('SHA-256')])
    expect(sent).toBeGreaterThan(3)

    const atRest = await run('backup.mjs', ['--to', folder, '--keep', '1'], {
      ...{ DATABASE_OWNER_URL: database.ownerUrl, BACKUP_PASSPHRASE: 'cellar-lantern-harrow' },
    })
    expect(atRest.code).toBe(0)
    expect(made()).toHaveLength(1)
    const path = join(folder, made()[0] ?? '')
    const bytes = readFileSync(path)
    expect(bytes.includes('Teague')).toBe(false)

    const empty = await makeDatabase()
    const touched = join(folder, 'touched.backup')
    writeFileSync(touched, Buffer.from(bytes).fill(7, bytes.length - 900, bytes.length - 899))
    const refused = await run('restore.mjs', [touched], { DATABASE_OWNER_URL: empty.ownerUrl })
    expect([refused.code, refused.said]).toEqual([8, expect.stringContaining('not whole')])
    const locked = await run('restore.mjs', [path], {
      DATABASE_OWNER_URL: empty.ownerUrl,
      BACKUP_PASSPHRASE: 'another',
    })
    expect([locked.code, locked.said]).toEqual([8, expect.stringContaining('passphrase')])
    const env = { DATABASE_OWNER_URL: empty.ownerUrl, BACKUP_PASSPHRASE: 'cellar-lantern-harrow' }
    const back = await run('restore.mjs', [path], env)
    expect([back.code, back.said]).toEqual([0, expect.stringContaining('18 kits')])
    const [before, after] = [await digests(database), await digests(empty)]
    // The mark that says when the backup was made is set when it is done.
    const { upkeep_mark: _made, ...rest } = before
    expect(after).toMatchObject(rest)
    const twice = await run('restore.mjs', [path], env)
    expect([twice.code, twice.said]).toEqual([8, expect.stringContaining('not empty')])

    // And it works: the same people sign in to the same kits.
    const second = await startOn(empty, { data: dirname(server.signInsPath) })
    const again = await signedIn(second.base, second.signInsPath)
    expect(await loanOut(again)).toBe(loanId)
    await second.stop()
  } finally {
    await server.stop()
  }
})

test('a streaming copy answers the Shelf and guides, never older than seconds, and its loss is not noticed', async () => {
  const database = await makeDatabase()
  const filled = await startOn(database)
  await filled.stop()
  const binFolder = await ensurePostgres()
  const folder = join(mkdtempSync('/var/tmp/binoculum-copy-'), 'postgres')
  const copy = await startCluster({ binFolder, folder, standbyOf: process.env.TEST_DATABASE_URL ?? '' })
  const on = new URL(database.ownerUrl)
  on.port = String(copy.port)
  const asked = new pg.Client({ connectionString: on.href })
  asked.on('error', () => undefined)
  await asked.connect()
  /** Connections whose last question was the Shelf's. */
  const shelvesAsked = async (): Promise<number> => {
    const sql = `SELECT count(*)::int AS n FROM pg_stat_activity WHERE query ~ 'MATERIALIZED|FROM reading r' AND pid <> pg_backend_pid()`
    return (await asked.query(sql)).rows[0]?.n
  }
  const env = { DATABASE_REPLICA_URL: on.href }
  const server = await startOn(database, { data: dirname(filled.signInsPath), env })
  try {
    const call = await signedIn(server.base, server.signInsPath)
    expect(await shelvesAsked()).toBe(0)
    for (let count = 0; count < 10; count++) expect((await call('GET', '/api/kits')).status).toBe(200)
    expect(await shelvesAsked()).toBeGreaterThan(0)

    // What is written goes to the primary, and the Shelf has it within the bound.
    type Sheet = { id: string; version: number; parts: { id: string }[] }
    const { id, version, parts } = (await (await call('GET', '/api/kits/M-04')).json()) as Sheet
    const mark = { kitVersion: version, mark: 'missing', note: '' }
    expect((await call('POST', `/api/kits/${id}/parts/${parts[0]?.id}/mark`, mark)).status).toBe(200)
    const sheetOnShelf = async () => {
      const { kits } = (await (await call('GET', '/api/kits')).json()) as { kits: { code: string }[] }
      return JSON.stringify(kits.find(({ code }) => code === 'M-04'))
    }
    const stale = await sheetOnShelf()
    await expect.poll(sheetOnShelf, { timeout: 5000 }).not.toBe(stale)

    await asked.end()
    const last = await sheetOnShelf()
    await copy.stop()
    await new Promise((done) => setTimeout(done, 4000))
    expect(await sheetOnShelf()).toBe(last)
  } finally {
    await server.stop()
    await copy.stop()
    rmSync(dirname(folder), { recursive: true, force: true })
  }
})
