import { parentPort, workerData } from 'node:worker_threads'
import type { WorkerAnswer } from '../platform/bounded-worker.ts'
import { Problem } from '../platform/errors.ts'
import { readListFile } from '../features/contents/list-file.ts'

function read(contentBase64: string): WorkerAnswer {
  try {
    return { ok: true, value: readListFile(contentBase64) }
  } catch (error) {
    if (error instanceof Problem) return { ok: false, code: error.code, issues: error.rest.issues ?? [] }
    throw error
  }
}

parentPort?.postMessage(read(workerData as string))
