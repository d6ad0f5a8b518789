import { filterFastenings, filterMaterials, finderKinds, modelUnknowns } from '@binoculum/core'
import { z } from 'zod'
import { finderDataSchema, finderDriftSchema, knobStepSchema, ownFinderSchema } from './finder-data.ts'
import { mirrorDataSchema, turnedStepSchema } from './mirror-data.ts'
import { mountDataSchema, procedureSchema, standDataSchema } from './mount-data.ts'
import { idSchema } from './people.ts'
import { recordLineSchema } from './record.ts'
import { starLookSchema } from './star-look.ts'
import {
  conditionSchema,
  criticalitySchema,
  familySchema,
  hazardSchema,
  jobCodeSchema,
  markSchema,
  opticsSchema,
  policiesSchema,
  readingKindSchema,
  readingSourceSchema,
  reasonSchema,
  roleSchema,
} from './readiness.ts'

/** Optics of a model as stored with it; masses and places follow with the mount's calculations. */
export const modelOpticsSchema = opticsSchema.extend({
  /** The primary's own focal length where a corrector lens changes it; else the same as focalLengthMm. */
  primaryFocalLengthMm: z.number().positive(),
  mirrorFigure: z.enum(['paraboloid', 'sphere', 'unknown']),
  collapsible: z.boolean(),
  /** Finder from the tube's axis, x right, y up, seen from behind. */
  finderOffsetMm: z.object({ x: z.number(), y: z.number() }),
  /** Peephole of the cap outside the focal plane, + away from the secondary. */
  peepholeOutsideFocusMm: z.number(),
  /** Hole of the focuser that takes the first barrel; left out, nobody measured it. */
  focuserFemaleMm: z.number().positive().max(200).optional(),
  /** What of the model was only guessed from a list, until somebody says it. */
  guessed: z.array(z.enum(modelUnknowns)).optional(),
})
export type ModelOptics = z.infer<typeof modelOpticsSchema>

export const partOpticsSchema = z.object({
  focalLengthMm: z.number().positive().optional(),
  shortestFocalLengthMm: z.number().positive().optional(),
  apparentFieldDeg: z.number().positive().optional(),
  apparentFieldAtShortestDeg: z.number().positive().optional(),
  fieldStopMm: z.number().positive().optional(),
  barlow: z.number().positive().optional(),
  /** Barrel that goes in: 24.5, 31.75 or 50.8; left out, 31.75. */
  maleMm: z.number().positive().max(200).optional(),
  /** Hole that takes the next part; left out, as wide as its own barrel. An eyepiece has none. */
  femaleMm: z.number().positive().max(200).optional(),
  /** An eyepiece at its eye end, where a phone's holder grips it. */
  outerMm: z.number().positive().max(200).optional(),
  /** Widths that a phone holder's clamp closes on. */
  gripsFromMm: z.number().positive().max(200).optional(),
  gripsUntilMm: z.number().positive().max(200).optional(),
  /** Of an extension tube between legs and head. */
  lengthMm: z.number().positive().max(2000).optional(),
  /** What kind of finder this one is; left out, its name says it. */
  finderKind: z.enum(finderKinds).optional(),
  /** A front filter's make: what it is of, and how it is held on. */
  filterMaterial: z.enum(filterMaterials).optional(),
  filterFastening: z.enum(filterFastenings).optional(),
})
export type PartOptics = z.infer<typeof partOpticsSchema>

export const partSchema = z.object({
  id: idSchema,
  position: z.number().int(),
  name: z.string(),
  role: roleSchema,
  criticality: criticalitySchema,
  count: z.number().int(),
  presentCount: z.number().int(),
  massG: z.number().nullable(),
  toleranceG: z.number().nullable(),
  weighGroup: z.string(),
  /** Name of the things it is lost with, all at once; empty where it goes alone. */
  together: z.string(),
  /** The mass was weighed in this kit, not taken from its model. */
  weighed: z.boolean(),
  place: z.string(),
  mark: markSchema,
  /** When somebody last saw it; null where nobody ever did. */
  seenAtUtc: z.string().nullable(),
  note: z.string(),
  /** Scratches and dents it has had for long: nobody is blamed for them. */
  knownWear: z.string(),
  /** What lies in its place, where the mark is *wrong*. */
  wrongItem: z.string(),
  pictureIds: z.array(idSchema),
  consumable: z.object({ kind: z.string(), pieces: z.number(), changedOn: z.string().nullable() }).nullable(),
  modelPartId: idSchema.nullable(),
  costMinor: z.number().int().nullable(),
  lookEveryTime: z.boolean(),
  lookFor: z.string(),
  optics: partOpticsSchema,
})
export type Part = z.infer<typeof partSchema>

/** Something in the case that its card doesn't list. */
export const extraPartSchema = z.object({
  id: idSchema,
  name: z.string(),
  count: z.number().int(),
  /** Kits it may belong to, by name. */
  belongsTo: z.string(),
  note: z.string(),
  pictureIds: z.array(idSchema),
  foundAtUtc: z.string(),
})
export type ExtraPartView = z.infer<typeof extraPartSchema>

/** Whose a kit is and what it cost. */
export const kitDetailsSchema = z.object({
  owner: z.string().trim().max(120),
  serialNumber: z.string().trim().max(80),
  priceMinor: z.number().int().nonnegative().max(100_000_000).nullable(),
  note: z.string().trim().max(500),
})

const kitCodeSchema = z
  .string()
  .trim()
  .min(1, 'give it a code')
  .max(40)
  .regex(/^[^\s/]+$/, 'a code has no spaces and no slash')
const kitNames = {
  code: kitCodeSchema,
  name: z.string().trim().min(1, 'name it').max(200),
  place: z.string().trim().max(200),
}

/** A kit from nothing: one copy of a model, to be gone through once. */
export const newKitSchema = z.object({ idempotencyKey: z.uuid(), branchId: idSchema, modelId: idSchema, ...kitNames })
export type NewKit = z.infer<typeof newKitSchema>

export const changeKitSchema = z.object({
  kitVersion: z.number().int(),
  branchId: idSchema,
  ...kitNames,
  details: kitDetailsSchema,
})
export type ChangeKit = z.infer<typeof changeKitSchema>

/** An extra thing as a desk writes it down. */
export const foundExtraSchema = z.object({
  name: z.string().trim().min(1, 'name it').max(120),
  count: z.number().int().min(1).max(200).default(1),
  belongsTo: z.string().trim().max(200).default(''),
  note: z.string().trim().max(500).default(''),
  pictureIds: z.array(idSchema).max(4).default([]),
})
export type FoundExtra = z.infer<typeof foundExtraSchema>

export const readingViewSchema = z.object({
  kind: readingKindSchema,
  asFound: z.number().nullable(),
  asLeft: z.number(),
  limit: z.number(),
  good: z.number().nullable(),
  unit: z.enum(['mm', 'arcmin', 'deg', 's', 'judged']),
  source: readingSourceSchema,
  atUtc: z.string(),
  by: z.string(),
  /** Half-width of what it may be wrong by; null where nobody reckoned it. */
  uncertainty: z.number().nullable().default(null),
})
export type ReadingView = z.infer<typeof readingViewSchema>

export const shelfGroups = ['shelf', 'out', 'desk', 'bench', 'held', 'gone'] as const

export const shelfKitSchema = z.object({
  id: idSchema,
  branchId: idSchema,
  code: z.string(),
  name: z.string(),
  family: familySchema,
  modelName: z.string(),
  group: z.enum(shelfGroups),
  place: z.string(),
  condition: conditionSchema,
  reasons: z.array(reasonSchema),
  readings: z.array(readingViewSchema),
  loan: z
    .object({ id: idSchema, code: z.string(), borrower: z.string(), dueAtUtc: z.string(), daysLate: z.number() })
    .nullable(),
  next: z.object({ loanId: idSchema, borrower: z.string(), atUtc: z.string() }).nullable(),
  /** A look at its mirror is due before the next loan: how likely it lies beyond its limit by now, after so many loans. */
  look: z.object({ chance: z.number(), loans: z.number().int() }).nullable(),
  version: z.number().int(),
})
export type ShelfKit = z.infer<typeof shelfKitSchema>

export const shelfSchema = z.object({ kits: z.array(shelfKitSchema), atUtc: z.string() })
export type Shelf = z.infer<typeof shelfSchema>

export const jobSchema = z.object({
  id: idSchema,
  code: jobCodeSchema,
  text: z.string(),
  openedAtUtc: z.string(),
  notBeforeUtc: z.string().nullable(),
})

export const kitSheetSchema = shelfKitSchema.extend({
  branchName: z.string(),
  zone: z.string(),
  emergencyLine: z.string(),
  currency: z.string(),
  optics: modelOpticsSchema,
  policies: policiesSchema,
  hazards: z.array(hazardSchema),
  modelId: idSchema,
  /** Null while nobody measured the model's mount. */
  mount: mountDataSchema.nullable(),
  /** How the stand is locked and the tube fixed; null while nobody said. */
  stand: standDataSchema.nullable(),
  details: kitDetailsSchema,
  /** Its own place, wherever it stands now. */
  shelfPlace: z.string(),
  /** Null while nobody measured the model's mirrors. */
  mirror: mirrorDataSchema.nullable(),
  /** What turned screws did to this kit's primary, oldest first. */
  turned: z.array(turnedStepSchema),
  /** The model's finder; null while nobody described it. */
  finder: finderDataSchema.nullable(),
  /** Its place as somebody measured it on this kit; the optics' offset is then that one. */
  ownFinder: ownFinderSchema.nullable(),
  /** What turned knobs did to this kit's finder, oldest first. */
  knobSteps: z.array(knobStepSchema),
  /** Stars that were photographed at earlier checks, newest first. */
  starLooks: z.array(starLookSchema.extend({ atUtc: z.string() })),
  /** How finders of its kind come back here; null while too few loans tell. */
  finderDrift: finderDriftSchema.nullable(),
  /** The head's own moment, learnt from a balanced position; null before. */
  headMomentGmm: z.number().nullable(),
  /** The model's own steps, or its family's. */
  procedure: procedureSchema,
  /** Half of the times a step took were below this, in seconds. */
  stepSeconds: z.record(z.string(), z.number()),
  weighGroups: z.array(z.object({ name: z.string(), scaleStepG: z.number() })),
  /** Newest complete weighing of each group that still holds. */
  baselines: z.array(
    z.object({ group: z.string(), measuredG: z.number(), scaleStepG: z.number(), atUtc: z.string() }),
  ),
  /** Where this kit really differs from its model. */
  differences: z.array(
    z.object({
      kind: z.enum(['lacks', 'has-besides', 'differs']),
      name: z.string(),
      field: z.string().optional(),
      own: z.string().optional(),
      model: z.string().optional(),
    }),
  ),
  parts: z.array(partSchema),
  extras: z.array(extraPartSchema),
  /** Its newest loan, where what was written down can be put right. */
  lastLoan: z
    .object({ id: idSchema, code: z.string(), state: z.enum(['out', 'back']), borrower: z.string() })
    .nullable(),
  jobs: z.array(jobSchema),
  history: z.array(recordLineSchema),
  /** Earlier readings of the mirror and the finder, oldest first. */
  past: z.array(readingViewSchema),
})
export type KitSheet = z.infer<typeof kitSheetSchema>

/** What marks on a sheet change: the kit as it is judged now, the parts that were marked, and the line in its record. */
export const kitChangeSchema = z.object({
  head: shelfKitSchema.extend(kitSheetSchema.pick({ hazards: true, jobs: true }).shape),
  parts: z.array(partSchema),
  line: recordLineSchema,
})
export type KitChange = z.infer<typeof kitChangeSchema>

export const collimationPolicySchema = z.object({
  kitVersion: z.number().int(),
  policy: z.enum(['leave-it-to-us', 'with-help-sheet']),
})
export type CollimationPolicy = z.infer<typeof collimationPolicySchema>

export const markPartSchema = z.object({
  kitVersion: z.number().int(),
  mark: markSchema,
  presentCount: z.number().int().nonnegative().optional(),
  note: z.string().max(500).default(''),
  wrongItem: z.string().max(120).default(''),
  pictureIds: z.array(idSchema).max(4).optional(),
})

export type MarkPart = Omit<z.infer<typeof markPartSchema>, 'kitVersion'>

export const knownWearSchema = z.object({
  kitVersion: z.number().int(),
  /** Empty: there is none any more. */
  knownWear: z.string().trim().max(200),
})
export type KnownWear = z.infer<typeof knownWearSchema>

export const backInServiceSchema = z.object({
  kitVersion: z.number().int(),
  reason: z.string().trim().min(3, 'say where it was found, or why it is used again').max(500),
})

export const countRestSchema = z.object({ kitVersion: z.number().int() })

export const cureHazardSchema = z.object({
  kitVersion: z.number().int(),
  hazard: hazardSchema,
  cure: z.string().trim().min(3, 'say in a few words what was done').max(500),
})

export const foundSchema = z.object({
  kits: z.array(z.object({ code: z.string(), name: z.string(), modelName: z.string() })),
  parts: z.array(z.object({ kitCode: z.string(), kitName: z.string(), part: z.string(), mark: markSchema })),
  loans: z.array(
    z.object({
      id: idSchema,
      branchId: idSchema,
      code: z.string(),
      kitCode: z.string(),
      borrower: z.string(),
      state: z.string(),
    }),
  ),
  others: z.array(
    z.object({
      kind: z.enum(['model', 'place', 'borrower', 'note', 'guide']),
      id: z.string(),
      name: z.string(),
      detail: z.string(),
    }),
  ),
  /** Nothing is called so; this is what is written nearly so. */
  isNearly: z.boolean(),
})
export type Found = z.infer<typeof foundSchema>
