import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { waitUntil } from './processes.mjs'
import { Explained } from './say.mjs'
import { rootFolder } from './setup.mjs'

/**
 * Starts the built server and waits until it answers. The channel between the two processes ends when we end,
 * however that happens, and the server stops itself then: a killed start leaves no server behind.
 */
export async function startServer({ env, args = [], command = [join(rootFolder, 'server', 'dist', 'main.js')] }) {
  const child = spawn(process.execPath, [...command, ...args], {
    cwd: rootFolder,
    env: { ...process.env, ...env },
    stdio: ['ignore', 2, 2, 'ipc'],
    detached: true,
  })
  let state = 'starting'
  child.on('message', (message) => (state = message === 'ready' ? 'ready' : state))
  child.on('exit', () => (state = 'ended'))
  await waitUntil(() => state !== 'starting', 120_000, 20)
  if (state !== 'ready') {
    if (state === 'starting') child.kill('SIGTERM')
    throw new Explained('The server did not start; its reason stands above.', 5)
  }
  return child
}
