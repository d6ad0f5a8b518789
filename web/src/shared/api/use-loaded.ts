import {
  onScopeDispose,
  ref,
  shallowRef,
  watch,
  type MaybeRefOrGetter,
  toValue,
  type Ref,
  type ShallowRef,
} from 'vue'
import { api, ApiError, type Reads } from './client.ts'

export interface Loaded<T> {
  readonly data: ShallowRef<T | null>
  readonly problem: Ref<ApiError | null>
  readonly slow: Ref<boolean>
  reload(): Promise<void>
}

const SLOW_AFTER_MS = 1000
const TRY_AGAIN_MS = 5000

/** Reads from the server, and again when the address changes. A late answer never overwrites a newer one. */
export function useLoaded<T>(reads: Reads<T>, path: MaybeRefOrGetter<string | null>): Loaded<T> {
  const data = shallowRef<T | null>(null)
  const problem = ref<ApiError | null>(null)
  const slow = ref(false)
  let run = 0
  let again: ReturnType<typeof setTimeout> | undefined

  async function reload() {
    const address = toValue(path)
    const own = ++run
    if (address === null) return
    clearTimeout(again)
    if (problem.value?.code !== 'DATABASE_AWAY') problem.value = null
    const timer = setTimeout(() => (slow.value = own === run), SLOW_AFTER_MS)
    try {
      const answer = await api.get(reads, address)
      if (own === run) {
        data.value = answer
        problem.value = null
      }
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      if (own !== run) return
      problem.value = error
      // The records come back by themselves; nobody has to stand by and press a button.
      if (error.code === 'DATABASE_AWAY') again = setTimeout(() => void reload(), TRY_AGAIN_MS)
    } finally {
      clearTimeout(timer)
      if (own === run) slow.value = false
    }
  }
  watch(() => toValue(path), reload, { immediate: true })
  onScopeDispose(() => {
    run++
    clearTimeout(again)
  })
  return { data, problem, slow, reload }
}
