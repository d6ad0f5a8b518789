import type { Mark, Role } from '../contents/roles.ts'
import { degToRad } from '../shared/angles.ts'
import { requirePositive } from '../shared/require.ts'
import {
  headMomentGmm,
  mountBalance,
  neededMomentGmm,
  type Balance,
  type BalanceInput,
  type Shaft,
} from './balance.ts'
import { mountLoad } from './load.ts'
import type { EquatorialHead, MountData, TubeFigures, TubePlace } from './mount-data.ts'
import { tubeRoll, type Roll } from './roll.ts'
import { tubeShift } from './tube-shift.ts'

/** A part of a kit as the balance needs it. */
export interface BalancePart {
  readonly id: string
  readonly name: string
  readonly role: Role
  readonly count: number
  readonly mark: Mark
  readonly massG: number | null
  readonly toleranceG: number | null
}

export const setUpNames = ['lightest', 'usual', 'heaviest'] as const
export type SetUpName = (typeof setUpNames)[number]

/** Where a role sits while observing. Caps are off then; what isn't named here doesn't ride on the tube. */
const ridesOn: Readonly<Partial<Record<Role, 'tube' | 'finder' | 'eyepiece'>>> = {
  tube: 'tube',
  'tube-rings': 'tube',
  'ring-clamp-screw': 'tube',
  finder: 'finder',
  'finder-o-ring': 'finder',
  'coin-cell': 'finder',
  diagonal: 'eyepiece',
  'low-eyepiece': 'eyepiece',
  eyepiece: 'eyepiece',
  barlow: 'eyepiece',
  'phone-holder': 'eyepiece',
  'camera-ring': 'eyepiece',
  'focal-extender': 'eyepiece',
}

export interface KitOnMount {
  readonly mount: MountData
  readonly parts: readonly BalancePart[]
  /** Null until it was learnt from a balanced position. */
  readonly headMomentGmm: number | null
}

/** Parts that may ride on the tube, with where; missing ones don't. */
export const ridingParts = (parts: readonly BalancePart[]) =>
  parts.flatMap((part) => {
    const place = ridesOn[part.role]
    return place && part.mark !== 'missing' ? [{ ...part, place }] : []
  })

const alwaysOn = (part: BalancePart) =>
  ridesOn[part.role] === 'tube' || ridesOn[part.role] === 'finder' || part.role === 'diagonal'

/** What stands on the tube in the three set-ups a kit is balanced for: lightest without eyepiece, usual with the
 * lowest-power one, heaviest with the heaviest eyepiece, Barlow, phone holder with its phone, and camera ring. */
export function setUpParts(parts: readonly BalancePart[], name: SetUpName): readonly string[] {
  const riding = ridingParts(parts)
  const always = riding.filter(alwaysOn).map(({ id }) => id)
  const lowest = riding.find(({ role }) => role === 'low-eyepiece')
  if (name === 'lightest') return always
  if (name === 'usual') return lowest ? [...always, lowest.id] : always
  const eyepieces = riding.filter(({ role }) => role === 'low-eyepiece' || role === 'eyepiece')
  const heaviest = [...eyepieces].sort((a, b) => (b.massG ?? 0) - (a.massG ?? 0))[0]
  const extras = (['barlow', 'phone-holder', 'camera-ring'] as const).flatMap((role) => {
    const part = riding.find((each) => each.role === role)
    return part ? [part.id] : []
  })
  return [...always, ...(heaviest ? [heaviest.id] : []), ...extras]
}

/** Roles that the balance is reckoned from: what rides, and what hangs on the other side. */
export const balanceRoles: readonly Role[] = [...(Object.keys(ridesOn) as Role[]), 'counterweight', 'weight-shaft']

/** A set-up that the kit's weight can't balance, by how much. */
export interface CantBalance {
  readonly setUp: SetUpName
  readonly reason: 'too-light' | 'too-heavy'
  /** Smallest extra weight at the shaft's end; 0 for a weight that is too heavy. */
  readonly extraMassG: number
}

/** Whether a kit's weight balances the lightest and the heaviest that its case can put on the tube, measured at the bench or
 * not; the head's own moment counts where it was learnt. A borrower's phone isn't of the case: it is shown at the bench, and
 * judges no kit.
 * @returns null where both balance, or nobody knows */
export function cantBalance(kit: KitOnMount): CantBalance | null {
  for (const setUp of ['heaviest', 'lightest'] as const) {
    const on = setUpParts(kit.parts, setUp)
    const riding = ridingParts(kit.parts).filter(({ id }) => on.includes(id))
    // The lever alone: a full shelf is judged by it, and roll and load change nothing here.
    const lever = leverOf(kit, riding, { magnetsG: 0, roll: null, phones: false })
    const shaft = lever && mountBalance(lever)
    if (!shaft || shaft.reason === 'balanced') continue
    // What was not weighed only adds: too light stays too light, too heavy may not be.
    if (shaft.reason === 'too-heavy' && riding.some(({ massG }) => massG === null)) continue
    return { setUp, reason: shaft.reason, extraMassG: shaft.extraMassG }
  }
  return null
}

export interface SetUpBalance {
  readonly names: readonly string[]
  /** Null where a kit has no shaft and weight. */
  readonly shaft: Balance | null
  /** Where the stack would have to stand, also beyond the shaft. */
  readonly wantedMm: number | null
  readonly load: {
    readonly loadG: number
    readonly ratedLoadG: number
    readonly verdict: 'good' | 'usable' | 'over'
  } | null
  readonly roll: Roll | null
  /** From the usual set-up, + towards the sky; null where nobody measured the tube. */
  readonly tubeShiftMm: number | null
  /** Riding parts of unknown mass: weigh them, else the figures are wrong. */
  readonly unweighed: readonly string[]
  readonly counterMassG: number | null
}

/** Everything a set-up does to shaft, load, roll and tube.
 * @param on ids of riding parts, `setUpParts` or any other choice; `magnetsG` sit at the skin opposite the roll
 * @throws RangeError for mount data that can't be (shaft with its start beyond its end, weight of 0 g) */
export function balanceOf(kit: KitOnMount, on: readonly string[], magnetsG = 0): SetUpBalance {
  const { mount } = kit
  const riding = ridingParts(kit.parts).filter(({ id }) => on.includes(id))
  const roll = mount.tube && tubeRoll({ parts: rollParts(riding, mount.tube), radiusMm: mount.tube.diameterMm / 2 })
  const load =
    mount.ratedLoadG === null
      ? null
      : mountLoad({
          parts: [...riding.map((part) => ({ massG: massOf(part) })), { massG: magnetsG }],
          ratedLoadG: mount.ratedLoadG,
          use: mount.use,
        })
  const lever = leverOf(kit, riding, { magnetsG, roll })
  return {
    names: riding
      .filter((part) => !alwaysOn(part) || part.role === 'finder')
      .map(({ name, role }) => (role === 'phone-holder' ? `${name} with a phone` : name)),
    shaft: lever && mountBalance(lever),
    wantedMm: lever && neededMomentGmm(lever) / stackOf(lever),
    load: load && { loadG: load.loadG, ratedLoadG: mount.ratedLoadG ?? 0, verdict: load.verdict },
    roll,
    tubeShiftMm: mount.tube && shiftFromUsual(kit, riding, mount.tube),
    unweighed: riding.filter(({ massG }) => massG === null).map(({ name }) => name),
    counterMassG: roll?.counterMassG ?? null,
  }
}

/** A holder rides with the borrower's own phone in it, g. Common practice, no source. */
export const PHONE_G = 200

/** What a riding part puts on the tube: a holder with its phone, unless only what the case holds is asked for. */
const massOf = ({ massG, count, role }: BalancePart, phones = true): number =>
  (massG ?? 0) * count + (phones && role === 'phone-holder' ? PHONE_G : 0)

type Riding = ReturnType<typeof ridingParts>[number]

const placeOf = (part: Riding, tube: TubeFigures): TubePlace | null =>
  part.place === 'finder' ? tube.finder : part.place === 'eyepiece' ? tube.eyepiece : null

function rollParts(riding: readonly Riding[], tube: TubeFigures) {
  return riding.flatMap((part) => {
    const place = placeOf(part, tube)
    return place ? [{ massG: massOf(part), radiusMm: place.radiusMm, angleDeg: place.angleDeg }] : []
  })
}

const weightsOf = (parts: readonly BalancePart[]) =>
  parts.filter(({ role, mark }) => role === 'counterweight' && mark !== 'missing')

const stackOf = ({ counterweights }: BalanceInput): number =>
  counterweights.reduce((sum, { massG }) => sum + massG, 0)

/** Where the middle of a stack of this thickness may stand. */
function shaftFor(head: EquatorialHead, thicknessMm: number, shaftG: number): Shaft {
  return {
    minMm: head.shaftStartMm + thicknessMm / 2,
    maxMm: head.shaftEndMm - thicknessMm / 2,
    massG: shaftG,
    centreMm: (head.shaftStartMm + head.shaftEndMm) / 2,
  }
}

function leverOf(
  kit: KitOnMount,
  riding: readonly Riding[],
  given: {
    readonly magnetsG: number
    readonly roll: Roll | null
    readonly spare?: { readonly massG: number }
    readonly phones?: boolean
  },
): BalanceInput | null {
  const head = kit.mount.equatorial
  // A weight of unknown mass balances nothing that can be reckoned.
  if (!head || stackMassesG(kit.parts).length === 0) return null
  const { tube } = kit.mount
  const tubeSide = riding.map((part) => {
    const place = tube && placeOf(part, tube)
    return {
      massG: massOf(part, given.phones),
      distanceMm: head.tubeAxisMm + (place ? place.radiusMm * Math.cos(degToRad(place.angleDeg)) : 0),
      massUncertaintyG: (part.toleranceG ?? 0) * Math.sqrt(part.count),
    }
  })
  if (given.magnetsG > 0 && tube && given.roll)
    tubeSide.push({
      massG: given.magnetsG,
      distanceMm: head.tubeAxisMm + (tube.diameterMm / 2) * Math.cos(degToRad(given.roll.counterAngleDeg)),
      massUncertaintyG: 0,
    })
  const shaftG = kit.parts.find(({ role, mark }) => role === 'weight-shaft' && mark !== 'missing')?.massG ?? 0
  const massesG = [...stackMassesG(kit.parts), ...(given.spare ? [given.spare.massG] : [])]
  return {
    counterweights: massesG.map((massG) => ({ massG })),
    shaft: shaftFor(head, stackThicknessMm(head, massesG), shaftG),
    tubeSide,
    headMomentGmm: kit.headMomentGmm ?? 0,
  }
}

/** The model's own weight as measured; every further one as an iron weight of its mass. The middle of a stack of unlike
 * weights and its centre of mass differ by a millimetre or two, less than the slack. */
function stackThicknessMm(head: EquatorialHead, massesG: readonly number[]): number {
  const [, ...others] = [...massesG].sort((a, b) => b - a)
  return others.reduce((sum, massG) => sum + ironWeightMm(massG).thicknessMm, head.weightThicknessMm)
}

const stackMassesG = (parts: readonly BalancePart[]): readonly number[] =>
  weightsOf(parts)
    .flatMap((part) => Array.from({ length: part.count }, () => part.massG ?? 0))
    .filter((massG) => massG > 0)

/** Size of an iron weight of this mass, bore left out: thickness 0.9 of its radius, 7,200 kg/m³, so
 * r = ∛(m ÷ (0.9·π·7.2 mg/mm³)). For drawing it, and for the room a spare takes. Source: drawing rules, common practice. */
export function ironWeightMm(massG: number): { readonly radiusMm: number; readonly thicknessMm: number } {
  requirePositive({ massG })
  const radiusMm = Math.cbrt(massG / (0.9 * Math.PI * 7.2e-3))
  return { radiusMm, thicknessMm: 0.9 * radiusMm }
}

/** Positions of the stack's middle against what a hand can measure: bare shaft between stack and end stop. */
export const bareShaftMm = (head: EquatorialHead, parts: readonly BalancePart[], positionMm: number): number =>
  head.shaftEndMm - positionMm - stackThicknessMm(head, stackMassesG(parts)) / 2

export const positionFromBareShaft = (head: EquatorialHead, parts: readonly BalancePart[], bareMm: number): number =>
  head.shaftEndMm - bareMm - stackThicknessMm(head, stackMassesG(parts)) / 2

/** The longest bare shaft that there can be with the stack on it. */
export const mostBareShaftMm = (head: EquatorialHead, parts: readonly BalancePart[]): number =>
  head.shaftEndMm - head.shaftStartMm - stackThicknessMm(head, stackMassesG(parts))

/** The head's moment, learnt from where the stack stood when everything stayed. Null where the kit has no shaft. */
export function learntHeadMoment(kit: KitOnMount, on: readonly string[], positionMm: number): number | null {
  const riding = ridingParts(kit.parts).filter(({ id }) => on.includes(id))
  const lever = leverOf(kit, riding, { magnetsG: 0, roll: null })
  return lever && headMomentGmm({ ...lever, positionMm })
}

export interface SpareChoice<T> {
  readonly spare: T
  /** Middle of both weights together. */
  readonly positionMm: number
  /** Bare shaft that is left before the end stop, with both on. */
  readonly bareMm: number
}

/** The lightest weight from the drawer that would balance a set-up; null when none would, or the shaft is too short for it. */
export function spareThatWouldDo<T extends { readonly massG: number | null }>(
  kit: KitOnMount,
  on: readonly string[],
  spares: readonly T[],
): SpareChoice<T> | null {
  const riding = ridingParts(kit.parts).filter(({ id }) => on.includes(id))
  const known = spares.flatMap((spare) =>
    spare.massG !== null && spare.massG > 0 ? [{ spare, massG: spare.massG }] : [],
  )
  for (const { spare, massG } of known.sort((a, b) => a.massG - b.massG)) {
    const lever = leverOf(kit, riding, { magnetsG: 0, roll: null, spare: { massG } })
    if (!lever || lever.shaft.minMm > lever.shaft.maxMm) continue
    const { positionMm } = mountBalance(lever)
    const head = kit.mount.equatorial
    if (positionMm === null || !head) continue
    const thicknessMm = stackThicknessMm(head, [...stackMassesG(kit.parts), massG])
    return { spare, positionMm, bareMm: head.shaftEndMm - positionMm - thicknessMm / 2 }
  }
  return null
}

function shiftFromUsual(kit: KitOnMount, riding: readonly Riding[], tube: TubeFigures): number {
  const usual = setUpParts(kit.parts, 'usual')
  const before = ridingParts(kit.parts).filter(({ id }) => usual.includes(id))
  const change = (part: Riding, sign: 1 | -1) => {
    const place = placeOf(part, tube)
    return { massG: sign * massOf(part), positionMm: place ? place.alongMm : 0 }
  }
  // Rings stay where they are; the tube and what is on it slides.
  const slides = ({ role }: Riding) => role !== 'tube-rings' && role !== 'ring-clamp-screw'
  const slidingMassG = before.filter(slides).reduce((sum, part) => sum + massOf(part), 0)
  if (!(slidingMassG > 0)) return 0
  const onNow = new Set(riding.map(({ id }) => id))
  const wasOn = new Set(before.map(({ id }) => id))
  return tubeShift({
    slidingMassG,
    changes: [
      ...riding.filter((part) => slides(part) && !wasOn.has(part.id)).map((part) => change(part, 1)),
      ...before.filter((part) => slides(part) && !onNow.has(part.id)).map((part) => change(part, -1)),
    ],
  }).shiftMm
}

/** Lines of tape on the tube at the front ring, from the usual set-up's, + towards the sky: the tube slides back, its mark
 * forward. */
export const tapeMarkMm = (tubeShiftMm: number): number => (tubeShiftMm === 0 ? 0 : -tubeShiftMm)

export interface CollapsibleBalance {
  /** What has to hang at the open end to level the tube without eyepiece and finder, when it is level with them. */
  readonly emptyHangG: number
  /** Where the tube would have to slide for it to be level as it hangs now, + towards the sky. */
  readonly shiftMm: number
}

/** A tabletop tube that slides open is set a little tail-heavy when empty, so that it is level with everything on.
 * @param hangG what has to hang at the open end to level it *with everything on* (negative: at the mirror end, as far
 *   from the balance point); 0 is balanced
 * Source: law of the lever, DOMAIN section 5 */
export function collapsibleBalance(kit: KitOnMount, hangG: number): CollapsibleBalance | null {
  const { tube } = kit.mount
  if (!tube) return null
  const riding = ridingParts(kit.parts)
  const usual = setUpParts(kit.parts, 'usual')
  const on = riding.filter(({ id }) => usual.includes(id))
  const openEndMm = tube.lengthMm - tube.frontRingMm
  const fittedGmm = on.reduce((sum, part) => sum + massOf(part) * (placeOf(part, tube)?.alongMm ?? 0), 0)
  const massG = on.reduce((sum, part) => sum + massOf(part), 0)
  if (!(massG > 0)) return null
  return { emptyHangG: fittedGmm / openEndMm, shiftMm: (hangG * openEndMm) / massG || 0 }
}
