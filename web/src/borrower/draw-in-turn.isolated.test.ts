import { jest } from '@jest/globals'
import { drawInTurn } from './draw-in-turn.ts'

/** A phone that is never idle: work comes when its time is over, not before. */
const neverIdle = (work: () => void, { timeout }: { timeout: number }) => setTimeout(work, timeout)

beforeEach(() => {
  jest.useFakeTimers()
  Object.assign(globalThis, { window: { requestIdleCallback: neverIdle }, requestIdleCallback: neverIdle })
})
afterEach(() => {
  jest.useRealTimers()
  for (const name of ['window', 'requestIdleCallback']) Reflect.deleteProperty(globalThis, name)
})

it('twelve drawings are there within eight seconds on a phone that is never idle, one after the other', () => {
  const drawn: number[] = []
  for (let step = 1; step <= 12; step += 1) drawInTurn(() => drawn.push(step))
  jest.advanceTimersByTime(1)
  expect(drawn).toEqual([])
  jest.advanceTimersByTime(8000)
  expect(drawn).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12])
})

it('one that was drawn since leaves its turn to the next', () => {
  const drawn: string[] = []
  drawInTurn(() => drawn.push('first'))
  const leave = drawInTurn(() => drawn.push('second'))
  drawInTurn(() => drawn.push('third'))
  leave()
  jest.runAllTimers()
  expect(drawn).toEqual(['first', 'third'])
})
