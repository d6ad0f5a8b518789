import type { PartMark, Station } from '@binoculum/contract'
import {
  balanceOf,
  bareShaftMm,
  cleanAnswers,
  clockHourOf,
  DRYING_HOURS,
  composeGuide,
  correctedMasses,
  followUpsOf,
  hazardsFrom,
  highestMagnification,
  jobsFrom,
  jobsForOutcome,
  judgeReadiness,
  learnFrom,
  lengthOf,
  lowestPowerFieldDeg,
  powersThere,
  proposeOutcome,
  standsAfter,
  readingsFromStation,
  roleFacts,
  setUpParts,
  templateProcedure,
  type CheckedKit,
  type Guide,
  type HazardCode,
  type JobCode,
  type Judgement,
  type KeptReading,
  type KitOnMount,
  type Mark,
  type PointXY,
} from '@binoculum/core'
import { DateTime } from 'luxon'
import { defaultPolicies } from '../features/people/defaults.ts'
import { demoWeighGroups, type DemoModel } from './catalogue.ts'
import { demoGuideWords } from './guide-words.ts'
import { demoHeadMomentGmm, demoSites } from './mounts.ts'
import { Chance } from './random.ts'
import type { KitStory } from './scenario.ts'

/** Rows that a kit's simulated eighteen months leave, in the shape of the tables. */
export interface KitRows {
  readonly parts: Record<string, unknown>[]
  readonly loans: Record<string, unknown>[]
  readonly takeBacks: Record<string, unknown>[]
  readonly guides: Record<string, unknown>[]
  readonly checks: Record<string, unknown>[]
  readonly readings: Record<string, unknown>[]
  readonly stepTimes: Record<string, unknown>[]
  readonly jobs: Record<string, unknown>[]
  readonly weighings: Record<string, unknown>[]
  readonly record: Record<string, unknown>[]
}

interface Cast {
  readonly branchId: string
  readonly branch: { readonly name: string; readonly emergencyLine: string; readonly zone: string }
  readonly agreementId: string
  readonly staffIds: readonly string[]
  readonly borrowerIds: readonly string[]
}

/**
 * Plays one kit's history with the product's own calculators: readings come from what the stations would write
 * down, conditions and outcomes from the judgement of those readings. Nothing is entered as a result.
 */
export class KitHistory {
  readonly kitId: string
  readonly rows: KitRows = {
    parts: [],
    loans: [],
    takeBacks: [],
    guides: [],
    checks: [],
    readings: [],
    stepTimes: [],
    jobs: [],
    weighings: [],
    record: [],
  }
  standsAt: 'shelf' | 'desk' | 'bench' = 'shelf'
  readonly hazards: HazardCode[] = []
  /** True moment of this head, which nobody but the history knows until a balance tells it. */
  private readonly trueHeadGmm: number
  headMomentGmm: number | null = null
  private readonly lowestFieldDeg: number
  private readonly highest: number
  /** Chances of their own, so that what came later changed nothing that was there. */
  private readonly times: Chance
  private readonly latest = new Map<string, KeptReading & { atUtc: string }>()
  /** Mark from the peephole's reflection on the primary, and finder off the tube's axis; both wander. */
  private markMm: PointXY
  private finderArcmin: number

  constructor(
    private readonly story: KitStory,
    private readonly model: DemoModel,
    private readonly modelId: string,
    private readonly modelPartIds: readonly string[],
    private readonly cast: Cast,
    private readonly chance: Chance,
  ) {
    this.kitId = chance.id()
    this.times = new Chance(`${story.code} steps`)
    const powers = powersThere(
      model.optics,
      model.parts.map((part) => ({ ...part, mark: 'present' as const })),
    )
    this.highest = highestMagnification(powers)
    this.lowestFieldDeg = lowestPowerFieldDeg(powers) ?? 1
    this.trueHeadGmm = demoHeadMomentGmm.mean + new Chance(`${story.code} head`).normal(demoHeadMomentGmm.spread)
    this.markMm = { x: 0.2, y: -0.1 }
    this.finderArcmin = 8
    model.parts.forEach((part, index) => this.addPart(part, index + 1))
  }

  private addPart(part: DemoModel['parts'][number], position: number) {
    const { role, name, massG, count, place, costMinor, optics } = part
    this.rows.parts.push({
      id: this.chance.id(),
      kitId: this.kitId,
      position,
      name,
      role,
      criticality: roleFacts(role).criticality,
      count,
      presentCount: count,
      massG,
      toleranceG: Math.max(1, massG * 0.02),
      weighed: false,
      weighGroup: part.weighGroup,
      together: part.together,
      lookEveryTime: roleFacts(role).lookEveryTime ?? false,
      lookFor: '',
      wrongItem: '',
      pictureIds: [],
      modelPartId: this.modelPartIds[position - 1] ?? null,
      consumable: part.consumable && { ...part.consumable, changedOn: null },
      place,
      mark: 'present',
      note: '',
      seenAt: null,
      costMinor,
      optics,
    })
  }

  private get onMount(): KitOnMount | null {
    const { mount } = this.model
    return mount && { mount, headMomentGmm: this.headMomentGmm, parts: this.rows.parts as never }
  }

  private get checked(): CheckedKit {
    return { ...this.model.optics, lowestFieldDeg: this.lowestFieldDeg, onMount: this.onMount }
  }

  private judge(at: Date): Judgement {
    return judgeReadiness({
      model: { family: this.model.family, optics: this.model.optics, highestMagnification: this.highest },
      parts: this.rows.parts.map(({ role, mark, name }) => ({ role, mark, name }) as never),
      readings: [...this.latest.values()].map(({ asLeft, ...reading }) => ({ ...reading, value: asLeft })),
      hazards: this.hazards,
      openJobs: this.openJobs().map(({ code, text }) => ({ code: code as JobCode, text: String(text) })),
      policies: { ...defaultPolicies, collimation: 'leave-it-to-us' },
      atUtc: at.toISOString(),
    })
  }

  private openJobs() {
    return this.rows.jobs.filter(({ closedAt }) => closedAt === null)
  }

  private append(act: string, at: Date, staffId: string, rest: Record<string, unknown>) {
    const { branchId } = this.cast
    this.rows.record.push({
      act,
      at,
      branchId,
      kitId: this.kitId,
      loanId: null,
      staffId,
      before: null,
      after: null,
      ...rest,
    })
  }

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
    this.rows.loans.push({
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
    const dayOf = (at: Date) => DateTime.fromJSDate(at, { zone: branch.zone }).toISODate() ?? ''
    const content = {
      ...this.guide(backAt === null, dayOf(outAt), dayOf(dueAt)),
      issuedOn: dayOf(outAt),
      dueOn: dayOf(dueAt),
    }
    this.rows.guides.push({ id: this.chance.id(), loanId: id, content, issuedAt: outAt })
    const after = { borrowerId, dueOn: dayOf(dueAt), agreement: 1, overruleReason: '' }
    this.append('handed-out', outAt, handedOutBy, { loanId: id, before, after })
    return id
  }

  promise(at: Date) {
    const { branchId, borrowerIds } = this.cast
    this.rows.loans.push({
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

  /** A loan shakes mirror and finder a little. */
  private wander() {
    const { mirrorDriftMm, worsens } = this.story
    const step = worsens ? { x: mirrorDriftMm * 0.8, y: mirrorDriftMm * 0.35 } : { x: 0, y: 0 }
    const shake = worsens ? mirrorDriftMm * 0.3 : mirrorDriftMm
    this.markMm = {
      x: this.markMm.x + step.x + this.chance.normal(shake),
      y: this.markMm.y + step.y + this.chance.normal(shake),
    }
    this.finderArcmin = Math.abs(this.finderArcmin + this.chance.normal(6))
  }

  /** A bench check: everything as found; what is beyond *good* is put right, unless the story says otherwise. */
  check(at: Date, leaveOff?: 'mirror' | 'finder') {
    if (leaveOff === 'mirror') this.markMm = { x: 4.4, y: 2.6 }
    if (leaveOff === 'finder') this.finderArcmin = 41
    const fine = { asFound: 'fine', asLeft: 'fine', note: '' } as const
    const minutes = () => this.chance.whole(2, 6)
    const stations: Station[] = [
      { station: 'glass', ...fine, minutes: minutes() },
      this.assemblyStation(),
      ...this.firstSetting(),
      ...(this.model.optics.collimatable
        ? [this.mirrorStation(leaveOff === 'mirror', minutes())]
        : [{ station: 'star' as const, ...fine, minutes: minutes() }]),
      this.finderStation(leaveOff === 'finder', minutes()),
      { station: 'pack', ...fine, minutes: minutes() },
    ]
    const before = { condition: this.judge(at).condition }
    const checkId = this.chance.id()
    const byStaffId = this.chance.pick(this.cast.staffIds)
    this.rows.checks.push({ id: checkId, kitId: this.kitId, byStaffId, at, stations })
    for (const station of stations)
      if (station.station === 'balance' && this.onMount)
        this.headMomentGmm = learnFrom(station, this.onMount) ?? this.headMomentGmm
    const kept = stations.flatMap((station) => readingsFromStation(station, this.checked))
    const kinds = kept.map(({ kind }) => String(kind))
    for (const row of this.rows.readings) if (kinds.includes(String(row.kind))) row.current = false
    this.keepStepTimes(stations, checkId, at)
    for (const reading of kept) {
      const { limit, ...rest } = reading
      const ids = { id: this.chance.id(), kitId: this.kitId, checkId, byStaffId }
      this.rows.readings.push({ ...rest, ...ids, limitValue: limit, at, current: true })
      this.latest.set(reading.kind, { ...reading, atUtc: at.toISOString() })
    }
    const open = this.openJobs().filter(({ partId }) => partId === null)
    for (const job of open) job.closedAt = at
    this.standsAt = leaveOff ? 'bench' : 'shelf'
    const after = { condition: this.judge(at).condition, readings: kept, jobsDone: open.length }
    this.append('checked', at, byStaffId, { before, after })
  }

  /** Everything goes together as it should; each step takes about as long as it does. */
  private assemblyStation(): Station {
    const { family, optics, parts } = this.model
    const roles = parts.map(({ role }) => role)
    const { setUp } = templateProcedure({ family, collapsible: optics.collapsible, parts: roles })
    const steps = setUp
      .filter(({ phase }) => phase !== 'unpack')
      .map(({ key, title, phase, lines }) => ({
        key,
        title,
        phase,
        asFound: 'fine' as const,
        asLeft: 'fine' as const,
        said: [],
        seconds: Math.max(4, Math.round(lines.length * 14 + this.times.normal(8))),
      }))
    const seconds = steps.reduce((sum, step) => sum + step.seconds, 0)
    return { station: 'assembly', steps, note: '', minutes: Math.round(seconds / 6) / 10 }
  }

  /** At the second check, with its own masses known, the kit is balanced until it stays, and set for the place. */
  private firstSetting(): Station[] {
    const kit = this.onMount
    const head = this.model.mount?.equatorial
    if (!kit || !head || this.rows.checks.length !== 1) return []
    const on = [...setUpParts(kit.parts, 'usual')]
    const { shaft } = balanceOf({ ...kit, headMomentGmm: this.trueHeadGmm }, on)
    const latitude = { setDeg: 52 + this.times.whole(0, 1) }
    const place: Station = {
      station: 'place',
      way: 'latitude',
      latitudeDeg: 52.7,
      asFound: { setDeg: latitude.setDeg - this.times.whole(0, 6) },
      asLeft: latitude,
      note: '',
      minutes: 2,
    }
    if (!shaft || shaft.positionMm === null) return [place]
    const right = Math.round(bareShaftMm(head, kit.parts, shaft.positionMm))
    const balance: Station = {
      station: 'balance',
      way: 'shaft',
      on,
      asFound: { bareShaftMm: Math.max(0, right + this.times.whole(-25, 25)) },
      asLeft: { bareShaftMm: right },
      stays: true,
      note: '',
      minutes: 5,
    }
    return [balance, place]
  }

  private keepStepTimes(stations: readonly Station[], checkId: string, at: Date) {
    for (const station of stations)
      if (station.station === 'assembly')
        for (const { key, seconds } of station.steps)
          this.rows.stepTimes.push({
            id: this.times.id(),
            modelId: this.modelId,
            kitId: this.kitId,
            checkId,
            stepKey: key,
            seconds,
            at,
          })
  }

  private mirrorStation(leaveOff: boolean, minutes: number): Station {
    const asFound = writtenDown(this.markMm)
    const good =
      (readingsFromStation({ station: 'collimation', asFound, asLeft: asFound }, this.checked)[0]?.good ?? 0) * 2
    const touch = !leaveOff && !this.story.worsens && lengthOf(this.markMm) > good
    if (touch) this.markMm = { x: this.chance.normal(0.25), y: this.chance.normal(0.25) }
    return {
      station: 'collimation',
      asFound,
      asLeft: writtenDown(this.markMm),
      turned: [],
      lookedAfterLocking: touch,
      openings: [],
      sun: { siteId: null, shaded: true },
      note: '',
      minutes,
    }
  }

  private finderStation(leaveOff: boolean, minutes: number): Station {
    const typed = () => ({ way: 'typed' as const, misalignmentArcmin: Math.round(this.finderArcmin), target: null })
    const asFound = typed()
    if (!leaveOff && this.finderArcmin > 15) this.finderArcmin = this.chance.between(3, 11)
    return { station: 'finder', asFound, asLeft: typed(), turned: [], siteId: null, care: null, note: '', minutes }
  }
}

/** As a person writes it: tenths of a millimetre and a clock hour. */
const writtenDown = (markMm: PointXY) => ({
  way: 'typed' as const,
  offsetMm: Math.round(lengthOf(markMm) * 10) / 10,
  clockHours: clockHourOf(markMm),
})
