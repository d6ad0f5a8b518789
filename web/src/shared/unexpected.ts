import { shallowRef, type App } from 'vue'
import { ApiError } from './api/client.ts'
import { sharedWords } from './words.ts'

const t = sharedWords('unexpected')

/** What nobody expected: said in words that tell what is safe and what to do, never swallowed. */
export interface Unexpected {
  readonly sentence: string
  readonly todo: string
  /** For whoever helps. */
  readonly detail: string
}

const unexpected = shallowRef<Unexpected | null>(null)
export const useUnexpected = () => ({ unexpected, dismiss: () => (unexpected.value = null) })

const SAFE = t('marksAtTheDeskAnd')

/** @param error anything that was thrown */
export function inWords(error: unknown): Unexpected {
  const detail = error instanceof Error ? `${error.name}: ${error.message}` : String(error)
  if (error instanceof ApiError) {
    const [sentence = t('theServerDidntDoThat')] = error.sentences
    return {
      sentence,
      todo: t('loadThePageAgainAnd', { safe: SAFE }),
      detail: error.reply.requestId ?? detail,
    }
  }
  // After an update the page asks for pieces of itself that are no longer there.
  if (/dynamically imported module|module script failed|preload CSS/i.test(detail))
    return {
      sentence: t('aPartOfThisPage'),
      todo: t('loadThePageAgainIt', { safe: SAFE }),
      detail,
    }
  return {
    sentence: t('thatDidntWork'),
    todo: t('loadThePageAgainIf', { safe: SAFE }),
    detail,
  }
}

/** Chromium reports layout loops of its own as errors of the page: nothing is lost by them. */
const isHarmless = (error: unknown) => /ResizeObserver loop/.test(String(error))

export function tellUnexpected(error: unknown): void {
  if (isHarmless(error)) return
  console.error(error)
  unexpected.value = inWords(error)
}

/** Errors of components, and promises that nobody waited for. */
export function catchUnexpected(app: App, page: Pick<Window, 'addEventListener'>): void {
  app.config.errorHandler = tellUnexpected
  page.addEventListener('unhandledrejection', (event) => tellUnexpected((event as PromiseRejectionEvent).reason))
  page.addEventListener('error', (event) =>
    tellUnexpected((event as ErrorEvent).error ?? (event as ErrorEvent).message),
  )
}
