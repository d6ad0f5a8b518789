import { createHash } from 'node:crypto'
import { isDeepStrictEqual } from 'node:util'
import { guideSchema } from '@binoculum/contract'
import { z } from 'zod'

/** What a guide looks like today, in a few signs: they change with the schema by themselves. */
export const TODAYS_SHAPE = createHash('sha256')
  .update(JSON.stringify(z.toJSONSchema(guideSchema, { unrepresentable: 'any' })))
  .digest('hex')
  .slice(0, 16)

/** A guide as it is kept: only what its schema names, with the shape it has. A guide that does not hold to the schema is kept as
 * it is, without a shape, and is brought up to the schema each time it is read. */
export function asIssued(guide: object): { readonly content: object; readonly shape: string } {
  const held = guideSchema.safeParse(guide)
  if (!held.success) return { content: guide, shape: '' }
  const kept: unknown = JSON.parse(JSON.stringify(held.data))
  return { content: held.data, shape: isDeepStrictEqual(guideSchema.parse(kept), kept) ? TODAYS_SHAPE : '' }
}
