import type { PracticeLevel } from '@binoculum/core'

export const levels: readonly { readonly key: PracticeLevel; readonly words: string }[] = [
  { key: 'one-screw', words: 'One screw' },
  { key: 'both-mirrors', words: 'Both mirrors' },
  { key: 'fast-tube', words: 'Fast tube' },
]
export const levelWords = Object.fromEntries(levels.map(({ key, words }) => [key, words])) as Readonly<
  Record<PracticeLevel, string>
>
