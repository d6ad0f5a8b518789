import fc from 'fast-check'
import { G_PER_POUND, MM_PER_INCH, parseLengthMm, parseMassG, parseNumber } from './units.ts'

const grams = (text: string, unit = '', decimal: '.' | ',' = '.') => parseMassG(text, unit, decimal)

describe('masses', () => {
  // International yard and pound agreement of 1959: 1 lb = 453.59237 g exactly, 1 oz a sixteenth of it.
  it.each([
    { text: '1 lb', g: 453.59237 },
    { text: '4 lb 6 oz', g: 4.375 * 453.59237 },
    { text: '3.4 oz', g: (3.4 * 453.59237) / 16 },
    { text: '2.95', unit: 'kg', g: 2950 },
    { text: '0.46kg', g: 460 },
    { text: ' 92 G ', g: 92 },
    { text: '1½ kg', g: 1500 },
    { text: '½ lb', g: 226.796185 },
    { text: '12,000 g', g: 12_000 },
  ])('$text $unit is $g g', ({ text, unit, g }) => {
    const mass = grams(text, unit)
    expect(mass.ok && mass.value).toBeCloseTo(g, 9)
  })

  it('knows each unit by every word for it', () => {
    const of = (g: number, words: string) => words.split(' ').map((word) => [word, g] as const)
    for (const [word, g] of [
      ...of(1, 'g gr gram grams gramme'),
      ...of(1000, 'kg kilo kilogram kilograms'),
      ...of(453.59237, 'lb lbs pound pounds'),
      ...of(453.59237 / 16, 'oz ounce ounces'),
    ]) {
      const mass = grams(`2 ${word}`)
      expect([word, mass.ok && mass.value]).toEqual([word, 2 * g])
    }
    const millimetres = ([word, mm]: readonly [string, number]) =>
      [word, parseLengthMm(`2 ${word}`, '', '.'), mm] as const
    for (const [word, length, mm] of [
      ...of(1, 'mm'),
      ...of(10, 'cm'),
      ...of(1000, 'm'),
      ...of(25.4, 'in inch inches " ″'),
    ].map(millimetres))
      expect([word, length.ok && length.value]).toEqual([word, 2 * mm])
  })

  it.each([
    { text: '3,1 kg', g: 3100 },
    { text: '0,12 kg', g: 120 },
    { text: '1.250,5 g', g: 1250.5 },
  ])('with decimal commas $text is $g g', ({ text, g }) => {
    const mass = grams(text, '', ',')
    expect(mass.ok && mass.value).toBeCloseTo(g, 9)
  })

  it.each([
    { text: '', reason: 'EMPTY' },
    { text: 'heavy', reason: 'NOT_A_NUMBER' },
    { text: '12', reason: 'NO_UNIT' },
    { text: '3 stone', reason: 'UNKNOWN_UNIT' },
    { text: '-5 g', reason: 'NEGATIVE' },
    { text: '1.2.3 g', reason: 'NOT_A_NUMBER' },
    { text: '5 g?', reason: 'NOT_A_NUMBER' },
    { text: 'NaN g', reason: 'NOT_A_NUMBER' },
  ])('“$text” is refused: $reason', ({ text, reason }) => {
    expect(grams(text)).toEqual({ ok: false, reason })
  })
})

it.each([
  { text: '1¼"', mm: 31.75 },
  { text: '2 in', mm: 50.8 },
  { text: '25', mm: 25 },
  { text: '1.5 cm', mm: 15 },
])('$text is $mm mm (1 in = 25.4 mm exactly)', ({ text, mm }) => {
  const length = parseLengthMm(text, 'mm', '.')
  expect(length.ok && length.value).toBeCloseTo(mm, 9)
})

it('knows the exact factors', () => expect([G_PER_POUND, MM_PER_INCH]).toEqual([453.59237, 25.4]))

it('reads back any number it would write, with either decimal sign', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 1e6, noNaN: true }), (value) => {
      const text = value.toFixed(3)
      return parseNumber(text, '.') === Number(text) && parseNumber(text.replace('.', ','), ',') === Number(text)
    }),
  )
})
