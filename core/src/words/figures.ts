/** Figures as text with their unit. The only place that rounds. */

const rounded = (value: number, digits: number): string => value.toFixed(digits).replace(/^-(0(\.0+)?)$/, '$1')

/** Up to 20 mm with a tenth, above whole. */
export const mmText = (mm: number): string => `${rounded(mm, Math.abs(mm) < 20 ? 1 : 0)} mm`

/** A reading and its limit with so many digits that they differ where they do: 0.66 against 0.68, not 0.7 and 0.7. */
export function mmPairText(valueMm: number, limitMm: number): readonly [string, string] {
  if (valueMm === limitMm || mmText(valueMm) !== mmText(limitMm)) return [mmText(valueMm), mmText(limitMm)]
  return [`${rounded(valueMm, 2)} mm`, `${rounded(limitMm, 2)} mm`]
}

export const arcminText = (arcmin: number): string => `${rounded(arcmin, Math.abs(arcmin) < 3 ? 1 : 0)}′`

/** Grams up to a kilogram, above that kilograms with two digits. */
export const massText = (massG: number): string =>
  Math.abs(massG) < 1000 ? `${rounded(massG, 0)} g` : `${rounded(massG / 1000, 2)} kg`

export const powerText = (magnification: number): string => `${rounded(magnification, 0)}×`

export const degText = (deg: number): string => `${rounded(deg, deg < 1 ? 2 : 1)}°`

/** To a tenth: a thumb on a stopwatch does no better. */
export const secondsText = (seconds: number): string => `${rounded(seconds, 1)} s`

export const voltsText = (volts: number): string => `${rounded(volts, 2)} V`

/** To half an hour: cells are told no finer. */
export const hoursText = (hours: number): string => `${rounded(Math.round(hours * 2) / 2, 1)} h`

export const daysText = (days: number): string => `${days} ${days === 1 ? 'day' : 'days'}`

/** Money from minor units with the currency's code; whole amounts without their zeros. */
export const moneyText = (minor: number, currency: string): string =>
  `${rounded(minor / 100, minor % 100 === 0 ? 0 : 2)} ${currency}`

const weekdays = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat']
const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/** “Fri 12 Mar” from an ISO date or the date part of an instant. */
export function dateText(iso: string): string {
  const day = new Date(`${iso.slice(0, 10)}T00:00:00Z`)
  if (Number.isNaN(day.getTime())) throw new RangeError(`iso must begin with a date yyyy-mm-dd; got ${iso}`)
  return `${weekdays[day.getUTCDay()]} ${day.getUTCDate()} ${months[day.getUTCMonth()]}`
}
