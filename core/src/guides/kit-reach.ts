import { dimensionsOf, type DrawnKit } from '../drawings/dimensions.ts'
import { familyDrawing } from '../drawings/families.ts'
import { headHeights } from '../drawings/equatorial-kit.ts'
import { onTheHead } from '../mount/meridian.ts'
import { nearsLeg, type LegsRoom } from '../mount/near-legs.ts'
import type { StopMeeting } from '../mount/mount-data.ts'
import type { Mark, Role } from '../contents/roles.ts'
import { degToRad, radToDeg } from '../shared/angles.ts'
import { mountReach, postureAt, type Posture } from '../mount/reach.ts'

/** How high one kit's eyepiece stands, whatever it looks at: worked out once, for every five degrees of altitude. */
export interface KitReach {
  /** At 0°, 5°, … 90° of altitude, above what one stands on. */
  readonly heightsMm: readonly number[]
  /** Higher than this something of it meets its own stand. */
  readonly highestDeg: number
  /** Where about the tube the eyepiece sticks out, 0 straight up, clockwise seen from behind; null where nobody measured it. */
  readonly eyepieceRollDeg: number | null
  /** What of the heights an extension tube adds. */
  readonly extensionMm: number
}

const STEP_DEG = 5
const ZENITH_DEG = 90
/** An ordinary table. Common practice, no source. */
const TABLE_MM = 720
/** A pan head tips no further with a tube on it. Common practice, no source. */
const PAN_HEAD_HIGHEST_DEG = 75

/** How high a kit's tube can look: as its model was measured, else as its kind of head usually goes. */
export const highestOf = ({ family, mount }: Pick<DrawnKit, 'family' | 'mount'>): number =>
  mount?.stop?.highestDeg ?? (family === 'tripod-refractor' ? PAN_HEAD_HIGHEST_DEG : ZENITH_DEG)

/** From the same sizes as the kit's drawings: its model's own where they were measured, its family's usual ones where not.
 * @param extensionMm what an extension tube between legs and head adds; 0 where the kit has none
 * @returns null on an equatorial head, where the tube is turned in its rings until the eyepiece comes to hand */
export function kitReach(kit: DrawnKit, extensionMm = 0): KitReach | null {
  const size = dimensionsOf(kit)
  const { pivot, stand } = familyDrawing(kit, size)
  if (!pivot) return null
  const groundMm = (stand === 'table' ? TABLE_MM : 0) + (stand === 'legs' ? extensionMm : 0)
  const { alongMm, radiusMm, angleDeg } = size.eyepiece
  const heightsMm = Array.from({ length: ZENITH_DEG / STEP_DEG + 1 }, (_each, index) => {
    const altitudeDeg = index * STEP_DEG
    const [, pivotMm] = pivot(size, { altitudeDeg, latitudeDeg: 0, turnDeg: 0 })
    const { eyepieceHeightMm } = mountReach({
      ...{ pivotHeightMm: groundMm + pivotMm, pivotToEyepieceMm: alongMm, eyepieceOffsetMm: radiusMm },
      ...{ rollDeg: angleDeg, altitudeDeg },
    })
    return Math.round(eyepieceHeightMm)
  })
  // Behind a lens a diagonal is turned upwards; beside a mirror's tube it stands where it was built in.
  const isBehind = kit.optics.kind !== undefined && kit.optics.kind !== 'newtonian'
  return {
    heightsMm,
    highestDeg: highestOf(kit),
    eyepieceRollDeg: isBehind ? 0 : (kit.mount?.tube?.eyepiece?.angleDeg ?? null),
    extensionMm: stand === 'legs' ? extensionMm : 0,
  }
}

/** What of an equatorial kit can meet its own legs. A guess would warn of what isn't so.
 * @returns null on other heads, and where nobody measured the tube or the head */
export function legsRoom(kit: DrawnKit, extensionMm = 0): LegsRoom | null {
  const { mount } = kit
  const size = dimensionsOf(kit)
  if (!mount?.equatorial || !mount.tube || !familyDrawing(kit, size).equatorial) return null
  const { pivotUpMm, crossAlongMm } = headHeights(size.headScale, kit.family === 'large-equatorial')
  return {
    pivotUpMm: pivotUpMm + extensionMm,
    crossAlongMm,
    tubeAxisMm: size.tubeAxisMm,
    tubeRadiusMm: size.tubeDiameterMm / 2,
    lowEndMm: Math.max(size.balanceMm, -size.eyepiece.alongMm),
  }
}

/** Whether an equatorial tube, on the side that its hour angle gives, comes near its legs while it looks somewhere.
 * @param look latitudeDeg within ±90; altitudeDeg and azimuthDeg from north through east */
export const comesNearLegs = (
  room: LegsRoom,
  { latitudeDeg, altitudeDeg, azimuthDeg }: Parameters<typeof onTheHead>[0],
): boolean => {
  const look = { latitudeDeg, altitudeDeg, azimuthDeg }
  return nearsLeg(room, { ...look, tubeSide: onTheHead(look).tubeSide })
}

/** An extension tube between legs and head where nobody measured it, mm. Common practice, no source. */
const USUAL_EXTENSION_MM = 200
/** What the case's extension tube adds; 0 where there is none. */
export const extensionOf = (
  parts: readonly { readonly role: Role; readonly mark: Mark; readonly lengthMm?: number | undefined }[],
): number => {
  const tube = parts.find(({ role, mark }) => role === 'pier-extension' && mark !== 'missing')
  return tube ? (tube.lengthMm ?? USUAL_EXTENSION_MM) : 0
}

/** Which way one looks over the ground while looking into the eyepiece; null where nobody measured how it sticks out.
 *
 * One looks against the direction in which it sticks out: upwards off the tube by the cosine of its roll, to the right of it
 * by the sine. Over the ground the former goes against the target by the sine of the altitude. Source: geometry */
export function facingDeg(
  { eyepieceRollDeg }: Pick<KitReach, 'eyepieceRollDeg'>,
  { altitudeDeg, azimuthDeg }: { readonly altitudeDeg: number; readonly azimuthDeg: number },
): number | null {
  if (eyepieceRollDeg === null) return null
  const [roll, altitude] = [degToRad(eyepieceRollDeg), degToRad(altitudeDeg)]
  const ahead = Math.sin(altitude) * Math.cos(roll)
  const turnedDeg = radToDeg(Math.atan2(-Math.sin(roll), ahead))
  return (azimuthDeg + turnedDeg + 360) % 360
}

/** Where the eyepiece is for something at an altitude, and from where one looks into it. */
export function reachAt(
  { heightsMm, highestDeg }: Pick<KitReach, 'heightsMm' | 'highestDeg'>,
  altitudeDeg: number,
): { readonly heightMm: number; readonly posture: Posture; readonly isTooHigh: boolean } {
  const steps = Math.min(Math.max(altitudeDeg, 0), ZENITH_DEG) / STEP_DEG
  const below = heightsMm[Math.floor(steps)] ?? 0
  const above = heightsMm[Math.ceil(steps)] ?? below
  const heightMm = below + (above - below) * (steps - Math.floor(steps))
  return { heightMm, posture: postureAt(heightMm).posture, isTooHigh: altitudeDeg > highestDeg }
}

/** What to do about it; each language has to know them. */
export const reachWords: Readonly<Record<Posture, string>> = {
  seated: 'Eyepiece about {height} up: sit down to it.',
  standing: 'Eyepiece about {height} up: stand. A child needs a firm stool.',
  kneeling: 'Eyepiece about {height} up: kneel, or sit on a low stool.',
  step: 'Eyepiece about {height} up: take a firm step, and hold on to nothing that turns.',
}
/** What is in the way of something that stands too high for a kit; each language has to know them. */
export const tooHighWords: Readonly<Record<StopMeeting, string>> = {
  'motor-leg': 'So high up, the motor meets a leg. Wait until it is lower.',
  'motor-tube': 'So high up, the tube meets the motor. Wait until it is lower.',
  'tube-leg': 'So high up, the tube meets a leg. Wait until it is lower.',
  'tube-tray': 'So high up, the tube’s low end meets the tray. Wait until it is lower.',
  stand: 'Too high for this stand. Wait until it is lower.',
}
/** What is said of a tube that comes near its legs, and of heights with an extension; each language has to know them. */
export const NEAR_LEGS = 'So high up, the tube’s low end comes near the legs. Look there while you swing.'
export const WITH_EXTENSION = 'Heights are with the extension tube on.'
