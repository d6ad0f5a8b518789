import { z } from 'zod'

export const guideScopeSchema = z.enum(['programme', 'model', 'kit'])

/** A version of a block as it is sent: text as `[tags]`, lines and `{variables}`; null leaves the block out. */
export const guideTextFormSchema = z.strictObject({
  kitCode: z.string().min(1).max(40),
  scope: guideScopeSchema,
  key: z.string().regex(/^(_order|_words|[a-z][a-z0-9-]{1,60})$/, 'no guide has a block of this name'),
  language: z.string().min(2).max(5),
  title: z.string().trim().max(400).default(''),
  text: z.string().max(6000).nullable(),
  reason: z.string().trim().max(300).default(''),
  inUse: z.boolean(),
})
export type GuideTextForm = z.infer<typeof guideTextFormSchema>
export const versionSchema = z.object({
  id: z.string(),
  scope: guideScopeSchema,
  title: z.string(),
  text: z.string().nullable(),
  reason: z.string(),
  inUse: z.boolean(),
  by: z.string(),
  atUtc: z.string(),
})
export const guideTextsSchema = z.object({
  kitCode: z.string(),
  kitName: z.string(),
  modelName: z.string(),
  branchName: z.string(),
  mayEdit: z.boolean(),
  language: z.string(),
  languages: z.array(z.object({ code: z.string(), name: z.string(), missing: z.number().int() })),
  blocks: z.array(
    z.object({
      key: z.string(),
      title: z.string(),
      because: z.string(),
      stays: z.string(),
      /** As it counts now, to be edited; null where it is left out. */
      text: z.string().nullable(),
      defaultText: z.string(),
      scope: guideScopeSchema.nullable(),
      reason: z.string(),
      /** Whether this kit's guide says it. */
      said: z.boolean(),
      versions: z.array(versionSchema),
    }),
  ),
  /** English sentences of this kit's guide that the language lacks. */
  missing: z.array(z.string()),
  variables: z.record(z.string(), z.string()),
  tags: z.array(z.string()),
})
export type GuideTexts = z.infer<typeof guideTextsSchema>
