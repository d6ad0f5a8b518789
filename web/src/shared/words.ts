import { wordsOf } from './translation.ts'
import { en } from './words.en.ts'

export const sharedWords = wordsOf('shared', { en })
