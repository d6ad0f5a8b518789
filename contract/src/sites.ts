import { skies } from '@binoculum/core'
import { z } from 'zod'
import { daySchema } from './days.ts'
import { longitudeSchema } from './longitude.ts'
import { idSchema } from './people.ts'

/** Asking for each anew took a fifth of a guide's reading; there are some hundred of them, and what is none isn't kept. */
const known = new Set<string>()
const isZone = (zone: string) => {
  if (known.has(zone)) return true
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone })
    known.add(zone)
    return true
  } catch {
    return false
  }
}

export const zoneSchema = z.string().max(60).refine(isZone, 'is no IANA zone, such as Europe/Paris')

const degrees = (most: number, words: string) => z.number(words).min(-most, words).max(most, words)

export const siteFieldsSchema = z.object({
  name: z.string().trim().min(1, 'name the place').max(80),
  zone: zoneSchema,
  latitudeDeg: degrees(90, 'a latitude lies between −90 and 90°, north +'),
  longitudeDeg: longitudeSchema,
  heightM: z.number().min(-500).max(9000).nullable(),
  /** As a person measured or looked it up, east +; null leaves it to the model. */
  needleDeg: z.number().min(-180).max(180).nullable(),
  needleOn: daySchema.nullable(),
  /** How dark it gets; null, nobody wrote it down. */
  sky: z.enum(skies).nullable().default(null),
})

/** Where the compass needle points at a place today, and how that is known. */
export const needleSchema = z.object({
  declinationDeg: z.number().nullable(),
  source: z.enum(['model', 'typed', 'unknown']),
  changeDegPerYear: z.number().nullable(),
  reason: z.enum(['OUTSIDE_MODEL', 'NEAR_MAGNETIC_POLE']).nullable(),
})

export const siteSchema = siteFieldsSchema.extend({
  id: idSchema,
  branchId: idSchema,
  branchName: z.string(),
  version: z.number().int(),
  needle: needleSchema,
})
export type Site = z.infer<typeof siteSchema>
/** With the server's clock: whoever asks where the Sun stands holds the device's own against it. */
export const sitesSchema = z.object({ sites: z.array(siteSchema), nowUtc: z.string() })
export type Sites = z.infer<typeof sitesSchema>

export const writeSiteSchema = siteFieldsSchema.extend({
  branchId: idSchema,
  /** Null for a new one. */
  version: z.number().int().nullable(),
})
export type WriteSite = z.infer<typeof writeSiteSchema>
