import { errorCatalogue, type ErrorCode } from '@binoculum/contract'
import type { WorkerAnswer } from '../../platform/bounded-worker.ts'
import { answerEach } from '../../platform/worker-side.ts'
import { bytesFromBase64, calculateWithPictures } from './calculate-pictures.ts'

const isErrorCode = (code: string): code is ErrorCode => Object.hasOwn(errorCatalogue, code)

async function run({ name, input }: { name: string; input: unknown }): Promise<WorkerAnswer> {
  const answer = await calculateWithPictures(name, input, bytesFromBase64)
  if (answer.ok) return { ok: true, value: answer.output }
  const { code, issues } = answer.error
  return { ok: false, code: isErrorCode(code) ? code : 'BAD_INPUT', issues }
}

answerEach(run)
