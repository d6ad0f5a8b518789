import type { KitDimensions, DrawnKit } from './dimensions.ts'
import {
  armOnLegsKit,
  armPivot,
  panHeadKit,
  panHeadPivot,
  rockerKit,
  rockerPivot,
  tabletopKit,
  tabletopPivot,
} from './altazimuth-kit.ts'
import { equatorialKit } from './equatorial-kit.ts'
import type { KitPlaces } from './kit-places.ts'
import type { Vector3 } from './solid.ts'

/** Which stand a kit is drawn on, how far it is turned towards the viewer, and what goes on in which order. */
export interface FamilyDrawing {
  readonly stand: 'table' | 'ground' | 'legs'
  readonly equatorial: boolean
  readonly turnDeg: number
  /** Parts in the order they go on; a step shows all up to its own. */
  readonly order: readonly string[]
  readonly places: (size: KitDimensions, pose: DrawnPose) => KitPlaces
  /** Where the tube tips, without drawing anything; null on an equatorial head. */
  readonly pivot: ((size: KitDimensions, pose: DrawnPose) => Vector3) | null
}

export interface DrawnPose {
  readonly latitudeDeg: number
  readonly altitudeDeg: number
  /** Turn about the polar axis from home; equatorial heads only. */
  readonly turnDeg: number
}

const tubeParts = [
  'tube',
  'rail',
  'upper',
  'slide-rods',
  'focuser',
  'finder',
  'cap',
  'diagonal',
  'eyepiece',
  'controller',
]
const legsParts = ['legs', 'tray', 'head', 'clamp', 'handle', 'rods', 'shaft', 'weight', 'rings', ...tubeParts]
const baseParts = ['base', 'arm', 'knob', ...tubeParts]

const equatorial = (holds: 'rings' | 'rail', large: boolean): FamilyDrawing => ({
  stand: 'legs',
  equatorial: true,
  turnDeg: 16,
  order: legsParts,
  pivot: null,
  places: (size, { latitudeDeg, turnDeg }) =>
    equatorialKit(size, { latitudeDeg, turnDeg, declinationDeg: 90 }, { holds, large }),
})

/** How a kit is drawn: by its family, and by the head its model really has. */
export function familyDrawing(kit: DrawnKit, size: KitDimensions): FamilyDrawing {
  switch (kit.family) {
    case 'tabletop-reflector':
      return {
        stand: 'table',
        equatorial: false,
        turnDeg: 24,
        order: baseParts,
        places: tabletopKit,
        pivot: tabletopPivot,
      }
    case 'floor-reflector':
      return {
        stand: 'ground',
        equatorial: false,
        turnDeg: 22,
        order: baseParts,
        places: rockerKit,
        pivot: rockerPivot,
      }
    case 'equatorial-reflector':
      return equatorial('rings', false)
    case 'equatorial-maksutov':
      return equatorial('rail', false)
    case 'large-equatorial':
      return equatorial(size.kind === 'maksutov' ? 'rail' : 'rings', true)
    case 'tripod-refractor':
      return {
        stand: 'legs',
        equatorial: false,
        turnDeg: 20,
        order: legsParts,
        places: panHeadKit,
        pivot: panHeadPivot,
      }
    case 'altazimuth-reflector':
      return {
        stand: 'legs',
        equatorial: false,
        turnDeg: 24,
        order: legsParts,
        places: (given, pose) => armOnLegsKit(given, { ...pose, arms: 1, driven: false }),
        pivot: (given) => armPivot(given, { arms: 1, driven: false }),
      }
    case 'computer-driven': {
      if (kit.mount?.equatorial) return equatorial(size.kind === 'newtonian' ? 'rings' : 'rail', false)
      const arms = size.kind === 'maksutov' ? 2 : 1
      return {
        stand: 'legs',
        equatorial: false,
        turnDeg: arms === 2 ? 26 : 24,
        order: legsParts,
        places: (given, pose) => armOnLegsKit(given, { ...pose, arms, driven: true }),
        pivot: (given) => armPivot(given, { arms, driven: true }),
      }
    }
  }
}
