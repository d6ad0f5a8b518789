import { pageTranslator } from '@binoculum/core'
import { directionWord, fistsWords } from './sky-words.ts'

it.each([
  [0, 'north'],
  [22, 'north'],
  [23, 'north-east'],
  [90, 'east'],
  [181, 'south'],
  [247, 'south-west'],
  [248, 'west'],
  [350, 'north'],
])('%i° is %s', (deg, word) => expect(directionWord(deg)).toBe(word))

it.each([
  [3, '½ fist up'],
  [10, '1 fist up'],
  [44, '4½ fists up'],
  [47, '4½ fists up'],
  [48, '5 fists up'],
  [86, 'overhead'],
])('%i° is %s', (deg, words) => expect(fistsWords(deg, (s, v) => pageTranslator('en').text(s, v))).toBe(words))
