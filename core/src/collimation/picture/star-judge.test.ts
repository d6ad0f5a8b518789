import { diffractionStar, discRadiusPx, type Aberrated } from '../../testing/diffraction-star.ts'
import type { Picture } from './planes.ts'
import { starJudge, type StarJudgeInput } from './star-judge.ts'

const lens = { kind: 'refractor', apertureMm: 80, focalLengthMm: 640 } as const
const closed = { kind: 'maksutov', apertureMm: 100, focalLengthMm: 1300, obstructionFraction: 0.33 } as const
const ofLens = (star: Aberrated, more: Partial<StarJudgeInput> = {}) =>
  starJudge({ ...lens, image: diffractionStar(star), ...more })
const ofClosed = (star: Aberrated, more: Partial<StarJudgeInput> = {}) =>
  starJudge({ ...closed, image: diffractionStar({ obstructionFraction: 0.33, ...star }), ...more })

it.each([4, 10])('a perfect lens at %s waves: round, rings in the middle', (defocusWaves) => {
  const told = ofLens({ defocusWaves })
  expect(told).toMatchObject({ refused: null, verdict: 'fit' })
  expect(Math.hypot(told.ringOffsetFraction.x, told.ringOffsetFraction.y)).toBeLessThan(0.005)
  expect(told.axisRatio).toBeGreaterThan(0.99)
  // The outline is read at a quarter of the light, 2 to 5 % inside the geometric edge.
  const share = (told.disc?.radiusPx ?? 0) / discRadiusPx(defocusWaves)
  expect(share).toBeGreaterThan(0.94)
  expect(share).toBeLessThan(1)
})

it('coma moves the rings away from where it points, by its amount; half of λ/14 is good, more than all of it the workshop’s', () => {
  const limitWaves = Math.sqrt(72) / 14
  const told = [0.4, 0.8, 1.5].map((share) => ofLens({ defocusWaves: 5, comaWaves: share * limitWaves, comaDeg: 70 }))
  expect(told.map(({ verdict }) => verdict)).toEqual(['fit', 'watch', 'workshop'])
  for (const {
    ringOffsetFraction: { x, y },
  } of told) {
    const turn = (Math.atan2(-y, -x) * 180) / Math.PI - 70
    expect(Math.abs(turn)).toBeLessThan(5)
  }
  const sizes = told.map(({ ringOffsetFraction: { x, y } }) => Math.hypot(x, y))
  expect((sizes[1] ?? 0) / (sizes[0] ?? 1)).toBeCloseTo(2, 0)
})

it('astigmatism makes the disc long across its line by 1 − W₂₂₂/W₀₂₀, and says which way', () => {
  const told = ofLens({ defocusWaves: 5, astigmatismWaves: 0.3, astigmatismDeg: 30 })
  expect(told.axisRatio).toBeCloseTo(1 - 0.3 / 5, 1)
  expect(told.axisRatio).toBeLessThan(0.965)
  expect(told.axisDeg).toBeCloseTo(120, -1)
  expect(told.verdict).toBe('watch')
  expect(ofLens({ defocusWaves: 5, astigmatismWaves: 0.7 }).verdict).toBe('workshop')
})

it('a closed tube is judged by its shadow, grain or not', () => {
  expect(ofClosed({ defocusWaves: 6 }).verdict).toBe('fit')
  const off = ofClosed({ defocusWaves: 6, comaWaves: 0.9, noise: 0.05 })
  expect(off.verdict).toBe('workshop')
  expect(off.ringOffsetFraction.x).toBeLessThan(-0.12)
  expect(Math.abs(off.ringOffsetFraction.y)).toBeLessThan(0.03)
})

it('both sides of focus: the glass’ own astigmatism turns, a phone held askew doesn’t', () => {
  const glass = ofLens(
    { defocusWaves: 5, astigmatismWaves: 0.4 },
    { otherSide: diffractionStar({ defocusWaves: -5, astigmatismWaves: 0.4 }) },
  )
  expect(glass.verdict).not.toBe('fit')
  expect(glass.warnings).toEqual([])
  const slanted = squeezed(diffractionStar({ defocusWaves: 5 }))
  const askew = starJudge({ ...lens, image: slanted, otherSide: slanted })
  expect(askew.warnings).toEqual(['oval-stays'])
  expect(askew.verdict).toBe('fit')
  expect(starJudge({ ...lens, image: slanted }).verdict).toBe('workshop')
})

/** Every row of a picture drawn from a tenth farther from its middle: as a phone held askew sees it. */
function squeezed({ widthPx, heightPx, rgba }: Picture): Picture {
  const out = new Uint8ClampedArray(rgba.length)
  for (let row = 0; row < heightPx; row++) {
    const from = Math.round((row - heightPx / 2) * 1.1 + heightPx / 2)
    if (from < 0 || from >= heightPx) continue
    out.set(rgba.subarray(from * widthPx * 4, (from + 1) * widthPx * 4), row * widthPx * 4)
  }
  return { widthPx, heightPx, rgba: out }
}

const filled = (level: (x: number, y: number) => number, side = 300): Picture => {
  const rgba = new Uint8ClampedArray(side * side * 4)
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) {
      const value = 255 * level(x, y)
      rgba.set([value, value, value, 255], 4 * (y * side + x))
    }
  return { widthPx: side, heightPx: side, rgba }
}
it.each([
  ['nothing', filled(() => 0.1), 'too-dark'],
  ['a star in focus', filled((x, y) => (Math.hypot(x - 150, y - 150) < 4 ? 1 : 0)), 'too-small'],
  ['a star at the border', filled((x, y) => (Math.hypot(x - 10, y - 150) < 60 ? 1 : 0)), 'cut-off'],
  ['a lit window', filled((x, y) => (Math.abs(x - 150) < 90 && Math.abs(y - 150) < 40 ? 1 : 0)), 'no-disc'],
  ['an even lamp', filled((x, y) => (Math.hypot(x - 150, y - 150) < 80 ? 0.9 : 0)), 'no-rings'],
])('%s is no star to judge', (_what, image, refused) => {
  expect(starJudge({ ...lens, image }).refused).toBe(refused)
})

it('another side that can’t be read is said, not taken', () => {
  const told = ofLens({ defocusWaves: 5 }, { otherSide: filled(() => 0.1) })
  expect(told.warnings).toEqual(['other-side-unreadable', 'one-sided'])
})

it('refuses sizes that can’t be', () => {
  const image = filled(() => 0)
  expect(() => starJudge({ ...lens, image, apertureMm: 0 })).toThrow('apertureMm')
  expect(() => starJudge({ ...lens, image, obstructionFraction: 1 })).toThrow('obstructionFraction')
})
