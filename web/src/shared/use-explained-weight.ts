import type { ExplainWeightInput, WeightExplained } from '@binoculum/core'
import { proxy, wrap, type Remote } from 'comlink'
import { onScopeDispose, ref, shallowRef, watch, type Ref, type ShallowRef } from 'vue'
import type { ExplainWeightWork } from '../workers/explain-weight.ts'

export interface ExplainedWeight {
  readonly explained: ShallowRef<WeightExplained | null>
  /** Fraction done while it takes longer, or null. */
  readonly progress: Ref<number | null>
  readonly problem: Ref<string | null>
  /** Ends the search; what was explained before stays. */
  stop(): void
}

const SHOWS_AFTER_MS = 400

/** Explains a weight in a worker, anew whenever the question changes. A newer question ends the older one. */
export function useExplainedWeight(question: () => ExplainWeightInput | null): ExplainedWeight {
  const explained = shallowRef<WeightExplained | null>(null)
  const progress = ref<number | null>(null)
  const problem = ref<string | null>(null)
  let worker: Worker | null = null
  let work: Remote<ExplainWeightWork> | null = null
  let asked = 0
  let isBusy = false

  function stop(): void {
    asked++
    worker?.terminate()
    worker = null
    work = null
    isBusy = false
    progress.value = null
  }

  async function ask(input: ExplainWeightInput): Promise<void> {
    // A worker that is still at an older question can't be interrupted, only ended.
    if (isBusy) stop()
    worker ??= new Worker(new URL('../workers/explain-weight.ts', import.meta.url), { type: 'module' })
    work ??= wrap<ExplainWeightWork>(worker)
    const own = ++asked
    isBusy = true
    const began = Date.now()
    try {
      const answer = await work.explain(
        JSON.parse(JSON.stringify(input)) as ExplainWeightInput,
        proxy((fraction: number) => {
          if (own === asked && Date.now() - began > SHOWS_AFTER_MS) progress.value = fraction
        }),
      )
      if (own !== asked) return
      explained.value = answer
      problem.value = null
    } catch (error) {
      if (own !== asked) return
      explained.value = null
      problem.value = error instanceof Error ? error.message : String(error)
    }
    isBusy = false
    progress.value = null
  }

  watch(
    () => JSON.stringify(question()),
    (text) => {
      const input = JSON.parse(text) as ExplainWeightInput | null
      if (input) void ask(input)
      else {
        stop()
        explained.value = null
      }
    },
    { immediate: true },
  )
  onScopeDispose(stop)
  return { explained, progress, problem, stop }
}
