import { dayNumber } from '@binoculum/core'
import { testCalendar, testCalendarKit, testCalendarLoan } from '../../testing/calendar.ts'
import { idOf } from '../../testing/ids.ts'
import { columnsOf, endOf, rangeWords, stretchOf } from './calendar-days.ts'
import { changed, effectOf, waysOut, type Wanted } from './effects.ts'

const wanted = (rest: Partial<Wanted> = {}): Wanted => ({
  ...{ loanId: null, kitId: idOf('Yarrow'), fromOn: '2026-04-20', untilOn: '2026-05-04', ...rest },
})

describe('columns', () => {
  it('name every day of a fortnight, and Mondays with their week of many', () => {
    const short = columnsOf(testCalendar({ days: 18 }))
    expect(short.slice(0, 3).map(({ weekday, label, isToday }) => [weekday, label, isToday])).toEqual([
      ['Tue', '14 Apr', false],
      ['Wed', '15', false],
      ['Thu', '16', true],
    ])
    expect(short.filter(({ isOpen }) => !isOpen).map(({ date }) => date)).toEqual(['2026-04-19', '2026-04-26'])
    const wide = columnsOf(testCalendar({ days: 70 })).filter(({ label }) => label !== '')
    expect(wide.slice(0, 2).map(({ label }) => label)).toEqual(['20 Apr\nweek 17', '27 Apr\nweek 18'])
  })

  it('are shaded on a closing', () => {
    const closings = [{ id: idOf('c'), fromOn: '2026-04-15', untilOn: '2026-04-16', why: 'paint' }]
    const closed = columnsOf(testCalendar({ days: 7, closings })).filter(({ isOpen }) => !isOpen)
    expect(closed.map(({ date }) => date)).toEqual(['2026-04-15', '2026-04-16', '2026-04-19'])
  })

  it('hold bars that are cut at both ends', () => {
    const calendar = testCalendar({ days: 10 })
    const first = dayNumber('2026-04-14')
    expect(stretchOf(calendar, first + 2, first + 4)).toMatchObject({
      left: '20.000%',
      width: '30.000%',
      cutLeft: false,
    })
    expect(stretchOf(calendar, first - 5, first + 30)).toMatchObject({
      left: '0.000%',
      width: '100.000%',
      cutLeft: true,
      cutRight: true,
    })
    expect(stretchOf(calendar, first + 10, first + 12)).toBeNull()
  })

  it('say their range, with the year where it is another one', () => {
    expect(rangeWords('2026-04-14', 18, '2026-04-16')).toBe('Tue 14 Apr to Fri 1 May')
    expect(rangeWords('2026-12-20', 18, '2026-12-20')).toBe('Sun 20 Dec to Wed 6 Jan 2027')
  })

  it('a late loan goes on until today', () => {
    const late = testCalendarLoan('a', { state: 'out', untilOn: '2026-04-10' })
    expect(endOf(late, '2026-04-16')).toBe('2026-04-16')
    expect(endOf({ ...late, state: 'back' }, '2026-04-16')).toBe('2026-04-10')
  })
})

describe('what a change would do', () => {
  it('nothing stands against free days, and its dark hours are those of its nights', () => {
    expect(effectOf(testCalendar(), wanted())).toEqual({
      ...{ allowed: true, against: [], inTheWay: [] },
      darkHours: 28,
      darkHoursNow: null,
    })
  })

  it.each([
    ['The pick-up lies in the past.', { fromOn: '2026-04-15', untilOn: '2026-04-22' }],
    ['The desk is closed on Sun 19 Apr.', { fromOn: '2026-04-19', untilOn: '2026-04-25' }],
    ['The desk is closed on Sun 26 Apr.', { fromOn: '2026-04-20', untilOn: '2026-04-26' }],
    ['It must come back after the day on which it goes out.', { untilOn: '2026-04-20' }],
    ['Nothing is lent for more than 42 days.', { untilOn: '2026-06-02' }],
    ['Nothing is promised more than 200 days ahead.', { fromOn: '2026-11-16', untilOn: '2026-11-20' }],
  ])('%s', (sentence, change) => {
    expect(effectOf(testCalendar(), wanted(change)).against).toContain(sentence)
  })

  it('names who stands in the way, and when the kit is free again', () => {
    const loans = [testCalendarLoan('a', { fromOn: '2026-05-05', untilOn: '2026-05-12', borrower: 'Teo Nowak' })]
    const { allowed, against, inTheWay } = effectOf(testCalendar({ loans }), wanted())
    expect([allowed, inTheWay]).toEqual([false, [idOf('a')]])
    expect(against).toEqual(['It is promised to Teo Nowak from Tue 5 May to Tue 12 May; free again on Thu 14 May.'])
    expect(effectOf(testCalendar({ loans }), wanted({ untilOn: '2026-05-02' })).allowed).toBe(true)
  })

  it('a late kit stands in the way until today and the day it is made ready', () => {
    const loans = [testCalendarLoan('a', { state: 'out', fromOn: '2026-03-30', untilOn: '2026-04-13', daysLate: 3 })]
    expect(effectOf(testCalendar({ loans }), wanted({ fromOn: '2026-04-17' })).allowed).toBe(false)
    expect(effectOf(testCalendar({ loans }), wanted({ fromOn: '2026-04-18' })).allowed).toBe(true)
  })

  it('a loan that is out may be put off though it began long ago, but not over the next one', () => {
    const out = testCalendarLoan('a', { state: 'out', fromOn: '2026-04-06', untilOn: '2026-04-20' })
    const next = testCalendarLoan('b', { fromOn: '2026-04-27' })
    const calendar = testCalendar({ loans: [out, next] })
    expect(effectOf(calendar, changed(out, { longer: 4 })).allowed).toBe(true)
    expect(effectOf(calendar, changed(out, { longer: 7 })).inTheWay).toEqual([idOf('b')])
  })

  it('a loan is moved, stretched, never turned inside out, or given another kit', () => {
    const loan = testCalendarLoan('a')
    expect(changed(loan, { days: 2 })).toMatchObject({ fromOn: '2026-04-22', untilOn: '2026-05-06' })
    expect(changed(loan, { longer: -40 })).toMatchObject({ fromOn: '2026-04-20', untilOn: '2026-04-20' })
    expect(changed(loan, { kitId: idOf('Tansy') })).toMatchObject({ kitId: idOf('Tansy'), fromOn: '2026-04-20' })
  })
})

describe('ways out of a clash', () => {
  const clash = { code: 'late' as const, readyOn: '2026-04-21' }
  const loan = testCalendarLoan('a', { fromOn: '2026-04-18', untilOn: '2026-05-02', clash })
  const out = testCalendarLoan('o', { state: 'out', fromOn: '2026-03-30', untilOn: '2026-04-18' })

  it('offer the same model first, then its family, then any, and the first days of the kit itself', () => {
    const kits = [
      testCalendarKit('Yarrow'),
      testCalendarKit('Alder', { modelName: 'equatorial 118', family: 'equatorial-reflector' }),
      testCalendarKit('Sorrel', { modelName: 'tabletop reflector 84/400' }),
      testCalendarKit('Tansy'),
    ]
    const ways = waysOut(testCalendar({ kits, loans: [loan, out] }), loan)
    expect(ways.map(({ title }) => title)).toEqual([
      'Lend Tansy instead',
      'Lend Sorrel instead',
      'Ask for Tue 21 Apr',
    ])
    expect(ways[2]?.wanted).toMatchObject({ fromOn: '2026-04-21', untilOn: '2026-05-05' })
  })

  it('offer no kit that is late, though it may come back today', () => {
    const late = testCalendarLoan('l', {
      ...{ kitId: idOf('Tansy'), state: 'out', fromOn: '2026-03-30', untilOn: '2026-04-13', daysLate: 3 },
    })
    const later = { ...loan, fromOn: '2026-04-20', untilOn: '2026-05-04' }
    expect(waysOut(testCalendar({ loans: [later, late] }), later).some(({ title }) => title.includes('Tansy'))).toBe(
      false,
    )
    const back = { ...late, untilOn: '2026-04-16', daysLate: 0 }
    expect(waysOut(testCalendar({ loans: [later, back] }), later)[0]?.title).toBe('Lend Tansy instead')
  })

  it('offer no kit that is held or taken, and no day of one that is held', () => {
    const kits = [
      testCalendarKit('Yarrow', { condition: 'new' }),
      testCalendarKit('Tansy', { condition: 'crescent' }),
    ]
    const held = { ...loan, clash: { code: 'held' as const, readyOn: null } }
    expect(waysOut(testCalendar({ kits, loans: [held] }), held)).toEqual([])
  })
})
