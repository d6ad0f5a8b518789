import { tonight } from './use-place.ts'

it.each([
  // Ten in the evening on the place's own calendar, whatever day it is in Greenwich.
  { zone: 'Europe/Dublin', nowUtc: '2026-07-17T10:00:00Z', local: '2026-07-17T22:00' },
  { zone: 'Pacific/Auckland', nowUtc: '2026-07-17T13:00:00Z', local: '2026-07-18T22:00' },
  { zone: 'America/Los_Angeles', nowUtc: '2026-07-17T03:00:00Z', local: '2026-07-16T22:00' },
])('tonight in $zone', ({ zone, nowUtc, local }) => expect(tonight(zone, Date.parse(nowUtc))).toBe(local))
