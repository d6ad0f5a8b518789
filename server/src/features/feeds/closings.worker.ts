import type { WorkerAnswer } from '../../platform/bounded-worker.ts'
import { answerEach } from '../../platform/worker-side.ts'
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

answerEach(read)
