import { distanceAndBearing, pacedM, placeAt } from './landmark.ts'

const dms = (deg: number, min: number, sec: number) => Math.sign(deg) * (Math.abs(deg) + min / 60 + sec / 3600)

it('Flinders Peak to Buninyong: 54 972.271 m, 306° 52′ 05.37″ (Geocentric Datum of Australia, technical manual; from memory)', () => {
  const flinders = { latitudeDeg: dms(-37, 57, 3.7203), longitudeDeg: dms(144, 25, 29.5244) }
  const buninyong = { latitudeDeg: dms(-37, 39, 10.1561), longitudeDeg: dms(143, 55, 35.3839) }
  const { distanceM, bearingDeg } = distanceAndBearing(flinders, buninyong)
  // The manual's way follows the ground; the straight one is a sixth of a metre shorter.
  expect(Math.abs(distanceM - 54_972.271)).toBeLessThan(0.4)
  expect(bearingDeg).toBeCloseTo(dms(306, 52, 5.37), 2)
})

it.each([
  { bearingDeg: 0, distanceM: 120 },
  { bearingDeg: 118, distanceM: 74 },
  { bearingDeg: 300, distanceM: 4800 },
])('there and back: $distanceM m at $bearingDeg°', ({ bearingDeg, distanceM }) => {
  const place = { latitudeDeg: 52.3, longitudeDeg: 0.1 }
  const found = distanceAndBearing(place, placeAt(place, { distanceM, bearingDeg }))
  expect(found.distanceM).toBeCloseTo(distanceM, 1)
  expect(found.bearingDeg).toBeCloseTo(bearingDeg, 1)
})

it('a chimney 30 m up at 100 m stands 16.7° high', () => {
  const place = { latitudeDeg: 40, longitudeDeg: -3, heightM: 600 }
  const foot = placeAt(place, { distanceM: 100, bearingDeg: 200 })
  expect(distanceAndBearing(place, { ...foot, heightM: 630 }).heightDeg).toBeCloseTo(
    (Math.atan(0.3) * 180) / Math.PI,
    1,
  )
})

it('refuses what can’t be', () => {
  const place = { latitudeDeg: 40, longitudeDeg: -3 }
  expect(() => distanceAndBearing(place, place)).toThrow('the place itself')
  expect(() => distanceAndBearing(place, { latitudeDeg: 91, longitudeDeg: 0 })).toThrow('latitudeDeg')
  expect(() => pacedM(80, 7)).toThrow('paceM')
  expect(pacedM(80, 0.75)).toBe(60)
})
