import { z } from 'zod'

/** Six digits of an app, or a backup code. */
export const oneTimeCodeSchema = z.object({ code: z.string().trim().min(6, 'has six digits').max(40) })

export const secondFactorStateSchema = z.object({ on: z.boolean(), backupCodesLeft: z.number().int() })
export type SecondFactorState = z.infer<typeof secondFactorStateSchema>

/** A secret, for an app that reads it from the screen or has it typed in. */
export const newSecondFactorSchema = z.object({ secret: z.string(), address: z.string() })
export type NewSecondFactor = z.infer<typeof newSecondFactorSchema>

export const backupCodesSchema = z.object({ backupCodes: z.array(z.string()) })
export type BackupCodes = z.infer<typeof backupCodesSchema>
