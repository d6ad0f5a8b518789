import type { DotCare, KitSheet, OpticalCare, Station } from '@binoculum/contract'
import {
  COIN_CELL_VOLTS,
  distanceDoubt,
  finderTrain,
  fromField,
  fromFinder,
  fromScale,
  lengthOf,
  needsYes,
  usualFinder,
  type CheckedKit,
  type FinderData,
  type KnobStep,
  type KnobTurn,
  type LandmarkSource,
  type Misaligned,
  type PointXY,
} from '@binoculum/core'
import type { SunAnswer } from '../use-sun-question.ts'

/** A finder that is farther off points at nothing that the tube does: put it on anew first. */
export const MOST_OFF_ARCMIN = 600

export type FinderHow = 'finder' | 'field' | 'scale' | 'typed'

/** One look, in whichever way. What another way had stays, so that changing one's mind loses nothing. */
export interface FinderLook {
  how: FinderHow
  /** Where dot or cross stands from the thing in the eyepiece’s middle, arcminutes right and up in the finder’s own view. */
  seen: PointXY | null
  /** Dot or cross on the thing; where it then stands in the eyepiece. */
  fraction: number | null
  clockHours: number
  marks: { x: number | null; y: number | null }
  misalignmentArcmin: number | null
  /** What it was seen on, once another look followed: a target chosen later doesn't change what was seen before. */
  seenOn: { target: FinderTarget; shaded: boolean | null } | null
  /** When it was written down, by this device's clock. */
  lookedAtUtc?: string | undefined
}

/** What it is lined up on. */
export interface FinderTarget {
  kind: 'landmark' | 'moon' | 'star' | 'sheet'
  name: string
  landmarkId: string | null
  /** Null for what stands at infinity. */
  distanceM: number | null
  source: LandmarkSource
}

export interface FinderDraft extends SunAnswer {
  siteId: string | null
  target: FinderTarget | null
  /** As found first, as left last; one more than `between`. */
  looks: FinderLook[]
  between: { turns: KnobTurn[] }[]
  care: DotCare | null
  opticalCare: OpticalCare | null
}

export const newFinderLook = (from?: FinderLook): FinderLook => ({
  how: from?.how ?? 'finder',
  seen: null,
  fraction: null,
  clockHours: from?.clockHours ?? 12,
  marks: { x: null, y: null },
  misalignmentArcmin: null,
  seenOn: null,
})

export const emptyFinder = (): FinderDraft => ({
  siteId: null,
  target: null,
  shaded: null,
  looks: [newFinderLook()],
  between: [],
  care: null,
  opticalCare: null,
})

export const finderOf = (kit: KitSheet): FinderData => kit.finder ?? usualFinder(kit.optics)
export const isByDay = (target: FinderTarget) => target.kind === 'landmark' || target.kind === 'moon'

/** What a look says at infinity; null while it, or its target, is not complete. */
export function misalignedBy(
  look: FinderLook | undefined,
  chosen: FinderTarget | null,
  kit: KitSheet,
  trueFieldDeg: number,
): Misaligned | null {
  const target = look?.seenOn?.target ?? chosen
  if (!look || !target || look.how === 'typed') return null
  const finder = finderOf(kit)
  const of = {
    offsetMm: kit.optics.finderOffsetMm,
    distanceM: target.distanceM,
    distanceDoubt: target.kind === 'sheet' ? 0 : distanceDoubt(target.source),
  }
  if (look.how === 'finder')
    return look.seen && lengthOf(look.seen) <= MOST_OFF_ARCMIN ? fromFinder(look.seen, finderTrain(finder), of) : null
  if (look.how === 'field') {
    const { fraction, clockHours } = look
    if (fraction === null || !(fraction >= 0)) return null
    return fromField({ fraction, clockHours, trueFieldDeg }, finder.tube, of)
  }
  const { x, y } = look.marks
  if (x === null || y === null || finder.arcminPerMark === null) return null
  return fromScale({ x, y }, { arcminPerMark: finder.arcminPerMark }, finderTrain(finder), of)
}

/** How far off a look says it is; null while it is not complete. */
export function arcminOf(
  look: FinderLook | undefined,
  target: FinderTarget | null,
  kit: KitSheet,
  trueFieldDeg: number,
): number | null {
  if (look?.how === 'typed') {
    const typed = look.misalignmentArcmin
    return typed !== null && typed >= 0 && typed <= MOST_OFF_ARCMIN ? typed : null
  }
  const misaligned = misalignedBy(look, target, kit, trueFieldDeg)
  return misaligned && lengthOf(misaligned.misalignmentArcmin)
}

/** The yes of a landmark is in its kind already: without it there is no reading. */
const targetSent = ({ kind, name, distanceM }: FinderTarget, shaded: boolean | null) =>
  kind === 'landmark' || kind === 'moon'
    ? { kind, name, distanceM, shaded: true as const }
    : { kind, name, distanceM, shaded: shaded === true }

/** A look as it would be sent, whatever way it was read; null before a question of the Sun that stands is answered with yes. */
function readingOf(look: FinderLook | undefined, draft: FinderDraft, kit: KitSheet, trueFieldDeg: number) {
  if (!look) return null
  const { target, shaded } = look.seenOn ?? draft
  if (shaded !== true && needsYes(target?.kind ?? null, { asked: draft.sun?.asked !== false })) return null
  const { how, lookedAtUtc } = look
  const at = lookedAtUtc === undefined ? {} : { lookedAtUtc }
  if (how === 'typed') {
    const misalignmentArcmin = arcminOf(look, target, kit, trueFieldDeg)
    if (misalignmentArcmin === null) return null
    return { way: 'typed' as const, misalignmentArcmin, target: target && targetSent(target, shaded), ...at }
  }
  const misaligned = misalignedBy(look, target, kit, trueFieldDeg)
  if (!misaligned || !target) return null
  return { way: 'seen' as const, how, ...misaligned, target: targetSent(target, shaded), ...at }
}

/** Steps whose looks on both sides are complete. */
export function knobStepsOf(draft: FinderDraft, kit: KitSheet, trueFieldDeg: number): KnobStep[] {
  return draft.between.flatMap(({ turns }, i) => {
    const before = misalignedBy(draft.looks[i], draft.target, kit, trueFieldDeg)
    const after = misalignedBy(draft.looks[i + 1], draft.target, kit, trueFieldDeg)
    if (!before || !after || turns.length === 0) return []
    return [
      {
        before: before.misalignmentArcmin,
        turns,
        after: after.misalignmentArcmin,
        uncertaintyArcmin: Math.hypot(before.uncertaintyArcmin, after.uncertaintyArcmin),
      },
    ]
  })
}

/** Volts that no coin cell has are a slip of the meter: said beside their field, never sent. */
const careOf = (care: DotCare | null): DotCare | null =>
  care && {
    ...care,
    volts: care.volts !== null && care.volts > 0 && care.volts <= COIN_CELL_VOLTS.most ? care.volts : null,
  }

/** The station as it would be sent; null while as found, or a look that was begun, is not complete. */
export function finderStation(
  draft: FinderDraft,
  kit: KitSheet,
  { lowestFieldDeg }: Pick<CheckedKit, 'lowestFieldDeg'>,
): Omit<Extract<Station, { station: 'finder' }>, 'note' | 'minutes'> | null {
  const asFound = readingOf(draft.looks[0], draft, kit, lowestFieldDeg)
  const asLeft = readingOf(draft.looks.at(-1), draft, kit, lowestFieldDeg)
  if (!asFound || !asLeft) return null
  const turned = knobStepsOf(draft, kit, lowestFieldDeg).map((step) => ({
    ...step,
    turns: step.turns.map((turn) => ({ ...turn })),
  }))
  return {
    station: 'finder',
    asFound,
    asLeft,
    turned,
    siteId: draft.sun?.siteId ?? null,
    care: careOf(draft.care),
    opticalCare: draft.opticalCare,
  }
}
