import type { PracticeLevel } from '@binoculum/core'
import { practiceWords } from './words.ts'

const t = practiceWords('levels')

export const levels: readonly { readonly key: PracticeLevel; readonly words: string }[] = [
  { key: 'one-screw', words: t('oneScrew') },
  { key: 'both-mirrors', words: t('bothMirrors') },
  { key: 'fast-tube', words: t('fastTube') },
]
export const levelWords = Object.fromEntries(levels.map(({ key, words }) => [key, words])) as Readonly<
  Record<PracticeLevel, string>
>
