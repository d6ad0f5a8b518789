import { randomUUID } from 'node:crypto'
import type { BenchEveningFields, BenchPlanLine, BenchPlans, BenchSkillsGiven, Session } from '@binoculum/contract'
import { dayNumber, LOOK_MINUTES, lookSentence, planBench, reasonSentence, workAhead } from '@binoculum/core'
import { branchIdsOf, coordinatorOnly, deskRoles, requireRole, signedInAs } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { stationMinutesOf } from '../checks/service.ts'
import { shelfKit, type Shelf } from '../judgement/service.ts'
import { localDay, type Opening } from '../opening/service.ts'
import { BenchEveningRow, BenchSeatRow, BenchSkillRow } from './entities.ts'
import { eveningsFrom, handsOf } from './queries.ts'

/** A look at a mirror that is due, as work: it is nobody's finding. */
const lookReason = { code: 'READING_OLD', figures: { kind: 'collimation' }, minutes: LOOK_MINUTES } as const

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
    const hands = await handsOf(database.reader, branchId)
    const rows = await this.shelf.rowsOfBranch(branchId)
    const timed = await stationMinutesOf(database.reader, [...new Set(rows.map(({ modelId }) => modelId))])
    const waiting = rows
      .map((row) => ({ kit: shelfKit(row, now), modelId: row.modelId }))
      .filter(
        ({ kit: { group, look } }) => group === 'bench' || group === 'held' || (group === 'shelf' && look !== null),
      )
      .map(({ kit, modelId }) => ({
        kit,
        ...workAhead(kit.look ? [...kit.reasons, lookReason] : kit.reasons, timed.get(modelId) ?? []),
        neededOn: kit.next ? localDay(new Date(kit.next.atUtc), zone) : null,
      }))
    const skillsOf = new Map(hands.map(({ staffId, skills }) => [staffId, skills]))
    const plan = planBench(
      waiting.map(({ kit: { id }, minutes, skills, neededOn }) => ({
        ...{ id, minutes, skills },
        neededOn: neededOn === null ? null : dayNumber(neededOn),
      })),
      evenings.map(({ id, onDay, seats, minutesEach, staffIds }) => ({
        ...{ id, on: dayNumber(onDay), seats, minutesEach },
        can: staffIds.map((staffId) => skillsOf.get(staffId) ?? null),
      })),
    )
    const lines = waiting.map(({ kit, minutes, skills, measuredStations, neededOn }): BenchPlanLine => {
      const place = plan.places.find(({ workId }) => workId === kit.id)
      return {
        ...{ kitCode: kit.code, kitName: kit.name, modelName: kit.modelName },
        ...{ minutes, measuredStations, skills: [...skills], neededOn },
        sentences: [
          ...kit.reasons.filter(({ minutes }) => minutes > 0).map((reason) => reasonSentence(reason)),
          ...(kit.look ? [lookSentence(kit.look)] : []),
        ],
        ...{ eveningId: place?.eveningId ?? null, seat: place?.seat ?? 0 },
        isLate: plan.late.some(({ workId }) => workId === kit.id),
        isBeyondAnybody: plan.beyondAnybody.includes(kit.id),
        isHeld: kit.group === 'held',
      }
    })
    const { minutesShort, proven } = plan
    const coordinates = signedInAs(session, branchId, 'coordinator')
    const mayChange = coordinates || signedInAs(session, branchId, 'volunteer')
    const inOrder = lines.sort(
      (a, b) => (a.neededOn ?? '9').localeCompare(b.neededOn ?? '9') || a.kitName.localeCompare(b.kitName),
    )
    const known = hands.map((hand) => ({ ...hand, mayChange: coordinates || hand.staffId === session.staffId }))
    return { branchId, branchName, today, mayChange, evenings, hands: known, lines: inOrder, minutesShort, proven }
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

  /** What somebody can do; each says it of themselves, a coordinator of anybody. */
  async sayCan(session: Session, branchId: string, { staffId, skills }: BenchSkillsGiven): Promise<BenchPlans> {
    requireRole(session, branchId, staffId === session.staffId ? deskRoles : coordinatorOnly)
    await this.context.database.inTransaction(async (tx) => {
      await requireHands(tx, branchId, [staffId])
      if (skills)
        await tx.upsert(BenchSkillRow, { branchId, staffId, skills: [...new Set(skills)] }, ['branchId', 'staffId'])
      else await tx.delete(BenchSkillRow, { branchId, staffId })
      const at = this.context.clock()
      const after = { whoId: staffId, skills }
      await appendRecord(tx, { act: 'bench-skills-said', at, branchId, staffId: session.staffId, after })
    })
    return this.plans(session)
  }

  /** Who comes to an evening, place by place. */
  async seat(
    session: Session,
    branchId: string,
    eveningId: string,
    staffIds: readonly string[],
  ): Promise<BenchPlans> {
    requireRole(session, branchId, deskRoles)
    await this.context.database.inTransaction(async (tx) => {
      const evening = await tx.findOneBy(BenchEveningRow, { id: eveningId, branchId })
      if (!evening) throw new Problem('NOT_FOUND')
      if (new Set(staffIds).size > evening.seats)
        throw new Problem('BAD_INPUT', {
          issues: [
            { path: 'staffIds', message: `there are ${evening.seats} places: add places, or let somebody off` },
          ],
        })
      await requireHands(tx, branchId, staffIds)
      await tx.delete(BenchSeatRow, { eveningId })
      const seats = [...new Set(staffIds)].map((staffId, seat) => ({ eveningId, staffId, seat }))
      if (seats.length > 0) await tx.insert(BenchSeatRow, seats)
      const at = this.context.clock()
      const after = { eveningId, staffIds }
      await appendRecord(tx, { act: 'bench-seats-given', at, branchId, staffId: session.staffId, after })
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

/** @throws Problem NOT_FOUND where one of them doesn't work at this branch */
async function requireHands(tx: Tx, branchId: string, staffIds: readonly string[]): Promise<void> {
  const known = new Set((await handsOf(tx, branchId)).map(({ staffId }) => staffId))
  if (!staffIds.every((id) => known.has(id))) throw new Problem('NOT_FOUND')
}
