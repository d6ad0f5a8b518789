import type { Station } from '@binoculum/contract'
import {
  axisErrorOf,
  lengthOf,
  type CheckedKit,
  type EyePlace,
  type OffsetReading,
  type PointXY,
  type ScrewTurn,
  type TurnedStep,
} from '@binoculum/core'
import { toRaw } from 'vue'
import type { SunAnswer } from '../use-sun-question.ts'

export type LookWay = 'typed' | 'photo' | 'star' | 'eye'

/** One look at the primary, in whichever way. What another way had stays, so that changing one's mind loses nothing. */
export interface Look {
  way: LookWay
  offsetMm: number | null
  clockHours: number
  place: EyePlace | null
  measured: Measured | null
}

/** What a picture told. */
export interface Measured {
  axisErrorMm: PointXY
  uncertaintyMm: number
  /** From a peephole view with the drawtube in it. */
  secondaryErrorMm: PointXY | null
  byHand: boolean
  /** The picture as the server keeps it; null while it is not there. */
  pictureId: string | null
}

/** What was done between one look and the next. */
export type Between =
  | { did: 'turned'; turns: { -readonly [K in keyof ScrewTurn]: ScrewTurn[K] }[]; sure?: boolean }
  | { did: 'secondary' }
  | { did: 'locked' }
  | { did: 'opened' }

export interface CollimationDraft extends SunAnswer {
  /** As found first, as left last; one more than `between`. */
  looks: Look[]
  between: Between[]
  blocked: Record<string, 'clockwise' | 'anticlockwise'>
  advice: 'fewest' | 'all' | 'single'
  /** Direction of the open end in the picture at hand, degrees clockwise from up; null until somebody says it. */
  openEndDeg: number | null
  /** As it was in the picture before: offered, never taken over. */
  lastOpenEndDeg?: number | null
  mirrored: boolean
  openings: PointXY[]
  /** When a figure last changed, by this device's clock. */
  lookedAtUtc?: string | undefined
}

/** Whether anything may be looked at: the question of the Sun is answered with yes, or surely falls away. A no shuts it
 * whatever the hour. */
export const mayLook = ({ shaded, sun }: SunAnswer): boolean =>
  shaded === true || (shaded === null && sun?.asked === false)

export const newLook = (from?: Look): Look => ({
  way: from?.way ?? 'typed',
  offsetMm: null,
  clockHours: from?.clockHours ?? 12,
  place: null,
  measured: null,
})

export const emptyCollimation = (): CollimationDraft => ({
  looks: [newLook()],
  between: [],
  blocked: {},
  advice: 'fewest',
  openEndDeg: null,
  mirrored: false,
  shaded: null,
  openings: [],
})

/** Another picture may be held another way round: its open end is asked for anew. */
export function forgetOpenEnd(draft: CollimationDraft): void {
  draft.lastOpenEndDeg = draft.openEndDeg ?? draft.lastOpenEndDeg ?? null
  draft.openEndDeg = null
}

/** A picture is there and measured, and says nothing before somebody says where its open end is. */
export function waitsForOpenEnd({ looks, openEndDeg, lastOpenEndDeg }: CollimationDraft): boolean {
  const { way, measured } = looks.at(-1) ?? newLook()
  return (way === 'photo' || way === 'star') && !measured && openEndDeg === null && lastOpenEndDeg !== undefined
}

/** A picture may arrive when the next look has begun: it belongs to the look that has its figure, and to no other. */
export function pictureKept(looks: readonly Look[], told: Measured | null, id: string): void {
  const look = looks.find(({ measured }) => measured !== null && toRaw(measured) === toRaw(told))
  if (look?.measured) look.measured.pictureId = id
}

/** The look as it would be sent; null while it is not complete. */
export function readingOfLook(look: Look | undefined) {
  if (!look) return null
  const { way, offsetMm, clockHours, place, measured } = look
  if (way === 'typed')
    return offsetMm === null || !(offsetMm >= 0) ? null : { way: 'typed' as const, offsetMm, clockHours }
  if (way === 'eye') return place === null ? null : { way: 'eye' as const, place, clockHours }
  if (measured === null) return null
  const { axisErrorMm, uncertaintyMm, byHand, pictureId } = measured
  return way === 'photo'
    ? { way: 'photo' as const, axisErrorMm, uncertaintyMm, byHand, pictureId }
    : { way: 'star' as const, axisErrorMm, uncertaintyMm, pictureId }
}

/** Steps whose looks on both sides are complete. */
export function turnedStepsOf(draft: CollimationDraft, kit: CheckedKit): TurnedStep[] {
  return draft.between.flatMap((each, i) => {
    const before = readingOfLook(draft.looks[i])
    const after = readingOfLook(draft.looks[i + 1])
    if (each.did !== 'turned' || !before || !after || each.turns.length === 0) return []
    const from = axisErrorOf(before as OffsetReading, kit)
    const to = axisErrorOf(after as OffsetReading, kit)
    const uncertaintyMm = Math.hypot(from.uncertaintyMm, to.uncertaintyMm)
    return [{ before: from.axisErrorMm, turns: each.turns, after: to.axisErrorMm, uncertaintyMm }]
  })
}

/** As left: the last look. One that an opening of the tube began, and nobody looked into yet, is none. */
function lastLook({ looks, between }: CollimationDraft): Look | undefined {
  const last = looks.at(-1)
  return between.at(-1)?.did === 'opened' && readingOfLook(last) === null ? looks.at(-2) : last
}

/** Whether no turn of its screws could have made this: it was mistyped, or the mirror has left its cell. */
export const isBeyondCell = (
  axisErrorMm: PointXY,
  { mostAxisErrorMm = null }: { readonly mostAxisErrorMm?: number | null },
): boolean => mostAxisErrorMm !== null && lengthOf(axisErrorMm) > mostAxisErrorMm

/** The station as it would be sent; null while as found, or a look that was begun, is not complete. */
export function collimationStation(
  draft: CollimationDraft,
  kit: CheckedKit & { readonly mostAxisErrorMm?: number | null },
): Omit<Extract<Station, { station: 'collimation' }>, 'note' | 'minutes'> | null {
  const asFound = readingOfLook(draft.looks[0])
  const asLeft = readingOfLook(lastLook(draft))
  if (!asFound || !asLeft || !mayLook(draft)) return null
  if ([asFound, asLeft].some((reading) => isBeyondCell(axisErrorOf(reading, kit).axisErrorMm, kit))) return null
  return {
    station: 'collimation',
    asFound,
    asLeft,
    turned: turnedStepsOf(draft, kit).map((step) => ({ ...step, turns: step.turns.map((turn) => ({ ...turn })) })),
    lookedAfterLocking: draft.between.at(-1)?.did === 'locked',
    openings: draft.openings,
    sun: { siteId: draft.sun?.siteId ?? null, shaded: draft.shaded === true, lookedAtUtc: draft.lookedAtUtc },
  }
}
