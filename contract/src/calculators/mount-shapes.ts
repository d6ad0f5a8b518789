import { z } from 'zod'

/** What the mount's calculations take and give; refined so that a message stands by its field. */

const notNegative = z.number().nonnegative()
const mass = z.number().positive('a weight is heavier than 0 g')

const weights = z.array(z.strictObject({ massG: mass })).min(1, 'one weight at least')
export const shaftSchema = z
  .strictObject({
    minMm: notNegative,
    maxMm: z.number().positive(),
    massG: notNegative.optional(),
    centreMm: notNegative.optional(),
  })
  .refine(({ minMm, maxMm }) => minMm <= maxMm, {
    path: ['minMm'],
    message: 'must not be above maxMm: measure both from the right-ascension axis',
  })
const tubeSide = z.array(
  z.strictObject({ massG: notNegative, distanceMm: notNegative, massUncertaintyG: notNegative.optional() }),
)

export const balanceInputSchema = z.strictObject({
  counterweights: weights,
  shaft: shaftSchema,
  tubeSide,
  headMomentGmm: z.number().optional(),
})

export const balanceSchema = z.object({
  possible: z.boolean(),
  reason: z.enum(['balanced', 'too-light', 'too-heavy']),
  positionMm: z.number().nullable(),
  slackMm: z.number(),
  extraMassG: z.number(),
  tubeSideExtraMassG: z.number(),
  distanceMm: z.number().nullable(),
})

export const balancedPositionSchema = z.strictObject({
  counterweights: weights,
  shaft: shaftSchema,
  tubeSide,
  positionMm: z.number(),
})

export const controllerInputSchema = z.strictObject({
  zone: z.string().min(1),
  local: z.string(),
  latitudeDeg: z.number().min(-90).max(90),
  longitudeDeg: z.number().min(-180).max(180),
  occurrence: z.enum(['earlier', 'later']).optional(),
})

const dms = z.object({
  degrees: z.number(),
  minutes: z.number(),
  seconds: z.number(),
  hemisphere: z.enum(['N', 'S', 'E', 'W']),
})

export const controllerAnswerSchema = z.union([
  z.object({
    date: z.string(),
    time24: z.string(),
    time12: z.string(),
    standardOffsetHours: z.number(),
    daylightSaving: z.boolean(),
    latitudeDms: dms,
    longitudeDms: dms,
    atUtc: z.string(),
    note: z.string().nullable(),
  }),
  z.object({ ambiguous: z.array(z.object({ utcOffsetHours: z.number() })) }),
  z.object({ reason: z.literal('NO_SUCH_TIME') }),
])
