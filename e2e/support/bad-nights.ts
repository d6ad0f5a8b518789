import { spawn } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect } from '@playwright/test'
import pg from 'pg'
import { freePort } from '../../scripts/lib/processes.mjs'
import { type OwnDatabase } from './server.ts'

export const slow = !!process.env.TEST_SLOW
export const scripts = fileURLToPath(new URL('../../scripts/', import.meta.url))

export type Call = (method: string, path: string, body?: object) => Promise<Response>

export async function signedIn(base: string, signInsPath: string): Promise<Call> {
  const people = JSON.parse(readFileSync(signInsPath, 'utf8')) as { email: string; password: string }[]
  const ines = people.find(({ email }) => email.startsWith('ines'))
  const json = { 'content-type': 'application/json' }
  const session = await fetch(`${base}/api/session`, { method: 'POST', headers: json, body: JSON.stringify(ines) })
  expect(session.status).toBe(200)
  const cookie = session.headers.get('set-cookie')?.split(';')[0] ?? ''
  return (method, path, body) =>
    fetch(base + path, { method, headers: { ...json, cookie }, ...(body ? { body: JSON.stringify(body) } : {}) })
}

export interface KitHead {
  readonly code: string
  readonly loan: { readonly id: string } | null
}
export const loanOut = async (call: Call): Promise<string> => {
  const { kits } = (await (await call('GET', '/api/kits')).json()) as { kits: KitHead[] }
  return kits.find(({ loan, code }) => loan && code.startsWith('M-'))?.loan?.id ?? ''
}
export const entry = (key: string) => ({ entries: { [key]: { value: 'present', atMs: Date.now(), by: 'desk' } } })
export const keysOf = async (call: Call, loanId: string): Promise<Set<string>> => {
  const { entries } = (await (await call('GET', `/api/loans/${loanId}/draft`)).json()) as { entries: object }
  return new Set(Object.keys(entries))
}

/** Every row of every table, as one line for each table. */
export async function digests({ ownerUrl }: OwnDatabase): Promise<Record<string, string>> {
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

export const run = (script: string, args: string[], env: Record<string, string>) =>
  new Promise<{ code: number | null; said: string }>((resolve) => {
    const child = spawn(process.execPath, [join(scripts, script), ...args], { env: { ...process.env, ...env } })
    let said = ''
    child.stdout.on('data', (chunk) => (said += chunk))
    child.stderr.on('data', (chunk) => (said += chunk))
    child.on('exit', (code) => resolve({ code, said }))
  })

/** What `npm start` runs, with data of its own. */
export async function npmStart(data: string) {
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
