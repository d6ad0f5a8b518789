import { randomUUID } from 'node:crypto'
import {
  finderDataSchema,
  mirrorDataSchema,
  modelOpticsSchema,
  mountDataSchema,
  procedureSchema,
  standDataSchema,
  type ModelList,
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
  kitDifferences,
  starterCard,
  starterFacts,
  templateProcedure,
  type Family,
} from '@binoculum/core'
import { branchIdsOf, coordinatorOnly, requireRole, signedInAs } from '../../platform/access.ts'
import { insertMany } from '../../platform/bulk.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { once } from '../../platform/sent-once.ts'
import { appendRecords } from '../../platform/record.ts'
import { stepTimesOfModel } from '../checks/service.ts'
import { wireProcedure } from '../sheet/service.ts'
import { Model, ModelPartRow } from '../store/service.ts'
import { carryIntoKits, keepModelParts, type WrittenPart } from './model-card.ts'
import * as queries from './model-queries.ts'
import { requireOwnPictures } from './pictures.ts'

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
    if (!model || ![model, ...kits].some(({ branchId }) => branchIds.includes(branchId)))
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
      mayChange: mayChange(session, model, kits),
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
      if (!mayChange(session, model, kits)) throw new Problem('NOT_ALLOWED')
      if (model.version !== given.version)
        throw new Problem('MODEL_CHANGED', { details: { now: await this.sheet(session, modelId, tx) } })
      const before = await queries.modelParts(tx, modelId)
      const known = new Set(before.map(({ id }) => id))
      const parts = given.parts.map((part, index): WrittenPart => {
        if (part.id !== null && !known.has(part.id))
          throw new Problem('BAD_INPUT', {
            issues: [{ path: `parts.${index}.id`, message: 'is no part of this model' }],
          })
        return { ...part, id: part.id ?? randomUUID(), position: index + 1 }
      })
      const kept = new Set(before.map(({ pictureId }) => pictureId))
      const fresh = parts.flatMap(({ pictureId }) => (pictureId === null || kept.has(pictureId) ? [] : [pictureId]))
      await requireOwnPictures(
        tx,
        [model, ...kits].map(({ branchId }) => branchId),
        fresh,
        'parts',
      )
      await tx.update(
        Model,
        { id: modelId },
        { name: given.name, weighGroups: given.weighGroups, version: model.version + 1 },
      )
      const kitParts = await queries.kitPartsOfModel(tx, modelId)
      await keepModelParts(tx, modelId, before, parts)
      await carryIntoKits(tx, { kits, before, parts, kitParts })
      await this.record(tx, session, kits, {
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
          const { branchId } = given
          const optics = newOptics(given)
          await tx.insert(Model, { id, branchId, name, family, optics, weighGroups: [], version: 1 } as never)
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
      if (!mayChange(session, model, kits)) throw new Problem('NOT_ALLOWED')
      if (model.version !== version)
        throw new Problem('MODEL_CHANGED', { details: { now: await this.sheet(session, modelId, tx) } })
      await tx.update(Model, { id: modelId }, { ...fields, version: version + 1 } as never)
      const [changed] = Object.keys(fields)
      await this.record(tx, session, kits, { before: { changed }, after: { model: model.name, changed } })
      return this.sheet(session, modelId, tx)
    })
  }

  /** A change of a model stands in the record of each kit that it changes. */
  private record(
    tx: Tx,
    session: Session,
    kits: readonly queries.KitOfModel[],
    change: { readonly before: object; readonly after: object },
  ): Promise<void> {
    const at = this.context.clock()
    const { staffId } = session
    return appendRecords(
      tx,
      kits.map(({ id: kitId, branchId }) => ({ act: 'model-changed', at, branchId, staffId, kitId, ...change })),
    )
  }

  /** A new model with the same card, for kits that differ a little. */
  async copy(session: Session, modelId: string, name: string): Promise<ModelSheet> {
    const sheet = await this.sheet(session, modelId)
    const coordinated = session.memberships
      .filter(({ role }) => role === 'coordinator')
      .map(({ branchId }) => branchId)
    const model = await queries.modelById(this.context.database.reader, modelId)
    // Whoever takes a copy owns it: where they coordinate the model's own branch, that; else one of theirs.
    const branchId = coordinated.find((id) => id === model?.branchId) ?? coordinated[0]
    if (!branchId) throw new Problem('NOT_ALLOWED')
    return this.context.database.inTransaction(async (tx) => {
      const id = randomUUID()
      const { family, optics, weighGroups, parts, mount, mirror, finder, stand } = sheet
      const procedure = sheet.procedureIsTemplate ? null : sheet.procedure
      await tx.insert(Model, {
        ...{ id, branchId, name, family, optics, weighGroups, mount, mirror, finder, stand, procedure, version: 1 },
      } as never)
      await insertMany(
        tx,
        ModelPartRow,
        parts.map((part) => ({ ...part, id: randomUUID(), modelId: id })),
      )
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

/** Whoever coordinates the branch that it belongs to, and every branch whose kits the change would reach. */
const mayChange = (session: Session, model: queries.ModelRow, kits: readonly queries.KitOfModel[]) =>
  [model, ...kits].every(({ branchId }) => signedInAs(session, branchId, 'coordinator'))
