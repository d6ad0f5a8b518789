import { dateOfDay, dayNumber, skyEvening, type Evening } from '@binoculum/core'
import { oncePerText } from '../../platform/once-per-text.ts'

export interface Place {
  readonly name: string
  readonly zone: string
  readonly latitudeDeg: number
  readonly longitudeDeg: number
}

/** A night of a place never changes: it is reckoned once. */
const eveningOf = oncePerText((text): Evening => skyEvening(JSON.parse(text) as Parameters<typeof skyEvening>[0]))

/** Nights from a date on. A place too far from everything for the almanac can't be stored, so this doesn't fail. */
export const nightsFrom = ({ zone, latitudeDeg, longitudeDeg }: Place, from: string, days: number): Evening[] =>
  Array.from({ length: days }, (_, index) =>
    eveningOf(JSON.stringify({ latitudeDeg, longitudeDeg, zone, date: dateOfDay(dayNumber(from) + index) })),
  )
