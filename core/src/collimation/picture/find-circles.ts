import { rivalShare, type FoundCircles, type Ground, type KnownSizes, type Rival } from './circles.ts'
import { centreMark, lookInside, peepholeOf, type View } from './look-inside.ts'
import { lookOutside, SECONDARY_OVER_PRIMARY } from './look-outside.ts'
import { blurred, noiseOf, reducedPlanes, smaller, type Picture, type Plane } from './planes.ts'
import { flattened, traceRim, type Polarity, type Rim } from './rim.ts'
import { edgesOf, radiiBetween, votedRings } from './ring-votes.ts'

/** Longest side at which a picture is measured: a pixel there is a fraction of a millimetre on any primary. */
const MEASURED_PX = 1250
/** Longest side at which circles are looked for. */
const SEARCHED_PX = 420
/** Below this even an expert sees no edge. */
const LEAST_STEP = 0.025
const NOISE_STEPS = 4
/** A primary's radius against the picture's shorter side: smaller ones are some other thing, larger ones don't fit. */
const PRIMARY_SHARE = { least: 0.06, most: 0.62 }
const CANDIDATES = 7
/** Of 3.6 that a view can score: primary, cap and mark are all there, so no other candidate can be the primary. */
const BEYOND_DOUBT = 3.3
/** What a drawtube's end seen where it belongs adds to a candidate. */
const DRAWTUBE_VOTE = 0.5
/** How many candidates are asked for their drawtube. */
const ASKED_FOR_DRAWTUBE = 3
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
  const coarse = blurred(smaller(softened, coarseBy), 1)
  const leastSlope = leastStep / 4
  const ground: Ground = {
    grey: softened,
    coarse,
    coarseBy,
    coarseEdges: edgesOf([coarse], leastSlope),
    colours,
    sigmaPx,
    leastStep,
    leastSlope,
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
  const outsideOf = onceEach((primary) => lookOutside(primary, ground, known))
  const [best = null, ...others] = withDrawtubeVotes(views, outsideOf, known)
  onProgress(0.8)
  const mark = best && centreMark(best, ground, known)
  const peephole = best?.cap ? peepholeOf(best.cap, mark, ground) : null
  onProgress(0.9)
  const outside = best ? outsideOf(best.primary) : { secondaryEdge: null, drawtube: null }
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

type OutsideOf = (primary: Rim) => ReturnType<typeof lookOutside>

/** A look about a primary takes as long as all else: the best one's is asked for twice. */
function onceEach(look: OutsideOf): OutsideOf {
  const seen = new Map<Rim, ReturnType<OutsideOf>>()
  return (primary) => {
    const outside = seen.get(primary) ?? look(primary)
    seen.set(primary, outside)
    return outside
  }
}

function rangeOf({ values }: Plane): { range: number; brightest: number } {
  const stride = Math.max(1, Math.floor(values.length / 20_000))
  // Numbers of one kind are sorted several times faster than what might be anything.
  const some = new Float32Array(Math.ceil(values.length / stride)).map((_none, i) => values[i * stride] ?? 0).sort()
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

/** Views, likeliest first, once the likeliest have been asked whether a drawtube of the typed size ends about them. Without
 * its size any larger circle would do, so nobody is asked. */
function withDrawtubeVotes(views: readonly View[], outsideOf: OutsideOf, known: KnownSizes): readonly View[] {
  const byScore = (some: readonly View[]) => [...some].sort((a, b) => b.score - a.score)
  const sorted = byScore(views)
  if (known.drawtubeInnerDiameterMm === null || sorted.length < 2) return sorted
  // What could be neither the best nor its rival with such a vote needs no look at its drawtube.
  const least = rivalShare(known).view * (sorted[0]?.score ?? 0) - DRAWTUBE_VOTE
  return byScore(
    sorted.map((view, i) =>
      i < ASKED_FOR_DRAWTUBE && view.score >= least && hasDrawtube(view.primary, views, outsideOf)
        ? { ...view, score: view.score + DRAWTUBE_VOTE }
        : view,
    ),
  )
}

/** Between a primary and its drawtube's end lies the secondary's edge, hardly wider than the primary: a well seen circle
 * farther out is the primary, and this one a reflection in it. */
function hasDrawtube(primary: Rim, views: readonly View[], outsideOf: OutsideOf): boolean {
  const { drawtube } = outsideOf(primary)
  if (!drawtube) return false
  return !views.some(
    ({ primary: other }) =>
      other.coverage > 0.6 && other.r > SECONDARY_OVER_PRIMARY * primary.r && other.r < 0.95 * drawtube.r,
  )
}

function rivalsOf(best: View, others: readonly View[], share: number): readonly Rival[] {
  const caps = best.otherCaps.map((capRing) => ({ primaryEdge: best.primary, capRing, centreMark: best.mark }))
  const views = others.flatMap(({ primary, cap, mark, score }) =>
    cap && score >= share * best.score ? [{ primaryEdge: primary, capRing: cap, centreMark: mark }] : [],
  )
  return [...caps, ...views]
}
