import * as almanac from 'astronomia'
import {
  azimuthTurnArcmin,
  driftPlaces,
  longestExposureS,
  polarErrorFromDrift,
  type DriftPlace,
} from './polar-test.ts'

type Vector = readonly [number, number, number]
const rad = (deg: number) => (deg * Math.PI) / 180
const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]
const unit = (a: Vector): Vector => {
  const length = Math.hypot(...a)
  return [a[0] / length, a[1] / length, a[2] / length]
}
/** Rodrigues: about an axis by an angle, right-handed. */
const turned = (v: Vector, axis: Vector, angle: number): Vector => {
  const [c, s] = [Math.cos(angle), Math.sin(angle)]
  const across = cross(axis, v)
  const d = dot(axis, v) * (1 - c)
  return [0, 1, 2].map((i) => (v[i] ?? 0) * c + (across[i] ?? 0) * s + (axis[i] ?? 0) * d) as unknown as Vector
}

/** A whole sky, apart from the formula: axes east, north, up; the sky turns from east to west about the north pole, and so does
 * the drive about its own axis. Returned is how far north the star has moved in the eyepiece, in minutes of arc. */
function watched(given: {
  latitudeDeg: number
  altitudeErrorArcmin: number
  eastErrorArcmin: number
  at: DriftPlace
  minutes: number
}): number {
  const { latitudeDeg, altitudeErrorArcmin, eastErrorArcmin, at, minutes } = given
  const north: Vector = [0, Math.cos(rad(latitudeDeg)), Math.sin(rad(latitudeDeg))]
  const visiblePole: Vector = latitudeDeg > 0 ? north : [-north[0], -north[1], -north[2]]
  const up = unit([
    0 - dot(visiblePole, [0, 0, 1]) * visiblePole[0],
    0 - dot(visiblePole, [0, 0, 1]) * visiblePole[1],
    1 - dot(visiblePole, [0, 0, 1]) * visiblePole[2],
  ])
  const east: Vector = [1, 0, 0]
  const [a, e] = [rad(altitudeErrorArcmin / 60), rad(eastErrorArcmin / 60)]
  const axis = unit(
    [0, 1, 2].map((i) => (visiblePole[i] ?? 0) + (up[i] ?? 0) * a + (east[i] ?? 0) * e) as unknown as Vector,
  )
  const axisNorth: Vector = latitudeDeg > 0 ? axis : [-axis[0], -axis[1], -axis[2]]
  // On the equator, at hour angle 0, −6 h or +6 h.
  const meridian = unit(cross(east, north)).map((each) => -each) as unknown as Vector
  const onMeridian = meridian[2] > 0 ? meridian : (meridian.map((each) => -each) as unknown as Vector)
  const star = at === 'meridian' ? onMeridian : at === 'east' ? east : ([-1, 0, 0] as Vector)
  const angle = -rad((15.041068 * minutes) / 60)
  const starThen = turned(star, north, angle)
  const tubeThen = turned(star, axisNorth, angle)
  const northThere = unit(
    [0, 1, 2].map((i) => (north[i] ?? 0) - dot(north, tubeThen) * (tubeThen[i] ?? 0)) as unknown as Vector,
  )
  const apart = [0, 1, 2].map((i) => (starThen[i] ?? 0) - (tubeThen[i] ?? 0)) as unknown as Vector
  return ((dot(apart, northThere) * 180) / Math.PI) * 60
}

describe('the axis by drifting stars, against a turning sky', () => {
  it.each([
    [52, 30, -20],
    [52, -40, 25],
    [28, 15, 60],
    [-34, 30, -20],
    [-41, -25, 45],
  ])(
    'at %d°: %d′ too high and %d′ too far east are found again',
    (latitudeDeg, altitudeErrorArcmin, eastErrorArcmin) => {
      const minutes = 4
      const watches = driftPlaces.map((at) => ({
        at,
        minutes,
        northArcmin: watched({ latitudeDeg, altitudeErrorArcmin, eastErrorArcmin, at, minutes }),
      }))
      const found = polarErrorFromDrift({ watches, latitudeDeg })
      // Small angles: a whole degree off costs half a minute of arc.
      expect(Math.abs((found.altitudeArcmin ?? 0) - altitudeErrorArcmin)).toBeLessThan(1)
      expect(Math.abs((found.eastArcmin ?? 0) - eastErrorArcmin)).toBeLessThan(1)
      expect(found.lengthArcmin).toBeCloseTo(Math.hypot(found.altitudeArcmin ?? 0, found.eastArcmin ?? 0), 9)
    },
  )
  it.each([
    [52.7, -8.2, 40, -25, '2026-03-14T21:00:00Z'],
    [28.3, -16.5, -30, 50, '2026-09-02T23:30:00Z'],
    [-33.9, 151.2, 35, 20, '2026-06-21T11:00:00Z'],
  ])(
    'at %d°, %d°: the same from stars whose places the second almanac gives, on a real evening',
    (latitudeDeg, longitudeDeg, altitudeErrorArcmin, eastErrorArcmin, utc) => {
      const minutes = 6
      const here = new almanac.globe.Coord(rad(latitudeDeg), -rad(longitudeDeg))
      const sidereal = (afterMin: number) =>
        almanac.sidereal.apparent(almanac.julian.DateToJD(new Date(Date.parse(utc) + afterMin * 60_000)))
      /** East, north, up, as the almanac sees a place of the sky from here. */
      const seen = (raHours: number, decDeg: number, afterMin: number): Vector => {
        const place = new almanac.coord.Equatorial(rad(raHours * 15), rad(decDeg))
        const { az, alt } = place.toHorizontal(here, sidereal(afterMin))
        return [-Math.sin(az) * Math.cos(alt), -Math.cos(az) * Math.cos(alt), Math.sin(alt)]
      }
      // The axis that somebody sees is off: altitude by the upright, east by the horizon.
      const poleUp = unit([0, Math.cos(rad(latitudeDeg)), Math.sin(rad(latitudeDeg))])
      const raised: Vector = latitudeDeg > 0 ? poleUp : [0, -poleUp[1], -poleUp[2]]
      const over = unit(cross(cross(raised, [0, 0, 1]), raised))
      const off = [0, 1, 2].map(
        (i) =>
          (raised[i] ?? 0) +
          ((over[i] ?? 0) * rad(altitudeErrorArcmin)) / 60 +
          (i === 0 ? rad(eastErrorArcmin) / 60 : 0),
      )
      const axis = unit(off as unknown as Vector)
      const driven: Vector = latitudeDeg > 0 ? axis : [-axis[0], -axis[1], -axis[2]]
      const localHours = sidereal(0) / 3600 + longitudeDeg / 15
      const hourAngles: Record<DriftPlace, number> = { meridian: 0, east: -6, west: 6 }
      const watches = driftPlaces.map((at) => {
        const raHours = localHours - hourAngles[at]
        const tubeThen = turned(seen(raHours, 0, 0), driven, -rad((15.041068 * minutes) / 60))
        const [starThen, further] = [seen(raHours, 0, minutes), seen(raHours, 0.01, minutes)]
        const north = unit([0, 1, 2].map((i) => (further[i] ?? 0) - (starThen[i] ?? 0)) as unknown as Vector)
        const apart = [0, 1, 2].map((i) => (starThen[i] ?? 0) - (tubeThen[i] ?? 0)) as unknown as Vector
        return { at, minutes, northArcmin: ((dot(apart, north) * 180) / Math.PI) * 60 }
      })
      const found = polarErrorFromDrift({ watches, latitudeDeg })
      expect(Math.abs((found.altitudeArcmin ?? 0) - altitudeErrorArcmin)).toBeLessThan(1)
      expect(Math.abs((found.eastArcmin ?? 0) - eastErrorArcmin)).toBeLessThan(1)
    },
  )
  it('one star tells one part, and claims nothing of the other', () => {
    const [watch] = [{ at: 'meridian' as const, northArcmin: -1, minutes: 5 }]
    expect(polarErrorFromDrift({ watches: [watch], latitudeDeg: 50 })).toMatchObject({ altitudeArcmin: null })
    // 1′ in 5 minutes is 12′ an hour; 1° off drifts by 15.75′ an hour: 45.8′ off.
    expect(polarErrorFromDrift({ watches: [watch], latitudeDeg: 50 }).eastArcmin).toBeCloseTo(45.8, 0)
  })
  it('nothing watched, no time, or the equator is refused', () => {
    expect(() => polarErrorFromDrift({ watches: [], latitudeDeg: 50 })).toThrow('one star')
    const watch = { at: 'east' as const, northArcmin: 1, minutes: 0 }
    expect(() => polarErrorFromDrift({ watches: [watch], latitudeDeg: 50 })).toThrow('minutes')
    expect(() => polarErrorFromDrift({ watches: [{ ...watch, minutes: 5 }], latitudeDeg: 0 })).toThrow('equator')
  })
})

it('turned about the upright the axis moves less on the sky, the nearer the pole stands to the zenith', () => {
  expect(azimuthTurnArcmin(30, 60)).toBeCloseTo(60, 9)
})

it('longest exposure: twice the error halves it, twice the focal length too', () => {
  const at = (errorArcmin: number, focalLengthMm: number) =>
    longestExposureS({ errorArcmin, focalLengthMm, blurMm: 0.01 })
  // 0.01 mm at 500 mm are 4.13″; 10′ off drift by 2.62′ an hour at worst: 94 s.
  expect(at(10, 500)).toBeCloseTo(94.3, 0)
  expect(at(20, 500)).toBeCloseTo(at(10, 500) / 2, 9)
  expect(at(10, 1000)).toBeCloseTo(at(10, 500) / 2, 9)
  expect(at(0, 500)).toBe(Infinity)
})
