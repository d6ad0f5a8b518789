import { requireNotNegative, requirePositive } from '../shared/require.ts'

const MM_PER_M = 1000

export type Focusing = 'drawtube' | 'moving-mirror'

export interface NearFocusInput {
  readonly focalLengthMm: number
  readonly focusing: Focusing
  /** How far a drawtube goes out beyond where it stands for a star. */
  readonly spareTravelMm?: number | undefined
  /** From the model's papers, or a trial. */
  readonly knownNearestM?: number | undefined
  readonly distanceM?: number | undefined
}

export type NearFocusReason = 'formula' | 'known' | 'travel-unknown' | 'trial-needed' | 'inside-focal-length'

export interface NearFocus {
  readonly nearestM: number | null
  /** How much farther out than for a star, at the distance asked for; drawtubes only. */
  readonly extraTravelMm: number | null
  readonly reason: NearFocusReason
  /** Whether it comes sharp at the distance asked for; null where that isn't known. */
  readonly reaches: boolean | null
}

/**
 * How near a kit can focus, and how far its drawtube goes out for it.
 *
 * A thing at d from the objective is imaged at d·f/(d − f): f²/(d − f) beyond the focal plane. A drawtube with s to spare
 * reaches f + f²/s. A tube that focuses by moving its mirror changes its own focal length: only a trial tells.
 * @param input lengths in mm, distances in m from the objective; a known nearest distance goes before the formula
 * @throws RangeError for lengths that are not positive. Source: thin-lens conjugates */
export function nearFocus(input: NearFocusInput): NearFocus {
  const { focalLengthMm: f, focusing, spareTravelMm, knownNearestM, distanceM } = input
  requirePositive({ focalLengthMm: f })
  if (spareTravelMm !== undefined) requireNotNegative({ spareTravelMm })
  if (knownNearestM !== undefined) requirePositive({ knownNearestM })
  if (distanceM !== undefined) requirePositive({ distanceM })
  const isDrawtube = focusing === 'drawtube'
  const byFormulaM = isDrawtube && spareTravelMm ? (f + (f * f) / spareTravelMm) / MM_PER_M : null
  const nearestM = knownNearestM ?? byFormulaM
  const outsideMm = distanceM === undefined ? null : distanceM * MM_PER_M - f
  if (outsideMm !== null && outsideMm <= 0)
    return { nearestM, extraTravelMm: null, reason: 'inside-focal-length', reaches: false }
  const extraTravelMm = isDrawtube && outsideMm !== null ? (f * f) / outsideMm : null
  const reaches = distanceM === undefined || nearestM === null ? null : distanceM >= nearestM
  const unknown = isDrawtube ? 'travel-unknown' : 'trial-needed'
  const reason = knownNearestM !== undefined ? 'known' : byFormulaM !== null ? 'formula' : unknown
  return { nearestM, extraTravelMm, reason, reaches }
}
