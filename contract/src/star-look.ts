import { z } from 'zod'
import { idSchema } from './people.ts'

/** A lens or closed tube by a star out of focus, from a picture: shares of the disc’s radius, and short ÷ long axis. */
export const starLookSchema = z.object({
  ringOffset: z.number().min(0).max(1),
  axisRatio: z.number().min(0).max(1),
  verdict: z.enum(['fit', 'watch', 'workshop']),
  pictureId: idSchema.nullable().default(null),
})
export type StarLook = z.infer<typeof starLookSchema>
