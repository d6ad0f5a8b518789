import { jest } from '@jest/globals'
import { effectScope, nextTick } from 'vue'
import { usePracticeTube } from './use-practice-tube.ts'

jest.useFakeTimers()
const posted: unknown[] = []
beforeEach(() => {
  posted.length = 0
  globalThis.fetch = (async (_url: string, given?: { body?: string }) => {
    if (given?.body) posted.push(JSON.parse(given.body))
    return new Response(JSON.stringify({ results: [] }), { headers: { 'content-type': 'application/json' } })
  }) as typeof fetch
})
async function practised(level: 'one-screw' | 'both-mirrors' | 'fast-tube', seed = 5) {
  const practice = effectScope().run(() => usePracticeTube(() => seed))
  if (!practice) throw new Error('no scope')
  practice.another(level)
  await rest()
  return practice
}
/** What is only read follows when the hand rests. */
const rest = async () => {
  jest.advanceTimersByTime(200)
  await nextTick()
}

it('one screw: the shortest way, locked, is a result worth keeping', async () => {
  const practice = await practised('one-screw')
  expect(practice.stage.value).toBe('primary')
  const least = practice.least.value
  for (const { name, sixteenths } of practice.toGo.value.primary) practice.turn(sixteenths, name)
  await practice.lock()
  expect(practice.result.value).toMatchObject({ level: 'one-screw', sixteenthsUsed: least, sixteenthsLeast: least })
  expect(posted).toEqual([practice.result.value])
  // A finished telescope stays as it is.
  const left = practice.errorMm.value
  practice.turn(4, 'A')
  expect(practice.errorMm.value).toBe(left)
})

it('locking is no way out: a telescope that is off is not finished by it', async () => {
  const practice = await practised('one-screw')
  await practice.lock()
  expect(practice.state.value.locked).toBe(true)
  expect(practice.result.value).toBeNull()
  expect(posted).toEqual([])
})

it('as long as the secondary is off the primary can’t be locked', async () => {
  const practice = await practised('both-mirrors')
  await practice.lock()
  expect(practice.state.value.locked).toBe(false)
})

it('help comes a line at a time, begins anew after the last, and is counted', async () => {
  const practice = await practised('both-mirrors')
  expect(practice.help.value).toBe('')
  const lines = Array.from({ length: 5 }, () => {
    practice.nextHelp()
    return practice.help.value
  })
  expect(new Set(lines).size).toBe(4)
  expect(lines[4]).toBe(lines[0])
})

it('undo counts backwards', async () => {
  const practice = await practised('fast-tube')
  practice.turn(2, 'B')
  await rest()
  expect(practice.used.value).toBe(2)
  practice.undo()
  await rest()
  expect(practice.used.value).toBe(0)
})
