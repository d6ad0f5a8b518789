import { wordsOf } from '../../shared/words.ts'
import { en } from './words.en.ts'

export const deskWords = wordsOf('desk', { en })
