import { dimensionsOf, type DrawnKit } from '../drawings/dimensions.ts'
import { familyDrawing } from '../drawings/families.ts'
import { kitReach, reachAt } from './kit-reach.ts'

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
  expect(reachAt({ heightsMm, highestDeg: 90 }, 90)).toMatchObject({ heightMm: 1900, posture: 'step' })
  expect(reachAt({ heightsMm, highestDeg: 75 }, 80).isTooHigh).toBe(true)
  expect(kitReach(altazimuth[3] as DrawnKit)?.highestDeg).toBe(75)
})
