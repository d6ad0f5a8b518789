/**
 * Where a paraboloid on raised points brings parallel light that comes along the tube, for tests: rays are reflected at the
 * tilted surface one by one and followed to the focal plane. The axis lies at half the shift of that image, since a mirror
 * turned by τ turns what it reflects by 2τ and its own axis by τ.
 */
export function tiltedAxisAtFocus(given: {
  readonly focalLengthMm: number
  readonly points: readonly { readonly x: number; readonly y: number; readonly z: number }[]
}): { readonly x: number; readonly y: number } {
  const { focalLengthMm: f, points } = given
  const [a, b, c] = points
  if (!a || !b || !c) throw new RangeError('three points')
  const u = [b.x - a.x, b.y - a.y, b.z - a.z] as const
  const v = [c.x - a.x, c.y - a.y, c.z - a.z] as const
  const cross = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]] as const
  const size = Math.hypot(...cross) * Math.sign(cross[2])
  const axis = [cross[0] / size, cross[1] / size, cross[2] / size] as const
  // Rays close to the middle: the vertex and a small ring about it, averaged.
  const rays = Array.from(
    { length: 12 },
    (_, i) => [Math.cos((i * Math.PI) / 6), Math.sin((i * Math.PI) / 6)] as const,
  )
  let [sumX, sumY] = [0, 0]
  for (const [x, y] of rays) {
    // In the mirror's own frame the normal at (x, y) is (−x, −y, 2f); carried over by the small tilt of its axis.
    const normal = [axis[0] - x / (2 * f), axis[1] - y / (2 * f), axis[2]] as const
    const length = Math.hypot(...normal)
    const n = [normal[0] / length, normal[1] / length, normal[2] / length] as const
    const out = [2 * n[2] * n[0], 2 * n[2] * n[1], 2 * n[2] * n[2] - 1] as const
    const height = (x * x + y * y) / (4 * f)
    const t = (f - height) / out[2]
    sumX += x + t * out[0]
    sumY += y + t * out[1]
  }
  return { x: sumX / rays.length / 2, y: sumY / rays.length / 2 }
}
