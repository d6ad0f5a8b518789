import { judgeReadiness, type Judgement } from '@binoculum/core'
import type { z } from 'zod'
import { calculator } from './calculator.ts'
import { judgeInputSchema, judgementSchema } from '../readiness.ts'

export const readinessCalculators = [
  calculator({
    name: 'readiness.judge',
    summary: 'whether a kit may go out, and every reason why not',
    sources: ['common practice of lending programmes, no source'],
    input: judgeInputSchema,
    output: judgementSchema,
    run: (input) => judgeReadiness(input) as Judgement as z.infer<typeof judgementSchema>,
  }),
] as const
