import type { AstroTime } from 'astronomy-engine'
import type { HorizontalPlace } from './horizontal.ts'
import type { PlaceOnEarth } from './positions.ts'
import type { ShowpieceKind, WantedPower } from './showpieces.ts'

/** No target at all before the Sun is this low; none near its place of setting until it is at `NEAR_SUN_UNTIL_DEG`. */
export const NO_TARGET_ABOVE_DEG = -4
export const NEAR_SUN_UNTIL_DEG = -6

export interface Moment {
  readonly ms: number
  readonly time: AstroTime
  readonly sunDeg: number
  readonly moon: HorizontalPlace
  readonly siderealHours: number
}

export interface Stand {
  readonly moment: Moment
  readonly place: HorizontalPlace
}

/** Where it stands best of all moments in which it may be looked for; null where there is none. */
export function best(
  stands: readonly Stand[],
  limits: { readonly leastDeg: number; readonly sunBelowDeg: number },
  { allowed, sessionMs }: Rules,
) {
  const fit = stands.filter(
    ({ place, moment }) =>
      place.altitudeDeg >= limits.leastDeg && moment.sunDeg < limits.sunBelowDeg && allowed(place, moment),
  )
  if (fit.length === 0) return null
  const height = ({ place }: Stand) =>
    place.altitudeDeg > AWKWARD_ALTITUDE_DEG ? 2 * AWKWARD_ALTITUDE_DEG - place.altitudeDeg : place.altitudeDeg
  const top = fit.reduce((a, b) => (height(b) > height(a) + 0.01 ? b : a))
  return {
    bestUtc: iso(top.moment.ms),
    altitudeDeg: top.place.altitudeDeg,
    azimuthDeg: top.place.azimuthDeg,
    stretches: stretchesOf(stands, fit),
    session: fit.find(({ moment }) => moment.ms === sessionMs)?.place ?? null,
    heightShare: Math.min(1, 0.4 + (0.6 * height(top)) / COMFORTABLE_ALTITUDE_DEG),
    moment: top.moment,
  }
}

/** Runs of moments that follow each other and all are fit. */
function stretchesOf(stands: readonly Stand[], fit: readonly Stand[]): readonly Stretch[] {
  const isFit = new Set(fit)
  const runs: { fromMs: number; untilMs: number }[] = []
  let goesOn = false
  for (const stand of stands) {
    const { ms } = stand.moment
    const run = goesOn ? runs.at(-1) : undefined
    if (!isFit.has(stand)) goesOn = false
    else if (run) run.untilMs = ms
    else {
      runs.push({ fromMs: ms, untilMs: ms })
      goesOn = true
    }
  }
  return runs.map(({ fromMs, untilMs }) => ({ fromUtc: iso(fromMs), untilUtc: iso(untilMs) }))
}

export interface Rules {
  /** Far enough from where the Sun set, or late enough. */
  readonly allowed: (place: HorizontalPlace, moment: Moment) => boolean
  readonly sessionMs: number | undefined
}

export interface Stretch {
  readonly fromUtc: string
  readonly untilUtc: string
}

export type TargetWhy = 'bright-in-any-sky' | 'needs-dark-sky' | 'low-shadows' | 'moonlight-takes-some'
export type TargetKind = ShowpieceKind | 'moon' | 'moon-feature' | 'planet'

/** A sure thing for one evening: facts only; `words/targets` says them. */
export interface Target {
  readonly id: string
  readonly name: string
  /** Its number in the common lists; null where its name is enough. */
  readonly catalogue: string | null
  readonly kind: TargetKind
  readonly power: WantedPower
  /** When it stands best within the evening. */
  readonly bestUtc: string
  readonly altitudeDeg: number
  readonly azimuthDeg: number
  /** Where it stands at the evening's own hour; null while it may not be looked for then. */
  readonly session: HorizontalPlace | null
  /** When it may be looked for: at every minute in them. Twilight near the Sun, or a roof, may lie between two. */
  readonly stretches: readonly Stretch[]
  /** How to find it and what it looks like, in English; other languages translate these sentences. */
  readonly find: string
  readonly look: string
  readonly why: TargetWhy
  /** 0 to 100: how sure, times how high. */
  readonly merit: number
}

export interface TargetsInput extends PlaceOnEarth {
  readonly date: string
  readonly zone: string
  readonly apertureMm: number
  /** The case's highest power that the tube can use; left out, any. Two stars closer than it parts are left out. */
  readonly mostMagnification?: number | undefined
  /** Faintest star the place shows by eye on a clear moonless night; 4.5 is the edge of a town. */
  readonly limitingMagnitude?: number | undefined
  /** The last hour that counts as evening, local; with children earlier. */
  readonly untilLocalHour?: number | undefined
}

/** Lower than this roofs, haze and boiling air spoil it. Common practice, no source. */
export const LEAST_ALTITUDE_DEG: Readonly<Record<'bright' | 'faint', number>> = { bright: 10, faint: 20 }

/** How dark it must be for each kind, Sun's altitude. Common practice, no source; −4° and −6° are DOMAIN section 13. */
export const darkEnoughDeg: Readonly<Record<TargetKind, number>> = {
  moon: NO_TARGET_ABOVE_DEG,
  'moon-feature': NO_TARGET_ABOVE_DEG,
  planet: NO_TARGET_ABOVE_DEG,
  'double-star': -7,
  'open-cluster': -10,
  'globular-cluster': -12,
  nebula: -12,
  galaxy: -12,
}

/** Above this a small mount is awkward to point. */
const AWKWARD_ALTITUDE_DEG = 75
const COMFORTABLE_ALTITUDE_DEG = 45
export const iso = (ms: number) => new Date(ms).toISOString()
