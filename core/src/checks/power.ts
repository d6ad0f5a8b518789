import { requirePositive } from '../shared/require.ts'

/** What drives a mount, by the kind of its cells. */
export const chemistries = ['alkaline', 'nickel-metal-hydride', 'lead', 'lithium-iron'] as const
export type Chemistry = (typeof chemistries)[number]

/** Either what the gauge shows, in steps, or volts at rest over all cells. */
export type PowerReading =
  | { readonly way: 'gauge'; readonly step: number; readonly of: number }
  | { readonly way: 'volts'; readonly volts: number }

interface Cells {
  /** Volts of one cell at rest, falling, and the share of its charge that is left then. */
  readonly curve: readonly (readonly [volts: number, share: number])[]
  /** Beyond these it is another kind of cell, or another number of them. */
  readonly volts: { readonly least: number; readonly most: number }
}

/** Discharge curves of one cell at rest, near 20 °C, from memory of published sheets; a cell's age and a cold night move them by
 * a tenth and more, so nothing finer than a tenth is said. */
const cells: Readonly<Record<Chemistry, Cells>> = {
  alkaline: {
    curve: [
      [1.58, 1],
      [1.45, 0.8],
      [1.37, 0.6],
      [1.29, 0.4],
      [1.2, 0.2],
      [1.1, 0.1],
      [0.9, 0],
    ],
    volts: { least: 0.6, most: 1.68 },
  },
  'nickel-metal-hydride': {
    curve: [
      [1.4, 1],
      [1.33, 0.8],
      [1.29, 0.6],
      [1.26, 0.4],
      [1.22, 0.2],
      [1.15, 0.1],
      [1, 0],
    ],
    volts: { least: 0.6, most: 1.5 },
  },
  lead: {
    curve: [
      [2.13, 1],
      [2.09, 0.8],
      [2.05, 0.6],
      [2.01, 0.4],
      [1.95, 0.2],
      [1.91, 0.1],
      [1.75, 0],
    ],
    volts: { least: 1.5, most: 2.45 },
  },
  'lithium-iron': {
    curve: [
      [3.4, 1],
      [3.33, 0.8],
      [3.3, 0.6],
      [3.27, 0.4],
      [3.2, 0.2],
      [3.1, 0.1],
      [2.5, 0],
    ],
    volts: { least: 2, most: 3.65 },
  },
}

/** Share of the charge that is left, 0 to 1.
 * @throws RangeError where a gauge hasn't so many steps, or where no such cells have these volts: it names what to look at */
export function chargeLeft(
  reading: PowerReading,
  { chemistry, cellCount }: { readonly chemistry: Chemistry; readonly cellCount: number },
): number {
  if (reading.way === 'gauge') {
    const { step, of } = reading
    if (!(of >= 1 && step >= 0 && step <= of)) throw new RangeError('a gauge shows between none and all of its steps')
    return step / of
  }
  requirePositive({ volts: reading.volts, cellCount })
  const each = reading.volts / cellCount
  const { curve, volts } = cells[chemistry]
  if (each < volts.least || each > volts.most)
    throw new RangeError(
      `${each.toFixed(2)} V a cell is no ${chemistry} cell: look at the kind of cells and how many there are`,
    )
  const [fullest] = curve
  if (fullest && each >= fullest[0]) return 1
  for (const [index, [low, lowShare]] of curve.entries()) {
    const above = curve[index - 1]
    if (!above || each < low) continue
    return lowShare + ((each - low) / (above[0] - low)) * (above[1] - lowShare)
  }
  return 0
}

export interface PowerNeed {
  readonly capacityAh: number
  readonly drawA: number
  /** Hours that a loan asks for. */
  readonly neededHours: number
}
export interface PowerVerdict {
  readonly hours: number
  readonly isEnough: boolean
  /** What it lacks, in hours; 0 where it is enough. */
  readonly lackHours: number
}

/** Old or cold cells give less than their label says. Common practice, no source. */
const USABLE_SHARE = 0.8

/** How long it runs, against what a loan asks for. @throws RangeError for figures that aren't above 0 */
export function powerVerdict(share: number, { capacityAh, drawA, neededHours }: PowerNeed): PowerVerdict {
  requirePositive({ capacityAh, drawA, neededHours })
  if (!(share >= 0 && share <= 1)) throw new RangeError('share must lie between 0 and 1')
  const hours = (share * USABLE_SHARE * capacityAh) / drawA
  const lackHours = Math.max(0, neededHours - hours)
  return { hours, isEnough: lackHours === 0, lackHours }
}

/** Where nobody wrote it down. Capacities and draw of small drives: common practice, no source. */
export const usualPower: Readonly<Record<Chemistry, { readonly cellCount: number; readonly capacityAh: number }>> = {
  alkaline: { cellCount: 8, capacityAh: 2.5 },
  'nickel-metal-hydride': { cellCount: 8, capacityAh: 2 },
  lead: { cellCount: 6, capacityAh: 7 },
  'lithium-iron': { cellCount: 4, capacityAh: 7 },
}
export const USUAL_DRAW_A = 0.3
/** Three evenings of two hours, of a fortnight. Common practice, no source. */
export const USUAL_NEEDED_HOURS = 6
