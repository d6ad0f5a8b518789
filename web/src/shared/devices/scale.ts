import { readScaleLine, settledReading, type TimedReading } from '@binoculum/core'
import { useLocalStorage } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import type { ScaleDriver } from './scale-driver.ts'
import { serialScale } from './serial-scale.ts'
import { simulatedScale } from './simulated-scale.ts'
import { sharedWords } from '../words.ts'

const t = sharedWords('scale')

export type ScaleKind = 'none' | 'stand-in' | 'serial'

/** Chosen once for this machine, in Set-up. */
export const scaleKind = useLocalStorage<ScaleKind>('binoculum scale', 'none')

const drivers: Readonly<Record<Exclude<ScaleKind, 'none'>, ScaleDriver>> = {
  'stand-in': simulatedScale,
  serial: serialScale,
}

/** Readings older than this say nothing: the scale was unplugged or sleeps. */
const SILENT_MS = 3000
const KEPT_MS = 5000

/** What the scale shows now, and what it has come to rest at. */
export function useScale(kind = scaleKind) {
  const readings = shallowRef<readonly TimedReading[]>([])
  const trouble = ref<string | null>(null)
  const isOpen = ref(false)
  let stop: (() => void) | null = null
  let silence: ReturnType<typeof setTimeout> | undefined

  function hear(line: string): void {
    clearTimeout(silence)
    silence = setTimeout(() => (trouble.value = t('theScaleSaysNothingIs')), SILENT_MS)
    const read = readScaleLine(line)
    if (read.kind === 'overload') {
      readings.value = []
      trouble.value = t('tooHeavyForThisScale')
    } else if (read.kind === 'reading') {
      trouble.value = null
      const { massG, stepG, stable } = read
      const atMs = Date.now()
      readings.value = [
        ...readings.value.filter((each) => atMs - each.atMs < KEPT_MS),
        { massG, stepG, stable, atMs },
      ]
    }
  }

  async function open(): Promise<void> {
    if (kind.value === 'none' || isOpen.value) return
    trouble.value = null
    try {
      stop = await drivers[kind.value].open(hear, (why) => {
        trouble.value = why
        close()
      })
      isOpen.value = true
    } catch (error) {
      trouble.value = error instanceof Error ? error.message : String(error)
    }
  }

  function close(): void {
    clearTimeout(silence)
    stop?.()
    stop = null
    isOpen.value = false
    readings.value = []
  }
  onScopeDispose(close)

  return {
    isOpen,
    trouble,
    shown: computed(() => readings.value.at(-1) ?? null),
    settled: computed(() => settledReading(readings.value)),
    open,
    close,
  }
}
