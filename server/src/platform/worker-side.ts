import { parentPort } from 'node:worker_threads'
import type { WorkerAnswer } from './bounded-worker.ts'

/** What a `name.worker` module does: one answer to each message. It keeps nothing from one to the next. */
export function answerEach<Input>(answer: (input: Input) => WorkerAnswer | Promise<WorkerAnswer>): void {
  // What it throws is nobody's answer: unhandled it ends the thread, and who asked is told.
  parentPort?.on('message', async (input: Input) => parentPort?.postMessage(await answer(input)))
}
