import {
  takeBackFormSchema,
  takeBackResultSchema,
  type FoundExtra,
  type Part,
  type TakeBackConflict,
} from '@binoculum/contract'
import {
  isHazardRole,
  outcomes,
  proposeOutcome,
  type Mark,
  type Outcome,
  type TakeBackAnswers,
} from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { z } from 'zod'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import { draftStore } from '../../shared/draft-store.ts'
import { useSharedDraft } from '../../shared/use-shared-draft.ts'
import { useSession } from '../people/session.ts'
import type { CaseLook } from './case-look.ts'
import {
  answerKey,
  changedMarks,
  draftFrom,
  draftOfParts,
  extraKey,
  extrasToSend,
  judgeTakeBack,
  knownFromBefore,
  markKey,
  markOf,
  marksToSend,
  markRestPresent,
  nextUnseen,
  noMark,
  setMark,
  weighKey,
  type Changes,
  type DraftMark,
} from './take-back-state.ts'

const undoneSchema = z.array(z.record(z.string(), z.unknown()))

/** As many pieces as a mark can count. */
const MOST_PIECES = 200

/** One take-back as a desk works on it: the shared draft, the pencil, undo, the judgement, and the sending. */
export function useTakeBack(loanId: string, { correcting = false }: { correcting?: boolean } = {}) {
  const session = useSession()
  const { data: form, problem: unreadable, reload } = useLoaded(takeBackFormSchema, `/api/loans/${loanId}/take-back`)
  const shared = useSharedDraft(
    correcting ? null : `/api/loans/${loanId}/draft`,
    `${correcting ? 'correction' : 'take-back'} ${loanId}`,
    () => session.current?.name ?? '',
  )
  const { sending, problem, run } = useSending()
  const at = ref(0)
  /** “All the rest” goes on by itself after each part that needed its own look. */
  const isResting = ref(false)
  const undoable = ref<Changes[]>([])
  /** Something was marked since this page was opened. */
  const touched = ref(false)
  const undoName = `${correcting ? 'correction' : 'take-back'} undo ${loanId}`
  const result = ref<{ kitCode: string; outcome: Outcome } | null>(null)
  const conflict = ref<TakeBackConflict | null>(null)
  const openedAtUtc = new Date().toISOString()

  const kit = computed(() => form.value?.kit ?? null)
  const parts = computed(() => kit.value?.parts ?? [])
  const draft = computed(() => draftFrom(shared.entries.value))
  const current = computed(() => parts.value[at.value] ?? null)
  const looked = computed(
    () => parts.value.filter((part) => markOf(draft.value, part) !== 'unseen' || isHazardRole(part.role)).length,
  )
  const judgement = computed(() => (form.value ? judgeTakeBack(form.value, draft.value, openedAtUtc) : null))
  const never = computed(() => judgement.value?.reasons.filter(({ overrule }) => overrule === 'never') ?? [])
  const proposed = computed<Outcome>(() => (judgement.value ? proposeOutcome(judgement.value) : 'shelf-with-note'))
  const unseen = computed(() => parts.value.length - looked.value)
  /** What can be chosen: a shelf only for what was gone through. */
  const choices = computed<readonly Outcome[]>(() =>
    outcomes.filter((outcome) => (unseen.value > 0 ? !outcome.startsWith('shelf') : outcome !== 'to-go-through')),
  )
  const chosen = computed<Outcome>(() => {
    if (never.value.length > 0) return 'hold'
    const { outcome } = draft.value
    return outcome && choices.value.includes(outcome) ? outcome : proposed.value
  })
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
    touched.value = true
    keepUndo()
    shared.setAll(changes)
  }

  /** Undo outlives a reload, as the marks do. */
  const keepUndo = () => void draftStore.write(undoName, undoable.value)

  function undo(): void {
    const before = undoable.value.pop()
    keepUndo()
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

  /** A note or a picture: the mark stays as it is, made or not. */
  function detail(rest: Partial<DraftMark>, partId = current.value?.id): void {
    const part = parts.value.find(({ id }) => id === partId)
    if (!part) return
    const own = draft.value.marks[part.id] ?? { ...noMark, presentCount: part.presentCount }
    change({ [markKey(part.id)]: { ...own, ...rest } })
  }

  const addExtra = (extra: FoundExtra) => change({ [extraKey(crypto.randomUUID())]: extra })
  const dropExtra = (id: string) => change({ [extraKey(id)]: null })

  /** The cell was in its place after all: seen from the card as it stands, on whichever desk it was marked. */
  function cellFound(): void {
    const missing = parts.value.filter(
      ({ id, role }) => role === 'coin-cell' && draft.value.marks[id]?.mark === 'missing',
    )
    change(Object.assign({}, ...missing.map((part) => setMark(draft.value, part, 'present'))) as Changes)
  }

  function count(step: number): void {
    const part = current.value
    if (!part) return
    const own = draft.value.marks[part.id]
    const now = own && own.mark !== 'unseen' ? own.presentCount : part.count
    const presentCount = Math.min(Math.max(now + step, 0), MOST_PIECES)
    change(setMark(draft.value, part, presentCount === 0 ? 'missing' : 'present', { presentCount }))
  }

  function markRest(): void {
    const { changes, stopsAt } = markRestPresent(draft.value, parts.value)
    isResting.value = stopsAt !== null
    if (Object.keys(changes).length > 0) change(changes)
    if (stopsAt !== null) at.value = stopsAt
  }

  /** What a picture shows as it should be is marked at once, in one step that can be undone. */
  function markSeen(seen: readonly Part[]): void {
    const unmarked = seen.filter((part) => markOf(draft.value, part) === 'unseen')
    if (unmarked.length === 0) return
    change(Object.assign({}, ...unmarked.map((part) => setMark(draft.value, part, 'present'))) as Changes)
    at.value = nextUnseen(draft.value, parts.value, parts.value.length - 1)
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
    const keyName = `${correcting ? 'correction' : 'take-back'} key ${loanId}`
    const kept = await draftStore.read(z.uuid(), keyName)
    await run(async (fresh) => {
      // The key outlives a reload, so that a take-back whose answer was lost is not done twice.
      const idempotencyKey = kept ?? fresh
      await draftStore.write(keyName, idempotencyKey)
      const { answers, outcomeReason, cellAnswer, weighings } = draft.value
      const common = {
        idempotencyKey,
        loanVersion: given.loan.version,
        outcome: chosen.value,
        outcomeReason,
        cellAnswer: isCellMissing.value ? cellAnswer : null,
        extras: extrasToSend(draft.value),
      }
      result.value = correcting
        ? await api.post(takeBackResultSchema, `/api/loans/${loanId}/take-back/corrections`, {
            ...common,
            marks: changedMarks(draft.value, parts.value),
          })
        : await api.post(takeBackResultSchema, `/api/loans/${loanId}/take-back`, {
            ...common,
            marks: marksToSend(draft.value),
            answers,
            weighings,
          })
    })
    const isRefused = problem.value && problem.value.status !== 0 && problem.value.status < 500
    if (result.value || isRefused) await draftStore.remove(keyName)
    if (result.value) {
      await draftStore.remove(undoName)
      return shared.discard()
    }
    if (problem.value?.code === 'LOAN_CLOSED' && !correcting)
      conflict.value = problem.value.reply.details as TakeBackConflict
  }

  watch([form, shared.ready], ([given, isReady]) => {
    if (!given || !isReady) return
    const known = correcting
      ? shared.wasKept.value
        ? {}
        : draftOfParts(given.kit.parts)
      : knownFromBefore(draft.value, given.kit.parts)
    if (Object.keys(known).length > 0) shared.setAll(known)
    if (!shared.wasKept.value && !correcting) at.value = 0
    else at.value = nextUnseen(draft.value, given.kit.parts, given.kit.parts.length - 1)
  })

  void draftStore.read(undoneSchema, undoName).then((kept) => {
    if (kept && undoable.value.length === 0) undoable.value = kept
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
    touched,
    result,
    conflict,
    kit,
    parts,
    draft,
    current,
    looked,
    unseen,
    choices,
    correcting,
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
    addExtra,
    dropExtra,
    cellFound,
    count,
    markRest,
    markSeen,
    seeCase: (look: CaseLook) => shared.set('case', look),
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
