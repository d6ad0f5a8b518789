import { nightStops } from '@binoculum/core'
import { z } from 'zod'

const targetKey = z.string().regex(/^[a-z0-9-]{1,60}$/, 'the key of something to look at')

/** One evening as a borrower tells it: what was looked for, what of it was seen, and where it stopped. */
export const nightToldSchema = z
  .strictObject({
    date: z.iso.date(),
    tried: z.array(targetKey).max(60),
    saw: z.array(targetKey).max(60),
    /** A step of the set-up by its key, or what else ended it; null: nothing did. */
    stop: z.union([z.enum(nightStops), z.string().max(60)]).nullable(),
  })
  .refine(({ tried, saw }) => saw.every((each) => tried.includes(each)), {
    path: ['saw'],
    message: 'what was seen was looked for too',
  })
export type NightTold = z.infer<typeof nightToldSchema>

/** What the borrowers of a model told: counts only, so nobody knows who told what. */
export const firstNightsSchema = z.object({
  modelName: z.string(),
  nights: z.number().int(),
  targets: z.array(z.object({ key: z.string(), name: z.string(), tried: z.number().int(), saw: z.number().int() })),
  stops: z.array(z.object({ key: z.string(), title: z.string(), nights: z.number().int() })),
})
export type FirstNights = z.infer<typeof firstNightsSchema>
