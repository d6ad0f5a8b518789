import { z } from 'zod'
import { idSchema } from './people.ts'

/** Pictures of how a kit is packed: a place of its case, or the case at one step of putting away. */
export const packingSlotSchema = z.object({
  key: z.string(),
  kind: z.enum(['place', 'step']),
  title: z.string(),
  /** Null where nobody took one. */
  pictureId: idSchema.nullable(),
  words: z.string(),
})
export const packingSchema = z.object({
  kit: z.object({ id: idSchema, code: z.string(), name: z.string(), branchId: idSchema }),
  slots: z.array(packingSlotSchema),
  /** Pictures of places and steps that the kit has no more: renamed, or taken off its card. */
  left: z.array(z.object({ key: z.string(), title: z.string(), pictureId: idSchema, words: z.string() })),
})
export type Packing = z.infer<typeof packingSchema>
export type PackingLeft = Packing['left'][number]
export type PackingSlotView = z.infer<typeof packingSlotSchema>

export const keepPackingSchema = z.object({
  key: z.string().min(1).max(140),
  /** Null takes the picture off. */
  pictureId: idSchema.nullable(),
  words: z.string().trim().max(160, 'say it in 160 letters').default(''),
})
export type KeepPacking = z.infer<typeof keepPackingSchema>
