import { focusReach, nearShiftMm } from './focus-reach.ts'

const tube = { focalLengthMm: 600, travelMm: 60, distanceM: null }
const look = (drawtubeMm: number | null, eyepieceMm = 25) => ({ chain: 'Eyepiece', drawtubeMm, eyepieceMm })

describe('how much further out something near comes to focus', () => {
  // Worked by the thin lens, 1/f = 1/D + 1/b, with the sum of distances written out.
  it.each([
    [600, 20],
    [1000, 50],
    [480, 12],
  ])('f %d mm at %d m', (focalLengthMm, distanceM) => {
    const imageMm = 1 / (1 / focalLengthMm - 1 / (distanceM * 1000))
    expect(nearShiftMm(focalLengthMm, distanceM)).toBeCloseTo(imageMm - focalLengthMm, 9)
  })
  it('600 mm at 20 m: 18.6 mm', () => expect(nearShiftMm(600, 20)).toBeCloseTo(18.557, 3))
  it('refuses what stands in front of the tube', () => expect(() => nearShiftMm(600, 1)).toThrow(RangeError))
})

describe('which eyepieces reach focus', () => {
  it('on a star, with room for eyes without their glasses: 3 dioptres at 25 mm are 1.9 mm', () => {
    const reach = focusReach(look(30), tube)
    expect(reach).toMatchObject({ starMm: 30, spareInMm: 30, spareOutMm: 30, reaches: 'all-eyes' })
    expect(reach.eyesMm).toBeCloseTo(1.875, 9)
  })
  it('a hair from its end: only for those who need no glasses', () => {
    expect(focusReach(look(1), tube).reaches).toBe('good-eyes')
    expect(focusReach(look(59.5), tube).reaches).toBe('good-eyes')
    expect(focusReach(look(1, 9), tube).reaches).toBe('all-eyes')
  })
  it('a lamp near by is focused, and a star isn’t: the tube would have to go further in', () => {
    const reach = focusReach(look(10), { ...tube, distanceM: 20 })
    expect(reach.starMm).toBeCloseTo(-8.557, 3)
    expect(reach).toMatchObject({ reaches: 'no', nearestM: null })
  })
  it('the nearest thing is where all that is left outwards is used up', () => {
    const { nearestM, spareOutMm } = focusReach(look(30), tube)
    expect(nearShiftMm(600, nearestM ?? 0)).toBeCloseTo(spareOutMm ?? 0, 9)
  })
  it('never in focus is said so; a reading beyond the scale is refused', () => {
    expect(focusReach(look(null), tube)).toMatchObject({ reaches: 'no', starMm: null })
    expect(() => focusReach(look(61), tube)).toThrow('0 to 60 mm')
    expect(() => focusReach(look(-1), tube)).toThrow(RangeError)
  })
})
