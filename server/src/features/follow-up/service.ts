import { randomUUID } from 'node:crypto'
import type { FollowUpJob, FollowUpList, Loss, Notice as NoticeSent, Session, SettleJob } from '@binoculum/contract'
import { followUpDays, isBenchJob, isFollowUp, jobFacts, nextFollowUp, type JobCode } from '@binoculum/core'
import { DateTime } from 'luxon'
import { branchIdsOf, coordinatorOnly, deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { once } from '../../platform/sent-once.ts'
import type { Sheets } from '../sheet/service.ts'
import { bumpKitVersion, closeFollowUps, endGoingThrough, Job, Kit, type KitStore } from '../store/service.ts'
import { Notice } from './entities.ts'
import * as queries from './queries.ts'

export { Letters } from './letters.ts'

/** What has to be done after something was missing, damaged, wet, old or reported: each with owner and due day. */
export class FollowUps {
  constructor(
    private readonly context: Context,
    private readonly store: KitStore,
    private readonly sheets: Sheets,
  ) {}

  async list(session: Session): Promise<FollowUpList> {
    const { database, clock } = this.context
    const branchIds = branchIdsOf(session)
    const [jobs, people, zone] = await Promise.all([
      queries.openJobsOf(database.reader, branchIds),
      queries.peopleOf(database.reader, branchIds),
      queries.zoneOf(database.reader, branchIds),
    ])
    const now = clock()
    const own = jobs.filter(({ code }) => !isBenchJob(code) && !jobFacts(code).closesItself && code !== 'retired')
    return { jobs: own.map((job) => jobView(job, now)), people, today: dayIn(zone, now) }
  }

  async change(
    session: Session,
    jobId: string,
    given: { version: number; ownerId: string | null; dueOn: string | null; note: string },
  ): Promise<FollowUpList> {
    await this.context.database.inTransaction(async (tx) => {
      const job = await this.claim(tx, session, jobId, given.version)
      const { ownerId, dueOn, note } = given
      const people = await queries.peopleOf(tx, [job.branchId])
      if (ownerId && !people.some(({ id }) => id === ownerId))
        throw new Problem('BAD_INPUT', { issues: [{ path: 'ownerId', message: 'works in another branch' }] })
      await tx.update(Job, { id: jobId }, { ownerId, dueOn, note })
      await appendRecord(tx, {
        act: 'job-changed',
        at: this.context.clock(),
        branchId: job.branchId,
        staffId: session.staffId,
        kitId: job.kitId,
        before: { job: job.code, ownerId: job.ownerId, dueOn: job.dueOn, note: job.note },
        after: {
          job: jobFacts(job.code).words,
          part: job.partName ?? job.text,
          ownerId,
          owner: people.find(({ id }) => id === ownerId)?.name ?? null,
          dueOn,
          note,
        },
      })
    })
    return this.list(session)
  }

  private async claim(tx: Tx, session: Session, jobId: string, version: number): Promise<queries.JobRow> {
    const job = await queries.openJob(tx, jobId)
    if (!job) throw new Problem('JOB_CHANGED')
    requireRole(session, job.branchId, deskRoles)
    if (!(await queries.claimJob(tx, jobId, version))) throw new Problem('JOB_CHANGED')
    return job
  }

  /** What came of a job: found or done puts right what it was about; not helped goes on to the next step. */
  async settle(session: Session, jobId: string, given: SettleJob): Promise<FollowUpList> {
    await this.context.database.inTransaction((tx) =>
      once(
        tx,
        { key: given.idempotencyKey, staffId: session.staffId, sentFor: `job ${jobId}`, may: 'own' },
        async () => {
          const job = await this.claim(tx, session, jobId, given.version)
          if (isBenchJob(job.code))
            throw new Problem('BAD_INPUT', {
              issues: [{ path: 'result', message: 'a check at the bench closes this' }],
            })
          if (jobFacts(job.code).closesItself || job.code === 'retired')
            throw new Problem('BAD_INPUT', { issues: [{ path: 'result', message: closedElsewhere(job.code) }] })
          const at = this.context.clock()
          if (given.result === 'not-helped') await this.goOn(tx, job, at)
          else await this.putRight(tx, session, job, given, at)
          await bumpKitVersion(tx, job.kitId)
          await appendRecord(tx, {
            act: job.code === 'battery-round' && given.result !== 'not-helped' ? 'cells-changed' : 'job-settled',
            at,
            branchId: job.branchId,
            staffId: session.staffId,
            kitId: job.kitId,
            before: { job: job.code, part: job.partName },
            after: {
              job: jobFacts(job.code).words,
              part: job.partName ?? job.text,
              result: given.result,
              note: given.note,
            },
          })
          return { jobId }
        },
      ),
    )
    return this.list(session)
  }

  private async goOn(tx: Tx, job: queries.JobRow, at: Date): Promise<void> {
    const next = isFollowUp(job.code) ? nextFollowUp(job.code, { spareThere: job.spares > 0 }) : null
    if (!next) throw new Problem('BAD_INPUT', { issues: [{ path: 'result', message: 'there is no further step' }] })
    const dueOn = DateTime.fromJSDate(at, { zone: job.zone })
      .plus({ days: followUpDays(next) })
      .toISODate()
    await tx.update(Job, { id: job.id }, { code: next, dueOn })
  }

  private async putRight(tx: Tx, session: Session, job: queries.JobRow, given: SettleJob, at: Date): Promise<void> {
    if (job.code === 'drying') {
      if (job.notBefore && job.notBefore > at)
        throw new Problem('TOO_EARLY', { details: { untilUtc: job.notBefore.toISOString() } })
      await this.store.removeHazard(tx, job.kitId, 'wet')
    }
    // Back again is not fit again: nobody knows what is in its case.
    if (jobFacts(job.code).never) {
      requireRole(session, job.branchId, coordinatorOnly)
      await this.store.comeBack(tx, job.kitId)
    }
    await queries.closeJob(tx, job.id, { at, note: given.note })
    if (!job.partId) return
    const day = DateTime.fromJSDate(at, { zone: job.zone }).toISODate() ?? ''
    if (job.code === 'battery-round') await queries.cellsChanged(tx, job.partId, day, at)
    else {
      await queries.partRight(tx, job.partId, at)
      await closeFollowUps(tx, [job.partId], at)
    }
    await endGoingThrough(tx, job.kitId, at)
  }

  /** “Check every kit of this model for X by D”: one job for each kit of the coordinator's branches, wherever it is. */
  async notice(session: Session, given: NoticeSent): Promise<{ jobs: number; kits: string[] }> {
    const branchIds = session.memberships.filter(({ role }) => role === 'coordinator').map(({ branchId }) => branchId)
    return this.context.database.inTransaction((tx) =>
      once(
        tx,
        { key: given.idempotencyKey, staffId: session.staffId, sentFor: `notice ${given.modelId}`, may: 'own' },
        async () => {
          const kits = await queries.kitsOfModelIn(tx, given.modelId, branchIds)
          if (kits.length === 0) throw new Problem('NOT_FOUND')
          const at = this.context.clock()
          const { modelId, text, stops, dueOn } = given
          const noticeId = randomUUID()
          await tx.insert(Notice, { id: noticeId, modelId, text, stops, dueOn, byStaffId: session.staffId, at })
          const code = stops ? 'fleet-stop' : 'fleet-notice'
          for (const kit of kits) await this.open(tx, session, { kit, code, text, dueOn, noticeId })
          return { jobs: kits.length, kits: kits.map((kit) => kit.code) }
        },
      ),
    )
  }

  /** One job for every set of cells that was last changed too long ago. */
  async batteryRound(
    session: Session,
    given: { idempotencyKey: string; branchId: string; olderThanDays: number; dueOn: string },
  ): Promise<{ jobs: number; kits: string[] }> {
    requireRole(session, given.branchId, coordinatorOnly)
    return this.context.database.inTransaction((tx) =>
      once(
        tx,
        {
          key: given.idempotencyKey,
          staffId: session.staffId,
          sentFor: `battery-round ${given.branchId}`,
          may: 'own',
        },
        async () => {
          const day = DateTime.fromJSDate(this.context.clock()).minus({ days: given.olderThanDays }).toISODate() ?? ''
          const cells = await queries.cellsOlderThan(tx, given.branchId, day)
          for (const { text, ...kit } of cells)
            await this.open(tx, session, { kit, code: 'battery-round', text, dueOn: given.dueOn, noticeId: null })
          return { jobs: cells.length, kits: [...new Set(cells.map(({ code }) => code))] }
        },
      ),
    )
  }

  private async open(
    tx: Tx,
    session: Session,
    job: { kit: queries.KitToCheck; code: JobCode; text: string; dueOn: string | null; noticeId: string | null },
  ): Promise<void> {
    const { kit, code, text, dueOn, noticeId } = job
    const at = this.context.clock()
    await tx.insert(Job, {
      id: randomUUID(),
      kitId: kit.id,
      code,
      text,
      partId: kit.partId,
      loanId: null,
      ownerId: null,
      dueOn,
      notBefore: null,
      noticeId,
      openedAt: at,
      closedAt: null,
    })
    await bumpKitVersion(tx, kit.id)
    await appendRecord(tx, {
      act: 'job-opened',
      at,
      branchId: kit.branchId,
      staffId: session.staffId,
      kitId: kit.id,
      after: { job: jobFacts(code).words, text, dueOn },
    })
  }

  /** A kit that is lost, stolen or at its end: it is held until a coordinator closes the report. */
  async loss(session: Session, kitId: string, given: Loss): Promise<FollowUpList> {
    await this.context.database.inTransaction((tx) =>
      once(
        tx,
        { key: given.idempotencyKey, staffId: session.staffId, sentFor: `loss ${kitId}`, may: 'own' },
        async () => {
          const kit = await tx.findOneBy(Kit, { id: kitId })
          if (!kit) throw new Problem('NOT_FOUND')
          requireRole(session, kit.branchId, coordinatorOnly)
          await this.sheets.claim(tx, kitId, given.kitVersion)
          const text = given.reportNumber ? `${given.text} (report ${given.reportNumber})` : given.text
          const target = { id: kit.id, code: kit.code, branchId: kit.branchId, partId: null }
          await this.open(tx, session, { kit: target, code: given.kind, text, dueOn: null, noticeId: null })
          return { kitId }
        },
      ),
    )
    return this.list(session)
  }
}

const closedElsewhere = (code: JobCode) =>
  code === 'retired'
    ? 'a retired kit comes back from its sheet: “back in service”, with the reason'
    : 'it is done when every part of the kit was looked at'

/** A date as people at a branch would write it now. */
const dayIn = (zone: string, now: Date): string => DateTime.fromJSDate(now, { zone }).toISODate() ?? ''

function jobView({ openedAt, notBefore, ...job }: queries.JobRow, now: Date): FollowUpJob {
  const today = DateTime.fromJSDate(now, { zone: job.zone }).startOf('day')
  const isToday = job.dueOn !== null && job.dueOn === today.toISODate()
  const due = job.dueOn === null ? null : DateTime.fromISO(job.dueOn, { zone: job.zone })
  const daysOver = due ? Math.max(0, Math.round(today.diff(due, 'days').days)) : 0
  return {
    ...job,
    daysOver,
    isToday,
    openedAtUtc: openedAt.toISOString(),
    notBeforeUtc: notBefore?.toISOString() ?? null,
  }
}
