import { requirePositive } from '../shared/require.ts'

/** Coin cells of red dots: charge they are sold with, mAh (IEC 60086-3 sizes; common practice for the charge). */
const chargesMah: Readonly<Record<string, number>> = { CR2032: 220, CR2025: 160, CR2016: 90, CR1620: 75, LR44: 120 }
/** What a red dot draws, mA, dim and bright. Common practice, no source. */
const drawsMa = { dim: 0.8, middling: 2, bright: 5 } as const
export type DotBrightness = keyof typeof drawsMa
/** A lithium coin cell is at 3.0 V nearly to its end and falls fast then: below `low` it wants changing, and none has more than
 * `most`. From memory of published sheets. */
export const COIN_CELL_VOLTS = { low: 2.8, most: 3.6 } as const
/** A dot that is forgotten once burns all night. */
const LOW_UNDER = 0.25
const USUAL_MAH = 200

/**
 * How long a red dot's cell will still do, from when it was changed and how the dot is used.
 * @param input loans since the change, and hours it burns on each; brightness as borrowers leave it
 * @returns hours it burns in all, hours left, and whether it should be changed before the next loan
 * @throws RangeError for hours or loans below nothing */
export function dotBattery(input: {
  readonly cell: string
  readonly brightness: DotBrightness
  readonly loans: number
  readonly hoursPerLoan?: number | undefined
}): { readonly hoursInAll: number; readonly hoursLeft: number; readonly change: boolean } {
  const { cell, brightness, loans, hoursPerLoan = 6 } = input
  requirePositive({ hoursPerLoan })
  if (!(loans >= 0)) throw new RangeError(`loans must not be negative; got ${loans}`)
  const hoursInAll = (chargesMah[cell.toUpperCase()] ?? USUAL_MAH) / drawsMa[brightness]
  const hoursLeft = Math.max(0, hoursInAll - loans * hoursPerLoan)
  return { hoursInAll, hoursLeft, change: hoursLeft < LOW_UNDER * hoursInAll }
}
