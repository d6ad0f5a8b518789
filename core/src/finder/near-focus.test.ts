import { nearFocus } from './near-focus.ts'

it.each([
  { focalLengthMm: 600, distanceM: 60 },
  { focalLengthMm: 1300, distanceM: 74 },
  { focalLengthMm: 480, distanceM: 9 },
])('f $focalLengthMm at $distanceM m: 1/d + 1/(f + extra) = 1/f (thin lens)', ({ focalLengthMm, distanceM }) => {
  const { extraTravelMm } = nearFocus({ focalLengthMm, focusing: 'drawtube', distanceM })
  expect(1 / (distanceM * 1000) + 1 / (focalLengthMm + (extraTravelMm ?? 0))).toBeCloseTo(1 / focalLengthMm, 12)
})

it('f 1300 at 74 m goes 23 mm farther out (common practice)', () => {
  const { extraTravelMm } = nearFocus({ focalLengthMm: 1300, focusing: 'drawtube', distanceM: 74 })
  expect(extraTravelMm).toBeCloseTo(23.2, 1)
})

it('a drawtube with so much to spare comes sharp from there on, and no nearer', () => {
  const { nearestM, reason } = nearFocus({ focalLengthMm: 600, focusing: 'drawtube', spareTravelMm: 30 })
  expect(reason).toBe('formula')
  const at = (distanceM: number) =>
    nearFocus({ focalLengthMm: 600, focusing: 'drawtube', spareTravelMm: 30, distanceM })
  expect(at(nearestM ?? 0).extraTravelMm).toBeCloseTo(30, 9)
  expect(at((nearestM ?? 0) * 1.01).reaches).toBe(true)
  expect(at((nearestM ?? 0) * 0.99).reaches).toBe(false)
})

it.each([
  {
    what: 'a moving mirror nobody tried',
    given: { focusing: 'moving-mirror' },
    reason: 'trial-needed',
    nearestM: null,
  },
  {
    what: 'a moving mirror that was tried',
    given: { focusing: 'moving-mirror', knownNearestM: 6 },
    reason: 'known',
    nearestM: 6,
  },
  { what: 'a drawtube nobody measured', given: { focusing: 'drawtube' }, reason: 'travel-unknown', nearestM: null },
  {
    what: 'a trial that goes before the formula',
    given: { focusing: 'drawtube', spareTravelMm: 30, knownNearestM: 20 },
    reason: 'known',
    nearestM: 20,
  },
] as const)('$what', ({ given, reason, nearestM }) => {
  const answer = nearFocus({ focalLengthMm: 1300, distanceM: 40, ...given })
  expect([answer.reason, answer.nearestM]).toEqual([reason, nearestM])
  if (given.focusing === 'moving-mirror') expect(answer.extraTravelMm).toBeNull()
})

it('nearer than its own focal length nothing comes sharp', () => {
  expect(nearFocus({ focalLengthMm: 600, focusing: 'drawtube', distanceM: 0.6 })).toMatchObject({
    reason: 'inside-focal-length',
    reaches: false,
    extraTravelMm: null,
  })
  expect(() => nearFocus({ focalLengthMm: 0, focusing: 'drawtube' })).toThrow('focalLengthMm')
})
