import { spawn } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { Explained } from './say.mjs'

/** For tests of answers: what is asked is the answer, not how fast a busy machine gives it. Times are taken by the stage that
 * runs alone. */
export const busy = { BINOCULUM_SLOWNESS: '6' }

/** Runs a command to its end with our own output; throws Explained when it fails. */
export function run(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { stdio: ['ignore', 2, 2], ...options })
    child.on('error', (error) => reject(new Explained(`${command} could not be started: ${error.message}`)))
    child.on('exit', (code, signal) =>
      code === 0
        ? resolve()
        : reject(new Explained(`${command} ${args.join(' ')} ended with ${signal ?? `code ${code}`}.`, code ?? 1)),
    )
  })
}

/** True while the process runs. A zombie answers kill(pid, 0), so its state is read as well. */
export function isAlive(pid) {
  try {
    process.kill(pid, 0)
  } catch (error) {
    return error.code === 'EPERM'
  }
  try {
    const afterName = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1)
    return !afterName.startsWith('Z')
  } catch {
    return true
  }
}

/** True while the system has the process on its list, ended or not: what a lock file of PostgreSQL's goes by. */
export function isListed(pid) {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return error.code === 'EPERM'
  }
}

/** The command line of a process, words joined by spaces; empty when it is gone or not ours to read. */
export function commandLineOf(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ').trim()
  } catch {
    return ''
  }
}

export const sleep = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds))

/** Waits until `done()` holds; false when the time is over. */
export async function waitUntil(done, timeoutMs, everyMs = 50) {
  for (const until = Date.now() + timeoutMs; Date.now() < until; await sleep(everyMs)) {
    if (await done()) return true
  }
  return false
}

/** Sends a signal and waits; falls back to SIGKILL after the time. Only ever called for processes we started. */
export async function stopProcess(pid, signal, timeoutMs = 10_000) {
  if (!isAlive(pid)) return
  process.kill(pid, signal)
  if (!(await waitUntil(() => !isAlive(pid), timeoutMs))) process.kill(pid, 'SIGKILL')
}

/** True when nothing listens on the loopback port. */
export function isPortFree(port, host = '127.0.0.1') {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen({ port, host }, () => probe.close(() => resolve(true)))
  })
}

/** A loopback port that is free now. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', reject)
    probe.listen({ port: 0, host: '127.0.0.1' }, () => {
      const { port } = probe.address()
      probe.close(() => resolve(port))
    })
  })
}
