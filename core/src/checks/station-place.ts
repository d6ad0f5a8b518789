import { alignmentResult, type Landing, type LandingPattern } from '../mount/alignment-result.ts'
import { polarErrorFromDrift, type DriftWatch } from '../mount/polar-test.ts'
import { judgedReading, type CheckedKit, type Judged, type KeptReading } from './kept-reading.ts'

/** What lining up came to: where objects landed that a controller went to, and how stars drifted. Null where nobody looked. */
export interface AfterLiningUp {
  readonly landings?:
    FoundLeft<{ readonly landings: readonly Landing[]; readonly pattern: LandingPattern }> | null | undefined
  readonly drift?: (FoundLeft<readonly DriftWatch[]> & { readonly latitudeDeg: number }) | null | undefined
}
interface FoundLeft<T> {
  readonly asFound: T
  readonly asLeft: T
}

/** What the head's scale stands at against the place's latitude; or that a controller was keyed in and lined up. */
export type PlaceReading = AfterLiningUp & PlaceSetting
type PlaceSetting =
  | {
      readonly station: 'place'
      readonly way: 'latitude'
      readonly latitudeDeg: number
      readonly asFound: { readonly setDeg: number }
      readonly asLeft: { readonly setDeg: number }
    }
  | { readonly station: 'place'; readonly way: 'keyed'; readonly asFound: Judged; readonly asLeft: Judged }
  /** Its scale wasn't read: only what lining up came to. */
  | { readonly station: 'place'; readonly way: 'watched' }

/** By eye, for looking: two degrees cost half a degree of drift in an hour. Common practice, no source. */
const LATITUDE_LIMIT_DEG = 2

export function placeReading(reading: Exclude<PlaceReading, { readonly way: 'watched' }>): KeptReading {
  if (reading.way === 'keyed') return judgedReading('place', reading.asFound === 'fine', reading.asLeft === 'fine')
  const off = ({ setDeg }: { readonly setDeg: number }) => Math.abs(setDeg - Math.abs(reading.latitudeDeg))
  return {
    kind: 'place',
    asFound: off(reading.asFound),
    asLeft: off(reading.asLeft),
    limit: LATITUDE_LIMIT_DEG,
    good: LATITUDE_LIMIT_DEG / 2,
    unit: 'deg',
    source: 'typed',
  }
}

/** By eye a degree or two is fine; half a degree lets a driven mount keep a star for an evening. Common practice, no source. */
export const POLAR_LIMITS_ARCMIN = { limit: 120, good: 30 } as const

export function afterLiningUp(
  { landings, drift }: AfterLiningUp,
  { lowestFieldDeg: fieldDeg }: CheckedKit,
): readonly KeptReading[] {
  const readings: KeptReading[] = []
  if (landings) {
    const found = alignmentResult({ fieldDeg, ...landings.asFound })
    const left = alignmentResult({ fieldDeg, ...landings.asLeft })
    readings.push({
      ...{
        kind: 'alignment',
        asFound: found.worstDeg,
        asLeft: left.worstDeg,
        limit: left.limitDeg,
        good: left.goodDeg,
      },
      ...{ unit: 'deg', source: 'typed' },
    })
  }
  if (drift) {
    const off = (watches: readonly DriftWatch[]) =>
      polarErrorFromDrift({ watches, latitudeDeg: drift.latitudeDeg }).lengthArcmin
    readings.push({
      ...{ kind: 'polar', asFound: off(drift.asFound), asLeft: off(drift.asLeft), ...POLAR_LIMITS_ARCMIN },
      ...{ unit: 'arcmin', source: 'measured' },
    })
  }
  return readings
}
