import { randomUUID } from 'node:crypto'
import type { AddSpare, Drawer, KitSheet, MoveSpare, Session, WriteSpare } from '@binoculum/contract'
import { roleFacts, type Role } from '@binoculum/core'
import { DateTime } from 'luxon'
import { branchIdsOf, coordinatorOnly, deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { once } from '../../platform/sent-once.ts'
import type { Shelf } from '../judgement/service.ts'
import type { Sheets } from '../sheet/service.ts'
import { PartRow, closeFollowUps, openFollowUps, outdateWeighings, type KitStore } from '../store/service.ts'
import { Spare } from './entities.ts'
import { lockSpare, sparesOf } from './spare-queries.ts'

/** The drawer of spare parts: counts, and moving a piece between it and a kit in one recorded act. */
export class Spares {
  constructor(
    private readonly context: Context,
    private readonly store: KitStore,
    private readonly shelf: Shelf,
    private readonly sheets: Sheets,
  ) {}

  async drawer(session: Session): Promise<Drawer> {
    return { spares: await sparesOf(this.context.database.reader, branchIdsOf(session)) }
  }

  async write(session: Session, spareId: string | null, given: WriteSpare): Promise<Drawer> {
    requireRole(session, given.branchId, coordinatorOnly)
    const { version, ...fields } = given
    await this.context.database.inTransaction(async (tx) => {
      const twin = await tx.findOneBy(Spare, { branchId: given.branchId, name: given.name })
      if (twin && twin.id !== spareId)
        throw new Problem('BAD_INPUT', { issues: [{ path: 'name', message: 'lies in the drawer already' }] })
      const record = (before: object | undefined) =>
        appendRecord(tx, {
          act: 'drawer-changed',
          at: this.context.clock(),
          branchId: given.branchId,
          staffId: session.staffId,
          ...(before ? { before } : {}),
          after: { spare: given.name, count: given.count },
        })
      if (!spareId) {
        await tx.insert(Spare, { ...fields, id: randomUUID(), version: 1 })
        return record(undefined)
      }
      const spare = await lockSpare(tx, spareId)
      if (!spare || spare.branchId !== given.branchId) throw new Problem('NOT_FOUND')
      if (spare.version !== version) throw new Problem('NO_SPARE', { details: { now: spare } })
      await tx.update(Spare, { id: spareId }, { ...fields, version: spare.version + 1 })
      return record({ spare: spare.name, count: spare.count })
    })
    return this.drawer(session)
  }

  /** Moves pieces of a spare into a kit's part, or back. The kit's old weighing no longer holds for that group. */
  async move(session: Session, spareId: string, given: MoveSpare): Promise<{ kit: KitSheet; drawer: Drawer }> {
    const { database } = this.context
    const { kitId } = await database.inTransaction((tx) =>
      once(
        tx,
        {
          key: given.idempotencyKey,
          staffId: session.staffId,
          sentFor: `spare-move ${spareId} ${given.partId}`,
          may: () => this.mayMove(tx, session, given.partId),
        },
        async () => {
          const spare = await lockSpare(tx, spareId)
          const part = await tx.findOneBy(PartRow, { id: given.partId })
          if (!spare || !part) throw new Problem('NOT_FOUND')
          requireRole(session, spare.branchId, deskRoles)
          const row = await this.shelf.rowById(tx, part.kitId)
          if (row.branchId !== spare.branchId) throw new Problem('NOT_FOUND')
          if (row.loan) throw new Problem('KIT_OUT', { details: { dueAtUtc: row.loan.dueAt } })
          await this.sheets.claim(tx, row.id, given.kitVersion)
          const into = given.way === 'into-kit'
          const room = into ? part.count - part.presentCount : part.presentCount
          if (given.count > room) {
            const issues = [{ path: 'count', message: into ? `the kit lacks ${room}` : `the kit has ${room}` }]
            throw new Problem('BAD_INPUT', { issues })
          }
          if (into && spare.count < given.count) throw new Problem('NO_SPARE')
          const step = into ? given.count : -given.count
          const presentCount = part.presentCount + step
          const complete = presentCount === part.count
          await tx.update(Spare, { id: spare.id }, { count: spare.count - step, version: spare.version + 1 })
          await tx.update(
            PartRow,
            { id: part.id },
            {
              presentCount,
              seenAt: this.context.clock(),
              mark: complete ? 'present' : 'missing',
              ...(complete ? { note: '', wrongItem: '' } : {}),
              ...(into && spare.massG !== null ? { massG: spare.massG, weighed: false } : {}),
            },
          )
          await outdateWeighings(tx, row.id, [part.weighGroup])
          const at = this.context.clock()
          if (complete) await closeFollowUps(tx, [part.id], at)
          else {
            const dueOn = DateTime.fromJSDate(at, { zone: row.zone }).plus({ days: 2 }).toISODate() ?? ''
            const of = { kitId: row.id, loanId: null, ownerId: session.staffId, at }
            await openFollowUps(tx, of, [{ partId: part.id, code: 'replace-from-drawer', text: part.name, dueOn }])
          }
          await appendRecord(tx, {
            act: 'part-moved',
            at,
            branchId: row.branchId,
            staffId: session.staffId,
            kitId: row.id,
            before: { part: part.name, present: part.presentCount, drawer: spare.count },
            after: {
              part: part.name,
              present: presentCount,
              drawer: spare.count - step,
              way: given.way,
              count: given.count,
            },
          })
          return { kitId: row.id }
        },
      ),
    )
    return { kit: await this.sheets.sheetById(database.reader, kitId), drawer: await this.drawer(session) }
  }

  private async mayMove(tx: Tx, session: Session, partId: string): Promise<void> {
    const part = await tx.findOneBy(PartRow, { id: partId })
    if (!part) throw new Problem('NOT_FOUND')
    await this.shelf.mayWorkOn(tx, session, part.kitId)
  }

  /** One piece of a spare becomes a part of a kit that had no such part: it lies beside its like, and is counted. */
  async add(session: Session, spareId: string, given: AddSpare): Promise<{ kit: KitSheet; drawer: Drawer }> {
    const { database } = this.context
    await database.inTransaction((tx) =>
      once(
        tx,
        {
          key: given.idempotencyKey,
          staffId: session.staffId,
          sentFor: `spare-add ${spareId} ${given.kitId}`,
          may: () => this.shelf.mayWorkOn(tx, session, given.kitId),
        },
        async () => {
          const spare = await lockSpare(tx, spareId)
          const row = await this.shelf.rowById(tx, given.kitId)
          if (!spare || spare.branchId !== row.branchId) throw new Problem('NOT_FOUND')
          requireRole(session, row.branchId, deskRoles)
          if (row.loan) throw new Problem('KIT_OUT', { details: { dueAtUtc: row.loan.dueAt } })
          await this.sheets.claim(tx, row.id, given.kitVersion)
          if (spare.count < 1) throw new Problem('NO_SPARE')
          const parts = await this.store.parts(tx, row.id)
          const like = parts.findLast(({ role }) => role === spare.role)
          const facts = roleFacts(spare.role as Role)
          await tx.update(Spare, { id: spare.id }, { count: spare.count - 1, version: spare.version + 1 })
          await tx.insert(PartRow, {
            id: randomUUID(),
            kitId: row.id,
            modelPartId: null,
            position: (parts.at(-1)?.position ?? 0) + 1,
            name: spare.name,
            role: spare.role,
            criticality: facts.criticality,
            count: 1,
            presentCount: 1,
            massG: spare.massG,
            toleranceG: spare.massG === null ? null : Math.max(1, spare.massG * SPARE_TOLERANCE_FRACTION),
            weighed: false,
            weighGroup: like?.weighGroup ?? '',
            place: like?.place ?? '',
            lookEveryTime: facts.lookEveryTime ?? false,
            mark: 'present',
            seenAt: this.context.clock(),
            costMinor: spare.costMinor,
          })
          await outdateWeighings(tx, row.id, [like?.weighGroup ?? ''])
          await appendRecord(tx, {
            act: 'part-moved',
            at: this.context.clock(),
            branchId: row.branchId,
            staffId: session.staffId,
            kitId: row.id,
            before: { part: spare.name, present: 0, drawer: spare.count },
            after: { part: spare.name, present: 1, drawer: spare.count - 1, way: 'into-kit', count: 1 },
          })
          return { kitId: row.id }
        },
      ),
    )
    return { kit: await this.sheets.sheetById(database.reader, given.kitId), drawer: await this.drawer(session) }
  }
}

/** A declared mass is taken to be right within this, as in models. Common practice, no source. */
const SPARE_TOLERANCE_FRACTION = 0.02
