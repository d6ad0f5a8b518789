import { keptJson, keptLines } from '../testing/kept.ts'
import { practiceCase } from './practice-case.ts'
import { practiceTube, type PracticeLevel } from './practice-tube.ts'

/** A seed is kept with what somebody practised, and told to others: it makes the same telescope next year. */
const levels: readonly PracticeLevel[] = ['one-screw', 'both-mirrors', 'fast-tube']
const seeds = Array.from({ length: 12 }, (_each, at) => at + 1)
const kept = keptLines('kept-practice', [
  ...levels.flatMap((level) => seeds.map((seed) => `${level} ${seed} ${keptJson(practiceTube(level, seed))}`)),
  ...seeds.map((seed) => `case ${seed} ${keptJson(practiceCase(seed))}`),
])

it.each([...levels, 'case'])('the same seeds make the same: %s', (what) => {
  const { now, before } = kept(what)
  expect(now).toEqual(before)
})
