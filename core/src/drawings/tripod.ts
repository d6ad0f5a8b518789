import { LEGS } from '../mount/near-legs.ts'
import { degToRad } from '../shared/angles.ts'
import { add, ball, block, round, scaled, type Solid, type Vector3 } from './solid.ts'

/** Three legs, the far one receding, and what keeps them from folding: a tray, or a brace with its column. */
export interface TripodGiven {
  readonly hingeMm: number
  readonly spreadDeg?: number
  readonly brace?: boolean
  /** Legs of a heavy stand. */
  readonly thick?: number
}

const HINGE_RADIUS_MM = LEGS.hingeRadiusMm
const FOOT_MM = 16
const TRAY_HEIGHT_FRACTION = 0.43
const LEG_TURNS_DEG = [0, 120, 240] as const

export function tripod({ hingeMm, spreadDeg = LEGS.spreadDeg, brace = false, thick = 1 }: TripodGiven): {
  readonly solids: readonly Solid[]
  readonly tray: Vector3
  readonly foot: Vector3
} {
  const slope = Math.tan(degToRad(spreadDeg))
  const feet = LEG_TURNS_DEG.map((turn): Vector3 => [Math.cos(degToRad(turn)), 0, Math.sin(degToRad(turn))])
  const footOf = (out: Vector3) => add(scaled(out, HINGE_RADIUS_MM + (hingeMm - FOOT_MM) * slope), [0, FOOT_MM, 0])
  const legs = feet.flatMap((out, index) => {
    const top = add(scaled(out, HINGE_RADIUS_MM), [0, hingeMm - 12, 0])
    const foot = footOf(out)
    const middle = add(top, scaled(add(foot, scaled(top, -1)), 0.52))
    const recede = index === 2
    return [
      round({ part: 'legs', from: top, to: middle, radiusMm: LEGS.radiusMm * thick, recede }),
      round({ part: 'legs', from: middle, to: foot, radiusMm: 12 * thick, recede }),
      // The lock where the lower leg slides into the upper.
      round({
        part: 'legs',
        from: add(middle, [0, 14, 0]),
        to: add(middle, [0, -14, 0]),
        radiusMm: 21 * thick,
        recede,
      }),
      ball('legs', foot, FOOT_MM),
    ]
  })
  const trayY = hingeMm * TRAY_HEIGHT_FRACTION
  const reach = HINGE_RADIUS_MM + (hingeMm - trayY) * slope
  const across = brace
    ? [
        ...feet.map((out, index) =>
          round({
            part: 'tray',
            from: [0, trayY + 26, 0],
            to: add(scaled(out, reach - 6), [0, trayY, 0]),
            radiusMm: 7,
            recede: index === 2,
          }),
        ),
        round({ part: 'tray', from: [0, trayY - 34, 0], to: [0, trayY + 60, 0], radiusMm: 16 }),
        round({ part: 'tray', from: [0, trayY - 58, 0], to: [0, trayY - 34, 0], radiusMm: 24 }),
      ]
    : [round({ part: 'tray', from: [0, trayY, 0], to: [0, trayY + 9, 0], radiusMm: reach - 8 })]
  return {
    solids: [
      ...legs,
      round({ part: 'legs', from: [0, hingeMm - 26, 0], to: [0, hingeMm, 0], radiusMm: HINGE_RADIUS_MM + 14 }),
      ...across,
    ],
    tray: [0, trayY, 0],
    foot: footOf([1, 0, 0]),
  }
}

/** A hand controller hung on a leg, its cable up to the mount, and the pack on the ground. */
export function controllerParts(hingeMm: number, from: Vector3): readonly Solid[] {
  const y = hingeMm * 0.62
  const x = HINGE_RADIUS_MM + (hingeMm - y) * Math.tan(degToRad(LEGS.spreadDeg)) + 34
  return [
    block({
      part: 'controller',
      centre: [x, y, 40],
      half: [
        [26, 0, 0],
        [0, 62, 0],
        [0, 0, 12],
      ],
    }),
    block({
      part: 'controller',
      centre: [x, y + 30, 53],
      half: [
        [18, 0, 0],
        [0, 14, 0],
        [0, 0, 1],
      ],
    }),
    round({ part: 'controller', from: [x, y + 62, 40], to: [x - 30, hingeMm - 40, 44], radiusMm: 3 }),
    round({ part: 'controller', from: [x - 30, hingeMm - 40, 44], to: from, radiusMm: 3 }),
  ]
}
