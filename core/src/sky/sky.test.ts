import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import * as almanac from 'astronomia'
import { alignmentStars, azimuthsApartDeg } from './alignment-stars.ts'
import { needleDeclination } from './needle.ts'
import {
  almanacTime,
  bodyPlace,
  hourAngleHours,
  separationDeg,
  skyFrame,
  starOfDate,
  starPlace,
} from './positions.ts'
import { brightStars, polaris, sigmaOctantis } from './stars.ts'
import { poleStar } from '../mount/pole-star.ts'
import { clockText, ringInScope } from '../mount/ring-clock.ts'
import { degToRad, radToDeg } from '../shared/angles.ts'
import { timesAPlainSum } from '../testing/pace.ts'

const hms = (hours: number, minutes: number, seconds: number) => hours + minutes / 60 + seconds / 3600

describe('sidereal time', () => {
  it('Meeus 12.a: apparent at Greenwich, 1987 April 10, 0h', () => {
    const { siderealHours } = skyFrame(almanacTime('1987-04-10T00:00:00Z'))
    // 13h 10m 46.1351s; a tenth of a second is the last figure two nutation series share.
    expect(Math.abs(siderealHours - hms(13, 10, 46.1351)) * 3600).toBeLessThan(0.1)
  })
  it('Meeus 12.b: 19h 21m that day, mean 8h 34m 57.0896s, less the 0.23s of its equinox', () => {
    const { siderealHours } = skyFrame(almanacTime('1987-04-10T19:21:00Z'))
    expect(Math.abs(siderealHours - hms(8, 34, 57.0896 - 0.2317)) * 3600).toBeLessThan(0.1)
  })
  it('hour angle runs westwards with longitude', () => {
    expect(hourAngleHours(5, 8, 15)).toBeCloseTo(4, 9)
    expect(hourAngleHours(9, 8, 0)).toBeCloseTo(23, 9)
  })
})

it('Meeus 17.a: Arcturus and Spica stand 32.7930° apart', () => {
  const direction = (raDeg: number, decDeg: number) => ({ azimuthDeg: raDeg, altitudeDeg: decDeg })
  const arcturus = direction(213.9154, 19.1825)
  const spica = direction(201.2983, -11.1614)
  expect(separationDeg(arcturus, spica)).toBeCloseTo(32.793, 3)
  // And the list's own places of the same two, to the four figures it carries.
  const [a, s] = ['Arcturus', 'Spica'].map((name) => brightStars.find((star) => star.name === name))
  expect(
    separationDeg(
      direction(a?.raJ2000Deg ?? 0, a?.decJ2000Deg ?? 0),
      direction(s?.raJ2000Deg ?? 0, s?.decJ2000Deg ?? 0),
    ),
  ).toBeCloseTo(32.793, 3)
})

describe('two almanacs against each other', () => {
  const years = [1996, 2004, 2011, 2019, 2026]
  /** Meeus, ch. 21 to 23, as the second almanac has them: proper motion, precession, nutation, aberration. */
  function second(star: (typeof brightStars)[number], jde: number) {
    const dec = degToRad(star.decJ2000Deg)
    const mas = (value: number) => degToRad(value / 3_600_000)
    const place = almanac.apparent.position(
      { ra: degToRad(star.raJ2000Deg), dec },
      2000,
      2000 + (jde - 2451545) / 365.25,
      mas(star.properMotionRaMas) / Math.cos(dec),
      mas(star.properMotionDecMas),
    )
    return { raDeg: radToDeg(place.ra), decDeg: radToDeg(place.dec) }
  }

  it('fifty bright stars over thirty years within an arcminute', () => {
    expect(brightStars.length).toBeGreaterThanOrEqual(50)
    let worst = 0
    for (const year of years) {
      const time = almanacTime(`${year}-05-17T03:00:00Z`)
      const frame = skyFrame(time)
      for (const star of brightStars) {
        const { raHours, decDeg } = starOfDate(star, frame)
        const other = second(star, 2451545 + time.tt)
        const apart = separationDeg(
          { azimuthDeg: raHours * 15, altitudeDeg: decDeg },
          { azimuthDeg: other.raDeg, altitudeDeg: other.decDeg },
        )
        worst = Math.max(worst, apart * 3600)
      }
    }
    // An arcminute would do; they agree far better, and a wrong sign in any term would show.
    expect(worst).toBeLessThan(3)
  })

  it('the Sun over thirty years within an arcminute', () => {
    for (const year of years)
      for (const month of ['02', '06', '10']) {
        const time = almanacTime(`${year}-${month}-11T11:00:00Z`)
        const { ra, dec } = almanac.solar.apparentEquatorial(2451545 + time.tt)
        const place = { latitudeDeg: 48, longitudeDeg: 11 }
        const hour = degToRad(hourAngleHours(radToDeg(ra) / 15, skyFrame(time).siderealHours, 11) * 15)
        const latitude = degToRad(48)
        const up = Math.asin(Math.sin(latitude) * Math.sin(dec) + Math.cos(latitude) * Math.cos(dec) * Math.cos(hour))
        // The Sun's parallax, 8.8″ at most, is in the one and not in the other.
        expect(Math.abs(bodyPlace('Sun', time, place).altitudeDeg - radToDeg(up)) * 60).toBeLessThan(1)
      }
  })
})

describe('the pole’s star', () => {
  it('stands within its polar distance of the latitude, whatever the hour', () => {
    for (const latitudeDeg of [0, 12, 52.3, 78, -12, -34, -66])
      for (let hour = 0; hour < 24; hour += 1) {
        const atUtc = new Date(Date.UTC(2026, 3, 17, hour)).toISOString()
        const star = poleStar({ latitudeDeg, longitudeDeg: 17, atUtc })
        expect(Math.abs(star.altitudeDeg - Math.abs(latitudeDeg))).toBeLessThanOrEqual(star.polarDistanceDeg + 1e-6)
      }
  })
  it('is 0.62° off in the north and about 1.15° in the south, in 2026', () => {
    const at = { longitudeDeg: 0, atUtc: '2026-06-01T00:00:00Z' }
    expect(poleStar({ ...at, latitudeDeg: 50 })).toMatchObject({ star: 'Polaris' })
    expect(poleStar({ ...at, latitudeDeg: 50 }).polarDistanceDeg).toBeCloseTo(0.62, 1)
    const south = poleStar({ ...at, latitudeDeg: -30 })
    expect(south.star).toBe('Sigma Octantis')
    expect(south.polarDistanceDeg).toBeGreaterThan(1.1)
    expect(south.polarDistanceDeg).toBeLessThan(1.2)
  })
  it.each([
    { star: polaris, latitudeDeg: 45 },
    { star: sigmaOctantis, latitudeDeg: -45 },
  ])('stands on the ring where the eye sees it: $star.name', ({ star, latitudeDeg }) => {
    for (let hour = 0; hour < 24; hour += 3) {
      const atUtc = new Date(Date.UTC(2026, 9, 3, hour)).toISOString()
      const place = { latitudeDeg, longitudeDeg: 0 }
      const { ringClock } = poleStar({ ...place, atUtc })
      const { altitudeDeg, azimuthDeg } = starPlace(star, skyFrame(almanacTime(atUtc)), place)
      // Facing the pole: up is altitude, right is east in the north and west in the south.
      const up = altitudeDeg - 45
      const poleAzimuth = latitudeDeg > 0 ? 0 : 180
      const right = (((azimuthDeg - poleAzimuth + 540) % 360) - 180) * Math.cos(degToRad(altitudeDeg))
      const seen = (radToDeg(Math.atan2(right, up)) / 30 + 12) % 12
      const apart = Math.abs(seen - ringClock)
      expect(Math.min(apart, 12 - apart)).toBeLessThan(0.06)
    }
  })
  it.each([{ latitudeDeg: 52.3, hour: 21, eye: '8:10', scope: '2:10' }])(
    'the ring as a turning scope shows it: $eye becomes $scope',
    ({ latitudeDeg, hour, eye, scope }) => {
      const star = poleStar({ latitudeDeg, longitudeDeg: 0.1, atUtc: `2026-04-17T${hour}:00:00Z` })
      expect(clockText(star.ringClock)).toBe(eye)
      expect(clockText(ringInScope(star.ringClock, 'turned'))).toBe(scope)
      expect(ringInScope(star.ringClock, 'upright')).toBe(star.ringClock)
    },
  )
  it('a clock’s face has twelve hours and no thirteenth', () => {
    expect([0, 11.99, 6.5, 12].map(clockText)).toEqual(['12:00', '12:00', '6:30', '12:00'])
  })
  it.each([
    { change: { latitudeDeg: 91 }, names: 'latitudeDeg' },
    { change: { longitudeDeg: 200 }, names: 'longitudeDeg' },
    { change: { atUtc: 'tonight' }, names: 'atUtc' },
    { change: { atUtc: '2026-04-17T21:00' }, names: 'atUtc' },
    { change: { atUtc: '2300-04-17T21:00:00Z' }, names: 'atUtc' },
  ])('refuses $change by name', ({ change, names }) => {
    const good = { latitudeDeg: 50, longitudeDeg: 0, atUtc: '2026-04-17T21:00:00Z' }
    expect(() => poleStar({ ...good, ...change })).toThrow(names)
  })
})

describe('alignment stars', () => {
  const evening = { latitudeDeg: 52.3, longitudeDeg: 0.1, atUtc: '2026-04-17T21:00:00Z' }
  it('takes a bright pair, in the band and well apart, with a stand-in for each', () => {
    const { stars, standIns, reason } = alignmentStars(evening)
    expect(reason).toBeNull()
    expect(stars.map(({ name }) => name)).toEqual(['Arcturus', 'Procyon'])
    expect(standIns.map(({ hidden, star }) => [hidden, star.name])).toEqual([
      ['Arcturus', 'Capella'],
      ['Procyon', 'Pollux'],
    ])
  })
  it('every pair and triple over a year and the whole Earth is high enough, apart, and away from the Moon', () => {
    let pairs = 0
    for (let day = 3; day < 365; day += 23)
      for (const latitudeDeg of [-52, -33, 0, 28, 51, 64])
        for (const hour of [1, 7, 13, 20]) {
          const atUtc = new Date(Date.UTC(2026, 0, day, hour)).toISOString()
          const count = 2 + (day % 2)
          const { stars, reason } = alignmentStars({ latitudeDeg, longitudeDeg: 20, atUtc, count })
          const sun = bodyPlace('Sun', almanacTime(atUtc), { latitudeDeg, longitudeDeg: 20 })
          expect(reason === 'SUN_UP').toBe(sun.altitudeDeg > -6)
          if (stars.length === 0) continue
          pairs += 1
          expect(stars).toHaveLength(count)
          for (const [index, star] of stars.entries()) {
            expect(star.altitudeDeg).toBeGreaterThanOrEqual(25)
            expect(star.altitudeDeg).toBeLessThanOrEqual(70)
            for (const other of stars.slice(index + 1))
              expect(azimuthsApartDeg(star, other)).toBeGreaterThanOrEqual(40)
          }
        }
    expect(pairs).toBeGreaterThan(60)
  })
  it('leaves out a star beside a bright Moon, and says why', () => {
    const near = Array.from({ length: 240 }, (_each, index) =>
      new Date(Date.UTC(2026, 2, 1) + index * 6 * 3_600_000).toISOString(),
    )
      .map((atUtc) => alignmentStars({ ...evening, atUtc }).others)
      .find((others) => others.some(({ out }) => out === 'near-moon'))
    expect(near).toBeDefined()
  })
  it('a kit that looks no higher than 35° is given none above that, and still a pair', () => {
    const { stars, others } = alignmentStars({ ...evening, highestDeg: 35 })
    expect(stars).toHaveLength(2)
    expect(stars.every(({ altitudeDeg }) => altitudeDeg <= 35)).toBe(true)
    expect(others.find(({ name }) => name === 'Arcturus')?.out).toBe('too-high')
  })
  it('refuses four stars', () => {
    expect(() => alignmentStars({ ...evening, count: 4 })).toThrow('count')
  })
  it('four pairs take no more than some plain sums', () => {
    const fourPairs = () =>
      [0, 1, 2, 3].forEach((hour) => alignmentStars({ ...evening, atUtc: `2026-04-17T2${hour}:30:00Z` }))
    expect(timesAPlainSum(fourPairs)).toBeLessThan(2 * 5)
  })
})

describe('the needle', () => {
  // World Magnetic Model 2025's own test values, as its package for tests carries them: date, height in km, place, D.
  const file = createRequire(import.meta.url)
    .resolve('geomagnetism/package.json')
    .replace('package.json', 'test/values.csv')
  const rows = readFileSync(file, 'utf8')
    .split(/\r?\n/)
    .map((line) => line.split(',').map(Number))
    .filter(([date = 0, , latitude = 90]) => date >= 2025 && date < 2030 && Math.abs(latitude) <= 80)

  it('gives the published test values to their last figure', () => {
    expect(rows.length).toBeGreaterThan(60)
    for (const [date = 0, heightKm = 0, latitudeDeg = 0, longitudeDeg = 0, , , , , , , declination = 0] of rows) {
      const year = Math.floor(date)
      const [from, until] = [Date.UTC(year, 0, 1), Date.UTC(year + 1, 0, 1)]
      const atUtc = new Date(from + (date - year) * (until - from)).toISOString()
      const answer = needleDeclination({ latitudeDeg, longitudeDeg, heightM: heightKm * 1000, atUtc })
      // Printed to 0.01°.
      expect(Math.abs((answer.declinationDeg ?? 99) - declination)).toBeLessThanOrEqual(0.0101)
    }
  })
  it.each([{ atUtc: '2024-12-31T12:00:00Z' }, { atUtc: '2030-01-02T00:00:00Z' }])(
    'refuses $atUtc: outside the model’s years',
    ({ atUtc }) => {
      expect(needleDeclination({ latitudeDeg: 50, longitudeDeg: 0, atUtc })).toEqual({
        declinationDeg: null,
        reason: 'OUTSIDE_MODEL',
      })
    },
  )
  it('refuses beside the pole', () => {
    const answer = needleDeclination({ latitudeDeg: 85, longitudeDeg: 0, atUtc: '2026-06-01T00:00:00Z' })
    expect(answer.reason).toBe('NEAR_MAGNETIC_POLE')
  })
})
