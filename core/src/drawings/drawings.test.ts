import { stepDrawings } from '../procedures/procedure.ts'
import { balancePart, kitOnMount, roundMount } from '../testing/kit-on-mount.ts'
import { closeUp, closeUps } from './close-ups.ts'
import { dimensionsOf, type DrawnKit } from './dimensions.ts'
import { equatorialKit } from './equatorial-kit.ts'
import { add, along, cross, onPage, paint, round, scaled, turned, type Vector3, type View } from './solid.ts'
import { drawStep, STEP_HEIGHT_PX, STEP_WIDTH_PX } from './step.ts'
import { tabletopKit } from './tabletop-kit.ts'

const equatorial: DrawnKit = {
  family: 'equatorial-reflector',
  optics: { apertureMm: 130, focalLengthMm: 650, collapsible: false },
  mount: roundMount,
  parts: kitOnMount([balancePart('weight-shaft', 350)]).parts,
}
const tabletop: DrawnKit = {
  ...equatorial,
  family: 'tabletop-reflector',
  mount: null,
  optics: { ...equatorial.optics, collapsible: true },
}
const dot = (a: Vector3, b: Vector3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
const minus = (a: Vector3, b: Vector3) => add(a, scaled(b, -1))

describe('the head is right, at any latitude and in any pose', () => {
  it.each([
    { latitudeDeg: 52, turnDeg: 0, declinationDeg: 90 },
    { latitudeDeg: 28, turnDeg: -90, declinationDeg: 90 },
    { latitudeDeg: 65, turnDeg: 40, declinationDeg: 12 },
  ])('$latitudeDeg°, turned $turnDeg°, declination $declinationDeg°', (pose) => {
    const size = dimensionsOf(equatorial)
    const { pole, shaft, tube, at } = equatorialKit(size, pose)
    // The shaft stands square to the polar axis, the tube square to the shaft.
    expect(dot(pole, shaft)).toBeCloseTo(0, 9)
    expect(dot(shaft, tube)).toBeCloseTo(0, 9)
    // The axis is tilted by the latitude; declination is what the tube has from the equator.
    expect((Math.asin(pole[1]) * 180) / Math.PI).toBeCloseTo(pose.latitudeDeg, 6)
    expect((Math.asin(dot(pole, tube)) * 180) / Math.PI).toBeCloseTo(pose.declinationDeg, 4)
    // The tube runs beside the polar axis, its own distance away, not on it.
    const beside = minus(at['open-end'], at.cross)
    expect(-dot(beside, shaft)).toBeCloseTo(size.tubeAxisMm, 6)
    // Eyepiece and finder sit where the model says.
    const radial = minus(
      at.eyepiece,
      along(at['open-end'], tube, size.balanceMm + size.eyepiece.alongMm - size.tubeLengthMm),
    )
    expect(Math.hypot(...radial)).toBeCloseTo(size.eyepiece.radiusMm, 6)
  })

  it('at home the shaft hangs straight down on the pole’s side, the weight between housing and end stop', () => {
    const size = dimensionsOf(equatorial)
    const { shaft } = equatorialKit(size, { latitudeDeg: 52, turnDeg: 0, declinationDeg: 90 })
    expect(shaft[0]).toBeGreaterThan(0)
    expect(shaft[1]).toBeLessThan(0)
    expect(size.weightAtMm - size.weightThicknessMm / 2).toBeGreaterThanOrEqual(size.shaftStartMm)
    expect(size.weightAtMm + size.weightThicknessMm / 2).toBeLessThanOrEqual(size.shaftEndMm)
  })

  it('turned by −90° it is level, tube to the west', () => {
    const { shaft } = equatorialKit(dimensionsOf(equatorial), { latitudeDeg: 52, turnDeg: -90, declinationDeg: 90 })
    expect(shaft[1]).toBeCloseTo(0, 9)
    // z runs to the east, where the viewer stands; the weight lies there, the tube opposite.
    expect(shaft[2]).toBeCloseTo(1, 9)
  })

  it('feet stand on the ground, none through it', () => {
    const { solids } = equatorialKit(dimensionsOf(equatorial), { latitudeDeg: 52, turnDeg: 0, declinationDeg: 90 })
    const lowest = Math.min(...solids.flatMap(({ points }) => points.map(([, y]) => y)))
    expect(lowest).toBeCloseTo(0, 6)
  })
})

it('a tabletop tube passes straight up without touching its base', () => {
  const size = dimensionsOf(tabletop)
  for (const altitudeDeg of [0, 20, 45, 70, 90]) {
    const { solids } = tabletopKit(size, { altitudeDeg, openFraction: 1 })
    const tubeLow = Math.min(
      ...solids.filter(({ part }) => part === 'tube').flatMap(({ points }) => points.map(([, y]) => y)),
    )
    const boardTop = Math.max(
      ...solids.filter(({ part }) => part === 'base').flatMap(({ points }) => points.map(([, y]) => y)),
    )
    expect(tubeLow).toBeGreaterThan(boardTop)
  }
})

describe('projection', () => {
  const view: View = { turnDeg: 16, pxPerMm: 0.5, originPx: [100, 300] }
  it('heights are true and the ground is one line', () => {
    expect(onPage([500, 200, 300], view).y).toBe(200)
    expect(onPage([-80, 0, 70], view).y).toBe(300)
  })
  it('what lies nearer hides what lies behind, whichever is given first', () => {
    const near = round({ part: 'near', from: [0, 0, 100], to: [0, 50, 100], radiusMm: 20 })
    const far = round({ part: 'far', from: [0, 0, -100], to: [0, 50, -100], radiusMm: 20 })
    const look = (part: string) => (part === 'near' ? ('fill' as const) : ('outline' as const))
    const front: View = { ...view, turnDeg: 0 }
    for (const solids of [
      [near, far],
      [far, near],
    ]) {
      const looks = paint(solids, front, look).map((item) => item.look)
      expect(looks.indexOf('outline')).toBeLessThan(looks.indexOf('fill'))
    }
  })
  it('turning about an axis keeps length and angle to it', () => {
    const v = turned([1, 2, 3], [0, 1, 1], 77)
    expect(Math.hypot(...v)).toBeCloseTo(Math.sqrt(14), 9)
    expect(v[1] + v[2]).toBeCloseTo(5, 9)
    expect(cross([1, 0, 0], [0, 1, 0])).toEqual([0, 0, 1])
  })
})

describe('steps', () => {
  it.each(stepDrawings)('%s stays on its page and fills one part at most', (drawing) => {
    for (const kit of [equatorial, tabletop]) {
      const picture = drawStep(kit, drawing)
      if (!picture) continue
      const numbers = picture.items.flatMap((item) =>
        item.kind === 'path' && item.look !== 'not-so'
          ? [...item.d.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)] as const)
          : [],
      )
      expect(numbers.length).toBeGreaterThan(20)
      for (const [x, y] of numbers) {
        expect(Number.isFinite(x + y)).toBe(true)
        expect(x).toBeGreaterThan(-4)
        expect(x).toBeLessThan(STEP_WIDTH_PX + 4)
        expect(y).toBeGreaterThan(-4)
      }
      // Words stand beside the drawing, only figures in it.
      for (const item of picture.items) if (item.kind === 'text') expect(item.text).toMatch(/^\d+°$/)
      expect(picture.heightPx).toBe(STEP_HEIGHT_PX)
    }
  })
  it('the latitude’s figure is the place’s', () => {
    const figures = (latitudeDeg: number) =>
      drawStep(equatorial, 'latitude', latitudeDeg)?.items.flatMap((item) =>
        item.kind === 'text' ? [item.text] : [],
      )
    expect(figures(35)).toEqual(['35°'])
    expect(figures(-35)).toEqual(['35°'])
  })
  it('a longer tube is drawn longer', () => {
    const long = {
      ...equatorial,
      mount: { ...roundMount, tube: roundMount.tube && { ...roundMount.tube, lengthMm: 900 } },
    }
    expect(dimensionsOf(long).tubeLengthMm).toBe(900)
    expect(drawStep(long, 'tube')).not.toEqual(drawStep(equatorial, 'tube'))
  })
  it('other families have none yet, and say so by null', () => {
    expect(drawStep({ ...equatorial, family: 'floor-reflector' }, 'tube')).toBeNull()
  })
})

it.each(closeUps)('close-up %s fills its part inside its own circle', (name) => {
  const drawn = closeUp(name, [100, 100], 50)
  expect(drawn.items.some(({ look }) => look === 'fill')).toBe(true)
  for (const { d } of drawn.items) expect(d).not.toMatch(/NaN|undefined/)
})
