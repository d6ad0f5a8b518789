import { wordsOf } from '../../shared/translation.ts'
import { en } from './words.en.ts'

export const peopleWords = wordsOf('people', { en })
