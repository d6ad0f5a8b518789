import {
  finderDataSchema,
  mirrorDataSchema,
  mountDataSchema,
  procedureSchema,
  standDataSchema,
  type FinderDataView,
  type KitSheet,
  type OwnFinder,
  type Part,
  type ProcedureView,
  type Session,
} from '@binoculum/contract'
import {
  finderKindOnCard,
  finderOnCard,
  templateProcedure,
  usualFinder,
  type Family,
  type FinderPart,
  type GuideInput,
  type HazardCode,
  type JobCode,
  type KitOnMount,
  type Procedure,
} from '@binoculum/core'
import { requireRole, deskRoles } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import {
  fieldOfRow,
  opticsOf,
  policiesOf,
  shelfKit,
  type OneKit,
  type Shelf,
  type ShelfRow,
} from '../judgement/service.ts'
import { claimKitVersion, extrasOf, type Claimed, type KitStore } from '../store/service.ts'
import * as queries from './queries.ts'

const HISTORY_LINES = 40

/** A kit as the features that show something of it get it. */
export interface ShownKit {
  readonly row: ShelfRow
  readonly parts: readonly Part[]
}

/** What one feature shows on every kit's sheet. */
export type SheetPart = (tx: Tx, kit: ShownKit) => Promise<Partial<KitSheet>>

/** A kit's optics: its finder sits where somebody measured it, else where its model says. */
const ownOptics = (row: ShelfRow, own: OwnFinder | null) => {
  const optics = opticsOf(row)
  return own ? { ...optics, finderOffsetMm: own.offsetMm } : optics
}

/** What a kit has from its model: mount, mirrors, finder and steps. */
function modelsOwn(row: OneKit, card: readonly FinderPart[]) {
  const { model } = row
  const optics = opticsOf(row)
  const { collapsible } = optics
  const stand = standDataSchema.nullable().parse(model.stand)
  // What lies on this very card decides: not what its model once had.
  const parts = card.map(({ role }) => role)
  const described = finderDataSchema.nullable().parse(model.finder)
  const isTold = finderKindOnCard(card) !== null
  return {
    mount: mountDataSchema.nullable().parse(model.mount),
    mirror: mirrorDataSchema.nullable().parse(model.mirror),
    stand,
    finder: described || isTold ? wireFinder(finderOnCard(described ?? usualFinder(optics), card)) : null,
    ownFinder: model.ownFinder,
    headMomentGmm: row.headMomentGmm,
    procedure:
      procedureSchema.nullable().parse(model.procedure) ??
      wireProcedure(
        templateProcedure({
          family: row.family as Family,
          collapsible,
          parts,
          stand,
          finderKind: finderKindOnCard(card),
        }),
      ),
  }
}

/** A kit as far as its finder's sheet goes. */
export type FinderOnKit = Pick<
  KitSheet,
  'name' | 'code' | 'branchName' | 'zone' | 'optics' | 'finder' | 'ownFinder'
> & {
  readonly lowestFieldDeg: number
}

/** The core's readonly finder as the contract writes it. */
const wireFinder = (finder: ReturnType<typeof finderOnCard>): FinderDataView =>
  structuredClone(finder) as FinderDataView

/** The core's readonly steps as the contract writes them. */
export const wireProcedure = (procedure: Procedure): ProcedureView => structuredClone(procedure) as ProcedureView

/** A kit as its guide needs it. */
export interface GuideModel {
  readonly parts: Part[]
  readonly model: Pick<GuideInput, 'procedure' | 'mirror' | 'mount' | 'stand'>
}

/** What a page about one kit shows: its judgement, its model, and whatever the other features add. */
export class Sheets {
  private readonly added: SheetPart[] = []

  constructor(
    private readonly context: Context,
    private readonly shelf: Shelf,
    private readonly store: KitStore,
  ) {}

  /** What a feature shows on the sheet; asked each time one is made. */
  add(part: SheetPart): void {
    this.added.push(part)
  }

  async sheet(session: Session, code: string): Promise<KitSheet> {
    return this.sheetOf(this.context.database.reader, await this.shelf.rowFor(session, code))
  }

  /** What sheets of two marks are drawn from, for many kits in two queries. @throws Problem NOT_FOUND for an unknown one */
  async finders(session: Session, codes: readonly string[]): Promise<FinderOnKit[]> {
    const { reader } = this.context.database
    const rows = await this.shelf.rows(session)
    const byCode = new Map(rows.map((row) => [row.code, row]))
    const wanted = codes.map((code) => {
      const row = byCode.get(code)
      if (!row) throw new Problem('NOT_FOUND')
      return row
    })
    const found = await queries.findersOfKits(
      reader,
      wanted.map(({ id }) => id),
    )
    const byKit = new Map(found.map((each) => [each.kitId, each]))
    return wanted.map((row) => {
      const { finder = null, ownFinder = null, finderPart = [] } = byKit.get(row.id) ?? {}
      const described = finderDataSchema.nullable().parse(finder)
      const { name, code, branchName, zone } = row
      return {
        ...{ name, code, branchName, zone, ownFinder },
        optics: ownOptics(row, ownFinder),
        finder: described && wireFinder(finderOnCard(described, finderPart)),
        lowestFieldDeg: fieldOfRow(row),
      }
    })
  }

  async sheetById(tx: Tx, kitId: string): Promise<KitSheet> {
    return this.sheetOf(tx, await this.shelf.rowById(tx, kitId))
  }

  /** Takes the kit for this transaction if it still is as it was seen; else 409 with the present state. */
  async claim(tx: Tx, kitId: string, version: number): Promise<Claimed> {
    const claimed = await claimKitVersion(tx, kitId, version)
    if (!claimed) throw new Problem('KIT_CHANGED', { details: { now: await this.sheetById(tx, kitId) } })
    return claimed
  }

  /** The same for whoever works at its desk, in one statement while nothing is wrong. @throws Problem NOT_FOUND, NOT_ALLOWED, KIT_CHANGED */
  async claimAtDesk(
    tx: Tx,
    session: Session,
    kit: { readonly id: string; readonly version: number },
  ): Promise<Claimed> {
    const claimed = await claimKitVersion(tx, kit.id, kit.version)
    requireRole(session, (claimed ?? (await this.shelf.rowById(tx, kit.id))).branchId, deskRoles)
    if (!claimed) throw new Problem('KIT_CHANGED', { details: { now: await this.sheetById(tx, kit.id) } })
    return claimed
  }

  /** The sheet of a kit already read. */
  async sheetOf(tx: Tx, row: OneKit): Promise<KitSheet> {
    const parts = await this.store.parts(tx, row.id)
    const extras = await extrasOf(tx, row.id)
    const history = await queries.historyOf(tx, row.id, HISTORY_LINES)
    const added: Partial<KitSheet> = {}
    for (const part of this.added) Object.assign(added, await part(tx, { row, parts }))
    // Held against its schema when it is sent: a feature that shows too little is found by the first test of a sheet.
    return {
      ...added,
      ...headOf(row, this.context.clock()),
      branchName: row.branchName,
      zone: row.zone,
      emergencyLine: row.emergencyLine,
      currency: row.currency,
      optics: ownOptics(row, row.model.ownFinder),
      policies: policiesOf(row),
      modelId: row.modelId,
      ...modelsOwn(row, parts),
      details: row.model.details,
      shelfPlace: row.place,
      weighGroups: row.model.weighGroups,
      parts,
      extras: extras.map(({ foundAt, ...extra }) => ({ ...extra, foundAtUtc: foundAt.toISOString() })),
      history: history.map(({ at, ...line }) => ({ ...line, atUtc: at.toISOString() })),
    } as KitSheet
  }

  /** What a guide takes from a kit: its parts, and from its model its steps, its own or its family's, mirrors, mount and stand. */
  async guideModel(tx: Tx, row: OneKit): Promise<GuideModel> {
    const parts = await this.store.parts(tx, row.id)
    const { procedure, mirror, mount, stand } = modelsOwn(row, parts)
    return { parts, model: { procedure, mirror, mount, stand } }
  }
}

/** The kit as its mount carries it; null while nobody measured the model's mount. */
export function onMount({ model, headMomentGmm }: OneKit, parts: readonly Part[]): KitOnMount | null {
  const mount = mountDataSchema.nullable().parse(model.mount)
  return mount && { mount, headMomentGmm, parts }
}

/** Optics with the finder's place as measured on this kit. */
export const opticsOfKit = (row: OneKit) => ownOptics(row, row.model.ownFinder)

/** Outer diameter of the centre mark on the kit's model; null where nobody measured it, or there is none. */
export const markDiameterMm = ({ model }: OneKit): number | null =>
  mirrorDataSchema.nullable().parse(model.mirror)?.mark?.outerDiameterMm ?? null

/** What its judgement and its open jobs make of a kit. */
export const headOf = (row: ShelfRow, now: Date) => ({
  ...shelfKit(row, now),
  hazards: row.hazards as HazardCode[],
  jobs: row.jobs.map((job) => ({
    ...job,
    code: job.code as JobCode,
    openedAtUtc: new Date(job.openedAtUtc).toISOString(),
    notBeforeUtc: job.notBeforeUtc && new Date(job.notBeforeUtc).toISOString(),
  })),
})
