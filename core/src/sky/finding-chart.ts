import { degToRad } from '../shared/angles.ts'
import { horizontalPlace, hourAngleHours, type HorizontalPlace } from './horizontal.ts'
import { patternLines, patternStars, type PatternStar } from './patterns.ts'

/** A small drawing of the sky round a target as the eye sees it facing there, zenith up: stars of the shapes people steer
 * by, and their lines. Units of the drawing's half width; x to the right, y up. */
export interface FindingChart {
  readonly stars: readonly { readonly x: number; readonly y: number; readonly magnitude: number }[]
  readonly lines: readonly (readonly [readonly [number, number], readonly [number, number]])[]
  /** Height of the horizon in the drawing; below −1 it isn't in it. */
  readonly horizonY: number
  /** From its middle to its edge: so wide that something to steer by is in it. */
  readonly halfWidthDeg: number
}

const HALF_WIDTHS_DEG = [17, 26, 38] as const
/** Fewer stars than these give no direction. */
const ENOUGH_STARS = 4
const J2000_MS = Date.UTC(2000, 0, 1, 12)
const MS_PER_DAY = 86_400_000

/** Sidereal time at Greenwich in hours, whole turns and all, to a few seconds over a century. Source: Meeus 12.4, first terms. */
const siderealHours = (utc: string): number => {
  const days = (Date.parse(utc) - J2000_MS) / MS_PER_DAY
  return (280.46061837 + 360.98564736629 * days) / 15
}

/** @param given the target's direction, and where and when it is seen; equinox 2000, a third of a degree off by 2026 */
export function findingChart(given: {
  readonly target: HorizontalPlace
  readonly latitudeDeg: number
  readonly longitudeDeg: number
  readonly atUtc: string
}): FindingChart {
  const { target, latitudeDeg, longitudeDeg, atUtc } = given
  const sidereal = siderealHours(atUtc)
  const placeOf = ({ raJ2000Deg, decJ2000Deg }: PatternStar): HorizontalPlace =>
    horizontalPlace({
      hourAngleHours: hourAngleHours(raJ2000Deg / 15, sidereal, longitudeDeg),
      decDeg: decJ2000Deg,
      latitudeDeg,
    })
  const within = ({ x, y }: { readonly x: number; readonly y: number }, edge: number) =>
    Math.max(Math.abs(x), Math.abs(y)) < edge
  const halfWidthDeg =
    HALF_WIDTHS_DEG.find((wide) => {
      const seen = patternStars.map(placeOf).filter(({ altitudeDeg }) => altitudeDeg > 0)
      const points = seen.map((place) => project(place, target, wide))
      return points.filter((point) => point && within(point, 0.95)).length >= ENOUGH_STARS
    }) ?? HALF_WIDTHS_DEG[2]
  const at = (place: HorizontalPlace) => project(place, target, halfWidthDeg)
  const near = (point: { readonly x: number; readonly y: number } | null) =>
    point !== null && Math.hypot(point.x, point.y) < 1.25
  const stars = patternStars.flatMap((star) => {
    const place = placeOf(star)
    const point = place.altitudeDeg > 0 ? at(place) : null
    return point && near(point) ? [{ ...point, magnitude: star.magnitude }] : []
  })
  const lines = patternLines.flatMap(([from, to]) => {
    const [a, b] = [at(placeOf(from)), at(placeOf(to))]
    return a && b && (near(a) || near(b)) ? [[[a.x, a.y] as const, [b.x, b.y] as const] as const] : []
  })
  const horizon = at({ altitudeDeg: 0, azimuthDeg: target.azimuthDeg })
  return { stars, lines, horizonY: horizon?.y ?? -9, halfWidthDeg }
}

/** Stereographic about the target: circles stay circles, so shapes look right. Null behind one's back. */
function project(
  place: HorizontalPlace,
  centre: HorizontalPlace,
  halfWidthDeg: number,
): { readonly x: number; readonly y: number } | null {
  const [h, h0] = [degToRad(place.altitudeDeg), degToRad(centre.altitudeDeg)]
  const turn = degToRad(place.azimuthDeg - centre.azimuthDeg)
  const cosApart = Math.sin(h0) * Math.sin(h) + Math.cos(h0) * Math.cos(h) * Math.cos(turn)
  if (cosApart < 0) return null
  const k = 2 / (1 + cosApart) / (2 * Math.tan(degToRad(halfWidthDeg) / 2))
  return {
    x: k * Math.cos(h) * Math.sin(turn),
    y: k * (Math.cos(h0) * Math.sin(h) - Math.sin(h0) * Math.cos(h) * Math.cos(turn)),
  }
}
