import { wrap } from 'comlink'
import { onScopeDispose, shallowRef, toRaw, watch } from 'vue'
import type { DarkMonthsWork, NightPlace } from '../../workers/dark-months.ts'

/** Dark hours of some months at a place, when they are there; null until then. */
export function useDarkMonths(
  asked: () => { readonly place: NightPlace; readonly months: readonly string[] } | null,
) {
  const hours = shallowRef<readonly number[] | null>(null)
  let worker: Worker | null = null
  const stop = () => {
    worker?.terminate()
    worker = null
  }
  watch(
    asked,
    async (given) => {
      stop()
      hours.value = null
      if (!given) return
      const own = new Worker(new URL('../../workers/dark-months.ts', import.meta.url), { type: 'module' })
      worker = own
      const found = await wrap<DarkMonthsWork>(own).hours({ ...toRaw(given.place) }, [...given.months])
      if (worker !== own) return
      hours.value = found
      stop()
    },
    { immediate: true },
  )
  onScopeDispose(stop)
  return hours
}
