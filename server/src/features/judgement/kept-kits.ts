import type { ShelfKit } from '@binoculum/contract'
import { LRUCache } from 'lru-cache'
import { shelfKit } from './judge-row.ts'
import { readKit, type ShelfRow, type StoredKit } from './queries.ts'

const DAY_MS = 86_400_000
/** About ten kilobytes each. */
const MOST_KEPT = 5000

/** A kit as it was judged, and what it was judged from. */
interface Kept {
  readonly stored: StoredKit
  readonly row: ShelfRow
  readonly judged?: {
    readonly kit: ShelfKit
    readonly text: string
    readonly fromMs: number
    readonly untilMs: number
  }
}

const fields = (kit: StoredKit) => Object.keys(kit) as (keyof StoredKit)[]
const isSame = (a: StoredKit, b: StoredKit): boolean => fields(a).every((field) => a[field] === b[field])

/** When whole days since an instant, past or still to come, are next one more. What is over at an hour is over after it: on the
 * hour itself it is looked at again in a moment. */
function nextDayMs(sinceMs: number, nowMs: number): number {
  const left = (((sinceMs - nowMs) % DAY_MS) + DAY_MS) % DAY_MS
  return nowMs + (left || 1)
}

/** Time alone changes how old a reading is and how late a loan, both in whole days. */
const unchangedUntilMs = ({ readings, loan }: ShelfRow, nowMs: number): number =>
  Math.min(
    ...readings.map(({ atUtc }) => nextDayMs(Date.parse(atUtc), nowMs)),
    ...(loan ? [nextDayMs(Date.parse(loan.dueAt), nowMs)] : []),
    nowMs + DAY_MS,
  )

/**
 * Kits are read from the database each time, and read and judged anew only when something of them has changed or a day has
 * gone by: of a shelf of five hundred, that is a handful. What comes out is shared and must not be changed.
 */
export class KeptKits {
  private readonly kept = new LRUCache<string, Kept>({ max: MOST_KEPT })

  row(stored: StoredKit): ShelfRow {
    return this.of(stored).row
  }

  /** The kit as the shelf shows it, and the same as JSON. */
  judged(stored: StoredKit, now: Date): { readonly kit: ShelfKit; readonly text: string } {
    const kept = this.of(stored)
    const nowMs = now.getTime()
    // A clock that was set back knows nothing of what was judged later.
    if (kept.judged && nowMs >= kept.judged.fromMs && nowMs < kept.judged.untilMs) return kept.judged
    const kit = shelfKit(kept.row, now)
    const judged = { kit, text: JSON.stringify(kit), fromMs: nowMs, untilMs: unchangedUntilMs(kept.row, nowMs) }
    this.kept.set(stored.id, { ...kept, judged })
    return judged
  }

  private of(stored: StoredKit): Kept {
    const kept = this.kept.get(stored.id)
    if (kept && isSame(kept.stored, stored)) return kept
    const fresh = { stored, row: readKit(stored) }
    this.kept.set(stored.id, fresh)
    return fresh
  }
}
