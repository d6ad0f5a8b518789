import { onPage, turned, type DrawnPath, type Vector3, type View } from './solid.ts'

/** Movements: straight beside the part along its true axis, or an arc in space about an axis. */

export type PagePoint = readonly [number, number]

export const toPage = (point: Vector3, view: View): PagePoint => {
  const { x, y } = onPage(point, view)
  return [x, y]
}

const HEAD_PX = 10
const HEAD_HALF_PX = 5.5

export function straightArrow(from: PagePoint, to: PagePoint): DrawnPath[] {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1
  const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length]
  const [bx, by] = [to[0] - HEAD_PX * ux, to[1] - HEAD_PX * uy]
  const point = (x: number, y: number) => `${x.toFixed(1)} ${y.toFixed(1)}`
  return [
    { kind: 'path', d: `M${point(...from)}L${point(bx, by)}`, look: 'move' },
    {
      kind: 'path',
      d: `M${point(...to)}L${point(bx - HEAD_HALF_PX * uy, by + HEAD_HALF_PX * ux)}L${point(bx + HEAD_HALF_PX * uy, by - HEAD_HALF_PX * ux)}Z`,
      look: 'move-head',
    },
  ]
}

const ARC_STEPS = 24
const FROM_ABOVE = 0.3

/** An arc in space about an axis, as it looks on the page; heads at one end or both. */
export function arcArrow(
  view: View,
  arc: {
    readonly centre: Vector3
    readonly axis: Vector3
    readonly start: Vector3
    readonly fromDeg: number
    readonly toDeg: number
    readonly both?: boolean
    /** A level arc is seen from slightly above, so that it doesn't shrink to a line. */
    readonly fromAbove?: boolean
  },
): DrawnPath[] {
  const at = (deg: number): PagePoint => {
    const offset = turned(arc.start, arc.axis, deg)
    const { x, y, depth } = onPage(
      [arc.centre[0] + offset[0], arc.centre[1] + offset[1], arc.centre[2] + offset[2]],
      view,
    )
    return [x, arc.fromAbove ? y + depth * view.pxPerMm * FROM_ABOVE : y]
  }
  const points = Array.from({ length: ARC_STEPS + 1 }, (_each, index) =>
    at(arc.fromDeg + ((arc.toDeg - arc.fromDeg) * index) / ARC_STEPS),
  )
  const head = (from: PagePoint, to: PagePoint) => straightArrow(from, to).filter(({ look }) => look === 'move-head')
  const first: PagePoint = points[0] ?? [0, 0]
  const last: PagePoint = points.at(-1) ?? [0, 0]
  return [
    { kind: 'path', d: `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`, look: 'move' },
    ...head(points.at(-4) ?? [0, 0], last),
    ...(arc.both ? head(points[3] ?? [0, 0], first) : []),
  ]
}

export const chainLine = (from: PagePoint, to: PagePoint): DrawnPath => ({
  kind: 'path',
  d: `M${from[0].toFixed(1)} ${from[1].toFixed(1)}L${to[0].toFixed(1)} ${to[1].toFixed(1)}`,
  look: 'axis',
})

/** Two heads the other way round, for undoing. */
export const reversedArrow = (from: PagePoint, to: PagePoint, undo: boolean): DrawnPath[] =>
  undo ? straightArrow(to, from) : straightArrow(from, to)
