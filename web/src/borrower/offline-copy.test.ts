import { copyEndsMs } from './offline-copy.ts'

const place = (zone: string) => ({ name: 'Quillstead', zone, latitudeDeg: 0, longitudeDeg: 0, sky: null })

test.each([
  // Midnight a day after the due date, by the wall clock there; offsets from memory of the zones’ rules.
  ['Europe/Paris', '2026-04-17', '2026-04-18T22:00:00Z'],
  ['Europe/Paris', '2026-12-17', '2026-12-18T23:00:00Z'],
  ['America/Los_Angeles', '2026-04-17', '2026-04-19T07:00:00Z'],
  ['Pacific/Auckland', '2026-12-31', '2027-01-01T11:00:00Z'],
  ['Asia/Kolkata', '2026-02-28', '2026-03-01T18:30:00Z'],
])('in %s the copy of a loan due %s is over at %s', (zone, dueOn, ends) => {
  expect(new Date(copyEndsMs({ dueOn, place: place(zone) })).toISOString()).toBe(ends.replace('Z', '.000Z'))
})

test('without a place it is over a day later by universal time', () => {
  expect(copyEndsMs({ dueOn: '2026-04-17', place: null })).toBe(Date.UTC(2026, 3, 19))
})
