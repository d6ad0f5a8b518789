import { shareInterval } from '../trends/rates.ts'
import { rankedByTold, toldKey, toldVerdict } from './first-night.ts'

it('says nothing from few answers, and nothing where the truth may lie on either side', () => {
  expect(toldVerdict({ tried: 4, saw: 4 })).toBeNull()
  expect(toldVerdict({ tried: 5, saw: 5 })).toBe('found')
  expect(toldVerdict({ tried: 9, saw: 5 })).toBeNull()
  expect(toldVerdict({ tried: 5, saw: 0 })).toBe('hard')
  // At 12 of 16 the nine-in-ten interval begins just above a half, at 11 of 16 below it.
  expect(shareInterval(12, 16).low).toBeGreaterThan(0.5)
  expect(shareInterval(11, 16).low).toBeLessThan(0.5)
  expect([toldVerdict({ tried: 16, saw: 12 }), toldVerdict({ tried: 16, saw: 11 })]).toEqual(['found', null])
})

it('puts first what most saw and last what most looked for in vain, and leaves the rest as it was', () => {
  const targets = ['moon', 'ring-nebula', 'saturn-2', 'albireo', 'pleiades'].map((id) => ({ id }))
  const told = {
    'ring-nebula': { tried: 20, saw: 3 },
    saturn: { tried: 20, saw: 19 },
    albireo: { tried: 3, saw: 3 },
  }
  expect(rankedByTold(targets, told).map(({ id }) => id)).toEqual([
    'saturn-2',
    'moon',
    'albireo',
    'pleiades',
    'ring-nebula',
  ])
  expect(rankedByTold(targets, {})).toEqual(targets)
})

it('knows a planet of another night as the same planet', () => {
  expect([toldKey('saturn'), toldKey('saturn-3'), toldKey('moon-feature-2')]).toEqual([
    'saturn',
    'saturn',
    'moon-feature',
  ])
})
