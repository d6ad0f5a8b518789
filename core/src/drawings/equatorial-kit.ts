import { degToRad } from '../shared/angles.ts'
import type { KitDimensions } from './dimensions.ts'
import { add, along, ball, block, cross, round, scaled, turned, type Solid, type Vector3 } from './solid.ts'

/** A German equatorial head on its tripod with a Newtonian, in its home position unless turned. Geometry as in the drawing
 * rules: the shaft is always square to the polar axis, the tube always square to the shaft. */

export interface EquatorialPose {
  readonly latitudeDeg: number
  /** Turn about the polar axis from home. */
  readonly turnDeg: number
  /** 90: the tube points along the polar axis. */
  readonly declinationDeg: number
}

const LEG_SPREAD_DEG = 21
const HINGE_MM = 62
const FOOT_MM = 16
const TRAY_HEIGHT_FRACTION = 0.43
/** Rings stand about half the tube's width from the balance point. */
const RING_APART_FRACTION = 0.62

export interface EquatorialPlaces {
  readonly solids: readonly Solid[]
  readonly at: Readonly<
    Record<
      'tray' | 'head' | 'latitude' | 'rods' | 'weight' | 'rings' | 'finder' | 'open-end' | 'eyepiece' | 'cross',
      Vector3
    >
  >
  readonly pole: Vector3
  readonly shaft: Vector3
  readonly tube: Vector3
}

export function equatorialKit(kit: KitDimensions, pose: EquatorialPose): EquatorialPlaces {
  const phi = degToRad(pose.latitudeDeg)
  const k = kit.headScale
  const hinge = kit.standHeightMm
  const pole: Vector3 = [Math.cos(phi), Math.sin(phi), 0]
  const shaft = turned([Math.sin(phi), -Math.cos(phi), 0], pole, pose.turnDeg)
  const tube = turned(pole, shaft, 90 - pose.declinationDeg)
  const pivot: Vector3 = [0, hinge + 124 * k, 0]
  const axesCross = along(pivot, pole, 130 * k)
  const R = kit.tubeDiameterMm / 2
  const tubeAxis = along(axesCross, shaft, -kit.tubeAxisMm)
  const t = (fromLowEndMm: number) => along(tubeAxis, tube, fromLowEndMm - kit.balanceMm)
  const away = scaled(shaft, -1)
  const towards = (angleDeg: number) => turned(away, tube, angleDeg)
  const across = cross(pole, shaft)
  const weightAt = along(axesCross, shaft, kit.weightAtMm)
  const ringTimes = [-1, 1].map((side) => kit.balanceMm + side * kit.tubeDiameterMm * RING_APART_FRACTION)

  const legs = [0, 120, 240].flatMap((turn) => {
    const out: Vector3 = [Math.cos(degToRad(turn)), 0, Math.sin(degToRad(turn))]
    const reach = HINGE_MM + (hinge - FOOT_MM) * Math.tan(degToRad(LEG_SPREAD_DEG))
    const top = add(scaled(out, HINGE_MM), [0, hinge - 12, 0])
    const foot = add(scaled(out, reach), [0, FOOT_MM, 0])
    const middle = add(top, scaled(add(foot, scaled(top, -1)), 0.52))
    const far = turn === 240
    return [
      round({ part: 'legs', from: top, to: middle, radiusMm: 17, recede: far }),
      round({ part: 'legs', from: middle, to: foot, radiusMm: 12, recede: far }),
      ball('legs', foot, FOOT_MM),
    ]
  })
  const trayY = hinge * TRAY_HEIGHT_FRACTION
  const trayR = HINGE_MM + (hinge - trayY) * Math.tan(degToRad(LEG_SPREAD_DEG)) - 8
  const focuserAt = t(kit.balanceMm + kit.eyepiece.alongMm)
  const focuserOut = towards(kit.eyepiece.angleDeg)
  const finderAt = t(kit.balanceMm + kit.finder.alongMm)
  const finderOut = towards(kit.finder.angleDeg)
  const finderMiddle = along(finderAt, finderOut, kit.finder.radiusMm)
  const rodFrom = along(pivot, across, 34 * k)
  const rodEnd = add(rodFrom, [-190 * k, -170 * k, 70])
  const decRodFrom = along(axesCross, tube, -46 * k)
  const decRodEnd = add(decRodFrom, [-150 * k, -190 * k, 40])

  const solids: Solid[] = [
    ...legs,
    round({ part: 'legs', from: [0, hinge - 26, 0], to: [0, hinge, 0], radiusMm: HINGE_MM + 14 }),
    round({ part: 'tray', from: [0, trayY, 0], to: [0, trayY + 9, 0], radiusMm: trayR }),
    round({ part: 'head', from: [0, hinge, 0], to: [0, hinge + 34 * k, 0], radiusMm: 58 * k }),
    block({
      part: 'head',
      centre: [0, hinge + 82 * k, 0],
      half: [
        [34 * k, 0, 0],
        [0, 48 * k, 0],
        [0, 0, 36 * k],
      ],
    }),
    round({
      part: 'head',
      from: along(pivot, [0, 0, 1], 36 * k),
      to: along(pivot, [0, 0, 1], 52 * k),
      radiusMm: 20 * k,
    }),
    round({
      part: 'head',
      from: along(axesCross, pole, -196 * k),
      to: along(axesCross, pole, 24 * k),
      radiusMm: 37 * k,
    }),
    round({
      part: 'head',
      from: along(axesCross, shaft, -82 * k),
      to: along(axesCross, shaft, kit.shaftStartMm),
      radiusMm: 33 * k,
    }),
    block({
      part: 'head',
      centre: along(axesCross, shaft, -(kit.tubeAxisMm - R - 7)),
      half: [scaled(tube, kit.tubeDiameterMm * 0.8), scaled(shaft, 8), scaled(cross(tube, shaft), 24)],
    }),
    round({ part: 'rods', from: rodFrom, to: rodEnd, radiusMm: 6 }),
    round({ part: 'rods', from: rodEnd, to: add(rodEnd, [-34 * k, -30 * k, 12]), radiusMm: 12 }),
    round({ part: 'rods', from: decRodFrom, to: decRodEnd, radiusMm: 6 }),
    round({ part: 'rods', from: decRodEnd, to: add(decRodEnd, [-26 * k, -34 * k, 8]), radiusMm: 12 }),
    round({
      part: 'shaft',
      from: along(axesCross, shaft, kit.shaftStartMm),
      to: along(axesCross, shaft, kit.shaftEndMm),
      radiusMm: 8,
    }),
    round({
      part: 'shaft',
      from: along(axesCross, shaft, kit.shaftEndMm),
      to: along(axesCross, shaft, kit.shaftEndMm + 14),
      radiusMm: 18,
    }),
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
    // The rings split the tube's drawing, so that the tube hides their far half.
    ...tubePieces(kit, t, ringTimes, R),
    ...ringTimes.map((time) => round({ part: 'rings', from: t(time - 15), to: t(time + 15), radiusMm: R + 7 })),
    ...ringTimes.map((time) => {
      const side = turned(away, tube, 90)
      return round({
        part: 'rings',
        from: along(t(time), side, R + 4),
        to: along(t(time), side, R + 30),
        radiusMm: 9,
      })
    }),
    round({
      part: 'focuser',
      from: along(focuserAt, focuserOut, R - 6),
      to: along(focuserAt, focuserOut, kit.eyepiece.radiusMm - 22),
      radiusMm: 29,
    }),
    round({
      part: 'eyepiece',
      from: along(focuserAt, focuserOut, kit.eyepiece.radiusMm - 22),
      to: along(focuserAt, focuserOut, kit.eyepiece.radiusMm + 40),
      radiusMm: 17,
    }),
    round({
      part: 'finder',
      from: along(finderMiddle, tube, -58),
      to: along(finderMiddle, tube, 62),
      radiusMm: 15,
      endRadiusMm: 20,
      open: true,
    }),
    round({
      part: 'finder',
      from: along(finderAt, finderOut, R - 4),
      to: along(finderMiddle, finderOut, -14),
      radiusMm: 10,
    }),
    round({ part: 'cap', from: t(kit.tubeLengthMm + 2), to: t(kit.tubeLengthMm + 20), radiusMm: R + 4 }),
  ]
  return {
    solids,
    at: {
      tray: [0, trayY, 0],
      head: [0, hinge + 10, 0],
      latitude: pivot,
      rods: rodFrom,
      weight: along(weightAt, across, kit.weightRadiusMm),
      rings: along(t(ringTimes[1] ?? kit.balanceMm), turned(away, tube, 90), R + 14),
      finder: finderMiddle,
      'open-end': t(kit.tubeLengthMm),
      eyepiece: along(focuserAt, focuserOut, kit.eyepiece.radiusMm),
      cross: axesCross,
    },
    pole,
    shaft,
    tube,
  }
}

function tubePieces(kit: KitDimensions, t: (mm: number) => Vector3, cuts: readonly number[], R: number): Solid[] {
  const ends = [0, ...cuts, kit.tubeLengthMm]
  return ends
    .slice(1)
    .map((to, index) =>
      round({ part: 'tube', from: t(ends[index] ?? 0), to: t(to), radiusMm: R, open: to === kit.tubeLengthMm }),
    )
}
