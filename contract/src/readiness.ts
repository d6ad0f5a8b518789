import { families, hazardCodes, jobCodes, marks, readingKinds, roles, type Family, type Role } from '@binoculum/core'
import { z } from 'zod'

const keysOf = <T extends string>(table: Readonly<Record<T, unknown>>) => Object.keys(table) as [T, ...T[]]

export const instantUtc = z.iso.datetime({ offset: true })
export const roleSchema = z.enum(keysOf<Role>(roles))
export const familySchema = z.enum(keysOf<Family>(families))
export const markSchema = z.enum(marks)
export const criticalitySchema = z.enum([
  'essential',
  'useful',
  'protective',
  'consumable',
  'papers',
  'safety',
  'tool',
])
export const conditionSchema = z.enum(['full', 'half', 'crescent', 'new'])
export const readingKindSchema = z.enum(readingKinds)
export const readingSourceSchema = z.enum(['measured', 'typed', 'photo', 'judged', 'assumed'])
export const hazardSchema = z.enum(hazardCodes)
export const jobCodeSchema = z.enum(jobCodes)

export const opticsSchema = z.object({
  apertureMm: z.number().positive(),
  focalLengthMm: z.number().positive(),
  kind: z.enum(['newtonian', 'refractor', 'maksutov']),
  collimatable: z.boolean(),
})

export const policiesSchema = z.object({
  limits: z.partialRecord(readingKindSchema, z.number().nonnegative()).optional(),
  maxAgeDays: z.union([z.number().positive(), z.partialRecord(readingKindSchema, z.number().positive())]),
  collimation: z.enum(['leave-it-to-us', 'with-help-sheet']),
  frontFilters: z.enum(['stay-here', 'lent']).optional(),
  dueChance: z.number().min(0.05).max(0.9).optional(),
  sameByPicture: z.enum(['mark', 'look']).optional(),
})

const figuresSchema = z.record(z.string(), z.union([z.string(), z.number()]))

export const reasonSchema = z.object({
  code: z.enum([
    'ALL_GOOD',
    'NOT_MEASURED',
    'NOT_COUNTED',
    'NOT_GONE_THROUGH',
    'EXTRA_PART',
    'PART_MISSING',
    'PART_DAMAGED',
    'PART_WRONG',
    'HAZARD',
    'FILTER_UNSAFE',
    'FILTER_STAYS',
    'MODEL_INCOMPLETE',
    'COLLIMATION_BEYOND',
    'COLLIMATION_UNSURE',
    'FINDER_OFF',
    'BALANCE_OFF',
    'CANT_BALANCE',
    'PLACE_OFF',
    'JUDGED_NOT_FINE',
    'COMES_BACK_ELSEWHERE',
    'SHAKES',
    'TIPS_OVER',
    'ALIGNMENT_OFF',
    'POLAR_OFF',
    'FOCUS_SHORT',
    'POWER_LOW',
    'READING_OLD',
    'OPEN_JOB',
  ]),
  condition: conditionSchema,
  figures: figuresSchema,
  source: z.string(),
  remedy: z.enum([
    'none',
    'measure',
    'count-contents',
    'go-through-case',
    'take-out-extra',
    'find-or-replace',
    'replace-soon',
    'mend-or-replace',
    'swap-back',
    'ask-for-cell-now',
    'withdraw-filter',
    'withdraw-front-filter',
    'keep-front-filter',
    'complete-model',
    'remove-laser',
    'screw-door-shut',
    'dry-open',
    'set-apart',
    'check-for-notice',
    'report-found',
    'line-up-primary',
    'measure-again',
    'line-up-finder',
    'balance-again',
    'fit-weight',
    'set-latitude',
    'see-to-station',
    'mend-locks',
    'steady-stand',
    'leave-eyepiece',
    'charge',
    'line-up-again',
    'turn-to-pole',
    'do-job',
  ]),
  minutes: z.number(),
  overrule: z.enum(['coordinator', 'never']),
})

export const judgementSchema = z.object({ condition: conditionSchema, reasons: z.array(reasonSchema) })

const kindByFamily: Readonly<Record<Family, 'newtonian' | 'refractor' | 'maksutov'>> = {
  'tabletop-reflector': 'newtonian',
  'floor-reflector': 'newtonian',
  'equatorial-reflector': 'newtonian',
  'altazimuth-reflector': 'newtonian',
  'tripod-refractor': 'refractor',
  'equatorial-maksutov': 'maksutov',
  'computer-driven': 'maksutov',
  'large-equatorial': 'newtonian',
}

/** Callers may leave out what the family tells. */
const judgedModelSchema = z
  .object({
    family: familySchema,
    optics: opticsSchema.partial({ kind: true, collimatable: true }),
    highestMagnification: z.number().nonnegative(),
  })
  .transform(({ family, optics, highestMagnification }) => {
    const kind = optics.kind ?? kindByFamily[family]
    const collimatable = optics.collimatable ?? kind === 'newtonian'
    return { family, highestMagnification, optics: { ...optics, kind, collimatable } }
  })

export const judgeInputSchema = z.strictObject({
  model: judgedModelSchema,
  parts: z.array(
    z.object({
      role: roleSchema,
      mark: markSchema,
      name: z.string().optional(),
      criticality: criticalitySchema.optional(),
      count: z.number().int().positive().optional(),
    }),
  ),
  readings: z.array(
    z.object({
      kind: readingKindSchema,
      value: z.number().nonnegative(),
      limit: z.number().nonnegative(),
      uncertainty: z.number().nonnegative().optional(),
      source: readingSourceSchema,
      atUtc: instantUtc,
    }),
  ),
  hazards: z.array(hazardSchema),
  openJobs: z.array(z.object({ code: jobCodeSchema, text: z.string().optional() })),
  policies: policiesSchema,
  atUtc: instantUtc,
})
