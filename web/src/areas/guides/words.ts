import { wordsOf } from '../../shared/translation.ts'
import { en } from './words.en.ts'

export const guidesWords = wordsOf('guides', { en })
