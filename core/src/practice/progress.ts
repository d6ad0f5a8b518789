import type { PracticeLevel } from './practice-tube.ts'

/** How somebody did at one level, over all of their made-up telescopes. */
export interface PracticeProgress {
  readonly level: PracticeLevel
  readonly tubes: number
  /** Ended within their limit. */
  readonly within: number
  /** Turns used against the least that would have done; null where nothing was to be turned. */
  readonly timesLeast: number | null
  /** Without a line of help. */
  readonly unaided: number
}

/** What shows that somebody may take a kit's screws in hand. Common practice, no source. */
export const READY = { within: 3, unaided: 2, timesLeast: 2 } as const

export type PracticeVerdict =
  | { readonly ready: true; readonly lacks: null }
  | { readonly ready: false; readonly lacks: 'within' | 'unaided' | 'turns'; readonly more: number }

/** Ready for a kit's own screws, or what is lacking and how many telescopes more will show it at the earliest. */
export function practiceVerdict({ within, unaided, timesLeast }: PracticeProgress): PracticeVerdict {
  if (within < READY.within) return { ready: false, lacks: 'within', more: READY.within - within }
  if (unaided < READY.unaided) return { ready: false, lacks: 'unaided', more: READY.unaided - unaided }
  if (timesLeast !== null && timesLeast > READY.timesLeast) return { ready: false, lacks: 'turns', more: 1 }
  return { ready: true, lacks: null }
}

const readyFor: Readonly<Record<PracticeLevel, string>> = {
  'one-screw': 'Ready for both mirrors.',
  'both-mirrors': 'Ready for a kit’s own screws.',
  'fast-tube': 'Ready for any kit of the shelf.',
}

/** The verdict in words, and the next thing to do. */
export function practiceVerdictWords(progress: PracticeProgress): string {
  const verdict = practiceVerdict(progress)
  if (verdict.ready) return readyFor[progress.level]
  const telescopes = verdict.more === 1 ? 'One more telescope' : `${verdict.more} more telescopes`
  if (verdict.lacks === 'within') return `${telescopes} within the limit, of ${READY.within}.`
  if (verdict.lacks === 'unaided') return `${telescopes} without a line of help, of ${READY.unaided}.`
  return `${(progress.timesLeast ?? 0).toFixed(1)} times the turns that would do; ${READY.timesLeast} times is the limit. Look before each turn.`
}
