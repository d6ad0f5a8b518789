import { jest } from '@jest/globals'
import { effectScope, type EffectScope } from 'vue'
import { FakeStorage } from '../../testing/kit-sheet.ts'

Object.assign(globalThis, { localStorage: new FakeStorage(), window: globalThis })
const { usePractice } = await import('./use-practice.ts')

let scope: EffectScope
const open = () => {
  const practice = scope.run(() => usePractice())
  if (!practice) throw new Error('not opened')
  return practice
}
beforeEach(() => {
  jest.useFakeTimers({ now: new Date('2026-03-12T14:00:00Z') })
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  jest.useRealTimers()
})

it('the clock begins with the first key and stops with the last', () => {
  const practice = open()
  jest.advanceTimersByTime(10_000)
  expect(practice.seconds.value).toBe(0)
  practice.mark('present')
  jest.advanceTimersByTime(30_000)
  practice.finish()
  const { seconds } = practice.score.value!
  expect(seconds).toBeGreaterThanOrEqual(29)
  expect(seconds).toBeLessThanOrEqual(31)
  jest.advanceTimersByTime(60_000)
  expect(practice.score.value?.seconds).toBe(seconds)
})

it('marks go part by part and are undone one by one; after the end nothing changes any more', () => {
  const practice = open()
  practice.mark('present')
  practice.mark('missing')
  expect([practice.looked.value, practice.at.value]).toEqual([2, 2])
  practice.undo()
  expect([practice.looked.value, practice.at.value]).toEqual([1, 1])
  practice.finish()
  practice.mark('missing')
  practice.undo()
  expect(practice.looked.value).toBe(1)
})

it('somebody who marks the truth finds all of it, and the try is kept on this machine', () => {
  const practice = open()
  for (const part of practice.given.value.parts) {
    const fault = practice.given.value.faults.find(({ partId }) => partId === part.id)
    practice.mark(fault?.mark ?? 'present')
  }
  practice.finish()
  expect(practice.score.value).toMatchObject({ points: 100, falseAlarms: [] })
  const { faults } = practice.given.value
  expect(practice.tries.value[0]).toMatchObject({ points: 100, found: faults.length, of: faults.length })
})

it('nothing marked is no try; another case begins anew', () => {
  const practice = open()
  const before = practice.tries.value.length
  practice.finish()
  expect([practice.score.value, practice.tries.value.length]).toEqual([null, before])
  practice.mark('present')
  practice.finish()
  practice.another()
  expect([practice.score.value, practice.looked.value, practice.at.value, practice.seconds.value]).toEqual([
    null,
    0,
    0,
    0,
  ])
})

it('at most twenty tries are kept', () => {
  for (let turn = 0; turn < 25; turn++) {
    const practice = open()
    practice.mark('present')
    practice.finish()
    expect(practice.tries.value.length).toBeLessThanOrEqual(20)
  }
})
