import { degToRad } from '../shared/angles.ts'
import { requireFinite } from '../shared/require.ts'
import type { TubeSide } from './side.ts'

/** What of an equatorial kit can meet its own legs: lengths in mm, from the hinge of the legs upwards. */
export interface LegsRoom {
  /** From the hinge up to where the head tips for the latitude; an extension tube counts. */
  readonly pivotUpMm: number
  /** From there along the polar axis to where the axes cross. */
  readonly crossAlongMm: number
  /** From the crossing to the tube's axis. */
  readonly tubeAxisMm: number
  readonly tubeRadiusMm: number
  /** From the balance point to the low end of the tube, with what sticks out there. */
  readonly lowEndMm: number
}

/** Legs of a tripod: hinged so far out, spread so far from upright, so thick. Common practice, no source. */
export const LEGS = { hingeRadiusMm: 62, spreadDeg: 21, radiusMm: 17 } as const
/** A hand's breadth more than none: a focuser's knob, a cable, a leg not quite spread. Common practice, no source. */
const SPARE_MM = 30
/** So many places along the low half of the tube. */
const PLACES = 24

/** Whether the low half of the tube comes near where a leg may stand, while it looks somewhere.
 *
 * Nobody knows where about the head the three legs stand, so they are taken as the cone that they lie in. The tube is square
 * to the shaft and the shaft to the polar axis; the tube hangs on the side that is given. Frame: x towards the raised pole,
 * y up, z east where that is north and west where it is south. Source: geometry
 * @param look latitudeDeg within ±90; altitudeDeg and azimuthDeg from north through east
 * @throws RangeError where a figure isn't finite */
export function nearsLeg(
  room: LegsRoom,
  look: {
    readonly latitudeDeg: number
    readonly altitudeDeg: number
    readonly azimuthDeg: number
    readonly tubeSide: TubeSide
  },
): boolean {
  const { latitudeDeg, altitudeDeg, azimuthDeg, tubeSide } = look
  requireFinite({ latitudeDeg, altitudeDeg, azimuthDeg })
  const south = latitudeDeg < 0
  const pole = degToRad(Math.abs(latitudeDeg))
  const [altitude, fromPole] = [degToRad(altitudeDeg), degToRad(south ? azimuthDeg - 180 : azimuthDeg)]
  const [px, py] = [Math.cos(pole), Math.sin(pole)]
  const [tx, ty, tz] = [
    Math.cos(altitude) * Math.cos(fromPole),
    Math.sin(altitude),
    Math.cos(altitude) * Math.sin(fromPole),
  ]
  // Square to both: the shaft's line, which the tube lies beside.
  const [sx, sy, sz] = [py * tz, -px * tz, px * ty - py * tx]
  const length = Math.hypot(sx, sy, sz)
  // Along the polar axis the shaft hangs straight down and the tube above it.
  if (length < 1e-6) return false
  const towards = (tubeSide === 'east') !== south ? 1 : -1
  // At six hours from the meridian it hangs on neither side, but above the head.
  const above = Math.abs(sz) < 0.05 * length
  const side = (above ? Math.sign(sy) : Math.sign(sz) * towards) * (room.tubeAxisMm / length)
  const [cx, cy, cz] = [
    room.crossAlongMm * px + sx * side,
    room.pivotUpMm + room.crossAlongMm * py + sy * side,
    sz * side,
  ]
  const spread = degToRad(LEGS.spreadDeg)
  for (let place = 0; place <= PLACES; place++) {
    const back = (room.lowEndMm * place) / PLACES
    const belowHingeMm = -(cy - ty * back)
    if (belowHingeMm <= 0) continue
    const outMm = Math.hypot(cx - tx * back, cz - tz * back)
    // Square off the cone; within it one is among the legs.
    const clearMm = (outMm - LEGS.hingeRadiusMm - belowHingeMm * Math.tan(spread)) * Math.cos(spread)
    if (clearMm < room.tubeRadiusMm + LEGS.radiusMm + SPARE_MM) return true
  }
  return false
}
