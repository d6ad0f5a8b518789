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

/** Measures pictures in a worker, one at a time: a newer one, or stop, ends the older. The worker waits for the next: a
 * fresh one takes twice as long for its first. */
export function usePhotoWork() {
  const progress = ref<number | null>(null)
  const problem = ref<string | null>(null)
  let worker: Worker | null = null
  let work: Remote<MeasurePhotoWork> | null = null
  let isMeasuring = false
  let asked = 0

  function opened(): Remote<MeasurePhotoWork> {
    worker ??= new Worker(new URL('../../../workers/measure-photo.ts', import.meta.url), { type: 'module' })
    work ??= wrap<MeasurePhotoWork>(worker)
    return work
  }
  function end() {
    worker?.terminate()
    worker = work = null
  }
  function stop() {
    asked++
    if (isMeasuring) end()
    isMeasuring = false
    progress.value = null
  }

  /** @returns what the work answered, or null where it was stopped or the file is no picture (`problem` says why) */
  async function run<T>(
    ask: (work: Remote<MeasurePhotoWork>, onProgress: (fraction: number) => void) => Promise<PhotoAnswer<T>>,
  ) {
    stop()
    const own = ++asked
    isMeasuring = true
    const began = Date.now()
    problem.value = null
    progress.value = 0
    try {
      const onProgress = proxy((fraction: number) => {
        if (own === asked && Date.now() - began > SHOWS_AFTER_MS) progress.value = fraction
      })
      const answer = await ask(opened(), onProgress)
      if (own !== asked) return null
      isMeasuring = false
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

  /** The thread is there, and quick, before the first picture comes. Where there is none yet it is no fault: the picture opens
   * its own, and says so if that fails. */
  async function warmUp() {
    try {
      await opened().warmUp()
    } catch {
      // Nobody waits for it.
    }
  }

  onScopeDispose(() => {
    stop()
    end()
  })
  return { progress, problem, run, stop, warmUp }
}
