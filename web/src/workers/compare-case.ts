import {
  compareCase,
  learntCase,
  LEAST_REFERENCES,
  MARK_MM,
  marksAmong,
  readCase,
  straightenedCase,
  type CaseCompartment,
  type CaseExample,
  type CaseReference,
  type CaseRefusal,
  type CaseSize,
  type ComparedCase,
  type FoundMarks,
  type Picture,
} from '@binoculum/core'
import { expose } from 'comlink'
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader'
import wasmUrl from 'zxing-wasm/reader/zxing_reader.wasm?url'
import { decoded } from './decoded.ts'

/** As large as a picture is kept: marks that are read here lie in the kept one as well. */
const KEPT_PX = 1600
const QUALITY = 0.85
const MOST_CODES = 12
const STRAIGHT_PX_PER_MM = 2

/** A picture of the case as it will be kept, with its marks. */
export interface PreparedCase {
  readonly file: Blob
  readonly marks: FoundMarks
  /** Seen straight from above; null where its marks don't do. */
  readonly straight: Blob | null
  /** Why nothing could be compared with it; null: it can. */
  readonly refused: CaseRefusal | null
}
export interface CaseExampleFile {
  readonly file: Blob
  readonly marks: FoundMarks
  readonly referenceFor: readonly string[] | null
}

prepareZXingModule({ overrides: { locateFile: () => wasmUrl } })

async function marksIn({ widthPx, heightPx, rgba }: Picture): Promise<FoundMarks> {
  const pixels = new ImageData(new Uint8ClampedArray(rgba), widthPx, heightPx)
  const codes = await readBarcodes(pixels, { formats: ['QRCode'], maxNumberOfSymbols: MOST_CODES, tryHarder: true })
  return marksAmong(
    codes.map(({ text, position: { topLeft, topRight, bottomRight, bottomLeft } }) => ({
      text,
      corners: [topLeft, topRight, bottomRight, bottomLeft],
    })),
  )
}

/** All between the marks, as if it were one compartment: whether a picture will do hangs on none in particular. */
const middleOfCase = ({ width, height }: CaseSize): CaseCompartment => {
  const [right, bottom] = [width - MARK_MM, height - MARK_MM]
  return {
    id: 'case',
    outlineMm: [
      { x: MARK_MM, y: MARK_MM },
      { x: right, y: MARK_MM },
      { x: right, y: bottom },
      { x: MARK_MM, y: bottom },
    ],
  }
}

async function jpegOf({ widthPx, heightPx, rgba }: Picture): Promise<Blob> {
  const canvas = new OffscreenCanvas(widthPx, heightPx)
  canvas.getContext('2d')?.putImageData(new ImageData(new Uint8ClampedArray(rgba), widthPx, heightPx), 0, 0)
  return canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY })
}

let reference: CaseReference | null = null
/** The newest picture of the complete case, from straight above. */
let complete: Picture | null = null
let drawn: { readonly compartments: readonly CaseCompartment[]; readonly caseMm: CaseSize } | null = null

const work = {
  /** Reads a picture's marks and makes it as small as it is kept. */
  async prepare(file: Blob, caseMm: CaseSize): Promise<PreparedCase | 'not-a-picture' | 'too-large'> {
    const image = await decoded(file, KEPT_PX)
    if (typeof image === 'string') return image
    const marks = await marksIn(image)
    const straight = straightenedCase({ image, marks }, caseMm, STRAIGHT_PX_PER_MM)
    const { refused } = readCase({ image, marks }, { compartments: [middleOfCase(caseMm)], caseMm })
    return { file: await jpegOf(image), marks, straight: straight && (await jpegOf(straight)), refused }
  },
  /** Looks at the pictures of the complete case. @returns why each of them can't be used; null: it can */
  async learn(
    files: readonly CaseExampleFile[],
    given: { readonly compartments: readonly CaseCompartment[]; readonly caseMm: CaseSize },
  ): Promise<readonly (CaseRefusal | 'not-a-picture' | null)[]> {
    const examples: CaseExample[] = []
    complete = null
    const refusals: (CaseRefusal | 'not-a-picture' | null)[] = []
    for (const { file, marks, referenceFor } of files) {
      const image = await decoded(file)
      const read = typeof image === 'string' ? null : readCase({ image, marks }, given)
      refusals.push(read ? read.refused : 'not-a-picture')
      if (read?.refused !== null || typeof image === 'string') continue
      examples.push({ read, referenceFor })
      if (referenceFor === null) complete ??= straightenedCase({ image, marks }, given.caseMm, STRAIGHT_PX_PER_MM)
    }
    drawn = given
    const isEnough = examples.filter((each) => each.referenceFor === null).length >= LEAST_REFERENCES
    reference = isEnough ? learntCase(examples) : null
    return refusals
  },
  /** How it looked when it was complete. */
  async complete(): Promise<Blob | null> {
    return complete && jpegOf(complete)
  },
  /** Compares a prepared picture with what was learnt. */
  async compare({ file, marks }: PreparedCase): Promise<ComparedCase | CaseRefusal | 'not-a-picture' | 'not-learnt'> {
    const image = await decoded(file)
    if (!reference || !drawn) return 'not-learnt'
    if (typeof image === 'string') return 'not-a-picture'
    const read = readCase({ image, marks }, drawn)
    if (read.refused) return read.refused
    const compared = compareCase(read, reference)
    return compared.refused ?? compared
  },
}
export type CompareCaseWork = typeof work
expose(work)
