import type { Family } from '../contents/roles.ts'
import { balanceOf, ironWeightMm, setUpParts, type BalancePart } from '../mount/kit-balance.ts'
import type { MountData, TubePlace } from '../mount/mount-data.ts'

/** What a drawing is made from: the model's own figures, and drawn sizes where it has none. */
export interface KitDimensions {
  readonly tubeLengthMm: number
  readonly tubeDiameterMm: number
  readonly balanceMm: number
  readonly finder: TubePlace
  readonly eyepiece: TubePlace
  readonly collapsible: boolean
  readonly standHeightMm: number
  readonly headScale: number
  readonly tubeAxisMm: number
  readonly shaftStartMm: number
  readonly shaftEndMm: number
  readonly weightAtMm: number
  readonly weightRadiusMm: number
  readonly weightThicknessMm: number
}

export interface DrawnKit {
  readonly family: Family
  readonly optics: { readonly apertureMm: number; readonly focalLengthMm: number; readonly collapsible: boolean }
  readonly mount: MountData | null
  readonly parts: readonly BalancePart[]
}

/** The front ring lies about this far before the balance point. */
const RING_BEFORE_BALANCE_MM = 90
const headScales: Readonly<Partial<Record<Family, number>>> = { 'equatorial-maksutov': 0.86, 'large-equatorial': 1.3 }

/** Drawn sizes of a Newtonian: a tube a little wider than its mirror, focuser where the light comes out. */
export function dimensionsOf(kit: DrawnKit): KitDimensions {
  const { apertureMm, focalLengthMm, collapsible } = kit.optics
  const tube = kit.mount?.tube ?? null
  const tubeDiameterMm = tube?.diameterMm ?? apertureMm * 1.2 + 4
  const tubeLengthMm = tube?.lengthMm ?? focalLengthMm * 0.95
  const balanceMm = tube ? Math.max(tube.frontRingMm - RING_BEFORE_BALANCE_MM, 60) : tubeLengthMm * 0.42
  const focuserMm = Math.min(48 + focalLengthMm - (tubeDiameterMm / 2 + 90), tubeLengthMm - tubeDiameterMm * 0.5)
  const k = headScales[kit.family] ?? 1
  const head = kit.mount?.equatorial ?? null
  const weightG = kit.parts.find(({ role }) => role === 'counterweight')?.massG ?? 2000
  const iron = ironWeightMm(weightG > 0 ? weightG : 2000)
  const shaftStartMm = head?.shaftStartMm ?? 64 * k
  const shaftEndMm = head?.shaftEndMm ?? 300 * k
  const weightThicknessMm = head?.weightThicknessMm ?? iron.thicknessMm
  const wanted =
    kit.mount && head
      ? balanceOf({ mount: kit.mount, parts: kit.parts, headMomentGmm: null }, setUpParts(kit.parts, 'usual'))
          .wantedMm
      : null
  const within = (mm: number) =>
    Math.min(Math.max(mm, shaftStartMm + weightThicknessMm / 2), shaftEndMm - weightThicknessMm / 2)
  return {
    tubeLengthMm,
    tubeDiameterMm,
    balanceMm,
    finder: tube?.finder ?? { alongMm: focuserMm - 78 - balanceMm, radiusMm: tubeDiameterMm / 2 + 34, angleDeg: 66 },
    eyepiece: tube?.eyepiece ?? { alongMm: focuserMm - balanceMm, radiusMm: tubeDiameterMm / 2 + 78, angleDeg: 0 },
    collapsible,
    standHeightMm: kit.mount?.standHeightMm ?? 760,
    headScale: k,
    tubeAxisMm: head?.tubeAxisMm ?? 95 * k + 14 + tubeDiameterMm / 2,
    shaftStartMm,
    shaftEndMm,
    weightAtMm: within(wanted ?? shaftEndMm * 0.75),
    weightRadiusMm: iron.radiusMm,
    weightThicknessMm,
  }
}
