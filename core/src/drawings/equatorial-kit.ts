import { degToRad } from '../shared/angles.ts'
import type { KitDimensions } from './dimensions.ts'
import { topOf, type KitPlaces } from './kit-places.ts'
import { add, along, block, cross, round, scaled, turned, type Solid, type Vector3 } from './solid.ts'
import { controllerParts, tripod } from './tripod.ts'
import { tubeOf } from './tube.ts'

/** A German equatorial head on its tripod with its tube, in its home position unless turned. Geometry as in the drawing
 * rules: the shaft is always square to the polar axis, the tube always square to the shaft. */

export interface EquatorialPose {
  readonly latitudeDeg: number
  /** Turn about the polar axis from home. */
  readonly turnDeg: number
  /** 90: the tube points along the polar axis. */
  readonly declinationDeg: number
}

/** How the head holds its tube, and what else stands on it. */
export interface HeadKind {
  readonly holds: 'rings' | 'rail'
  /** Motors on both axes, a sighting scope through the polar one, a brace instead of a tray. */
  readonly large: boolean
}

/** From the legs' hinge up to where the head tips, and from there along the polar axis to where the axes cross: a usual head. */
export const headHeights = (headScale: number, large: boolean) => ({
  pivotUpMm: (large ? 146 : 124) * headScale,
  crossAlongMm: 130 * headScale,
})

/** Rings stand about half the tube's width from the balance point. */
const RING_APART_FRACTION = 0.62

export interface EquatorialPlaces extends KitPlaces {
  readonly pole: Vector3
  readonly shaft: Vector3
  readonly cross: Vector3
}

export function equatorialKit(
  kit: KitDimensions,
  pose: EquatorialPose,
  kind: HeadKind = { holds: 'rings', large: false },
): EquatorialPlaces {
  const phi = degToRad(pose.latitudeDeg)
  const k = kit.headScale
  const hinge = kit.standHeightMm
  const pole: Vector3 = [Math.cos(phi), Math.sin(phi), 0]
  const shaft = turned([Math.sin(phi), -Math.cos(phi), 0], pole, pose.turnDeg)
  const tube = turned(pole, shaft, 90 - pose.declinationDeg)
  const { pivotUpMm, crossAlongMm } = headHeights(k, kind.large)
  const pivot: Vector3 = [0, hinge + pivotUpMm, 0]
  const axesCross = along(pivot, pole, crossAlongMm)
  const R = kit.tubeDiameterMm / 2
  const tubeAxis = along(axesCross, shaft, -kit.tubeAxisMm)
  const away = scaled(shaft, -1)
  const across = cross(pole, shaft)
  const weightAt = along(axesCross, shaft, kit.weightAtMm)
  const ringTimes = [-1, 1].map((side) => kit.balanceMm + side * kit.tubeDiameterMm * RING_APART_FRACTION)
  const t = (fromLowEndMm: number) => along(tubeAxis, tube, fromLowEndMm - kit.balanceMm)
  const drawnTube = tubeOf(kit, {
    balance: tubeAxis,
    axis: tube,
    out: away,
    rings: kind.holds === 'rings' ? ringTimes : [],
    rail: kind.holds === 'rail',
  })
  const stand = tripod({ hingeMm: hinge, brace: kind.large, thick: kind.large ? 1.3 : 1 })
  const rodFrom = along(pivot, across, 34 * k)
  const clampAt = along(along(tubeAxis, shaft, R + 14), cross(tube, shaft), 40)

  const solids: Solid[] = [
    ...stand.solids,
    ...headSolids({ kit, k, hinge, pivot, axesCross, pole, shaft, tube, R, large: kind.large }),
    ...(kind.large ? [] : slowMotionRods({ k, rodFrom, decRodFrom: along(axesCross, tube, -46 * k) })),
    ...shaftAndWeight({ kit, axesCross, shaft, across, weightAt }),
    ...drawnTube.solids,
    ...(kind.holds === 'rings'
      ? ringTimes.flatMap((time) => {
          const side = turned(away, tube, 90)
          return [
            round({ part: 'rings', from: t(time - 15), to: t(time + 15), radiusMm: R + 7 }),
            round({
              part: 'rings',
              from: along(t(time), side, R + 4),
              to: along(t(time), side, R + 30),
              radiusMm: 9,
            }),
          ]
        })
      : [
          round({
            part: 'clamp',
            from: along(clampAt, cross(tube, shaft), -14),
            to: along(clampAt, cross(tube, shaft), 24),
            radiusMm: 13,
          }),
        ]),
    ...(kind.large ? controllerParts(hinge, [20, hinge + 60, 40]) : []),
  ]
  return {
    solids,
    at: {
      ...drawnTube.at,
      tray: stand.tray,
      head: [0, hinge + 10, 0],
      latitude: pivot,
      rods: rodFrom,
      weight: along(weightAt, across, kit.weightRadiusMm),
      rings: along(t(ringTimes[1] ?? kit.balanceMm), turned(away, tube, 90), R + 14),
      clamp: clampAt,
      controller: [HAND_X_MM, hinge * 0.62, 40],
    },
    tube,
    eyepieceOut: drawnTube.eyepieceOut,
    pivot: axesCross,
    axes: [pole, shaft],
    pole,
    shaft,
    cross: axesCross,
    topMm: topOf(solids),
  }
}

const HAND_X_MM = 240

function headSolids(given: {
  readonly kit: KitDimensions
  readonly k: number
  readonly hinge: number
  readonly pivot: Vector3
  readonly axesCross: Vector3
  readonly pole: Vector3
  readonly shaft: Vector3
  readonly tube: Vector3
  readonly R: number
  readonly large: boolean
}): Solid[] {
  const { kit, k, hinge, pivot, axesCross, pole, shaft, tube, R, large } = given
  const low = along(axesCross, pole, -196 * k)
  return [
    round({ part: 'head', from: [0, hinge, 0], to: [0, hinge + 34 * k, 0], radiusMm: 58 * k }),
    block({
      part: 'head',
      centre: [0, hinge + (large ? 93 : 82) * k, 0],
      half: [
        [34 * k, 0, 0],
        [0, (large ? 59 : 48) * k, 0],
        [0, 0, 36 * k],
      ],
    }),
    // Two level bolts, opposed, on a lug under the pivot.
    round({ part: 'head', from: [34 * k, hinge + 58 * k, 0], to: [74 * k, hinge + 58 * k, 0], radiusMm: 7 * k }),
    round({ part: 'head', from: [-74 * k, hinge + 58 * k, 0], to: [-34 * k, hinge + 58 * k, 0], radiusMm: 7 * k }),
    round({
      part: 'head',
      from: along(pivot, [0, 0, 1], 36 * k),
      to: along(pivot, [0, 0, 1], 52 * k),
      radiusMm: 20 * k,
    }),
    round({ part: 'head', from: low, to: along(axesCross, pole, 24 * k), radiusMm: 37 * k }),
    round({
      part: 'head',
      from: along(axesCross, shaft, -82 * k),
      to: along(axesCross, shaft, kit.shaftStartMm),
      radiusMm: 33 * k,
    }),
    ...(large
      ? [
          // Sighting scope at the low end, a motor on each axis.
          round({ part: 'head', from: along(low, pole, -46), to: low, radiusMm: 17 }),
          block({
            part: 'head',
            centre: along(along(axesCross, pole, -110 * k), [0, 0, 1], 52 * k),
            half: [scaled(pole, 40 * k), scaled(shaft, 26 * k), [0, 0, 20 * k]],
          }),
          block({
            part: 'head',
            centre: along(along(axesCross, shaft, 10 * k), cross(pole, shaft), 50 * k),
            half: [scaled(shaft, 38 * k), scaled(pole, 24 * k), scaled(cross(pole, shaft), 20 * k)],
          }),
        ]
      : []),
    block({
      part: 'head',
      centre: along(axesCross, shaft, -(kit.tubeAxisMm - R - 7)),
      half: [scaled(tube, Math.min(kit.tubeDiameterMm * 0.8, 130)), scaled(shaft, 8), scaled(cross(tube, shaft), 24)],
    }),
  ]
}

function slowMotionRods(given: {
  readonly k: number
  readonly rodFrom: Vector3
  readonly decRodFrom: Vector3
}): Solid[] {
  const { k, rodFrom, decRodFrom } = given
  const rodEnd = add(rodFrom, [-190 * k, -170 * k, 70])
  const decRodEnd = add(decRodFrom, [-150 * k, -190 * k, 40])
  return [
    round({ part: 'rods', from: rodFrom, to: rodEnd, radiusMm: 6 }),
    round({ part: 'rods', from: rodEnd, to: add(rodEnd, [-34 * k, -30 * k, 12]), radiusMm: 12 }),
    round({ part: 'rods', from: decRodFrom, to: decRodEnd, radiusMm: 6 }),
    round({ part: 'rods', from: decRodEnd, to: add(decRodEnd, [-26 * k, -34 * k, 8]), radiusMm: 12 }),
  ]
}

function shaftAndWeight(given: {
  readonly kit: KitDimensions
  readonly axesCross: Vector3
  readonly shaft: Vector3
  readonly across: Vector3
  readonly weightAt: Vector3
}): Solid[] {
  const { kit, axesCross, shaft, across, weightAt } = given
  const out = (mm: number) => along(axesCross, shaft, mm)
  return [
    round({ part: 'shaft', from: out(kit.shaftStartMm), to: out(kit.shaftEndMm), radiusMm: 8 }),
    round({ part: 'shaft', from: out(kit.shaftEndMm), to: out(kit.shaftEndMm + 14), radiusMm: 18 }),
    round({
      part: 'weight',
      from: along(weightAt, shaft, -kit.weightThicknessMm / 2),
      to: along(weightAt, shaft, kit.weightThicknessMm / 2),
      radiusMm: kit.weightRadiusMm,
    }),
    round({
      part: 'weight',
      from: along(weightAt, across, kit.weightRadiusMm - 4),
      to: along(weightAt, across, kit.weightRadiusMm + 26),
      radiusMm: 11,
    }),
  ]
}
