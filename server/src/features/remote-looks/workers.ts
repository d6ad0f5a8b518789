import { runBounded, workerBeside } from '../../platform/bounded-worker.ts'
import type { CaseCompared, CaseWork } from './compare-case.worker.ts'

const worker = workerBeside(import.meta.url, 'compare-case')
/** Nine pictures of two megapixels at the most, one after the other. */
const BOUNDS = { timeoutMs: 15_000, memoryMb: 384 }

/** Compares a borrower's picture of the open case in a thread of its own. @throws Problem NOT_A_PICTURE, TOO_LONG, BUSY */
export const compareBounded = (work: CaseWork): Promise<CaseCompared> => runBounded(worker, work, BOUNDS)
