import type { Role } from '../contents/roles.ts'
import type { FinderKind } from '../finder/finder-data.ts'
import type { StepDrawing } from '../procedures/procedure.ts'
import { toPage, type PagePoint } from './arrows.ts'
import type { KitDimensions } from './dimensions.ts'
import type { DrawnItem } from './drawn.ts'
import type { FamilyDrawing } from './families.ts'
import type { KitPlaces, PlaceName } from './kit-places.ts'
import { along, type View } from './solid.ts'

/** Words beside a drawing: text of the page, not of the picture, each in a slot of its own with a thin line to its place.
 * A slot that nothing covers is looked for; where there is none the step's own words have to do. */

/** English, said in every language from here. */
export const labelWords = [
  'north →',
  'south →',
  'seen from the south',
  'seen from the north',
  'pole',
  'end stop',
  'tube: next',
  'open end, cap on',
  'lens end, cap on',
  'wide end to the sky',
  'window to the sky',
  'both rods, to the stop',
  'finder',
  'eyepiece and focus',
  'rod for small moves',
  'handle',
  'hand controller',
  'knob: how stiff it moves',
  'weight',
] as const
export type LabelWords = (typeof labelWords)[number]

export interface DrawnLabel {
  readonly words: LabelWords
  /** The slot's edge, and its middle height. */
  readonly x: number
  readonly y: number
  /** Which edge `x` is. */
  readonly edge: 'left' | 'right'
  readonly leader: readonly [PagePoint, PagePoint] | null
}

export interface LabelsGiven {
  readonly family: FamilyDrawing
  readonly places: KitPlaces
  readonly size: KitDimensions
  readonly view: View
  readonly southern: boolean
  readonly undo: boolean
  /** Where the right edge of the page lies at this model's home position; null where its marks alone say. */
  readonly homeWay: 'north →' | 'south →' | null
  readonly finderKind: FinderKind
  /** Whether such a part lies in the case. */
  readonly has: (role: Role) => boolean
  /** Shaft with an end stop. */
  readonly stopped: boolean
  /** What is drawn already, and must stay free of words. */
  readonly items: readonly DrawnItem[]
  readonly widthPx: number
  readonly heightPx: number
}

export function labelsOf(drawing: StepDrawing, given: LabelsGiven): readonly DrawnLabel[] {
  const { family, places, size, view, southern, widthPx, heightPx } = given
  const corner = (words: LabelWords, edge: 'left' | 'right', y: number): DrawnLabel => ({
    words,
    x: edge === 'left' ? 4 : widthPx - 4,
    y,
    edge,
    leader: null,
  })
  switch (drawing) {
    case 'head':
    case 'latitude':
    case 'rods':
      return family.equatorial ? [corner(southern ? 'south →' : 'north →', 'right', heightPx - 18)] : []
    case 'balance':
      return family.equatorial ? [corner(southern ? 'seen from the north' : 'seen from the south', 'left', 14)] : []
    case 'point':
      return knobsOf(given)
    case 'moves':
    case 'home': {
      const way =
        drawing === 'home' && given.homeWay ? [corner(given.homeWay, 'right', heightPx - OVER_GROUND_PX)] : []
      if (!family.equatorial) return way
      const [pole] = places.axes
      const reach = size.tubeLengthMm * (drawing === 'moves' ? 0.9 : 1) - (drawing === 'moves' ? 0 : size.balanceMm)
      const [x, y] = toPage(along(places.pivot, pole, reach + (drawing === 'moves' ? 0 : 260)), view)
      return [
        { words: 'pole', x: Math.min(x + 8, widthPx - 44), y: Math.max(y - 4, 10), edge: 'left', leader: null },
        ...way,
      ]
    }
    case 'weight': {
      if (given.undo) return []
      const stop = along(places.pivot, places.axes[1], size.shaftEndMm)
      const tubeEnd = places.at['low-end']
      return [
        ...(given.stopped ? beside('end stop', toPage(stop, view), given) : []),
        ...(tubeEnd ? beside('tube: next', toPage(tubeEnd, view), given) : []),
      ]
    }
    case 'tube': {
      const end = places.at['open-end']
      if (given.undo || !end) return []
      return beside(size.kind === 'newtonian' ? 'open end, cap on' : 'lens end, cap on', toPage(end, view), given)
    }
    case 'finder': {
      const front = places.at.finder
      if (given.undo || !front || given.finderKind === 'peep') return []
      const words = given.finderKind === 'red-dot' ? 'window to the sky' : 'wide end to the sky'
      return beside(words, toPage(along(front, places.tube, 70), view), given)
    }
    case 'slide-open': {
      const rods = places.at['slide-rods']
      return given.undo || !rods ? [] : beside('both rods, to the stop', toPage(rods, view), given)
    }
    default:
      return []
  }
}

/** What a hand takes hold of, each with its name, as far as there is room for it; a part only where it lies in the case. */
const knobs: readonly { readonly place: PlaceName; readonly role: Role | null; readonly words: LabelWords }[] = [
  { place: 'finder', role: 'finder', words: 'finder' },
  { place: 'eyepiece', role: null, words: 'eyepiece and focus' },
  { place: 'controller', role: 'controller', words: 'hand controller' },
  { place: 'handle', role: 'pan-handle', words: 'handle' },
  { place: 'rods', role: 'slow-motion-rod', words: 'rod for small moves' },
  { place: 'knob', role: null, words: 'knob: how stiff it moves' },
  { place: 'weight', role: 'counterweight', words: 'weight' },
]
function knobsOf(given: LabelsGiven): readonly DrawnLabel[] {
  const { places, view, has } = given
  return knobs.reduce<readonly DrawnLabel[]>((named, { place, role, words }) => {
    const at = places.at[place]
    // Motors move it: what sits at a driven axis isn't for hands.
    const isMotors = place === 'knob' && has('controller')
    if (!at || isMotors || (role && !has(role))) return named
    return [...named, ...beside(words, toPage(at, view), given, named)]
  }, [])
}

/** The whole kit stands on a line; words stand over it. */
const OVER_GROUND_PX = 30
/** Room for two or three lines, with a third to spare for other languages. */
const SLOT_PX = { width: 92, height: 40 } as const
const GAP_PX = 5
const STEP_PX = 12

/** The free slot whose line to its place is shortest: the nearest are tried first, and the first free one is it. */
function beside(
  words: LabelWords,
  place: PagePoint,
  given: LabelsGiven,
  named: readonly DrawnLabel[] = [],
): readonly DrawnLabel[] {
  const { widthPx, heightPx, items } = given
  const taken = obstacles(items)
  const half = SLOT_PX.height / 2
  const slots = (['left', 'right'] as const).flatMap((side) =>
    Array.from({ length: Math.floor((heightPx - SLOT_PX.height) / STEP_PX) }, (_each, index) => {
      const y = half + index * STEP_PX
      const edgeX = side === 'left' ? SLOT_PX.width : widthPx - SLOT_PX.width
      const from: PagePoint = [side === 'left' ? edgeX + GAP_PX : edgeX - GAP_PX, y]
      const slot = [side === 'left' ? 0 : edgeX, y - half, side === 'left' ? edgeX : widthPx, y + half] as const
      return { side, y, edgeX, from, slot, length: Math.hypot(place[0] - from[0], place[1] - from[1]) }
    }),
  )
  const found = slots
    .sort((a, b) => a.length - b.length)
    .filter(({ y, side }) => !named.some((each) => each.edge !== side && Math.abs(each.y - y) < SLOT_PX.height))
    .find(({ slot, from }) => !taken.some((each) => covers(each, slot) || crosses(each, from, place)))
  if (!found) return []
  const { side, y, edgeX, from } = found
  return [{ words, x: edgeX, y, edge: side === 'left' ? 'right' : 'left', leader: [from, place] }]
}

type Box = readonly [x1: number, y1: number, x2: number, y2: number]
interface Obstacle {
  readonly points: readonly PagePoint[]
  /** Around all its points: what lies outside isn't looked at closely. */
  readonly box: Box
  /** Words and their lines keep out of it; of anything else only words do. */
  readonly solid: boolean
}

const CIRCLE_POINTS = 24

function obstacles(items: readonly DrawnItem[]): readonly Obstacle[] {
  return items.flatMap((item): Obstacle[] => {
    if (item.kind === 'text') return []
    if (item.kind === 'circle') {
      const at = (index: number): PagePoint => {
        const turn = (index / CIRCLE_POINTS) * 2 * Math.PI
        return [item.x + item.radiusPx * Math.cos(turn), item.y + item.radiusPx * Math.sin(turn)]
      }
      return [
        obstacle(
          Array.from({ length: CIRCLE_POINTS }, (_each, index) => at(index)),
          true,
        ),
      ]
    }
    if (item.look === 'ground' || item.look === 'axis') return []
    const points = [...item.d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]): PagePoint => [Number(x), Number(y)])
    return [obstacle(points, item.look === 'fill')]
  })
}

const SAMPLES = [0, 0.25, 0.5, 0.75, 1] as const

function obstacle(points: readonly PagePoint[], solid: boolean): Obstacle {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
  return { points, box: [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)], solid }
}

const apart = (a: Box, b: Box): boolean => a[0] >= b[2] || b[0] >= a[2] || a[1] >= b[3] || b[1] >= a[3]

function covers({ points, box }: Obstacle, slot: Box): boolean {
  if (apart(box, slot)) return false
  const [x1, y1, x2, y2] = slot
  if (points.some(([x, y]) => x > x1 && x < x2 && y > y1 && y < y2)) return true
  return SAMPLES.some((u) => SAMPLES.some((v) => inside(points, [x1 + u * (x2 - x1), y1 + v * (y2 - y1)])))
}

/** A line may end at the filled part, and never runs over it. */
const crosses = ({ points, box, solid }: Obstacle, from: PagePoint, to: PagePoint): boolean =>
  solid &&
  !apart(box, [
    Math.min(from[0], to[0]),
    Math.min(from[1], to[1]),
    Math.max(from[0], to[0]),
    Math.max(from[1], to[1]),
  ]) &&
  [0.1, 0.3, 0.5, 0.7, 0.85].some((share) =>
    inside(points, [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1])]),
  )

/** By the number of edges to its right. */
function inside(points: readonly PagePoint[], [x, y]: PagePoint): boolean {
  let is = false
  points.forEach(([x1, y1], index) => {
    const [x2, y2] = points[(index + 1) % points.length] ?? [x1, y1]
    if (y1 > y !== y2 > y && x < ((x2 - x1) * (y - y1)) / (y2 - y1) + x1) is = !is
  })
  return is
}
