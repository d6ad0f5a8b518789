import { createServer, request as ask } from 'node:http'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { dirname, join } from 'node:path'
import { expect, test } from '@playwright/test'
import pg from 'pg'
import { startCluster } from '../../scripts/lib/postgres.mjs'
import { ensurePostgres } from '../../scripts/lib/setup.mjs'
import { makeDemo, startOn, type RunningServer } from '../support/server.ts'

import { entry, loanOut, signedIn } from '../support/bad-nights.ts'

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

test('two servers behind a balancer are one: sessions, drafts, live marks, and the count of wrong passwords @long', async () => {
  const database = await makeDemo()
  const one = await startOn(database)
  const two = await startOn(database)
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

test('a streaming copy answers the Shelf and guides, never older than seconds, and its loss is not noticed @long', async () => {
  const database = await makeDemo()
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
  const server = await startOn(database, { env })
  try {
    const call = await signedIn(server.base, server.signInsPath)
    expect(await shelvesAsked()).toBe(0)
    for (let count = 0; count < 10; count++) expect((await call('GET', '/api/kits')).status).toBe(200)
    expect(await shelvesAsked()).toBeGreaterThan(0)

    // What is written goes to the primary, and the Shelf has it within the bound.
    type Sheet = { id: string; version: number; parts: { id: string }[] }
    const { id, version, parts } = (await (await call('GET', '/api/kits/M-04')).json()) as Sheet
    const mark = { kitVersion: version, mark: 'missing', note: '' }
    const sheetOnShelf = async () => {
      const { kits } = (await (await call('GET', '/api/kits')).json()) as { kits: { code: string }[] }
      return JSON.stringify(kits.find(({ code }) => code === 'M-04'))
    }
    // Read before it is written: the copy may have it at once.
    const before = await sheetOnShelf()
    expect((await call('POST', `/api/kits/${id}/parts/${parts[0]?.id}/mark`, mark)).status).toBe(200)
    await expect.poll(sheetOnShelf, { timeout: 5000 }).not.toBe(before)

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
