import type { Station } from '@binoculum/contract'
import { letGoAltitudesDeg, letGoSetUps, type FallingEnd, type LetGo, type LetGoSetUp } from '@binoculum/core'

/** Which end fell, by set-up and height; nothing where nobody let go. */
export type LetGoRows = Partial<Record<string, FallingEnd>>
export interface LetGoDraft {
  found: LetGoRows
  left: LetGoRows | null
  /** Where its clamp or ring stands on a printed tape, mm. */
  foundMm: number | null
  leftMm: number | null
}
export const emptyLetGo = (): LetGoDraft => ({ found: {}, left: null, foundMm: null, leftMm: null })
export const letGoKey = (setUp: LetGoSetUp, altitudeDeg: number): string => `${setUp} ${altitudeDeg}`

export const letGosOf = (rows: LetGoRows): LetGo[] =>
  letGoSetUps.flatMap((setUp) =>
    letGoAltitudesDeg.flatMap((altitudeDeg) => {
      const fell = rows[letGoKey(setUp, altitudeDeg)]
      return fell ? [{ setUp, altitudeDeg, fell }] : []
    }),
  )

/** Whole only with every height of one set-up at least: a tube that stays level may still fall when it looks up. */
const isWhole = (looks: readonly LetGo[]) =>
  letGoSetUps.some((setUp) => looks.filter((each) => each.setUp === setUp).length === letGoAltitudesDeg.length)

export function letGoStation({
  found,
  left,
  foundMm,
  leftMm,
}: LetGoDraft): Omit<Extract<Station, { station: 'let-go' }>, 'note' | 'minutes'> | null {
  const asFound = letGosOf(found)
  const asLeft = left ? letGosOf(left) : asFound
  if (!isWhole(asFound) || !isWhole(asLeft)) return null
  return { station: 'let-go', asFound, asLeft, foundMm, leftMm: leftMm ?? foundMm }
}
