import { requireFinite, requireNotNegative, requirePositive } from '../shared/require.ts'

/** Something on the tube's side of the right-ascension axis; its distance from that axis to its centre of mass. */
export interface TubeSideMass {
  readonly massG: number
  readonly distanceMm: number
  /** In the same coverage for all entries; the slack comes out in the same. */
  readonly massUncertaintyG?: number | undefined
}

/** Where the middle of the stack of weights may stand, from the right-ascension axis, and the bare shaft itself. */
export interface Shaft {
  readonly minMm: number
  readonly maxMm: number
  readonly massG?: number | undefined
  /** Centre of mass of the bare shaft; the middle of min and max where it is left out. */
  readonly centreMm?: number | undefined
}

export interface BalanceInput {
  /** One stack on one shaft. */
  readonly counterweights: readonly { readonly massG: number }[]
  readonly shaft: Shaft
  readonly tubeSide: readonly TubeSideMass[]
  /** Moment of the head itself, + on the tube's side. */
  readonly headMomentGmm?: number | undefined
}

export type BalanceReason = 'balanced' | 'too-light' | 'too-heavy'

export interface Balance {
  readonly possible: boolean
  readonly reason: BalanceReason
  /** Middle of the stack, from the right-ascension axis. Null when it can't be reached. */
  readonly positionMm: number | null
  /** How far the position may be wrong, from the masses' uncertainties. */
  readonly slackMm: number
  /** Smallest extra weight that would do at the shaft's end; 0 unless the stack is too light. */
  readonly extraMassG: number
  /** What would have to be added at the first tube-side entry; 0 unless the stack is too heavy. */
  readonly tubeSideExtraMassG: number
  readonly distanceMm: number | null
}

/** Where a stack of weights balances the tube about the right-ascension axis, or what is missing.
 *
 * Law of the lever with the shaft level: M·x + m_s·c = Σ mᵢ·dᵢ + M_head, so x = (Σ mᵢ·dᵢ + M_head − m_s·c) ÷ M. Where x
 * lies beyond the shaft's end, the stack wants (x/max − 1)·M more at the end; where it lies inside the housing, the tube
 * wants M·(min − x) ÷ d₁ more. Uncertain masses uᵢ, independent of each other: slack = √Σ(uᵢ·dᵢ)² ÷ M.
 * @param input masses in g above 0 (shaft: 0 or more), distances in mm, 0 or more on their own side
 * @throws RangeError for no weight at all, a weight of 0 g, or a shaft whose min is above its max
 * Source: Archimedes' lever; checked by hand-worked cases in the tests. */
export function mountBalance(input: BalanceInput): Balance {
  const { counterweights, shaft, tubeSide } = input
  requireShaft(shaft)
  const stackG = stackMassG(counterweights)
  const neededGmm = neededMomentGmm(input)
  const slackMm = Math.hypot(...tubeSide.map((each) => (each.massUncertaintyG ?? 0) * each.distanceMm)) / stackG
  const xMm = neededGmm / stackG
  const none = { slackMm, extraMassG: 0, tubeSideExtraMassG: 0, distanceMm: null }
  if (xMm > shaft.maxMm)
    return {
      ...none,
      possible: false,
      reason: 'too-light',
      positionMm: null,
      extraMassG: neededGmm / shaft.maxMm - stackG,
    }
  if (xMm >= shaft.minMm) return { ...none, possible: true, reason: 'balanced', positionMm: xMm }
  const first = tubeSide.find(({ distanceMm }) => distanceMm > 0)
  return {
    ...none,
    possible: false,
    reason: 'too-heavy',
    positionMm: null,
    tubeSideExtraMassG: first ? (stackG * shaft.minMm - neededGmm) / first.distanceMm : 0,
    distanceMm: first?.distanceMm ?? null,
  }
}

export interface BalancedPosition extends Omit<BalanceInput, 'headMomentGmm'> {
  /** Where the middle of the stack stood when the shaft stayed level by itself. */
  readonly positionMm: number
}

/** The head's own moment, + on the tube's side, from one position that was seen to balance. Every later set-up of the same
 * head follows from it: M_head = M·x + m_s·c − Σ mᵢ·dᵢ. @throws RangeError as mountBalance does */
export function headMomentGmm({ counterweights, shaft, tubeSide, positionMm }: BalancedPosition): number {
  requireShaft(shaft)
  requireFinite({ positionMm })
  return stackMassG(counterweights) * positionMm - neededMomentGmm({ shaft, tubeSide })
}

/** What the stack has to hold up: tube side and head, less the bare shaft. */
export function neededMomentGmm({ shaft, tubeSide, headMomentGmm: head = 0 }: Omit<BalanceInput, 'counterweights'>) {
  requireFinite({ headMomentGmm: head })
  const tubeGmm = tubeSide.reduce((sum, each, index) => {
    requireNotNegative({
      [`tubeSide.${index}.massG`]: each.massG,
      [`tubeSide.${index}.distanceMm`]: each.distanceMm,
      [`tubeSide.${index}.massUncertaintyG`]: each.massUncertaintyG ?? 0,
    })
    return sum + each.massG * each.distanceMm
  }, 0)
  return tubeGmm + head - (shaft.massG ?? 0) * (shaft.centreMm ?? (shaft.minMm + shaft.maxMm) / 2)
}

function stackMassG(counterweights: BalanceInput['counterweights']): number {
  if (counterweights.length === 0) throw new RangeError('counterweights: one weight at least')
  return counterweights.reduce((sum, { massG }, index) => {
    requirePositive({ [`counterweights.${index}.massG`]: massG })
    return sum + massG
  }, 0)
}

function requireShaft({ minMm, maxMm, massG = 0, centreMm = 0 }: Shaft): void {
  requireNotNegative({ 'shaft.minMm': minMm, 'shaft.massG': massG, 'shaft.centreMm': centreMm })
  requirePositive({ 'shaft.maxMm': maxMm })
  if (minMm > maxMm)
    throw new RangeError(
      `shaft.minMm (${minMm}) must not be above shaft.maxMm (${maxMm}): measure both from the axis`,
    )
}
