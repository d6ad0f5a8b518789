import { z } from 'zod'
import { idSchema } from './people.ts'

const grams = z.number().nonnegative().max(1_000_000)
const weightId = z.string().min(1).max(100)

export const weighedPartSchema = z.strictObject({
  id: weightId,
  massG: grams,
  toleranceG: grams,
  count: z.number().int().min(1).max(1000),
  group: z.string().max(100).optional(),
  lossChanceFraction: z.number().gt(0).lt(1).optional(),
  together: z.string().max(100).optional(),
  togetherChanceFraction: z.number().gt(0).lt(1).optional(),
})
export const foreignPartSchema = z.strictObject({
  id: weightId,
  massG: grams,
  toleranceG: grams,
  replaces: z.array(weightId).max(200).optional(),
})
export const weighingSchema = z.strictObject({
  group: z.string().max(100).optional(),
  measuredG: z.number().min(-1_000_000).max(1_000_000),
  scaleResolutionG: z.number().positive().max(100_000),
  containerG: grams.optional(),
  baselineG: z.number().min(-1_000_000).max(1_000_000).optional(),
})
const partCount = z.strictObject({ id: weightId, count: z.number().int().nonnegative() })
const swap = z.strictObject({ id: weightId, by: weightId })

export const explainWeightSchema = z.strictObject({
  parts: z.array(weighedPartSchema).min(1).max(200),
  weighings: z.array(weighingSchema).min(1).max(20),
  foreign: z.array(foreignPartSchema).max(60).optional(),
  known: z
    .strictObject({
      missing: z.array(partCount),
      swapped: z.array(swap),
      different: z.array(z.strictObject({ id: z.string(), chance: z.number().min(0).max(1) })).optional(),
    })
    .optional(),
  maxMissing: z.number().int().min(0).max(8).optional(),
  maxSwaps: z.number().int().min(0).max(3).optional(),
  limit: z.number().int().min(1).max(10_000).optional(),
})

const explanationSchema = z.object({
  missing: z.array(z.object({ id: z.string(), count: z.number() })),
  swapped: z.array(z.object({ id: z.string(), by: z.string() })),
  extra: z.array(z.string()),
  residualG: z.number(),
  probability: z.number(),
})

export const weightExplainedSchema = z.object({
  expectedG: z.number(),
  differenceG: z.number(),
  consistent: z.boolean(),
  smallestVisibleG: z.number(),
  groups: z.array(
    z.object({
      group: z.string(),
      expectedG: z.number(),
      measuredG: z.number(),
      differenceG: z.number(),
      smallestVisibleG: z.number(),
      consistent: z.boolean(),
      compared: z.enum(['declared', 'baseline']),
      explanations: z.array(explanationSchema),
    }),
  ),
  explanations: z.array(explanationSchema),
  restProbability: z.number(),
})

/** A reading taken at the desk or the bench, container and all. */
export const takenWeighingSchema = z.object({
  /** Name of the weighing group; empty for the whole kit. */
  group: z.string().max(100),
  measuredG: z.number().min(0, 'a mass is not negative').max(1_000_000),
  scaleStepG: z.number().positive('the scale’s step must be above 0').max(10_000),
  containerG: grams.default(0),
  source: z.enum(['scale', 'typed']),
})
export type TakenWeighing = z.infer<typeof takenWeighingSchema>

export const keptWeighingSchema = takenWeighingSchema.extend({
  id: idSchema,
  complete: z.boolean(),
  atUtc: z.string(),
  by: z.string(),
})
export type KeptWeighing = z.infer<typeof keptWeighingSchema>

export const weighCompleteSchema = z.object({
  idempotencyKey: z.uuid(),
  kitVersion: z.number().int(),
  weighings: z.array(takenWeighingSchema).min(1, 'weigh one group at least').max(20),
  /** Said yes to although the declared masses don’t fit. */
  sure: z.boolean().default(false),
})
export type WeighComplete = z.infer<typeof weighCompleteSchema>

/** A thing of another kit that looks like a part of this one. */
export const lookAlikeSchema = z.object({
  id: z.string(),
  name: z.string(),
  massG: z.number().nullable(),
  toleranceG: z.number().nullable(),
  /** Parts of this kit that it may be taken for. */
  replaces: z.array(idSchema),
  /** Kits on whose card it stands, with this mass. */
  owners: z.array(z.object({ code: z.string(), name: z.string() })),
  /** Kits whose card lacks such a thing: it may be theirs. */
  lackedBy: z.array(z.object({ code: z.string(), name: z.string() })),
  hazard: z.boolean(),
})
export type LookAlike = z.infer<typeof lookAlikeSchema>
