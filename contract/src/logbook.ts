import { z } from 'zod'
import { driftForecastSchema } from './calculators/trends.ts'
import { recordLineSchema } from './record.ts'
import { idSchema } from './people.ts'

const interval = { low: z.number(), high: z.number() }

/** One figure as a check found and left it. */
export const storyReadingSchema = z.object({
  kind: z.enum(['collimation', 'finder']),
  atUtc: z.string(),
  asFound: z.number().nullable(),
  asLeft: z.number(),
  limit: z.number(),
  by: z.string(),
  source: z.string(),
})
export type StoryReading = z.infer<typeof storyReadingSchema>

export const storyLoanSchema = z.object({
  id: idSchema,
  code: z.string(),
  state: z.enum(['promised', 'out', 'back']),
  fromOn: z.string(),
  /** The day it came back, or is due. */
  untilOn: z.string(),
  daysLate: z.number().int(),
  /** What was off when it came back. */
  off: z.array(z.object({ part: z.string(), mark: z.string() })),
  overruleReason: z.string(),
})
export type StoryLoan = z.infer<typeof storyLoanSchema>

/** A kit's life along one line of time. */
export const kitStorySchema = z.object({
  kit: z.object({
    id: idSchema,
    code: z.string(),
    name: z.string(),
    modelId: idSchema,
    modelName: z.string(),
    zone: z.string(),
  }),
  today: z.string(),
  /** The first day that is shown; earlier ones are asked for. */
  from: z.string(),
  hasEarlier: z.boolean(),
  loans: z.array(storyLoanSchema),
  readings: z.array(storyReadingSchema),
  lines: z.array(recordLineSchema),
  /** Of the mirror; null where there is none to line up, or nobody has looked. */
  forecast: driftForecastSchema
    .extend({
      limitMm: z.number(),
      loansSince: z.number().int(),
      dueChance: z.number(),
      /** That it lies beyond the limit by now; null where nothing is known. */
      chanceNow: z.number().nullable(),
      /** The chance after so many loans without a look: 1, 2 and 3. */
      after: z.array(z.number()),
    })
    .nullable(),
})
export type KitStory = z.infer<typeof kitStorySchema>

export const spreadSchema = z.object({
  n: z.number().int(),
  middle: z.number().nullable(),
  low: z.number().nullable(),
  high: z.number().nullable(),
  beyond: z.object({ share: z.number(), ...interval }).nullable(),
})
export type SpreadView = z.infer<typeof spreadSchema>

export const modelTrendSchema = z.object({
  modelId: idSchema,
  modelName: z.string(),
  family: z.string(),
  kits: z.array(z.object({ code: z.string(), name: z.string() })),
  loans: z.number().int(),
  mirrorMm: spreadSchema,
  /** The newest limit, for the drawing; each figure is judged by its own. */
  mirrorLimitMm: z.number().nullable(),
  finderArcmin: spreadSchema,
  finderLimitArcmin: z.number().nullable(),
  /** Parts that were missing, in a hundred loans. */
  lostPerHundred: z.object({ rate: z.number(), ...interval }).nullable(),
  benchMinutes: z.number().nullable(),
})
export type ModelTrend = z.infer<typeof modelTrendSchema>

export const monthTrendSchema = z.object({
  month: z.string(),
  loans: z.number().int(),
  late: z.number().int(),
})
export type MonthTrend = z.infer<typeof monthTrendSchema>

export const branchTrendsSchema = z.object({
  branchId: idSchema,
  branchName: z.string(),
  models: z.array(modelTrendSchema),
  months: z.array(monthTrendSchema),
  /** Whose nights the months are held against: the branch's first place; null where it has none. */
  place: z
    .object({ name: z.string(), zone: z.string(), latitudeDeg: z.number(), longitudeDeg: z.number() })
    .nullable(),
})
export const trendsSchema = z.object({ branches: z.array(branchTrendsSchema) })
export type Trends = z.infer<typeof trendsSchema>

/** What a year under other rules is played through with: a branch's kits as their records have them. */
export const whatIfKitsSchema = z.object({
  kits: z.array(
    z.object({
      code: z.string(),
      name: z.string(),
      sigmaMm: z.number(),
      limitMm: z.number(),
      leftMm: z.number(),
      loansAYear: z.number().int(),
      lookMinutes: z.number(),
    }),
  ),
  dueChance: z.number(),
})
export type WhatIfKits = z.infer<typeof whatIfKitsSchema>
