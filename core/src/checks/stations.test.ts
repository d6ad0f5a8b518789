import { templateProcedure } from '../procedures/templates.ts'
import { kitOnMount } from '../testing/kit-on-mount.ts'
import type { CheckedKit } from './kept-reading.ts'
import { learnFrom } from './station-balance.ts'
import { repeatVerdictOf } from './station-collimation.ts'
import { readingsFromStation, type StationReading } from './stations.ts'

const kit: CheckedKit = {
  apertureMm: 110,
  focalLengthMm: 480,
  primaryFocalLengthMm: 480,
  mirrorFigure: 'paraboloid',
  peepholeOutsideFocusMm: 0,
  finderOffsetMm: { x: -70, y: 96 },
  lowestFieldDeg: 1,
  onMount: null,
}

/** The one figure of a station that gives one. */
function readingFromStation(station: StationReading, of: CheckedKit) {
  const [reading] = readingsFromStation(station, of)
  if (!reading) throw new Error('no reading')
  return reading
}

it('keeps as found and as left apart', () => {
  const reading = readingFromStation(
    {
      station: 'collimation',
      asFound: { offsetMm: 3.8, clockHours: 4 },
      asLeft: { offsetMm: 0.4, clockHours: 12 },
    },
    kit,
  )
  // At the focal plane an offset is twice the error; f/3.95 has its limit at 0.66 mm (0.0107·F³).
  expect(reading.asFound).toBeCloseTo(1.9, 10)
  expect(reading.asLeft).toBeCloseTo(0.2, 10)
  expect(reading.limit).toBeCloseTo(0.0107 * (480 / 110) ** 3, 2)
})

it('uses the distance of the peephole from the focal plane', () => {
  const offset = { offsetMm: 2.174, clockHours: 3 }
  const station = { station: 'collimation', asFound: offset, asLeft: offset } as const
  expect(readingFromStation(station, { ...kit, peepholeOutsideFocusMm: 20 }).asLeft).toBeCloseTo(1, 2)
})

it('a landmark reading allows for the finder’s place beside the tube', () => {
  const right = { way: 'landmark', distanceM: 200, seenMm: { x: -70, y: 96 } } as const
  const onSpot = { way: 'landmark', distanceM: 200, seenMm: { x: 0, y: 0 } } as const
  const reading = readingFromStation({ station: 'finder', asFound: onSpot, asLeft: right }, kit)
  expect(reading.asFound).toBeGreaterThan(2)
  expect(reading).toMatchObject({ asLeft: 0, limit: 30, good: 15, source: 'measured', unit: 'arcmin' })
})

describe('putting together', () => {
  const { setUp } = templateProcedure({ family: 'equatorial-reflector', collapsible: false, parts: ['tray'] })
  const run = (bad: string | null, left: 'fine' | 'not-fine') =>
    setUp
      .filter(({ phase }) => phase !== 'unpack')
      .map(({ key, phase }) => ({
        key,
        phase,
        asFound: key === bad ? ('not-fine' as const) : ('fine' as const),
        asLeft: key === bad ? left : ('fine' as const),
      }))

  it('gives one figure for each of its four parts', () => {
    const readings = readingsFromStation({ station: 'assembly', steps: run(null, 'fine') }, kit)
    expect(readings.map(({ kind, asLeft }) => [kind, asLeft])).toEqual([
      ['stand', 0],
      ['mount', 0],
      ['tube', 0],
      ['fit-out', 0],
    ])
  })
  it.each([
    { left: 'fine' as const, asLeft: 0 },
    { left: 'not-fine' as const, asLeft: 1 },
  ])('one bad step makes its part so: left $left', ({ left, asLeft }) => {
    const readings = readingsFromStation({ station: 'assembly', steps: run('tray', left) }, kit)
    expect(readings.find(({ kind }) => kind === 'stand')).toMatchObject({ asFound: 1, asLeft, limit: 0 })
    expect(readings.find(({ kind }) => kind === 'tube')).toMatchObject({ asFound: 0, asLeft: 0 })
  })
  it('says nothing of a part that nobody looked at', () => {
    const steps = run(null, 'fine').filter(({ phase }) => phase === 'stand')
    expect(readingsFromStation({ station: 'assembly', steps }, kit).map(({ kind }) => kind)).toEqual(['stand'])
  })
})

describe('balance', () => {
  const on = ['tube', 'low-eyepiece']
  const shaft = (found: number, left: number, stays: boolean) =>
    ({
      station: 'balance',
      way: 'shaft',
      on,
      asFound: { bareShaftMm: found },
      asLeft: { bareShaftMm: left },
      stays,
    }) as const

  it('claims nothing while the head’s own moment isn’t known', () => {
    expect(readingsFromStation(shaft(60, 46, false), { ...kit, onMount: kitOnMount() })).toEqual([])
    expect(readingsFromStation(shaft(60, 46, true), kit)).toEqual([])
  })
  it('what stayed is right, and what was found is off by as much as it was moved', () => {
    const reading = readingFromStation(shaft(60, 46, true), { ...kit, onMount: kitOnMount() })
    expect(reading).toMatchObject({ kind: 'balance', limit: 10, unit: 'mm', source: 'measured' })
    expect([reading.asFound, reading.asLeft]).toEqual([expect.closeTo(14, 9), expect.closeTo(0, 9)])
  })
  it('with the learnt moment every later look is measured against the right place', () => {
    const headMomentGmm = learnFrom(shaft(60, 46, true), kitOnMount())
    expect(headMomentGmm).not.toBeNull()
    const known = { ...kit, onMount: { ...kitOnMount(), headMomentGmm } }
    expect(readingFromStation(shaft(87, 87, false), known).asLeft).toBeCloseTo(41, 9)
  })
  it('an open end that wants 50 g is that much of the tube’s way', () => {
    const hang = { station: 'balance', way: 'tube', asFound: { hangG: 50 }, asLeft: { hangG: 0 } } as const
    const reading = readingFromStation(hang, { ...kit, onMount: kitOnMount() })
    // 50 g at 620 − 330 = 290 mm, against all that rides: tube 3000, eyepiece 100.
    expect([reading.asFound, reading.asLeft]).toEqual([expect.closeTo((50 * 290) / 3100, 9), 0])
  })
})

describe('place', () => {
  it('is the scale against the latitude, either side of the equator', () => {
    const read = (latitudeDeg: number) =>
      readingFromStation(
        { station: 'place', way: 'latitude', latitudeDeg, asFound: { setDeg: 48 }, asLeft: { setDeg: 52 } },
        kit,
      )
    for (const latitudeDeg of [52.3, -52.3])
      expect(read(latitudeDeg)).toMatchObject({
        kind: 'place',
        unit: 'deg',
        limit: 2,
        good: 1,
        asFound: expect.closeTo(4.3, 9),
        asLeft: expect.closeTo(0.3, 9),
      })
  })
  it('of a controller is a judgement', () => {
    const station = { station: 'place', way: 'keyed', asFound: 'not-fine', asLeft: 'fine' } as const
    expect(readingFromStation(station, kit)).toMatchObject({ kind: 'place', asFound: 1, asLeft: 0, limit: 0 })
  })
})

it('judged stations keep their word', () => {
  const reading = readingFromStation({ station: 'glass', asFound: 'not-fine', asLeft: 'fine' }, kit)
  expect(reading).toMatchObject({ asFound: 1, asLeft: 0, source: 'judged' })
})

describe('a tube that slides, opened again and again', () => {
  const asFound = { way: 'typed', offsetMm: 1, clockHours: 4 } as const
  const kinds = (openings: { x: number; y: number }[]) =>
    readingsFromStation({ station: 'collimation', asFound, asLeft: asFound, openings }, kit).filter(
      ({ kind }) => kind === 'repeat',
    )
  it('is told from three openings on, apart from what was found', () => {
    const same = { x: 0.02, y: 0 }
    expect(kinds([same, same])).toEqual([])
    expect(kinds([same, same, same])).toMatchObject([{ asLeft: 0, limit: 1, unit: 'judged' }])
    const wild = [-9, 0, 9, 4, -6].map((x) => ({ x, y: -x }))
    expect(repeatVerdictOf(kinds(wild))).toBe('mend')
    expect(repeatVerdictOf([])).toBeNull()
  })
})

it('a shake is kept in seconds as found and as left, against what looking forgives', () => {
  const shake = { asFoundS: 4.2, asLeftS: 1.8, way: 'sensor' as const }
  const steps = [{ key: 'k', title: 't', phase: 'stand' as const, asFound: 'fine' as const, asLeft: 'fine' as const }]
  const readings = readingsFromStation({ station: 'assembly', steps, shake }, kit)
  expect(readings.find(({ kind }) => kind === 'shake')).toEqual({
    ...{ kind: 'shake', asFound: 4.2, asLeft: 1.8, limit: 3, good: 2, unit: 's', source: 'measured' },
  })
  expect(readingsFromStation({ station: 'assembly', steps }, kit).some(({ kind }) => kind === 'shake')).toBe(false)
})

describe('focus', () => {
  const state = (drawtubeMm: number | null, rack: 'smooth' | 'stiff' | 'slips' = 'smooth') => ({
    looks: [{ chain: 'Eyepiece 23 mm', eyepieceMm: 23, drawtubeMm }],
    rack,
  })
  const read = (asFound: ReturnType<typeof state>, asLeft = asFound, distanceM: number | null = null) =>
    readingsFromStation({ station: 'focus', travelMm: 50, distanceM, asFound, asLeft }, kit)[0]
  it('one that never gets sharp is not fine; found and left are told apart', () => {
    expect(read(state(25))).toMatchObject({ kind: 'focus', asFound: 0, asLeft: 0, limit: 0, source: 'measured' })
    expect(read(state(null), state(25))).toMatchObject({ asFound: 1, asLeft: 0 })
  })
  it('a rack that slips is not fine though all come to focus; a stiff one is', () => {
    expect(read(state(25, 'slips'))).toMatchObject({ asFound: 1 })
    expect(read(state(25, 'stiff'))).toMatchObject({ asFound: 0 })
  })
  it('sharp on a lamp near by, and short of a star: 480 mm at 10 m lie 24 mm further out', () => {
    expect(read(state(20), state(20), 10)).toMatchObject({ asFound: 1 })
    expect(read(state(40), state(40), 10)).toMatchObject({ asFound: 0 })
  })
})

describe('power', () => {
  const rest = { chemistry: 'lead', cellCount: 6, capacityAh: 7, drawA: 0.35, neededHours: 6 } as const
  it('low as found, charged as left: not fine, then fine', () => {
    const given = { asFound: { way: 'gauge', step: 1, of: 4 }, asLeft: { way: 'gauge', step: 4, of: 4 } } as const
    expect(readingsFromStation({ station: 'power', ...rest, ...given }, kit)).toEqual([
      expect.objectContaining({ kind: 'power', asFound: 1, asLeft: 0, unit: 'judged' }),
    ])
  })
  it('volts of other cells are no reading', () => {
    const volts = { way: 'volts', volts: 3 } as const
    expect(() => readingsFromStation({ station: 'power', ...rest, asFound: volts, asLeft: volts }, kit)).toThrow(
      'kind of cells',
    )
  })
})

describe('what lining up came to', () => {
  const keyed = { station: 'place', way: 'keyed', asFound: 'fine', asLeft: 'fine' } as const
  const landings = (place: 'middle' | 'outside') => ({
    landings: [{ object: 'Vega', place, asideDeg: null }],
    pattern: 'none' as const,
  })
  it('a scale nobody read says nothing; what was watched does', () => {
    const drift = { asFound: [], asLeft: [], latitudeDeg: 52 }
    expect(readingsFromStation({ station: 'place', way: 'watched' }, kit)).toEqual([])
    expect(() => readingsFromStation({ station: 'place', way: 'watched', drift }, kit)).toThrow('one star')
  })
  it('nobody looked: nothing but that it was keyed in', () => {
    expect(readingsFromStation(keyed, kit).map(({ kind }) => kind)).toEqual(['place'])
  })
  it('a third object outside, then in the middle: against the lowest field', () => {
    const given = { ...keyed, landings: { asFound: landings('outside'), asLeft: landings('middle') } }
    const reading = readingsFromStation(given, kit).find(({ kind }) => kind === 'alignment')
    expect(reading?.unit).toBe('deg')
    expect(reading?.asFound).toBeGreaterThan(reading?.limit ?? Infinity)
    expect(reading?.asLeft).toBeLessThan(reading?.good ?? 0)
  })
  it('a star that drifts 1′ in five minutes: the axis is 45.8′ off; a quarter of it after its bolts', () => {
    const watch = (northArcmin: number) => [{ at: 'meridian', northArcmin, minutes: 5 } as const]
    const drift = { asFound: watch(-1), asLeft: watch(-0.25), latitudeDeg: 52 }
    const reading = readingsFromStation({ ...keyed, drift }, kit).find(({ kind }) => kind === 'polar')
    expect(reading?.asFound).toBeCloseTo(45.8, 0)
    expect(reading).toMatchObject({ limit: 120, good: 30, unit: 'arcmin', source: 'measured' })
    expect(reading?.asLeft).toBeCloseTo((reading?.asFound ?? 0) / 4, 9)
  })
})
