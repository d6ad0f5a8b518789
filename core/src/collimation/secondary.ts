import { degToRad, lengthOf, radToDeg, type PointXY } from '../shared/angles.ts'
import { requireFinite, requirePositive } from '../shared/require.ts'
import { roundedTurns, type ScrewTurn } from './screws.ts'

export interface HolderScrew {
  readonly name: string
  /** Clockwise from the focuser's side, looking into the open end. */
  readonly angleDeg: number
}

export interface SecondaryTurnsInput {
  readonly apertureMm: number
  /** Focuser's axis at the primary − centre mark, cell frame (seen from behind). */
  readonly secondaryErrorMm: PointXY
  /** From the secondary's middle to the primary. */
  readonly secondaryToPrimaryMm: number
  readonly screws: readonly HolderScrew[]
  readonly circleRadiusMm: number
  readonly pitchMm: number
  /** What turning clockwise, from the open end, does to the holder at that screw. */
  readonly clockwise: 'towards-primary' | 'away-from-primary'
}

export interface SecondaryTurns {
  /** The secondary comes first when its error passes this. */
  readonly limitMm: number
  readonly due: boolean
  /** Looking into the open end, + clockwise; sum zero, so that the holder keeps its place along the tube. */
  readonly turns: readonly ScrewTurn[]
  readonly rounded: readonly ScrewTurn[]
  readonly residualMm: number
  /** The other way for the sideways part: turn the whole holder about the tube, + clockwise looking into the open end; the
   * screws then do the rest, `turnsAfterRotating`. */
  readonly rotateDeg: number
  readonly turnsAfterRotating: readonly ScrewTurn[]
}

/** Usual visual tolerance, as a share of the aperture. Common practice, no source. */
export const SECONDARY_LIMIT_SHARE = 0.03

/**
 * Screws of the secondary's holder.
 *
 * Derivation, cell frame with z towards the sky. The focuser's axis comes in along −x and leaves the flat (normal
 * n = (1, 0, −1)/√2) along −z. A small turn ω of the holder changes n by ω × n and the way out by
 * δr = −2[(u·δn)n + (u·n)δn] = (−2ω_y, ω_x + ω_z, 0). Screws that raise the holder's plate by a slope g turn it by
 * ω = (g_y, −g_x, 0), so that the axis moves at the primary, L below, by L·(2g_x, g_y): the plate's tilt counts twice along
 * the focuser and once across it. Turning the holder about the tube moves it by L·ω_z across. To bring e to nothing:
 * g = (−eₓ/2L, −e_y/L), or ω_z = −e_y/L in place of g_y.
 *
 * @returns turns looking into the open end, + clockwise. That view is the mirror of the one from behind: angles run the
 *   other way, the focuser's side is the same
 * @throws RangeError for fewer than three screws or sizes out of range
 * Source: derivation above; checked against reflected rays */
export function secondaryTurns(input: SecondaryTurnsInput): SecondaryTurns {
  const {
    apertureMm,
    secondaryErrorMm: e,
    secondaryToPrimaryMm: L,
    screws,
    circleRadiusMm,
    pitchMm,
    clockwise,
  } = input
  requirePositive({ apertureMm, secondaryToPrimaryMm: L, circleRadiusMm, pitchMm })
  requireFinite({ secondaryErrorX: e.x, secondaryErrorY: e.y })
  if (screws.length < 3)
    throw new RangeError(`screws: three at least are needed to tilt a secondary; ${screws.length} known`)
  const sense = clockwise === 'towards-primary' ? -1 : 1
  const turnsFor = (slope: PointXY): number[] => {
    const raised = screws.map(({ angleDeg }) => {
      // Seen from the open end angles run the other way than in the cell's frame.
      const rad = degToRad(-angleDeg)
      return circleRadiusMm * (slope.x * Math.cos(rad) + slope.y * Math.sin(rad))
    })
    const mean = raised.reduce((sum, value) => sum + value, 0) / raised.length
    return raised.map((value) => (sense * (value - mean)) / pitchMm)
  }
  const named = (turns: readonly number[]): ScrewTurn[] =>
    screws.map(({ name }, i) => ({ name, turns: (turns[i] ?? 0) + 0 }))
  const turns = turnsFor({ x: -e.x / (2 * L), y: -e.y / L })
  const rounded = turns.map(roundedTurns)
  const limitMm = SECONDARY_LIMIT_SHARE * apertureMm
  return {
    limitMm,
    due: lengthOf(e) > limitMm,
    turns: named(turns),
    rounded: named(rounded),
    residualMm: lengthOf(secondaryErrorAfter(input, named(rounded))),
    rotateDeg: radToDeg(e.y / L) + 0,
    turnsAfterRotating: named(turnsFor({ x: -e.x / (2 * L), y: 0 })),
  }
}

/** Secondary error after turns of the holder's screws, cell frame; the plane through their heights by least squares. */
export function secondaryErrorAfter(
  input: Omit<SecondaryTurnsInput, 'apertureMm'>,
  turns: readonly ScrewTurn[],
): PointXY {
  const { secondaryErrorMm: e, secondaryToPrimaryMm: L, screws, circleRadiusMm: r, pitchMm, clockwise } = input
  const sense = clockwise === 'towards-primary' ? -1 : 1
  const places = screws.map(({ name, angleDeg }) => {
    const rad = degToRad(-angleDeg)
    const turned = turns.find((turn) => turn.name === name)?.turns ?? 0
    return { x: r * Math.cos(rad), y: r * Math.sin(rad), z: sense * turned * pitchMm }
  })
  const mean = (of: (place: (typeof places)[number]) => number) =>
    places.reduce((sum, place) => sum + of(place), 0) / places.length
  const [mx, my, mz] = [mean(({ x }) => x), mean(({ y }) => y), mean(({ z }) => z)]
  let [xx, xy, yy, xz, yz] = [0, 0, 0, 0, 0]
  for (const { x, y, z } of places) {
    xx += (x - mx) ** 2
    xy += (x - mx) * (y - my)
    yy += (y - my) ** 2
    xz += (x - mx) * (z - mz)
    yz += (y - my) * (z - mz)
  }
  const determinant = xx * yy - xy * xy
  const slope = { x: (xz * yy - yz * xy) / determinant, y: (yz * xx - xz * xy) / determinant }
  return { x: e.x + 2 * L * slope.x, y: e.y + L * slope.y }
}
