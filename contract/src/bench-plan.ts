import { benchSkills } from '@binoculum/core'
import { z } from 'zod'
import { daySchema } from './days.ts'
import { idSchema } from './people.ts'

const whole = (least: number, most: number) => {
  const words = `a whole number from ${least} to ${most}`
  return z.number(words).int(words).min(least, words).max(most, words)
}

export const benchEveningFieldsSchema = z.object({
  onDay: daySchema,
  /** Places at which somebody works, and for how long each. */
  seats: whole(1, 40),
  minutesEach: whole(10, 720),
  note: z.string().trim().max(200).default(''),
})
export type BenchEveningFields = z.infer<typeof benchEveningFieldsSchema>
export const benchEveningSchema = benchEveningFieldsSchema.extend({
  id: idSchema,
  /** Who comes, place by place; places beyond are nobody's yet. */
  staffIds: z.array(idSchema),
})

export const benchSkillSchema = z.enum(benchSkills)
export const benchSkillsGivenSchema = z.object({
  staffId: idSchema,
  /** Null where nothing is said: anything is given to them. */
  skills: z.array(benchSkillSchema).max(benchSkills.length).nullable(),
})
export type BenchSkillsGiven = z.infer<typeof benchSkillsGivenSchema>
export const benchSeatsSchema = z.object({ staffIds: z.array(idSchema).max(40) })

export const benchHandSchema = benchSkillsGivenSchema.extend({ name: z.string(), mayChange: z.boolean() })
export type BenchHand = z.infer<typeof benchHandSchema>

export const benchPlanLineSchema = z.object({
  kitCode: z.string(),
  kitName: z.string(),
  modelName: z.string(),
  /** What is to be put right, in words. */
  sentences: z.array(z.string()),
  minutes: z.number(),
  /** How many of its stations go by what they took before. */
  measuredStations: z.number().int(),
  skills: z.array(benchSkillSchema),
  /** Nobody of those who come can do it. */
  isBeyondAnybody: z.boolean(),
  neededOn: z.string().nullable(),
  eveningId: idSchema.nullable(),
  seat: z.number().int(),
  isLate: z.boolean(),
  /** Held for safety: the bench alone doesn't cure it. */
  isHeld: z.boolean(),
})
export type BenchPlanLine = z.infer<typeof benchPlanLineSchema>

export const branchBenchPlanSchema = z.object({
  branchId: idSchema,
  branchName: z.string(),
  today: z.string(),
  mayChange: z.boolean(),
  evenings: z.array(benchEveningSchema),
  /** Who works at this bench. */
  hands: z.array(benchHandSchema),
  lines: z.array(benchPlanLineSchema),
  minutesShort: z.number(),
  proven: z.boolean(),
})
export type BranchBenchPlan = z.infer<typeof branchBenchPlanSchema>
export const benchPlansSchema = z.object({ branches: z.array(branchBenchPlanSchema) })
export type BenchPlans = z.infer<typeof benchPlansSchema>
