import { wordsOf } from '../../shared/translation.ts'
import { en } from './words.en.ts'

export const shelfWords = wordsOf('shelf', { en })
