import { eyeOffsetMm, type EyePlace } from '../collimation/mirror-data.ts'
import { axisErrorFromOffset, offsetInCellFrame } from '../collimation/offset.ts'
import { alignmentResult, type Landing, type LandingPattern } from '../mount/alignment-result.ts'
import { polarErrorFromDrift, type DriftWatch } from '../mount/polar-test.ts'
import { focusReach, type FocusLook } from '../optics/focus-reach.ts'
import { letGoAdvice, type LetGo } from './let-go.ts'
import { chargeLeft, powerVerdict, type Chemistry, type PowerNeed, type PowerReading } from './power.ts'
import { collimationRepeat, FEWEST_OPENINGS, type RepeatVerdict } from '../collimation/repeat.ts'
import { collimationQuality, type MirrorFigure } from '../collimation/quality.ts'
import {
  balanceOf,
  collapsibleBalance,
  learntHeadMoment,
  positionFromBareShaft,
  type KitOnMount,
} from '../mount/kit-balance.ts'
import type { Phase } from '../procedures/procedure.ts'
import { misalignmentAtLandmark } from '../finder/parallax.ts'
import { usableMisalignmentArcmin } from '../finder/verdict.ts'
import type { ReadingSource } from '../readiness/judged.ts'
import type { ReadingKind } from '../readiness/judged.ts'
import { lengthOf, type PointXY } from '../shared/angles.ts'

/** What a bench station writes down, as found and as left. */
export type StationReading =
  | { readonly station: 'glass' | 'star' | 'pack'; readonly asFound: Judged; readonly asLeft: Judged }
  | {
      readonly station: 'assembly'
      readonly steps: readonly StepFinding[]
      readonly shake?: ShakeReading | null | undefined
    }
  | BalanceReading
  | PlaceReading
  | {
      readonly station: 'collimation'
      readonly asFound: OffsetReading
      readonly asLeft: OffsetReading
      /** One reading after each opening of a tube that slides, mm at the focal plane. */
      readonly openings?: readonly PointXY[] | undefined
    }
  | { readonly station: 'finder'; readonly asFound: FinderReading; readonly asLeft: FinderReading }
  | { readonly station: 'let-go'; readonly asFound: readonly LetGo[]; readonly asLeft: readonly LetGo[] }
  | FocusReading
  | PowerStationReading

export type Judged = 'fine' | 'not-fine'

/** One step of putting together, run through at the bench. */
export interface StepFinding {
  readonly key: string
  readonly phase: Phase
  readonly asFound: Judged
  readonly asLeft: Judged
}

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

/** Where each eyepiece came to focus on the drawtube, and how the rack feels. */
export interface FocusReading {
  readonly station: 'focus'
  readonly travelMm: number
  /** Of what was looked at; null for a star. */
  readonly distanceM: number | null
  readonly asFound: FocusState
  readonly asLeft: FocusState
}
export interface FocusState {
  readonly looks: readonly FocusLook[]
  readonly rack: 'smooth' | 'stiff' | 'slips'
}

/** What the mount's cells hold, against what a loan asks for. */
export interface PowerStationReading extends PowerNeed {
  readonly station: 'power'
  readonly chemistry: Chemistry
  readonly cellCount: number
  readonly asFound: PowerReading
  readonly asLeft: PowerReading
}

/** How long the tube trembles after a tap, before and after what was loose was tightened. */
export interface ShakeReading {
  readonly asFoundS: number
  readonly asLeftS: number
  readonly way: 'sensor' | 'stopwatch' | 'video'
}

/** What lining up came to: where objects landed that a controller went to, and how stars drifted. Null where nobody looked. */
export interface AfterLiningUp {
  readonly landings?:
    FoundLeft<{ readonly landings: readonly Landing[]; readonly pattern: LandingPattern }> | null | undefined
  readonly drift?: (FoundLeft<readonly DriftWatch[]> & { readonly latitudeDeg: number }) | null | undefined
}
interface FoundLeft<T> {
  readonly asFound: T
  readonly asLeft: T
}

/** What the head's scale stands at against the place's latitude; or that a controller was keyed in and lined up. */
export type PlaceReading = AfterLiningUp & PlaceSetting
type PlaceSetting =
  | {
      readonly station: 'place'
      readonly way: 'latitude'
      readonly latitudeDeg: number
      readonly asFound: { readonly setDeg: number }
      readonly asLeft: { readonly setDeg: number }
    }
  | { readonly station: 'place'; readonly way: 'keyed'; readonly asFound: Judged; readonly asLeft: Judged }
  /** Its scale wasn't read: only what lining up came to. */
  | { readonly station: 'place'; readonly way: 'watched' }

/** How the primary was looked at. Typed: mark from the peephole's reflection, mm on the primary, and its clock direction with
 * the open end at 12. By eye: the same on a coarse scale. From a picture: the axis error in the cell's frame. */
export type OffsetReading =
  | { readonly way?: 'typed' | undefined; readonly offsetMm: number; readonly clockHours: number }
  | { readonly way: 'eye'; readonly place: EyePlace; readonly clockHours: number }
  | {
      readonly way: 'photo' | 'star'
      readonly axisErrorMm: PointXY
      readonly uncertaintyMm: number
    }

export type FinderReading =
  | { readonly way: 'typed'; readonly misalignmentArcmin: number }
  | { readonly way: 'landmark'; readonly distanceM: number; readonly seenMm: PointXY }
  /** Seen in the finder or the eyepiece and turned into misalignment at infinity already. */
  | { readonly way: 'seen'; readonly misalignmentArcmin: PointXY; readonly uncertaintyArcmin: number }

/** What the stations need to know of the kit. */
export interface CheckedKit {
  readonly apertureMm: number
  readonly focalLengthMm: number
  readonly primaryFocalLengthMm: number
  readonly mirrorFigure: MirrorFigure
  readonly peepholeOutsideFocusMm: number
  readonly finderOffsetMm: PointXY
  /** Outer diameter of the centre mark, the measure of a look by eye; null: an ordinary one. */
  readonly markOuterDiameterMm?: number | null | undefined
  /** True field of the lowest power, which sets the finder's limits. */
  readonly lowestFieldDeg: number
  /** Null for a model whose mount nobody measured. */
  readonly onMount: KitOnMount | null
}

/** A figure to be kept: value and limits in one unit; judged ones are 0 (fine) or 1 with limit 0. */
export interface KeptReading {
  readonly kind: ReadingKind
  readonly asFound: number
  readonly asLeft: number
  readonly limit: number
  readonly good: number | null
  readonly unit: 'mm' | 'arcmin' | 'deg' | 's' | 'judged'
  readonly source: ReadingSource
  /** Half-width of what it may be wrong by. */
  readonly uncertainty?: number | undefined
  /** Where the figure is a length with a direction, cell frame. */
  readonly asFoundAt?: PointXY | undefined
  readonly asLeftAt?: PointXY | undefined
}

/** A good stand is still within two seconds of a tap, a usable one within three. Common practice, no source. */
export const SHAKE_LIMITS_S = { limit: 3, good: 2 } as const
/** Balance within 10 mm of the shaft's right place (INTERFACE, default policy). */
const BALANCE_LIMIT_MM = 10
/** By eye, for looking: two degrees cost half a degree of drift in an hour. Common practice, no source. */
const LATITUDE_LIMIT_DEG = 2

/** Turns what was seen at a station into figures with their limits. Putting together gives one for each phase that was run
 * through; a balance gives none while the kit's mount is not measured. @throws RangeError for impossible figures */
export function readingsFromStation(reading: StationReading, kit: CheckedKit): readonly KeptReading[] {
  switch (reading.station) {
    case 'collimation':
      return [
        collimationReading(reading.asFound, reading.asLeft, kit),
        ...repeatReadings(reading.openings ?? [], kit),
      ]
    case 'finder':
      return [finderReading(reading.asFound, reading.asLeft, kit)]
    case 'assembly':
      return [...assemblyReadings(reading.steps), ...shakeReadings(reading.shake ?? null)]
    case 'balance':
      return balanceReadings(reading, kit.onMount)
    case 'place':
      return [...(reading.way === 'watched' ? [] : [placeReading(reading)]), ...afterLiningUp(reading, kit)]
    case 'let-go': {
      const stays = (looks: readonly LetGo[]) => letGoAdvice(looks) === 'stays'
      return [judgedReading('let-go', stays(reading.asFound), stays(reading.asLeft))]
    }
    case 'focus':
      return [focusReading(reading, kit)]
    case 'power':
      return [powerReading(reading)]
    default:
      return [judgedReading(reading.station, reading.asFound === 'fine', reading.asLeft === 'fine')]
  }
}

const judgedReading = (kind: ReadingKind, foundFine: boolean, leftFine: boolean): KeptReading => ({
  kind,
  asFound: foundFine ? 0 : 1,
  asLeft: leftFine ? 0 : 1,
  limit: 0,
  good: null,
  unit: 'judged',
  source: 'judged',
})

/** By eye a degree or two is fine; half a degree lets a driven mount keep a star for an evening. Common practice, no source. */
export const POLAR_LIMITS_ARCMIN = { limit: 120, good: 30 } as const

function afterLiningUp(
  { landings, drift }: AfterLiningUp,
  { lowestFieldDeg: fieldDeg }: CheckedKit,
): readonly KeptReading[] {
  const readings: KeptReading[] = []
  if (landings) {
    const found = alignmentResult({ fieldDeg, ...landings.asFound })
    const left = alignmentResult({ fieldDeg, ...landings.asLeft })
    readings.push({
      ...{
        kind: 'alignment',
        asFound: found.worstDeg,
        asLeft: left.worstDeg,
        limit: left.limitDeg,
        good: left.goodDeg,
      },
      ...{ unit: 'deg', source: 'typed' },
    })
  }
  if (drift) {
    const off = (watches: readonly DriftWatch[]) =>
      polarErrorFromDrift({ watches, latitudeDeg: drift.latitudeDeg }).lengthArcmin
    readings.push({
      ...{ kind: 'polar', asFound: off(drift.asFound), asLeft: off(drift.asLeft), ...POLAR_LIMITS_ARCMIN },
      ...{ unit: 'arcmin', source: 'measured' },
    })
  }
  return readings
}

function focusReading(reading: FocusReading, { focalLengthMm }: CheckedKit): KeptReading {
  const { travelMm, distanceM } = reading
  const fine = ({ looks, rack }: FocusState) =>
    rack !== 'slips' &&
    looks.every((look) => focusReach(look, { focalLengthMm, travelMm, distanceM }).reaches !== 'no')
  return { ...judgedReading('focus', fine(reading.asFound), fine(reading.asLeft)), source: 'measured' }
}

function powerReading(reading: PowerStationReading): KeptReading {
  const fine = (state: PowerReading) => powerVerdict(chargeLeft(state, reading), reading).isEnough
  return { ...judgedReading('power', fine(reading.asFound), fine(reading.asLeft)), source: 'measured' }
}

const assembled: readonly Exclude<Phase, 'unpack'>[] = ['stand', 'mount', 'tube', 'fit-out']

function assemblyReadings(steps: readonly StepFinding[]): readonly KeptReading[] {
  return assembled.flatMap((phase) => {
    const own = steps.filter((step) => step.phase === phase)
    if (own.length === 0) return []
    const fine = (pick: (step: StepFinding) => Judged) => own.every((step) => pick(step) === 'fine')
    return [
      judgedReading(
        phase,
        fine(({ asFound }) => asFound),
        fine(({ asLeft }) => asLeft),
      ),
    ]
  })
}

function shakeReadings(shake: ShakeReading | null): readonly KeptReading[] {
  if (!shake) return []
  const { asFoundS, asLeftS, way } = shake
  const source = way === 'stopwatch' ? 'typed' : 'measured'
  const { limit, good } = SHAKE_LIMITS_S
  return [{ kind: 'shake', asFound: asFoundS, asLeft: asLeftS, limit, good, unit: 's', source }]
}

/** Where the stack stands and where it belongs, for one length of bare shaft. Null where there is nothing to reckon with. */
export function weightPlaceMm(kit: KitOnMount, on: readonly string[], bareShaft: number) {
  const head = kit.mount.equatorial
  const wantedMm = balanceOf(kit, on).wantedMm
  if (!head || wantedMm === null) return null
  return { standsMm: positionFromBareShaft(head, kit.parts, bareShaft), wantedMm }
}

function balanceReadings(reading: BalanceReading, kit: KitOnMount | null): readonly KeptReading[] {
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

function placeReading(reading: Exclude<PlaceReading, { readonly way: 'watched' }>): KeptReading {
  if (reading.way === 'keyed') return judgedReading('place', reading.asFound === 'fine', reading.asLeft === 'fine')
  const off = ({ setDeg }: { readonly setDeg: number }) => Math.abs(setDeg - Math.abs(reading.latitudeDeg))
  return {
    kind: 'place',
    asFound: off(reading.asFound),
    asLeft: off(reading.asLeft),
    limit: LATITUDE_LIMIT_DEG,
    good: LATITUDE_LIMIT_DEG / 2,
    unit: 'deg',
    source: 'typed',
  }
}

/** A mark of ordinary size, for looks by eye at a model nobody measured. Common practice, no source. */
const ORDINARY_MARK_MM = 6.5
/** A hand reads a ruler through a peephole to about this, mm on the primary. Common practice, no source. */
const TYPED_DOUBT_MM = 0.5

/** Axis error at the focal plane from a look at the primary, cell frame, with the half-width of its doubt. */
export function axisErrorOf(
  reading: OffsetReading,
  kit: CheckedKit,
): { readonly axisErrorMm: PointXY; readonly uncertaintyMm: number } {
  if ('axisErrorMm' in reading) return reading
  const { primaryFocalLengthMm: focalLengthMm, peepholeOutsideFocusMm } = kit
  const seen =
    reading.way === 'eye'
      ? eyeOffsetMm(reading.place, kit.markOuterDiameterMm ?? ORDINARY_MARK_MM)
      : { offsetMm: reading.offsetMm, doubtMm: TYPED_DOUBT_MM }
  const offset = offsetInCellFrame({ lengthMm: seen.offsetMm, clockHours: reading.clockHours })
  return {
    axisErrorMm: axisErrorFromOffset({ offsetAtPrimaryMm: offset, focalLengthMm, peepholeOutsideFocusMm }),
    uncertaintyMm: seen.doubtMm / 2,
  }
}

/** Length of the axis error in mm at the focal plane. */
export const axisErrorMm = (reading: OffsetReading, kit: CheckedKit): number =>
  lengthOf(axisErrorOf(reading, kit).axisErrorMm)

/** A typed figure is taken at its word, as ever; a look by eye or a picture says how sure it is. */
const sourceOf = (reading: OffsetReading): ReadingSource =>
  reading.way === 'photo' || reading.way === 'star' ? 'photo' : reading.way === 'eye' ? 'judged' : 'typed'

function collimationReading(asFound: OffsetReading, asLeft: OffsetReading, kit: CheckedKit): KeptReading {
  const { apertureMm, primaryFocalLengthMm: focalLengthMm, mirrorFigure } = kit
  const found = axisErrorOf(asFound, kit)
  const left = axisErrorOf(asLeft, kit)
  const leftMm = lengthOf(left.axisErrorMm)
  const quality = collimationQuality({ apertureMm, focalLengthMm, mirrorFigure, axisErrorMm: leftMm })
  return {
    kind: 'collimation',
    asFound: lengthOf(found.axisErrorMm),
    asLeft: leftMm,
    limit: quality.limitMm,
    good: quality.goodMm,
    unit: 'mm',
    source: sourceOf(asLeft),
    ...(sourceOf(asLeft) === 'typed' ? {} : { uncertainty: left.uncertaintyMm }),
    asFoundAt: found.axisErrorMm,
    asLeftAt: left.axisErrorMm,
  }
}

/** How a tube that slides comes back, as a judged figure: 0 holds, 1 is looked at each time, 2 wants mending. */
const repeatValues: Readonly<Record<RepeatVerdict, number>> = { holds: 0, 'check-each-time': 1, mend: 2 }
export const repeatVerdicts: readonly RepeatVerdict[] = ['holds', 'check-each-time', 'mend']

/** The verdict of a kit's last test; null where nobody tested it. */
export const repeatVerdictOf = (
  readings: readonly { readonly kind: string; readonly asLeft: number }[],
): RepeatVerdict | null => repeatVerdicts[readings.find(({ kind }) => kind === 'repeat')?.asLeft ?? -1] ?? null

/** None before there are openings enough to tell. */
function repeatReadings(openings: readonly PointXY[], kit: CheckedKit): readonly KeptReading[] {
  if (openings.length < FEWEST_OPENINGS) return []
  const { apertureMm, primaryFocalLengthMm: focalLengthMm, mirrorFigure } = kit
  const { limitMm } = collimationQuality({ apertureMm, focalLengthMm, mirrorFigure, axisErrorMm: 0 })
  const value = repeatValues[collimationRepeat({ readings: openings, limitMm }).verdict]
  const limit = repeatValues['check-each-time']
  return [{ kind: 'repeat', asFound: value, asLeft: value, limit, good: null, unit: 'judged', source: 'measured' }]
}

/** Misalignment in arcminutes from a finder reading. */
export function misalignmentArcmin(reading: FinderReading, kit: CheckedKit): number {
  if (reading.way === 'typed') return reading.misalignmentArcmin
  if (reading.way === 'seen') return lengthOf(reading.misalignmentArcmin)
  const { distanceM, seenMm } = reading
  return misalignmentAtLandmark({ offsetMm: kit.finderOffsetMm, seenMm, distanceM }).lengthArcmin
}

function finderReading(asFound: FinderReading, asLeft: FinderReading, kit: CheckedKit): KeptReading {
  const limit = usableMisalignmentArcmin(kit.lowestFieldDeg)
  return {
    kind: 'finder',
    asFound: misalignmentArcmin(asFound, kit),
    asLeft: misalignmentArcmin(asLeft, kit),
    limit,
    good: limit / 2,
    unit: 'arcmin',
    source: asLeft.way === 'typed' ? 'typed' : 'measured',
    ...(asLeft.way === 'seen' ? { uncertainty: asLeft.uncertaintyArcmin, asLeftAt: asLeft.misalignmentArcmin } : {}),
    ...(asFound.way === 'seen' ? { asFoundAt: asFound.misalignmentArcmin } : {}),
  }
}
