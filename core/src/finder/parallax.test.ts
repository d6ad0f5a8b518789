import fc from 'fast-check'
import { finderParallax, misalignmentAtLandmark } from './parallax.ts'
import { finderVerdict } from './verdict.ts'

type Vector = readonly [number, number, number]
const angleArcmin = (a: Vector, b: Vector): number => {
  const cross = Math.hypot(a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0])
  const dot = a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
  return (Math.atan2(cross, dot) * 180 * 60) / Math.PI
}

describe('parallax against plain vectors', () => {
  it.each([
    { offsetMm: { x: 0, y: 120 }, distanceM: 60, spoken: 6.9, half: 0.05 },
    { offsetMm: { x: 120, y: 0 }, distanceM: 3000, spoken: 0.14, half: 0.005 },
    { offsetMm: { x: -86, y: 81 }, distanceM: 74, spoken: 5.5, half: 0.05 },
  ])('$offsetMm at $distanceM m is $spoken′ (common practice)', ({ offsetMm, distanceM, spoken, half }) => {
    const answer = finderParallax({ offsetMm, distanceM })
    const toSpot: Vector = [-offsetMm.x, -offsetMm.y, distanceM * 1000]
    expect(answer.angleArcmin).toBeCloseTo(angleArcmin(toSpot, [0, 0, 1]), 9)
    expect(Math.abs(answer.angleArcmin - spoken)).toBeLessThanOrEqual(half)
  })

  it.each([
    { x: 0, y: 100, directionDeg: 0, words: 'up' },
    { x: 100, y: 0, directionDeg: 90, words: 'right' },
    { x: 0, y: -100, directionDeg: 180, words: 'down' },
    { x: -100, y: 0, directionDeg: 270, words: 'left' },
  ])('a finder to the $words aims $directionDeg° beside the spot, on its own side', ({ x, y, directionDeg }) => {
    const answer = finderParallax({ offsetMm: { x, y }, distanceM: 50 })
    expect(answer.directionDeg).toBeCloseTo(directionDeg, 10)
    expect(answer.aimOffsetMm).toEqual({ x, y })
  })

  it('refuses a landmark at no distance', () => {
    expect(() => finderParallax({ offsetMm: { x: 1, y: 1 }, distanceM: 0 })).toThrow('distanceM')
  })
})

describe('misalignment at a landmark against plain vectors', () => {
  it('a dot that stands where the parallel line passes is not off at all', () => {
    const input = { offsetMm: { x: -70, y: 96 }, distanceM: 300, seenMm: { x: -70, y: 96 } }
    expect(misalignmentAtLandmark(input).lengthArcmin).toBe(0)
  })

  it('a dot put on the spot itself is off the opposite way by the parallax', () => {
    const offsetMm = { x: -70, y: 96 }
    const { misalignmentArcmin, lengthArcmin } = misalignmentAtLandmark({
      offsetMm,
      distanceM: 74,
      seenMm: { x: 0, y: 0 },
    })
    expect(lengthArcmin).toBeCloseTo(finderParallax({ offsetMm, distanceM: 74 }).angleArcmin, 3)
    expect(misalignmentArcmin.x).toBeGreaterThan(0)
    expect(misalignmentArcmin.y).toBeLessThan(0)
  })

  it('agrees with the angle between the finder’s ray and the tube’s, 20 m to 5 km, any offset', () => {
    const mm = fc.double({ min: -800, max: 800, noNaN: true })
    const offset = fc.double({ min: -250, max: 250, noNaN: true })
    fc.assert(
      fc.property(
        mm,
        mm,
        offset,
        offset,
        fc.double({ min: 20, max: 5000, noNaN: true }),
        (seenX, seenY, x, y, distanceM) => {
          const ray: Vector = [seenX - x, seenY - y, distanceM * 1000]
          const input = { offsetMm: { x, y }, distanceM, seenMm: { x: seenX, y: seenY } }
          const { lengthArcmin } = misalignmentAtLandmark(input)
          const exact = angleArcmin(ray, [0, 0, 1])
          return Math.abs(lengthArcmin - exact) < 0.005 + 0.001 * exact
        },
      ),
    )
  })
})

it.each([
  { misalignmentArcmin: 15, verdict: 'good', fractionOfHalfField: 0.5 },
  { misalignmentArcmin: 30, verdict: 'usable', fractionOfHalfField: 1 },
  { misalignmentArcmin: 31, verdict: 'off', fractionOfHalfField: 31 / 30 },
])(
  'a field of 60′: $misalignmentArcmin′ is $verdict (common practice, no source)',
  ({ misalignmentArcmin, ...expected }) => {
    expect(finderVerdict({ misalignmentArcmin, trueFieldDeg: 1 })).toEqual(expected)
  },
)
