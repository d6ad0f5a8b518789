import { finderKinds, feels, skies, stepDrawings, upgradeGuide } from '@binoculum/core'
import { z } from 'zod'
import { idSchema } from './people.ts'
import { keptLookSchema } from './remote-look.ts'
import { zoneSchema } from './sites.ts'
import { mountDataSchema, standDataSchema } from './mount-data.ts'
import { familySchema, markSchema, roleSchema } from './readiness.ts'

/** A sentence in the language, or its English where nobody translated it. */
export const saidSchema = z.union([z.string(), z.object({ en: z.string() })])

const firstStepSchema = z.object({
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
  caution: saidSchema,
  steps: z.array(saidSchema),
})

/** As it was stored before there were languages, nights and drawings. */
const firstGuideSchema = z.object({
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
  setUp: z.array(firstStepSchema),
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
  putAway: z.array(firstStepSchema),
  collimation: z.array(z.string()),
  /** Guides from before there were help sheets have none. */
  helpSheet: helpSheetSchema.nullable().default(null),
})

/** How a place or a step looks when it is right. Guides from before there were such pictures have none. */
const liesSchema = z.object({ pictureId: idSchema, words: saidSchema }).nullable().default(null)

const stepSchema = z.object({
  key: z.string(),
  title: saidSchema,
  lines: z.array(saidSchema),
  feel: z.enum(feels).nullable(),
  caution: saidSchema.nullable(),
  drawing: z.enum(stepDrawings).nullable(),
  undo: z.boolean(),
  lies: liesSchema,
})

const place = { altitudeDeg: z.number(), azimuthDeg: z.number() }
const instant = z.string().nullable()

const nightSchema = z.object({
  date: z.string(),
  sunsetUtc: instant,
  notBeforeUtc: instant,
  darkFromUtc: instant,
  moonriseUtc: instant,
  moonsetUtc: instant,
  moonLit: z.number(),
  moonWaxing: z.boolean(),
  sessionUtc: instant,
  targets: z.array(
    z.object({
      ...place,
      id: z.string(),
      kind: z.enum([
        'moon',
        'moon-feature',
        'planet',
        'double-star',
        'open-cluster',
        'globular-cluster',
        'nebula',
        'galaxy',
      ]),
      bestUtc: z.string(),
      session: z.object(place).nullable(),
      why: z.enum(['bright-in-any-sky', 'needs-dark-sky', 'low-shadows', 'moonlight-takes-some']),
      eyepieces: z.array(z.string()),
      // Guides issued before borrowers were asked.
      told: z.object({ tried: z.number().int(), saw: z.number().int() }).nullable().default(null),
    }),
  ),
  reason: z.enum(['SUN_UP', 'NOTHING_SURE']).nullable(),
  stars: z.array(z.object({ ...place, name: z.string(), tubeSide: z.enum(['east', 'west']) })),
  pole: z.object({ star: z.string(), ringClock: z.number() }).nullable(),
})

const textSchema = z.object({
  blocks: z.array(
    z.object({ key: z.string(), title: saidSchema, stays: z.array(saidSchema), lines: z.array(saidSchema) }),
  ),
  notes: z.array(saidSchema),
  contents: z.array(
    z.object({
      place: saidSchema,
      lies: liesSchema,
      parts: z.array(z.object({ name: saidSchema, count: z.number().int(), look: z.boolean() })),
    }),
  ),
  setUp: z.array(stepSchema),
  putAway: z.array(stepSchema),
  trouble: z.array(
    z.object({
      key: z.string(),
      sign: saidSchema,
      checks: z.array(saidSchema),
      question: saidSchema,
      answers: z.array(
        z.object({ key: z.string(), answer: saidSchema, hint: saidSchema, then: z.array(saidSchema) }),
      ),
      besides: saidSchema.nullable(),
    }),
  ),
  controller: z.array(
    z.object({ asks: saidSchema, entry: saidSchema, hint: saidSchema.nullable(), careful: z.boolean() }),
  ),
  home: z.array(saidSchema),
  targets: z.record(z.string(), z.object({ name: saidSchema, find: saidSchema, look: saidSchema })),
  helpSheet: helpSheetSchema.nullable(),
  missing: z.array(z.string()),
})

/** Where a borrower will look from, no finer than a town. */
export const guidePlaceSchema = z.object({
  name: z.string().trim().min(1, 'name the town').max(80),
  latitudeDeg: z.number().min(-90).max(90),
  longitudeDeg: z.number().min(-180).max(180),
  zone: zoneSchema,
  sky: z.enum(skies).nullable().default(null),
})

/** A guide as issued and stored, all of its words in every language. */
const secondGuideSchema = z.object({
  version: z.literal(2),
  kitName: z.string(),
  kitCode: z.string(),
  modelName: z.string(),
  branchName: z.string(),
  emergencyLine: z.string(),
  issuedOn: z.string(),
  dueOn: z.string(),
  dueTime: z.string().nullable(),
  firstName: z.string().nullable(),
  language: z.string(),
  drawn: z
    .object({
      family: familySchema,
      optics: z.object({
        apertureMm: positive,
        focalLengthMm: positive,
        collapsible: z.boolean(),
        kind: z.enum(['newtonian', 'refractor', 'maksutov']).optional(),
      }),
      mount: mountDataSchema.nullable(),
      // Guides issued before they said it.
      stand: standDataSchema.nullable().default(null),
      finderKind: z.enum(finderKinds).nullable().default(null),
      parts: z.array(
        z.object({
          id: z.string(),
          name: z.string(),
          role: roleSchema,
          count: z.number().int(),
          mark: markSchema,
          massG: z.number().nullable(),
          toleranceG: z.number().nullable(),
        }),
      ),
    })
    .nullable(),
  powers: z.array(
    z.object({
      eyepiece: z.string(),
      barlow: z.string().nullable(),
      magnification: z.number(),
      trueFieldDeg: z.number().nullable(),
      exitPupilMm: z.number(),
      driftSeconds: z.number().nullable(),
      verdict: z.enum(['too-low', 'good', 'steady-air-only', 'empty']),
      start: z.boolean(),
      wholeMoon: z.boolean(),
      wideBarrel: z.boolean().default(false),
    }),
  ),
  place: guidePlaceSchema.nullable(),
  nights: z.array(nightSchema),
  // Guides issued before it was worked out.
  reach: z
    .object({
      heightsMm: z.array(z.number()).length(19),
      highestDeg: z.number(),
      eyepieceRollDeg: z.number().nullable().default(null),
      extensionMm: z.number().default(0),
    })
    .nullable()
    .default(null),
  legs: z
    .object({
      pivotUpMm: z.number(),
      crossAlongMm: z.number(),
      tubeAxisMm: z.number(),
      tubeRadiusMm: z.number(),
      lowEndMm: z.number(),
    })
    .nullable()
    .default(null),
  sightingScope: z.enum(['none', 'upright', 'turned']),
  texts: z.record(z.string(), textSchema),
})

/** Older versions stay readable: they are shown as they were issued. */
export const storedGuideSchema = z
  .discriminatedUnion('version', [firstGuideSchema, secondGuideSchema])
  .transform((guide) => (guide.version === 2 ? guide : secondGuideSchema.parse(upgradeGuide(guide))))
export const guideSchema = secondGuideSchema

export type IssuedGuide = z.infer<typeof secondGuideSchema>

/** What a stranger with a link may send: short, few, one small picture. */
const messageBase = {
  key: z.uuid(),
  /** A picture as base64, without what a file begins with in an address. */
  picture: z.base64().max(1_300_000).nullable().default(null),
}
export const borrowerMessageSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...messageBase,
    kind: z.literal('report'),
    sign: z.string().max(40),
    walked: z.array(z.string().max(200)).max(12),
    words: z.string().max(1000),
  }),
  z.strictObject({
    ...messageBase,
    kind: z.literal('contents'),
    missing: z.array(z.string().max(120)).max(100),
    looked: z.number().int().nonnegative(),
    of: z.number().int().nonnegative(),
  }),
])
export type BorrowerMessage = z.infer<typeof borrowerMessageSchema>

export const receivedMessageSchema = z.object({
  id: z.string(),
  loanId: z.string(),
  loanCode: z.string(),
  kitCode: z.string(),
  kitName: z.string(),
  kind: z.enum(['report', 'contents', 'look']),
  /** What was looked at from afar, and what it came to. */
  look: keptLookSchema.nullable(),
  walked: z.array(z.string()),
  words: z.string(),
  missing: z.array(z.string()),
  looked: z.number().int(),
  of: z.number().int(),
  pictureId: z.string().nullable(),
  atUtc: z.string(),
})
export const receivedMessagesSchema = z.object({ messages: z.array(receivedMessageSchema) })
export type ReceivedMessage = z.infer<typeof receivedMessageSchema>
export type ReceivedMessages = z.infer<typeof receivedMessagesSchema>

/** Who will look and where, for the guide; left out, the usual ones. */
export const guideWishesSchema = z.object({
  language: z.string().min(2).max(5).default('en'),
  borrower: z
    .object({
      ageGroup: z.enum(['child', 'family', 'adult']),
      level: z.enum(['first', 'some', 'expert']),
      eye: z.enum(['left', 'right']),
      seated: z.boolean(),
    })
    .default({ ageGroup: 'family', level: 'first', eye: 'right', seated: false }),
  /** A town of the borrower's own; null for the branch's first place. */
  place: guidePlaceSchema.nullable().default(null),
})
export type GuideWishes = z.infer<typeof guideWishesSchema>

export const guideListSchema = z.object({
  guides: z.array(
    z.object({
      loanId: z.string(),
      branchId: z.string(),
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
