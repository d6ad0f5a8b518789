import { listFields, type ListField } from '@binoculum/core'
import { z } from 'zod'
import { idSchema } from './people.ts'
import { criticalitySchema, familySchema, roleSchema } from './readiness.ts'

const fieldSchema = z.enum(Object.keys(listFields) as [ListField, ...ListField[]])
const columnMapSchema = z.record(fieldSchema, z.number().int().nonnegative().nullable())

/** A file as it lies on the disk, in base64, so that its own encoding and line ends arrive untouched. */
const fileFields = {
  fileName: z.string().max(255),
  contentBase64: z.base64().max(4_000_000, 'the file is larger than 3 MB'),
  columns: columnMapSchema.optional(),
}

export const previewListSchema = z.object(fileFields)

export const listedPartSchema = z.object({
  line: z.number().int(),
  name: z.string(),
  role: roleSchema,
  criticality: criticalitySchema,
  count: z.number().int(),
  massG: z.number().nullable(),
  place: z.string(),
  note: z.string(),
})

export const listPreviewSchema = z.object({
  delimiter: z.string(),
  decimal: z.enum(['.', ',']),
  header: z.array(z.string()),
  rows: z.array(z.object({ line: z.number().int(), cells: z.array(z.string()) })),
  rowCount: z.number().int(),
  columns: columnMapSchema,
  missingColumns: z.array(fieldSchema),
  kits: z.array(
    z.object({
      code: z.string(),
      name: z.string(),
      parts: z.array(listedPartSchema),
      massG: z.number(),
      proposedFamily: familySchema,
      proposedTube: z.object({ apertureMm: z.number(), focalLengthMm: z.number() }).nullable(),
      /** The kit's code is in use already; it can't come in under it. */
      codeTaken: z.boolean(),
    }),
  ),
  problems: z.array(z.object({ line: z.number().int(), sentence: z.string() })),
})
export type ListPreview = z.infer<typeof listPreviewSchema>

export const confirmListSchema = z.object({
  ...fileFields,
  idempotencyKey: z.uuid(),
  branchId: idSchema,
  leaveOutProblemRows: z.boolean(),
  kits: z
    .array(
      z.object({
        code: z.string(),
        name: z.string().trim().min(1, 'must not be empty').max(200),
        family: familySchema,
        apertureMm: z.number().positive().max(2000),
        focalLengthMm: z.number().positive().max(20_000),
      }),
    )
    .min(1, 'choose one kit at least'),
})
export type ConfirmList = z.infer<typeof confirmListSchema>

export const listResultSchema = z.object({ kitCodes: z.array(z.string()), partCount: z.number().int() })
