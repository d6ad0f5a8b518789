import { sunSafety } from '@binoculum/core'
import { jest } from '@jest/globals'
import { effectScope, nextTick, ref, type EffectScope, type Ref } from 'vue'
import { testKit } from '../../../testing/kit-sheet.ts'

const site = {
  id: 's',
  branchId: testKit().branchId,
  name: 'Yard',
  zone: 'Europe/London',
  latitudeDeg: 52.3,
  longitudeDeg: 0.1,
}
const mark = (id: string, distanceM: number, bearingDeg: number) => ({
  ...{ id, siteId: 's', name: id, what: '', distanceM, bearingDeg, heightDeg: 3, source: 'typed', version: 1 },
  ...{ latitudeDeg: null, longitudeDeg: null, pictureId: null },
})
const answers: Record<string, unknown> = {
  '/api/sites': { sites: [site] },
  '/api/sites/s/landmarks': { landmarks: [mark('mast', 3000, 350), mark('south', 400, 180), mark('wall', 8, 340)] },
}
jest.unstable_mockModule('../../../shared/api/use-loaded.ts', () => ({
  useLoaded: (_reads: unknown, path: string | (() => string | null)) => {
    const data = ref<unknown>(null)
    void Promise.resolve().then(() => {
      const asked = typeof path === 'string' ? path : path()
      data.value = asked ? (answers[asked] ?? null) : null
    })
    return { data, problem: ref(null), reload: () => undefined }
  },
}))
const store = new Map<string, string>()
Object.assign(globalThis, {
  localStorage: {
    getItem: (key: string) => store.get(key) ?? null,
    setItem: (key: string, value: string) => void store.set(key, value),
    removeItem: (key: string) => void store.delete(key),
  },
})
const { emptyFinder, finderStation } = await import('./finder-draft.ts')
const { moonTarget, useFinder, starTarget } = await import('./use-finder.ts')

let scope: EffectScope
beforeEach(() => (scope = effectScope()))
afterEach(() => scope.stop())
async function station(atUtc: string, kit = testKit({ finder: null }), serverUtc: string | null = atUtc) {
  answers['/api/sites'] = { sites: [site], ...(serverUtc ? { nowUtc: serverUtc } : {}) }
  const draft = ref(emptyFinder()) as Ref<ReturnType<typeof emptyFinder>>
  const made = scope.run(() =>
    useFinder(
      draft,
      () => kit,
      () => new Date(atUtc),
    ),
  )
  if (!made) throw new Error('no scope')
  for (let i = 0; i < 6; i++) await nextTick()
  return { draft, ...made }
}

it('by day the farthest landmark that the Sun allows is taken first; one near the Sun is barred, until when', async () => {
  const { target, landmarks, asksShade } = await station('2026-04-16T12:00:00Z')
  expect(target.value).toMatchObject({ kind: 'landmark', name: 'mast' })
  const south = landmarks.value.find(({ landmark }) => landmark.id === 'south')
  expect(south?.barred).toContain('nearer to it than 45°')
  const { separationDeg } = sunSafety({
    ...site,
    atUtc: south?.until ?? '',
    target: { azimuthDeg: 180, altitudeDeg: 3 },
  })
  expect(separationDeg).toBeCloseTo(45, 1)
  expect(asksShade.value).toBe(true)
})

it('nothing may be marked before the question is answered with yes, and a new target asks anew', async () => {
  const { draft, allowed, choose, landmarks } = await station('2026-04-16T12:00:00Z')
  expect(allowed.value).toBe(false)
  draft.value.shaded = false
  expect(allowed.value).toBe(false)
  draft.value.shaded = true
  expect(allowed.value).toBe(true)
  const wall = landmarks.value.find(({ landmark }) => landmark.id === 'wall')?.landmark
  choose({ kind: 'landmark', name: 'wall', landmarkId: wall?.id ?? '', distanceM: 8, source: 'typed' })
  expect(draft.value.shaded).toBeNull()
})

it('in the dark landmarks are barred, and the pole star is taken', async () => {
  const { target, landmarks, asksShade, allowed } = await station('2026-04-16T22:00:00Z')
  expect(landmarks.value.every(({ barred }) => barred?.includes('dark'))).toBe(true)
  expect(target.value).toMatchObject({ kind: 'star', name: 'the pole star' })
  expect(asksShade.value).toBe(false)
  expect(allowed.value).toBe(true)
})

it('in twilight no star shows yet: landmarks stay, with the question', async () => {
  // Sunset at 18:56 UTC; a quarter of an hour later the Sun is 3° down.
  const { landmarks, target, asksShade, star } = await station('2026-04-16T19:12:00Z')
  expect(star.value?.reason).toBe('SUN_UP')
  expect(landmarks.value.every(({ barred }) => barred === null)).toBe(true)
  expect(target.value?.kind).toBe('landmark')
  expect(asksShade.value).toBe(true)
})

it.each([
  { what: 'the server has noon', serverUtc: '2026-04-16T12:00:00Z', doubt: 'clocks-differ' },
  { what: 'the server was not heard', serverUtc: null, doubt: 'no-clock' },
])('a device that says night is not believed where $what', async ({ serverUtc, doubt }) => {
  const { draft, question, isDark, choose, asksShade, allowed, look } = await station(
    '2026-04-16T22:00:00Z',
    testKit({ finder: null }),
    serverUtc,
  )
  expect(question.value.doubt).toBe(doubt)
  expect(isDark.value).toBe(false)
  for (const how of ['finder', 'field', 'typed'] as const) {
    choose(starTarget('the pole star'))
    Object.assign(look.value, { how, misalignmentArcmin: 4, fraction: 0.1, seen: { x: 1, y: 1 } })
    for (const shaded of [null, false]) {
      draft.value.shaded = shaded
      await nextTick()
      expect([asksShade.value, allowed.value]).toEqual([true, false])
      expect(finderStation(draft.value, testKit(), { lowestFieldDeg: 1 })).toBeNull()
    }
    draft.value.shaded = true
    expect(allowed.value).toBe(true)
    expect(finderStation(draft.value, testKit(), { lowestFieldDeg: 1 })?.asLeft).toMatchObject({
      target: { kind: 'star', shaded: true },
    })
  }
})

it('a yes holds for two hours; yesterday’s is asked for again', async () => {
  const { draft, now } = await station('2026-04-16T12:00:00Z')
  draft.value.shaded = true
  await nextTick()
  const said = draft.value.saidAtUtc
  expect(said).toBe(now.value.toISOString())
  scope.stop()
  for (const { at, holds } of [
    { at: '2026-04-16T13:50:00Z', holds: true },
    { at: '2026-04-16T14:10:00Z', holds: false },
    { at: '2026-04-17T12:30:00Z', holds: false },
    { at: '2026-04-16T11:00:00Z', holds: false },
  ]) {
    scope = effectScope()
    const kept = ref({ ...draft.value, shaded: true, saidAtUtc: said }) as typeof draft
    scope.run(() =>
      useFinder(
        kept,
        () => testKit(),
        () => new Date(at),
      ),
    )
    expect([at, kept.value.shaded]).toEqual([at, holds ? true : null])
    scope.stop()
  }
})

it('the Moon in the dark needs no question, by day it does', async () => {
  const night = await station('2026-04-24T21:30:00Z')
  night.choose(moonTarget)
  expect(night.asksShade.value).toBe(false)
  expect(night.allowed.value).toBe(true)
  const day = await station('2026-04-24T15:00:00Z')
  day.choose(moonTarget)
  expect(day.asksShade.value).toBe(true)
  expect(day.allowed.value).toBe(false)
})

it('a landmark nearer than the kit comes sharp is barred with its distance', async () => {
  const finder = {
    kind: 'red-dot' as const,
    view: 'correct' as const,
    knobs: [{ name: 'Side knob', angleDeg: 90, arcminPerTurn: 38, clockwise: 'towards' as const }],
    arcminPerMark: null,
    tube: { train: 'newtonian' as const, outDeg: 90 },
    focusing: 'drawtube' as const,
    spareTravelMm: 30,
    knownNearestM: null,
  }
  const { landmarks } = await station('2026-04-16T12:00:00Z', testKit({ finder }))
  expect(landmarks.value.find(({ landmark }) => landmark.id === 'wall')?.barred).toContain('comes sharp')
})

it('without a known offset near landmarks wait for a ruler', async () => {
  const optics = { ...testKit().optics, finderOffsetMm: { x: 0, y: 0 } }
  const { landmarks, offsetKnown } = await station('2026-04-16T12:00:00Z', testKit({ optics }))
  expect(offsetKnown.value).toBe(false)
  expect(landmarks.value.find(({ landmark }) => landmark.id === 'wall')?.barred).toContain('measured first')
  expect(landmarks.value.find(({ landmark }) => landmark.id === 'mast')?.barred).toBeNull()
})

it('as found, advice, turned, as left: the figure falls, and what was found stays', async () => {
  const { draft, choose, look, arcmin, found, lines, verdict, lookAgain, takeBack, share } =
    await station('2026-04-16T22:00:00Z')
  choose(starTarget('the pole star'))
  look.value.seen = { x: 38, y: 0 }
  expect(arcmin.value).toBe(38)
  expect(lines.value).toEqual([
    { name: 'Side knob', turns: -1, howFar: 'one turn', what: 'anticlockwise; the dot goes 38′ left' },
  ])
  lookAgain()
  expect(arcmin.value).toBeNull()
  look.value.seen = { x: 2, y: 1 }
  expect(verdict.value).toBe('good')
  expect(found.value).toBe(38)
  expect(share.value).toBeGreaterThan(0.9)
  expect(draft.value.between[0]?.turns).toEqual([{ name: 'Side knob', turns: -1 }])
  takeBack()
  expect(arcmin.value).toBe(38)
})

it('another target for the second look leaves the first as it was seen', async () => {
  const { draft, choose, look, found, arcmin, landmarks, lookAgain, takeBack, target } =
    await station('2026-04-16T12:00:00Z')
  draft.value.shaded = true
  look.value.seen = { x: 60, y: 0 }
  const before = found.value
  lookAgain()
  const near = landmarks.value.find(({ landmark }) => landmark.id === 'wall')?.landmark
  choose({ kind: 'landmark', name: 'wall', landmarkId: near?.id ?? '', distanceM: 8, source: 'typed' })
  expect(found.value).toBe(before)
  draft.value.shaded = true
  look.value.seen = { x: 0, y: 0 }
  // On the wall's own spot, at 8 m, the parallax is what is left.
  const { x, y } = testKit().optics.finderOffsetMm
  expect(arcmin.value).toBeCloseTo((Math.atan2(Math.hypot(x, y), 8000) * 180 * 60) / Math.PI, 0)
  const kept = finderStation(draft.value, testKit(), { lowestFieldDeg: 1 })
  expect(kept?.asFound).toMatchObject({ target: { name: 'mast', shaded: true } })
  expect(kept?.asLeft).toMatchObject({ target: { name: 'wall' } })
  takeBack()
  expect(target.value?.name).toBe('mast')
  expect(draft.value.shaded).toBe(true)
})
