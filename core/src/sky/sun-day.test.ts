import * as almanac from 'astronomia'
import { alignmentStars } from './alignment-stars.ts'
import { dayMoon, nightTarget } from './finder-targets.ts'
import { horizontalPlace, separationDeg } from './positions.ts'
import { dayStrip, sunDay, sunOfDay } from './sun-day.ts'
import { apparentSun, sunSafety } from './sun-safety.ts'
import { timesAPlainSum } from '../testing/pace.ts'

const place = { latitudeDeg: 52.3, longitudeDeg: 0.1, zone: 'Europe/London', atUtc: '2026-04-16T12:00:00Z' }

describe('the Sun, against published places', () => {
  it('NREL’s Solar Position Algorithm, worked example: zenith 50.11162°, azimuth 194.34024°', () => {
    const sun = apparentSun('2003-10-17T19:30:30Z', {
      latitudeDeg: 39.742476,
      longitudeDeg: -105.1786,
      atUtc: '2003-10-17T19:30:30Z',
    })
    expect(Math.abs(90 - sun.altitudeDeg - 50.11162)).toBeLessThan(0.02)
    expect(Math.abs(sun.azimuthDeg - 194.34024)).toBeLessThan(0.02)
  })

  it.each([
    { source: 'Meeus 25.a', raDeg: 198.38083, decDeg: -7.78507 },
    { source: 'Meeus 25.b', raDeg: 198.378178, decDeg: -7.783871 },
  ])('$source: 13 October 1992, 0 h TD', ({ raDeg, decDeg }) => {
    // ΔT was 59 s.
    const atUtc = '1992-10-12T23:59:01Z'
    const jd = almanac.julian.DateToJD(new Date(atUtc))
    const siderealHours = almanac.sidereal.apparent(jd) / 3600
    const hourAngleHours = (siderealHours - raDeg / 15 + 24) % 24
    const expected = horizontalPlace({ hourAngleHours, decDeg, latitudeDeg: 20 })
    const sun = apparentSun(atUtc, { latitudeDeg: 20, longitudeDeg: 0, atUtc })
    // Below the horizon no air lifts it; its own parallax is 0.002°.
    expect(separationDeg(sun, expected)).toBeLessThan(0.01)
  })

  it('the two almanacs agree on the Sun all year', () => {
    for (let month = 0; month < 12; month++) {
      const atUtc = new Date(Date.UTC(2026, month, 9, 11)).toISOString()
      const jd = almanac.julian.DateToJD(new Date(atUtc))
      const { ra, dec } = almanac.solar.apparentEquatorial(jd + 69 / 86_400)
      const siderealHours = almanac.sidereal.apparent(jd) / 3600
      const expected = horizontalPlace({
        hourAngleHours: (siderealHours - (ra * 12) / Math.PI + 48) % 24,
        decDeg: (dec * 180) / Math.PI,
        latitudeDeg: -20,
      })
      const sun = apparentSun(atUtc, { latitudeDeg: -20, longitudeDeg: 0, atUtc })
      // The second one is good to 0.01°, and knows no air.
      expect(separationDeg(sun, expected)).toBeLessThan(0.05)
    }
  })
})

describe('a day’s strip', () => {
  it('agrees with the single question to a few seconds, without gaps', () => {
    const target = { azimuthDeg: 100, altitudeDeg: 6 }
    const strip = dayStrip(sunDay(place), target)
    const { safeWindows } = sunSafety({ ...place, target })
    const safe = strip.filter(({ kind }) => kind !== 'never')
    expect(strip.map(({ kind }) => kind)).toEqual(['night', 'never', 'usable', 'night'])
    for (const [i, { fromUtc }] of strip.entries())
      if (i > 0) expect(Math.abs(Date.parse(fromUtc) - Date.parse(strip[i - 1]?.untilUtc ?? ''))).toBeLessThan(2000)
    expect(Math.abs(Date.parse(safe[1]?.fromUtc ?? '') - Date.parse(safeWindows[1]?.fromUtc ?? ''))).toBeLessThan(
      4000,
    )
    expect(Math.abs(Date.parse(safe[0]?.untilUtc ?? '') - Date.parse(safeWindows[0]?.untilUtc ?? ''))).toBeLessThan(
      4000,
    )
  })

  it('between its steps the Sun stands where it should', () => {
    const day = sunDay(place)
    for (const minute of [2.5, 333, 721.7, 1200.2]) {
      const ms = day.fromMs + minute * 60_000
      expect(separationDeg(sunOfDay(day, ms), apparentSun(new Date(ms).toISOString(), place))).toBeLessThan(0.02)
    }
  })

  it('forty landmarks take no more than some plain sums', () => {
    const forty = () => {
      const day = sunDay(place)
      for (let i = 0; i < 40; i++) dayStrip(day, { azimuthDeg: 9 * i, altitudeDeg: i / 4 })
    }
    expect(timesAPlainSum(forty)).toBeLessThan(2 * 4)
  })

  it('polar day has no night, polar night nothing else', () => {
    const polar = { latitudeDeg: 78.2, longitudeDeg: 15.6, zone: 'Arctic/Longyearbyen' }
    const kinds = (atUtc: string) =>
      new Set(dayStrip(sunDay({ ...polar, atUtc }), { azimuthDeg: 90, altitudeDeg: 0 }).map(({ kind }) => kind))
    expect(kinds('2026-06-20T12:00:00Z')).toEqual(new Set(['never', 'usable']))
    expect(kinds('2026-12-20T12:00:00Z')).toEqual(new Set(['night']))
  })

  it('no margin under 20°, no zone that is none', () => {
    expect(() => dayStrip(sunDay(place), { azimuthDeg: 0, altitudeDeg: 0 }, 19)).toThrow('marginDeg')
    expect(() => sunDay({ ...place, zone: '' })).toThrow('zone')
  })
})

describe('targets in the sky', () => {
  const night = { latitudeDeg: 52.3, longitudeDeg: 0.1, atUtc: '2026-04-16T22:00:00Z', trueFieldDeg: 1 }
  it('the pole star first, where it is high enough: it stands still', () => {
    const { target } = nightTarget(night)
    expect(target).toMatchObject({ name: 'the pole star', still: true })
    expect(target?.minutesInField).toBeGreaterThan(60)
  })
  it('near the equator another star, which the sky carries out of a 1° field in about two minutes', () => {
    const { target } = nightTarget({ ...night, latitudeDeg: 5, atUtc: '2026-04-16T20:00:00Z' })
    expect(target?.still).toBe(false)
    // 15.04′ a minute at the equator, less towards the poles.
    expect(target?.minutesInField).toBeGreaterThan(1.99)
    expect(target?.minutesInField).toBeLessThan(8)
  })
  it('beside the first, four of the bright ones that stand well; none too low, too high or by the Moon', () => {
    for (const atUtc of ['2026-04-16T22:00:00Z', '2026-10-16T21:00:00Z', '2026-12-24T22:00:00Z']) {
      const { others } = nightTarget({ ...night, atUtc })
      const all = alignmentStars({ ...night, atUtc, count: 1 })
      const bad = all.others.filter(({ out }) => out !== null).map(({ name }) => name)
      expect(bad.length).toBeGreaterThan(0)
      expect(others.map(({ name }) => name).filter((name) => bad.includes(name))).toEqual([])
      expect(others).toHaveLength(4)
    }
  })
  it('in the south no faint pole star', () => {
    expect(
      nightTarget({ ...night, latitudeDeg: -38, longitudeDeg: 145, atUtc: '2026-04-16T11:00:00Z' }).target?.name,
    ).not.toContain('Octantis')
  })
  it('none while the Sun is above −6°', () => {
    expect(nightTarget({ ...night, atUtc: '2026-04-16T12:00:00Z' })).toMatchObject({ target: null, reason: 'SUN_UP' })
  })
  it('the Moon by day only far from the Sun', () => {
    // First quarter on 24 April 2026, new Moon on the 17th (almanacs of the year, from memory).
    const quarter = dayMoon({ ...place, atUtc: '2026-04-24T15:00:00Z' })
    expect(quarter.litFraction).toBeGreaterThan(0.4)
    expect(quarter).toMatchObject({ usable: true, reason: null })
    expect(quarter.sunSeparationDeg).toBeGreaterThan(80)
    expect(dayMoon({ ...place, atUtc: '2026-04-18T12:00:00Z' })).toMatchObject({ usable: false, reason: 'NEAR_SUN' })
    expect(dayMoon({ ...place, atUtc: '2026-04-24T04:00:00Z' }).reason).toBe('BELOW')
    expect(() => dayMoon({ ...place, marginDeg: 10 })).toThrow('marginDeg')
  })
})
