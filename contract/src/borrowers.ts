import { reminderLanguages } from '@binoculum/core'
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

/** All that is known of a borrower; who looked at it is on record. */
export const borrowerSheetSchema = z.object({
  id: idSchema,
  branchId: idSchema,
  branchName: z.string(),
  name: z.string(),
  contact: z.string(),
  cardNumber: z.string(),
  language: z.enum(reminderLanguages),
  /** When name and contact were taken out; null while they are known. */
  unlinkedAtUtc: z.string().nullable(),
  /** The day from which on they will be taken out, as things stand; null while something is open. */
  unlinksOn: z.string().nullable(),
  loans: z.array(borrowerLoanSchema),
  /** More than these there are. */
  moreLoans: z.boolean(),
  waits: z.number().int(),
})
export type BorrowerSheet = z.infer<typeof borrowerSheetSchema>

export const changeBorrowerSchema = z.object({
  name: z.string().trim().min(1, 'must not be empty').max(200),
  contact: z.string().trim().min(3, 'must be a telephone number or a mail address').max(200),
  cardNumber: z.string().trim().max(50),
  language: z.enum(reminderLanguages),
})
export type ChangeBorrower = z.infer<typeof changeBorrowerSchema>

export const DEFAULT_UNLINK_DAYS = 30
export const unlinkingSchema = z.object({
  unlinkDays: z.number().int().min(1, 'one day at least').max(3650, 'ten years at most'),
})
export const unlinkingsSchema = z.object({
  branches: z.array(
    z.object({ branchId: idSchema, branchName: z.string(), mayChange: z.boolean(), unlinkDays: z.number().int() }),
  ),
})
export type Unlinkings = z.infer<typeof unlinkingsSchema>
