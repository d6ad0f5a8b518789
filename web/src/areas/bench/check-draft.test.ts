import { testKit, testMount } from '../../testing/kit-sheet.ts'
import {
  checkedKitOf,
  doneStations,
  emptyCheck,
  judgeAfter,
  readingsOf,
  stationOf,
  stationsOf,
} from './check-draft.ts'
import { collimationStation, newLook } from './collimation/collimation-draft.ts'
import { finderStation, newFinderLook } from './finder/finder-draft.ts'

const typedLook = (offsetMm: number | null, clockHours: number) => ({ ...newLook(), offsetMm, clockHours })

it('a station is complete when its as-found is, and as left is as found until something is put right', () => {
  const draft = emptyCheck()
  expect(stationOf(draft, 'glass', testKit())).toBeNull()
  draft.glass.asFound = 'fine'
  expect(stationOf(draft, 'glass', testKit())).toMatchObject({ asFound: 'fine', asLeft: 'fine' })
})

it('a half-typed second look doesn’t pass for a reading', () => {
  const draft = emptyCheck()
  draft.collimation.looks = [typedLook(3.8, 4), typedLook(null, 4)]
  draft.collimation.between = [{ did: 'turned', turns: [] }]
  expect(stationOf(draft, 'collimation', testKit())).toBeNull()
  draft.collimation.looks[1] = typedLook(0.2, 4)
  draft.collimation.shaded = true
  expect(stationOf(draft, 'collimation', testKit())).toMatchObject({
    asFound: { offsetMm: 3.8 },
    asLeft: { offsetMm: 0.2 },
  })
})

it('assembly holds the steps that were answered, and put right means found not fine', () => {
  const draft = emptyCheck()
  expect(stationOf(draft, 'assembly', testKit())).toBeNull()
  draft.assembly.steps.legs = { found: 'fine', left: null, said: ['in-ring'], seconds: 12.5 }
  draft.assembly.steps.head = { found: 'not-fine', left: 'fine', said: ['sticky', null], seconds: 40 }
  draft.assembly.steps.tube = { found: null, left: null, said: [], seconds: 3 }
  expect(stationOf(draft, 'assembly', testKit())).toMatchObject({
    station: 'assembly',
    steps: [
      { key: 'legs', phase: 'stand', asFound: 'fine', asLeft: 'fine', said: ['in-ring'], seconds: 12.5 },
      { key: 'head', phase: 'mount', asFound: 'not-fine', asLeft: 'fine', said: ['sticky'] },
    ],
  })
})

describe('balance and place', () => {
  const measured = testKit({ mount: testMount })
  it('a half-typed length is no reading, nor one below 0', () => {
    const draft = emptyCheck()
    expect(stationOf(draft, 'balance', measured)).toBeNull()
    draft.balance.foundMm = -1
    expect(stationOf(draft, 'balance', measured)).toBeNull()
    draft.balance.foundMm = 60
    expect(stationOf(draft, 'balance', measured)).toMatchObject({
      way: 'shaft',
      on: ['tube', 'cell', 'eyepiece'],
      asFound: { bareShaftMm: 60 },
      asLeft: { bareShaftMm: 60 },
      stays: false,
    })
    draft.balance.moved = true
    expect(stationOf(draft, 'balance', measured)).toBeNull()
    draft.balance.leftMm = 46
    expect(stationOf(draft, 'balance', measured)).toMatchObject({ asLeft: { bareShaftMm: 46 } })
  })
  it('needs a measured mount', () => {
    const draft = emptyCheck()
    draft.balance.foundMm = 60
    expect(stationOf(draft, 'balance', testKit())).toBeNull()
  })
  it('a scale at 95° is no reading', () => {
    const draft = emptyCheck()
    draft.place.latitudeDeg = 52.7
    draft.place.foundDeg = 95
    expect(stationOf(draft, 'place', measured)).toBeNull()
    draft.place.foundDeg = 48
    expect(stationOf(draft, 'place', measured)).toMatchObject({ way: 'latitude', asFound: { setDeg: 48 } })
  })
  it('which kits have which stations', () => {
    const slides = { ...testKit().optics, collapsible: true }
    expect(stationsOf(measured)).toEqual([
      'glass',
      'assembly',
      'balance',
      'let-go',
      'place',
      'collimation',
      'finder',
      'focus',
      'pack',
    ])
    expect(stationsOf(testKit({ family: 'computer-driven' }))).not.toContain('balance')
    expect(stationsOf(testKit({ family: 'computer-driven' }))).toContain('place')
    expect(stationsOf(testKit({ family: 'floor-reflector' }))).not.toContain('place')
    expect(stationsOf(testKit({ family: 'tabletop-reflector', optics: slides, mount: testMount }))).toContain(
      'balance',
    )
  })
})

it('minutes come from the clock', () => {
  const draft = emptyCheck()
  draft.pack.asFound = 'fine'
  draft.seconds.pack = 90
  expect(stationOf(draft, 'pack', testKit())?.minutes).toBe(1.5)
})

describe('what a check would lead to', () => {
  const now = '2026-03-12T14:00:00Z'
  const off = testKit({
    readings: testKit().readings.map((each) => (each.kind === 'collimation' ? { ...each, asLeft: 2.4 } : each)),
  })

  it('judged kits have a star station where others have collimation', () => {
    expect(stationsOf(testKit())).toContain('collimation')
    const kit = testKit()
    const judged = { ...kit, optics: { ...kit.optics, collimatable: false } }
    expect(stationsOf(judged)).toEqual([
      'glass',
      'assembly',
      'balance',
      'let-go',
      'place',
      'star',
      'finder',
      'focus',
      'pack',
    ])
  })

  it('keeps older readings of stations that are left out', () => {
    const draft = emptyCheck()
    draft.glass.asFound = 'fine'
    expect(judgeAfter(draft, off, now)).toMatchObject({
      condition: 'crescent',
      reasons: [{ code: 'COLLIMATION_BEYOND' }],
    })
    expect(doneStations(draft, off).map(({ station }) => station)).toEqual(['glass'])
  })

  it('a mirror put right makes the kit fit', () => {
    const draft = emptyCheck()
    draft.collimation.shaded = true
    draft.collimation.looks = [typedLook(4.8, 2), typedLook(0.5, 2)]
    draft.collimation.between = [{ did: 'turned', turns: [] }]
    expect(judgeAfter(draft, off, now).condition).toBe('full')
    const [kept] = readingsOf(draft, off)
    expect(kept).toMatchObject({ asFound: expect.closeTo(2.4, 9), asLeft: expect.closeTo(0.25, 9) })
  })

  it('a station that is not fine keeps the kit at the bench', () => {
    const draft = emptyCheck()
    draft.pack.asFound = 'not-fine'
    expect(judgeAfter(draft, testKit(), now).reasons[0]).toMatchObject({
      code: 'JUDGED_NOT_FINE',
      figures: { kind: 'pack' },
    })
    draft.pack.asLeft = 'fine'
    expect(judgeAfter(draft, testKit(), now).condition).toBe('full')
  })

  it('only jobs that stay open count', () => {
    const jobs = [{ id: 'job', code: 'knock-check' as const, text: 'fell', openedAtUtc: now, notBeforeUtc: null }]
    const kit = testKit({ jobs })
    expect(judgeAfter(emptyCheck(), kit, now).condition).toBe('full')
    expect(judgeAfter({ ...emptyCheck(), openJobIds: ['job'] }, kit, now).condition).toBe('crescent')
  })

  it('the finder’s limit follows the lowest power that is there', () => {
    expect(checkedKitOf(testKit()).lowestFieldDeg).toBeCloseTo(50 / 24, 9)
    const kit = testKit()
    const parts = kit.parts.map((part) => (part.id === 'eyepiece' ? { ...part, mark: 'missing' as const } : part))
    expect(checkedKitOf({ ...kit, parts }).lowestFieldDeg).toBeCloseTo(50 / 120, 9)
  })
})

describe('figures that can’t be', () => {
  it('a bare shaft longer than the shaft is no reading', () => {
    const measured = testKit({ mount: testMount, family: 'equatorial-reflector' })
    const head = testMount.equatorial
    if (!head) throw new Error('no head')
    const draft = emptyCheck()
    draft.balance.foundMm = head.shaftEndMm - head.shaftStartMm + 1
    expect(stationOf(draft, 'balance', measured)).toBeNull()
  })
  it('a scale outside what the head shows is no reading', () => {
    const measured = testKit({ mount: testMount, family: 'equatorial-reflector' })
    const { minDeg, maxDeg } = testMount.equatorial?.latitudeScale ?? { minDeg: 0, maxDeg: 0 }
    for (const [deg, counts] of [
      [minDeg - 1, false],
      [minDeg, true],
      [maxDeg + 1, false],
    ] as const) {
      const draft = emptyCheck()
      Object.assign(draft.place, { latitudeDeg: 52, foundDeg: deg })
      expect([deg, stationOf(draft, 'place', measured) !== null]).toEqual([deg, counts])
    }
  })
  it('an offset that no screw of the cell could make is no reading', () => {
    const checked = { ...checkedKitOf(testKit()), mostAxisErrorMm: 5 }
    const draft = { ...emptyCheck().collimation, shaded: true }
    expect(collimationStation({ ...draft, looks: [typedLook(8, 4)] }, checked)).not.toBeNull()
    expect(collimationStation({ ...draft, looks: [typedLook(30, 4)] }, checked)).toBeNull()
  })
  it.each([
    [600, true],
    [10_000, false],
    [-1, false],
  ])('a finder %i′ off: %s', (misalignmentArcmin, counts) => {
    const draft = emptyCheck().finder
    draft.shaded = true
    draft.looks = [{ ...newFinderLook(), how: 'typed', misalignmentArcmin }]
    expect(finderStation(draft, testKit(), checkedKitOf(testKit())) !== null).toBe(counts)
  })
})
