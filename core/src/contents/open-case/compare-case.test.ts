import type { Picture } from '../../collimation/picture/planes.ts'
import type { PointXY } from '../../shared/angles.ts'
import { markCornersMm, type CaseSize, type Corner, type MarkCorners } from './case-pose.ts'
import { readCase, straightenedCase } from './compare-case.ts'

const caseMm: CaseSize = { width: 200, height: 150 }
/** Seen straight from above, so many px to the millimetre: each pixel tells its own place by red and green. */
function seen(
  pxPerMm: number,
  tone = (x: number, y: number): readonly [number, number, number] => [x, y, 120],
): Picture {
  const [widthPx, heightPx] = [caseMm.width * pxPerMm, caseMm.height * pxPerMm]
  const rgba = new Uint8ClampedArray(widthPx * heightPx * 4).fill(255)
  for (let y = 0; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++) rgba.set(tone(x / pxPerMm, y / pxPerMm), 4 * (y * widthPx + x))
  return { widthPx, heightPx, rgba }
}
function marksAt(pxPerMm: number, moved: PointXY = { x: 0, y: 0 }): Readonly<Record<Corner, MarkCorners>> {
  const of = (corner: Corner, { x: dx, y: dy }: PointXY = { x: 0, y: 0 }) =>
    markCornersMm(caseMm, corner).map(({ x, y }) => ({
      x: x * pxPerMm + dx,
      y: y * pxPerMm + dy,
    })) as unknown as MarkCorners
  return { TL: of('TL'), TR: of('TR'), BR: of('BR', moved), BL: of('BL') }
}

it('a straightened case has so many pixels to the millimetre, each the one of its place', () => {
  const straight = straightenedCase({ image: seen(1), marks: marksAt(1) }, caseMm, 2)
  expect([straight?.widthPx, straight?.heightPx, straight?.rgba.length]).toEqual([400, 300, 400 * 300 * 4])
  for (const [column, row] of [
    [40, 30],
    [399, 0],
    [0, 299],
    [211, 97],
    [399, 299],
  ] as const) {
    const at = 4 * (row * 400 + column)
    const [red = 0, green = 0, blue, alpha] = straight?.rgba.subarray(at, at + 4) ?? []
    // The pose is found by least squares: an edge may fall to either side.
    expect(Math.abs(red - Math.floor((column + 0.5) / 2))).toBeLessThanOrEqual(1)
    expect(Math.abs(green - Math.floor((row + 0.5) / 2))).toBeLessThanOrEqual(1)
    expect([blue, alpha]).toEqual([120, 255])
  }
})

it('with two marks nothing is straightened, nor compared', () => {
  const { TL, TR } = marksAt(1)
  const picture = { image: seen(1), marks: { TL, TR } }
  expect(straightenedCase(picture, caseMm, 2)).toBeNull()
  expect(readCase(picture, { compartments: [], caseMm })).toEqual({ refused: 'no-marks' })
})

describe('what can’t be compared is refused, and why', () => {
  const compartments = [
    {
      id: 'a',
      outlineMm: [
        { x: 70, y: 50 },
        { x: 120, y: 50 },
        { x: 120, y: 100 },
        { x: 70, y: 100 },
      ],
    },
  ] as unknown as Parameters<typeof readCase>[1]['compartments']
  const given = { compartments, caseMm }
  const foam = (x: number, y: number) => [90 + ((x * 7) % 5), 90 + ((y * 3) % 5), 92] as const
  const refused = (pxPerMm: number, marks = marksAt(pxPerMm), tone: Parameters<typeof seen>[1] = foam) =>
    readCase({ image: seen(pxPerMm, tone), marks }, given).refused

  it('a fair one is not', () => expect(refused(3)).toBeNull())
  it('marks in the mirror', () => {
    const { TL, TR, BR, BL } = marksAt(3)
    const turned = ([a, b, c, d]: MarkCorners): MarkCorners => [b, a, d, c]
    expect(refused(3, { TL: turned(TR), TR: turned(TL), BR: turned(BL), BL: turned(BR) })).toBe('mirrored')
  })
  it('a mark that was laid elsewhere', () => expect(refused(3, marksAt(3, { x: 40, y: -30 }))).toBe('marks-off'))
  it('too few pixels', () => expect(refused(0.5)).toBe('too-small'))
  it('too dark', () => expect(refused(3, marksAt(3), () => [2, 2, 2])).toBe('too-dark'))
})
