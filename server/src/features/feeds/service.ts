import type { ClosingsRead, MakeFeed, Session } from '@binoculum/contract'
import { coordinatorOnly, deskRoles, requireRole } from '../../platform/access.ts'
import { runBounded, workerBeside } from '../../platform/bounded-worker.ts'
import type { Context } from '../../platform/context.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { hashToken, newToken } from '../../platform/secrets.ts'
import type { Shelf } from '../judgement/service.ts'
import type { Opening } from '../opening/service.ts'
import { calendarFile } from './calendar-files.ts'
import type { ClosingsWork } from './closings.worker.ts'
import { CalendarFeedRow } from './entities.ts'
import * as queries from './queries.ts'

const MOST_FEEDS = 50
const worker = workerBeside(import.meta.url, 'closings')

/** Days for other programs' calendars, under secret addresses that can be ended; and their files brought in. */
export class Feeds {
  constructor(
    private readonly context: Context,
    private readonly shelf: Shelf,
    private readonly opening: Opening,
  ) {}

  async list(session: Session, branchId: string) {
    requireRole(session, branchId, deskRoles)
    const feeds = await queries.feedsOf(this.context.database.reader, branchId)
    return { feeds: feeds.map(({ madeAt, ...feed }) => ({ ...feed, madeAtUtc: madeAt.toISOString() })) }
  }

  async make(session: Session, branchId: string, { kind, kitId }: MakeFeed) {
    requireRole(session, branchId, coordinatorOnly)
    const token = newToken()
    await this.context.database.inTransaction(async (tx) => {
      if ((kind === 'kit') !== (kitId !== null))
        throw badInput('kitId', 'name the kit where it is one kit’s, and only there')
      if (kitId !== null && (await this.shelf.rowById(tx, kitId)).branchId !== branchId)
        throw new Problem('NOT_FOUND')
      if ((await tx.countBy(CalendarFeedRow, { branchId })) >= MOST_FEEDS)
        throw badInput('kind', `${MOST_FEEDS} addresses are the most; end one first`)
      const madeAt = this.context.clock()
      const { staffId } = session
      await tx.insert(CalendarFeedRow, {
        tokenHash: hashToken(token),
        branchId,
        kind,
        kitId,
        byStaffId: staffId,
        madeAt,
      })
      await appendRecord(tx, { act: 'feed-made', at: madeAt, branchId, staffId, after: { kind } })
    })
    return { ...(await this.list(session, branchId)), path: `/feeds/${token}.ics` }
  }

  async end(session: Session, branchId: string, id: string) {
    requireRole(session, branchId, coordinatorOnly)
    await this.context.database.inTransaction(async (tx) => {
      if (!(await queries.endFeed(tx, branchId, id))) throw new Problem('NOT_FOUND')
      const at = this.context.clock()
      await appendRecord(tx, { act: 'feed-ended', at, branchId, staffId: session.staffId })
    })
    return this.list(session, branchId)
  }

  /** @throws Problem LINK_OVER for an address that is none, or was ended */
  async file(token: string): Promise<string> {
    const { reader } = this.context.database
    const feed = await queries.feedByHash(reader, hashToken(token))
    if (!feed) throw new Problem('LINK_OVER')
    const loans = await queries.openLoans(reader, feed)
    const { today } = await this.opening.daysOf(reader, feed.branchId)
    const evenings = feed.kind === 'kit' ? [] : await queries.benchEvenings(reader, feed.branchId, today)
    return calendarFile(`${feed.branchName}: kits out and back`, loans, evenings)
  }

  /** What a calendar file would close; nothing is kept before somebody has seen it. */
  async read(session: Session, branchId: string, text: string): Promise<ClosingsRead> {
    requireRole(session, branchId, coordinatorOnly)
    const { today } = await this.opening.daysOf(this.context.database.reader, branchId)
    // Rules of strangers' files may run on for ever: in a thread of their own they are ended.
    return runBounded<ClosingsRead>(worker, { text, today } satisfies ClosingsWork, {
      timeoutMs: 5000,
      memoryMb: 128,
    })
  }
}

const badInput = (path: string, message: string) => new Problem('BAD_INPUT', { issues: [{ path, message }] })
