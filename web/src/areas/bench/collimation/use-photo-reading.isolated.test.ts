import { jest } from '@jest/globals'
import { effectScope, nextTick, ref, type EffectScope, type Ref } from 'vue'
import { testKit } from '../../../testing/kit-sheet.ts'
import { emptyCollimation, newLook, type CollimationDraft, type Measured } from './collimation-draft.ts'

let answer: unknown
jest.unstable_mockModule('./use-photo-work.ts', () => ({
  usePhotoWork: () => ({
    progress: ref(null),
    problem: ref(null),
    stop: () => undefined,
    run: () => Promise.resolve(answer),
  }),
}))
jest.unstable_mockModule('../../../shared/api/client.ts', () => ({
  api: { upload: () => Promise.resolve({ id: 'picture-1' }) },
  ApiError: class extends Error {},
}))
const store = new Map<string, string>()
Object.assign(globalThis, {
  localStorage: {
    getItem: (key: string) => store.get(key) ?? null,
    setItem: (key: string, value: string) => void store.set(key, value),
    removeItem: (key: string) => void store.delete(key),
  },
})
Object.assign(URL, { createObjectURL: () => 'blob:view', revokeObjectURL: () => undefined })
const { usePhotoReading } = await import('./use-photo-reading.ts')

const kit = testKit()
const { apertureMm } = kit.optics
/** Two pixels make a millimetre on the primary; the mark lies so far right of the reflection. */
const measured = (rightMm: number, rest: object = {}) => ({
  ok: true,
  widthPx: 1000,
  heightPx: 1000,
  value: {
    primaryEdge: { xPx: 500, yPx: 500, radiusPx: apertureMm, confidence: 1 },
    secondaryEdge: null,
    drawtube: null,
    centreMark: { xPx: 500, yPx: 500, radiusPx: 8, confidence: 1 },
    capRing: { xPx: 500 - 2 * rightMm, yPx: 500, radiusPx: 18, confidence: 1 },
    peepholeReflection: null,
    axisErrorUncertaintyMm: 0.21,
    refused: null,
    warnings: [],
    ...rest,
  },
})
let scope: EffectScope
/** As the station does it: the figure becomes that of the look in hand. */
const tellTo = (draft: Ref<CollimationDraft>) => (measured: Measured | null) => {
  told.push(measured)
  const look = draft.value.looks.at(-1)
  if (look) look.measured = measured
}
let told: (Measured | null)[]
beforeEach(() => {
  told = []
  scope = effectScope()
})
afterEach(() => scope.stop())
function reading(draft: Ref<CollimationDraft> = ref(emptyCollimation())) {
  const made = scope.run(() => usePhotoReading(draft, () => kit, tellTo(draft)))
  if (!made) throw new Error('no scope')
  const turnOpenEnd = async (deg: number) => {
    draft.value.openEndDeg = deg
    await nextTick()
  }
  return {
    ...made,
    draft,
    turnOpenEnd,
    takeOnly: made.take,
    /** As a person does it: the picture, then where its open end is. */
    take: async (picture: File) => {
      await made.take(picture)
      await turnOpenEnd(0)
    },
  }
}
const file = new Blob(['x']) as File
const last = () => told.at(-1) as Measured
/** h = A(1 − d/f)/(2(1 + d/f)): an offset on the primary, halved, seen through this kit's cap. */
const { primaryFocalLengthMm: f, peepholeOutsideFocusMm: d } = kit.optics
const half = (1 - d / f) / (2 * (1 + d / f))

it('offset on the mirror, doubled by reflection, becomes the axis error in the cell’s frame', async () => {
  answer = measured(6)
  await reading().take(file)
  // The open end is up in the picture: right of it lies the cell's +y.
  expect(last().axisErrorMm.x).toBeCloseTo(0, 1)
  expect(Math.abs(last().axisErrorMm.y)).toBeCloseTo(6 * half, 1)
  expect(last().uncertaintyMm).toBe(0.21)
  expect(last().byHand).toBe(false)
})

it('no figure and no direction before the open end is known; another picture asks anew, and offers the last', async () => {
  answer = measured(6)
  const photo = reading()
  await photo.takeOnly(file)
  expect(photo.figures.value?.axisErrorMm).toBeDefined()
  expect(photo.figures.value?.cell).toBeNull()
  expect(told).toEqual([null])
  await photo.turnOpenEnd(40)
  expect(last()).not.toBeNull()
  await photo.takeOnly(file)
  expect(photo.draft.value).toMatchObject({ openEndDeg: null, lastOpenEndDeg: 40 })
  expect(told.at(-1)).toBeNull()
})

it('the open end dragged round turns the answer, and its length stays', async () => {
  answer = measured(6)
  const photo = reading()
  await photo.take(file)
  const length = Math.hypot(last().axisErrorMm.x, last().axisErrorMm.y)
  await photo.turnOpenEnd(90)
  expect(Math.abs(last().axisErrorMm.x)).toBeCloseTo(6 * half, 1)
  expect(Math.hypot(last().axisErrorMm.x, last().axisErrorMm.y)).toBeCloseTo(length, 6)
  await photo.turnOpenEnd(270)
  expect(photo.figures.value?.cell).not.toBeNull()
})

it('a picture turned over has its answer turned over', async () => {
  answer = measured(6)
  const photo = reading()
  await photo.take(file)
  const { y } = last().axisErrorMm
  photo.setMirrored(true)
  expect(last().axisErrorMm.y).toBeCloseTo(-y, 6)
})

it('a moved circle carries the hand’s own doubt, and nothing else’s', async () => {
  answer = measured(6)
  const photo = reading()
  await photo.take(file)
  photo.move('centreMark', { x: 504 })
  expect(last().byHand).toBe(true)
  expect(Math.abs(last().axisErrorMm.y)).toBeCloseTo(8 * half, 1)
  expect(last().uncertaintyMm).not.toBe(0.21)
})

it('a refusal shows the picture, keeps the figure before it, and lets the hand lay the circles', async () => {
  answer = measured(6)
  const photo = reading()
  await photo.take(file)
  await new Promise((resolve) => setTimeout(resolve, 0))
  const count = told.length
  answer = measured(0, { primaryEdge: null, capRing: null, centreMark: null, refused: 'no-primary' })
  await photo.take(file)
  expect(told).toHaveLength(count)
  expect(photo.refusal.value).not.toBeNull()
  photo.layByHand()
  expect(photo.circles.value.primaryEdge?.r).toBeCloseTo(280, 9)
  expect(last().byHand).toBe(true)
})

it('a picture that arrives when the next look has begun stays with its own figure', async () => {
  const draft: Ref<CollimationDraft> = ref(emptyCollimation())
  answer = measured(6)
  await reading(draft).take(file)
  draft.value.looks.push(newLook())
  await new Promise((resolve) => setTimeout(resolve, 0))
  expect(draft.value.looks.map((look) => look.measured?.pictureId)).toEqual(['picture-1', undefined])
  expect(draft.value.looks[1]?.measured).toBeNull()
})
