import { compareWorth } from './plan-board.ts'

const worth = { served: 3, waitDays: 10, darkHours: 20 }

it.each([
  ['one more served, whatever they wait', { served: 4, waitDays: 90, darkHours: 0 }],
  ['a day less of waiting, whatever the nights', { waitDays: 9, darkHours: 0 }],
  ['more dark hours, where the rest is the same', { darkHours: 20.5 }],
])('a plan is worth more with %s', (_why, more) => {
  expect(compareWorth({ ...worth, ...more }, worth)).toBeGreaterThan(0)
  expect(compareWorth(worth, { ...worth, ...more })).toBeLessThan(0)
})

it('what the arithmetic rounds is no difference', () => {
  expect(compareWorth(worth, { ...worth, darkHours: 20 + 1e-12 })).toBe(0)
})
