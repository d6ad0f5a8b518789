import { calculate, calculators, type CalculatorAnswer } from '@binoculum/contract'
import { decodePicture, NotAPicture } from './decode-picture.ts'

/**
 * Runs a calculator whose pictures still are files: `bytesOf` says where a field's bytes come from, or null where it holds
 * none; every other field goes on as it is.
 */
export async function calculateWithPictures(
  name: string,
  rawInput: unknown,
  bytesOf: (fields: Record<string, unknown>, field: string) => Promise<Uint8Array | null>,
): Promise<CalculatorAnswer> {
  const fields = calculators.get(name)?.pictures ?? []
  if (fields.length === 0 || typeof rawInput !== 'object' || rawInput === null) return calculate(name, rawInput)
  const given = { ...rawInput } as Record<string, unknown>
  for (const field of fields) {
    try {
      const bytes = await bytesOf(given, field)
      if (bytes) given[field] = await decodePicture(bytes)
    } catch (error) {
      const message =
        error instanceof NotAPicture ? error.message : `The file can't be read: ${(error as Error).message}`
      return { ok: false, error: { code: 'NOT_A_PICTURE', issues: [{ path: field, message }] } }
    }
  }
  return calculate(name, given)
}

/** A field that holds a file as base64, as it comes over HTTP. */
export async function bytesFromBase64(
  fields: Readonly<Record<string, unknown>>,
  field: string,
): Promise<Uint8Array | null> {
  const text = fields[field]
  return typeof text === 'string' ? Buffer.from(text, 'base64') : null
}
