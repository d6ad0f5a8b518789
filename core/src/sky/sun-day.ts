import { degToRad, radToDeg } from '../shared/angles.ts'
import { requireFinite } from '../shared/require.ts'
import { almanacTime, bodyPlace, requirePlace, type HorizontalPlace, type SkyMoment } from './positions.ts'
import { localDay, refractionDeg, requireMargin, STEP_MS, SUN_DOWN_DEG, USUAL_MARGIN_DEG } from './sun-safety.ts'

/** Taken out of the global object once: a day's strip asks for them thousands of times. */
const { atan2, ceil, cos, floor, hypot, max, min, round, sin, sqrt } = Math

type Vector = readonly [north: number, east: number, up: number]

/** The Sun's way over one local date, reckoned once for all landmarks of a place. */
export interface SunDay {
  readonly fromMs: number
  readonly untilMs: number
  /** Every five minutes, as the eye sees it. */
  readonly path: readonly HorizontalPlace[]
  readonly directions: readonly Vector[]
}

export type DayKind = 'night' | 'never' | 'usable'

export interface DaySpan {
  readonly fromUtc: string
  readonly untilUtc: string
  readonly kind: DayKind
}

/** The almanac is asked every twenty minutes; between, the Sun follows a curve through three of its answers: to 0.01°. */
const ASKED_EVERY = 4

/** @throws RangeError for places, instants or zones that are none */
export function sunDay(input: SkyMoment & { readonly zone: string }): SunDay {
  requirePlace(input)
  almanacTime(input.atUtc)
  const { fromMs, untilMs } = localDay(input.zone, Date.parse(input.atUtc))
  const count = ceil((untilMs - fromMs) / STEP_MS) + 1
  const asked = Array.from({ length: ceil((count - 1) / ASKED_EVERY) + 2 }, (_, i) =>
    directionOf(bodyPlace('Sun', almanacTime(new Date(fromMs + i * ASKED_EVERY * STEP_MS).toISOString()), input)),
  )
  const directions = Array.from({ length: count }, (_, i) => {
    const first = min(floor(i / ASKED_EVERY), asked.length - 3)
    return lifted(throughThree(asked.slice(first, first + 3), i / ASKED_EVERY - first))
  })
  return { fromMs, untilMs, path: directions.map(placeOf), directions }
}

function directionOf({ altitudeDeg, azimuthDeg }: HorizontalPlace): Vector {
  const [altitude, azimuth] = [degToRad(altitudeDeg), degToRad(azimuthDeg)]
  return [cos(altitude) * cos(azimuth), cos(altitude) * sin(azimuth), sin(altitude)]
}

const placeOf = ([north, east, up]: Vector): HorizontalPlace => ({
  altitudeDeg: radToDeg(atan2(up, hypot(north, east))),
  azimuthDeg: (radToDeg(atan2(east, north)) + 360) % 360,
})

/** As the air lifts it. Without air the Sun's way is smooth; near the horizon the lift is not. */
function lifted(direction: Vector): Vector {
  const { altitudeDeg, azimuthDeg } = placeOf(direction)
  return directionOf({ altitudeDeg: altitudeDeg + refractionDeg(altitudeDeg), azimuthDeg })
}

/** Lagrange's curve through three vectors at 0, 1 and 2. */
function throughThree(vectors: readonly Vector[], at: number): Vector {
  const weights = [((at - 1) * (at - 2)) / 2, at * (2 - at), (at * (at - 1)) / 2]
  const sum = (axis: 0 | 1 | 2) => vectors.reduce((all, vector, i) => all + (weights[i] ?? 0) * vector[axis], 0)
  return [sum(0), sum(1), sum(2)]
}

/** Where the Sun stands at an instant of the day, between two reckoned places. */
export const sunOfDay = (day: SunDay, atMs: number): HorizontalPlace => placeOf(directionAt(day, atMs))

function directionAt({ fromMs, directions }: SunDay, atMs: number): Vector {
  const steps = min(max((atMs - fromMs) / STEP_MS, 0), directions.length - 1)
  const index = min(floor(steps), directions.length - 2)
  const [a, b] = [directions[index], directions[index + 1]]
  if (!a || !b) throw new RangeError('the day has no path')
  const share = steps - index
  return [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1]), a[2] + share * (b[2] - a[2])]
}

const SUN_DOWN_SINE = sin(degToRad(SUN_DOWN_DEG))
const EXACT_MS = 1000

/**
 * The whole local date for one target, in order and without gaps: *night* while the Sun is down (a star will do), *never*
 * while it stands nearer than the margin, else *usable*. To a few seconds; what lasts less than five minutes may be missed.
 * @throws RangeError for a margin under 20° or directions that are none */
export function dayStrip(day: SunDay, target: HorizontalPlace, marginDeg: number = USUAL_MARGIN_DEG): DaySpan[] {
  requireMargin(marginDeg)
  requireFinite({ 'target.azimuthDeg': target.azimuthDeg, 'target.altitudeDeg': target.altitudeDeg })
  const [north, east, up] = directionOf(target)
  const nearest = cos(degToRad(marginDeg))
  const kindOf = (sun: Vector): DayKind => {
    const length = sqrt(sun[0] * sun[0] + sun[1] * sun[1] + sun[2] * sun[2])
    if (sun[2] < SUN_DOWN_SINE * length) return 'night'
    return sun[0] * north + sun[1] * east + sun[2] * up > nearest * length ? 'never' : 'usable'
  }
  const changeBetween = (fromMs: number, toMs: number, before: DayKind): number => {
    let [low, high] = [fromMs, toMs]
    while (high - low > EXACT_MS / 2) {
      const middle = (low + high) / 2
      if (kindOf(directionAt(day, middle)) === before) low = middle
      else high = middle
    }
    return (low + high) / 2
  }
  const iso = (ms: number) => new Date(round(ms / EXACT_MS) * EXACT_MS).toISOString()
  const spans: DaySpan[] = []
  let beganMs = day.fromMs
  let kind = kindOf(directionAt(day, day.fromMs))
  for (let i = 1; i < day.directions.length; i++) {
    const ms = min(day.fromMs + i * STEP_MS, day.untilMs)
    const next = kindOf(ms === day.untilMs ? directionAt(day, ms) : (day.directions[i] as Vector))
    if (next === kind) continue
    const changedMs = changeBetween(ms - STEP_MS, ms, kind)
    spans.push({ fromUtc: iso(beganMs), untilUtc: iso(changedMs), kind })
    beganMs = changedMs
    kind = next
  }
  return [...spans, { fromUtc: iso(beganMs), untilUtc: iso(day.untilMs), kind }]
}
