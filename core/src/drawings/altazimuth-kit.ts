import { degToRad } from '../shared/angles.ts'
import type { KitDimensions } from './dimensions.ts'
import { topOf, type KitPlaces } from './kit-places.ts'
import { add, along, block, round, slab, turned, type Solid, type Vector3 } from './solid.ts'
import { controllerParts, tripod } from './tripod.ts'
import { tubeOf } from './tube.ts'

/** Stands that turn about the upright and tip about the level: one arm or a fork on legs, one arm on a table, a rocker on
 * the ground, a pan head on a photo tripod. A tube must always pass straight up. */

const level: Vector3 = [0, 0, 1]
const upright: Vector3 = [0, 1, 0]
const ROUND_TOP_MM = 40
const BOARD_MM = 18
const BOARD_GAP_MM = 4
const PAD_MM = 14
/** Nearly on top, so that no arm hides it. */
const FINDER_TURN_DEG = 22

/** Behind the balance point, with screw heads or with the diagonal. */
const rearMm = (kit: KitDimensions): number =>
  kit.kind === 'newtonian' ? kit.balanceMm + 24 : kit.balanceMm + (kit.kind === 'maksutov' ? 92 : 58)

const direction = (altitudeDeg: number): Vector3 => [
  Math.cos(degToRad(altitudeDeg)),
  Math.sin(degToRad(altitudeDeg)),
  0,
]

/** An arm's upright board, round at the top. */
function armSolid(pivotY: number, fromY: number, halfWidthMm: number, atZ: number): Solid {
  return slab({
    part: 'arm',
    outline: [
      ...Array.from({ length: 13 }, (_each, index): readonly [number, number] => {
        const turn = (index / 12) * Math.PI
        return [ROUND_TOP_MM * Math.cos(turn), pivotY + ROUND_TOP_MM * Math.sin(turn)]
      }),
      [-halfWidthMm, fromY],
      [halfWidthMm, fromY],
    ],
    fromZ: atZ - BOARD_MM / 2,
    toZ: atZ + BOARD_MM / 2,
  })
}

function altazimuthPlaces(
  kit: KitDimensions,
  given: {
    readonly solids: readonly Solid[]
    readonly pivot: Vector3
    readonly altitudeDeg: number
    readonly at: KitPlaces['at']
    readonly rail?: boolean
  },
): KitPlaces {
  const tube = direction(given.altitudeDeg)
  const out = turned(tube, level, 90)
  const drawn = tubeOf(kit, {
    balance: given.pivot,
    axis: tube,
    out,
    rail: given.rail ?? false,
    finderTurnDeg: FINDER_TURN_DEG,
  })
  const solids = [...given.solids, ...drawn.solids]
  return {
    solids,
    at: { ...drawn.at, ...given.at },
    tube,
    eyepieceOut: drawn.eyepieceOut,
    pivot: given.pivot,
    axes: [upright, level],
    topMm: topOf(solids),
  }
}

/** Two boards on three pads; the lower one stands, the upper one turns on it. */
function turningBoards(radiusMm: number): readonly Solid[] {
  return [
    ...[90, 210, 330].map((turn) => {
      const foot: Vector3 = [0.8 * radiusMm * Math.cos(degToRad(turn)), 0, 0.8 * radiusMm * Math.sin(degToRad(turn))]
      return round({ part: 'base', from: foot, to: add(foot, [0, PAD_MM, 0]), radiusMm: 18 })
    }),
    round({ part: 'base', from: [0, PAD_MM, 0], to: [0, PAD_MM + BOARD_MM, 0], radiusMm }),
    round({
      part: 'base',
      from: [0, PAD_MM + BOARD_MM + BOARD_GAP_MM, 0],
      to: [0, BOARDS_TOP_MM, 0],
      radiusMm: radiusMm - 10,
    }),
  ]
}
const BOARDS_TOP_MM = PAD_MM + 2 * BOARD_MM + BOARD_GAP_MM

/** Where the tube tips, on each of these stands: the tube must always pass straight up. */
export const tabletopPivot = (kit: KitDimensions): Vector3 => [
  0,
  BOARDS_TOP_MM + Math.hypot(rearMm(kit), kit.tubeDiameterMm / 2) + 22,
  0,
]
export const rockerPivot = (kit: KitDimensions): Vector3 => [
  0,
  BOARDS_TOP_MM + Math.hypot(rearMm(kit), kit.tubeDiameterMm / 2) + 34,
  0,
]

/** One arm on a turning base that stands on a table. */
export function tabletopKit(kit: KitDimensions, { altitudeDeg }: { readonly altitudeDeg: number }): KitPlaces {
  const R = kit.tubeDiameterMm / 2
  const pivot = tabletopPivot(kit)
  const boardR = R + 70
  const armZ = R + 30
  const knob = add(pivot, [0, 0, armZ + BOARD_MM / 2])
  return altazimuthPlaces(kit, {
    pivot,
    altitudeDeg,
    solids: [
      ...turningBoards(boardR),
      armSolid(pivot[1], BOARDS_TOP_MM, boardR * 0.42, armZ),
      round({
        part: 'arm',
        from: add(pivot, [0, 0, R - 4]),
        to: add(pivot, [0, 0, armZ - BOARD_MM / 2]),
        radiusMm: 24,
      }),
      round({ part: 'knob', from: knob, to: add(knob, [0, 0, 24]), radiusMm: 26 }),
    ],
    at: { base: [0, PAD_MM + BOARD_MM, 0], knob },
  })
}

/** A rocker on the ground: two side boards with half-round cradles, a low front board, round discs on the tube. */
export function rockerKit(kit: KitDimensions, { altitudeDeg }: { readonly altitudeDeg: number }): KitPlaces {
  const R = kit.tubeDiameterMm / 2
  const pivot = rockerPivot(kit)
  const boardR = R + 120
  const sideZ = R + 26
  const halfW = R + 34
  const discR = Math.max(64, R * 0.62)
  const cradle = Array.from({ length: 13 }, (_each, index): readonly [number, number] => {
    const turn = Math.PI + (index / 12) * Math.PI
    return [discR * Math.cos(turn), pivot[1] + discR * Math.sin(turn)]
  })
  const side = (atZ: number) =>
    slab({
      part: 'base',
      hollow: true,
      outline: [
        [-halfW, BOARDS_TOP_MM],
        [-discR - 14, pivot[1]],
        ...cradle,
        [discR + 14, pivot[1]],
        [halfW, BOARDS_TOP_MM],
      ],
      fromZ: atZ - BOARD_MM / 2,
      toZ: atZ + BOARD_MM / 2,
    })
  const frontTop = pivot[1] * 0.62
  return altazimuthPlaces(kit, {
    pivot,
    altitudeDeg,
    solids: [
      ...turningBoards(boardR),
      side(-sideZ),
      block({
        part: 'base',
        centre: [halfW - 12, (BOARDS_TOP_MM + frontTop) / 2, 0],
        half: [
          [BOARD_MM / 2, 0, 0],
          [0, (frontTop - BOARDS_TOP_MM) / 2, 0],
          [0, 0, sideZ - BOARD_MM / 2],
        ],
      }),
      side(sideZ),
      ...[-1, 1].map((hand) =>
        round({
          part: 'tube',
          from: add(pivot, [0, 0, hand * (sideZ - BOARD_MM / 2)]),
          to: add(pivot, [0, 0, hand * (sideZ + BOARD_MM / 2 + 4)]),
          radiusMm: discR,
        }),
      ),
    ],
    at: { base: [0, PAD_MM + BOARD_MM, boardR * 0.5], knob: add(pivot, [0, 0, sideZ]) },
  })
}

interface ArmOnLegs {
  readonly arms: 1 | 2
  readonly driven: boolean
}
const armBaseTopMm = (kit: KitDimensions, { driven }: ArmOnLegs) => kit.standHeightMm + (driven ? 74 : 40)
const bodyWidthMm = (kit: KitDimensions) => (kit.kind === 'maksutov' ? 78 : 26)
export function armPivot(kit: KitDimensions, given: ArmOnLegs): Vector3 {
  const rear = rearMm(kit)
  const clear =
    given.arms === 2 ? Math.hypot(rear, bodyWidthMm(kit)) + 28 + 12 : Math.hypot(rear, kit.tubeDiameterMm / 2) + 22
  return [0, armBaseTopMm(kit, given) + clear, 0]
}

/** One arm, or a fork, on a tripod; a drive base and a hand controller where motors turn it. */
export function armOnLegsKit(kit: KitDimensions, given: ArmOnLegs & { readonly altitudeDeg: number }): KitPlaces {
  const R = kit.tubeDiameterMm / 2
  const hinge = kit.standHeightMm
  const baseTop = armBaseTopMm(kit, given)
  const pivot = armPivot(kit, given)
  const armZ = R + 26
  const stand = tripod({ hingeMm: hinge })
  const hands = given.arms === 2 ? ([-1, 1] as const) : ([1] as const)
  const knob = add(pivot, [0, 0, armZ + BOARD_MM / 2])
  return altazimuthPlaces(kit, {
    pivot,
    altitudeDeg: given.altitudeDeg,
    rail: given.arms === 1,
    solids: [
      ...stand.solids,
      round({ part: 'head', from: [0, hinge, 0], to: [0, baseTop, 0], radiusMm: given.driven ? R + 44 : 66 }),
      ...hands.flatMap((hand): Solid[] => [
        { ...armSolid(pivot[1], baseTop, 58, hand * armZ), part: 'head' },
        round({
          part: 'head',
          from: add(pivot, [0, 0, hand * (R - 4)]),
          to: add(pivot, [0, 0, hand * (armZ - BOARD_MM / 2)]),
          radiusMm: 24,
        }),
      ]),
      ...(given.arms === 1
        ? [
            block({
              part: 'head',
              centre: [0, baseTop + 8, armZ / 2],
              half: [
                [44, 0, 0],
                [0, 8, 0],
                [0, 0, armZ / 2 + 8],
              ],
            }),
          ]
        : []),
      round({ part: 'clamp', from: knob, to: add(knob, [0, 0, 24]), radiusMm: 22 }),
      ...(given.driven ? controllerParts(hinge, [R + 40, hinge + 30, 20]) : []),
    ],
    at: {
      tray: stand.tray,
      head: [0, hinge + 10, 0],
      clamp: knob,
      knob,
      controller: [HAND_X_MM, hinge * 0.62, 40],
    },
  })
}

const HAND_X_MM = 240

/** A pan head's own joint, the platform square to the tube above it, and the tube's axis on that. */
function panHeadPoints(kit: KitDimensions, altitudeDeg: number) {
  const joint: Vector3 = [0, kit.standHeightMm + 96, 0]
  const tube = direction(altitudeDeg)
  const up = turned(tube, level, 90)
  const platform = along(joint, up, 34)
  return { joint, tube, up, platform, pivot: along(platform, up, kit.tubeDiameterMm / 2 + 22) }
}
export const panHeadPivot = (kit: KitDimensions, { altitudeDeg }: { readonly altitudeDeg: number }): Vector3 =>
  panHeadPoints(kit, altitudeDeg).pivot

/** A pan head on a photo tripod's column; the tube's foot on its platform. */
export function panHeadKit(kit: KitDimensions, { altitudeDeg }: { readonly altitudeDeg: number }): KitPlaces {
  const hinge = kit.standHeightMm
  const stand = tripod({ hingeMm: hinge, spreadDeg: 22, brace: true, thick: 0.82 })
  // Its brace unfolds with the legs: no step of its own.
  const standing = stand.solids.map((solid) => ({ ...solid, part: 'legs' }))
  const { joint, tube, up, platform, pivot } = panHeadPoints(kit, altitudeDeg)
  const handleFrom = along(joint, tube, -24)
  const handleEnd = add(along(handleFrom, tube, -150), [0, -84, 60])
  return altazimuthPlaces(kit, {
    pivot,
    altitudeDeg,
    solids: [
      ...standing,
      round({ part: 'head', from: [0, hinge - 60, 0], to: [0, hinge + 70, 0], radiusMm: 15 }),
      round({ part: 'head', from: [0, hinge + 66, 0], to: [0, hinge + 84, 0], radiusMm: 30 }),
      round({ part: 'head', from: add(joint, [0, 0, -26]), to: add(joint, [0, 0, 26]), radiusMm: 22 }),
      block({
        part: 'head',
        centre: along(joint, up, 26),
        half: [
          [tube[0] * 40, tube[1] * 40, 0],
          [up[0] * 7, up[1] * 7, 0],
          [0, 0, 26],
        ],
      }),
      round({ part: 'handle', from: handleFrom, to: handleEnd, radiusMm: 6 }),
      round({ part: 'handle', from: along(handleEnd, tube, 0), to: add(handleEnd, [-46, -26, 18]), radiusMm: 13 }),
      block({
        part: 'tube',
        centre: along(platform, up, 9),
        half: [
          [tube[0] * 34, tube[1] * 34, 0],
          [up[0] * 11, up[1] * 11, 0],
          [0, 0, 16],
        ],
      }),
    ],
    at: { tray: stand.tray, head: [0, hinge + 66, 0], clamp: along(joint, up, 20), handle: handleEnd },
  })
}
