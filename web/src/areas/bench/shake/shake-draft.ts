/** What is looked at for looseness, from the ground up. Common practice, no source. */
export const looseFromTheGround = ['feet', 'leg locks', 'tray or brace', 'head bolt', 'clamp', 'focuser'] as const

export interface ShakeDraft {
  way: 'sensor' | 'stopwatch' | 'video'
  foundS: number
  frequencyHz: number | null
  /** What was tightened in turn, and how long it shook then. */
  tried: { what: string; settleS: number }[]
}

/** As left: what it shook for last. */
export const leftS = ({ foundS, tried }: ShakeDraft): number => tried.at(-1)?.settleS ?? foundS

/** One more measurement: the first is as found, each after it belongs to what was tightened before it. */
export function measured(
  draft: ShakeDraft | null,
  reading: { readonly way: ShakeDraft['way']; readonly settleS: number; readonly frequencyHz: number | null },
  what: string,
): ShakeDraft {
  const { way, settleS, frequencyHz } = reading
  if (!draft) return { way, foundS: settleS, frequencyHz, tried: [] }
  return { ...draft, way, frequencyHz: frequencyHz ?? draft.frequencyHz, tried: [...draft.tried, { what, settleS }] }
}

/** The one that helped most; null where none did. */
export function helpedMost({ foundS, tried }: ShakeDraft): { what: string; gainS: number } | null {
  let before = foundS
  let best: { what: string; gainS: number } | null = null
  for (const { what, settleS } of tried) {
    const gainS = before - settleS
    if (gainS > 0.1 && gainS > (best?.gainS ?? 0)) best = { what, gainS }
    before = settleS
  }
  return best
}

/** As it is sent with the check. */
export const shakeOf = (draft: ShakeDraft | null) =>
  draft && {
    ...{ way: draft.way, asFoundS: draft.foundS, asLeftS: leftS(draft), frequencyHz: draft.frequencyHz },
    tried: [...draft.tried],
  }
