import type { KitSheet, Station } from '@binoculum/contract'
import {
  chargeLeft,
  powerVerdict,
  USUAL_DRAW_A,
  USUAL_NEEDED_HOURS,
  usualPower,
  type Chemistry,
  type PowerReading,
} from '@binoculum/core'

export interface PowerLook {
  step: number | null
  volts: number | null
}
export interface PowerDraft {
  /** Null until somebody said: as its case has it. */
  chemistry: Chemistry | null
  cellCount: number | null
  capacityAh: number | null
  drawA: number | null
  neededHours: number | null
  way: PowerReading['way']
  /** Steps of its gauge. */
  of: number | null
  found: PowerLook
  /** Null: as found. */
  left: PowerLook | null
  cellsOut: number | null
  cellsIn: number | null
  charged: { fromUtc: string; toUtc: string | null } | null
}
const USUAL_STEPS = 4

export const emptyPower = (): PowerDraft => ({
  chemistry: null,
  cellCount: null,
  capacityAh: null,
  drawA: null,
  neededHours: null,
  way: 'gauge',
  of: null,
  found: { step: null, volts: null },
  left: null,
  cellsOut: null,
  cellsIn: null,
  charged: null,
})

const isThere = (kit: KitSheet, role: string) =>
  kit.parts.some((part) => part.role === role && part.mark !== 'missing')

/** Kits whose mount runs on cells or a pack. */
export const isPowered = (kit: KitSheet): boolean => isThere(kit, 'aa-cells') || isThere(kit, 'power-pack')

/** What it runs on: as somebody said, else as its case and small drives usually have it. */
export function powerSource(draft: PowerDraft, kit: KitSheet) {
  const chemistry = draft.chemistry ?? (isThere(kit, 'power-pack') ? 'lead' : 'alkaline')
  const usual = usualPower[chemistry]
  const onCard = kit.parts.find(({ role }) => role === 'aa-cells')?.count ?? usual.cellCount
  const isDry = chemistry === 'alkaline' || chemistry === 'nickel-metal-hydride'
  return {
    chemistry,
    cellCount: draft.cellCount ?? (isDry ? onCard : usual.cellCount),
    capacityAh: draft.capacityAh ?? usual.capacityAh,
    drawA: draft.drawA ?? USUAL_DRAW_A,
    neededHours: draft.neededHours ?? USUAL_NEEDED_HOURS,
    of: draft.of ?? USUAL_STEPS,
  }
}

const readingOf = (look: PowerLook, draft: PowerDraft, of: number): PowerReading | null => {
  if (draft.way === 'volts') return look.volts === null ? null : { way: 'volts', volts: look.volts }
  return look.step === null ? null : { way: 'gauge', step: look.step, of }
}

/** How long it runs after one look, or what is wrong with what was typed; null while nothing is. */
export function powerOf(look: PowerLook, draft: PowerDraft, kit: KitSheet) {
  const source = powerSource(draft, kit)
  const reading = readingOf(look, draft, source.of)
  if (!reading) return null
  try {
    const share = chargeLeft(reading, source)
    return { share, verdict: powerVerdict(share, source), problem: null }
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    return { share: null, verdict: null, problem: error.message }
  }
}

/** The station as it would be sent; null while it can't be judged. */
export function powerStation(
  draft: PowerDraft,
  kit: KitSheet,
): Omit<Extract<Station, { station: 'power' }>, 'note' | 'minutes'> | null {
  const { of, ...source } = powerSource(draft, kit)
  const left = draft.left ?? draft.found
  const asFound = readingOf(draft.found, draft, of)
  const asLeft = readingOf(left, draft, of)
  if (!asFound || !asLeft || !powerOf(draft.found, draft, kit)?.verdict || !powerOf(left, draft, kit)?.verdict)
    return null
  const { cellsOut, cellsIn, charged } = draft
  return { station: 'power', ...source, asFound, asLeft, cellsOut, cellsIn, charged }
}
