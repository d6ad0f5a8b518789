import { inject, onMounted, provide, ref, watch, type InjectionKey, type Ref } from 'vue'
import type { GuideMemory } from './guide-memory.ts'

const memoryKey: InjectionKey<GuideMemory> = Symbol('what the phone remembers of this guide')

/** Gives every part of the page the guide's memory. */
export const provideMemory = (memory: GuideMemory): void => provide(memoryKey, memory)

export function useMemory(): GuideMemory {
  const memory = inject(memoryKey)
  if (!memory) throw new Error('provideMemory must be called by the guide around this page')
  return memory
}

/** A value in the guide's memory, taken up only once the page lives: the served page knows nothing of it. */
export function useRemembered<T>(
  memory: GuideMemory,
  key: string,
  usual: T,
  isValid: (value: unknown) => value is T,
): Ref<T> {
  const value = ref(usual) as Ref<T>
  onMounted(() => {
    const kept = memory.kept[key]
    // What isn't as it should be is begun anew.
    if (isValid(kept)) value.value = kept
    watch(value, (now) => void memory.write(key, now).catch(() => undefined), { deep: true })
  })
  return value
}

/** How one likes to read, on this phone and for any guide. */
export function useTaste<T>(key: string, usual: T, isValid: (value: unknown) => value is T): Ref<T> {
  const value = ref(usual) as Ref<T>
  const place = `binoculum guide ${key}`
  onMounted(() => {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(place) ?? 'null')
      if (isValid(kept)) value.value = kept
    } catch {
      // What can't be read is chosen anew.
    }
    watch(value, (now) => localStorage.setItem(place, JSON.stringify(now)))
  })
  return value
}
