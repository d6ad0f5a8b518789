import {
  highestMagnification,
  judgeReadiness,
  lowestPowerFieldDeg,
  powersThere,
  roleFacts,
  type CheckedKit,
  type HazardCode,
  type JobCode,
  type Judgement,
  type KeptReading,
  type KitOnMount,
  type PointXY,
} from '@binoculum/core'
import { defaultPolicies } from '../features/people/defaults.ts'
import type { DemoModel } from './catalogue.ts'
import { demoHeadMomentGmm } from './mounts.ts'
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

export interface Cast {
  readonly branchId: string
  readonly branch: { readonly name: string; readonly emergencyLine: string; readonly zone: string }
  readonly agreementId: string
  readonly staffIds: readonly string[]
  readonly borrowerIds: readonly string[]
}

/** A kit of the demo as far as its history has got, and how it is judged there. */
export class KitSoFar {
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
  protected readonly trueHeadGmm: number
  headMomentGmm: number | null = null
  protected readonly lowestFieldDeg: number
  protected readonly highest: number
  /** Chances of their own, so that what came later changed nothing that was there. */
  protected readonly times: Chance
  protected readonly care: Chance
  protected readonly latest = new Map<string, KeptReading & { atUtc: string }>()
  /** Mark from the peephole's reflection on the primary, and finder off the tube's axis; both wander. */
  protected markMm: PointXY
  protected finderArcmin: number

  constructor(
    protected readonly story: KitStory,
    protected readonly model: DemoModel,
    protected readonly modelId: string,
    protected readonly modelPartIds: readonly string[],
    protected readonly cast: Cast,
    protected readonly chance: Chance,
  ) {
    this.kitId = chance.id()
    this.times = new Chance(`${story.code} steps`)
    this.care = new Chance(`${story.code} care`)
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

  protected addPart(part: DemoModel['parts'][number], position: number) {
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
      knownWear: '',
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

  protected get onMount(): KitOnMount | null {
    const { mount } = this.model
    return mount && { mount, headMomentGmm: this.headMomentGmm, parts: this.rows.parts as never }
  }

  protected get checked(): CheckedKit {
    return { ...this.model.optics, lowestFieldDeg: this.lowestFieldDeg, onMount: this.onMount }
  }

  protected judge(at: Date): Judgement {
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

  protected openJobs() {
    return this.rows.jobs.filter(({ closedAt }) => closedAt === null)
  }

  protected append(act: string, at: Date, staffId: string, rest: Record<string, unknown>) {
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
}
