import { useManualRefHistory } from '@vueuse/core'
import { onScopeDispose, ref, watch, type Ref } from 'vue'

const PREFIX = 'binoculum model draft '
/** As many steps can be taken back. */
const MOST_STEPS = 200

interface Kept<T> {
  readonly version: number
  readonly value: T
}

/** What is typed into a model's page and not kept yet stays on this machine: leaving the page, a reload or a closed window
 * lose nothing. What was typed before somebody else changed the model is offered, never laid over it unasked.
 * @param page name of the page, its own for each model; @param form what is typed, null until the model is read */
export function useKeptForm<T>(
  page: string,
  form: Ref<T | null>,
  { storage = localStorage }: { storage?: Storage } = {},
) {
  /** Taken up: what stands in the form was typed before and isn't kept yet. */
  const takenUp = ref(false)
  /** Typed before somebody changed the model meanwhile; null when there is none. */
  const older = ref<T | null>(null) as Ref<T | null>
  let kept: Kept<T> | null = null
  const history = useManualRefHistory(form, { clone: copy, capacity: MOST_STEPS })

  const read = (): Kept<T> | null => {
    try {
      return JSON.parse(storage.getItem(PREFIX + page) ?? 'null') as Kept<T> | null
    } catch {
      return null
    }
  }

  const write = (value: T, version: number): void =>
    storage.setItem(PREFIX + page, JSON.stringify({ version, value } satisfies Kept<T>))

  /** The model as it is kept; what was typed before is laid over it where it still fits. */
  function begin(value: T, version: number): void {
    kept = { value: copy(value), version }
    const draft = read()
    older.value = draft && draft.version !== version ? draft.value : null
    takenUp.value = draft !== null && draft.version === version && !same(draft.value, value)
    form.value = takenUp.value && draft ? draft.value : copy(value)
    forget()
  }

  /** Nothing before this can be taken back. */
  function forget(): void {
    history.commit()
    history.clear()
  }

  /** One change that can be taken back. */
  function change(next: (now: T) => T): void {
    if (form.value === null) return
    form.value = next(form.value)
    history.commit()
  }

  /** The server kept `sent`, which made `version`: what was typed while it wrote is a draft on that one. */
  function keptAs(sent: T, version: number): void {
    const typedSince = form.value
    done()
    if (typedSince !== null && !same(typedSince, sent)) write(typedSince, version)
  }

  /** Nothing is left over. */
  function done(): void {
    storage.removeItem(PREFIX + page)
    takenUp.value = false
    older.value = null
    forget()
  }

  function letGo(): void {
    done()
    if (kept) form.value = copy(kept.value)
  }

  function takeUpOlder(): void {
    if (older.value === null) return
    form.value = copy(older.value)
    older.value = null
    takenUp.value = true
  }

  const stop = watch(
    form,
    (value) => {
      if (!kept || value === null || older.value !== null) return
      if (same(value, kept.value)) storage.removeItem(PREFIX + page)
      else write(value, kept.version)
    },
    { deep: true, flush: 'sync' },
  )
  onScopeDispose(stop)
  const { undo, canUndo } = history
  return { takenUp, older, begin, keptAs, done, letGo, takeUpOlder, change, undo, canUndo }
}

export type KeptForm = ReturnType<typeof useKeptForm>
/** What a page says of its draft. */
export type NotedDraft = Pick<KeptForm, 'takenUp' | 'older' | 'letGo' | 'takeUpOlder' | 'done'>

export const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)
