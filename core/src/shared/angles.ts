/** Conversions of angles. Degrees at the edges, radians inside trigonometry. */

const ARCMIN_PER_DEG = 60
const ARCSEC_PER_DEG = 3600

export const degToRad = (deg: number): number => (deg * Math.PI) / 180
export const radToDeg = (rad: number): number => (rad * 180) / Math.PI
export const radToArcmin = (rad: number): number => radToDeg(rad) * ARCMIN_PER_DEG
export const radToArcsec = (rad: number): number => radToDeg(rad) * ARCSEC_PER_DEG

/** Direction of {x right, y up} in degrees from up, clockwise, in [0, 360). The zero vector has direction 0. */
export function directionFromUpDeg({ x, y }: PointXY): number {
  const deg = radToDeg(Math.atan2(x, y))
  return deg < 0 ? deg + 360 : deg
}

/** A vector in a frame that the holder's name or comment tells. */
export interface PointXY {
  readonly x: number
  readonly y: number
}

export const lengthOf = ({ x, y }: PointXY): number => Math.hypot(x, y)
