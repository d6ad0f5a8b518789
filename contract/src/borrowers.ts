import { borrowerLevels, reminderLanguages } from '@binoculum/core'
import { z } from 'zod'
import { idSchema } from './people.ts'

export const borrowerLoanSchema = z.object({
  id: idSchema,
  code: z.string(),
  kitCode: z.string(),
  kitName: z.string(),
  state: z.enum(['promised', 'out', 'back', 'cancelled']),
  fromOn: z.string(),
  untilOn: z.string(),
  backOn: z.string().nullable(),
  daysLate: z.number().int(),
  /** Parts that were missing when it came back. */
  missing: z.array(z.string()),
})

/** Newest first, a page at a time. */
export const borrowerLoansSchema = z.object({
  loans: z.array(borrowerLoanSchema),
  /** What to ask for the loans before these; null where there are none. */
  next: z.string().nullable(),
})
export type BorrowerLoans = z.infer<typeof borrowerLoansSchema>

/** All that is known of a borrower; who looked at it is on record. */
export const borrowerSheetSchema = z.object({
  id: idSchema,
  branchId: idSchema,
  branchName: z.string(),
  name: z.string(),
  contact: z.string(),
  cardNumber: z.string(),
  language: z.enum(reminderLanguages),
  level: z.enum(borrowerLevels).nullable(),
  /** Their branch keeps card numbers only. */
  cardOnly: z.boolean(),
  /** When name and contact were taken out; null while they are known. */
  unlinkedAtUtc: z.string().nullable(),
  /** The day from which on they will be taken out, as things stand; null while something is open. */
  unlinksOn: z.string().nullable(),
  ...borrowerLoansSchema.shape,
  waits: z.number().int(),
})
export type BorrowerSheet = z.infer<typeof borrowerSheetSchema>

export const changeBorrowerSchema = z.object({
  /** Left out where the branch keeps card numbers only. */
  name: z.string().trim().min(1, 'must not be empty').max(200).optional(),
  contact: z.string().trim().min(3, 'must be a telephone number or a mail address').max(200).optional(),
  cardNumber: z.string().trim().max(50),
  language: z.enum(reminderLanguages),
  level: z.enum(borrowerLevels).nullable().optional(),
})
export type ChangeBorrower = z.infer<typeof changeBorrowerSchema>

export const DEFAULT_UNLINK_DAYS = 30
export const unlinkingSchema = z.object({
  unlinkDays: z.number().int().min(1, 'one day at least').max(3650, 'ten years at most'),
  /** Only card numbers are kept, no names and no contacts. Those that are known are taken out at once. */
  cardOnly: z.boolean(),
})
export type Unlinking = z.infer<typeof unlinkingSchema>
export const unlinkingsSchema = z.object({
  branches: z.array(
    unlinkingSchema.extend({
      branchId: idSchema,
      branchName: z.string(),
      mayChange: z.boolean(),
      /** Borrowers whose name is known. */
      names: z.number().int(),
      /** Those of them without a card: they keep their names until everything of theirs is closed. */
      namesWithoutCard: z.number().int(),
    }),
  ),
})
export type Unlinkings = z.infer<typeof unlinkingsSchema>

/** What stands where a name would, at a branch that keeps card numbers only. */
export const cardName = (cardNumber: string): string => `card ${cardNumber}`

/** What a card directory tells about one card. */
export const directoryCardSchema = z.object({
  cardNumber: z.string().min(1).max(50),
  name: z.string().trim().min(1).max(200),
  contact: z.string().trim().max(200).default(''),
  language: z.enum(reminderLanguages).catch('en'),
  /** The last day on which the card is good; null where it has none. */
  validUntil: z.iso.date().nullable().default(null),
})

export const cardAnswerSchema = z.object({
  /** `silent`: it didn't answer in time, or said what can't be read. Nothing waits for it. */
  state: z.enum(['good', 'expired', 'unknown', 'silent']),
  /** Null unless the card is known, and where the branch keeps no names. */
  person: directoryCardSchema.pick({ name: true, contact: true, language: true }).nullable(),
  validUntil: z.string().nullable(),
})
export type CardAnswer = z.infer<typeof cardAnswerSchema>
