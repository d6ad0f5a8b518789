import { mountReach, type ReachInput } from './reach.ts'

const reflector: ReachInput = {
  ...{ pivotHeightMm: 1200, pivotToEyepieceMm: 420, eyepieceOffsetMm: 140, rollDeg: 30, altitudeDeg: 60 },
}

/** Independent of the formula: the eyepiece as a point in space, turned by matrices about the tube and the altitude axis. */
function heightByRotation({ pivotHeightMm, pivotToEyepieceMm, eyepieceOffsetMm, rollDeg, altitudeDeg }: ReachInput) {
  const rad = Math.PI / 180
  // The tube lies along +y, up is +z, right is +x; clockwise from behind turns up towards the right.
  const [x, y, z] = [
    eyepieceOffsetMm * Math.sin(rollDeg * rad),
    pivotToEyepieceMm,
    eyepieceOffsetMm * Math.cos(rollDeg * rad),
  ]
  const turned = { x, z: y * Math.sin(altitudeDeg * rad) + z * Math.cos(altitudeDeg * rad) }
  return pivotHeightMm + turned.z
}

it.each([
  reflector,
  { ...reflector, altitudeDeg: 0 },
  { ...reflector, altitudeDeg: 90, rollDeg: 180 },
  { ...reflector, pivotToEyepieceMm: -310, altitudeDeg: 75 },
  { ...reflector, altitudeDeg: -5, rollDeg: -90 },
])('stands where a rotation in space puts it: %o', (input) => {
  expect(mountReach(input).eyepieceHeightMm).toBeCloseTo(heightByRotation(input), 9)
})

it('a reflector’s eyepiece rises with the altitude, a lens’ sinks', () => {
  const at = (pivotToEyepieceMm: number, altitudeDeg: number) =>
    mountReach({ ...reflector, pivotToEyepieceMm, altitudeDeg }).eyepieceHeightMm
  expect(at(500, 70)).toBeGreaterThan(at(500, 20))
  expect(at(-500, 70)).toBeLessThan(at(-500, 20))
})

const level = (pivotHeightMm: number) => mountReach({ ...reflector, pivotHeightMm, altitudeDeg: 0, rollDeg: 90 })
it.each([
  [1500, 'standing', 0],
  [1600, 'standing', 100],
  [1601, 'step', 101],
  [1326, 'standing', -174],
  [1324, 'seated', 174],
  [1325, 'seated', 175],
  [1001, 'seated', -149],
  [1000, 'seated', -150],
  [999, 'kneeling', 149],
  [300, 'kneeling', -550],
] as const)('at %s mm one is %s, %s mm from the eye', (height, posture, differenceMm) => {
  const reach = level(height)
  expect(reach.posture).toBe(posture)
  expect(reach.differenceMm).toBeCloseTo(differenceMm, 9)
})

it('a child’s eyes are lower: what a grown person stands at wants a step', () => {
  expect(mountReach({ ...reflector, pivotHeightMm: 1500, altitudeDeg: 0, standingEyeMm: 1100 }).posture).toBe('step')
})

it.each([{ altitudeDeg: 91 }, { pivotHeightMm: 0 }, { rollDeg: Number.NaN }, { seatedEyeMm: -1 }])(
  'refuses %o by name',
  (bad) => expect(() => mountReach({ ...reflector, ...bad })).toThrow(Object.keys(bad)[0]),
)
