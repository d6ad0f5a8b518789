import type { Language } from './language.ts'
import { guideTexts } from './es-guide.ts'
import { lookTexts } from './es-looks.ts'
import { pageTexts } from './es-page.ts'
import { partTexts } from './es-parts.ts'
import { skyTexts } from './es-sky.ts'

/** Files of this language, apart, so that a test sees a sentence that stands in two of them. */
export const spanishFiles = [partTexts, skyTexts, guideTexts, pageTexts, lookTexts]

/** Spanish. Translated by the makers, not yet read by a teacher; corrections are typed under Guides. */
export const spanish: Language = {
  code: 'es',
  name: 'Español',
  decimalComma: true,
  texts: { ...partTexts, ...skyTexts, ...guideTexts, ...pageTexts, ...lookTexts },
}
