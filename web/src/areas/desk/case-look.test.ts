import type { CasePlace, ComparedPlace } from '@binoculum/contract'
import { idOf } from '../../testing/ids.ts'
import { testPart } from '../../testing/kit-sheet.ts'
import { sameParts, taughtPlaces, toldBy } from './case-look.ts'

const long = testPart('Eyepiece, long', { count: 1 })
const cell = testPart('Coin cell', { count: 1, lookEveryTime: true })
const caps = testPart('Caps', { count: 3 })
const short = testPart('Eyepiece, short', { count: 1 })
const parts = [long, cell, caps, short]
const place = (id: string, partId: string | null): CasePlace => ({ id: idOf(id), partId, outlineMm: [] })
const places = [...parts.map((part, i) => place(`place ${i}`, part.id)), place('empty', null)]
const compared: ComparedPlace[] = [
  { id: idOf('place 0'), verdict: 'same', chanceDifferent: 0.03 },
  { id: idOf('place 1'), verdict: 'same', chanceDifferent: 0.02 },
  { id: idOf('place 2'), verdict: 'same', chanceDifferent: 0.02 },
  { id: idOf('place 3'), verdict: 'different', chanceDifferent: 0.9 },
  { id: idOf('empty'), verdict: 'different', chanceDifferent: 0.97 },
]

it('the same ones are marked, but never what is looked at every time, nor what has to be counted', () => {
  expect(sameParts({ compared }, places, parts).map(({ name }) => name)).toEqual(['Eyepiece, long'])
})
it('the scale hears what the picture says of parts; of what can’t be told it hears nothing', () => {
  const unsure = compared.map((each) =>
    each.verdict === 'different' ? { ...each, verdict: 'can’t-tell' as const } : each,
  )
  const told = toldBy({ compared }, places)
  expect([...told.differs]).toEqual([short.id])
  expect(told.chances).toEqual({
    [long.id]: 0.03,
    [cell.id]: 0.02,
    [caps.id]: 0.02,
    [short.id]: 0.9,
  })
  expect(toldBy({ compared: unsure }, places).differs.size).toBe(0)
  expect(Object.keys(toldBy({ compared: unsure }, places).chances)).not.toContain(short.id)
})
it('a place that looked different and was found in order teaches; one that is really different doesn’t', () => {
  expect(taughtPlaces({ compared }, places, () => true)).toEqual([idOf('place 3')])
  expect(taughtPlaces({ compared }, places, () => false)).toEqual([])
})
