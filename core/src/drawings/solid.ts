import { degToRad } from '../shared/angles.ts'

/** Solids in parallel projection without pitch: every height is true. Millimetres; x to the pole side, y up, z to the
 * viewer. Each solid is outlined by the hull of its projected points and painted in paper colour; what hides what is
 * found by comparing depths where two of them meet on the page, never by hand. */

// Read out of Math once: these run a hundred thousand times a sheet, and some runtimes look Math up each time.
const { abs, cos, max, min, sin, sqrt } = Math

export type Vector3 = readonly [x: number, y: number, z: number]

export const add = (a: Vector3, b: Vector3): Vector3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]]
export const scaled = (a: Vector3, by: number): Vector3 => [a[0] * by, a[1] * by, a[2] * by]
export const along = (from: Vector3, direction: Vector3, mm: number): Vector3 => add(from, scaled(direction, mm))
const dot = (a: Vector3, b: Vector3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
export const cross = (a: Vector3, b: Vector3): Vector3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]
const lengthOf3 = (a: Vector3): number => sqrt(dot(a, a))
export const unit = (a: Vector3): Vector3 => scaled(a, 1 / (lengthOf3(a) || 1))
const minus = (a: Vector3, b: Vector3): Vector3 => add(a, scaled(b, -1))

/** Turns a vector about an axis by the right hand. Source: Rodrigues' formula. */
export function turned(vector: Vector3, axis: Vector3, deg: number): Vector3 {
  const k = unit(axis)
  const [c, s] = [cos(degToRad(deg)), sin(degToRad(deg))]
  return add(add(scaled(vector, c), scaled(cross(k, vector), s)), scaled(k, dot(k, vector) * (1 - c)))
}

export interface View {
  /** The kit is turned by this, so that open ends show. */
  readonly turnDeg: number
  readonly pxPerMm: number
  /** Where the origin of the kit lies on the page. */
  readonly originPx: readonly [number, number]
}

interface OnPage {
  readonly x: number
  readonly y: number
  /** Towards the viewer. */
  readonly depth: number
}

export function onPage([x, y, z]: Vector3, { turnDeg, pxPerMm, originPx }: View): OnPage {
  const [c, s] = [cos(degToRad(turnDeg)), sin(degToRad(turnDeg))]
  return {
    x: originPx[0] + pxPerMm * (x * c - z * s),
    y: originPx[1] - pxPerMm * y,
    depth: x * s + z * c,
  }
}

/** Which way the viewer stands. */
const towardsViewer = ({ turnDeg }: View): Vector3 => [sin(degToRad(turnDeg)), 0, cos(degToRad(turnDeg))]

export type Look = 'outline' | 'recede' | 'fill' | 'next'

interface Face {
  readonly points: readonly Vector3[]
  readonly normal: Vector3
  readonly look: 'face' | 'open'
}

export interface Solid {
  readonly part: string
  readonly points: readonly Vector3[]
  readonly faces: readonly Face[]
  /** Points along its middle, for telling which of two lies in front. */
  readonly spine: readonly Vector3[]
  readonly reach: number
  readonly recede?: boolean | undefined
  /** Its outline has bays: it is painted face by face instead of as one hull. */
  readonly hollow?: boolean | undefined
}

const CIRCLE_POINTS = 40

function circle(centre: Vector3, normal: Vector3, radiusMm: number): Vector3[] {
  const n = unit(normal)
  const aside = unit(cross(n, abs(n[1]) < 0.9 ? [0, 1, 0] : [1, 0, 0]))
  const other = cross(n, aside)
  return Array.from({ length: CIRCLE_POINTS }, (_each, index) => {
    const turn = (index / CIRCLE_POINTS) * 2 * Math.PI
    return add(centre, add(scaled(aside, radiusMm * cos(turn)), scaled(other, radiusMm * sin(turn))))
  })
}

export interface RoundGiven {
  readonly part: string
  readonly from: Vector3
  readonly to: Vector3
  readonly radiusMm: number
  /** Another radius at its end makes it a cone. */
  readonly endRadiusMm?: number
  /** The end at `to` is open: one looks into it. */
  readonly open?: boolean
  readonly recede?: boolean
}

const SPINE_POINTS = 9

export function round({ part, from, to, radiusMm, endRadiusMm = radiusMm, open = false, recede }: RoundGiven): Solid {
  const axis = unit(minus(to, from))
  const end = circle(to, axis, endRadiusMm)
  const start = circle(from, axis, radiusMm)
  const wall = min(4, endRadiusMm / 4)
  return {
    part,
    recede,
    points: [...start, ...end],
    faces: [
      { points: start, normal: scaled(axis, -1), look: 'face' },
      { points: end, normal: axis, look: 'face' },
      ...(open ? [{ points: circle(to, axis, endRadiusMm - wall), normal: axis, look: 'open' as const }] : []),
    ],
    spine: Array.from({ length: SPINE_POINTS }, (_each, index) =>
      add(from, scaled(minus(to, from), index / (SPINE_POINTS - 1))),
    ),
    reach: max(radiusMm, endRadiusMm),
  }
}

export interface BlockGiven {
  readonly part: string
  readonly centre: Vector3
  /** Half lengths along its three own directions. */
  readonly half: readonly [Vector3, Vector3, Vector3]
  readonly recede?: boolean
}

export function block({ part, centre, half: [u, v, w], recede }: BlockGiven): Solid {
  const corner = (a: number, b: number, c: number) => add(centre, add(scaled(u, a), add(scaled(v, b), scaled(w, c))))
  const face = (normal: Vector3, points: readonly Vector3[]): Face => ({ points, normal, look: 'face' })
  const sides = ([-1, 1] as const).flatMap((side) => [
    face(scaled(u, side), [corner(side, -1, -1), corner(side, 1, -1), corner(side, 1, 1), corner(side, -1, 1)]),
    face(scaled(v, side), [corner(-1, side, -1), corner(1, side, -1), corner(1, side, 1), corner(-1, side, 1)]),
    face(scaled(w, side), [corner(-1, -1, side), corner(1, -1, side), corner(1, 1, side), corner(-1, 1, side)]),
  ])
  const longest = [u, v, w].reduce((a, b) => (lengthOf3(a) > lengthOf3(b) ? a : b))
  return {
    part,
    recede,
    points: sides.flatMap(({ points }) => points),
    faces: sides,
    spine: Array.from({ length: SPINE_POINTS }, (_each, index) =>
      along(centre, longest, (index / (SPINE_POINTS - 1)) * 2 - 1),
    ),
    reach: min(lengthOf3(u), lengthOf3(v), lengthOf3(w)),
  }
}

export interface SlabGiven {
  readonly part: string
  /** An outline in a plane of constant z: convex, or with bays if `hollow`. */
  readonly outline: readonly (readonly [x: number, y: number])[]
  readonly fromZ: number
  readonly toZ: number
  readonly hollow?: boolean
}

/** A board on edge, cut to an outline. */
export function slab({ part, outline, fromZ, toZ, hollow = false }: SlabGiven): Solid {
  const at = (z: number) => outline.map(([x, y]): Vector3 => [x, y, z])
  const edges = outline.map(([x, y], index): Face => {
    const [nx = x, ny = y] = outline[(index + 1) % outline.length] ?? []
    return {
      points: [
        [x, y, fromZ],
        [nx, ny, fromZ],
        [nx, ny, toZ],
        [x, y, toZ],
      ],
      normal: [0, 0, 0],
      look: 'face',
    }
  })
  const middle = outline.reduce(
    ([x, y], point) => [x + point[0] / outline.length, y + point[1] / outline.length],
    [0, 0],
  )
  const heights = outline.map(([, y]) => y)
  const [low, high] = [min(...heights), max(...heights)]
  return {
    part,
    hollow,
    points: [...at(fromZ), ...at(toZ)],
    faces: hollow
      ? [
          { points: at(fromZ), normal: [0, 0, -1], look: 'face' },
          ...edges,
          { points: at(toZ), normal: [0, 0, 1], look: 'face' },
        ]
      : [
          { points: at(toZ), normal: [0, 0, 1], look: 'face' },
          { points: at(fromZ), normal: [0, 0, -1], look: 'face' },
        ],
    spine: Array.from({ length: SPINE_POINTS }, (_each, index): Vector3 => [
      middle[0] ?? 0,
      low + ((high - low) * index) / (SPINE_POINTS - 1),
      (fromZ + toZ) / 2,
    ]),
    reach: abs(toZ - fromZ) / 2,
  }
}

export function ball(part: string, centre: Vector3, radiusMm: number): Solid {
  const points = [
    circle(centre, [0, 0, 1], radiusMm),
    circle(centre, [1, 0, 0], radiusMm),
    circle(centre, [0, 1, 0], radiusMm),
  ].flat()
  return { part, points, faces: [], spine: [centre], reach: radiusMm }
}

type Point = readonly [number, number]

/** Andrew's monotone chain. */
function hull(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1])
  const half = (list: readonly Point[]) => {
    const out: Point[] = []
    for (const point of list) {
      while (out.length >= 2) {
        const [a, b] = [out[out.length - 2] as Point, out[out.length - 1] as Point]
        if ((b[0] - a[0]) * (point[1] - a[1]) - (b[1] - a[1]) * (point[0] - a[0]) > 0) break
        out.pop()
      }
      out.push(point)
    }
    return out.slice(0, -1)
  }
  return [...half(sorted), ...half([...sorted].reverse())]
}

const path = (points: readonly Point[]): string =>
  `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`

export interface DrawnPath {
  readonly kind: 'path'
  readonly d: string
  readonly look: string
}

interface Placed {
  readonly solid: Solid
  readonly outline: readonly Point[]
  readonly box: readonly [number, number, number, number]
  readonly spine: readonly OnPage[]
}

/** Paints solids back to front. `lookOf`: how a part is drawn, or null to leave it out. */
export function paint(
  solids: readonly Solid[],
  view: View,
  lookOf: (part: string) => Look | null,
): readonly DrawnPath[] {
  const placed = solids.flatMap((solid): Placed[] => {
    if (lookOf(solid.part) === null) return []
    const outline = hull(
      solid.points.map((point) => {
        const { x, y } = onPage(point, view)
        return [x, y] as const
      }),
    )
    const xs = outline.map(([x]) => x)
    const ys = outline.map(([, y]) => y)
    const box = [min(...xs), min(...ys), max(...xs), max(...ys)] as const
    return [{ solid, outline, box, spine: solid.spine.map((point) => onPage(point, view)) }]
  })
  return backToFront(placed, view).flatMap(({ solid, outline }) =>
    drawn(solid, outline, view, lookOf(solid.part) ?? 'outline'),
  )
}

function drawn(solid: Solid, outline: readonly Point[], view: View, look: Look): DrawnPath[] {
  const own = look === 'outline' && solid.recede ? 'recede' : look
  const flat = (points: readonly Vector3[]) =>
    path(
      points.map((point) => {
        const { x, y } = onPage(point, view)
        return [x, y] as const
      }),
    )
  // Far face, edges, near face, each painted over the one before: bays stay open.
  if (solid.hollow) return solid.faces.map(({ points }) => ({ kind: 'path', d: flat(points), look: own }))
  const items: DrawnPath[] = [{ kind: 'path', d: path(outline), look: own }]
  if (look === 'next') return items
  const eye = towardsViewer(view)
  for (const face of solid.faces) {
    if (dot(face.normal, eye) <= 0.02) continue
    const inner = look === 'fill' ? 'fill-inner' : 'inner'
    items.push({ kind: 'path', d: flat(face.points), look: face.look === 'open' ? 'open' : inner })
  }
  return items
}

/** Which of two lies in front: their depths where their middles come nearest on the page. 0 where they don't meet. */
function inFront(a: Placed, b: Placed, view: View): number {
  if (a.box[0] > b.box[2] || b.box[0] > a.box[2] || a.box[1] > b.box[3] || b.box[1] > a.box[3]) return 0
  let nearest = Infinity
  let difference = 0
  for (const one of a.spine)
    for (const other of b.spine) {
      const apart = (one.x - other.x) ** 2 + (one.y - other.y) ** 2
      if (apart >= nearest) continue
      nearest = apart
      difference = one.depth - other.depth
    }
  const reach = (a.solid.reach + b.solid.reach) * view.pxPerMm
  // A thin thing on a thick one's near side has its middle hardly further to the front: the smaller wins a tie.
  if (abs(difference) < 1) return nearest <= reach ** 2 ? b.solid.reach - a.solid.reach : 0
  return difference
}

/** Topological order by pairs; a ring of things each before the next falls back to the order of their middles. */
function backToFront(placed: readonly Placed[], view: View): readonly Placed[] {
  const depth = ({ spine }: Placed) => spine.reduce((sum, point) => sum + point.depth, 0) / max(spine.length, 1)
  const byDepth = [...placed].sort((a, b) => depth(a) - depth(b))
  // What each one hides is asked once for each pair.
  const hides = byDepth.map(() => new Set<number>())
  byDepth.forEach((a, i) => {
    for (let j = i + 1; j < byDepth.length; j++) {
      const b = byDepth[j]
      const before = b ? inFront(a, b, view) : 0
      if (before > 0) hides[i]?.add(j)
      if (before < 0) hides[j]?.add(i)
    }
  })
  const left = byDepth.map((_each, index) => index)
  const order: Placed[] = []
  while (left.length > 0) {
    const free = left.findIndex((index) => left.every((other) => other === index || !hides[index]?.has(other)))
    const [next = 0] = left.splice(max(free, 0), 1)
    const solid = byDepth[next]
    if (solid) order.push(solid)
  }
  return order
}
