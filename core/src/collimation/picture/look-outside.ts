import type { Circle } from './circle-fit.ts'
import type { FoundCircles, Ground, KnownSizes } from './circles.ts'
import { traceRim, type Rim } from './rim.ts'
import { votedRings, radiiBetween } from './ring-votes.ts'

/** What lies about the primary: the secondary's edge and the drawtube's end. Neither is needed for the axis error. */
export function lookOutside(
  primary: Rim,
  ground: Ground,
  known: KnownSizes,
): Pick<FoundCircles, 'secondaryEdge' | 'drawtube'> {
  const { grey, coarseBy: by } = ground
  const reach = Math.hypot(grey.width, grey.height) / 2
  const rings = votedRings(ground.coarseEdges, {
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

export type Bounds = readonly [least: number, most: number]

/** Inner end of a drawtube to the focal plane, and a tube's wall to it, mm: what is on sale. Common practice, no source. */
const DRAWTUBE_END_MM: Bounds = [22, 150]
const WALL_TO_FOCUS_MM: Bounds = [15, 160]

/** What sizes typed say of the circles about the primary, as multiples of its radius in the picture: how far a thing lies
 * from the eye isn't known, but it lies within what can be built. */
function outsideBounds(known: KnownSizes): { readonly drawtube: Bounds; readonly secondary: Bounds } {
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

/** A secondary's edge is seen less than this much wider than the primary. */
export const SECONDARY_OVER_PRIMARY = 1.8
const encloses = (outer: Circle, inner: Circle): boolean =>
  Math.hypot(outer.x - inner.x, outer.y - inner.y) < 0.35 * inner.r && outer.r > inner.r
const isClose = (a: Circle, b: Circle): boolean =>
  Math.hypot(a.x - b.x, a.y - b.y) + Math.abs(a.r - b.r) < 0.025 * b.r
