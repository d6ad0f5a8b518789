import { MoonPhase } from 'astronomy-engine'
import { poleStar } from '../mount/pole-star.ts'
import { sideOfMount } from '../mount/side.ts'
import { alignmentStars } from '../sky/alignment-stars.ts'
import { skyNight } from '../sky/night.ts'
import { almanacTime, type PlaceOnEarth } from '../sky/positions.ts'
import type { Target, TargetWhy } from '../sky/target-stretches.ts'
import { eveningTargets } from '../sky/targets.ts'
import { powersFor, type NamedPower } from '../words/targets.ts'
import type { Sky } from '../sky/skies.ts'
import { enoughTold, rankedByTold, toldKey, type Told, type ToldTargets } from './first-night.ts'

/** Where the borrower will look from: a town or a place to 0.1°, never an address. */
export interface GuidePlace extends PlaceOnEarth {
  readonly name: string
  readonly zone: string
  /** How dark it gets there; null or left out, nobody wrote it down. */
  readonly sky?: Sky | null | undefined
}

export interface NightTarget {
  readonly id: string
  readonly kind: Target['kind']
  readonly bestUtc: string
  readonly altitudeDeg: number
  readonly azimuthDeg: number
  readonly session: { readonly altitudeDeg: number; readonly azimuthDeg: number } | null
  readonly why: TargetWhy
  /** Names of the case's eyepieces, in the order to use them. */
  readonly eyepieces: readonly string[]
  /** How many borrowers of this kind of telescope looked for it, and saw it; null where too few told. */
  readonly told: Told | null
}

/** One night of the loan: facts only, said in every language from here. */
export interface GuideNight {
  readonly date: string
  readonly sunsetUtc: string | null
  readonly notBeforeUtc: string | null
  readonly darkFromUtc: string | null
  readonly moonriseUtc: string | null
  readonly moonsetUtc: string | null
  readonly moonLit: number
  readonly moonWaxing: boolean
  readonly sessionUtc: string | null
  readonly targets: readonly NightTarget[]
  readonly reason: 'SUN_UP' | 'NOTHING_SURE' | null
  /** For driven kits: two stars to line up on, and the side of the mount on which the tube then stands. */
  readonly stars: readonly {
    readonly name: string
    readonly altitudeDeg: number
    readonly azimuthDeg: number
    readonly tubeSide: 'east' | 'west'
  }[]
  /** For a sighting scope: where the pole's star stands on its ring at the evening's hour. */
  readonly pole: { readonly star: string; readonly ringClock: number } | null
}

export interface TargetWords {
  readonly name: string
  readonly catalogue: string | null
  readonly find: string
  readonly look: string
}

/** Nights of a loan that a guide carries; a longer loan asks for a new link, and the sky has changed by then. */
const MOST_NIGHTS = 31

/** The nights of a loan, and English words for every target in them.
 * @param given place to 0.1°; powers of the case that the tube can use; withStars for driven kits */
export function guideNights(given: {
  readonly place: GuidePlace
  readonly fromDate: string
  readonly untilDate: string
  readonly apertureMm: number
  readonly powers: readonly NamedPower[]
  readonly children: boolean
  /** Higher than this the kit's own tube doesn't look, °. */
  readonly highestDeg: number
  readonly withStars: boolean
  readonly withPole: boolean
  readonly told: ToldTargets
  /** Whether the stand lets the tube look there: what it doesn't at the evening's hour waits for its own. */
  readonly reaches: (at: { readonly altitudeDeg: number; readonly azimuthDeg: number }) => boolean
}): { readonly nights: readonly GuideNight[]; readonly words: Readonly<Record<string, TargetWords>> } {
  const { place, fromDate, untilDate, apertureMm, powers, children, told } = given
  const words: Record<string, TargetWords> = {}
  /** A planet looks different from night to night: its words go by what it looks like. */
  const wordsKey = ({ id, name, catalogue, find, look }: Target): string => {
    for (let number = 1; ; number++) {
      const key = number === 1 ? id : `${id}-${number}`
      const known = (words[key] ??= { name, catalogue, find, look })
      if (known.name === name && known.find === find && known.look === look) return key
    }
  }
  const nights = datesBetween(fromDate, untilDate).map((date): GuideNight => {
    const where = { latitudeDeg: place.latitudeDeg, longitudeDeg: place.longitudeDeg, zone: place.zone, date }
    const night = skyNight(where)
    const evening = eveningTargets({
      ...where,
      apertureMm,
      ...(powers.length > 0
        ? { mostMagnification: Math.max(...powers.map(({ magnification }) => magnification)) }
        : {}),
      ...(children ? { untilLocalHour: CHILDREN_UNTIL_HOUR } : {}),
    })
    const { sessionUtc } = evening
    return {
      date,
      sunsetUtc: night.sunsetUtc,
      notBeforeUtc: evening.fromUtc,
      darkFromUtc: night.darkFromUtc,
      moonriseUtc: stillToCome(night.moonriseUtc, evening.fromUtc),
      moonsetUtc: stillToCome(night.moonsetUtc, evening.fromUtc),
      moonLit: night.moonIlluminatedFraction,
      moonWaxing: sessionUtc ? MoonPhase(almanacTime(sessionUtc)) < 180 : false,
      sessionUtc,
      targets: rankedByTold(evening.targets, told).map((target) => ({
        id: wordsKey(target),
        told: enoughTold(told[toldKey(target.id)]),
        kind: target.kind,
        bestUtc: target.bestUtc,
        altitudeDeg: tenth(target.altitudeDeg),
        azimuthDeg: tenth(target.azimuthDeg),
        session:
          target.session && given.reaches(target.session)
            ? {
                altitudeDeg: tenth(target.session.altitudeDeg),
                azimuthDeg: tenth(target.session.azimuthDeg),
              }
            : null,
        why: target.why,
        eyepieces: powersFor(target.power, apertureMm, powers).map(({ name }) => name),
      })),
      reason: evening.reason,
      stars:
        given.withStars && sessionUtc ? starsAt({ ...where, atUtc: sessionUtc, highestDeg: given.highestDeg }) : [],
      pole: given.withPole && sessionUtc ? poleAt({ ...where, atUtc: sessionUtc }) : null,
    }
  })
  return { nights, words }
}

const CHILDREN_UNTIL_HOUR = 21
/** What was over before the evening began is no news. */
const stillToCome = (utc: string | null, eveningUtc: string | null): string | null =>
  utc !== null && eveningUtc !== null && utc < eveningUtc ? null : utc
const tenth = (value: number): number => Math.round(value * 10) / 10

function starsAt(
  moment: PlaceOnEarth & { readonly atUtc: string; readonly highestDeg?: number | undefined },
): GuideNight['stars'] {
  return alignmentStars(moment).stars.map(({ name, altitudeDeg, azimuthDeg, hourAngleHours }) => ({
    name,
    altitudeDeg: tenth(altitudeDeg),
    azimuthDeg: tenth(azimuthDeg),
    tubeSide: sideOfMount({ latitudeDeg: moment.latitudeDeg, hourAngleHours }).tubeSide,
  }))
}

function poleAt(moment: PlaceOnEarth & { readonly atUtc: string }): GuideNight['pole'] {
  const { star, ringClock } = poleStar(moment)
  return { star, ringClock }
}

function datesBetween(from: string, until: string): readonly string[] {
  const first = Date.parse(`${from}T00:00:00Z`)
  const count = Math.round((Date.parse(`${until}T00:00:00Z`) - first) / 86_400_000) + 1
  return Array.from({ length: Math.min(Math.max(count, 1), MOST_NIGHTS) }, (_each, day) =>
    new Date(first + day * 86_400_000).toISOString().slice(0, 10),
  )
}

/** A place no finer than a town: 0.1° is about ten kilometres. */
export const roundedPlace = <T extends PlaceOnEarth>(place: T): T => ({
  ...place,
  latitudeDeg: tenth(place.latitudeDeg),
  longitudeDeg: tenth(place.longitudeDeg),
})
