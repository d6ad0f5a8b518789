import type { CasePlace } from '@binoculum/contract'
import { areaOf, isSimple, type CaseSize, type PointXY } from '@binoculum/core'

/** A finger slips: smaller than this is no compartment. */
const LEAST_MM = 8
/** Edges this near to another compartment’s, or the case’s, were meant to be in line with it. */
const SNAP_MM = 4
/** An outline is closed by coming back so near to its first corner. */
const CLOSES_MM = 8

interface Drawn {
  readonly caseMm: CaseSize
  readonly places: readonly CasePlace[]
}

/** A corner inside the case, in line with what is drawn already. */
export function snapped(point: PointXY, { caseMm, places }: Drawn): PointXY {
  const along = (axis: 'x' | 'y', most: number) => {
    const value = Math.min(Math.max(point[axis], 0), most)
    const edges = [0, most, ...places.flatMap(({ outlineMm }) => outlineMm.map((corner) => corner[axis]))]
    const nearest = edges.reduce((best, edge) => (Math.abs(edge - value) < Math.abs(best - value) ? edge : best))
    return Math.round(Math.abs(nearest - value) <= SNAP_MM ? nearest : value)
  }
  return { x: along('x', caseMm.width), y: along('y', caseMm.height) }
}

/** A rectangle between two corners; null where it is too small. */
export function drawnOutline(from: PointXY, to: PointXY, drawn: Drawn): PointXY[] | null {
  const [a, b] = [snapped(from, drawn), snapped(to, drawn)]
  const [left, right] = [Math.min(a.x, b.x), Math.max(a.x, b.x)]
  const [top, bottom] = [Math.min(a.y, b.y), Math.max(a.y, b.y)]
  if (right - left < LEAST_MM || bottom - top < LEAST_MM) return null
  return [
    { x: left, y: top },
    { x: right, y: top },
    { x: right, y: bottom },
    { x: left, y: bottom },
  ]
}

/** Whether a corner is the first one again. */
export const closes = (corners: readonly PointXY[], { x, y }: PointXY): boolean => {
  const [first] = corners
  return corners.length >= 3 && first !== undefined && Math.hypot(first.x - x, first.y - y) <= CLOSES_MM
}

/** Corners as an outline; null where they make none: too few, too small, or crossing themselves. */
export function closedOutline(corners: readonly PointXY[]): PointXY[] | null {
  const apart = corners.filter(({ x, y }, i) => {
    const next = corners[(i + 1) % corners.length]
    return corners.length < 2 || next?.x !== x || next.y !== y
  })
  if (apart.length < 3 || areaOf(apart) < LEAST_MM * LEAST_MM || !isSimple(apart)) return null
  return apart
}

/** The first line of the card that no compartment has yet; null where all have one. */
export const nextLine = (lines: readonly { readonly id: string }[], places: readonly CasePlace[]): string | null =>
  lines.find(({ id }) => places.every(({ partId }) => partId !== id))?.id ?? null
