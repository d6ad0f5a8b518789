import { randomUUID } from 'node:crypto'
import type { PlanTransfer, Session, SettleTransfer, Transfers as TransfersView } from '@binoculum/contract'
import { dateOfDay, dayNumber, isoWeekday } from '@binoculum/core'
import { deskBranchIds, deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { once } from '../../platform/sent-once.ts'
import { isGone, type Shelf } from '../judgement/service.ts'
import type { BranchDays, Opening } from '../opening/service.ts'
import { lockKit, type KitStore } from '../store/service.ts'
import { TransferRow } from './entities.ts'
import * as queries from './queries.ts'

/** So many of the van's next days are offered, looked for so far ahead. */
const VAN_DAYS = 8
const LOOK_AHEAD_DAYS = 120

const vanCalls = ({ vanWeekdays, isOpen }: BranchDays, day: number) =>
  isOpen(day) && vanWeekdays.includes(isoWeekday(day))

/** Kits that travel between branches with the van: where each one will be on which day. */
export class Transfers {
  constructor(
    private readonly context: Context,
    private readonly rooms: { readonly shelf: Shelf; readonly opening: Opening; readonly store: KitStore },
  ) {}

  async list(session: Session): Promise<TransfersView> {
    const { reader } = this.context.database
    const branchIds = deskBranchIds(session)
    const days = await this.rooms.opening.daysWithVan(reader)
    const own = days.filter(({ branchId }) => branchIds.includes(branchId))
    const planned = await queries.plannedTransfers(reader, branchIds)
    return {
      transfers: planned.map((each) => ({
        ...each,
        daysLate: daysLate(
          each.onDay,
          days.find(({ branchId }) => branchId === each.toBranchId),
        ),
        mayArrive: branchIds.includes(each.toBranchId),
        mayCancel: branchIds.includes(each.fromBranchId),
      })),
      ways: own.flatMap((from) =>
        days
          .filter((to) => to !== from)
          .map((to) => ({
            ...{ fromBranchId: from.branchId, fromBranchName: from.branchName },
            ...{ toBranchId: to.branchId, toBranchName: to.branchName, vanDays: vanDays(from, to) },
          })),
      ),
      kits: await queries.kitsToSend(reader, branchIds),
    }
  }

  /** Whoever works where it is may send it; whoever works where it goes says that it has come. */
  async plan(session: Session, given: PlanTransfer): Promise<TransfersView> {
    const { kitId, toBranchId, onDay } = given
    const { database } = this.context
    await database.inTransaction((tx) =>
      once(
        tx,
        {
          key: given.idempotencyKey,
          staffId: session.staffId,
          sentFor: `transfer ${kitId}`,
          may: () => this.rooms.shelf.mayWorkOn(tx, session, kitId),
        },
        async () => {
          const row = await this.rooms.shelf.rowById(tx, kitId)
          requireRole(session, row.branchId, deskRoles)
          if (isGone(row)) throw new Problem('KIT_GONE')
          if (row.branchId === toBranchId)
            throw new Problem('BAD_INPUT', { issues: [{ path: 'toBranchId', message: 'the kit is there already' }] })
          const [from, to] = [
            await this.rooms.opening.daysOf(tx, row.branchId),
            await this.rooms.opening.daysOf(tx, toBranchId),
          ]
          const day = dayNumber(onDay)
          if (onDay < from.today || !vanCalls(from, day) || !vanCalls(to, day))
            throw new Problem('NO_VAN', { details: { vanDays: vanDays(from, to) } })
          // Promises name the kit and wait for this; what they find then, or this finds, is whole.
          await lockKit(tx, kitId)
          if (await queries.tripOf(tx, kitId)) throw new Problem('KIT_TRAVELS')
          await requireNoLoans(tx, kitId, onDay, from.today)
          const id = randomUUID()
          const of = { kitId, fromBranchId: row.branchId, toBranchId, onDay }
          await tx.insert(TransferRow, { id, ...of, state: 'planned', byStaffId: session.staffId })
          await this.append(tx, session, 'transfer-planned', row.branchId, kitId, of)
          return {}
        },
      ),
    )
    return this.list(session)
  }

  /** It is there, or it stays. */
  async settle(session: Session, id: string, { version, settled }: SettleTransfer): Promise<TransfersView> {
    await this.context.database.inTransaction(async (tx) => {
      const trip = await tx.findOneBy(TransferRow, { id })
      if (!trip) throw new Problem('NOT_FOUND')
      // Whoever has it says so: that it has come is said where it went, that it stays where it is.
      requireRole(session, settled === 'arrived' ? trip.toBranchId : trip.fromBranchId, deskRoles)
      await lockKit(tx, trip.kitId)
      const arrivedAt = settled === 'arrived' ? this.context.clock() : null
      const changed = { state: settled, arrivedAt, version: version + 1 }
      const { affected } = await tx.update(TransferRow, { id, version, state: 'planned' }, changed)
      if (affected !== 1) throw new Problem('CHANGED_MEANWHILE')
      if (settled === 'arrived') await this.arrive(tx, trip)
      else await this.requireNoLoansThere(tx, trip)
      const act = settled === 'arrived' ? 'transfer-arrived' : 'transfer-cancelled'
      const { fromBranchId, toBranchId, onDay } = trip
      await this.append(tx, session, act, toBranchId, trip.kitId, { fromBranchId, toBranchId, onDay })
    })
    return this.list(session)
  }

  private async arrive(tx: Tx, { kitId, toBranchId }: TransferRow): Promise<void> {
    const row = await this.rooms.shelf.rowById(tx, kitId)
    if (row.loan) throw new Problem('KIT_OUT')
    await this.rooms.store.moveToBranch(tx, kitId, toBranchId)
  }

  /** What is promised at the other branch keeps the van's trip from being called off; what is late here never does. */
  private async requireNoLoansThere(tx: Tx, { kitId, toBranchId }: TransferRow): Promise<void> {
    const loans = await queries.loansAt(tx, kitId, toBranchId)
    if (loans.length > 0) throw new Problem('TRANSFER_IN_THE_WAY', { details: { loans } })
  }

  private append(
    tx: Tx,
    session: Session,
    act: 'transfer-planned' | 'transfer-arrived' | 'transfer-cancelled',
    branchId: string,
    kitId: string,
    after: object,
  ) {
    return appendRecord(tx, { act, at: this.context.clock(), branchId, staffId: session.staffId, kitId, after })
  }
}

/** At which branch a kit is on some days. @throws Problem KIT_TRAVELS where the van takes it away within them */
export async function branchThen(
  tx: Tx,
  kit: { readonly id: string; readonly branchId: string },
  { fromOn, untilOn }: { readonly fromOn: string; readonly untilOn: string },
): Promise<string> {
  const trip = await queries.tripOf(tx, kit.id)
  if (!trip || untilOn < trip.onDay) return kit.branchId
  if (fromOn > trip.onDay) return trip.toBranchId
  const { onDay, toBranchName } = trip
  throw new Problem('KIT_TRAVELS', { details: { onDay, toBranchName } })
}

/** @throws Problem KIT_TRAVELS where a kit isn't at a branch for all of some days */
export async function requireBranch(
  tx: Tx,
  kit: { readonly id: string; readonly branchId: string },
  days: { readonly fromOn: string; readonly untilOn: string },
  branchId: string,
): Promise<void> {
  if ((await branchThen(tx, kit, days)) !== branchId) throw new Problem('KIT_TRAVELS')
}

/** For a kit that changes its branch at once: nothing of it may be planned. @throws Problem KIT_TRAVELS, TRANSFER_IN_THE_WAY */
export async function requireNothingPlanned(tx: Tx, kitId: string): Promise<void> {
  await lockKit(tx, kitId)
  if (await queries.tripOf(tx, kitId)) throw new Problem('KIT_TRAVELS')
  await requireNoLoans(tx, kitId, ALWAYS, ALWAYS)
}
const ALWAYS = '0001-01-01'

/** @throws Problem TRANSFER_IN_THE_WAY naming loans that aren't over by then */
async function requireNoLoans(tx: Tx, kitId: string, onDay: string, today: string): Promise<void> {
  const loans = await queries.loansNotOver(tx, kitId, onDay, today)
  if (loans.length > 0) throw new Problem('TRANSFER_IN_THE_WAY', { details: { loans } })
}

const daysLate = (onDay: string, there: BranchDays | undefined): number =>
  there ? Math.max(0, dayNumber(there.today) - dayNumber(onDay)) : 0

function vanDays(from: BranchDays, to: BranchDays): string[] {
  const first = dayNumber(from.today)
  const days: string[] = []
  for (let day = first; day < first + LOOK_AHEAD_DAYS && days.length < VAN_DAYS; day++)
    if (vanCalls(from, day) && vanCalls(to, day)) days.push(dateOfDay(day))
  return days
}

export { tripsAt, type Trip } from './queries.ts'
