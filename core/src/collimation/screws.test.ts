import fc from 'fast-check'
import { tiltedAxisAtFocus } from '../testing/tilted-mirror.ts'
import { lengthOf } from '../shared/angles.ts'
import {
  axisErrorAfter,
  axisPerTurn,
  collimationTurns,
  isBeyondTravel,
  mostAxisErrorMm,
  roundedTurns,
  SCREW_TRAVEL_TURNS,
  type PrimaryCell,
} from './screws.ts'

const cell: PrimaryCell = {
  focalLengthMm: 480,
  screws: [
    { name: 'A', angleDeg: 0 },
    { name: 'B', angleDeg: 120 },
    { name: 'C', angleDeg: 240 },
  ],
  circleRadiusMm: 38,
  pitchMm: 0.7,
  clockwise: 'towards-sky',
}
const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const anyCell = fc.record({
  focalLengthMm: mm(250, 1500),
  circleRadiusMm: mm(20, 110),
  pitchMm: fc.constantFrom(0.5, 0.7, 0.8, 1, 1.27, 0.794),
  clockwise: fc.constantFrom('towards-sky' as const, 'away-from-sky' as const),
  first: mm(0, 360),
})
const anyError = fc.record({ x: mm(-6, 6), y: mm(-6, 6) })
const cellOf = ({ first, ...rest }: { first: number } & Omit<PrimaryCell, 'screws'>): PrimaryCell => ({
  ...rest,
  screws: ['A', 'B', 'C'].map((name, i) => ({ name, angleDeg: first + 120 * i })),
})

describe('a screw’s effect, against reflected rays', () => {
  // The test's own mirror: three points raised, a plane through them, parallel rays reflected at the tilted paraboloid.
  it.each([
    { name: 'A', clockwise: 'towards-sky' },
    { name: 'B', clockwise: 'towards-sky' },
    { name: 'C', clockwise: 'away-from-sky' },
  ] as const)('$name a quarter turn clockwise, $clockwise', ({ name, clockwise }) => {
    const turned = { ...cell, clockwise }
    const after = axisErrorAfter(turned, { x: 0, y: 0 }, [{ name, turns: 0.25 }])
    const raised = turned.screws.map((screw) =>
      screw.name === name ? 0.25 * cell.pitchMm * (clockwise === 'towards-sky' ? 1 : -1) : 0,
    )
    const traced = tiltedAxisAtFocus({
      focalLengthMm: cell.focalLengthMm,
      points: turned.screws.map(({ angleDeg }, i) => ({
        x: cell.circleRadiusMm * Math.cos((angleDeg * Math.PI) / 180),
        y: cell.circleRadiusMm * Math.sin((angleDeg * Math.PI) / 180),
        z: raised[i] ?? 0,
      })),
    })
    expect(Math.hypot(after.x - traced.x, after.y - traced.y)).toBeLessThan(0.01)
  })

  it('one screw alone moves the axis by 2fp/(3r) a turn (practice, derived)', () => {
    const [first] = axisPerTurn(cell)
    expect(lengthOf(first ?? { x: 0, y: 0 })).toBeCloseTo((2 * 480 * 0.7) / (3 * 38), 9)
  })

  it('raising a side moves the axis away from it', () => {
    expect(axisPerTurn(cell)[0]?.x).toBeLessThan(0)
    expect(axisPerTurn({ ...cell, clockwise: 'away-from-sky' })[0]?.x).toBeGreaterThan(0)
  })
})

describe('worked case: 1.9 mm away from the focuser’s left, M4 on 38 mm at f = 480', () => {
  // Reckoned by hand: one screw alone, lever 1.5 r: 1.5·38·1.9/450/0.7 = 0.34 of a turn; the same as +0.23, −0.11, −0.11.
  const towardsB = { x: 1.9 * Math.cos((120 * Math.PI) / 180), y: 1.9 * Math.sin((120 * Math.PI) / 180) }
  const advice = collimationTurns({ ...cell, axisErrorMm: towardsB })

  it('all three', () => {
    const turns = advice.turns.map(({ turns }) => Number(turns.toFixed(2)))
    expect(turns).toEqual([-0.11, 0.21, -0.11])
  })
  it('single', () => {
    expect(advice.single).toMatchObject({ name: 'B' })
    expect(advice.single.turns).toBeCloseTo(1.9 / ((2 * 480 * 0.7) / (3 * 38)), 3)
    expect(advice.single.residualMm).toBeLessThan(1e-9)
  })
  it('fewest is that one', () => expect(advice.fewest.map(({ name }) => name)).toEqual(['B']))
})

describe('promises', () => {
  it('unrounded turns leave nothing, and sum to nothing', () => {
    fc.assert(
      fc.property(anyCell, anyError, (given, axisErrorMm) => {
        const one = cellOf(given)
        const { turns, fewest } = collimationTurns({ ...one, axisErrorMm })
        expect(lengthOf(axisErrorAfter(one, axisErrorMm, turns))).toBeLessThan(1e-6)
        expect(lengthOf(axisErrorAfter(one, axisErrorMm, fewest))).toBeLessThan(1e-6)
        expect(Math.abs(turns.reduce((sum, { turns: by }) => sum + by, 0))).toBeLessThan(1e-6)
        expect(fewest.length).toBeLessThanOrEqual(2)
      }),
    )
  })

  it('rounded turns leave what they promise, and never more than was there', () => {
    fc.assert(
      fc.property(anyCell, anyError, (given, axisErrorMm) => {
        const one = cellOf(given)
        const advice = collimationTurns({ ...one, axisErrorMm })
        for (const [turns, promised] of [
          [advice.rounded, advice.residualMm],
          [advice.fewestRounded, advice.fewestResidualMm],
          [[advice.singleRounded], advice.singleRoundedResidualMm],
        ] as const)
          expect(lengthOf(axisErrorAfter(one, axisErrorMm, turns))).toBeCloseTo(promised, 9)
        // A sixteenth of a turn at each screw is the coarsest a rounding can be wrong by.
        const coarsest = (2 * one.focalLengthMm * one.pitchMm) / (3 * one.circleRadiusMm) / 16
        expect(advice.residualMm).toBeLessThan(2.1 * coarsest)
      }),
    )
  })

  it('turning the picture turns the answer: error and screws rotated alike give the same turns', () => {
    fc.assert(
      fc.property(anyCell, anyError, mm(0, 360), (given, error, byDeg) => {
        const by = (byDeg * Math.PI) / 180
        const rotated = {
          x: error.x * Math.cos(by) - error.y * Math.sin(by),
          y: error.x * Math.sin(by) + error.y * Math.cos(by),
        }
        const before = collimationTurns({ ...cellOf(given), axisErrorMm: error }).turns
        const after = collimationTurns({ ...cellOf({ ...given, first: given.first + byDeg }), axisErrorMm: rotated })
        after.turns.forEach(({ turns }, i) => expect(turns).toBeCloseTo(before[i]?.turns ?? NaN, 6))
      }),
    )
  })

  it('a blocked screw is never advised that way', () => {
    const ways = fc.constantFrom('clockwise' as const, 'anticlockwise' as const, undefined)
    fc.assert(
      fc.property(anyCell, anyError, fc.tuple(ways, ways, ways), (given, axisErrorMm, blocked) => {
        const one = cellOf(given)
        const screws = one.screws.map((screw, i) => ({ ...screw, blocked: blocked[i] }))
        const advice = collimationTurns({ ...one, screws, axisErrorMm })
        const all = [advice.turns, advice.fewest, advice.rounded, advice.fewestRounded, [advice.single]]
        for (const { name, turns } of all.flat()) {
          const way = screws.find((screw) => screw.name === name)?.blocked
          if (way === 'clockwise') expect(turns).toBeLessThanOrEqual(1e-9)
          if (way === 'anticlockwise') expect(turns).toBeGreaterThanOrEqual(-1e-9)
        }
        const left = lengthOf(axisErrorAfter(one, axisErrorMm, advice.turns))
        expect(left).toBeLessThanOrEqual(lengthOf(axisErrorMm) + 1e-6)
        // With one screw free both ways and no two blocked against each other, nothing need be left.
        if (blocked.filter(Boolean).length === 1) expect(left).toBeLessThan(1e-6)
      }),
    )
  })
})

it.each([
  [0.34, 0.375],
  [0.25, 0.25],
  [0.24, 0.25],
  [0.2, 0.1875],
  [-0.11, -0.125],
  [0.03, 0],
  [1.3, 1.25],
])('%f of a turn is said as %f', (turns, said) => expect(roundedTurns(turns)).toBe(said))

it.each([
  ['two screws', { screws: cell.screws.slice(0, 2) }, 'three'],
  ['all on one side', { screws: [0, 1, 2].map((i) => ({ name: `${i}`, angleDeg: i / 10 })) }, 'spread'],
  ['no pitch', { pitchMm: 0 }, 'pitchMm'],
  ['an angle that is none', { screws: cell.screws.map((s, i) => (i ? s : { ...s, angleDeg: NaN })) }, 'screw A'],
])('refuses %s and says what to do', (_what, change, message) => {
  expect(() => collimationTurns({ ...cell, axisErrorMm: { x: 1, y: 0 }, ...change })).toThrow(message)
})

describe('what a screw can’t do', () => {
  // One screw alone moves the axis by 2fp/(3r) a turn; its whole travel is twice its turns from the middle.
  it('no axis error is larger than the longest way of one screw', () => {
    const perTurn = (2 * 480 * 0.7) / (3 * 38)
    expect(mostAxisErrorMm(cell)).toBeCloseTo(2 * SCREW_TRAVEL_TURNS * perTurn, 9)
  })
  it('an advice of more turns than it has is told apart from one that fits', () => {
    expect(isBeyondTravel([{ name: 'A', turns: -SCREW_TRAVEL_TURNS }])).toBe(false)
    const far = collimationTurns({ ...cell, axisErrorMm: { x: 50, y: 0 } })
    expect(isBeyondTravel(far.rounded)).toBe(true)
  })
})
