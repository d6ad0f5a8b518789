import { z } from 'zod'

export const watchCodes = [
  'LETTERS_NOT_LEAVING',
  'BACKUP_OLD',
  'NEVER_BACKED_UP',
  'DISK_LOW',
  'CLOCK_OFF',
  'JOBS_BEHIND',
  'SLOW_STATEMENTS',
  'ACCOUNT_TOO_MIGHTY',
  'NO_MAIL_SERVER',
] as const
export type WatchCode = (typeof watchCodes)[number]

/** What is wrong with the installation itself, the worst first; with the server's clock, for the page to hold its own against. */
export const watchSchema = z.object({
  findings: z.array(
    z.object({
      code: z.enum(watchCodes),
      /** A notice is no fault: somebody may have meant it so. */
      weight: z.enum(['fault', 'notice']),
      figures: z.record(z.string(), z.number()),
    }),
  ),
  nowUtc: z.string(),
})
export type Watch = z.infer<typeof watchSchema>
export type WatchFinding = Watch['findings'][number]
