import { feels } from '@binoculum/core'
import { z } from 'zod'

const stepSchema = z.object({
  title: z.string(),
  lines: z.array(z.string()),
  feel: z.enum(feels).nullable(),
  caution: z.string().nullable(),
})

const positive = z.number().positive()

/** The tube's sizes as its drawings need them, and the steps: all frozen with the guide. */
export const helpSheetSchema = z.object({
  tube: z.object({
    apertureMm: positive,
    focalLengthMm: positive,
    secondaryMinorAxisMm: positive,
    secondaryOffsetMm: z.number(),
    secondaryToFocusMm: positive,
    peepholeOutsideFocusMm: z.number(),
    drawtubeInnerDiameterMm: positive,
    drawtubeEndToFocusMm: positive,
    capRingDiameterMm: positive,
    peepholeDiameterMm: positive,
    markOuterDiameterMm: z.number().nonnegative(),
    markInnerDiameterMm: z.number().nonnegative(),
    tubeInnerDiameterMm: positive,
    vanes: z.object({ count: z.number().int(), firstAngleDeg: z.number(), thicknessMm: positive }),
    clips: z.object({ count: z.number().int(), firstAngleDeg: z.number(), lengthMm: positive, widthMm: positive }),
  }),
  screws: z.array(z.object({ name: z.string(), angleDeg: z.number() })),
  locks: z.boolean(),
  shownErrorMm: positive,
  caution: z.string(),
  steps: z.array(z.string()),
})

/** A guide as issued and stored. Older versions stay readable: a new shape gets a new version number. */
export const guideSchema = z.object({
  version: z.literal(1),
  kitName: z.string(),
  kitCode: z.string(),
  modelName: z.string(),
  branchName: z.string(),
  emergencyLine: z.string(),
  issuedOn: z.string(),
  dueOn: z.string(),
  sun: z.array(z.string()),
  safety: z.array(z.string()),
  contents: z.array(z.object({ place: z.string(), parts: z.array(z.string()) })),
  notes: z.array(z.string()),
  setUp: z.array(stepSchema),
  place: z.array(z.string()),
  firstLook: z.array(z.string()),
  powers: z.array(
    z.object({
      eyepiece: z.string(),
      barlow: z.string().nullable(),
      magnification: z.number(),
      trueFieldDeg: z.number().nullable(),
      exitPupilMm: z.number(),
      verdict: z.enum(['too-low', 'good', 'steady-air-only', 'empty']),
      start: z.boolean(),
      wholeMoon: z.boolean(),
    }),
  ),
  expect: z.array(z.string()),
  trouble: z.array(z.object({ sign: z.string(), tries: z.array(z.string()) })),
  putAway: z.array(stepSchema),
  collimation: z.array(z.string()),
  /** Guides from before there were help sheets have none. */
  helpSheet: helpSheetSchema.nullable().default(null),
})

export type IssuedGuide = z.infer<typeof guideSchema>

export const guideListSchema = z.object({
  guides: z.array(
    z.object({
      loanId: z.string(),
      loanCode: z.string(),
      kitCode: z.string(),
      kitName: z.string(),
      borrower: z.string(),
      issuedAtUtc: z.string(),
      steps: z.number().int(),
      linkEndsUtc: z.string().nullable(),
    }),
  ),
})
export type GuideList = z.infer<typeof guideListSchema>
