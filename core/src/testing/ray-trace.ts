/**
 * An exact ray trace of one mirror, for tests only: it knows nothing of aberration formulas. Rays are reflected at the
 * mirror's surface and followed to a reference sphere about the image point; the path differences are the wavefront.
 */
type Vector = readonly [x: number, y: number, z: number]

const add = (a: Vector, b: Vector, scale = 1): Vector => [
  a[0] + scale * b[0],
  a[1] + scale * b[1],
  a[2] + scale * b[2],
]
const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
const unit = (a: Vector): Vector => add([0, 0, 0], a, 1 / Math.hypot(...a))

export interface Mirror {
  readonly shape: 'paraboloid' | 'sphere'
  readonly apertureMm: number
  readonly focalLengthMm: number
}

/** Depth of the surface and its unit normal at (x, y); vertex at the origin, light comes from +z. */
function surface({ shape, focalLengthMm }: Mirror, x: number, y: number): { point: Vector; normal: Vector } {
  if (shape === 'paraboloid') {
    const point: Vector = [x, y, (x * x + y * y) / (4 * focalLengthMm)]
    return { point, normal: unit([-x / (2 * focalLengthMm), -y / (2 * focalLengthMm), 1]) }
  }
  const radius = 2 * focalLengthMm
  const point: Vector = [x, y, radius - Math.sqrt(radius * radius - x * x - y * y)]
  return { point, normal: unit(add([0, 0, radius], point, -1)) }
}

/** RMS of the wavefront for a star whose image lies h off the axis, piston, tilt and focus taken out. */
export function tracedRmsWaves(mirror: Mirror, h: number, wavelengthNm = 550, grid = 81): number {
  const { focalLengthMm: f, apertureMm } = mirror
  const angleRad = Math.atan(h / f)
  const incoming: Vector = [Math.sin(angleRad), 0, -Math.cos(angleRad)]
  const image: Vector = [h, 0, f]
  const sphereRadius = Math.hypot(...image)
  const rows: number[][] = []
  const paths: number[] = []
  for (let i = 0; i < grid; i++) {
    for (let j = 0; j < grid; j++) {
      const u = (2 * i) / (grid - 1) - 1
      const v = (2 * j) / (grid - 1) - 1
      if (u * u + v * v > 1) continue
      const { point, normal } = surface(mirror, (u * apertureMm) / 2, (v * apertureMm) / 2)
      const reflected = add(incoming, normal, -2 * dot(incoming, normal))
      // |point + t·reflected − image| = radius, the crossing near the mirror.
      const away = add(point, image, -1)
      const b = dot(away, reflected)
      const t = -b - Math.sqrt(b * b - (dot(away, away) - sphereRadius * sphereRadius))
      paths.push((dot(incoming, point) + t) / (wavelengthNm * 1e-6))
      rows.push([1, u, v, u * u + v * v])
    }
  }
  const residual = withoutFit(rows, paths)
  return Math.sqrt(residual.reduce((sum, value) => sum + value * value, 0) / residual.length)
}

/** Residuals of a least-squares fit, by normal equations and Gauss–Jordan elimination. */
function withoutFit(rows: readonly number[][], values: readonly number[]): number[] {
  const n = rows[0]?.length ?? 0
  const at = (row: readonly number[] | undefined, k: number) => row?.[k] ?? 0
  const matrix = Array.from({ length: n }, (_, i) =>
    Array.from({ length: n + 1 }, (_, k) =>
      rows.reduce((sum, row, r) => sum + at(row, i) * (k === n ? (values[r] ?? 0) : at(row, k)), 0),
    ),
  )
  for (let i = 0; i < n; i++) {
    const pivot = at(matrix[i], i)
    matrix[i] = (matrix[i] ?? []).map((value) => value / pivot)
    for (let k = 0; k < n; k++) {
      if (k === i) continue
      const factor = at(matrix[k], i)
      matrix[k] = (matrix[k] ?? []).map((value, c) => value - factor * at(matrix[i], c))
    }
  }
  return rows.map((row, r) => (values[r] ?? 0) - row.reduce((sum, value, i) => sum + value * at(matrix[i], n), 0))
}
