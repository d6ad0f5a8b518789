import { whatIf, type SimulatedKit } from './what-if.ts'

const kit = (rest: Partial<SimulatedKit> = {}): SimulatedKit => ({
  ...{ sigmaMm: 0.4, limitMm: 0.8, leftMm: 0, loansAYear: 18, lookMinutes: 10, ...rest },
})
const play = (kits: readonly SimulatedKit[], years = 400, dueChance = 1 / 3) => {
  const found = whatIf({ kits, years, seed: 7, dueChance })
  if (!found) throw new Error('nobody ended it')
  const [every, third, forecast] = found
  if (!every || !third || !forecast) throw new Error('a rule is missing')
  return { every, third, forecast }
}

it('a look after every loan costs most and spoils none', () => {
  const { every, third, forecast } = play([kit()])
  expect(every).toMatchObject({ benchHours: 3, spoiltPerHundred: 0, looks: 18 })
  expect(third.benchHours).toBe(1)
  // exp(−0.64/(2·0.16·n)) reaches a third at n = 2.
  expect(forecast.looks).toBe(9)
})

it('spoils as often as Rayleigh’s tail says', () => {
  const { third } = play([kit()], 2000)
  // Of three loans the first begins right, the second after one change, the third after two.
  const tail = (loans: number) => Math.exp(-(0.8 ** 2) / (2 * 0.4 ** 2 * loans))
  expect(third.spoiltPerHundred).toBeCloseTo((100 * (tail(1) + tail(2))) / 3, 0)
})

it('a steady kit isn’t looked at for nothing, and a shaky one after each loan', () => {
  const { forecast } = play([kit({ sigmaMm: 0.02 })])
  expect(forecast.looks).toBe(0)
  const shaky = play([kit({ sigmaMm: 0.9 })])
  expect(shaky.forecast.looks).toBe(18)
})

it('is the same for the same seed, and nothing for no kits', () => {
  expect(play([kit()], 20)).toEqual(play([kit()], 20))
  expect(play([])).toMatchObject({ every: { benchHours: 0, spoiltPerHundred: 0 } })
})

it('tells how far it is, and ends when it is told', () => {
  const shares: number[] = []
  const given = { kits: [kit()], years: 4, seed: 1, dueChance: 1 / 3 }
  whatIf(given, (share) => shares.push(share) > 0)
  expect(shares).toHaveLength(12)
  expect(shares.at(-1)).toBe(1)
  expect(whatIf(given, (share) => share < 0.5)).toBeNull()
})

it.each([
  ['no years', { years: 0 }],
  ['a limit of nothing', { kits: [kit({ limitMm: 0 })] }],
])('refuses %s', (_words, part) => {
  expect(() => whatIf({ kits: [kit()], years: 1, seed: 1, dueChance: 0.3, ...part })).toThrow(RangeError)
})
