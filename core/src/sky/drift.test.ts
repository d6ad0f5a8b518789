import { SiderealTime } from 'astronomy-engine'
import { drift, seenFromGround } from './drift.ts'
import { almanacTime, bodyPlace, separationDeg } from './positions.ts'

const HOUR_MS = 3_600_000
const places = [
  { latitudeDeg: 52.3, longitudeDeg: 0.1 },
  { latitudeDeg: -33.9, longitudeDeg: 151.2 },
  { latitudeDeg: 64, longitudeDeg: -21.9 },
]

describe.each(places)('at $latitudeDeg°, $longitudeDeg°', (place) => {
  it.each(['2026-03-20T17:00:00Z', '2026-07-02T20:00:00Z', '2026-12-31T16:00:00Z'])(
    'the straight way agrees with the almanac asked at every hour from %s',
    (from) => {
      const fromMs = Date.parse(from)
      const ways = [
        ['Sun', 18, 0.01],
        // A flattened Earth shifts the Moon by up to 0.2′ of what a round one does.
        ['Moon', 8, 0.03],
      ] as const
      for (const [body, hours, within] of ways) {
        const way = drift(body, fromMs, fromMs + hours * HOUR_MS)
        for (let hour = 0; hour <= hours; hour++) {
          const time = almanacTime(new Date(fromMs + hour * HOUR_MS).toISOString())
          const seen = seenFromGround(way.at(fromMs + hour * HOUR_MS), SiderealTime(time), place)
          expect([body, hour, separationDeg(seen, bodyPlace(body, time, place)) < within]).toEqual([body, hour, true])
        }
      }
    },
  )
})

it('goes on where right ascension begins anew', () => {
  // The Sun passes 24 h = 0 h on 20 March 2026.
  const fromMs = Date.parse('2026-03-20T06:00:00Z')
  const way = drift('Sun', fromMs, fromMs + 18 * HOUR_MS)
  const hours = Array.from({ length: 19 }, (_each, hour) => way.at(fromMs + hour * HOUR_MS).raHours)
  for (const ra of hours) expect(ra > 23.9 || ra < 0.1).toBe(true)
})
