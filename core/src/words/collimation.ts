import { radToDeg, type PointXY } from '../shared/angles.ts'

/** Clock hour, 1 to 12, of a direction in the cell frame: 12 = focuser's side, clockwise as seen from behind. */
export function clockHourOf(direction: PointXY): number {
  const deg = radToDeg(Math.atan2(direction.y, direction.x))
  const hour = Math.round((deg < 0 ? deg + 360 : deg) / 30) % 12
  return hour === 0 ? 12 : hour
}

/** Which way the primary must go, without knowing its screws: the side towards which the mark is displaced goes
 * towards the sky (docs/frames.md). */
export function primaryAdvice(offsetAtPrimaryMm: PointXY): string {
  const hour = clockHourOf(offsetAtPrimaryMm)
  const where = hour === 12 ? 'on the focuser’s side' : `at ${hour} o’clock (focuser’s side at 12)`
  return (
    `From behind, the part of the cell ${where} must go towards the sky. ` +
    'Loosen the locks, turn a little, look again; lock, and look again.'
  )
}
