import { starterCard } from '../contents/starter-card.ts'
import { families, type Family } from '../contents/roles.ts'
import { usualStand } from '../mount/stand.ts'
import { stepTests } from '../procedures/procedure.ts'
import { templateProcedure } from '../procedures/templates.ts'
import { judgeAnswers, levelAnswer, stepQuestions, tiltDeg } from './step-tests.ts'

it.each(stepTests)('%s: its first answers are the good ones, and every other says what to do', (test) => {
  const questions = stepQuestions[test]
  const best = questions.map(({ answers }) => answers[0]?.value ?? null)
  expect(judgeAnswers(test, best)).toEqual({ fine: true, remedies: [] })
  for (const [index, { answers }] of questions.entries())
    for (const answer of answers.filter(({ fine }) => !fine)) {
      const said = best.map((value, at) => (at === index ? answer.value : value))
      expect(judgeAnswers(test, said)).toEqual({ fine: false, remedies: [answer.remedy] })
      expect(answer.remedy.length).toBeGreaterThan(15)
    }
})

it.each(Object.keys(families) as Family[])(
  'no test of a %s speaks of a clutch where each axis has none',
  (family) => {
    const parts = starterCard(family, [25]).map(({ role }) => role)
    const { setUp } = templateProcedure({ family, collapsible: false, parts })
    const words = setUp.flatMap(({ test }) => (test ? [JSON.stringify(stepQuestions[test])] : [])).join('\n')
    expect(words.length).toBeGreaterThan(100)
    if (!usualStand(family, parts).axisLocks) expect(words).not.toMatch(/clutch/i)
  },
)

it('says nothing while a question is open, and refuses what nobody can answer', () => {
  expect(judgeAnswers('three-moves', ['easy', null, 'stays'])).toBeNull()
  expect(judgeAnswers('three-moves', [])).toBeNull()
  expect(() => judgeAnswers('level', ['upside down'])).toThrow(RangeError)
})

it.each([
  { betaDeg: 0, gammaDeg: 0, tilt: 0 },
  { betaDeg: 2, gammaDeg: 0, tilt: 2 },
  { betaDeg: 0, gammaDeg: -3, tilt: 3 },
  // cos 3°·cos 4° = cos 4.9988°.
  { betaDeg: 3, gammaDeg: 4, tilt: 4.9988 },
  { betaDeg: 180, gammaDeg: 0, tilt: 180 },
])('a tablet at $betaDeg, $gammaDeg leans by $tilt°', ({ betaDeg, gammaDeg, tilt }) => {
  expect(tiltDeg({ betaDeg, gammaDeg })).toBeCloseTo(tilt, 3)
})

it.each([
  [0, 'in-ring'],
  [0.5, 'in-ring'],
  [0.7, 'touching'],
  [1.01, 'out'],
])('%d° is %s', (tilt, answer) => expect(levelAnswer(Number(tilt))).toBe(answer))
