import type { FinderKind } from '../finder/finder-data.ts'
import type { StandData } from '../mount/stand.ts'
import type { Family } from '../contents/roles.ts'
import { balanceOf, ironWeightMm, setUpParts, type BalancePart } from '../mount/kit-balance.ts'
import type { MountData, TubePlace } from '../mount/mount-data.ts'

export type TubeKind = 'newtonian' | 'refractor' | 'maksutov'

/** What a drawing is made from: the model's own figures, and drawn sizes where it has none. */
export interface KitDimensions {
  readonly kind: TubeKind
  readonly tubeLengthMm: number
  readonly tubeDiameterMm: number
  readonly balanceMm: number
  readonly dewShieldMm: number
  readonly finder: TubePlace
  readonly redDot: boolean
  readonly eyepiece: TubePlace
  readonly collapsible: boolean
  /** Share of the way a sliding tube is pulled out. */
  readonly openFraction: number
  /** How far its cap is held before the open end. */
  readonly capAheadMm: number
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
  readonly optics: {
    readonly apertureMm: number
    readonly focalLengthMm: number
    readonly collapsible: boolean
    /** Left out, its family's usual one. */
    readonly kind?: TubeKind | undefined
  }
  readonly mount: MountData | null
  /** Left out, as its family's usually are. */
  readonly stand?: StandData | null | undefined
  /** What finder its card holds; left out, a red dot where it has a cell. */
  readonly finderKind?: FinderKind | null | undefined
  readonly parts: readonly BalancePart[]
}

/** The front ring lies about this far before the balance point. */
const RING_BEFORE_BALANCE_MM = 90
const headScales: Readonly<Partial<Record<Family, number>>> = { 'equatorial-maksutov': 0.86, 'large-equatorial': 1.3 }
const usualKinds: Readonly<Partial<Record<Family, TubeKind>>> = {
  'tripod-refractor': 'refractor',
  'equatorial-maksutov': 'maksutov',
  'computer-driven': 'maksutov',
  'large-equatorial': 'refractor',
}
const standHeights: Readonly<Partial<Record<Family, number>>> = {
  'tripod-refractor': 980,
  'altazimuth-reflector': 640,
  'computer-driven': 720,
  'large-equatorial': 820,
}
/** Light path behind the drawtube's end: diagonal and eyepiece of 1¼ inch. */
const DIAGONAL_PATH_MM = 72

export const kindOf = ({ family, optics }: Pick<DrawnKit, 'family' | 'optics'>): TubeKind =>
  optics.kind ?? usualKinds[family] ?? 'newtonian'

/** Drawn sizes: a tube a little wider than its mirror or lens, focuser where the light comes out. */
export function dimensionsOf(kit: DrawnKit): KitDimensions {
  const { apertureMm, collapsible } = kit.optics
  const kind = kindOf(kit)
  const tube = kit.mount?.tube ?? null
  const tubeDiameterMm = tube?.diameterMm ?? (kind === 'newtonian' ? apertureMm * 1.2 + 4 : apertureMm * 1.1 + 6)
  const dewShieldMm = kind === 'refractor' ? apertureMm * 1.1 : 0
  const tubeLengthMm = tube?.lengthMm ?? usualLengthMm(kit, kind, dewShieldMm)
  const share = kind === 'newtonian' ? 0.42 : 0.5
  const balanceMm = tube ? Math.max(tube.frontRingMm - RING_BEFORE_BALANCE_MM, 60) : tubeLengthMm * share
  const places = newtonianPlaces(kit, { tubeDiameterMm, tubeLengthMm, balanceMm })
  return {
    kind,
    tubeLengthMm,
    tubeDiameterMm,
    balanceMm,
    dewShieldMm,
    finder: tube?.finder ?? places.finder,
    redDot: (kit.finderKind ?? (kit.parts.some(({ role }) => role === 'coin-cell') ? 'red-dot' : null)) === 'red-dot',
    eyepiece: tube?.eyepiece ?? places.eyepiece,
    collapsible,
    openFraction: 1,
    capAheadMm: 0,
    standHeightMm: kit.mount?.standHeightMm ?? standHeights[kit.family] ?? 760,
    ...headFigures(kit, tubeDiameterMm),
  }
}

/** A Newtonian is nearly as long as its focal length, a refractor reaches from its drawtube to the dew shield's rim, a
 * Maksutov is folded. */
function usualLengthMm({ optics }: DrawnKit, kind: TubeKind, dewShieldMm: number): number {
  const { apertureMm, focalLengthMm } = optics
  if (kind === 'newtonian') return focalLengthMm * 0.95
  return kind === 'refractor' ? focalLengthMm - DIAGONAL_PATH_MM + dewShieldMm : apertureMm * 2.2
}

/** The focuser stands where the light comes out; the finder 78 mm below it, a sixth of a turn round. */
function newtonianPlaces(
  { optics }: DrawnKit,
  tube: { readonly tubeDiameterMm: number; readonly tubeLengthMm: number; readonly balanceMm: number },
): { readonly finder: TubePlace; readonly eyepiece: TubePlace } {
  const { tubeDiameterMm, tubeLengthMm, balanceMm } = tube
  const comesOutMm = 48 + optics.focalLengthMm - (tubeDiameterMm / 2 + 90)
  const focuserMm = Math.min(comesOutMm, tubeLengthMm - tubeDiameterMm * 0.5)
  return {
    finder: { alongMm: focuserMm - 78 - balanceMm, radiusMm: tubeDiameterMm / 2 + 34, angleDeg: 66 },
    eyepiece: { alongMm: focuserMm - balanceMm, radiusMm: tubeDiameterMm / 2 + 78, angleDeg: 0 },
  }
}

function headFigures(kit: DrawnKit, tubeDiameterMm: number) {
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
    headScale: k,
    tubeAxisMm: head?.tubeAxisMm ?? 95 * k + 14 + tubeDiameterMm / 2,
    shaftStartMm,
    shaftEndMm,
    weightAtMm: within(wanted ?? shaftEndMm * 0.75),
    weightRadiusMm: iron.radiusMm,
    weightThicknessMm,
  }
}
