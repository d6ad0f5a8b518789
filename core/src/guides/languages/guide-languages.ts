import { translatorInto, type Translator } from '../said.ts'
import { spanish } from './es.ts'
import { english, languageOf, type Language } from './language.ts'

/** Adding a language is adding its file here, and what its pages say in `page-languages.ts`. */
export const guideLanguages: readonly Language[] = [english, spanish]

/** Says whatever guides say. @param own translations that the programme's coordinators typed */
export const translator = (code: string, own?: Readonly<Record<string, string>>): Translator =>
  translatorInto(languageOf(guideLanguages, code), own)
