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

/** Reads from the server, and again when the address changes. A late answer never overwrites a newer one. */
export function useLoaded<T>(reads: Reads<T>, path: MaybeRefOrGetter<string | null>): Loaded<T> {
  const data = shallowRef<T | null>(null)
  const problem = ref<ApiError | null>(null)
  const slow = ref(false)
  let run = 0

  async function reload() {
    const address = toValue(path)
    const own = ++run
    if (address === null) return
    problem.value = null
    const timer = setTimeout(() => (slow.value = own === run), SLOW_AFTER_MS)
    try {
      const answer = await api.get(reads, address)
      if (own === run) data.value = answer
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      if (own === run) problem.value = error
    } finally {
      clearTimeout(timer)
      if (own === run) slow.value = false
    }
  }
  watch(() => toValue(path), reload, { immediate: true })
  onScopeDispose(() => run++)
  return { data, problem, slow, reload }
}
