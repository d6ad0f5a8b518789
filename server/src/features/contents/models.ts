import { randomUUID } from 'node:crypto'
import {
  finderDataSchema,
  mirrorDataSchema,
  modelOpticsSchema,
  mountDataSchema,
  procedureSchema,
  standDataSchema,
  type ModelList,
  type ModelPart,
  type ModelSheet,
  type NewModel,
  type Session,
  type WriteFinder,
  type WriteHead,
  type WriteMirror,
  type WriteModel,
  type WriteMount,
  type WriteProcedure,
} from '@binoculum/contract'
import {
  finderKindOnCard,
  followModel,
  kitDifferences,
  starterCard,
  starterFacts,
  templateProcedure,
  type Family,
} from '@binoculum/core'
import { branchIdsOf, coordinatorOnly, requireRole } from '../../platform/access.ts'
import { insertMany } from '../../platform/bulk.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { once } from '../../platform/sent-once.ts'
import { appendRecord } from '../../platform/record.ts'
import { stepTimesOfModel } from '../checks/service.ts'
import { wireProcedure } from '../sheet/service.ts'
import { Model, ModelPartRow, PartRow, bumpKitVersion, outdateWeighings } from '../store/service.ts'
import * as queries from './model-queries.ts'

type Written = WriteModel['parts'][number] & { readonly id: string; readonly position: number }

/** Models: what their kits should have in the case, in which order, how heavy, and how much it is needed. */
export class Models {
  constructor(private readonly context: Context) {}

  async list(session: Session): Promise<ModelList> {
    const rows = await queries.modelsOfBranches(this.context.database.reader, branchIdsOf(session))
    return { models: rows.map((row) => ({ ...row, family: row.family as Family })) }
  }

  async sheet(session: Session, modelId: string, tx = this.context.database.reader): Promise<ModelSheet> {
    const model = await queries.modelById(tx, modelId)
    const kits = await queries.kitsOfModel(tx, modelId)
    const branchIds = branchIdsOf(session)
    if (!model || (kits.length > 0 && !kits.some(({ branchId }) => branchIds.includes(branchId))))
      throw new Problem('NOT_FOUND')
    const parts = await queries.modelParts(tx, modelId)
    const kitParts = await queries.kitPartsOfModel(tx, modelId)
    const family = model.family as Family
    const optics = modelOpticsSchema.parse(model.optics)
    const own = procedureSchema.nullable().parse(model.procedure)
    const stand = standDataSchema.nullable().parse(model.stand)
    const template = {
      family,
      collapsible: optics.collapsible,
      parts: parts.map(({ role }) => role),
      stand,
      finderKind: finderKindOnCard(parts),
    }
    return {
      ...model,
      family,
      optics,
      mount: mountDataSchema.nullable().parse(model.mount),
      stand,
      mirror: mirrorDataSchema.nullable().parse(model.mirror),
      finder: finderDataSchema.nullable().parse(model.finder),
      finderOffsetMm: optics.finderOffsetMm,
      procedure: own ?? wireProcedure(templateProcedure(template)),
      procedureIsTemplate: own === null,
      stepTimes: [...(await stepTimesOfModel(tx, modelId))],
      parts,
      mayChange: mayChange(session, kits),
      kits: kits
        .filter(({ branchId }) => branchIds.includes(branchId))
        .map(({ id, code, name }) => ({
          code,
          name,
          isYours: true,
          differences: [
            ...kitDifferences(
              parts,
              kitParts.filter(({ kitId }) => kitId === id),
            ),
          ],
        })),
    }
  }

  /** Writes a model's card and carries the change into its kits, where they followed it. All in one transaction. */
  async write(session: Session, modelId: string, given: WriteModel): Promise<ModelSheet> {
    return this.context.database.inTransaction(async (tx) => {
      const model = await queries.modelById(tx, modelId, true)
      const kits = await queries.kitsOfModel(tx, modelId)
      if (!model) throw new Problem('NOT_FOUND')
      if (!mayChange(session, kits)) throw new Problem('NOT_ALLOWED')
      if (model.version !== given.version)
        throw new Problem('MODEL_CHANGED', { details: { now: await this.sheet(session, modelId, tx) } })
      const before = await queries.modelParts(tx, modelId)
      const known = new Set(before.map(({ id }) => id))
      const parts = given.parts.map((part, index): Written => {
        if (part.id !== null && !known.has(part.id))
          throw new Problem('BAD_INPUT', {
            issues: [{ path: `parts.${index}.id`, message: 'is no part of this model' }],
          })
        return { ...part, id: part.id ?? randomUUID(), position: index + 1 }
      })
      await tx.update(
        Model,
        { id: modelId },
        { name: given.name, weighGroups: given.weighGroups, version: model.version + 1 },
      )
      const kitParts = await queries.kitPartsOfModel(tx, modelId)
      await this.keepParts(tx, modelId, before, parts)
      await this.carryIntoKits(tx, { kits, before, parts, kitParts })
      for (const kit of kits)
        await appendRecord(tx, {
          act: 'model-changed',
          at: this.context.clock(),
          branchId: kit.branchId,
          staffId: session.staffId,
          kitId: kit.id,
          before: { parts: before.length },
          after: { model: given.name, parts: parts.length },
        })
      return this.sheet(session, modelId, tx)
    })
  }

  /** A model from nothing: what it is, and its family's starter card. */
  async create(session: Session, given: NewModel): Promise<ModelSheet> {
    requireRole(session, given.branchId, coordinatorOnly)
    const { database } = this.context
    const { modelId } = await database.inTransaction((tx) =>
      once(
        tx,
        { key: given.idempotencyKey, staffId: session.staffId, sentFor: `new-model ${given.branchId}`, may: 'own' },
        async () => {
          const id = randomUUID()
          const { name, family, eyepiecesMm } = given
          await tx.insert(Model, { id, name, family, optics: newOptics(given), weighGroups: [], version: 1 } as never)
          const parts = starterCard(family, eyepiecesMm).map((part, index) => ({
            ...part,
            ...starterFacts(part.role),
            id: randomUUID(),
            modelId: id,
            position: index + 1,
            massG: null,
            toleranceG: null,
            weighGroup: '',
            together: '',
            lookFor: '',
            costMinor: null,
            consumable: null,
            pictureId: null,
          }))
          await insertMany(tx, ModelPartRow, parts)
          return { modelId: id }
        },
      ),
    )
    return this.sheet(session, modelId)
  }

  /** What the model is: told here, it is no guess any more. */
  async writeHead(session: Session, modelId: string, given: WriteHead): Promise<ModelSheet> {
    const before = await queries.modelById(this.context.database.reader, modelId)
    if (!before) throw new Problem('NOT_FOUND')
    const known = modelOpticsSchema.parse(before.optics)
    const { name, family, collapsible, focuserFemaleMm } = given
    // A primary of its own focal length was measured apart; else it goes with the tube's.
    const followed = known.primaryFocalLengthMm === known.focalLengthMm
    const fresh = newOptics(given)
    const optics = {
      ...known,
      apertureMm: fresh.apertureMm,
      focalLengthMm: fresh.focalLengthMm,
      ...(followed ? { primaryFocalLengthMm: fresh.focalLengthMm } : {}),
      ...(known.kind === given.kind ? {} : { kind: given.kind, collimatable: fresh.collimatable }),
      collapsible,
      focuserFemaleMm: focuserFemaleMm ?? undefined,
      guessed: undefined,
    }
    return this.change(session, modelId, given.version, { name, family, optics })
  }

  /** Writes what mount and tube measure. Kits keep what they learnt of their heads: that is the head's own. */
  async writeMount(session: Session, modelId: string, given: WriteMount): Promise<ModelSheet> {
    const stand = given.stand === undefined ? {} : { stand: given.stand }
    return this.change(session, modelId, given.version, { mount: given.mount, ...stand })
  }

  /** Writes what mirrors, cell and cap measure, and the optics that lining up goes by. */
  async writeMirror(session: Session, modelId: string, given: WriteMirror): Promise<ModelSheet> {
    const before = await queries.modelById(this.context.database.reader, modelId)
    if (!before) throw new Problem('NOT_FOUND')
    const optics = { ...(before.optics as object), ...given.optics }
    return this.change(session, modelId, given.version, { mirror: given.mirror, optics })
  }

  /** Writes what the finder is, how the tube focuses, and where the finder sits on kits that weren't measured themselves. */
  async writeFinder(session: Session, modelId: string, given: WriteFinder): Promise<ModelSheet> {
    const before = await queries.modelById(this.context.database.reader, modelId)
    if (!before) throw new Problem('NOT_FOUND')
    const optics = { ...(before.optics as object), finderOffsetMm: given.finderOffsetMm }
    return this.change(session, modelId, given.version, { finder: given.finder, optics })
  }

  /** Writes the model's own steps; null goes back to the family's. */
  async writeProcedure(session: Session, modelId: string, given: WriteProcedure): Promise<ModelSheet> {
    return this.change(session, modelId, given.version, { procedure: given.procedure })
  }

  private change(
    session: Session,
    modelId: string,
    version: number,
    fields:
      | { readonly mount: WriteMount['mount']; readonly stand?: WriteMount['stand'] }
      | { readonly name: string; readonly family: Family; readonly optics: object }
      | { readonly mirror: WriteMirror['mirror']; readonly optics: object }
      | { readonly finder: WriteFinder['finder']; readonly optics: object }
      | { readonly procedure: WriteProcedure['procedure'] },
  ): Promise<ModelSheet> {
    return this.context.database.inTransaction(async (tx) => {
      const model = await queries.modelById(tx, modelId, true)
      const kits = await queries.kitsOfModel(tx, modelId)
      if (!model) throw new Problem('NOT_FOUND')
      if (!mayChange(session, kits)) throw new Problem('NOT_ALLOWED')
      if (model.version !== version)
        throw new Problem('MODEL_CHANGED', { details: { now: await this.sheet(session, modelId, tx) } })
      await tx.update(Model, { id: modelId }, { ...fields, version: version + 1 } as never)
      for (const kit of kits)
        await appendRecord(tx, {
          act: 'model-changed',
          at: this.context.clock(),
          branchId: kit.branchId,
          staffId: session.staffId,
          kitId: kit.id,
          before: { changed: Object.keys(fields)[0] },
          after: { model: model.name, changed: Object.keys(fields)[0] },
        })
      return this.sheet(session, modelId, tx)
    })
  }

  private async keepParts(
    tx: Tx,
    modelId: string,
    before: readonly ModelPart[],
    parts: readonly Written[],
  ): Promise<void> {
    for (const { id } of before) if (!parts.some((part) => part.id === id)) await tx.delete(ModelPartRow, { id })
    for (const part of parts) {
      if (before.some(({ id }) => id === part.id)) await tx.update(ModelPartRow, { id: part.id }, part as never)
      else await tx.insert(ModelPartRow, { ...part, modelId } as never)
    }
  }

  /** Kits follow their model field by field; a part that is new in the model waits in each kit to be counted. */
  private async carryIntoKits(
    tx: Tx,
    given: {
      readonly kits: readonly queries.KitOfModel[]
      readonly before: readonly ModelPart[]
      readonly parts: readonly Written[]
      readonly kitParts: readonly queries.KitPartOfModel[]
    },
  ): Promise<void> {
    for (const kit of given.kits) {
      const own = given.kitParts.filter(({ kitId }) => kitId === kit.id)
      await tx.query('UPDATE part SET position = position + 1000 WHERE kit_id = $1', [kit.id])
      const order: { id: string; place: string }[] = []
      for (const part of given.parts) {
        const old = given.before.find(({ id }) => id === part.id)
        const inKit = old && own.find(({ modelPartId }) => modelPartId === part.id)
        // A kit that lacked the part before lacks it still: that is a real difference.
        if (old && !inKit) continue
        order.push(inKit ? await updatePart(tx, inKit, old, part) : await addPart(tx, kit.id, part))
      }
      const gone = own.filter(({ modelPartId }) => modelPartId && !given.parts.some(({ id }) => id === modelPartId))
      for (const { id } of gone) await tx.delete(PartRow, { id })
      const besides = own.filter(({ modelPartId }) => modelPartId === null)
      for (const [index, { id }] of withBesides(order, besides).entries())
        await tx.update(PartRow, { id }, { position: index + 1 })
      const massesChanged = weighsOtherwise(given.before, given.parts)
      if (massesChanged) await outdateWeighings(tx, kit.id, 'all')
      await bumpKitVersion(tx, kit.id)
    }
  }

  /** A new model with the same card, for kits that differ a little. */
  async copy(session: Session, modelId: string, name: string): Promise<ModelSheet> {
    const sheet = await this.sheet(session, modelId)
    return this.context.database.inTransaction(async (tx) => {
      const id = randomUUID()
      const { family, optics, weighGroups, parts, mount, mirror, finder, stand } = sheet
      const procedure = sheet.procedureIsTemplate ? null : sheet.procedure
      await tx.insert(Model, {
        ...{ id, name, family, optics, weighGroups, mount, mirror, finder, stand, procedure, version: 1 },
      } as never)
      for (const part of parts) await tx.insert(ModelPartRow, { ...part, id: randomUUID(), modelId: id } as never)
      return this.sheet(session, id, tx)
    })
  }
}

/** Where a finder usually sits, until somebody measures it. Common practice, no source. */
const ASSUMED_FINDER_OFFSET_MM = { x: -70, y: 96 }

const newOptics = ({ apertureMm, focalLengthMm, kind }: Pick<NewModel, 'apertureMm' | 'focalLengthMm' | 'kind'>) => ({
  apertureMm,
  focalLengthMm,
  primaryFocalLengthMm: focalLengthMm,
  kind,
  collimatable: kind === 'newtonian',
  mirrorFigure: 'unknown',
  collapsible: false,
  finderOffsetMm: ASSUMED_FINDER_OFFSET_MM,
  peepholeOutsideFocusMm: 0,
})

const mayChange = (session: Session, kits: readonly queries.KitOfModel[]) =>
  kits.every(({ branchId }) =>
    session.memberships.some((own) => own.branchId === branchId && own.role === 'coordinator'),
  )

async function updatePart(tx: Tx, own: queries.KitPartOfModel, before: ModelPart, after: Written) {
  const next = followModel(own, before, after, { weighedHere: own.weighed })
  const grew = next.count > own.count && own.mark === 'present'
  await tx.update(PartRow, { id: own.id }, {
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
    ...(grew ? { mark: 'unseen' } : {}),
  } as never)
  return { id: own.id, place: next.place }
}

async function addPart(tx: Tx, kitId: string, part: Written) {
  const { id: modelPartId, pictureId: _picture, ...rest } = part
  const id = randomUUID()
  await tx.insert(PartRow, {
    ...rest,
    id,
    kitId,
    modelPartId,
    presentCount: 0,
    mark: 'unseen',
    weighed: false,
  } as never)
  return { id, place: part.place }
}

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

const weighsOtherwise = (before: readonly ModelPart[], after: readonly Written[]): boolean => {
  const weight = (parts: readonly (ModelPart | Written)[]) =>
    JSON.stringify(
      parts
        .map(({ id, count, massG, weighGroup }) => [id, count, massG, weighGroup])
        .sort((a, b) => String(a[0]).localeCompare(String(b[0]))),
    )
  return weight(before) !== weight(after)
}
