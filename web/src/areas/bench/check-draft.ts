import type { KitSheet, Station, StationName } from '@binoculum/contract'
import {
  isBenchJob,
  judgeReadiness,
  highestMagnification,
  lowestPowerFieldDeg,
  powersOf,
  readingFromStation,
  type CheckedKit,
  type Judgement,
  type KeptReading,
} from '@binoculum/core'

type Judged = 'fine' | 'not-fine'
interface Moves {
  up: boolean | null
  free: boolean | null
  stays: boolean | null
}
export interface OffsetDraft {
  offsetMm: number | null
  clockHours: number
}
export interface FinderDraft {
  way: 'typed' | 'landmark'
  misalignmentArcmin: number | null
  distanceM: number | null
  seenXMm: number | null
  seenYMm: number | null
}

/** Each station holds what was found and, once something was put right, what was left. */
export interface Pair<T> {
  asFound: T
  asLeft: T | null
}

export interface CheckDraft {
  glass: Pair<Judged | null>
  stand: Pair<Moves>
  collimation: Pair<OffsetDraft>
  star: Pair<Judged | null>
  finder: Pair<FinderDraft>
  pack: Pair<Judged | null>
  notes: Partial<Record<StationName, string>>
  seconds: Partial<Record<StationName, number>>
  openJobIds: string[]
  /** Null as long as nobody chose. */
  backToShelf: boolean | null
}

const noOffset = (): OffsetDraft => ({ offsetMm: null, clockHours: 12 })
const noFinder = (): FinderDraft => ({
  way: 'typed',
  misalignmentArcmin: null,
  distanceM: null,
  seenXMm: null,
  seenYMm: null,
})

export const emptyCheck = (): CheckDraft => ({
  glass: { asFound: null, asLeft: null },
  stand: { asFound: { up: null, free: null, stays: null }, asLeft: null },
  collimation: { asFound: noOffset(), asLeft: null },
  star: { asFound: null, asLeft: null },
  finder: { asFound: noFinder(), asLeft: null },
  pack: { asFound: null, asLeft: null },
  notes: {},
  seconds: {},
  openJobIds: [],
  backToShelf: null,
})

export const stationTitles: Readonly<Record<StationName, string>> = {
  glass: 'Glass',
  stand: 'Stand and mount',
  collimation: 'Collimation',
  star: 'Star',
  finder: 'Finder',
  pack: 'Pack',
}

/** Stations that this kit needs, in the order people work. */
export const stationsOf = (kit: KitSheet): readonly StationName[] => [
  'glass',
  'stand',
  kit.optics.collimatable ? 'collimation' : 'star',
  'finder',
  'pack',
]

export function checkedKitOf(kit: KitSheet): CheckedKit {
  const optical = kit.parts.filter(({ mark }) => mark !== 'missing').map(({ name, optics }) => ({ name, ...optics }))
  return { ...kit.optics, lowestFieldDeg: lowestPowerFieldDeg(powersOf(kit.optics, optical)) ?? 1 }
}

function offsetReading({ offsetMm, clockHours }: OffsetDraft) {
  return offsetMm === null || !(offsetMm >= 0) ? null : { offsetMm, clockHours }
}

function finderReading(draft: FinderDraft) {
  if (draft.way === 'typed')
    return draft.misalignmentArcmin === null || !(draft.misalignmentArcmin >= 0)
      ? null
      : { way: 'typed' as const, misalignmentArcmin: draft.misalignmentArcmin }
  const { distanceM, seenXMm, seenYMm } = draft
  if (distanceM === null || !(distanceM > 0) || seenXMm === null || seenYMm === null) return null
  return { way: 'landmark' as const, distanceM, seenMm: { x: seenXMm, y: seenYMm } }
}

const movesReading = ({ up, free, stays }: Moves) =>
  up === null || free === null || stays === null ? null : { up, free, stays }

/** The station as it would be sent; null while its as-found is not complete. */
export function stationOf(draft: CheckDraft, station: StationName): Station | null {
  const rest = {
    note: draft.notes[station] ?? '',
    minutes: Math.round(((draft.seconds[station] ?? 0) / 60) * 10) / 10,
  }
  const both = <T, R>(pair: Pair<T>, read: (value: T) => R | null) => {
    const asFound = read(pair.asFound)
    const asLeft = pair.asLeft === null ? asFound : read(pair.asLeft)
    return asFound === null || asLeft === null ? null : { asFound, asLeft }
  }
  if (station === 'stand') {
    const read = both(draft.stand, movesReading)
    return read && { station, ...read, ...rest }
  }
  if (station === 'collimation') {
    const read = both(draft.collimation, offsetReading)
    return read && { station, ...read, ...rest }
  }
  if (station === 'finder') {
    const read = both(draft.finder, finderReading)
    return read && { station, ...read, ...rest }
  }
  const read = both(draft[station], (value) => value)
  return read && { station, ...read, ...rest }
}

export const doneStations = (draft: CheckDraft, kit: KitSheet): Station[] =>
  stationsOf(kit).flatMap((name) => stationOf(draft, name) ?? [])

export const readingsOf = (draft: CheckDraft, kit: KitSheet): KeptReading[] =>
  doneStations(draft, kit).map((station) => readingFromStation(station, checkedKitOf(kit)))

/** The kit as it would stand after this check. */
export function judgeAfter(draft: CheckDraft, kit: KitSheet, atUtc: string): Judgement {
  const fresh = readingsOf(draft, kit)
  const kept = kit.readings.filter(({ kind }) => !fresh.some((reading) => reading.kind === kind))
  const optical = kit.parts.map(({ name, optics }) => ({ name, ...optics }))
  return judgeReadiness({
    model: {
      family: kit.family,
      optics: kit.optics,
      highestMagnification: highestMagnification(powersOf(kit.optics, optical)),
    },
    parts: kit.parts,
    readings: [
      ...kept.map(({ asLeft, ...reading }) => ({ ...reading, value: asLeft })),
      ...fresh.map(({ asLeft, ...reading }) => ({ ...reading, value: asLeft, atUtc })),
    ],
    hazards: kit.hazards,
    openJobs: kit.jobs.filter(({ id, code }) => !isBenchJob(code) || draft.openJobIds.includes(id)),
    policies: kit.policies,
    atUtc,
  })
}
