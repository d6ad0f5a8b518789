import { Body, Illumination, Observer, SearchRiseSet, SiderealTime, type AstroTime } from 'astronomy-engine'
import { drift, seenFromGround } from './drift.ts'
import { radToArcsec } from '../shared/angles.ts'
import { requirePositive } from '../shared/require.ts'
import { moonFeatures, subsolarLongitudeDeg, sunOverFeature, type MoonFeature } from './moon-features.ts'
import { localMs } from './night.ts'
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
  type PlaceOnEarth,
} from './positions.ts'
import { showpieces, type Showpiece, type ShowpieceKind, type WantedPower } from './showpieces.ts'

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

export interface Stretch {
  readonly fromUtc: string
  readonly untilUtc: string
}

export type TargetWhy = 'bright-in-any-sky' | 'needs-dark-sky' | 'low-shadows' | 'moonlight-takes-some'

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

/** No target at all before the Sun is this low; none near its place of setting until it is at `NEAR_SUN_UNTIL_DEG`. */
export const NO_TARGET_ABOVE_DEG = -4
export const NEAR_SUN_UNTIL_DEG = -6
const NEAR_SUNSET_DEG = 20
/** How dark it must be for each kind, Sun's altitude. Common practice, no source; −4° and −6° are DOMAIN section 13. */
const darkEnoughDeg: Readonly<Record<TargetKind, number>> = {
  moon: NO_TARGET_ABOVE_DEG,
  'moon-feature': NO_TARGET_ABOVE_DEG,
  planet: NO_TARGET_ABOVE_DEG,
  'double-star': -7,
  'open-cluster': -10,
  'globular-cluster': -12,
  nebula: -12,
  galaxy: -12,
}
/** Lower than this roofs, haze and boiling air spoil it. Common practice, no source. */
const LEAST_ALTITUDE_DEG: Readonly<Record<'bright' | 'faint', number>> = { bright: 10, faint: 20 }
/** Above this a small mount is awkward to point. */
const AWKWARD_ALTITUDE_DEG = 75
const COMFORTABLE_ALTITUDE_DEG = 45
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
  planet: 4,
  'double-star': 4,
  'open-cluster': 4,
  'globular-cluster': 2,
  nebula: 3,
  galaxy: 1,
}
/** A full Moon high up brightens the sky by about two magnitudes. Common practice, no source. */
const FULL_MOON_MAGNITUDES = 2
const THIN_MOON = 0.02
const FULL_MOON = 0.97
/** The Sun low over a crater: long shadows. */
const SHADOWS_DEG = { least: 3, most: 20 } as const
/** Nearer to the Moon's edge it is seen too flat. */
const MOON_EDGE_DEG = 66

interface Moment {
  readonly ms: number
  readonly time: AstroTime
  readonly sunDeg: number
  readonly moon: HorizontalPlace
  readonly siderealHours: number
}

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

const iso = (ms: number) => new Date(ms).toISOString()

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

interface Stand {
  readonly moment: Moment
  readonly place: HorizontalPlace
}

/** Where it stands best of all moments in which it may be looked for; null where there is none. */
function best(
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

interface Rules {
  /** Far enough from where the Sun set, or late enough. */
  readonly allowed: (place: HorizontalPlace, moment: Moment) => boolean
  readonly sessionMs: number | undefined
}

function moonTargets(moments: readonly Moment[], moonLit: number, rules: Rules): readonly Target[] {
  const stands = moments.map((moment) => ({ moment, place: moment.moon }))
  const stand = best(stands, { leastDeg: LEAST_ALTITUDE_DEG.bright, sunBelowDeg: darkEnoughDeg.moon }, rules)
  if (!stand || moonLit < THIN_MOON) return []
  const { heightShare, moment, ...when } = stand
  const whole: Target = {
    id: 'moon',
    name: 'the Moon',
    catalogue: null,
    kind: 'moon',
    power: 'low',
    ...when,
    find: 'You can’t miss it.',
    look:
      moonLit > FULL_MOON
        ? 'Full and glaring. Look at the bright rays; there are hardly any shadows.'
        : 'Craters, best along the edge of the shadow.',
    why: 'bright-in-any-sky',
    merit: 100 * heightShare,
  }
  const subsolar = subsolarLongitudeDeg(moment.time)
  const features = moonFeatures
    .filter((feature) => Math.abs(feature.longitudeDeg) < MOON_EDGE_DEG)
    .map((feature) => ({ feature, sunDeg: sunOverFeature(feature, subsolar) }))
    .filter(({ sunDeg }) => sunDeg >= SHADOWS_DEG.least && sunDeg <= SHADOWS_DEG.most)
    .sort((a, b) => a.sunDeg - b.sunDeg)
    .map(({ feature }): Target => featureTarget(feature, when, heightShare))
  return [whole, ...features]
}

const featureTarget = (
  { id, name, look }: MoonFeature,
  when: Pick<Target, 'bestUtc' | 'altitudeDeg' | 'azimuthDeg' | 'stretches' | 'session'>,
  heightShare: number,
): Target => ({
  id: `moon-${id}`,
  name,
  catalogue: null,
  kind: 'moon-feature',
  power: 'medium',
  ...when,
  find: 'On the Moon, close to the edge of the shadow.',
  look,
  why: 'low-shadows',
  merit: 80 * heightShare,
})

const planets = ['Venus', 'Jupiter', 'Saturn', 'Mars'] as const
/** Mars under this shows nothing in a small telescope. */
const MARS_SMALL_ARCSEC = 8
const MARS_RADIUS_KM = 3396.2
const KM_PER_AU = 149_597_870.7
const RING_EDGE_ON_DEG = 4

function planetTargets(input: TargetsInput, moments: readonly Moment[], rules: Rules): readonly Target[] {
  const [first, last] = [moments[0], moments.at(-1)]
  if (!first || !last) return []
  return planets.flatMap((name): Target[] => {
    const path = drift(name, first.ms, last.ms + 1)
    const stands = moments.map((moment) => ({
      moment,
      place: seenFromGround(path.at(moment.ms), moment.siderealHours, input),
    }))
    const stand = best(stands, { leastDeg: LEAST_ALTITUDE_DEG.bright, sunBelowDeg: darkEnoughDeg.planet }, rules)
    if (!stand) return []
    const { heightShare, moment, ...when } = stand
    const { look, sure, power } = planetWords(name, moment.time)
    return [
      {
        id: name.toLowerCase(),
        name,
        catalogue: null,
        kind: 'planet',
        power,
        ...when,
        find: 'A bright point that doesn’t twinkle.',
        look,
        why: 'bright-in-any-sky',
        merit: sure * heightShare,
      },
    ]
  })
}

function planetWords(
  name: (typeof planets)[number],
  time: AstroTime,
): { readonly look: string; readonly sure: number; readonly power: WantedPower } {
  const { phase_fraction: lit, ring_tilt: tilt, geo_dist: au } = Illumination(Body[name], time)
  if (name === 'Venus')
    return {
      look:
        lit > 0.75 ? 'A small, very bright disc.' : lit > 0.35 ? 'A small half moon.' : 'A thin, bright crescent.',
      sure: lit > 0.75 ? 74 : 88,
      power: 'medium',
    }
  if (name === 'Jupiter')
    return { look: 'A disc with two grey belts, and up to four moons in a row.', sure: 96, power: 'medium' }
  if (name === 'Saturn')
    return Math.abs(tilt ?? 0) < RING_EDGE_ON_DEG
      ? { look: 'A small disc. The ring is nearly edge-on this year: a thin line.', sure: 84, power: 'high' }
      : { look: 'A small disc with its ring round it.', sure: 96, power: 'high' }
  const arcsec = radToArcsec((2 * MARS_RADIUS_KM) / (au * KM_PER_AU))
  return arcsec < MARS_SMALL_ARCSEC
    ? { look: 'A tiny orange dot; it is far away just now.', sure: 45, power: 'high' }
    : { look: 'A small orange disc, with a dark mark or a white cap in good moments.', sure: 78, power: 'high' }
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
