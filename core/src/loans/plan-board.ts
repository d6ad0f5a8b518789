import type { DayNumberSpan } from './free-slots.ts'

/** A place on the board: one kit from one day on, for the days of one request. */
export interface Place extends DayNumberSpan {
  readonly kit: number
}

/** A request with all that it could be given, best first by the day of pick-up. */
export interface Wish {
  readonly earliest: number
  readonly places: readonly Place[]
  /** Dark hours of the nights of `places`, in the same order; none for whoever doesn't want the dark. */
  readonly darkHours: readonly number[]
}

export const NOWHERE = -1

/** What a plan is worth: more people first, then fewer days of waiting, then more dark hours. */
export interface Worth {
  readonly served: number
  readonly waitDays: number
  readonly darkHours: number
}

const SAME_HOURS = 1e-9

/** Positive where `a` is worth more than `b`. */
export function compareWorth(a: Worth, b: Worth): number {
  if (a.served !== b.served) return a.served - b.served
  if (a.waitDays !== b.waitDays) return b.waitDays - a.waitDays
  const more = a.darkHours - b.darkHours
  return Math.abs(more) < SAME_HOURS ? 0 : more
}

/** Kits by days, with who is where. Places of one kit keep the turnaround between them. */
export class PlanBoard {
  /** Of each request the index of its place, or NOWHERE. */
  readonly at: Int32Array
  private readonly onKit: number[][]

  constructor(
    readonly wishes: readonly Wish[],
    private readonly kits: number,
    private readonly turnaroundDays: number,
  ) {
    this.at = new Int32Array(wishes.length).fill(NOWHERE)
    this.onKit = Array.from({ length: kits }, () => [])
  }

  /** The same wishes, with nobody placed. */
  emptied(): PlanBoard {
    return new PlanBoard(this.wishes, this.kits, this.turnaroundDays)
  }

  placeOf(request: number): Place | null {
    return this.wishes[request]?.places[this.at[request] ?? NOWHERE] ?? null
  }

  /** Requests that stand where this place would be. */
  inTheWay(place: Place, but = NOWHERE): number[] {
    const { turnaroundDays } = this
    return (this.onKit[place.kit] ?? []).filter((request) => {
      if (request === but) return false
      const other = this.placeOf(request)
      if (!other) return false
      return other.from <= place.until + turnaroundDays && place.from <= other.until + turnaroundDays
    })
  }

  isFree(place: Place, but = NOWHERE): boolean {
    const { turnaroundDays } = this
    for (const request of this.onKit[place.kit] ?? []) {
      if (request === but) continue
      const other = this.placeOf(request)
      if (other && other.from <= place.until + turnaroundDays && place.from <= other.until + turnaroundDays)
        return false
    }
    return true
  }

  put(request: number, index: number): void {
    const was = this.placeOf(request)
    if (was) {
      const list = this.onKit[was.kit]
      list?.splice(list.indexOf(request), 1)
    }
    this.at[request] = index
    const now = this.placeOf(request)
    if (now) this.onKit[now.kit]?.push(request)
  }

  worth(): Worth {
    let [served, waitDays, darkHours] = [0, 0, 0]
    this.wishes.forEach((wish, request) => {
      const place = this.placeOf(request)
      if (!place) return
      served++
      waitDays += place.from - wish.earliest
      darkHours += wish.darkHours[this.at[request] ?? NOWHERE] ?? 0
    })
    return { served, waitDays, darkHours }
  }
}
