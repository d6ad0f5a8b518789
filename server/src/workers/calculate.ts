import { parentPort, workerData } from 'node:worker_threads'
import { calculate, errorCatalogue, type ErrorCode } from '@binoculum/contract'
import type { WorkerAnswer } from '../platform/bounded-worker.ts'

const isErrorCode = (code: string): code is ErrorCode => Object.hasOwn(errorCatalogue, code)

function run({ name, input }: { name: string; input: unknown }): WorkerAnswer {
  const answer = calculate(name, input)
  if (answer.ok) return { ok: true, value: answer.output }
  const { code, issues } = answer.error
  return { ok: false, code: isErrorCode(code) ? code : 'BAD_INPUT', issues }
}

parentPort?.postMessage(run(workerData as { name: string; input: unknown }))
