import type { EquatorialHead } from './mount-data.ts'

export interface ScaleSetting {
  /** What to set, north and south alike. */
  readonly setDeg: number
  /** The mark to look for. */
  readonly nearestMarkDeg: number
  /** From that mark to the setting, + towards higher figures. */
  readonly pastMarkDeg: number
  /** False where the head can't be tilted so. */
  readonly reaches: boolean
}

/** Latitude on a head's own scale: the nearest of its marks, and how far past it. Both hemispheres use the figure without
 * its sign. @throws RangeError for a latitude beyond the poles */
export function scaleSetting(
  latitudeDeg: number,
  { minDeg, maxDeg, stepDeg }: EquatorialHead['latitudeScale'],
): ScaleSetting {
  if (!(Math.abs(latitudeDeg) <= 90))
    throw new RangeError(`latitudeDeg must lie between -90 and 90; got ${latitudeDeg}`)
  const setDeg = Math.abs(latitudeDeg)
  const marks = Math.floor((maxDeg - minDeg) / stepDeg + 1e-9)
  const index = Math.min(Math.max(Math.round((setDeg - minDeg) / stepDeg), 0), marks)
  const nearestMarkDeg = minDeg + index * stepDeg
  return {
    setDeg,
    nearestMarkDeg,
    pastMarkDeg: setDeg - nearestMarkDeg,
    reaches: setDeg >= minDeg && setDeg <= maxDeg,
  }
}
