import { circleAbout, separationDeg } from './horizontal.ts'

/** Against the angle between two directions by their vectors, which knows nothing of spherical triangles. */
it.each([
  [{ altitudeDeg: 2, azimuthDeg: 140 }, 45],
  [{ altitudeDeg: 60, azimuthDeg: 350 }, 45],
  [{ altitudeDeg: -3, azimuthDeg: 5 }, 20],
  [{ altitudeDeg: 89, azimuthDeg: 90 }, 30],
])('every direction of the circle about %o lies %d° from it', (centre, radiusDeg) => {
  const circle = circleAbout(centre, radiusDeg)
  for (const { altitudeDeg, azimuthFromCentreDeg } of circle) {
    const at = { altitudeDeg, azimuthDeg: centre.azimuthDeg + azimuthFromCentreDeg }
    expect(separationDeg(centre, at)).toBeCloseTo(radiusDeg, 9)
  }
  // It goes once round and ends where it began.
  expect(circle.at(-1)?.altitudeDeg).toBeCloseTo(circle[0]?.altitudeDeg ?? NaN, 9)
  expect(Math.max(...circle.map(({ altitudeDeg }) => altitudeDeg))).toBeCloseTo(
    Math.min(centre.altitudeDeg + radiusDeg, 180 - centre.altitudeDeg - radiusDeg),
    1,
  )
})
