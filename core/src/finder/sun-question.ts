import type { HorizontalPlace } from '../sky/positions.ts'
import { apparentSun } from '../sky/sun-safety.ts'
import { standardOffsetHours } from '../sky/zone-time.ts'

export interface SunQuestionInput {
  /** Where it stands; null while no place is written down. */
  readonly place: { readonly latitudeDeg: number; readonly longitudeDeg: number; readonly zone: string } | null
  readonly deviceUtc: string
  /** The server's clock at the same moment; null where it was not heard. */
  readonly serverUtc: string | null
  /** When it was looked at, where that is not now. */
  readonly lookedAtUtc?: string | undefined
}

/** Why clock and place are not believed. */
export type SunDoubt = 'no-place' | 'no-clock' | 'clocks-differ' | 'zone-far'

export interface SunQuestion {
  /** Whether somebody has to say that the tube can't meet the Sun: always, but where it surely is night. */
  readonly asked: boolean
  readonly doubt: SunDoubt | null
  /** Where the Sun stands as clock and place have it, right or wrong. */
  readonly sun: HorizontalPlace | null
}

/** From here on it is night for a finder: stars are offered, and landmarks no more. */
export const NIGHT_FROM_DEG = -6
const CLOCKS_AGREE_MS = 5 * 60_000
/** Zones reach farther than their own 15°, but seldom twice as far: China's and Spain's edges are asked for too. */
const ZONE_REACH_DEG = 30
const DEG_PER_HOUR = 15

/** How far a longitude lies from the middle of its zone, 0 to 180°. */
export function zoneMismatchDeg(longitudeDeg: number, zone: string, atUtc: string): number {
  const middleDeg = standardOffsetHours(zone, Date.parse(atUtc)) * DEG_PER_HOUR
  return Math.abs(((((longitudeDeg - middleDeg + 180) % 360) + 360) % 360) - 180)
}

/** Whether longitude and zone can't both be right. */
export const isZoneFar = (longitudeDeg: number, zone: string, atUtc: string): boolean =>
  zoneMismatchDeg(longitudeDeg, zone, atUtc) > ZONE_REACH_DEG

/**
 * Whether the question of the Sun stands before a look through a finder. It falls away only at night, and night is believed
 * only where the device's clock and the server's agree and the place's longitude and zone belong together.
 * Limits: common practice, no source.
 * @throws RangeError for places, zones or instants that are none */
export function sunQuestion({ place, deviceUtc, serverUtc, lookedAtUtc }: SunQuestionInput): SunQuestion {
  if (!place) return { asked: true, doubt: 'no-place', sun: null }
  const atUtc = lookedAtUtc ?? serverUtc ?? deviceUtc
  const sun = apparentSun(atUtc, { ...place, atUtc })
  const isAhead = serverUtc !== null && Date.parse(atUtc) - Date.parse(serverUtc) > CLOCKS_AGREE_MS
  const doubt = isAhead ? 'clocks-differ' : doubtOf(place, deviceUtc, serverUtc)
  return { asked: doubt !== null || sun.altitudeDeg >= NIGHT_FROM_DEG, doubt, sun }
}

function doubtOf(
  { longitudeDeg, zone }: NonNullable<SunQuestionInput['place']>,
  deviceUtc: string,
  serverUtc: string | null,
): SunDoubt | null {
  if (serverUtc === null) return 'no-clock'
  if (!(Math.abs(Date.parse(deviceUtc) - Date.parse(serverUtc)) <= CLOCKS_AGREE_MS)) return 'clocks-differ'
  return isZoneFar(longitudeDeg, zone, serverUtc) ? 'zone-far' : null
}

/** What was looked at. A sheet hangs indoors and carries its own warning. */
export type FinderTargetKind = 'landmark' | 'moon' | 'star' | 'sheet'

/** Whether a reading counts only after a yes. By day landmark and Moon always do; a star, or an angle that somebody knows,
 * wherever night is not certain. */
export const needsYes = (kind: FinderTargetKind | null, question: Pick<SunQuestion, 'asked'>): boolean =>
  kind === 'landmark' || kind === 'moon' || (kind !== 'sheet' && question.asked)
