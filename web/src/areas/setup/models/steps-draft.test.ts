import { templateProcedure } from '@binoculum/core'
import {
  emptyStep,
  minutesWords,
  movedTo,
  problemsOf,
  secondsOf,
  stepProcedure,
  type ProcedureDraft,
} from './steps-draft.ts'

const draft = (): ProcedureDraft =>
  structuredClone(
    templateProcedure({ family: 'altazimuth-reflector', collapsible: false, parts: ['tray', 'tube'] }),
  ) as ProcedureDraft
const keys = ({ setUp }: ProcedureDraft) => setUp.map(({ key }) => key)

it('a step lifted and dropped keeps all others in their order', () => {
  const before = draft()
  const after = movedTo(before, 'setUp', 1, 3)
  expect(keys(after)).toEqual(['unpack', 'tray', 'head', 'legs', ...keys(before).slice(4)])
  expect(after.takeApart).toBe(before.takeApart)
  expect(movedTo(before, 'setUp', 99, 0)).toBe(before)
})

it('by keys a step goes one place, and stays at either end', () => {
  const before = draft()
  expect(keys(stepProcedure(before, { way: 'setUp', key: 'tray' }, -1)).slice(1, 3)).toEqual(['tray', 'legs'])
  expect(stepProcedure(before, { way: 'setUp', key: 'unpack' }, -1)).toBe(before)
  expect(stepProcedure(before, { way: 'setUp', key: keys(before).at(-1) ?? '' }, 1)).toBe(before)
  expect(stepProcedure(before, { way: 'setUp', key: 'nobody' }, 1)).toBe(before)
})

it('a step without a name or without words keeps nothing from being typed, only from being kept', () => {
  const made = emptyStep('stand')
  const before = draft()
  const problems = problemsOf({ ...before, setUp: [...before.setUp, made] })
  expect(Object.keys(problems)).toEqual([made.key])
  expect(problems[made.key]).toMatch(/name the step/)
  expect(problemsOf(before)).toEqual({})
})

it('adds up the times that are known, and says how many they are', () => {
  const times = [
    { key: 'legs', medianSeconds: 30 },
    { key: 'tray', medianSeconds: 45 },
    { key: 'gone', medianSeconds: 999 },
  ]
  expect(secondsOf(draft().setUp, times)).toEqual({ seconds: 75, known: 2 })
  expect([minutesWords(75), minutesWords(100), minutesWords(630)]).toEqual(['75 s', '2 min', '11 min'])
})
