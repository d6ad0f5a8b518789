import { mountBalance, type BalanceInput } from '../mount/balance.ts'
import { controllerEntries } from '../mount/controller-entries.ts'
import {
  controllerDate,
  controllerLines,
  dmsText,
  needleSentence,
  tubeAdvice,
  weightAdvice,
  whatFalls,
  zoneText,
} from './mount.ts'

const lever: BalanceInput = {
  counterweights: [{ massG: 2000 }],
  shaft: { minMm: 80, maxMm: 300 },
  tubeSide: [{ massG: 3000, distanceMm: 170 }],
}

describe('what to do with the weight', () => {
  // The right place is 255 mm.
  it.each([
    { nowMm: 214, words: 'Slide the weight outward by 41 mm.', falls: 'tube' },
    { nowMm: 280, words: 'Slide the weight inward by 25 mm.', falls: 'weight' },
    { nowMm: 255.2, words: 'The weight stands right. Let go: it stays.', falls: null },
  ])('at $nowMm mm: $words', ({ nowMm, words, falls }) => {
    const balance = mountBalance(lever)
    expect([weightAdvice(balance, nowMm, 46), whatFalls(balance, nowMm)]).toEqual([words, falls])
  })
  it('before anybody measured it says where to set it', () => {
    expect(weightAdvice(mountBalance(lever), null, 46)).toBe('Set the weight until 46 mm of bare shaft are left.')
  })
  it('too light names what is missing, too heavy doesn’t send it further in', () => {
    const light = mountBalance({ ...lever, tubeSide: [{ massG: 4500, distanceMm: 170 }] })
    expect(weightAdvice(light, 200, null)).toBe('The weight is too light: 550 g more at the end of the shaft.')
    expect(whatFalls(light, 300)).toBe('tube')
    const heavy = mountBalance({ ...lever, tubeSide: [{ massG: 500, distanceMm: 170 }] })
    expect(weightAdvice(heavy, 90, null)).toMatch(/too heavy/)
    expect(whatFalls(heavy, 80)).toBe('weight')
  })
})

it.each([
  { shiftMm: 12.4, words: 'Slide the tube 12 mm towards the sky.' },
  { shiftMm: -7, words: 'Slide the tube 7 mm back, towards the ground.' },
  { shiftMm: 0.2, words: 'The tube stays at its usual line.' },
])('tube by $shiftMm mm: $words', ({ shiftMm, words }) => expect(tubeAdvice(shiftMm)).toBe(words))

describe('from the needle to the pole', () => {
  // A needle 5° east of north: true north lies 5° to its west, and true south 5° to the east of its south end.
  it.each([
    { deg: 5, southern: false, way: /5\.0° east of true north: turn the axis 5\.0° west of where it points/ },
    { deg: -5, southern: false, way: /5\.0° west of true north: turn the axis 5\.0° east of where it points/ },
    { deg: 5, southern: true, way: /turn the axis 5\.0° east of where its south end points/ },
    { deg: -5, southern: true, way: /turn the axis 5\.0° west of where its south end points/ },
    { deg: 0.1, southern: false, way: /points true/ },
  ])('$deg°, southern $southern', ({ deg, southern, way }) => expect(needleSentence(deg, southern)).toMatch(way))

  it('both ways come out at the true pole', () => {
    for (const southern of [false, true])
      for (const deg of [12, -8]) {
        const [, back] = /turn the axis [\d.]+° (east|west)/.exec(needleSentence(deg, southern)) ?? []
        const end = southern ? 180 + deg : deg
        // Facing south, east is to the left: azimuth goes down. Facing north it goes up.
        const towards = (back === 'east' ? 1 : -1) * (southern ? -1 : 1)
        expect((end + towards * Math.abs(deg) + 360) % 360).toBe(southern ? 180 : 0)
      }
  })
})

it('the controller’s questions in its own order, daylight saving standing out', () => {
  const entries = controllerEntries({
    zone: 'Europe/London',
    local: '2026-04-17T22:00',
    latitudeDeg: 52.3,
    longitudeDeg: 0.1,
  })
  if (!('date' in entries)) throw new Error('a plain evening')
  const lines = controllerLines(
    entries,
    {
      dateOrder: 'month-first',
      clock: '12h',
      asks: ['zone', 'daylight-saving', 'date', 'time', 'latitude', 'longitude', 'elevation'],
    },
    null,
    null,
  )
  expect(lines.map(({ entry }) => entry)).toEqual([
    '00',
    'YES',
    '04/17/2026',
    '10:00:00 PM',
    '52° 18′ N',
    '000° 06′ E',
    '0 m',
  ])
  expect(lines[0]?.hint).toBe('standard, never +01')
  expect(lines.filter(({ careful }) => careful).map(({ field }) => field)).toEqual(['daylight-saving'])
})

it.each([
  [0, '00'],
  [-5, '−05'],
  [5.5, '+05:30'],
  [-3.5, '−03:30'],
  [12, '+12'],
])('zone %d is %s', (hours, text) => expect(zoneText(Number(hours))).toBe(text))

it.each([
  ['day-first', '17/04/2026'],
  ['month-first', '04/17/2026'],
  ['year-first', '2026-04-17'],
] as const)('%s: %s', (order, text) => expect(controllerDate('2026-04-17', order)).toBe(text))

it('seconds are said where there are any', () => {
  expect(dmsText({ degrees: 8, minutes: 24, seconds: 7, hemisphere: 'W' })).toBe('008° 24′ 07″ W')
})
