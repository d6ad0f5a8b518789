import { eyeOffsetMm, type EyePlace } from '../collimation/mirror-data.ts'
import { axisErrorFromOffset, offsetInCellFrame } from '../collimation/offset.ts'
import { collimationQuality } from '../collimation/quality.ts'
import { collimationRepeat, FEWEST_OPENINGS, type RepeatVerdict } from '../collimation/repeat.ts'
import type { ReadingSource } from '../readiness/judged.ts'
import { lengthOf, type PointXY } from '../shared/angles.ts'
import type { CheckedKit, KeptReading } from './kept-reading.ts'

/** How the primary was looked at. Typed: mark from the peephole's reflection, mm on the primary, and its clock direction with
 * the open end at 12. By eye: the same on a coarse scale. From a picture: the axis error in the cell's frame. */
export type OffsetReading =
  | { readonly way?: 'typed' | undefined; readonly offsetMm: number; readonly clockHours: number }
  | { readonly way: 'eye'; readonly place: EyePlace; readonly clockHours: number }
  | {
      readonly way: 'photo' | 'star'
      readonly axisErrorMm: PointXY
      readonly uncertaintyMm: number
    }

/** A mark of ordinary size, for looks by eye at a model nobody measured. Common practice, no source. */
const ORDINARY_MARK_MM = 6.5
/** A hand reads a ruler through a peephole to about this, mm on the primary. Common practice, no source. */
const TYPED_DOUBT_MM = 0.5

/** Axis error at the focal plane from a look at the primary, cell frame, with the half-width of its doubt. */
export function axisErrorOf(
  reading: OffsetReading,
  kit: CheckedKit,
): { readonly axisErrorMm: PointXY; readonly uncertaintyMm: number } {
  if ('axisErrorMm' in reading) return reading
  const { primaryFocalLengthMm: focalLengthMm, peepholeOutsideFocusMm } = kit
  const seen =
    reading.way === 'eye'
      ? eyeOffsetMm(reading.place, kit.markOuterDiameterMm ?? ORDINARY_MARK_MM)
      : { offsetMm: reading.offsetMm, doubtMm: TYPED_DOUBT_MM }
  const offset = offsetInCellFrame({ lengthMm: seen.offsetMm, clockHours: reading.clockHours })
  return {
    axisErrorMm: axisErrorFromOffset({ offsetAtPrimaryMm: offset, focalLengthMm, peepholeOutsideFocusMm }),
    uncertaintyMm: seen.doubtMm / 2,
  }
}

/** Length of the axis error in mm at the focal plane. */
export const axisErrorMm = (reading: OffsetReading, kit: CheckedKit): number =>
  lengthOf(axisErrorOf(reading, kit).axisErrorMm)

/** A typed figure is taken at its word, as ever; a look by eye or a picture says how sure it is. */
const sourceOf = (reading: OffsetReading): ReadingSource =>
  reading.way === 'photo' || reading.way === 'star' ? 'photo' : reading.way === 'eye' ? 'judged' : 'typed'

export function collimationReading(asFound: OffsetReading, asLeft: OffsetReading, kit: CheckedKit): KeptReading {
  const { apertureMm, primaryFocalLengthMm: focalLengthMm, mirrorFigure } = kit
  const found = axisErrorOf(asFound, kit)
  const left = axisErrorOf(asLeft, kit)
  const leftMm = lengthOf(left.axisErrorMm)
  const quality = collimationQuality({ apertureMm, focalLengthMm, mirrorFigure, axisErrorMm: leftMm })
  return {
    kind: 'collimation',
    asFound: lengthOf(found.axisErrorMm),
    asLeft: leftMm,
    limit: quality.limitMm,
    good: quality.goodMm,
    unit: 'mm',
    source: sourceOf(asLeft),
    ...(sourceOf(asLeft) === 'typed' ? {} : { uncertainty: left.uncertaintyMm }),
    asFoundAt: found.axisErrorMm,
    asLeftAt: left.axisErrorMm,
  }
}

/** How a tube that slides comes back, as a judged figure: 0 holds, 1 is looked at each time, 2 wants mending. */
const repeatValues: Readonly<Record<RepeatVerdict, number>> = { holds: 0, 'check-each-time': 1, mend: 2 }
export const repeatVerdicts: readonly RepeatVerdict[] = ['holds', 'check-each-time', 'mend']

/** The verdict of a kit's last test; null where nobody tested it. */
export const repeatVerdictOf = (
  readings: readonly { readonly kind: string; readonly asLeft: number }[],
): RepeatVerdict | null => repeatVerdicts[readings.find(({ kind }) => kind === 'repeat')?.asLeft ?? -1] ?? null

/** None before there are openings enough to tell. */
export function repeatReadings(openings: readonly PointXY[], kit: CheckedKit): readonly KeptReading[] {
  if (openings.length < FEWEST_OPENINGS) return []
  const { apertureMm, primaryFocalLengthMm: focalLengthMm, mirrorFigure } = kit
  const { limitMm } = collimationQuality({ apertureMm, focalLengthMm, mirrorFigure, axisErrorMm: 0 })
  const value = repeatValues[collimationRepeat({ readings: openings, limitMm }).verdict]
  const limit = repeatValues['check-each-time']
  return [{ kind: 'repeat', asFound: value, asLeft: value, limit, good: null, unit: 'judged', source: 'measured' }]
}
