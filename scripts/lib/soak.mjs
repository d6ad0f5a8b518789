import { spawnSync } from 'node:child_process'
import { createHash, randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import pg from 'pg'
import { freePort, sleep, stopProcess } from './processes.mjs'
import { Explained } from './say.mjs'
import { startServer } from './server.mjs'
import { rootFolder } from './setup.mjs'

const BRANCHES = 40
const DESKS_OF_BRANCH = 5
const KITS = 1000
/** Between two things that one desk does: a mark, a page, a name looked for. */
const EVERY_MS = 3000

/** Branches with kits of their own, and somebody at each desk who may only see them. @returns who stands where */
async function manyBranches(url, password) {
  const env = { ...process.env, DATABASE_URL: url, PERF_PASSWORD: password, PERF_KITS: String(KITS) }
  const filled = spawnSync(process.execPath, [join(rootFolder, 'perf', 'fill.mjs')], { env, stdio: ['ignore', 2, 2] })
  if (filled.status !== 0) throw new Explained('perf/fill.mjs failed; see above.')
  const database = new pg.Client({ connectionString: url })
  await database.connect()
  const [branches] = readFileSync(join(rootFolder, 'perf', 'large.sql'), 'utf8').split(/^-- then\n/m)
  // Beside the demo's own, which keep their kits.
  const [{ n }] = (await database.query('SELECT count(*)::int AS n FROM branch')).rows
  await database.query(branches.replaceAll(':branches', String(BRANCHES + n)))
  const { rows } = await database.query(
    `WITH desk AS (
       INSERT INTO staff (id, name, email, password_hash)
       SELECT gen_random_uuid(), 'Desk ' || i || ' of ' || b.name, replace(lower(b.name), ' ', '-') || '-' || i || '@desk.example', ines.password_hash
       FROM branch b CROSS JOIN generate_series(1, ${DESKS_OF_BRANCH}) i CROSS JOIN (SELECT password_hash FROM staff WHERE email LIKE 'ines%') ines
       WHERE b.name LIKE 'Branch %' RETURNING id, name, email
     ), rights AS (
       INSERT INTO membership (staff_id, branch_id, role)
       SELECT desk.id, b.id, 'volunteer' FROM desk JOIN branch b ON desk.name LIKE '% of ' || b.name RETURNING staff_id, branch_id
     ), borrowers AS (
       INSERT INTO borrower (id, branch_id, name, contact)
       SELECT gen_random_uuid(), b.id, 'Ansel Marrow ' || i, 'by post' FROM branch b CROSS JOIN generate_series(1, 30) i WHERE b.name LIKE 'Branch %'
     )
     SELECT desk.id AS "staffId", desk.email, rights.branch_id AS "branchId" FROM desk JOIN rights ON rights.staff_id = desk.id ORDER BY desk.email`,
  )
  // Their sessions are open: two hundred sign-ins from one address are what the server refuses.
  const people = rows.map((person) => ({ ...person, token: randomUUID() }))
  for (const { staffId, token } of people)
    await database.query(
      `INSERT INTO session (token_hash, staff_id, expires_at, last_seen_at) VALUES ($1, $2, now() + interval '1 day', now())`,
      [createHash('sha256').update(token).digest('hex'), staffId],
    )
  await database.query('ANALYZE')
  await database.end()
  return people
}

/** One desk: its own session, its own kits, one of them given out, and what is done at a desk between two borrowers. */
class Desk {
  /** @param count where in its day it begins: two hundred desks don't all open the same page at once */
  constructor(ask, base, { email, branchId, token }, count) {
    Object.assign(this, { ask, base, email, branchId, cookie: `binoculum=${token}`, count })
  }
  answer(method, path, body) {
    return this.ask(this.base + path, { method, cookie: this.cookie, body })
  }
  async must(method, path, body) {
    const { status, text } = await this.answer(method, path, body)
    if (status !== 200)
      throw new Explained(`${this.email}: ${method} ${path} answered ${status}: ${text().slice(0, 200)}`)
    return JSON.parse(text())
  }
  async open(nth) {
    const { kits } = await this.must('GET', '/api/kits')
    this.codes = kits.map(({ code }) => code)
    // Each desk of a branch takes kits of its own, until one may go out.
    for (const kit of kits.filter((_, at) => at % DESKS_OF_BRANCH === nth)) {
      const form = await this.must('GET', `/api/kits/${kit.code}/hand-out`)
      const { status, text } = await this.answer('POST', `/api/kits/${form.kit.id}/hand-out`, {
        ...{ idempotencyKey: randomUUID(), kitVersion: form.kit.version, promisedLoanId: null },
        ...{ borrower: { name: 'Nell Teague', contact: 'by post' }, adultSeen: true, sunAcknowledged: true },
        ...{ agreementId: form.agreement.id, acceptance: 'screen', contentsAgreed: true, dueOn: form.dueOn },
      })
      if (status === 200) return void (this.loanId = JSON.parse(text()).loanId)
    }
    throw new Explained(`${this.email} has no kit that may go out.`)
  }
  /** The next thing that is done here. */
  next() {
    const at = this.count++
    const code = this.codes[at % this.codes.length]
    const reads = {
      ...{ shelf: '/api/kits', desk: '/api/desk', bench: '/api/bench' },
      ...{ 'kit’s sheet': `/api/kits/${code}`, 'hand-out form': `/api/kits/${code}/hand-out` },
      borrowers: `/api/borrowers?branchId=${this.branchId}&text=an`,
      'take-back form': `/api/loans/${this.loanId}/take-back`,
      guide: `/api/loans/${this.loanId}/guide`,
    }
    // Every other thing is a mark at a take-back.
    if (at % 2 === 0) {
      const kind = Object.keys(reads)[(at / 2) % Object.keys(reads).length]
      return { kind, reply: this.answer('GET', reads[kind]) }
    }
    const entries = { [`part-${at}`]: { value: 'present', atMs: Date.now(), by: 'x' } }
    return { kind: 'mark', reply: this.answer('POST', `/api/loans/${this.loanId}/draft`, { entries }) }
  }
}

const quantile = (times, share) => [...times].sort((a, b) => a - b)[Math.max(0, Math.ceil(times.length * share) - 1)]
const memoryMb = (pid) => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024

/**
 * Forty branches with five desks each and a thousand kits, each desk doing one thing every three seconds.
 * @param ask sends one request and gives its status, its milliseconds and its text
 */
export async function soak({ url, ask, password, seconds }) {
  const people = await manyBranches(url, password)
  const port = await freePort()
  const server = await startServer({ env: { DATABASE_URL: url, PORT: String(port), REQUESTS_A_MINUTE: '10000000' } })
  try {
    const desks = people.map((person, at) => new Desk(ask, `http://127.0.0.1:${port}`, person, at))
    for (const [at, desk] of desks.entries()) await desk.open(at % DESKS_OF_BRANCH)
    const times = []
    const byKind = new Map()
    const memory = []
    const refusals = new Map()
    const until = performance.now() + seconds * 1000
    const working = desks.map(async (desk, at) => {
      await sleep((at / desks.length) * EVERY_MS)
      while (performance.now() < until) {
        const { kind, reply } = desk.next()
        const { status, ms, text } = await reply
        times.push(ms)
        byKind.set(kind, [...(byKind.get(kind) ?? []), ms])
        if (status !== 200) {
          const why = `${status} ${/"code":"(\w+)"/.exec(text())?.[1] ?? text().slice(0, 80)}`
          refusals.set(why, (refusals.get(why) ?? 0) + 1)
        }
        await sleep(Math.max(0, EVERY_MS - ms))
      }
    })
    const watching = (async () => {
      while (performance.now() < until) {
        memory.push(memoryMb(server.pid))
        await sleep(2000)
      }
    })()
    await Promise.all([...working, watching])
    const third = Math.floor(memory.length / 3)
    const [early, late] = [memory.slice(third, 2 * third), memory.slice(2 * third)].map((part) => quantile(part, 0.5))
    return {
      ...{
        seconds,
        desks: desks.length,
        requests: times.length,
      },
      ...{ refusals: Object.fromEntries(refusals), p50Ms: quantile(times, 0.5), p95Ms: quantile(times, 0.95) },
      byKind: Object.fromEntries(
        [...byKind].map(([kind, own]) => [kind, [0.5, 0.95].map((q) => Math.round(quantile(own, q)))]),
      ),
      ...{ memoryMb: late, memoryGrowth: late / early },
    }
  } finally {
    await stopProcess(server.pid, 'SIGTERM')
  }
}
