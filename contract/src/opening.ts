import { z } from 'zod'
import { daySchema } from './days.ts'
import { idSchema } from './people.ts'

const hour = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time such as 17:00')
const days = (least: number, most: number) => {
  const words = `a whole number from ${least} to ${most}`
  return z.number(words).int(words).min(least, words).max(most, words)
}

/** When a branch hands out and takes back, and for how long and how far ahead it lends. */
export const openingFieldsSchema = z
  .object({
    /** Monday 1 … Sunday 7 [ISO 8601]. */
    openWeekdays: z.array(z.number().int().min(1).max(7)).min(1, 'choose one day of the week at least').max(7),
    pickUpFrom: hour,
    pickUpUntil: hour,
    /** Days between two loans of a kit, at least; where a model usually needs more, it gets more. */
    turnaroundDays: days(0, 30),
    longestLoanDays: days(1, 366),
    aheadDays: days(1, 730),
    /** On which the van calls, that carries kits between branches; none where there is none. */
    vanWeekdays: z.array(z.number().int().min(1).max(7)).max(7).default([]),
  })
  .refine(({ pickUpFrom, pickUpUntil }) => pickUpFrom < pickUpUntil, {
    path: ['pickUpUntil'],
    message: 'must be later than the beginning',
  })
export type OpeningFields = z.infer<typeof openingFieldsSchema>

/** What a branch goes by before anybody has decided. Common practice, no source. */
export const defaultOpening: OpeningFields = {
  openWeekdays: [1, 2, 3, 4, 5, 6, 7],
  pickUpFrom: '10:00',
  pickUpUntil: '18:00',
  turnaroundDays: 1,
  longestLoanDays: 92,
  aheadDays: 366,
  vanWeekdays: [],
}

export const closingFieldsSchema = z
  .object({
    fromOn: daySchema,
    untilOn: daySchema,
    why: z.string().trim().min(1, 'say why, in a word or two').max(120),
  })
  .refine(({ fromOn, untilOn }) => fromOn <= untilOn, {
    path: ['untilOn'],
    message: 'must not lie before the first day',
  })
export type ClosingFields = z.infer<typeof closingFieldsSchema>
export const closingSchema = closingFieldsSchema.safeExtend({ id: idSchema })
export type Closing = z.infer<typeof closingSchema>

/** A loan whose pick-up or return falls on a closed day: told, never changed by itself. */
export const loanInClosingSchema = z.object({
  loanId: idSchema,
  loanCode: z.string(),
  kitCode: z.string(),
  kitName: z.string(),
  what: z.enum(['pick-up', 'return']),
  on: z.string(),
})
export type LoanInClosing = z.infer<typeof loanInClosingSchema>

export const branchOpeningSchema = z.object({
  branchId: idSchema,
  branchName: z.string(),
  zone: z.string(),
  mayChange: z.boolean(),
  opening: openingFieldsSchema,
  closings: z.array(closingSchema),
  onClosedDays: z.array(loanInClosingSchema),
})
export type BranchOpening = z.infer<typeof branchOpeningSchema>
export const openingsSchema = z.object({ branches: z.array(branchOpeningSchema) })
export type Openings = z.infer<typeof openingsSchema>
