import type { Criticality, Role } from './roles.ts'

/** What a part of a model says of the same part in its kits. */
export interface TemplatePart {
  readonly name: string
  readonly role: Role
  readonly criticality: Criticality
  readonly count: number
  readonly massG: number | null
  readonly toleranceG: number | null
  readonly weighGroup: string
  readonly place: string
  readonly lookEveryTime: boolean
  readonly costMinor: number | null
}

export const templateFields = [
  'name',
  'role',
  'criticality',
  'count',
  'massG',
  'toleranceG',
  'weighGroup',
  'place',
  'lookEveryTime',
  'costMinor',
] as const satisfies readonly (keyof TemplatePart)[]

export type TemplateField = (typeof templateFields)[number]

/** Fields in which a kit may differ because it was weighed or counted, which is no difference of kind. */
const measured: readonly TemplateField[] = ['massG', 'toleranceG']

export type Difference =
  | { readonly kind: 'lacks'; readonly name: string }
  | { readonly kind: 'has-besides'; readonly name: string }
  | {
      readonly kind: 'differs'
      readonly name: string
      readonly field: TemplateField
      readonly own: string
      readonly model: string
    }

const textOf = (value: unknown) => (value === null || value === '' ? '–' : String(value))

/** Where a kit really differs from its model: parts it lacks or has besides, and fields of the others. Masses differ from
 * copy to copy, so they count only beyond both doubts. */
export function kitDifferences(
  modelParts: readonly (TemplatePart & { readonly id: string })[],
  kitParts: readonly (TemplatePart & { readonly modelPartId: string | null })[],
): readonly Difference[] {
  const ofModel = new Map(modelParts.map((part) => [part.id, part]))
  const lacking = modelParts.filter(({ id }) => !kitParts.some(({ modelPartId }) => modelPartId === id))
  return [
    ...lacking.map(({ name }) => ({ kind: 'lacks', name }) as const),
    ...kitParts.flatMap((part): Difference[] => {
      const model = part.modelPartId === null ? undefined : ofModel.get(part.modelPartId)
      if (!model) return [{ kind: 'has-besides', name: part.name }]
      return templateFields
        .filter((field) => field !== 'toleranceG' && differs(part, model, field))
        .map((field) => ({
          kind: 'differs',
          name: part.name,
          field,
          own: textOf(part[field]),
          model: textOf(model[field]),
        }))
    }),
  ]
}

function differs(own: TemplatePart, model: TemplatePart, field: TemplateField): boolean {
  if (field !== 'massG') return own[field] !== model[field]
  if (own.massG === null || model.massG === null) return own.massG !== model.massG
  return Math.abs(own.massG - model.massG) > (own.toleranceG ?? 0) + (model.toleranceG ?? 0)
}

/** What a kit's part becomes when its model changes: fields that followed the model follow it still, those in which the
 * kit really differs stay. A mass that was weighed in the kit itself is never replaced by a declared one. */
export function followModel(
  own: TemplatePart,
  before: TemplatePart,
  after: TemplatePart,
  { weighedHere }: { readonly weighedHere: boolean },
): TemplatePart {
  const next: Record<string, unknown> = { ...own }
  for (const field of templateFields) {
    if (weighedHere && measured.includes(field)) continue
    if (own[field] === before[field]) next[field] = after[field]
  }
  return next as unknown as TemplatePart
}
