import { randomUUID } from 'node:crypto'
import { practiceResultSchema, type PracticeLog, type PracticeResult, type Session } from '@binoculum/contract'
import type { Context } from '../../platform/context.ts'
import { selectRows } from '../../platform/database.ts'
import { PracticeRun } from './entities.ts'

const SHOWN = 100

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

  async log(session: Session): Promise<PracticeLog> {
    const led = session.memberships.filter(({ role }) => role === 'coordinator').map(({ branchId }) => branchId)
    const rows = await selectRows<{ result: unknown; by: string; staffId: string; at: Date }>(
      this.context.database.reader,
      `SELECT p.result, s.name AS by, p.staff_id AS "staffId", p.at FROM practice_run p JOIN staff s ON s.id = p.staff_id
       WHERE p.staff_id = $1 OR EXISTS (
         SELECT 1 FROM membership m WHERE m.staff_id = p.staff_id AND m.branch_id = ANY($2))
       ORDER BY p.at DESC LIMIT ${SHOWN}`,
      [session.staffId, led],
    )
    return {
      results: rows.map(({ result, by, staffId, at }) => ({
        ...practiceResultSchema.parse(result),
        by,
        mine: staffId === session.staffId,
        atUtc: at.toISOString(),
      })),
    }
  }
}
