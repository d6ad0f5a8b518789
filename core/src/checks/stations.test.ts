import { readingFromStation, type CheckedKit } from './stations.ts'

const kit: CheckedKit = {
  apertureMm: 114,
  primaryFocalLengthMm: 450,
  mirrorFigure: 'paraboloid',
  peepholeOutsideFocusMm: 0,
  finderOffsetMm: { x: -70, y: 96 },
  lowestFieldDeg: 1,
}

it('keeps as found and as left apart', () => {
  const reading = readingFromStation(
    {
      station: 'collimation',
      asFound: { offsetMm: 3.8, clockHours: 4 },
      asLeft: { offsetMm: 0.4, clockHours: 12 },
    },
    kit,
  )
  // At the focal plane an offset is twice the error; f/3.95 has its limit at 0.66 mm (0.0107·F³).
  expect(reading.asFound).toBeCloseTo(1.9, 10)
  expect(reading.asLeft).toBeCloseTo(0.2, 10)
  expect(reading.limit).toBeCloseTo(0.66, 2)
})

it('uses the distance of the peephole from the focal plane', () => {
  const offset = { offsetMm: 2.19, clockHours: 3 }
  const station = { station: 'collimation', asFound: offset, asLeft: offset } as const
  expect(readingFromStation(station, { ...kit, peepholeOutsideFocusMm: 20 }).asLeft).toBeCloseTo(1, 2)
})

it('a landmark reading allows for the finder’s place beside the tube', () => {
  const right = { way: 'landmark', distanceM: 200, seenMm: { x: -70, y: 96 } } as const
  const onSpot = { way: 'landmark', distanceM: 200, seenMm: { x: 0, y: 0 } } as const
  const reading = readingFromStation({ station: 'finder', asFound: onSpot, asLeft: right }, kit)
  expect(reading.asFound).toBeGreaterThan(2)
  expect(reading).toMatchObject({ asLeft: 0, limit: 30, good: 15, source: 'measured', unit: 'arcmin' })
})

it.each([
  { moves: { up: true, free: true, stays: true }, value: 0 },
  { moves: { up: true, free: true, stays: false }, value: 1 },
])('three moves $moves count as $value', ({ moves, value }) => {
  const reading = readingFromStation({ station: 'stand', asFound: moves, asLeft: moves }, kit)
  expect(reading).toMatchObject({ kind: 'stand', asLeft: value, limit: 0 })
})

it('judged stations keep their word', () => {
  const reading = readingFromStation({ station: 'glass', asFound: 'not-fine', asLeft: 'fine' }, kit)
  expect(reading).toMatchObject({ asFound: 1, asLeft: 0, source: 'judged' })
})
