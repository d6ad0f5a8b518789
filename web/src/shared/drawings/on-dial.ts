import type { PointXY } from '@binoculum/core'

/** A place on a dial about the origin, x to the right and y down as the screen has it.
 * @param deg clockwise from up */
export const atDeg = (deg: number, radius: number): PointXY => {
  const rad = (deg * Math.PI) / 180
  return { x: radius * Math.sin(rad), y: -radius * Math.cos(rad) }
}
/** @param hours as on a clock's face, 12 up */
export const atHour = (hours: number, radius: number): PointXY => atDeg(hours * 30, radius)
