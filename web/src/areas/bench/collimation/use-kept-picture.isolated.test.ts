import { jest } from '@jest/globals'

/** Uploads that are still on their way, to be let through or dropped in any order. */
const underWay: { path: string; keep: (id: string) => void; drop: () => void }[] = []
jest.unstable_mockModule('../../../shared/api/client.ts', () => ({
  api: {
    upload: (_reads: unknown, path: string) =>
      new Promise((resolve, reject) => {
        underWay.push({ path, keep: (id) => resolve({ id }), drop: () => reject(new Error('down')) })
      }),
  },
}))
const { useKeptPicture } = await import('./use-kept-picture.ts')

const file = new Blob(['x']) as File
const settled = () => new Promise((resolve) => setTimeout(resolve, 0))
let told: number
beforeEach(() => {
  underWay.length = 0
  told = 0
})
const kept = () =>
  useKeptPicture(
    () => 'branch-1',
    () => void told++,
  )

it('goes to the kit’s branch, and is told once it is there', async () => {
  const { pictureId, keep } = kept()
  const done = keep(file)
  expect([pictureId.value, told]).toEqual([null, 0])
  expect(underWay[0]?.path).toContain('branchId=branch-1')
  underWay[0]?.keep('a')
  await done
  expect([pictureId.value, told]).toEqual(['a', 1])
})

it('of two pictures the newest counts, whichever arrives first', async () => {
  const { pictureId, keep } = kept()
  const both = [keep(file), keep(file)]
  underWay[1]?.keep('second')
  await settled()
  underWay[0]?.keep('first')
  await Promise.all(both)
  expect([pictureId.value, told]).toEqual(['second', 1])
})

it('a line that is down is said, tells nothing, and is forgotten with the next picture', async () => {
  const { pictureId, problem, keep } = kept()
  const lost = keep(file)
  underWay[0]?.drop()
  await lost
  expect([pictureId.value, problem.value, told]).toEqual([null, true, 0])
  const next = keep(file)
  expect(problem.value).toBe(false)
  underWay[1]?.keep('b')
  await next
  expect(pictureId.value).toBe('b')
})

it('an older picture that fails late says nothing against the newer', async () => {
  const { problem, keep } = kept()
  const both = [keep(file), keep(file)]
  underWay[1]?.keep('second')
  await settled()
  underWay[0]?.drop()
  await Promise.all(both)
  expect(problem.value).toBe(false)
})
