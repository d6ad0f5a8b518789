import type { PointXY } from '../../shared/angles.ts'
import { seeded } from '../../shared/seeded.ts'
import { casePose, CORNERS, MARK_MM, MARK_QUIET_MM, markCornersMm } from './case-pose.ts'

const size = { width: 560, height: 400 }
const picture = { widthPx: 1600, heightPx: 1200 }

/** A pinhole camera by rotation matrices, independent of what is tested: it looks at the case's middle from `distanceMm`. */
function camera(given: { tiltDeg: number; aboutDeg: number; rollDeg: number; focalPx: number; distanceMm: number }) {
  const rad = Math.PI / 180
  const turn = (v: number[], axis: 0 | 1 | 2, deg: number): number[] => {
    const [c, s] = [Math.cos(deg * rad), Math.sin(deg * rad)]
    const [i, j] = [(axis + 1) % 3, (axis + 2) % 3]
    const out = [...v]
    out[i] = c * (v[i] ?? 0) - s * (v[j] ?? 0)
    out[j] = s * (v[i] ?? 0) + c * (v[j] ?? 0)
    return out
  }
  return (x: number, y: number, depth: number): PointXY => {
    let at = turn([x - size.width / 2, y - size.height / 2, depth], 2, given.aboutDeg)
    at = turn(turn(at, 0, given.tiltDeg), 2, given.rollDeg)
    const z = (at[2] ?? 0) + given.distanceMm
    return { x: 800 + (given.focalPx * (at[0] ?? 0)) / z, y: 600 + (given.focalPx * (at[1] ?? 0)) / z }
  }
}
const usual = { tiltDeg: 12, aboutDeg: 30, rollDeg: 5, focalPx: 1390, distanceMm: 700 }
const pointsOf = (project: ReturnType<typeof camera>, noisePx = 0) => {
  const chance = seeded(3)
  const noise = () => noisePx * (chance() + chance() + chance() - 1.5) * 2
  return CORNERS.flatMap((corner) =>
    markCornersMm(size, corner).map((mm) => {
      const { x, y } = project(mm.x, mm.y, 0)
      return { mm, px: { x: x + noise(), y: y + noise() } }
    }),
  )
}

it('a mark and the code within it stand about one middle, each in its own corner of the case', () => {
  const middle = (points: readonly PointXY[]) => [
    points.reduce((sum, { x }) => sum + x, 0) / 4,
    points.reduce((sum, { y }) => sum + y, 0) / 4,
  ]
  const [near, far] = [MARK_MM / 2, { x: size.width - MARK_MM / 2, y: size.height - MARK_MM / 2 }]
  const at = { TL: [near, near], TR: [far.x, near], BR: [far.x, far.y], BL: [near, far.y] }
  for (const corner of CORNERS)
    for (const insetMm of [0, MARK_QUIET_MM]) {
      const corners = markCornersMm(size, corner, insetMm)
      expect(middle(corners)).toEqual(at[corner].map((mm) => expect.closeTo(mm, 9)))
      expect((corners[1]?.x ?? 0) - (corners[0]?.x ?? 0)).toBeCloseTo(MARK_MM - 2 * insetMm, 9)
    }
})

it.each([
  usual,
  { ...usual, tiltDeg: 28, aboutDeg: 200 },
  { ...usual, tiltDeg: 20, focalPx: 1900 },
  { ...usual, rollDeg: 179 },
])('finds %o again: places in the plane and below it', (given) => {
  const project = camera(given)
  const pose = casePose(pointsOf(project), picture)
  expect(pose?.tiltDeg).toBeCloseTo(given.tiltDeg, 1)
  expect(pose?.misfitMm).toBeLessThan(0.01)
  for (const depth of [0, 17, 34]) {
    const [seen, told] = [project(300, 120, depth), pose?.project(300, 120, depth)]
    expect(Math.hypot((told?.x ?? 0) - seen.x, (told?.y ?? 0) - seen.y)).toBeLessThan(0.2)
  }
})

it('straight from above the focal length can’t be told, and hardly matters: a well’s floor is within a millimetre or two', () => {
  for (const focalPx of [1200, 1390, 1600]) {
    const project = camera({ ...usual, tiltDeg: 0.2, focalPx })
    const pose = casePose(pointsOf(project, 0.5), picture)
    const [seen, told] = [project(80, 80, 34), pose?.project(80, 80, 34)]
    expect(Math.hypot((told?.x ?? 0) - seen.x, (told?.y ?? 0) - seen.y) / (pose?.pxPerMm ?? 1)).toBeLessThan(2.5)
  }
})

it('with corners read half a pixel off the tilt is within a degree', () => {
  const pose = casePose(pointsOf(camera(usual), 0.5), picture)
  expect(Math.abs((pose?.tiltDeg ?? 0) - 12)).toBeLessThan(1)
})

it('a mirrored picture has no pose', () => {
  const points = pointsOf(camera(usual)).map(({ mm, px }) => ({ mm, px: { x: 1600 - px.x, y: px.y } }))
  expect(casePose(points, picture)).toBeNull()
})

it('points in line have no pose', () => {
  const points = Array.from({ length: 8 }, (_, i) => ({ mm: { x: i, y: 0 }, px: { x: 100 * i, y: 5 } }))
  expect(casePose(points, picture)).toBeNull()
})
