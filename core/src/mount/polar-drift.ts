import { degToRad, radToDeg } from '../shared/angles.ts'
import { requireNotNegative } from '../shared/require.ts'

/** Degrees the sky turns in an hour of clock time: 360.98565° a day. */
const SKY_DEG_PER_HOUR = 15.041_068
const ARCMIN_PER_DEG = 60

/** How fast a star runs out of the field in declination when the axis misses the pole by a given angle, at worst.
 *
 * Seen from the head, the sky turns about an axis tilted by ε: its rate has a part ω·sin ε across the head's own, and a
 * star a quarter turn away from the tilt moves in declination with all of it: 15.041°/h · sin ε, 15.75′ an hour for 1°.
 * @param input errorDeg in [0, 90]. Source: geometry */
export function polarDrift(input: { readonly errorDeg: number }): {
  readonly maxDeclinationDriftArcminPerHour: number
} {
  requireNotNegative(input)
  if (input.errorDeg > 90) throw new RangeError(`errorDeg must be 90 at most; got ${input.errorDeg}`)
  const radPerHour = degToRad(SKY_DEG_PER_HOUR) * Math.sin(degToRad(input.errorDeg))
  return { maxDeclinationDriftArcminPerHour: radToDeg(radPerHour) * ARCMIN_PER_DEG }
}

/** How far off a polar axis may be so that a star stays within `driftArcmin` in `minutes`. In degrees. */
export function polarErrorForDriftDeg(given: { readonly driftArcmin: number; readonly minutes: number }): number {
  const perHour = polarDrift({ errorDeg: 1 }).maxDeclinationDriftArcminPerHour
  return given.driftArcmin / ((perHour * given.minutes) / 60)
}
