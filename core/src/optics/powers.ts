import type { Role } from '../contents/roles.ts'
import { opticalChains, type ChainKind } from './chains.ts'
import { opticalView, type View } from './view.ts'

/** A part that makes or changes a power. A zoom is given by its longest and shortest focal length. */
export interface OpticalPart {
  readonly name: string
  /** Says how it sits in the light path; without one, a focal length makes it an eyepiece. */
  readonly role?: Role | undefined
  readonly focalLengthMm?: number | undefined
  readonly shortestFocalLengthMm?: number | undefined
  readonly apparentFieldDeg?: number | undefined
  /** Apparent field at a zoom's shortest focal length. */
  readonly apparentFieldAtShortestDeg?: number | undefined
  readonly fieldStopMm?: number | undefined
  /** By how much a Barlow, an extender or an erecting prism lengthens the tube's focal length. */
  readonly barlow?: number | undefined
  /** Barrel that goes in: 24.5, 31.75 (1¼ inch) or 50.8 (2 inch); left out, 31.75. */
  readonly maleMm?: number | undefined
  /** Hole that takes the next part; left out, as wide as its own barrel. An eyepiece has none. */
  readonly femaleMm?: number | undefined
}

export interface Tube {
  readonly apertureMm: number
  readonly focalLengthMm: number
  /** Hole of the focuser; left out, nobody measured it and every barrel is taken to fit. */
  readonly focuserFemaleMm?: number | undefined
}

export interface Power extends View {
  readonly eyepieceName: string
  readonly eyepieceMm: number
  /** 1¼ inch where the part doesn't say. */
  readonly maleMm: number
  /** What lengthens the focal length on the way: a Barlow, an extender. */
  readonly barlowName: string | null
  readonly barlow: number
  /** The adapter that this combination needs; null where the barrels fit by themselves. */
  readonly adapterName: string | null
  /** The one to start with: no Barlow, lowest power. */
  readonly start: boolean
}

/** Every power that a kit's own parts give, lowest first: only combinations whose barrels go together, each with the
 * fewest parts that reach the eyepiece.
 * @param tube mm; @param parts only those with a focal length, a factor or a place in the light path count
 * @returns views as `opticalView`; exactly one of them is marked as the start if there is any eyepiece */
export function powersOf(tube: Tube, parts: readonly OpticalPart[]): readonly Power[] {
  const ways = waysThrough(tube, parts)
  const powers = parts.flatMap((part, index) =>
    focalLengths(part).flatMap((eyepiece) =>
      (ways.get(index) ?? []).map(({ amplifier, adapter, factor }) => {
        const { name, maleMm, ...optics } = eyepiece
        const { apertureMm, focalLengthMm } = tube
        return {
          ...opticalView({ apertureMm, focalLengthMm, ...optics, barlow: factor }),
          eyepieceName: name,
          eyepieceMm: eyepiece.eyepieceMm,
          maleMm,
          barlowName: amplifier,
          barlow: factor,
          adapterName: adapter,
        }
      }),
    ),
  )
  const sorted = powers.sort((a, b) => a.magnification - b.magnification)
  const startIndex = sorted.findIndex((power) => power.barlowName === null)
  return sorted.map((power, index) => ({ ...power, start: index === startIndex }))
}

interface Way {
  readonly amplifier: string | null
  readonly adapter: string | null
  readonly factor: number
}

const kindOfRole: Readonly<Partial<Record<Role, ChainKind>>> = {
  barlow: 'barlow',
  'focal-extender': 'extender',
  diagonal: 'diagonal',
  'erecting-diagonal': 'erecting',
  'barrel-adapter': 'adapter',
}

/** How a part sits in the light path; null for what has no place in it. */
export function chainKindOf({ role, focalLengthMm, barlow }: OpticalPart): ChainKind | null {
  if (focalLengthMm !== undefined) return 'eyepiece'
  const kind = role === undefined ? undefined : kindOfRole[role]
  return kind ?? (barlow === undefined ? null : 'barlow')
}

/** For each eyepiece, by its place in the list: itself alone, and with each part that lengthens the focal length, where
 * the barrels allow it. */
function waysThrough(tube: Tube, parts: readonly OpticalPart[]): ReadonlyMap<number, readonly Way[]> {
  const placed = parts.flatMap((part, index) => {
    const kind = chainKindOf(part)
    const { maleMm = NARROW_BARREL_MM, femaleMm, barlow = 1 } = part
    // What only turns the light adds no power of its own: a prism that also lengthens it does.
    const counts = kind === 'eyepiece' || kind === 'adapter' || barlow !== 1
    return kind && counts
      ? [
          {
            index,
            id: String(index),
            kind,
            maleMm,
            femaleMm: kind === 'eyepiece' ? undefined : (femaleMm ?? maleMm),
            factor: barlow,
            part,
          },
        ]
      : []
  })
  const byId = new Map(placed.map((each) => [each.id, each]))
  const isMeasured = tube.focuserFemaleMm !== undefined
  const chains = isMeasured
    ? opticalChains({ focuserFemaleMm: tube.focuserFemaleMm, parts: placed, maxParts: 2 }).chains
    : placed
        .filter(({ kind }) => kind === 'eyepiece')
        .flatMap(({ id }) => [
          { eyepiece: id, through: [], factor: 1 },
          ...placed
            .filter(({ kind, factor }) => kind !== 'eyepiece' && factor !== 1)
            .map((each) => ({ eyepiece: id, through: [each.id], factor: each.factor })),
        ])
  const ways = new Map<number, Map<string, Way>>()
  for (const { eyepiece, through, factor } of chains) {
    const links = through.flatMap((id) => byId.get(id) ?? [])
    const amplifiers = links.filter((each) => each.factor !== 1)
    if (amplifiers.length > 1) continue
    const own = ways.get(Number(eyepiece)) ?? new Map<string, Way>()
    const amplifier = amplifiers[0] ?? null
    const adapter = links.find(({ kind }) => kind === 'adapter')?.part.name ?? null
    const key = amplifier?.id ?? ''
    // Chains come with the fewest parts first.
    if (!own.has(key)) own.set(key, { amplifier: amplifier?.part.name ?? null, adapter, factor })
    ways.set(Number(eyepiece), own)
  }
  return new Map([...ways].map(([index, own]) => [index, [...own.values()]]))
}

/** 1¼ inch. */
const NARROW_BARREL_MM = 31.75
/** 2 inches, less what a rule reads short. */
export const WIDE_BARREL_FROM_MM = 50

function focalLengths(part: OpticalPart) {
  if (part.focalLengthMm === undefined) return []
  const { name, apparentFieldDeg, fieldStopMm, maleMm = NARROW_BARREL_MM } = part
  const longest = { name, maleMm, eyepieceMm: part.focalLengthMm, apparentFieldDeg, fieldStopMm }
  if (part.shortestFocalLengthMm === undefined) return [longest]
  // A zoom's field stop differs along its range; only the apparent fields are known at both ends.
  const shortest = {
    name,
    maleMm,
    eyepieceMm: part.shortestFocalLengthMm,
    apparentFieldDeg: part.apparentFieldAtShortestDeg ?? apparentFieldDeg,
    fieldStopMm: undefined,
  }
  return [longest, shortest]
}

/** The highest power the case gives; 0 where there is no eyepiece. Decides whether a mirror's error will be noticed. */
export const highestMagnification = (powers: readonly Power[]): number => powers.at(-1)?.magnification ?? 0

/** True field of the lowest power; falls back to 50° of apparent field where none is known. */
export function lowestPowerFieldDeg(powers: readonly Power[]): number | null {
  const start = powers.find((power) => power.start)
  if (!start) return null
  return start.trueFieldDeg ?? ASSUMED_APPARENT_FIELD_DEG / start.magnification
}

/** Simple eyepieces show about 50°. Common practice, no source. */
const ASSUMED_APPARENT_FIELD_DEG = 50
