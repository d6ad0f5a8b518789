import type { ComparedCompartment } from '../contents/open-case/compare-case.ts'
import { caseSentence, type Weighed } from './open-case.ts'

const names: Record<string, string> = { a: 'the 25 mm eyepiece', b: 'the 10 mm eyepiece', c: 'the cap' }
const at = (id: string, verdict: ComparedCompartment['verdict']): ComparedCompartment => ({
  ...{ id, verdict, chanceDifferent: verdict === 'same' ? 0.03 : verdict === 'different' ? 0.95 : 0.5 },
})
const gone = (id: string, count = 1) => ({
  ...{ missing: [{ id, count }], swapped: [], extra: [], residualG: 0, probability: 0.4 },
})
const say = (compared: readonly ComparedCompartment[], weight: Weighed | null = null) =>
  caseSentence({ compared, nameOf: (id) => names[id] ?? id, partOf: (id) => id, weight })
const weighed = (verdict: Weighed['verdict'], differenceG = -92): Weighed => ({
  ...{ verdict, differenceG, nameOf: (id: string) => names[id] ?? id },
})
const different = [at('a', 'same'), at('b', 'different')]

it.each([
  [[at('a', 'same')], null, 'Nothing looks different.'],
  [different, null, 'It looks different at the 10 mm eyepiece.'],
  [
    [...different, at('c', 'can’t-tell')],
    null,
    'It looks different at the 10 mm eyepiece. 1 of 3 compartments can’t be told: look yourself.',
  ],
  [
    different,
    weighed({ code: 'LIKELY', explanation: gone('b') }),
    'It looks different at the 10 mm eyepiece, and 92 g are missing: the 10 mm eyepiece.',
  ],
  [
    different,
    weighed({ code: 'ONE_OF_SEVERAL', explanations: [gone('c'), gone('b')], lookAt: ['b', 'c'] }),
    'It looks different at the 10 mm eyepiece, and 92 g are missing: the 10 mm eyepiece.',
  ],
  [
    [at('a', 'same')],
    weighed({ code: 'ONE_OF_SEVERAL', explanations: [gone('c'), gone('b')], lookAt: [] }),
    'Nothing looks different, and 92 g are missing.',
  ],
  [
    [at('a', 'same')],
    weighed({ code: 'ALL_THERE', smallestVisibleG: 4 }, 1),
    'Nothing looks different, and the weight fits.',
  ],
  [
    different,
    weighed({ code: 'NOTHING_FITS', differenceG: 300 }, 300),
    'It looks different at the 10 mm eyepiece, and 300 g are too many.',
  ],
] as const)('%#: %j', (compared, weight, sentence) => expect(say(compared, weight)).toBe(sentence))
