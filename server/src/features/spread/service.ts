import { randomUUID } from 'node:crypto'
import {
  MOST_SPREADS,
  SPREAD_FORMAT,
  SPREAD_VERSION,
  type Session,
  type SpreadFile,
  type Spreads as SpreadsView,
} from '@binoculum/contract'
import { toldSpread } from '@binoculum/core'
import { coordinatorOnly, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { lossesByRole } from '../contents/service.ts'
import { driftOfBranch } from '../drift/service.ts'
import { SpreadRow } from './entities.ts'
import * as queries from './queries.ts'

/** Losses and drift of a programme in a file for others, and theirs in here. Nothing is sent anywhere by itself. */
export class Spreads {
  constructor(private readonly context: Context) {}

  async list(session: Session, branchId: string): Promise<SpreadsView> {
    requireRole(session, branchId, coordinatorOnly)
    return { spreads: await queries.spreadViews(this.context.database.reader, branchId) }
  }

  /** What this branch saw itself: what others told it is theirs to tell. */
  async write(session: Session, branchId: string, origin: string): Promise<SpreadFile> {
    requireRole(session, branchId, coordinatorOnly)
    const { database, clock } = this.context
    const at = clock()
    const losses = await lossesByRole(database.reader, branchId, at)
    const told = toldSpread({
      losses: [...losses]
        .sort(([a], [b]) => a.localeCompare(b))
        .map(([role, seen]) => ({ role: role as SpreadFile['losses'][number]['role'], ...seen })),
      drift: await driftOfBranch(database.reader, branchId),
    })
    return {
      ...{ format: SPREAD_FORMAT, version: SPREAD_VERSION, writtenAtUtc: at.toISOString(), origin },
      ...{ losses: [...told.losses], drift: [...told.drift] },
    }
  }

  async read(session: Session, branchId: string, { origin, losses, drift }: SpreadFile): Promise<SpreadsView> {
    requireRole(session, branchId, coordinatorOnly)
    await this.context.database.inTransaction(async (tx) => {
      if ((await tx.countBy(SpreadRow, { branchId })) >= MOST_SPREADS)
        throw new Problem('BAD_INPUT', {
          issues: [{ path: 'origin', message: `${MOST_SPREADS} are the most: forget one first` }],
        })
      // The same programme's newer file stands for its older one.
      await tx.delete(SpreadRow, { branchId, origin })
      const at = this.context.clock()
      const row = { id: randomUUID(), branchId, origin, losses, drift, byStaffId: session.staffId, at }
      await tx.insert(SpreadRow, row)
      await appendRecord(tx, { act: 'spread-read', at, branchId, staffId: session.staffId, after: { origin } })
    })
    return this.list(session, branchId)
  }

  async forget(session: Session, branchId: string, id: string): Promise<SpreadsView> {
    requireRole(session, branchId, coordinatorOnly)
    await this.context.database.inTransaction(async (tx) => {
      const known = await tx.findOneBy(SpreadRow, { id, branchId })
      if (!known) throw new Problem('NOT_FOUND')
      await tx.delete(SpreadRow, { id })
      const at = this.context.clock()
      const before = { origin: known.origin }
      await appendRecord(tx, { act: 'spread-forgotten', at, branchId, staffId: session.staffId, before })
    })
    return this.list(session, branchId)
  }
}
