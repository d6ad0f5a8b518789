import { z } from 'zod'
import { daySchema } from './days.ts'
import { borrowerGivenSchema, idempotencyKeySchema, otherKitSchema } from './loans.ts'
import { idSchema } from './people.ts'

/** A kit's days as they are asked for: pick-up and return. */
const askedDays = { kitId: idSchema, fromOn: daySchema, untilOn: daySchema }

export const promiseSchema = z.object({
  idempotencyKey: idempotencyKeySchema,
  ...askedDays,
  /** By the branch's own clock; left out, when it begins to hand out. */
  pickUpTime: z
    .string()
    .regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time such as 17:00')
    .optional(),
  borrower: borrowerGivenSchema,
})
export type PromiseKit = z.infer<typeof promiseSchema>

export const movePromiseSchema = z.object({
  idempotencyKey: idempotencyKeySchema,
  loanVersion: z.number().int(),
  ...askedDays,
})
export type MovePromise = z.infer<typeof movePromiseSchema>

export const cancelPromiseSchema = z.object({
  idempotencyKey: idempotencyKeySchema,
  loanVersion: z.number().int(),
  reason: z.string().trim().min(3, 'say in a few words why').max(500),
})
export type CancelPromise = z.infer<typeof cancelPromiseSchema>

export const extendLoanSchema = z.object({
  idempotencyKey: idempotencyKeySchema,
  loanVersion: z.number().int(),
  untilOn: daySchema,
})
export type ExtendLoan = z.infer<typeof extendLoanSchema>

export const promiseMadeSchema = z.object({ loanId: idSchema, loanCode: z.string(), version: z.number().int() })
export type PromiseMade = z.infer<typeof promiseMadeSchema>

const slotSchema = z.object({ from: z.string(), until: z.string() })
/** What stands in the way of the days that were asked for, and what would do instead. */
export const takenSchema = z.object({
  taken: z.array(
    z.object({
      loanId: idSchema,
      loanCode: z.string(),
      borrower: z.string(),
      state: z.enum(['promised', 'out']),
      fromOn: z.string(),
      untilOn: z.string(),
      /** The first day on which the next one may have the kit. */
      freeOn: z.string(),
      version: z.number().int(),
    }),
  ),
  /** The same kit, for as many days, soonest first. */
  nearest: z.array(slotSchema),
  /** Other kits of the kind that are free then, the same model first. */
  others: z.array(otherKitSchema),
})
export type Taken = z.infer<typeof takenSchema>
