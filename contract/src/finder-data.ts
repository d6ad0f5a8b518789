import { COIN_CELL_VOLTS, finderKinds } from '@binoculum/core'
import { z } from 'zod'

/** A model's finder and focuser, as stored with it, and what a kit adds of its own. Messages stand by their field. */

export const finderKnobSchema = z.object({
  name: z.string().trim().min(1, 'name it').max(40),
  angleDeg: z.number('type its direction, ° clockwise from up').min(-360).max(360),
  arcminPerTurn: z
    .number('type how far one turn moves it')
    .min(1, 'a turn moves it 1′ at least')
    .max(600, 'a turn moves it 600′ at most'),
  clockwise: z.enum(['towards', 'away']),
})

export const finderDataSchema = z
  .object({
    kind: z.enum(finderKinds),
    view: z.enum(['correct', 'turned', 'mirrored']),
    knobs: z
      .array(finderKnobSchema)
      .max(6)
      .refine((list) => new Set(list.map(({ name }) => name)).size === list.length, 'two knobs have the same name'),
    arcminPerMark: z.number().positive('a mark is above 0′').max(600).nullable(),
    tube: z.object({
      train: z.enum(['newtonian', 'mirror-diagonal', 'erecting-diagonal', 'straight', 'correct']),
      outDeg: z.number('type where it sticks out, ° clockwise from up').min(0).max(360),
    }),
    focusing: z.enum(['drawtube', 'moving-mirror']),
    spareTravelMm: z.number().nonnegative('not below 0 mm').max(500).nullable(),
    knownNearestM: z.number().positive('above 0 m').max(1000).nullable(),
  })
  .refine(({ kind, knobs }) => (kind === 'peep') === (knobs.length === 0), {
    path: ['knobs'],
    message: 'a finder that is turned has knobs; a peep sight has none',
  })
export type FinderDataView = z.infer<typeof finderDataSchema>

/** The finder from the tube's axis, x right, y up, seen from behind. */
export const finderOffsetSchema = z.object({
  x: z.number('type it in mm, right +').min(-500).max(500),
  y: z.number('type it in mm, up +').min(-500).max(500),
})

export const writeFinderSchema = z.object({
  version: z.number().int(),
  finder: finderDataSchema.nullable(),
  finderOffsetMm: finderOffsetSchema,
})
export type WriteFinder = z.infer<typeof writeFinderSchema>

/** What somebody measured on this very kit. */
export const ownFinderSchema = z.object({ offsetMm: finderOffsetSchema, measuredAtUtc: z.string(), by: z.string() })
export type OwnFinder = z.infer<typeof ownFinderSchema>

export const finderOffsetGivenSchema = z
  .object({ kitVersion: z.number().int(), offsetMm: finderOffsetSchema })
  .refine(({ offsetMm: { x, y } }) => Math.hypot(x, y) >= 15, {
    path: ['offsetMm', 'y'],
    message: 'a finder sits 15 mm from the tube’s axis at least; measure from middle to middle',
  })
export type FinderOffsetGiven = z.infer<typeof finderOffsetGivenSchema>

const arcmin = z.object({ x: z.number().min(-2000).max(2000), y: z.number().min(-2000).max(2000) })

/** Knobs that were turned between two looks, and what that did. */
export const knobStepSchema = z.object({
  before: arcmin,
  turns: z.array(z.object({ name: z.string().max(40), turns: z.number().min(-40).max(40) })).max(6),
  after: arcmin,
  uncertaintyArcmin: z.number().nonnegative().max(600),
})
export type KnobStepView = z.infer<typeof knobStepSchema>

/** Red dot as it goes back into its case. */
export const dotCareSchema = z.object({
  brightness: z.enum(['dim', 'middling', 'bright']),
  switchedOff: z.boolean(),
  tabIn: z.boolean(),
  doorScrewed: z.boolean(),
  /** Of its coin cell, where a meter is at hand. */
  volts: z.number().positive().max(COIN_CELL_VOLTS.most, 'no coin cell has so many volts').nullable().default(null),
})
export type DotCare = z.infer<typeof dotCareSchema>

/** An optical finder's own care; null where nobody looked. */
export const opticalCareSchema = z.object({
  frontCell: z.enum(['sharp-and-locked', 'blurred', 'loose']).nullable(),
  oRing: z.enum(['seated', 'missing', 'none']).nullable(),
  capsThere: z.boolean().nullable(),
  /** A second reading: lined up at the lowest power, is it still in the view at the highest? */
  atHighestPower: z.enum(['inside', 'outside']).nullable(),
})
export type OpticalCare = z.infer<typeof opticalCareSchema>

/** How finders of one kind come back, over all kits of the branch. */
export const finderDriftSchema = z.object({
  kind: z.enum(finderKinds),
  loans: z.number().int(),
  medianArcmin: z.number(),
  ownMedianArcmin: z.number().nullable(),
  ownLoans: z.number().int(),
})
export type FinderDrift = z.infer<typeof finderDriftSchema>
