import { z } from 'zod'
import { daySchema, instantSchema } from './days.ts'
import { extraPartSchema, kitDetailsSchema, modelOpticsSchema, partOpticsSchema } from './kits.ts'
import { finderDataSchema, ownFinderSchema } from './finder-data.ts'
import { guideTextFormSchema } from './guide-texts.ts'
import { landmarkFieldsSchema } from './landmarks.ts'
import { mirrorDataSchema } from './mirror-data.ts'
import { mountDataSchema, procedureSchema, standDataSchema } from './mount-data.ts'
import { consumableSchema, weighGroupSchema } from './models.ts'
import { siteFieldsSchema } from './sites.ts'
import {
  criticalitySchema,
  familySchema,
  hazardSchema,
  jobCodeSchema,
  markSchema,
  readingKindSchema,
  readingSourceSchema,
  roleSchema,
} from './readiness.ts'

/** The documented archive of a branch's contents: docs/formats/archive.md. */
export const ARCHIVE_FORMAT = 'binoculum-contents'
export const ARCHIVE_VERSION = 1

const key = z.string().min(1).max(60)
const grams = z.number().nonnegative().nullable()

const templateFields = {
  name: z.string().min(1).max(200),
  role: roleSchema,
  criticality: criticalitySchema,
  count: z.number().int().min(1).max(1000),
  massG: grams,
  toleranceG: grams,
  weighGroup: z.string().max(60),
  place: z.string().max(120),
  lookEveryTime: z.boolean(),
  lookFor: z.string().max(400),
  costMinor: z.number().int().nonnegative().nullable(),
  consumable: consumableSchema.nullable(),
  // Older archives call the barrel that goes in by one name for all.
  optics: partOpticsSchema.extend({ barrelMm: z.number().positive().optional() }),
  together: z.string().max(60).default(''),
}

const modelSchema = z.object({
  key,
  name: z.string().min(1).max(200),
  family: familySchema,
  optics: modelOpticsSchema,
  mount: mountDataSchema.nullable().default(null),
  mirror: mirrorDataSchema.nullable().default(null),
  finder: finderDataSchema.nullable().default(null),
  stand: standDataSchema.nullable().default(null),
  procedure: procedureSchema.nullable().default(null),
  weighGroups: z.array(weighGroupSchema),
  parts: z.array(z.object({ key, ...templateFields, picture: key.nullable() })).max(300),
})

const kitSchema = z.object({
  code: z.string().min(1).max(40),
  name: z.string().min(1).max(200),
  model: key,
  place: z.string().max(200),
  standsAt: z.enum(['shelf', 'desk', 'bench']),
  collimationPolicy: z.enum(['leave-it-to-us', 'with-help-sheet']),
  hazards: z.array(hazardSchema),
  headMomentGmm: z.number().nullable().default(null),
  /** Where its finder stands, if measured; who measured it is left out. */
  ownFinder: ownFinderSchema.omit({ by: true }).nullable().default(null),
  parts: z
    .array(
      z.object({
        key,
        modelPart: key.nullable(),
        ...templateFields,
        weighed: z.boolean(),
        mark: markSchema,
        presentCount: z.number().int().nonnegative(),
        note: z.string().max(500),
        seenAtUtc: instantSchema.nullable().default(null),
        wrongItem: z.string().max(120),
        pictures: z.array(key),
      }),
    )
    .max(300),
  details: kitDetailsSchema.default({ owner: '', serialNumber: '', priceMinor: null, note: '' }),
  extras: z
    .array(extraPartSchema.omit({ id: true, pictureIds: true }))
    .max(200)
    .default([]),
  weighings: z.array(
    z.object({
      group: z.string(),
      measuredG: z.number(),
      scaleStepG: z.number(),
      containerG: z.number(),
      expectedG: z.number(),
      source: z.enum(['scale', 'typed']),
      atUtc: instantSchema,
    }),
  ),
  /** The newest figure of each kind, without which nobody could say that it is fit; who took it is left out. */
  readings: z
    .array(
      z.object({
        kind: readingKindSchema,
        asFound: z.number().nullable(),
        asLeft: z.number(),
        limitValue: z.number(),
        good: z.number().nullable(),
        unit: z.enum(['mm', 'arcmin', 'deg', 's', 'judged']),
        uncertainty: z.number().nullable(),
        source: readingSourceSchema,
        atUtc: instantSchema,
      }),
    )
    .max(20)
    .default([]),
  jobs: z.array(
    z.object({
      code: jobCodeSchema,
      text: z.string(),
      note: z.string(),
      part: key.nullable(),
      dueOn: daySchema.nullable(),
      notBeforeUtc: instantSchema.nullable(),
      openedAtUtc: instantSchema,
    }),
  ),
})

const placeSchema = siteFieldsSchema.extend({
  landmarks: z.array(landmarkFieldsSchema.omit({ pictureId: true }).extend({ picture: key.nullable() })).max(500),
})

/** A block, an order or a translation as it counts; who wrote it is left out. */
const guideTextSchema = guideTextFormSchema.omit({ kitCode: true, inUse: true }).extend({
  /** Key of the model, or code of the kit, that it is for. */
  model: key.nullable(),
  kit: z.string().max(40).nullable(),
  atUtc: instantSchema,
})

export const archiveSchema = z.object({
  format: z.literal(ARCHIVE_FORMAT),
  version: z.literal(ARCHIVE_VERSION),
  writtenAtUtc: instantSchema,
  branch: z.object({ name: z.string(), zone: z.string(), currency: z.string() }),
  models: z.array(modelSchema).max(5000),
  kits: z.array(kitSchema).max(5000),
  spares: z
    .array(
      z.object({
        name: z.string().min(1),
        role: roleSchema,
        count: z.number().int().nonnegative(),
        massG: grams,
        costMinor: z.number().int().nonnegative().nullable(),
        note: z.string(),
      }),
    )
    .max(5000),
  places: z.array(placeSchema).max(500).default([]),
  guideTexts: z.array(guideTextSchema).max(20_000).default([]),
  pictures: z.array(z.object({ key, jpegBase64: z.base64() })).max(2000),
})
export type Archive = z.infer<typeof archiveSchema>

export const archiveResultSchema = z.object({
  kits: z.array(z.string()),
  models: z.number().int(),
  spares: z.number().int(),
  places: z.number().int(),
  guideTexts: z.number().int(),
  pictures: z.number().int(),
})
