import { requireFinite } from '../shared/require.ts'

export type TubeSide = 'west' | 'east'
export type MeridianWay = 'start-on-the-far-side' | 'follow-and-turn-round'

export interface SideOfMount {
  readonly tubeSide: TubeSide
  readonly nearMeridian: boolean
  /** Near the meridian both ways across it; else the one side. */
  readonly options: readonly { readonly tubeSide: TubeSide; readonly way: MeridianWay | null }[]
  /** Hours until the object stands on the meridian; null while that isn't near. */
  readonly hoursToMeridian: number | null
}

/** How near the meridian both ways across it are offered. Common practice, no source. */
const NEAR_MERIDIAN_HOURS = 0.5
const HOURS_PER_TURN = 24

/** On which side of the head the tube hangs with the tube above its weight.
 *
 * The tube sits a quarter turn away from where it looks: at hour angle H either at H + 6 h or at H − 6 h. It is above the
 * weight where that lies within 6 h of the meridian: H + 6 h for H < 0, H − 6 h for H > 0. West where the place lies
 * between 0 and 12 h, east where it lies between −12 and 0 h. So −6…0 h west, 0…+6 h east, beyond 6 h the other way round,
 * in both hemispheres.
 * @param input latitudeDeg in [−90, 90]; hourAngleHours any, taken into (−12, 12]
 * @throws RangeError for a latitude beyond the poles. Source: geometry of the head, DOMAIN section 6 */
export function sideOfMount(input: { readonly latitudeDeg: number; readonly hourAngleHours: number }): SideOfMount {
  requireFinite(input)
  if (Math.abs(input.latitudeDeg) > 90)
    throw new RangeError(`latitudeDeg must lie between -90 and 90; got ${input.latitudeDeg}`)
  const hours = signedHours(input.hourAngleHours)
  const lower = Math.abs(hours) > 6
  const rising = hours < 0
  const tubeSide: TubeSide = rising !== lower ? 'west' : 'east'
  const fromMeridian = lower ? HOURS_PER_TURN / 2 - Math.abs(hours) : Math.abs(hours)
  if (fromMeridian > NEAR_MERIDIAN_HOURS)
    return { tubeSide, nearMeridian: false, options: [{ tubeSide, way: null }], hoursToMeridian: null }
  // At the meridian the tube that followed hangs west above the pole; the other side is where it goes on from there.
  const before: TubeSide = lower ? 'east' : 'west'
  const after: TubeSide = before === 'west' ? 'east' : 'west'
  return {
    tubeSide,
    nearMeridian: true,
    options: [
      { tubeSide: after, way: 'start-on-the-far-side' },
      { tubeSide: before, way: 'follow-and-turn-round' },
    ],
    hoursToMeridian: lower ? (hours > 0 ? HOURS_PER_TURN / 2 - hours : -(HOURS_PER_TURN / 2 + hours)) : -hours,
  }
}

const sideAt = (hourAngleHours: number): TubeSide => sideOfMount({ latitudeDeg: 0, hourAngleHours }).tubeSide

/** `sideOfMount` for a borrower without a clock: the same in both hemispheres, and beyond six hours the other way round. */
export const tubeSides = { lookingEast: sideAt(-3), lookingWest: sideAt(3), underPole: sideAt(-9) } as const

/** Hours into (−12, 12]. */
export function signedHours(hours: number): number {
  const turned = ((hours % HOURS_PER_TURN) + HOURS_PER_TURN) % HOURS_PER_TURN
  return turned > HOURS_PER_TURN / 2 ? turned - HOURS_PER_TURN : turned
}
