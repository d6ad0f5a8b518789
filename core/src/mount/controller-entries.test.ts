import { controllerEntries, degreesMinutesSeconds, type ControllerInput } from './controller-entries.ts'
import { offsetsOfLocal, standardOffsetHours, zoneOffsetHours } from '../sky/zone-time.ts'

const given = (rest: Partial<ControllerInput>): ControllerInput => ({
  zone: 'Europe/London',
  local: '2026-04-17T22:00',
  latitudeDeg: 52.3,
  longitudeDeg: 0.1,
  ...rest,
})

// Offsets as published by the zones' governments; IANA names. The rules are public record, put down from memory.
it.each([
  { zone: 'Europe/London', local: '2026-04-17T22:00', standard: 0, saving: true },
  { zone: 'Europe/London', local: '2026-01-17T22:00', standard: 0, saving: false },
  { zone: 'Europe/Dublin', local: '2026-07-17T22:00', standard: 0, saving: true },
  { zone: 'America/New_York', local: '2026-07-01T22:00', standard: -5, saving: true },
  { zone: 'America/Phoenix', local: '2026-07-01T22:00', standard: -7, saving: false },
  { zone: 'Asia/Kolkata', local: '2026-07-01T22:00', standard: 5.5, saving: false },
  { zone: 'Asia/Kathmandu', local: '2026-07-01T22:00', standard: 5.75, saving: false },
  { zone: 'America/St_Johns', local: '2026-07-01T22:00', standard: -3.5, saving: true },
  { zone: 'Australia/Adelaide', local: '2026-01-10T22:00', standard: 9.5, saving: true },
  { zone: 'Australia/Adelaide', local: '2026-07-10T22:00', standard: 9.5, saving: false },
  { zone: 'Australia/Sydney', local: '2026-12-24T22:00', standard: 10, saving: true },
  { zone: 'Pacific/Auckland', local: '2026-02-01T22:00', standard: 12, saving: true },
  { zone: 'Australia/Lord_Howe', local: '2026-07-10T22:00', standard: 10.5, saving: false },
  // Half an hour ahead in its summer, which no controller knows: the full offset, and no saving.
  { zone: 'Australia/Lord_Howe', local: '2026-01-10T22:00', standard: 11, saving: false, note: /30 minutes/ },
  { zone: 'Asia/Tokyo', local: '2026-07-10T22:00', standard: 9, saving: false },
  // A lasting change of the zone (1 March 2024) is no summer time.
  { zone: 'Asia/Almaty', local: '2024-01-15T22:00', standard: 6, saving: false },
  { zone: 'Asia/Almaty', local: '2024-06-15T22:00', standard: 5, saving: false },
])('$zone at $local: standard $standard, saving $saving', ({ zone, local, standard, saving, note }) => {
  const answer = controllerEntries(given({ zone, local }))
  expect(answer).toMatchObject({ standardOffsetHours: standard, daylightSaving: saving })
  expect('note' in answer && answer.note).toEqual(note ? expect.stringMatching(note) : null)
})

it('standard and saving always add up to the offset in force, in every zone and month', () => {
  for (const zone of Intl.supportedValuesOf('timeZone').filter((_each, index) => index % 9 === 0))
    for (const month of ['02', '07', '11']) {
      const answer = controllerEntries(given({ zone, local: `2026-${month}-12T21:30` }))
      if (!('atUtc' in answer)) throw new Error(`${zone} has no such evening`)
      const inForce = zoneOffsetHours(zone, Date.parse(answer.atUtc))
      expect(answer.standardOffsetHours + (answer.daylightSaving ? 1 : 0)).toBe(inForce)
    }
})

describe('hours that are missing or come twice', () => {
  it.each([
    { zone: 'Europe/Paris', local: '2026-03-29T02:30' },
    { zone: 'America/New_York', local: '2026-03-08T02:00' },
    { zone: 'Australia/Lord_Howe', local: '2026-10-04T02:10' },
    // Samoa skipped a whole day.
    { zone: 'Pacific/Apia', local: '2011-12-30T12:00' },
  ])('$local doesn’t exist in $zone', ({ zone, local }) => {
    expect(controllerEntries(given({ zone, local }))).toEqual({ reason: 'NO_SUCH_TIME' })
  })
  it.each([
    { zone: 'Europe/Paris', local: '2026-10-25T02:30', offsets: [2, 1] },
    { zone: 'Australia/Lord_Howe', local: '2026-04-05T01:45', offsets: [11, 10.5] },
  ])('$local comes twice in $zone: asked, then kept', ({ zone, local, offsets }) => {
    expect(controllerEntries(given({ zone, local }))).toEqual({
      ambiguous: offsets.map((utcOffsetHours) => ({ utcOffsetHours })),
    })
    const times = (['earlier', 'later'] as const).map((occurrence) => {
      const answer = controllerEntries(given({ zone, local, occurrence }))
      return 'atUtc' in answer ? Date.parse(answer.atUtc) : NaN
    })
    expect((times[1] ?? 0) - (times[0] ?? 0)).toBe(((offsets[0] ?? 0) - (offsets[1] ?? 0)) * 3_600_000)
  })
  it('an hour before and after are plain', () => {
    expect(offsetsOfLocal('Europe/Paris', '2026-03-29T01:59')).toEqual([1])
    expect(offsetsOfLocal('Europe/Paris', '2026-03-29T03:00')).toEqual([2])
  })
})

it('date, both clocks and degrees as a controller wants them', () => {
  expect(controllerEntries(given({ local: '2026-04-17T00:05', longitudeDeg: -0.1 }))).toMatchObject({
    date: '2026-04-17',
    time24: '00:05:00',
    time12: '12:05:00 AM',
    latitudeDms: { degrees: 52, minutes: 18, seconds: 0, hemisphere: 'N' },
    longitudeDms: { degrees: 0, minutes: 6, seconds: 0, hemisphere: 'W' },
  })
})

it.each([
  { deg: 59.999_99, dms: [60, 0, 0, 'N'] },
  { deg: -33.8688, dms: [33, 52, 8, 'S'] },
  { deg: 0, dms: [0, 0, 0, 'N'] },
  { deg: -0.000_01, dms: [0, 0, 0, 'N'] },
])('$deg° carries over', ({ deg, dms: [degrees, minutes, seconds, hemisphere] }) => {
  expect(degreesMinutesSeconds(deg, ['N', 'S'])).toEqual({ degrees, minutes, seconds, hemisphere })
})

it.each([
  { change: { zone: 'Mars/Olympus' }, names: 'zone' },
  { change: { local: '2026-02-30T10:00' }, names: 'local' },
  { change: { local: '2026-02-20T25:00' }, names: 'local' },
  { change: { local: '2026-02-20T10:00Z' }, names: 'local' },
  { change: { latitudeDeg: 91 }, names: 'latitudeDeg' },
  { change: { longitudeDeg: 181 }, names: 'longitudeDeg' },
])('refuses $change by name', ({ change, names }) => {
  expect(() => controllerEntries(given(change))).toThrow(names)
})

it('standard time is the same the whole year round', () => {
  for (const zone of ['Europe/Berlin', 'America/Santiago', 'Africa/Cairo', 'Australia/Hobart']) {
    const months = Array.from({ length: 12 }, (_each, month) => standardOffsetHours(zone, Date.UTC(2026, month, 15)))
    expect(new Set(months).size).toBe(1)
  }
})
