import type { IssuedGuide } from '@binoculum/contract'
import { nightNow, type GuideNight } from '@binoculum/core'
import { computed, inject, onMounted, provide, ref, type ComputedRef, type InjectionKey, type Ref } from 'vue'

interface ChosenNight {
  /** Index among the guide's nights; another one by the borrower's wish. */
  readonly chosen: Ref<number>
  readonly night: ComputedRef<GuideNight | null>
}
const key: InjectionKey<ChosenNight> = Symbol('the night looked at')

/** One night for the whole guide, so that sky, stars and pole speak of the same one: tonight, once the page lives. */
export function provideNight(guide: () => IssuedGuide): void {
  const chosen = ref(0)
  onMounted(() => {
    const { nights, place } = guide()
    if (place) chosen.value = nightNow(nights, place.zone, Date.now())
  })
  provide(key, { chosen, night: computed(() => (guide().nights[chosen.value] as GuideNight | undefined) ?? null) })
}

export function useNight(): ChosenNight {
  const given = inject(key)
  if (!given) throw new Error('provideNight must be called by the guide around this page')
  return given
}
