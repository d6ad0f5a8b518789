import { degToRad, type PointXY } from '../shared/angles.ts'
import { requirePositive } from '../shared/require.ts'

/** What a tube measures, as far as it shows through the peephole. Lengths in mm. */
export interface PeepholeTube {
  readonly apertureMm: number
  /** The primary's own. */
  readonly focalLengthMm: number
  readonly secondaryMinorAxisMm: number
  /** Set back by design, away from the focuser and as much towards the primary. */
  readonly secondaryOffsetMm: number
  /** From the secondary's middle to the focal plane. */
  readonly secondaryToFocusMm: number
  readonly peepholeOutsideFocusMm: number
  readonly drawtubeInnerDiameterMm: number
  /** From the drawtube's inner end to the focal plane. */
  readonly drawtubeEndToFocusMm: number
  readonly capRingDiameterMm: number
  readonly peepholeDiameterMm: number
  readonly markOuterDiameterMm: number
  readonly markInnerDiameterMm: number
  readonly tubeInnerDiameterMm: number
  readonly vanes: { readonly count: number; readonly firstAngleDeg: number; readonly thicknessMm: number }
  readonly clips: {
    readonly count: number
    readonly firstAngleDeg: number
    readonly lengthMm: number
    readonly widthMm: number
  }
}

/** How the mirrors stand. Cell frame: x towards the focuser's side, y 90° clockwise from x seen from behind. */
export interface Alignment {
  /** Primary's axis at the focal plane − focuser's axis. */
  readonly axisErrorMm: PointXY
  /** Focuser's axis at the primary − centre mark. */
  readonly secondaryErrorMm: PointXY
  /** The secondary's whole holder beside its place: along the tube towards the sky, and along y. */
  readonly secondaryShiftMm?: { readonly alongTube: number; readonly across: number } | undefined
}

/** Outlines in the view, mm on the primary's plane in the cell frame, the mark at the origin. Farther things first. */
export interface PeepholeView {
  readonly drawtube: readonly PointXY[]
  readonly holder: readonly PointXY[]
  readonly secondary: readonly PointXY[]
  readonly primary: readonly PointXY[]
  readonly clips: readonly (readonly PointXY[])[]
  /** What the primary shows: the vanes, the secondary's back, and the cap. */
  readonly vanes: readonly (readonly PointXY[])[]
  readonly silhouette: readonly PointXY[]
  readonly capRing: readonly PointXY[]
  readonly peephole: readonly PointXY[]
  readonly markOuter: readonly PointXY[]
  readonly markInner: readonly PointXY[]
  /** Middles of what is compared. */
  readonly centres: { readonly drawtube: PointXY; readonly reflection: PointXY; readonly mark: PointXY }
}

const CORNERS = 48
/** Enough for what is small in the view. */
const FEW_CORNERS = 24

export interface FoldedFrame {
  /** Tilt of the primary's axis from the tube's, rad. */
  readonly tiltRad: PointXY
  /** Height of the secondary's middle above the primary. */
  readonly secondaryHeightMm: number
  /** The hole's distance from the primary along the folded way. */
  readonly holeDistanceMm: number
  /** The focuser's axis, unfolded, at a height above the primary. */
  readonly focuserAxisAt: (heightMm: number) => PointXY
}

/**
 * Where primary and focuser stand for a given misalignment, in the tube's frame: origin at the primary's mark, z towards the
 * sky. The secondary turns about its own middle, so the unfolded axis of the focuser passes through that point and through
 * e at the primary. A flat that stands s too far along the tube meets the focuser's axis s farther from the focuser, so that
 * point lies at −s. The primary's axis at the focal plane is h beside the focuser's, whence the primary's tilt.
 */
export function foldedFrame(tube: PeepholeTube, alignment: Alignment): FoldedFrame {
  const { axisErrorMm: h, secondaryErrorMm: e, secondaryShiftMm } = alignment
  const { focalLengthMm: f, secondaryToFocusMm, peepholeOutsideFocusMm } = tube
  const secondaryHeightMm = f - secondaryToFocusMm
  const foldedAtX = -(secondaryShiftMm?.alongTube ?? 0)
  const axis = (z: number): PointXY => {
    const share = 1 - z / secondaryHeightMm
    return { x: foldedAtX + (e.x - foldedAtX) * share, y: e.y * share }
  }
  const atFocus = axis(f)
  return {
    tiltRad: { x: (h.x + atFocus.x) / f, y: (h.y + atFocus.y) / f },
    secondaryHeightMm,
    holeDistanceMm: f + peepholeOutsideFocusMm,
    focuserAxisAt: axis,
  }
}

/**
 * Where everything appears through the peephole.
 *
 * The flat folds the way without changing it, so the hole stands on the unfolded axis of the focuser, at s = f + d from the
 * primary. What is seen directly (drawtube, secondary) is a central projection from the hole. What the primary shows follows
 * from its mirror equation: a ray from the object at o (height zₒ) that meets the primary at y and comes to the hole at p
 * (height s) leaves at the angle it came with about the normal, whose slope at y is τ − y/2f:
 *   (o − y)/(zₒ − sag) + (p − y)/(s − sag) = 2τ − y/f,  sag = y²/4f,
 * solved for y, the sag by iteration.
 *
 * @returns outlines as points; parts that lie behind others are not cut: draw in the order of the fields
 * @throws RangeError for lengths that are not positive
 * Accuracy: within 1 % of the primary's radius of an exact ray trace for tilts up to 1.5°, see the test. Small angles for
 * the secondary's own tilt: its outline is drawn as if it stood square */
export function peepholeView(tube: PeepholeTube, alignment: Alignment): PeepholeView {
  const { apertureMm, focalLengthMm: f, secondaryMinorAxisMm, secondaryOffsetMm, secondaryToFocusMm } = tube
  requirePositive({ apertureMm, focalLengthMm: f, secondaryMinorAxisMm, secondaryToFocusMm })
  const frame = foldedFrame(tube, alignment)
  const { secondaryHeightMm, holeDistanceMm, tiltRad, focuserAxisAt } = frame
  const hole = focuserAxisAt(holeDistanceMm)
  const shift = alignment.secondaryShiftMm ?? { alongTube: 0, across: 0 }

  /** A point in front of the hole, unfolded, carried along its line of sight to the primary's plane. */
  const seen = (point: PointXY, heightMm: number): PointXY => {
    const share = holeDistanceMm / (holeDistanceMm - heightMm)
    return { x: hole.x + (point.x - hole.x) * share, y: hole.y + (point.y - hole.y) * share }
  }
  const reflected = (object: PointXY, heightMm: number): PointXY => {
    const met = metAt(object, heightMm)
    return seen(met, sagOf(met))
  }
  const sagOf = (at: PointXY) => (at.x * at.x + at.y * at.y) / (4 * f)
  const metAt = (object: PointXY, heightMm: number): PointXY => {
    let y: PointXY = { x: 0, y: 0 }
    for (let round = 0; round < 2; round++) {
      const sag = sagOf(y)
      const toObject = heightMm - sag
      const toHole = holeDistanceMm - sag
      const divisor = 1 / toObject + 1 / toHole - 1 / f
      y = {
        x: (object.x / toObject + hole.x / toHole - 2 * tiltRad.x) / divisor,
        y: (object.y / toObject + hole.y / toHole - 2 * tiltRad.y) / divisor,
      }
    }
    return y
  }
  const circle = (radiusMm: number, at: PointXY = { x: 0, y: 0 }, corners = FEW_CORNERS): PointXY[] =>
    Array.from({ length: corners }, (_, i) => {
      const angle = (2 * Math.PI * i) / corners
      return { x: at.x + radiusMm * Math.cos(angle), y: at.y + radiusMm * Math.sin(angle) }
    })
  const onPrimary = (points: readonly PointXY[]) => points.map((point) => seen(point, sagOf(point)))

  // The flat as it is seen from the focuser: minor axis along y; its major axis runs along the tube and into it alike, so a
  // point u along it lies u/√2 nearer the sky (up in the view, +x) and u/√2 nearer the hole or farther from it.
  const a = secondaryMinorAxisMm / 2
  const flat = (radiusMm: number) =>
    Array.from({ length: CORNERS }, (_, i): PointXY => {
      const angle = (2 * Math.PI * i) / CORNERS
      const along = radiusMm * Math.cos(angle) + shift.alongTube - secondaryOffsetMm
      const across = radiusMm * Math.sin(angle) + shift.across
      // Set back away from the focuser: the whole flat stands farther off; its upper end leans towards the focuser.
      const depth = secondaryToFocusMm + secondaryOffsetMm - radiusMm * Math.cos(angle)
      return seenDirectly(along, across, depth)
    })
  const seenDirectly = (along: number, across: number, depthMm: number): PointXY => {
    const share = holeDistanceMm / (depthMm + tube.peepholeOutsideFocusMm)
    // The focuser looks along its own axis: what stands on it is seen where that axis meets the primary.
    const axis = focuserAxisAt(0)
    return { x: axis.x + along * share, y: axis.y + across * share }
  }
  const holder = (): PointXY[] => {
    const depth = secondaryToFocusMm + secondaryOffsetMm
    const low = flat(a)
    const top = a + shift.alongTube - secondaryOffsetMm
    const far = top + 1.6 * a
    const corner = (along: number, side: number) => seenDirectly(along, side * a + shift.across, depth - a)
    return [...low.slice(CORNERS / 4, (3 * CORNERS) / 4 + 1), corner(far, -1), corner(far, 1)]
  }
  const clipCorners = (angleDeg: number): PointXY[] => {
    const rad = degToRad(angleDeg)
    const outer = apertureMm / 2
    const half = tube.clips.widthMm / 2
    const at = (radius: number, side: number): PointXY => ({
      x: radius * Math.cos(rad) - side * half * Math.sin(rad),
      y: radius * Math.sin(rad) + side * half * Math.cos(rad),
    })
    return [
      at(outer + 1, -1),
      at(outer + 1, 1),
      at(outer - tube.clips.lengthMm, 1),
      at(outer - tube.clips.lengthMm, -1),
    ]
  }
  const vaneHeight = secondaryHeightMm + 1.5 * a
  const vane = (angleDeg: number): PointXY[] => {
    const rad = degToRad(angleDeg)
    const half = tube.vanes.thicknessMm / 2
    const at = (radius: number, side: number) =>
      reflected(
        {
          x: radius * Math.cos(rad) - side * half * Math.sin(rad) - secondaryOffsetMm,
          y: radius * Math.sin(rad) + side * half * Math.cos(rad),
        },
        vaneHeight,
      )
    const outer = tube.tubeInnerDiameterMm / 2
    return [at(0.8 * a, -1), at(outer, -1), at(outer, 1), at(0.8 * a, 1)]
  }
  const spread = (count: number, first: number) => Array.from({ length: count }, (_, i) => first + (360 * i) / count)
  const capAt = (radiusMm: number) => circle(radiusMm, hole).map((point) => reflected(point, holeDistanceMm))
  const flatCentre = { x: -secondaryOffsetMm, y: shift.across }
  return {
    drawtube: circle(tube.drawtubeInnerDiameterMm / 2, { x: 0, y: 0 }, CORNERS).map(({ x, y }) =>
      seenDirectly(x, y, tube.drawtubeEndToFocusMm),
    ),
    holder: holder(),
    secondary: flat(a),
    primary: onPrimary(circle(apertureMm / 2, { x: 0, y: 0 }, CORNERS)),
    clips: spread(tube.clips.count, tube.clips.firstAngleDeg).map((angle) => onPrimary(clipCorners(angle))),
    vanes: spread(tube.vanes.count, tube.vanes.firstAngleDeg).map(vane),
    // Seen from the primary the flat's outline is a circle; its near end hangs a below its middle, its far end a above.
    silhouette: circle(a, flatCentre).map((point) =>
      reflected(point, secondaryHeightMm + shift.alongTube - secondaryOffsetMm + (point.x - flatCentre.x)),
    ),
    capRing: capAt(tube.capRingDiameterMm / 2),
    peephole: capAt(tube.peepholeDiameterMm / 2),
    markOuter: circle(tube.markOuterDiameterMm / 2),
    markInner: circle(tube.markInnerDiameterMm / 2),
    centres: {
      drawtube: focuserAxisAt(0),
      reflection: reflected(hole, holeDistanceMm),
      mark: { x: 0, y: 0 },
    },
  }
}
