import { randomUUID } from 'node:crypto'
import type { ModelPart, WriteModel } from '@binoculum/contract'
import { followModel } from '@binoculum/core'
import { insertMany, updateMany } from '../../platform/bulk.ts'
import { changedRows, type Tx } from '../../platform/database.ts'
import { ModelPartRow, PartRow, bumpKitVersions, outdateWeighings } from '../store/service.ts'
import type * as queries from './model-queries.ts'

/** A line of a model's card as it was just written. */
export type WrittenPart = WriteModel['parts'][number] & { readonly id: string; readonly position: number }

/** Writes a model's own parts: three statements, however many there are. */
export async function keepModelParts(
  tx: Tx,
  modelId: string,
  before: readonly ModelPart[],
  parts: readonly WrittenPart[],
): Promise<void> {
  const known = new Set(before.map(({ id }) => id))
  const kept = parts.filter(({ id }) => known.has(id))
  const gone = before.filter(({ id }) => !parts.some((part) => part.id === id))
  await deleteRows(tx, 'model_part', gone)
  await updateMany(tx, ModelPartRow, kept)
  const added = parts.filter(({ id }) => !known.has(id)).map((part) => ({ ...part, modelId }))
  await insertMany(tx, ModelPartRow, added)
}

/** Kits follow their model field by field; a part that is new in the model waits in each kit to be counted. As many
 * statements for two hundred kits as for one. */
export async function carryIntoKits(
  tx: Tx,
  given: {
    readonly kits: readonly queries.KitOfModel[]
    readonly before: readonly ModelPart[]
    readonly parts: readonly WrittenPart[]
    readonly kitParts: readonly queries.KitPartOfModel[]
  },
): Promise<void> {
  const ofKits = given.kits.map((kit) => carriedInto(kit.id, given))
  await deleteRows(
    tx,
    'part',
    ofKits.flatMap(({ gone }) => gone),
  )
  await updateMany(
    tx,
    PartRow,
    ofKits.flatMap(({ followed }) => followed),
  )
  await insertMany(
    tx,
    PartRow,
    ofKits.flatMap(({ added }) => added),
  )
  await updateMany(
    tx,
    PartRow,
    ofKits.flatMap(({ order }) => order.map(({ id }, index) => ({ id, position: index + 1 }))),
  )
  const kitIds = given.kits.map(({ id }) => id)
  if (weighsOtherwise(given.before, given.parts)) await outdateWeighings(tx, kitIds, 'all')
  await bumpKitVersions(tx, kitIds)
}

/** What one kit's parts become: those that follow, new ones, those taken off the card, and the order of all. */
function carriedInto(
  kitId: string,
  given: {
    readonly before: readonly ModelPart[]
    readonly parts: readonly WrittenPart[]
    readonly kitParts: readonly queries.KitPartOfModel[]
  },
) {
  const own = given.kitParts.filter((part) => part.kitId === kitId)
  const followed = []
  const added = []
  const order: { id: string; place: string }[] = []
  for (const part of given.parts) {
    const old = given.before.find(({ id }) => id === part.id)
    const inKit = old && own.find(({ modelPartId }) => modelPartId === part.id)
    // A kit that lacked the part before lacks it still: that is a real difference.
    if (old && !inKit) continue
    const row = inKit ? followedPart(inKit, old, part) : addedPart(kitId, part)
    if (inKit) followed.push(row)
    else added.push(row)
    order.push({ id: row.id, place: row.place })
  }
  const gone = own.filter(({ modelPartId }) => modelPartId && !given.parts.some(({ id }) => id === modelPartId))
  const besides = own.filter(({ modelPartId }) => modelPartId === null)
  return { followed, added, gone, order: withBesides(order, besides) }
}

function followedPart(own: queries.KitPartOfModel, before: ModelPart, after: WrittenPart) {
  const next = followModel(own, before, after, { weighedHere: own.weighed })
  const grew = next.count > own.count && own.mark === 'present'
  return {
    id: own.id,
    name: next.name,
    role: next.role,
    criticality: next.criticality,
    count: next.count,
    massG: next.massG,
    toleranceG: next.toleranceG,
    weighGroup: next.weighGroup,
    together: after.together,
    place: next.place,
    lookEveryTime: next.lookEveryTime,
    costMinor: next.costMinor,
    lookFor: after.lookFor,
    optics: after.optics,
    consumable: after.consumable,
    presentCount: Math.min(own.presentCount, next.count),
    // More of them than were counted: somebody has to look.
    mark: grew ? 'unseen' : own.mark,
  }
}

function addedPart(kitId: string, part: WrittenPart) {
  const { id: modelPartId, pictureId: _picture, ...rest } = part
  return { ...rest, id: randomUUID(), kitId, modelPartId, presentCount: 0, mark: 'unseen', weighed: false }
}

const deleteRows = (tx: Tx, table: 'part' | 'model_part', rows: readonly { readonly id: string }[]) =>
  rows.length === 0
    ? Promise.resolve([])
    : changedRows(tx, `DELETE FROM ${table} WHERE id = ANY($1) RETURNING id`, [rows.map(({ id }) => id)])

/** Parts that only this kit has stand after the last one of their place. */
function withBesides(
  order: readonly { id: string; place: string }[],
  besides: readonly { id: string; place: string }[],
): readonly { id: string; place: string }[] {
  return besides.reduce<readonly { id: string; place: string }[]>((list, part) => {
    const last = list.findLastIndex(({ place }) => place === part.place)
    const at = last < 0 ? list.length : last + 1
    return [...list.slice(0, at), part, ...list.slice(at)]
  }, order)
}

const weighsOtherwise = (before: readonly ModelPart[], after: readonly WrittenPart[]): boolean => {
  const weight = (parts: readonly (ModelPart | WrittenPart)[]) =>
    JSON.stringify(
      parts
        .map(({ id, count, massG, weighGroup }) => [id, count, massG, weighGroup])
        .sort((a, b) => String(a[0]).localeCompare(String(b[0]))),
    )
  return weight(before) !== weight(after)
}
