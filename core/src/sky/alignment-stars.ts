import {
  almanacTime,
  bodyPlace,
  moonLitFraction,
  requirePlace,
  separationDeg,
  skyFrame,
  starPlace,
  type HorizontalPlace,
  type SkyMoment,
} from './positions.ts'
import { brightStars } from './stars.ts'

export interface AlignmentStar extends HorizontalPlace {
  readonly name: string
  readonly magnitude: number
  readonly hourAngleHours: number
}

export interface AlignmentStars {
  /** Brightest first: it alone is the quick way. */
  readonly stars: readonly AlignmentStar[]
  readonly reason: 'SUN_UP' | 'TOO_FEW' | null
  /** What to take when one of them is hidden, the others staying. */
  readonly standIns: readonly { readonly hidden: string; readonly star: AlignmentStar }[]
  /** Bright ones that were left out, with the reason, for the drawing. */
  readonly others: readonly (AlignmentStar & { readonly out: 'too-low' | 'too-high' | 'near-moon' | null })[]
}

const LOWEST_DEG = 25
const HIGHEST_DEG = 70
/** No lining up by stars before the Sun is this low (CALCULATORS). */
const SUN_BELOW_DEG = -6
/** Under this two stars say nearly the same; over it they lie on opposite sides of the sky and again say the same. Common
 * practice, no source. */
const LEAST_APART_DEG = 40
const BEST_APART_DEG = 60
const MOST_APART_DEG = 150
/** How far a bright Moon drowns a star to an untrained eye; shrinks with its lit share. Common practice, no source. */
const MOON_DEG = 20
const FAINTEST = 2.6

/** A good set of alignment stars: bright, 25–70° high, well apart in azimuth, the Moon not in the way.
 * @param input count 1 to 3 (2); highestDeg where the kit's own tube looks no higher than that
 * @returns no stars and `SUN_UP` while the Sun is above −6°; `TOO_FEW` where the sky holds no such set
 * @throws RangeError for a place off the Earth, an unreadable instant, another count
 * Source: common practice, no source (DOMAIN section 6) */
export function alignmentStars(
  input: SkyMoment & { readonly count?: number | undefined; readonly highestDeg?: number | undefined },
): AlignmentStars {
  requirePlace(input)
  const count = input.count ?? 2
  if (![1, 2, 3].includes(count)) throw new RangeError(`count must be 1, 2 or 3; got ${count}`)
  const highestDeg = Math.min(HIGHEST_DEG, input.highestDeg ?? HIGHEST_DEG)
  const time = almanacTime(input.atUtc)
  if (bodyPlace('Sun', time, input).altitudeDeg > SUN_BELOW_DEG)
    return { stars: [], reason: 'SUN_UP', standIns: [], others: [] }
  const moon = bodyPlace('Moon', time, input)
  const moonReachDeg = moon.altitudeDeg > -1 ? MOON_DEG * moonLitFraction(time) : 0
  const frame = skyFrame(time)
  const up = brightStars.flatMap((star): AlignmentStars['others'] => {
    const { altitudeDeg, azimuthDeg, hourAngleHours } = starPlace(star, frame, input)
    if (altitudeDeg < 0) return []
    const out =
      altitudeDeg < LOWEST_DEG
        ? ('too-low' as const)
        : altitudeDeg > highestDeg
          ? ('too-high' as const)
          : separationDeg({ altitudeDeg, azimuthDeg }, moon) < moonReachDeg
            ? ('near-moon' as const)
            : null
    return [{ name: star.name, magnitude: star.magnitude, altitudeDeg, azimuthDeg, hourAngleHours, out }]
  })
  const fit = up.filter(({ out, magnitude }) => out === null && magnitude <= FAINTEST)
  const best = bestSet(fit, count, [])
  if (!best) return { stars: [], reason: 'TOO_FEW', standIns: [], others: up }
  const stars = [...best].sort((a, b) => a.magnitude - b.magnitude)
  const standIns = stars.flatMap((hidden) => {
    const keep = stars.filter((each) => each !== hidden)
    const instead = bestSet(
      fit.filter((each) => each !== hidden),
      count,
      keep,
    )
    const star = instead?.find((each) => !keep.includes(each))
    return star ? [{ hidden: hidden.name, star: plain(star) }] : []
  })
  return {
    stars: stars.map(plain),
    reason: null,
    standIns,
    others: up.filter(({ name }) => !stars.some((star) => star.name === name)),
  }
}

const plain = ({ name, altitudeDeg, azimuthDeg, magnitude, hourAngleHours }: AlignmentStar): AlignmentStar => ({
  name,
  altitudeDeg,
  azimuthDeg,
  magnitude,
  hourAngleHours,
})

/** Directions on the horizon apart from each other, in [0, 180]. */
export function azimuthsApartDeg(a: HorizontalPlace, b: HorizontalPlace): number {
  const apart = Math.abs(a.azimuthDeg - b.azimuthDeg) % 360
  return apart > 180 ? 360 - apart : apart
}

/** The set of `count` that costs least and holds all of `keep`. Sets are few: 20 stars make 1,140 threes. */
function bestSet<T extends AlignmentStar>(
  stars: readonly T[],
  count: number,
  keep: readonly T[],
): readonly T[] | null {
  let best: readonly T[] | null = null
  let least = Infinity
  const grow = (set: readonly T[], from: number, cost: number) => {
    if (cost >= least) return
    if (set.length === count) {
      best = set
      least = cost
      return
    }
    for (let index = from; index < stars.length; index += 1) {
      const star = stars[index]
      if (!star || set.includes(star)) continue
      const added = set.reduce((sum, other) => sum + apartCost(azimuthsApartDeg(star, other)), starCost(star))
      grow([...set, star], index + 1, cost + added)
    }
  }
  const kept = keep.reduce(
    (sum, star, index) =>
      keep
        .slice(0, index)
        .reduce((all, other) => all + apartCost(azimuthsApartDeg(star, other)), sum + starCost(star)),
    0,
  )
  grow(keep, 0, kept)
  return best
}

/** Costs in magnitudes, offset so that none is negative: 20° further from a comfortable 45° are worth half a magnitude. */
const starCost = ({ magnitude, altitudeDeg }: AlignmentStar): number =>
  magnitude + 2 + Math.abs(altitudeDeg - 45) / 40

function apartCost(apartDeg: number): number {
  if (apartDeg < LEAST_APART_DEG || apartDeg > 180 - LEAST_APART_DEG / 4) return Infinity
  return Math.max(0, BEST_APART_DEG - apartDeg, apartDeg - MOST_APART_DEG) / 10
}
