import { degToRad } from '../shared/angles.ts'
import { requireFinite } from '../shared/require.ts'
import {
  almanacTime,
  bodyPlace,
  requirePlace,
  separationDeg,
  type HorizontalPlace,
  type SkyMoment,
} from './positions.ts'
import { offsetsOfLocal, zoneOffsetHours } from './zone-time.ts'

export interface SunSafetyInput extends SkyMoment {
  /** IANA name; its date is the one whose windows are given. */
  readonly zone: string
  /** Where the tube will point, as the eye sees it. */
  readonly target: HorizontalPlace
  readonly marginDeg?: number | undefined
}

export interface SunSafety {
  readonly sunAzimuthDeg: number
  readonly sunAltitudeDeg: number
  readonly separationDeg: number
  readonly safe: boolean
  readonly safeWindows: readonly { readonly fromUtc: string; readonly untilUtc: string }[]
}

export const USUAL_MARGIN_DEG = 45
/** Nearer than this no margin makes it safe: a tube is bumped, a bearing is misread. */
const LEAST_MARGIN_DEG = 20
/** The Sun's upper edge has gone, refraction and a low horizon allowed for. */
export const SUN_DOWN_DEG = -1
export const STEP_MS = 5 * 60_000
const MS_PER_HOUR = 3_600_000
const EXACT_MS = 1000

/** Lift by the air at 1010 hPa and 10 °C, degrees, for a true altitude. Saemundsson 1986, in Meeus ch. 16 (from memory);
 * within 0.1′ above 5°. Below the horizon the formula breaks down and the lift is let fall to none at −5°. */
export function refractionDeg(trueAltitudeDeg: number): number {
  const altitude = Math.max(trueAltitudeDeg, -1)
  const lift = 1.02 / 60 / Math.tan(degToRad(altitude + 10.3 / (altitude + 5.11)))
  if (trueAltitudeDeg >= -1) return Math.max(lift, 0)
  return Math.max(0, (lift * (trueAltitudeDeg + 5)) / 4)
}

/** The Sun as the eye sees it. */
export function apparentSun(atUtc: string, place: SkyMoment): HorizontalPlace {
  const { altitudeDeg, azimuthDeg } = bodyPlace('Sun', almanacTime(atUtc), place)
  return { altitudeDeg: altitudeDeg + refractionDeg(altitudeDeg), azimuthDeg }
}

/**
 * Whether a tube may point somewhere by day, and when on that date it may.
 *
 * Safe: the Sun at least `marginDeg` away, or below −1°. A typed bearing, clock or zone can be wrong: whoever asks must look
 * for their own shadow too; a program's word is not enough.
 *
 * @param input degrees, azimuth from north through east; target as the eye sees it; marginDeg 20 or more (45)
 * @returns windows within the local date in `zone`, to the second
 * @throws RangeError for a margin under 20, places, directions, instants or zones that are none */
export function sunSafety(input: SunSafetyInput): SunSafety {
  const { target, marginDeg = USUAL_MARGIN_DEG, zone } = input
  requirePlace(input)
  requireFinite({ 'target.azimuthDeg': target.azimuthDeg, 'target.altitudeDeg': target.altitudeDeg, marginDeg })
  if (Math.abs(target.altitudeDeg) > 90)
    throw new RangeError(`target.altitudeDeg must lie between -90 and 90; got ${target.altitudeDeg}`)
  requireMargin(marginDeg)
  const now = apparentSun(input.atUtc, input)
  const isSafe = (sun: HorizontalPlace) => sun.altitudeDeg < SUN_DOWN_DEG || separationDeg(sun, target) >= marginDeg
  const safeAt = (ms: number) => isSafe(apparentSun(new Date(ms).toISOString(), input))
  const { fromMs, untilMs } = localDay(zone, Date.parse(input.atUtc))
  return {
    sunAzimuthDeg: now.azimuthDeg,
    sunAltitudeDeg: now.altitudeDeg,
    separationDeg: separationDeg(now, target),
    safe: isSafe(now),
    safeWindows: windowsOf(safeAt, fromMs, untilMs),
  }
}

/** @throws RangeError for less than 20°: nobody may set it lower */
export function requireMargin(marginDeg: number): void {
  if (!(marginDeg >= LEAST_MARGIN_DEG && marginDeg <= 180))
    throw new RangeError(`marginDeg must lie between ${LEAST_MARGIN_DEG} and 180; got ${marginDeg}`)
}

/** First and last instant of the local date; a midnight that the clocks skip begins when they go on. */
export function localDay(zone: string, atMs: number): { fromMs: number; untilMs: number } {
  const local = new Date(atMs + zoneOffsetHours(zone, atMs) * MS_PER_HOUR)
  const startOf = (days: number) => {
    const midnight = Date.UTC(local.getUTCFullYear(), local.getUTCMonth(), local.getUTCDate() + days)
    const [offset] = offsetsOfLocal(zone, new Date(midnight).toISOString().slice(0, 16))
    return midnight - (offset ?? zoneOffsetHours(zone, midnight - 12 * MS_PER_HOUR)) * MS_PER_HOUR
  }
  return { fromMs: startOf(0), untilMs: startOf(1) }
}

/** Times between two instants at which something is so, to the second; what is so for less than five minutes may be missed. */
function windowsOf(safeAt: (ms: number) => boolean, fromMs: number, untilMs: number) {
  const windows: { fromUtc: string; untilUtc: string }[] = []
  const iso = (ms: number) => new Date(Math.round(ms / EXACT_MS) * EXACT_MS).toISOString()
  const changeBetween = (a: number, b: number) => {
    const before = safeAt(a)
    let [low, high] = [a, b]
    while (high - low > EXACT_MS / 2) {
      const middle = (low + high) / 2
      if (safeAt(middle) === before) low = middle
      else high = middle
    }
    return (low + high) / 2
  }
  let openedMs = safeAt(fromMs) ? fromMs : null
  for (let ms = fromMs; ms < untilMs; ms += STEP_MS) {
    const next = Math.min(ms + STEP_MS, untilMs)
    const safe = safeAt(next)
    if (safe === (openedMs !== null)) continue
    const at = changeBetween(ms, next)
    if (openedMs === null) openedMs = at
    else {
      windows.push({ fromUtc: iso(openedMs), untilUtc: iso(at) })
      openedMs = null
    }
  }
  if (openedMs !== null) windows.push({ fromUtc: iso(openedMs), untilUtc: iso(untilMs) })
  return windows
}
