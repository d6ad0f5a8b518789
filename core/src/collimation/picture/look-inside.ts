import type { Circle } from './circle-fit.ts'
import { rivalShare, type Ground, type KnownSizes } from './circles.ts'
import { fitMark } from './fit-mark.ts'
import { matchMark } from './mark-match.ts'
import { cut, blurred, type Plane } from './planes.ts'
import { traceRim, type Polarity, type Rim } from './rim.ts'
import { edgesOf, radiiBetween, votedRings } from './ring-votes.ts'

export interface View {
  readonly primary: Rim
  readonly cap: Rim | null
  readonly mark: Rim | null
  /** Rings nearly as likely to be the cap's. */
  readonly otherCaps: readonly Rim[]
  readonly score: number
}

export function lookInside(primary: Rim, ground: Ground, known: KnownSizes): View {
  const caps = capRings(primary, ground, known)
  const mark = votedMark(primary, ground, known, caps[0] ?? null)
  const possible = caps.filter((rim) => !mark || rim.r > CAP_OVER_MARK * mark.r)
  const cap = possible[0] ?? null
  // Rings in rings look alike: of two, the larger is the mirror and the smaller the cap seen in it.
  const size = primary.r / (0.2 * Math.min(ground.grey.width, ground.grey.height))
  const score =
    0.6 * Math.min(1, size) +
    primary.coverage * Math.min(1, primary.contrast / 0.2) +
    (cap ? 1.2 * cap.coverage * Math.min(1, cap.contrast / 0.1) : 0) +
    (mark ? 0.8 * mark.coverage : 0)
  return { primary, cap, mark, otherCaps: possible.slice(1), score }
}

export interface Wanted {
  readonly planes: readonly Plane[]
  /** How much the planes are still to be blurred, px; 0 where they are. */
  readonly sigmaPx: number
  readonly polarity: Polarity
  readonly radii: readonly number[]
  readonly about: { readonly x: number; readonly y: number; readonly reach: number }
  readonly leastStep: number
  readonly leastCoverage: number
  readonly band: number
  readonly most: number
}

/** Circles of about the right size near a place: voted for, then traced. */
function rimsNear(wanted: Wanted): Rim[] {
  const { planes, sigmaPx, polarity, radii, about, leastStep, leastCoverage, band, most } = wanted
  const margin = (radii.at(-1) ?? 0) * (1 + band) + 6
  const parts = planes.map((plane) => cut(plane, { ...about, reach: about.reach + margin }))
  const [first] = parts
  if (!first) return []
  const cuts = parts.map(({ plane }) => (sigmaPx > 0 ? blurred(plane, sigmaPx) : plane))
  const edges = edgesOf(cuts, leastStep / 4)
  const largest = radii.at(-1) ?? 0
  const rings = votedRings(edges, {
    polarity,
    radii,
    within: { x: about.x - first.left, y: about.y - first.top, reach: about.reach },
    cell: largest > 40 ? 2 : 1,
    most,
  })
  return rings.flatMap((ring) => {
    const rim = traceRim(cuts, ring, {
      polarity,
      bandPx: Math.max(2.5, band * ring.r),
      leastStep,
      rays: ring.r < 30 ? 72 : 120,
    })
    if (!rim || rim.coverage < leastCoverage) return []
    return [{ ...rim, x: rim.x + first.left, y: rim.y + first.top }]
  })
}

/** Rings that may be the cap's, likeliest first; far less likely ones are left out. */
function capRings(primary: Rim, ground: Ground, known: KnownSizes): readonly Rim[] {
  const { capRingDiameterMm, apertureMm, focalLengthMm, peepholeOutsideFocusMm: d } = known
  const expected =
    capRingDiameterMm === null ? null : ((capRingDiameterMm / apertureMm) * primary.r) / (1 - d / focalLengthMm)
  const radii = expected
    ? radiiBetween(expected * 0.92, expected * 1.08, Math.max(0.5, expected * 0.02))
    : radiiBetween(
        Math.max(5, (CAP_RANGE_MM.least / apertureMm) * primary.r),
        Math.min(0.6, CAP_RANGE_MM.most / apertureMm) * primary.r,
        Math.max(1, primary.r * 0.005),
      )
  const rims = rimsNear({
    planes: [ground.grey],
    sigmaPx: 0,
    polarity: 'bright-inside',
    radii,
    about: { x: primary.x, y: primary.y, reach: CAP_REACH * primary.r },
    leastStep: ground.leastStep,
    leastCoverage: 0.45,
    band: expected ? 0.08 : 0.06,
    most: 8,
  })
  const worth = (rim: Rim) => {
    const fits = expected
      ? Math.exp(-(((rim.r / expected - 1) / 0.06) ** 2))
      : usualSize((rim.r / primary.r) * apertureMm, USUAL_CAP_MM)
    return rim.coverage * Math.min(rim.contrast, 0.5) * fits
  }
  // Where nobody typed its size, the hole in its middle helps to tell the cap from a white mark.
  const bonus = (rim: Rim) => (expected === null && peepholeOf(rim, null, ground) ? HOLE_BONUS : 1)
  const scored = rims.map((rim) => ({ rim, worth: worth(rim) * bonus(rim) })).sort((a, b) => b.worth - a.worth)
  const least = rivalShare(known).cap * (scored[0]?.worth ?? 0)
  return scored.flatMap(({ rim, worth: its }, i) => {
    const again = scored.slice(0, i).some((other) => isSame(rim, other.rim))
    return its >= least && !again ? [rim] : []
  })
}

function votedMark(primary: Rim, ground: Ground, known: KnownSizes, cap: Rim | null): Rim | null {
  const expected = expectedMark(primary, known)
  const radii = expected
    ? radiiBetween(expected * 0.9, expected * 1.1, Math.max(0.35, expected * 0.025))
    : radiiBetween(Math.max(3, 0.012 * primary.r), 0.11 * primary.r, Math.max(0.5, primary.r * 0.003))
  const rims = rimsNear({
    planes: ground.colours,
    sigmaPx: ground.sigmaPx,
    polarity: 'either',
    radii,
    about: { x: primary.x, y: primary.y, reach: MARK_REACH * primary.r },
    leastStep: ground.leastStep * 0.8,
    leastCoverage: 0.6,
    band: 0.12,
    most: 12,
  }).filter((rim) => !cap || !isSame(rim, cap))
  const worth = (rim: Rim) => {
    const off = Math.hypot(rim.x - primary.x, rim.y - primary.y) / primary.r
    const fits = expected
      ? Math.exp(-(((rim.r / expected - 1) / 0.08) ** 2))
      : usualSize((rim.r / primary.r) * known.apertureMm, USUAL_MARK_MM)
    return rim.coverage * fits * Math.max(Math.exp(-((off / MARK_SPREAD) ** 2) / 2), 0.3)
  }
  return rims.sort((a, b) => worth(b) - worth(a))[0] ?? null
}

/** How usual a diameter is: half again or two thirds of the usual one is three fifths as likely. */
const usualSize = (diameterMm: number, usualMm: number): number =>
  Math.exp(-((Math.log(diameterMm / usualMm) / 0.4) ** 2) / 2)
const expectedMark = (primary: Rim, { markOuterDiameterMm, apertureMm }: KnownSizes): number | null =>
  markOuterDiameterMm === null ? null : (markOuterDiameterMm / apertureMm) * primary.r

/** The mark near the primary's middle, fitted as a whole from the likeliest places; null where the ground shows none. */
export function centreMark(view: View, ground: Ground, known: KnownSizes): Rim | null {
  const { primary, cap, mark: voted } = view
  const expected = expectedMark(primary, known)
  const radii = expected
    ? [0.94, 0.98, 1.02, 1.06].map((share) => share * expected)
    : radiiBetween(Math.max(3, 0.012 * primary.r), 0.1 * primary.r, Math.max(1, primary.r * 0.006))
  const near = Math.max(3, MARK_NEAR * primary.r)
  const margin = (radii.at(-1) ?? 0) * 1.3 + 8
  const parts = ground.colours.map((plane) =>
    cut(plane, { x: primary.x, y: primary.y, reach: MARK_REACH * primary.r + margin }),
  )
  const [first] = parts
  if (!first) return null
  const { left, top } = first
  const planes = parts.map(({ plane }) => blurred(plane, ground.sigmaPx))
  const about = { x: primary.x - left, y: primary.y - top }
  const match = matchMark(planes, { ...about, reach: near, spread: MARK_SPREAD * primary.r }, radii)
  const inCut = cap && { ...cap, x: cap.x - left, y: cap.y - top }
  const starts: Circle[] = [
    ...(match ? [match] : []),
    ...(voted ? [{ x: voted.x - left, y: voted.y - top, r: voted.r }] : []),
    ...(expected ? [{ ...about, r: expected }] : []),
  ]
  const apart = starts.filter(
    (start, i) =>
      !starts.slice(0, i).some((other) => Math.hypot(other.x - start.x, other.y - start.y) < 0.3 * start.r),
  )
  const fits = apart.flatMap((start) => {
    const bounds = expected ? [0.9 * expected, 1.1 * expected] : [0.7 * start.r, 2.2 * start.r]
    const r = expected ?? start.r
    const fit = fitMark(planes, inCut, { x: start.x, y: start.y, r, least: bounds[0] ?? r, most: bounds[1] ?? r })
    if (!fit || fit.coverage < LEAST_EXPLAINED || fit.contrast < ground.leastStep) return []
    const off = Math.hypot(fit.x - about.x, fit.y - about.y) / primary.r
    const likely = Math.max(Math.exp(-((off / MARK_SPREAD) ** 2) / 2), LEAST_LIKELY)
    return [{ fit, worth: fit.coverage * likely }]
  })
  const best = fits.sort((a, b) => b.worth - a.worth)[0]?.fit
  const mark = best && { ...best, x: best.x + left, y: best.y + top }
  return mark && !(cap && isSame(mark, cap)) ? mark : null
}

const isSame = (a: Circle, b: Circle): boolean =>
  Math.hypot(a.x - b.x, a.y - b.y) < 0.15 * b.r && Math.abs(a.r - b.r) < 0.15 * b.r

/** The hole itself, dark in the cap's middle; the mark's own hole is not it. */
export function peepholeOf(cap: Rim, mark: Rim | null, ground: Ground): Rim | null {
  const most = 0.16 * cap.r
  if (most < 2) return null
  const rims = rimsNear({
    planes: [ground.grey],
    sigmaPx: 0,
    polarity: 'dark-inside',
    radii: radiiBetween(1.5, most, 0.5),
    about: { x: cap.x, y: cap.y, reach: Math.max(3, 0.14 * cap.r) },
    leastStep: ground.leastStep * 1.5,
    leastCoverage: 0.7,
    band: 0.25,
    most: 4,
  }).filter((rim) => !mark || Math.hypot(rim.x - mark.x, rim.y - mark.y) > 1.1 * mark.r + rim.r)
  return rims.sort((a, b) => b.coverage * b.contrast - a.coverage * a.contrast)[0] ?? null
}

/** The mark is stuck on with care; one further off than this share of the radius is none. */
const MARK_REACH = 0.1

/** How far off the middle a mark is usually stuck, one spread, as a share of the radius. */
const MARK_SPREAD = 0.015

/** Within this share of the radius every place is tried. */
const MARK_NEAR = 0.055

/** The farthest a reflection can stand from the primary's centre and still be put right with the screws. */
const CAP_REACH = 0.42

/** Diameters where nobody typed any. Common practice, no source. */
const USUAL_CAP_MM = 18
const USUAL_MARK_MM = 8
const HOLE_BONUS = 1.5

/** A mark explains at least this share of what the bare ground leaves. */
const LEAST_EXPLAINED = 0.45
export const LEAST_LIKELY = 0.3

/** A cap's light ring holds the mark's reflection with room to spare: the other way round one of both is wrong. */
const CAP_OVER_MARK = 1.1

/** Light rings that are made, mm. Common practice, no source. */
const CAP_RANGE_MM = { least: 8, most: 46 }
