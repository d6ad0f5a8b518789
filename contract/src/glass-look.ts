import { cleaningWays, glassGrades } from '@binoculum/core'
import { z } from 'zod'
import { idSchema } from './people.ts'

const grade = z.enum(glassGrades)
/** Glass by torch: a short scale, a picture where there is one, and its cleaning. */
export const glassLookSchema = z.object({
  dust: grade,
  fungus: grade,
  scratches: grade,
  coating: grade,
  cleaned: z.object({ how: z.enum(cleaningWays), why: z.string().trim().min(1, 'say why').max(200) }).nullable(),
  pictureId: idSchema.nullable().default(null),
})
export type GlassLook = z.infer<typeof glassLookSchema>

/** Newest first; and every cleaning there was. */
export const glassLooksSchema = z.object({
  looks: z.array(glassLookSchema.extend({ atUtc: z.string(), by: z.string() })),
  cleanings: z.array(z.object({ how: z.enum(cleaningWays), why: z.string(), atUtc: z.string(), by: z.string() })),
})
export type GlassLooks = z.infer<typeof glassLooksSchema>
