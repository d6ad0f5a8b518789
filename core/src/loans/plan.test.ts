import { dateOfDay, dayNumber } from '../shared/day-number.ts'
import { seeded } from '../shared/seeded.ts'
import { freeSlots, leaveRoom, spanOf } from './free-slots.ts'
import { planLoans, type PlanInput, type PlanLine } from './plan.ts'

const START = dayNumber('2026-09-07')
const day = (offset: number) => dateOfDay(START + offset)
const everyDay = [1, 2, 3, 4, 5, 6, 7]

function randomInput(
  seed: number,
  size: { readonly kits: number; readonly requests: number; readonly days: number },
): PlanInput {
  const random = seeded(seed)
  const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1))
  const kinds = ['table', 'floor', 'driven']
  return {
    kits: Array.from({ length: size.kits }, (_, index) => {
      const from = whole(0, size.days)
      return {
        id: `k${index}`,
        kinds: [kinds[whole(0, 2)] ?? ''],
        bookings: random() > 0.5 ? [{ from: day(from), until: day(from + whole(2, 8)) }] : [],
      }
    }),
    requests: Array.from({ length: size.requests }, (_, index) => {
      const earliest = whole(0, Math.floor(size.days / 2))
      return {
        id: `r${index}`,
        kinds: kinds.filter(() => random() > 0.5).concat(kinds[whole(0, 2)] ?? ''),
        earliest: day(earliest),
        latest: day(earliest + whole(2, Math.ceil(size.days / 2))),
        lengthDays: whole(3, 14),
        wantsDark: random() > 0.5,
      }
    }),
    turnaroundDays: whole(0, 2),
    openWeekdays: everyDay.filter((weekday) => weekday !== whole(1, 7)),
    maxExtraDays: whole(0, 2),
    dark: Array.from({ length: size.days * 2 }, (_, night) => ({ date: day(night), hours: whole(0, 90) / 10 })),
  }
}

type Served = Extract<PlanLine, { kitId: string }>
const isServed = (line: PlanLine): line is Served => 'kitId' in line

/** What a plan is worth, counted from its lines alone. */
function worthOf(input: PlanInput, lines: readonly PlanLine[]) {
  const served = lines.filter(isServed)
  const requestOf = ({ requestId }: Served) => input.requests.find(({ id }) => id === requestId)
  const waitDays = served.reduce(
    (sum, line) => sum + dayNumber(line.from) - dayNumber(requestOf(line)?.earliest ?? ''),
    0,
  )
  const hours = served
    .filter((line) => requestOf(line)?.wantsDark)
    .reduce((sum, { from, until }) => {
      const nights = (input.dark ?? []).filter(({ date }) => date >= from && date < until)
      return sum + nights.reduce((all, night) => all + night.hours, 0)
    }, 0)
  return [served.length, waitDays, Math.round(hours * 10)] as const
}

/** The lines of every request that the rules allow, by the calculator of free slots. */
function linesOf(input: PlanInput, strict: readonly PlanLine[], index: number): PlanLine[] {
  const request = input.requests[index]
  if (!request) return []
  const { id: requestId, lengthDays } = request
  const strictly = strict[index]
  const last = strictly && isServed(strictly) ? dayNumber(strictly.from) + (input.maxExtraDays ?? 0) : Infinity
  const until = dateOfDay(dayNumber(request.latest) + lengthDays)
  const lines = input.kits
    .filter(({ kinds }) => kinds.some((kind) => request.kinds.includes(kind)))
    .flatMap(({ id: kitId, bookings }) =>
      freeSlots({ ...input, bookings, from: request.earliest, until, lengthDays }).map((slot) => ({
        requestId,
        kitId,
        ...slot,
      })),
    )
    .filter(({ from }) => dayNumber(from) <= last)
  return strictly && isServed(strictly) ? lines : [...lines, { requestId, unserved: true }]
}

const fits = (input: PlanInput, lines: readonly PlanLine[], next: PlanLine) =>
  !isServed(next) ||
  lines
    .filter(isServed)
    .every((line) => line.kitId !== next.kitId || leaveRoom(spanOf(line), spanOf(next), input.turnaroundDays))

function everyPlan(input: PlanInput, strict: readonly PlanLine[]) {
  let best: readonly [number, number, number] = [-1, 0, 0]
  const choices = input.requests.map((_, index) => linesOf(input, strict, index))
  const visit = (index: number, lines: readonly PlanLine[]) => {
    if (index === choices.length) {
      const [served, wait, hours] = worthOf(input, lines)
      const better = served - best[0] || best[1] - wait || hours - best[2]
      if (better > 0) best = [served, wait, hours]
      return
    }
    for (const line of choices[index] ?? []) if (fits(input, lines, line)) visit(index + 1, [...lines, line])
  }
  visit(0, [])
  return best
}

function strictOf(input: PlanInput): PlanLine[] {
  const lines: PlanLine[] = []
  input.requests.forEach((_, index) => {
    const free = linesOf(input, [], index).filter((line) => isServed(line) && fits(input, lines, line)) as Served[]
    const kitOf = ({ kitId }: Served) => input.kits.findIndex(({ id }) => id === kitId)
    const first = [...free].sort((a, b) => a.from.localeCompare(b.from) || kitOf(a) - kitOf(b))[0]
    lines.push(first ?? { requestId: input.requests[index]?.id ?? '', unserved: true })
  })
  return lines
}

describe('a plan of loans', () => {
  it('is what trying every plan finds, and strict order is each in turn', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const input = randomInput(seed, { kits: 2, requests: 4, days: 14 })
      const { strict, plan, served, waitDays, proven } = planLoans(input)
      expect(strict).toEqual(strictOf(input))
      expect({ seed, worth: worthOf(input, plan) }).toEqual({ seed, worth: everyPlan(input, strict) })
      expect([served, waitDays]).toEqual(worthOf(input, plan).slice(0, 2))
      expect(proven).toBe(true)
    }
  })

  it('leaves nobody out or later than in strict order, however large', () => {
    const input = randomInput(99, { kits: 30, requests: 120, days: 60 })
    const { strict, plan, gains } = planLoans(input)
    const lines: PlanLine[] = []
    plan.forEach((line, index) => {
      expect(fits(input, lines, line)).toBe(true)
      lines.push(line)
      const was = strict[index]
      if (!was || !isServed(was)) return
      expect(isServed(line) && dayNumber(line.from) - dayNumber(was.from)).toBeLessThanOrEqual(
        input.maxExtraDays ?? 0,
      )
    })
    const [before, after] = [worthOf(input, strict), worthOf(input, plan)]
    expect(after[0]).toBeGreaterThanOrEqual(before[0])
    const sooner = gains.find(({ daysSooner }) => daysSooner > 0)
    const [was, now] = [strict, plan].map((of) => of.find(({ requestId }) => requestId === sooner?.requestId))
    if (sooner && was && now && isServed(was) && isServed(now))
      expect(dayNumber(was.from) - dayNumber(now.from)).toBe(sooner.daysSooner)
  })

  it('gives who can wait the later kit, so that both are served', () => {
    const kits = [{ id: 'a', kinds: ['table'], bookings: [] }]
    const asked = { kinds: ['table'], lengthDays: 5 }
    const requests = [
      { ...asked, id: 'first', earliest: day(0), latest: day(9) },
      { ...asked, id: 'second', earliest: day(0), latest: day(2) },
    ]
    const input = { kits, requests, turnaroundDays: 1, openWeekdays: everyDay }
    expect(planLoans(input).served).toBe(1)
    const plan = planLoans({ ...input, maxExtraDays: 7 })
    expect(plan.plan).toEqual([
      { requestId: 'first', kitId: 'a', from: day(7), until: day(12) },
      { requestId: 'second', kitId: 'a', from: day(0), until: day(5) },
    ])
    expect(plan.gains).toEqual([
      { requestId: 'first', daysSooner: -7, darkHoursMore: 0 },
      { requestId: 'second', daysSooner: 0, darkHoursMore: 0 },
    ])
  })

  it('stops when it is told to, with what it has', () => {
    const input = randomInput(5, { kits: 10, requests: 40, days: 40 })
    const { plan, proven } = planLoans(input, () => false)
    expect([plan.length, proven]).toEqual([40, false])
  })

  it('refuses loans longer than a year, and desks that need two months', () => {
    const input = randomInput(5, { kits: 2, requests: 1, days: 10 })
    const [request] = input.requests
    if (!request) throw new Error('no request')
    const long = (lengthDays: number) => () => planLoans({ ...input, requests: [{ ...request, lengthDays }] })
    expect(long(366)).not.toThrow()
    for (const lengthDays of [0, 367, 1.5]) expect(long(lengthDays)).toThrow('lengthDays')
    expect(() => planLoans({ ...input, turnaroundDays: 61 })).toThrow('turnaroundDays')
  })

  it('refuses ids that stand twice and days that lie the wrong way', () => {
    const input = randomInput(5, { kits: 2, requests: 2, days: 10 })
    expect(() => planLoans({ ...input, requests: [...input.requests, ...input.requests] })).toThrow('id of their own')
    const [request] = input.requests
    if (request) expect(() => planLoans({ ...input, requests: [{ ...request, latest: day(-1) }] })).toThrow('latest')
  })
})
