import { seeded } from '../../../core/src/shared/seeded.ts'
import { keptJson, keptLines } from '../../../core/src/testing/kept.ts'
import { good } from '../testing/good-inputs.ts'
import { varied } from '../testing/varied.ts'
import { calculate, calculators } from './register.ts'

const OF_EACH = 24
const names = [...calculators.values()].filter(({ pictures }) => !pictures).map(({ name }) => name)

function linesOf(name: string): string[] {
  const entry = calculators.get(name)
  if (!entry) return []
  const chance = seeded([...name].reduce((sum, letter) => 31 * sum + letter.charCodeAt(0), 7))
  return Array.from({ length: OF_EACH }, (_each, index) => {
    const input = varied(entry.input, good[name], chance)
    const answer = calculate(name, input)
    return `${name} ${index} ${keptJson(input)} → ${keptJson(answer.ok ? answer.output : answer.error.issues)}`
  })
}

const kept = keptLines('kept-answers', names.flatMap(linesOf))

it.each(names)('%s answers what it answered', (name) => {
  const { now, before } = kept(name)
  expect(now).toEqual(before)
})
