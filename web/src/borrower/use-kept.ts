import { onMounted, ref, watch, type Ref } from 'vue'

/** A value kept on this phone, read only once the page lives: the served page knows nothing of it. */
export function useKept<T>(key: string, usual: T, isValid: (value: unknown) => value is T): Ref<T> {
  const value = ref(usual) as Ref<T>
  onMounted(() => {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(key) ?? 'null')
      if (isValid(kept)) value.value = kept
    } catch {
      // What can't be read is begun anew.
    }
    watch(value, (now) => localStorage.setItem(key, JSON.stringify(now)), { deep: true })
  })
  return value
}

/** Keys of this guide on this phone begin so, that they can be wiped together. */
export const keptPrefix = (token: string): string => `binoculum guide ${token.slice(0, 12)} `

export function forgetGuide(token: string): void {
  for (const key of Object.keys(localStorage)) if (key.startsWith(keptPrefix(token))) localStorage.removeItem(key)
}
