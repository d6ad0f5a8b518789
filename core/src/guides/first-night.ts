import { FEWEST_TO_SAY, shareInterval } from '../trends/rates.ts'

/** How many borrowers of one kind of telescope looked for something, and how many of them saw it. */
export interface Told {
  readonly tried: number
  readonly saw: number
}
/** By what was looked for, see `toldKey`. */
export type ToldTargets = Readonly<Record<string, Told>>

/** Where a night may stop besides at a step of the set-up. */
export const nightStops = ['finding', 'focus', 'clouds'] as const
export type NightStop = (typeof nightStops)[number]

/** A planet's words change from night to night and its key with them (`saturn-2`); it is the same planet. */
export const toldKey = (targetId: string): string => targetId.replace(/-\d+$/, '')

/** Most see it, or most don't; null where there are too few to say, or the truth may lie on either side. */
export function toldVerdict({ tried, saw }: Told): 'found' | 'hard' | null {
  if (tried < FEWEST_TO_SAY) return null
  const { low, high } = shareInterval(saw, tried)
  return low >= 0.5 ? 'found' : high <= 0.5 ? 'hard' : null
}

/** Null where fewer told than say anything. */
export const enoughTold = (told: Told | undefined): Told | null =>
  told !== undefined && told.tried >= FEWEST_TO_SAY ? told : null

const rank = { found: 0, unsure: 1, hard: 2 } as const

/** What most borrowers of this kind of telescope saw comes first, what most looked for in vain last; else the order stays.
 * Nine-in-ten intervals decide, so that few answers move nothing. */
export function rankedByTold<T extends { readonly id: string }>(
  targets: readonly T[],
  told: ToldTargets,
): readonly T[] {
  const rankOf = ({ id }: T) => rank[toldVerdict(told[toldKey(id)] ?? { tried: 0, saw: 0 }) ?? 'unsure']
  return [...targets].sort((a, b) => rankOf(a) - rankOf(b))
}
