import { areaOf, cellWeights, distanceOutside, isSimple } from './outline.ts'

const point = (x: number, y: number) => ({ x, y })
/** An L: 60 by 40, without its upper right quarter of 30 by 20. */
const bent = [point(0, 0), point(30, 0), point(30, 20), point(60, 20), point(60, 40), point(0, 40)]

it.each([
  [15, 20, -15],
  [45, 10, 10],
  [45, 30, -10],
  [-3, -4, 5],
  [33, 16, 3],
])('(%p, %p) lies %p mm outside of a bent well', (x, y, mm) => {
  expect(distanceOutside(bent, x, y)).toBeCloseTo(mm, 9)
  expect(distanceOutside(bent.toReversed(), x, y)).toBeCloseTo(mm, 9)
})

it('cells outside count nothing, those beside a wall little', () => {
  const weights = cellWeights(bent, { left: 0, top: 0, width: 60, height: 40 })
  const at = (x: number, y: number) => weights[y * 60 + x]
  expect([at(45, 5), at(15, 20), at(0, 20)]).toEqual([0, 1, expect.closeTo(1 / 7, 6)])
  // A rectangle's cells count by how many of them lie between them and the nearest wall.
  const box = [point(0, 0), point(30, 0), point(30, 20), point(0, 20)]
  const plain = cellWeights(box, { left: 0, top: 0, width: 30, height: 20 })
  for (const [x, y] of [[3, 9] as const, [29, 2] as const, [14, 10] as const])
    expect(plain[y * 30 + x]).toBeCloseTo(Math.min(1, (Math.min(x, y, 29 - x, 19 - y) + 1) / 7), 6)
})

it('crossing sides are told', () => {
  expect(isSimple(bent)).toBe(true)
  expect(isSimple([point(0, 0), point(30, 20), point(30, 0), point(0, 20)])).toBe(false)
})

it('has the area of its parts', () => {
  expect(areaOf(bent)).toBe(60 * 40 - 30 * 20)
})
