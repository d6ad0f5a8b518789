import { highestMagnification, lowestPowerFieldDeg, powersOf } from './powers.ts'

const tube = { apertureMm: 50, focalLengthMm: 600 }
const parts = [
  { name: 'Eyepiece 4 mm', focalLengthMm: 4, apparentFieldDeg: 40 },
  { name: 'Eyepiece 20 mm', focalLengthMm: 20, apparentFieldDeg: 40 },
  { name: 'Barlow 3×', barlow: 3 },
  { name: 'Hex key' },
]

it('lists every eyepiece with and without each Barlow, lowest first', () => {
  expect(powersOf(tube, parts).map(({ magnification }) => magnification)).toEqual([30, 90, 150, 450])
})

it('starts with the lowest power and without a Barlow', () => {
  const start = powersOf(tube, parts).filter((power) => power.start)
  expect(start).toHaveLength(1)
  expect(start[0]).toMatchObject({ eyepieceName: 'Eyepiece 20 mm', barlowName: null })
})

it('counts a zoom at both ends, and starts at the longest', () => {
  const zoom = {
    name: 'Zoom',
    focalLengthMm: 24,
    shortestFocalLengthMm: 8,
    apparentFieldDeg: 40,
    apparentFieldAtShortestDeg: 60,
  }
  const powers = powersOf(tube, [zoom])
  expect(powers.map(({ magnification, trueFieldDeg }) => [magnification, trueFieldDeg])).toEqual([
    [25, 1.6],
    [75, 0.8],
  ])
  expect(powers[0]?.start).toBe(true)
})

it('takes the highest power the case gives, useful or not', () => {
  expect(highestMagnification(powersOf(tube, parts))).toBe(450)
  expect(highestMagnification([])).toBe(0)
})

it('takes the lowest power’s field for the finder, 50° assumed where none is known', () => {
  expect(lowestPowerFieldDeg(powersOf(tube, parts))).toBeCloseTo(40 / 30, 6)
  expect(lowestPowerFieldDeg(powersOf(tube, [{ name: 'E', focalLengthMm: 20 }]))).toBeCloseTo(50 / 30, 6)
  expect(lowestPowerFieldDeg([])).toBeNull()
})
