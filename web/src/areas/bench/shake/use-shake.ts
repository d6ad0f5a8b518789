import { vibration, type ShakeSample, type Vibration } from '@binoculum/core'
import { useEventListener } from '@vueuse/core'
import { onScopeDispose, ref, shallowRef } from 'vue'

interface AskedEvent {
  requestPermission?: () => Promise<'granted' | 'denied'>
}
interface AxisSample {
  readonly tS: number
  readonly axes: readonly [number, number, number]
}

/** A stand that still swings after that is bad enough to say so. */
const LONGEST_S = 8
/** Still for so long after a tap: the shake is over. */
const QUIET_S = 0.6
const QUIET_SHARE = 0.06
const LEAST_TAP_MPS2 = 0.08
const CHECKS_EACH_MS = 100

/** A tap as the tablet's motion sensor tells it, clamped or laid on the tube: it listens from the press of a button until the
 * tube is still. */
export function useShake(target: Window = window) {
  const event = (target as unknown as { DeviceMotionEvent?: AskedEvent }).DeviceMotionEvent
  const listening = ref(false)
  const refused = ref(false)
  const told = shallowRef<Vibration | null>(null)
  let samples: AxisSample[] = []
  let began = 0
  let timer: ReturnType<typeof setInterval> | undefined

  async function start(): Promise<void> {
    // Some tablets ask their owner first.
    const answer = event?.requestPermission ? await event.requestPermission().catch(() => 'denied') : 'granted'
    refused.value = answer !== 'granted'
    if (refused.value) return
    samples = []
    told.value = null
    began = performance.now()
    listening.value = true
    timer = setInterval(() => isOver() && stop(), CHECKS_EACH_MS)
  }

  useEventListener(target, 'devicemotion', ({ acceleration, accelerationIncludingGravity }: DeviceMotionEvent) => {
    if (!listening.value) return
    // Where the tablet doesn't take gravity off, its mean is taken off below.
    const { x, y, z } = (typeof acceleration?.x === 'number' ? acceleration : accelerationIncludingGravity) ?? {}
    if (typeof x !== 'number' || typeof y !== 'number' || typeof z !== 'number') return
    samples.push({ tS: (performance.now() - began) / 1000, axes: [x, y, z] })
  })

  function isOver(): boolean {
    const now = (performance.now() - began) / 1000
    if (now > LONGEST_S) return true
    const swing = alongOneAxis(samples)
    const most = Math.max(0, ...swing.map(({ accelMps2 }) => Math.abs(accelMps2)))
    if (most < LEAST_TAP_MPS2) return false
    const tap = swing.find(({ accelMps2 }) => Math.abs(accelMps2) >= most / 2)
    const last = swing.filter(({ tS }) => tS > now - QUIET_S)
    return (
      !!tap &&
      now - tap.tS > 2 * QUIET_S &&
      last.length > 3 &&
      last.every(({ accelMps2 }) => Math.abs(accelMps2) < QUIET_SHARE * most)
    )
  }

  function stop(): void {
    if (!listening.value) return
    clearInterval(timer)
    listening.value = false
    told.value = vibration({ samples: alongOneAxis(samples) })
  }

  onScopeDispose(() => clearInterval(timer))
  return { available: event !== undefined, listening, refused, told, start, stop }
}

/** The axis that moves most, about its own mean: a length would swing twice as fast as the tube. */
export function alongOneAxis(samples: readonly AxisSample[]): ShakeSample[] {
  const mean = (axis: number) => samples.reduce((sum, { axes }) => sum + (axes[axis] ?? 0), 0) / samples.length
  const means = [0, 1, 2].map(mean)
  const spread = (axis: number) =>
    samples.reduce((sum, { axes }) => sum + ((axes[axis] ?? 0) - (means[axis] ?? 0)) ** 2, 0)
  const axis = [0, 1, 2].reduce((best, next) => (spread(next) > spread(best) ? next : best), 0)
  const seen = new Set<number>()
  return samples.flatMap(({ tS, axes }) => {
    // Two readings of one instant are one.
    if (seen.has(tS)) return []
    seen.add(tS)
    return [{ tS, accelMps2: (axes[axis] ?? 0) - (means[axis] ?? 0) }]
  })
}
