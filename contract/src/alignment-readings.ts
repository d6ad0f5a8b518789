import { eyePlaces } from '@binoculum/core'
import { z } from 'zod'
import { idSchema } from './people.ts'

const point = z.object({ x: z.number(), y: z.number() })
/** Where on the focal plane, mm in the cell's frame. */
export const atFocusSchema = z.object({ x: z.number().min(-100).max(100), y: z.number().min(-100).max(100) })
const doubtMm = z.number().nonnegative().max(100)
/** The picture as it was kept beside its figure; null where it was not, or the line was down. */
const keptPicture = idSchema.nullable().default(null)
/** When it was looked at, by the device's clock; now, where nobody says. */
export const lookedAtUtc = z.iso.datetime().optional()
const clockHours = z.number().gt(0).lte(12)

/**
 * How the primary was looked at: offset of the mark from the peephole's reflection on the primary with its clock direction,
 * open end at 12; or by eye on a coarse scale; or from a picture, then the axis error in the cell's frame.
 */
export const offsetReadingSchema = z.union([
  z.object({
    way: z.literal('photo'),
    axisErrorMm: atFocusSchema,
    uncertaintyMm: doubtMm,
    byHand: z.boolean(),
    pictureId: keptPicture,
  }),
  z.object({ way: z.literal('star'), axisErrorMm: atFocusSchema, uncertaintyMm: doubtMm, pictureId: keptPicture }),
  z.object({ way: z.literal('eye'), place: z.enum(eyePlaces), clockHours }),
  z.object({ way: z.literal('typed').default('typed'), offsetMm: z.number().nonnegative().max(60), clockHours }),
])

const arcmin = z.object({ x: z.number().min(-2000).max(2000), y: z.number().min(-2000).max(2000) })
const yesFirst = 'the question of the Sun must be answered with yes'
const targetName = z.string().trim().min(1).max(80)

/** What a finder was lined up on. By day nothing is accepted before somebody answered that the tube is in shade, or that their
 * own shadow points where it points. */
export const finderTargetSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.enum(['landmark', 'moon']),
    name: targetName,
    distanceM: z.number().positive().max(200_000).nullable(),
    shaded: z.literal(true, yesFirst),
  }),
  z.object({
    kind: z.enum(['star', 'sheet']),
    name: targetName,
    distanceM: z.number().positive().max(200_000).nullable(),
    /** Whether somebody said yes; asked wherever night is not certain. */
    shaded: z.boolean().default(false),
  }),
])

export const finderReadingSchema = z.discriminatedUnion('way', [
  z.object({
    way: z.literal('seen'),
    how: z.enum(['finder', 'field', 'scale']),
    misalignmentArcmin: arcmin,
    uncertaintyArcmin: z.number().nonnegative().max(600),
    target: finderTargetSchema,
    lookedAtUtc,
  }),
  z.object({
    way: z.literal('typed'),
    misalignmentArcmin: z.number().nonnegative().max(600),
    target: finderTargetSchema.nullable().default(null),
    lookedAtUtc,
  }),
  z.object({
    way: z.literal('landmark'),
    distanceM: z.number().positive().max(100_000),
    seenMm: point,
    shaded: z.literal(true, yesFirst),
    lookedAtUtc,
  }),
])
