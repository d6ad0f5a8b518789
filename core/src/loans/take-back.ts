import { isHazardRole } from '../contents/filters.ts'
import type { Mark, Role } from '../contents/roles.ts'
import type { Judgement } from '../readiness/judged.ts'
import type { OpenJob } from '../readiness/judged.ts'
import type { HazardCode } from '../readiness/judged.ts'

/** What the desk asks and sees beside the contents card. */
export interface TakeBackAnswers {
  readonly whatDidNotWork: string
  readonly dropped: boolean
  readonly wet: boolean
  readonly insectsOrSmoke: boolean
  readonly glassWhole: boolean
  readonly focuserSmooth: boolean
  readonly batteryDoorShut: boolean
  readonly packCharged: boolean
  readonly sunFilterFound: boolean
  /** A laser, collimator or pointer. */
  readonly laserFound: boolean
}

/** Answers of a return about which there is nothing to say. */
export const cleanAnswers: TakeBackAnswers = {
  whatDidNotWork: '',
  dropped: false,
  wet: false,
  insectsOrSmoke: false,
  glassWhole: true,
  focuserSmooth: true,
  batteryDoorShut: true,
  packCharged: true,
  sunFilterFound: false,
  laserFound: false,
}

/** From the laxest to the strictest. *To go through* is where a kit waits whose parts nobody looked at. */
export const outcomes = ['shelf', 'shelf-with-note', 'to-go-through', 'bench', 'hold'] as const
export type Outcome = (typeof outcomes)[number]

/** Hazards that the answers bring to light. */
export function hazardsFrom(answers: TakeBackAnswers): readonly HazardCode[] {
  return [
    ...(answers.sunFilterFound ? (['screw-in-sun-filter'] as const) : []),
    ...(answers.laserFound ? (['laser-in-case'] as const) : []),
    ...(answers.batteryDoorShut ? [] : (['battery-door-open'] as const)),
    ...(answers.wet ? (['wet'] as const) : []),
    ...(answers.insectsOrSmoke ? (['insects-or-smoke'] as const) : []),
  ]
}

/** Jobs for the bench that the answers open: they keep the kit in until someone has looked. */
export function jobsFrom(answers: TakeBackAnswers): readonly OpenJob[] {
  const trouble = answers.whatDidNotWork.trim()
  return [
    ...(answers.dropped ? [{ code: 'knock-check', text: 'dropped or knocked over' } as const] : []),
    ...(answers.glassWhole ? [] : [{ code: 'bench-wanted', text: 'glass or mirror looked wrong by torch' } as const]),
    ...(answers.focuserSmooth ? [] : [{ code: 'bench-wanted', text: 'focuser sticks or slips' } as const]),
    ...(answers.packCharged ? [] : [{ code: 'bench-wanted', text: 'charge the 12 V pack' } as const]),
    ...(answers.wet ? [{ code: 'drying', text: 'caps off, in the open' } as const] : []),
    ...(trouble === '' ? [] : [{ code: 'reported-trouble', text: trouble } as const]),
  ]
}

/** The outcome that the judgement of the returned kit proposes; people may choose another one. */
export function proposeOutcome(judgement: Judgement): Outcome {
  const unlooked = judgement.reasons.some(({ code }) => code === 'NOT_GONE_THROUGH')
  const isHeldAnyway = judgement.reasons.some(
    ({ code, condition }) => condition === 'new' && code !== 'NOT_GONE_THROUGH',
  )
  if (unlooked && !isHeldAnyway) return 'to-go-through'
  const byCondition = { full: 'shelf', half: 'shelf-with-note', crescent: 'bench', new: 'hold' } as const
  return byCondition[judgement.condition]
}

/** The job that keeps a kit in while parts of it are unseen after it came back. It closes with the last one seen. */
export const goThroughJob = (marks: readonly { readonly mark: Mark; readonly role: Role }[]): readonly OpenJob[] =>
  marks.some(({ mark, role }) => mark === 'unseen' && !isHazardRole(role)) ? [{ code: 'go-through' }] : []

/** Where a kit stands after each outcome. */
export const standsAfter = (outcome: Outcome): 'shelf' | 'desk' | 'bench' => {
  if (outcome === 'to-go-through') return 'desk'
  return outcome === 'bench' || outcome === 'hold' ? 'bench' : 'shelf'
}

/** Jobs that the chosen outcome opens, so that a kit sent to the bench or held is looked at before it is fit again. */
export function jobsForOutcome(outcome: Outcome): readonly OpenJob[] {
  if (outcome === 'bench') return [{ code: 'bench-wanted', text: 'sent to the bench at take-back' }]
  if (outcome === 'hold') return [{ code: 'bench-wanted', text: 'held at take-back: check before it goes out again' }]
  return []
}
