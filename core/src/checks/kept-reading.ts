import type { MirrorFigure } from '../collimation/quality.ts'
import type { KitOnMount } from '../mount/kit-balance.ts'
import type { ReadingKind, ReadingSource } from '../readiness/judged.ts'
import type { PointXY } from '../shared/angles.ts'

export type Judged = 'fine' | 'not-fine'

/** What the stations need to know of the kit. */
export interface CheckedKit {
  readonly apertureMm: number
  readonly focalLengthMm: number
  readonly primaryFocalLengthMm: number
  readonly mirrorFigure: MirrorFigure
  readonly peepholeOutsideFocusMm: number
  readonly finderOffsetMm: PointXY
  /** Outer diameter of the centre mark, the measure of a look by eye; null: an ordinary one. */
  readonly markOuterDiameterMm?: number | null | undefined
  /** True field of the lowest power, which sets the finder's limits. */
  readonly lowestFieldDeg: number
  /** Null for a model whose mount nobody measured. */
  readonly onMount: KitOnMount | null
}

/** A figure to be kept: value and limits in one unit; judged ones are 0 (fine) or 1 with limit 0. */
export interface KeptReading {
  readonly kind: ReadingKind
  readonly asFound: number
  readonly asLeft: number
  readonly limit: number
  readonly good: number | null
  readonly unit: 'mm' | 'arcmin' | 'deg' | 's' | 'judged'
  readonly source: ReadingSource
  /** Half-width of what it may be wrong by. */
  readonly uncertainty?: number | undefined
  /** Where the figure is a length with a direction, cell frame. */
  readonly asFoundAt?: PointXY | undefined
  readonly asLeftAt?: PointXY | undefined
}

/** What was judged by hand and eye, as a figure. */
export const judgedReading = (kind: ReadingKind, foundFine: boolean, leftFine: boolean): KeptReading => ({
  kind,
  asFound: foundFine ? 0 : 1,
  asLeft: leftFine ? 0 : 1,
  limit: 0,
  good: null,
  unit: 'judged',
  source: 'judged',
})
