import type { Calendar, CalendarLoan } from '@binoculum/contract'
import { dateOfDay, dayNumber, isoWeek, isoWeekday, openDays } from '@binoculum/core'
import dayjs from 'dayjs'
import { calendarWords } from './words.ts'

const t = calendarWords('calendarDays')

/** The calendar's columns and where bars lie on them; all days are day numbers. */
export interface Column {
  readonly day: number
  readonly date: string
  readonly weekday: string
  readonly dayOfMonth: string
  /** Said where it begins or a week begins in the wide view. */
  readonly label: string
  readonly isOpen: boolean
  readonly isToday: boolean
  readonly isWeekend: boolean
}

const WIDE_FROM_DAYS = 28

/** Every day a column; where they are many only Mondays are named, with their week [ISO 8601]. */
export function columnsOf(calendar: Calendar): Column[] {
  const isOpen = openDaysOf(calendar)
  const first = dayNumber(calendar.from)
  const isWide = calendar.days >= WIDE_FROM_DAYS
  return Array.from({ length: calendar.days }, (_, index) => {
    const day = first + index
    const date = dateOfDay(day)
    const at = dayjs(date)
    const startsMonth = at.date() === 1 || index === 0
    const named = at.format(startsMonth ? 'D MMM' : 'D')
    const label = isWide
      ? isoWeekday(day) === 1
        ? t('formatWeek', { format: at.format(t('dMmm')), week: isoWeek(day).week })
        : ''
      : named
    return {
      ...{ day, date, label, weekday: at.format('ddd'), dayOfMonth: at.format('D') },
      isOpen: isOpen(day),
      isToday: date === calendar.today,
      isWeekend: isoWeekday(day) >= 6,
    }
  })
}

export function openDaysOf({ opening, closings }: Pick<Calendar, 'opening' | 'closings'>): (day: number) => boolean {
  const closedDates = closings.flatMap(({ fromOn, untilOn }) =>
    Array.from({ length: dayNumber(untilOn) - dayNumber(fromOn) + 1 }, (_, index) =>
      dateOfDay(dayNumber(fromOn) + index),
    ),
  )
  return openDays({ openWeekdays: opening.openWeekdays, closedDates })
}

/** Left and width of a stretch of days as shares of the calendar, cut at its ends; null outside. */
export function stretchOf(
  { from, days }: Pick<Calendar, 'from' | 'days'>,
  first: number,
  last: number,
): { left: string; width: string; cutLeft: boolean; cutRight: boolean } | null {
  const start = dayNumber(from)
  const [shownFrom, shownUntil] = [Math.max(0, first - start), Math.min(days, last - start + 1)]
  if (shownUntil <= shownFrom) return null
  const share = (value: number) => `${((100 * value) / days).toFixed(3)}%`
  return {
    left: share(shownFrom),
    width: share(shownUntil - shownFrom),
    cutLeft: first < start,
    cutRight: last - start + 1 > days,
  }
}

/** The day on which a loan really ends as things stand: a late one goes on until today. */
export function endOf({ untilOn, state }: Pick<CalendarLoan, 'untilOn' | 'state'>, today: string): string {
  return state === 'out' && untilOn < today ? today : untilOn
}

export const dayWords = (date: string): string => dayjs(date).format('ddd D MMM')
/** “Tue 14 Apr to Fri 1 May”, with the year where it isn't this one. */
export function rangeWords(from: string, days: number, today: string): string {
  const until = dateOfDay(dayNumber(from) + days - 1)
  const year = until.slice(0, 4) === today.slice(0, 4) ? '' : ` ${until.slice(0, 4)}`
  return t('fromTo', { from: dayWords(from), until: dayWords(until), year })
}
