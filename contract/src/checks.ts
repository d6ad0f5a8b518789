import {
  chargeLeft,
  chemistries,
  driftPlaces,
  fallingEnds,
  landingPatterns,
  landingPlaces,
  letGoSetUps,
  phases,
} from '@binoculum/core'
import { z } from 'zod'
import { atFocusSchema, finderReadingSchema, lookedAtUtc, offsetReadingSchema } from './alignment-readings.ts'
import { glassLookSchema } from './glass-look.ts'
import { dotCareSchema, knobStepSchema, opticalCareSchema } from './finder-data.ts'
import { kitSheetSchema } from './kits.ts'
import { turnedStepSchema } from './mirror-data.ts'
import { idSchema } from './people.ts'
import { starLookSchema } from './star-look.ts'

const judged = z.enum(['fine', 'not-fine'])
const minutes = z.number().nonnegative().max(600).default(0)
const note = z.string().max(500).default('')

/** One step of putting together as it was run through; `said` holds the answers of its test, `seconds` what it took. */
export const stepFindingSchema = z.object({
  key: z.string().min(1).max(60),
  title: z.string().max(120),
  phase: z.enum(phases),
  asFound: judged,
  asLeft: judged,
  said: z.array(z.string().max(60)).max(6).default([]),
  seconds: z.number().nonnegative().max(36_000).default(0),
})

const bareShaft = z.object({ bareShaftMm: z.number('type the bare shaft in mm').nonnegative().max(2000) })
const hang = z.object({ hangG: z.number().min(-5000).max(5000) })
const setDeg = z.object({
  setDeg: z.number().min(0, 'scales go from 0 to 90°').max(90, 'scales go from 0 to 90°'),
})

const balanceSchema = z.discriminatedUnion('way', [
  z.object({
    station: z.literal('balance'),
    way: z.literal('shaft'),
    /** What rode on the tube. */
    on: z.array(idSchema).max(60),
    asFound: bareShaft,
    asLeft: bareShaft,
    stays: z.boolean(),
    minutes,
    note,
  }),
  z.object({ station: z.literal('balance'), way: z.literal('tube'), asFound: hang, asLeft: hang, minutes, note }),
])

const landingsSchema = z.object({
  landings: z
    .array(
      z.object({
        object: z.string().trim().min(1, 'name what it went to').max(80),
        place: z.enum(landingPlaces),
        asideDeg: z.number().positive().max(180).nullable(),
      }),
    )
    .min(1)
    .max(6),
  pattern: z.enum(landingPatterns),
})
const watchesSchema = z
  .array(
    z.object({
      at: z.enum(driftPlaces),
      northArcmin: z.number('type how far it drifted').min(-120).max(120),
      minutes: z.number('type the minutes').min(0.5, 'watch it for half a minute at least').max(120),
    }),
  )
  .min(1)
  .max(12)
/** What lining up came to; null where nobody looked. */
const afterLiningUp = {
  landings: z.object({ asFound: landingsSchema, asLeft: landingsSchema }).nullable().default(null),
  drift: z
    .object({
      asFound: watchesSchema,
      asLeft: watchesSchema,
      latitudeDeg: z
        .number()
        .min(-90)
        .max(90)
        .refine((deg) => deg !== 0, 'at the equator no axis is lined up this way'),
    })
    .nullable()
    .default(null),
}

const placeSchema = z.discriminatedUnion('way', [
  z.object({
    station: z.literal('place'),
    way: z.literal('latitude'),
    latitudeDeg: z.number().min(-90).max(90),
    asFound: setDeg,
    asLeft: setDeg,
    ...afterLiningUp,
    minutes,
    note,
  }),
  z.object({ station: z.literal('place'), way: z.literal('watched'), ...afterLiningUp, minutes, note }),
  z.object({
    station: z.literal('place'),
    way: z.literal('keyed'),
    asFound: judged,
    asLeft: judged,
    ...afterLiningUp,
    minutes,
    note,
  }),
])

const settleS = z.number().positive().max(120)
/** How long it trembles after a tap, and what was tightened in turn, each with what it shook for then. */
export const shakeSchema = z.object({
  way: z.enum(['sensor', 'stopwatch', 'video']),
  asFoundS: settleS,
  asLeftS: settleS,
  frequencyHz: z.number().positive().max(100).nullable(),
  tried: z.array(z.object({ what: z.string().max(60), settleS })).max(30),
})

const letGosSchema = z
  .array(
    z.object({
      setUp: z.enum(letGoSetUps),
      altitudeDeg: z.number().min(0).max(90),
      fell: z.enum(fallingEnds),
    }),
  )
  .min(1, 'let it go once at least')
  .max(12)
const tapeMm = z.number().min(0).max(2000).nullable().default(null)

const powerReadingSchema = z.discriminatedUnion('way', [
  z.object({ way: z.literal('gauge'), step: z.number().int().min(0).max(20), of: z.number().int().min(1).max(20) }),
  z.object({ way: z.literal('volts'), volts: z.number('type the volts').positive().max(60) }),
])
export const powerStationSchema = z
  .object({
    station: z.literal('power'),
    chemistry: z.enum(chemistries),
    cellCount: z.number('how many cells').int().min(1).max(24),
    capacityAh: z.number('type the capacity in Ah').positive().max(200),
    drawA: z.number('type the draw in A').positive().max(20),
    neededHours: z.number('type the hours a loan needs').positive().max(200),
    asFound: powerReadingSchema,
    asLeft: powerReadingSchema,
    /** Cells counted out and in again; null where none came out. */
    cellsOut: z.number().int().min(0).max(24).nullable().default(null),
    cellsIn: z.number().int().min(0).max(24).nullable().default(null),
    /** On and off its charger, where it was charged here. */
    charged: z.object({ fromUtc: z.iso.datetime(), toUtc: z.iso.datetime().nullable() }).nullable().default(null),
    minutes,
    note,
  })
  .superRefine((station, context) => {
    for (const state of ['asFound', 'asLeft'] as const)
      try {
        chargeLeft(station[state], station)
      } catch (error) {
        context.addIssue({ code: 'custom', path: [state], message: (error as RangeError).message })
      }
  })

const focusStateSchema = z.object({
  looks: z
    .array(
      z.object({
        chain: z.string().max(120),
        eyepieceMm: z.number().positive().max(100),
        drawtubeMm: z.number().min(0, 'the scale begins at 0 mm').max(300).nullable(),
      }),
    )
    .min(1, 'try one eyepiece at least')
    .max(20),
  rack: z.enum(['smooth', 'stiff', 'slips']),
})
export const focusStationSchema = z
  .object({
    station: z.literal('focus'),
    travelMm: z.number('type how far the drawtube goes').positive().max(300),
    /** Of what was looked at; null for a star. */
    distanceM: z.number().positive().max(200_000).nullable(),
    asFound: focusStateSchema,
    asLeft: focusStateSchema,
    lockHolds: z.boolean().nullable().default(null),
    minutes,
    note,
  })
  .superRefine((station, context) => {
    for (const state of ['asFound', 'asLeft'] as const)
      station[state].looks.forEach(({ drawtubeMm }, index) => {
        if (drawtubeMm !== null && drawtubeMm > station.travelMm)
          context.addIssue({
            code: 'custom',
            path: [state, 'looks', index, 'drawtubeMm'],
            message: `the drawtube goes to ${station.travelMm} mm only`,
          })
      })
  })

export const stationSchema = z.discriminatedUnion('station', [
  z.object({
    station: z.literal('glass'),
    asFound: judged,
    asLeft: judged,
    look: glassLookSchema.nullable().default(null),
    minutes,
    note,
  }),
  z.object({
    station: z.literal('assembly'),
    steps: z.array(stepFindingSchema).min(1).max(60),
    shake: shakeSchema.nullable().default(null),
    minutes,
    note,
  }),
  balanceSchema,
  placeSchema,
  z.object({
    station: z.literal('collimation'),
    asFound: offsetReadingSchema,
    asLeft: offsetReadingSchema,
    /** Screws turned between two readings. */
    turned: z.array(turnedStepSchema).max(60).default([]),
    /** Locked, and looked at again: as left is what the locks left. */
    lookedAfterLocking: z.boolean().default(false),
    /** One reading after each opening of a tube that slides. */
    openings: z.array(atFocusSchema).max(50).default([]),
    /** The answer to the question of the Sun: whichever way it was read, somebody looked into the tube. */
    sun: z
      .object({ siteId: idSchema.nullable().default(null), shaded: z.boolean(), lookedAtUtc })
      .default({ siteId: null, shaded: false }),
    minutes,
    note,
  }),
  z.object({
    station: z.literal('star'),
    asFound: judged,
    asLeft: judged,
    look: starLookSchema.nullable().default(null),
    minutes,
    note,
  }),
  z.object({
    station: z.literal('finder'),
    asFound: finderReadingSchema,
    asLeft: finderReadingSchema,
    turned: z.array(knobStepSchema).max(60).default([]),
    /** Where it was looked through: the Sun's place hangs on it. */
    siteId: idSchema.nullable().default(null),
    care: dotCareSchema.nullable().default(null),
    opticalCare: opticalCareSchema.nullable().default(null),
    minutes,
    note,
  }),
  z.object({
    station: z.literal('let-go'),
    asFound: letGosSchema,
    asLeft: letGosSchema,
    /** Where clamp or ring stands on a printed tape. */
    foundMm: tapeMm,
    leftMm: tapeMm,
    minutes,
    note,
  }),
  focusStationSchema,
  powerStationSchema,
  z.object({ station: z.literal('pack'), asFound: judged, asLeft: judged, minutes, note }),
])
export type Station = z.infer<typeof stationSchema>
export type StationName = Station['station']

export type StepDone = z.infer<typeof stepFindingSchema>

export const finishCheckSchema = z.object({
  idempotencyKey: z.uuid(),
  kitVersion: z.number().int(),
  stations: z.array(stationSchema).min(1, 'do one station at least'),
  doneJobIds: z.array(idSchema),
  backToShelf: z.boolean(),
  /** The device's clock when this was sent: a finder's night is believed only where the server's agrees with it. */
  deviceUtc: z.iso.datetime().nullable().default(null),
})
export type FinishCheck = z.infer<typeof finishCheckSchema>

export const checkResultSchema = z.object({ kit: kitSheetSchema })

export const benchItemSchema = z.object({
  branchId: z.string(),
  code: z.string(),
  name: z.string(),
  modelName: z.string(),
  condition: z.enum(['full', 'half', 'crescent', 'new']),
  sentence: z.string(),
  minutes: z.number(),
  neededByUtc: z.string().nullable(),
})
export const benchSchema = z.object({ waiting: z.array(benchItemSchema) })
export type Bench = z.infer<typeof benchSchema>
