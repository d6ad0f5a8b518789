import { z } from 'zod'

/** A model's mirrors, cell and cap, as stored with it. Messages stand by their field. */

const lengthMm = z.number('type a length in mm').positive('a length is above 0 mm').max(5000)
const screw = z.object({
  name: z.string().trim().min(1, 'a letter').max(6),
  angleDeg: z.number('type its angle').min(-360).max(360),
})
const screws = z
  .array(screw)
  .min(3, 'three screws at least')
  .max(6)
  .refine((list) => new Set(list.map(({ name }) => name)).size === list.length, 'two screws have the same letter')
const screwCircle = {
  screws,
  circleRadiusMm: lengthMm.max(400),
  pitchMm: z.number('type the pitch').min(0.2, 'a pitch is 0.2 mm at least').max(3, 'a pitch is 3 mm at most'),
}

export const mirrorDataSchema = z
  .object({
    correctorLens: z.boolean(),
    cell: z
      .object({ ...screwCircle, clockwise: z.enum(['towards-sky', 'away-from-sky']), locks: z.boolean() })
      .nullable(),
    holder: z.object({ ...screwCircle, clockwise: z.enum(['towards-primary', 'away-from-primary']) }).nullable(),
    secondary: z.object({
      minorAxisMm: lengthMm.max(300),
      offsetMm: z.number('type the offset, 0 for none').min(-30).max(30),
      toFocusMm: lengthMm,
      vanes: z.number().int().min(1).max(6),
    }),
    mark: z
      .object({ outerDiameterMm: lengthMm.max(60), innerDiameterMm: z.number().nonnegative().max(60) })
      .refine(({ outerDiameterMm, innerDiameterMm }) => innerDiameterMm < outerDiameterMm, {
        path: ['innerDiameterMm'],
        message: 'its hole is smaller than the mark',
      })
      .nullable(),
    cap: z
      .object({ ringDiameterMm: lengthMm.max(60), holeDiameterMm: lengthMm.max(10) })
      .refine(({ ringDiameterMm, holeDiameterMm }) => holeDiameterMm < ringDiameterMm, {
        path: ['holeDiameterMm'],
        message: 'its hole is smaller than the ring',
      }),
    drawtube: z.object({ innerDiameterMm: lengthMm.max(120), endToFocusMm: lengthMm }),
    clips: z.number().int().min(0).max(8),
  })
  .refine(({ secondary, drawtube }) => drawtube.endToFocusMm < secondary.toFocusMm, {
    path: ['drawtube', 'endToFocusMm'],
    message: 'the drawtube ends before the secondary: this must be shorter than the way from secondary to focus',
  })
export type MirrorDataView = z.infer<typeof mirrorDataSchema>

/** Optics that lining up goes by, written together with the mirrors. */
export const mirrorOpticsSchema = z.object({
  collimatable: z.boolean(),
  primaryFocalLengthMm: lengthMm,
  mirrorFigure: z.enum(['paraboloid', 'sphere', 'unknown']),
  peepholeOutsideFocusMm: z.number('type mm, 0 for in the focal plane').min(-100).max(100),
})
export type MirrorOptics = z.infer<typeof mirrorOpticsSchema>

const point = z.object({ x: z.number().min(-200).max(200), y: z.number().min(-200).max(200) })
const turn = z.object({ name: z.string().min(1).max(6), turns: z.number().min(-20).max(20) })

/** One turning of the primary's screws between two readings, cell frame; turns from behind, + clockwise. */
export const turnedStepSchema = z.object({
  before: point,
  turns: z.array(turn).min(1).max(6),
  after: point,
  uncertaintyMm: z.number().nonnegative().max(20),
})
export type TurnedStepView = z.infer<typeof turnedStepSchema>

export const practiceLevels = ['one-screw', 'both-mirrors', 'fast-tube'] as const

/** How one made-up tube was lined up. Private to whoever practised and to their coordinator. */
export const practiceResultSchema = z.object({
  level: z.enum(practiceLevels),
  sixteenthsUsed: z.number().int().nonnegative().max(10_000),
  sixteenthsLeast: z.number().int().nonnegative().max(10_000),
  startMm: z.number().nonnegative().max(100),
  leftMm: z.number().nonnegative().max(100),
  limitMm: z.number().positive().max(100),
  helpLines: z.number().int().nonnegative().max(100),
  seconds: z.number().nonnegative().max(86_400),
})
export type PracticeResult = z.infer<typeof practiceResultSchema>

/** How somebody is getting on at one level, over all of their tubes. */
const practiceSummarySchema = z.object({
  by: z.string(),
  mine: z.boolean(),
  level: z.enum(practiceLevels),
  tubes: z.number().int(),
  /** Tubes that ended within their limit. */
  within: z.number().int(),
  /** Turns used against the least that would have done, over all of them; null where nothing was to be turned. */
  timesLeast: z.number().nullable(),
  middleLeftMm: z.number(),
  /** Without a line of help. */
  unaided: z.number().int(),
  lastAtUtc: z.string(),
})
export type PracticeSummary = z.infer<typeof practiceSummarySchema>

export const practiceLogSchema = z.object({
  summaries: z.array(practiceSummarySchema),
  results: z.array(practiceResultSchema.extend({ by: z.string(), mine: z.boolean(), atUtc: z.string() })),
})
export type PracticeLog = z.infer<typeof practiceLogSchema>
