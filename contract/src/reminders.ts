import { reminderKinds, reminderLanguages, unknownBlanks } from '@binoculum/core'
import { z } from 'zod'
import { idSchema } from './people.ts'

export const reminderKindSchema = z.enum(reminderKinds)
export const reminderLanguageSchema = z.enum(reminderLanguages)

const days = z.number('a number of days').int('whole days').min(0).max(120, 'four months at most')
const hour = z.number().int().min(0).max(24)
export const reminderPolicySchema = z
  .object({
    kinds: z.array(reminderKindSchema),
    dueInDays: days,
    lateAfterDays: z.tuple([days.min(1), days.min(1), days.min(1)]),
    fromHour: hour,
    untilHour: hour,
  })
  .refine(({ fromHour, untilHour }) => fromHour < untilHour, {
    path: ['untilHour'],
    message: 'must be later than the first hour',
  })
  .refine(({ lateAfterDays: [a, b, c] }) => a < b && b < c, {
    path: ['lateAfterDays'],
    message: 'each step comes after the one before',
  })

const known = (text: string, context: z.core.$RefinementCtx<string>) => {
  const [blank] = unknownBlanks(text)
  if (blank !== undefined) context.addIssue({ code: 'custom', message: `there is no blank {{${blank}}}` })
}
export const reminderTextSchema = z.object({
  kind: reminderKindSchema,
  language: reminderLanguageSchema,
  subject: z.string().trim().min(1, 'say what it is about').max(200).superRefine(known),
  body: z.string().trim().min(1, 'write something').max(5000).superRefine(known),
})
export type ReminderText = z.infer<typeof reminderTextSchema>

export const branchRemindersSchema = z.object({
  branchId: idSchema,
  branchName: z.string(),
  mayChange: z.boolean(),
  policy: reminderPolicySchema,
  texts: z.array(reminderTextSchema.extend({ isOwn: z.boolean() })),
})
export type BranchReminders = z.infer<typeof branchRemindersSchema>
export const remindersSchema = z.object({ branches: z.array(branchRemindersSchema), way: z.enum(['outbox', 'smtp']) })
export type Reminders = z.infer<typeof remindersSchema>
