import { calculate, calculators, type CalculatorAnswer } from '@binoculum/contract'
import type { Picture } from '@binoculum/core'
import { decodePicture, NotAPicture } from './decode-picture.ts'
import { readCaseMarks } from './read-marks.ts'

type Fields = Record<string, unknown>
/** Where a picture's bytes come from: one file, several, or null where the field holds none. */
export type BytesOf = (fields: Fields, field: string) => Promise<Uint8Array | readonly Uint8Array[] | null>

/** Several pictures are held at once where a case is compared; it is looked at no finer than that. */
const CASE_LONGEST_PX = 2000

/**
 * Runs a calculator whose pictures still are files; every other field goes on as it is. Marks of a case are read from the
 * pictures where nobody gave them.
 */
export async function calculateWithPictures(
  name: string,
  rawInput: unknown,
  bytesOf: BytesOf,
): Promise<CalculatorAnswer> {
  const { pictures = [], caseMarks = false } = calculators.get(name) ?? {}
  if (pictures.length === 0 || typeof rawInput !== 'object' || rawInput === null) return calculate(name, rawInput)
  const given = structuredClone(rawInput) as Fields
  for (const path of pictures) {
    const [field = '', fields] = inner(given, path)
    if (!fields) continue
    try {
      const bytes = await bytesOf(fields, field)
      if (bytes === null) continue
      // Marks that were given lie in the picture as it is.
      const readsMarks = caseMarks && fields.marks === undefined
      const decoded: Picture[] = []
      for (const each of bytes instanceof Uint8Array ? [bytes] : bytes)
        decoded.push(await decodePicture(each, readsMarks ? CASE_LONGEST_PX : undefined))
      const isList = !(bytes instanceof Uint8Array)
      fields[field] = isList ? decoded : decoded[0]
      if (readsMarks) {
        const marks = []
        for (const picture of decoded) marks.push(await readCaseMarks(picture))
        fields.marks = isList ? marks : marks[0]
      }
    } catch (error) {
      const message =
        error instanceof NotAPicture ? error.message : `The file can't be read: ${(error as Error).message}`
      return { ok: false, error: { code: 'NOT_A_PICTURE', issues: [{ path, message }] } }
    }
  }
  return calculate(name, given)
}

/** The last field of a path, and what it lies in; null where that isn't there. */
function inner(given: Fields, path: string): readonly [string, Fields | null] {
  const [field = '', ...outer] = path.split('.').reverse()
  let fields: unknown = given
  for (const name of outer.reverse()) fields = (fields as Fields | null)?.[name]
  return [field, typeof fields === 'object' && fields !== null ? (fields as Fields) : null]
}

/** A field that holds a file as base64, or a list of them, as it comes over HTTP. */
export const bytesFromBase64: BytesOf = async (fields, field) => {
  const given = fields[field]
  if (typeof given === 'string') return Buffer.from(given, 'base64')
  const isList = Array.isArray(given) && given.length > 0 && given.every((each) => typeof each === 'string')
  return isList ? (given as string[]).slice(0, MOST_PICTURES).map((each) => Buffer.from(each, 'base64')) : null
}
const MOST_PICTURES = 8
