import { seenBeside } from './seen-beside.ts'

const need = { capacityAh: 7, drawA: 0.7, neededHours: 6 }

it('keeps where ring or clamp stood on its tape, and claims no limit', () => {
  expect(seenBeside({ station: 'let-go', foundMm: 212, leftMm: 205 })).toEqual([
    { kind: 'ring-place', unit: 'mm', asFound: 212, asLeft: 205, limit: null, limitIsLeast: false },
  ])
  expect(seenBeside({ station: 'let-go', foundMm: 212, leftMm: null })).toEqual([])
})

it('keeps for how many hours cells last, which must not be fewer than a loan asks for', () => {
  const [charge] = seenBeside({
    ...{ station: 'power', chemistry: 'lead', cellCount: 6, ...need },
    asFound: { way: 'gauge', step: 1, of: 4 },
    asLeft: { way: 'gauge', step: 4, of: 4 },
  })
  // 7 Ah of which 0.8 are of use, at 0.7 A: eight hours of a full pack, two of a quarter.
  expect(charge).toMatchObject({ kind: 'charge', unit: 'h', limit: 6, limitIsLeast: true })
  expect(charge?.asFound).toBeCloseTo(2)
  expect(charge?.asLeft).toBeCloseTo(8)
})

it.each([
  [{ switchedOff: true, tabIn: true, doorScrewed: true, volts: 2.9 }, ['dot-put-away', 0], ['coin-cell', 2.9]],
  [{ switchedOff: true, tabIn: false, doorScrewed: true, volts: null }, ['dot-put-away', 1]],
])('of a red dot %j', (care, ...seen) => {
  const found = seenBeside({ station: 'finder', care, opticalCare: null })
  expect(found.map(({ kind, asLeft }) => [kind, asLeft])).toEqual(seen)
})

it('of an optical finder says only what somebody looked at', () => {
  const care = { frontCell: 'blurred', oRing: 'none', capsThere: null, atHighestPower: 'inside' } as const
  const found = seenBeside({ station: 'finder', care: null, opticalCare: care })
  expect(found.map(({ kind, asLeft }) => [kind, asLeft])).toEqual([
    ['front-cell', 1],
    ['at-highest-power', 0],
  ])
  expect(seenBeside({ station: 'finder', care: null, opticalCare: null })).toEqual([])
})
