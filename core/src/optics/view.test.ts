import fc from 'fast-check'
import { opticalView } from './view.ts'

/** Values as people round them, to whole powers: half a unit of the last digit is allowed. */
const HALF_A_POWER = 0.5

describe('magnification', () => {
  it.each([
    { apertureMm: 76, focalLengthMm: 300, eyepieceMm: 20, barlow: 1, rounded: 15 },
    { apertureMm: 76, focalLengthMm: 300, eyepieceMm: 6, barlow: 1, rounded: 50 },
    { apertureMm: 76, focalLengthMm: 300, eyepieceMm: 20, barlow: 2, rounded: 30 },
    { apertureMm: 76, focalLengthMm: 300, eyepieceMm: 6, barlow: 2, rounded: 100 },
    { apertureMm: 70, focalLengthMm: 400, eyepieceMm: 20, barlow: 1, rounded: 20 },
    { apertureMm: 203, focalLengthMm: 1200, eyepieceMm: 25, barlow: 1, rounded: 48 },
    { apertureMm: 203, focalLengthMm: 1200, eyepieceMm: 10, barlow: 1, rounded: 120 },
    { apertureMm: 50, focalLengthMm: 600, eyepieceMm: 20, barlow: 1, rounded: 30 },
    { apertureMm: 50, focalLengthMm: 600, eyepieceMm: 12.5, barlow: 1, rounded: 48 },
    { apertureMm: 50, focalLengthMm: 600, eyepieceMm: 4, barlow: 1, rounded: 150 },
    { apertureMm: 50, focalLengthMm: 600, eyepieceMm: 20, barlow: 3, rounded: 90 },
    { apertureMm: 50, focalLengthMm: 600, eyepieceMm: 12.5, barlow: 3, rounded: 144 },
    { apertureMm: 50, focalLengthMm: 600, eyepieceMm: 4, barlow: 3, rounded: 450 },
  ])(
    '$apertureMm/$focalLengthMm with $eyepieceMm mm × $barlow gives $rounded (common practice, no source)',
    ({ rounded, ...input }) => {
      expect(Math.abs(opticalView(input).magnification - rounded)).toBeLessThanOrEqual(HALF_A_POWER)
    },
  )

  it.each([
    // Worked by hand: focal length × Barlow ÷ eyepiece.
    { apertureMm: 110, focalLengthMm: 480, eyepieceMm: 24, barlow: 1, power: 20 },
    { apertureMm: 125, focalLengthMm: 600, eyepieceMm: 8, barlow: 1, power: 75 },
    { apertureMm: 180, focalLengthMm: 1080, eyepieceMm: 27, barlow: 2.5, power: 100 },
    { apertureMm: 95, focalLengthMm: 1180, eyepieceMm: 20, barlow: 1, power: 59 },
  ])('$apertureMm/$focalLengthMm with $eyepieceMm mm × $barlow is exactly $power', ({ power, ...input }) => {
    expect(opticalView(input).magnification).toBeCloseTo(power, 10)
  })

  it('a 50 mm tube cannot use 450×, and 150× only stretches it', () => {
    const at = (eyepieceMm: number, barlow: number) =>
      opticalView({ apertureMm: 50, focalLengthMm: 600, eyepieceMm, barlow }).verdict
    expect(at(4, 3)).toBe('empty')
    expect(at(4, 1)).toBe('empty')
    expect(at(20, 3)).toBe('steady-air-only')
    expect(at(20, 1)).toBe('good')
  })

  it('110/480 is f/4.4', () => {
    expect(opticalView({ apertureMm: 110, focalLengthMm: 480, eyepieceMm: 20 }).focalRatio).toBeCloseTo(480 / 110, 10)
  })

  it('calls an exit pupil wider than 7 mm too low', () => {
    expect(opticalView({ apertureMm: 203, focalLengthMm: 800, eyepieceMm: 32 }).verdict).toBe('too-low')
  })
})

describe('true field', () => {
  it('90/1250 with 31 mm of 70° shows the whole Moon of 0.52° (common practice, no source)', () => {
    const { trueFieldDeg } = opticalView({
      apertureMm: 90,
      focalLengthMm: 1250,
      eyepieceMm: 31,
      apparentFieldDeg: 70,
    })
    expect(trueFieldDeg).toBeGreaterThan(0.6)
  })

  it('prefers the field stop: a 27 mm stop at 1000 mm subtends 1.5469° (exact triangle: 13.5 to 1000)', () => {
    const view = opticalView({
      apertureMm: 127,
      focalLengthMm: 1000,
      eyepieceMm: 25,
      apparentFieldDeg: 50,
      fieldStopMm: 27,
    })
    expect(view.trueFieldDeg).toBeCloseTo(1.5469, 4)
  })

  it('is null, not a guess, where neither is known', () => {
    const view = opticalView({ apertureMm: 70, focalLengthMm: 400, eyepieceMm: 20 })
    expect(view.trueFieldDeg).toBeNull()
    expect(view.driftSeconds).toBeNull()
  })

  it('lets a star on the equator cross 1° in 239.3 s (15.041″ per second: Explanatory Supplement)', () => {
    const view = opticalView({ apertureMm: 100, focalLengthMm: 500, eyepieceMm: 10, apparentFieldDeg: 50 })
    expect(view.driftSeconds).toBeCloseTo(3600 / 15.041, 1)
  })
})

describe('resolution', () => {
  // Half of the last printed digit.
  it.each([
    { apertureMm: 100, rayleighArcsec: 1.384, source: '1.22 λ/D at 550 nm, Born & Wolf §8.6' },
    { apertureMm: 200, rayleighArcsec: 0.692, source: '1.22 λ/D at 550 nm, Born & Wolf §8.6' },
  ])('Rayleigh for $apertureMm mm is $rayleighArcsec″ ($source)', ({ apertureMm, rayleighArcsec }) => {
    const view = opticalView({ apertureMm, focalLengthMm: 1000, eyepieceMm: 10 })
    expect(Math.abs(view.rayleighArcsec - rayleighArcsec)).toBeLessThan(0.0006)
  })

  it.each([
    { apertureMm: 25.4, dawesArcsec: 4.56, source: 'Dawes 1867: 4.56″ for one inch' },
    { apertureMm: 101.6, dawesArcsec: 1.14, source: 'Dawes 1867: 1.14″ for four inches' },
  ])('Dawes for $apertureMm mm is $dawesArcsec″ ($source)', ({ apertureMm, dawesArcsec }) => {
    expect(opticalView({ apertureMm, focalLengthMm: 1000, eyepieceMm: 10 }).dawesArcsec).toBeCloseTo(dawesArcsec, 2)
  })
})

describe('bad input', () => {
  it.each([
    { field: 'apertureMm', value: -70 },
    { field: 'eyepieceMm', value: 0 },
    { field: 'barlow', value: NaN },
    { field: 'focalLengthMm', value: Infinity },
    { field: 'fieldStopMm', value: -1 },
  ])('$field of $value is refused by name', ({ field, value }) => {
    const input = { apertureMm: 70, focalLengthMm: 400, eyepieceMm: 20, [field]: value }
    expect(() => opticalView(input)).toThrow(field)
  })
})

it('a longer eyepiece never gives more power or a smaller exit pupil', () => {
  const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true })
  fc.assert(
    fc.property(mm(30, 500), mm(200, 4000), mm(2, 50), (apertureMm, focalLengthMm, eyepieceMm) => {
      const shorter = opticalView({ apertureMm, focalLengthMm, eyepieceMm })
      const longer = opticalView({ apertureMm, focalLengthMm, eyepieceMm: eyepieceMm * 1.01 })
      return longer.magnification < shorter.magnification && longer.exitPupilMm > shorter.exitPupilMm
    }),
  )
})
