import { extname } from 'node:path'
import { fileURLToPath } from 'node:url'
import { availableParallelism } from 'node:os'
import { Worker } from 'node:worker_threads'
import type { ErrorCode } from '@binoculum/contract'
import PQueue from 'p-queue'
import { Problem } from './errors.ts'

export type WorkerAnswer =
  | { readonly ok: true; readonly value: unknown }
  | {
      readonly ok: false
      readonly code: ErrorCode
      readonly issues?: readonly { readonly path: string; readonly message: string }[]
    }

interface Bounds {
  readonly timeoutMs: number
  readonly memoryMb: number
}

const extension = extname(fileURLToPath(import.meta.url))

/** A module `name.worker` beside the one that asks; it answers one message. */
export const workerBeside = (moduleUrl: string, name: string): URL => new URL(`${name}.worker${extension}`, moduleUrl)

/** The module in a thread. From the sources it needs the same loader as everything else, and a thread has to
 * register that itself. */
function startThread(module: URL, memoryMb: number): Worker {
  const options = { resourceLimits: { maxOldGenerationSizeMb: memoryMb } }
  if (extension !== '.ts') return new Worker(module, options)
  const load = `import('tsx/esm/api').then(({ register }) => { register(); return import(${JSON.stringify(module.href)}) })`
  return new Worker(load, { ...options, eval: true, execArgv: ['--conditions=@binoculum/source', '--no-warnings'] })
}

/** A thread that has answered, and has all loaded that the next one needs. */
interface Idle {
  /** The module and the memory it may have. */
  readonly kind: string
  readonly worker: Worker
  readonly answered: number
  readonly timer: NodeJS.Timeout
}
/** Longest idle first. */
const idle: Idle[] = []
const IDLE_MS = 60_000
/** What a library loses with each file would add up. */
const MOST_ANSWERS = 50

function takeIdle(kind: string): Idle | null {
  const at = idle.findIndex((thread) => thread.kind === kind)
  const [thread = null] = at < 0 ? [] : idle.splice(at, 1)
  if (thread) clearTimeout(thread.timer)
  return thread
}

function keepIdle(kind: string, worker: Worker, answered: number): void {
  const end = () => void endIdle(({ worker: other }) => other === worker)
  // One that breaks or stops by itself while it waits takes no file more.
  worker.once('error', end)
  worker.once('exit', end)
  const timer = setTimeout(end, IDLE_MS).unref()
  worker.unref()
  idle.push({ kind, worker, answered, timer })
  // No more than ever work at once.
  if (idle.length > pool.concurrency) void endIdle((thread) => thread === idle[0])
}

/** Ends threads that wait for work: all of them when the server closes. Done when they are gone. */
export async function endIdle(which: (thread: Idle) => boolean = () => true): Promise<void> {
  await Promise.all(
    idle.filter(which).map(({ worker, timer }) => {
      idle.splice(
        idle.findIndex((thread) => thread.worker === worker),
        1,
      )
      clearTimeout(timer)
      return worker.terminate()
    }),
  )
}

/**
 * Runs a module on what strangers send, in a thread of its own with a limit on time and memory: a file made to hurt ends its thread, not the
 * server. A few run at once, some wait. A thread that answered in time is kept a while for the next one's file, since loading the module
 * takes longer than most files.
 * @throws Problem with the module's code, TOO_LONG when it went over its limits, or BUSY when too many wait
 */
export function runBounded<T>(module: URL, input: unknown, bounds: Bounds): Promise<T> {
  if (pool.size >= MOST_WAITING) return Promise.reject(new Problem('BUSY'))
  return pool.add(() => runNow<T>(module, input, bounds)) as Promise<T>
}

/** How many times as long heavy work may take as on two processors of today: 1 where nobody says otherwise. */
function slowness(): number {
  const said = Number(process.env.BINOCULUM_SLOWNESS)
  return said >= 1 && said <= 20 ? said : 1
}

/** One processor is left to those at the desk, where there are more than two. */
const pool = new PQueue({ concurrency: Math.max(2, availableParallelism() - 1) })
/** Who comes after these is told to try again, rather than waiting for minutes. */
const MOST_WAITING = 24

function runNow<T>(module: URL, input: unknown, { timeoutMs, memoryMb }: Bounds): Promise<T> {
  const kind = `${module.href} ${memoryMb}`
  const { worker, answered } = takeIdle(kind) ?? { worker: startThread(module, memoryMb), answered: 0 }
  worker.ref()
  return new Promise<T>((resolve, reject) => {
    const timer = setTimeout(() => end(() => reject(new Problem('TOO_LONG'))), timeoutMs * slowness())
    const settled = (settle: () => void) => {
      clearTimeout(timer)
      // By name: a thread has listeners of its own, by which its messages come.
      for (const event of ['message', 'error', 'exit']) worker.removeAllListeners(event)
      settle()
    }
    const end = (settle: () => void) => {
      settled(settle)
      void worker.terminate()
    }
    worker.once('message', (answer: WorkerAnswer) => {
      const settle = () =>
        answer.ok
          ? resolve(answer.value as T)
          : reject(new Problem(answer.code, answer.issues ? { issues: answer.issues } : {}))
      if (answered + 1 >= MOST_ANSWERS) return end(settle)
      settled(settle)
      keepIdle(kind, worker, answered + 1)
    })
    worker.once('error', (error: Error & { code?: string }) =>
      end(() => reject(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? new Problem('TOO_LONG') : error)),
    )
    worker.once('exit', () => end(() => reject(new Problem('TOO_LONG'))))
    worker.postMessage(input)
  })
}
