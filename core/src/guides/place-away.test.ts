import { placeAway } from './place-away.ts'

// A quarter of a round Earth's girth, 6371 km of radius: exact geometry.
const QUARTER_KM = (6371 * Math.PI) / 2
const DEGREE_KM = QUARTER_KM / 90

it.each([
  ['one degree north', { latitudeDeg: 51, longitudeDeg: -1 }, DEGREE_KM, 0, { latitudeDeg: 52, longitudeDeg: -1 }],
  [
    'one degree south',
    { latitudeDeg: -33, longitudeDeg: 151 },
    DEGREE_KM,
    180,
    { latitudeDeg: -34, longitudeDeg: 151 },
  ],
  [
    'east on the equator',
    { latitudeDeg: 0, longitudeDeg: 0 },
    2 * DEGREE_KM,
    90,
    { latitudeDeg: 0, longitudeDeg: 2 },
  ],
  [
    'over the date line',
    { latitudeDeg: 0, longitudeDeg: 179.5 },
    DEGREE_KM,
    90,
    { latitudeDeg: 0, longitudeDeg: -179.5 },
  ],
  [
    'a quarter round from 60° north, due east',
    { latitudeDeg: 60, longitudeDeg: 10 },
    QUARTER_KM,
    90,
    { latitudeDeg: 0, longitudeDeg: 100 },
  ],
  // 100 km / 6371 km in degrees: 0.8993.
  ['a hundred km north', { latitudeDeg: 51, longitudeDeg: -1 }, 100, 0, { latitudeDeg: 51.9, longitudeDeg: -1 }],
  ['nowhere', { latitudeDeg: 52.34, longitudeDeg: 0.16 }, 0, 45, { latitudeDeg: 52.3, longitudeDeg: 0.2 }],
])('%s', (_what, from, km, bearing, there) => {
  const found = placeAway(from, km, bearing)
  expect(found.latitudeDeg).toBeCloseTo(there.latitudeDeg, 6)
  expect(found.longitudeDeg).toBeCloseTo(there.longitudeDeg, 6)
})

it('refuses what is no place or distance, and says which', () => {
  expect(() => placeAway({ latitudeDeg: 95, longitudeDeg: 0 }, 5, 0)).toThrow(RangeError)
  expect(() => placeAway({ latitudeDeg: 5, longitudeDeg: 0 }, -5, 0)).toThrow(/km must be 0 to 20000/)
  expect(() => placeAway({ latitudeDeg: 5, longitudeDeg: 0 }, 5, NaN)).toThrow(/bearingDeg/)
})
