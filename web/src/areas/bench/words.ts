import { wordsOf } from '../../shared/words.ts'
import { en } from './words.en.ts'

export const benchWords = wordsOf('bench', { en })
