import { mountLoad } from './load.ts'
import { scaleSetting } from './latitude-scale.ts'
import { polarDrift, polarErrorForDriftDeg } from './polar-drift.ts'
import { tubeRoll } from './roll.ts'
import { sideOfMount, signedHours } from './side.ts'
import { tubeShift } from './tube-shift.ts'
import { degToRad } from '../shared/angles.ts'

describe('tubeShift', () => {
  it.each([
    // 200 g at +300 mm on 3800 g: −60,000 ÷ 4000.
    { what: 'weight at the sky end slides it back', changes: [{ massG: 200, positionMm: 300 }], shiftMm: -15 },
    // Taking 100 g off at +200 from 4000: 20,000 ÷ 3900.
    {
      what: 'weight taken off there slides it up',
      changes: [{ massG: -100, positionMm: 200 }],
      sliding: 4000,
      shiftMm: 20_000 / 3900,
    },
    { what: 'nothing changed', changes: [], shiftMm: 0 },
    {
      what: 'opposite changes cancel',
      changes: [
        { massG: 100, positionMm: 200 },
        { massG: 200, positionMm: -100 },
      ],
      shiftMm: 0,
    },
  ])('$what', ({ changes, sliding = 3800, shiftMm }) => {
    expect(tubeShift({ slidingMassG: sliding, changes }).shiftMm).toBeCloseTo(shiftMm, 9)
  })
  it('refuses to take off all that slides', () => {
    expect(() => tubeShift({ slidingMassG: 100, changes: [{ massG: -100, positionMm: 1 }] })).toThrow(
      /all that slides/,
    )
  })
})

describe('tubeRoll', () => {
  it('adds moments as vectors and puts the magnet opposite', () => {
    // 300 g·100 mm at 0° and 400 g·100 mm at 90°: 3-4-5.
    const roll = tubeRoll({
      parts: [
        { massG: 300, radiusMm: 100, angleDeg: 0 },
        { massG: 400, radiusMm: 100, angleDeg: 90 },
      ],
      radiusMm: 80,
    })
    expect(roll.momentGmm).toBeCloseTo(50_000, 6)
    expect(roll.angleDeg).toBeCloseTo(53.1301, 4)
    expect(roll.counterMassG).toBeCloseTo(625, 9)
    expect(roll.counterAngleDeg).toBeCloseTo(233.1301, 4)
  })
  it('opposite parts leave no direction, and no radius no mass', () => {
    const parts = [0, 180].map((angleDeg) => ({ massG: 100, radiusMm: 100, angleDeg }))
    expect(tubeRoll({ parts })).toMatchObject({ angleDeg: 0, counterMassG: null })
  })
})

describe('mountLoad', () => {
  it.each([
    { massG: 4000, use: 'visual', verdict: 'good' },
    { massG: 4400, use: 'visual', verdict: 'usable' },
    { massG: 4500, use: 'visual', verdict: 'usable' },
    { massG: 4501, use: 'visual', verdict: 'over' },
    { massG: 2700, use: 'exposure', verdict: 'good' },
    { massG: 4000, use: 'exposure', verdict: 'usable' },
  ] as const)('$massG g of 4500 for $use: $verdict', ({ massG, use, verdict }) => {
    const load = mountLoad({ parts: [{ massG: massG - 100 }, { massG: 100 }], ratedLoadG: 4500, use })
    expect(load).toMatchObject({ loadG: massG, verdict, marginG: 4500 - massG })
  })
  it('refuses a rated load of 0', () => {
    expect(() => mountLoad({ parts: [], ratedLoadG: 0, use: 'visual' })).toThrow('ratedLoadG')
  })
})

describe('polarDrift', () => {
  // 15.041°/h · sin 1° = 15.75′ an hour (DOMAIN section 6).
  it.each([
    { errorDeg: 0, drift: 0 },
    { errorDeg: 1, drift: 15.75 },
    { errorDeg: 2, drift: 31.5 },
  ])('$errorDeg° costs $drift′ an hour', ({ errorDeg, drift }) => {
    expect(polarDrift({ errorDeg }).maxDeclinationDriftArcminPerHour).toBeCloseTo(drift, 1)
  })
  it('a vector turned about a tilted axis never drifts faster, and once just so fast', () => {
    const tilt = degToRad(5)
    const axis = [Math.sin(tilt), 0, Math.cos(tilt)] as const
    const rates = Array.from({ length: 720 }, (_each, index) => {
      const hour = degToRad(index / 2)
      const star = [Math.cos(hour), Math.sin(hour), 0] as const
      // d(sin δ)/dt = z-part of ω × star, at declination 0 also dδ/dt.
      return Math.abs(axis[0] * star[1] - axis[1] * star[0])
    })
    const perHour = Math.max(...rates) * 15.041068 * 60
    expect(polarDrift({ errorDeg: 5 }).maxDeclinationDriftArcminPerHour).toBeCloseTo(perHour, 6)
  })
  it('turns round: half a degree of drift in an hour allows two degrees', () => {
    expect(polarErrorForDriftDeg({ driftArcmin: 31.5, minutes: 60 })).toBeCloseTo(2, 3)
  })
})

describe('sideOfMount', () => {
  it.each([
    { hourAngleHours: -3.5, tubeSide: 'west' },
    { hourAngleHours: 3.1, tubeSide: 'east' },
    { hourAngleHours: -5.9, tubeSide: 'west' },
    { hourAngleHours: 5.9, tubeSide: 'east' },
    { hourAngleHours: 8, tubeSide: 'west' },
    { hourAngleHours: -8, tubeSide: 'east' },
    { hourAngleHours: 20.5, tubeSide: 'west' },
  ])('hour angle $hourAngleHours: tube $tubeSide', ({ hourAngleHours, tubeSide }) => {
    for (const latitudeDeg of [52, -35])
      expect(sideOfMount({ latitudeDeg, hourAngleHours })).toMatchObject({ tubeSide, nearMeridian: false })
  })

  it('agrees with the head drawn in space: the tube is above its weight on the side that is named', () => {
    for (let hours = -11.4; hours < 11.4; hours += 0.3) {
      if (Math.abs(hours) < 0.6 || Math.abs(Math.abs(hours) - 6) < 0.05) continue
      const { tubeSide } = sideOfMount({ latitudeDeg: 50, hourAngleHours: hours })
      // The tube's place on its circle is a quarter turn from where it looks; up is hour angle 0, west +.
      const places = [hours + 6, hours - 6].map((each) => signedHours(each))
      const above = places.find((place) => Math.abs(place) < 6)
      expect(tubeSide).toBe((above ?? 0) > 0 ? 'west' : 'east')
    }
  })

  it('names both ways across the meridian, and how long until then', () => {
    const side = sideOfMount({ latitudeDeg: 50, hourAngleHours: -0.25 })
    expect(side).toMatchObject({
      nearMeridian: true,
      options: [
        { tubeSide: 'east', way: 'start-on-the-far-side' },
        { tubeSide: 'west', way: 'follow-and-turn-round' },
      ],
    })
    expect(side.hoursToMeridian).toBeCloseTo(0.25, 9)
  })
  it('below the pole as well', () => {
    expect(sideOfMount({ latitudeDeg: 50, hourAngleHours: 11.8 })).toMatchObject({ nearMeridian: true })
  })
  it('refuses a latitude of 91°', () => {
    expect(() => sideOfMount({ latitudeDeg: 91, hourAngleHours: 0 })).toThrow('latitudeDeg')
  })
})

describe('scaleSetting', () => {
  const scale = { minDeg: 20, maxDeg: 70, stepDeg: 2 }
  it.each([
    { latitudeDeg: 52.7, nearestMarkDeg: 52, pastMarkDeg: 0.7, reaches: true },
    { latitudeDeg: -33.9, nearestMarkDeg: 34, pastMarkDeg: -0.1, reaches: true },
    { latitudeDeg: 71, nearestMarkDeg: 70, pastMarkDeg: 1, reaches: false },
    { latitudeDeg: 5, nearestMarkDeg: 20, pastMarkDeg: -15, reaches: false },
  ])('$latitudeDeg: mark $nearestMarkDeg', ({ latitudeDeg, nearestMarkDeg, pastMarkDeg, reaches }) => {
    const setting = scaleSetting(latitudeDeg, scale)
    expect(setting).toMatchObject({ nearestMarkDeg, reaches })
    expect(setting.pastMarkDeg).toBeCloseTo(pastMarkDeg, 9)
  })
  it('refuses 91°', () => expect(() => scaleSetting(91, scale)).toThrow('latitudeDeg'))
})

describe('limits at their very edge', () => {
  it.each([
    ['visual', 900, 'good'],
    ['visual', 901, 'usable'],
    ['visual', 1000, 'usable'],
    ['visual', 1001, 'over'],
    ['exposure', 600, 'good'],
    ['exposure', 601, 'usable'],
  ] as const)('%s use, %i g of 1000 g: %s', (use, massG, verdict) => {
    expect(mountLoad({ parts: [{ massG }], ratedLoadG: 1000, use }).verdict).toBe(verdict)
  })
  it.each([
    // Before the upper meridian and after it, before the lower one and after it.
    { hourAngleHours: -0.2, hoursToMeridian: 0.2, before: 'west' },
    { hourAngleHours: 0.2, hoursToMeridian: -0.2, before: 'west' },
    { hourAngleHours: 11.8, hoursToMeridian: 0.2, before: 'east' },
    { hourAngleHours: -11.8, hoursToMeridian: -0.2, before: 'east' },
  ])('$hourAngleHours h: the meridian is $hoursToMeridian h away', ({ hourAngleHours, hoursToMeridian, before }) => {
    const side = sideOfMount({ latitudeDeg: 52, hourAngleHours })
    expect(side.hoursToMeridian).toBeCloseTo(hoursToMeridian, 9)
    expect(side.options.find(({ way }) => way === 'follow-and-turn-round')?.tubeSide).toBe(before)
  })
})
