/** Amounts as people write them in lists. Pound and inch are exact by definition [International yard and pound, 1959]. */

export const G_PER_POUND = 453.59237
export const G_PER_OUNCE = G_PER_POUND / 16
export const MM_PER_INCH = 25.4

const gramsPerUnit: Readonly<Record<string, number>> = {
  g: 1,
  gr: 1,
  gram: 1,
  grams: 1,
  gramme: 1,
  kg: 1000,
  kilo: 1000,
  kilogram: 1000,
  kilograms: 1000,
  lb: G_PER_POUND,
  lbs: G_PER_POUND,
  pound: G_PER_POUND,
  pounds: G_PER_POUND,
  oz: G_PER_OUNCE,
  ounce: G_PER_OUNCE,
  ounces: G_PER_OUNCE,
}

const millimetresPerUnit: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  '"': MM_PER_INCH,
  '″': MM_PER_INCH,
}

const vulgarFractions: Readonly<Record<string, number>> = { '¼': 0.25, '½': 0.5, '¾': 0.75, '⅛': 0.125, '⅜': 0.375 }

export type DecimalSign = '.' | ','

export type Amount =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly reason: 'EMPTY' | 'NOT_A_NUMBER' | 'NO_UNIT' | 'UNKNOWN_UNIT' | 'NEGATIVE' }

/** Grams from text such as `2.95` with unit `kg`, `0,12 kg` or `4 lb 6 oz`.
 * @param unit used where the text itself names none; @returns grams ≥ 0, unrounded, or why not */
export const parseMassG = (text: string, unit: string, decimal: DecimalSign): Amount =>
  parseAmount({ text, unit, decimal, factors: gramsPerUnit })

/** Millimetres from text such as `1¼ in`, `31.75` with unit `mm`, `2"`. @returns mm ≥ 0, or why not */
export const parseLengthMm = (text: string, unit: string, decimal: DecimalSign): Amount =>
  parseAmount({ text, unit, decimal, factors: millimetresPerUnit })

function parseAmount(given: {
  readonly text: string
  readonly unit: string
  readonly decimal: DecimalSign
  readonly factors: Readonly<Record<string, number>>
}): Amount {
  const { factors } = given
  const text = given.text.trim().toLowerCase()
  if (text === '') return { ok: false, reason: 'EMPTY' }
  // A sum of number–unit pairs: “4 lb 6 oz”. The last pair may leave its unit to the unit column.
  const pair = /([+-]?[\d.,' ]*[\d¼½¾⅛⅜])\s*([a-z]+|"|″)?\.?\s*/gy
  let sum = 0
  let end = 0
  for (let match = pair.exec(text); match !== null; match = pair.exec(text)) {
    const number = parseNumber(match[1] ?? '', given.decimal)
    if (number === null) return { ok: false, reason: 'NOT_A_NUMBER' }
    if (number < 0) return { ok: false, reason: 'NEGATIVE' }
    const unit = match[2] ?? given.unit.trim().toLowerCase()
    if (unit === '') return { ok: false, reason: 'NO_UNIT' }
    const factor = factors[unit]
    if (factor === undefined) return { ok: false, reason: 'UNKNOWN_UNIT' }
    sum += number * factor
    end = pair.lastIndex
    if (end === text.length) break
  }
  return end === text.length ? { ok: true, value: sum } : { ok: false, reason: 'NOT_A_NUMBER' }
}

/** A number with the file's decimal sign; the other sign, blank and ’ may only group thousands. Null if it is none. */
export function parseNumber(text: string, decimal: DecimalSign): number | null {
  let rest = text.trim()
  let fraction = 0
  const last = rest.at(-1) ?? ''
  if (vulgarFractions[last] !== undefined) {
    fraction = vulgarFractions[last]
    rest = rest.slice(0, -1).trim()
    if (rest === '') return fraction
  }
  // “1,35” can only be a decimal comma, whatever the rest of the file writes: thousands come in threes.
  const other = decimal === '.' ? ',' : '.'
  if (new RegExp(`^[+-]?\\d+\\${other}(\\d{1,2}|\\d{4,})$`).test(rest))
    return Number(rest.replace(other, '.')) + fraction
  const group = other
  const grouped = new RegExp(`^[+-]?\\d{1,3}([${group}' ]\\d{3})+(\\${decimal}\\d+)?$`)
  const plain = new RegExp(`^[+-]?\\d*(\\${decimal}\\d+)?$`)
  if (grouped.test(rest)) rest = rest.replaceAll(group, '').replaceAll(/[' ]/g, '')
  else if (!plain.test(rest) || !/\d/.test(rest)) return null
  return Number(rest.replace(decimal, '.')) + fraction
}
