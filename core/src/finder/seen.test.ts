import fc from 'fast-check'
import { misalignmentAtLandmark } from './parallax.ts'
import { aimArcmin, fromField, fromFinder, fromScale, fromView, toView, type OpticalTrain } from './seen.ts'

type Vector = readonly [number, number, number]
const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
const plus = (a: Vector, b: Vector, k = 1): Vector => [a[0] + k * b[0], a[1] + k * b[1], a[2] + k * b[2]]
const reflected = (v: Vector, unitNormal: Vector): Vector => plus(v, unitNormal, -2 * dot(v, unitNormal))
const unit = (v: Vector): Vector => {
  const length = Math.hypot(...v)
  return [v[0] / length, v[1] / length, v[2] / length]
}

/**
 * Where an eye sees a thing, by plain reflection: east, up and south are x, y and z of a right-handed frame; the tube looks
 * along −z (to the north), an observer behind it has right = +x, up = +y. The chief ray of a thing `right` and `up` of the
 * axis is followed by mirror or lens and by a flat mirror at 45°; the eye looks against it, its up towards the sky's end.
 */
function traced(train: OpticalTrain, outDeg: number, right: number, up: number) {
  const out: Vector = [Math.sin((outDeg * Math.PI) / 180), Math.cos((outDeg * Math.PI) / 180), 0]
  const fromThing = unit([-right, -up, 1])
  // A primary at the tube's lower end sends the chief ray back; a lens lets it go on.
  const afterObjective = train === 'newtonian' ? reflected(fromThing, [0, 0, 1]) : fromThing
  const axis = train === 'newtonian' ? ([0, 0, -1] as const) : ([0, 0, 1] as const)
  const flat = unit(plus(axis, out, -1))
  const eye = reflected(afterObjective, flat)
  // The image stands where the chief ray goes; looked at from outside, with the sky's end up.
  const lookingAlong: Vector = [-out[0], -out[1], 0]
  const eyeUp: Vector = [0, 0, -1]
  const eyeRight: Vector = [
    lookingAlong[1] * eyeUp[2] - lookingAlong[2] * eyeUp[1],
    lookingAlong[2] * eyeUp[0] - lookingAlong[0] * eyeUp[2],
    lookingAlong[0] * eyeUp[1] - lookingAlong[1] * eyeUp[0],
  ]
  return { x: dot(eye, eyeRight), y: dot(eye, eyeUp) }
}

describe.each(['newtonian', 'mirror-diagonal'] as const)(
  '%s, against a chief ray reflected step by step',
  (train) => {
    it.each([0, 30, 90, 135, 270])('sticking out at %d°', (outDeg) => {
      for (const [right, up] of [
        [0.01, 0],
        [0, 0.01],
        [-0.006, 0.008],
      ] as const) {
        const seen = traced(train, outDeg, right, up)
        const lies = fromView(seen, { train, outDeg })
        expect(lies.x).toBeCloseTo(right, 4)
        expect(lies.y).toBeCloseTo(up, 4)
      }
    })
  },
)

it.each([
  { train: 'straight', lies: { x: -1, y: -2 }, words: 'turned over' },
  { train: 'correct', lies: { x: 1, y: 2 }, words: 'as it is' },
  { train: 'mirror-diagonal', lies: { x: -1, y: 2 }, words: 'upright and mirrored' },
  { train: 'erecting-diagonal', lies: { x: 1, y: 2 }, words: 'upright and right' },
  { train: 'newtonian', lies: { x: -1, y: -2 }, words: 'turned by half a turn' },
] as const)('$train, sticking out upwards, shows it $words (common practice)', ({ train, lies }) => {
  expect(fromView({ x: 1, y: 2 }, { train, outDeg: 0 })).toEqual({
    x: expect.closeTo(lies.x, 9),
    y: expect.closeTo(lies.y, 9),
  })
})

it('only a train with an odd number of mirrors turns right and left over', () => {
  const handed = (train: OpticalTrain, outDeg: number) => {
    const right = fromView({ x: 1, y: 0 }, { train, outDeg })
    const up = fromView({ x: 0, y: 1 }, { train, outDeg })
    return right.x * up.y - right.y * up.x
  }
  for (const outDeg of [0, 77, 200]) {
    expect(handed('newtonian', outDeg)).toBeCloseTo(1, 9)
    expect(handed('erecting-diagonal', outDeg)).toBeCloseTo(1, 9)
    expect(handed('mirror-diagonal', outDeg)).toBeCloseTo(-1, 9)
  }
})

it('there and back again is where it was', () => {
  const at = fc.double({ min: -60, max: 60, noNaN: true })
  const trains = fc.constantFrom<OpticalTrain>(
    'newtonian',
    'mirror-diagonal',
    'erecting-diagonal',
    'straight',
    'correct',
  )
  fc.assert(
    fc.property(at, at, trains, fc.integer({ min: 0, max: 359 }), (x, y, train, outDeg) => {
      const back = toView(fromView({ x, y }, { train, outDeg }), { train, outDeg })
      return Math.hypot(back.x - x, back.y - y) < 1e-9
    }),
  )
})

const offsetMm = { x: -86, y: 81 }
const correct = { train: 'correct', outDeg: 0 } as const

describe('readings, turned into misalignment at the stars', () => {
  it('on a star the dot’s place is the misalignment', () => {
    const { misalignmentArcmin } = fromFinder({ x: 12, y: -5 }, correct, { offsetMm, distanceM: null })
    expect(misalignmentArcmin).toEqual({ x: 12, y: -5 })
  })

  it('at 60 m a dot on the aim mark is right, a dot on the spot wrong by the parallax the other way', () => {
    const aim = aimArcmin(offsetMm, 60)
    const target = { offsetMm, distanceM: 60 }
    expect(Math.hypot(...Object.values(fromFinder(aim, correct, target).misalignmentArcmin))).toBeCloseTo(0, 9)
    const onSpot = fromFinder({ x: 0, y: 0 }, correct, target).misalignmentArcmin
    const vectors = misalignmentAtLandmark({ offsetMm, distanceM: 60, seenMm: { x: 0, y: 0 } })
    expect(onSpot.x).toBeCloseTo(vectors.misalignmentArcmin.x, 9)
    expect(onSpot.y).toBeCloseTo(vectors.misalignmentArcmin.y, 9)
    expect(onSpot.x).toBeGreaterThan(0)
  })

  it('through the finder and through the eyepiece the same finder reads the same', () => {
    // A finder 20′ right and 8′ up of the tube. In a turned finder the cross then stands left of and below the star.
    const truth = { x: 20, y: 8 }
    const star = { offsetMm, distanceM: null }
    const straight = { train: 'straight', outDeg: 0 } as const
    const inFinder = toView(truth, straight)
    const a = fromFinder(inFinder, straight, star).misalignmentArcmin
    // With the cross on the star, the star stands off the field's middle by as much, as this tube shows it.
    const tube = { train: 'newtonian', outDeg: 60 } as const
    const seen = toView(truth, tube)
    const half = 30
    const b = fromField(
      {
        fraction: Math.hypot(seen.x, seen.y) / half,
        clockHours: (Math.atan2(seen.x, seen.y) / (2 * Math.PI)) * 12,
        trueFieldDeg: 1,
      },
      tube,
      star,
    ).misalignmentArcmin
    for (const found of [a, b]) {
      expect(found.x).toBeCloseTo(20, 9)
      expect(found.y).toBeCloseTo(8, 9)
    }
  })

  it('two marks of 10′ are 20′, one down is 10′ low; a mark is told to its half', () => {
    const read = fromScale({ x: 2, y: -1 }, { arcminPerMark: 10 }, correct, { offsetMm, distanceM: null })
    expect(read).toEqual({ misalignmentArcmin: { x: 20, y: -10 }, uncertaintyArcmin: 5 })
  })

  it('a distance known to a tenth widens the doubt by a tenth of the parallax', () => {
    const at = (distanceDoubt: number) =>
      fromFinder({ x: 0, y: 0 }, correct, { offsetMm, distanceM: 20, distanceDoubt }).uncertaintyArcmin
    const parallax = Math.hypot(...Object.values(aimArcmin(offsetMm, 20)))
    expect(at(0.1) ** 2 - at(0) ** 2).toBeCloseTo((parallax * 0.1) ** 2, 6)
  })
})
