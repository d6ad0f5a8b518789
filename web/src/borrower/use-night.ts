import type { IssuedGuide } from '@binoculum/contract'
import { nightNow, type GuideNight } from '@binoculum/core'
import { computed, inject, onMounted, provide, ref, type ComputedRef, type InjectionKey, type Ref } from 'vue'

interface ChosenNight {
  /** Index among the guide's nights; another one by the borrower's wish. */
  readonly chosen: Ref<number>
  readonly night: ComputedRef<GuideNight | null>
  /** The loan's nights are over. */
  readonly past: Ref<boolean>
}
const key: InjectionKey<ChosenNight> = Symbol('the night looked at')

/** One night for the whole guide, so that sky, stars and pole speak of the same one: tonight, once the page lives. */
export function provideNight(guide: () => IssuedGuide): void {
  const chosen = ref(0)
  const past = ref(false)
  onMounted(() => {
    const { nights, place } = guide()
    if (!place) return
    chosen.value = nightNow(nights, place.zone, Date.now())
    // A night begun by now is the last one's, or a later one's.
    const last = nights.at(-1)
    past.value = last !== undefined && nightNow([last, dayAfter(last)], place.zone, Date.now()) === 1
  })
  provide(key, {
    chosen,
    past,
    night: computed(() => (guide().nights[chosen.value] as GuideNight | undefined) ?? null),
  })
}

export function useNight(): ChosenNight {
  const given = inject(key)
  if (!given) throw new Error('provideNight must be called by the guide around this page')
  return given
}

const dayAfter = ({ date }: { readonly date: string }) => ({
  date: new Date(Date.parse(`${date}T00:00:00Z`) + 86_400_000).toISOString().slice(0, 10),
})
