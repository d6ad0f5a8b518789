import type { LoanPlan, PlanInput } from '@binoculum/core'
import { proxy, wrap } from 'comlink'
import { onScopeDispose, ref, shallowRef } from 'vue'
import type { PlanLoansWork } from '../../workers/plan-loans.ts'

/** A plan made in a worker, with how far it is; stopping ends the worker and leaves no plan. */
export function usePlan() {
  const plan = shallowRef<LoanPlan | null>(null)
  const progress = ref<number | null>(null)
  let worker: Worker | null = null

  function stop() {
    worker?.terminate()
    worker = null
    progress.value = null
  }
  async function make(input: PlanInput) {
    stop()
    plan.value = null
    progress.value = 0
    const own = new Worker(new URL('../../workers/plan-loans.ts', import.meta.url), { type: 'module' })
    worker = own
    const made = await wrap<PlanLoansWork>(own).plan(
      JSON.parse(JSON.stringify(input)) as PlanInput,
      proxy((share: number) => {
        if (worker === own) progress.value = share
      }),
    )
    if (worker !== own) return
    plan.value = made
    stop()
  }
  onScopeDispose(stop)
  return { plan, progress, make, stop }
}
