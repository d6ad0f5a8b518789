import { z } from 'zod'
import { daySchema } from './days.ts'
import { idempotencyKeySchema } from './loans.ts'
import { idSchema } from './people.ts'

/** A kit that goes to another branch with the van. */
export const transferSchema = z.object({
  id: idSchema,
  kitId: idSchema,
  kitCode: z.string(),
  kitName: z.string(),
  fromBranchId: idSchema,
  fromBranchName: z.string(),
  toBranchId: idSchema,
  toBranchName: z.string(),
  onDay: z.string(),
  /** Days since the van should have brought it, where it goes; 0 while that day isn't over. */
  daysLate: z.number().int(),
  version: z.number().int(),
  mayArrive: z.boolean(),
  mayCancel: z.boolean(),
})
export type Transfer = z.infer<typeof transferSchema>

export const transfersSchema = z.object({
  /** Planned ones, from or to branches of this person, soonest first. */
  transfers: z.array(transferSchema),
  /** Days on which the van calls at both of two branches, for every pair that this person may plan for. */
  ways: z.array(
    z.object({
      fromBranchId: idSchema,
      fromBranchName: z.string(),
      toBranchId: idSchema,
      toBranchName: z.string(),
      vanDays: z.array(z.string()),
    }),
  ),
  kits: z.array(z.object({ id: idSchema, branchId: idSchema, code: z.string(), name: z.string() })),
})
export type Transfers = z.infer<typeof transfersSchema>

export const planTransferSchema = z.object({
  idempotencyKey: idempotencyKeySchema,
  kitId: idSchema,
  toBranchId: idSchema,
  onDay: daySchema,
})
export type PlanTransfer = z.infer<typeof planTransferSchema>
export const settleTransferSchema = z.object({ version: z.number().int(), settled: z.enum(['arrived', 'cancelled']) })
export type SettleTransfer = z.infer<typeof settleTransferSchema>

/** Loans that keep a kit where it is. */
export const loansInTheWaySchema = z.object({
  loans: z.array(z.object({ loanCode: z.string(), fromOn: z.string(), untilOn: z.string() })),
})
