import type { Taken } from '@binoculum/contract'
import { dateOfDay, dayNumber, freeSlots } from '@binoculum/core'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { judgeRow, loanCode, type Shelf } from '../judgement/service.ts'
import type { BranchDays } from '../opening/service.ts'
import * as queries from './loan-days-queries.ts'
import type { WantedDays } from './loan-days-queries.ts'

const MOST_TURNAROUND_DAYS = 14
const NEAREST = 3

/** Days between two loans of a kit: what eight of ten of its model's last returns needed until they were checked, and never
 * less than the branch's own number. */
export const turnaroundFrom = (usual: number | null, days: BranchDays): number =>
  Math.max(days.turnaroundDays, Math.min(MOST_TURNAROUND_DAYS, usual ?? 0))

export const turnaroundOf = async (tx: Tx, kitId: string, days: BranchDays): Promise<number> =>
  turnaroundFrom(await queries.usualTurnaround(tx, kitId), days)

/** Whether a loan's days and those wanted leave no room between them. */
export const isInTheWay = (
  loan: { readonly from: string; readonly until: string; readonly turnaroundDays: number },
  { fromOn, untilOn, turnaroundDays }: WantedDays,
): boolean =>
  dayNumber(loan.from) <= dayNumber(untilOn) + turnaroundDays &&
  dayNumber(fromOn) <= dayNumber(loan.until) + loan.turnaroundDays

/** What has to be known of the branch and its kits besides. */
export interface Around {
  readonly days: BranchDays
  readonly shelf: Shelf
  readonly now: Date
}

const MOST_OTHERS = 4

/** Of kits that nobody has then those that could go out: nobody is sent to one that is held. */
async function fitOnes(tx: Tx, kits: Taken['others'], shelf: Shelf, now: Date): Promise<Taken['others']> {
  const fit: Taken['others'] = []
  for (const kit of kits) {
    if (fit.length === MOST_OTHERS) break
    const row = await shelf.rowById(tx, kit.id)
    const { condition } = judgeRow(row, now)
    if (row.loan || condition === 'full' || condition === 'half') fit.push(kit)
  }
  return fit
}

/** Free days of one length as near to those wanted as there are, as far ahead as the branch promises. Where nothing so long
 * is free, half as long: a week is better than a refusal that offers nothing. */
function nearestSlots(wanted: WantedDays, loans: readonly queries.OpenLoan[], days: BranchDays): Taken['nearest'] {
  const first = dayNumber(wanted.fromOn)
  const bookings = loans.filter(({ id }) => id !== wanted.loanId)
  const window = { from: days.today, until: dateOfDay(dayNumber(days.today) + days.aheadDays) }
  const away = (from: string) => Math.abs(dayNumber(from) - first)
  for (
    let lengthDays = Math.max(1, dayNumber(wanted.untilOn) - first);
    lengthDays >= 1;
    lengthDays = Math.floor(lengthDays / 2)
  ) {
    const { turnaroundDays } = wanted
    const slots = freeSlots({ bookings, ...window, lengthDays, turnaroundDays, ...weekOf(days) })
    if (slots.length > 0)
      return [...slots]
        .sort((a, b) => away(a.from) - away(b.from) || a.from.localeCompare(b.from))
        .slice(0, NEAREST)
        .sort((a, b) => a.from.localeCompare(b.from))
  }
  return []
}

const weekOf = ({ openWeekdays, closedDates }: BranchDays) => ({ openWeekdays, closedDates })

/** Who has the kit on the days wanted, and what would do instead. */
export async function takenDays(tx: Tx, wanted: WantedDays, { days, shelf, now }: Around): Promise<Taken> {
  const { kitId } = wanted
  const loans = await queries.openLoansOf(tx, kitId, days.today)
  const free = await queries.kitsFreeThen(tx, { ...wanted, today: days.today, branchId: days.branchId })
  const others = await fitOnes(tx, free, shelf, now)
  const inTheWay = loans.filter((loan) => loan.id !== wanted.loanId && isInTheWay(loan, wanted))
  return {
    taken: inTheWay.map(({ id, number, borrower, state, from, until, turnaroundDays: own, version }) => ({
      ...{ loanId: id, loanCode: loanCode(number), borrower, state, version },
      ...{ fromOn: from, untilOn: until, freeOn: dateOfDay(dayNumber(until) + own + 1) },
    })),
    nearest: nearestSlots(wanted, loans, days),
    others,
  }
}

/** The database's refusal of days that somebody else has [PostgreSQL 15, appendix A: exclusion_violation]. */
const isTaken = (error: unknown): boolean =>
  (error as { driverError?: { code?: string } }).driverError?.code === '23P01'

interface Guarded {
  readonly wanted: WantedDays
  readonly days: () => Promise<BranchDays>
  readonly shelf: Shelf
  readonly code: 'KIT_TAKEN' | 'KIT_PROMISED'
}

/** Does what gives a kit to somebody for some days; where another desk was faster, says who has them.
 * @throws Problem `code` with what `takenDays` tells */
export async function whileFree<T>(
  { database, clock }: Context,
  { wanted, days, shelf, code }: Guarded,
  work: (tx: Tx) => Promise<T>,
): Promise<T> {
  try {
    return await database.inTransaction(work)
  } catch (error) {
    if (!isTaken(error)) throw error
    throw new Problem(code, {
      details: await takenDays(database.reader, wanted, { days: await days(), shelf, now: clock() }),
    })
  }
}

export type { WantedDays } from './loan-days-queries.ts'
