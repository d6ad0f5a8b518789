import { readingGrade, readingLanguages } from '@binoculum/core'
import { z } from 'zod'
import { calculator } from './calculator.ts'

export const guidesCalculators = [
  calculator({
    name: 'guides.readingGrade',
    summary: 'how hard a block of a guide is to read',
    sources: ['Kincaid et al. 1975', 'Szigriszt Pazos 1993', 'syllables of English: the package syllable (MIT)'],
    input: z.strictObject({ text: z.string().max(20_000), language: z.enum(readingLanguages) }),
    output: z.object({ grade: z.number(), sentences: z.number().int(), longest: z.number().int() }),
    run: ({ text, language }) => readingGrade(text, language),
  }),
] as const
