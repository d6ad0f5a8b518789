import type { KitSheet, Station } from '@binoculum/contract'
import { chainName, focusReach, powersThere, type FocusReach } from '@binoculum/core'

/** One eyepiece, with its Barlow or alone, as it was looked through. */
export interface FocusRow {
  drawtubeMm: number | null
  never: boolean
}
export interface FocusDraft {
  travelMm: number | null
  distanceM: number | null
  on: 'star' | 'lamp'
  found: Record<string, FocusRow>
  /** What was looked at again after something was put right; the rest is as found. */
  left: Record<string, FocusRow>
  rackFound: 'smooth' | 'stiff' | 'slips' | null
  rackLeft: 'smooth' | 'stiff' | 'slips' | null
  lockHolds: boolean | null
}

export const emptyFocus = (): FocusDraft => ({
  travelMm: null,
  distanceM: null,
  on: 'star',
  found: {},
  left: {},
  rackFound: null,
  rackLeft: null,
  lockHolds: null,
})

/** What has to come to focus: each eyepiece of the case alone, and with its Barlow. */
export const chainsOf = (kit: KitSheet): readonly { readonly chain: string; readonly eyepieceMm: number }[] =>
  powersThere(kit.optics, kit.parts).map(({ eyepieceName, barlowName, eyepieceMm }) => ({
    chain: chainName(eyepieceName, barlowName),
    eyepieceMm,
  }))

type ReachRow = { readonly reach: FocusReach | null; readonly problem: string | null }

/** Whether it comes to focus, by one look; nothing while nothing was typed. */
export function reachOf(
  row: FocusRow | undefined,
  chain: { readonly chain: string; readonly eyepieceMm: number },
  draft: FocusDraft,
  kit: KitSheet,
): ReachRow {
  const { travelMm } = draft
  const distanceM = draft.on === 'star' ? null : draft.distanceM
  if (!row || !(travelMm !== null && travelMm > 0) || (draft.on === 'lamp' && distanceM === null))
    return { reach: null, problem: null }
  if (!row.never && row.drawtubeMm === null) return { reach: null, problem: null }
  try {
    const look = { ...chain, drawtubeMm: row.never ? null : row.drawtubeMm }
    return {
      reach: focusReach(look, { focalLengthMm: kit.optics.focalLengthMm, travelMm, distanceM }),
      problem: null,
    }
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    return { reach: null, problem: error.message }
  }
}

/** The station as it would be sent; null before one eyepiece was tried and its rack felt. */
export function focusStation(
  draft: FocusDraft,
  kit: KitSheet,
): Omit<Extract<Station, { station: 'focus' }>, 'note' | 'minutes'> | null {
  const { travelMm, distanceM, on, rackFound, rackLeft, lockHolds } = draft
  const chains = chainsOf(kit)
  const looksOf = (rows: Record<string, FocusRow>) =>
    chains.flatMap((each) => {
      const row = rows[each.chain]
      return row && reachOf(row, each, draft, kit).reach
        ? [{ ...each, drawtubeMm: row.never ? null : row.drawtubeMm }]
        : []
    })
  const found = looksOf(draft.found)
  if (travelMm === null || rackFound === null || found.length === 0) return null
  return {
    station: 'focus',
    travelMm,
    distanceM: on === 'star' ? null : distanceM,
    asFound: { looks: found, rack: rackFound },
    asLeft: { looks: looksOf({ ...draft.found, ...draft.left }), rack: rackLeft ?? rackFound },
    lockHolds,
  }
}
