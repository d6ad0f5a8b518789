import type { FinderKind } from '../finder/finder-data.ts'
import { usualStand, type Tray, type TubeFixing } from '../mount/stand.ts'
import type { StepDrawing } from '../procedures/procedure.ts'
import type { CloseUp } from './close-up-strokes.ts'
import { kindOf, type DrawnKit } from './dimensions.ts'
import type { FamilyDrawing } from './families.ts'
import type { PlaceName } from './kit-places.ts'

/** What one step's drawing shows: parts that are on, the one in question, the next, the framing and the circle. */
export interface Scene {
  readonly on: readonly string[]
  readonly fill: readonly string[]
  readonly next: readonly string[]
  readonly frame: 'kit' | 'head' | 'compared'
  readonly person: boolean
  readonly closeUp: CloseUp | null
  readonly closeUpFrom: PlaceName | null
  readonly circleAt: 'top-left' | 'top-right' | 'low-left' | 'low-right'
  readonly altitudeDeg: number
  readonly polarTurnDeg: number
  readonly openFraction: number
  readonly capAheadMm: number
  readonly fromSouth: boolean
}

const plain: Scene = {
  on: [],
  fill: [],
  next: [],
  frame: 'kit',
  person: false,
  closeUp: null,
  closeUpFrom: null,
  circleAt: 'top-right',
  altitudeDeg: 52,
  polarTurnDeg: 0,
  openFraction: 1,
  capAheadMm: 0,
  fromSouth: false,
}

/** Parts up to and with one of them, in the family's order. */
function upTo(family: FamilyDrawing, part: string, leftOut: readonly string[] = []): readonly string[] {
  const last = family.order.indexOf(part)
  return family.order.slice(0, last + 1).filter((each) => !leftOut.includes(each))
}

const CAP_AHEAD_MM = 90

/** The scene of a step. @param undo at taking apart there are no circles: their screws would turn the wrong way */
export function sceneOf(kit: DrawnKit, family: FamilyDrawing, drawing: StepDrawing, undo: boolean): Scene {
  const scene = setUpScene(kit, family, drawing)
  return undo ? { ...scene, closeUp: null, next: [] } : scene
}

function setUpScene(kit: DrawnKit, family: FamilyDrawing, drawing: StepDrawing): Scene {
  const onLegs = family.stand === 'legs'
  const driven = kit.parts.some(({ role }) => role === 'controller')
  const complete = upTo(family, 'controller', ['cap', ...(driven ? [] : ['controller'])])
  const holdingParts = ['clamp', 'handle', 'rods', 'shaft', 'weight', 'rings']
  switch (drawing) {
    case 'legs':
      return {
        ...plain,
        on: ['legs'],
        fill: ['legs'],
        next: ['tray'],
        person: true,
        closeUp: has(kit, 'bubble-level') ? 'bubble' : null,
      }
    case 'tray':
      return {
        ...plain,
        on: ['legs', 'tray'],
        fill: ['tray'],
        closeUp: trayCloseUps[standOf(kit).tray],
        closeUpFrom: 'tray',
      }
    case 'head':
      return {
        ...plain,
        on: ['legs', 'tray', 'head'],
        fill: ['head'],
        next: family.equatorial ? ['shaft'] : ['tube-whole'],
        frame: family.equatorial ? 'head' : 'kit',
        closeUp: jointCloseUp(kit, family),
        closeUpFrom: 'head',
        circleAt: 'low-left',
      }
    case 'latitude':
      return {
        ...plain,
        on: ['legs', 'tray', 'head'],
        frame: 'head',
        closeUp: 'latitude',
        closeUpFrom: 'latitude',
        circleAt: 'low-left',
      }
    case 'rods':
      return {
        ...plain,
        on: ['legs', 'tray', 'head', 'rods'],
        fill: ['rods'],
        next: ['shaft'],
        frame: 'head',
        closeUp: 'rod-flat',
        closeUpFrom: 'rods',
      }
    case 'weight':
      return {
        ...plain,
        on: upTo(family, 'weight', ['clamp', ...(kit.family === 'large-equatorial' ? ['rods'] : [])]),
        fill: ['weight'],
        next: ['tube-whole'],
        closeUp: 'slug',
        closeUpFrom: 'weight',
      }
    case 'tube':
      return {
        ...plain,
        on: [...upTo(family, 'focuser'), 'cap', ...holdingParts],
        fill: ['tube', 'upper', 'rail'],
        closeUp: kit.family === 'tabletop-reflector' ? null : tubeJoint(kit),
        circleAt: family.stand === 'ground' ? 'top-left' : 'low-right',
        altitudeDeg: family.stand === 'ground' ? 68 : 52,
      }
    case 'finder':
      return {
        ...plain,
        on: [...upTo(family, 'finder'), 'cap'],
        fill: ['finder'],
        closeUp: finderCloseUps[finderKindOf(kit)],
        circleAt: onLegs ? 'low-right' : 'top-left',
      }
    case 'caps':
      return {
        ...plain,
        on: [...upTo(family, 'finder'), 'cap'],
        fill: ['cap'],
        capAheadMm: CAP_AHEAD_MM,
        closeUp: kindOf(kit) === 'newtonian' ? 'caps' : 'caps-closed',
        circleAt: onLegs ? 'low-right' : 'top-left',
      }
    case 'diagonal':
      return {
        ...plain,
        on: upTo(family, 'diagonal', ['cap']),
        fill: ['diagonal'],
        next: ['eyepiece'],
        closeUp: 'diagonal',
        circleAt: 'low-right',
      }
    case 'eyepiece':
      return {
        ...plain,
        on: upTo(family, 'eyepiece', ['cap']),
        fill: ['eyepiece'],
        closeUp: 'eyepiece',
        circleAt: !onLegs ? 'top-left' : kindOf(kit) === 'newtonian' ? 'top-right' : 'low-right',
      }
    case 'balance':
      return { ...plain, on: complete, fill: ['weight'], polarTurnDeg: -90, fromSouth: true }
    case 'moves':
      return { ...plain, on: complete, person: onLegs || family.stand === 'ground', altitudeDeg: 22 }
    case 'point':
      return { ...plain, on: complete, altitudeDeg: 40 }
    case 'table':
      return { ...plain, on: upTo(family, 'cap'), frame: 'compared', openFraction: 0 }
    case 'base':
      return {
        ...plain,
        on: family.stand === 'ground' ? ['base'] : [...upTo(family, 'finder'), 'cap'],
        fill: ['base'],
        next: family.stand === 'ground' ? ['tube-whole'] : [],
        person: family.stand === 'ground',
        closeUp: 'rocker-bolt',
        circleAt: family.stand === 'ground' ? 'top-right' : 'top-left',
        openFraction: 0,
        altitudeDeg: family.stand === 'ground' ? 68 : 52,
      }
    case 'slide-open':
      return {
        ...plain,
        on: [...upTo(family, 'finder'), 'cap'],
        fill: ['slide-rods'],
        closeUp: 'rods-locked',
        circleAt: 'top-left',
      }
    case 'tension':
      return { ...plain, on: [...upTo(family, 'finder'), 'cap'], fill: ['knob'] }
    case 'drive':
      return { ...plain, on: upTo(family, 'controller', ['cap']), fill: ['controller'] }
    case 'home':
      return { ...plain, on: complete, altitudeDeg: 0 }
    case 'close':
      return { ...plain, on: [...complete, 'cap'], fill: ['cap'], capAheadMm: CAP_AHEAD_MM / 2, altitudeDeg: 52 }
    case 'unpack':
    case 'pack':
      return plain
  }
}

const has = (kit: DrawnKit, role: string): boolean => kit.parts.some((part) => part.role === role)

const standOf = (kit: DrawnKit) =>
  kit.stand ??
  usualStand(
    kit.family,
    kit.parts.map(({ role }) => role),
  )

export const finderKindOf = (kit: DrawnKit): FinderKind =>
  kit.finderKind ?? (has(kit, 'coin-cell') ? 'red-dot' : 'two-screws')

const trayCloseUps: Readonly<Record<Tray, CloseUp | null>> = {
  twisted: 'tray',
  screwed: 'tray-screwed',
  bolted: 'tray-bolted',
  brace: 'tray-brace',
  none: null,
}

const finderCloseUps: Readonly<Record<FinderKind, CloseUp>> = {
  'red-dot': 'pull-tab',
  'two-screws': 'spring-pin',
  'three-screws': 'three-screws',
  'four-screws': 'four-screws',
  'six-screws': 'six-screws',
  peep: 'peep',
}

/** How head or arm sits on its legs; only an equatorial head has the peg between its two bolts. */
function jointCloseUp(kit: DrawnKit, family: FamilyDrawing): CloseUp | null {
  const { armJoint } = standOf(kit)
  if (armJoint === 'knob') return 'big-knob'
  if (armJoint === 'cone') return 'cone'
  return family.equatorial ? 'head-bolt' : null
}

/** The joint of this very kit: how its tube is held. */
function tubeJoint(kit: DrawnKit): CloseUp | null {
  const joints: Readonly<Record<TubeFixing, CloseUp | null>> = {
    dovetail: 'dovetail',
    fork: 'axis-lock',
    rings: 'ring-clamp',
    'rings-on-rail': 'dovetail',
    straps: 'strap',
    'rocker-ears': 'ears',
    'pan-bolt': null,
  }
  return joints[standOf(kit).fixing]
}
