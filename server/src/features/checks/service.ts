import { randomUUID } from 'node:crypto'
import { type Bench, type FinishCheck, type KitSheet, type Session } from '@binoculum/contract'
import { reasonSentence, readingFromStation, type CheckedKit, type KeptReading } from '@binoculum/core'
import { deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { once } from '../../platform/sent-once.ts'
import { fieldOfRow, judgeRow, opticsOf, type Kits, type ShelfRow } from '../kits/service.ts'
import type { ReadingRow } from './entities.ts'
import { closeJobs, insertCheck, keepReadings, placeOnShelf } from './queries.ts'

const checkedKit = (row: ShelfRow): CheckedKit => ({
  ...opticsOf(row),
  lowestFieldDeg: fieldOfRow(row),
})

export class Checks {
  constructor(
    private readonly context: Context,
    private readonly kits: Kits,
  ) {}

  /** What waits for the bench, soonest promised hand-out first. */
  async bench(session: Session): Promise<Bench> {
    const { kits } = await this.kits.shelf(session)
    const waiting = kits
      .filter(({ group }) => group === 'bench' || group === 'held')
      .map((kit) => ({
        code: kit.code,
        name: kit.name,
        modelName: kit.modelName,
        condition: kit.condition,
        sentence: kit.reasons[0] ? reasonSentence(kit.reasons[0]) : '',
        minutes: kit.reasons.reduce((sum, { minutes }) => sum + minutes, 0),
        neededByUtc: kit.next?.atUtc ?? null,
      }))
      .sort((a, b) => (a.neededByUtc ?? '9').localeCompare(b.neededByUtc ?? '9') || a.name.localeCompare(b.name))
    return { waiting }
  }

  /** Keeps a check: readings as found and as left, jobs done, place and record in one transaction, once per key. */
  async finish(session: Session, kitId: string, given: FinishCheck): Promise<{ kit: KitSheet }> {
    const { database } = this.context
    await database.inTransaction((tx) =>
      once(tx, { key: given.idempotencyKey, staffId: session.staffId }, async () => {
        const row = await this.kits.rowById(tx, kitId)
        requireRole(session, row.branchId, deskRoles)
        if (row.loan) throw new Problem('KIT_OUT')
        await this.kits.claim(tx, kitId, given.kitVersion)
        await this.keep(tx, session, row, given)
        return { kitId }
      }),
    )
    return { kit: await this.kits.sheetById(database.reader, kitId) }
  }

  private async keep(tx: Tx, session: Session, row: ShelfRow, given: FinishCheck): Promise<void> {
    const at = this.context.clock()
    const before = judgeRow(row, at)
    const checkId = randomUUID()
    const stations = given.stations
    await insertCheck(tx, { id: checkId, kitId: row.id, byStaffId: session.staffId, at, stations })
    const kept = stations.map((station) => readingFromStation(station, checkedKit(row)))
    await keepReadings(
      tx,
      row.id,
      kept.map((reading) => readingRow(reading, { row, checkId, session, at })),
    )
    await closeJobs(tx, row.id, given.doneJobIds, at)
    if (given.backToShelf) await placeOnShelf(tx, row.id)
    const after = judgeRow(await this.kits.rowById(tx, row.id), at)
    await appendRecord(tx, {
      act: 'checked',
      at,
      branchId: row.branchId,
      staffId: session.staffId,
      kitId: row.id,
      before: { condition: before.condition },
      after: { condition: after.condition, readings: kept, jobsDone: given.doneJobIds.length },
    })
  }
}

function readingRow(
  reading: KeptReading,
  from: { row: ShelfRow; checkId: string; session: Session; at: Date },
): ReadingRow {
  const { limit, ...rest } = reading
  return {
    id: randomUUID(),
    kitId: from.row.id,
    checkId: from.checkId,
    ...rest,
    limitValue: limit,
    byStaffId: from.session.staffId,
    at: from.at,
    current: true,
  }
}
