import { cases } from '../testing/sweep.ts'
import fc from 'fast-check'
import { refractionDeg, sunSafety } from './sun-safety.ts'

const place = { latitudeDeg: 52.3, longitudeDeg: 0.1, zone: 'Europe/London' }
const north = { azimuthDeg: 10, altitudeDeg: 1 }

describe('where the Sun stands', () => {
  // Geometry: at the equinox's noon on the equator the Sun stands overhead; at the solstice on a tropic likewise.
  it.each([
    { what: 'equinox noon on the equator', atUtc: '2026-03-20T12:07:30Z', latitudeDeg: 0, altitude: 90 },
    { what: 'June solstice noon on the tropic', atUtc: '2026-06-21T12:01:50Z', latitudeDeg: 23.436, altitude: 90 },
    {
      what: 'December solstice noon at 52.3° N',
      atUtc: '2026-12-21T11:58:00Z',
      latitudeDeg: 52.3,
      altitude: 14.26 + 0.06,
    },
  ])('$what', ({ atUtc, latitudeDeg, altitude }) => {
    const { sunAltitudeDeg } = sunSafety({
      ...place,
      latitudeDeg,
      longitudeDeg: 0,
      zone: 'UTC',
      atUtc,
      target: north,
    })
    expect(Math.abs(sunAltitudeDeg - altitude)).toBeLessThan(0.15)
  })

  // Explanatory Supplement and almanacs: 34′ at the horizon, 5.3′ at 10°, 1′ at 45°.
  it.each([
    [-0.57, 0.57, 0.03],
    [10, 5.3 / 60, 0.005],
    [45, 1 / 60, 0.002],
    [90, 0, 0.001],
  ])('refraction at %f° is %f°', (altitude, lift, off) =>
    expect(Math.abs(refractionDeg(altitude) - lift)).toBeLessThan(off),
  )
  it('far below the horizon nothing is lifted', () => expect(refractionDeg(-20)).toBe(0))
})

describe('safe or not', () => {
  const noon = '2026-04-17T12:00:00Z'
  it('a target at the Sun is never safe, one behind the back is', () => {
    const { sunAzimuthDeg, sunAltitudeDeg } = sunSafety({ ...place, atUtc: noon, target: north })
    const atSun = { azimuthDeg: sunAzimuthDeg, altitudeDeg: sunAltitudeDeg }
    expect(sunSafety({ ...place, atUtc: noon, target: atSun })).toMatchObject({ safe: false })
    expect(sunSafety({ ...place, atUtc: noon, target: atSun }).separationDeg).toBeLessThan(0.001)
    expect(sunSafety({ ...place, atUtc: noon, target: north }).safe).toBe(true)
  })
  it('at night everything is', () => {
    const south = { azimuthDeg: 180, altitudeDeg: 30 }
    expect(sunSafety({ ...place, atUtc: '2026-04-17T23:30:00Z', target: south }).safe).toBe(true)
  })

  it('windows are the local date, and safe inside, unsafe at once outside', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 364 }),
        fc.double({ min: 0, max: 359, noNaN: true }),
        fc.constantFrom('Europe/London', 'Pacific/Auckland', 'America/St_Johns'),
        (day, azimuthDeg, zone) => {
          const at = new Date(Date.UTC(2026, 0, 1 + day, 12)).toISOString()
          const target = { azimuthDeg, altitudeDeg: 2 }
          const ask = (atUtc: string) => sunSafety({ ...place, zone, atUtc, target })
          const { safeWindows } = ask(at)
          const shifted = (utc: string, seconds: number) => new Date(Date.parse(utc) + seconds * 1000).toISOString()
          for (const [i, { fromUtc, untilUtc }] of safeWindows.entries()) {
            expect(Date.parse(untilUtc)).toBeGreaterThan(Date.parse(fromUtc))
            expect(ask(shifted(fromUtc, 5)).safe).toBe(true)
            expect(ask(shifted(untilUtc, -5)).safe).toBe(true)
            if (i > 0) expect(ask(shifted(fromUtc, -5)).safe).toBe(false)
            if (i < safeWindows.length - 1) expect(ask(shifted(untilUtc, 5)).safe).toBe(false)
          }
        },
      ),
      { numRuns: cases(12, 400) },
    )
  })

  it('on the day the clocks go forward the windows end at 23 hours', () => {
    const { safeWindows } = sunSafety({ ...place, atUtc: '2026-03-29T12:00:00Z', target: north })
    expect(safeWindows[0]?.fromUtc).toBe('2026-03-29T00:00:00.000Z')
    expect(safeWindows.at(-1)?.untilUtc).toBe('2026-03-29T23:00:00.000Z')
  })
})

it.each([
  [{ marginDeg: 19.9 }, 'marginDeg'],
  [{ latitudeDeg: 91 }, 'latitudeDeg'],
  [{ atUtc: '2026-04-17 12:00' }, 'atUtc'],
  [{ zone: 'Mars/Olympus' }, 'zone'],
  [{ target: { azimuthDeg: 0, altitudeDeg: 95 } }, 'target.altitudeDeg'],
])('refuses %j and names it', (change, name) => {
  expect(() => sunSafety({ ...place, atUtc: '2026-04-17T12:00:00Z', target: north, ...change })).toThrow(name)
})
