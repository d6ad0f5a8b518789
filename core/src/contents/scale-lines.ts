import { G_PER_OUNCE, G_PER_POUND } from './units.ts'

/** What one line of a scale says. */
export type ScaleLine =
  | { readonly kind: 'reading'; readonly massG: number; readonly stepG: number; readonly stable: boolean | null }
  | { readonly kind: 'overload' }
  | { readonly kind: 'unreadable'; readonly line: string }

const gramsPer: Readonly<Record<string, number>> = { g: 1, kg: 1000, lb: G_PER_POUND, oz: G_PER_OUNCE }

/**
 * Reads one line of a scale that writes plain text: an optional word or sign for *at rest* or *moving*, a signed decimal
 * number, a unit. The step is the last printed digit. Lines such as `OL`, `-----` or `over` say overload.
 * @param line without its line end
 */
export function readScaleLine(line: string): ScaleLine {
  const text = line.trim()
  if (/^(OL|over(load)?|-{3,}|\^{3,})$/i.test(text)) return { kind: 'overload' }
  const found =
    /^(?<state>[A-Za-z?~*]+(?:[,;\s][A-Za-z]{1,2}(?=[,;\s]))*)?[,;\s]*(?<sign>[+-])?\s*(?<digits>\d+(?:[.,](?<decimals>\d+))?)\s*(?<unit>kg|g|lb|oz)\b/i.exec(
      text,
    )
  const { state = '', sign, digits = '', decimals = '', unit = '' } = found?.groups ?? {}
  const factor = gramsPer[unit.toLowerCase()]
  if (!found || factor === undefined) return { kind: 'unreadable', line }
  const value = Number(digits.replace(',', '.')) * (sign === '-' ? -1 : 1)
  return { kind: 'reading', massG: value * factor, stepG: factor * 10 ** -decimals.length, stable: stateOf(state) }
}

function stateOf(state: string): boolean | null {
  if (/^(us|d|moving|\?|~)/i.test(state)) return false
  return /^(st|s|rest|stable)/i.test(state) ? true : null
}

export interface TimedReading {
  readonly massG: number
  readonly atMs: number
  readonly stepG: number
  readonly stable: boolean | null
}

/** How long and within how many steps a scale must stand still when it doesn't say so itself. */
const STILL_MS = 1200
const STILL_STEPS = 1

/** The reading a scale has come to rest at, or null while it moves. @param readings oldest first */
export function settledReading(readings: readonly TimedReading[]): TimedReading | null {
  const last = readings.at(-1)
  if (!last || last.stable === false) return null
  if (last.stable) return last
  const recent = readings.filter(({ atMs }) => atMs >= last.atMs - STILL_MS)
  const covers = last.atMs - (readings[0]?.atMs ?? last.atMs) >= STILL_MS
  const spreadG = Math.max(...recent.map(({ massG }) => massG)) - Math.min(...recent.map(({ massG }) => massG))
  return covers && spreadG <= STILL_STEPS * last.stepG ? last : null
}
