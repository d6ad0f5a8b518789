import { borrowerLevels, families } from '@binoculum/core'
import { z } from 'zod'
import { planInputSchema } from './calculators/loans.ts'
import { daySchema } from './days.ts'
import { borrowerGivenSchema, idempotencyKeySchema } from './loans.ts'
import { idSchema } from './people.ts'

const familyKeys = Object.keys(families) as [keyof typeof families, ...(keyof typeof families)[]]
const kindSchema = z.enum(familyKeys)

export const waitingRequestSchema = z.object({
  id: idSchema,
  borrower: z.string(),
  contact: z.string(),
  /** Their practice with a telescope; null where nobody asked. */
  level: z.enum(borrowerLevels).nullable(),
  askedAtUtc: z.string(),
  kinds: z.array(kindSchema),
  earliestOn: z.string(),
  latestOn: z.string(),
  lengthDays: z.number().int(),
  wantsDark: z.boolean(),
  note: z.string(),
  state: z.enum(['waiting', 'offered']),
  offer: z
    .object({
      loanId: idSchema,
      kitName: z.string(),
      kitCode: z.string(),
      fromOn: z.string(),
      untilOn: z.string(),
      endsAtUtc: z.string(),
    })
    .nullable(),
  version: z.number().int(),
})
export type WaitingRequest = z.infer<typeof waitingRequestSchema>

/** Who waits at a branch, in the order of asking, and all that a plan is made of. */
export const waitingListSchema = z.object({
  branchId: idSchema,
  zone: z.string(),
  today: z.string(),
  loanDays: z.number().int(),
  longestLoanDays: z.number().int(),
  requests: z.array(waitingRequestSchema),
  kits: z.array(
    z.object({ id: idSchema, code: z.string(), name: z.string(), modelName: z.string(), family: kindSchema }),
  ),
  plan: planInputSchema,
})
export type WaitingList = z.infer<typeof waitingListSchema>

export const askForKitSchema = z
  .object({
    idempotencyKey: idempotencyKeySchema,
    borrower: borrowerGivenSchema,
    kinds: z.array(kindSchema).min(1, 'choose one kind at least'),
    earliestOn: daySchema,
    latestOn: daySchema,
    lengthDays: z.number().int().min(1).max(366),
    wantsDark: z.boolean(),
    note: z.string().trim().max(300).default(''),
  })
  .refine(({ earliestOn, latestOn }) => earliestOn <= latestOn, {
    path: ['latestOn'],
    message: 'must not lie before the first day',
  })
export type AskForKit = z.infer<typeof askForKitSchema>

export const offerKitSchema = z.object({
  idempotencyKey: idempotencyKeySchema,
  version: z.number().int(),
  kitId: idSchema,
  fromOn: daySchema,
  untilOn: daySchema,
})
export type OfferKit = z.infer<typeof offerKitSchema>

export const offerAnswers = ['yes', 'no', 'later'] as const
/** *yes* keeps the promise, *later* waits on in the same place, *no* ends the waiting. */
export const answerOfferSchema = z.object({ version: z.number().int(), answer: z.enum(offerAnswers) })
export type AnswerOffer = z.infer<typeof answerOfferSchema>
