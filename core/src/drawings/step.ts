import type { StepDrawing } from '../procedures/procedure.ts'
import { toPage, type PagePoint } from './arrows.ts'
import { closeUp } from './close-ups.ts'
import type { DrawnItem } from './drawn.ts'
import { dimensionsOf, type DrawnKit, type KitDimensions } from './dimensions.ts'
import { familyDrawing, type FamilyDrawing } from './families.ts'
import type { KitPlaces } from './kit-places.ts'
import { labelsOf, type DrawnLabel } from './labels.ts'
import { movesOf } from './moves.ts'
import { person } from './person.ts'
import { finderKindOf, sceneOf, type Scene } from './scenes.ts'
import { openCase, tablesCompared } from './still-life.ts'
import { paint, type DrawnPath, type Look, type View } from './solid.ts'

/** One step of a set-up, or of taking apart, as a drawing of 358 × 344: the part in question filled, the next one dashed,
 * movements in brass, the joint enlarged in a circle. Words stand beside it. */

export const STEP_WIDTH_PX = 358
export const STEP_HEIGHT_PX = 344
const GROUND_PX = 330
const TABLE_TOP_PX = 296
const DEFAULT_LATITUDE_DEG = 52
/** Equatorial heads are drawn between these; nearer to the pole or the equator the parts would hide each other. */
const DRAWN_LATITUDE_DEG = { least: 8, most: 78 } as const
/** Radius of a close-up's circle. */
const CIRCLE_PX = 58
const PX_PER_MM = { person: 0.19, kit: 0.24, table: 0.4, head: 0.47 } as const
const CORNERS: Readonly<Record<Scene['circleAt'], PagePoint>> = {
  'top-left': [64, 66],
  'top-right': [292, 66],
  'low-left': [64, 266],
  'low-right': [292, 266],
}

export interface StepPicture {
  readonly widthPx: number
  readonly heightPx: number
  readonly items: readonly DrawnItem[]
  /** Words beside the picture. */
  readonly labels: readonly DrawnLabel[]
}

export interface StepView {
  readonly latitudeDeg?: number | undefined
  /** Taking apart: the movement goes the other way. */
  readonly undo?: boolean | undefined
}

/** A step's drawing from the model's own dimensions.
 * @param view latitude of the place, south −, drawn with the pole to the right; undo at taking apart */
export function drawStep(kit: DrawnKit, drawing: StepDrawing, view: StepView = {}): StepPicture {
  const { latitudeDeg = DEFAULT_LATITUDE_DEG, undo = false } = view
  const drawn = drawnStep(kit, drawing, { latitudeDeg, undo })
  return { widthPx: STEP_WIDTH_PX, heightPx: STEP_HEIGHT_PX, ...drawn }
}

function drawnStep(
  kit: DrawnKit,
  drawing: StepDrawing,
  given: { readonly latitudeDeg: number; readonly undo: boolean },
): Pick<StepPicture, 'items' | 'labels'> {
  if (drawing === 'unpack' || drawing === 'pack')
    return { items: openCase(drawing, STEP_WIDTH_PX, GROUND_PX), labels: [] }
  const { undo } = given
  const latitudeDeg = Math.abs(given.latitudeDeg)
  const plain = dimensionsOf(kit)
  const family = familyDrawing(kit, plain)
  const scene = sceneOf(kit, family, drawing, undo)
  const size: KitDimensions = { ...plain, openFraction: scene.openFraction, capAheadMm: scene.capAheadMm }
  const drawnLatitude = Math.min(Math.max(latitudeDeg, DRAWN_LATITUDE_DEG.least), DRAWN_LATITUDE_DEG.most)
  const places = family.places(size, {
    latitudeDeg: drawnLatitude,
    altitudeDeg: scene.altitudeDeg,
    turnDeg: scene.polarTurnDeg,
  })
  const view = viewOf(family, scene, places, size)
  const lookOf = (part: string): Look | null => {
    if (scene.fill.includes(part)) return 'fill'
    if (scene.next.includes(part)) return 'next'
    return scene.on.includes(part) ? 'outline' : null
  }
  const items = [
    ...groundOf(family, scene),
    ...(scene.person ? person(PERSON_PX, GROUND_PX, view.pxPerMm) : []),
    ...(drawing === 'table' ? tablesCompared(GROUND_PX) : []),
    ...paint(places.solids, view, lookOf),
    ...movesOf(drawing, { family, places, size, view, latitudeDeg: drawnLatitude, labelDeg: latitudeDeg, undo }),
    ...circle(scene, places, view, latitudeDeg),
  ]
  const stopped = kit.parts.some(({ role }) => role === 'shaft-end-stop')
  const room = { items, widthPx: STEP_WIDTH_PX, heightPx: STEP_HEIGHT_PX }
  const southern = given.latitudeDeg < 0
  return {
    items,
    labels: labelsOf(drawing, {
      family,
      places,
      size,
      view,
      southern,
      homeWay: homeWayOf(kit, family, southern),
      finderKind: finderKindOf(kit),
      undo,
      has: (role) => kit.parts.some((part) => part.role === role && part.mark !== 'missing'),
      stopped,
      ...room,
    }),
  }
}

/** An equatorial head stands with its axis to the pole, a fork's tube looks north on either half of the Earth; where an
 * altazimuth arm has marks alone, they say. */
function homeWayOf(kit: DrawnKit, family: FamilyDrawing, southern: boolean): 'north →' | 'south →' | null {
  if (family.equatorial) return southern ? 'south →' : 'north →'
  return kit.mount?.home?.drawing === 'fork' ? 'north →' : null
}

const PERSON_PX = 44
/** Room for a movement above the kit. */
const HEADROOM_PX = 46

/** The kit fills its page, on one ground; tall kits are drawn smaller, so that nothing is cut off. */
function viewOf(family: FamilyDrawing, scene: Scene, places: KitPlaces, size: KitDimensions): View {
  const turnDeg = scene.fromSouth ? -74 : family.turnDeg
  if (scene.frame === 'head') {
    const pxPerMm = PX_PER_MM.head / Math.max(size.headScale, 1)
    return {
      turnDeg,
      pxPerMm,
      originPx: [172, GROUND_PX + (size.standHeightMm - 90) * pxPerMm],
    }
  }
  if (scene.frame === 'compared') return { turnDeg, pxPerMm: PX_PER_MM.person, originPx: [196, 186] }
  const groundPx = family.stand === 'table' ? TABLE_TOP_PX : GROUND_PX
  const wanted = scene.person ? PX_PER_MM.person : family.stand === 'table' ? PX_PER_MM.table : PX_PER_MM.kit
  const fits = (groundPx - HEADROOM_PX) / places.topMm
  const pxPerMm = scene.person ? wanted : Math.min(wanted, fits)
  return { turnDeg, pxPerMm, originPx: [scene.person ? 208 : scene.fromSouth ? 150 : 170, groundPx] }
}

function groundOf(family: FamilyDrawing, scene: Scene): DrawnPath[] {
  if (scene.frame === 'head' || scene.frame === 'compared') return []
  if (family.stand === 'table')
    return [
      { kind: 'path', d: `M14 ${TABLE_TOP_PX}H344`, look: 'recede' },
      { kind: 'path', d: `M14 ${TABLE_TOP_PX + 13}H344`, look: 'recede' },
    ]
  return [{ kind: 'path', d: `M14 ${GROUND_PX}H344`, look: 'ground' }]
}

/** The joint enlarged, with a thin line to its place where it crosses nothing important. */
function circle(scene: Scene, places: KitPlaces, view: View, latitudeDeg: number): DrawnItem[] {
  if (!scene.closeUp) return []
  const centre = CORNERS[scene.circleAt]
  const from = scene.closeUpFrom ? places.at[scene.closeUpFrom] : undefined
  return [...(from ? leader(centre, toPage(from, view)) : []), closeUp(scene.closeUp, centre, CIRCLE_PX, latitudeDeg)]
}

function leader(centre: PagePoint, place: PagePoint): DrawnItem[] {
  const [dx, dy] = [place[0] - centre[0], place[1] - centre[1]]
  const length = Math.hypot(dx, dy)
  if (length < CIRCLE_PX + 20) return []
  const edge = [centre[0] + (dx / length) * CIRCLE_PX, centre[1] + (dy / length) * CIRCLE_PX] as const
  const end = [place[0] - (dx / length) * 8, place[1] - (dy / length) * 8] as const
  const ring = `M${(place[0] - 8).toFixed(1)} ${place[1].toFixed(1)}a8 8 0 1 0 16 0a8 8 0 1 0 -16 0Z`
  return [
    {
      kind: 'path',
      d: `M${edge[0].toFixed(1)} ${edge[1].toFixed(1)}L${end[0].toFixed(1)} ${end[1].toFixed(1)}`,
      look: 'leader',
    },
    { kind: 'path', d: ring, look: 'leader' },
  ]
}
