import type { Circle } from './circle-fit.ts'
import { blurred, cut, noiseOf, reducedPlanes, smaller, type Picture, type Plane } from './planes.ts'
import { fitMark } from './fit-mark.ts'
import { matchMark } from './mark-match.ts'
import { flattened, traceRim, type Polarity, type Rim } from './rim.ts'
import { edgesOf, radiiBetween, votedRings } from './ring-votes.ts'

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

/** Longest side at which a picture is measured: a pixel there is a fraction of a millimetre on any primary. */
const MEASURED_PX = 1250
/** Longest side at which circles are looked for. */
const SEARCHED_PX = 420
/** Below this even an expert sees no edge. */
const LEAST_STEP = 0.025
const NOISE_STEPS = 4
/** A primary's radius against the picture's shorter side: smaller ones are some other thing, larger ones don't fit. */
const PRIMARY_SHARE = { least: 0.06, most: 0.62 }
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
const LEAST_LIKELY = 0.3
const CANDIDATES = 7
/** Of 3.6 that a view can score: primary, cap and mark are all there, so no other candidate can be the primary. */
const BEYOND_DOUBT = 3.3
/** What a drawtube's end seen where it belongs adds to a candidate. */
const DRAWTUBE_VOTE = 0.5
/** How many candidates are asked for their drawtube. */
const ASKED_FOR_DRAWTUBE = 3
/** A secondary's edge is seen less than this much wider than the primary. */
const SECONDARY_OVER_PRIMARY = 1.8
/** Views that reach this share of the best one's score are rivals, and so are caps of this share of its cap's worth; where
 * the cap's size was typed, fewer are. */
const RIVAL_SHARE = { typed: { view: 0.9, cap: 0.6 }, untyped: { view: 0.8, cap: 0.25 } }
/** A cap's light ring holds the mark's reflection with room to spare: the other way round one of both is wrong. */
const CAP_OVER_MARK = 1.1
/** Light rings that are made, mm. Common practice, no source. */
const CAP_RANGE_MM = { least: 8, most: 46 }

interface Ground {
  /** Blurred a little. */
  readonly grey: Plane
  /** The same, small enough that circles are looked for in all of it, and how many pixels make one of its own. */
  readonly coarse: Plane
  readonly coarseBy: number
  /** As they were taken: only the part that a mark can lie in is ever blurred. */
  readonly colours: readonly Plane[]
  readonly sigmaPx: number
  readonly leastStep: number
  readonly leastSlope: number
}

/**
 * Finds the circles of a view through the peephole. Bright-rimmed circles are found by votes of their edges; the one that
 * also holds a cap's reflection and a mark of the right sizes is the primary.
 * @param onProgress fraction done, 0 to 1
 */
export function findCircles(
  picture: Picture,
  known: KnownSizes,
  onProgress: (fraction: number) => void = () => undefined,
): FoundCircles {
  const { reducedBy, grey, colours } = reducedPlanes(picture, MEASURED_PX)
  onProgress(0.25)
  const noise = noiseOf(grey)
  const { range, brightest } = rangeOf(grey)
  // Noisy pictures are looked at through a wider window; what the edges lose in sharpness they gain in certainty.
  const sigmaPx = noise > 0.012 ? 1.4 : 1
  const leastStep = Math.max(LEAST_STEP * Math.min(1, range * 1.5), (NOISE_STEPS * noise) / (2 * sigmaPx * sigmaPx))
  const softened = blurred(grey, sigmaPx)
  const coarseBy = Math.max(1, Math.ceil(Math.max(grey.width, grey.height) / SEARCHED_PX))
  const ground: Ground = {
    grey: softened,
    coarse: blurred(smaller(softened, coarseBy), 1),
    coarseBy,
    colours,
    sigmaPx,
    leastStep,
    leastSlope: leastStep / 4,
  }
  onProgress(0.45)
  const candidates = primaryCandidates(ground)
  onProgress(0.6)
  const views: View[] = []
  for (const primary of candidates) {
    const view = lookInside(primary, ground, known)
    views.push(view)
    if (known.capRingDiameterMm !== null && view.score > BEYOND_DOUBT) break
  }
  const [best = null, ...others] = withDrawtubeVotes(views, ground, known)
  onProgress(0.8)
  const mark = best && centreMark(best, ground, known)
  const peephole = best?.cap ? peepholeOf(best.cap, mark, ground) : null
  onProgress(0.9)
  const outside = best ? lookOutside(best.primary, ground, known) : { secondaryEdge: null, drawtube: null }
  const full = <T extends Rim | null>(rim: T): T => (rim ? scaledRim(rim, reducedBy) : rim) as T
  onProgress(1)
  return {
    primaryEdge: full(shaped(best?.primary ?? null, 'bright-inside', ground)),
    secondaryEdge: full(shaped(outside.secondaryEdge, 'either', ground)),
    drawtube: full(shaped(outside.drawtube, 'either', ground)),
    centreMark: full(mark),
    capRing: full(best?.cap ?? null),
    peepholeReflection: full(peephole),
    rivals: (best ? rivalsOf(best, others, rivalShare(known).view) : []).map(
      ({ primaryEdge, capRing, centreMark: itsMark }) => ({
        primaryEdge: full(primaryEdge),
        capRing: full(capRing),
        centreMark: full(itsMark),
      }),
    ),
    noise,
    range,
    brightest,
    reducedBy,
  }
}

const shaped = (rim: Rim | null, polarity: Polarity, ground: Ground): Rim | null =>
  rim && flattened([ground.grey], rim, { polarity, leastStep: ground.leastStep })

const scaledRim = (rim: Rim, by: number): Rim => ({
  ...rim,
  x: rim.x * by,
  y: rim.y * by,
  r: rim.r * by,
  rms: rim.rms * by,
  centreSigma: rim.centreSigma * by,
})

function rangeOf({ values }: Plane): { range: number; brightest: number } {
  const stride = Math.max(1, Math.floor(values.length / 20_000))
  const some: number[] = []
  for (let at = 0; at < values.length; at += stride) some.push(values[at] ?? 0)
  some.sort((a, b) => a - b)
  const at = (share: number) => some[Math.floor(share * (some.length - 1))] ?? 0
  return { range: at(0.99) - at(0.01), brightest: at(0.99) }
}

function primaryCandidates(ground: Ground): Rim[] {
  const { grey, coarse, coarseBy: by } = ground
  const shorter = Math.min(coarse.width, coarse.height)
  const edges = edgesOf([coarse], ground.leastSlope * 1.5)
  const rings = votedRings(edges, {
    polarity: 'bright-inside',
    radii: radiiBetween(PRIMARY_SHARE.least * shorter, PRIMARY_SHARE.most * shorter, 2),
    within: { x: coarse.width / 2, y: coarse.height / 2, reach: Math.max(coarse.width, coarse.height) / 2 },
    cell: 3,
    most: 9,
  })
  const rims: Rim[] = []
  for (const ring of rings) {
    const about = { x: ring.x * by, y: ring.y * by, r: ring.r * by }
    const search = { polarity: 'bright-inside' as const, leastStep: ground.leastStep * 1.5 }
    const rough = traceRim([grey], about, { ...search, bandPx: Math.max(12, 0.1 * about.r) })
    if (!rough || rough.coverage < 0.25) continue
    const rim = traceRim([grey], rough, { ...search, bandPx: Math.max(8, 0.05 * rough.r), rays: 240 }) ?? rough
    const known = rims.some(
      (other) =>
        Math.hypot(other.x - rim.x, other.y - rim.y) < 0.02 * rim.r && Math.abs(other.r - rim.r) < 0.02 * rim.r,
    )
    if (!known) rims.push(rim)
  }
  const worth = (rim: Rim) => rim.coverage * Math.min(rim.contrast, 0.4)
  return rims.sort((a, b) => worth(b) - worth(a)).slice(0, CANDIDATES)
}

interface View {
  readonly primary: Rim
  readonly cap: Rim | null
  readonly mark: Rim | null
  /** Rings nearly as likely to be the cap's. */
  readonly otherCaps: readonly Rim[]
  readonly score: number
}

/** Views, likeliest first, once the likeliest have been asked whether a drawtube of the typed size ends about them. Without
 * its size any larger circle would do, so nobody is asked. */
function withDrawtubeVotes(views: readonly View[], ground: Ground, known: KnownSizes): readonly View[] {
  const byScore = (some: readonly View[]) => [...some].sort((a, b) => b.score - a.score)
  const sorted = byScore(views)
  if (known.drawtubeInnerDiameterMm === null || sorted.length < 2) return sorted
  return byScore(
    sorted.map((view, i) =>
      i < ASKED_FOR_DRAWTUBE && hasDrawtube(view.primary, views, ground, known)
        ? { ...view, score: view.score + DRAWTUBE_VOTE }
        : view,
    ),
  )
}

/** Between a primary and its drawtube's end lies the secondary's edge, hardly wider than the primary: a well seen circle
 * farther out is the primary, and this one a reflection in it. */
function hasDrawtube(primary: Rim, views: readonly View[], ground: Ground, known: KnownSizes): boolean {
  const { drawtube } = lookOutside(primary, ground, known)
  if (!drawtube) return false
  return !views.some(
    ({ primary: other }) =>
      other.coverage > 0.6 && other.r > SECONDARY_OVER_PRIMARY * primary.r && other.r < 0.95 * drawtube.r,
  )
}

const rivalShare = ({ capRingDiameterMm }: KnownSizes) =>
  capRingDiameterMm === null ? RIVAL_SHARE.untyped : RIVAL_SHARE.typed

function rivalsOf(best: View, others: readonly View[], share: number): readonly Rival[] {
  const caps = best.otherCaps.map((capRing) => ({ primaryEdge: best.primary, capRing, centreMark: best.mark }))
  const views = others.flatMap(({ primary, cap, mark, score }) =>
    cap && score >= share * best.score ? [{ primaryEdge: primary, capRing: cap, centreMark: mark }] : [],
  )
  return [...caps, ...views]
}

function lookInside(primary: Rim, ground: Ground, known: KnownSizes): View {
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

interface Wanted {
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
function centreMark(view: View, ground: Ground, known: KnownSizes): Rim | null {
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
function peepholeOf(cap: Rim, mark: Rim | null, ground: Ground): Rim | null {
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

/** What lies about the primary: the secondary's edge and the drawtube's end. Neither is needed for the axis error. */
function lookOutside(
  primary: Rim,
  ground: Ground,
  known: KnownSizes,
): Pick<FoundCircles, 'secondaryEdge' | 'drawtube'> {
  const { grey, coarse, coarseBy: by } = ground
  const reach = Math.hypot(grey.width, grey.height) / 2
  const rings = votedRings(edgesOf([coarse], ground.leastSlope), {
    polarity: 'either',
    radii: radiiBetween((1.02 * primary.r) / by, Math.min(4.5 * primary.r, 0.8 * reach) / by, 1.5),
    within: { x: primary.x / by, y: primary.y / by, reach: (0.5 * primary.r) / by },
    cell: 3,
    most: 10,
  })
  const rims = rings.flatMap((ring) => {
    const about = { x: ring.x * by, y: ring.y * by, r: ring.r * by }
    const search = { polarity: 'either' as const, leastStep: ground.leastStep * 0.7 }
    const rough = traceRim([grey], about, { ...search, bandPx: Math.max(8, 0.05 * about.r) })
    if (!rough) return []
    const rim = traceRim([grey], rough, { ...search, bandPx: Math.max(6, 0.025 * rough.r) }) ?? rough
    return rim.coverage > 0.4 && !isClose(rim, primary) ? [rim] : []
  })
  // The drawtube's end is the last circle with much of it seen; beyond it are only its own faint threads.
  const worth = (rim: Rim) => rim.coverage * Math.min(rim.contrast, 0.15)
  const outerWorth = (rim: Rim) => rim.coverage * Math.min(rim.contrast, 0.06) * rim.r
  const bounds = outsideBounds(known)
  const fits = (rim: Rim, [least, most]: Bounds) => rim.r > least * primary.r && rim.r < most * primary.r
  const outer = rims.filter((rim) => rim.r > 1.35 * primary.r && fits(rim, bounds.drawtube))
  const drawtube = outer.sort((a, b) => outerWorth(b) - outerWorth(a))[0] ?? null
  const between = rims.filter((rim) => rim.r < (drawtube ? 0.93 * drawtube.r : 1.8 * primary.r))
  const secondaryEdge =
    between
      .filter((rim) => encloses(rim, primary) && fits(rim, bounds.secondary))
      .sort((a, b) => worth(b) - worth(a))[0] ?? null
  return { secondaryEdge, drawtube }
}

type Bounds = readonly [least: number, most: number]

/** Inner end of a drawtube to the focal plane, and a tube's wall to it, mm: what is on sale. Common practice, no source. */
const DRAWTUBE_END_MM: Bounds = [22, 150]
const WALL_TO_FOCUS_MM: Bounds = [15, 160]

/** What sizes typed say of the circles about the primary, as multiples of its radius in the picture: how far a thing lies
 * from the eye isn't known, but it lies within what can be built. */
export function outsideBounds(known: KnownSizes): { readonly drawtube: Bounds; readonly secondary: Bounds } {
  const { apertureMm, focalLengthMm, peepholeOutsideFocusMm, drawtubeInnerDiameterMm, secondaryMinorAxisMm } = known
  const seenPrimary = apertureMm / (focalLengthMm + peepholeOutsideFocusMm)
  const seen = (diameterMm: number | null, nearestMm: number, farthestMm: number): Bounds =>
    diameterMm === null
      ? [0, Infinity]
      : [
          diameterMm / (farthestMm + peepholeOutsideFocusMm) / seenPrimary,
          diameterMm / Math.max(nearestMm + peepholeOutsideFocusMm, 1) / seenPrimary,
        ]
  const [near, far] = WALL_TO_FOCUS_MM
  return {
    drawtube: seen(drawtubeInnerDiameterMm, ...DRAWTUBE_END_MM),
    secondary: seen(secondaryMinorAxisMm, apertureMm / 2 + near, apertureMm / 2 + far),
  }
}

const isClose = (a: Circle, b: Circle): boolean =>
  Math.hypot(a.x - b.x, a.y - b.y) + Math.abs(a.r - b.r) < 0.025 * b.r

const encloses = (outer: Circle, inner: Circle): boolean =>
  Math.hypot(outer.x - inner.x, outer.y - inner.y) < 0.35 * inner.r && outer.r > inner.r
