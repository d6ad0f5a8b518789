import { helpedMost, leftS, measured, shakeOf } from './shake-draft.ts'

const reading = (settleS: number) => ({ way: 'sensor' as const, settleS, frequencyHz: 3 })
const first = measured(null, reading(4.2), 'feet')
const then = measured(measured(first, reading(3.9), 'feet'), reading(1.8), 'leg locks')

it('the first tap is as found, whatever stands beside it; each later one belongs to what was tightened', () => {
  expect(first).toMatchObject({ foundS: 4.2, tried: [] })
  expect(then.tried).toEqual([
    { what: 'feet', settleS: 3.9 },
    { what: 'leg locks', settleS: 1.8 },
  ])
  expect(leftS(then)).toBe(1.8)
  expect(leftS(first)).toBe(4.2)
})
it('names what helped most, and nothing where nothing did', () => {
  expect(helpedMost(then)).toMatchObject({ what: 'leg locks' })
  expect(helpedMost(measured(first, reading(4.5), 'tray or brace'))).toBeNull()
})
it('is sent as found and as left', () => {
  expect(shakeOf(then)).toMatchObject({ way: 'sensor', asFoundS: 4.2, asLeftS: 1.8, frequencyHz: 3 })
  expect(shakeOf(null)).toBeNull()
})
