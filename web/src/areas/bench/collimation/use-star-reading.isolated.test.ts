import { jest } from '@jest/globals'
import { effectScope, ref, type EffectScope, type Ref } from 'vue'
import { testKit } from '../../../testing/kit-sheet.ts'
import { emptyCollimation, type CollimationDraft, type Measured } from './collimation-draft.ts'

/** The worker's answer, and what the server is told, as each test wants them. */
let answer: unknown
const uploads: string[] = []
let keeps = true
jest.unstable_mockModule('./use-photo-work.ts', () => ({
  usePhotoWork: () => ({
    progress: ref(null),
    problem: ref(null),
    stop: () => undefined,
    run: () => Promise.resolve(answer),
  }),
}))
jest.unstable_mockModule('../../../shared/api/client.ts', () => ({
  api: {
    upload: (_reads: unknown, path: string) => {
      uploads.push(path)
      return keeps ? Promise.resolve({ id: 'picture-1' }) : Promise.reject(new Error('down'))
    },
  },
  ApiError: class extends Error {},
}))
Object.assign(URL, { createObjectURL: () => 'blob:star', revokeObjectURL: () => undefined })
const { comaInCell, useStarReading } = await import('./use-star-reading.ts')

const tested = (rest: object = {}) => ({
  ok: true,
  widthPx: 800,
  heightPx: 800,
  value: {
    disc: { xPx: 400, yPx: 400, radiusPx: 100 },
    shadow: { xPx: 410, yPx: 400, radiusPx: 32 },
    offsetFraction: { x: 0.1, y: 0 },
    staticOffsetFraction: null,
    comaWaves: 0.7,
    axisErrorMm: 1.2,
    confidence: 0.8,
    refused: null,
    warnings: ['one-sided'],
    ...rest,
  },
})
const kit = testKit()
const file = new Blob(['x']) as File
const settled = () => new Promise((resolve) => setTimeout(resolve, 0))

let scope: EffectScope
/** As the station does it: the figure becomes that of the look in hand. */
const tellTo = (draft: Ref<CollimationDraft>) => (measured: Measured | null) => {
  told.push(measured)
  const look = draft.value.looks.at(-1)
  if (look) look.measured = measured
}
let told: (Measured | null)[]
function reading() {
  const draft: Ref<CollimationDraft> = ref(emptyCollimation())
  const made = scope.run(() => useStarReading(draft, () => kit, tellTo(draft)))
  if (!made) throw new Error('no scope')
  return {
    ...made,
    draft,
    takeOnly: made.take,
    /** As a person does it: the picture, then where its open end is. */
    take: async (picture: File) => {
      await made.take(picture)
      draft.value.openEndDeg = 90
      await settled()
    },
  }
}
beforeEach(() => {
  answer = tested()
  keeps = true
  told = []
  uploads.length = 0
  scope = effectScope()
})
afterEach(() => scope.stop())

it('a star to the right of its disc, the open end to the right: the axis is off along the open end', async () => {
  const star = reading()
  await star.take(file)
  const { axisErrorMm, uncertaintyMm } = told[0] as Measured
  expect(axisErrorMm.x).toBeCloseTo(1.2, 9)
  expect(axisErrorMm.y).toBeCloseTo(0, 9)
  expect(uncertaintyMm).toBeCloseTo(0.6 * 1.2, 9)
  expect(star.warnings.value).toHaveLength(1)
})

it('before the open end is known nothing is told, and another picture asks anew', async () => {
  const star = reading()
  await star.takeOnly(file)
  await settled()
  expect(told).toEqual([])
  star.draft.value.openEndDeg = 90
  await settled()
  expect(told.at(-1)?.axisErrorMm.x).toBeCloseTo(1.2, 9)
  await star.takeOnly(file)
  expect(star.draft.value).toMatchObject({ openEndDeg: null, lastOpenEndDeg: 90 })
})

it('the picture is kept beside the figure; where the line is down the figure stands', async () => {
  const star = reading()
  await star.take(file)
  await settled()
  expect(told.at(-1)?.pictureId).toBe('picture-1')
  expect(uploads[0]).toContain(kit.branchId)
  keeps = false
  await star.take(file)
  await settled()
  expect(told.at(-1)).toMatchObject({ axisErrorMm: { x: expect.closeTo(1.2, 9) }, pictureId: null })
  expect(star.notKept.value).toBe(true)
})

it('a circle that is moved takes the figure with it, and widens the doubt', async () => {
  const star = reading()
  star.defocusWaves.value = 8
  await star.take(file)
  const before = told.at(-1) as Measured
  star.move('shadow', { x: 420 })
  const after = told.at(-1) as Measured
  expect(after.byHand).toBe(true)
  expect(star.figures.value?.offsetFraction.x).toBeCloseTo(0.2, 9)
  expect(Math.hypot(after.axisErrorMm.x, after.axisErrorMm.y)).toBeGreaterThan(before.axisErrorMm.x)
  const share = (measured: Measured) =>
    measured.uncertaintyMm / Math.hypot(measured.axisErrorMm.x, measured.axisErrorMm.y)
  expect(share(after)).toBeGreaterThan(share(before))
})

it('a refusal tells nothing, keeps what was told before, and leaves the picture to the hand', async () => {
  const star = reading()
  await star.take(file)
  await settled()
  const count = told.length
  answer = tested({ disc: null, shadow: null, refused: 'no-dark-middle' })
  await star.take(file)
  expect(told).toHaveLength(count)
  expect(star.refusal.value).not.toBeNull()
  star.defocusWaves.value = 8
  star.layByHand()
  expect(star.rings.value?.disc.r).toBe(200)
  expect(star.refusal.value).toBeNull()
  expect(told.at(-1)?.byHand).toBe(true)
})

it('without the defocus there is no figure in millimetres, and none is told', async () => {
  answer = tested({ axisErrorMm: null, comaWaves: null })
  const star = reading()
  await star.take(file)
  expect(told).toEqual([])
  expect(star.figures.value?.offsetFraction.x).toBe(0.1)
})

it.each([
  { openEndDeg: 0, offset: { x: 0, y: -0.2 }, along: { x: 1, y: 0 } },
  { openEndDeg: 180, offset: { x: 0, y: -0.2 }, along: { x: -1, y: 0 } },
  { openEndDeg: 0, offset: { x: 0.2, y: 0 }, along: { x: 0, y: 1 } },
  { openEndDeg: 90, offset: { x: 0, y: 0.2 }, along: { x: 0, y: 1 } },
])('open end at $openEndDeg°, dark middle off by $offset', ({ openEndDeg, offset, along }) => {
  const { x, y } = comaInCell(offset, null, openEndDeg, 2)
  expect(x).toBeCloseTo(2 * along.x, 9)
  expect(y).toBeCloseTo(2 * along.y, 9)
})

it('what the secondary’s own place makes is taken off first', () => {
  const both = comaInCell({ x: 0.1, y: -0.06 }, { x: 0, y: -0.06 }, 0, 1)
  expect(both.x).toBeCloseTo(0, 9)
  expect(both.y).toBeCloseTo(1, 9)
})
