/** Days as whole numbers: sums and comparisons of dates without zones or clocks. */

const MS_PER_DAY = 86_400_000

/** Days since 1970-01-01. @throws RangeError for what is no day like 2026-04-17 */
export function dayNumber(date: string): number {
  const ms = Date.parse(`${date}T00:00:00Z`)
  const text = String(date)
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text) || Number.isNaN(ms) || !new Date(ms).toISOString().startsWith(text))
    throw new RangeError(`a day like 2026-04-17 is wanted; got ${text}`)
  return ms / MS_PER_DAY
}

export const dateOfDay = (day: number): string => new Date(day * MS_PER_DAY).toISOString().slice(0, 10)

/** Monday 1 … Sunday 7 [ISO 8601]: 1970-01-01 was a Thursday. */
export const isoWeekday = (day: number): number => ((((day + 3) % 7) + 7) % 7) + 1

/** Year and week [ISO 8601]: weeks begin on Monday and belong to the year that holds their Thursday. */
export function isoWeek(day: number): { readonly year: number; readonly week: number } {
  const thursday = day - isoWeekday(day) + 4
  const year = new Date(thursday * MS_PER_DAY).getUTCFullYear()
  return { year, week: Math.floor((thursday - dayNumber(`${year}-01-01`)) / 7) + 1 }
}
