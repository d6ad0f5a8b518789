// @ts-expect-error -- the package ships no types; what is used of it is said below
import { magvar as untypedModel } from 'magvar'
import { almanacTime, requirePlace, type SkyMoment } from './positions.ts'

/** Declination in degrees, east +; altitude in km above the sea, `when` a decimal year. */
const worldModel = untypedModel as (
  latitudeDeg: number,
  longitudeDeg: number,
  altitudeKm: number,
  when: number,
) => number

/** The World Magnetic Model 2025 holds from 2025.0 to 2030.0; outside it nothing is said. */
export const NEEDLE_MODEL_YEARS = { first: 2025, last: 2029 } as const

export type NeedleAnswer =
  | {
      readonly declinationDeg: number
      readonly changeDegPerYear: number
      readonly model: 'WMM2025'
      readonly reason: null
    }
  | { readonly declinationDeg: null; readonly reason: 'OUTSIDE_MODEL' | 'NEAR_MAGNETIC_POLE' }

/** 2025.5 in the middle of 2025. */
function decimalYear(date: Date): number {
  const year = date.getUTCFullYear()
  const [from, until] = [Date.UTC(year, 0, 1), Date.UTC(year + 1, 0, 1)]
  return year + (date.getTime() - from) / (until - from)
}

/** Where the needle hardly lies level, the model's own report warns of compasses. */
const NEAREST_POLE_LATITUDE_DEG = 80

/** Declination of the compass needle from true north, east +: true bearing = needle's bearing + declination.
 * @param input heightM above the sea, 0 where left out
 * @returns refuses outside 2025 to 2029, and beyond 80° of latitude, where a needle is no guide
 * Source: World Magnetic Model 2025 (NOAA/BGS, public domain) in the package magvar, checked against its published test
 * values. Local iron, a car or the mount itself turns a needle more than the model's half degree. */
export function needleDeclination(input: SkyMoment & { readonly heightM?: number | undefined }): NeedleAnswer {
  requirePlace(input)
  const year = decimalYear(almanacTime(input.atUtc).date)
  if (year < NEEDLE_MODEL_YEARS.first || year >= NEEDLE_MODEL_YEARS.last + 1)
    return { declinationDeg: null, reason: 'OUTSIDE_MODEL' }
  if (Math.abs(input.latitudeDeg) > NEAREST_POLE_LATITUDE_DEG)
    return { declinationDeg: null, reason: 'NEAR_MAGNETIC_POLE' }
  const at = (when: number) => worldModel(input.latitudeDeg, input.longitudeDeg, (input.heightM ?? 0) / 1000, when)
  // Within the model's years the change is the same in each.
  const change = at(NEEDLE_MODEL_YEARS.last) - at(NEEDLE_MODEL_YEARS.first)
  return {
    declinationDeg: at(year),
    changeDegPerYear: change / (NEEDLE_MODEL_YEARS.last - NEEDLE_MODEL_YEARS.first),
    model: 'WMM2025',
    reason: null,
  }
}
