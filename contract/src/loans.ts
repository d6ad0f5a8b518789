import { borrowerLevels, cleanAnswers, outcomes } from '@binoculum/core'
import { z } from 'zod'
import { daySchema } from './days.ts'
import { guideWishesSchema } from './guides.ts'
import { foundExtraSchema, kitSheetSchema } from './kits.ts'
import { recordLineSchema } from './record.ts'
import { idSchema } from './people.ts'
import { conditionSchema, markSchema, reasonSchema } from './readiness.ts'
import { lookAlikeSchema, takenWeighingSchema } from './weighing.ts'

export const outcomeSchema = z.enum(outcomes)
export const idempotencyKeySchema = z.uuid()

export const deskLoanSchema = z.object({
  id: idSchema,
  code: z.string(),
  branchId: idSchema,
  kitCode: z.string(),
  kitName: z.string(),
  modelName: z.string(),
  borrower: z.string(),
  state: z.enum(['promised', 'out']),
  atUtc: z.string(),
  daysLate: z.number(),
})
/** A kit that came back and waits at the desk to be gone through. */
export const waitingKitSchema = z.object({
  branchId: idSchema,
  loanId: idSchema,
  kitCode: z.string(),
  kitName: z.string(),
  modelName: z.string(),
  unseen: z.number().int(),
  parts: z.number().int(),
  backAtUtc: z.string(),
})
export type WaitingKit = z.infer<typeof waitingKitSchema>
/** A kit on the shelf that could go out now. */
export const lendableKitSchema = z.object({
  id: idSchema,
  branchId: idSchema,
  code: z.string(),
  name: z.string(),
  modelName: z.string(),
  condition: conditionSchema,
  nextUtc: z.string().nullable(),
})
export type LendableKit = z.infer<typeof lendableKitSchema>

export const deskSchema = z.object({
  toGoThrough: z.array(waitingKitSchema),
  handOuts: z.array(deskLoanSchema.extend({ condition: conditionSchema, reasons: z.array(reasonSchema) })),
  takeBacks: z.array(deskLoanSchema),
  /** Out, and due later than today; the first to come back on top. */
  outLater: z.array(deskLoanSchema),
  /** The first few that this person may hand out now. */
  lendable: z.array(lendableKitSchema),
})
export type Desk = z.infer<typeof deskSchema>
export type DeskLoan = z.infer<typeof deskLoanSchema>

export const borrowerSchema = z.object({
  id: idSchema,
  name: z.string(),
  contact: z.string(),
  cardNumber: z.string(),
  loansBefore: z.number().int(),
  /** Where they are known; a borrower of the programme may borrow anywhere in it. */
  branchName: z.string(),
  /** What was last known of their practice; null where nobody has asked. */
  level: z.enum(borrowerLevels).nullable(),
})
export type Borrower = z.infer<typeof borrowerSchema>
export const borrowersFoundSchema = z.object({
  borrowers: z.array(borrowerSchema),
  /** The branch keeps card numbers only: somebody new is a card, without name and contact. */
  cardOnly: z.boolean(),
  /** There is a directory that can be asked for a card. */
  hasDirectory: z.boolean(),
})

export type BorrowersFound = z.infer<typeof borrowersFoundSchema>

export const agreementSchema = z.object({ id: idSchema, version: z.number().int(), text: z.string() })

/** Another kit of the kind that is free on the same days. */
export const otherKitSchema = z.object({
  id: idSchema,
  code: z.string(),
  name: z.string(),
  modelName: z.string(),
  sameModel: z.boolean(),
})

export const handOutFormSchema = z.object({
  kit: kitSheetSchema,
  agreement: agreementSchema,
  sunWarning: z.array(z.string()),
  dueOn: z.string(),
  returnTime: z.string(),
  /** The next promise, where it lies within a usual loan. */
  promised: z
    .object({
      loanId: idSchema,
      borrower: borrowerSchema,
      atUtc: z.string(),
      fromOn: z.string(),
      lessonDoneAtUtc: z.string().nullable(),
      /** The last open day on which somebody else may bring it back before; null where there is no time. */
      freeUntilOn: z.string().nullable(),
      others: z.array(otherKitSchema),
    })
    .nullable(),
  replacementMinor: z.number().int(),
})
export type HandOutForm = z.infer<typeof handOutFormSchema>

export const cardNumberSchema = z.string().trim().min(1, 'type the number of the card').max(50)

/** Somebody known, somebody new, or, where a branch keeps no names, a card. */
export const borrowerGivenSchema = z.union([
  z.object({ id: idSchema }),
  z.object({
    name: z.string().trim().min(1, 'must not be empty').max(200),
    contact: z.string().trim().min(3, 'must be a telephone number or a mail address').max(200),
    cardNumber: z.string().trim().max(50).default(''),
  }),
  // Strict, so that a name that was left empty is never taken for one that isn't kept.
  z.strictObject({ cardNumber: cardNumberSchema }),
])

export const handOutSchema = z.object({
  idempotencyKey: idempotencyKeySchema,
  kitVersion: z.number().int(),
  promisedLoanId: idSchema.nullable(),
  borrower: borrowerGivenSchema,
  adultSeen: z.literal(true, 'an adult must be seen'),
  sunAcknowledged: z.literal(true, 'the Sun warning must be read out and understood'),
  agreementId: idSchema,
  acceptance: z.enum(['screen', 'paper']),
  contentsAgreed: z.literal(true, 'the contents must be agreed on'),
  /** Held against a lamp: no pinhole. Asked for where a front filter goes out. */
  filterChecked: z.boolean().default(false),
  dueOn: daySchema,
  overruleReason: z.string().trim().max(500).default(''),
  guide: guideWishesSchema.default(() => guideWishesSchema.parse({})),
})
export type HandOut = z.infer<typeof handOutSchema>

export const slipSchema = z.object({
  loanId: idSchema,
  loanCode: z.string(),
  kitCode: z.string(),
  kitName: z.string(),
  modelName: z.string(),
  branchName: z.string(),
  borrower: z.string(),
  outAtUtc: z.string(),
  dueAtUtc: z.string(),
  zone: z.string(),
  partCount: z.number().int(),
  massG: z.number(),
  eyepieces: z.array(z.string()),
  notes: z.array(z.string()),
  /** Shown once: only its hash is kept. Null when the slip is printed again. */
  guidePath: z.string().nullable(),
})
export type Slip = z.infer<typeof slipSchema>

export const partMarkSchema = z.object({
  partId: idSchema,
  mark: markSchema,
  presentCount: z.number().int().nonnegative(),
  note: z.string().max(500).default(''),
  wrongItem: z.string().max(120).default(''),
  pictureIds: z.array(idSchema).max(4).default([]),
})
export type PartMark = z.infer<typeof partMarkSchema>

export const answersSchema = z.object({
  whatDidNotWork: z.string().max(1000),
  dropped: z.boolean(),
  wet: z.boolean(),
  insectsOrSmoke: z.boolean().default(cleanAnswers.insectsOrSmoke),
  glassWhole: z.boolean(),
  focuserSmooth: z.boolean().default(cleanAnswers.focuserSmooth),
  batteryDoorShut: z.boolean(),
  packCharged: z.boolean().default(cleanAnswers.packCharged),
  sunFilterFound: z.boolean(),
  laserFound: z.boolean().default(cleanAnswers.laserFound),
})

/** What the borrower said about a missing coin cell. Swallowed it burns within two hours, so it is asked at once. */
export const cellAnswerSchema = z.object({
  whereIsIt: z.string().trim().min(3, 'write what the borrower said').max(500),
  couldAChildHaveIt: z.enum(['no', 'not-sure', 'yes']),
  spokeTo: z.string().trim().min(2, 'write whom you spoke to').max(120),
})
export type CellAnswer = z.infer<typeof cellAnswerSchema>

export const takeBackSchema = z.object({
  idempotencyKey: idempotencyKeySchema,
  loanVersion: z.number().int(),
  marks: z.array(partMarkSchema),
  answers: answersSchema,
  outcome: outcomeSchema,
  outcomeReason: z.string().trim().max(500).default(''),
  weighings: z.array(takenWeighingSchema).max(20).default([]),
  cellAnswer: cellAnswerSchema.nullable().default(null),
  extras: z.array(foundExtraSchema).max(20).default([]),
})
export type TakeBack = z.infer<typeof takeBackSchema>

export const takeBackFormSchema = z.object({
  loan: z.object({
    id: idSchema,
    code: z.string(),
    state: z.enum(['promised', 'out', 'back', 'cancelled']),
    borrower: z.string(),
    contact: z.string(),
    outAtUtc: z.string().nullable(),
    dueAtUtc: z.string().nullable(),
    daysLate: z.number(),
    version: z.number().int(),
  }),
  kit: kitSheetSchema,
  /** What was written down when it came back, where it did; for putting it right. */
  kept: z
    .object({ marks: z.array(partMarkSchema), outcome: outcomeSchema, by: z.string(), atUtc: z.string() })
    .nullable(),
  /** Whether the kit has been out again since, so that only this loan's own record can still be put right. */
  isLatest: z.boolean(),
  lookAlikes: z.array(lookAlikeSchema),
  /** Chance that one piece of each part is gone after a loan, from what really happened. */
  lossChances: z.record(idSchema, z.number()),
})
export type TakeBackForm = z.infer<typeof takeBackFormSchema>

export const takeBackResultSchema = z.object({
  loanId: idSchema,
  kitCode: z.string(),
  proposed: outcomeSchema,
  outcome: outcomeSchema,
  condition: z.enum(['full', 'half', 'crescent', 'new']),
})

/** What a 409 carries when another desk was first: the other desk's version, beside the one just sent. */
export const takeBackConflictSchema = z.object({
  theirs: z.object({
    by: z.string(),
    atUtc: z.string(),
    outcome: outcomeSchema,
    marks: z.array(partMarkSchema),
  }),
  yours: z.object({ outcome: outcomeSchema, marks: z.array(partMarkSchema) }),
  loanVersion: z.number().int(),
})
export type TakeBackConflict = z.infer<typeof takeBackConflictSchema>

export const correctTakeBackSchema = z.object({
  idempotencyKey: idempotencyKeySchema,
  loanVersion: z.number().int(),
  marks: z.array(partMarkSchema),
  /** Where it goes now that more is known; left out, it stays where it went. */
  outcome: outcomeSchema.optional(),
  outcomeReason: z.string().trim().max(500).default(''),
  cellAnswer: cellAnswerSchema.nullable().default(null),
  extras: z.array(foundExtraSchema).max(20).default([]),
})
export type CorrectTakeBack = z.infer<typeof correctTakeBackSchema>

/** What was written down wrongly when a kit went out. Whatever is left out stays. */
export const correctHandOutSchema = z.object({
  idempotencyKey: idempotencyKeySchema,
  loanVersion: z.number().int(),
  dueOn: daySchema.optional(),
  borrower: borrowerGivenSchema.optional(),
  /** It never left: the loan is cancelled and its link ends. */
  neverLeft: z.literal(true).optional(),
  reason: z.string().trim().min(3, 'say in a few words what was wrong').max(500),
})
export type CorrectHandOut = z.infer<typeof correctHandOutSchema>

/** One loan as its page shows it. */
export const loanSheetSchema = z.object({
  id: idSchema,
  code: z.string(),
  branchId: idSchema,
  branchName: z.string(),
  zone: z.string(),
  kitCode: z.string(),
  kitName: z.string(),
  state: z.enum(['promised', 'out', 'back', 'cancelled']),
  borrower: borrowerSchema,
  /** As it is or was promised. */
  fromOn: z.string(),
  untilOn: z.string(),
  outAtUtc: z.string().nullable(),
  dueAtUtc: z.string().nullable(),
  backAtUtc: z.string().nullable(),
  lessonDoneAtUtc: z.string().nullable(),
  daysLate: z.number(),
  version: z.number().int(),
  isLatest: z.boolean(),
  history: z.array(recordLineSchema),
})
export type LoanSheet = z.infer<typeof loanSheetSchema>
