import { translatorInto, type Translator } from '../said.ts'
import { lookTexts } from './es-looks.ts'
import { pageTexts } from './es-page.ts'
import { partTexts } from './es-parts.ts'
import { skyTexts } from './es-sky.ts'
import { english, languageOf, type Language } from './language.ts'

/** The languages as a borrower's phone carries them: only what its pages say by themselves. The guide's own sentences are
 * composed before they are sent, and would be a tenth of all its script. */
export const pageLanguages: readonly Language[] = [
  english,
  {
    code: 'es',
    name: 'Español',
    decimalComma: true,
    texts: { ...partTexts, ...skyTexts, ...pageTexts, ...lookTexts },
  },
]

export const pageTranslator = (code: string): Translator => translatorInto(languageOf(pageLanguages, code))
