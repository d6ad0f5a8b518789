import { wordsOf } from '../../shared/words.ts'
import { en } from './words.en.ts'

export const calendarWords = wordsOf('calendar', { en })
