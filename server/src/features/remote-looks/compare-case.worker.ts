import type { CaseMarks, CasePlace } from '@binoculum/contract'
import {
  compareCase,
  learntCase,
  LEAST_REFERENCES,
  readCase,
  straightenedCase,
  type CaseExample,
  type CasePicture,
  type CaseRefusal,
  type CaseSize,
  type CompartmentVerdict,
  type FoundMarks,
} from '@binoculum/core'
import sharp from 'sharp'
import type { WorkerAnswer } from '../../platform/bounded-worker.ts'
import { answerEach } from '../../platform/worker-side.ts'
import { decodePicture, readCaseMarks } from '../calculators/service.ts'

export interface CaseWork {
  readonly kitCode: string
  readonly caseMm: CaseSize
  readonly places: readonly CasePlace[]
  /** Of the complete case, as kept, newest first. */
  readonly pictures: readonly {
    readonly bytes: Uint8Array
    readonly marks: CaseMarks
    readonly referenceFor: readonly string[] | null
  }[]
  /** The borrower's, as base64. */
  readonly today: string
}
export interface CaseCompared {
  readonly refused: CaseRefusal | null
  readonly verdicts: Readonly<Record<string, CompartmentVerdict>>
  /** From straight above, JPEG as base64: today, and when it was complete. */
  readonly now: string | null
  readonly before: string | null
}

const LONGEST_PX = 1600
/** For a phone's screen. */
const SHOWN_PX_PER_MM = 1.2
const QUALITY = 70

async function shown(picture: CasePicture, caseMm: CaseSize): Promise<string | null> {
  const straight = straightenedCase(picture, caseMm, SHOWN_PX_PER_MM)
  if (!straight) return null
  const { widthPx: width, heightPx: height, rgba } = straight
  const jpeg = await sharp(rgba, { raw: { width, height, channels: 4 } })
    .flatten()
    .jpeg({ quality: QUALITY })
    .toBuffer()
  return jpeg.toString('base64')
}

async function compare({ kitCode, caseMm, places, pictures, today }: CaseWork): Promise<CaseCompared> {
  const drawn = { compartments: places, caseMm }
  const image = await decodePicture(Buffer.from(today, 'base64'), LONGEST_PX)
  const seen = { image, marks: await readCaseMarks(image) }
  const refused = (why: CaseRefusal): CaseCompared => ({ refused: why, verdicts: {}, now: null, before: null })
  const { kitCode: markedFor } = seen.marks
  if (markedFor && markedFor.toUpperCase() !== kitCode.toUpperCase()) return refused('other-case')
  const read = readCase(seen, drawn)
  if (read.refused) return refused(read.refused)

  const examples: CaseExample[] = []
  let before: string | null = null
  for (const { bytes, marks, referenceFor } of pictures) {
    const reference = { image: await decodePicture(bytes, LONGEST_PX), marks: marks as FoundMarks }
    const example = readCase(reference, drawn)
    if (example.refused) continue
    examples.push({ read: example, referenceFor })
    before ??= referenceFor === null ? await shown(reference, caseMm) : null
  }
  if (examples.filter(({ referenceFor }) => referenceFor === null).length < LEAST_REFERENCES)
    return refused('marks-off')
  const { compartments, refused: copied } = compareCase(read, learntCase(examples))
  if (copied) return refused(copied)
  return {
    ...{ refused: null, before, now: await shown(seen, caseMm) },
    verdicts: Object.fromEntries(compartments.map(({ id, verdict }) => [id, verdict])),
  }
}

async function run(work: CaseWork): Promise<WorkerAnswer> {
  try {
    return { ok: true, value: await compare(work) }
  } catch (error) {
    return { ok: false, code: 'NOT_A_PICTURE', issues: [{ path: 'picture', message: (error as Error).message }] }
  }
}

answerEach(run)
