import type { IssuedGuide } from '@binoculum/contract'

/** Parts of a guide in the order borrowers need them. */
export type Chapter = 'sun' | 'case' | 'set-up' | 'look' | 'powers' | 'trouble' | 'mirror' | 'away'

export const chapterTitles: Readonly<Record<Chapter, string>> = {
  sun: 'Before anything else',
  case: 'What is in the case',
  'set-up': 'Set it up',
  look: 'Your first look',
  powers: 'Which eyepiece',
  trouble: 'It doesn’t work',
  mirror: 'Line up the mirror',
  away: 'Put it away',
}

/** One screen of the phone: a chapter, and a step where the chapter has steps. */
export interface GuidePage {
  readonly chapter: Chapter
  readonly step: number | null
}

export function pagesOf(guide: IssuedGuide): readonly GuidePage[] {
  const steps = (chapter: Chapter, count: number) => Array.from({ length: count }, (_, step) => ({ chapter, step }))
  return [
    { chapter: 'sun', step: null },
    { chapter: 'case', step: null },
    ...steps('set-up', guide.setUp.length),
    { chapter: 'look', step: null },
    { chapter: 'powers', step: null },
    { chapter: 'trouble', step: null },
    ...(guide.helpSheet ? [{ chapter: 'mirror' as const, step: null }] : []),
    ...steps('away', guide.putAway.length),
  ]
}

export const verdictWords = {
  'too-low': 'too low: light is wasted',
  good: 'good',
  'steady-air-only': 'in steady air only',
  empty: 'too much: only a bigger blur',
} as const
