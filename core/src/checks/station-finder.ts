import { misalignmentAtLandmark } from '../finder/parallax.ts'
import { usableMisalignmentArcmin } from '../finder/verdict.ts'
import { lengthOf, type PointXY } from '../shared/angles.ts'
import type { CheckedKit, KeptReading } from './kept-reading.ts'

export type FinderReading =
  | { readonly way: 'typed'; readonly misalignmentArcmin: number }
  | { readonly way: 'landmark'; readonly distanceM: number; readonly seenMm: PointXY }
  /** Seen in the finder or the eyepiece and turned into misalignment at infinity already. */
  | { readonly way: 'seen'; readonly misalignmentArcmin: PointXY; readonly uncertaintyArcmin: number }

/** Misalignment in arcminutes from a finder reading. */
export function misalignmentArcmin(reading: FinderReading, kit: CheckedKit): number {
  if (reading.way === 'typed') return reading.misalignmentArcmin
  if (reading.way === 'seen') return lengthOf(reading.misalignmentArcmin)
  const { distanceM, seenMm } = reading
  return misalignmentAtLandmark({ offsetMm: kit.finderOffsetMm, seenMm, distanceM }).lengthArcmin
}

export function finderReading(asFound: FinderReading, asLeft: FinderReading, kit: CheckedKit): KeptReading {
  const limit = usableMisalignmentArcmin(kit.lowestFieldDeg)
  return {
    kind: 'finder',
    asFound: misalignmentArcmin(asFound, kit),
    asLeft: misalignmentArcmin(asLeft, kit),
    limit,
    good: limit / 2,
    unit: 'arcmin',
    source: asLeft.way === 'typed' ? 'typed' : 'measured',
    ...(asLeft.way === 'seen' ? { uncertainty: asLeft.uncertaintyArcmin, asLeftAt: asLeft.misalignmentArcmin } : {}),
    ...(asFound.way === 'seen' ? { asFoundAt: asFound.misalignmentArcmin } : {}),
  }
}
