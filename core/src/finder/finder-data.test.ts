import { afterKnobTurns, finderKnobs } from './knobs.ts'
import { finderKinds, finderTrain, usualFinder, usualKnobs } from './finder-data.ts'
import { fromView } from './seen.ts'

it.each(finderKinds.filter((kind) => kind !== 'peep'))('%s: its usual knobs can bring any finder right', (kind) => {
  const knobs = usualKnobs(kind)
  expect(new Set(knobs.map(({ name }) => name)).size).toBe(knobs.length)
  for (const misalignment of [
    { x: 40, y: 0 },
    { x: 0, y: -40 },
    { x: -25, y: 31 },
  ]) {
    const { turns, residualArcmin } = finderKnobs({ misalignment, knobs })
    expect(residualArcmin).toBeLessThan(1e-6)
    const left = afterKnobTurns(misalignment, knobs, turns)
    expect(Math.hypot(left.x, left.y)).toBeLessThan(1e-6)
  }
})

it('a peep sight has nothing to turn', () => expect(usualKnobs('peep')).toEqual([]))

it('three screws stand a third of a circle apart, four a quarter', () => {
  const apart = (kind: 'three-screws' | 'four-screws') => {
    const [a, b] = usualKnobs(kind)
    return ((b?.angleDeg ?? 0) - (a?.angleDeg ?? 0) + 360) % 360
  }
  expect([apart('three-screws'), apart('four-screws')]).toEqual([120, 90])
})

it('screwed in on the right, the aim goes right: the rear end is pressed away to the left', () => {
  const knobs = usualKnobs('three-screws')
  const right = knobs.find(({ name }) => name === 'Right screw')
  const moved = afterKnobTurns({ x: 0, y: 0 }, knobs, [{ name: right?.name ?? '', turns: 1 }])
  expect(moved.x).toBeGreaterThan(0)
})

it.each([
  ['correct', { x: 1, y: 2 }],
  ['turned', { x: -1, y: -2 }],
  ['mirrored', { x: -1, y: 2 }],
] as const)('a finder that shows things %s', (view, lies) => {
  const seen = fromView({ x: 1, y: 2 }, finderTrain({ view }))
  expect(seen.x).toBeCloseTo(lies.x, 9)
  expect(seen.y).toBeCloseTo(lies.y, 9)
})

it.each([
  ['newtonian', 'newtonian', 'drawtube'],
  ['refractor', 'mirror-diagonal', 'drawtube'],
  ['maksutov', 'mirror-diagonal', 'moving-mirror'],
] as const)('a %s usually shows things by %s and focuses by %s', (kind, train, focusing) => {
  const usual = usualFinder({ kind, finderOffsetMm: { x: -70, y: 90 } })
  expect([usual.tube.train, usual.focusing]).toEqual([train, focusing])
})
