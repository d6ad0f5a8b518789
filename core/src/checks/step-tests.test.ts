import { stepTests } from '../procedures/procedure.ts'
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
