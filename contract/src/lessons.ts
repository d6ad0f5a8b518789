import { z } from 'zod'

/** The mini-lesson of a kit that is promised. Its link is told once, to whoever makes it. */
export const lessonLinkSchema = z.object({ lessonPath: z.string() })
export type LessonLink = z.infer<typeof lessonLinkSchema>
