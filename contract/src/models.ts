import { roles, type Role } from '@binoculum/core'
import { z } from 'zod'
import { daySchema } from './days.ts'
import { finderDataSchema, finderOffsetSchema } from './finder-data.ts'
import { mirrorDataSchema, mirrorOpticsSchema } from './mirror-data.ts'
import { mountDataSchema, procedureSchema, standDataSchema } from './mount-data.ts'
import { kitSheetSchema, modelOpticsSchema, partOpticsSchema } from './kits.ts'
import { idSchema } from './people.ts'
import { criticalitySchema, familySchema, roleSchema } from './readiness.ts'

/** Cells or a pack that wear out: what kind, how many pieces, and when they were last changed. */
export const consumableSchema = z.object({
  kind: z.string().trim().min(1).max(60),
  pieces: z.number().int().min(1).max(50),
  changedOn: daySchema.nullable(),
})
export type Consumable = z.infer<typeof consumableSchema>

const massSchema = z.number().positive('a mass is above 0').max(500_000).nullable()

export const templatePartSchema = z.object({
  name: z.string().trim().min(1, 'name it').max(120),
  role: roleSchema,
  criticality: criticalitySchema,
  count: z.number().int().min(1, 'one at least').max(200),
  massG: massSchema,
  toleranceG: massSchema,
  weighGroup: z.string().trim().max(60),
  together: z.string().trim().max(60).default(''),
  place: z.string().trim().max(60),
  lookEveryTime: z.boolean(),
  lookFor: z.string().trim().max(200),
  costMinor: z.number().int().nonnegative().max(100_000_000).nullable(),
  consumable: consumableSchema.nullable(),
  optics: partOpticsSchema,
  pictureId: idSchema.nullable(),
})

export const modelPartSchema = templatePartSchema.extend({ id: idSchema, position: z.number().int() })
export type ModelPart = z.infer<typeof modelPartSchema>

export const weighGroupSchema = z.object({
  name: z.string().trim().min(1).max(60),
  scaleStepG: z.number().positive().max(1000),
})
export type WeighGroup = z.infer<typeof weighGroupSchema>

export const differenceSchema = z.object({
  kind: z.enum(['lacks', 'has-besides', 'differs']),
  name: z.string(),
  field: z.string().optional(),
  own: z.string().optional(),
  model: z.string().optional(),
})

const modelHeadSchema = z.object({
  id: idSchema,
  name: z.string(),
  family: familySchema,
  optics: modelOpticsSchema,
  version: z.number().int(),
  kits: z.array(
    z.object({ code: z.string(), name: z.string(), differences: z.array(differenceSchema), isYours: z.boolean() }),
  ),
})
export const modelListSchema = z.object({
  models: z.array(
    modelHeadSchema
      .pick({ id: true, name: true, family: true })
      .extend({ parts: z.number(), kits: z.array(z.string()) }),
  ),
})
export type ModelList = z.infer<typeof modelListSchema>

export const modelSheetSchema = modelHeadSchema.extend({
  parts: z.array(modelPartSchema),
  weighGroups: z.array(weighGroupSchema),
  mayChange: z.boolean(),
  mount: mountDataSchema.nullable(),
  stand: standDataSchema.nullable(),
  mirror: mirrorDataSchema.nullable(),
  finder: finderDataSchema.nullable(),
  finderOffsetMm: finderOffsetSchema,
  procedure: procedureSchema,
  /** The steps are the family's, not yet the model's own. */
  procedureIsTemplate: z.boolean(),
  stepTimes: z.array(z.object({ key: z.string(), medianSeconds: z.number(), times: z.number().int() })),
})
export type ModelSheet = z.infer<typeof modelSheetSchema>

/** The whole card of a model, in order. Parts without an id are new; ids that are left out are taken off. */
export const writeModelSchema = z.object({
  version: z.number().int(),
  name: z.string().trim().min(1, 'name it').max(120),
  parts: z.array(templatePartSchema.extend({ id: idSchema.nullable() })).max(200),
  weighGroups: z.array(weighGroupSchema).max(20),
})
export type WriteModel = z.infer<typeof writeModelSchema>

/** What a model is: told once, and everything else hangs on it. */
const modelIs = {
  name: z.string().trim().min(1, 'name it').max(120),
  family: familySchema,
  apertureMm: z.number('type it in mm').positive('an aperture is above 0 mm').max(2000),
  focalLengthMm: z.number('type it in mm').positive('a focal length is above 0 mm').max(20_000),
  kind: z.enum(['newtonian', 'refractor', 'maksutov']),
}
export const newModelSchema = z.object({
  idempotencyKey: z.uuid(),
  branchId: idSchema,
  ...modelIs,
  /** Longest first or not; none leaves a line that asks for it. */
  eyepiecesMm: z.array(z.number().positive().max(100)).max(8).default([]),
})
export type NewModel = z.infer<typeof newModelSchema>

export const writeHeadSchema = z.object({
  version: z.number().int(),
  ...modelIs,
  collapsible: z.boolean(),
  focuserFemaleMm: z.number().positive().max(200).nullable(),
})
export type WriteHead = z.infer<typeof writeHeadSchema>

export const copyModelSchema = z.object({ name: z.string().trim().min(1, 'name it').max(120) })

/** Where a new part begins: what its role says. */
export const roleWords: readonly { readonly role: Role; readonly words: string }[] = (
  Object.keys(roles) as Role[]
).map((role) => ({ role, words: roles[role].words }))

export const spareSchema = z.object({
  id: idSchema,
  branchId: idSchema,
  branchName: z.string(),
  currency: z.string(),
  name: z.string(),
  role: roleSchema,
  count: z.number().int(),
  massG: z.number().nullable(),
  costMinor: z.number().int().nullable(),
  note: z.string(),
  version: z.number().int(),
  /** Kits of the branch whose card lacks such a part now. */
  wantedBy: z.array(
    z.object({ partId: idSchema, kitId: idSchema, code: z.string(), name: z.string(), missing: z.number() }),
  ),
})
export type Spare = z.infer<typeof spareSchema>
export const drawerSchema = z.object({ spares: z.array(spareSchema) })
export type Drawer = z.infer<typeof drawerSchema>
export const movedSpareSchema = z.object({ kit: kitSheetSchema, drawer: drawerSchema })

export const writeSpareSchema = z.object({
  branchId: idSchema,
  name: z.string().trim().min(1, 'name it').max(120),
  role: roleSchema,
  count: z.number().int().min(0, 'none or more').max(10_000),
  massG: massSchema,
  costMinor: z.number().int().nonnegative().nullable(),
  note: z.string().trim().max(200).default(''),
  version: z.number().int().nullable(),
})
export type WriteSpare = z.infer<typeof writeSpareSchema>

export const moveSpareSchema = z.object({
  idempotencyKey: z.uuid(),
  partId: idSchema,
  kitVersion: z.number().int(),
  count: z.number().int().min(1).max(200),
  way: z.enum(['into-kit', 'into-drawer']),
})
/** Puts a spare into a kit that never had such a part, such as a second weight. */
export const addSpareSchema = z.object({ idempotencyKey: z.uuid(), kitId: idSchema, kitVersion: z.number().int() })
export type AddSpare = z.infer<typeof addSpareSchema>
export type MoveSpare = z.infer<typeof moveSpareSchema>

/** Mirrors, cell and cap, with the optics that lining up goes by. */
export const writeMirrorSchema = z.object({
  version: z.number().int(),
  mirror: mirrorDataSchema.nullable(),
  optics: mirrorOpticsSchema,
})
export type WriteMirror = z.infer<typeof writeMirrorSchema>

export const writeMountSchema = z.object({
  version: z.number().int(),
  mount: mountDataSchema.nullable(),
  /** Left out, it stays. */
  stand: standDataSchema.nullable().optional(),
})
export type WriteMount = z.infer<typeof writeMountSchema>

/** Null goes back to the family's steps. */
export const writeProcedureSchema = z.object({ version: z.number().int(), procedure: procedureSchema.nullable() })
export type WriteProcedure = z.infer<typeof writeProcedureSchema>
