import {
  balanceOf,
  collapsibleBalance,
  learntHeadMoment,
  positionFromBareShaft,
  type KitOnMount,
} from '../mount/kit-balance.ts'
import type { KeptReading } from './kept-reading.ts'

/** Balance by the bare shaft before the end stop, or, for a tube that slides open, by what has to hang at its open end. */
export type BalanceReading =
  | {
      readonly station: 'balance'
      readonly way: 'shaft'
      readonly on: readonly string[]
      readonly asFound: { readonly bareShaftMm: number }
      readonly asLeft: { readonly bareShaftMm: number }
      /** Let go, and it stayed: the head's moment follows from it. */
      readonly stays: boolean
    }
  | {
      readonly station: 'balance'
      readonly way: 'tube'
      readonly asFound: { readonly hangG: number }
      readonly asLeft: { readonly hangG: number }
    }

/** Balance within 10 mm of the shaft's right place (INTERFACE, default policy). */
const BALANCE_LIMIT_MM = 10

/** Where the stack stands and where it belongs, for one length of bare shaft. Null where there is nothing to reckon with. */
export function weightPlaceMm(kit: KitOnMount, on: readonly string[], bareShaft: number) {
  const head = kit.mount.equatorial
  const wantedMm = balanceOf(kit, on).wantedMm
  if (!head || wantedMm === null) return null
  return { standsMm: positionFromBareShaft(head, kit.parts, bareShaft), wantedMm }
}

export function balanceReadings(reading: BalanceReading, kit: KitOnMount | null): readonly KeptReading[] {
  if (!kit) return []
  const rest = { kind: 'balance', limit: BALANCE_LIMIT_MM, good: null, unit: 'mm' } as const
  if (reading.way === 'tube') {
    const off = (hangG: number) => Math.abs(collapsibleBalance(kit, hangG)?.shiftMm ?? 0)
    return [{ ...rest, asFound: off(reading.asFound.hangG), asLeft: off(reading.asLeft.hangG), source: 'measured' }]
  }
  const learnt = reading.stays ? learnFrom(reading, kit) : kit.headMomentGmm
  // Without the head's own moment the right place isn't known: nothing is claimed.
  if (learnt === null) return []
  const known = { ...kit, headMomentGmm: learnt }
  const off = (bareShaft: number) => {
    const place = weightPlaceMm(known, reading.on, bareShaft)
    return place ? Math.abs(place.standsMm - place.wantedMm) : 0
  }
  const { asFound, asLeft } = reading
  return [{ ...rest, asFound: off(asFound.bareShaftMm), asLeft: off(asLeft.bareShaftMm), source: 'measured' }]
}

/** The head's moment that a balanced shaft tells; null where it wasn't seen to stay. */
export function learnFrom(reading: BalanceReading, kit: KitOnMount): number | null {
  const head = kit.mount.equatorial
  if (reading.way !== 'shaft' || !reading.stays || !head) return null
  const positionMm = positionFromBareShaft(head, kit.parts, reading.asLeft.bareShaftMm)
  return learntHeadMoment(kit, reading.on, positionMm)
}
