import { createSSRApp, h } from 'vue'
import { ApiError } from './api/client.ts'
import { catchUnexpected, inWords, tellUnexpected, useUnexpected } from './unexpected.ts'

const { unexpected, dismiss } = useUnexpected()
const realError = console.error
beforeEach(() => (console.error = () => undefined))
afterEach(() => {
  dismiss()
  console.error = realError
})

it.each([
  { what: 'a fault of ours', error: new TypeError('x is undefined'), says: 'That didn’t work.' },
  {
    what: 'a piece of the page that is gone',
    error: new TypeError('Failed to fetch dynamically imported module: /assets/a.js'),
    says: 'A part of this page could not be loaded.',
  },
  { what: 'something thrown that is no error', error: 'oh', says: 'That didn’t work.' },
])('$what: what happened, what is safe and what to do', ({ error, says }) => {
  const { sentence, todo, detail } = inWords(error)
  expect(sentence).toBe(says)
  expect(todo).toMatch(/^Marks at the desk and figures at the bench are kept on this machine\. Load the page again/)
  expect(detail).toContain(error instanceof Error ? error.message : error)
})

it('an answer of the server that nobody waited for keeps its own sentence and number', () => {
  const error = new ApiError(409, {
    code: 'KIT_CHANGED',
    message: 'Somebody changed this kit.',
    requestId: 'req-7',
  } as never)
  expect(inWords(error)).toMatchObject({ sentence: 'Somebody changed this kit.', detail: 'req-7' })
})

it('catches what components and promises throw, and nothing of the browser’s own loops', () => {
  const page = new EventTarget()
  const app = createSSRApp({ render: () => h('p') })
  catchUnexpected(app, page as unknown as Window)
  app.config.errorHandler?.(new Error('in a component'), null, '')
  expect(unexpected.value?.detail).toBe('Error: in a component')
  dismiss()
  page.dispatchEvent(Object.assign(new Event('unhandledrejection'), { reason: new Error('nobody waited') }))
  expect(unexpected.value?.detail).toBe('Error: nobody waited')
  dismiss()
  page.dispatchEvent(Object.assign(new Event('error'), { message: 'plain words' }))
  expect(unexpected.value?.detail).toBe('plain words')
  dismiss()
  tellUnexpected('ResizeObserver loop completed with undelivered notifications.')
  expect(unexpected.value).toBeNull()
})
