import { wordsOf } from '../../shared/words.ts'
import { en } from './words.en.ts'

export const guidesWords = wordsOf('guides', { en })
