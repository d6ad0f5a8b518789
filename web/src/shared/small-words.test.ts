import { differenceWords } from './difference-words.ts'
import { typedMassG } from './typed-mass.ts'

it.each([
  { given: { kind: 'lacks' as const, name: 'Barlow 2×' }, words: 'has no Barlow 2×' },
  { given: { kind: 'has-besides' as const, name: 'Red torch' }, words: 'has Red torch as well' },
  {
    given: { kind: 'differs' as const, name: 'Cap', field: 'massG', own: '5', model: '4' },
    words: 'Cap: mass 5, not 4',
  },
  {
    given: { kind: 'differs' as const, name: 'Cap', field: 'weighGroup', own: 'tray', model: 'pouch' },
    words: 'Cap: weigh group tray, not pouch',
  },
])('$words', ({ given, words }) => expect(differenceWords(given)).toBe(words))

it.each([
  ['528', 528],
  ['14.63 kg', 14_630],
  ['0,12 kg', 120],
  ['1 lb', 453.59237],
  ['2 oz', 56.69904625],
])('%s is %d g', (text, grams) => {
  const mass = typedMassG(text)
  expect(mass.ok && mass.value).toBeCloseTo(grams, 6)
})

it.each(['heavy', '-3', '', '3 stone'])('“%s” is no mass', (text) => expect(typedMassG(text).ok).toBe(false))
