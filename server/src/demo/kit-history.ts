import type { PartMark } from '@binoculum/contract'
import {
  cleanAnswers,
  DRYING_HOURS,
  composeGuide,
  correctedMasses,
  followUpsOf,
  hazardsFrom,
  jobsFrom,
  jobsForOutcome,
  proposeOutcome,
  standsAfter,
  type Guide,
  type JobCode,
  type Mark,
} from '@binoculum/core'
import { DateTime } from 'luxon'
import { asIssued } from '../features/guides/service.ts'
import { BenchEvenings } from './bench-evenings.ts'
import { demoWeighGroups } from './catalogue.ts'
import { demoGuideWords } from './guide-words.ts'
import { demoSites } from './mounts.ts'
import type { KitStory } from './scenario.ts'

/**
 * Plays one kit's history with the product's own calculators: readings come from what the stations would write
 * down, conditions and outcomes from the judgement of those readings. Nothing is entered as a result.
 */
export class KitHistory extends BenchEvenings {
  broughtIn(at: Date) {
    this.append('brought-in', at, this.cast.staffIds[0] ?? '', { after: { parts: this.rows.parts.length } })
  }

  private readonly guides = new Map<string, Guide>()

  /** The guide as its contents make it. Nights are worked out for loans that are out; those of returned ones nobody looks
   * at, so that loans with the same contents share theirs but for the dates. */
  private guide(out: boolean, issuedOn: string, dueOn: string): Guide {
    const { branch } = this.cast
    const key = out ? issuedOn : this.rows.parts.map(({ mark }) => mark).join()
    const known = this.guides.get(key)
    if (known) return known
    const made = composeGuide({
      kitName: this.story.name,
      kitCode: this.story.code,
      modelName: this.model.name,
      family: this.model.family,
      optics: this.model.optics,
      parts: this.rows.parts.map((part) => ({ ...part, ...(part.optics as object) })) as never,
      collimationPolicy: 'leave-it-to-us',
      mount: this.model.mount,
      ...(out ? { place: demoSites.find((site) => site.branch === this.story.branch) } : {}),
      branchName: branch.name,
      emergencyLine: branch.emergencyLine,
      issuedOn,
      dueOn,
      ownWords: demoGuideWords,
    })
    this.guides.set(key, made)
    return made
  }

  /** One loan from hand-out on; `backAt` null leaves it out. */
  loan(outAt: Date, dueAt: Date, backAt: Date | null): string {
    const { branchId, borrowerIds, staffIds, agreementId, branch } = this.cast
    const id = this.chance.id()
    const borrowerId = this.chance.pick(borrowerIds)
    const handedOutBy = this.chance.pick(staffIds)
    const before = { condition: this.judge(outAt).condition }
    const dayOf = (at: Date) => DateTime.fromJSDate(at, { zone: branch.zone }).toISODate() ?? ''
    this.rows.loans.push({
      fromOn: dayOf(outAt),
      untilOn: dayOf(dueAt),
      turnaroundDays: 1,
      id,
      branchId,
      kitId: this.kitId,
      borrowerId,
      state: backAt ? 'back' : 'out',
      promisedFor: null,
      outAt,
      dueAt,
      backAt,
      handedOutBy,
      agreementId,
      acceptance: 'screen',
      overruleReason: '',
      linkHash: null,
      linkEndsAt: null,
      version: backAt ? 2 : 1,
    })
    const content = {
      ...this.guide(backAt === null, dayOf(outAt), dayOf(dueAt)),
      issuedOn: dayOf(outAt),
      dueOn: dayOf(dueAt),
    }
    this.rows.guides.push({
      id: this.chance.id(),
      loanId: id,
      ...(backAt === null ? asIssued(content) : { content, shape: '' }),
      issuedAt: outAt,
    })
    const after = { borrowerId, dueOn: dayOf(dueAt), agreement: 1, overruleReason: '' }
    this.append('handed-out', outAt, handedOutBy, { loanId: id, before, after })
    return id
  }

  promise(at: Date, untilOn: string) {
    const { branchId, borrowerIds, branch } = this.cast
    this.rows.loans.push({
      fromOn: DateTime.fromJSDate(at, { zone: branch.zone }).toISODate(),
      untilOn,
      turnaroundDays: 1,
      id: this.chance.id(),
      branchId,
      kitId: this.kitId,
      borrowerId: this.chance.pick(borrowerIds),
      state: 'promised',
      promisedFor: at,
      outAt: null,
      dueAt: null,
      backAt: null,
      handedOutBy: null,
      agreementId: null,
      acceptance: null,
      overruleReason: '',
      linkHash: null,
      linkEndsAt: null,
      version: 1,
    })
  }

  /** The take-back of a loan: what is off, what was said, and the outcome that follows from the judgement. */
  takeBack(loanId: string, at: Date, found: KitStory['lastReturn']) {
    const answers = { ...cleanAnswers, ...found?.answers }
    const off = new Map<string, Mark>([
      ...(found?.missing ?? []).map((role) => [role, 'missing'] as const),
      ...(found?.damaged ?? []).map((role) => [role, 'damaged'] as const),
    ])
    for (const part of this.rows.parts) {
      const mark = off.get(String(part.role)) ?? (part.mark as Mark)
      part.mark = mark
      part.presentCount = mark === 'missing' ? 0 : part.count
      part.seenAt = at
    }
    this.hazards.push(...hazardsFrom(answers))
    jobsFrom(answers).forEach((job) => this.openJob(job, at))
    this.follow(loanId, at)
    const outcome = proposeOutcome(this.judge(at))
    jobsForOutcome(outcome).forEach((job) => this.openJob(job, at))
    this.standsAt = standsAfter(outcome)
    const byStaffId = this.chance.pick(this.cast.staffIds)
    const marks: PartMark[] = this.rows.parts.map(({ id, mark, presentCount, note }) => ({
      partId: String(id),
      mark: mark as Mark,
      presentCount: Number(presentCount),
      note: String(note),
      wrongItem: '',
      pictureIds: [],
    }))
    const taken = { loanId, marks, answers, proposed: outcome, outcome, outcomeReason: '', correction: false }
    this.rows.takeBacks.push({ id: this.chance.id(), ...taken, byStaffId, at })
    const offParts = this.rows.parts
      .filter(({ mark }) => mark !== 'present')
      .map(({ name, mark }) => ({ part: name, mark }))
    const after = { off: offParts, proposed: outcome, outcome, outcomeReason: '', answers }
    this.append('taken-back', at, byStaffId, { loanId, before: { off: [] }, after })
    this.wander()
  }

  /** What is off is looked for, asked after or mended, as at every take-back. */
  private follow(loanId: string, at: Date) {
    const parts = this.rows.parts.map(({ id, role, mark }) => ({ id: String(id), role, mark }) as never)
    for (const { partId, code, dueInDays } of followUpsOf(parts)) {
      if (this.openJobs().some((job) => job.partId === partId)) continue
      const text = String(this.rows.parts.find(({ id }) => id === partId)?.name)
      const dueOn = DateTime.fromJSDate(at, { zone: this.cast.branch.zone }).plus({ days: dueInDays }).toISODate()
      const ownerId = this.chance.pick(this.cast.staffIds)
      this.openJob({ code, text }, at, { partId, loanId, dueOn, ownerId })
    }
  }

  /** The complete kit on the scales, group by group: its own masses lie about the declared ones, and what the scale shows
   * corrects them, as weighing complete does. */
  weighComplete(at: Date) {
    const byStaffId = this.chance.pick(this.cast.staffIds)
    const weighed: { group: string; expectedG: number; measuredG: number; smallestVisibleG: number }[] = []
    for (const { name, scaleStepG } of demoWeighGroups) {
      const parts = this.rows.parts.filter(({ weighGroup }) => weighGroup === name)
      if (parts.length === 0) continue
      const masses = parts.map(({ id, massG, toleranceG, count }) => ({
        id: String(id),
        massG: Number(massG),
        toleranceG: Number(toleranceG),
        count: Number(count),
      }))
      const expectedG = masses.reduce((sum, { massG, count }) => sum + massG * count, 0)
      const trueG = masses.reduce(
        (sum, { massG, toleranceG, count }) => sum + (massG + this.chance.normal(toleranceG / 2)) * count,
        0,
      )
      const measuredG = Math.round(trueG / scaleStepG) * scaleStepG
      for (const { id, ...corrected } of correctedMasses(masses, { measuredG, scaleResolutionG: scaleStepG })) {
        const part = parts.find((each) => each.id === id)
        if (part) Object.assign(part, corrected, { weighed: true })
      }
      weighed.push({ group: name, expectedG: Math.round(expectedG), measuredG, smallestVisibleG: 0 })
      this.rows.weighings.push({
        id: this.chance.id(),
        kitId: this.kitId,
        weighGroup: name,
        measuredG,
        scaleStepG,
        containerG: 0,
        expectedG,
        source: 'typed',
        complete: true,
        outdated: false,
        loanId: null,
        byStaffId,
        at,
      })
    }
    this.append('weighed', at, byStaffId, { after: { groups: weighed, source: 'typed' } })
  }

  /** Cells were last changed on this day. */
  changeCells(at: Date) {
    const changedOn = DateTime.fromJSDate(at, { zone: this.cast.branch.zone }).toISODate()
    for (const part of this.rows.parts)
      if (part.consumable) part.consumable = { ...(part.consumable as object), changedOn }
  }

  private openJob(job: { code: JobCode; text?: string | undefined }, at: Date, rest: object = {}) {
    const { code, text = '' } = job
    // As the desk does: what is open already isn't opened again.
    const partId = (rest as { partId?: string }).partId ?? null
    if (this.openJobs().some((open) => open.code === code && open.text === text && open.partId === partId)) return
    const notBefore = code === 'drying' ? new Date(at.getTime() + DRYING_HOURS * 3_600_000) : null
    const follow = { note: '', partId: null, loanId: null, ownerId: null, dueOn: null, noticeId: null, version: 1 }
    const own = { id: this.chance.id(), kitId: this.kitId, code, text, openedAt: at, closedAt: null, notBefore }
    this.rows.jobs.push({ ...follow, ...own, ...rest })
  }
}
