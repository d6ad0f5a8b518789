import { seeded } from '../shared/seeded.ts'
import { planBench, type BenchEvening, type BenchWork } from './bench-plan.ts'

const evening = (id: string, on: number, seats = 1, minutesEach = 60): BenchEvening => ({
  id,
  on,
  seats,
  minutesEach,
})

/** What every way of giving each work a place, or none, is worth. */
function everyPlan(work: readonly BenchWork[], evenings: readonly BenchEvening[]) {
  const seats = evenings.flatMap(({ on, seats: count, minutesEach, can }) =>
    Array.from({ length: count }, (_, seat) => ({ on, minutesEach, knows: can?.[seat] ?? null })),
  )
  let best = [Infinity, Infinity, Infinity]
  const visit = (index: number, used: number[], [late, without, days]: number[]) => {
    const item = work[index]
    if (!item) {
      const found = [late ?? 0, without ?? 0, days ?? 0]
      const better =
        (found[0] ?? 0) - (best[0] ?? 0) || (found[1] ?? 0) - (best[1] ?? 0) || (found[2] ?? 0) - (best[2] ?? 0)
      if (better < 0) best = found
      return
    }
    const needed = item.neededOn
    seats.forEach(({ on, minutesEach, knows }, seat) => {
      if (knows && item.skills?.some((skill) => !knows.includes(skill))) return
      const minutes = (used[seat] ?? 0) + item.minutes
      if (minutes > minutesEach) return
      const next = used.map((each, at) => (at === seat ? minutes : each))
      visit(index + 1, next, [(late ?? 0) + Number(needed !== null && on >= needed), without ?? 0, (days ?? 0) + on])
    })
    visit(index + 1, used, [(late ?? 0) + Number(needed !== null), (without ?? 0) + 1, days ?? 0])
  }
  visit(
    0,
    seats.map(() => 0),
    [0, 0, 0],
  )
  return best
}

it('is what trying every combination finds', () => {
  const random = seeded(3)
  const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1))
  for (let round = 0; round < 60; round++) {
    const some = () => ['finder', 'balance', 'star'].filter(() => random() > 0.5)
    const evenings = Array.from({ length: whole(1, 2) }, (_, index) => ({
      ...evening(`e${index}`, whole(1, 9), whole(1, 2), whole(30, 90)),
      ...(round % 2 === 1 && { can: [some(), random() > 0.5 ? some() : null] }),
    }))
    const work = Array.from({ length: whole(1, 5) }, (_, index) => ({
      ...{ id: `w${index}`, minutes: whole(10, 60), neededOn: random() > 0.4 ? whole(1, 12) : null },
      ...(round % 2 === 1 && { skills: some() }),
    }))
    const plan = planBench(work, evenings)
    const days = plan.places.reduce(
      (sum, { eveningId }) => sum + (evenings.find(({ id }) => id === eveningId)?.on ?? 0),
      0,
    )
    expect([round, plan.late.length, plan.unplanned.length, days]).toEqual([round, ...everyPlan(work, evenings)])
    expect(plan.proven).toBe(true)
  }
})

it('what nobody waits for makes room for what is needed, and says what would help', () => {
  const work = [
    { id: 'calm', minutes: 50, neededOn: null },
    { id: 'soon', minutes: 50, neededOn: 6 },
    { id: 'also', minutes: 40, neededOn: 6 },
  ]
  const plan = planBench(work, [evening('tue', 5), evening('sat', 9)])
  expect(plan.late).toEqual([{ workId: 'also', eveningId: 'sat' }])
  expect(plan.minutesShort).toBe(40)
  expect(plan.unplanned).toEqual(['calm'])
  expect(planBench(work, [evening('tue', 5, 2), evening('sat', 9)]).late).toEqual([])
})

it('a kit that is fetched on the evening itself isn’t ready in time', () => {
  const plan = planBench([{ id: 'a', minutes: 20, neededOn: 5 }], [evening('tue', 5)])
  expect(plan.late).toEqual([{ workId: 'a', eveningId: 'tue' }])
})

it('work goes to whoever knows it, and what nobody knows is named', () => {
  const work = [
    { id: 'star', minutes: 30, neededOn: null, skills: ['star'] },
    { id: 'plain', minutes: 30, neededOn: null, skills: ['finder'] },
    { id: 'weld', minutes: 10, neededOn: null, skills: ['mending'] },
  ]
  const plan = planBench(work, [{ ...evening('tue', 5, 2, 30), can: [['finder'], ['star', 'finder']] }])
  expect(plan.places.map(({ workId, seat }) => [workId, seat])).toEqual([
    ['star', 1],
    ['plain', 0],
  ])
  expect(plan.beyondAnybody).toEqual(['weld'])
  // A place that nobody has taken yet is for anybody.
  expect(planBench(work, [{ ...evening('tue', 5, 2, 60), can: [['finder'], null] }]).beyondAnybody).toEqual([])
})

it('ten kits and six evenings, four of them of one day, are soon seen to the end', () => {
  const kits = [
    ...[
      { minutes: 4, neededOn: 0 },
      { minutes: 4, neededOn: 2 },
      { minutes: 25, neededOn: 2 },
    ],
    ...[
      { minutes: 15, neededOn: 4 },
      { minutes: 30, neededOn: 5 },
      { minutes: 15, neededOn: 26 },
    ],
    ...[15, 20, 28, 49].map((minutes) => ({ minutes, neededOn: null })),
  ]
  const work = kits.map((kit, index) => ({ id: `w${index}`, ...kit }))
  const weekend = ['b', 'c', 'd', 'e'].map((id) => evening(id, 6, 2, 90))
  const plan = planBench(work, [evening('a', 0, 1, 45), ...weekend, evening('f', 7, 1, 45)])
  expect([plan.proven, plan.late.length, plan.unplanned]).toEqual([true, 2, []])
})

it('many kits end in time, with what the first look finds at least', () => {
  const work = Array.from({ length: 60 }, (_, index) => ({
    id: `w${index}`,
    minutes: 25,
    neededOn: index % 3 === 0 ? null : 4 + index,
  }))
  const plan = planBench(work, [evening('a', 3, 3, 120), evening('b', 10, 3, 120), evening('c', 17, 3, 120)])
  expect(plan.places).toHaveLength(36)
  expect(plan.late.length + plan.places.length).toBeGreaterThan(36)
})

it('an evening without a place is none', () => {
  expect(() => planBench([], [evening('a', 1, 0)])).toThrow('one place')
})
