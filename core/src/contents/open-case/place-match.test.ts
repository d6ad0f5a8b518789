import { likeness, type Seen } from './place-likeness.ts'
import { laidOn, levelsOf } from './place-match.ts'

/** Light over a well as a formula, so that it is known between cells as well. */
type Light = (x: number, y: number) => number
const blob = (atX: number, atY: number, wide: number): Light => {
  return (x, y) => Math.exp(-((x - atX) ** 2 + (y - atY) ** 2) / (2 * wide * wide))
}
const [left, right, low] = [blob(20, 15, 4), blob(38, 22, 3), blob(26, 25, 2.5)]
/** No two of its turns look alike. */
const body: Light = (x, y) => left(x, y) + 0.7 * right(x, y) + 0.5 * low(x, y)

function seen(width: number, height: number, light: Light): Seen {
  const tone = Float32Array.from({ length: width * height }, (_, i) => light(i % width, Math.floor(i / width)))
  const place = { width, height, tone, weight: new Float32Array(width * height).fill(1) }
  return { ...place, foam: 0.5, covered: 0, burnt: 0, levels: levelsOf(place) }
}
const well = (light: Light) => seen(60, 40, light)

/** What is seen where the same thing lies turned and shifted: by the formula, not by cells. */
const laid = (light: Light, { dx, dy, deg }: { dx: number; dy: number; deg: number }, [cx, cy] = [29.5, 19.5]) => {
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)]
  const moved: Light = (x, y) => light(c * (x - cx) - s * (y - cy) + cx + dx, s * (x - cx) + c * (y - cy) + cy + dy)
  return moved
}
const turnBetween = (a: number, b: number) => Math.abs(Math.atan2(Math.sin(a - b), Math.cos(a - b)))

describe('a part lies a little otherwise than before', () => {
  const tone: Light = (x, y) => 0.6 + body(x, y)
  it.each([
    { dx: 0, dy: 0, deg: 0 },
    { dx: 5, dy: -3, deg: 0 },
    { dx: -4, dy: 4, deg: 13 },
    { dx: 2, dy: 3, deg: -17 },
    { dx: 3, dy: -2, deg: 184 },
  ])('by $dx and $dy mm and $deg°', (by) => {
    const found = laidOn(well(laid(tone, by)).levels, well(tone).levels)
    expect(Math.hypot(found.dx - by.dx, found.dy - by.dy)).toBeLessThan(0.6)
    expect(turnBetween(found.turn, (by.deg * Math.PI) / 180)).toBeLessThan(0.03)
    expect(found.likeness).toBeGreaterThan(0.45)
  })

  it('by a quarter too, where its well is about as wide as long', () => {
    const by = { dx: 2, dy: 1, deg: 96 }
    const square = (light: Light) => seen(46, 42, light)
    const found = laidOn(square(laid(tone, by, [22.5, 20.5])).levels, square(tone).levels)
    expect(Math.hypot(found.dx - by.dx, found.dy - by.dy)).toBeLessThan(0.6)
    expect(turnBetween(found.turn, (by.deg * Math.PI) / 180)).toBeLessThan(0.03)
  })

  it('and another part is like it nowhere', () => {
    const other: Light = (x, y) => 0.6 + blob(30, 20, 2)(x, y) + (Math.abs(y - 20) < 3 ? 0.6 : 0)
    expect(laidOn(well(tone).levels, well(other).levels).likeness).toBeLessThan(0.3)
  })
})

it('a coarser level is the mean of its cells, and knows its slope', () => {
  // The logarithm of brightness rises by 0.01 each mm: in cells of 4 mm, by 0.04.
  const { coarse, middle } = well((x) => Math.exp(0.01 * x)).levels
  expect([coarse.width, coarse.height, middle.width, middle.height]).toEqual([15, 10, 30, 20])
  const at = 4 * coarse.width + 7
  expect(coarse.value[at]).toBeCloseTo(0.01 * (28 + 1.5), 5)
  expect([coarse.slopeX[at], coarse.slopeY[at]]).toEqual([expect.closeTo(0.04, 5), expect.closeTo(0, 5)])
})

describe('the same under another light', () => {
  const [lamp, window] = [(x: number) => 0.4 + x / 60, (x: number) => 1.4 - x / 60]
  const lit =
    (by: (x: number) => number): Light =>
    (x, y) =>
      0.6 + body(x, y) * by(x)
  const before = [well(lit(lamp)), well(lit(window))]

  it('is a sum of single lights, and nothing of it is left over', () => {
    const both = well((x, y) => 0.5 + body(x, y) * (0.3 * lamp(x) + 0.5 * window(x)))
    const found = likeness(both, before)
    expect(found.unlike).toBeLessThan(0.01)
    // Neither lamp alone explains it as well.
    expect(found.unlikeOne).toBeGreaterThan(3 * found.unlike)
    expect(found.contentBefore / likeness(before[0] as Seen, before).content).toBeGreaterThan(0.8)
  })

  it('another part leaves what no light explains; of the same in the negative everything is left', () => {
    const other = likeness(
      well((x, y) => 0.6 + blob(44, 12, 2)(x, y) + blob(10, 30, 2)(x, y)),
      before,
    )
    expect(other.unlike).toBeGreaterThan(0.5)
    // The same with something beside it: what it was explains the half of it.
    const more = likeness(
      well((x, y) => 0.6 + body(x, y) + blob(44, 8, 3)(x, y)),
      before,
    )
    expect(more.unlike).toBeGreaterThan(0.2)
    expect(more.unlike).toBeLessThan(0.8)
    const negative = likeness(
      well((x, y) => 1.6 - 0.4 * body(x, y)),
      before,
    )
    expect(negative.unlike).toBeGreaterThan(0.6)
  })

  it('how much there is to see is the variance of brightness and slopes', () => {
    // A ramp of 0.02 a mm over 58 inner cells: (58² − 1) / 12 · 0.02² and, edges counted 1½-fold, (1.5 · 0.04)².
    const { content } = likeness(
      well((x) => 0.5 + 0.02 * x),
      before,
    )
    expect(content).toBeCloseTo((((58 ** 2 - 1) / 12) * 0.02 ** 2 + 0.06 ** 2) * 1, 4)
  })
})
