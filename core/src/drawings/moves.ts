import type { StepDrawing } from '../procedures/procedure.ts'
import { arcArrow, chainLine, reversedArrow, straightArrow, toPage, type PagePoint } from './arrows.ts'
import type { KitDimensions } from './dimensions.ts'
import type { FamilyDrawing } from './families.ts'
import type { KitPlaces } from './kit-places.ts'
import { EYEPIECE_LENGTH_MM } from './tube.ts'
import { along, scaled, turned, type DrawnPath, type Vector3, type View } from './solid.ts'
import type { DrawnItem } from './drawn.ts'

export interface MovesGiven {
  readonly family: FamilyDrawing
  readonly places: KitPlaces
  readonly size: KitDimensions
  readonly view: View
  /** As drawn, and as written. */
  readonly latitudeDeg: number
  readonly labelDeg: number
  readonly undo: boolean
}

/** At most two movements a step, beside the part and along its true axis, ending towards where it goes. */
export function movesOf(drawing: StepDrawing, given: MovesGiven): DrawnItem[] {
  const { places, view, undo, size, family } = given
  const { at, tube } = places
  const page = (point: Vector3): PagePoint => toPage(point, view)
  const arrow = (from: PagePoint, to: PagePoint) => reversedArrow(from, to, undo)
  const shifted = ([x, y]: PagePoint, dx: number, dy: number): PagePoint => [x + dx, y + dy]
  /** Beside a part, along a direction of the kit, ending at the part. */
  const towards = (place: Vector3 | undefined, direction: Vector3, mm: number, aside: PagePoint): DrawnPath[] => {
    if (!place) return []
    const [start, end] = [page(along(place, direction, -mm)), page(place)]
    return arrow(shifted(start, ...aside), shifted(end, ...aside))
  }
  switch (drawing) {
    case 'legs': {
      const [x] = page([0, 0, 0])
      return [...arrow([x - 34, 306], [x - 84, 322]), ...arrow([x + 34, 306], [x + 84, 322])]
    }
    case 'tray':
      return at.tray ? arrow(shifted(page(at.tray), 0, -64), shifted(page(at.tray), 0, -12)) : []
    case 'head':
      return arrow([78, 48], [78, 126])
    case 'latitude':
      return latitudeArc(given)
    case 'rods': {
      if (!at.rods) return []
      const [x, y] = page(at.rods)
      return arrow([x - 96, y + 10], [x - 52, y - 24])
    }
    case 'weight': {
      const shaft = places.axes[1]
      const [mm, gap] = [260, 110]
      return at.weight
        ? arrow(shifted(page(along(at.weight, shaft, mm)), 4, 22), shifted(page(along(at.weight, shaft, gap)), 4, 22))
        : []
    }
    case 'tube': {
      const middle = along(places.pivot, places.eyepieceOut, family.equatorial ? size.tubeAxisMm : 0)
      if (family.stand === 'ground') {
        const [x, y] = page(places.pivot)
        return arrow([x + 96, y - 84], [x + 96, y - 14])
      }
      const from = page(along(middle, places.eyepieceOut, size.tubeDiameterMm * 0.5 + 190))
      const to = page(along(middle, places.eyepieceOut, size.tubeDiameterMm * 0.5 + 40))
      return arrow(shifted(from, -6, 4), shifted(to, -6, 4))
    }
    case 'finder':
      return towards(at.finder && along(at.finder, tube, 90), tube, 170, [-34, 20])
    case 'caps':
    case 'close': {
      const end = at['open-end']
      if (!end) return []
      const out = drawing === 'caps' && !undo
      const px = 1 / view.pxPerMm
      const [near, far] = [page(along(end, tube, 6 * px)), page(along(end, tube, 40 * px))]
      const [from, to] = [shifted(near, 30, 20), shifted(far, 30, 20)]
      return out ? straightArrow(from, to) : straightArrow(to, from)
    }
    case 'diagonal':
      return at.diagonal ? towards(along(at.diagonal, tube, -50), tube, 150, [-4, 22]) : []
    case 'eyepiece': {
      if (!at.eyepiece) return []
      const out = places.eyepieceOut
      return arrow(
        page(along(at.eyepiece, out, EYEPIECE_LENGTH_MM + 18 / view.pxPerMm)),
        page(along(at.eyepiece, out, EYEPIECE_LENGTH_MM + 2 / view.pxPerMm)),
      )
    }
    case 'balance': {
      const shaft = places.axes[1]
      const at0 = page(along(places.pivot, shaft, size.weightAtMm))
      const ends = [-90, 90].map((mm) => page(along(places.pivot, shaft, size.weightAtMm + mm)))
      return ends.flatMap((end) => straightArrow(shifted(at0, 0, -34), shifted(end, 0, -34)))
    }
    case 'moves':
    case 'point':
      return family.equatorial ? aboutThePole(given) : upAndRound(given)
    case 'base': {
      const [x, y] = at.base ? page(at.base) : [170, 300]
      if (family.stand === 'ground') return turnOnBase(given)
      return [...arrow([x - 116, y - 76], [x - 116, y - 6]), ...arrow([x + 116, y - 76], [x + 116, y - 6])]
    }
    case 'slide-open': {
      const end = at['open-end']
      if (!end) return []
      const back = page(along(end, tube, -190))
      return arrow(shifted(back, 58, 34), shifted(page(end), 58, 34))
    }
    case 'tension':
      return arcArrow(view, {
        centre: places.pivot,
        axis: [0, 0, 1],
        start: scaled(tube, size.tubeLengthMm - size.balanceMm + 40),
        fromDeg: -20,
        toDeg: 14,
        both: true,
      })
    case 'drive': {
      if (!at.controller) return []
      const [x, y] = page(at.controller)
      return arrow([x + 62, y + 46], [x + 24, y + 12])
    }
    case 'home':
      return homeWay(given)
    default:
      return []
  }
}

/** The polar axis at the borrower's latitude, drawn in space. */
function latitudeArc({ places, view, latitudeDeg, labelDeg }: MovesGiven): DrawnItem[] {
  const corner = places.at.latitude
  if (!corner) return []
  const [pole] = places.axes
  const level = toPage([corner[0] + 280, corner[1], corner[2]], view)
  const from = toPage(corner, view)
  const label = toPage(along(corner, turned([1, 0, 0], [0, 0, 1], latitudeDeg / 2), 292), view)
  return [
    chainLine(from, level),
    chainLine(from, toPage(along(corner, pole, 420), view)),
    ...arcArrow(view, { centre: corner, axis: [0, 0, 1], start: [235, 0, 0], fromDeg: 0, toDeg: latitudeDeg }),
    { kind: 'text', x: label[0], y: label[1], text: `${Math.round(labelDeg)}°`, look: 'figure' },
  ]
}

function aboutThePole({ places, view, size }: MovesGiven): DrawnItem[] {
  const [pole, shaft] = places.axes
  return [
    ...arcArrow(view, {
      centre: places.pivot,
      axis: pole,
      start: scaled(shaft, size.shaftEndMm + 60),
      fromDeg: -64,
      toDeg: 64,
      both: true,
    }),
    chainLine(
      toPage(along(places.pivot, pole, -150), view),
      toPage(along(places.pivot, pole, size.tubeLengthMm * 0.9), view),
    ),
  ]
}

function upAndRound({ places, view, size, family }: MovesGiven): DrawnItem[] {
  const reach = Math.max(size.tubeLengthMm - size.balanceMm + 60, 240)
  const up = arcArrow(view, {
    centre: places.pivot,
    axis: [0, 0, 1],
    start: scaled(places.tube, reach),
    fromDeg: 6,
    toDeg: 46,
  })
  return family.stand === 'table' ? up : [...up, ...turnOnBase({ places, view, size, family })]
}

/** Round the upright, low where nothing stands before it. */
function turnOnBase({ places, view, size }: Pick<MovesGiven, 'places' | 'view' | 'size' | 'family'>): DrawnPath[] {
  const height = Math.max(places.pivot[1] * 0.5, 60)
  return arcArrow(view, {
    centre: [places.pivot[0], height, 0],
    axis: [0, 1, 0],
    start: [0, 0, size.tubeDiameterMm / 2 + 190],
    fromDeg: -55,
    toDeg: 55,
    both: true,
    fromAbove: true,
  })
}

/** Home: an equatorial tube lies along the pole's axis, another level and to the pole's side. */
function homeWay({ places, view, size, family }: MovesGiven): DrawnItem[] {
  const reach = size.tubeLengthMm - size.balanceMm
  if (!family.equatorial) {
    const end = places.at['open-end']
    return end
      ? straightArrow(toPage(along(end, places.tube, 40), view), toPage(along(end, places.tube, 210), view))
      : []
  }
  const [pole] = places.axes
  return [
    chainLine(toPage(along(places.pivot, pole, -180), view), toPage(along(places.pivot, pole, reach + 260), view)),
  ]
}
