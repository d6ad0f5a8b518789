import { z } from 'zod'
import { idSchema } from './people.ts'

export const feedKinds = ['loans', 'kit'] as const

export const makeFeedSchema = z.object({
  kind: z.enum(feedKinds),
  /** Of which kit, where it is one kit's. */
  kitId: idSchema.nullable(),
})
export type MakeFeed = z.infer<typeof makeFeedSchema>

export const feedSchema = z.object({
  /** The beginning of its hash: enough to tell it from others, and opens nothing. */
  id: z.string(),
  kind: z.enum(feedKinds),
  kitCode: z.string().nullable(),
  kitName: z.string().nullable(),
  by: z.string(),
  madeAtUtc: z.string(),
})
export type Feed = z.infer<typeof feedSchema>
export const feedsSchema = z.object({ feeds: z.array(feedSchema) })
/** The address is shown once; only its hash is kept. */
export const feedMadeSchema = feedsSchema.extend({ path: z.string() })

/** Closings read from a calendar file, before anybody keeps them. */
export const closingsReadSchema = z.object({
  closings: z.array(z.object({ fromOn: z.string(), untilOn: z.string(), why: z.string() })),
  /** What was left out, and why. */
  leftOut: z.array(z.string()),
})
export type ClosingsRead = z.infer<typeof closingsReadSchema>
export const closingsFileSchema = z.object({
  text: z.string().min(1).max(1_000_000, 'a calendar file may have a megabyte at most'),
})
