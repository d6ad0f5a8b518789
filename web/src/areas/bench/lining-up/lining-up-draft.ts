import type { Station } from '@binoculum/contract'
import {
  alignmentResult,
  polarErrorFromDrift,
  type AlignmentResult,
  type DriftPlace,
  type LandingPattern,
  type LandingPlace,
  type PolarError,
} from '@binoculum/core'

export interface LandingRow {
  object: string
  place: LandingPlace | null
  asideDeg: number | null
}
export interface Landings {
  rows: LandingRow[]
  pattern: LandingPattern
}
export interface DriftRow {
  at: DriftPlace
  /** Null until somebody watched it. */
  arcmin: number | null
  towards: 'north' | 'south'
  minutes: number | null
}
export interface LiningUpDraft {
  landings: { found: Landings; left: Landings | null }
  drift: { found: DriftRow[]; left: DriftRow[] | null }
}

/** Three objects show whether it was luck. Common practice, no source. */
const OBJECTS = 3
export const noLandings = (): Landings => ({
  rows: Array.from({ length: OBJECTS }, () => ({ object: '', place: null, asideDeg: null })),
  pattern: 'none',
})
export const noDrift = (): DriftRow[] => [
  { at: 'meridian', arcmin: null, towards: 'south', minutes: null },
  { at: 'east', arcmin: null, towards: 'south', minutes: null },
]
export const emptyLiningUp = (): LiningUpDraft => ({
  landings: { found: noLandings(), left: null },
  drift: { found: noDrift(), left: null },
})

/** What can be sent of one look: rows with a name and a place. */
function landingsOf({ rows, pattern }: Landings) {
  const landings = rows.flatMap(({ object, place, asideDeg }) =>
    object.trim() !== '' && place !== null
      ? [
          {
            object: object.trim(),
            place,
            asideDeg: place === 'outside' && asideDeg && asideDeg > 0 ? asideDeg : null,
          },
        ]
      : [],
  )
  return landings.length > 0 ? { landings, pattern } : null
}
export function landingResult(given: Landings, fieldDeg: number): AlignmentResult | null {
  const read = landingsOf(given)
  return read && alignmentResult({ fieldDeg, ...read })
}

const LEAST_MINUTES = 0.5
const watchesOf = (rows: readonly DriftRow[]) =>
  rows.flatMap(({ at, arcmin, towards, minutes }) =>
    arcmin !== null && arcmin >= 0 && minutes !== null && minutes >= LEAST_MINUTES
      ? [{ at, northArcmin: towards === 'north' ? arcmin : -arcmin, minutes }]
      : [],
  )
export function driftResult(rows: readonly DriftRow[], latitudeDeg: number | null): PolarError | null {
  const watches = watchesOf(rows)
  return watches.length === 0 || !latitudeDeg ? null : polarErrorFromDrift({ watches, latitudeDeg })
}

/** As they go with the station; null where nobody looked, or a look after putting right isn't done yet. */
export function liningUpOf(
  { landings, drift }: LiningUpDraft,
  latitudeDeg: number | null,
): Pick<Extract<Station, { station: 'place' }>, 'landings' | 'drift'> {
  const [found, left] = [landingsOf(landings.found), landings.left ? landingsOf(landings.left) : null]
  const [watched, again] = [watchesOf(drift.found), drift.left ? watchesOf(drift.left) : null]
  const hasDrift = watched.length > 0 && !!latitudeDeg && again?.length !== 0
  return {
    landings: found && (landings.left === null || left) ? { asFound: found, asLeft: left ?? found } : null,
    drift: hasDrift ? { asFound: watched, asLeft: again ?? watched, latitudeDeg } : null,
  }
}
