import fc from 'fast-check'
import { tracedRmsWaves } from '../testing/ray-trace.ts'
import { collimationQuality, sphereRmsWaves } from './quality.ts'

describe('coma against an exact ray trace of a paraboloid', () => {
  // Third order: W₁₃₁ reads 0.1–0.5 % high for f/8–f/4; the grid's edge adds as much. Astigmatism grows with h².
  it.each([
    { apertureMm: 110, focalLengthMm: 480, axisErrorMm: 0.68, tolerance: 0.015 },
    { apertureMm: 125, focalLengthMm: 600, axisErrorMm: 1.3, tolerance: 0.015 },
    { apertureMm: 203, focalLengthMm: 1200, axisErrorMm: 1, tolerance: 0.015 },
    { apertureMm: 110, focalLengthMm: 900, axisErrorMm: 2, tolerance: 0.02 },
  ])('$apertureMm/$focalLengthMm, $axisErrorMm mm off', ({ tolerance, ...input }) => {
    const traced = tracedRmsWaves({ shape: 'paraboloid', ...input }, input.axisErrorMm)
    expect(Math.abs(collimationQuality(input).comaRmsWaves / traced - 1)).toBeLessThan(tolerance)
  })

  it('a star on the axis of a paraboloid is perfect, so the trace itself adds nothing', () => {
    expect(tracedRmsWaves({ shape: 'paraboloid', apertureMm: 203, focalLengthMm: 1200 }, 0)).toBeLessThan(1e-6)
  })

  it('at 6 mm astigmatism adds a few per cent that the formula leaves out', () => {
    const input = { apertureMm: 125, focalLengthMm: 600 }
    const traced = tracedRmsWaves({ shape: 'paraboloid', ...input }, 6)
    const excess = traced / collimationQuality({ ...input, axisErrorMm: 6 }).comaRmsWaves - 1
    expect(excess).toBeGreaterThan(0.01)
    expect(excess).toBeLessThan(0.08)
  })
})

describe('spherical mirrors against the same trace', () => {
  it.each([
    { apertureMm: 76, focalLengthMm: 300, tolerance: 0.04 },
    { apertureMm: 110, focalLengthMm: 480, tolerance: 0.04 },
    { apertureMm: 110, focalLengthMm: 900, tolerance: 0.02 },
  ])('$apertureMm/$focalLengthMm', ({ tolerance, ...mirror }) => {
    const traced = tracedRmsWaves({ shape: 'sphere', ...mirror }, 0)
    expect(Math.abs(sphereRmsWaves(mirror) / traced - 1)).toBeLessThan(tolerance)
  })

  it.each([
    { apertureMm: 76, focalLengthMm: 300, mirrorFigure: 'sphere', given: false },
    { apertureMm: 110, focalLengthMm: 480, mirrorFigure: 'unknown', given: false },
    { apertureMm: 110, focalLengthMm: 900, mirrorFigure: 'sphere', given: true },
    { apertureMm: 110, focalLengthMm: 480, mirrorFigure: 'paraboloid', given: true },
  ] as const)('$mirrorFigure of $apertureMm/$focalLengthMm gives a Strehl: $given', ({ given, ...input }) => {
    expect(collimationQuality({ ...input, axisErrorMm: 0.1 }).strehl !== null).toBe(given)
  })
})

describe('limits', () => {
  // Spoken values of practice, rounded to two digits; Maréchal λ/14 [Born & Wolf §9.3].
  it.each([
    { focalRatio: 4, limitMm: 0.68, halfDigit: 0.005 },
    { focalRatio: 5, limitMm: 1.3, halfDigit: 0.05 },
    { focalRatio: 8, limitMm: 5.3, halfDigit: 0.25 },
  ])('f/$focalRatio: $limitMm mm', ({ focalRatio, limitMm, halfDigit }) => {
    const quality = collimationQuality({ apertureMm: 100, focalLengthMm: 100 * focalRatio, axisErrorMm: 0 })
    expect(Math.abs(quality.limitMm - limitMm)).toBeLessThanOrEqual(halfDigit)
    expect(quality.goodMm).toBeCloseTo(quality.limitMm / 2, 10)
  })

  it('a wavefront of λ/14 has a Strehl of about 0.8 (Maréchal’s criterion)', () => {
    const { limitMm } = collimationQuality({ apertureMm: 125, focalLengthMm: 600, axisErrorMm: 0 })
    const { strehl } = collimationQuality({ apertureMm: 125, focalLengthMm: 600, axisErrorMm: limitMm })
    expect(strehl).toBeGreaterThan(0.8)
    expect(strehl).toBeLessThan(0.825)
  })

  it('says poor beyond the limit, usable up to it, good up to half', () => {
    const verdictAt = (share: number) => {
      const { limitMm } = collimationQuality({ apertureMm: 110, focalLengthMm: 480, axisErrorMm: 0 })
      return collimationQuality({ apertureMm: 110, focalLengthMm: 480, axisErrorMm: limitMm * share }).verdict
    }
    expect([0, 0.5, 0.51, 1, 1.001].map(verdictAt)).toEqual(['good', 'good', 'usable', 'usable', 'poor'])
  })

  it('gives no Strehl beyond 0.2 waves RMS', () => {
    expect(collimationQuality({ apertureMm: 110, focalLengthMm: 480, axisErrorMm: 5 }).strehl).toBeNull()
  })
})

it.each([
  { field: 'apertureMm', value: -1 },
  { field: 'axisErrorMm', value: -0.1 },
  { field: 'focalLengthMm', value: NaN },
])('refuses $field of $value by name', ({ field, value }) => {
  expect(() => collimationQuality({ apertureMm: 110, focalLengthMm: 480, axisErrorMm: 1, [field]: value })).toThrow(
    field,
  )
})

it('a better line-up never has the worse wavefront', () => {
  const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true })
  fc.assert(
    fc.property(mm(60, 400), mm(3.5, 10), mm(0.01, 8), (apertureMm, focalRatio, axisErrorMm) => {
      const at = (errorMm: number) =>
        collimationQuality({ apertureMm, focalLengthMm: apertureMm * focalRatio, axisErrorMm: errorMm }).comaRmsWaves
      return at(axisErrorMm) < at(axisErrorMm * 1.01)
    }),
  )
})
