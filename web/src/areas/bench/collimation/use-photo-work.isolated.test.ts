import { jest } from '@jest/globals'
import { effectScope } from 'vue'

const made: { terminate: () => void; isOver: boolean }[] = []
class FakeWorker {
  isOver = false
  constructor() {
    made.push(this)
  }
  terminate() {
    this.isOver = true
  }
}
Object.assign(globalThis, { Worker: FakeWorker })
const warmedUp: number[] = []
jest.unstable_mockModule('comlink', () => ({
  proxy: (f: unknown) => f,
  wrap: () => ({ warmUp: async () => warmedUp.push(made.length) }),
}))
const { usePhotoWork } = await import('./use-photo-work.ts')

const scope = effectScope()
let work: ReturnType<typeof usePhotoWork>
beforeEach(() => {
  made.length = 0
  work = scope.run(() => usePhotoWork()) as typeof work
})
const answer = { ok: true as const, value: 1, widthPx: 2, heightPx: 2 }
const overs = () => made.map(({ isOver }) => isOver)

it('one thread takes a picture after the other: its first is the slowest', async () => {
  for (const value of [1, 2, 3]) {
    expect(await work.run(async () => ({ ...answer, value }))).toMatchObject({ value })
    expect(work.progress.value).toBeNull()
  }
  expect(overs()).toEqual([false])
})

it('the thread that was warmed up is the one that takes the first picture', async () => {
  await work.warmUp()
  expect([warmedUp, made.length]).toEqual([[1], 1])
  await work.run(async () => answer)
  expect(overs()).toEqual([false])
})

it('where there are no threads nothing is warmed up, and nothing is said of it', async () => {
  const { Worker } = globalThis
  Reflect.deleteProperty(globalThis, 'Worker')
  await expect(work.warmUp()).resolves.toBeUndefined()
  Object.assign(globalThis, { Worker })
  expect([work.problem.value, made.length]).toEqual([null, 0])
})

it('what is no picture is said, and the thread takes the next', async () => {
  expect(await work.run(async () => ({ ok: false, reason: 'not-a-picture' }))).toBeNull()
  expect(work.problem.value).toMatch(/not a picture/)
  expect(await work.run(async () => answer)).toBe(answer)
  expect([work.problem.value, overs()]).toEqual([null, [false]])
})

it('a newer picture ends the older, whose answer says nothing any more', async () => {
  let answerLate: (value: typeof answer) => void = () => undefined
  const older = work.run(() => new Promise<typeof answer>((done) => (answerLate = done)))
  const newer = work.run(async () => ({ ...answer, value: 2 }))
  answerLate(answer)
  expect([await older, await newer]).toEqual([null, { ...answer, value: 2 }])
  expect(overs()).toEqual([true, false])
})

it('stop ends what is being measured; a thread that broke is not asked again', async () => {
  const measured = work.run(() => new Promise<typeof answer>(() => undefined))
  work.stop()
  expect([overs(), work.progress.value]).toEqual([[true], null])
  void measured
  const broken = async () => {
    throw new Error('out of memory')
  }
  expect(await work.run(broken)).toBeNull()
  expect(work.problem.value).toBe('out of memory')
  expect(overs()).toEqual([true, true])
})

it('the thread ends with the station', async () => {
  await work.run(async () => answer)
  scope.stop()
  expect(overs()).toEqual([true])
})
