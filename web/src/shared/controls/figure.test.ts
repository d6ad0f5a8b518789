import { figureFrom, figureText } from './figure.ts'

it.each([
  ['12,5', 12.5],
  [' 12.5 ', 12.5],
  ['-3', -3],
  ['', null],
  ['  ', null],
  ['about 3', undefined],
  ['1,234.5', undefined],
])('“%s” is %s', (text, value) => {
  expect(figureFrom(text)).toBe(value)
})

it('what stands in a field is what was typed, without the dust of sums', () => {
  expect([figureText(null), figureText(12.5), figureText(0.1 + 0.2), figureText(1000)]).toEqual([
    '',
    '12.5',
    '0.3',
    '1000',
  ])
})
