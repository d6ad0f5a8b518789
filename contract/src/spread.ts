import { z } from 'zod'
import { idSchema } from './people.ts'
import { familySchema, roleSchema } from './readiness.ts'

/** How often parts are lost and mirrors wander, without a name in it: docs/formats/spread.md. */
export const SPREAD_FORMAT = 'binoculum-spread'
export const SPREAD_VERSION = 1

const count = z.number().int().min(0).max(100_000_000)
export const spreadLossesSchema = z
  .array(z.strictObject({ role: roleSchema, losses: count, pieceLoans: count }))
  .max(200)
export const spreadDriftSchema = z
  .array(z.strictObject({ family: familySchema, sigmaMmPerLoan: z.number().positive().max(100), pairs: count }))
  .max(40)

const origin = z.string().trim().min(3, 'say where it comes from, in a few words').max(120)
export const spreadFileSchema = z
  .strictObject({
    format: z.literal(SPREAD_FORMAT, 'this is no file of losses and drift'),
    version: z.literal(SPREAD_VERSION, 'this file is of a later version: bring the program up to date'),
    writtenAtUtc: z.iso.datetime(),
    origin,
    losses: spreadLossesSchema,
    drift: spreadDriftSchema,
  })
  .refine(({ losses }) => losses.every((each) => each.losses <= each.pieceLoans), 'more was lost than there was')
export type SpreadFile = z.infer<typeof spreadFileSchema>

export const spreadAskedSchema = z.object({ origin })

/** One file that was read in, and what it counts for. */
export const spreadViewSchema = z.object({
  id: idSchema,
  origin: z.string(),
  readAtUtc: z.string(),
  by: z.string(),
  kinds: z.number().int(),
  pieceLoans: z.number(),
  classes: z.number().int(),
  pairs: z.number(),
})
export const spreadsSchema = z.object({ spreads: z.array(spreadViewSchema) })
export type Spreads = z.infer<typeof spreadsSchema>
/** More origins than a club could name. */
export const MOST_SPREADS = 12
