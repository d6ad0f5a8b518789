import type { TakeBackConflict, TakeBackForm } from '@binoculum/contract'
import { outcomes, proposeOutcome, type Mark, type Outcome, type TakeBackAnswers } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import { draftStore } from '../../shared/draft-store.ts'
import { useSharedDraft } from '../../shared/use-shared-draft.ts'
import { useSession } from '../people/session.ts'
import {
  answerKey,
  draftFrom,
  judgeTakeBack,
  knownFromBefore,
  markKey,
  markOf,
  marksToSend,
  markRestPresent,
  nextUnseen,
  setMark,
  weighKey,
  type Changes,
  type DraftMark,
} from './take-back-state.ts'

/** One take-back as a desk works on it: the shared draft, the pencil, undo, the judgement, and the sending. */
export function useTakeBack(loanId: string) {
  const session = useSession()
  const { data: form, problem: unreadable, reload } = useLoaded<TakeBackForm>(`/api/loans/${loanId}/take-back`)
  const shared = useSharedDraft(
    `/api/loans/${loanId}/draft`,
    `take-back ${loanId}`,
    () => session.current?.name ?? '',
  )
  const { sending, problem, run } = useSending()
  const at = ref(0)
  /** “All the rest” goes on by itself after each part that needed its own look. */
  const isResting = ref(false)
  const undoable = ref<Changes[]>([])
  const result = ref<{ kitCode: string; outcome: Outcome } | null>(null)
  const conflict = ref<TakeBackConflict | null>(null)
  const openedAtUtc = new Date().toISOString()

  const kit = computed(() => form.value?.kit ?? null)
  const parts = computed(() => kit.value?.parts ?? [])
  const draft = computed(() => draftFrom(shared.entries.value))
  const current = computed(() => parts.value[at.value] ?? null)
  const looked = computed(() => parts.value.filter((part) => markOf(draft.value, part) !== 'unseen').length)
  const judgement = computed(() => (form.value ? judgeTakeBack(form.value, draft.value, openedAtUtc) : null))
  const never = computed(() => judgement.value?.reasons.filter(({ overrule }) => overrule === 'never') ?? [])
  const proposed = computed<Outcome>(() => (judgement.value ? proposeOutcome(judgement.value) : 'shelf-with-note'))
  const chosen = computed<Outcome>(() => (never.value.length > 0 ? 'hold' : (draft.value.outcome ?? proposed.value)))
  const isLax = computed(() => outcomes.indexOf(chosen.value) < outcomes.indexOf(proposed.value))
  const isCellMissing = computed(() =>
    parts.value.some((part) => part.role === 'coin-cell' && draft.value.marks[part.id]?.mark === 'missing'),
  )
  const asksForCell = computed(() => isCellMissing.value && draft.value.cellAnswer === null)

  /** Every change can be undone, one step at a time. */
  function change(changes: Changes): void {
    const before = Object.fromEntries(
      Object.keys(changes).map((key) => [key, shared.entries.value[key]?.value ?? null]),
    )
    undoable.value.push(before)
    shared.setAll(changes)
  }

  function undo(): void {
    const before = undoable.value.pop()
    isResting.value = false
    if (before) shared.setAll(before)
  }

  function mark(to: Mark, rest: Partial<DraftMark> = {}): void {
    const part = current.value
    if (!part) return
    change(setMark(draft.value, part, to, rest))
    if (isResting.value && to === 'present') return markRest()
    isResting.value = false
    at.value = nextUnseen(draft.value, parts.value, at.value)
  }

  /** Changes the mark that is there: a note, a picture. */
  function detail(rest: Partial<DraftMark>): void {
    const part = current.value
    const own = part && draft.value.marks[part.id]
    if (part && own) change({ [markKey(part.id)]: { ...own, ...rest } })
  }

  function count(step: number): void {
    const part = current.value
    if (!part || part.count === 1) return
    const now = draft.value.marks[part.id]?.presentCount ?? part.count
    const presentCount = Math.min(Math.max(now + step, 0), part.count)
    change(setMark(draft.value, part, presentCount === 0 ? 'missing' : 'present', { presentCount }))
  }

  function markRest(): void {
    const { changes, stopsAt } = markRestPresent(draft.value, parts.value)
    isResting.value = stopsAt !== null
    if (Object.keys(changes).length > 0) change(changes)
    if (stopsAt !== null) at.value = stopsAt
  }

  const move = (step: number) => {
    at.value = Math.min(Math.max(at.value + step, 0), Math.max(parts.value.length - 1, 0))
  }

  function goTo(partId: string): void {
    const index = parts.value.findIndex(({ id }) => id === partId)
    if (index >= 0) at.value = index
  }

  /** Parts that the weight points at are looked for first: marks of theirs that are not sure are taken back. */
  function lookFirst(partIds: readonly string[]): void {
    const first = partIds[0]
    if (!first) return
    const ticked = partIds.filter((id) => draft.value.marks[id]?.mark === 'present')
    if (ticked.length > 0) change(Object.fromEntries(ticked.map((id) => [markKey(id), null])))
    isResting.value = false
    goTo(first)
  }

  const setAnswer = (answer: keyof TakeBackAnswers, value: string | boolean) => shared.set(answerKey(answer), value)

  async function finish(): Promise<void> {
    const given = form.value
    if (!given || result.value || asksForCell.value) return
    const keyName = `take-back key ${loanId}`
    const kept = await draftStore.read<string>(keyName)
    await run(async (fresh) => {
      // The key outlives a reload, so that a take-back whose answer was lost is not done twice.
      const idempotencyKey = kept ?? fresh
      await draftStore.write(keyName, idempotencyKey)
      const { answers, outcomeReason, cellAnswer, weighings } = draft.value
      result.value = await api.post(`/api/loans/${loanId}/take-back`, {
        idempotencyKey,
        loanVersion: given.loan.version,
        marks: marksToSend(draft.value),
        answers,
        outcome: chosen.value,
        outcomeReason,
        weighings,
        cellAnswer: isCellMissing.value ? cellAnswer : null,
      })
    })
    const isRefused = problem.value && problem.value.status !== 0 && problem.value.status < 500
    if (result.value || isRefused) await draftStore.remove(keyName)
    if (result.value) return shared.discard()
    if (problem.value?.code === 'LOAN_CLOSED') conflict.value = problem.value.reply.details as TakeBackConflict
  }

  watch([form, shared.ready], ([given, isReady]) => {
    if (!given || !isReady) return
    const known = knownFromBefore(draft.value, given.kit.parts)
    if (Object.keys(known).length > 0) shared.setAll(known)
    if (!shared.wasKept.value) at.value = 0
    else at.value = nextUnseen(draft.value, given.kit.parts, given.kit.parts.length - 1)
  })

  return {
    form,
    unreadable,
    reload,
    shared,
    sending,
    problem,
    at,
    undoable,
    result,
    conflict,
    kit,
    parts,
    draft,
    current,
    looked,
    judgement,
    never,
    proposed,
    chosen,
    isLax,
    asksForCell,
    change,
    undo,
    mark,
    detail,
    count,
    markRest,
    move,
    goTo,
    lookFirst,
    setAnswer,
    setReason: (reason: string) => shared.set('outcomeReason', reason),
    choose: (outcome: Outcome) => shared.set('outcome', outcome),
    weigh: (taken: { readonly group: string }) => change({ [weighKey(taken.group)]: taken }),
    clearWeighing: (group: string) => change({ [weighKey(group)]: null }),
    finish,
  }
}
