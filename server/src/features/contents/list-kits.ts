import { randomUUID } from 'node:crypto'
import type { ConfirmList } from '@binoculum/contract'
import {
  changesOf,
  families,
  roleFacts,
  type Family,
  type ListedKit,
  type ListedPart,
  inCaseOrder,
} from '@binoculum/core'
import { insertMany } from '../../platform/bulk.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import {
  bumpKitVersion,
  insertKit,
  lockKit,
  Model,
  ModelPartRow,
  outdateWeighings,
  PartRow,
} from '../store/service.ts'
import { modelParts } from './model-queries.ts'
import { kitsWithCodes, modelsByName, partsToCompare, type KnownKit } from './queries.ts'

/** Declared masses are good to two per cent, a gram at least. Common practice, no source. */
const MASS_TOLERANCE = 0.02
/** Where nothing is known of a model: the finder stands up and to the left of the tube's axis. No source. */
const ASSUMED_FINDER_OFFSET_MM = { x: -70, y: 90 }

type Chosen = ConfirmList['kits'][number]

export interface PreparedModels {
  /** By the name that family and tube give. */
  readonly byName: ReadonlyMap<
    string,
    { readonly id: string; readonly parts: readonly { id: string; name: string }[] }
  >
  readonly made: readonly string[]
}

export interface ListAct {
  readonly branchId: string
  readonly staffId: string
  readonly at: Date
  readonly fileName: string
}

const modelName = ({ family, apertureMm, focalLengthMm }: Chosen) =>
  `${families[family]} ${apertureMm}/${focalLengthMm}`

/** Finds or makes the models of new kits: kits of one family and tube share one, with the first kit's card. */
export async function prepareModels(
  tx: Tx,
  branchId: string,
  chosen: readonly Chosen[],
  listed: ReadonlyMap<string, ListedKit>,
): Promise<PreparedModels> {
  const first = new Map<string, Chosen>()
  for (const each of chosen) if (!first.has(modelName(each))) first.set(modelName(each), each)
  const byName = new Map<string, { id: string; parts: readonly { id: string; name: string }[] }>()
  for (const { id, name } of await modelsByName(tx, branchId, [...first.keys()]))
    byName.set(name, { id, parts: await modelParts(tx, id) })
  const made: string[] = []
  for (const [name, each] of first) {
    if (byName.has(name)) continue
    const kit = listed.get(each.code)
    const id = randomUUID()
    const parts = inCaseOrder(kit?.parts ?? []).map((part, index) => ({
      ...templateOf(part),
      id: randomUUID(),
      modelId: id,
      position: index + 1,
    }))
    await tx.insert(Model, {
      id,
      branchId,
      name,
      family: each.family,
      optics: opticsOf(each, kit?.parts ?? []),
      weighGroups: [],
      version: 1,
    } as never)
    await insertMany(tx, ModelPartRow, parts)
    byName.set(name, { id, parts })
    made.push(id)
  }
  return { byName, made }
}

const opticsKind = (family: Family, parts: readonly ListedPart[]) => {
  if (family === 'tripod-refractor') return 'refractor'
  if (family === 'equatorial-maksutov') return 'maksutov'
  return parts.some(({ name }) => /maksutov|\bmak\b/i.test(name)) ? 'maksutov' : 'newtonian'
}

function opticsOf({ family, apertureMm, focalLengthMm, guessed }: Chosen, parts: readonly ListedPart[]) {
  const kind = opticsKind(family, parts)
  return {
    apertureMm,
    focalLengthMm,
    primaryFocalLengthMm: focalLengthMm,
    kind,
    collimatable: kind === 'newtonian',
    mirrorFigure: 'unknown',
    collapsible: false,
    finderOffsetMm: ASSUMED_FINDER_OFFSET_MM,
    peepholeOutsideFocusMm: 0,
    ...(guessed.length > 0 ? { guessed } : {}),
  }
}

function templateOf(part: ListedPart) {
  const { name, role, criticality, count, massG, place, focalLengthMm, barlow } = part
  return {
    name,
    role,
    criticality,
    count,
    massG,
    toleranceG: massG === null ? null : Math.max(1, massG * MASS_TOLERANCE),
    weighGroup: '',
    place,
    lookEveryTime: roleFacts(role).lookEveryTime ?? false,
    lookFor: '',
    costMinor: null,
    consumable: null,
    optics: { ...(focalLengthMm ? { focalLengthMm } : {}), ...(barlow ? { barlow } : {}) },
  }
}

/** One new kit, whole. Its parts follow the model's of the same name, one by one. */
export async function bringKitIn(
  tx: Tx,
  { chosen, kit, models, act }: { chosen: Chosen; kit: ListedKit; models: PreparedModels; act: ListAct },
): Promise<void> {
  const model = models.byName.get(modelName(chosen))
  if (!model) throw new RangeError(`no model was prepared for ${chosen.code}`)
  if ((await kitsWithCodes(tx, [chosen.code])).length > 0) throw new Problem('CODE_TAKEN')
  const kitId = randomUUID()
  const left = [...model.parts]
  const parts = inCaseOrder(kit.parts).map((part, index) => {
    const at = left.findIndex(({ name }) => name.toLowerCase() === part.name.toLowerCase())
    const own = at < 0 ? undefined : left.splice(at, 1)[0]
    return newPart(part, { kitId, position: index + 1, modelPartId: own?.id ?? null })
  })
  const row = {
    id: kitId,
    branchId: act.branchId,
    modelId: model.id,
    code: chosen.code,
    name: chosen.name,
    place: 'not shelved yet',
    standsAt: 'bench' as const,
    collimationPolicy: 'leave-it-to-us',
    ownFinder: null,
    hazards: [],
    headMomentGmm: null,
    owner: '',
    serialNumber: '',
    priceMinor: null,
    note: '',
    version: 1,
  }
  await insertKit(tx, { model: null, kit: row, parts })
  const { branchId, staffId, at, fileName } = act
  await appendRecord(tx, {
    act: 'brought-in',
    at,
    branchId,
    staffId,
    kitId,
    after: { file: fileName, parts: parts.length },
  })
}

/** A part that is on the list was not looked at by us yet. */
const newPart = (part: ListedPart, place: { kitId: string; position: number; modelPartId: string | null }) => ({
  ...templateOf(part),
  ...place,
  id: randomUUID(),
  presentCount: 0,
  mark: 'unseen',
  note: part.note,
  weighed: false,
})

/** One kit that is here, brought up to what the list says; what the list leaves out stays. */
export async function bringUpToDate(
  tx: Tx,
  { kit, here, act }: { kit: ListedKit; here: KnownKit; act: ListAct },
): Promise<void> {
  await lockKit(tx, here.id)
  const existing = await partsToCompare(tx, [here.id])
  const changes = changesOf(existing, kit.parts)
  let position = Math.max(0, ...existing.map((part) => part.position))
  for (const change of changes) {
    if (change.kind === 'new')
      await tx.insert(
        PartRow,
        newPart(change.listed, { kitId: here.id, position: ++position, modelPartId: null }) as never,
      )
    if (change.kind !== 'changed') continue
    const own = existing.find(({ id }) => id === change.id)
    const { count, massG } = change.set
    const grew = count !== undefined && own !== undefined && count > own.count && own.mark === 'present'
    await tx.update(
      PartRow,
      { id: change.id },
      {
        ...change.set,
        ...(count === undefined ? {} : { presentCount: Math.min(own?.presentCount ?? 0, count) }),
        // More of them than were counted: somebody has to look.
        ...(grew ? { mark: 'unseen' } : {}),
        ...(massG === undefined ? {} : { toleranceG: Math.max(1, massG * MASS_TOLERANCE) }),
      },
    )
  }
  await outdateWeighings(tx, here.id, 'all')
  await bumpKitVersion(tx, here.id)
  const named = changes.flatMap((change) =>
    change.kind === 'new' ? [change.listed.name] : change.kind === 'changed' ? [change.name] : [],
  )
  const { branchId, staffId, at, fileName } = act
  await appendRecord(tx, {
    act: 'brought-up-to-date',
    at,
    branchId,
    staffId,
    kitId: here.id,
    after: { file: fileName, parts: named },
  })
}
