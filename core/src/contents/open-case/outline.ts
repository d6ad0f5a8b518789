import type { PointXY } from '../../shared/angles.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { hypot, max, min } = Math

/** Walls throw shadows: less is made of what lies this near to them. */
const WALL_MM = 7

/** How far a point is outside an outline, mm; negative inside.
 * @param outline corners of a simple polygon, either way round */
export function distanceOutside(outline: readonly PointXY[], x: number, y: number): number {
  let nearest = Infinity
  let inside = false
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
    const a = outline[i] as PointXY
    const b = outline[j] as PointXY
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside
    const [ex, ey] = [b.x - a.x, b.y - a.y]
    const along = max(0, min(1, ((x - a.x) * ex + (y - a.y) * ey) / (ex * ex + ey * ey || 1)))
    nearest = min(nearest, hypot(x - a.x - along * ex, y - a.y - along * ey))
  }
  return inside ? -nearest : nearest
}

/** How much is made of each cell of a millimetre: nothing outside the outline, little beside its walls.
 * @param from corner of the outline's box @returns 0 to 1, row by row */
export function cellWeights(
  outline: readonly PointXY[],
  from: { readonly left: number; readonly top: number; readonly width: number; readonly height: number },
): Float32Array {
  const { left, top, width, height } = from
  const weights = new Float32Array(width * height)
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const inside = -distanceOutside(outline, left + column + 0.5, top + row + 0.5)
      weights[row * width + column] = inside <= 0 ? 0 : min(1, (inside + 0.5) / WALL_MM)
    }
  return weights
}

/** An outline that a hand drew: corners in order, none crossing another side. */
export function isSimple(outline: readonly PointXY[]): boolean {
  const sides = outline.map((a, i) => [a, outline[(i + 1) % outline.length] as PointXY] as const)
  return sides.every(([a, b], i) =>
    sides.every(([c, d], j) => {
      const areNeighbours = i === j || (i + 1) % sides.length === j || (j + 1) % sides.length === i
      return areNeighbours || turn(a, b, c) * turn(a, b, d) > 0 || turn(c, d, a) * turn(c, d, b) > 0
    }),
  )
}
const turn = (a: PointXY, b: PointXY, c: PointXY) => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)

/** mm², whichever way round. */
export const areaOf = (outline: readonly PointXY[]): number =>
  Math.abs(
    outline.reduce((sum, a, i) => {
      const b = outline[(i + 1) % outline.length] as PointXY
      return sum + a.x * b.y - b.x * a.y
    }, 0),
  ) / 2
