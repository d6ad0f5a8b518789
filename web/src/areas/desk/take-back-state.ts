import type { Part, PartMark, TakeBackForm } from '@binoculum/contract'
import {
  hazardsFrom,
  highestMagnification,
  jobsFrom,
  judgeReadiness,
  powersOf,
  proposeOutcome,
  type Judgement,
  type Mark,
  type Outcome,
  type TakeBackAnswers,
} from '@binoculum/core'

export interface TakeBackDraft {
  marks: Record<string, { mark: Mark; presentCount: number; note: string }>
  answers: TakeBackAnswers
  outcome: Outcome | null
  outcomeReason: string
  /** Part that the pencil stands at. */
  at: number
}

export const emptyTakeBack = (): TakeBackDraft => ({
  marks: {},
  answers: {
    whatDidNotWork: '',
    dropped: false,
    wet: false,
    glassWhole: true,
    batteryDoorShut: true,
    sunFilterFound: false,
  },
  outcome: null,
  outcomeReason: '',
  at: 0,
})

/** What was off when the kit left is known: it is marked from the start and not asked for again. */
export function startFrom(draft: TakeBackDraft, parts: readonly Part[]): TakeBackDraft {
  if (Object.keys(draft.marks).length > 0) return draft
  const known = parts.filter(({ mark, lookEveryTime }) => mark !== 'present' && mark !== 'unseen' && !lookEveryTime)
  const marks = known.map(({ id, mark, presentCount, note }) => [id, { mark, presentCount, note }] as const)
  return { ...draft, marks: Object.fromEntries(marks) }
}

export const markOf = (draft: TakeBackDraft, part: Part): Mark => draft.marks[part.id]?.mark ?? 'unseen'

export function setMark(draft: TakeBackDraft, part: Part, mark: Mark, presentCount?: number): TakeBackDraft {
  const count = presentCount ?? (mark === 'missing' ? 0 : part.count)
  const settled = mark === 'present' && count < part.count ? 'missing' : mark
  const note = draft.marks[part.id]?.note ?? ''
  return { ...draft, marks: { ...draft.marks, [part.id]: { mark: settled, presentCount: count, note } } }
}

/** Marks what has no mark yet as present, up to the next part that needs a look of its own. */
export function markRestPresent(draft: TakeBackDraft, parts: readonly Part[]): TakeBackDraft {
  let next = draft
  for (const [index, part] of parts.entries()) {
    if (markOf(next, part) !== 'unseen') continue
    if (part.lookEveryTime) return { ...next, at: index }
    next = setMark(next, part, 'present')
  }
  return next
}

export function nextUnseen(draft: TakeBackDraft, parts: readonly Part[], from: number): number {
  const order = [...parts.keys()].map((index) => (from + 1 + index) % parts.length)
  const found = order.find((index) => {
    const part = parts[index]
    return part !== undefined && markOf(draft, part) === 'unseen'
  })
  return found ?? Math.min(from + 1, parts.length - 1)
}

/** The kit as it would stand with these marks and answers, judged as everywhere. */
export function judgeTakeBack(form: TakeBackForm, draft: TakeBackDraft, atUtc: string): Judgement {
  const { kit } = form
  const optical = kit.parts.map(({ name, optics }) => ({ name, ...optics }))
  return judgeReadiness({
    model: {
      family: kit.family,
      optics: kit.optics,
      highestMagnification: highestMagnification(powersOf(kit.optics, optical)),
    },
    parts: kit.parts.map((part) => ({ ...part, mark: markOf(draft, part) })),
    readings: kit.readings.map(({ asLeft, ...reading }) => ({ ...reading, value: asLeft })),
    hazards: [...kit.hazards, ...hazardsFrom(draft.answers)],
    openJobs: [...kit.jobs, ...jobsFrom(draft.answers)],
    policies: kit.policies,
    atUtc,
  })
}

export const proposalOf = (form: TakeBackForm, draft: TakeBackDraft, atUtc: string): Outcome =>
  proposeOutcome(judgeTakeBack(form, draft, atUtc))

export const marksToSend = (draft: TakeBackDraft): PartMark[] =>
  Object.entries(draft.marks).map(([partId, mark]) => ({ partId, ...mark }))
