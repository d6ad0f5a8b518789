import { endIdle, runBounded, workerBeside } from './bounded-worker.ts'

const counting = workerBeside(new URL('../testing/', import.meta.url).href, 'counting')
const bounds = { timeoutMs: 20_000, memoryMb: 64 }
const thread = (change: Partial<typeof bounds> = {}) =>
  runBounded<number>(counting, 'answer', { ...bounds, ...change })
const ends = (wish: string, change: Partial<typeof bounds> = {}) =>
  expect(runBounded(counting, wish, { ...bounds, ...change })).rejects

afterEach(() => endIdle())

it('a thread that answered takes the next file, a refusal being an answer too', async () => {
  const first = await thread()
  await ends('refuse').toMatchObject({ code: 'BAD_INPUT' })
  expect(await thread()).toBe(first)
})

it('a thread that was ended or broke takes none', async () => {
  const first = await thread()
  await ends('throw').toThrow('wished for')
  const second = await thread()
  await ends('hang', { timeoutMs: 300 }).toMatchObject({ code: 'TOO_LONG' })
  const third = await thread()
  expect(new Set([first, second, third]).size).toBe(3)
})

it('two at once are in threads of their own, and so is what may have less memory', async () => {
  const both = await Promise.all([thread(), thread()])
  expect(new Set(both).size).toBe(2)
  expect(both).not.toContain(await thread({ memoryMb: 32 }))
})

it('none answers for ever, and none outlives the server', async () => {
  const first = await thread()
  const answers = []
  for (let count = 0; count < 50; count++) answers.push(await thread())
  expect(answers.slice(0, 49)).toEqual(Array.from({ length: 49 }, () => first))
  const last = answers[49]
  expect(last).not.toBe(first)
  await endIdle()
  expect(await thread()).not.toBe(last)
})
