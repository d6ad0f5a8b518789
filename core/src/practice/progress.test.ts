import { practiceVerdict, practiceVerdictWords, type PracticeProgress } from './progress.ts'

const done: PracticeProgress = { level: 'both-mirrors', tubes: 5, within: 4, timesLeast: 1.4, unaided: 3 }

it.each([
  { what: 'three within, two unaided, few turns', change: {}, lacks: null },
  { what: 'exactly at each limit', change: { within: 3, unaided: 2, timesLeast: 2 }, lacks: null },
  { what: 'too few within', change: { within: 2 }, lacks: 'within' },
  { what: 'always with help', change: { unaided: 0 }, lacks: 'unaided' },
  { what: 'screws turned to and fro', change: { timesLeast: 2.1 }, lacks: 'turns' },
  { what: 'telescopes that were right from the start', change: { timesLeast: null }, lacks: null },
])('$what', ({ change, lacks }) => {
  expect(practiceVerdict({ ...done, ...change }).lacks).toBe(lacks)
})

it('says what to do next, with its limit', () => {
  expect(practiceVerdictWords(done)).toBe('Ready for a kit’s own screws.')
  expect(practiceVerdictWords({ ...done, level: 'one-screw' })).toBe('Ready for both mirrors.')
  expect(practiceVerdictWords({ ...done, within: 1 })).toBe('2 more telescopes within the limit, of 3.')
  expect(practiceVerdictWords({ ...done, unaided: 1 })).toBe('One more telescope without a line of help, of 2.')
  expect(practiceVerdictWords({ ...done, timesLeast: 3.26 })).toContain('3.3 times the turns that would do; 2 times')
})
