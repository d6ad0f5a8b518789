import { explainWeight } from '@binoculum/core'
import type { z } from 'zod'
import { calculator } from './calculator.ts'
import { explainWeightSchema, weightExplainedSchema } from '../weighing.ts'

export const contentsCalculators = [
  calculator({
    name: 'contents.explainWeight',
    summary: 'what is missing, exchanged or too many in a kit, from its weight, with probabilities',
    sources: [
      'conditional normal distribution, Anderson 1958, theorem 2.5.1 (from memory)',
      'checked by brute force',
    ],
    input: explainWeightSchema,
    output: weightExplainedSchema,
    run: (input) => explainWeight(input) as z.infer<typeof weightExplainedSchema>,
    heavy: true,
  }),
] as const
