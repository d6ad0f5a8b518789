import { NIGHT_FROM_DEG } from '../finder/sun-question.ts'
import { poleStar } from '../mount/pole-star.ts'
import { degToRad, radToDeg } from '../shared/angles.ts'
import { requirePositive } from '../shared/require.ts'
import { alignmentStars } from './alignment-stars.ts'
import {
  almanacTime,
  bodyPlace,
  moonLitFraction,
  requirePlace,
  separationDeg,
  type HorizontalPlace,
  type SkyMoment,
} from './positions.ts'
import { apparentSun, requireMargin, SUN_DOWN_DEG, USUAL_MARGIN_DEG } from './sun-safety.ts'

/** Below this the pole star stands in trees and haze, and the tube is a trouble to look through. Common practice. */
const POLE_STAR_FROM_DEG = 25
/** Fainter stars aren't seen in a red dot's window. Common practice, no source. */
const FAINTEST_FOR_A_DOT = 2.6
/** Sidereal: 360° in 23 h 56 min 4.1 s, arcminutes of sky a minute at the equator. */
const SKY_ARCMIN_PER_MINUTE = (360 * 60) / (23 * 60 + 56 + 4.0905 / 60)
/** A thin Moon is hard to find by day. Common practice, no source. */
const THINNEST_BY_DAY = 0.2

export interface NightTarget extends HorizontalPlace {
  readonly name: string
  readonly magnitude: number
  readonly still: boolean
  /** Until the sky carries it from the field's middle to its edge while the tube stands still. */
  readonly minutesInField: number
}

/**
 * A star to check a finder on, now and here: the pole star first, where it is high enough and bright enough, since it stands
 * still; else the best of the bright ones.
 * @returns null with `SUN_UP` before the Sun is under −6°, with `NONE` where no fit star is up
 * @throws RangeError for places, instants or fields that are none. Source: common practice (DOMAIN section 9) */
export function nightTarget(input: SkyMoment & { readonly trueFieldDeg: number }): {
  readonly target: NightTarget | null
  readonly others: readonly NightTarget[]
  readonly reason: 'SUN_UP' | 'NONE' | null
} {
  requirePlace(input)
  requirePositive({ trueFieldDeg: input.trueFieldDeg })
  const { altitudeDeg: sunDeg } = bodyPlace('Sun', almanacTime(input.atUtc), input)
  if (sunDeg > NIGHT_FROM_DEG) return { target: null, others: [], reason: 'SUN_UP' }
  const timed = (star: HorizontalPlace & { readonly name: string; readonly magnitude: number }): NightTarget => {
    const decDeg = declinationDeg(star, input.latitudeDeg)
    const arcminPerMinute = SKY_ARCMIN_PER_MINUTE * Math.cos(degToRad(decDeg))
    const minutesInField = (input.trueFieldDeg * 30) / Math.max(arcminPerMinute, 1e-6)
    const { name, magnitude, altitudeDeg, azimuthDeg } = star
    return { name, magnitude, altitudeDeg, azimuthDeg, minutesInField, still: Math.abs(decDeg) > 88 }
  }
  const pole = poleStar(input)
  const usesPole = pole.altitudeDeg >= POLE_STAR_FROM_DEG && pole.magnitude <= FAINTEST_FOR_A_DOT
  const { stars, others } = alignmentStars({ ...input, count: 1 })
  const fit = [...stars, ...others.filter(({ out }) => out === null)]
    .filter(({ magnitude, name }) => magnitude <= FAINTEST_FOR_A_DOT && name !== pole.star)
    .map(timed)
  const first = usesPole ? timed({ ...pole, name: 'the pole star' }) : fit.shift()
  return first
    ? { target: first, others: fit.slice(0, 4), reason: null }
    : { target: null, others: [], reason: 'NONE' }
}

/** Declination of a direction. Source: Meeus, ch. 13, the other way round. */
function declinationDeg({ altitudeDeg, azimuthDeg }: HorizontalPlace, latitudeDeg: number): number {
  const [altitude, azimuth, latitude] = [degToRad(altitudeDeg), degToRad(azimuthDeg), degToRad(latitudeDeg)]
  const sine = Math.sin(latitude) * Math.sin(altitude) + Math.cos(latitude) * Math.cos(altitude) * Math.cos(azimuth)
  return radToDeg(Math.asin(Math.min(1, Math.max(-1, sine))))
}

export interface DayMoon extends HorizontalPlace {
  readonly litFraction: number
  readonly sunSeparationDeg: number
  readonly usable: boolean
  readonly reason: 'BELOW' | 'NEAR_SUN' | 'TOO_THIN' | null
}

/** The Moon as a target by day: only with the Sun as far away as from any landmark. @throws RangeError as `sunSafety` */
export function dayMoon(input: SkyMoment & { readonly marginDeg?: number | undefined }): DayMoon {
  requirePlace(input)
  const marginDeg = input.marginDeg ?? USUAL_MARGIN_DEG
  requireMargin(marginDeg)
  const time = almanacTime(input.atUtc)
  const moon = bodyPlace('Moon', time, input)
  const sun = apparentSun(input.atUtc, input)
  const litFraction = moonLitFraction(time)
  const sunSeparationDeg = separationDeg(moon, sun)
  const sunUp = sun.altitudeDeg >= SUN_DOWN_DEG
  const reason =
    moon.altitudeDeg < 10
      ? 'BELOW'
      : sunUp && sunSeparationDeg < marginDeg
        ? 'NEAR_SUN'
        : litFraction < THINNEST_BY_DAY
          ? 'TOO_THIN'
          : null
  return { ...moon, litFraction, sunSeparationDeg, usable: reason === null, reason }
}
