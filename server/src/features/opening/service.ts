import { randomUUID } from 'node:crypto'
import {
  defaultOpening,
  type ClosingFields,
  type OpeningFields,
  type Openings,
  type Session,
} from '@binoculum/contract'
import { dateOfDay, dayNumber, openDays } from '@binoculum/core'
import { DateTime } from 'luxon'
import { branchIdsOf, coordinatorOnly, requireRole, signedInAs } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { ClosingRow, OpeningRow } from './entities.ts'
import * as queries from './queries.ts'

const MOST_CLOSINGS = 400
/** So far ahead the next open day is looked for. */
const LOOK_AHEAD_DAYS = 60

/** A branch's days: its week, its closings, and its own today. */
export interface BranchDays extends queries.OpeningOfBranch {
  /** The branch's own date. */
  readonly today: string
  readonly closedDates: readonly string[]
  readonly isOpen: (day: number) => boolean
}

/** Opening days and closings of the branches. */
export class Opening {
  constructor(private readonly context: Context) {}

  async list(session: Session): Promise<Openings> {
    const { reader } = this.context.database
    const branchIds = branchIdsOf(session)
    const now = this.context.clock()
    const rows = await queries.openingOf(reader, branchIds)
    const branches = []
    for (const { branchId, branchName, zone, opening: decided } of rows) {
      const opening = decided ?? defaultOpening
      const today = localDay(now, zone)
      const closings = await queries.closingsFrom(reader, [branchId], today)
      branches.push({
        ...{ branchId, branchName, zone, opening },
        mayChange: signedInAs(session, branchId, 'coordinator'),
        closings: closings.map(({ branchId: _id, ...closing }) => closing),
        onClosedDays: await queries.loansOnClosedDays(reader, branchId, opening, today),
      })
    }
    return { branches }
  }

  async change(session: Session, branchId: string, given: OpeningFields): Promise<Openings> {
    requireRole(session, branchId, coordinatorOnly)
    await this.context.database.inTransaction(async (tx) => {
      const before = await tx.findOneBy(OpeningRow, { branchId })
      await tx.upsert(
        OpeningRow,
        {
          branchId,
          ...given,
          openWeekdays: [...given.openWeekdays].sort(),
          vanWeekdays: [...given.vanWeekdays].sort(),
        },
        ['branchId'],
      )
      await this.keep(tx, session, 'opening-changed', branchId, before, given)
    })
    return this.list(session)
  }

  /** A closing changes no loan: those it touches are listed in the answer. */
  async close(session: Session, branchId: string, given: readonly ClosingFields[]): Promise<Openings> {
    requireRole(session, branchId, coordinatorOnly)
    await this.context.database.inTransaction(async (tx) => {
      if ((await tx.countBy(ClosingRow, { branchId })) + given.length > MOST_CLOSINGS)
        throw new Problem('BAD_INPUT', {
          issues: [{ path: 'closings', message: `${MOST_CLOSINGS} closings are the most; take old ones off first` }],
        })
      for (const closing of given) {
        const twin = await tx.findOneBy(ClosingRow, { branchId, fromOn: closing.fromOn, untilOn: closing.untilOn })
        if (twin) continue
        await tx.insert(ClosingRow, { id: randomUUID(), branchId, ...closing })
        await this.keep(tx, session, 'closing-added', branchId, null, closing)
      }
    })
    return this.list(session)
  }

  async reopen(session: Session, branchId: string, closingId: string): Promise<Openings> {
    requireRole(session, branchId, coordinatorOnly)
    await this.context.database.inTransaction(async (tx) => {
      const closing = await tx.findOneBy(ClosingRow, { id: closingId, branchId })
      if (!closing) throw new Problem('NOT_FOUND')
      await tx.delete(ClosingRow, { id: closingId })
      await this.keep(tx, session, 'closing-removed', branchId, closing, null)
    })
    return this.list(session)
  }

  private keep(
    tx: Tx,
    session: Session,
    act: 'opening-changed' | 'closing-added' | 'closing-removed',
    branchId: string,
    before: object | null,
    after: object | null,
  ) {
    const at = this.context.clock()
    const { staffId } = session
    return appendRecord(tx, { act, at, branchId, staffId, ...(before && { before }), ...(after && { after }) })
  }

  /** The days of every branch of the programme at which the van calls. */
  async daysWithVan(tx: Tx): Promise<BranchDays[]> {
    const now = this.context.clock()
    return (await queries.openingOf(tx, await queries.branchesWithVan(tx))).map((row) => branchDays(row, now))
  }

  /** What a branch goes by, with its closings from a while ago on. */
  async daysOf(tx: Tx, branchId: string): Promise<BranchDays> {
    const [row] = await queries.openingOf(tx, [branchId])
    if (!row) throw new Problem('NOT_FOUND')
    return branchDays(row, this.context.clock())
  }
}

/** A branch's days from what is stored of it. */
export function branchDays({ opening, closings, ...branch }: queries.OpeningColumns, now: Date): BranchDays {
  const decided = opening ?? defaultOpening
  const closedDates = closings.flatMap(({ fromOn, untilOn }) => daysFromTo(fromOn, untilOn))
  const { openWeekdays } = decided
  const today = localDay(now, branch.zone)
  return { ...branch, ...decided, today, closedDates, isOpen: openDays({ openWeekdays, closedDates }) }
}

const daysFromTo = (from: string, until: string): string[] =>
  Array.from({ length: Math.min(400, dayNumber(until) - dayNumber(from) + 1) }, (_, index) =>
    dateOfDay(dayNumber(from) + index),
  )

export const localDay = (at: Date, zone: string): string => DateTime.fromJSDate(at, { zone }).toISODate() ?? ''

/** The day itself where the desk is open, else the next on which it is. */
export function nextOpenDay({ isOpen }: Pick<BranchDays, 'isOpen'>, day: string): string {
  const first = dayNumber(day)
  for (let ahead = 0; ahead <= LOOK_AHEAD_DAYS; ahead++) if (isOpen(first + ahead)) return dateOfDay(first + ahead)
  return day
}

/** The last open day of a stretch; null where there is none. */
export function lastOpenDay({ isOpen }: Pick<BranchDays, 'isOpen'>, first: number, last: number): string | null {
  for (let day = last; day >= first; day--) if (isOpen(day)) return dateOfDay(day)
  return null
}

/** @throws Problem CLOSED_DAY naming the day and the next on which the desk is open */
export function requireOpenDay(days: BranchDays, day: string): void {
  if (!days.isOpen(dayNumber(day)))
    throw new Problem('CLOSED_DAY', { details: { day, nextOpenOn: nextOpenDay(days, day) } })
}
export { closingsFrom, openingColumns, type OpeningColumns } from './queries.ts'
