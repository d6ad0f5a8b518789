import { z } from 'zod'

const mm = z.number()
const fill = z.enum(['none', 'black', 'grey', 'white'])

/** One thing on a printed page, in millimetres; see core's printing room for what each means. */
export const pageItemSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('text'),
    x: mm,
    y: mm,
    sizeMm: mm,
    font: z.enum(['serif', 'serif-italic', 'sans', 'sans-bold']),
    text: z.string(),
    anchor: z.enum(['start', 'middle', 'end']),
  }),
  z.object({ kind: z.literal('line'), x1: mm, y1: mm, x2: mm, y2: mm, strokeMm: mm }),
  z.object({
    kind: z.literal('rect'),
    x: mm,
    y: mm,
    width: mm,
    height: mm,
    radius: mm,
    strokeMm: mm,
    fill,
  }),
  z.object({ kind: z.literal('circle'), x: mm, y: mm, r: mm, strokeMm: mm, fill }),
  z.object({ kind: z.literal('path'), d: z.string(), x: mm, y: mm, scaleX: mm, scaleY: mm, strokeMm: mm, fill }),
])

export const printedSchema = z.object({
  pages: z.array(z.object({ widthMm: mm, heightMm: mm, items: z.array(pageItemSchema) })),
})
export type Printed = z.infer<typeof printedSchema>

export const printKinds = ['kits', 'parts', 'pouches', 'cards', 'tapes', 'finders', 'case-marks', 'charging'] as const
export type PrintKind = (typeof printKinds)[number]

/** What is to be printed. Codes are parted by commas; a part's label is named CODE/NUMBER. */
export const printQuerySchema = z.object({
  kind: z.enum(printKinds),
  codes: z
    .string()
    .min(1, 'name one kit at least')
    .max(8000)
    .transform((text) => text.split(',').filter((code) => code !== ''))
    .pipe(z.array(z.string().max(80)).min(1, 'name one kit at least').max(400, 'at most 400 at once')),
  paper: z.enum(['a4', 'letter']).default('a4'),
  /** Cell of the first sheet to begin with. */
  first: z.coerce.number().int().min(1).max(60).default(1),
})
export type PrintQuery = z.infer<typeof printQuerySchema>
