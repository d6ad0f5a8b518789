import type { PointXY } from '../shared/angles.ts'
import type { Drifted, DriftPair } from './forecast.ts'

/** A figure of a kit as one check found and left it. */
export interface FoundAndLeft {
  readonly atUtc: string
  /** Null where only the figure as left was written down. */
  readonly asFound: number | null
  readonly asLeft: number
  /** Where the figure is a length with a direction. */
  readonly asFoundAt: PointXY | null
  readonly asLeftAt: PointXY | null
}

const found = ({ asFound, asFoundAt }: FoundAndLeft): Drifted | null =>
  asFound === null ? null : (asFoundAt ?? { lengthMm: asFound })
const left = ({ asLeft, asLeftAt }: FoundAndLeft): Drifted => asLeftAt ?? { lengthMm: asLeft }

/**
 * What each check found of what the one before had left, and where the kit stands now.
 *
 * Two checks without a loan between them say nothing of loans: what they differ by is the measuring. A loan counts where it
 * came back: a clock that was set back may put a check before the return it followed, and then the pair has no loan and is
 * left out rather than guessed at.
 * @param checks in any order
 * @param backUtc when each loan came back
 * @returns null where nobody has looked yet
 */
export function driftPairs(
  checks: readonly FoundAndLeft[],
  backUtc: readonly string[],
): {
  readonly history: readonly DriftPair[]
  readonly now: { readonly asLeftMm: Drifted; readonly loansSince: number }
} | null {
  const inOrder = [...checks].sort((a, b) => a.atUtc.localeCompare(b.atUtc))
  const newest = inOrder.at(-1)
  if (!newest) return null
  const loansBetween = (from: string, until: string) => backUtc.filter((at) => at > from && at <= until).length
  const history = inOrder.slice(1).flatMap((check, index): DriftPair[] => {
    const before = inOrder[index]
    const asFoundMm = found(check)
    if (!before || !asFoundMm) return []
    const loans = loansBetween(before.atUtc, check.atUtc)
    return loans === 0 ? [] : [{ asLeftMm: left(before), asFoundMm, loans }]
  })
  return { history, now: { asLeftMm: left(newest), loansSince: loansBetween(newest.atUtc, '9') } }
}
