import {
  MOST_CALENDAR_DAYS,
  type Calendar as CalendarView,
  type CalendarLoan,
  type Session,
  type SuggestedSlot,
} from '@binoculum/contract'
import {
  dateOfDay,
  dayNumber,
  freeSlots,
  kitSuits,
  promiseClash,
  slotNights,
  slotReason,
  type BorrowerCan,
  type Condition,
  type SlotWish,
} from '@binoculum/core'
import { DateTime } from 'luxon'
import { anyRole, deskBranchIds, deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import { daysLate, isGone, judgeRow, loanCode, type Shelf, type ShelfRow } from '../judgement/service.ts'
import { closingsFrom, type BranchDays, type Opening } from '../opening/service.ts'
import { tripsAt, type Trip } from '../transfers/service.ts'
import { nightsFrom } from './nights.ts'
import * as queries from './queries.ts'

/** Loans and promises of a branch against its nights. */
export class Calendar {
  constructor(
    private readonly context: Context,
    private readonly shelf: Shelf,
    private readonly opening: Opening,
  ) {}

  /** @param days 1 … MOST_CALENDAR_DAYS, from `from` on */
  async view(session: Session, branchId: string, from: string, days: number): Promise<CalendarView> {
    requireRole(session, branchId, anyRole)
    const { database, clock } = this.context
    const tx = database.reader
    const now = clock()
    const branch = await this.opening.daysOf(tx, branchId)
    const until = dateOfDay(dayNumber(from) + Math.min(days, MOST_CALENDAR_DAYS) - 1)
    const [{ rows, trips }, loans, closings, place] = await Promise.all([
      this.rowsAt(branchId),
      queries.loansBetween(tx, { branchId, zone: branch.zone, from, until }),
      closingsFrom(tx, [branchId], from),
      queries.firstPlace(tx, branchId),
    ])
    const judged = new Map(rows.map((row) => [row.id, judgeRow(row, now)]))
    const conditionOf = (kitId: string) => judged.get(kitId)?.condition ?? 'new'
    const seesNames = deskBranchIds(session).includes(branchId)
    const lines = loans.map((loan) => ({
      ...{ id: loan.id, code: loanCode(loan.number), kitId: loan.kitId, state: loan.state, version: loan.version },
      borrower: seesNames ? loan.borrower : '',
      ...{ fromOn: loan.fromOn, untilOn: loan.untilOn, turnaroundDays: loan.turnaroundDays },
      daysLate: loan.state === 'out' && loan.dueAt ? daysLate(loan.dueAt, now) : 0,
      pickUpTime: loan.promisedFor
        ? DateTime.fromJSDate(loan.promisedFor, { zone: branch.zone }).toFormat('HH:mm')
        : '',
      clash: loan.state === 'promised' ? clashOf(loan, loans, branch, conditionOf(loan.kitId)) : null,
    }))
    const { openWeekdays, pickUpFrom, pickUpUntil, turnaroundDays, longestLoanDays, aheadDays, vanWeekdays } = branch
    return {
      ...{ branchId, zone: branch.zone, today: branch.today, from, days, place: place?.name ?? null },
      southern: (place?.latitudeDeg ?? 0) < 0,
      opening: {
        openWeekdays: [...openWeekdays],
        pickUpFrom,
        pickUpUntil,
        turnaroundDays,
        longestLoanDays,
        aheadDays,
        vanWeekdays: [...vanWeekdays],
      },
      loanDays: branch.loanDays,
      closings: closings.filter(({ fromOn }) => fromOn <= until).map(({ branchId: _id, ...closing }) => closing),
      kits: rows.map((row) => ({
        ...{ id: row.id, code: row.code, name: row.name, modelName: row.modelName, family: row.family },
        condition: conditionOf(row.id),
        reasons: [...(judged.get(row.id)?.reasons ?? [])],
        gone: isGone(row),
        ...hereOf(trips.get(row.id), branchId),
      })),
      loans: lines,
      nights: place ? nightsFrom(place, from, days).map((night) => ({ ...night, planets: [...night.planets] })) : [],
    }
  }

  /** A branch's kits, those that the van will bring among them, and which of them travel. */
  private async rowsAt(branchId: string): Promise<{ rows: ShelfRow[]; trips: ReadonlyMap<string, Trip> }> {
    const { reader } = this.context.database
    const [own, trips] = await Promise.all([this.shelf.rowsOfBranch(branchId), tripsAt(reader, branchId)])
    const coming: ShelfRow[] = []
    for (const { kitId, toBranchId } of trips)
      if (toBranchId === branchId) coming.push(await this.shelf.rowById(reader, kitId))
    return { rows: [...own, ...coming], trips: new Map(trips.map((trip) => [trip.kitId, trip])) }
  }

  /** What a plan of the branch's next days is made of: kits that can be lent with their bookings, and the dark hours. */
  async forPlan(branchId: string, length: number) {
    const { database, clock } = this.context
    const tx = database.reader
    const now = clock()
    const days = await this.opening.daysOf(tx, branchId)
    const from = days.today
    const until = dateOfDay(dayNumber(from) + length + days.longestLoanDays)
    const [{ rows, trips }, loans, place] = await Promise.all([
      this.rowsAt(branchId),
      queries.loansBetween(tx, { branchId, zone: days.zone, from, until }),
      queries.firstPlace(tx, branchId),
    ])
    const bookings = bookingsByKit(loans, days.today, { trips, branchId, from, until })
    const kits = rows
      // A kit that is late may come back today or never: nothing is planned with it.
      .filter((row) => !isGone(row) && !isLate(row, now) && canBeLent(row, judgeRow(row, now).condition))
      .map((row) => ({ ...row, bookings: bookings.get(row.id) ?? [] }))
    const evenings = place ? nightsFrom(place, from, Math.min(MOST_CALENDAR_DAYS, length + 28)) : []
    const dark = evenings.map(({ date, moonlessDarkHours }) => ({ date, hours: moonlessDarkHours }))
    return { days, kits, dark }
  }

  /** Kits and days that suit what somebody wants to see: the best of each kit, the best kits first. Nobody is barred from any
   * other. */
  async suggest(
    session: Session,
    branchId: string,
    asked: { wish: SlotWish; from: string; until: string; lengthDays: number } & BorrowerCan,
  ): Promise<SuggestedSlot[]> {
    requireRole(session, branchId, deskRoles)
    const { database, clock } = this.context
    const tx = database.reader
    const now = clock()
    const branch = await this.opening.daysOf(tx, branchId)
    const from = asked.from < branch.today ? branch.today : asked.from
    const until = dateOfDay(Math.min(dayNumber(asked.until), dayNumber(from) + MOST_CALENDAR_DAYS))
    if (until <= from) return []
    const [{ rows, trips }, loans, masses, place] = await Promise.all([
      this.rowsAt(branchId),
      queries.loansBetween(tx, { branchId, zone: branch.zone, from, until }),
      queries.massesOf(tx, branchId),
      queries.firstPlace(tx, branchId),
    ])
    const massOf = new Map(masses.map(({ kitId, massG }) => [kitId, (massG ?? 0) / 1000]))
    const evenings = place ? nightsFrom(place, from, dayNumber(until) - dayNumber(from) + 1) : []
    const nights = new Map(evenings.map((evening) => [evening.date, evening]))
    const bookings = bookingsByKit(loans, branch.today, { trips, branchId, from, until })
    return rows
      .filter((row) => !isGone(row) && canBeLent(row, judgeRow(row, now).condition))
      .flatMap((row) => {
        const { openWeekdays, turnaroundDays, closedDates } = branch
        const days = { openWeekdays, turnaroundDays, closedDates, from, until, lengthDays: asked.lengthDays }
        const slots = freeSlots({ ...days, bookings: bookings.get(row.id) ?? [] })
        const valued = slots.map((slot) => ({ slot, nights: slotNights(slot, asked.wish, nights) }))
        const value = ({ nights: of }: (typeof valued)[number]) =>
          asked.wish === 'faint' || asked.wish === 'any' ? of.darkHours : of.evenings
        const [best] = valued.sort((a, b) => value(b) - value(a) || a.slot.from.localeCompare(b.slot.from))
        // Days without anything of what is wanted are no suggestion.
        if (!best || value(best) === 0) return []
        const massKg = massOf.get(row.id) ?? 0
        const fit = kitSuits({ family: row.family as Parameters<typeof kitSuits>[0]['family'], massKg }, asked)
        const { id: kitId, code: kitCode, name: kitName, modelName } = row
        const late = isLate(row, now) ? ['it is late now'] : []
        const reason = [slotReason(asked.wish, best.nights), ...fit.reasons, ...late].join('; ')
        const of = { kitId, kitCode, kitName, modelName, massKg, reason }
        return [{ ...of, ...best.slot, ...best.nights, suits: fit.suits && late.length === 0, value: value(best) }]
      })
      .sort((a, b) => Number(b.suits) - Number(a.suits) || b.value - a.value || a.from.localeCompare(b.from))
      .slice(0, MOST_SUGGESTED)
      .map(({ suits: _suits, value: _value, ...slot }) => slot)
  }
}

const MOST_SUGGESTED = 6

const isLate = ({ loan }: ShelfRow, now: Date) => loan !== null && daysLate(new Date(loan.dueAt), now) > 0

/** One that is out is looked at when it is back. */
const canBeLent = (row: ShelfRow, condition: Condition) =>
  row.loan !== null || condition === 'full' || condition === 'half'

function bookingsByKit(
  loans: readonly queries.CalendarLoanRow[],
  today: string,
  away: {
    readonly trips: ReadonlyMap<string, Trip>
    readonly branchId: string
    readonly from: string
    readonly until: string
  },
) {
  const byKit = new Map<string, { from: string; until: string }[]>()
  const add = (kitId: string, from: string, until: string) =>
    byKit.set(kitId, [...(byKit.get(kitId) ?? []), { from, until }])
  for (const { kitId, state, fromOn, untilOn } of loans) {
    if (state === 'back') continue
    // A late kit comes back today at the earliest.
    add(kitId, fromOn, state === 'out' && untilOn < today ? today : untilOn)
  }
  // Where it isn't, it can't be lent.
  for (const [kitId, trip] of away.trips) {
    if (trip.toBranchId === away.branchId) add(kitId, away.from < trip.onDay ? away.from : trip.onDay, trip.onDay)
    else add(kitId, trip.onDay, away.until > trip.onDay ? away.until : trip.onDay)
  }
  return byKit
}

/** The first and the last whole day of a kit at a branch. */
const hereOf = (trip: Trip | undefined, branchId: string) => ({
  hereFrom: trip?.toBranchId === branchId ? dateOfDay(dayNumber(trip.onDay) + 1) : null,
  hereUntil: trip?.fromBranchId === branchId ? dateOfDay(dayNumber(trip.onDay) - 1) : null,
})

function clashOf(
  loan: queries.CalendarLoanRow,
  loans: readonly queries.CalendarLoanRow[],
  branch: BranchDays,
  condition: Condition,
): CalendarLoan['clash'] {
  const spanOf = ({ fromOn, untilOn, turnaroundDays }: queries.CalendarLoanRow) => ({
    ...{ from: dayNumber(fromOn), until: dayNumber(untilOn), turnaroundDays },
  })
  const own = loans.filter(({ kitId, id }) => kitId === loan.kitId && id !== loan.id)
  const out = own.find(({ state }) => state === 'out')
  const span = spanOf(loan)
  const clash = promiseClash({
    ...span,
    today: dayNumber(branch.today),
    out: out ? spanOf(out) : null,
    isNext: !own.some(({ state, fromOn }) => state === 'promised' && fromOn < loan.fromOn),
    others: own.filter(({ state }) => state === 'promised').map(spanOf),
    condition,
    onOpenDays: branch.isOpen(span.from) && branch.isOpen(span.until),
  })
  return clash && { code: clash.code, readyOn: clash.readyOn === null ? null : dateOfDay(clash.readyOn) }
}

export { firstPlace } from './queries.ts'
