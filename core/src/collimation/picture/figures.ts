import { degToRad, type PointXY } from '../../shared/angles.ts'
import { requireFinite, requirePositive } from '../../shared/require.ts'
import { axisErrorFromOffset } from '../offset.ts'
import type { Circle } from './circle-fit.ts'

/** Circles as they were found or laid by hand, px of the picture; null where there is none. */
export interface LaidCircles {
  readonly primaryEdge: Circle
  /** Null: the primary's own middle stands for it. */
  readonly centreMark: Circle | null
  /** The cap's ring, or the peephole itself, as the primary shows it. */
  readonly reflection: Circle
  readonly drawtube: Circle | null
}

export interface PhotoGeometry {
  readonly widthPx: number
  readonly heightPx: number
  readonly apertureMm: number
  /** The primary's own. */
  readonly focalLengthMm: number
  readonly peepholeOutsideFocusMm: number
  /** Direction of the tube's open end in the picture, degrees clockwise from up; null where nobody said. */
  readonly openEndDeg: number | null
  readonly mirrored: boolean
}

/** Spread of each circle's centre, px, and of what stands in for a missing one. */
export interface CircleDoubt {
  readonly markPx: number
  readonly reflectionPx: number
  readonly drawtubePx: number
}

export interface PhotoFigures {
  /** Picture frame: x right, y down, as the eye at the hole sees it (a mirrored picture is turned back). */
  readonly offsetAtPrimaryMm: PointXY
  readonly axisErrorMm: PointXY
  /** Half-width of an interval that holds the truth in 95 of 100 pictures. */
  readonly axisErrorUncertaintyMm: number
  readonly secondaryErrorMm: PointXY | null
  readonly secondaryUncertaintyMm: number | null
  readonly cell: {
    readonly offsetAtPrimaryMm: PointXY
    readonly axisErrorMm: PointXY
    readonly secondaryErrorMm: PointXY | null
  } | null
}

/** A camera's lens beside the hole's middle by c shifts the figure by c/2; hands keep it within about this, mm, one spread.
 * The floor of all pictures taken by hand. Common practice, no source; 0.1 to 0.2 mm at worst in traced pictures. */
const LENS_BESIDE_HOLE_MM = 0.09
/** What a drawtube that leans in its housing and a lens beside the hole leave of a secondary error, mm, one spread. */
const SECONDARY_FLOOR_MM = 1.1
const TWO_SPREADS = 2

/**
 * Offset, axis error and secondary error from the circles of a peephole view.
 *
 * Scale: the primary's edge, of known aperture. The camera looks from the peephole, so a thing at the same pixel lies on
 * the same line of sight: the mark's and the reflection's places on the primary are their places in the picture.
 *
 * A circle seen at an angle has its outline's middle a little outside its own: with half-width α and direction θ from the
 * lens's axis the outline runs from f·tan(θ−α) to f·tan(θ+α), whose middle is f·tan θ·(1+tan²α)/(1−tan²θ·tan²α). The lens's
 * axis is taken at the picture's middle and f from the primary's size and distance, so a cropped picture loses a pixel.
 *
 * @returns mm on the primary (offset, secondary error) and at the focal plane (axis error)
 * @throws RangeError for sizes that are not positive or a primary without radius
 * Source: exact geometry; h from A as in offset.ts */
export function figuresFromCircles(circles: LaidCircles, geometry: PhotoGeometry, doubt: CircleDoubt): PhotoFigures {
  const { apertureMm, focalLengthMm, peepholeOutsideFocusMm, openEndDeg, mirrored, widthPx, heightPx } = geometry
  requirePositive({ apertureMm, focalLengthMm, primaryRadiusPx: circles.primaryEdge.r, widthPx, heightPx })
  requireFinite({ markPx: doubt.markPx, reflectionPx: doubt.reflectionPx })
  const mmPerPx = apertureMm / 2 / circles.primaryEdge.r
  const focalPx = (focalLengthMm + peepholeOutsideFocusMm) / mmPerPx
  const middle = { x: widthPx / 2, y: heightPx / 2 }
  const centreOf = (circle: Circle): PointXY => {
    const spread = 1 + (circle.r / focalPx) ** 2
    const x = (circle.x - middle.x) / spread
    return { x: mirrored ? -x : x, y: (circle.y - middle.y) / spread }
  }
  const between = (to: PointXY, from: PointXY): PointXY => ({
    x: (to.x - from.x) * mmPerPx,
    y: (to.y - from.y) * mmPerPx,
  })
  const mark = centreOf(circles.centreMark ?? circles.primaryEdge)
  const offset = between(mark, centreOf(circles.reflection))
  const secondary = circles.drawtube ? between(centreOf(circles.drawtube), mark) : null
  const axisErrorMm = axisErrorFromOffset({
    offsetAtPrimaryMm: offset,
    focalLengthMm,
    peepholeOutsideFocusMm,
    ...(secondary ? { secondaryErrorMm: secondary } : {}),
  })
  const k = peepholeOutsideFocusMm / focalLengthMm
  const secondarySigma = circles.drawtube
    ? Math.hypot(SECONDARY_FLOOR_MM, doubt.drawtubePx * mmPerPx)
    : 0.03 * apertureMm
  const sigma = Math.hypot(
    LENS_BESIDE_HOLE_MM,
    (Math.hypot(doubt.markPx, doubt.reflectionPx) * mmPerPx) / 2,
    (secondarySigma * Math.abs(k)) / (1 + k),
  )
  const toCell = (vector: PointXY): PointXY => {
    // In a mirrored picture the open end was pointed at in the mirror too.
    const angleRad = degToRad((mirrored ? -1 : 1) * (openEndDeg ?? 0))
    return {
      x: vector.x * Math.sin(angleRad) - vector.y * Math.cos(angleRad),
      y: vector.x * Math.cos(angleRad) + vector.y * Math.sin(angleRad),
    }
  }
  return {
    offsetAtPrimaryMm: offset,
    axisErrorMm,
    axisErrorUncertaintyMm: TWO_SPREADS * sigma,
    secondaryErrorMm: secondary,
    secondaryUncertaintyMm: secondary ? TWO_SPREADS * secondarySigma : null,
    cell:
      openEndDeg === null
        ? null
        : {
            offsetAtPrimaryMm: toCell(offset),
            axisErrorMm: toCell(axisErrorMm),
            secondaryErrorMm: secondary ? toCell(secondary) : null,
          },
  }
}
