import { nightNow } from './night-now.ts'
import { guideNights } from './nights.ts'

const dates = ['2026-04-17', '2026-04-18', '2026-04-19'].map((date) => ({ date }))

it.each([
  ['before the loan', 'Europe/Paris', '2026-04-10T20:00:00Z', 0],
  ['on the first evening', 'Europe/Paris', '2026-04-17T20:00:00Z', 0],
  ['after midnight it is still the same night', 'Europe/Paris', '2026-04-18T01:00:00Z', 0],
  ['from six in the morning it is the next', 'Europe/Paris', '2026-04-18T04:00:00Z', 1],
  ['a minute before six it isn’t', 'Europe/Paris', '2026-04-18T03:59:00Z', 0],
  ['by the clocks there, behind Greenwich', 'America/Los_Angeles', '2026-04-19T04:00:00Z', 1],
  ['by the clocks there, ahead of Greenwich', 'Pacific/Auckland', '2026-04-17T20:00:00Z', 1],
  ['after the loan', 'Europe/Paris', '2026-05-30T20:00:00Z', 2],
])('which night it is: %s', (_when, zone, now, index) => {
  expect(nightNow(dates, zone, Date.parse(now))).toBe(index)
})

it('a guide without nights begins at none', () => {
  expect(nightNow([], 'Europe/Paris', 0)).toBe(0)
})

it('every target of every night finds its own words, and no two looks share them', () => {
  const { nights, words } = guideNights({
    place: { name: 'Quillstead', latitudeDeg: 51.7, longitudeDeg: -1.2, zone: 'Europe/London' },
    fromDate: '2026-10-05',
    untilDate: '2026-10-18',
    apertureMm: 125,
    powers: [{ name: 'Eyepiece 25 mm', magnification: 26 }],
    children: false,
    withStars: true,
    told: {},
    reaches: () => true,
    highestDeg: 90,
    withPole: true,
  })
  const used = nights.flatMap(({ targets }) => targets.map(({ id }) => id))
  expect([...new Set(used)].sort()).toEqual(Object.keys(words).sort())
  expect(new Set(Object.values(words).map((each) => JSON.stringify(each))).size).toBe(Object.keys(words).length)
  expect(nights.every(({ stars, pole }) => stars.length === 2 && pole !== null)).toBe(true)
  // The pole's star goes round its ring against the clock, once in a sidereal day of 86 164.1 s.
  const [first, last] = [nights[0], nights.at(-1)]
  const passedS = (Date.parse(last?.sessionUtc ?? '') - Date.parse(first?.sessionUtc ?? '')) / 1000
  const turned = ((passedS / 86_164.1) % 1) * 12
  const ring = ((first?.pole?.ringClock ?? 0) - turned + 24) % 12
  expect(Math.abs((last?.pole?.ringClock ?? 0) - ring) % 12).toBeLessThan(0.05)
})

it('what the stand doesn’t reach at the evening’s hour waits for its own, and is not lost', () => {
  const night = (reaches: (at: { altitudeDeg: number; azimuthDeg: number }) => boolean) =>
    guideNights({
      place: { name: 'Quillstead', latitudeDeg: 51.7, longitudeDeg: -1.2, zone: 'Europe/London' },
      ...{ fromDate: '2026-10-05', untilDate: '2026-10-05', apertureMm: 125, powers: [], children: false },
      ...{ withStars: false, withPole: false, told: {}, reaches, highestDeg: 90 },
    }).nights[0]?.targets ?? []
  const [all, western] = [night(() => true), night(({ azimuthDeg }) => azimuthDeg > 180)]
  const inSession = (targets: typeof all) => targets.filter(({ session }) => session).map(({ id }) => id)
  expect(western.map(({ id }) => id)).toEqual(all.map(({ id }) => id))
  expect(inSession(western).length).toBeLessThan(inSession(all).length)
  expect(western.every(({ session }) => !session || session.azimuthDeg > 180)).toBe(true)
})
