import type { StepDrawing } from '../procedures/procedure.ts'
import { closeUp, type CloseUp, type DrawnCircle } from './close-ups.ts'
import { dimensionsOf, type DrawnKit } from './dimensions.ts'
import { equatorialKit } from './equatorial-kit.ts'
import {
  along,
  onPage,
  paint,
  scaled,
  turned,
  type DrawnPath,
  type Look,
  type Solid,
  type Vector3,
  type View,
} from './solid.ts'
import { tabletopKit } from './tabletop-kit.ts'

/** One step of a set-up as a drawing of 358 × 344: the part in question filled, movements in brass, the joint enlarged in a
 * circle. Words stand beside it. */

export interface DrawnText {
  readonly kind: 'text'
  readonly x: number
  readonly y: number
  readonly text: string
  readonly look: string
}
export type DrawnItem = DrawnPath | DrawnText | DrawnCircle
export interface StepPicture {
  readonly widthPx: number
  readonly heightPx: number
  readonly items: readonly DrawnItem[]
}

export const STEP_WIDTH_PX = 358
export const STEP_HEIGHT_PX = 344
const GROUND_PX = 330
const DEFAULT_LATITUDE_DEG = 52
/** Radius of a close-up's circle. */
const CIRCLE_PX = 58

interface Scene {
  /** Parts that are on by now. */
  readonly on: readonly string[]
  readonly fill: readonly string[]
  readonly frame: 'kit' | 'head' | 'table'
  readonly closeUp: readonly {
    readonly name: CloseUp
    readonly at: readonly [number, number]
    readonly from: string | null
  }[]
}

const upTo = (parts: readonly string[], last: string) => parts.slice(0, parts.indexOf(last) + 1)
const eqParts = ['legs', 'tray', 'head', 'rods', 'shaft', 'weight', 'rings', 'tube', 'focuser', 'finder', 'eyepiece']

const left: readonly [number, number] = [64, 66]
const right: readonly [number, number] = [292, 66]

const equatorialScenes: Readonly<Partial<Record<StepDrawing, Scene>>> = {
  legs: { on: ['legs'], fill: ['legs'], frame: 'kit', closeUp: [] },
  tray: { on: ['legs', 'tray'], fill: ['tray'], frame: 'kit', closeUp: [{ name: 'tray', at: right, from: 'tray' }] },
  head: {
    on: upTo(eqParts, 'head'),
    fill: ['head'],
    frame: 'head',
    closeUp: [{ name: 'head-bolt', at: [64, 270], from: 'head' }],
  },
  latitude: {
    on: upTo(eqParts, 'head'),
    fill: [],
    frame: 'head',
    closeUp: [{ name: 'latitude', at: [64, 266], from: 'latitude' }],
  },
  rods: {
    on: upTo(eqParts, 'rods'),
    fill: ['rods'],
    frame: 'head',
    closeUp: [{ name: 'rod-flat', at: right, from: 'rods' }],
  },
  weight: {
    on: upTo(eqParts, 'weight'),
    fill: ['weight'],
    frame: 'kit',
    closeUp: [{ name: 'slug', at: right, from: 'weight' }],
  },
  tube: {
    on: [...upTo(eqParts, 'focuser'), 'cap'],
    fill: ['tube'],
    frame: 'kit',
    closeUp: [{ name: 'ring-clamp', at: [292, 268], from: null }],
  },
  finder: { on: [...upTo(eqParts, 'finder'), 'cap'], fill: ['finder'], frame: 'kit', closeUp: [] },
  caps: { on: upTo(eqParts, 'finder'), fill: [], frame: 'kit', closeUp: [{ name: 'caps', at: right, from: null }] },
  eyepiece: { on: eqParts, fill: ['eyepiece'], frame: 'kit', closeUp: [{ name: 'eyepiece', at: right, from: null }] },
  balance: { on: eqParts, fill: ['weight'], frame: 'kit', closeUp: [] },
  moves: { on: eqParts, fill: [], frame: 'kit', closeUp: [] },
}

const tableAll = ['base', 'arm', 'tube', 'upper', 'slide-rods', 'knob', 'focuser', 'finder', 'eyepiece', 'cap']
const without = (...parts: string[]) => tableAll.filter((part) => !parts.includes(part))
const tableScenes: Readonly<Partial<Record<StepDrawing, Scene>>> = {
  table: { on: without('eyepiece'), fill: [], frame: 'table', closeUp: [] },
  base: {
    on: without('eyepiece'),
    fill: ['base'],
    frame: 'table',
    closeUp: [{ name: 'rocker-bolt', at: left, from: null }],
  },
  'slide-open': {
    on: without('eyepiece'),
    fill: ['slide-rods'],
    frame: 'table',
    closeUp: [{ name: 'rods-locked', at: left, from: null }],
  },
  tension: { on: without('eyepiece'), fill: ['knob'], frame: 'table', closeUp: [] },
  finder: {
    on: without('eyepiece'),
    fill: ['finder'],
    frame: 'table',
    closeUp: [{ name: 'pull-tab', at: left, from: null }],
  },
  caps: {
    on: without('eyepiece', 'cap'),
    fill: [],
    frame: 'table',
    closeUp: [{ name: 'caps', at: left, from: null }],
  },
  eyepiece: {
    on: without('cap'),
    fill: ['eyepiece'],
    frame: 'table',
    closeUp: [{ name: 'eyepiece', at: left, from: null }],
  },
  moves: { on: without('cap'), fill: [], frame: 'table', closeUp: [] },
}

/** A step's drawing from the model's own dimensions; null where there is none for this family or step. */
export function drawStep(
  kit: DrawnKit,
  drawing: StepDrawing,
  latitudeDeg = DEFAULT_LATITUDE_DEG,
): StepPicture | null {
  const scene =
    kit.family === 'equatorial-reflector'
      ? equatorialScenes[drawing]
      : kit.family === 'tabletop-reflector'
        ? tableScenes[drawing]
        : undefined
  if (!scene) return null
  const items =
    kit.family === 'equatorial-reflector'
      ? equatorialStep(kit, drawing, scene, Math.abs(latitudeDeg))
      : tabletopStep(kit, drawing, scene)
  return { widthPx: STEP_WIDTH_PX, heightPx: STEP_HEIGHT_PX, items }
}

const lookOf =
  (scene: Scene) =>
  (part: string): Look | null =>
    scene.fill.includes(part) ? 'fill' : scene.on.includes(part) ? 'outline' : null

const straightArrow = (from: readonly [number, number], to: readonly [number, number]): DrawnPath[] => {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1])
  const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length]
  const [bx, by] = [to[0] - 10 * ux, to[1] - 10 * uy]
  const point = (x: number, y: number) => `${x.toFixed(1)} ${y.toFixed(1)}`
  return [
    { kind: 'path', d: `M${point(...from)}L${point(bx, by)}`, look: 'move' },
    {
      kind: 'path',
      d: `M${point(...to)}L${point(bx - 5.5 * uy, by + 5.5 * ux)}L${point(bx + 5.5 * uy, by - 5.5 * ux)}Z`,
      look: 'move-head',
    },
  ]
}

/** An arc in space about an axis, drawn as it looks on the page; heads at one end or both. */
function arcArrow(
  view: View,
  arc: { centre: Vector3; axis: Vector3; start: Vector3; fromDeg: number; toDeg: number; both?: boolean },
): DrawnPath[] {
  const at = (deg: number) => {
    const offset = turned(arc.start, arc.axis, deg)
    const { x, y } = onPage([arc.centre[0] + offset[0], arc.centre[1] + offset[1], arc.centre[2] + offset[2]], view)
    return [x, y] as const
  }
  const steps = Array.from({ length: 25 }, (_each, index) => arc.fromDeg + ((arc.toDeg - arc.fromDeg) * index) / 24)
  const points = steps.map(at)
  const head = (from: readonly [number, number], to: readonly [number, number]) =>
    straightArrow(from, to).filter(({ look }) => look === 'move-head')
  const last = points.at(-1) ?? [0, 0]
  const first = points[0] ?? [0, 0]
  return [
    { kind: 'path', d: `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`, look: 'move' },
    ...head(points.at(-4) ?? [0, 0], last),
    ...(arc.both ? head(points[3] ?? [0, 0], first) : []),
  ]
}

const toPage = (point: Vector3, view: View): readonly [number, number] => {
  const { x, y } = onPage(point, view)
  return [x, y]
}

function circles(scene: Scene, at: (name: string) => readonly [number, number] | null): DrawnItem[] {
  return scene.closeUp.flatMap(({ name, at: centre, from }) => {
    const place = from === null ? null : at(from)
    const items: DrawnItem[] = []
    if (place) {
      const [dx, dy] = [place[0] - centre[0], place[1] - centre[1]]
      const length = Math.hypot(dx, dy)
      const edge = [centre[0] + (dx / length) * CIRCLE_PX, centre[1] + (dy / length) * CIRCLE_PX] as const
      const end = [place[0] - (dx / length) * 8, place[1] - (dy / length) * 8] as const
      items.push({
        kind: 'path',
        d: `M${edge[0].toFixed(1)} ${edge[1].toFixed(1)}L${end[0].toFixed(1)} ${end[1].toFixed(1)}`,
        look: 'leader',
      })
      items.push({ kind: 'path', d: `M${place[0] - 8} ${place[1]}a8 8 0 1 0 16 0a8 8 0 1 0 -16 0Z`, look: 'leader' })
    }
    return [...items, closeUp(name, centre, CIRCLE_PX)]
  })
}

function equatorialStep(kit: DrawnKit, drawing: StepDrawing, scene: Scene, latitudeDeg: number): DrawnItem[] {
  const size = dimensionsOf(kit)
  const balancing = drawing === 'balance'
  const pose = { latitudeDeg, turnDeg: balancing ? -90 : 0, declinationDeg: 90 }
  const places = equatorialKit(size, pose)
  // Tall kits are drawn smaller, so that nothing is cut off at the top.
  const tallMm = size.standHeightMm + 260 * size.headScale + size.tubeAxisMm + (size.tubeLengthMm - size.balanceMm)
  const kitScale = Math.min(0.24, (GROUND_PX - 14) / tallMm)
  const view: View =
    scene.frame === 'head'
      ? { turnDeg: 16, pxPerMm: 0.47, originPx: [172, 330 + (size.standHeightMm - 90) * 0.47] }
      : { turnDeg: balancing ? -74 : 16, pxPerMm: kitScale, originPx: [balancing ? 150 : 158, GROUND_PX] }
  const page = (point: Vector3) => toPage(point, view)
  const ground: DrawnPath[] =
    scene.frame === 'kit' ? [{ kind: 'path', d: `M14 ${GROUND_PX}H344`, look: 'ground' }] : []
  const at = (name: string) => (name in places.at ? page(places.at[name as keyof typeof places.at]) : null)
  return [
    ...ground,
    ...paint(places.solids, view, lookOf(scene)),
    ...equatorialMoves(drawing, { places, size, view, page, latitudeDeg }),
    ...circles(scene, at),
  ]
}

function equatorialMoves(
  drawing: StepDrawing,
  given: {
    places: ReturnType<typeof equatorialKit>
    size: ReturnType<typeof dimensionsOf>
    view: View
    page: (point: Vector3) => readonly [number, number]
    latitudeDeg: number
  },
): DrawnItem[] {
  const { places, size, view, page, latitudeDeg } = given
  const { at, pole, shaft, tube } = places
  const down = (x: number, from: number, to: number) => straightArrow([x, from], [x, to])
  switch (drawing) {
    case 'legs': {
      const [x] = page([0, 0, 0])
      return [...straightArrow([x - 40, 300], [x - 96, 316]), ...straightArrow([x + 40, 300], [x + 96, 316])]
    }
    case 'tray':
      return down(page(at.tray)[0], page(at.tray)[1] - 64, page(at.tray)[1] - 12)
    case 'head':
      return down(62, 60, 128)
    case 'latitude': {
      const level = page([at.latitude[0] + 250, at.latitude[1], at.latitude[2]])
      const corner = page(at.latitude)
      const far = page(along(at.latitude, pole, 420))
      const label = page(along(at.latitude, turned([1, 0, 0], [0, 0, 1], latitudeDeg / 2), 285))
      return [
        { kind: 'path', d: `M${corner[0]} ${corner[1]}H${level[0] + 14}`, look: 'axis' },
        { kind: 'path', d: `M${corner[0]} ${corner[1]}L${far[0]} ${far[1]}`, look: 'axis' },
        ...arcArrow(view, {
          centre: at.latitude,
          axis: [0, 0, 1],
          start: [235, 0, 0],
          fromDeg: 0,
          toDeg: latitudeDeg,
        }),
        { kind: 'text', x: label[0], y: label[1], text: `${Math.round(latitudeDeg)}°`, look: 'figure' },
      ]
    }
    case 'rods': {
      const [x, y] = page(at.rods)
      return straightArrow([x - 96, y + 10], [x - 52, y - 24])
    }
    case 'weight': {
      const end = page(along(at.weight, shaft, 260))
      const start = page(along(at.weight, shaft, 110))
      return straightArrow([end[0] + 4, end[1] + 22], [start[0] + 4, start[1] + 22])
    }
    case 'tube': {
      const middle = page(along(at.cross, shaft, -(size.tubeAxisMm + size.tubeDiameterMm)))
      return straightArrow([middle[0] - 46, middle[1] - 40], [middle[0] - 8, middle[1] - 6])
    }
    case 'finder': {
      const [x, y] = page(at.finder)
      const ahead = page(along(at.finder, tube, 120))
      return straightArrow([x - 40, y + 34], [x - 40 + (ahead[0] - x) * 0.9, y + 34 + (ahead[1] - y) * 0.9])
    }
    case 'caps': {
      const [x, y] = page(along(at['open-end'], tube, 10))
      const [fx, fy] = page(along(at['open-end'], tube, 150))
      return straightArrow([x + 14, y + 8], [fx + 14, fy + 8])
    }
    case 'eyepiece': {
      const [x, y] = page(at.eyepiece)
      const outward = page(along(at.eyepiece, scaled(shaft, -1), 120))
      return straightArrow(
        [outward[0] - 6, outward[1] - 6],
        [x - 4 + (outward[0] - x) * 0.25, y - 4 + (outward[1] - y) * 0.25],
      )
    }
    case 'balance': {
      const shaftMid = page(along(at.cross, shaft, size.weightAtMm))
      const inward = page(along(at.cross, shaft, size.weightAtMm - 90))
      const outward = page(along(at.cross, shaft, size.weightAtMm + 90))
      const lift = -34
      return [
        ...straightArrow([shaftMid[0], shaftMid[1] + lift], [outward[0], outward[1] + lift]),
        ...straightArrow([shaftMid[0], shaftMid[1] + lift], [inward[0], inward[1] + lift]),
      ]
    }
    case 'moves':
      return [
        ...arcArrow(view, {
          centre: at.cross,
          axis: pole,
          start: scaled(shaft, size.shaftEndMm + 60),
          fromDeg: -64,
          toDeg: 64,
          both: true,
        }),
        {
          kind: 'path',
          d: axisLine(page(along(at.cross, pole, -150)), page(along(at.cross, pole, size.tubeLengthMm * 0.9))),
          look: 'axis',
        },
      ]
    default:
      return []
  }
}

const axisLine = (from: readonly [number, number], to: readonly [number, number]): string =>
  `M${from[0].toFixed(1)} ${from[1].toFixed(1)}L${to[0].toFixed(1)} ${to[1].toFixed(1)}`

const TABLE_PX = 296

function tabletopStep(kit: DrawnKit, drawing: StepDrawing, scene: Scene): DrawnItem[] {
  const size = dimensionsOf(kit)
  const altitudeDeg = drawing === 'moves' ? 22 : 52
  const places = tabletopKit(size, { altitudeDeg, openFraction: drawing === 'table' || drawing === 'base' ? 0 : 1 })
  const tallMm = 60 + 2 * size.balanceMm + size.tubeLengthMm
  const scale = Math.min(0.4, (TABLE_PX - 20) / (tallMm * 0.86))
  const view: View = {
    turnDeg: 24,
    pxPerMm: drawing === 'table' ? 0.19 : scale,
    originPx: drawing === 'table' ? [196, 186] : [176, TABLE_PX],
  }
  const page = (point: Vector3) => toPage(point, view)
  const table: DrawnPath[] =
    drawing === 'table'
      ? []
      : [
          { kind: 'path', d: `M14 ${TABLE_PX}H344`, look: 'recede' },
          { kind: 'path', d: `M14 ${TABLE_PX + 13}H344`, look: 'recede' },
        ]
  const solids: readonly Solid[] = places.solids
  return [
    ...table,
    ...(drawing === 'table' ? tableItself() : []),
    ...paint(solids, view, lookOf(scene)),
    ...tabletopMoves(drawing, places, view, page, size.tubeLengthMm),
    ...circles(scene, () => null),
  ]
}

/** A table that doesn't sway, and the folding one that does, beside each other. */
function tableItself(): DrawnPath[] {
  return [
    { kind: 'path', d: 'M14 330H344', look: 'ground' },
    { kind: 'path', d: 'M136 186h120v8h-120Z', look: 'fill' },
    { kind: 'path', d: 'M144 194h12v136h-12Z', look: 'outline' },
    { kind: 'path', d: 'M236 194h12v136h-12Z', look: 'outline' },
    { kind: 'path', d: 'M166 194h10v136h-10Z', look: 'recede' },
    { kind: 'path', d: 'M216 194h10v136h-10Z', look: 'recede' },
    { kind: 'path', d: 'M190 262l9 12l17 -28', look: 'so' },
    { kind: 'path', d: 'M274 190h74', look: 'recede' },
    { kind: 'path', d: 'M280 330L340 194M286 330L346 194', look: 'recede' },
    { kind: 'path', d: 'M342 330L282 194M336 330L276 194', look: 'recede' },
    { kind: 'path', d: 'M284 312L334 176', look: 'not-so' },
  ]
}

function tabletopMoves(
  drawing: StepDrawing,
  places: ReturnType<typeof tabletopKit>,
  view: View,
  page: (point: Vector3) => readonly [number, number],
  tubeLengthMm: number,
): DrawnPath[] {
  const { at, tube } = places
  switch (drawing) {
    case 'base': {
      const [x, y] = page(at.base)
      return [
        ...straightArrow([x - 116, y - 76], [x - 116, y - 6]),
        ...straightArrow([x + 116, y - 76], [x + 116, y - 6]),
      ]
    }
    case 'slide-open': {
      const [x, y] = page(at['open-end'])
      const back = page(along(at['open-end'], tube, -190))
      return straightArrow([back[0] + 58, back[1] + 34], [x + 58, y + 34])
    }
    case 'tension':
      return arcArrow(view, {
        centre: at.pivot,
        axis: [0, 0, 1],
        start: scaled(tube, tubeLengthMm * 0.98),
        fromDeg: -20,
        toDeg: 14,
        both: true,
      })
    case 'finder': {
      const [x, y] = page(at.finder)
      return straightArrow([x - 70, y - 34], [x - 22, y - 12])
    }
    case 'caps': {
      const [x, y] = page(along(at['open-end'], tube, 12))
      const [fx, fy] = page(along(at['open-end'], tube, 110))
      return straightArrow([x + 12, y + 6], [fx + 12, fy + 6])
    }
    case 'eyepiece': {
      const [x, y] = page(at.eyepiece)
      return straightArrow([x - 52, y - 30], [x - 12, y - 14])
    }
    case 'moves':
      return arcArrow(view, {
        centre: at.pivot,
        axis: [0, 0, 1],
        start: scaled(tube, tubeLengthMm * 0.78),
        fromDeg: 6,
        toDeg: 62,
      })
    default:
      return []
  }
}
