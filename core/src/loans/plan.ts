import { dateOfDay, dayNumber } from '../shared/day-number.ts'
import { leaveRoom, openDays, requireWhole, spanOf, type LoanDays, type DeskDays } from './free-slots.ts'
import { compareWorth, NOWHERE, PlanBoard, type Place, type Wish, type Worth } from './plan-board.ts'

export interface PlanKit {
  readonly id: string
  readonly kinds: readonly string[]
  readonly bookings: readonly LoanDays[]
}

export interface PlanRequest {
  readonly id: string
  /** Any of them will do. */
  readonly kinds: readonly string[]
  readonly earliest: string
  /** The last day of pick-up that still helps. */
  readonly latest: string
  readonly lengthDays: number
  readonly wantsDark?: boolean | undefined
}

export interface PlanInput extends DeskDays {
  readonly kits: readonly PlanKit[]
  /** In the order of asking. */
  readonly requests: readonly PlanRequest[]
  /** So many days later than in strict order somebody may be served, if that serves others: 0 unless decided otherwise. */
  readonly maxExtraDays?: number | undefined
  /** Dark, moonless hours of the night that begins on a date. */
  readonly dark?: readonly { readonly date: string; readonly hours: number }[] | undefined
}

export type PlanLine =
  | { readonly requestId: string; readonly kitId: string; readonly from: string; readonly until: string }
  | { readonly requestId: string; readonly unserved: true }

export interface PlanGain {
  readonly requestId: string
  readonly daysSooner: number
  readonly darkHoursMore: number
}

export interface LoanPlan {
  readonly strict: readonly PlanLine[]
  readonly plan: readonly PlanLine[]
  readonly served: number
  /** Sum over those served of the days from `earliest` to the pick-up. */
  readonly waitDays: number
  readonly gains: readonly PlanGain[]
  /** Whether nothing better exists; with many requests the search ends before it has seen everything. */
  readonly proven: boolean
}

/** Called now and then with the share done, 0 … 1; answering false stops, and what is best so far is the plan. */
export type Progress = (share: number) => boolean

const MOST_REQUESTS = 2000
const MOST_WINDOW_DAYS = 370
/** How many requests may be moved so that one gets its place. */
const CHAIN = 3
/** Places tried before the search is over: keeps 300 requests on 120 kits within seconds. */
const MOST_TRIES = 3_000_000
/** Steps of the exhaustive search: enough for a dozen requests that stand in each other's way. */
const MOST_STEPS = 200_000

/**
 * Who gets which kit when. *Strict order*: in turn of asking each gets the earliest slot that is free, of the first kit
 * listed among equals. *Plan*: serves as many as can be served, then waits least, then gives most dark hours to those who
 * want them; nobody whom strict order serves is left out or served more than `maxExtraDays` later.
 *
 * Begins with strict order and moves others along in chains of at most three; then looks at every combination while steps
 * last, which proves small plans to be the best there are. Dark hours of a loan are those of its nights, from the day of
 * pick-up up to the night before the return.
 * @throws RangeError for days or lengths that are none, or ids that stand twice
 * Source: definition; checked against exhaustive search on small cases.
 */
export function planLoans(input: PlanInput, progress: Progress = () => true): LoanPlan {
  const extraDays = input.maxExtraDays ?? 0
  requireWhole('maxExtraDays', extraDays, 0, MOST_WINDOW_DAYS)
  const all = wishesOf(input)
  const strict = new PlanBoard(all, input.kits.length, input.turnaroundDays)
  all.forEach((wish, request) => {
    const first = wish.places.findIndex((place) => strict.isFree(place))
    if (first !== NOWHERE) strict.put(request, first)
  })
  const board = new PlanBoard(withinPromise(all, strict, extraDays), input.kits.length, input.turnaroundDays)
  // Places are sorted by their day, so that the shorter list begins with the same ones.
  strict.at.forEach((index, request) => board.put(request, index))
  const search = new ChainSearch(board, progress)
  search.run()
  const proven = !search.isStopped && proveOrImprove(board, strict)
  return { ...described(input, strict, board), proven }
}

function wishesOf(input: PlanInput): Wish[] {
  const { kits, requests, turnaroundDays } = input
  requireWhole('turnaroundDays', turnaroundDays, 0, 60)
  requireDifferent('kits', kits)
  requireDifferent('requests', requests)
  if (requests.length > MOST_REQUESTS) throw new RangeError(`at most ${MOST_REQUESTS} requests are planned in one go`)
  const isOpen = openDays(input)
  const booked = kits.map(({ bookings }) => bookings.map(spanOf))
  const dark = new Map((input.dark ?? []).map(({ date, hours }) => [dayNumber(date), hours]))
  return requests.map(({ kinds, lengthDays, wantsDark = false, ...request }) => {
    requireWhole('lengthDays', lengthDays, 1, 366)
    const [earliest, latest] = [dayNumber(request.earliest), dayNumber(request.latest)]
    if (latest < earliest)
      throw new RangeError(`latest must not lie before earliest; got ${request.latest} for ${request.id}`)
    if (latest - earliest > MOST_WINDOW_DAYS)
      throw new RangeError(`${request.id} waits longer than ${MOST_WINDOW_DAYS} days`)
    const fitting = kits.flatMap((kit, index) => (kit.kinds.some((kind) => kinds.includes(kind)) ? [index] : []))
    const places: Place[] = []
    for (let from = earliest; from <= latest; from++) {
      const until = from + lengthDays
      if (!isOpen(from) || !isOpen(until)) continue
      for (const kit of fitting)
        if ((booked[kit] ?? []).every((booking) => leaveRoom({ from, until }, booking, turnaroundDays)))
          places.push({ kit, from, until })
    }
    const darkHours = places.map(({ from, until }) => (wantsDark ? hoursOf(dark, from, until) : 0))
    return { earliest, places, darkHours }
  })
}

function hoursOf(dark: ReadonlyMap<number, number>, from: number, until: number): number {
  let sum = 0
  for (let night = from; night < until; night++) sum += dark.get(night) ?? 0
  return sum
}

function requireDifferent(name: string, things: readonly { readonly id: string }[]): void {
  const ids = new Set(things.map(({ id }) => id))
  if (ids.size !== things.length) throw new RangeError(`${name} must each have an id of their own`)
}

/** Of whoever strict order serves only the places that are not too late. */
const withinPromise = (wishes: readonly Wish[], strict: PlanBoard, extraDays: number): Wish[] =>
  wishes.map((wish, request) => {
    const served = strict.placeOf(request)
    if (!served) return wish
    const last = wish.places.findLastIndex(({ from }) => from <= served.from + extraDays)
    return { ...wish, places: wish.places.slice(0, last + 1), darkHours: wish.darkHours.slice(0, last + 1) }
  })

/** What one request's place is worth to it. */
const worthAt = (wish: Wish, index: number): Worth => {
  const place = wish.places[index]
  if (!place) return { served: 0, waitDays: 0, darkHours: 0 }
  return { served: 1, waitDays: place.from - wish.earliest, darkHours: wish.darkHours[index] ?? 0 }
}
const added = (a: Worth, b: Worth, sign = 1): Worth => ({
  served: a.served + sign * b.served,
  waitDays: a.waitDays + sign * b.waitDays,
  darkHours: a.darkHours + sign * b.darkHours,
})
const NOTHING: Worth = { served: 0, waitDays: 0, darkHours: 0 }

/** Gives one request a better place by moving others out of its way, as long as all together are better off. */
class ChainSearch {
  isStopped = false
  private tries = 0

  constructor(
    private readonly board: PlanBoard,
    private readonly progress: Progress,
  ) {}

  run(): void {
    const { wishes } = this.board
    for (let better = true; better && !this.isStopped;) {
      better = false
      for (let request = 0; request < wishes.length && !this.isStopped; request++) {
        if (this.improve(request)) better = true
        if (!this.progress(Math.min(1, this.tries / MOST_TRIES)) || this.tries > MOST_TRIES) this.isStopped = true
      }
    }
  }

  private improve(request: number): boolean {
    const { board } = this
    const was = board.at[request] ?? NOWHERE
    const wish = board.wishes[request]
    if (!wish) return false
    const before = worthAt(wish, was)
    for (let index = 0; index < wish.places.length; index++) {
      if (index === was) continue
      const gain = added(worthAt(wish, index), before, -1)
      // Moving others can only help where this one gains, or loses nothing that counts more.
      if (compareWorth(gain, NOTHING) <= 0) continue
      if (this.place(request, index, gain, CHAIN, new Set([request]))) return true
    }
    return false
  }

  /** Puts a request there and finds others for whoever stood there; all or nothing. @param gain won so far in the chain */
  private place(request: number, index: number, gain: Worth, depth: number, moved: Set<number>): boolean {
    const { board } = this
    if (this.tries++ > MOST_TRIES) return false
    const place = board.wishes[request]?.places[index]
    if (!place) return false
    const blockers = board.inTheWay(place, request)
    if (blockers.length === 0) {
      if (compareWorth(gain, NOTHING) <= 0) return false
      board.put(request, index)
      return true
    }
    const [blocker] = blockers
    if (depth === 0 || blocker === undefined || blockers.length > 1 || moved.has(blocker)) return false
    const was = board.at[request] ?? NOWHERE
    const blockerWas = board.at[blocker] ?? NOWHERE
    const wish = board.wishes[blocker]
    if (!wish) return false
    const left = added(gain, worthAt(wish, blockerWas), -1)
    board.put(blocker, NOWHERE)
    board.put(request, index)
    moved.add(blocker)
    for (let next = 0; next < wish.places.length; next++) {
      if (next === blockerWas) continue
      const total = added(left, worthAt(wish, next))
      if (compareWorth(total, NOTHING) <= 0) continue
      if (this.place(blocker, next, total, depth - 1, moved)) return true
    }
    moved.delete(blocker)
    board.put(request, was)
    board.put(blocker, blockerWas)
    return false
  }
}

/** Looks at every combination while steps last, cutting what can't be better than what is there.
 * @returns whether all were looked at */
function proveOrImprove(board: PlanBoard, strict: PlanBoard): boolean {
  const { wishes } = board
  const trial = board.emptied()
  let best = board.worth()
  let bestAt = board.at.slice()
  let steps = 0
  // What those from a request on could be worth at most, each as if it were alone.
  const rest: Worth[] = [NOTHING]
  for (let request = wishes.length - 1; request >= 0; request--) {
    const wish = wishes[request]
    const alone = wish && wish.places.length > 0 ? bestAlone(wish) : NOTHING
    rest.unshift(added(rest[0] ?? NOTHING, alone))
  }
  const visit = (request: number, sofar: Worth): boolean => {
    if (++steps > MOST_STEPS) return false
    if (compareWorth(added(sofar, rest[request] ?? NOTHING), best) <= 0) return true
    const wish = wishes[request]
    if (!wish) {
      best = sofar
      bestAt = trial.at.slice()
      return true
    }
    for (let index = 0; index < wish.places.length; index++) {
      const place = wish.places[index]
      if (!place || !trial.isFree(place)) continue
      trial.put(request, index)
      const whole = visit(request + 1, added(sofar, worthAt(wish, index)))
      trial.put(request, NOWHERE)
      if (!whole) return false
    }
    return strict.placeOf(request) ? true : visit(request + 1, sofar)
  }
  const proven = visit(0, NOTHING)
  bestAt.forEach((_, request) => board.put(request, NOWHERE))
  bestAt.forEach((index, request) => board.put(request, index))
  return proven
}

/** The least wait and the most darkness of a request's places, though no place may have both. */
const bestAlone = ({ earliest, places, darkHours }: Wish): Worth => ({
  served: 1,
  waitDays: (places[0]?.from ?? earliest) - earliest,
  darkHours: darkHours.reduce((most, hours) => Math.max(most, hours), 0),
})

function described({ kits, requests }: PlanInput, strict: PlanBoard, board: PlanBoard): Omit<LoanPlan, 'proven'> {
  const linesOf = (of: PlanBoard): PlanLine[] =>
    requests.map(({ id }, request) => {
      const place = of.placeOf(request)
      if (!place) return { requestId: id, unserved: true }
      const [from, until] = [dateOfDay(place.from), dateOfDay(place.until)]
      return { requestId: id, kitId: kits[place.kit]?.id ?? '', from, until }
    })
  const gains = requests.flatMap(({ id }, request): PlanGain[] => {
    const [was, now] = [strict.placeOf(request), board.placeOf(request)]
    const wish = board.wishes[request]
    if (!now || !wish) return []
    const darkHours = (of: PlanBoard) => wish.darkHours[of.at[request] ?? NOWHERE] ?? 0
    const daysSooner = was ? was.from - now.from : 0
    const darkHoursMore = darkHours(board) - darkHours(strict)
    const moved = !was || daysSooner !== 0 || darkHoursMore !== 0
    return moved ? [{ requestId: id, daysSooner, darkHoursMore }] : []
  })
  const { served, waitDays } = board.worth()
  return { strict: linesOf(strict), plan: linesOf(board), served, waitDays, gains }
}
