import { z } from 'zod'
import { daySchema } from './days.ts'
import { idSchema } from './people.ts'
import { jobCodeSchema, roleSchema } from './readiness.ts'

export const openJobSchema = z.object({
  id: idSchema,
  code: jobCodeSchema,
  text: z.string(),
  note: z.string(),
  branchId: idSchema,
  kitId: idSchema,
  kitCode: z.string(),
  kitName: z.string(),
  kitVersion: z.number().int(),
  zone: z.string(),
  partId: idSchema.nullable(),
  partName: z.string().nullable(),
  role: roleSchema.nullable(),
  loanId: idSchema.nullable(),
  ownerId: idSchema.nullable(),
  owner: z.string().nullable(),
  dueOn: z.string().nullable(),
  daysOver: z.number().int(),
  /** By the clocks of its branch. */
  isToday: z.boolean(),
  openedAtUtc: z.string(),
  notBeforeUtc: z.string().nullable(),
  /** Spares in the drawer that would do. */
  spareId: idSchema.nullable(),
  spares: z.number().int(),
  version: z.number().int(),
})
export type FollowUpJob = z.infer<typeof openJobSchema>

export const followUpSchema = z.object({
  jobs: z.array(openJobSchema),
  people: z.array(z.object({ id: idSchema, name: z.string(), branchId: idSchema })),
  /** Where most of this person's jobs lie; each job's own day is `isToday`. */
  today: z.string(),
})
export type FollowUpList = z.infer<typeof followUpSchema>

export const changeJobSchema = z.object({
  version: z.number().int(),
  ownerId: idSchema.nullable(),
  dueOn: daySchema.nullable(),
  note: z.string().trim().max(500),
})

/** What came of a job. *found* puts the part right in the same act; *not-helped* goes on to the next step. */
export const settleJobSchema = z.object({
  idempotencyKey: z.uuid(),
  version: z.number().int(),
  result: z.enum(['found', 'done', 'not-helped']),
  note: z.string().trim().max(500).default(''),
})
export type SettleJob = z.infer<typeof settleJobSchema>

export const noticeSchema = z.object({
  idempotencyKey: z.uuid(),
  modelId: idSchema,
  text: z.string().trim().min(5, 'say what to check').max(500),
  dueOn: daySchema,
  /** No kit of the model goes out before it was looked at. */
  stops: z.boolean(),
})
export type Notice = z.infer<typeof noticeSchema>
export const noticeResultSchema = z.object({ jobs: z.number().int(), kits: z.array(z.string()) })

export const batteryRoundSchema = z.object({
  idempotencyKey: z.uuid(),
  branchId: idSchema,
  olderThanDays: z.number().int().min(1).max(3650),
  dueOn: daySchema,
})

export const lossSchema = z.object({
  idempotencyKey: z.uuid(),
  kitVersion: z.number().int(),
  kind: z.enum(['kit-lost', 'kit-stolen', 'retired']),
  text: z.string().trim().min(5, 'say in a few words what happened').max(500),
  reportNumber: z.string().trim().max(60).default(''),
})
export type Loss = z.infer<typeof lossSchema>

export const messageSchema = z.object({
  id: idSchema,
  branchId: idSchema,
  kitCode: z.string(),
  kitName: z.string(),
  to: z.string(),
  toAddress: z.string(),
  subject: z.string(),
  body: z.string(),
  state: z.enum(['draft', 'sending', 'sent', 'failed']),
  problem: z.string(),
  madeAtUtc: z.string(),
  sentAtUtc: z.string().nullable(),
  by: z.string(),
  zone: z.string(),
})
export type Message = z.infer<typeof messageSchema>
export const outboxSchema = z.object({
  messages: z.array(messageSchema),
  /** Where letters go: into the stand-in's outbox, or to a mail server by configuration. */
  way: z.enum(['outbox', 'smtp']),
  /** What to ask for the letters before these; null where there are none. */
  next: z.string().nullable(),
})
export type Outbox = z.infer<typeof outboxSchema>
export const writeMessageSchema = z.object({
  subject: z.string().trim().min(1, 'say what it is about').max(200),
  body: z.string().trim().min(1, 'write something').max(5000),
})
export const draftMessageSchema = z.object({ jobIds: z.array(idSchema).min(1).max(50) })
