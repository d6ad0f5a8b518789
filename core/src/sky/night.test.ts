import * as almanac from 'astronomia'
import { AstroTime, EclipticGeoMoon, KM_PER_AU } from 'astronomy-engine'
import { horizontalPlace } from './positions.ts'
import { skyNight } from './night.ts'

const places = [
  [53.3, -6.3, 'Europe/Dublin'],
  [40.4, -3.7, 'Europe/Madrid'],
  [54.9, 10.7, 'Europe/Oslo'],
  [-0.2, -78.5, 'America/Guayaquil'],
  [-33.9, 151.2, 'Australia/Sydney'],
  [-36.8, 174.8, 'Pacific/Auckland'],
  [35.7, 139.7, 'Asia/Tokyo'],
  [39.7, -105, 'America/Denver'],
  [-33.9, 18.4, 'Africa/Johannesburg'],
  [-54.8, -68.3, 'America/Argentina/Ushuaia'],
] as const
const dates = ['2026-03-20', '2026-11-09'] as const

/** Altitude of the Sun by the second almanac. */
function sunDeg(ms: number, latitudeDeg: number, longitudeDeg: number): number {
  const jd = almanac.julian.DateToJD(new Date(ms))
  const { ra, dec } = almanac.solar.apparentEquatorial(jd + 69 / 86_400)
  const hourAngleHours = almanac.sidereal.apparent(jd) / 3600 + longitudeDeg / 15 - (ra * 12) / Math.PI
  return horizontalPlace({ hourAngleHours, decDeg: (dec * 180) / Math.PI, latitudeDeg }).altitudeDeg
}

describe.each(places)('at %d°, %d°', (latitudeDeg, longitudeDeg, zone) => {
  it.each(dates)('on %s the second almanac has the Sun at the horizon, and 12° down, within a minute', (date) => {
    const night = skyNight({ latitudeDeg, longitudeDeg, date, zone })
    const crossings = [
      [night.sunsetUtc, -50 / 60, -1],
      [night.darkFromUtc, -12, -1],
      [night.darkUntilUtc, -12, 1],
      [night.sunriseUtc, -50 / 60, 1],
    ] as const
    for (const [utc, atDeg, direction] of crossings) {
      const ms = Date.parse(utc ?? '')
      const early = sunDeg(ms - 60_000, latitudeDeg, longitudeDeg) - atDeg
      const late = sunDeg(ms + 60_000, latitudeDeg, longitudeDeg) - atDeg
      expect(Math.sign(early)).toBe(-direction)
      expect(Math.sign(late)).toBe(direction)
    }
    expect(night.state).toBe('normal')
    const dark = (Date.parse(night.darkUntilUtc ?? '') - Date.parse(night.darkFromUtc ?? '')) / 3_600_000
    expect(night.moonlessDarkHours).toBeGreaterThanOrEqual(0)
    expect(night.moonlessDarkHours).toBeLessThan(dark + 0.1)
  })
})

/** Altitude of the Moon's middle for an observer on the ground, and its radius, by the second almanac. */
function moonDeg(ms: number, latitudeDeg: number, longitudeDeg: number) {
  const jd = almanac.julian.DateToJD(new Date(ms))
  const jde = jd + 69 / 86_400
  const { lon, lat, range } = almanac.moonposition.position(jde)
  const [longitudeNutation, obliquityNutation] = almanac.nutation.nutation(jde)
  const e = almanac.nutation.meanObliquity(jde) + obliquityNutation
  const l = lon + longitudeNutation
  const ra = Math.atan2(Math.sin(l) * Math.cos(e) - Math.tan(lat) * Math.sin(e), Math.cos(l))
  const dec = Math.asin(Math.sin(lat) * Math.cos(e) + Math.cos(lat) * Math.sin(e) * Math.sin(l))
  const hourAngleHours = almanac.sidereal.apparent(jd) / 3600 + longitudeDeg / 15 - (ra * 12) / Math.PI
  const decDeg = (dec * 180) / Math.PI
  const { altitudeDeg } = horizontalPlace({ hourAngleHours, decDeg, latitudeDeg })
  const parallaxDeg = (Math.asin(6378.14 / range) * 180) / Math.PI
  const radiusDeg = (Math.asin(1737.4 / range) * 180) / Math.PI
  return { topDeg: altitudeDeg - parallaxDeg * Math.cos((altitudeDeg * Math.PI) / 180) + radiusDeg }
}

describe.each(places)('the Moon at %d°, %d°', (latitudeDeg, longitudeDeg, zone) => {
  it.each(dates)('on %s rises and sets by the second almanac within a minute', (date) => {
    const night = skyNight({ latitudeDeg, longitudeDeg, date, zone })
    const crossings = [
      [night.moonriseUtc, 1],
      [night.moonsetUtc, -1],
    ] as const
    expect(crossings.some(([utc]) => utc !== null)).toBe(true)
    for (const [utc, direction] of crossings) {
      if (utc === null) continue
      const heightAt = (ms: number) => moonDeg(ms, latitudeDeg, longitudeDeg).topDeg + 34 / 60
      const ms = Date.parse(utc)
      // Where its path meets the horizon at under 5°, ten minutes are allowed; none of these does.
      const slopeDegPerMinute = Math.abs(heightAt(ms + 60_000) - heightAt(ms - 60_000)) / 2
      expect(slopeDegPerMinute / 0.25).toBeGreaterThan(Math.sin((5 * Math.PI) / 180))
      expect(Math.sign(heightAt(ms - 60_000))).toBe(-direction)
      expect(Math.sign(heightAt(ms + 60_000))).toBe(direction)
    }
  })
})

/** Dark hours without the Moon, five minutes at a time, by the second almanac. */
function countedHours({
  latitudeDeg,
  longitudeDeg,
  fromUtc,
}: {
  latitudeDeg: number
  longitudeDeg: number
  fromUtc: string
}) {
  const stepMs = 5 * 60_000
  let steps = 0
  for (let ms = Date.parse(fromUtc) + stepMs / 2; ms < Date.parse(fromUtc) + 24 * 3_600_000; ms += stepMs)
    if (sunDeg(ms, latitudeDeg, longitudeDeg) < -12 && moonDeg(ms, latitudeDeg, longitudeDeg).topDeg + 34 / 60 < 0)
      steps++
  return steps / 12
}

it.each([
  ['Moon up at first', 53.3, '2026-03-24'],
  ['Moon up later', 53.3, '2026-03-08'],
  ['up all night', 53.3, '2026-12-23'],
  ['in a polar night it sets, and comes again', 80, '2026-12-17'],
  ['in a polar night it comes, and sets again', 80, '2026-12-15'],
  ['in a polar night it stays up', 80, '2026-12-24'],
  ['in a polar night it stays down', 80, '2026-01-12'],
  ['south of the equator', -54.8, '2026-06-06'],
])('dark hours without the Moon are what a count finds: %s', (_what, latitudeDeg, date) => {
  const place = { latitudeDeg, longitudeDeg: 0 }
  const night = skyNight({ ...place, date, zone: 'UTC' })
  expect(night.moonIlluminatedFraction).toBeGreaterThan(0.1)
  const counted = countedHours({ ...place, fromUtc: `${date}T12:00:00Z` })
  expect(Math.abs(night.moonlessDarkHours - counted)).toBeLessThan(0.3)
})

it('far north, where bodies graze the horizon, within ten minutes', () => {
  for (const [latitudeDeg, date] of [
    [68, '2026-01-25'],
    [66, '2026-05-28'],
    [69, '2026-11-12'],
  ] as const) {
    const night = skyNight({ latitudeDeg, longitudeDeg: 19, date, zone: 'Europe/Oslo' })
    const ms = Date.parse(night.sunsetUtc ?? '')
    expect(sunDeg(ms - 600_000, latitudeDeg, 19)).toBeGreaterThan(-50 / 60)
    expect(sunDeg(ms + 600_000, latitudeDeg, 19)).toBeLessThan(-50 / 60)
  }
})

it('Meeus 47.a: the Moon of 12 April 1992, 0 h TD, and both almanacs agree on it', () => {
  // Apparent longitude 133°.167 265, latitude −3°.229 126, distance 368 409.7 km.
  const jde = 2_448_724.5
  const { lon, lat, range } = almanac.moonposition.position(jde)
  const [longitudeNutation] = almanac.nutation.nutation(jde)
  const deg = 180 / Math.PI
  expect((lon + longitudeNutation) * deg).toBeCloseTo(133.167265, 4)
  expect([lat * deg, range].map((value) => value.toFixed(1))).toEqual(['-3.2', '368409.7'])
  const time = AstroTime.FromTerrestrialTime(jde - 2_451_545)
  const seen = EclipticGeoMoon(time)
  // The almanac's longitude is that of the true equinox of date.
  expect(Math.abs(seen.lon - 133.167265)).toBeLessThan(0.003)
  expect(Math.abs(seen.lat + 3.229126)).toBeLessThan(0.003)
  expect(Math.abs(seen.dist * KM_PER_AU - 368_409.7)).toBeLessThan(20)
})

it('Meeus 48.a: 12 April 1992, 0 h TD, 0.6786 of the Moon is lit', () => {
  // In a zone whose midnight is 0 h UT.
  const { moonIlluminatedFraction } = skyNight({
    latitudeDeg: 0,
    longitudeDeg: 0,
    date: '1992-04-11',
    zone: 'Etc/UTC',
  })
  expect(moonIlluminatedFraction).toBeCloseTo(0.6786, 2)
})

it('midsummer at 60° never gets dark; midwinter at 80° is dark all day', () => {
  const summer = skyNight({ latitudeDeg: 60, longitudeDeg: 10, date: '2026-06-21', zone: 'Europe/Oslo' })
  expect(summer).toMatchObject({ state: 'never-dark', darkFromUtc: null, moonlessDarkHours: 0 })
  const winter = skyNight({ latitudeDeg: 82, longitudeDeg: 10, date: '2026-12-21', zone: 'Etc/UTC' })
  expect(winter).toMatchObject({ state: 'always-dark', sunsetUtc: null, sunriseUtc: null })
  expect(winter.moonlessDarkHours).toBeLessThanOrEqual(24)
})

it('a new Moon takes no dark hour, a full one nearly all', () => {
  const at = (date: string) => skyNight({ latitudeDeg: 52, longitudeDeg: 0, date, zone: 'Europe/London' })
  // New on 17 April, full on 2 April 2026 (almanacs of the year, from memory).
  const fresh = at('2026-04-17')
  const dark = (Date.parse(fresh.darkUntilUtc ?? '') - Date.parse(fresh.darkFromUtc ?? '')) / 3_600_000
  expect(fresh.moonlessDarkHours).toBeCloseTo(dark, 1)
  expect(at('2026-04-02').moonlessDarkHours).toBeLessThan(0.5)
})

it.each([
  { change: { date: '2026-02-30' }, names: 'date' },
  { change: { zone: 'Nowhere/Land' }, names: 'zone' },
  { change: { latitudeDeg: 91 }, names: 'latitudeDeg' },
])('refuses $change', ({ change, names }) => {
  const usual = { latitudeDeg: 52, longitudeDeg: 0, date: '2026-04-17', zone: 'Europe/London' }
  expect(() => skyNight({ ...usual, ...change })).toThrow(names)
})
