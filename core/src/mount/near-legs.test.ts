import { dimensionsOf, type DrawnKit } from '../drawings/dimensions.ts'
import { equatorialKit } from '../drawings/equatorial-kit.ts'
import { add, along, scaled, type Vector3 } from '../drawings/solid.ts'
import { composeGuide } from '../guides/compose.ts'
import { comesNearLegs, extensionOf, legsRoom } from '../guides/kit-reach.ts'
import { roundMount } from '../testing/kit-on-mount.ts'
import { LEGS, nearsLeg } from './near-legs.ts'

const long: DrawnKit = {
  family: 'equatorial-reflector',
  optics: { apertureMm: 120, focalLengthMm: 1000, collapsible: false, kind: 'refractor' },
  mount: roundMount.tube
    ? { ...roundMount, tube: { ...roundMount.tube, lengthMm: 1100, frontRingMm: 690, diameterMm: 130 } }
    : null,
  parts: [],
}
const room = legsRoom(long)
if (!room) throw new Error('the long tube was measured')

/** Nearest that the tube's low half comes to a leg, wherever that stands: both as many points, one leg for each degree. */
function nearestMm(turnDeg: number, declinationDeg: number, latitudeDeg: number) {
  const size = dimensionsOf(long)
  const { cross, shaft, tube } = equatorialKit(size, { latitudeDeg, turnDeg, declinationDeg })
  const balance = along(cross, shaft, -size.tubeAxisMm)
  const points = Array.from({ length: 60 }, (_each, at) => along(balance, tube, (-(room?.lowEndMm ?? 0) * at) / 59))
  const slope = Math.tan((LEGS.spreadDeg * Math.PI) / 180)
  let nearest = Infinity
  for (const point of points) {
    const bearing = Math.atan2(point[2], point[0])
    for (let downMm = 0; downMm < size.standHeightMm; downMm += 8) {
      const outMm = LEGS.hingeRadiusMm + downMm * slope
      const leg: Vector3 = [Math.cos(bearing) * outMm, size.standHeightMm - downMm, Math.sin(bearing) * outMm]
      const inside = Math.hypot(point[0], point[2]) < outMm && point[1] < size.standHeightMm - downMm + 1
      const [x, y, z] = add(point, scaled(leg, -1))
      nearest = Math.min(nearest, inside && Math.abs(y) < 8 ? 0 : Math.hypot(x, y, z))
    }
  }
  const altitudeDeg = (Math.asin(tube[1]) * 180) / Math.PI
  const azimuthDeg = ((Math.atan2(tube[2], tube[0]) * 180) / Math.PI + 360) % 360
  return { nearest, altitudeDeg, azimuthDeg, tubeSide: -shaft[2] > 0 ? ('east' as const) : ('west' as const) }
}

it('says the same as points set along tube and legs of the drawing, wherever the tube looks', () => {
  const bad: string[] = []
  let near = 0
  let clear = 0
  for (const latitudeDeg of [30, 52])
    for (let turnDeg = -80; turnDeg <= 80; turnDeg += 20)
      for (const declinationDeg of [-20, 0, 20, 40, 60, 80]) {
        const { nearest, ...look } = nearestMm(turnDeg, declinationDeg, latitudeDeg)
        const apart = nearest - (room.tubeRadiusMm + LEGS.radiusMm + 30)
        if (Math.abs(apart) < 12 || look.altitudeDeg < 5) continue
        const said = nearsLeg(room, { ...look, latitudeDeg })
        bad.push(
          ...(said === apart < 0
            ? []
            : [JSON.stringify({ latitudeDeg, turnDeg, declinationDeg, apart: Math.round(apart), said, ...look })]),
        )
        if (apart < 0) near++
        else clear++
      }
  expect(bad).toEqual([])
  expect(near).toBeGreaterThan(3)
  expect(clear).toBeGreaterThan(20)
})

it('a long tube waits with what stands so high that it would come near its legs', () => {
  const guideOf = (mount: DrawnKit['mount']) =>
    composeGuide({
      ...{ kitName: 'Alder', kitCode: 'F-01', modelName: 'long refractor 120/1400', family: 'equatorial-reflector' },
      optics: { ...long.optics, kind: 'refractor', collimatable: false },
      ...{ parts: [], mount },
      ...{ collimationPolicy: 'leave-it-to-us', branchName: 'Marrowdale Library', emergencyLine: 'the poison line' },
      ...{ issuedOn: '2026-08-05', dueOn: '2026-10-25' },
      place: { name: 'Quillstead', latitudeDeg: 51.7, longitudeDeg: -1.2, zone: 'Europe/London' },
    })
  const tube = long.mount?.tube
  const guide = guideOf(
    long.mount && tube ? { ...long.mount, tube: { ...tube, lengthMm: 1500, frontRingMm: 950 } } : null,
  )
  const near = (look: { altitudeDeg: number; azimuthDeg: number }) =>
    !!guide.legs && comesNearLegs(guide.legs, { latitudeDeg: 51.7, ...look })
  const sessions = ({ nights }: typeof guide) =>
    nights.flatMap(({ targets }) => targets.flatMap(({ session }) => (session ? [session] : [])))
  expect(sessions(guideOf(null)).filter(near).length).toBeGreaterThan(0)
  expect(sessions(guide).filter(near)).toEqual([])
  expect(sessions(guide).length).toBeGreaterThan(20)
})

it('south of the equator everything is the other way about', () => {
  for (const [altitudeDeg, azimuthDeg] of [
    [80, 200],
    [60, 120],
    [85, 20],
    [88, 250],
  ] as const)
    for (const tubeSide of ['east', 'west'] as const)
      expect(nearsLeg(room, { latitudeDeg: 40, altitudeDeg, azimuthDeg, tubeSide })).toBe(
        nearsLeg(room, {
          ...{ latitudeDeg: -40, altitudeDeg, azimuthDeg: azimuthDeg + 180 },
          tubeSide: tubeSide === 'east' ? 'west' : 'east',
        }),
      )
})

it('an extension tube lifts it clear; a kit that nobody measured is warned of nothing', () => {
  const overhead = { latitudeDeg: 52, altitudeDeg: 89, azimuthDeg: 180, tubeSide: 'east' } as const
  expect(nearsLeg(room, overhead)).toBe(true)
  const tube = { role: 'pier-extension', mark: 'present' } as const
  const lifted = legsRoom(long, extensionOf([{ ...tube, lengthMm: 500 }]))
  expect(lifted && nearsLeg(lifted, overhead)).toBe(false)
  expect([extensionOf([tube]), extensionOf([{ ...tube, mark: 'missing' }])]).toEqual([200, 0])
  expect(legsRoom({ ...long, mount: null })).toBeNull()
  expect(legsRoom({ ...long, family: 'altazimuth-reflector' })).toBeNull()
})
