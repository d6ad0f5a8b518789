import { cases } from '../testing/sweep.ts'
import fc from 'fast-check'
import { inView } from '../collimation/mirror-data.ts'
import { practiceHelp } from '../words/practice.ts'
import {
  lockPractice,
  practiceAlignment,
  practiceErrorMm,
  practiceLimits,
  practiceStage,
  practiceTube,
  shortestWay,
  sixteenthsUsed,
  startedPractice,
  turnPracticeScrew,
  undoPractice,
  type PracticeLevel,
  type PracticeTube,
} from './practice-tube.ts'

const levels: readonly PracticeLevel[] = ['one-screw', 'both-mirrors', 'fast-tube']
const anyLevel = fc.constantFrom(...levels)
const seeds = fc.integer({ min: 1, max: 1_000_000 })
const withoutTricks = (practice: PracticeTube): PracticeTube => ({
  ...practice,
  backlashTurns: 0,
  lockShiftMm: { x: 0, y: 0 },
})

it('every made-up telescope is off once its secondary is square, and the same seed is the same one', () => {
  fc.assert(
    fc.property(anyLevel, seeds, (level, seed) => {
      const practice = practiceTube(level, seed)
      expect(practiceTube(level, seed)).toEqual(practice)
      const state = startedPractice(practice)
      const { limitMm } = practiceLimits(practice)
      const squared = { ...state, secondaryErrorMm: { x: 0, y: 0 } }
      expect(practiceErrorMm(practice, squared)).toBeGreaterThan(limitMm)
      expect(practiceStage(practice, state)).toBe(level === 'one-screw' ? 'primary' : 'secondary')
    }),
  )
})

it('the shortest way leads to a good telescope where the cell has no play', () => {
  fc.assert(
    fc.property(anyLevel, seeds, (level, seed) => {
      const practice = withoutTricks(practiceTube(level, seed))
      let state = startedPractice(practice)
      for (const { name, sixteenths } of shortestWay(practice, state).secondary)
        state = turnPracticeScrew(practice, state, { stage: 'secondary', name, sixteenths })
      expect(practiceStage(practice, state)).toBe('primary')
      for (const { name, sixteenths } of shortestWay(practice, state).primary)
        state = turnPracticeScrew(practice, state, { stage: 'primary', name, sixteenths })
      // Two screws rounded to a sixteenth each.
      const { limitMm } = practiceLimits(practice)
      expect(practiceErrorMm(practice, state)).toBeLessThan(limitMm)
    }),
  )
})

it('squaring the secondary changes the primary’s reading', () => {
  const practice = practiceTube('both-mirrors', 7)
  const state = startedPractice(practice)
  const turned = turnPracticeScrew(practice, state, { stage: 'secondary', name: 'A', sixteenths: 4 })
  expect(practiceErrorMm(practice, turned)).not.toBeCloseTo(practiceErrorMm(practice, state), 3)
})

describe('a cell with play and locks that shift it', () => {
  const practice = practiceTube('fast-tube', 11)
  const start = startedPractice(practice)
  const turn = (state: typeof start, sixteenths: number) =>
    turnPracticeScrew(practice, state, { stage: 'primary', name: 'B', sixteenths })

  it('idles for its play when it changes its way', () => {
    const gripped = turn(start, 4)
    const idle = turn(gripped, -1)
    expect(idle.primaryMm).toEqual(gripped.primaryMm)
    expect(turn(idle, -2).primaryMm).not.toEqual(gripped.primaryMm)
  })
  it('moves on at once in the same way', () => {
    const gripped = turn(start, 4)
    expect(turn(gripped, 1).primaryMm).not.toEqual(gripped.primaryMm)
  })
  it('locking shifts it, loosening shifts it back, and a locked screw does nothing', () => {
    const locked = lockPractice(practice, start)
    expect(practiceErrorMm(practice, locked)).not.toBeCloseTo(practiceErrorMm(practice, start), 3)
    expect(turn(locked, 4).primaryMm).toEqual(locked.primaryMm)
    const loose = lockPractice(practice, locked)
    expect(loose.primaryMm.x).toBeCloseTo(start.primaryMm.x, 9)
  })
})

it('undo takes one turn back, and only that', () => {
  const practice = practiceTube('one-screw', 3)
  const once = turnPracticeScrew(practice, startedPractice(practice), { stage: 'primary', name: 'A', sixteenths: 2 })
  const twice = turnPracticeScrew(practice, once, { stage: 'primary', name: 'C', sixteenths: -3 })
  expect(sixteenthsUsed(twice)).toBe(5)
  expect(undoPractice(practice, twice)).toEqual(once)
})

it('the last line of help, followed again and again, lines any telescope without tricks up', () => {
  fc.assert(
    fc.property(anyLevel, seeds, (level, seed) => {
      const practice = withoutTricks(practiceTube(level, seed))
      let state = startedPractice(practice)
      for (let i = 0; i < 12; i++) {
        const stage = practiceStage(practice, state)
        const way = shortestWay(practice, state)[stage]
        const [first] = [...way].sort((a, b) => Math.abs(b.sixteenths) - Math.abs(a.sixteenths))
        if (!first) break
        expect(practiceHelp(practice, state, 4)).toContain(`turn ${first.name} `)
        state = turnPracticeScrew(practice, state, { stage, ...first })
      }
      expect(practiceErrorMm(practice, state)).toBeLessThan(practiceLimits(practice).limitMm)
    }),
    { numRuns: cases(40, 1000) },
  )
})

it('the second line of help says where the mark lies, in eighths of the view', () => {
  fc.assert(
    fc.property(anyLevel, seeds, (level, seed) => {
      const practice = practiceTube(level, seed)
      const state = { ...startedPractice(practice), secondaryErrorMm: { x: 0, y: 0 } }
      const { x, y } = inView(practiceAlignment(practice, state).axisErrorMm)
      // From the right on, clockwise as on a clock's face: y is down.
      const eighth = (Math.round(Math.atan2(y, x) / (Math.PI / 4)) + 8) % 8
      const words = [
        'to the right of',
        'lower right',
        'below',
        'lower left',
        'to the left of',
        'upper left',
        'above',
        'upper right',
      ]
      expect(practiceHelp(practice, state, 2)).toContain(words[eighth])
    }),
    // One that lies a tenth of a degree within its eighth.
    { numRuns: cases(60, 1000), examples: [['fast-tube', 955_252]] },
  )
})
