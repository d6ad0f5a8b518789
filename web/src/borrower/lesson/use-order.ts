import { mixed } from '@binoculum/core'
import { computed, ref } from 'vue'

/** Things to be put in order by touching them one after the other.
 * @param keys in their right order, each once @param seed for the order in which they are offered */
export function useOrder(keys: readonly string[], seed: string) {
  const offered = mixed(keys, seed)
  const chosen = ref<readonly string[]>([])
  const isWhole = computed(() => chosen.value.length === keys.length)
  /** The first that stands too early, and what comes before it; null where all stand right. */
  const tooEarly = computed(() => {
    const at = chosen.value.findIndex((key, place) => key !== keys[place])
    const [key, before] = [chosen.value[at], keys[at]]
    return key === undefined || before === undefined ? null : { key, before }
  })
  const placeOf = (key: string) => chosen.value.indexOf(key) + 1 || null
  /** Touched again it goes, with all after it. */
  function touch(key: string) {
    const at = chosen.value.indexOf(key)
    chosen.value = at === -1 ? [...chosen.value, key] : chosen.value.slice(0, at)
  }
  const again = () => (chosen.value = [])
  return { offered, chosen, isWhole, tooEarly, placeOf, touch, again }
}
