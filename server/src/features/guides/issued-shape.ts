import { createHash } from 'node:crypto'
import { isDeepStrictEqual } from 'node:util'
import { guideSchema } from '@binoculum/contract'
import { z } from 'zod'

/** What a guide looks like today, in a few signs: they change with the schema by themselves. */
export const TODAYS_SHAPE = createHash('sha256')
  .update(JSON.stringify(z.toJSONSchema(guideSchema, { unrepresentable: 'any' })))
  .digest('hex')
  .slice(0, 16)

/** The shape a guide is kept with: today's where it holds to today's schema to the last field, else none, and it is brought up
 * to the schema each time it is read. */
export function shapeOf(guide: object): string {
  const kept: unknown = JSON.parse(JSON.stringify(guide))
  const held = guideSchema.safeParse(kept)
  return held.success && isDeepStrictEqual(held.data, kept) ? TODAYS_SHAPE : ''
}
