import { z } from 'zod'
import { kitSheetSchema } from './kits.ts'
import { idSchema } from './people.ts'

const judged = z.enum(['fine', 'not-fine'])
const point = z.object({ x: z.number(), y: z.number() })
const minutes = z.number().nonnegative().max(600).default(0)
const note = z.string().max(500).default('')

const threeMoves = z.object({ up: z.boolean(), free: z.boolean(), stays: z.boolean() })

/** Offset of the mark from the peephole's reflection on the primary, and its clock direction, open end at 12. */
export const offsetReadingSchema = z.object({
  offsetMm: z.number().nonnegative().max(60),
  clockHours: z.number().gt(0).lte(12),
})

export const finderReadingSchema = z.discriminatedUnion('way', [
  z.object({ way: z.literal('typed'), misalignmentArcmin: z.number().nonnegative().max(600) }),
  z.object({ way: z.literal('landmark'), distanceM: z.number().positive().max(100_000), seenMm: point }),
])

export const stationSchema = z.discriminatedUnion('station', [
  z.object({ station: z.literal('glass'), asFound: judged, asLeft: judged, minutes, note }),
  z.object({ station: z.literal('stand'), asFound: threeMoves, asLeft: threeMoves, minutes, note }),
  z.object({
    station: z.literal('collimation'),
    asFound: offsetReadingSchema,
    asLeft: offsetReadingSchema,
    minutes,
    note,
  }),
  z.object({ station: z.literal('star'), asFound: judged, asLeft: judged, minutes, note }),
  z.object({
    station: z.literal('finder'),
    asFound: finderReadingSchema,
    asLeft: finderReadingSchema,
    minutes,
    note,
  }),
  z.object({ station: z.literal('pack'), asFound: judged, asLeft: judged, minutes, note }),
])
export type Station = z.infer<typeof stationSchema>
export type StationName = Station['station']

export const finishCheckSchema = z.object({
  idempotencyKey: z.uuid(),
  kitVersion: z.number().int(),
  stations: z.array(stationSchema).min(1, 'do one station at least'),
  doneJobIds: z.array(idSchema),
  backToShelf: z.boolean(),
})
export type FinishCheck = z.infer<typeof finishCheckSchema>

export const checkResultSchema = z.object({ kit: kitSheetSchema })

export const benchItemSchema = z.object({
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
