import { z } from 'zod'
import { caseSizeSchema } from './open-case.ts'

/** What a borrower looks at from afar and sends from the guide: measured at once, by the same functions as at the bench. */

export const remoteLookKinds = ['peephole', 'star', 'finder', 'case'] as const
export type RemoteLookKind = (typeof remoteLookKinds)[number]

/** As base64, made small on the phone already. */
const picture = z.base64().min(100).max(1_300_000)
const base = { key: z.uuid() }
/** The tube can't meet the Sun: it counts with the yes only, unless the server knows that it is night. */
const sunSafe = z.boolean()
const directionDeg = z.number().min(0).max(360)

export const remoteLookSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...base,
    kind: z.literal('peephole'),
    picture,
    sunSafe,
    /** Where the tube's open end is in the picture, clockwise from up; null: not told, and then no screw is named. */
    openEndDeg: directionDeg.nullable(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('star'),
    picture,
    otherSide: picture.nullable(),
    rings: z.number().int().min(1).max(40).nullable(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('finder'),
    sunSafe,
    /** Where it stood in the eyepiece, in half fields from the middle and as on a dial; null: not in view. */
    seen: z.object({ fraction: z.number().min(0).max(1), clockHours: z.number().min(0).max(12) }).nullable(),
    /** Null: kilometres away. */
    distanceM: z.number().min(20).max(100_000).nullable(),
  }),
  z.strictObject({ ...base, kind: z.literal('case'), picture }),
])
export type RemoteLook = z.infer<typeof remoteLookSchema>

export const lookMeaningSchema = z.enum(['good', 'usable', 'off', 'unsure', 'unreadable'])
export const lookFigureSchema = z.object({
  value: z.number(),
  uncertainty: z.number(),
  limit: z.number(),
  unit: z.enum(['mm', 'arcmin']),
})

/** The case as it looked when it was complete, and now. */
export const caseSeenSchema = z.object({
  caseMm: caseSizeSchema,
  places: z.array(
    z.object({
      name: z.string(),
      outlineMm: z.array(z.object({ x: z.number(), y: z.number() })),
      verdict: z.enum(['same', 'different', 'can’t-tell']),
    }),
  ),
  /** JPEG as base64, seen straight from above. */
  now: z.string().nullable(),
  before: z.string().nullable(),
})
export type CaseSeen = z.infer<typeof caseSeenSchema>

export const remoteLookAnswerSchema = z.object({
  meaning: lookMeaningSchema,
  figure: lookFigureSchema.nullable(),
  /** Sentences of the guide, in English, for the page to say in its language. */
  lines: z.array(
    z.object({ sentence: z.string(), variables: z.record(z.string(), z.union([z.string(), z.number()])) }),
  ),
  /** Only while it is fresh: pictures aren't sent twice. */
  caseSeen: caseSeenSchema.nullable(),
})
export type RemoteLookAnswer = z.infer<typeof remoteLookAnswerSchema>

/** What this kit's borrower may look at from afar. */
export const remoteLookOffersSchema = z.object({
  kinds: z.array(z.enum(remoteLookKinds)),
  /** Whether the question of the Sun has to be answered before a look into the tube. */
  sunAsked: z.boolean(),
  finder: z.object({ thing: z.enum(['dot', 'cross', 'sight']), nearestM: z.number() }).nullable(),
})
export type RemoteLookOffers = z.infer<typeof remoteLookOffersSchema>

/** A look as the bench sees it. */
export const keptLookSchema = z.object({
  look: z.enum(remoteLookKinds),
  meaning: lookMeaningSchema,
  figure: lookFigureSchema.nullable(),
})
/** Newest first. */
export const remoteLooksSchema = z.object({
  looks: z.array(keptLookSchema.extend({ pictureId: z.string().nullable(), atUtc: z.string() })),
})
export type RemoteLooks = z.infer<typeof remoteLooksSchema>
export type KeptLook = RemoteLooks['looks'][number]
