import { parentPort, workerData } from 'node:worker_threads'
import type { WorkerAnswer } from '../../platform/bounded-worker.ts'
import { readClosings } from './calendar-files.ts'

export interface ClosingsWork {
  readonly text: string
  readonly today: string
}

function read({ text, today }: ClosingsWork): WorkerAnswer {
  try {
    return { ok: true, value: readClosings(text, today) }
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    return { ok: false, code: 'BAD_INPUT', issues: [{ path: 'text', message: error.message }] }
  }
}

parentPort?.postMessage(read(workerData as ClosingsWork))
