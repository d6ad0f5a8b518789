import { axisErrorFromOffset, offsetInCellFrame } from '../collimation/offset.ts'
import { collimationQuality, type MirrorFigure } from '../collimation/quality.ts'
import { misalignmentAtLandmark } from '../finder/parallax.ts'
import { usableMisalignmentArcmin } from '../finder/verdict.ts'
import type { ReadingKind, ReadingSource } from '../readiness/judge.ts'
import { lengthOf, type PointXY } from '../shared/angles.ts'

/** What a bench station writes down, as found and as left. */
export type StationReading =
  | { readonly station: 'glass' | 'star' | 'pack'; readonly asFound: Judged; readonly asLeft: Judged }
  | { readonly station: 'stand'; readonly asFound: ThreeMoves; readonly asLeft: ThreeMoves }
  | { readonly station: 'collimation'; readonly asFound: OffsetReading; readonly asLeft: OffsetReading }
  | { readonly station: 'finder'; readonly asFound: FinderReading; readonly asLeft: FinderReading }

export type Judged = 'fine' | 'not-fine'

/** The three-move test: easy straight up, free in both axes, stays where it is left. */
export interface ThreeMoves {
  readonly up: boolean
  readonly free: boolean
  readonly stays: boolean
}

/** Mark from the peephole's reflection, mm on the primary, and its clock direction with the open end at 12. */
export interface OffsetReading {
  readonly offsetMm: number
  readonly clockHours: number
}

export type FinderReading =
  | { readonly way: 'typed'; readonly misalignmentArcmin: number }
  | { readonly way: 'landmark'; readonly distanceM: number; readonly seenMm: PointXY }

/** What the stations need to know of the kit. */
export interface CheckedKit {
  readonly apertureMm: number
  readonly primaryFocalLengthMm: number
  readonly mirrorFigure: MirrorFigure
  readonly peepholeOutsideFocusMm: number
  readonly finderOffsetMm: PointXY
  /** True field of the lowest power, which sets the finder's limits. */
  readonly lowestFieldDeg: number
}

/** A figure to be kept: value and limits in one unit; judged ones are 0 (fine) or 1 with limit 0. */
export interface KeptReading {
  readonly kind: ReadingKind
  readonly asFound: number
  readonly asLeft: number
  readonly limit: number
  readonly good: number | null
  readonly unit: 'mm' | 'arcmin' | 'judged'
  readonly source: ReadingSource
}

/** Turns what was seen at a station into figures with their limits. @throws RangeError for impossible figures */
export function readingFromStation(reading: StationReading, kit: CheckedKit): KeptReading {
  switch (reading.station) {
    case 'collimation':
      return collimationReading(reading.asFound, reading.asLeft, kit)
    case 'finder':
      return finderReading(reading.asFound, reading.asLeft, kit)
    case 'stand':
      return judgedReading('stand', allMoves(reading.asFound), allMoves(reading.asLeft))
    default:
      return judgedReading(reading.station, reading.asFound === 'fine', reading.asLeft === 'fine')
  }
}

const allMoves = ({ up, free, stays }: ThreeMoves) => up && free && stays

const judgedReading = (kind: ReadingKind, foundFine: boolean, leftFine: boolean): KeptReading => ({
  kind,
  asFound: foundFine ? 0 : 1,
  asLeft: leftFine ? 0 : 1,
  limit: 0,
  good: null,
  unit: 'judged',
  source: 'judged',
})

/** Axis error in mm at the focal plane from an offset reading. */
export function axisErrorMm(reading: OffsetReading, kit: CheckedKit): number {
  const offset = offsetInCellFrame({ lengthMm: reading.offsetMm, clockHours: reading.clockHours })
  const { primaryFocalLengthMm: focalLengthMm, peepholeOutsideFocusMm } = kit
  return lengthOf(axisErrorFromOffset({ offsetAtPrimaryMm: offset, focalLengthMm, peepholeOutsideFocusMm }))
}

function collimationReading(asFound: OffsetReading, asLeft: OffsetReading, kit: CheckedKit): KeptReading {
  const { apertureMm, primaryFocalLengthMm: focalLengthMm, mirrorFigure } = kit
  const leftMm = axisErrorMm(asLeft, kit)
  const quality = collimationQuality({ apertureMm, focalLengthMm, mirrorFigure, axisErrorMm: leftMm })
  return {
    kind: 'collimation',
    asFound: axisErrorMm(asFound, kit),
    asLeft: leftMm,
    limit: quality.limitMm,
    good: quality.goodMm,
    unit: 'mm',
    source: 'typed',
  }
}

/** Misalignment in arcminutes from a finder reading. */
export function misalignmentArcmin(reading: FinderReading, kit: CheckedKit): number {
  if (reading.way === 'typed') return reading.misalignmentArcmin
  const { distanceM, seenMm } = reading
  return misalignmentAtLandmark({ offsetMm: kit.finderOffsetMm, seenMm, distanceM }).lengthArcmin
}

function finderReading(asFound: FinderReading, asLeft: FinderReading, kit: CheckedKit): KeptReading {
  const limit = usableMisalignmentArcmin(kit.lowestFieldDeg)
  return {
    kind: 'finder',
    asFound: misalignmentArcmin(asFound, kit),
    asLeft: misalignmentArcmin(asLeft, kit),
    limit,
    good: limit / 2,
    unit: 'arcmin',
    source: asLeft.way === 'landmark' ? 'measured' : 'typed',
  }
}
