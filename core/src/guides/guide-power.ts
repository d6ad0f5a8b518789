import { WIDE_BARREL_FROM_MM, type Power } from '../optics/powers.ts'
import type { GuidePower } from './guide.ts'

/** The Moon is 0.52° wide; a field of 0.6° shows it whole with some sky. Common practice, no source. */
const WHOLE_MOON_FIELD_DEG = 0.6

/** “25 mm” says it; “8–24 mm” doesn't. */
const saysLength = (name: string, mm: number): boolean => new RegExp(`(?<![\\d.,–-])${mm} mm`).test(name)

/** A power as a guide keeps it. */
export function guidePower(power: Power): GuidePower {
  const { magnification, trueFieldDeg, exitPupilMm, driftSeconds, verdict, start } = power
  return {
    // A zoom gives two lines, so the length in use is named where the part's name doesn't say it.
    eyepiece: saysLength(power.eyepieceName, power.eyepieceMm)
      ? power.eyepieceName
      : `${power.eyepieceName} at ${power.eyepieceMm} mm`,
    barlow: power.barlowName,
    magnification,
    trueFieldDeg,
    exitPupilMm,
    driftSeconds,
    verdict,
    start,
    wholeMoon: trueFieldDeg !== null && trueFieldDeg >= WHOLE_MOON_FIELD_DEG,
    wideBarrel: power.maleMm >= WIDE_BARREL_FROM_MM,
  }
}
