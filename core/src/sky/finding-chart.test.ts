import { findingChart } from './finding-chart.ts'
import { almanacTime, skyFrame, starPlace } from './positions.ts'
import { brightStars } from './stars.ts'

const club = { latitudeDeg: 52.3, longitudeDeg: 0.1, atUtc: '2026-04-22T20:30:00Z' }
const placeOf = (name: string, at = club) => {
  const star = brightStars.find((each) => each.name === name)
  if (!star) throw new Error(`${name} is gone`)
  return starPlace(star, skyFrame(almanacTime(at.atUtc)), at)
}

it('the target’s own star stands in the middle, as the almanac has it', () => {
  const { stars } = findingChart({ ...club, target: placeOf('Mizar') })
  const nearest = Math.min(...stars.map(({ x, y }) => Math.hypot(x, y)))
  // A third of a degree of precession, in a drawing 34° wide.
  expect(nearest).toBeLessThan(0.03)
})

it('isn’t mirrored: facing south in the north, east lies on the left', () => {
  const regulus = placeOf('Regulus')
  expect(regulus.azimuthDeg).toBeGreaterThan(150)
  expect(regulus.azimuthDeg).toBeLessThan(215)
  const { stars } = findingChart({ ...club, target: regulus })
  // Denebola lies east of Regulus, so it rises after it and stands to its left.
  const denebola = placeOf('Denebola')
  expect(denebola.azimuthDeg).toBeLessThan(regulus.azimuthDeg)
  expect(stars.some(({ x, magnitude }) => magnitude === 2.56 && x < -0.3)).toBe(true)
})

it('scale: a fist is ten degrees of the seventeen to the edge', () => {
  const dubhe = placeOf('Dubhe')
  const { stars } = findingChart({ ...club, target: dubhe })
  const merak = stars.find(({ magnitude }) => magnitude === 2.34)
  // The pointers stand 5.37° apart.
  expect(Math.hypot(merak?.x ?? 0, merak?.y ?? 0) * 17).toBeCloseTo(5.4, 0)
})

it('where few stars are near it shows more sky, and its fist is as much smaller', () => {
  // South of the Fishes there is nothing to steer by for thirty degrees.
  const empty = placeOf('Fomalhaut', { ...club, atUtc: '2026-11-01T21:00:00Z' })
  const bare = findingChart({ ...club, atUtc: '2026-11-01T21:00:00Z', target: { ...empty, altitudeDeg: 26 } })
  const rich = findingChart({ ...club, target: placeOf('Dubhe') })
  expect(rich.halfWidthDeg).toBe(17)
  expect(bare.halfWidthDeg).toBeGreaterThan(17)
  const seen = bare.stars.filter(({ x, y }) => Math.max(Math.abs(x), Math.abs(y)) < 1)
  expect(seen.length).toBeGreaterThanOrEqual(3)
})

it('what is under the horizon isn’t drawn, and a low target shows the horizon', () => {
  const low = { altitudeDeg: 12, azimuthDeg: 180 }
  const chart = findingChart({ ...club, target: low })
  expect(chart.horizonY).toBeGreaterThan(-1)
  expect(chart.stars.every(({ y }) => y >= chart.horizonY - 0.02)).toBe(true)
})
