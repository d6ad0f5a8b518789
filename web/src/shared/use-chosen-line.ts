import { useMediaQuery } from '@vueuse/core'
import { computed, ref, type ComputedRef } from 'vue'
import { useKeys } from './keys/use-keys.ts'

/** A list beside which the chosen line is shown: the first one until somebody chooses, by a press or by the arrow keys. Where
 * the screen is too narrow for two, none is chosen and nothing is fetched for it. */
export function useChosenLine<T>(
  lines: () => readonly T[],
  keyOf: (line: T) => string,
): { chosen: ComputedRef<T | null>; choose: (line: T) => void } {
  const isWide = useMediaQuery('(width >= 1180px)')
  const chosenKey = ref<string | null>(null)
  const chosen = computed(() => {
    if (!isWide.value) return null
    return lines().find((line) => keyOf(line) === chosenKey.value) ?? lines()[0] ?? null
  })
  const choose = (line: T) => (chosenKey.value = keyOf(line))
  function move(by: number) {
    const now = chosen.value
    const next = now ? lines()[lines().findIndex((line) => keyOf(line) === keyOf(now)) + by] : undefined
    if (next) choose(next)
  }
  useKeys(() => ({ ArrowDown: () => move(1), ArrowUp: () => move(-1) }))
  return { chosen, choose }
}
