import type { Role } from './roles.ts'

/** How often one piece is gone after a loan, before anything is known of this programme. Small and loose things vanish
 * most, what can't be overlooked hardly ever. Common practice, no source. */
const often: readonly Role[] = [
  'weight-slug',
  'coin-cell',
  'eyepiece-cap',
  'barlow-cap',
  'diagonal-cap',
  'finder-cap',
  'finder-o-ring',
  'inner-cap',
  'focuser-cap',
  'ring-clamp-screw',
  'dovetail-clamp-screw',
  'rocker-bolt',
  'spare-screws',
  'shaft-end-stop',
  'hex-key',
  'spanner',
  'collimation-cap',
]
const hardlyEver: readonly Role[] = [
  'tube',
  'mount-head',
  'base',
  'tripod-legs',
  'case',
  'counterweight',
  'power-pack',
]
const OFTEN = 0.03
const SELDOM = 0.01
const HARDLY_EVER = 0.001
/** Loans after which a programme's own experience weighs as much as the first guess. */
const GUESS_WORTH_LOANS = 40
/** What was ticked as present is still missing once in so many times: a look is not a weight. No source. */
const TICKED_SHARE = 0.1
const LEAST = 1e-4
const MOST = 0.5

export interface PieceLosses {
  readonly losses: number
  /** Pieces times loans. */
  readonly pieceLoans: number
}
const NOTHING_SEEN: PieceLosses = { losses: 0, pieceLoans: 0 }

export function firstGuessOfLoss(role: Role): number {
  if (often.includes(role)) return OFTEN
  return hardlyEver.includes(role) ? HARDLY_EVER : SELDOM
}

/** Chance that one piece is missing after a loan, 0.0001 to 0.5: the first guess, worth 40 loans, with what really
 * happened. @param losses pieces lost in so many `pieceLoans` (pieces times loans), both ≥ 0 @param lent what other
 * programmes told, already scaled to what it may count for */
export function lossChance(role: Role, seen: PieceLosses, lent: PieceLosses = NOTHING_SEEN): number {
  const losses = firstGuessOfLoss(role) * GUESS_WORTH_LOANS + lent.losses + seen.losses
  const chance = losses / (GUESS_WORTH_LOANS + lent.pieceLoans + Math.max(seen.pieceLoans, 0))
  return Math.min(Math.max(chance, LEAST), MOST)
}

/** The same for a piece that somebody has ticked as present. */
export const lossChanceOfTicked = (chance: number): number => Math.max(chance * TICKED_SHARE, LEAST)

/** The same for a piece whose place a camera has seen: Bayes' rule, the picture's odds being those of an even guess.
 * @param chanceDifferent 0 to 1; 0.5 says nothing */
export function lossChanceSeen(chance: number, chanceDifferent: number): number {
  const seen = Math.min(Math.max(chanceDifferent, LEAST), 1 - LEAST)
  const odds = (chance / (1 - chance)) * (seen / (1 - seen))
  return Math.min(Math.max(odds / (1 + odds), LEAST), MOST_SEEN)
}
const MOST_SEEN = 0.9
