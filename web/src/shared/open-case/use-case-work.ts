import type { OpenCase } from '@binoculum/contract'
import {
  caseRefusalWords,
  LEAST_REFERENCES,
  type CaseRefusal,
  type CaseSize,
  type ComparedCase,
} from '@binoculum/core'
import { wrap, type Remote } from 'comlink'
import { onScopeDispose, ref, shallowRef } from 'vue'
import type { CompareCaseWork, PreparedCase } from '../../workers/compare-case.ts'
import { sharedWords } from '../words.ts'

const t = sharedWords('useCaseWork')

const fileProblems = {
  'not-a-picture': t('thisIsNotAPicture'),
  'too-large': t('thisPictureHasMoreThan'),
} as const

const compareProblems = {
  ...fileProblems,
  'not-learnt': t('fewerThanThreeOfThe'),
} as const

/** Pictures of the open case, read and compared in a worker that lives as long as the page. */
export function useCaseWork() {
  const busy = ref(false)
  const problem = ref<string | null>(null)
  const prepared = shallowRef<PreparedCase | null>(null)
  /** How the case looked when it was complete, from straight above. */
  const complete = ref<string | null>(null)
  let worker: Worker | null = null
  let work: Remote<CompareCaseWork> | null = null
  let learning: Promise<unknown> = Promise.resolve()

  function opened(): Remote<CompareCaseWork> {
    worker ??= new Worker(new URL('../../workers/compare-case.ts', import.meta.url), { type: 'module' })
    work ??= wrap<CompareCaseWork>(worker)
    return work
  }

  /** @returns the picture as it will be kept; null where it is none (`problem` says why) */
  async function prepare(file: Blob, caseMm: CaseSize): Promise<PreparedCase | null> {
    problem.value = null
    const answer = await opened().prepare(file, { ...caseMm })
    if (typeof answer === 'string') problem.value = fileProblems[answer]
    else prepared.value = answer
    return typeof answer === 'string' ? null : answer
  }

  /** Looks at the kit's pictures ahead of time, so that the comparison doesn't wait for it. */
  function learn({ references, places, caseMm }: OpenCase): void {
    const whole = references.filter(({ referenceFor }) => referenceFor === null)
    if (whole.length < LEAST_REFERENCES || !caseMm || places.length === 0) return
    learning = (async () => {
      const files = await Promise.all(
        references.map(async ({ pictureId, marks, referenceFor }) => ({
          file: await (await fetch(`/api/pictures/${pictureId}`)).blob(),
          ...plain({ marks, referenceFor }),
        })),
      )
      await opened().learn(files, plain({ compartments: places, caseMm }))
      const picture = await opened().complete()
      forgetComplete()
      complete.value = picture && URL.createObjectURL(picture)
    })()
    learning.catch(() => undefined)
  }

  /** Compares a picture with the kit's own; null where it can't be (`problem` says why and what to do). */
  async function look(
    file: Blob,
    caseMm: CaseSize,
  ): Promise<{ prepared: PreparedCase; compared: ComparedCase } | null> {
    busy.value = true
    try {
      const picture = await prepare(file, caseMm)
      if (!picture) return null
      await learning
      const compared = await opened().compare(picture)
      if (typeof compared !== 'string') return { prepared: picture, compared }
      problem.value = Object.hasOwn(compareProblems, compared)
        ? compareProblems[compared as keyof typeof compareProblems]
        : caseRefusalWords[compared as CaseRefusal]
    } catch (error) {
      problem.value = error instanceof Error ? error.message : String(error)
    } finally {
      busy.value = false
    }
    return null
  }

  const forgetComplete = () => complete.value && URL.revokeObjectURL(complete.value)
  onScopeDispose(() => {
    worker?.terminate()
    forgetComplete()
  })
  return { busy, problem, prepared, complete, prepare, learn, look }
}

/** What a worker takes: without the wrappers of what is watched. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
