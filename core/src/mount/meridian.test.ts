import { Body, Equator, HourAngle, Horizon, Observer, SearchHourAngle } from 'astronomy-engine'
import { horizontalPlace } from '../sky/horizontal.ts'
import { onTheHead } from './meridian.ts'
import { sideOfMount } from './side.ts'

/** Against an almanac library: it gives hour angles and the instants of crossing by ways of its own. */
const bodies = [Body.Jupiter, Body.Saturn, Body.Mars, Body.Venus, Body.Moon]
const hours = Array.from({ length: 8 }, (_each, index) => new Date(Date.UTC(2026, 2, 12, index * 3)))
const planets = bodies.flatMap((body) => hours.map((at) => ({ body, at })))

it.each([
  [52.7, -8.2],
  [19.4, -99.1],
  [-33.9, 151.2],
])('at latitude %s it knows the side and the hour of crossing', (latitudeDeg, longitudeDeg) => {
  const observer = new Observer(latitudeDeg, longitudeDeg, 0)
  let crossed = 0
  for (const { body, at } of planets) {
    const { ra, dec } = Equator(body, at, observer, true, true)
    const { altitude, azimuth } = Horizon(at, observer, ra, dec)
    const hourAngle = HourAngle(body, at, observer)
    const found = onTheHead({ latitudeDeg, altitudeDeg: altitude, azimuthDeg: azimuth })
    expect(found.tubeSide).toBe(sideOfMount({ latitudeDeg, hourAngleHours: hourAngle }).tubeSide)
    const hoursToCome = 24 - hourAngle
    if (hoursToCome > 1.9) continue
    crossed++
    const almanac = SearchHourAngle(body, observer, 0, at, 1).time.date.getTime() - at.getTime()
    // The Moon moves on by two minutes an hour meanwhile.
    const toleranceHours = body === Body.Moon ? 0.1 : 0.01
    expect(Math.abs((found.crossesInHours ?? 99) - almanac / 3_600_000)).toBeLessThan(toleranceHours)
  }
  expect(crossed).toBeGreaterThan(1)
})

it('what has crossed crosses no more tonight, and below the pole nothing does', () => {
  const at = (azimuthDeg: number, altitudeDeg = 40) => onTheHead({ latitudeDeg: 50, altitudeDeg, azimuthDeg })
  expect(at(200).crossesInHours).toBeNull()
  expect(at(160).crossesInHours).not.toBeNull()
  expect(at(5, 20).crossesInHours).toBeNull()
  expect(() => at(NaN)).toThrow(RangeError)
})

it('a star crosses by the clock a little sooner than its hours say: a sidereal hour is 0.99727 of one', () => {
  for (const hourAngleHours of [-1.5, -1, -0.3]) {
    const place = horizontalPlace({ hourAngleHours, decDeg: 7, latitudeDeg: 50 })
    expect(onTheHead({ latitudeDeg: 50, ...place }).crossesInHours).toBeCloseTo(-hourAngleHours * 0.9972696, 5)
  }
})
