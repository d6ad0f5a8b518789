import { ref, shallowRef } from 'vue'
import type { RemoteLookAnswer } from '@binoculum/contract'
import { takeLook, type NewLook, type Taken } from './take-look.ts'

/** One look from home as it is taken: sending, its answer, or why there is none. */
export function useLook(token: () => string) {
  const state = ref<'no' | 'sending' | Taken['state']>('no')
  const answer = shallowRef<RemoteLookAnswer | null>(null)
  let key = crypto.randomUUID()

  async function take(look: NewLook) {
    state.value = 'sending'
    const taken = await takeLook(token(), key, look)
    state.value = taken.state
    answer.value = taken.state === 'answered' ? taken.answer : null
    // Only what never arrived is tried again as the same look.
    if (taken.state !== 'offline') key = crypto.randomUUID()
  }
  return { state, answer, take }
}
