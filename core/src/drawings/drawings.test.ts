import { balancePart, kitOnMount, roundMount } from '../testing/kit-on-mount.ts'
import { dimensionsOf, type DrawnKit } from './dimensions.ts'
import { equatorialKit } from './equatorial-kit.ts'
import { add, along, cross, onPage, paint, round, scaled, turned, type Vector3, type View } from './solid.ts'
import { drawStep, STEP_HEIGHT_PX, STEP_WIDTH_PX } from './step.ts'
import { armOnLegsKit, panHeadKit, rockerKit, tabletopKit } from './altazimuth-kit.ts'
import type { KitPlaces } from './kit-places.ts'
import { families, type Family } from '../contents/roles.ts'
import { templateProcedure } from '../procedures/templates.ts'

const equatorial: DrawnKit = {
  family: 'equatorial-reflector',
  optics: { apertureMm: 125, focalLengthMm: 600, collapsible: false },
  mount: roundMount,
  parts: kitOnMount([balancePart('weight-shaft', 350)]).parts,
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
    const { pole, shaft, tube, at, cross: axesCross } = equatorialKit(size, pose)
    const [openEnd, eyepiece] = [at['open-end'] ?? axesCross, at.eyepiece ?? axesCross]
    // The shaft stands square to the polar axis, the tube square to the shaft.
    expect(dot(pole, shaft)).toBeCloseTo(0, 9)
    expect(dot(shaft, tube)).toBeCloseTo(0, 9)
    // The axis is tilted by the latitude; declination is what the tube has from the equator.
    expect((Math.asin(pole[1]) * 180) / Math.PI).toBeCloseTo(pose.latitudeDeg, 6)
    expect((Math.asin(dot(pole, tube)) * 180) / Math.PI).toBeCloseTo(pose.declinationDeg, 4)
    // The tube runs beside the polar axis, its own distance away, not on it.
    const beside = minus(openEnd, axesCross)
    expect(-dot(beside, shaft)).toBeCloseTo(size.tubeAxisMm, 6)
    // Eyepiece and finder sit where the model says.
    const radial = minus(eyepiece, along(openEnd, tube, size.balanceMm + size.eyepiece.alongMm - size.tubeLengthMm))
    expect(Math.hypot(...radial)).toBeCloseTo(size.eyepiece.radiusMm - 22, 6)
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

const drawn = (family: Family, apertureMm: number, focalLengthMm: number): DrawnKit => ({
  family,
  optics: { apertureMm, focalLengthMm, collapsible: family === 'tabletop-reflector' },
  mount: null,
  parts: [],
})
const examples: Readonly<Record<Family, DrawnKit>> = {
  'tabletop-reflector': drawn('tabletop-reflector', 125, 600),
  'floor-reflector': drawn('floor-reflector', 203, 1200),
  'equatorial-reflector': drawn('equatorial-reflector', 125, 600),
  'tripod-refractor': drawn('tripod-refractor', 70, 400),
  'altazimuth-reflector': drawn('altazimuth-reflector', 108, 470),
  'equatorial-maksutov': drawn('equatorial-maksutov', 102, 1300),
  'computer-driven': drawn('computer-driven', 125, 1900),
  'large-equatorial': drawn('large-equatorial', 120, 900),
}
const partsOf = (places: KitPlaces, ...parts: readonly string[]) =>
  places.solids.filter(({ part }) => parts.includes(part))
const heights = (solids: KitPlaces['solids']) => solids.flatMap(({ points }) => points.map(([, y]) => y))

describe('every tube passes straight up without touching what it stands on', () => {
  it.each([
    ['tabletop-reflector', tabletopKit, ['base']],
    ['floor-reflector', rockerKit, ['base']],
    [
      'altazimuth-reflector',
      (size: ReturnType<typeof dimensionsOf>, pose: { altitudeDeg: number }) =>
        armOnLegsKit(size, { ...pose, arms: 1, driven: false }),
      ['legs'],
    ],
    [
      'computer-driven',
      (size: ReturnType<typeof dimensionsOf>, pose: { altitudeDeg: number }) =>
        armOnLegsKit(size, { ...pose, arms: 2, driven: true }),
      ['legs'],
    ],
  ] as const)('%s', (family, kitOf, below) => {
    const size = dimensionsOf(examples[family])
    for (const altitudeDeg of [0, 20, 45, 70, 90]) {
      const places = kitOf(size, { altitudeDeg })
      // Of a rocker only the boards: its sides stand beside the tube.
      const boards = partsOf(places, ...below).filter((solid) =>
        heights([solid]).every((y) => y < 60 || below[0] === 'legs'),
      )
      const tube = partsOf(places, 'tube', 'diagonal', 'eyepiece').filter(({ spine }) =>
        spine.every(([, , z]) => Math.abs(z) < size.tubeDiameterMm / 2),
      )
      expect(Math.min(...heights(tube))).toBeGreaterThan(Math.max(...heights(boards)))
    }
  })
})

it.each(Object.keys(families) as Family[])('%s: the right end looks at the sky, the eye’s end doesn’t', (family) => {
  const kit = examples[family]
  const size = dimensionsOf(kit)
  const places =
    family === 'tripod-refractor'
      ? panHeadKit(size, { altitudeDeg: 52 })
      : family === 'equatorial-reflector' || family === 'equatorial-maksutov' || family === 'large-equatorial'
        ? equatorialKit(size, { latitudeDeg: 52, turnDeg: 0, declinationDeg: 90 })
        : armOnLegsKit(size, { altitudeDeg: 52, arms: 1, driven: false })
  const along_ = (point: Vector3 | undefined) => dot(minus(point ?? [0, 0, 0], places.pivot), places.tube)
  expect(along_(places.at['open-end'])).toBeGreaterThan(along_(places.at['low-end']))
  // A Newtonian's eyepiece sits near its open end, another's behind its low end.
  const middle = (along_(places.at['open-end']) + along_(places.at['low-end'])) / 2
  if (size.kind === 'newtonian') expect(along_(places.at.eyepiece)).toBeGreaterThan(middle)
  else expect(along_(places.at.eyepiece)).toBeLessThan(along_(places.at['low-end']))
  expect(size.kind === 'newtonian').toBe(partsOf(places, 'diagonal').length === 0)
  // The eyepiece comes out square to the tube, away from the mount.
  expect(dot(places.eyepieceOut, places.tube)).toBeCloseTo(0, 9)
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

const roles = [
  'bubble-level',
  'coin-cell',
  'controller',
  'counterweight',
  'diagonal',
  'tray',
  'slow-motion-rod',
] as const
const withParts = (kit: DrawnKit): DrawnKit => ({
  ...kit,
  parts: roles.map((role) => balancePart(role, 1000)),
})

describe('steps', () => {
  it.each(Object.keys(families) as Family[])(
    '%s: every step and its undoing has a drawing that stays on its page',
    (family) => {
      const kit = withParts(examples[family])
      const { collapsible } = kit.optics
      const { setUp, takeApart } = templateProcedure({ family, collapsible, parts: roles })
      for (const step of [...setUp, ...takeApart]) {
        expect([step.key, step.drawing]).not.toEqual([step.key, null])
        if (!step.drawing) continue
        const picture = drawStep(kit, step.drawing, { undo: takeApart.includes(step) })
        const numbers = picture.items.flatMap((item) =>
          item.kind === 'path' && !['not-so', 'next', 'axis'].includes(item.look)
            ? [...item.d.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)] as const)
            : [],
        )
        expect(numbers.length).toBeGreaterThanOrEqual(20)
        // A head seen close is cropped at its legs; nothing else may leave the page.
        const cropped = ['head', 'latitude', 'rods'].includes(step.drawing)
        const off = numbers.filter(
          ([x, y]) => !(x > -6 && x < STEP_WIDTH_PX + 6 && y > -6 && (cropped || y < STEP_HEIGHT_PX + 6)),
        )
        expect([step.key, off]).toEqual([step.key, []])
        // Words stand beside the drawing, only figures in it.
        for (const item of picture.items) if (item.kind === 'text') expect(item.text).toMatch(/^\d+°$/)
      }
    },
  )
  it('one step’s part is filled; what isn’t on yet isn’t drawn', () => {
    const kit = examples['equatorial-reflector']
    const looks = (drawing: 'weight' | 'tube') =>
      drawStep(kit, drawing)
        .items.filter((item) => item.kind === 'path')
        .map(({ look }) => look)
    expect(looks('weight')).toContain('fill')
    expect(looks('weight')).toContain('next')
    expect(looks('tube')).not.toContain('next')
  })
  it('undoing turns the arrow round, and shows no screw that tightens', () => {
    const kit = examples['altazimuth-reflector']
    const heads = (undo: boolean) =>
      drawStep(kit, 'eyepiece', { undo }).items.flatMap((item) =>
        item.kind === 'path' && item.look === 'move-head' ? [item.d] : [],
      )
    expect(heads(true)).not.toEqual(heads(false))
    expect(drawStep(kit, 'tube', { undo: true }).items.some(({ kind }) => kind === 'circle')).toBe(false)
  })
  it('a person stands beside at the kit’s own scale', () => {
    const items = drawStep(examples['floor-reflector'], 'moves').items.filter(
      (item) => item.kind === 'path' && item.look === 'person',
    )
    const ys = items.flatMap((item) =>
      (item.kind === 'path' ? [...item.d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)] : []).map(([, , y]) => Number(y)),
    )
    // 1.70 m at 0.19 px a millimetre.
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(1700 * 0.19, -1)
  })
  it('the latitude’s figure is the place’s', () => {
    const figures = (latitudeDeg: number) =>
      drawStep(equatorial, 'latitude', { latitudeDeg }).items.flatMap((item) =>
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
})
