import { z } from 'zod'
import { idSchema } from './people.ts'

/** The open case, seen by a camera: where its compartments lie, and how it looked when it was complete. */

const px = z.object({ x: z.number().min(-20_000).max(40_000), y: z.number().min(-20_000).max(40_000) })
const corners = z.tuple([px, px, px, px])
/** The marks of one picture, in its px; `insetMm` is how far inside the mark's edge the corners lie. */
export const caseMarksSchema = z.object({
  kitCode: z.string().max(80).nullable(),
  insetMm: z.number().min(0).max(20),
  TL: corners.optional(),
  TR: corners.optional(),
  BR: corners.optional(),
  BL: corners.optional(),
})
export type CaseMarks = z.infer<typeof caseMarksSchema>

const mm = z.number().min(0).max(3000)
/** A compartment, and the line of the card that lies in it; null: nothing does. */
export const casePlaceSchema = z.object({
  id: idSchema,
  partId: idSchema.nullable(),
  outlineMm: z
    .array(z.object({ x: mm, y: mm }))
    .min(3)
    .max(40),
})
export type CasePlace = z.infer<typeof casePlaceSchema>

export const caseSizeSchema = z.object({
  width: z.number().min(100).max(3000),
  height: z.number().min(100).max(3000),
})
export const MOST_CASE_PLACES = 80
/** More pictures of the complete case say nothing new, and each is compared with. */
export const MOST_CASE_REFERENCES = 8

export const writeOpenCaseSchema = z.object({
  /** 0 where nothing was written yet. */
  version: z.number().int().min(0),
  caseMm: caseSizeSchema,
  places: z.array(casePlaceSchema).max(MOST_CASE_PLACES),
})
export type WriteOpenCase = z.infer<typeof writeOpenCaseSchema>

export const comparedPlaceSchema = z.object({
  id: idSchema,
  verdict: z.enum(['same', 'different', 'can’t-tell']),
  chanceDifferent: z.number().min(0).max(1),
})
export type ComparedPlace = z.infer<typeof comparedPlaceSchema>

/** A picture that is kept: of the complete case, or as it came back. Its id is the sender's, so that it is kept once. */
export const keepCaseViewSchema = z.object({
  id: idSchema,
  pictureId: idSchema,
  marks: caseMarksSchema,
  /** A reference for these places; null: for all. Empty: it is no reference. */
  referenceFor: z.array(idSchema).max(MOST_CASE_PLACES).nullable(),
  loanId: idSchema.nullable(),
  compared: z.array(comparedPlaceSchema).max(MOST_CASE_PLACES).nullable(),
})
export type KeepCaseView = z.infer<typeof keepCaseViewSchema>

export const caseViewSchema = z.object({
  id: idSchema,
  pictureId: idSchema,
  marks: caseMarksSchema,
  referenceFor: z.array(idSchema).nullable(),
  atUtc: z.string(),
  by: z.string(),
})
export type CaseView = z.infer<typeof caseViewSchema>

export const openCaseSchema = z.object({
  kitId: idSchema,
  kitCode: z.string(),
  kitName: z.string(),
  branchId: idSchema,
  zone: z.string(),
  version: z.number().int(),
  caseMm: caseSizeSchema.nullable(),
  places: z.array(casePlaceSchema),
  /** Lines of the card, in its order. */
  parts: z.array(z.object({ id: idSchema, number: z.number().int(), name: z.string(), place: z.string() })),
  /** Newest first. */
  references: z.array(caseViewSchema),
})
export type OpenCase = z.infer<typeof openCaseSchema>
