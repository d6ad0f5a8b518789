import type { Calendar, CalendarKit, CalendarLoan, CalendarNight } from '@binoculum/contract'
import { dateOfDay, dayNumber } from '@binoculum/core'
import { idOf } from './ids.ts'

export const testCalendarKit = (name: string, rest: Partial<CalendarKit> = {}): CalendarKit => ({
  ...{
    id: idOf(name),
    code: `M-${name}`,
    name,
    modelName: 'tabletop reflector 110/480',
    family: 'tabletop-reflector',
  },
  ...{ condition: 'full', reasons: [], gone: false, hereFrom: null, hereUntil: null, ...rest },
})

export const testCalendarLoan = (id: string, rest: Partial<CalendarLoan> = {}): CalendarLoan => ({
  ...{
    id: idOf(id),
    code: `L-${id}`,
    kitId: idOf('Yarrow'),
    state: 'promised',
    borrower: 'Mira Quill',
    pickUpTime: '10:00',
  },
  ...{
    fromOn: '2026-04-20',
    untilOn: '2026-05-04',
    turnaroundDays: 1,
    daysLate: 0,
    version: 1,
    clash: null,
    ...rest,
  },
})

const night = (date: string, moonlessDarkHours: number): CalendarNight => ({
  ...{ date, moonLit: 0.5, moonWaxing: true, moonlessDarkHours, state: 'normal', sunsetH: 8, sunriseH: 18 },
  ...{ darkFromH: 9.5, darkUntilH: 16.5, moonriseH: null, moonsetH: 12, moonUpAtNoon: true, planets: [] },
})

/** A branch from Tue 14 April 2026, closed on Sundays, with two hours of darkness every night. Today is Thu 16 April. */
export function testCalendar(rest: Partial<Calendar> = {}): Calendar {
  const [from, days] = [rest.from ?? '2026-04-14', rest.days ?? 28]
  return {
    ...{ branchId: idOf('branch'), zone: 'Europe/Dublin', today: '2026-04-16', from, days, place: 'The yard' },
    southern: false,
    opening: {
      ...{ openWeekdays: [1, 2, 3, 4, 5, 6], pickUpFrom: '10:00', pickUpUntil: '18:00' },
      ...{ turnaroundDays: 1, longestLoanDays: 42, aheadDays: 200, vanWeekdays: [] },
    },
    ...{ loanDays: 14, closings: [], kits: [testCalendarKit('Yarrow'), testCalendarKit('Tansy')], loans: [] },
    nights: Array.from({ length: days }, (_, index) => night(dateOfDay(dayNumber(from) + index), 2)),
    ...rest,
  }
}
