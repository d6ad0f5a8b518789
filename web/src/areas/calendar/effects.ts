import type { Calendar, CalendarKit, CalendarLoan } from '@binoculum/contract'
import { dateOfDay, dayNumber, leaveRoom } from '@binoculum/core'
import { dayWords, endOf, openDaysOf } from './calendar-days.ts'
import { calendarWords } from './words.ts'

const t = calendarWords('effects')

/** A loan's days as somebody is about to set them: of one that is there, or of a new one. */
export interface Wanted {
  readonly loanId: string | null
  readonly kitId: string
  readonly fromOn: string
  readonly untilOn: string
}

export interface Effect {
  /** Whether the server would take it, as far as this calendar knows. */
  readonly allowed: boolean
  /** What stands against it, in words. */
  readonly against: readonly string[]
  /** Loans that would stand in the way. */
  readonly inTheWay: readonly string[]
  readonly darkHours: number
  /** Dark hours as it stands now; null for a new one. */
  readonly darkHoursNow: number | null
}

/** Dark hours without the Moon of a loan's nights, those of the calendar: the night of the return isn't the borrower's. */
export const darkHoursOf = ({ nights }: Pick<Calendar, 'nights'>, from: string, until: string): number =>
  nights.filter(({ date }) => date >= from && date < until).reduce((sum, night) => sum + night.moonlessDarkHours, 0)

/** All that a change of days would do, before it is let go. The server decides; this says the same, so that nobody has to try. */
export function effectOf(calendar: Calendar, wanted: Wanted): Effect {
  const { loans, opening, today } = calendar
  const isOpen = openDaysOf(calendar)
  const own = loans.find(({ id }) => id === wanted.loanId)
  const [from, until] = [dayNumber(wanted.fromOn), dayNumber(wanted.untilOn)]
  const against: string[] = []
  const isOut = own?.state === 'out'
  if (until <= from) against.push(t('itMustComeBackAfter'))
  if (!isOut && wanted.fromOn < today) against.push(t('thePickUpLiesIn'))
  if (isOut && wanted.untilOn <= today) against.push(t('theReturnMustLieAfter'))
  const longest = isOut ? dayNumber(today) + opening.longestLoanDays : from + opening.longestLoanDays
  if (until > longest) against.push(t('nothingIsLentForMore', { longestLoanDays: opening.longestLoanDays }))
  if (from - dayNumber(today) > opening.aheadDays)
    against.push(t('nothingIsPromisedMoreThan', { aheadDays: opening.aheadDays }))
  if (!isOut && !isOpen(from)) against.push(t('theDeskIsClosedOn', { fromOn: dayWords(wanted.fromOn) }))
  if (!isOpen(until)) against.push(t('theDeskIsClosedOn2', { untilOn: dayWords(wanted.untilOn) }))
  const kit = calendar.kits.find(({ id }) => id === wanted.kitId)
  if (kit?.hereFrom && wanted.fromOn < kit.hereFrom)
    against.push(t('theVanBringsItOn', { hereFrom: dayWords(dateOfDay(dayNumber(kit.hereFrom) - 1)) }))
  if (kit?.hereUntil && wanted.untilOn > kit.hereUntil)
    against.push(t('theVanTakesItAway', { hereUntil: dayWords(dateOfDay(dayNumber(kit.hereUntil) + 1)) }))
  const turnaroundDays = own?.turnaroundDays ?? opening.turnaroundDays
  const inTheWay = loans.filter((loan) => {
    if (loan.id === wanted.loanId || loan.kitId !== wanted.kitId || loan.state === 'back') return false
    const span = { from: dayNumber(loan.fromOn), until: dayNumber(endOf(loan, today)) }
    const needed = span.from < from ? loan.turnaroundDays : turnaroundDays
    return !leaveRoom({ from, until }, span, needed)
  })
  for (const loan of inTheWay) against.push(inTheWayText(loan, today))
  return {
    allowed: against.length === 0,
    against,
    inTheWay: inTheWay.map(({ id }) => id),
    darkHours: darkHoursOf(calendar, wanted.fromOn, wanted.untilOn),
    darkHoursNow: own ? darkHoursOf(calendar, own.fromOn, own.untilOn) : null,
  }
}

function inTheWayText(loan: CalendarLoan, today: string): string {
  const who = loan.borrower || loan.code
  const until = dayNumber(endOf(loan, today))
  const ready = dayWords(dateOfDay(until + loan.turnaroundDays + 1))
  return loan.state === 'out'
    ? t('hasItUntilItIs', { who, untilOn: dayWords(loan.untilOn), ready })
    : t('itIsPromisedToFrom', { who, fromOn: dayWords(loan.fromOn), untilOn: dayWords(loan.untilOn), ready })
}

/** A loan moved by days, stretched at its end, or given another kit. */
export function changed(
  { id, kitId, fromOn, untilOn }: Pick<CalendarLoan, 'id' | 'kitId' | 'fromOn' | 'untilOn'>,
  by: { readonly days?: number; readonly longer?: number; readonly kitId?: string },
): Wanted {
  const { days = 0, longer = 0 } = by
  return {
    loanId: id,
    kitId: by.kitId ?? kitId,
    fromOn: dateOfDay(dayNumber(fromOn) + days),
    untilOn: dateOfDay(Math.max(dayNumber(fromOn) + days, dayNumber(untilOn) + days + longer)),
  }
}

/** Ways out of a clash: another kit that is free on the same days, and the same kit as soon as it is ready. */
export interface WayOut {
  readonly title: string
  readonly detail: string
  readonly wanted: Wanted
}

const MOST_WAYS = 3
const LOOK_AHEAD_DAYS = 60

export function waysOut(calendar: Calendar, loan: CalendarLoan): WayOut[] {
  const kitOf = new Map(calendar.kits.map((kit) => [kit.id, kit]))
  const own = kitOf.get(loan.kitId)
  // A kit that is late may come back today or never: nobody is sent to it.
  const late = new Set(calendar.loans.filter(({ daysLate }) => daysLate > 0).map(({ kitId }) => kitId))
  const others = calendar.kits
    .filter((kit) => kit.id !== loan.kitId && !kit.gone && isFit(kit) && !late.has(kit.id))
    .sort((a, b) => likeness(b, own) - likeness(a, own))
    .map((kit): WayOut => {
      const same = kit.modelName === own?.modelName
      return {
        title: t('lendInstead', { name: kit.name }),
        detail: t('freeOnTheseDays', { modelName: same ? t('theSameModel') : kit.modelName }),
        wanted: changed(loan, { kitId: kit.id }),
      }
    })
    .filter(({ wanted }) => effectOf(calendar, wanted).allowed)
  const later = firstFree(calendar, loan)
  const dayWay: WayOut[] = later
    ? [
        {
          title: t('askFor', { fromOn: dayWords(later.fromOn) }),
          detail: t('theSameKitForAs', { untilOn: dayWords(later.untilOn) }),
          wanted: later,
        },
      ]
    : []
  return [...others.slice(0, MOST_WAYS - dayWay.length), ...dayWay]
}

/** The same model before one of its family, and that before any other. */
const likeness = (kit: CalendarKit, own: CalendarKit | undefined) =>
  Number(kit.modelName === own?.modelName) + Number(kit.family === own?.family)

const isFit = ({ condition }: CalendarKit) => condition === 'full' || condition === 'half'

/** The same kit for as many days, as soon as it can be there. */
function firstFree(calendar: Calendar, loan: CalendarLoan): Wanted | null {
  const readyOn = loan.clash?.readyOn
  if (loan.clash?.code === 'held') return null
  const first = Math.max(dayNumber(loan.fromOn), readyOn ? dayNumber(readyOn) : 0)
  for (let from = first; from < first + LOOK_AHEAD_DAYS; from++) {
    const wanted = changed(loan, { days: from - dayNumber(loan.fromOn) })
    if (wanted.fromOn !== loan.fromOn && effectOf(calendar, wanted).allowed) return wanted
  }
  return null
}
