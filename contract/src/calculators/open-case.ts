import { comparePictures } from '@binoculum/core'
import { z } from 'zod'
import { calculator } from './calculator.ts'
import { pictureSchema, positive } from './shapes.ts'

const point = z.union([
  z.strictObject({ x: z.number(), y: z.number() }),
  z.tuple([z.number(), z.number()]).transform(([x, y]) => ({ x, y })),
])
const mark = z.tuple([point, point, point, point]).optional()
/** Corners of the 46 mm squares in the picture, clockwise from each mark’s own top left; read from it where they aren’t given. */
const marks = z.strictObject({
  kitCode: z.string().nullable().optional(),
  insetMm: z.number().nonnegative().optional(),
  ...{ TL: mark, TR: mark, BR: mark, BL: mark },
})

export const openCaseCalculators = [
  calculator({
    name: 'contents.compareCase',
    summary: 'which compartments of the open case differ from how it looked when it was complete',
    sources: ['checked against rendered cases of known truth', 'Hartley & Zisserman §4.1, §8.8 (from memory)'],
    input: z.strictObject({
      reference: z.strictObject({
        images: z.array(pictureSchema).min(3, 'three pictures of the complete case at least').max(8),
        marks: z.array(marks),
        compartments: z
          .array(z.strictObject({ id: z.string().min(1).max(80), outlineMm: z.array(point).min(3).max(40) }))
          .min(1)
          .max(80),
        caseMm: z.strictObject({ width: positive, height: positive }),
      }),
      image: pictureSchema,
      marks,
    }),
    output: z.object({
      compartments: z.array(
        z.object({
          id: z.string(),
          verdict: z.enum(['same', 'different', 'can’t-tell']),
          chanceDifferent: z.number(),
        }),
      ),
      refused: z
        .enum(['no-marks', 'other-case', 'mirrored', 'slanted', 'too-small', 'too-dark', 'marks-off', 'kept-before'])
        .nullable(),
      warnings: z.array(z.enum(['mark-missing', 'glare', 'covered'])),
    }),
    run: (input) => {
      const { compartments, refused, warnings } = comparePictures(input)
      return { compartments: [...compartments], refused, warnings: [...warnings] }
    },
    heavy: true,
    pictures: ['reference.images', 'image'],
    caseMarks: true,
  }),
] as const
