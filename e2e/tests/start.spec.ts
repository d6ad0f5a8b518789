import { spawn, type ChildProcess } from 'node:child_process'
import { chmodSync, existsSync, mkdirSync, mkdtempSync, readFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, test } from '@playwright/test'
import { freePort } from '../../scripts/lib/processes.mjs'

const script = fileURLToPath(new URL('../../scripts/start.mjs', import.meta.url))

interface Run {
  readonly process: ChildProcess
  readonly said: () => string
  readonly ended: Promise<number | null>
}

/** Runs the command behind `npm start` with data of its own. */
function start(data: string, port: number, args: string[] = [], env: Record<string, string> = {}): Run {
  const child = spawn(process.execPath, [script, ...args], {
    env: { ...process.env, DATABASE_URL: '', BINOCULUM_DATA: data, PORT: String(port), ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let said = ''
  child.stdout?.on('data', (chunk) => (said += chunk))
  child.stderr?.on('data', (chunk) => (said += chunk))
  const ended = new Promise<number | null>((resolve) => child.on('exit', (code) => resolve(code)))
  return { process: child, said: () => said, ended }
}

/** Open to the account that runs the database; a closed one would have its database elsewhere. */
function newData(): string {
  const folder = mkdtempSync(join(tmpdir(), 'binoculum-start-'))
  chmodSync(folder, 0o755)
  return folder
}
const isReady = (run: Run) => expect.poll(run.said, { timeout: 60_000 }).toContain('Binoculum is ready')
const answers = (port: number) =>
  fetch(`http://127.0.0.1:${port}/api/session`).then(
    ({ status }) => status,
    () => 0,
  )
/** The database's own process, from the file it keeps while it runs. */
const databasePid = (data: string, folder: string) => {
  const path = join(data, folder, 'cluster', 'postmaster.pid')
  return existsSync(path) ? Number(readFileSync(path, 'utf8').split('\n')[0]) : null
}
const isGone = (pid: number) =>
  !existsSync(`/proc/${pid}`) || readFileSync(`/proc/${pid}/stat`, 'utf8').includes(') Z')

test('starts, refuses a second of its kind, and stops all it started @long', async () => {
  const data = newData()
  const port = await freePort()
  const firstStartedAt = Date.now()
  const first = start(data, port)
  await isReady(first)
  const firstMs = Date.now() - firstStartedAt
  expect(first.said()).toMatch(/ines@marrowdale\.example +\S+ +coordinator/)
  expect(await answers(port)).toBe(200)
  const pid = databasePid(data, 'postgres')

  const second = start(data, await freePort())
  expect(await second.ended).toBe(6)
  expect(second.said()).toContain('already runs from this folder')

  first.process.kill('SIGTERM')
  expect(await first.ended).toBe(0)
  expect(await answers(port)).toBe(0)
  expect(pid !== null && isGone(pid)).toBe(true)

  // A later start needs neither demo data nor build: it is the quicker one, however busy the machine. Of two the better.
  const timesMs: number[] = []
  let again = first
  for (let starts = 0; starts < 2; starts++) {
    const startedAt = Date.now()
    again = start(data, port)
    await isReady(again)
    timesMs.push(Date.now() - startedAt)
    again.process.kill('SIGINT')
    expect(await again.ended).toBe(0)
  }
  expect(Math.min(...timesMs)).toBeLessThan(firstMs)
  const signIns = (text: string) => text.match(/\S+@\S+ +\S+ +\S+/g)
  expect(signIns(again.said())).toEqual(signIns(first.said()))
})

test('recovers from being killed: nothing is left but the database, and that is taken over @long', async () => {
  const data = newData()
  const port = await freePort()
  const killed = start(data, port)
  await isReady(killed)
  killed.process.kill('SIGKILL')
  await killed.ended
  await expect.poll(() => answers(port)).toBe(0)
  const again = start(data, port)
  await isReady(again)
  expect(again.said()).toContain('left over from an earlier run')
  expect(await answers(port)).toBe(200)
  again.process.kill('SIGTERM')
  await again.ended
})

test('without demo data it throws a half-made database away and prints one link @long', async () => {
  const data = newData()
  mkdirSync(join(data, 'postgres-empty', 'cluster.making'), { recursive: true })
  const port = await freePort()
  const run = start(data, port, ['--empty'])
  await isReady(run)
  expect(run.said()).toContain('only half made')
  expect(run.said()).toMatch(new RegExp(`http://127.0.0.1:${port}/join/[\\w-]{22,}`))
  expect(run.said()).not.toContain('marrowdale')
  run.process.kill('SIGTERM')
  expect(await run.ended).toBe(0)
})

test('a busy port, a wrong one, and demo data for everybody are explained @long', async () => {
  const taken = createServer()
  const port = await new Promise<number>((resolve) =>
    taken.listen(0, '127.0.0.1', () => resolve((taken.address() as { port: number }).port)),
  )
  const busy = start(newData(), port)
  expect(await busy.ended).toBe(6)
  expect(busy.said()).toContain(`Port ${port} on 127.0.0.1 is in use`)
  taken.close()

  const wrong = start(newData(), 8460, [], { PORT: 'eighty' })
  expect(await wrong.ended).toBe(2)
  expect(wrong.said()).toContain('PORT must be a whole number')

  const open = start(newData(), await freePort(), [], { HOST: '0.0.0.0' })
  expect(await open.ended).toBe(2)
  expect(open.said()).toContain('npm start -- --empty')
})
