import type { Alignment, PeepholeTube } from '../collimation/peephole-view.ts'
import { foldedFrame } from '../collimation/peephole-view.ts'
import { degToRad, type PointXY } from '../shared/angles.ts'
import { seeded } from '../shared/seeded.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { abs, ceil, cos, exp, hypot, log, max, min, sin, sqrt } = Math

/**
 * What a camera behind the peephole sees, traced ray by ray with the mirror's own equation: no formula of collimation is in
 * it. For tests, and for pictures with known truth. Frame: origin at the primary's mark, x towards the focuser, z towards
 * the sky; up in the picture is the sky before it is rolled.
 */
type Vector = readonly [x: number, y: number, z: number]
export type Colour = readonly [red: number, green: number, blue: number]

const add = (a: Vector, b: Vector, scale = 1): Vector => [
  a[0] + scale * b[0],
  a[1] + scale * b[1],
  a[2] + scale * b[2],
]
const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
const unit = (a: Vector): Vector => add([0, 0, 0], a, 1 / hypot(...a))
const mirrorAt = (ray: Vector, normal: Vector): Vector => add(ray, normal, -2 * dot(ray, normal))

export interface Light {
  readonly sky: Colour
  readonly cap: number
  readonly mark: Colour
  readonly wall: number
  readonly drawtube: number
  readonly dust: number
}

export interface Camera {
  readonly widthPx: number
  readonly heightPx: number
  /** Distance of the picture from the lens, px. */
  readonly focalPx: number
  /** Where the picture's middle looks, rad beside the focuser's axis: right and up. */
  readonly aimRad: PointXY
  /** Degrees clockwise from up at which the open end shows. */
  readonly openEndDeg: number
  /** Lens beside the hole's middle, mm. */
  readonly besideHoleMm: PointXY
  readonly blurPx: number
  readonly noise: number
  readonly seed: number
  readonly gain: number
  readonly raysPerPixel?: 1 | 4
}

/** The traced tube: what every ray meets. */
export function peepholeScene(tube: PeepholeTube, alignment: Alignment) {
  const frame = foldedFrame(tube, alignment)
  const { secondaryHeightMm: height, tiltRad } = frame
  const f = tube.focalLengthMm
  const shift = alignment.secondaryShiftMm ?? { alongTube: 0, across: 0 }
  const a = tube.secondaryMinorAxisMm / 2
  const holeX = tube.secondaryToFocusMm + tube.peepholeOutsideFocusMm
  const hole: Vector = [holeX, 0, height]
  // The flat turned so that the focuser's axis comes down at e on the primary.
  const e = alignment.secondaryErrorMm
  const down = unit([e.x + shift.alongTube, e.y, -height])
  const normal = unit(add([1, 0, 0], down))
  const flatCentre: Vector = [
    -tube.secondaryOffsetMm,
    shift.across,
    height + shift.alongTube - tube.secondaryOffsetMm,
  ]
  const majorAxis = unit(add([1, 0, 1], normal, -dot([1, 0, 1], normal)))
  const minorAxis: Vector = [
    normal[1] * majorAxis[2] - normal[2] * majorAxis[1],
    normal[2] * majorAxis[0] - normal[0] * majorAxis[2],
    normal[0] * majorAxis[1] - normal[1] * majorAxis[0],
  ]
  // Where the focuser's axis meets the flat: a flat too far along the tube is met that much farther from the focuser.
  const onPlane: Vector = [-shift.alongTube, 0, height]
  const axis = unit([tiltRad.x, tiltRad.y, 1])
  const across1 = unit(add([1, 0, 0], axis, -axis[0]))
  const across2: Vector = [
    axis[1] * across1[2] - axis[2] * across1[1],
    axis[2] * across1[0] - axis[0] * across1[2],
    axis[0] * across1[1] - axis[1] * across1[0],
  ]
  const toMirror = (v: Vector): Vector => [dot(v, across1), dot(v, across2), dot(v, axis)]
  const fromMirror = (v: Vector): Vector => add(add(add([0, 0, 0], across1, v[0]), across2, v[1]), axis, v[2])

  const meetsFlat = (from: Vector, ray: Vector) => {
    const t = dot(add(onPlane, from, -1), normal) / dot(ray, normal)
    const point = add(from, ray, t)
    const beside = add(point, flatCentre, -1)
    const u = dot(beside, majorAxis) / (a * Math.SQRT2)
    const v = dot(beside, minorAxis) / a
    return { t, point, inside: u * u + v * v <= 1 }
  }
  const meetsPrimary = (from: Vector, ray: Vector) => {
    const p = toMirror(from)
    const d = toMirror(ray)
    // (x² + y²)/4f = z along p + t·d; the nearer root.
    const qa = (d[0] * d[0] + d[1] * d[1]) / (4 * f)
    const qb = (p[0] * d[0] + p[1] * d[1]) / (2 * f) - d[2]
    const qc = (p[0] * p[0] + p[1] * p[1]) / (4 * f) - p[2]
    const root = qb * qb - 4 * qa * qc
    if (root < 0) return null
    const t = (-2 * qc) / (qb + sqrt(root))
    const met: Vector = [p[0] + t * d[0], p[1] + t * d[1], p[2] + t * d[2]]
    const slope = unit([-met[0] / (2 * f), -met[1] / (2 * f), 1])
    return { met, point: fromMirror(met), reflected: fromMirror(mirrorAt(d, slope)) }
  }
  return { hole, meetsFlat, meetsPrimary, normal, a, height, flatCentre, frame }
}

/** Renders a picture, with its exact truth beside it. */
export function renderPeephole(tube: PeepholeTube, alignment: Alignment, light: Light, camera: Camera) {
  const scene = peepholeScene(tube, alignment)
  const { widthPx: width, heightPx: height, focalPx } = camera
  const roll = degToRad(camera.openEndDeg)
  const dusts = dustOf(tube, light, camera.seed)
  const start = add(scene.hole, [0, camera.besideHoleMm.x, camera.besideHoleMm.y])
  const planes = [0, 1, 2].map(() => new Float32Array(width * height))
  const subPixels = camera.raysPerPixel === 4 ? [0.25, 0.75] : [0.5]
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const sum = [0, 0, 0]
      for (const v of subPixels)
        for (const u of subPixels) {
          const x = (column + u - width / 2) / focalPx
          const y = (row + v - height / 2) / focalPx
          // Rolled so that the sky's end shows at openEndDeg: right and up before the roll.
          const right = x * cos(roll) + y * sin(roll) + camera.aimRad.x
          const up = x * sin(roll) - y * cos(roll) + camera.aimRad.y
          const colour = seenColour(scene, tube, light, dusts, start, unit([-1, right, up]))
          for (let k = 0; k < 3; k++) sum[k] = (sum[k] ?? 0) + (colour[k] ?? 0) / subPixels.length ** 2
        }
      for (let k = 0; k < 3; k++) {
        const plane = planes[k]
        if (plane) plane[row * width + column] = sum[k] ?? 0
      }
    }
  const next = seeded(camera.seed)
  const normalNoise = () => sqrt(-2 * log(next() + 1e-12)) * cos(2 * Math.PI * next())
  const rgba = new Uint8ClampedArray(width * height * 4)
  const soft = planes.map((plane) => softened(plane, width, height, camera.blurPx))
  for (let at = 0; at < width * height; at++) {
    for (let k = 0; k < 3; k++)
      rgba[4 * at + k] = 255 * ((soft[k]?.[at] ?? 0) * camera.gain + camera.noise * normalNoise())
    rgba[4 * at + 3] = 255
  }
  return { widthPx: width, heightPx: height, rgba }
}

function seenColour(
  scene: ReturnType<typeof peepholeScene>,
  tube: PeepholeTube,
  light: Light,
  dusts: readonly { x: number; y: number; r: number }[],
  from: Vector,
  ray: Vector,
): Colour {
  const grey = (level: number): Colour => [level, level, level]
  const toEnd = (tube.drawtubeEndToFocusMm + tube.peepholeOutsideFocusMm) / -ray[0]
  const end = add(from, ray, toEnd)
  if (hypot(end[1], end[2] - scene.height) > tube.drawtubeInnerDiameterMm / 2) return grey(light.drawtube)
  const flat = scene.meetsFlat(from, ray)
  if (!flat.inside) {
    const behind = add(from, ray, (scene.hole[0] + scene.a) / -ray[0])
    const inHolder =
      abs(behind[1]) < scene.a && behind[2] > scene.height - scene.a && behind[2] < scene.height + 3 * scene.a
    return grey(inHolder ? 0.14 : light.wall)
  }
  const down = mirrorAt(ray, scene.normal)
  const primary = scene.meetsPrimary(flat.point, down)
  if (!primary) return grey(light.wall * 0.5)
  const [x, y] = primary.met
  const radius = hypot(x, y)
  const R = tube.apertureMm / 2
  for (let i = 0; i < tube.clips.count; i++) {
    const rad = degToRad(tube.clips.firstAngleDeg + (360 * i) / tube.clips.count)
    const along = x * cos(rad) + y * sin(rad)
    const across = abs(-x * sin(rad) + y * cos(rad))
    if (along > R - tube.clips.lengthMm && along < R + 1.5 && across < tube.clips.widthMm / 2) return grey(0.4)
  }
  if (radius > R) return grey(light.wall * 0.6)
  if (radius < tube.markOuterDiameterMm / 2 && radius > tube.markInnerDiameterMm / 2) return light.mark
  const dimmed = dusts.some((dust) => hypot(x - dust.x, y - dust.y) < dust.r) ? 0.75 : 1
  const colour = skyColour(scene, tube, light, primary.point, primary.reflected)
  return [colour[0] * dimmed, colour[1] * dimmed, colour[2] * dimmed]
}

/** What the primary shows: vanes and sky, or by way of the flat the cap. */
function skyColour(
  scene: ReturnType<typeof peepholeScene>,
  tube: PeepholeTube,
  light: Light,
  from: Vector,
  ray: Vector,
): Colour {
  const grey = (level: number): Colour => [level, level, level]
  const flat = scene.meetsFlat(from, ray)
  if (flat.inside && flat.t > 0) {
    const out = mirrorAt(ray, scene.normal)
    if (out[0] <= 0) return grey(0.03)
    const end = add(flat.point, out, (tube.secondaryToFocusMm - tube.drawtubeEndToFocusMm - flat.point[0]) / out[0])
    if (hypot(end[1], end[2] - scene.height) > tube.drawtubeInnerDiameterMm / 2) return grey(light.wall)
    const cap = add(flat.point, out, (scene.hole[0] - flat.point[0]) / out[0])
    const away = hypot(cap[1], cap[2] - scene.height)
    if (away < tube.peepholeDiameterMm / 2) return grey(0.02)
    return away < tube.capRingDiameterMm / 2 ? grey(light.cap) : grey(light.drawtube * 1.2)
  }
  const vaneHeight = scene.height + 1.5 * scene.a
  const at = add(from, ray, (vaneHeight - from[2]) / ray[2])
  const x = at[0] + tube.secondaryOffsetMm
  const y = at[1]
  if (hypot(x, y) < 0.9 * scene.a) return grey(0.1)
  for (let i = 0; i < tube.vanes.count; i++) {
    const rad = degToRad(tube.vanes.firstAngleDeg + (360 * i) / tube.vanes.count)
    const along = x * cos(rad) + y * sin(rad)
    if (along > 0 && abs(-x * sin(rad) + y * cos(rad)) < tube.vanes.thicknessMm / 2) return grey(0.04)
  }
  return hypot(at[0], at[1]) < tube.tubeInnerDiameterMm / 2 ? light.sky : grey(light.wall)
}

function dustOf(tube: PeepholeTube, light: Light, seed: number) {
  const next = seeded(seed + 7)
  return Array.from({ length: light.dust }, () => {
    const radius = (tube.apertureMm / 2) * sqrt(next())
    const angle = 2 * Math.PI * next()
    return { x: radius * cos(angle), y: radius * sin(angle), r: 0.3 + 0.9 * next() }
  })
}

function softened(plane: Float32Array, width: number, height: number, sigmaPx: number): Float32Array {
  if (sigmaPx <= 0) return plane
  const reach = ceil(3 * sigmaPx)
  const kernel = Array.from({ length: 2 * reach + 1 }, (_, i) => exp(-((i - reach) ** 2) / (2 * sigmaPx ** 2)))
  const total = kernel.reduce((sum, weight) => sum + weight, 0)
  const pass = (from: Float32Array, step: (row: number, column: number, k: number) => number) => {
    const out = new Float32Array(from.length)
    for (let row = 0; row < height; row++)
      for (let column = 0; column < width; column++) {
        let sum = 0
        for (let k = -reach; k <= reach; k++) sum += (kernel[k + reach] ?? 0) * (from[step(row, column, k)] ?? 0)
        out[row * width + column] = sum / total
      }
    return out
  }
  const clamp = (value: number, most: number) => min(max(value, 0), most)
  const rows = pass(plane, (row, column, k) => row * width + clamp(column + k, width - 1))
  return pass(rows, (row, column, k) => clamp(row + k, height - 1) * width + column)
}
