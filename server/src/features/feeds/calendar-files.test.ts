import ICAL from 'ical.js'
import { calendarFile, readClosings, type FeedLoan } from './calendar-files.ts'

/** Written by one library and read back by another that knows nothing of it [RFC 5545]. */
const loan = (rest: Partial<FeedLoan> = {}): FeedLoan => ({
  ...{ id: 'a', code: 'L-0042', kitCode: 'M-01', kitName: 'Yarrow; “the, first”', state: 'promised' },
  ...{ fromOn: '2026-03-28', untilOn: '2026-04-11', ...rest },
})
const eventsOf = (text: string) =>
  new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((component) => new ICAL.Event(component))
const file = (...lines: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//y//EN', ...lines, 'END:VCALENDAR'].join('\r\n')
const event = (...lines: string[]) => ['BEGIN:VEVENT', 'UID:1@x', 'DTSTAMP:20260101T000000Z', ...lines, 'END:VEVENT']
const TODAY = '2026-03-12'

describe('a feed', () => {
  it('says pick-up and return as whole days, without a zone and without a name', () => {
    const text = calendarFile('Library', [loan(), loan({ id: 'b', state: 'out', untilOn: '2026-10-25' })])
    const events = eventsOf(text)
    expect(
      events.map(({ startDate, endDate, summary }) => [
        startDate?.isDate,
        String(startDate),
        String(endDate),
        summary,
      ]),
    ).toEqual([
      [true, '2026-03-28', '2026-03-29', 'Yarrow; “the, first” (M-01) goes out, L-0042'],
      [true, '2026-04-11', '2026-04-12', 'Yarrow; “the, first” (M-01) is due back, L-0042'],
      [true, '2026-10-25', '2026-10-26', 'Yarrow; “the, first” (M-01) is due back, L-0042'],
    ])
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(3)
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true)
  })
})

describe('closings from a file', () => {
  it('of whole days, the end not counted; over both changes of the clocks', () => {
    const text = file(
      ...event('SUMMARY:Spring', 'DTSTART;VALUE=DATE:20260328', 'DTEND;VALUE=DATE:20260331'),
      ...event('SUMMARY:One day', 'DTSTART;VALUE=DATE:20261025'),
    )
    expect(readClosings(text, TODAY).closings).toEqual([
      { fromOn: '2026-03-28', untilOn: '2026-03-30', why: 'Spring' },
      { fromOn: '2026-10-25', untilOn: '2026-10-25', why: 'One day' },
    ])
  })

  it('of hours close each day that they touch, midnight not counted', () => {
    const text = file(...event('SUMMARY:Paint', 'DTSTART:20260402T180000', 'DTEND:20260404T000000'))
    expect(readClosings(text, TODAY).closings).toEqual([
      { fromOn: '2026-04-02', untilOn: '2026-04-03', why: 'Paint' },
    ])
  })

  it('of a rule that never ends are followed for two years and not further', () => {
    const text = file(...event('SUMMARY:Weekly', 'DTSTART;VALUE=DATE:20200106', 'RRULE:FREQ=WEEKLY'))
    const { closings } = readClosings(text, TODAY)
    expect([closings[0]?.fromOn, closings.length]).toEqual(['2026-03-16', 106])
    const daily = readClosings(
      file(...event('SUMMARY:Daily', 'DTSTART;VALUE=DATE:20260313', 'RRULE:FREQ=DAILY')),
      TODAY,
    )
    expect([daily.closings.length, daily.leftOut]).toEqual([200, ['Daily: more than 200 closings']])
  })

  it('that are over, cancelled or have no day are left out, and named', () => {
    const text = file(
      ...event('SUMMARY:Long ago', 'DTSTART;VALUE=DATE:20200101'),
      ...event('SUMMARY:Called off', 'STATUS:CANCELLED', 'DTSTART;VALUE=DATE:20260501'),
      ...event('SUMMARY:Some time'),
    )
    expect(readClosings(text, TODAY)).toEqual({
      closings: [],
      leftOut: ['Long ago: is over', 'Called off: cancelled', 'Some time: has no day'],
    })
  })

  it.each(['', 'kit,part\r\nM-01,Tube', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nSUMMARY'])(
    'what is no calendar file is refused: %j',
    (text) => {
      expect(() => readClosings(text, TODAY)).toThrow('no calendar file')
    },
  )
})
