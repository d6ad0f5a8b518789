import { tiltDeg } from '@binoculum/core'
import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'

interface AskedEvent {
  requestPermission?: () => Promise<'granted' | 'denied'>
}

/** The tablet as a level: its tilt while it lies on its back, from its own sensors. Null until they say something. */
export function useTilt(target: Window = window) {
  const tilt = ref<number | null>(null)
  const running = ref(false)
  const refused = ref(false)
  const event = (target as unknown as { DeviceOrientationEvent?: AskedEvent }).DeviceOrientationEvent

  async function start() {
    // Some tablets ask their owner first.
    const answer = event?.requestPermission ? await event.requestPermission().catch(() => 'denied') : 'granted'
    refused.value = answer !== 'granted'
    running.value = answer === 'granted'
  }
  useEventListener(target, 'deviceorientation', ({ beta, gamma }: DeviceOrientationEvent) => {
    if (running.value && beta !== null && gamma !== null) tilt.value = tiltDeg({ betaDeg: beta, gammaDeg: gamma })
  })
  return { available: event !== undefined, tilt, running, refused, start }
}
