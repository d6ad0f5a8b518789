import { shallowRef, type App } from 'vue'
import { ApiError } from './api/client.ts'

/** What nobody expected: said in words that tell what is safe and what to do, never swallowed. */
export interface Unexpected {
  readonly sentence: string
  readonly todo: string
  /** For whoever helps. */
  readonly detail: string
}

const unexpected = shallowRef<Unexpected | null>(null)
export const useUnexpected = () => ({ unexpected, dismiss: () => (unexpected.value = null) })

const SAFE = 'Marks at the desk and figures at the bench are kept on this machine.'

/** @param error anything that was thrown */
export function inWords(error: unknown): Unexpected {
  const detail = error instanceof Error ? `${error.name}: ${error.message}` : String(error)
  if (error instanceof ApiError) {
    const [sentence = 'The server didn’t do that.'] = error.sentences
    return {
      sentence,
      todo: `${SAFE} Load the page again and try once more.`,
      detail: error.reply.requestId ?? detail,
    }
  }
  // After an update the page asks for pieces of itself that are no longer there.
  if (/dynamically imported module|module script failed|preload CSS/i.test(detail))
    return {
      sentence: 'A part of this page could not be loaded.',
      todo: `${SAFE} Load the page again: it may be newer than this one, or the line was gone.`,
      detail,
    }
  return {
    sentence: 'That didn’t work.',
    todo: `${SAFE} Load the page again. If it happens twice, tell whoever looks after Binoculum.`,
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
