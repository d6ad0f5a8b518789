import type { Plane } from './planes.ts'
import type { Rim } from './rim.ts'
import type { Edges } from './ring-votes.ts'

/** Rims in a peephole view, in pixels of the picture as it was given. */
export interface FoundCircles {
  readonly primaryEdge: Rim | null
  readonly secondaryEdge: Rim | null
  readonly drawtube: Rim | null
  readonly centreMark: Rim | null
  readonly capRing: Rim | null
  readonly peepholeReflection: Rim | null
  /** Other readings of the same picture that are nearly as likely: what they would say belongs to the doubt. */
  readonly rivals: readonly Rival[]
  /** Spread of the picture's noise, 0 to 1. */
  readonly noise: number
  /** Brightest minus darkest, 0 to 1, the outermost hundredths left out. */
  readonly range: number
  readonly brightest: number
  /** Pixels of the picture that made one when it was measured, along a side. */
  readonly reducedBy: number
}

export interface Rival {
  readonly primaryEdge: Rim
  readonly capRing: Rim
  readonly centreMark: Rim | null
}

/** What the circles of a peephole view measure against the primary's; whatever isn't known is searched wider. */
export interface KnownSizes {
  readonly apertureMm: number
  readonly focalLengthMm: number
  readonly peepholeOutsideFocusMm: number
  readonly markOuterDiameterMm: number | null
  readonly capRingDiameterMm: number | null
  readonly drawtubeInnerDiameterMm: number | null
  readonly secondaryMinorAxisMm: number | null
}

export interface Ground {
  /** Blurred a little. */
  readonly grey: Plane
  /** The same, small enough that circles are looked for in all of it, and how many pixels make one of its own. */
  readonly coarse: Plane
  readonly coarseBy: number
  /** Every edge of it that is one. */
  readonly coarseEdges: Edges
  /** As they were taken: only the part that a mark can lie in is ever blurred. */
  readonly colours: readonly Plane[]
  readonly sigmaPx: number
  readonly leastStep: number
  readonly leastSlope: number
}

/** Views that reach this share of the best one's score are rivals, and so are caps of this share of its cap's worth; where
 * the cap's size was typed, fewer are. */
const RIVAL_SHARE = { typed: { view: 0.9, cap: 0.6 }, untyped: { view: 0.8, cap: 0.25 } }
export const rivalShare = ({ capRingDiameterMm }: KnownSizes) =>
  capRingDiameterMm === null ? RIVAL_SHARE.untyped : RIVAL_SHARE.typed
