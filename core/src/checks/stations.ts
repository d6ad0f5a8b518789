import { focusReach, type FocusLook } from '../optics/focus-reach.ts'
import type { PointXY } from '../shared/angles.ts'
import { judgedReading, type CheckedKit, type Judged, type KeptReading } from './kept-reading.ts'
import { letGoAdvice, type LetGo } from './let-go.ts'
import { chargeLeft, powerVerdict, type Chemistry, type PowerNeed, type PowerReading } from './power.ts'
import { assemblyReadings, shakeReadings, type ShakeReading, type StepFinding } from './station-assembly.ts'
import { balanceReadings, type BalanceReading } from './station-balance.ts'
import { collimationReading, repeatReadings, type OffsetReading } from './station-collimation.ts'
import { finderReading, type FinderReading } from './station-finder.ts'
import { afterLiningUp, placeReading, type PlaceReading } from './station-place.ts'

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
