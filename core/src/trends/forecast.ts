import { lengthOf, type PointXY } from '../shared/angles.ts'

/** A figure with its direction in the cell's frame, or its length alone where nobody wrote the direction down; mm. */
export type Drifted = PointXY | { readonly lengthMm: number }

/** What was left at the bench and found when the kit was looked at the next time. */
export interface DriftPair {
  readonly asFoundMm: Drifted
  readonly asLeftMm: Drifted
  /** Loans in between; one where left out. */
  readonly loans?: number | undefined
}

export interface DriftForecastInput {
  /** Oldest first. `asLeftMm` is what the check before left, `asFoundMm` what this one found. */
  readonly history: readonly DriftPair[]
  readonly now: { readonly asLeftMm: Drifted; readonly loansSince: number }
  readonly limitMm: number
  /** What is known of its model: a spread, and for how many pairs of its own it counts. */
  readonly prior?: { readonly sigmaMm: number; readonly weight: number } | undefined
  /** The chance at which a kit is due; one in three where left out. */
  readonly dueChance?: number | undefined
}

export interface DriftForecast {
  /** That the next as-found, after one loan more, lies beyond the limit; null where nothing is known. */
  readonly chanceBeyondLimit: number | null
  /** Its mean length. */
  readonly expectedMm: number | null
  /** Spread of one loan's change in each direction. */
  readonly sigmaPerLoanMm: number | null
  /** Loans from now on, without a look in between, until the chance reaches `dueChance`; null where it doesn't within 50. */
  readonly loansUntilDue: number | null
  readonly basis: {
    readonly kind: 'none' | 'own' | 'model' | 'both'
    readonly pairs: number
    readonly loans: number
    /** Pairs of which only the lengths are known. */
    readonly lengthsOnly: number
  }
}

/** One in three, unless a programme decides otherwise. Common practice, no source. */
export const DEFAULT_DUE_CHANCE = 1 / 3
const MOST_LOANS_AHEAD = 50

/**
 * How likely a kit comes back beyond its limit.
 *
 * Each loan adds a change that is normal in two dimensions, alike in both, of mean zero and of one unknown variance σ²; n loans
 * add n·σ². What is known of σ² is inverse gamma: shape `weight` and scale `weight`·σ₀² from the model, each pair adding 1 to
 * the shape and |Δ|²/2n to the scale (a two-dimensional normal with known mean has the inverse gamma as its conjugate).
 * Given σ², the next change is Rayleigh distributed in its length: P(ρ > r) = exp(−r²/2nσ²). Averaged over σ² that is
 * P(ρ > r) = (1 + r²/2nb)^−a, the tail of a two-dimensional t. The next figure is the one as left plus such a change in any
 * direction: the chance is the share of circles around the figure as left that lie beyond the limit, weighted by ρ.
 *
 * Where only lengths were written down, the direction of a change is unknown: |Δ|² is then its mean over all angles,
 * found² + left².
 * @throws RangeError for a limit, a spread or numbers of loans that are none
 * Source: A. Gelman et al., Bayesian Data Analysis, 3rd ed., 2.6 and 3.5 (from memory); checked by simulation.
 */
export function forecastDrift(input: DriftForecastInput): DriftForecast {
  const { history, now, limitMm, prior, dueChance = DEFAULT_DUE_CHANCE } = input
  requireSane(input)
  const { shape, scale } = spreadFrom(history, prior)
  const basis = {
    kind: kindOf(history.length, prior?.weight ?? 0),
    pairs: history.length,
    loans: history.reduce((sum, { loans = 1 }) => sum + loans, 0),
    lengthsOnly: history.filter(({ asFoundMm, asLeftMm }) => 'lengthMm' in asFoundMm || 'lengthMm' in asLeftMm)
      .length,
  }
  if (shape === 0)
    return { chanceBeyondLimit: null, expectedMm: null, sigmaPerLoanMm: null, loansUntilDue: null, basis }
  const leftMm = sizeOf(now.asLeftMm)
  const chanceAfter = (loans: number) => chanceBeyond(leftMm, limitMm, { shape, scale: scale * loans })
  const next = now.loansSince + 1
  const chanceBeyondLimit = chanceAfter(next)
  return {
    chanceBeyondLimit,
    expectedMm: meanLength(leftMm, { shape, scale: scale * next }),
    sigmaPerLoanMm: Math.sqrt(scale / shape),
    loansUntilDue:
      chanceBeyondLimit >= dueChance ? 1 : firstDue((more) => chanceAfter(now.loansSince + more) >= dueChance),
    basis,
  }
}

/** What is known of σ² after a history: inverse gamma of this shape and scale; shape 0 where nothing is. */
export function spreadFrom(history: readonly DriftPair[], prior: DriftForecastInput['prior']): Spread {
  const weight = prior?.weight ?? 0
  const changes = history.map(({ asFoundMm, asLeftMm, loans = 1 }) => squaredChange(asFoundMm, asLeftMm) / loans)
  const scale = changes.reduce((sum, change) => sum + change / 2, weight * (prior?.sigmaMm ?? 0) ** 2)
  return { shape: history.length + weight, scale }
}

/** The chance grows with every loan while what was left lies within the limit: halving finds the first that is due. */
function firstDue(isDue: (more: number) => boolean): number | null {
  if (!isDue(MOST_LOANS_AHEAD)) return null
  let [not, due] = [1, MOST_LOANS_AHEAD]
  while (due - not > 1) {
    const middle = Math.floor((not + due) / 2)
    if (isDue(middle)) due = middle
    else not = middle
  }
  return due
}

const kindOf = (pairs: number, weight: number): DriftForecast['basis']['kind'] => {
  if (pairs === 0) return weight > 0 ? 'model' : 'none'
  return weight > 0 ? 'both' : 'own'
}

const sizeOf = (of: Drifted): number => ('lengthMm' in of ? of.lengthMm : lengthOf(of))

function squaredChange(found: Drifted, left: Drifted): number {
  if ('lengthMm' in found || 'lengthMm' in left) return sizeOf(found) ** 2 + sizeOf(left) ** 2
  return (found.x - left.x) ** 2 + (found.y - left.y) ** 2
}

interface Spread {
  readonly shape: number
  readonly scale: number
}

/** Length of a change that so large a share of all changes stays below. */
const quantile = ({ shape, scale }: Spread, share: number): number =>
  Math.sqrt(2 * scale * ((1 - share) ** (-1 / shape) - 1))
const below = ({ shape, scale }: Spread, rho: number): number =>
  scale === 0 ? Number(rho >= 0) : 1 - (1 + rho ** 2 / (2 * scale)) ** -shape

/** Of a circle of radius ρ around a point m away from the middle: the share that lies within r of the middle. */
function shareWithin(m: number, rho: number, r: number): number {
  if (rho <= r - m) return 1
  if (rho >= r + m || rho <= m - r) return 0
  return Math.acos(Math.min(1, Math.max(-1, (m ** 2 + rho ** 2 - r ** 2) / (2 * m * rho)))) / Math.PI
}

const PIECES = 200

/** The share of all changes that end beyond `limit`, begun `m` away from the middle. */
export function chanceBeyond(m: number, limit: number, spread: Spread): number {
  if (m === 0 || spread.scale === 0) return spread.scale === 0 ? Number(m > limit) : 1 - below(spread, limit)
  // Whole circles within the limit, and those that cross it; all larger ones lie beyond it.
  const [from, until] = [below(spread, Math.abs(limit - m)), below(spread, limit + m)]
  let within = m <= limit ? from : 0
  for (let piece = 0; piece < PIECES; piece++) {
    const share = from + ((piece + 0.5) / PIECES) * (until - from)
    within += shareWithin(m, quantile(spread, share), limit) * ((until - from) / PIECES)
  }
  return 1 - within
}

const DIRECTIONS = 12

/** The mean of |m + change|, over equal shares of changes and of directions. */
function meanLength(m: number, spread: Spread): number {
  let sum = 0
  for (let piece = 0; piece < PIECES; piece++) {
    const rho = quantile(spread, (piece + 0.5) / PIECES)
    for (let step = 0; step < DIRECTIONS; step++)
      sum += Math.sqrt(m ** 2 + rho ** 2 + 2 * m * rho * Math.cos((Math.PI * (step + 0.5)) / DIRECTIONS))
  }
  return sum / (PIECES * DIRECTIONS)
}

function requireSane({ history, now, limitMm, prior, dueChance }: DriftForecastInput): void {
  if (!(limitMm > 0)) throw new RangeError(`a limit is longer than 0 mm; ${limitMm} isn't`)
  for (const { loans = 1 } of history)
    if (!(Number.isInteger(loans) && loans >= 1))
      throw new RangeError(`between two looks lies one loan at least; ${loans} is none`)
  if (!(Number.isInteger(now.loansSince) && now.loansSince >= 0))
    throw new RangeError(`loans since the last look are a whole number; ${now.loansSince} is none`)
  if (prior && !(prior.sigmaMm > 0 && prior.weight >= 0))
    throw new RangeError('a prior has a spread above 0 mm and a weight of 0 or more')
  if (dueChance !== undefined && !(dueChance > 0 && dueChance < 1))
    throw new RangeError(`a chance lies between 0 and 1; ${dueChance} doesn't`)
}
