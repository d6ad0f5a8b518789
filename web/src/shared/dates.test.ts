import { dayText, lateText, whenText } from './dates.ts'

const zone = 'Europe/Dublin'

it('says days as people do, in the branch’s own zone', () => {
  // 23:30 UTC on 30 June is already 1 July in Dublin, an hour ahead in summer.
  expect(dayText('2026-06-30T23:30:00Z', zone)).toBe('Wed 1 Jul')
  expect(dayText('2026-12-31T23:30:00Z', zone)).toBe('Thu 31 Dec')
})

it.each([
  { atUtc: '2026-03-12T16:00:00Z', words: 'today 16:00' },
  { atUtc: '2026-03-13T10:30:00Z', words: 'tomorrow 10:30' },
  { atUtc: '2026-03-14T10:30:00Z', words: 'Sat 14 Mar 10:30' },
])('$atUtc is “$words” on the 12th', ({ atUtc, words }) => {
  expect(whenText(atUtc, zone, new Date('2026-03-12T09:00:00Z'))).toBe(words)
})

it('counts one day as one', () => expect([lateText(1), lateText(2)]).toEqual(['1 day late', '2 days late']))

it.each([
  // Clocks go back at 2 on 25 October 2026: that day has 25 hours, and 24 hours after its first minute it isn't over.
  { now: '2026-10-24T23:05:00Z', atUtc: '2026-10-26T10:00:00Z', words: 'tomorrow 10:00' },
  { now: '2026-10-24T23:05:00Z', atUtc: '2026-10-25T20:00:00Z', words: 'today 20:00' },
  // Forward on 29 March 2026: 23 hours, and 24 hours after its eve's last minute it is over.
  { now: '2026-03-28T23:50:00Z', atUtc: '2026-03-29T09:00:00Z', words: 'tomorrow 10:00' },
])('over a night on which clocks change: $words', ({ now, atUtc, words }) => {
  expect(whenText(atUtc, zone, new Date(now))).toBe(words)
})
