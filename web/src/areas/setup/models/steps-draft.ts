import { procedureStepSchema } from '@binoculum/contract'
import type { Phase, ProcedureStep } from '@binoculum/core'
import { fieldProblems } from '../../../shared/field-problems.ts'
import { setupWords } from '../words.ts'

const t = setupWords('stepsDraft')

export type Way = 'setUp' | 'takeApart'
export interface ProcedureDraft {
  setUp: ProcedureStep[]
  takeApart: ProcedureStep[]
}

export const phaseWords: Readonly<Record<Phase, string>> = {
  unpack: t('unpack'),
  stand: t('stand'),
  mount: t('mount'),
  tube: t('tube'),
  'fit-out': 'fit-out',
}

export const emptyStep = (phase: Phase): ProcedureStep => ({
  key: crypto.randomUUID(),
  phase,
  part: null,
  title: '',
  lines: [{ text: '', needs: null }],
  feel: null,
  check: '',
  test: null,
  caution: null,
  drawing: null,
  needs: null,
})

/** A step lifted from one place and dropped at another. */
export function movedTo(draft: ProcedureDraft, way: Way, from: number, to: number): ProcedureDraft {
  const steps = [...draft[way]]
  const [moved] = steps.splice(from, 1)
  if (!moved) return draft
  steps.splice(to, 0, moved)
  return { ...draft, [way]: steps }
}

/** A step one place up or down; at the end it stays. */
export function stepProcedure(draft: ProcedureDraft, at: { way: Way; key: string }, by: -1 | 1): ProcedureDraft {
  const from = draft[at.way].findIndex(({ key }) => key === at.key)
  const to = from + by
  return from < 0 || to < 0 || to >= draft[at.way].length ? draft : movedTo(draft, at.way, from, to)
}

/** What keeps a step from being kept, by its key. */
export function problemsOf(draft: ProcedureDraft): Readonly<Record<string, string>> {
  return Object.fromEntries(
    [...draft.setUp, ...draft.takeApart].flatMap((step) => {
      const [first] = Object.values(fieldProblems(procedureStepSchema, step))
      return first === undefined ? [] : [[step.key, `${step.title || t('thisStep')}: ${first}.`]]
    }),
  )
}

/** What a run takes: medians added, as far as steps were timed. */
export function secondsOf(
  steps: readonly ProcedureStep[],
  times: readonly { readonly key: string; readonly medianSeconds: number }[],
): { readonly seconds: number; readonly known: number } {
  const known = steps.flatMap(({ key }) => times.find((each) => each.key === key)?.medianSeconds ?? [])
  return { seconds: known.reduce((sum, seconds) => sum + seconds, 0), known: known.length }
}

export const minutesWords = (seconds: number): string =>
  seconds < 90 ? `${Math.round(seconds)} s` : t('secondsMin', { seconds: Math.round(seconds / 60) })
