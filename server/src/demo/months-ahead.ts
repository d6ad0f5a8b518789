import { DateTime } from 'luxon'
import { demoBranches, type BranchKey } from './scenario.ts'
import { Chance } from './random.ts'

const MONTHS_AHEAD = 6
/** Near days belong to the kits' own stories. */
const FIRST_DAYS = 22
const HOUR_OF_PICK_UP = 16

/** Both desks are closed on Sundays; the club hands out in the evening too. */
export const demoOpenings: Readonly<Record<BranchKey, object>> = {
  library: {
    ...{ openWeekdays: [1, 2, 3, 4, 5, 6], pickUpFrom: '10:00', pickUpUntil: '18:00' },
    ...{ turnaroundDays: 1, longestLoanDays: 42, aheadDays: 210, vanWeekdays: [2, 5] },
  },
  club: {
    ...{ openWeekdays: [1, 2, 3, 4, 5, 6], pickUpFrom: '11:00', pickUpUntil: '21:00' },
    ...{ turnaroundDays: 2, longestLoanDays: 56, aheadDays: 210, vanWeekdays: [2, 5] },
  },
}

/** One stocktaking in the months ahead; promises fall on it, as happens when it is decided late. */
export function demoClosings(branchId: string, today: DateTime, chance: Chance) {
  const from = today.plus({ weeks: 5 }).startOf('week')
  return {
    id: chance.id(),
    branchId,
    fromOn: from.toISODate(),
    untilOn: from.plus({ days: 1 }).toISODate(),
    why: 'stocktaking',
  }
}

export interface AheadPromise {
  readonly at: Date
  readonly untilOn: string
}

/** What is promised of a kit in half a year, from the day on that its own story leaves it free.
 * @param freeFrom the first day on which it can be promised again */
export function promisesAhead(given: {
  code: string
  branch: BranchKey
  today: DateTime
  freeFrom: DateTime
}): AheadPromise[] {
  const { today, freeFrom } = given
  const chance = new Chance(`${given.code} ahead`)
  const last = today.plus({ months: MONTHS_AHEAD })
  const promises: AheadPromise[] = []
  let day: DateTime = DateTime.max(today.plus({ days: FIRST_DAYS }), freeFrom).plus({ days: chance.whole(0, 12) })
  while (day < last) {
    const from = openDay(day)
    const until = openDay(from.plus({ days: chance.pick([7, 14, 14, 14, 21]) }))
    promises.push({ at: from.set({ hour: HOUR_OF_PICK_UP }).toJSDate(), untilOn: until.toISODate() ?? '' })
    // Nearer months are fuller than later ones.
    const busy = day.diff(today, 'days').days / 30
    day = until.plus({ days: chance.whole(4, 8 + Math.round(busy * 7)) })
  }
  return promises
}

/** Two evenings at the bench, of which the first can't hold all that is wanted before the second. */
export function demoBenchEvenings(branchId: string, now: DateTime) {
  const chance = new Chance('bench evenings')
  return [2, 9].map((days) => ({
    ...{ id: chance.id(), branchId, onDay: now.plus({ days }).toISODate(), seats: 1, minutesEach: 45, note: '' },
  }))
}

/** One kit that nobody waits for goes to the other branch with the van, on a Tuesday in six weeks. */
export function demoTransfer(given: {
  kitId: string
  fromBranchId: string
  toBranchId: string
  byStaffId: string
  now: DateTime
}) {
  const { now, ...of } = given
  const onDay = now.plus({ weeks: 6 }).startOf('week').plus({ days: 1 }).toISODate()
  return { id: new Chance('van').id(), ...of, onDay, state: 'planned', arrivedAt: null, version: 1 }
}

/** What the volunteers of the library have said that they can do; the others do anything. */
export const demoBenchSkills = (branchId: string, volunteerId: string) => [
  { branchId, staffId: volunteerId, skills: ['contents', 'assembly', 'balance', 'place', 'finder', 'pack'] },
]

/** Nine who wait, in the order of asking: more than there are kits of the kinds that they want. */
export function demoWaiting(
  branchId: string,
  borrowers: readonly { readonly id: string; readonly branchId: string }[],
  now: DateTime,
) {
  const chance = new Chance('waiting')
  const people = borrowers.filter((borrower) => borrower.branchId === branchId).slice(-9)
  const wanted = [
    ['tabletop-reflector'],
    ['tabletop-reflector', 'floor-reflector'],
    ['computer-driven'],
    ['equatorial-reflector'],
  ]
  return people.map(({ id: borrowerId }, index) => {
    const earliest = now.plus({ days: chance.whole(2, 30) })
    return {
      ...{
        id: chance.id(),
        branchId,
        borrowerId,
        askedAt: now.minus({ days: 20 - 2 * index, hours: index }).toJSDate(),
      },
      kinds: wanted[index % wanted.length],
      earliestOn: earliest.toISODate(),
      latestOn: earliest.plus({ days: chance.whole(25, 75) }).toISODate(),
      ...{ lengthDays: 14, wantsDark: index % 2 === 0, note: index === 3 ? 'for a class of twelve' : '' },
      ...{ state: 'waiting', offerLoanId: null, offerEndsAt: null, version: 1 },
    }
  })
}

/** Closed on Sundays. */
export const openDay = (day: DateTime): DateTime => (day.weekday === 7 ? day.plus({ days: 1 }) : day)

export const zoneOf = (branch: BranchKey): string => demoBranches.find(({ key }) => key === branch)?.zone ?? 'UTC'
