import { dimensionsOf, type DrawnKit } from '../drawings/dimensions.ts'
import { familyDrawing } from '../drawings/families.ts'
import { roundMount } from '../testing/kit-on-mount.ts'
import { facingDeg, highestOf, kitReach, reachAt } from './kit-reach.ts'

const kitOf = (family: DrawnKit['family'], optics: Partial<DrawnKit['optics']> = {}): DrawnKit => ({
  family,
  optics: { apertureMm: 110, focalLengthMm: 480, collapsible: false, ...optics },
  mount: null,
  parts: [],
})
const altazimuth = [
  kitOf('tabletop-reflector'),
  kitOf('floor-reflector', { apertureMm: 180, focalLengthMm: 1200 }),
  kitOf('altazimuth-reflector'),
  kitOf('tripod-refractor', { apertureMm: 70, focalLengthMm: 560 }),
  kitOf('computer-driven', { apertureMm: 90, focalLengthMm: 1200 }),
]

it.each(altazimuth.map((kit) => [kit.family, kit] as const))(
  'of the %s it is as high as its drawing shows it, at every altitude',
  (family, kit) => {
    const reach = kitReach(kit)
    const size = dimensionsOf(kit)
    const drawing = familyDrawing(kit, size)
    for (const altitudeDeg of [0, 20, 45, 70, 90]) {
      // The drawing turns vectors in space, and knows nothing of sines.
      const places = drawing.places(size, { altitudeDeg, latitudeDeg: 0, turnDeg: 0 })
      const { pivot, tube, eyepieceOut } = places
      const { alongMm, radiusMm } = size.eyepiece
      const drawnMm = pivot[1] + alongMm * tube[1] + radiusMm * eyepieceOut[1]
      const tableMm = family === 'tabletop-reflector' ? 720 : 0
      expect(Math.abs((reach?.heightsMm[altitudeDeg / 5] ?? 0) - tableMm - drawnMm)).toBeLessThan(1)
    }
  },
)

it('on an equatorial head nothing is said: the tube is turned in its rings', () => {
  expect(kitReach(kitOf('equatorial-reflector'))).toBeNull()
})

it('between two altitudes it lies between their heights; a pan head has its end', () => {
  const heightsMm = Array.from({ length: 19 }, (_each, index) => 1000 + index * 50)
  expect(reachAt({ heightsMm, highestDeg: 90 }, 12)).toEqual({
    heightMm: 1120,
    posture: 'seated',
    isTooHigh: false,
  })
  expect(reachAt({ heightsMm, highestDeg: 90 }, 90)).toMatchObject({
    heightMm: 1900,
    posture: 'step',
  })
  expect(reachAt({ heightsMm, highestDeg: 75 }, 80).isTooHigh).toBe(true)
  expect(kitReach(altazimuth[3] as DrawnKit)?.highestDeg).toBe(75)
})

it('a stop that was measured counts before what such heads usually do, on every kind of head', () => {
  const stopped = (kit: DrawnKit, highestDeg: number): DrawnKit => ({
    ...kit,
    mount: { ...roundMount, equatorial: null, stop: { highestDeg, meets: 'motor-leg' } },
  })
  expect(highestOf(kitOf('large-equatorial'))).toBe(90)
  expect(highestOf(stopped(kitOf('large-equatorial'), 82))).toBe(82)
  expect(kitReach(stopped(kitOf('computer-driven'), 64))?.highestDeg).toBe(64)
  expect(kitReach(stopped(altazimuth[3] as DrawnKit, 85))?.highestDeg).toBe(85)
})

it.each(altazimuth.slice(0, 3).map((kit) => [kit.family, kit] as const))(
  'into the eyepiece of the %s one looks the way its drawing says, wherever it was built in',
  (_family, kit) => {
    const size = dimensionsOf(kit)
    const drawing = familyDrawing(kit, size)
    for (const angleDeg of [-90, -45, 0, 45, 90])
      for (const altitudeDeg of [20, 50, 80]) {
        const turned = { ...size, eyepiece: { ...size.eyepiece, angleDeg } }
        const { eyepieceOut, tube } = drawing.places(turned, { altitudeDeg, latitudeDeg: 0, turnDeg: 0 })
        // Bearings over the ground, counted clockwise from above; one looks against the way it sticks out.
        const bearing = ([x, , z]: readonly number[]) => (Math.atan2(z ?? 0, x ?? 0) * 180) / Math.PI
        const drawnDeg = bearing(eyepieceOut.map((each) => -each)) - bearing(tube)
        const found = facingDeg({ eyepieceRollDeg: angleDeg }, { altitudeDeg, azimuthDeg: 0 })
        const apart = Math.abs(((((found ?? 0) - drawnDeg) % 360) + 540) % 360) - 180
        expect(Math.abs(apart)).toBeLessThan(0.01)
      }
  },
)

it('says which way one faces only where the eyepiece’s place was measured, or a diagonal is turned up', () => {
  const facing = (kit: DrawnKit) => {
    const reach = kitReach(kit)
    return reach && facingDeg(reach, { altitudeDeg: 40, azimuthDeg: 120 })
  }
  expect(facing(kitOf('tabletop-reflector', { kind: 'newtonian' }))).toBeNull()
  expect(facing(kitOf('tripod-refractor', { kind: 'refractor' }))).toBeCloseTo(120)
})
