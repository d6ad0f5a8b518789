import { syllable } from 'syllable'

export const readingLanguages = ['en', 'es'] as const
export type ReadingLanguage = (typeof readingLanguages)[number]

export interface ReadingGrade {
  /** English: Flesch–Kincaid, school grade, lower is easier. Spanish: Szigriszt–Pazos, 0 to 100, higher is easier. */
  readonly grade: number
  readonly sentences: number
  /** Words in the longest sentence. */
  readonly longest: number
}

/** What a block should keep to; above (for Spanish below) it is warned, never blocked. DOMAIN section 10; the Spanish
 * band of 65 to 80 is *quite easy* on the INFLESZ scale (Barrio-Cantalejo et al., 2008, from memory). */
export const readingLimits: Readonly<
  Record<ReadingLanguage, { readonly limit: number; readonly easierIs: 'lower' | 'higher' }>
> = {
  en: { limit: 7, easierIs: 'lower' },
  es: { limit: 65, easierIs: 'higher' },
}

/** How hard a text is to read.
 *
 * English: 0.39·words/sentences + 11.8·syllables/words − 15.59 [Kincaid et al., 1975]. Spanish: 206.835 −
 * 62.3·syllables/words − words/sentences [Szigriszt Pazos, 1993]. A line's end ends a sentence too; figures count as one
 * syllable, as they are read at a glance.
 * @returns grade 0 and nothing else for a text without words
 * @throws RangeError for another language */
export function readingGrade(text: string, language: ReadingLanguage): ReadingGrade {
  if (!readingLanguages.includes(language))
    throw new RangeError(`language must be one of ${readingLanguages.join(', ')}; got ${String(language)}`)
  const sentences = text
    .split(/[.!?…;:]+(?=\s|$)|\n+/u)
    .map(wordsOf)
    .filter((words) => words.length > 0)
  const words = sentences.flat()
  if (words.length === 0) return { grade: 0, sentences: 0, longest: 0 }
  const count = language === 'en' ? englishSyllables : spanishSyllables
  const syllables = words.reduce((sum, word) => sum + count(word), 0)
  const perSentence = words.length / sentences.length
  const perWord = syllables / words.length
  const grade =
    language === 'en' ? 0.39 * perSentence + 11.8 * perWord - 15.59 : 206.835 - 62.3 * perWord - perSentence
  return { grade, sentences: sentences.length, longest: Math.max(...sentences.map(({ length }) => length)) }
}

/** Whether a grade keeps to its language's limit. */
export function isEasyEnough({ grade, sentences }: ReadingGrade, language: ReadingLanguage): boolean {
  const { limit, easierIs } = readingLimits[language]
  return sentences === 0 || (easierIs === 'lower' ? grade <= limit : grade >= limit)
}

const wordsOf = (sentence: string): readonly string[] => sentence.match(/[\p{L}\p{N}][\p{L}\p{N}’'.,×°-]*/gu) ?? []

const englishSyllables = (word: string): number => Math.max(1, syllable(word.replaceAll('’', "'")))

/** Spanish syllables: groups of vowels, where two open ones, or a stressed closed one beside an open one, stand apart.
 * Rules of the Ortografía (RAE 2010), without the foreign words it lists. */
export function spanishSyllables(word: string): number {
  const plain = word
    .toLowerCase()
    .replace(/qu(?=[eiéí])/g, 'q')
    .replace(/gu(?=[eiéí])/g, 'g')
    .replace(/y(?![aeiouáéíóúü])/g, 'i')
  const groups = plain.match(/[aeiouáéíóúü](?:h?[aeiouáéíóúü])*/g) ?? []
  const nuclei = groups.reduce((sum, group) => sum + nucleiOf(group.replaceAll('h', '')), 0)
  return Math.max(1, nuclei)
}

const OPEN = /[aeoáéó]/
const STRESSED_CLOSED = /[íú]/

function nucleiOf(vowels: string): number {
  let count = 1
  for (let index = 1; index < vowels.length; index++) {
    const [before = '', now = ''] = [vowels[index - 1], vowels[index]]
    const apart =
      (OPEN.test(before) && OPEN.test(now)) ||
      (STRESSED_CLOSED.test(now) && OPEN.test(before)) ||
      (STRESSED_CLOSED.test(before) && OPEN.test(now))
    if (apart) count++
  }
  return count
}
