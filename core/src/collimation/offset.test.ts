import fc from 'fast-check'
import { clockHourOf } from '../words/collimation.ts'
import { axisErrorFromOffset, offsetInCellFrame } from './offset.ts'

/**
 * Where the peephole sees its own reflection on the primary, by geometry alone: the ray that returns on itself meets
 * the mirror square, so it runs through the centre of curvature. The primary's axis is z, its mark the vertex.
 */
function seenOffset(given: { h: number; e: number; d: number; f: number }): number {
  const { h, e, d, f } = given
  // The focuser's axis: e from the mark at the primary, −h from the primary's axis at the focal plane.
  const slope = (-h - e) / f
  const peephole = { x: e + slope * (f + d), z: f + d }
  const centre = { x: 0, z: 2 * f }
  const along = { x: centre.x - peephole.x, z: centre.z - peephole.z }
  // Back from the centre of curvature by one radius: the point of the mirror that is met square.
  const length = Math.hypot(along.x, along.z)
  const met = { x: centre.x - (along.x / length) * 2 * f }
  return 0 - met.x
}

describe('offset at the primary against geometry', () => {
  it.each([
    { h: 1, e: 0, d: 0, f: 450 },
    { h: 1.9, e: 0, d: 20, f: 450 },
    { h: 0.7, e: 3, d: 15, f: 650 },
    { h: 2.2, e: -4, d: -10, f: 1200 },
  ])('h $h, e $e, d $d, f $f', (given) => {
    const recovered = axisErrorFromOffset({
      offsetAtPrimaryMm: { x: seenOffset(given), y: 0 },
      focalLengthMm: given.f,
      peepholeOutsideFocusMm: given.d,
      secondaryErrorMm: { x: given.e, y: 0 },
    })
    // The small-angle formula leaves out terms of (h/f)²; a hundredth of a millimetre is a tenth of what eyes can see.
    expect(recovered.x).toBeCloseTo(given.h, 2)
  })

  it('at the focal plane the offset is twice the error (common practice, derived in the code)', () => {
    expect(axisErrorFromOffset({ offsetAtPrimaryMm: { x: 3.8, y: -1 }, focalLengthMm: 480 })).toEqual({
      x: 1.9,
      y: -0.5,
    })
  })

  it('a peephole 20 mm outside a focus of 480 mm makes the factor 2·500/460 = 2.17', () => {
    const { x } = axisErrorFromOffset({
      offsetAtPrimaryMm: { x: 2.174, y: 0 },
      focalLengthMm: 480,
      peepholeOutsideFocusMm: 20,
    })
    expect(x).toBeCloseTo(1, 2)
  })

  it('refuses a peephole as far out as the focal length', () => {
    const input = { offsetAtPrimaryMm: { x: 1, y: 0 }, focalLengthMm: 480, peepholeOutsideFocusMm: 480 }
    expect(() => axisErrorFromOffset(input)).toThrow('peepholeOutsideFocusMm')
  })
})

describe('clock directions in the cell frame', () => {
  it.each([
    { clockHours: 12, x: 1, y: 0, means: 'the focuser’s side' },
    { clockHours: 3, x: 0, y: 1, means: 'a quarter clockwise from it, seen from behind' },
    { clockHours: 6, x: -1, y: 0, means: 'opposite the focuser' },
    { clockHours: 9, x: 0, y: -1, means: 'a quarter anticlockwise' },
  ])('$clockHours o’clock is $means', ({ clockHours, x, y }) => {
    const offset = offsetInCellFrame({ lengthMm: 1, clockHours })
    expect(offset.x).toBeCloseTo(x, 12)
    expect(offset.y).toBeCloseTo(y, 12)
  })

  it('raising the side towards which the mark stands brings the axis back, wherever that is', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        fc.double({ min: 0.5, max: 5, noNaN: true }),
        (clockHours, lengthMm) => {
          const offset = offsetInCellFrame({ lengthMm, clockHours })
          const h = axisErrorFromOffset({ offsetAtPrimaryMm: offset, focalLengthMm: 600 })
          // A plane raised by δ per mm along the unit vector n tilts its normal, and with it the axis at f, to −n·δ·f.
          const n = { x: offset.x / lengthMm, y: offset.y / lengthMm }
          const raisedPerMm = 1e-4
          const after = { x: h.x - n.x * raisedPerMm * 650, y: h.y - n.y * raisedPerMm * 650 }
          return Math.hypot(after.x, after.y) < Math.hypot(h.x, h.y)
        },
      ),
    )
  })

  it('an hour goes in and comes out the same', () => {
    for (let hour = 1; hour <= 12; hour++)
      expect(clockHourOf(offsetInCellFrame({ lengthMm: 2, clockHours: hour }))).toBe(hour)
  })

  it.each([{ clockHours: 0 }, { clockHours: 12.5 }, { clockHours: NaN }])(
    'refuses $clockHours o’clock',
    ({ clockHours }) => {
      expect(() => offsetInCellFrame({ lengthMm: 1, clockHours })).toThrow('clockHours')
    },
  )
})
