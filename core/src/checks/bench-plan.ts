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

/** By measuring: an eighth of a second for thirty kits and twelve evenings; ten times as many find hardly anything better. */
const MOST_STEPS = 20_000

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
  const ahead = inOrder.map((_, index) => aheadFrom(inOrder.slice(index), nights, fits.slice(index)))
  const left = nights.map(({ seats, minutesEach }) => seats * minutesEach)
  const at: (readonly [number, number] | null)[] = inOrder.map(() => null)
  let best: { worth: Worth; at: typeof at } | null = null
  let steps = 0

  const visit = (index: number, sofar: Worth): boolean => {
    if (best && !isBetter(sum(sofar, atLeast(ahead[index], nights, left)), best.worth)) return true
    if (++steps > MOST_STEPS) return false
    const item = inOrder[index]
    if (!item) {
      best = { worth: sofar, at: [...at] }
      return true
    }
    for (const [evening, night] of nights.entries()) {
      const tried = new Set<number>()
      const seats = room[evening] ?? []
      for (const [seat, free] of seats.entries()) {
        if (free < item.minutes || !fits[index]?.[evening]?.[seat]) continue
        // Places with the same room left, for the same hands, are the same place.
        const place = free * seats.length + (handOf[evening]?.[seat] ?? 0)
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
    left[evening] = (left[evening] ?? 0) + minutes
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

/** The work from one place in the order on, as far as a bound asks for it. */
interface Ahead {
  /** What each costs at the very least, by itself with all the room there is. */
  readonly own: Worth
  /** Of those that fit on some evening, the shortest first. */
  readonly minutes: readonly number[]
  /** Of those that are needed by a day, the shortest first. */
  readonly needed: readonly { readonly by: number; readonly minutes: readonly number[] }[]
}

function aheadFrom(
  work: readonly BenchWork[],
  nights: readonly BenchEvening[],
  fits: readonly (readonly (readonly boolean[])[])[],
): Ahead {
  const shortestFirst = (items: readonly BenchWork[]) => items.map(({ minutes }) => minutes).sort((a, b) => a - b)
  const firstOf = work.map((item, index) => {
    const may = nights.filter(
      ({ minutesEach }, evening) => minutesEach >= item.minutes && fits[index]?.[evening]?.includes(true),
    )
    return Math.min(...may.map(({ on }) => on))
  })
  const own = work.reduce<Worth>((sofar, { neededOn }, index) => {
    const first = firstOf[index] ?? Infinity
    const isLate = Number(neededOn !== null && first >= neededOn)
    // Without an evening it would cost no days, and more than any number of them.
    return sum(sofar, first === Infinity ? [isLate, 1, 0] : [isLate, 0, first])
  }, NOTHING)
  const days = [...new Set(work.flatMap(({ neededOn }) => neededOn ?? []))]
  return {
    own,
    minutes: shortestFirst(work.filter((_, index) => firstOf[index] !== Infinity)),
    needed: days.map((by) => ({
      by,
      minutes: shortestFirst(work.filter(({ neededOn }) => neededOn !== null && neededOn <= by)),
    })),
  }
}

/**
 * What work costs at the very least with the room that is left: a branch that can't become better than what is known is left.
 * No evening takes more pieces than its room takes of the shortest ones, were it one long place.
 * @param left minutes, evening by evening
 */
function atLeast(ahead: Ahead | undefined, nights: readonly BenchEvening[], left: readonly number[]): Worth {
  if (!ahead) return NOTHING
  const { own, minutes, needed } = ahead
  const late = needed.map(({ by, minutes }) => {
    const room = nights.reduce((room, { on }, evening) => room + (on < by ? (left[evening] ?? 0) : 0), 0)
    return minutes.length - howManyIn(room, minutes)
  })
  let room = 0
  let placed = 0
  let days = 0
  for (const [evening, { on }] of nights.entries()) {
    room += left[evening] ?? 0
    const byNow = howManyIn(room, minutes)
    days += (byNow - placed) * on
    placed = byNow
  }
  const short = minutes.length - placed
  return [Math.max(own[0], ...late), own[1] + short, short > 0 ? days : Math.max(days, own[2])]
}

function howManyIn(room: number, shortestFirst: readonly number[]): number {
  let many = 0
  for (let rest = room; many < shortestFirst.length && rest >= (shortestFirst[many] ?? Infinity); many++)
    rest -= shortestFirst[many] ?? 0
  return many
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
