import { sharedWords } from './words.ts'

const t = sharedWords('dates')

/** Dates and times as the screens say them, in a branch's own zone. */

const format = (zone: string, options: Intl.DateTimeFormatOptions) =>
  new Intl.DateTimeFormat('en-GB', { timeZone: zone, ...options })

export function dayText(atUtc: string, zone: string): string {
  const parts = format(zone, { weekday: 'short', day: 'numeric', month: 'short' }).formatToParts(new Date(atUtc))
  const part = (type: string) => parts.find((candidate) => candidate.type === type)?.value ?? ''
  return `${part('weekday')} ${part('day')} ${part('month')}`
}

export const hourText = (atUtc: string, zone: string): string =>
  format(zone, { hour: '2-digit', minute: '2-digit' }).format(new Date(atUtc))

const isoDay = (at: Date, zone: string) =>
  format(zone, { year: 'numeric', month: '2-digit', day: '2-digit' }).format(at)

/** Some moment of the next day; days on which clocks change last 23 or 25 hours. */
function dayAfter(now: Date, zone: string): Date {
  const hours = Number(format(zone, { hour: '2-digit', hourCycle: 'h23' }).format(now))
  return new Date(now.getTime() + (36 - hours) * 3_600_000)
}

/** “today 16:00”, “tomorrow 16:00”, “Fri 12 Mar 16:00”. */
export function whenText(atUtc: string, zone: string, now: Date = new Date()): string {
  const day = isoDay(new Date(atUtc), zone)
  const hour = hourText(atUtc, zone)
  if (day === isoDay(now, zone)) return t('todayHour', { hour })
  if (day === isoDay(dayAfter(now, zone), zone)) return t('tomorrowHour', { hour })
  return `${dayText(atUtc, zone)} ${hour}`
}

export const lateText = (days: number): string => t('daysLate', { n: days })

/** The zone of this machine, where nobody is signed in and no branch is known. */
export const deviceZone = Intl.DateTimeFormat().resolvedOptions().timeZone

/** A day and its year, where years matter: “30 Nov 2026”. */
export const dateText = (atUtc: string, zone: string): string =>
  format(zone, { day: 'numeric', month: 'short', year: 'numeric' }).format(new Date(atUtc))
