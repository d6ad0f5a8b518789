import { onMounted, shallowRef, type Component, type ShallowRef } from 'vue'

const component = shallowRef<Component | null>(null)
let asked = false

/** What draws a step, once it is here: shared by all drawings of the page, and at hand when printing begins, which waits for
 * nothing. */
export function useStepDrawing(): Readonly<ShallowRef<Component | null>> {
  onMounted(() => {
    if (asked) return
    asked = true
    import('../shared/drawings/StepDrawing.vue').then(
      (module) => (component.value = module.default),
      // Offline for the first time: the words stand by themselves, and the next page asks again.
      () => (asked = false),
    )
  })
  return component
}
