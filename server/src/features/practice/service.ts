import { randomUUID } from 'node:crypto'
import { practiceResultSchema, type PracticeLog, type PracticeResult, type Session } from '@binoculum/contract'
import type { Context } from '../../platform/context.ts'
import { PracticeRun } from './entities.ts'
import * as queries from './queries.ts'

/** Practice is private: one's own, and for a coordinator that of the people of their branches. No kit is in it. */
export class Practice {
  constructor(private readonly context: Context) {}

  async keep(session: Session, result: PracticeResult): Promise<PracticeLog> {
    const { database, clock } = this.context
    await database.inTransaction((tx) =>
      tx.insert(PracticeRun, { id: randomUUID(), staffId: session.staffId, result, at: clock() } as never),
    )
    return this.log(session)
  }

  async log({ staffId, memberships }: Session): Promise<PracticeLog> {
    const led = memberships.filter(({ role }) => role === 'coordinator').map(({ branchId }) => branchId)
    const { reader } = this.context.database
    const [summaries, rows] = await Promise.all([
      queries.summaries(reader, staffId, led),
      queries.latestRuns(reader, staffId, led),
    ])
    return {
      summaries: summaries.map(({ staffId: whose, lastAt, ...rest }) => ({
        ...rest,
        mine: whose === staffId,
        lastAtUtc: lastAt.toISOString(),
      })),
      results: rows.map(({ result, by, staffId: whose, at }) => ({
        ...practiceResultSchema.parse(result),
        by,
        mine: whose === staffId,
        atUtc: at.toISOString(),
      })),
    }
  }
}
