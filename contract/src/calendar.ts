import { clashCodes, slotWishes } from '@binoculum/core'
import { z } from 'zod'
import { openingFieldsSchema, closingSchema } from './opening.ts'
import { idSchema } from './people.ts'
import { conditionSchema, reasonSchema } from './readiness.ts'

/** Ten weeks and the fortnight around them; more is turned over. */
export const MOST_CALENDAR_DAYS = 112

export const calendarNightSchema = z.object({
  date: z.string(),
  /** At the midnight that ends the date. */
  moonLit: z.number(),
  moonWaxing: z.boolean(),
  moonlessDarkHours: z.number(),
  state: z.enum(['normal', 'never-dark', 'always-dark']),
  /** Hours after the local noon, for drawing the night as a column; null where it doesn't happen. */
  sunsetH: z.number().nullable(),
  sunriseH: z.number().nullable(),
  darkFromH: z.number().nullable(),
  darkUntilH: z.number().nullable(),
  moonriseH: z.number().nullable(),
  moonsetH: z.number().nullable(),
  moonUpAtNoon: z.boolean(),
  planets: z.array(z.string()),
})
export type CalendarNight = z.infer<typeof calendarNightSchema>

export const calendarLoanSchema = z.object({
  id: idSchema,
  code: z.string(),
  kitId: idSchema,
  state: z.enum(['promised', 'out', 'back']),
  borrower: z.string(),
  fromOn: z.string(),
  /** The day of return: as agreed, or the day it came back. */
  untilOn: z.string(),
  /** Days after the return that the kit needs. */
  turnaroundDays: z.number().int(),
  daysLate: z.number(),
  pickUpTime: z.string(),
  version: z.number().int(),
  /** Why it can't be kept as things stand; null where it can. */
  clash: z.object({ code: z.enum(clashCodes), readyOn: z.string().nullable() }).nullable(),
})
export type CalendarLoan = z.infer<typeof calendarLoanSchema>

export const calendarKitSchema = z.object({
  id: idSchema,
  code: z.string(),
  name: z.string(),
  modelName: z.string(),
  family: z.string(),
  condition: conditionSchema,
  reasons: z.array(reasonSchema),
  /** Lost or retired: nothing can be promised. */
  gone: z.boolean(),
  /** The van brings it on the day before the first, and takes it away on the day after the last; null where it doesn't. */
  hereFrom: z.string().nullable(),
  hereUntil: z.string().nullable(),
})
export type CalendarKit = z.infer<typeof calendarKitSchema>

export const calendarSchema = z.object({
  branchId: idSchema,
  zone: z.string(),
  today: z.string(),
  from: z.string(),
  days: z.number().int(),
  /** Whose nights these are: the branch's first place; null where it has none yet. */
  place: z.string().nullable(),
  /** South of the equator the Moon is seen the other way round. */
  southern: z.boolean(),
  opening: openingFieldsSchema,
  loanDays: z.number().int(),
  closings: z.array(closingSchema),
  kits: z.array(calendarKitSchema),
  loans: z.array(calendarLoanSchema),
  nights: z.array(calendarNightSchema),
})
export type Calendar = z.infer<typeof calendarSchema>

export const slotWishSchema = z.enum(slotWishes)

/** Days of a kit that suit what somebody wants to see, and why. */
export const suggestedSlotSchema = z.object({
  kitId: idSchema,
  kitCode: z.string(),
  kitName: z.string(),
  modelName: z.string(),
  from: z.string(),
  until: z.string(),
  darkHours: z.number(),
  /** Evenings that suit the wish. */
  evenings: z.number().int(),
  reason: z.string(),
  massKg: z.number(),
})
export const suggestedSlotsSchema = z.object({ slots: z.array(suggestedSlotSchema) })
export type SuggestedSlot = z.infer<typeof suggestedSlotSchema>
