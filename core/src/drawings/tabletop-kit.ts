import { degToRad } from '../shared/angles.ts'
import type { KitDimensions } from './dimensions.ts'
import { add, along, round, slab, scaled, turned, type Solid, type Vector3 } from './solid.ts'

/** A tabletop reflector on one arm: two boards, arm beside the tube, tube that may slide open on two rods. */

export interface TabletopPose {
  readonly altitudeDeg: number
  /** Share of the way its upper ring is pulled out; 1 for a tube that doesn't slide. */
  readonly openFraction: number
}

const BOARD_MM = 18
const BOARD_GAP_MM = 4
/** Share of the tube that is its lower, closed part when it slides. */
const LOWER_FRACTION = 0.46
const UPPER_FRACTION = 0.24
const CLEARANCE_MM = 22
const ARM_TOP_MM = 40

export interface TabletopPlaces {
  readonly solids: readonly Solid[]
  readonly at: Readonly<Record<'base' | 'pivot' | 'rods' | 'open-end' | 'finder' | 'eyepiece', Vector3>>
  readonly tube: Vector3
}

export function tabletopKit(kit: KitDimensions, pose: TabletopPose): TabletopPlaces {
  const R = kit.tubeDiameterMm / 2
  const L = kit.tubeLengthMm
  // The tube must pass straight up: its low corner swings through √(rear² + R²).
  const rear = kit.balanceMm + 24
  const pivotY = 2 * BOARD_MM + BOARD_GAP_MM + 14 + Math.hypot(rear, R) + CLEARANCE_MM
  const tube: Vector3 = [Math.cos(degToRad(pose.altitudeDeg)), Math.sin(degToRad(pose.altitudeDeg)), 0]
  const up = turned(tube, [0, 0, 1], 90)
  const pivot: Vector3 = [0, pivotY, 0]
  const t = (mm: number) => along(pivot, tube, mm - kit.balanceMm)
  const lowerEnd = kit.collapsible ? L * LOWER_FRACTION : L
  const upper = L * UPPER_FRACTION
  const slid = kit.collapsible ? (L - upper - lowerEnd) * pose.openFraction : 0
  const upperStart = lowerEnd + slid
  const openEnd = kit.collapsible ? upperStart + upper : L
  const shift = openEnd - L
  const towards = (angleDeg: number) => turned(up, tube, angleDeg)
  const focuserAt = t(kit.balanceMm + kit.eyepiece.alongMm + shift)
  const focuserOut = towards(0)
  const finderAt = t(kit.balanceMm + kit.finder.alongMm + shift)
  const finderOut = towards(66)
  const finderMiddle = along(finderAt, finderOut, kit.finder.radiusMm)
  const boardR = R + 70
  const armZ = R + 30
  const armHalf = BOARD_MM / 2

  const rods = kit.collapsible
    ? [124, -56].map((angle) => {
        const out = towards(angle)
        return round({
          part: 'slide-rods',
          from: along(t(lowerEnd - 70), out, R + 12),
          to: along(t(upperStart + 30), out, R + 12),
          radiusMm: 7,
        })
      })
    : []
  const locks = kit.collapsible
    ? [124, -56].map((angle) =>
        round({
          part: 'slide-rods',
          from: along(t(lowerEnd - 14), towards(angle), R + 4),
          to: along(t(lowerEnd - 14), towards(angle), R + 34),
          radiusMm: 10,
        }),
      )
    : []
  const solids: Solid[] = [
    ...[90, 210, 330].map((turn) =>
      round({
        part: 'base',
        from: [0.8 * boardR * Math.cos(degToRad(turn)), 0, 0.8 * boardR * Math.sin(degToRad(turn))],
        to: [0.8 * boardR * Math.cos(degToRad(turn)), 14, 0.8 * boardR * Math.sin(degToRad(turn))],
        radiusMm: 18,
      }),
    ),
    round({ part: 'base', from: [0, 14, 0], to: [0, 14 + BOARD_MM, 0], radiusMm: boardR }),
    round({
      part: 'base',
      from: [0, 14 + BOARD_MM + BOARD_GAP_MM, 0],
      to: [0, 14 + 2 * BOARD_MM + BOARD_GAP_MM, 0],
      radiusMm: boardR - 10,
    }),
    slab({
      part: 'arm',
      outline: [
        ...Array.from({ length: 13 }, (_each, index): readonly [number, number] => {
          const turn = (index / 12) * Math.PI
          return [ARM_TOP_MM * Math.cos(turn), pivotY + ARM_TOP_MM * Math.sin(turn)]
        }),
        [-boardR * 0.42, 14 + 2 * BOARD_MM + BOARD_GAP_MM],
        [boardR * 0.42, 14 + 2 * BOARD_MM + BOARD_GAP_MM],
      ],
      fromZ: armZ - armHalf,
      toZ: armZ + armHalf,
    }),
    round({ part: 'arm', from: add(pivot, [0, 0, R - 4]), to: add(pivot, [0, 0, armZ - armHalf]), radiusMm: 24 }),
    round({ part: 'tube', from: t(0), to: t(lowerEnd), radiusMm: R, open: true }),
    round({ part: 'tube', from: t(-16), to: t(0), radiusMm: R - 8 }),
    ...(kit.collapsible
      ? [round({ part: 'upper', from: t(upperStart), to: t(openEnd), radiusMm: R, open: true })]
      : []),
    ...rods,
    ...locks,
    round({
      part: 'knob',
      from: add(pivot, [0, 0, armZ + armHalf]),
      to: add(pivot, [0, 0, armZ + armHalf + 24]),
      radiusMm: 26,
    }),
    round({
      part: 'focuser',
      from: along(focuserAt, focuserOut, R - 6),
      to: along(focuserAt, focuserOut, kit.eyepiece.radiusMm - 22),
      radiusMm: 26,
    }),
    round({
      part: 'eyepiece',
      from: along(focuserAt, focuserOut, kit.eyepiece.radiusMm - 22),
      to: along(focuserAt, focuserOut, kit.eyepiece.radiusMm + 36),
      radiusMm: 16,
    }),
    round({
      part: 'finder',
      from: along(finderMiddle, tube, -40),
      to: along(finderMiddle, tube, 44),
      radiusMm: 13,
      endRadiusMm: 17,
      open: true,
    }),
    round({
      part: 'finder',
      from: along(finderAt, finderOut, R - 4),
      to: along(finderMiddle, finderOut, -12),
      radiusMm: 9,
    }),
    round({ part: 'cap', from: t(openEnd + 2), to: t(openEnd + 18), radiusMm: R + 4 }),
  ]
  return {
    solids,
    at: {
      base: [0, 14 + BOARD_MM, 0],
      pivot,
      rods: along(t(lowerEnd - 14), towards(-56), R + 20),
      'open-end': t(openEnd),
      finder: finderMiddle,
      eyepiece: along(focuserAt, focuserOut, kit.eyepiece.radiusMm),
    },
    tube: scaled(tube, 1),
  }
}
