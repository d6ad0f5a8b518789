import { onScopeDispose, ref, watch, type Ref } from 'vue'

const PREFIX = 'binoculum draft '
const KEPT_MS = 24 * 3_600_000

interface Kept<T> {
  readonly atMs: number
  readonly shape: number
  readonly value: T
}

function readKept<T>(storage: Storage, key: string, shape: number): T | null {
  try {
    const kept = JSON.parse(storage.getItem(PREFIX + key) ?? 'null') as Kept<T> | null
    return kept && kept.shape === shape && Date.now() - kept.atMs < KEPT_MS ? kept.value : null
  } catch {
    return null
  }
}

/**
 * What is typed into a form, kept on this machine from keystroke to keystroke for a day: reload, lost session and
 * closed window lose nothing. `shape` goes up when the form changes, and older drafts are then let go.
 */
export function useDraft<T extends object>(
  key: string,
  initial: () => T,
  { shape = 1, storage = localStorage }: { shape?: number; storage?: Storage } = {},
): { draft: Ref<T>; wasKept: boolean; discard: () => void } {
  const kept = readKept<T>(storage, key, shape)
  const draft = ref(kept ?? initial()) as Ref<T>
  const keep = () => {
    const value: Kept<T> = { atMs: Date.now(), shape, value: draft.value }
    storage.setItem(PREFIX + key, JSON.stringify(value))
  }
  const stop = watch(draft, keep, { deep: true, flush: 'sync' })
  onScopeDispose(stop)
  const discard = () => {
    stop()
    storage.removeItem(PREFIX + key)
  }
  return { draft, wasKept: kept !== null, discard }
}
