import fc from 'fast-check'
import { cellAsLearnt, learntResponse, stepResponse, type TurnedStep } from './cell-response.ts'
import { axisErrorAfter, type PrimaryCell, type ScrewTurn } from './screws.ts'

const cell: PrimaryCell = {
  focalLengthMm: 600,
  screws: ['A', 'B', 'C'].map((name, i) => ({ name, angleDeg: 30 + 120 * i })),
  circleRadiusMm: 52,
  pitchMm: 0.8,
  clockwise: 'towards-sky',
}
/** The cell as it really is, turned; the program only knows `cell`. */
function stepOf(real: PrimaryCell, turns: readonly ScrewTurn[], before = { x: 1, y: -2 }): TurnedStep {
  return { before, turns, after: axisErrorAfter(real, before, turns), uncertaintyMm: 0.2 }
}
const turned = (name: string, turns: number): ScrewTurn[] => [{ name, turns }]

describe('one turning against what it should have done', () => {
  it.each([
    { what: 'the model’s own thread', real: cell, verdict: 'as-expected' },
    { what: 'a finer thread', real: { ...cell, pitchMm: 0.4 }, verdict: 'weaker' },
    { what: 'a coarser thread', real: { ...cell, pitchMm: 1.27 }, verdict: 'stronger' },
    { what: 'the other sense', real: { ...cell, clockwise: 'away-from-sky' as const }, verdict: 'reversed' },
    { what: 'a screw that doesn’t grip', real: { ...cell, pitchMm: 0.02 }, verdict: 'no-answer' },
  ])('$what: $verdict', ({ real, verdict }) => {
    expect(stepResponse(cell, stepOf(real, turned('B', 0.4))).verdict).toBe(verdict)
  })

  it('a picture turned over in a mirror is told from screws that work the other way', () => {
    const { before, turns, after } = stepOf(cell, turned('A', 0.5))
    const seen = { before, turns, after: { x: after.x, y: 2 * before.y - after.y }, uncertaintyMm: 0.2 }
    expect(stepResponse(cell, seen).verdict).toBe('mirrored')
  })

  it('a sixteenth that moves less than the doubt tells nothing', () => {
    const step = { ...stepOf(cell, turned('A', 1 / 16)), uncertaintyMm: 0.5 }
    expect(stepResponse(cell, step).verdict).toBe('too-small-to-tell')
  })
})

describe('a kit’s own cell', () => {
  it('advice after learning leaves nothing on a cell with any thread and either sense', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(0.4, 0.5, 0.8, 1, 1.27),
        fc.constantFrom('towards-sky' as const, 'away-from-sky' as const),
        (pitchMm, clockwise) => {
          const real = { ...cell, pitchMm, clockwise }
          const steps = [turned('A', 0.5), turned('B', 0.375), turned('C', 0.5)].map((turns) => stepOf(real, turns))
          const learnt = cellAsLearnt(cell, learntResponse(cell, steps))
          const [turns] = [turned('C', 0.25)]
          const promised = axisErrorAfter(learnt, { x: 0, y: 0 }, turns)
          const happened = axisErrorAfter(real, { x: 0, y: 0 }, turns)
          // Within the shares that count as usual, the model's thread is kept.
          const slack = 0.4 * Math.hypot(happened.x, happened.y)
          expect(Math.hypot(promised.x - happened.x, promised.y - happened.y)).toBeLessThan(slack)
        },
      ),
    )
  })

  it('one slip of the hand turns nobody’s screws round, whenever it comes', () => {
    const right = () => stepOf(cell, turned('A', 0.5))
    const slip = stepOf({ ...cell, clockwise: 'away-from-sky' }, turned('B', 0.5))
    for (const steps of [[slip], [slip, right(), right()], [right(), slip], [right(), right(), slip, right()]]) {
      const learnt = cellAsLearnt(cell, learntResponse(cell, steps))
      expect([steps.length, learnt.clockwise, learnt.pitchMm]).toEqual([steps.length, 'towards-sky', 0.8])
    }
    const both = cellAsLearnt(cell, learntResponse(cell, [slip, slip, right()]))
    expect([both.clockwise, both.pitchMm]).toEqual(['away-from-sky', expect.closeTo(0.8, 9)])
  })

  it('play shows where a screw changes its way', () => {
    const idle = 0.125
    const first = stepOf(cell, turned('A', 0.5))
    const second = { ...stepOf(cell, turned('A', -(0.5 - idle)), first.after), turns: turned('A', -0.5) }
    const third = stepOf(cell, turned('A', -0.375), second.after)
    const learnt = learntResponse(cell, [first, second, third])
    expect(learnt.verdict).toBe('as-expected')
    expect(learnt.backlashTurns).toBeCloseTo(idle, 6)
  })

  it('nothing is claimed before anything was turned', () => {
    expect(learntResponse(cell, [])).toMatchObject({ steps: 0, share: 1, backlashTurns: null })
    expect(cellAsLearnt(cell, learntResponse(cell, []))).toBe(cell)
  })
})
