import { Body, Observer, SearchRiseSet, SiderealTime } from 'astronomy-engine'
import { requirePositive } from '../shared/require.ts'
import { drift, seenFromGround } from './drift.ts'
import { moonTargets } from './moon-targets.ts'
import { localMs } from './night.ts'
import { planets, planetTargets } from './planet-targets.ts'
import {
  almanacTime,
  bodyPlace,
  horizontalPlace,
  hourAngleHours,
  moonLitFraction,
  requirePlace,
  separationDeg,
  skyFrame,
  starOfDate,
  type HorizontalPlace,
} from './positions.ts'
import { showpieces, type Showpiece } from './showpieces.ts'
import {
  best,
  darkEnoughDeg,
  iso,
  LEAST_ALTITUDE_DEG,
  NO_TARGET_ABOVE_DEG,
  NEAR_SUN_UNTIL_DEG,
  type Target,
  type TargetKind,
  type TargetsInput,
  type Moment,
  type Rules,
  type Stand,
} from './target-stretches.ts'

export interface EveningTargets {
  readonly targets: readonly Target[]
  /** The evening that was searched; null where the Sun never gets low enough. */
  readonly fromUtc: string | null
  readonly untilUtc: string | null
  /** The evening's own hour: dark enough for most, not before 19 h; for one picture of the sky. */
  readonly sessionUtc: string | null
  /** Why there is little or nothing, for the words. */
  readonly reason: 'SUN_UP' | 'NOTHING_SURE' | null
}

const NEAR_SUNSET_DEG = 20
const USUAL_LIMITING_MAGNITUDE = 4.5
const USUAL_UNTIL_HOUR = 23
const STEP_MS = 10 * 60_000
/** While the Sun is this high what is forbidden changes from minute to minute. */
const BY_THE_MINUTE_DEG = { below: NEAR_SUN_UNTIL_DEG - 0.5, above: NO_TARGET_ABOVE_DEG + 2 }
const MINUTE_MS = 60_000
const MS_PER_HOUR = 3_600_000
const MOST_TARGETS = 12
/** Of each kind at most, so that a clear sky doesn't give twelve double stars. */
const MOST_OF_A_KIND: Readonly<Record<TargetKind, number>> = {
  moon: 1,
  'moon-feature': 2,
  planet: planets.length,
  'double-star': 4,
  'open-cluster': 4,
  'globular-cluster': 2,
  nebula: 3,
  galaxy: 1,
}
/** A full Moon high up brightens the sky by about two magnitudes. Common practice, no source. */
const FULL_MOON_MAGNITUDES = 2
/** Sure targets for the evening of a date: what this aperture and this sky show, each when it stands best.
 *
 * None before the Sun is under −4°, none within 20° of where it set until it is under −6°; the evening ends at 23 h local
 * or an hour after it begins, and always while the Sun is still under −6°.
 * @param input degrees, east +; date as YYYY-MM-DD in `zone`; limitingMagnitude 2 to 8
 * @returns at most twelve, the surest and highest first; none with a reason
 * @throws RangeError naming the field
 * Source: positions by astronomy-engine; what is sure, and how dark it must be, is common practice, no source. */
export function eveningTargets(input: TargetsInput): EveningTargets {
  requirePlace(input)
  const { apertureMm, limitingMagnitude = USUAL_LIMITING_MAGNITUDE } = input
  requirePositive({ apertureMm })
  if (!(limitingMagnitude >= 0 && limitingMagnitude <= 8))
    throw new RangeError(`limitingMagnitude must lie between 0 and 8; got ${limitingMagnitude}`)
  const moments = evening(input)
  const [first, last] = [moments[0], moments.at(-1)]
  if (!first || !last) return { targets: [], fromUtc: null, untilUtc: null, sessionUtc: null, reason: 'SUN_UP' }
  const sunsetPlace = placeOfSunset(input)
  const moonLit = moonLitFraction(first.time)
  const allowed = (place: HorizontalPlace, moment: Moment) =>
    moment.sunDeg < NEAR_SUN_UNTIL_DEG || !sunsetPlace || separationDeg(place, sunsetPlace) >= NEAR_SUNSET_DEG
  const rules = { allowed, sessionMs: sessionOf(moments, input)?.ms }
  const found = [
    ...moonTargets(moments, moonLit, rules),
    ...planetTargets(input, moments, rules),
    ...showpieces.flatMap((each) => showpieceTarget(each, { input, moments, limitingMagnitude, moonLit, rules })),
  ]
  const counts = new Map<TargetKind, number>()
  const surest = [...found]
    .sort((a, b) => b.merit - a.merit)
    .filter(({ kind }) => {
      const count = (counts.get(kind) ?? 0) + 1
      counts.set(kind, count)
      return count <= MOST_OF_A_KIND[kind]
    })
  // A planet that is up is what people come for: the cap takes others instead.
  const planetCount = surest.filter(({ kind }) => kind === 'planet').length
  let others = MOST_TARGETS - planetCount
  const targets = surest.filter(({ kind }) => kind === 'planet' || others-- > 0)
  return {
    targets,
    fromUtc: iso(first.ms),
    untilUtc: iso(last.ms),
    sessionUtc: iso(sessionOf(moments, input)?.ms ?? first.ms),
    reason: targets.length === 0 ? 'NOTHING_SURE' : null,
  }
}

/** Where on the horizon the Sun went down; null where it didn't between noon and noon. */
function placeOfSunset(input: TargetsInput): HorizontalPlace | null {
  const noon = almanacTime(iso(localMs(input.zone, input.date, 12)))
  const sunset = SearchRiseSet(Body.Sun, new Observer(input.latitudeDeg, input.longitudeDeg, 0), -1, noon, 1)
  return sunset && { ...bodyPlace('Sun', sunset, input), altitudeDeg: 0 }
}

const LONGEST_EVENING_MS = 18 * MS_PER_HOUR
/** Hours of sidereal time in an hour. Source: Meeus, ch. 12. */
const SIDEREAL_RATE = 1.002_737_909_35

/** Every ten minutes of the evening, from the Sun at −4° on; every minute of its bright twilight. */
function evening(input: TargetsInput): readonly Moment[] {
  const noonMs = localMs(input.zone, input.date, 12)
  const lastMs = localMs(input.zone, input.date, input.untilLocalHour ?? USUAL_UNTIL_HOUR)
  const sun = drift('Sun', noonMs, noonMs + LONGEST_EVENING_MS)
  const siderealAtNoon = SiderealTime(almanacTime(iso(noonMs)))
  const found: { ms: number; sunDeg: number; siderealHours: number }[] = []
  let stepMs = STEP_MS
  for (let ms = noonMs; ms < noonMs + LONGEST_EVENING_MS; ms += stepMs) {
    const siderealHours = siderealAtNoon + ((ms - noonMs) / MS_PER_HOUR) * SIDEREAL_RATE
    const sunDeg = seenFromGround(sun.at(ms), siderealHours, input).altitudeDeg
    stepMs = sunDeg > BY_THE_MINUTE_DEG.below && sunDeg < BY_THE_MINUTE_DEG.above ? MINUTE_MS : STEP_MS
    if (sunDeg >= NO_TARGET_ABOVE_DEG) {
      if (found.length > 0) break
      continue
    }
    if (ms > Math.max(lastMs, (found[0]?.ms ?? ms) + MS_PER_HOUR)) break
    found.push({ ms, sunDeg, siderealHours })
  }
  const [first, last] = [found[0], found.at(-1)]
  if (!first || !last) return []
  const moon = drift('Moon', first.ms, last.ms + 1)
  return withoutMorning(
    found.map((each) => ({
      ...each,
      time: almanacTime(iso(each.ms)),
      moon: seenFromGround(moon.at(each.ms), each.siderealHours, input),
    })),
  )
}

const SESSION_SUN_DEG = -9
const SESSION_FROM_HOUR = 19

/** The first moment that is dark enough and not too early to be out; the last one where it never gets so. */
function sessionOf(moments: readonly Moment[], input: TargetsInput): Moment | undefined {
  const earliestMs = localMs(input.zone, input.date, SESSION_FROM_HOUR)
  return moments.find(({ sunDeg, ms }) => sunDeg < SESSION_SUN_DEG && ms >= earliestMs) ?? moments.at(-1)
}

/** Nobody sweeps towards sunrise: where the Sun is on its way up again, what is above −6° falls away. */
function withoutMorning(moments: readonly Moment[]): readonly Moment[] {
  const lowest = moments.reduce((least, { sunDeg }) => Math.min(least, sunDeg), 0)
  const turn = moments.findIndex(({ sunDeg }) => sunDeg === lowest)
  return moments.filter(({ sunDeg }, index) => index <= turn || sunDeg < NEAR_SUN_UNTIL_DEG)
}

/** Two equal stars are just parted at 116″ over the aperture in mm. Source: Dawes, Mem. R. Astron. Soc. 35 (1867). */
const DAWES_ARCSEC_MM = 116
/** A beginner, in usual air, with two unlike stars, needs more. Common practice, no source. */
const BEGINNERS_SHARE = 1.5
/** So far apart must two stars look to be seen as two at ease: four minutes of arc. Common practice, no source. */
const EASY_TO_SEE_ARCSEC = 240

/** Whether this tube, at a power it has, shows two stars so far apart as two. */
function parts(
  { apertureMm, mostMagnification = Infinity }: TargetsInput,
  separationArcsec: number | undefined = Infinity,
): boolean {
  return (
    separationArcsec >= (BEGINNERS_SHARE * DAWES_ARCSEC_MM) / apertureMm &&
    separationArcsec * mostMagnification >= EASY_TO_SEE_ARCSEC
  )
}

function showpieceTarget(
  piece: Showpiece,
  given: {
    readonly input: TargetsInput
    readonly moments: readonly Moment[]
    readonly limitingMagnitude: number
    readonly moonLit: number
    readonly rules: Rules
  },
): readonly Target[] {
  const { input, moments, limitingMagnitude, moonLit, rules } = given
  const [first] = moments
  if (!first || input.apertureMm < piece.leastApertureMm || limitingMagnitude < piece.leastSkyMagnitude) return []
  if (!parts(input, piece.separationArcsec)) return []
  const { raHours, decDeg } = starOfDate(
    { ...piece, properMotionRaMas: 0, properMotionDecMas: 0 },
    skyFrame(first.time),
  )
  const brightened = ({ moon }: Moment) =>
    moon.altitudeDeg > 0
      ? FULL_MOON_MAGNITUDES * moonLit * Math.sqrt(Math.sin((moon.altitudeDeg * Math.PI) / 180))
      : 0
  const diffuse = piece.kind !== 'double-star'
  const stands = moments.map((moment): Stand => {
    const hours = hourAngleHours(raHours, moment.siderealHours, input.longitudeDeg)
    return { moment, place: horizontalPlace({ hourAngleHours: hours, decDeg, latitudeDeg: input.latitudeDeg }) }
  })
  const tooBright = (moment: Moment) =>
    diffuse && limitingMagnitude - brightened(moment) < piece.leastSkyMagnitude - MOONLIGHT_LEEWAY
  const limits = { leastDeg: LEAST_ALTITUDE_DEG.faint, sunBelowDeg: darkEnoughDeg[piece.kind] }
  const stand = best(stands, limits, {
    ...rules,
    allowed: (place, moment) => !tooBright(moment) && rules.allowed(place, moment),
  })
  if (!stand) return []
  const { heightShare, moment, ...when } = stand
  const margin = limitingMagnitude - brightened(moment) - piece.leastSkyMagnitude
  const takes = diffuse && brightened(moment) > 0.5
  // Each magnitude of sky to spare makes it surer, each that the Moon takes less so.
  const sky = diffuse ? Math.min(1, Math.max(0.5, 0.85 + 0.15 * margin)) : 1
  const { id, name, kind, power, find, closer, catalogue = null } = piece
  const look = closer && parts(input, closer.separationArcsec) ? closer.look : piece.look
  return [
    {
      id,
      name,
      catalogue,
      kind,
      power,
      ...when,
      find,
      look,
      why: takes ? 'moonlight-takes-some' : piece.leastSkyMagnitude > 4 ? 'needs-dark-sky' : 'bright-in-any-sky',
      merit: piece.sure * heightShare * sky,
    },
  ]
}

/** So much fainter a sky than wanted still shows it, only less well. */
const MOONLIGHT_LEEWAY = 0.7
