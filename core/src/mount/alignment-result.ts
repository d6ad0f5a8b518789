import { requirePositive } from '../shared/require.ts'

/** Where an object landed that the controller went to by itself, in parts of the lowest power's field. */
export const landingPlaces = ['middle', 'middle-half', 'edge', 'outside'] as const
export type LandingPlace = (typeof landingPlaces)[number]

export interface Landing {
  readonly object: string
  readonly place: LandingPlace
  /** How far aside by the finder, degrees; only of what landed outside, null where nobody measured it. */
  readonly asideDeg: number | null
}

/** What a wrong landing looks like; only whoever stood there can say. */
export const landingPatterns = ['none', 'same-way', 'mirrored', 'grows-west'] as const
export type LandingPattern = (typeof landingPatterns)[number]
export type WrongEntry = 'daylight-saving' | 'zone-or-hour' | 'hemisphere' | 'axis'

export interface AlignmentResult {
  /** The worst landing, degrees from the middle; at least so much where it landed outside and nobody measured. */
  readonly worstDeg: number
  /** Inside the middle half of the field; inside the field. */
  readonly goodDeg: number
  readonly limitDeg: number
  readonly verdict: 'good' | 'usable' | 'off'
  readonly hint: WrongEntry | null
}

/** Shares of the field's radius, the worst of each place. */
const radiusShares: Readonly<Record<LandingPlace, number>> = {
  middle: 0.1,
  'middle-half': 0.5,
  edge: 1,
  outside: 1.5,
}
/** An hour of the sky. */
const HOUR_DEG = 15
const NEAR_DEG = 2.5

/** How well a controller finds, by where objects landed after it was lined up: success words of the box are no proof.
 * @param input fieldDeg true field of the lowest power; landings one at least
 * @throws RangeError for no landing or a field that isn't above 0. Source: DOMAIN section 14, common practice */
export function alignmentResult(input: {
  readonly fieldDeg: number
  readonly landings: readonly Landing[]
  readonly pattern?: LandingPattern | undefined
}): AlignmentResult {
  const { fieldDeg, landings, pattern = 'none' } = input
  requirePositive({ fieldDeg })
  if (landings.length === 0) throw new RangeError('go to one object at least')
  const radiusDeg = fieldDeg / 2
  const asides = landings.map(({ place, asideDeg }) =>
    place === 'outside' ? Math.max(asideDeg ?? 0, radiusDeg * radiusShares.outside) : radiusDeg * radiusShares[place],
  )
  const worstDeg = Math.max(...asides)
  const [goodDeg, limitDeg] = [radiusDeg / 2, radiusDeg]
  const verdict = worstDeg <= goodDeg ? 'good' : worstDeg <= limitDeg ? 'usable' : 'off'
  return { worstDeg, goodDeg, limitDeg, verdict, hint: verdict === 'off' ? hintOf(worstDeg, pattern) : null }
}

function hintOf(worstDeg: number, pattern: LandingPattern): WrongEntry | null {
  if (pattern === 'mirrored') return 'hemisphere'
  if (pattern === 'grows-west') return 'axis'
  if (Math.abs(worstDeg - HOUR_DEG) <= NEAR_DEG) return 'daylight-saving'
  const hours = Math.round(worstDeg / HOUR_DEG)
  return hours >= 2 && Math.abs(worstDeg - hours * HOUR_DEG) <= NEAR_DEG ? 'zone-or-hour' : null
}
