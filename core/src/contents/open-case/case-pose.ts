import { Matrix, SingularValueDecomposition } from 'ml-matrix'
import { radToDeg, type PointXY } from '../../shared/angles.ts'

/** A mark sits in each corner of the case: a QR code of 21 modules with two more of white all round. */
export const CORNERS = ['TL', 'TR', 'BR', 'BL'] as const
export type Corner = (typeof CORNERS)[number]
/** Corners of a mark in the picture, clockwise from the mark's own top left; px. */
export type MarkCorners = readonly [PointXY, PointXY, PointXY, PointXY]
export interface CaseSize {
  readonly width: number
  readonly height: number
}

export const MARK_MM = 46
const MARK_MODULES = 25
const QUIET_MODULES = 2
/** What a code itself takes up of its mark: a reader tells its corners, not those of the white about it. */
export const MARK_QUIET_MM = (MARK_MM * QUIET_MODULES) / MARK_MODULES

/** The mark's corners in the case's plane: mm, origin at the outer corner of the top-left mark, x right, y down. */
export function markCornersMm({ width, height }: CaseSize, corner: Corner, insetMm = 0): MarkCorners {
  const left = (corner === 'TL' || corner === 'BL' ? 0 : width - MARK_MM) + insetMm
  const top = (corner === 'TL' || corner === 'TR' ? 0 : height - MARK_MM) + insetMm
  const side = MARK_MM - 2 * insetMm
  return [
    { x: left, y: top },
    { x: left + side, y: top },
    { x: left + side, y: top + side },
    { x: left, y: top + side },
  ]
}

/** Where the camera stood: any place of the case, and below its plane, is somewhere in the picture. */
export interface CasePose {
  /** @param depthMm below the marks' plane @returns px */
  readonly project: (xMm: number, yMm: number, depthMm: number) => PointXY
  /** Between the camera's axis and the case's upright. */
  readonly tiltDeg: number
  readonly pxPerMm: number
  /** How far the marks lie from where the pose puts them, RMS. */
  readonly misfitMm: number
}

/** Focal length ÷ width of the longer side of what phones have; it matters little and is known badly from straight above. */
const USUAL_FOCAL = 0.85
/** One spread of the logarithm of that. */
const FOCAL_SPREAD = 0.15
/** How well a reader tells a corner, px. */
const CORNER_PX = 0.7

/**
 * The camera's pose from the marks: a homography by least squares, the focal length from what makes its two axes square and
 * alike (weighed against the usual one: straight from above it can't be told), then rotation and distance.
 * Lens distortion is left out: `misfitMm` tells where it can't be.
 * @param points px and mm in pairs, 8 or more; @param picture its sides, px
 * @returns null where the points lie in line or mirrored
 * Source: Hartley & Zisserman, Multiple View Geometry, 2nd ed., §4.1, §8.8 (from memory); checked by exact projection in the test
 */
export function casePose(
  points: readonly { readonly px: PointXY; readonly mm: PointXY }[],
  picture: { readonly widthPx: number; readonly heightPx: number },
): CasePose | null {
  const plane = homography(points)
  if (!plane) return null
  const [cx, cy] = [picture.widthPx / 2, picture.heightPx / 2]
  const column = (j: number) => {
    const z = plane.get(2, j)
    return [plane.get(0, j) - cx * z, plane.get(1, j) - cy * z, z] as const
  }
  const [first, second, third] = [column(0), column(1), column(2)]
  const focalPx = focalLength(first, second, { widthPx: Math.max(picture.widthPx, picture.heightPx), points })
  const inCamera = ([x, y, z]: Vector): Vector => [x / focalPx, y / focalPx, z]
  const [a, b] = [inCamera(first), inCamera(second)]
  let size = (length(a) + length(b)) / 2
  // What is in front of the camera is seen.
  if (third[2] < 0) size = -size
  const r1 = unit(scaledBy(a, 1 / size))
  const slant = scaledBy(b, 1 / size)
  const r2 = unit(added(slant, r1, -dot(slant, r1)))
  const r3 = cross(r1, r2)
  // A mirrored picture shows the case's plane from below.
  if (!(r3[2] > 0)) return null
  const origin = scaledBy(inCamera(third), 1 / size)
  const project = (xMm: number, yMm: number, depthMm: number): PointXY => {
    const at = (i: 0 | 1 | 2) => r1[i] * xMm + r2[i] * yMm + r3[i] * depthMm + origin[i]
    const z = at(2)
    return { x: cx + (focalPx * at(0)) / z, y: cy + (focalPx * at(1)) / z }
  }
  const offs = points.map(({ px, mm }) => {
    const at = project(mm.x, mm.y, 0)
    return (at.x - px.x) ** 2 + (at.y - px.y) ** 2
  })
  const middle = {
    x: points.reduce((sum, { mm }) => sum + mm.x, 0) / points.length,
    y: points.reduce((sum, { mm }) => sum + mm.y, 0) / points.length,
  }
  const [here, beside] = [project(middle.x, middle.y, 0), project(middle.x + 1, middle.y, 0)]
  const pxPerMm = Math.hypot(beside.x - here.x, beside.y - here.y)
  return {
    ...{ project, pxPerMm, tiltDeg: radToDeg(Math.acos(Math.min(1, r3[2]))) },
    misfitMm: Math.sqrt(offs.reduce((sum, off) => sum + off, 0) / offs.length) / pxPerMm,
  }
}

type Vector = readonly [number, number, number]
const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
const length = (a: Vector) => Math.sqrt(dot(a, a))
const scaledBy = (a: Vector, by: number): Vector => [a[0] * by, a[1] * by, a[2] * by]
const unit = (a: Vector) => scaledBy(a, 1 / length(a))
const added = (a: Vector, b: Vector, by: number): Vector => [a[0] + by * b[0], a[1] + by * b[1], a[2] + by * b[2]]
const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]

/** The plane's two axes are square and alike in the camera's frame: each gives an equation for 1 ÷ f², worth as much as the
 * perspective that is in the picture. */
function focalLength(
  a: Vector,
  b: Vector,
  { widthPx, points }: { readonly widthPx: number; readonly points: readonly { readonly px: PointXY }[] },
): number {
  const usualPx = USUAL_FOCAL * widthPx
  const rows = [
    [a[0] * b[0] + a[1] * b[1], a[2] * b[2]],
    [a[0] ** 2 + a[1] ** 2 - b[0] ** 2 - b[1] ** 2, a[2] ** 2 - b[2] ** 2],
  ] as const
  // In units in which the axes are one long and the picture's half as wide as one.
  const across = (a[0] ** 2 + a[1] ** 2 + b[0] ** 2 + b[1] ** 2) / 2
  const noise = CORNER_PX / (spreadPx(points) * Math.sqrt(points.length / 4))
  let [weight, sum] = [1 / FOCAL_SPREAD ** 2, 0]
  for (const [flat, deep] of rows) {
    // Linear in ln f about the usual length: the residual of the equation, and how fast it changes.
    const residual = (flat + deep * usualPx ** 2) / across
    const slope = (2 * deep * usualPx ** 2) / across
    weight += (slope / noise) ** 2
    sum -= (slope * residual) / noise ** 2
  }
  const bounded = Math.max(-0.6, Math.min(0.6, sum / weight))
  const exact = -(rows[0][0] * rows[0][1] + rows[1][0] * rows[1][1]) / (rows[0][1] ** 2 + rows[1][1] ** 2)
  const seen = Math.sqrt(Math.max(exact, 0)) / usualPx
  // Far from the usual one the line is a poor guide: what is clearly seen is taken as it is.
  const trust = 1 - 1 / FOCAL_SPREAD ** 2 / weight
  return trust > 0.9 && seen > 0.4 && seen < 3 ? usualPx * seen : usualPx * Math.exp(bounded)
}

function spreadPx(points: readonly { readonly px: PointXY }[]): number {
  const mean = (axis: 'x' | 'y') => points.reduce((sum, { px }) => sum + px[axis], 0) / points.length
  const [x, y] = [mean('x'), mean('y')]
  return Math.sqrt(points.reduce((sum, { px }) => sum + (px.x - x) ** 2 + (px.y - y) ** 2, 0) / points.length)
}

/** The 3 × 3 matrix that takes mm of the plane to px: the direct linear transform, both sides about their middle first. */
function homography(points: readonly { readonly px: PointXY; readonly mm: PointXY }[]): Matrix | null {
  if (points.length < 4) return null
  const from = centred(points.map(({ mm }) => mm))
  const to = centred(points.map(({ px }) => px))
  const rows: number[][] = []
  from.points.forEach(({ x, y }, i) => {
    const { x: u, y: v } = to.points[i] ?? { x: 0, y: 0 }
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y, -u], [0, 0, 0, x, y, 1, -v * x, -v * y, -v])
  })
  const svd = new SingularValueDecomposition(new Matrix(rows), { computeLeftSingularVectors: false })
  const [h = [], sizes] = [svd.rightSingularVectors.getColumn(8), svd.diagonal]
  if (!((sizes[7] ?? 0) > 1e-6 * (sizes[0] ?? 1))) return null
  const inner = new Matrix([h.slice(0, 3), h.slice(3, 6), h.slice(6, 9)])
  const back = new Matrix([
    [1 / to.scale, 0, to.x],
    [0, 1 / to.scale, to.y],
    [0, 0, 1],
  ])
  const there = new Matrix([
    [from.scale, 0, -from.scale * from.x],
    [0, from.scale, -from.scale * from.y],
    [0, 0, 1],
  ])
  return back.mmul(inner).mmul(there)
}

function centred(points: readonly PointXY[]) {
  const x = points.reduce((sum, point) => sum + point.x, 0) / points.length
  const y = points.reduce((sum, point) => sum + point.y, 0) / points.length
  const mean = points.reduce((sum, point) => sum + Math.hypot(point.x - x, point.y - y), 0) / points.length
  const scale = Math.SQRT2 / mean
  return { x, y, scale, points: points.map((point) => ({ x: (point.x - x) * scale, y: (point.y - y) * scale })) }
}
