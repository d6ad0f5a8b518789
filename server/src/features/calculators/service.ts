import { runBounded, workerBeside } from '../../platform/bounded-worker.ts'

export { decodePicture } from './decode-picture.ts'
export { readCaseMarks } from './read-marks.ts'

const worker = workerBeside(import.meta.url, 'calculate')
const HEAVY_BOUNDS = { timeoutMs: 10_000, memoryMb: 256 }

/** A calculator in a thread of its own, with pictures as base64.
 * @throws Problem with the calculator's code, TOO_LONG, or BUSY where too many wait */
export const calculateBounded = <T>(name: string, input: unknown): Promise<T> =>
  runBounded<T>(worker, { name, input }, HEAVY_BOUNDS)
