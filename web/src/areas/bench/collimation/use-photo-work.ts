import { proxy, wrap, type Remote } from 'comlink'
import { onScopeDispose, ref } from 'vue'
import type { MeasurePhotoWork, PhotoAnswer } from '../../../workers/measure-photo.ts'
import { benchWords } from '../words.ts'

const t = benchWords('usePhotoWork')

const SHOWS_AFTER_MS = 250

const fileProblems = {
  'not-a-picture': t('thisIsNotAPicture'),
  'too-large': t('thisPictureHasMoreThan'),
} as const

/** Measures pictures in a worker, one at a time: a newer one, or stop, ends the older. */
export function usePhotoWork() {
  const progress = ref<number | null>(null)
  const problem = ref<string | null>(null)
  let worker: Worker | null = null
  let asked = 0

  function stop() {
    asked++
    worker?.terminate()
    worker = null
    progress.value = null
  }

  /** @returns what the work answered, or null where it was stopped or the file is no picture (`problem` says why) */
  async function run<T>(
    ask: (work: Remote<MeasurePhotoWork>, onProgress: (fraction: number) => void) => Promise<PhotoAnswer<T>>,
  ) {
    stop()
    const own = ++asked
    worker = new Worker(new URL('../../../workers/measure-photo.ts', import.meta.url), { type: 'module' })
    const work = wrap<MeasurePhotoWork>(worker)
    const began = Date.now()
    problem.value = null
    progress.value = 0
    try {
      const onProgress = proxy((fraction: number) => {
        if (own === asked && Date.now() - began > SHOWS_AFTER_MS) progress.value = fraction
      })
      const answer = await ask(work, onProgress)
      if (own !== asked) return null
      stop()
      if (answer.ok) return answer
      problem.value = fileProblems[answer.reason]
    } catch (error) {
      if (own !== asked) return null
      stop()
      problem.value = error instanceof Error ? error.message : String(error)
    }
    return null
  }

  onScopeDispose(stop)
  return { progress, problem, run, stop }
}
