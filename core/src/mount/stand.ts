import type { Family, Role } from '../contents/roles.ts'

/** How a model's stand is locked, how its tube is fixed, and how its arm sits on the legs: data of the model, since
 * families differ in them. Words, feels and tests are common practice, no source (DOMAIN sections 4 and 14). */

export const trays = ['twisted', 'screwed', 'bolted', 'brace', 'none'] as const
export type Tray = (typeof trays)[number]

export const tubeFixings = [
  'dovetail',
  'fork',
  'rings',
  'rings-on-rail',
  'straps',
  'rocker-ears',
  'pan-bolt',
] as const
export type TubeFixing = (typeof tubeFixings)[number]

export const armJoints = ['bolts-below', 'knob', 'cone'] as const
export type ArmJoint = (typeof armJoints)[number]

export interface StandData {
  readonly tray: Tray
  readonly fixing: TubeFixing
  /** How head or arm sits on its legs; null where nothing sits on legs. */
  readonly armJoint: ArmJoint | null
  /** Levers or knobs that lock each axis. */
  readonly axisLocks: boolean
}

export const trayWords: Readonly<Record<Tray, string>> = {
  twisted: 'pushed over the centre pin and twisted',
  screwed: 'screwed onto the centre rod',
  bolted: 'plate held by three wing nuts',
  brace: 'folding brace that snaps straight',
  none: 'none: the legs lock by themselves',
}

export const fixingWords: Readonly<Record<TubeFixing, string>> = {
  dovetail: 'rail in a clamp, one screw',
  fork: 'fixed to its arm or fork: nothing slides',
  rings: 'two rings',
  'rings-on-rail': 'two rings on a rail in a clamp',
  straps: 'two straps',
  'rocker-ears': 'round ears in a rocker',
  'pan-bolt': 'bolt of a pan head',
}

export const armJointWords: Readonly<Record<ArmJoint, string>> = {
  'bolts-below': 'bolts from below',
  knob: 'one big knob',
  cone: 'cone and a safety screw',
}

const usual: Readonly<Record<Family, StandData>> = {
  'tabletop-reflector': { tray: 'none', fixing: 'dovetail', armJoint: null, axisLocks: false },
  'floor-reflector': { tray: 'none', fixing: 'rocker-ears', armJoint: null, axisLocks: false },
  'equatorial-reflector': { tray: 'twisted', fixing: 'rings', armJoint: 'bolts-below', axisLocks: true },
  'tripod-refractor': { tray: 'none', fixing: 'pan-bolt', armJoint: null, axisLocks: true },
  'altazimuth-reflector': { tray: 'twisted', fixing: 'dovetail', armJoint: 'bolts-below', axisLocks: false },
  'equatorial-maksutov': { tray: 'twisted', fixing: 'dovetail', armJoint: 'bolts-below', axisLocks: true },
  'computer-driven': { tray: 'twisted', fixing: 'dovetail', armJoint: 'bolts-below', axisLocks: false },
  'large-equatorial': { tray: 'brace', fixing: 'rings-on-rail', armJoint: 'bolts-below', axisLocks: true },
}

/** A stand nobody described: as its family's usually is; with a tray where its card has one. */
export function usualStand(family: Family, parts: readonly Role[]): StandData {
  const stand = usual[family]
  if (stand.tray === 'none' && parts.includes('tray')) return { ...stand, tray: 'screwed' }
  return stand
}

/** Whether the tube can turn about its own axis when its clamps are open: only rings and straps let it roll. */
export const tubeRolls = ({ fixing }: Pick<StandData, 'fixing'>): boolean => fixing === 'rings' || fixing === 'straps'

/** Whether the tube slides along its axis when its clamps are open: else nothing is to be balanced by sliding. */
export const tubeSlides = ({ fixing }: Pick<StandData, 'fixing'>): boolean =>
  fixing !== 'fork' && fixing !== 'rocker-ears' && fixing !== 'pan-bolt'
