/** A kit that waits for the bench, by day numbers and minutes. */
export interface BenchWork {
  readonly id: string
  readonly minutes: number
  /** The day of its next pick-up: it has to be ready on a day before; null where nobody waits for it. */
  readonly neededOn: number | null
  /** What it asks for; whoever sits at a place has to know all of it. */
  readonly skills?: readonly string[]
}

/** An evening at the bench: so many places, each for so many minutes. */
export interface BenchEvening {
  readonly id: string
  readonly on: number
  readonly seats: number
  readonly minutesEach: number
  /** What those can do who have said that they come, place by place; null, and places beyond, are for anybody. */
  readonly can?: readonly (readonly string[] | null)[]
}

export interface BenchPlace {
  readonly workId: string
  readonly eveningId: string
  /** 0 … seats − 1. */
  readonly seat: number
}

export interface BenchPlan {
  readonly places: readonly BenchPlace[]
  /** Work whose kit is needed and can't be ready in time, in the order of need, and on which evening it is ready then. */
  readonly late: readonly { readonly workId: string; readonly eveningId: string | null }[]
  /** Work without any evening. */
  readonly unplanned: readonly string[]
  /** Work that nobody of those who come can do, on no evening. */
  readonly beyondAnybody: readonly string[]
  /** Minutes that are missing on evenings before they are needed, so that nothing would be late. */
  readonly minutesShort: number
  /** Whether nothing better exists; with much work the search ends before it has seen everything. */
  readonly proven: boolean
}

const MOST_STEPS = 200_000

/**
 * Who is put right on which evening: as few kits as possible are late for their pick-up, then as little as possible is left
 * without an evening, then each as early as may be. A kit is worked on at one place in one go.
 *
 * Begins with what is needed first, on the first evening with room; then looks at every combination while steps last.
 * @throws RangeError for seats or minutes that are none
 * Source: definition; checked against trying every combination on small cases.
 */
export function planBench(work: readonly BenchWork[], evenings: readonly BenchEvening[]): BenchPlan {
  for (const { id, seats, minutesEach } of evenings)
    if (!(Number.isInteger(seats) && seats > 0 && minutesEach > 0))
      throw new RangeError(`an evening has one place and one minute at least; ${id} has ${seats} and ${minutesEach}`)
  const inOrder = [...work].sort(
    (a, b) => (a.neededOn ?? Infinity) - (b.neededOn ?? Infinity) || b.minutes - a.minutes,
  )
  const nights = [...evenings].sort((a, b) => a.on - b.on)
  const room = nights.map(({ seats, minutesEach }) => Array.from({ length: seats }, () => minutesEach))
  const hands = nights.map(({ seats, can = [] }) => Array.from({ length: seats }, (_, seat) => can[seat] ?? null))
  const knows = ({ skills = [] }: BenchWork, known: readonly string[] | null) =>
    known === null || skills.every((skill) => known.includes(skill))
  const fits = inOrder.map((item) => hands.map((seats) => seats.map((known) => knows(item, known))))
  // Hands that know the same are the same to the search.
  const handOf = hands.map((seats) => seats.map((known) => seats.findIndex((other) => sameHands(known, other))))
  const atLeast = leastAhead(inOrder, nights, fits)
  const at: (readonly [number, number] | null)[] = inOrder.map(() => null)
  let best: { worth: Worth; at: typeof at } | null = null
  let steps = 0

  const visit = (index: number, sofar: Worth): boolean => {
    if (best && !isBetter(sum(sofar, atLeast[index] ?? NOTHING), best.worth)) return true
    if (++steps > MOST_STEPS) return false
    const item = inOrder[index]
    if (!item) {
      best = { worth: sofar, at: [...at] }
      return true
    }
    for (const [evening, night] of nights.entries()) {
      const tried = new Set<number>()
      const seats = room[evening] ?? []
      for (const [seat, left] of seats.entries()) {
        if (left < item.minutes || !fits[index]?.[evening]?.[seat]) continue
        // Places with the same room left, for the same hands, are the same place.
        const place = left * seats.length + (handOf[evening]?.[seat] ?? 0)
        if (tried.has(place)) continue
        tried.add(place)
        put(evening, seat, -item.minutes)
        at[index] = [evening, seat]
        const isLate = item.neededOn !== null && night.on >= item.neededOn
        const whole = visit(index + 1, [sofar[0] + Number(isLate), sofar[1], sofar[2] + night.on])
        at[index] = null
        put(evening, seat, item.minutes)
        if (!whole) return false
      }
    }
    return visit(index + 1, [sofar[0] + Number(item.neededOn !== null), sofar[1] + 1, sofar[2]])
  }
  const put = (evening: number, seat: number, minutes: number) => {
    const seats = room[evening]
    if (seats) seats[seat] = (seats[seat] ?? 0) + minutes
  }
  // The first way down is the greedy one: what is needed first goes on the first evening with room.
  const proven = visit(0, [0, 0, 0])
  const beyondAnybody = inOrder.filter(
    (_, index) => nights.length > 0 && !fits[index]?.some((night) => night.includes(true)),
  )
  const found = described(inOrder, nights, (best as { at: typeof at } | null)?.at ?? at, proven)
  return { ...found, beyondAnybody: beyondAnybody.map(({ id }) => id) }
}

const sameHands = (a: readonly string[] | null, b: readonly string[] | null): boolean =>
  a === b || (!!a && !!b && a.length === b.length && a.every((skill) => b.includes(skill)))

/** What the work from each place in the order on costs at the very least, each by itself with all the room there is: a branch
 * that can't become better than what is known is left. */
function leastAhead(
  work: readonly BenchWork[],
  nights: readonly BenchEvening[],
  fits: readonly (readonly (readonly boolean[])[])[],
): readonly Worth[] {
  const ahead: Worth[] = [NOTHING]
  for (let index = work.length - 1; index >= 0; index--) {
    const item = work[index]
    if (!item) continue
    const days = nights
      .filter(({ minutesEach }, evening) => minutesEach >= item.minutes && fits[index]?.[evening]?.includes(true))
      .map(({ on }) => on)
    const first = Math.min(...days)
    const isLate = item.neededOn !== null && first >= item.neededOn
    // Without an evening it would cost no days, and more than any number of them.
    const own: Worth = days.length === 0 ? [Number(isLate), 1, 0] : [Number(isLate), 0, first]
    ahead.unshift(sum(own, ahead[0] ?? NOTHING))
  }
  return ahead
}

/** Kits late, kits without an evening, and the days of those that have one, added up. */
type Worth = readonly [late: number, without: number, days: number]
const NOTHING: Worth = [0, 0, 0]
const sum = (a: Worth, b: Worth): Worth => [a[0] + b[0], a[1] + b[1], a[2] + b[2]]
const isBetter = (a: Worth, b: Worth): boolean =>
  a[0] - b[0] < 0 || (a[0] === b[0] && (a[1] < b[1] || (a[1] === b[1] && a[2] < b[2])))

function described(
  inOrder: readonly BenchWork[],
  nights: readonly BenchEvening[],
  at: readonly (readonly [number, number] | null)[],
  proven: boolean,
): Omit<BenchPlan, 'beyondAnybody'> {
  const placed = inOrder.map((item, index) => {
    const place = at[index]
    const night = place ? nights[place[0]] : undefined
    return { item, night, seat: place?.[1] ?? 0 }
  })
  const late = placed.filter(({ item, night }) => item.neededOn !== null && (!night || night.on >= item.neededOn))
  return {
    places: placed.flatMap(({ item, night, seat }) =>
      night ? [{ workId: item.id, eveningId: night.id, seat }] : [],
    ),
    late: late.map(({ item, night }) => ({ workId: item.id, eveningId: night?.id ?? null })),
    unplanned: placed.filter(({ night }) => !night).map(({ item }) => item.id),
    minutesShort: late.reduce((sum, { item }) => sum + item.minutes, 0),
    proven,
  }
}
