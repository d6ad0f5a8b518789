import fc from 'fast-check'
import { lengthOf } from '../shared/angles.ts'
import { afterKnobTurns, arcminPerTurn, finderKnobs, learnKnobs, type FinderKnob } from './knobs.ts'

const redDot: readonly FinderKnob[] = [
  { name: 'side', angleDeg: 90, arcminPerTurn: 38, clockwise: 'towards' },
  { name: 'top', angleDeg: 0, arcminPerTurn: 33, clockwise: 'towards' },
]
const screws = (count: number, firstDeg: number): FinderKnob[] =>
  Array.from({ length: count }, (_, i) => ({
    name: `${i + 1}`,
    angleDeg: firstDeg + (360 / count) * i,
    arcminPerTurn: 24,
    clockwise: 'towards',
  }))

it('a thread of 0.5 mm at a lever of 45 mm: the angle whose tangent it is', () => {
  expect(arcminPerTurn({ pitchMm: 0.5, leverMm: 45 })).toBeCloseTo((Math.atan(0.5 / 45) * 180 * 60) / Math.PI, 12)
})

it('a dot 19′ right and 11′ low: side knob anticlockwise, top knob clockwise', () => {
  const { turns, residualArcmin } = finderKnobs({ misalignment: { x: 19, y: -11 }, knobs: redDot })
  expect(turns).toEqual([
    { name: 'side', turns: expect.closeTo(-0.5, 9) },
    { name: 'top', turns: expect.closeTo(1 / 3, 9) },
  ])
  expect(residualArcmin).toBeCloseTo(0, 9)
})

it('a knob that works the other way is turned the other way', () => {
  const knobs = redDot.map((knob) => ({ ...knob, clockwise: 'away' as const }))
  const { turns } = finderKnobs({ misalignment: { x: 19, y: 0 }, knobs })
  expect(turns[0]?.turns).toBeCloseTo(0.5, 9)
})

it.each([
  ['two at ±45°', screws(4, 45).slice(0, 2)],
  ['three', screws(3, 0)],
  ['four', screws(4, 45)],
  ['two knobs', redDot],
] as const)('%s: the turns always bring it to nothing, and rounded to what they promise', (_, knobs) => {
  const arcmin = fc.double({ min: -120, max: 120, noNaN: true })
  fc.assert(
    fc.property(arcmin, arcmin, (x, y) => {
      const answer = finderKnobs({ misalignment: { x, y }, knobs })
      const left = afterKnobTurns({ x, y }, knobs, answer.rounded)
      expect(answer.residualArcmin).toBeLessThan(1e-6)
      expect(lengthOf(left)).toBeCloseTo(answer.roundedResidualArcmin, 9)
      // A sixteenth of a turn or an eighth: half of that is lost at most, at each knob.
      expect(answer.roundedResidualArcmin).toBeLessThan((knobs.length * 38) / 16 + 0.01)
    }),
  )
})

it('opposed screws: one is let go as far as the other goes in', () => {
  const { turns } = finderKnobs({ misalignment: { x: 30, y: 10 }, knobs: screws(4, 45) })
  expect(turns[0]?.turns).toBeCloseTo(-(turns[2]?.turns ?? 0), 9)
  expect(turns[1]?.turns).toBeCloseTo(-(turns[3]?.turns ?? 0), 9)
})

it('wherever two to four knobs stand, they bring it in, by the least turning there is', () => {
  const knobs = fc
    .array(
      fc.record({ angleDeg: fc.integer({ min: 0, max: 359 }), arcminPerTurn: fc.integer({ min: 10, max: 60 }) }),
      {
        minLength: 2,
        maxLength: 4,
      },
    )
    .map((each) =>
      each.map((knob, i): FinderKnob => ({ name: `${i}`, clockwise: i % 2 ? 'away' : 'towards', ...knob })),
    )
  const across = (some: readonly FinderKnob[]) =>
    some.some((a) => some.some((b) => Math.abs(Math.sin(((a.angleDeg - b.angleDeg) * Math.PI) / 180)) > 0.3))
  fc.assert(
    fc.property(
      knobs.filter(across),
      fc.integer({ min: -60, max: 60 }),
      fc.integer({ min: -60, max: 60 }),
      (some, x, y) => {
        const { turns, residualArcmin } = finderKnobs({ misalignment: { x, y }, knobs: some })
        expect(residualArcmin).toBeLessThan(1e-6)
        expect(lengthOf(afterKnobTurns({ x, y }, some, turns))).toBeLessThan(1e-6)
        // The least: whatever else they could do together, and move nothing, only adds to it.
        const [a, b, c] = some
        if (!a || !b || !c) return
        const alone = finderKnobs({ misalignment: { x, y }, knobs: [a, b] }).turns
        const squares = (of: readonly { readonly turns: number }[]) =>
          of.reduce((sum, each) => sum + each.turns ** 2, 0)
        if (across([a, b])) expect(squares(turns)).toBeLessThan(squares(alone) + 1e-9)
      },
    ),
  )
})

it('knobs in one line leave what lies across it, and say so', () => {
  const { residualArcmin } = finderKnobs({ misalignment: { x: 20, y: 7 }, knobs: redDot.slice(0, 1) })
  expect(residualArcmin).toBeCloseTo(7, 9)
})

it.each([
  { knobs: [], names: 'knobs' },
  { knobs: [{ name: 'a', angleDeg: 0, arcminPerTurn: 0, clockwise: 'towards' as const }], names: 'arcminPerTurn' },
])('refuses $names', ({ knobs, names }) => {
  expect(() => finderKnobs({ misalignment: { x: 1, y: 1 }, knobs })).toThrow(names)
})

describe('learnt from what the last turns did', () => {
  /** Knobs as they really are. */
  const real = (change: Partial<FinderKnob>) => redDot.map((knob, i) => (i === 0 ? { ...knob, ...change } : knob))
  const steps = (knobs: readonly FinderKnob[], count: number) =>
    Array.from({ length: count }, (_, i) => {
      const before = { x: 20 + 5 * i, y: -10 - 3 * i }
      const { rounded } = finderKnobs({ misalignment: before, knobs: redDot })
      return { before, turns: rounded, after: afterKnobTurns(before, knobs, rounded), uncertaintyArcmin: 2 }
    })

  it('a finer thread is learnt within two steps, and the other knob keeps its own', () => {
    const { knobs } = learnKnobs(redDot, steps(real({ arcminPerTurn: 19 }), 2))
    expect(knobs[0]?.arcminPerTurn).toBeCloseTo(19, 0)
    expect(knobs[1]?.arcminPerTurn).toBeCloseTo(33, 0)
  })
  it.each([0, 1])('one step already tells something of knob %d’s finer thread', (which) => {
    const finer = redDot.map((knob, i) => (i === which ? { ...knob, arcminPerTurn: knob.arcminPerTurn / 2 } : knob))
    const [declared = 0, learnt = 0] = [redDot, learnKnobs(redDot, steps(finer, 1)).knobs].map(
      (knobs) => knobs[which]?.arcminPerTurn,
    )
    expect(learnt).toBeLessThan(0.7 * declared)
  })
  it('a knob that works the other way is told, and its advice turned over', () => {
    const learnt = learnKnobs(redDot, steps(real({ clockwise: 'away' }), 2))
    expect(learnt.reversed).toEqual(['side'])
    const { turns } = finderKnobs({ misalignment: { x: 19, y: 0 }, knobs: learnt.knobs })
    expect(turns[0]?.turns).toBeGreaterThan(0.3)
  })
  it.each([0, 1])('one turning the wrong way, by a hand’s slip, turns knob %d not round', (which) => {
    const [slip] = steps(
      redDot.map((knob, i) => (i === which ? { ...knob, clockwise: 'away' } : knob)),
      1,
    )
    const right = steps(redDot, 2)
    if (!slip) throw new Error('no step')
    for (const some of [[slip], [slip, ...right], [...right, slip]]) {
      const { reversed, knobs } = learnKnobs(redDot, some)
      expect([some.length, reversed]).toEqual([some.length, []])
      expect(knobs[0]?.arcminPerTurn).toBeCloseTo(38, 0)
      expect(knobs[1]?.arcminPerTurn).toBeCloseTo(33, 0)
    }
  })
  it('of two screws that pull alike, turned together, the one that works the other way is told', () => {
    // Screws a third of a turn apart share what they do: each is asked after what the others did is taken off.
    const three = screws(3, 0)
    const asMade = three.map((screw, i) => (i === 1 ? { ...screw, clockwise: 'away' as const } : screw))
    const told = [
      { '1': 0.5, '2': 0.4 },
      { '2': 0.6, '3': 0.5 },
      { '1': -0.3, '2': -0.5, '3': 0.2 },
    ].map((each) => {
      const turns = Object.entries(each).map(([name, count]) => ({ name, turns: count }))
      const before = { x: 20, y: -10 }
      return { before, turns, after: afterKnobTurns(before, asMade, turns), uncertaintyArcmin: 2 }
    })
    expect(learnKnobs(three, told).reversed).toEqual(['2'])
    // And once is a slip of the hand still.
    expect(learnKnobs(three, told.slice(0, 1)).reversed).toEqual([])
    const asIs = told.map((step) => ({ ...step, after: afterKnobTurns(step.before, three, step.turns) }))
    expect(learnKnobs(three, asIs).reversed).toEqual([])
  })
  it('a knob that slips is told', () => {
    const learnt = learnKnobs(redDot, steps(real({ arcminPerTurn: 1 }), 3))
    expect(learnt.slipping).toEqual(['side'])
  })
  it('of knobs of which one alone was turned, nothing is said of the other', () => {
    const turns = [{ name: 'side', turns: 0.5 }]
    const before = { x: 20, y: -10 }
    const slips = { before, turns, after: { x: 20.5, y: -10 }, uncertaintyArcmin: 1 }
    const learnt = learnKnobs(redDot, [slips, slips, slips])
    expect([learnt.slipping, learnt.reversed]).toEqual([['side'], []])
    expect(learnt.knobs[1]?.arcminPerTurn).toBeCloseTo(33, 6)
  })
  it('without a step nothing is learnt', () => {
    const { knobs, reversed, slipping } = learnKnobs(redDot, [])
    expect(knobs.map((knob) => knob.arcminPerTurn)).toEqual([expect.closeTo(38, 9), expect.closeTo(33, 9)])
    expect([reversed, slipping]).toEqual([[], []])
  })
})
