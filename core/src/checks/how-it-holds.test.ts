import { howItHolds } from './how-it-holds.ts'

it.each([
  [[], 'too-few', 0, 0],
  [[0.1, 0.2], 'too-few', 2, 0.2],
  [[0.1, 0.2, 1], 'well', 3, 0.2],
  [[1, 0.1, 0.2], 'well', 3, 0.2],
  [[0.1, 0.2, 1.01], 'fairly', 2, 0.2],
  [[0.1, 0.2, 0.3, 2, 2], 'fairly', 3, 0.3],
  [[0.1, 0.2, 2, 2], 'badly', 2, 2],
] as const)('%j of a limit of 1: %s', (found, verdict, within, median) => {
  expect(howItHolds(found, 1)).toEqual({ verdict, within, times: found.length, median })
})
