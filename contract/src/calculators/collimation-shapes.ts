import { z } from 'zod'
import { pictureSchema, positive } from './shapes.ts'

/** What the collimation's calculations take and give. */

export const pointSchema = z.object({ x: z.number(), y: z.number() })
const strictPoint = z.strictObject({ x: z.number(), y: z.number() })

const turn = z.object({ name: z.string(), turns: z.number() })
const clockwiseWay = z.enum(['clockwise', 'anticlockwise'])
const screwName = z.string().trim().min(1).max(12)

export const turnsInputSchema = z.strictObject({
  focalLengthMm: positive,
  axisErrorMm: strictPoint,
  screws: z
    .array(z.strictObject({ name: screwName, angleDeg: z.number(), blocked: clockwiseWay.optional() }))
    .min(3, 'three screws at least are needed to line up a mirror: add the others in the model')
    .max(6),
  circleRadiusMm: positive,
  pitchMm: positive,
  clockwise: z.enum(['towards-sky', 'away-from-sky']),
  pivotBehindMm: z.number().optional(),
})

export const turnsSchema = z.object({
  turns: z.array(turn),
  fewest: z.array(turn),
  single: z.object({ name: z.string(), turns: z.number(), residualMm: z.number() }),
  rounded: z.array(turn),
  residualMm: z.number(),
  fewestRounded: z.array(turn),
  fewestResidualMm: z.number(),
  singleRounded: turn,
  singleRoundedResidualMm: z.number(),
})

export const secondaryInputSchema = z.strictObject({
  apertureMm: positive,
  secondaryErrorMm: strictPoint,
  secondaryToPrimaryMm: positive,
  screws: z
    .array(z.strictObject({ name: screwName, angleDeg: z.number() }))
    .min(3, 'three screws at least are needed to tilt a secondary: add the others in the model')
    .max(6),
  circleRadiusMm: positive,
  pitchMm: positive,
  clockwise: z.enum(['towards-primary', 'away-from-primary']),
})

export const secondarySchema = z.object({
  limitMm: z.number(),
  due: z.boolean(),
  turns: z.array(turn),
  rounded: z.array(turn),
  residualMm: z.number(),
  rotateDeg: z.number(),
  turnsAfterRotating: z.array(turn),
  words: z.array(z.string()),
})

export const measurePhotoInputSchema = z.strictObject({
  image: pictureSchema,
  apertureMm: positive,
  focalLengthMm: positive,
  peepholeOutsideFocusMm: z.number().optional(),
  openEndDeg: z.number().optional(),
  mirrored: z.boolean().optional(),
  markOuterDiameterMm: positive.optional(),
  capRingDiameterMm: positive.optional(),
  drawtubeInnerDiameterMm: positive.optional(),
  secondaryMinorAxisMm: positive.optional(),
})

const seenCircle = z
  .object({ xPx: z.number(), yPx: z.number(), radiusPx: z.number(), confidence: z.number() })
  .nullable()

export const measuredPhotoSchema = z.object({
  primaryEdge: seenCircle,
  secondaryEdge: seenCircle,
  drawtube: seenCircle,
  centreMark: seenCircle,
  capRing: seenCircle,
  peepholeReflection: seenCircle,
  offsetAtPrimaryMm: pointSchema,
  axisErrorMm: pointSchema,
  axisErrorUncertaintyMm: z.number(),
  secondaryErrorMm: pointSchema.nullable(),
  secondaryUncertaintyMm: z.number().nullable(),
  cell: z
    .object({
      offsetAtPrimaryMm: pointSchema,
      axisErrorMm: pointSchema,
      secondaryErrorMm: pointSchema.nullable(),
    })
    .nullable(),
  confidence: z.number(),
  refused: z.enum(['too-dark', 'no-contrast', 'no-primary', 'no-reflection', 'too-little-seen']).nullable(),
  warnings: z.array(z.string()),
  verdict: z.enum(['good', 'usable', 'poor', 'unsure']).nullable(),
  limitMm: z.number(),
})

export const starTestInputSchema = z.strictObject({
  image: pictureSchema,
  apertureMm: positive,
  focalLengthMm: positive,
  side: z.enum(['inside', 'outside']).optional(),
  defocusWaves: positive.optional(),
  secondaryMinorAxisMm: positive.optional(),
  secondaryOffsetMm: z.number().optional(),
  otherSide: pictureSchema.optional(),
  openEndDeg: z.number().optional(),
})

const starCircle = z.object({ xPx: z.number(), yPx: z.number(), radiusPx: z.number() }).nullable()

export const starTestedSchema = z.object({
  disc: starCircle,
  shadow: starCircle,
  offsetFraction: pointSchema,
  staticOffsetFraction: pointSchema.nullable(),
  comaWaves: z.number().nullable(),
  axisErrorMm: z.number().nullable(),
  confidence: z.number(),
  refused: z.enum(['too-dark', 'no-disc', 'no-dark-middle', 'too-small', 'cut-off']).nullable(),
  warnings: z.array(z.string()),
})

export const starJudgeInputSchema = z.strictObject({
  image: pictureSchema,
  kind: z.enum(['refractor', 'maksutov']),
  apertureMm: positive,
  focalLengthMm: positive,
  obstructionFraction: z.number().min(0).lt(1).optional(),
  otherSide: pictureSchema.optional(),
})

export const starJudgedSchema = z.object({
  disc: starCircle,
  ringOffsetFraction: pointSchema,
  axisRatio: z.number(),
  axisDeg: z.number(),
  verdict: z.enum(['fit', 'watch', 'workshop']),
  refused: z.enum(['too-dark', 'too-small', 'cut-off', 'no-disc', 'no-rings']).nullable(),
  warnings: z.array(z.enum(['one-sided', 'other-side-unreadable', 'sides-differ', 'oval-stays', 'noisy'])),
})

export const repeatInputSchema = z.strictObject({
  readings: z.array(strictPoint).min(2, 'two openings at least').max(200),
  limitMm: positive.optional(),
})

export const repeatSchema = z.object({
  meanMm: pointSchema,
  spreadMm: z.object({ value: z.number(), low: z.number(), high: z.number() }),
  nineOfTenMm: z.number(),
  limitMm: z.number(),
  verdict: z.enum(['holds', 'check-each-time', 'mend']),
})
