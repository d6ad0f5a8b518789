import type { CasePose } from './case-pose.ts'
import { boxOf, foamBeside, middleOf, placeOf } from './place.ts'

const PX_PER_MM = 2
/** Straight from above: two pixels to the millimetre, whatever the depth. */
const pose: CasePose = {
  project: (x, y) => ({ x: x * PX_PER_MM, y: y * PX_PER_MM }),
  ...{ tiltDeg: 0, pxPerMm: PX_PER_MM, misfitMm: 0 },
}
const rectangle = (left: number, top: number, right: number, bottom: number) => [
  { x: left, y: top },
  { x: right, y: top },
  { x: right, y: bottom },
  { x: left, y: bottom },
]
const well = { id: 'well', outlineMm: rectangle(30, 20, 70, 50) }
const beside = { id: 'beside', outlineMm: rectangle(73, 20, 110, 50) }
const [FOAM, PART, HAND] = [0.5, 0.2, 0.95]

type Painted = readonly { readonly outlineMm: typeof well.outlineMm; readonly level: number }[]
/** A picture of a case of 120 by 80 mm with wells and what lies over it. */
function picture(painted: Painted, [widthMm, heightMm] = [120, 80]) {
  const [width, height] = [widthMm * PX_PER_MM, heightMm * PX_PER_MM]
  const values = Float32Array.from({ length: width * height }, (_, i) => {
    const [x, y] = [((i % width) + 0.5) / PX_PER_MM, (Math.floor(i / width) + 0.5) / PX_PER_MM]
    const over = painted.findLast(({ outlineMm }) => {
      const { left, top, width: wide, height: high } = boxOf(outlineMm)
      return x > left && x < left + wide && y > top && y < top + high
    })
    return over?.level ?? FOAM
  })
  return { width, height, values }
}
const usual = [
  { ...well, level: PART },
  { ...beside, level: 0.9 },
]

it('the foam beside a well is told without the well, its wall, or the wells next to it', () => {
  const levels = foamBeside(picture(usual), pose, { compartment: well, others: [beside] })
  // A band of 2 to 8 mm about 40 by 30 mm, less the neighbour's strip, looked at every 2 mm.
  expect(levels.length).toBeGreaterThan(180)
  expect(levels.length).toBeLessThan(300)
  for (const level of levels) expect(level).toBeCloseTo(FOAM, 5)
  // Taken for foam, the neighbour's brightness would be among them.
  expect(Math.max(...foamBeside(picture(usual), pose, { compartment: well, others: [] }))).toBeCloseTo(0.9, 5)
})

it('what lies outside the picture is not foam', () => {
  const cut = picture(usual, [72, 80])
  const whole = foamBeside(picture(usual), pose, { compartment: well, others: [beside] })
  const levels = foamBeside(cut, pose, { compartment: well, others: [beside] })
  expect(levels.length).toBeGreaterThan(100)
  expect(levels.length).toBeLessThan(whole.length)
  const above: CasePose = { ...pose, project: (x, y) => ({ x: (x - 26) * PX_PER_MM, y: (y - 16) * PX_PER_MM }) }
  expect(foamBeside(cut, above, { compartment: well, others: [beside] }).length).toBeLessThan(whole.length)
})

describe('a place', () => {
  const read = (painted: Painted, outlineMm = well.outlineMm) =>
    placeOf(picture(painted), pose, {
      ...{ compartment: { id: 'well', outlineMm }, others: [beside], foamOfCase: FOAM },
    })

  it('is its brightness over the foam’s, in cells of a millimetre', () => {
    const place = read(usual)
    expect([place.width, place.height]).toEqual([40, 30])
    expect(place.foam).toBeCloseTo(FOAM, 5)
    expect([place.covered, place.burnt]).toEqual([0, 0])
    // Both brightened by the same 0.015, which keeps a ratio of two dark ones from running away.
    expect(place.tone[15 * 40 + 20]).toBeCloseTo((PART + 0.015) / (FOAM + 0.015), 4)
    expect(place.weight[15 * 40 + 20]).toBe(1)
    expect(place.weight[15 * 40]).toBeLessThan(0.2)
  })

  it('twice the light is the same place', () => {
    const dim = (level: number) => level / 2
    const grey = picture(usual)
    const half = { ...grey, values: grey.values.map(dim) }
    const given = { compartment: well, others: [beside], foamOfCase: FOAM / 2 }
    expect(placeOf(half, pose, given).tone[620]).toBeCloseTo(read(usual).tone[620] as number, 1)
  })

  it('what is outside its outline counts for nothing and is taken for foam', () => {
    const corner = [
      ...[
        well.outlineMm[0],
        well.outlineMm[1],
        { x: 70, y: 35 },
        { x: 50, y: 35 },
        { x: 50, y: 50 },
        { x: 30, y: 50 },
      ],
    ].flatMap((at) => (at ? [at] : []))
    const place = read(usual, corner)
    expect([place.tone[25 * 40 + 30], place.weight[25 * 40 + 30]]).toEqual([1, 0])
    expect(place.tone[25 * 40 + 8]).toBeLessThan(0.5)
  })

  it('a hand over the foam beside it is said as a share, and so is what is burnt out', () => {
    const hand = { outlineMm: rectangle(20, 10, 32, 60), level: HAND }
    const { covered } = read([...usual, hand])
    expect(covered).toBeGreaterThan(0.2)
    expect(covered).toBeLessThan(0.45)
    const glint = { outlineMm: rectangle(40, 30, 60, 40), level: 1 }
    const { burnt, tone } = read([...usual, glint])
    expect(burnt).toBeGreaterThan(0.12)
    expect(burnt).toBeLessThan(0.18)
    expect(tone[15 * 40 + 20]).toBeCloseTo(1.015 / 0.515, 3)
  })
})

it('the middle of some values is one of them, the upper of two', () => {
  expect(middleOf([3, 1, 2])).toBe(2)
  expect(middleOf([4, 1, 3, 2])).toBe(3)
  expect(middleOf([])).toBe(0)
})
