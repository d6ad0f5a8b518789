import { cases } from '../testing/sweep.ts'
import * as almanac from 'astronomia'
import { AstroTime, Body, Equator, Horizon, Observer } from 'astronomy-engine'
import fc from 'fast-check'
import { noTargetWords, skyTargets } from '../words/targets.ts'
import { moonFeatures, subsolarLongitudeDeg, sunOverFeature } from './moon-features.ts'
import { horizontalPlace, separationDeg } from './positions.ts'
import { showpieces } from './showpieces.ts'
import type { TargetsInput } from './target-stretches.ts'
import { eveningTargets } from './targets.ts'

const club: TargetsInput = {
  latitudeDeg: 52.3,
  longitudeDeg: 0.1,
  date: '2026-04-22',
  zone: 'Europe/London',
  apertureMm: 125,
}
const named = (input: Partial<TargetsInput> = {}) => eveningTargets({ ...club, ...input }).targets

/** The Sun by the second almanac. */
function sunAt(utc: string, { latitudeDeg, longitudeDeg }: { latitudeDeg: number; longitudeDeg: number }) {
  const jd = almanac.julian.DateToJD(new Date(utc))
  const { ra, dec } = almanac.solar.apparentEquatorial(jd + 69 / 86_400)
  const hourAngleHours = almanac.sidereal.apparent(jd) / 3600 + longitudeDeg / 15 - (ra * 12) / Math.PI
  return horizontalPlace({ hourAngleHours, decDeg: (dec * 180) / Math.PI, latitudeDeg })
}

const evenings = [
  { ...club },
  { ...club, date: '2026-06-21' },
  { ...club, date: '2026-12-21' },
  { ...club, date: '2026-02-19' },
  { latitudeDeg: -33.9, longitudeDeg: 151.2, zone: 'Australia/Sydney', date: '2026-05-20', apertureMm: 76 },
  { latitudeDeg: 60.2, longitudeDeg: 24.9, zone: 'Europe/Helsinki', date: '2026-10-14', apertureMm: 110 },
  { latitudeDeg: 0.2, longitudeDeg: -78.5, zone: 'America/Guayaquil', date: '2026-09-10', apertureMm: 203 },
  { latitudeDeg: 40.4, longitudeDeg: -3.7, zone: 'Europe/Madrid', date: '2026-08-12', apertureMm: 90 },
] satisfies TargetsInput[]

describe.each(evenings)('at $latitudeDeg°, $longitudeDeg° on $date', (input) => {
  const { targets } = eveningTargets(input)
  it('gives eight to twelve sure ones, best first', () => {
    expect(targets.length).toBeGreaterThanOrEqual(8)
    expect(targets.length).toBeLessThanOrEqual(12)
    const merits = targets.map(({ merit }) => merit)
    expect(merits).toEqual([...merits].sort((a, b) => b - a))
  })
  it('never before the Sun is under −4°, nor near where it set before −6°, by the second almanac', () => {
    for (const target of targets)
      for (const utc of [
        target.bestUtc,
        ...target.stretches.flatMap(({ fromUtc, untilUtc }) => [fromUtc, untilUtc]),
      ]) {
        const sun = sunAt(utc, input)
        expect(sun.altitudeDeg).toBeLessThan(-3.98)
        if (sun.altitudeDeg > -6.02 && utc === target.bestUtc)
          // The Sun's azimuth now is within a few degrees of where it set.
          expect(separationDeg(target, { altitudeDeg: 0, azimuthDeg: sun.azimuthDeg })).toBeGreaterThan(12)
      }
  })
  it('stands where spherical trigonometry puts it', () => {
    for (const target of targets) {
      const piece = showpieces.find(({ id }) => id === target.id)
      if (!piece) continue
      const jd = almanac.julian.DateToJD(new Date(target.bestUtc))
      const hourAngleHours = almanac.sidereal.apparent(jd) / 3600 + input.longitudeDeg / 15 - piece.raJ2000Deg / 15
      const place = horizontalPlace({ hourAngleHours, decDeg: piece.decJ2000Deg, latitudeDeg: input.latitudeDeg })
      // J2000 against the equator of date: a third of a degree of precession by 2026.
      expect(separationDeg(place, target)).toBeLessThan(0.5)
      expect(target.altitudeDeg).toBeGreaterThanOrEqual(20)
    }
  })
})

it('the evening of the design: Moon, Jupiter, Beehive and Mizar, as drawn for 22 April 2026', () => {
  const ids = named().map(({ id }) => id)
  expect(ids).toEqual(expect.arrayContaining(['moon', 'jupiter', 'beehive', 'mizar']))
})

it('far north in June the Sun never gets low enough: nothing, and why', () => {
  expect(eveningTargets({ ...club, latitudeDeg: 66, date: '2026-06-21' })).toEqual({
    targets: [],
    fromUtc: null,
    untilUtc: null,
    sessionUtc: null,
    reason: 'SUN_UP',
  })
})

it('a night that stays bright gives fewer, and nothing faint', () => {
  const helsinki = { latitudeDeg: 60.2, longitudeDeg: 24.9, zone: 'Europe/Helsinki', date: '2026-05-14' }
  const bright = named(helsinki)
  expect(bright.length).toBeGreaterThan(3)
  expect(bright.length).toBeLessThan(8)
  expect(bright.every(({ kind }) => ['moon', 'moon-feature', 'planet', 'double-star'].includes(kind))).toBe(true)
})

it('near the Sun’s place of setting nothing is offered in bright twilight, but later it is', () => {
  // Venus in the west after sunset, May 2026, within 20° of where the Sun went down only as it sinks.
  for (const date of ['2026-02-10', '2026-03-01', '2026-05-20', '2026-08-20']) {
    const venus = named({ date }).find(({ id }) => id === 'venus')
    if (!venus) continue
    expect(sunAt(venus.stretches[0]?.fromUtc ?? '', club).altitudeDeg).toBeLessThan(-4)
  }
  const shown = named({ date: '2026-02-22' }).find(({ id }) => id === 'venus')
  expect(shown === undefined || sunAt(shown.stretches[0]?.fromUtc ?? '', club).altitudeDeg < -6).toBe(true)
})

it('nobody sweeps towards sunrise, even where the night is short', () => {
  const { untilUtc, fromUtc } = eveningTargets({ ...club, latitudeDeg: 61, date: '2026-06-10' })
  expect(fromUtc).not.toBeNull()
  // Past the middle of the night the Sun climbs again; the last moment is under −6° or before its lowest.
  const sun = sunAt(untilUtc ?? '', { ...club, latitudeDeg: 61 })
  const later = sunAt(new Date(Date.parse(untilUtc ?? '') + 600_000).toISOString(), { ...club, latitudeDeg: 61 })
  expect(sun.altitudeDeg < -5.9 || later.altitudeDeg < sun.altitudeDeg + 0.4).toBe(true)
})

it('what the aperture or the sky can’t show is left out', () => {
  const winter = { date: '2026-11-12' }
  const ids = (input: Partial<TargetsInput>) => named({ ...winter, ...input }).map(({ id }) => id)
  expect(ids({ apertureMm: 125, limitingMagnitude: 6 })).toContain('andromeda-galaxy')
  expect(ids({ apertureMm: 50, limitingMagnitude: 6 })).not.toContain('andromeda-galaxy')
  const city = named({ ...winter, limitingMagnitude: 3 })
  expect(city.every(({ kind }) => !['nebula', 'galaxy', 'globular-cluster'].includes(kind))).toBe(true)
  expect(city.length).toBeGreaterThan(0)
})

it('a bright Moon takes faint things away, or says that they are dimmer', () => {
  // New on 12 August, full on 26 September 2026 (almanacs of the year, from memory).
  const dark = named({ date: '2026-10-10', limitingMagnitude: 5 })
  const moonlit = named({ date: '2026-10-25', limitingMagnitude: 5 })
  expect(dark.some(({ why }) => why === 'moonlight-takes-some')).toBe(false)
  const faint = moonlit.filter(({ kind }) => kind === 'nebula' || kind === 'galaxy')
  for (const each of faint) expect(each.why).toBe('moonlight-takes-some')
  expect(moonlit.map(({ id }) => id)).toContain('moon')
})

it('a full Moon has no shadows to look at, a half one has', () => {
  const lookAt = (date: string) => named({ date }).find(({ id }) => id === 'moon')?.look
  // Full on 26 September 2026, two days before its first quarter on 22 April (almanacs of the year, from memory).
  expect(lookAt('2026-09-26')).toContain('hardly any shadows')
  expect(lookAt('2026-04-22')).toContain('edge of the shadow')
})

describe('the Moon’s shadows', () => {
  it('Meeus 53.a: 12 April 1992, 0 h TD, the Sun stands over 67.9° east', () => {
    expect(subsolarLongitudeDeg(AstroTime.FromTerrestrialTime(2_448_724.5 - 2_451_545))).toBeCloseTo(67.9, 0)
  })
  it('a half Moon is lit from its middle; what is offered lies just inside the light', () => {
    // First quarter: the Sun over 90° east, so the edge of the shadow runs down the middle.
    const copernicus = moonFeatures.find(({ id }) => id === 'copernicus')
    const theophilus = moonFeatures.find(({ id }) => id === 'theophilus')
    if (!copernicus || !theophilus) throw new Error('features are gone')
    expect(sunOverFeature(copernicus, 90)).toBeLessThan(0)
    expect(sunOverFeature(theophilus, 90)).toBeGreaterThan(20)
    for (const day of [19, 22, 24, 26, 28]) {
      const features = named({ date: `2026-04-${day}` }).filter(({ kind }) => kind === 'moon-feature')
      for (const feature of features) {
        const found = moonFeatures.find(({ id }) => `moon-${id}` === feature.id)
        const subsolar = subsolarLongitudeDeg(AstroTime.FromTerrestrialTime(tt(feature.bestUtc)))
        expect(found && sunOverFeature(found, subsolar)).toBeGreaterThan(2)
        expect(found && sunOverFeature(found, subsolar)).toBeLessThan(21)
      }
    }
  })
  const tt = (utc: string) => (Date.parse(utc) - Date.UTC(2000, 0, 1, 12)) / 86_400_000
})

it.each([
  ['m47', [101.29, -16.72], 1.25],
  ['m39', [310.36, 45.28], 0.9],
  ['m41', [101.29, -16.72], 0.4],
  ['m6', [263.4, -37.1], 0.5],
  ['lagoon-nebula', [271.45, -30.42], 0.6],
  ['gamma-velorum', [95.99, -52.7], 1.75],
  ['acamar', [24.43, -57.24], 2.1],
  ['algedi', [297.7, 8.87], 2.25],
  ['southern-pleiades', [187.5, -60], 1.3],
  ['wishing-well', [187.5, -60], 1.1],
  ['carina-nebula', [187.5, -60], 1.3],
  ['omega-centauri', [215, -60.6], 1.5],
] as const)('%s lies as many fists away as its words say', (id, [azimuthDeg, altitudeDeg], fists) => {
  const piece = showpieces.find((each) => each.id === id)
  if (!piece) throw new Error(`${id} is gone`)
  const degrees = separationDeg(
    { azimuthDeg, altitudeDeg },
    { azimuthDeg: piece.raJ2000Deg, altitudeDeg: piece.decJ2000Deg },
  )
  expect(Math.abs(degrees / 10 - fists)).toBeLessThan(0.2)
})

describe('two stars close together', () => {
  const looksOf = (change: Partial<TargetsInput>) =>
    // A summer night: the Lyre and the Swan are up.
    new Map(eveningTargets({ ...club, date: '2026-08-12', ...change }).targets.map(({ id, look }) => [id, look]))
  it('the close pairs of the double double only where the aperture and a power of the case part them', () => {
    const pairs = /each is a close pair/
    expect(looksOf({ apertureMm: 150 }).get('double-double')).toMatch(pairs)
    expect(looksOf({ apertureMm: 150, mostMagnification: 120 }).get('double-double')).toMatch(pairs)
    expect(looksOf({ apertureMm: 150, mostMagnification: 90 }).get('double-double')).toBe(
      'Two white stars, wide apart.',
    )
    expect(looksOf({ apertureMm: 70 }).get('double-double')).toBe('Two white stars, wide apart.')
  })
  it('a pair that no power of the case shows as two is left out', () => {
    const inMay = { date: '2026-05-08', apertureMm: 130 }
    expect([...looksOf(inMay).keys()]).toContain('algieba')
    expect([...looksOf({ ...inMay, mostMagnification: 48 }).keys()]).not.toContain('algieba')
    expect([...looksOf({ ...inMay, mostMagnification: 52 }).keys()]).toContain('algieba')
  })
  it('every double star says how far apart its two stand, and no other thing does', () => {
    for (const { kind, separationArcsec, id } of showpieces)
      expect([id, separationArcsec !== undefined]).toEqual([id, kind === 'double-star'])
  })
})

it('a beginner’s name has the number that other lists know it by beside it', () => {
  for (const { kind, catalogue, id } of showpieces)
    if (kind !== 'double-star') expect([id, catalogue]).toEqual([id, expect.stringMatching(/^(M|NGC |IC )\d+/)])
  // Ids that are numbers agree with theirs.
  for (const { id, catalogue } of showpieces) if (/^m\d+$/.test(id)) expect(catalogue).toBe(id.toUpperCase())
})

describe('in words', () => {
  it('names the case’s own eyepieces: the lowest to find it, then the one nearest to what shows it best', () => {
    const powers = [
      { name: '10 mm', magnification: 65 },
      { name: '25 mm', magnification: 26 },
      { name: '4 mm', magnification: 162 },
    ]
    const { targets } = skyTargets({ ...club, powers })
    const of = (name: string) => targets.find((each) => each.name === name)?.eyepiece
    expect(of('the Beehive (M44)')).toBe('25 mm')
    expect(of('Jupiter')).toBe('25 mm, then 10 mm')
    expect(of('Algieba')).toBe('25 mm, then 4 mm')
  })
  it('without eyepieces of its own: a power to aim at, and none above what finds it for what is wide', () => {
    const { targets, reason } = skyTargets({ ...club, apertureMm: 130 })
    const of = (name: string) => targets.find((each) => each.name === name)?.eyepiece
    expect(of('the Beehive (M44)')).toBe('the lowest power')
    expect(of('Jupiter')).toMatch(/^the lowest power, then about \d+×$/)
    expect(reason).toBeNull()
  })
  it('why there is nothing to look for', () => {
    const { targets, reason } = skyTargets({ ...club, latitudeDeg: 78, date: '2026-06-21' })
    expect([targets, reason]).toEqual([[], noTargetWords.SUN_UP])
  })
  it('no advice depends on which hemisphere one stands in', () => {
    const sided = /\b(left|right|above|below|under|up|down|top|bottom)\b/i
    // A thing's own top (a teapot's lid) and what an eyepiece shows are no directions in the sky.
    for (const { find, id } of showpieces) {
      const plain = find.replace('top of the teapot', '').replace('top of Perseus', '')
      expect(`${id}: ${sided.test(plain)}`).toBe(`${id}: false`)
    }
  })
})

it.each([
  { change: { apertureMm: 0 }, names: 'apertureMm' },
  { change: { limitingMagnitude: 9 }, names: 'limitingMagnitude' },
  { change: { latitudeDeg: 100 }, names: 'latitudeDeg' },
  { change: { date: 'soon' }, names: 'date' },
])('refuses $change', ({ change, names }) => {
  expect(() => eveningTargets({ ...club, ...change })).toThrow(names)
})

const MINUTE_MS = 60_000
type Where = Pick<TargetsInput, 'latitudeDeg' | 'longitudeDeg'>
/** Where the Sun sinks through the horizon on its way to the evening, by the second almanac. */
function sunsetBefore(utc: string, where: Where) {
  for (let ms = Date.parse(utc); ms > Date.parse(utc) - 20 * 3_600_000; ms -= 2 * MINUTE_MS) {
    const sun = sunAt(new Date(ms).toISOString(), where)
    if (sun.altitudeDeg > -0.833) return { altitudeDeg: 0, azimuthDeg: sun.azimuthDeg }
  }
  return null
}
function placeOf(id: string, utc: string, where: Where) {
  const planet = (['Venus', 'Jupiter', 'Saturn', 'Mars'] as const).find((name) => name.toLowerCase() === id)
  if (planet || id.startsWith('moon')) {
    const observer = new Observer(where.latitudeDeg, where.longitudeDeg, 0)
    const { ra, dec } = Equator(Body[planet ?? 'Moon'], new Date(utc), observer, true, true)
    const { altitude: altitudeDeg, azimuth: azimuthDeg } = Horizon(new Date(utc), observer, ra, dec)
    return { altitudeDeg, azimuthDeg }
  }
  const piece = showpieces.find((each) => each.id === id)
  if (!piece) throw new Error(`no ${id}`)
  const hours = almanac.sidereal.apparent(almanac.julian.DateToJD(new Date(utc))) / 3600
  const hourAngleHours = hours + where.longitudeDeg / 15 - piece.raJ2000Deg / 15
  return horizontalPlace({ hourAngleHours, decDeg: piece.decJ2000Deg, latitudeDeg: where.latitudeDeg })
}
/** Every minute of every stretch against the rules of the Sun, by the second almanac; a degree is left for its sunset. */
function forbiddenMinutes(input: TargetsInput): readonly string[] {
  const { targets } = eveningTargets(input)
  const suns = new Map<string, ReturnType<typeof sunAt>>()
  const sunOf = (utc: string) => suns.get(utc) ?? suns.set(utc, sunAt(utc, input)).get(utc) ?? sunAt(utc, input)
  return targets.flatMap(({ id, stretches, bestUtc }) => {
    const inOne = stretches.some(({ fromUtc, untilUtc }) => fromUtc <= bestUtc && bestUtc <= untilUtc)
    const wrong = inOne ? [] : [`${id}: best ${bestUtc} outside`]
    for (const { fromUtc, untilUtc } of stretches)
      for (let ms = Date.parse(fromUtc); ms <= Date.parse(untilUtc); ms += MINUTE_MS) {
        const utc = new Date(ms).toISOString()
        const sun = sunOf(utc)
        if (sun.altitudeDeg > -3.97) wrong.push(`${id}: Sun at ${sun.altitudeDeg.toFixed(2)}° at ${utc}`)
        if (sun.altitudeDeg < -5.97) continue
        const sunset = sunsetBefore(utc, input)
        if (sunset && separationDeg(placeOf(id, utc, input), sunset) < 19)
          wrong.push(`${id}: near the sunset at ${utc}`)
      }
    return wrong
  })
}

it.each([
  // Both had a forbidden stretch inside what was told as one.
  { latitudeDeg: -60.91, longitudeDeg: -150, zone: 'Etc/GMT+10', date: '2027-11-08', apertureMm: 125 },
  { latitudeDeg: 28.16, longitudeDeg: -70, zone: 'Etc/GMT+5', date: '2028-03-21', apertureMm: 125 },
])('at $latitudeDeg° on $date every minute told is allowed', (input) => {
  expect(eveningTargets(input).targets.length).toBeGreaterThan(0)
  expect(forbiddenMinutes(input)).toEqual([])
})

it('at 200 places and nights that nobody chose, too, and no planet is cut by the cap', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -68, max: 68 }),
      fc.integer({ min: -179, max: 179 }),
      fc.integer({ min: 0, max: 3650 }),
      (latitudeDeg, longitudeDeg, day) => {
        const hours = Math.round(longitudeDeg / 15)
        const zone = hours === 0 ? 'Etc/GMT' : `Etc/GMT${hours > 0 ? '-' : '+'}${Math.abs(hours)}`
        const date = new Date(Date.UTC(2026, 0, 1 + day)).toISOString().slice(0, 10)
        const input = { latitudeDeg, longitudeDeg, zone, date, apertureMm: 150, limitingMagnitude: 6 }
        expect(forbiddenMinutes(input)).toEqual([])
        const { targets } = eveningTargets(input)
        expect(targets.length).toBeLessThanOrEqual(12)
        // With an aperture that shows no faint thing the planets are the same.
        const planets = (some: typeof targets) =>
          some
            .filter(({ kind }) => kind === 'planet')
            .map(({ id }) => id)
            .sort()
        const few = eveningTargets({ ...input, limitingMagnitude: 0 }).targets
        expect(planets(targets)).toEqual(planets(few))
      },
    ),
    { numRuns: cases(200, 4000, 20), seed: 7 },
  )
})
