import { inject, onMounted, provide, ref, watch, type InjectionKey, type Ref } from 'vue'
import { guideMemory, type GuideMemory } from './guide-memory.ts'

const memoryKey: InjectionKey<GuideMemory> = Symbol('what the phone remembers of this guide')

/** Gives every part of the page the guide's memory. */
export function provideMemory(token: string): GuideMemory {
  const memory = guideMemory(token)
  provide(memoryKey, memory)
  return memory
}

export function useMemory(): GuideMemory {
  const memory = inject(memoryKey)
  if (!memory) throw new Error('provideMemory must be called by the guide around this page')
  return memory
}

/** Longer than this nobody waits for a slow phone's memory. */
const PATIENCE_MS = 600

/** A value in the guide's memory, read only once the page lives: the served page knows nothing of it.
 * @returns the value, and when what was kept has been read or given up */
export function useRemembered<T>(
  memory: GuideMemory,
  key: string,
  usual: T,
  isValid: (value: unknown) => value is T,
): { readonly value: Ref<T>; readonly ready: Promise<void> } {
  const value = ref(usual) as Ref<T>
  let settle = () => {}
  const ready = new Promise<void>((done) => (settle = done))
  onMounted(async () => {
    const patience = new Promise<null>((done) => setTimeout(() => done(null), PATIENCE_MS))
    // What can't be read is begun anew.
    const kept = await Promise.race([memory.read(key).catch(() => null), patience])
    if (isValid(kept)) value.value = kept
    settle()
  })
  watch(value, (now) => void memory.write(key, now).catch(() => undefined), { deep: true })
  return { value, ready }
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
