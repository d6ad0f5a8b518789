import type { Picture } from '../../collimation/picture/planes.ts'
import type { FoundMarks } from './case-marks.ts'
import type { CaseSize } from './case-pose.ts'
import {
  compareCase,
  learntCase,
  LEAST_REFERENCES,
  readCase,
  type CaseRefusal,
  type ComparedCase,
} from './compare-case.ts'
import type { Compartment } from './place.ts'

export interface ComparePicturesInput {
  readonly reference: {
    readonly images: readonly Picture[]
    /** Of each picture. */
    readonly marks: readonly FoundMarks[]
    readonly compartments: readonly Compartment[]
    readonly caseMm: CaseSize
  }
  readonly image: Picture
  readonly marks: FoundMarks
}

/** Compares a picture of the open case with three or more of when it was complete, all in one go.
 * @returns each compartment's verdict; all of them *can’t tell* where the picture is refused
 * @throws RangeError where fewer than three of the references can be read, with what is wrong with the others */
export function comparePictures({ reference, image, marks }: ComparePicturesInput): ComparedCase {
  const { compartments, caseMm } = reference
  const known = reference.marks.map(({ kitCode }) => kitCode).find(Boolean)
  if (known && marks.kitCode && marks.kitCode !== known) return refusedCase('other-case', compartments)
  const read = reference.images.map((each, i) =>
    readCase({ image: each, marks: reference.marks[i] ?? {} }, { compartments, caseMm }),
  )
  const good = read.flatMap((each) => (each.refused === null ? [each] : []))
  if (good.length < LEAST_REFERENCES) {
    const why = read.map((each, i) => `${i + 1}: ${each.refused ?? 'good'}`).join(', ')
    throw new RangeError(`reference.images: ${LEAST_REFERENCES} must be readable; ${why}`)
  }
  const today = readCase({ image, marks }, { compartments, caseMm })
  return today.refused === null
    ? compareCase(today, learntCase(good.map((each) => ({ read: each, referenceFor: null }))))
    : refusedCase(today.refused, compartments)
}

export const refusedCase = (refused: CaseRefusal, compartments: readonly Compartment[]): ComparedCase => ({
  compartments: compartments.map(({ id }) => ({ id, verdict: 'can’t-tell', chanceDifferent: 0.5 })),
  ...{ refused, warnings: [] },
})
