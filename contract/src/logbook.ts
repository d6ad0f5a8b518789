import { besideKinds } from '@binoculum/core'
import { z } from 'zod'
import { driftForecastSchema } from './calculators/trends.ts'
import { recordLineSchema } from './record.ts'
import { idSchema } from './people.ts'
import { jobCodeSchema, readingKindSchema, roleSchema } from './readiness.ts'

const interval = { low: z.number(), high: z.number() }

/** One figure as a check found and left it; judged ones are 0 (fine) and more. */
export const storyReadingSchema = z.object({
  kind: z.union([readingKindSchema, z.enum(besideKinds)]),
  atUtc: z.string(),
  asFound: z.number().nullable(),
  asLeft: z.number(),
  /** Null where nothing says what is too much. */
  limit: z.number().nullable(),
  /** Whether less than the limit is too little; otherwise more is too much. */
  limitIsLeast: z.boolean(),
  unit: z.enum(['mm', 'arcmin', 'deg', 's', 'V', 'h', 'judged']),
  by: z.string(),
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

/** What was done to a kit, newest first, a page at a time. */
export const storyLinesSchema = z.object({
  lines: z.array(recordLineSchema),
  /** What to ask for the lines before these; null where there are none in this time. */
  next: z.string().nullable(),
})
export type StoryLines = z.infer<typeof storyLinesSchema>

/** One bench check with all that it measured, for holding two side by side. */
export const storyCheckSchema = z.object({
  id: idSchema,
  atUtc: z.string(),
  by: z.string(),
  stations: z.array(z.object({ station: z.string(), minutes: z.number().nullable(), note: z.string() })),
  readings: z.array(
    z.object({
      kind: readingKindSchema,
      asFound: z.number().nullable(),
      asLeft: z.number(),
      limit: z.number(),
      unit: z.enum(['mm', 'arcmin', 'deg', 's', 'judged']),
    }),
  ),
})
export type StoryCheck = z.infer<typeof storyCheckSchema>

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
  ...storyLinesSchema.shape,
  /** Newest first. */
  checks: z.array(storyCheckSchema),
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
  /** Of a family: its own key. */
  modelId: z.string(),
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

/** What kept kits in: how often, and for how many days of a kit. */
export const heldForSchema = z.object({ code: jobCodeSchema, times: z.number().int(), days: z.number().int() })

/** Days of all of a branch's kits in a month, by what they were. */
export const monthDaysSchema = z.object({
  month: z.string(),
  fit: z.number().int(),
  out: z.number().int(),
  waiting: z.number().int(),
  bench: z.number().int(),
})
export type MonthDays = z.infer<typeof monthDaysSchema>

export const lostRoleSchema = z.object({
  role: roleSchema,
  losses: z.number().int(),
  pieceLoans: z.number().int(),
  /** In a hundred loans of one piece; null where there are too few to say. */
  perHundred: z.object({ rate: z.number(), ...interval }).nullable(),
})
export type LostRole = z.infer<typeof lostRoleSchema>

export const stationTimeSchema = z.object({
  modelId: idSchema,
  modelName: z.string(),
  station: z.string(),
  minutes: z.number(),
  /** Checks that it is the middle of. */
  times: z.number().int(),
})
export type StationTime = z.infer<typeof stationTimeSchema>

export const branchTrendsSchema = z.object({
  branchId: idSchema,
  branchName: z.string(),
  models: z.array(modelTrendSchema),
  /** The same of all models of a family together; its words stand as the name. */
  families: z.array(modelTrendSchema),
  months: z.array(monthTrendSchema),
  days: z.array(monthDaysSchema),
  held: z.array(heldForSchema),
  /** Loans that came back by so many days late, 0 for in time. */
  late: z.array(z.object({ days: z.number().int(), loans: z.number().int() })),
  lost: z.array(lostRoleSchema),
  stations: z.array(stationTimeSchema),
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

/** What models cost and which parts to keep: of one branch, by its own records. */
export const buyingQuerySchema = z.object({
  lifeYears: z.coerce.number().min(1).max(40).default(8),
  leadWeeks: z.coerce.number().min(1).max(52).default(6),
  serviceLevel: z.coerce.number().min(0.5).max(0.99).default(0.95),
})
export type BuyingQuery = z.infer<typeof buyingQuerySchema>

export const buyingSchema = z.object({
  branchName: z.string(),
  currency: z.string(),
  today: z.string(),
  assumed: buyingQuerySchema,
  models: z.array(
    z.object({
      modelId: idSchema,
      modelName: z.string(),
      kits: z.number().int(),
      kitsWithoutPrice: z.number().int(),
      loans: z.number().int(),
      /** In which those loans were. */
      years: z.number(),
      lostMinor: z.number().int(),
      benchMinutes: z.number().nullable(),
      beyond: spreadSchema.shape.beyond,
      /** Of one loan, in the smallest unit; null where a price is missing or the loans are too few to say. */
      costMinor: z.object({ middle: z.number(), ...interval }).nullable(),
    }),
  ),
  spares: z.array(
    z.object({
      role: roleSchema,
      losses: z.number().int(),
      aYear: z.object({ rate: z.number(), ...interval }),
      /** Wanted until new ones come. */
      expected: z.number(),
      keep: z.number().int(),
      have: z.number().int(),
      order: z.number().int(),
      pieceMinor: z.number().int().nullable(),
    }),
  ),
  /** The records that the parts' rates are from. */
  sinceYear: z.number().int(),
  recordYears: z.number(),
})
export type Buying = z.infer<typeof buyingSchema>
