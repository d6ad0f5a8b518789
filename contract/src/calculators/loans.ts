import { freeSlots, planLoans, type LoanPlan } from '@binoculum/core'
import { z } from 'zod'
import { daySchema } from '../days.ts'
import { calculator } from './calculator.ts'

const spanSchema = z.strictObject({ from: daySchema, until: daySchema })
const deskDays = {
  turnaroundDays: z.number().int().min(0).max(60),
  openWeekdays: z.array(z.number().int().min(1, 'Monday is 1').max(7, 'Sunday is 7')).min(1).max(7),
  closedDates: z.array(daySchema).max(2000).optional(),
}
const lengthDays = z.number().int().min(1).max(366)
const bookings = z.array(spanSchema).max(5000)
const kinds = z.array(z.string().min(1).max(80)).max(50)

const planLineSchema = z.union([
  z.object({ requestId: z.string(), kitId: z.string(), from: z.string(), until: z.string() }),
  z.object({ requestId: z.string(), unserved: z.literal(true) }),
])

export const planInputSchema = z.strictObject({
  ...deskDays,
  kits: z.array(z.strictObject({ id: z.string(), kinds, bookings })).max(3000),
  requests: z
    .array(
      z.strictObject({
        id: z.string(),
        kinds,
        earliest: daySchema,
        latest: daySchema,
        lengthDays,
        wantsDark: z.boolean().optional(),
      }),
    )
    .max(2000),
  maxExtraDays: z.number().int().min(0).max(370).optional(),
  dark: z
    .array(z.strictObject({ date: daySchema, hours: z.number().min(0).max(24) }))
    .max(2000)
    .optional(),
})

export const planSchema = z.object({
  strict: z.array(planLineSchema),
  plan: z.array(planLineSchema),
  served: z.number().int(),
  waitDays: z.number().int(),
  gains: z.array(z.object({ requestId: z.string(), daysSooner: z.number().int(), darkHoursMore: z.number() })),
  proven: z.boolean(),
})

export const loansCalculators = [
  calculator({
    name: 'loans.freeSlots',
    summary: 'every way to lend a kit for so many days: between its bookings, on open days',
    sources: ['definition; checked against trying every pair of days', 'ISO 8601 for weekdays'],
    input: z.strictObject({ ...deskDays, bookings, from: daySchema, until: daySchema, lengthDays }),
    output: z.object({ slots: z.array(spanSchema) }),
    run: (input) => ({ slots: [...freeSlots(input)] }),
  }),
  calculator({
    name: 'loans.plan',
    summary: 'who gets which kit when: more people sooner, nobody later than in the order of asking',
    sources: ['definition; checked against trying every plan on small cases'],
    input: planInputSchema,
    output: planSchema,
    run: (input) => planLoans(input) as LoanPlan as z.infer<typeof planSchema>,
    heavy: true,
  }),
] as const
