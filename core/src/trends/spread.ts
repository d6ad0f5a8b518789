import type { Family, Role } from '../contents/roles.ts'

/** How often pieces of one kind were gone after loans: what a programme may tell others, and names nobody. */
export interface KindLosses {
  readonly role: Role
  readonly losses: number
  /** Pieces times loans. */
  readonly pieceLoans: number
}
/** How far mirrors of one class wander from loan to loan. */
export interface ClassDrift {
  readonly family: Family
  readonly sigmaMmPerLoan: number
  /** Pairs of looks, as left and as found again, that it was reckoned from. */
  readonly pairs: number
}
export interface ToldSpread {
  readonly losses: readonly KindLosses[]
  readonly drift: readonly ClassDrift[]
}

/** What others saw counts for at most as many piece-loans of each kind: a programme's own outweighs it after some seasons.
 * Common practice, no source. */
export const MOST_LENT_PIECE_LOANS = 200
/** And for at most so many pairs of looks. */
export const MOST_LENT_PAIRS = 2
/** Fewer say little, and might tell of one loan. */
export const LEAST_TOLD_PIECE_LOANS = 20
export const LEAST_TOLD_PAIRS = 5

/** What may be told: kinds and classes of which enough was seen that no single loan shows. */
export const toldSpread = ({ losses, drift }: ToldSpread): ToldSpread => ({
  losses: losses.filter(({ pieceLoans }) => pieceLoans >= LEAST_TOLD_PIECE_LOANS),
  drift: drift.filter(({ pairs }) => pairs >= LEAST_TOLD_PAIRS),
})

/** Losses of several programmes together, by kind, scaled down to what others may count for. */
export function lentLosses(
  spreads: readonly ToldSpread[],
): ReadonlyMap<Role, { readonly losses: number; readonly pieceLoans: number }> {
  const sums = new Map<Role, { losses: number; pieceLoans: number }>()
  for (const { role, losses, pieceLoans } of spreads.flatMap((each) => each.losses)) {
    const known = sums.get(role) ?? { losses: 0, pieceLoans: 0 }
    sums.set(role, { losses: known.losses + losses, pieceLoans: known.pieceLoans + pieceLoans })
  }
  return new Map(
    [...sums].map(([role, { losses, pieceLoans }]) => {
      const share = pieceLoans > 0 ? Math.min(1, MOST_LENT_PIECE_LOANS / pieceLoans) : 0
      return [role, { losses: losses * share, pieceLoans: pieceLoans * share }]
    }),
  )
}

/** The spread of a class over several programmes: variances by their pairs. Null where nobody told of it. */
export function lentDrift(
  spreads: readonly ToldSpread[],
  family: string,
): { readonly sigmaMm: number; readonly weight: number } | null {
  const own = spreads.flatMap(({ drift }) => drift).filter((each) => each.family === family)
  const pairs = own.reduce((sum, each) => sum + each.pairs, 0)
  if (pairs === 0) return null
  const variance = own.reduce((sum, each) => sum + each.pairs * each.sigmaMmPerLoan ** 2, 0) / pairs
  return { sigmaMm: Math.sqrt(variance), weight: Math.min(MOST_LENT_PAIRS, pairs) }
}
