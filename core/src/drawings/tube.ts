import type { KitDimensions } from './dimensions.ts'
import { along, block, cross, round, scaled, turned, type Solid, type Vector3 } from './solid.ts'

/** Where a tube lies: its balance point, its direction to the sky, and the way from the mount outward, square to it. */
export interface TubeFrame {
  readonly balance: Vector3
  readonly axis: Vector3
  readonly out: Vector3
  /** Rings round the tube, at mm from its low end. */
  readonly rings?: readonly number[]
  /** A rail on the mount's side. */
  readonly rail?: boolean
  /** Where the finder sits round a tube that is looked through from behind, degrees from `out`. */
  readonly finderTurnDeg?: number
}

export interface TubePlaces {
  readonly solids: readonly Solid[]
  readonly at: Readonly<Record<'open-end' | 'low-end' | 'finder' | 'eyepiece' | 'diagonal', Vector3>>
  /** The way an eyepiece comes out. */
  readonly eyepieceOut: Vector3
}

const FINDER_TURN_DEG = 66
export const EYEPIECE_LENGTH_MM = 58

/** A whole tube with its focuser, finder, diagonal, eyepiece and cap, as its kind has them. */
export function tubeOf(size: KitDimensions, frame: TubeFrame): TubePlaces {
  if (size.kind === 'newtonian') return newtonian(size, frame)
  return size.kind === 'refractor' ? refractor(size, frame) : maksutov(size, frame)
}

const place =
  (size: KitDimensions, { balance, axis }: TubeFrame) =>
  (fromLowEndMm: number) =>
    along(balance, axis, fromLowEndMm - size.balanceMm)

/** Mirrors and screws of a Newtonian's low end, focuser near the open end. */
function newtonian(size: KitDimensions, frame: TubeFrame): TubePlaces {
  const t = place(size, frame)
  const R = size.tubeDiameterMm / 2
  const L = size.tubeLengthMm
  const towards = (angleDeg: number) => turned(frame.out, frame.axis, angleDeg)
  const lowerEnd = size.collapsible ? L * LOWER_FRACTION : L
  const upper = L * UPPER_FRACTION
  const upperStart = lowerEnd + (size.collapsible ? (L - upper - lowerEnd) * size.openFraction : 0)
  const openEnd = size.collapsible ? upperStart + upper : L
  const shift = openEnd - L
  const eyepieceOut = towards(size.eyepiece.angleDeg)
  /** Finder and focuser of a tube that slides sit on its upper ring, wherever its data would have them. */
  const onRing = (alongMm: number) => {
    const from = size.balanceMm + alongMm + shift
    return size.collapsible ? Math.min(Math.max(from, upperStart + RING_MARGIN_MM), openEnd - RING_MARGIN_MM) : from
  }
  const focuserAt = t(onRing(size.eyepiece.alongMm))
  const finder = finderParts(size, {
    at: t(onRing(size.finder.alongMm)),
    axis: frame.axis,
    out: towards(size.finder.angleDeg),
    radiusMm: size.finder.radiusMm,
    R,
  })
  const eyepieceAt = along(focuserAt, eyepieceOut, size.eyepiece.radiusMm - 22)
  return {
    solids: [
      ...pieces(t, [0, ...(size.collapsible ? [] : (frame.rings ?? [])), lowerEnd], R, true),
      round({ part: 'tube-whole', from: t(0), to: t(openEnd), radiusMm: R }),
      round({ part: 'tube', from: t(-14), to: t(0), radiusMm: R - 6 }),
      // Three screw heads under the cell.
      ...[0, 120, 240].map((angle) =>
        round({
          part: 'tube',
          from: along(t(-24), towards(angle), R * 0.66),
          to: along(t(-14), towards(angle), R * 0.66),
          radiusMm: 7,
        }),
      ),
      ...(size.collapsible
        ? [
            round({ part: 'upper', from: t(upperStart), to: t(openEnd), radiusMm: R, open: true }),
            ...slideRods(t, towards, { lowerEnd, upperStart, R }),
          ]
        : []),
      round({ part: 'focuser', from: along(focuserAt, eyepieceOut, R - 6), to: eyepieceAt, radiusMm: 27 }),
      round({
        part: 'focuser',
        from: along(along(focuserAt, eyepieceOut, R + 16), frame.axis, -34),
        to: along(along(focuserAt, eyepieceOut, R + 16), frame.axis, 34),
        radiusMm: 9,
      }),
      eyepiecePart(eyepieceAt, eyepieceOut),
      ...finder.solids,
      ...capParts(t(openEnd), frame.axis, R, size.capAheadMm),
    ],
    at: {
      'open-end': t(openEnd),
      'low-end': t(0),
      finder: finder.middle,
      eyepiece: eyepieceAt,
      diagonal: eyepieceAt,
    },
    eyepieceOut,
  }
}

/** Share of the tube that is its lower, closed part when it slides, and of its upper ring. */
const LOWER_FRACTION = 0.46
const UPPER_FRACTION = 0.24
const RING_MARGIN_MM = 30
/** Rods of a sliding tube lie clear of arm, disc and finder. */
const ROD_TURNS_DEG = [124, -56] as const

function slideRods(
  t: (mm: number) => Vector3,
  towards: (deg: number) => Vector3,
  { lowerEnd, upperStart, R }: { readonly lowerEnd: number; readonly upperStart: number; readonly R: number },
): Solid[] {
  return ROD_TURNS_DEG.flatMap((angle) => [
    round({
      part: 'slide-rods',
      from: along(t(lowerEnd - 70), towards(angle), R + 12),
      to: along(t(upperStart + 30), towards(angle), R + 12),
      radiusMm: 7,
    }),
    round({
      part: 'slide-rods',
      from: along(t(lowerEnd - 14), towards(angle), R + 4),
      to: along(t(lowerEnd - 14), towards(angle), R + 34),
      radiusMm: 10,
    }),
  ])
}

/** Dew shield before the lens, drawtube and diagonal at the low end, knobs on the mount's side. */
function refractor(size: KitDimensions, frame: TubeFrame): TubePlaces {
  const t = place(size, frame)
  const R = size.tubeDiameterMm / 2
  const L = size.tubeLengthMm
  const lens = L - size.dewShieldMm
  const bodyLow = Math.min(lens * 0.24, 120)
  const side = cross(frame.axis, frame.out)
  const finder = finderParts(size, {
    at: t(bodyLow + 60),
    axis: frame.axis,
    out: turned(frame.out, frame.axis, frame.finderTurnDeg ?? FINDER_TURN_DEG),
    radiusMm: R + 34,
    R,
  })
  const end = diagonalParts(t(0), frame, 20)
  return {
    solids: [
      ...pieces(t, [bodyLow, ...(frame.rings ?? []), lens], R, false),
      round({ part: 'tube-whole', from: t(0), to: t(L), radiusMm: R }),
      round({ part: 'tube', from: t(lens - 8), to: t(L), radiusMm: R * 1.16, open: true }),
      round({ part: 'focuser', from: t(bodyLow - 26), to: t(bodyLow), radiusMm: R * 0.86 }),
      round({ part: 'focuser', from: t(0), to: t(bodyLow - 26), radiusMm: 21 }),
      round({
        part: 'focuser',
        from: along(along(t(bodyLow - 12), frame.out, -R * 0.7), side, -R * 0.9),
        to: along(along(t(bodyLow - 12), frame.out, -R * 0.7), side, R * 0.9),
        radiusMm: 12,
      }),
      ...end.solids,
      ...finder.solids,
      ...railPart(size, frame, t),
      ...capParts(t(L), frame.axis, R * 1.16, size.capAheadMm),
    ],
    at: { 'open-end': t(L), 'low-end': t(0), finder: finder.middle, eyepiece: end.eyepiece, diagonal: end.diagonal },
    eyepieceOut: frame.out,
  }
}

/** Corrector with its spot near the front rim, focus knob beside the back port, no drawtube. */
function maksutov(size: KitDimensions, frame: TubeFrame): TubePlaces {
  const t = place(size, frame)
  const R = size.tubeDiameterMm / 2
  const L = size.tubeLengthMm
  const finder = finderParts(size, {
    at: t(56),
    axis: frame.axis,
    out: turned(frame.out, frame.axis, frame.finderTurnDeg ?? FINDER_TURN_DEG),
    radiusMm: R + 34,
    R,
  })
  const end = diagonalParts(t(-34), frame, 18)
  const knobOut = turned(frame.out, frame.axis, 110)
  return {
    solids: [
      ...pieces(t, [0, ...(frame.rings ?? []), L], R, true),
      round({ part: 'tube-whole', from: t(0), to: t(L), radiusMm: R }),
      round({ part: 'tube', from: t(L - 7), to: t(L - 6), radiusMm: R * 0.3 }),
      round({ part: 'tube', from: t(-12), to: t(0), radiusMm: R * 0.9 }),
      round({ part: 'focuser', from: t(-34), to: t(-12), radiusMm: 22 }),
      round({
        part: 'focuser',
        from: along(t(-34), knobOut, R * 0.55),
        to: along(t(-12), knobOut, R * 0.55),
        radiusMm: 11,
      }),
      ...end.solids,
      ...finder.solids,
      ...railPart(size, frame, t),
      ...capParts(t(L), frame.axis, R, size.capAheadMm),
    ],
    at: { 'open-end': t(L), 'low-end': t(0), finder: finder.middle, eyepiece: end.eyepiece, diagonal: end.diagonal },
    eyepieceOut: frame.out,
  }
}

/** The tube's wall cut at its rings, so that it hides their far half. */
function pieces(t: (mm: number) => Vector3, cuts: readonly number[], radiusMm: number, openAtTop: boolean): Solid[] {
  const last = cuts.at(-1)
  return cuts.slice(1).map((to, index) =>
    round({
      part: 'tube',
      from: t(cuts[index] ?? 0),
      to: t(to),
      radiusMm,
      open: openAtTop && to === last,
    }),
  )
}

function eyepiecePart(from: Vector3, out: Vector3): Solid {
  return round({ part: 'eyepiece', from, to: along(from, out, EYEPIECE_LENGTH_MM), radiusMm: 17 })
}

/** A mirror diagonal of 90° on a low end: in along the tube, out square to it, away from the mount. */
function diagonalParts(lowEnd: Vector3, { axis, out }: TubeFrame, radiusMm: number) {
  const corner = along(lowEnd, axis, -34)
  const mouth = along(corner, out, 30)
  return {
    solids: [
      round({ part: 'diagonal', from: corner, to: lowEnd, radiusMm }),
      block({
        part: 'diagonal',
        centre: along(corner, axis, -2),
        half: [scaled(axis, 24), scaled(out, 24), scaled(cross(axis, out), 21)],
      }),
      round({ part: 'diagonal', from: along(corner, out, 18), to: mouth, radiusMm }),
      eyepiecePart(mouth, out),
    ],
    eyepiece: mouth,
    diagonal: corner,
  }
}

function railPart(size: KitDimensions, { axis, out, rail }: TubeFrame, t: (mm: number) => Vector3): Solid[] {
  if (!rail) return []
  const half = Math.min(size.tubeLengthMm * 0.3, 110)
  return [
    block({
      part: 'rail',
      centre: along(t(size.balanceMm), out, -(size.tubeDiameterMm / 2 + 6)),
      half: [scaled(axis, half), scaled(out, 6), scaled(cross(axis, out), 20)],
    }),
  ]
}

function finderParts(
  size: KitDimensions,
  given: {
    readonly at: Vector3
    readonly axis: Vector3
    readonly out: Vector3
    readonly radiusMm: number
    readonly R: number
  },
) {
  const { at, axis, out, radiusMm, R } = given
  const middle = along(at, out, radiusMm)
  const body = size.redDot
    ? [
        // A red dot: a low body with its window standing up at the sky's end.
        block({
          part: 'finder',
          centre: along(middle, out, -8),
          half: [scaled(axis, 46), scaled(out, 8), scaled(cross(axis, out), 13)],
        }),
        round({
          part: 'finder',
          from: along(middle, axis, 34),
          to: along(middle, axis, 40),
          radiusMm: 21,
          open: true,
        }),
      ]
    : [
        round({
          part: 'finder',
          from: along(middle, axis, -58),
          to: along(middle, axis, 62),
          radiusMm: 15,
          endRadiusMm: 20,
          open: true,
        }),
      ]
  return {
    middle,
    solids: [
      ...body,
      round({ part: 'finder', from: along(at, out, R - 4), to: along(middle, out, -14), radiusMm: 10 }),
    ],
  }
}

function capParts(end: Vector3, axis: Vector3, R: number, aheadMm: number): Solid[] {
  return [
    round({ part: 'cap', from: along(end, axis, aheadMm + 2), to: along(end, axis, aheadMm + 18), radiusMm: R + 4 }),
    round({
      part: 'cap',
      from: along(end, axis, aheadMm + 18),
      to: along(end, axis, aheadMm + 24),
      radiusMm: R * 0.36,
    }),
  ]
}
