import { randomUUID } from 'node:crypto'
import type { BenchEveningFields, BenchPlanLine, BenchPlans, Session } from '@binoculum/contract'
import { dayNumber, planBench, reasonSentence } from '@binoculum/core'
import { branchIdsOf, deskRoles, requireRole, signedInAs } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { shelfKit, type Shelf } from '../judgement/service.ts'
import { localDay, type Opening } from '../opening/service.ts'
import { BenchEveningRow } from './entities.ts'
import { eveningsFrom } from './queries.ts'

const MOST_EVENINGS = 60
/** Plans look so many evenings ahead; those beyond are too far to be planned for. */
const MOST_PLANNED = 12

/** Which kit is put right on which evening, anew at every look: what is done falls out by itself. */
export class BenchPlanning {
  constructor(
    private readonly context: Context,
    private readonly shelf: Shelf,
    private readonly opening: Opening,
  ) {}

  async plans(session: Session): Promise<BenchPlans> {
    const branches = []
    for (const branchId of branchIdsOf(session)) branches.push(await this.plan(session, branchId))
    return { branches: branches.sort((a, b) => a.branchName.localeCompare(b.branchName)) }
  }

  private async plan(session: Session, branchId: string): Promise<BenchPlans['branches'][number]> {
    const { database, clock } = this.context
    const now = clock()
    const { branchName, today, zone } = await this.opening.daysOf(database.reader, branchId)
    const evenings = await eveningsFrom(database.reader, { branchId, from: today, most: MOST_PLANNED })
    const waiting = (await this.shelf.rowsOfBranch(branchId))
      .map((row) => shelfKit(row, now))
      .filter(({ group }) => group === 'bench' || group === 'held')
    const neededOn = ({ next }: (typeof waiting)[number]) => (next ? localDay(new Date(next.atUtc), zone) : null)
    const minutesOf = ({ reasons }: (typeof waiting)[number]) =>
      reasons.reduce((sum, { minutes }) => sum + minutes, 0)
    const plan = planBench(
      waiting.map((kit) => {
        const day = neededOn(kit)
        return { id: kit.id, minutes: minutesOf(kit), neededOn: day === null ? null : dayNumber(day) }
      }),
      evenings.map(({ id, onDay, seats, minutesEach }) => ({ id, on: dayNumber(onDay), seats, minutesEach })),
    )
    const lines = waiting.map((kit): BenchPlanLine => {
      const place = plan.places.find(({ workId }) => workId === kit.id)
      return {
        ...{
          kitCode: kit.code,
          kitName: kit.name,
          modelName: kit.modelName,
          minutes: minutesOf(kit),
          neededOn: neededOn(kit),
        },
        sentences: kit.reasons.map((reason) => reasonSentence(reason)),
        ...{ eveningId: place?.eveningId ?? null, seat: place?.seat ?? 0 },
        isLate: plan.late.some(({ workId }) => workId === kit.id),
        isHeld: kit.group === 'held',
      }
    })
    const { minutesShort, proven } = plan
    const mayChange = signedInAs(session, branchId, 'coordinator') || signedInAs(session, branchId, 'volunteer')
    const inOrder = lines.sort(
      (a, b) => (a.neededOn ?? '9').localeCompare(b.neededOn ?? '9') || a.kitName.localeCompare(b.kitName),
    )
    return { branchId, branchName, today, mayChange, evenings, lines: inOrder, minutesShort, proven }
  }

  async add(session: Session, branchId: string, given: BenchEveningFields): Promise<BenchPlans> {
    requireRole(session, branchId, deskRoles)
    await this.context.database.inTransaction(async (tx) => {
      if ((await tx.countBy(BenchEveningRow, { branchId })) >= MOST_EVENINGS)
        throw new Problem('BAD_INPUT', {
          issues: [{ path: 'onDay', message: `${MOST_EVENINGS} evenings are the most` }],
        })
      await tx.insert(BenchEveningRow, { id: randomUUID(), branchId, ...given })
      const at = this.context.clock()
      await appendRecord(tx, { act: 'bench-evening-added', at, branchId, staffId: session.staffId, after: given })
    })
    return this.plans(session)
  }

  async remove(session: Session, branchId: string, id: string): Promise<BenchPlans> {
    requireRole(session, branchId, deskRoles)
    await this.context.database.inTransaction(async (tx) => {
      const evening = await tx.findOneBy(BenchEveningRow, { id, branchId })
      if (!evening) throw new Problem('NOT_FOUND')
      await tx.delete(BenchEveningRow, { id })
      const at = this.context.clock()
      await appendRecord(tx, {
        act: 'bench-evening-removed',
        at,
        branchId,
        staffId: session.staffId,
        before: evening,
      })
    })
    return this.plans(session)
  }
}
