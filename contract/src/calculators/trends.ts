import { forecastDrift } from '@binoculum/core'
import { z } from 'zod'
import { calculator } from './calculator.ts'

const mm = z.number().min(-1000).max(1000)
const drifted = z.union([
  z.strictObject({ x: mm, y: mm }),
  z.strictObject({ lengthMm: z.number().nonnegative().max(1000) }),
])
const chance = z.number().gt(0, 'a chance above 0').lt(1, 'a chance below 1')

export const driftForecastSchema = z.object({
  chanceBeyondLimit: z.number().nullable(),
  expectedMm: z.number().nullable(),
  sigmaPerLoanMm: z.number().nullable(),
  loansUntilDue: z.number().int().nullable(),
  basis: z.object({
    kind: z.enum(['none', 'own', 'model', 'both']),
    pairs: z.number().int(),
    loans: z.number().int(),
    lengthsOnly: z.number().int(),
  }),
})

export const trendsCalculators = [
  calculator({
    name: 'trends.forecast',
    summary: 'how likely a kit comes back beyond its limit, from what was left and found before',
    sources: [
      'A. Gelman et al., Bayesian Data Analysis, 3rd ed., 2.6 and 3.5 (from memory)',
      'checked by simulation, and against Rayleigh’s and Rice’s distributions',
    ],
    input: z.strictObject({
      history: z
        .array(
          z.strictObject({
            asFoundMm: drifted,
            asLeftMm: drifted,
            loans: z.number().int().min(1).max(1000).optional(),
          }),
        )
        .max(5000),
      now: z.strictObject({ asLeftMm: drifted, loansSince: z.number().int().min(0).max(1000) }),
      limitMm: z.number().positive().max(1000),
      prior: z
        .strictObject({ sigmaMm: z.number().positive().max(1000), weight: z.number().min(0).max(1e9) })
        .optional(),
      dueChance: chance.optional(),
    }),
    output: driftForecastSchema,
    run: forecastDrift,
  }),
]
