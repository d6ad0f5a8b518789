import { keptJson, keptLines } from '../testing/kept.ts'
import { skyTargets } from '../words/targets.ts'
import { skyEvening } from './evening.ts'

/** What is offered in the evening: a month night by night, and a year in steps of two weeks, north and south. */
const places = {
  north: { latitudeDeg: 53.3, longitudeDeg: -6.3, zone: 'Europe/Dublin' },
  south: { latitudeDeg: -33.9, longitudeDeg: 151.2, zone: 'Australia/Sydney' },
}
const datesOf = (first: string, count: number, stepDays: number) =>
  Array.from({ length: count }, (_each, i) =>
    new Date(Date.parse(first) + i * stepDays * 86_400_000).toISOString().slice(0, 10),
  )
const evenings = [
  ...datesOf('2026-10-10', 29, 1).map((date) => ['north', date] as const),
  ...datesOf('2026-01-05', 25, 14).map((date) => ['north', date] as const),
  ...datesOf('2026-01-05', 25, 14).map((date) => ['south', date] as const),
]

const kept = keptLines(
  'kept-evenings',
  evenings.flatMap(([where, date]) => {
    const { targets, ...rest } = skyTargets({ ...places[where], date, apertureMm: 130 })
    const { planets, moonWaxing, moonUpAtNoon } = skyEvening({ ...places[where], date })
    return [
      `${where} ${date} ${keptJson({ ...rest, planets, moonWaxing, moonUpAtNoon })}`,
      ...targets.map(
        ({ name, bestUtc, altitudeDeg, eyepiece, why }) =>
          `${where} ${date} ${keptJson([name, bestUtc, Math.round(altitudeDeg), eyepiece, why])}`,
      ),
    ]
  }),
)

it.each(['north', 'south'])('what is offered in the %s is what was', (where) => {
  const { now, before } = kept(where)
  expect(now).toEqual(before)
})
