import type { PointXY } from '../shared/angles.ts'
import { peepholeScene } from '../testing/peephole-scene.ts'
import { peepholeView, type Alignment, type PeepholeTube } from './peephole-view.ts'

const tube = (apertureMm: number, focalLengthMm: number, secondaryMinorAxisMm: number): PeepholeTube => ({
  apertureMm,
  focalLengthMm,
  secondaryMinorAxisMm,
  secondaryOffsetMm: 2,
  secondaryToFocusMm: apertureMm / 2 + 75,
  peepholeOutsideFocusMm: 12,
  drawtubeInnerDiameterMm: 31.8,
  drawtubeEndToFocusMm: 60,
  capRingDiameterMm: 18,
  peepholeDiameterMm: 2,
  markOuterDiameterMm: 8,
  markInnerDiameterMm: 4,
  tubeInnerDiameterMm: apertureMm * 1.15,
  vanes: { count: 3, firstAngleDeg: 20, thicknessMm: 1 },
  clips: { count: 3, firstAngleDeg: 60, lengthMm: 3, widthMm: 8 },
})

/** Where a point of the primary appears: the exact ray from the hole, folded by the flat, that meets it. */
const tubes = [tube(114, 450, 41), tube(130, 650, 37), tube(203, 1200, 50), tube(76, 300, 26)]
const errors: readonly Alignment[] = [
  { axisErrorMm: { x: 0, y: 0 }, secondaryErrorMm: { x: 0, y: 0 } },
  { axisErrorMm: { x: 2, y: -3 }, secondaryErrorMm: { x: 3, y: 1 } },
  // A cell turned right out: about 1.5°.
  { axisErrorMm: { x: -11, y: 4 }, secondaryErrorMm: { x: -2, y: 4 } },
]
const cases = tubes.flatMap((one) => errors.map((alignment) => ({ one, alignment })))

describe('against an exact ray trace', () => {
  it.each(cases)('$one.apertureMm/$one.focalLengthMm, $alignment.axisErrorMm', ({ one, alignment }) => {
    const scene = peepholeScene(one, alignment)
    const view = peepholeView(one, alignment)
    const { focuserAxisAt, holeDistanceMm } = scene.frame
    const axis = focuserAxisAt(0)
    /** Ray from the hole towards a place of the view, traced through flat and primary. */
    const traced = ({ x, y }: { x: number; y: number }) => {
      const up = (x - axis.x) / holeDistanceMm
      const right = (y - axis.y) / holeDistanceMm
      const flat = scene.meetsFlat(scene.hole, [-1, right, up])
      const n = scene.normal
      const along = 2 * (-n[0] + right * n[1] + up * n[2])
      return scene.meetsPrimary(flat.point, [-1 - along * n[0], right - along * n[1], up - along * n[2]])
    }
    const limit = 0.01 * (one.apertureMm / 2)
    for (const point of view.primary)
      expect(Math.abs(Math.hypot(...(traced(point)?.met.slice(0, 2) ?? [0])) - one.apertureMm / 2)).toBeLessThan(
        limit,
      )
    // The hole's reflection: that ray comes back to the hole.
    const back = traced(view.centres.reflection)
    const again = back && scene.meetsFlat(back.point, back.reflected)
    const n = scene.normal
    const ray = back?.reflected ?? [0, 0, 0]
    const along = 2 * (ray[0] * n[0] + ray[1] * n[1] + ray[2] * n[2])
    const out = [ray[0] - along * n[0], ray[1] - along * n[1], ray[2] - along * n[2]] as const
    const from = again?.point ?? [0, 0, 0]
    const t = (scene.hole[0] - from[0]) / out[0]
    expect(Math.abs(from[1] + t * out[1] - scene.hole[1])).toBeLessThan(2 * limit)
    expect(Math.abs(from[2] + t * out[2] - scene.hole[2])).toBeLessThan(2 * limit)
    // The flat's outline seen in the primary: those rays graze the flat's edge.
    for (const point of view.silhouette) {
      const met = traced(point)
      const hit = met && scene.meetsFlat(met.point, met.reflected)
      const beside = hit ? [hit.point[0] - scene.flatCentre[0], hit.point[1] - scene.flatCentre[1]] : [0, 0]
      expect(Math.abs(Math.hypot(beside[0] ?? 0, beside[1] ?? 0) - scene.a)).toBeLessThan(2 * limit)
    }
  })

  // Both lie equally deep, so their heights show in one scale: 1.6 of the minor half axis, beside the holder's width of two.
  it.each(cases)(
    'the holder stands 0.8 of its width above the flat’s upper end: $one.apertureMm, $alignment',
    (each) => {
      for (const secondaryShiftMm of [undefined, { alongTube: 3, across: -2 }]) {
        const { holder, secondary } = peepholeView(each.one, { ...each.alignment, secondaryShiftMm })
        const [left, right] = holder.slice(-2)
        const width = (right?.y ?? 0) - (left?.y ?? 0)
        expect(left?.x).toBeCloseTo(right?.x ?? 0, 9)
        expect(((left?.x ?? 0) - Math.max(...secondary.map(({ x }) => x))) / width).toBeCloseTo(0.8, 2)
      }
    },
  )

  it('the mark’s offset from the reflection is 2h where the hole lies in the focal plane', () => {
    const one = { ...tube(130, 650, 37), peepholeOutsideFocusMm: 0 }
    const { reflection, mark } = peepholeView(one, {
      axisErrorMm: { x: 1.5, y: -0.5 },
      secondaryErrorMm: { x: 0, y: 0 },
    }).centres
    expect(mark.x - reflection.x).toBeCloseTo(3, 2)
    expect(mark.y - reflection.y).toBeCloseTo(-1, 2)
  })
})

it('clips begin just outside the mirror and reach over its edge by their length', () => {
  const { clips } = peepholeView(tube(130, 650, 37), {
    axisErrorMm: { x: 0, y: 0 },
    secondaryErrorMm: { x: 0, y: 0 },
  })
  expect(clips).toHaveLength(3)
  for (const corners of clips) {
    const reach = corners.map(({ x, y }) => Math.hypot(x, y)).sort((a, b) => a - b)
    // Corners lie half the clip's 8 mm aside: √(62² + 4²) and √(66² + 4²); the mirror's hollow adds a tenth.
    expect(reach[0]).toBeCloseTo(62.13, 0)
    expect(reach[1]).toBeCloseTo(62.13, 0)
    expect(reach[3]).toBeCloseTo(66.12, 0)
  }
})

it('vanes run from the flat’s holder to the tube’s wall, each as thick as it is, through the flat’s middle', () => {
  const one = { ...tube(130, 650, 37), secondaryOffsetMm: 0, vanes: { count: 4, firstAngleDeg: 25, thicknessMm: 2 } }
  const { vanes } = peepholeView(one, { axisErrorMm: { x: 0, y: 0 }, secondaryErrorMm: { x: 0, y: 0 } })
  expect(vanes).toHaveLength(4)
  const middle = (a?: PointXY, b?: PointXY) => ({
    x: ((a?.x ?? 0) + (b?.x ?? 0)) / 2,
    y: ((a?.y ?? 0) + (b?.y ?? 0)) / 2,
  })
  vanes.forEach(([innerLeft, outerLeft, outerRight, innerRight], i) => {
    const [inner, outer] = [middle(innerLeft, innerRight), middle(outerLeft, outerRight)]
    // All of it lies in one height, so it is seen in one scale: mm of the tube's mouth after a common factor.
    expect(Math.hypot(outer.x, outer.y) / Math.hypot(inner.x, inner.y)).toBeCloseTo((130 * 1.15) / (0.8 * 37), 1)
    const thick = Math.hypot((outerLeft?.x ?? 0) - (outerRight?.x ?? 0), (outerLeft?.y ?? 0) - (outerRight?.y ?? 0))
    expect(thick / Math.hypot(outer.x, outer.y)).toBeCloseTo(2 / ((130 * 1.15) / 2), 3)
    const angleDeg = (Math.atan2(outer.y, outer.x) * 180) / Math.PI
    expect(Math.cos(((angleDeg - 25 - 90 * i) * Math.PI) / 180)).toBeCloseTo(1, 3)
  })
})
