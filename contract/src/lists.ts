import { modelUnknowns, listFields, type ListField } from '@binoculum/core'
import { z } from 'zod'
import { idSchema } from './people.ts'
import { criticalitySchema, familySchema, roleSchema } from './readiness.ts'

const fieldSchema = z.enum(Object.keys(listFields) as [ListField, ...ListField[]])
const columnMapSchema = z.partialRecord(fieldSchema, z.number().int().nonnegative().nullable())

/** A file as it lies on the disk, in base64, so that its own encoding and line ends arrive untouched. */
const fileFields = {
  fileName: z.string().max(255),
  contentBase64: z.base64().max(16_000_000, 'the file is larger than 12 MB'),
  columns: columnMapSchema.optional(),
  branchId: idSchema,
  /** Answers to the questions of an earlier preview, by their keys. */
  decisions: z.record(z.string().max(300), z.string().max(60)).default({}),
  /** Cells that can’t be read stay open; else their rows stay out. */
  openCells: z.boolean().default(false),
}

export const previewListSchema = z.object(fileFields)

export const listedPartSchema = z.object({
  line: z.number().int(),
  name: z.string(),
  role: roleSchema,
  confidence: z.number(),
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
  /** Lines above the headings that are left out. */
  titleLines: z.number().int(),
  filledDown: z.boolean(),
  /** Columns are those remembered from an earlier list with the same headings. */
  columnsRemembered: z.boolean(),
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
      /** new: comes in · changes, same: is here already · elsewhere: another branch uses the code. */
      state: z.enum(['new', 'changes', 'same', 'elsewhere']),
      changes: z.array(z.string()),
      held: z.boolean(),
      partCount: z.number().int(),
    }),
  ),
  spares: z.number().int(),
  words: z.array(
    z.object({
      word: z.string(),
      role: roleSchema,
      confidence: z.number(),
      rows: z.number().int(),
      decided: z.boolean(),
    }),
  ),
  questions: z.array(
    z.object({
      key: z.string(),
      title: z.string(),
      why: z.string(),
      line: z.number().int(),
      answers: z.array(z.object({ value: z.string(), words: z.string() })),
      answer: z.string().nullable(),
    }),
  ),
  problems: z.array(z.object({ line: z.number().int(), field: fieldSchema, sentence: z.string() })),
})
export type ListPreview = z.infer<typeof listPreviewSchema>

export const confirmListSchema = z.object({
  ...fileFields,
  leaveOutProblemRows: z.boolean(),
  kits: z
    .array(
      z.object({
        code: z.string(),
        name: z.string().trim().min(1, 'must not be empty').max(200),
        family: familySchema,
        apertureMm: z.number().positive().max(2000),
        focalLengthMm: z.number().positive().max(20_000),
        /** What of this nobody said: left as the list seemed to mean it. */
        guessed: z.array(z.enum(modelUnknowns)).max(modelUnknowns.length).default([]),
      }),
    )
    .min(1, 'choose one kit at least'),
})
export type ConfirmList = z.infer<typeof confirmListSchema>

/** What comes back while a list is brought in, one JSON object a line: how far it is, then what came of it. */
export const importLineSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('progress'), done: z.number().int(), total: z.number().int() }),
  z.object({
    kind: z.literal('done'),
    kitCodes: z.array(z.string()),
    partCount: z.number().int(),
    updated: z.array(z.string()),
    same: z.array(z.string()),
    spares: z.number().int(),
    failed: z.array(z.object({ code: z.string(), message: z.string() })),
  }),
])
export type ImportLine = z.infer<typeof importLineSchema>
export type ImportResult = Extract<ImportLine, { kind: 'done' }>
