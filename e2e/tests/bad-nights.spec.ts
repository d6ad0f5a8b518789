import { spawnSync } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { chmodSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { statfs } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import pg from 'pg'
import { startCluster } from '../../scripts/lib/postgres.mjs'
import { ensurePostgres } from '../../scripts/lib/setup.mjs'
import { makeDemo, startOn } from '../support/server.ts'

import { entry, keysOf, loanOut, npmStart, signedIn, slow } from '../support/bad-nights.ts'

test('killed in the middle of five hundred writes: what was acknowledged is kept, and the rest can be sent again @long', async () => {
  const database = await makeDemo()
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
  const second = await startOn(database)
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

test('a database that is killed again and again is started again, and nothing acknowledged is lost @long', async () => {
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
        // As a screen does: what was refused for lack of a database is sent again.
        const send = async () => (await call('POST', `/api/loans/${loanId}/draft`, entry(key))).status
        await expect.poll(send, { timeout: 60_000 }).toBe(200)
        acknowledged.push(key)
      }
      // Many ask at this very moment; each of their connections dies in its own way.
      const asked = Array.from({ length: 12 }, () => call('GET', '/api/kits').then(({ status }) => status))
      process.kill(databasePid(data), 'SIGKILL')
      for (const status of await Promise.all(asked)) expect([200, 503]).toContain(status)
      const away = await call('POST', `/api/loans/${loanId}/draft`, entry('while-away'))
      // A refusal with a time to come back, or already there again: never a fault of ours.
      expect([200, 503]).toContain(away.status)
      await expect.poll(async () => (await call('GET', '/readyz')).status, { timeout: 60_000 }).toBe(200)
      // More than five ends in a minute are no accident: it would be left alone then.
      if (slow) await new Promise((done) => setTimeout(done, 13_000))
    }
    expect(acknowledged).toHaveLength(5 * times)
    await expect.poll(async () => (await call('GET', '/api/kits')).status, { timeout: 60_000 }).toBe(200)
    const kept = await keysOf(call, loanId)
    expect(acknowledged.filter((key) => !kept.has(key))).toEqual([])
    expect(said()).toContain('The database is back.')
  } catch (error) {
    // Whoever reads this wants to know whether a server ended, and with what words.
    throw new Error(`${String(error)}\nIt said:\n${said().slice(-4000)}`, { cause: error })
  } finally {
    await stop()
  }
})

test('a killed database whose last processes are slow to leave is waited for, not given up @long', async () => {
  const data = mkdtempSync(join(tmpdir(), 'binoculum-slow-end-'))
  chmodSync(data, 0o755)
  const given = { binFolder: await ensurePostgres(), folder: join(data, 'postgres'), throwAway: true }
  const first = await startCluster(given)
  // What only came to look has gone again: those are stopped that serve as long as it runs.
  await new Promise((done) => setTimeout(done, 1000))
  const children = readdirSync('/proc').filter((entry) => /^\d+$/.test(entry) && parentOf(entry) === first.pid)
  expect(children.length).toBeGreaterThan(2)
  // The command goes on where one of them has gone meanwhile.
  const tell = (signal: 'STOP' | 'CONT') => spawnSync('kill', ['-s', signal, ...children])
  tell('STOP')
  process.kill(first.pid, 'SIGKILL')
  const leave = setTimeout(() => tell('CONT'), 1500)
  try {
    const second = await startCluster({ ...given, port: first.port })
    await second.stop()
  } finally {
    clearTimeout(leave)
  }
})

/** A process's parent; none where it has gone meanwhile. */
function parentOf(pid: string): number | null {
  try {
    // State and parent stand after the name, which may hold anything but ends with the last bracket.
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
    return Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[1])
  } catch {
    return null
  }
}

/** The database's own process, from the file it keeps while it runs. */
const databasePid = (data: string) =>
  Number(readFileSync(join(data, 'postgres', 'cluster', 'postmaster.pid'), 'utf8').split('\n')[0])

test('a full disk refuses what is new, keeps what is there, and goes on when there is room @long', async () => {
  const database = await makeDemo()
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

test('a disk that really fills up: nothing acknowledged is lost, and it goes on when there is room @long', async () => {
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
